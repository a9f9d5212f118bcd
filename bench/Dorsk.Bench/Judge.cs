using Dorsk.Core.Judging;
using Dorsk.Core.Oxygen;
using Dorsk.Farm.Estimates;
using Dorsk.Practice;

namespace Dorsk.Bench;

/// <summary>One way of telling the dawn low on one night.</summary>
/// <param name="Way">Its name.</param>
/// <param name="MgL">What it said, mg/L.</param>
/// <param name="Band">Its 80 % interval, or null for ways that give none.</param>
public sealed record Said(string Way, double MgL, Interval? Band);

/// <summary>One night: the truth beside what each way said.</summary>
/// <param name="TrueLowMgL">The lowest oxygen that came, mg/L.</param>
/// <param name="ActMgL">Act level of its fish, mg/L.</param>
/// <param name="Ways">What each way said.</param>
/// <param name="HoursToCrossing">Hours from dusk to the hour in which the act level was passed; null when it was not.</param>
/// <param name="UnderAtDusk">Whether it was under the act level at dusk already: such a night passes nothing.</param>
/// <param name="Told">What the running forecast said: hours after dusk, chance of passing under the act level, whether the board showed Watch or Act now.</param>
public sealed record JudgedNight(
    double TrueLowMgL,
    double ActMgL,
    IReadOnlyList<Said> Ways,
    double? HoursToCrossing,
    bool UnderAtDusk,
    IReadOnlyList<(double AfterH, double ChanceUnderAct, bool Shown)> Told
)
{
    /// <summary>Whether it was announced some hours before it came, or at all on a night that never crossed.</summary>
    public bool Announced(double chance, double aheadH) => Any(t => t.ChanceUnderAct >= chance, aheadH);

    /// <summary>The same for the board's own Watch or Act now.</summary>
    public bool Shown(double aheadH) => Any(t => t.Shown, aheadH);

    private bool Any(Func<(double AfterH, double ChanceUnderAct, bool Shown), bool> says, double aheadH) =>
        Told.Any(t => says(t) && (HoursToCrossing is not { } at || t.AfterH <= at - aheadH));
}

/// <summary>One batch on one random day: the truth, the estimate, and stocked less found dead × last sample.</summary>
public sealed record JudgedBatch(double TrueKg, Interval Estimate, double NaiveKg);

/// <summary>What became of one range of seeds.</summary>
public sealed record JudgedRange(
    int FirstSeed,
    int Ponds,
    IReadOnlyList<JudgedNight> Nights,
    IReadOnlyList<JudgedBatch> Batches
);

/// <summary>Scores estimate and forecasts on simulated ponds drawn by the fixed recipe, through the very code that answers the farm.</summary>
public static class Judge
{
    /// <summary>Names of the ways that are not methods of ours.</summary>
    public const string Chosen = "as shown at dusk",
        LikeLast = "tonight like last night",
        MeanOfThree = "mean of three nights",
        Oracle = "oracle: true pond, mean weather";

    private const double Afternoon = 4,
        DuskUnread = 6,
        DayUnread = 16;

    /// <summary>Scores one pond for each seed.</summary>
    /// <param name="firstSeed">First seed.</param>
    /// <param name="ponds">How many.</param>
    /// <param name="shareOfNights">Share of each pond's nights that is scored, drawn at random.</param>
    public static JudgedRange Run(int firstSeed, int ponds, double shareOfNights)
    {
        var found = Enumerable
            .Range(firstSeed, ponds)
            .AsParallel()
            .AsOrdered()
            .Select(seed => One(seed, shareOfNights))
            .ToList();
        return new(firstSeed, ponds, found.SelectMany(f => f.Nights).ToList(), found.Select(f => f.Batch).ToList());
    }

    private static (List<JudgedNight> Nights, JudgedBatch Batch) One(int seed, double share)
    {
        var pond = new ScoredPond(seed);
        var pick = new Random(seed);
        var nights = pond
            .Nights.Where(_ => pick.NextDouble() < share)
            .Select(n => Night(pond, n))
            .OfType<JudgedNight>()
            .ToList();
        return (
            nights,
            Batch(pond, pond.Days.From.AddDays(pick.Next(1, pond.Days.To.DayNumber - pond.Days.From.DayNumber)))
        );
    }

    private static PondStory StoryUpTo(ScoredPond pond, DateTimeOffset at) =>
        ToldStory.Of(DemoFarm.Farm, pond.Pond, pond.Aerators, pond.Told.Where(t => t.At <= at).ToList());

    private static JudgedNight? Night(ScoredPond pond, ScoredNight night)
    {
        var story = StoryUpTo(pond, night.DuskAt);
        if (story.Night.At(night.DuskAt).Forecast is not { } chosen)
            return null;
        var lows = Enumerable
            .Range(0, 3)
            .Select(i => story.DawnLowOn(night.Evening.AddDays(-i)))
            .OfType<double>()
            .ToList();
        List<Said> said =
        [
            new(Chosen, chosen.Low.Value, chosen.Low),
            new(LikeLast, lows[0], null),
            new(MeanOfThree, lows.Average(), null),
            new(Oracle, night.OracleLowMgL, null),
            .. By(story, night.DuskAt, DeclineMethod.OwnNights, "own nights, at dusk"),
            .. By(story, night.DuskAt, DeclineMethod.Balance, "balance, at dusk"),
            .. Old(pond, night, DuskUnread, "at dusk, last read at dawn"),
            .. Old(pond, night, DayUnread, "at dusk, last read the evening before"),
        ];
        List<(double, double, bool)> told = [Tell(0, chosen)];
        // The forecast runs all day: in the afternoon it stands on the reading of the morning.
        var noon = night.DuskAt.AddHours(-Afternoon);
        if (StoryUpTo(pond, noon).Night.At(noon).Forecast is { } early)
            told.Add(Tell(-Afternoon, early));
        if (night.LateAt is { } late)
        {
            var later = StoryUpTo(pond, late);
            if (later.Night.At(late).Forecast is { } running)
                told.Add(Tell((late - night.DuskAt).TotalHours, running));
            said.AddRange(By(later, late, DeclineMethod.TwoReadings, "two readings, at 22:00"));
            said.AddRange(By(later, late, DeclineMethod.OwnNights, "own nights, at 22:00"));
        }
        var act = story.Stock.LimitsOn(night.Evening)!.DoActMgL;
        return new(
            night.TrueLowMgL,
            act,
            said,
            night.CrossedAt(act) is { } crossed ? (crossed - night.DuskAt).TotalHours : null,
            night.AtDuskMgL < act,
            told
        );
    }

    private static (double, double, bool) Tell(double afterH, DawnLowForecast f) =>
        (afterH, f.ChanceUnderAct, f.Judgement.Status >= Status.Watch);

    // Nobody read for so long: the night is told all the same.
    private static IEnumerable<Said> Old(ScoredPond pond, ScoredNight night, double unreadH, string way) =>
        StoryUpTo(pond, night.DuskAt.AddHours(-unreadH)).Night.At(night.DuskAt).Forecast is { } f
            ? [new(way, f.Low.Value, f.Low)]
            : [];

    private static IEnumerable<Said> By(PondStory story, DateTimeOffset at, DeclineMethod method, string way) =>
        story.Night.At(at, method).Forecast is { } f ? [new(way, f.Low.Value, f.Low)] : [];

    private static JudgedBatch Batch(ScoredPond pond, DateOnly day)
    {
        var story = StoryUpTo(pond, DemoFarm.Zone.At(day, new(23, 0)));
        var (count, meanG) = pond.TruthOn(day);
        var batch = story.Batches[0];
        var lastG = batch.Samples.Count > 0 ? batch.Samples[^1].Mean.Mean : batch.ArrivedMeanG;
        return new(count * meanG / 1000, story.Stock.On(batch.Id, day)!.BiomassKg, batch.Stands * lastG / 1000);
    }
}
