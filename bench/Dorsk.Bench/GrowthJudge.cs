using Dorsk.Core.Growth;
using Dorsk.Farm.Estimates;
using Dorsk.Farm.Fish;
using Dorsk.Practice;

namespace Dorsk.Bench;

/// <summary>One batch asked sixty days before it truly reaches a weight.</summary>
/// <param name="ErrorDays">Day said less day that came.</param>
/// <param name="Held">Whether the day lay in the 80 % interval.</param>
/// <param name="NaiveErrorDays">The same by the growth a day between the last two samples.</param>
public sealed record JudgedTarget(double ErrorDays, bool Held, double NaiveErrorDays);

/// <summary>How the witnesses did where a share of the fish was taken unseen.</summary>
/// <param name="Trial">What was done.</param>
/// <param name="Batches">Batches.</param>
/// <param name="Flagged">Share of them flagged at one of the two samples after.</param>
public sealed record JudgedWitness(ScoredTrial Trial, int Batches, double Flagged);

/// <summary>Scores the day of a wanted weight, and the witnesses of the number, through the code that answers the farm.</summary>
public static class GrowthJudge
{
    /// <summary>How far ahead, days.</summary>
    public const int AheadDays = 60;

    /// <summary>People who keep air and weigh well; nobody takes fish.</summary>
    public static readonly ScoredTrial WellKept = new(false, 120, 0) { KeepsAir = true };

    private const int Horizon = 540,
        Third = 3 * ScoredPond.SampleEveryDays;

    /// <summary>Scores batches from a first seed on, until there are so many.</summary>
    /// <param name="firstSeed">First seed.</param>
    /// <param name="batches">How many.</param>
    /// <param name="trial">How its people care; null as the recipe's people do.</param>
    /// <param name="atThird">Asked on the morning after the third sample; else after any sample from the third on.</param>
    public static IReadOnlyList<JudgedTarget> Targets(int firstSeed, int batches, ScoredTrial? trial, bool atThird) =>
        Seeds(firstSeed, Third + AheadDays + 2)
            .Take(batches)
            .ToList()
            .AsParallel()
            .AsOrdered()
            .Select(seed => Target(seed, trial, atThird))
            .ToList();

    /// <summary>Tries the witnesses on batches from a first seed on.</summary>
    public static JudgedWitness Witnesses(int firstSeed, int batches, ScoredTrial trial)
    {
        var flagged = Seeds(firstSeed, Third + (2 * ScoredPond.SampleEveryDays) + 2)
            .Take(batches)
            .ToList()
            .AsParallel()
            .Count(seed => Flagged(seed, trial));
        return new(trial, batches, (double)flagged / batches);
    }

    private static IEnumerable<int> Seeds(int first, int days) =>
        Enumerable.Range(first, int.MaxValue - first).Where(s => ScoredPond.DaysOf(s) >= days);

    private static PondStory StoryOn(ScoredPond pond, DateOnly day) =>
        ToldStory.Of(
            DemoFarm.Farm,
            pond.Pond,
            pond.Aerators,
            pond.Told.Where(t => t.At <= DemoFarm.Zone.At(day, new(23, 0))).ToList()
        );

    private static JudgedTarget Target(int seed, ScoredTrial? trial, bool atThird)
    {
        var pond = new ScoredPond(seed, trial);
        var most = (pond.Days.To.DayNumber - pond.Days.From.DayNumber - AheadDays - 1) / ScoredPond.SampleEveryDays;
        var day = pond.Days.From.AddDays(
            (ScoredPond.SampleEveryDays * (atThird ? 3 : new Random(seed).Next(3, most + 1))) + 1
        );
        var story = StoryOn(pond, day);
        var targetG = pond.TruthOn(day.AddDays(AheadDays)).MeanG;
        var batch = story.Batches[0];
        var date = GrowthForecast.DateOf(
            targetG,
            GrowthForecast.Run(story.Stock.On(batch.Id, day)!, batch.Species, story.TemperatureAhead, Horizon)
        );
        double Off(DateOnly? said) => (said?.DayNumber ?? day.DayNumber + Horizon) - day.DayNumber - AheadDays;
        return new(
            Off(date.Likely),
            Off(date.Earliest) <= 0 && Off(date.Latest) >= 0,
            Naive(story, batch, day, targetG) - AheadDays
        );
    }

    // What a farmer does on paper: the gain a day between the last two samples goes on.
    private static double Naive(PondStory story, BatchStory batch, DateOnly day, double targetG)
    {
        var (last, before) = (batch.Samples[^1], batch.Samples[^2]);
        var perDay = (last.Mean.Mean - before.Mean.Mean) / (last.At - before.At).TotalDays;
        return perDay <= 0
            ? Horizon
            : Math.Min(
                Horizon,
                ((targetG - last.Mean.Mean) / perDay) - (day.DayNumber - story.Zone.DayOf(last.At).DayNumber)
            );
    }

    private static bool Flagged(int seed, ScoredTrial trial)
    {
        var pond = new ScoredPond(seed, trial);
        return new[] { 4, 5 }.Any(n =>
            StoryOn(pond, pond.Days.From.AddDays((n * ScoredPond.SampleEveryDays) + 1)) is var story
            && story
                .Stock.WitnessOf(
                    story.Batches[0],
                    pond.Days.From.AddDays((n * ScoredPond.SampleEveryDays) + 1),
                    !trial.ByBooks
                )
                .Parts
        );
    }
}
