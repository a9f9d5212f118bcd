using Dorsk.Core.Alarms;
using Dorsk.Core.Stock;
using Dorsk.Core.Water;
using Dorsk.Farm.Fish;

namespace Dorsk.Farm.Estimates;

/// <summary>A kill that was written up, with what the log knows of its course.</summary>
/// <param name="Line">Its line in the log.</param>
/// <param name="Ended">When it was over.</param>
/// <param name="Fact">What was written.</param>
/// <param name="Lowest">Lowest oxygen from a day before it began until it was over; null when none was read.</param>
/// <param name="DeadOnBooks">Fish written down as dead in that time.</param>
/// <param name="FedBeforeKg">Feed given on the day before it began, kg.</param>
/// <param name="Warmest">Highest temperature in that time, or null.</param>
public sealed record KillReport(
    long Line,
    DateTimeOffset Ended,
    KillWritten Fact,
    Timed? Lowest,
    int DeadOnBooks,
    double FedBeforeKg,
    Timed? Warmest
)
{
    /// <summary>Alarms of this pond in that time, in order.</summary>
    public IReadOnlyList<Alarm> Alarms { get; init; } = [];

    /// <summary>Aerators with the hours they ran from a day before it began until it was over.</summary>
    public IReadOnlyList<(string Code, double Hours)> Ran { get; init; } = [];

    /// <summary>Fish that were likely lost by a guess in that time: least and most; null where nobody guessed.</summary>
    public (double Low, double High)? Guessed { get; init; }

    /// <summary>Weight of the fish lost, at the mean weight of the day before, kg; null where nothing stood.</summary>
    public double? LostKg { get; init; }

    /// <summary>Feed money in the fish lost, in the currency; null where a price or the growth is missing.</summary>
    public double? FeedMoney { get; init; }

    // What rang before it began belongs to its course, as what was answered too late does.
    private const int AlarmsFromDays = 1;

    /// <summary>Puts a written kill beside the readings and deaths of its pond.</summary>
    internal static KillReport Of(
        PondStory story,
        long line,
        DateTimeOffset ended,
        KillWritten fact,
        IEnumerable<Alarm> alarms
    )
    {
        var from = fact.Began.AddDays(-1);
        var oxygen = story.ReadingsOf[Parameter.Oxygen].Between(from, ended).ToList();
        var warmth = story.ReadingsOf[Parameter.Temperature].Between(from, ended).ToList();
        return new KillReport(
            line,
            ended,
            fact,
            oxygen.Count == 0 ? null : oxygen.MinBy(t => t.Si),
            story
                .Batches.SelectMany(b => b.Losses)
                .Where(l => l.Fact.To == Account.Dead && l.At >= fact.Began && l.At <= ended)
                .Sum(l => l.Fact.Count),
            story.FedOn(story.Zone.DayOf(fact.Began).AddDays(-1)),
            warmth.Count == 0 ? null : warmth.MaxBy(t => t.Si)
        ).Beside(story, alarms);
    }

    private KillReport Beside(PondStory story, IEnumerable<Alarm> alarms) =>
        this with
        {
            Alarms =
            [
                .. alarms
                    .Where(a =>
                        a.PondId == Fact.PondId && a.RangAt >= Fact.Began.AddDays(-AlarmsFromDays) && a.RangAt <= Ended
                    )
                    .OrderBy(a => a.RangAt),
            ],
            Ran = [.. story.AeratorHours(Fact.Began.AddDays(-1), Ended).Select(a => (a.Code, a.Hours))],
            Guessed = Guess(story, Fact, Ended),
            LostKg = Lost(story) is { Count: > 0 } lost ? lost.Sum(l => l.Kg) : null,
        };

    /// <summary>It with what the feed of the lost fish cost.</summary>
    /// <param name="story">The pond.</param>
    /// <param name="costPerKg">Feed money per kg gained of a batch, or null.</param>
    internal KillReport Costing(PondStory story, Func<BatchStory, double?> costPerKg) =>
        this with
        {
            FeedMoney = Lost(story)
                .Select(l => costPerKg(l.Batch) * Math.Max(0, l.Kg - (l.Fish * l.Batch.ArrivedMeanG / 1000)))
                .DefaultIfEmpty(null)
                .Aggregate((a, b) => a + b),
        };

    // The loss falls on the batches as they stood on the day before.
    private List<(BatchStory Batch, double Fish, double Kg)> Lost(PondStory story)
    {
        var day = story.Zone.DayOf(Fact.Began).AddDays(-1);
        var stood = story
            .Batches.Select(b => (Batch: b, At: story.Stock.On(b.Id, day)))
            .Where(x => x.At is not null)
            .ToList();
        var all = stood.Sum(x => x.At!.Count.Value);
        return all <= 0
            ? []
            :
            [
                .. stood.Select(x =>
                {
                    var fish = Fact.Lost * x.At!.Count.Value / all;
                    return (x.Batch, fish, fish * x.At.MeanG.Value / 1000);
                }),
            ];
    }

    private static (double, double)? Guess(PondStory story, KillWritten fact, DateTimeOffset ended)
    {
        var guesses = story
            .Batches.SelectMany(b => b.Guesses.Select(g => (Batch: b, g.At, g.Fact)))
            .Where(g => g.At >= fact.Began && g.At <= ended.AddDays(1))
            .Select(g =>
                (g.Fact, Stood: story.Stock.On(g.Batch.Id, story.Zone.DayOf(fact.Began).AddDays(-1))?.Count.Value ?? 0)
            )
            .ToList();
        return guesses.Count == 0
            ? null
            : (guesses.Sum(g => g.Fact.LowShare * g.Stood), guesses.Sum(g => g.Fact.HighShare * g.Stood));
    }
}
