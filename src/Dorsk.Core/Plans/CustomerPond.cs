using Dorsk.Core.Species;

namespace Dorsk.Core.Plans;

/// <summary>Fish that a customer's pond bears.</summary>
/// <param name="Low">Fish at the low end, whole.</param>
/// <param name="Usual">Fish as usual, whole.</param>
/// <param name="High">Fish at the high end, whole.</param>
/// <param name="School">The stocking density it goes by.</param>
public sealed record CustomerPond(int Low, int Usual, int High, DensitySchool School)
{
    /// <summary>Fish that a pond of another farm bears, by the stocking densities of the own ones; null where the tables have none.</summary>
    /// <param name="species">The fish.</param>
    /// <param name="areaM2">Its surface, m²; above 0.</param>
    /// <param name="aerated">Whether it has an aerator.</param>
    /// <param name="ownPerM2">A density of the farm's own, fish a m²; null for the tables.</param>
    public static CustomerPond? Of(FishSpecies species, double areaM2, bool aerated, double? ownPerM2 = null)
    {
        var school = ownPerM2 is { } own
            ? DensitySchool.Own(RearingSystem.Earthen, own, species.MarketLowG, aerated)
            : DensitySchool.Fitting(DensitySchool.For(species, RearingSystem.Earthen), aerated);
        if (school is null)
            return null;
        int Whole(double perM2) => (int)Math.Floor(Math.Min(int.MaxValue, (perM2 * areaM2) + 1e-9));
        return new(Whole(school.Number.Low), Whole(school.Number.Usual), Whole(school.Number.High), school);
    }
}
