using Dorsk.Core.Judging;

namespace Dorsk.Core.Growth;

/// <summary>Belief about the number of fish: what was stocked, less the dead found and not found, less what nobody saw go.</summary>
/// <param name="Mean">Fish.</param>
/// <param name="StockSd">SD from the stocking count, fish.</param>
/// <param name="Unseen">Fish gone unseen so far.</param>
public readonly record struct CountState(double Mean, double StockSd, double Unseen)
{
    // How well the loss that nobody sees is known: as a share of itself.
    private const double UnseenSdShare = 0.8;

    /// <summary>The number at stocking: counted one by one ± 2 %, by weight ± 5 % (95 %).</summary>
    public static CountState Stocked(int count, bool oneByOne) =>
        new(count, count * (oneByOne ? StandingSettings.CountedShare : StandingSettings.ByWeightShare) / 1.96, 0);

    /// <summary>One day's unseen loss at a daily share.</summary>
    public CountState Lose(double dailyShare)
    {
        var gone = Mean * dailyShare;
        return this with { Mean = Mean - gone, StockSd = StockSd * (1 - dailyShare), Unseen = Unseen + gone };
    }

    /// <summary>Fish found dead: as many again lie unfound as the share found says.</summary>
    public CountState Dead(int found, double shareFound)
    {
        var all = Math.Min(Mean, found / shareFound);
        return this with { Mean = Mean - all, Unseen = Unseen + Math.Max(0, all - found) };
    }

    /// <summary>Fish moved in or out by count.</summary>
    public CountState Move(int count) => this with { Mean = Math.Max(0, Mean + count) };

    /// <summary>SD of the number, fish.</summary>
    public double Sd => Math.Sqrt((StockSd * StockSd) + Math.Pow(UnseenSdShare * Unseen, 2));

    /// <summary>The number with its interval, never below nought.</summary>
    public Interval Range(double level)
    {
        var z = SampleStatistics.Z(level);
        return new(Mean, Math.Max(0, Mean - (z * Sd)), Mean + (z * Sd), level);
    }
}
