using Dorsk.Core.Judging;

namespace Dorsk.Core.Growth;

/// <summary>Belief about the number of fish: what was stocked, less the dead found and not found, less what nobody saw go.</summary>
/// <param name="Mean">Fish.</param>
/// <param name="StockSd">SD from the stocking count, fish.</param>
/// <param name="Unseen">Fish gone unseen so far.</param>
public readonly record struct CountState(double Mean, double StockSd, double Unseen)
{
    /// <summary>SD from losses whose size was guessed, fish.</summary>
    public double GuessSd { get; init; }

    // How well the loss that nobody sees is known: as a share of itself.
    private const double UnseenSdShare = 0.8;

    /// <summary>The number at stocking: counted one by one ± 2 %, by weight ± 5 % (95 %).</summary>
    public static CountState Stocked(int count, bool oneByOne) =>
        new(count, count * (oneByOne ? StandingSettings.CountedShare : StandingSettings.ByWeightShare) / 1.96, 0);

    /// <summary>One day's unseen loss at a daily share.</summary>
    public CountState Lose(double dailyShare)
    {
        var gone = Mean * dailyShare;
        return this with
        {
            Mean = Mean - gone,
            StockSd = StockSd * (1 - dailyShare),
            GuessSd = GuessSd * (1 - dailyShare),
            Unseen = Unseen + gone,
        };
    }

    /// <summary>A loss of a guessed size: the middle of the range goes, and its width is doubt.</summary>
    /// <param name="lowShare">Least share lost, 0 to 1.</param>
    /// <param name="highShare">Most share lost, not under the least.</param>
    public CountState Guess(double lowShare, double highShare)
    {
        var middle = (lowShare + highShare) / 2;
        var sdShare = (highShare - lowShare) / 2 / SampleStatistics.Z(StandingSettings.GuessLevel);
        return this with
        {
            Mean = Mean * (1 - middle),
            StockSd = StockSd * (1 - middle),
            Unseen = Unseen * (1 - middle),
            GuessSd = Math.Sqrt(Math.Pow(GuessSd * (1 - middle), 2) + Math.Pow(Mean * sdShare, 2)),
        };
    }

    /// <summary>What feed and gain say of the number, weighed against what is believed.</summary>
    /// <param name="fish">Fish that the feed would have grown.</param>
    /// <param name="sdShare">SD of that as a share, above 0.</param>
    public CountState Witnessed(double fish, double sdShare)
    {
        var (own, other) = (Sd * Sd, Math.Pow(fish * sdShare, 2));
        if (own <= 0 || other <= 0)
            return this;
        var weight = own / (own + other);
        var narrower = Math.Sqrt(1 - weight);
        return this with
        {
            Mean = Mean + (weight * (fish - Mean)),
            StockSd = StockSd * narrower,
            Unseen = Unseen * narrower,
            GuessSd = GuessSd * narrower,
        };
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
    public double Sd => Math.Sqrt((StockSd * StockSd) + (GuessSd * GuessSd) + Math.Pow(UnseenSdShare * Unseen, 2));

    /// <summary>The number with its interval, never below nought.</summary>
    public Interval Range(double level)
    {
        var z = SampleStatistics.Z(level);
        return new(Mean, Math.Max(0, Mean - (z * Sd)), Mean + (z * Sd), level);
    }
}
