using Dorsk.Core.Growth;

namespace Dorsk.Core.Harvest;

/// <summary>A cycle in figures that can stand beside another's.</summary>
/// <param name="Pond">Code of the pond.</param>
/// <param name="BatchId">The batch.</param>
/// <param name="Species">Name of the species.</param>
/// <param name="From">Day of stocking.</param>
/// <param name="Days">Days to the last harvest, or to today.</param>
/// <param name="Closed">Whether the books are closed.</param>
/// <param name="ByVolume">Whether densities are per m³; else per ha.</param>
/// <param name="StockedPer">Fish stocked per ha or m³.</param>
/// <param name="StartG">Mean weight at stocking, g.</param>
/// <param name="SurvivalShare">Fish taken out and standing by fish stocked, 0 to 1 and over; an estimate while it runs.</param>
/// <param name="EndG">Mean weight of what was taken out and stands, g.</param>
/// <param name="Fcr">Economic FCR, or null.</param>
/// <param name="FeedCostPerKg">Feed money per kg gained, in the currency, or null where a price is missing.</param>
/// <param name="MeanTempC">Mean water temperature, °C.</param>
/// <param name="RationShare">Mean share of the full ration, 0 to 1.</param>
/// <param name="BadMornings">Mornings read under the watch level.</param>
/// <param name="MorningsRead">Mornings read.</param>
/// <param name="Reasons">Why its fish weigh more or less than planned.</param>
/// <param name="Why">Grounds of its books.</param>
public sealed record CycleFigures(
    string Pond,
    long BatchId,
    string Species,
    DateOnly From,
    int Days,
    bool Closed,
    bool ByVolume,
    double StockedPer,
    double StartG,
    double SurvivalShare,
    double EndG,
    double? Fcr,
    double? FeedCostPerKg,
    double MeanTempC,
    double RationShare,
    int BadMornings,
    int MorningsRead,
    IReadOnlyList<GrowthReason> Reasons,
    Judging.Grounds Why
)
{
    /// <summary>Taken out and standing, kg per ha or m³.</summary>
    public double YieldPer => StockedPer * SurvivalShare * EndG / 1000;

    /// <summary>Yield a day, kg per ha or m³.</summary>
    public double YieldPerDay => YieldPer / Math.Max(1, Days);

    /// <summary>Gain of one fish, g a day.</summary>
    public double GainGDay => (EndG - StartG) / Math.Max(1, Days);
}

/// <summary>What a difference in yield is made of.</summary>
/// <param name="Yield">Yield of one against the other, as a share: 0.3 is three tenths more.</param>
/// <param name="Factors">Fish stocked, survival and weight, each with what it alone makes of the yield; multiplied they are the whole.</param>
public sealed record YieldDifference(double Yield, IReadOnlyList<(string Name, double Share)> Factors)
{
    /// <summary>Compares a cycle with another: yield is fish stocked × survival × weight, so the three ratios multiply to it.</summary>
    /// <exception cref="ArgumentException">One is counted per area and the other per volume, or one has no yield.</exception>
    public static YieldDifference Of(CycleFigures one, CycleFigures other)
    {
        if (one.ByVolume != other.ByVolume || one.YieldPer <= 0 || other.YieldPer <= 0)
            throw new ArgumentException(
                "Only cycles with a yield by the same measure can be set against each other.",
                nameof(other)
            );
        return new(
            (one.YieldPer / other.YieldPer) - 1,
            [
                .. new[]
                {
                    ("fish stocked", (one.StockedPer / other.StockedPer) - 1),
                    ("survival", (one.SurvivalShare / other.SurvivalShare) - 1),
                    ("weight", (one.EndG / other.EndG) - 1),
                }.OrderByDescending(f => Math.Abs(Math.Log(1 + f.Item2))),
            ]
        );
    }
}
