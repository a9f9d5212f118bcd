using Dorsk.Core.Growth;
using Dorsk.Core.Judging;
using Dorsk.Core.Species;
using Dorsk.Core.Units;

namespace Dorsk.Core.Harvest;

/// <summary>A day on which the fish could be taken instead.</summary>
/// <param name="On">Farm day.</param>
/// <param name="MeanG">Mean weight forecast, g.</param>
/// <param name="MarketShare">Share of the fish over the least market weight.</param>
/// <param name="Kg">Mass, kg.</param>
/// <param name="FeedKg">Feed until then, kg.</param>
/// <param name="GainMinor">Money more than by taking them at the first day, feed paid, in the smallest unit of the currency; null where a price is missing.</param>
public readonly record struct WaitRow(
    DateOnly On,
    double MeanG,
    double MarketShare,
    double Kg,
    double FeedKg,
    double? GainMinor
)
{
    /// <summary>Whether this water carries so much: no money is made by holding more than it bears.</summary>
    public bool Fits { get; init; }
}

/// <summary>Whether fish are sold now or held for more weight: growth forecast, fish that die unseen, feed for the gain, and the price of each size.</summary>
public static class Waiting
{
    /// <summary>Where the method comes from.</summary>
    public const string Source =
        "Mass by the growth forecast less unseen deaths; feed by the conversion of the species; prices of the farm; risk, interest and the pond's next crop are not counted";

    private static readonly int[] Days = [0, 14, 28, 56];

    /// <summary>Works the days out that the forecast reaches.</summary>
    /// <param name="species">The fish.</param>
    /// <param name="water">Whether they stand in a tank, and what it carries of these fish, kg.</param>
    /// <param name="first">The first day.</param>
    /// <param name="spread">The fish on that day.</param>
    /// <param name="ahead">Forecast of the mean weight.</param>
    /// <param name="priceMinor">Price of a kilogram of fish of a mean weight in g, in the smallest unit; null where none holds.</param>
    /// <param name="feedMinor">Price of a kilogram of feed, in the smallest unit; null where it is not known.</param>
    public static IReadOnlyList<WaitRow> Of(
        FishSpecies species,
        (bool InTank, double CapacityKg) water,
        DateOnly first,
        SizeSpread spread,
        IReadOnlyList<WeightAhead> ahead,
        Func<double, double?> priceMinor,
        double? feedMinor
    )
    {
        var rows = new List<WaitRow>();
        double? worth = null;
        foreach (var days in Days)
        {
            var on = first.AddDays(days);
            if (days > 0 && ahead.All(a => a.Day < on))
                break;
            var meanG = days == 0 ? spread.MeanG : ahead.Last(a => a.Day <= on).MeanG.Value;
            var count = spread.Count * Math.Exp(-StandingEstimate.UnseenDailyShare(species, water.InTank) * days);
            var then = spread.GrownTo(meanG).WithCount(count);
            // The dead ate too: feed goes by the gain of those that stand between.
            var feedKg =
                Math.Max(0, meanG - spread.MeanG) / 1000 * (spread.Count + count) / 2 * DailyGain.Fcr(species, meanG);
            var value = priceMinor(meanG) * then.MassKg;
            worth ??= value;
            rows.Add(
                new(
                    on,
                    meanG,
                    then.ShareOver(species.MarketLowG),
                    then.MassKg,
                    feedKg,
                    value - worth - (feedKg * feedMinor)
                )
                {
                    Fits = then.MassKg <= water.CapacityKg,
                }
            );
        }
        return rows;
    }

    /// <summary>What it comes to.</summary>
    /// <param name="rows">The days, the first first.</param>
    /// <param name="hand">How figures are printed.</param>
    public static Judgement Judge(IReadOnlyList<WaitRow> rows, Hand hand)
    {
        if (rows.Count < 2 || rows.Any(r => r.GainMinor is null))
            return new(
                Status.Unknown,
                rows.Count < 2 ? "the forecast reaches no further" : "a price of fish or feed is missing"
            );
        if (!rows[0].Fits)
            return new(Status.Watch, "the pond carries no more than stands: take fish out on the first of these days");
        var best = rows.Where(r => r.Fits).MaxBy(r => r.GainMinor!.Value);
        if (best.On == rows[0].On && rows.Any(r => !r.Fits && r.GainMinor > 0))
            return new(
                Status.Watch,
                "waiting would bring money, but the pond does not carry more: take fish out on the first of these days"
            );
        return best.On == rows[0].On
            ? new(Status.Steady, "waiting costs more feed than it brings: sell on the first of these days")
            : new(
                Status.Steady,
                $"waiting until {Hand.Day(best.On)} brings {hand.Figure(best.GainMinor!.Value / 100, 0)} more, feed paid"
            );
    }
}
