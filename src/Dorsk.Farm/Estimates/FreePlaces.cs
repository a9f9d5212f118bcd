using Dorsk.Core.Species;

namespace Dorsk.Farm.Estimates;

/// <summary>Empty ponds that can be used now, and how many fish of market size they carry.</summary>
/// <param name="Ponds">How many.</param>
/// <param name="Unusable">Empty ponds that leak or wait for mending.</param>
/// <param name="AreaM2">Surface of the usable ones that are planned by area, m².</param>
/// <param name="VolumeM3">Water of the usable ones that are planned by volume, m³.</param>
/// <param name="Fish">Fish of market size they carry together.</param>
/// <param name="SpeciesName">Of which species.</param>
public sealed record FreePlaces(
    int Ponds,
    int Unusable,
    double AreaM2,
    double VolumeM3,
    double Fish,
    string SpeciesName
)
{
    /// <summary>Looks over the ponds.</summary>
    public static FreePlaces Of(IReadOnlyList<PondNow> all, DateTimeOffset now)
    {
        var empty = all.Where(p => p.Batches.Count == 0 && p.Story.Pond.Use != "settling").ToList();
        var free = empty.Where(p => p.Story.Empty(now).IsUsable).Select(p => p.Story).ToList();
        var species = free.Count > 0 ? free[0].LikelySpecies : FishSpecies.All[0];
        return new(
            free.Count,
            empty.Count - free.Count,
            free.Where(s => !s.Pond.ByVolume).Sum(s => s.Pond.Shape.FullAreaM2),
            free.Where(s => s.Pond.ByVolume).Sum(s => s.Pond.Shape.FullVolumeM3),
            free.Sum(s => Math.Floor(s.CapacityKg(species) * 1000 / species.MarketLowG)),
            species.Name
        );
    }
}
