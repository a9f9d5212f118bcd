using Dorsk.Core.Harvest;
using Dorsk.Core.Species;

namespace Dorsk.Core.Season;

/// <summary>A class of sizes that is sold.</summary>
/// <param name="FromG">Lower end, g; 0 for the smallest.</param>
/// <param name="ToG">Upper end, g; infinite for the largest.</param>
public readonly record struct SizeClass(double FromG, double ToG)
{
    /// <summary>Under, in and over the market size of a species.</summary>
    public static IReadOnlyList<SizeClass> Of(FishSpecies s) =>
        double.IsInfinity(s.MarketHighG) || s.MarketHighG <= s.MarketLowG
            ? [new(0, s.MarketLowG), new(s.MarketLowG, double.PositiveInfinity)]
            : [new(0, s.MarketLowG), new(s.MarketLowG, s.MarketHighG), new(s.MarketHighG, double.PositiveInfinity)];

    /// <summary>Share of the mass of fish that falls into this class, by the spread that grading and harvest plans use.</summary>
    /// <param name="meanG">Mean weight, g.</param>
    /// <param name="cvPct">Spread, percent of the mean; above 0.</param>
    public double ShareOfMass(double meanG, double cvPct)
    {
        double Over(double g) =>
            g <= 0 ? 1
            : double.IsInfinity(g) ? 0
            : BarShare.Mass(meanG, cvPct, g);
        return Math.Clamp(Over(FromG) - Over(ToG), 0, 1);
    }
}

/// <summary>Fish for sale in a month, by size.</summary>
/// <param name="Month">First day of the month.</param>
/// <param name="Species">The fish.</param>
/// <param name="Class">The class.</param>
/// <param name="Kg">Mass, kg.</param>
public sealed record SupplyOfMonth(DateOnly Month, FishSpecies Species, SizeClass Class, double Kg)
{
    /// <summary>What the season's harvests bring, by month, species and size.</summary>
    public static IReadOnlyList<SupplyOfMonth> Of(SeasonAhead season)
    {
        var cohorts = season.Cohorts.ToList();
        return
        [
            .. season
                .Events.Where(e => e.Sells && e.Kg > 0)
                .Select(e => (e, c: cohorts.Find(c => c.Gives(e))!))
                .SelectMany(x =>
                    SizeClass
                        .Of(x.c.Species)
                        .Select(k =>
                            (
                                Month: new DateOnly(x.e.On.Year, x.e.On.Month, 1),
                                x.c.Species,
                                Class: k,
                                Kg: x.e.Kg * k.ShareOfMass(x.e.MeanG.Value, Math.Max(1, x.c.CvPct))
                            )
                        )
                )
                .GroupBy(x => (x.Month, x.Species.Key, x.Class))
                .Select(g => new SupplyOfMonth(g.Key.Month, g.First().Species, g.Key.Class, g.Sum(x => x.Kg)))
                .OrderBy(s => s.Month),
        ];
    }
}
