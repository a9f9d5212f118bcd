using Dorsk.Core.Growth;
using Dorsk.Farm.Estimates;
using Dorsk.Farm.Fish;
using Dorsk.Practice;

namespace Dorsk.Bench;

/// <summary>One batch of a wide world on one day drawn at random: estimate and paper beside the truth.</summary>
/// <param name="Kind">What kind of animal.</param>
/// <param name="Error">Estimated by true biomass, less 1.</param>
/// <param name="Held">Whether the truth lay in the 90 % interval.</param>
/// <param name="NaiveError">The same for the books' number × last sample.</param>
/// <param name="AfterDieOff">Whether a die-off was written down in the sixty days before.</param>
public sealed record WideStanding(WideKind Kind, double Error, bool Held, double NaiveError, bool AfterDieOff)
{
    /// <summary>Estimated by true number, less 1.</summary>
    public double CountError { get; init; }

    /// <summary>Whether the truth lay in the interval of the number, and in that of the mean weight.</summary>
    public (bool Count, bool MeanG) HeldParts { get; init; }

    /// <summary>Estimated by true mean weight, less 1.</summary>
    public double WeightError { get; init; }
}

/// <summary>Mean weight on a day: estimate and the last sample as it stands, each by the truth, less 1.</summary>
/// <param name="DaysAfter">Days after the sample.</param>
/// <param name="Error">Of the estimate.</param>
/// <param name="SampleError">Of the sample.</param>
public sealed record WideWeight(int DaysAfter, double Error, double SampleError);

/// <summary>The day of a weight, asked on a day drawn at random after the second sample.</summary>
/// <param name="AheadDays">Days until it truly comes; null: it never does within the days kept.</param>
/// <param name="ErrorDays">Day said less day that came.</param>
/// <param name="Held">Whether the day lay in the 80 % interval.</param>
/// <param name="PaperErrorDays">The same by the cube root through the last two weighings.</param>
/// <param name="Said">Whether any day was said within the days kept.</param>
public sealed record WideDate(int? AheadDays, double ErrorDays, bool Held, double PaperErrorDays, bool Said);

/// <summary>Scores standing stock, weights and dates on a wide world, through the code that answers the farm.</summary>
public static class WideJudge
{
    private const int Horizon = 365;

    // Fish that gain less than this in the days asked for have no day that could be hit.
    private const double NeverShare = 0.15,
        BeyondMost = 1.08,
        LeastGain = 1.15;

    /// <summary>All scores of a range of seeds.</summary>
    public static (
        IReadOnlyList<WideStanding> Standings,
        IReadOnlyList<WideWeight> Weights,
        IReadOnlyList<WideDate> Dates
    ) Run(WideWorld world, int firstSeed, int batches)
    {
        var all = Enumerable.Range(firstSeed, batches).AsParallel().AsOrdered().Select(s => One(world, s)).ToList();
        return (
            [.. all.SelectMany(a => a.Standings)],
            [.. all.SelectMany(a => a.Weights)],
            [.. all.SelectMany(a => a.Dates)]
        );
    }

    private static (List<WideStanding> Standings, List<WideWeight> Weights, List<WideDate> Dates) One(
        WideWorld world,
        int seed
    )
    {
        var batch = new WideBatch(world, seed);
        var pick = new Random(seed);
        var days = batch.Days.To.DayNumber - batch.Days.From.DayNumber;
        List<WideStanding> standings = [];
        for (var i = 0; i < 2; i++)
            standings.Add(Standing(batch, batch.Days.From.AddDays(pick.Next(5, days))));
        List<WideWeight> weights = [];
        foreach (var sampled in batch.Sampled.OrderBy(_ => pick.Next()).Take(2))
        foreach (var after in new[] { 0, pick.Next(1, 8) })
            if (sampled.AddDays(after) <= batch.Days.To)
                weights.Add(Weight(batch, sampled, after));
        return (standings, weights, batch.Sampled.Count < 2 ? [] : Dates(batch, pick));
    }

    private static PondStory StoryOn(WideBatch b, DateOnly day) =>
        ToldStory.Of(b.Farm, b.Pond, [], b.Told.Where(t => t.At <= DemoFarm.Zone.At(day, new(23, 0))).ToList());

    private static WideStanding Standing(WideBatch b, DateOnly day)
    {
        var story = StoryOn(b, day);
        var batch = story.Batches[0];
        var stands = story.Stock.On(batch.Id, day)!;
        var said = stands.BiomassKg;
        // What stands in the morning: the page says a day's weight before that day's meals.
        var (count, meanG) = (b.TruthOn(day).Count, b.TruthOn(day.AddDays(-1)).MeanG);
        var trueKg = count * meanG / 1000;
        return new(
            b.Kind,
            (said.Value / trueKg) - 1,
            said.Holds(trueKg),
            (batch.Stands * LastG(batch) / 1000 / trueKg) - 1,
            b.DieOffTold is { } died && died <= day && day.DayNumber - died.DayNumber <= 60
        )
        {
            CountError = (stands.Count.Value / count) - 1,
            WeightError = (stands.MeanG.Value / meanG) - 1,
            HeldParts = (stands.Count.Holds(count), stands.MeanG.Holds(meanG)),
        };
    }

    private static double LastG(BatchStory batch) =>
        batch.Samples.Count > 0 ? batch.Samples[^1].Mean.Mean : batch.ArrivedMeanG;

    private static WideWeight Weight(WideBatch b, DateOnly sampled, int after)
    {
        var day = sampled.AddDays(after);
        var story = StoryOn(b, day);
        var batch = story.Batches[0];
        var meanG = b.TruthOn(day.AddDays(-1)).MeanG;
        var own = batch.Samples.Last(s => story.Zone.DayOf(s.At) == sampled).Mean.Mean;
        return new(after, (story.Stock.On(batch.Id, day)!.MeanG.Value / meanG) - 1, (own / meanG) - 1);
    }

    private static List<WideDate> Dates(WideBatch b, Random pick)
    {
        var (second, last) = (b.Sampled[1], b.Days.To);
        var day = second.AddDays(1 + pick.Next(Math.Max(1, last.DayNumber - second.DayNumber)));
        // Some are asked for a weight that they never come to in the days kept.
        if (pick.NextDouble() < NeverShare)
        {
            var most = Enumerable.Range(1, Kept(b, day)).Max(n => b.TruthOn(day.AddDays(n)).MeanG);
            return [Date(b, day, BeyondMost * most, null)];
        }
        var then = b.TruthOn(day.AddDays(pick.Next(31, 91))).MeanG;
        return then >= LeastGain * b.TruthOn(day).MeanG ? [Date(b, day, then, FirstDay(b, day, then))] : [];
    }

    private static int Kept(WideBatch b, DateOnly day) => b.Days.To.AddDays(WideBatch.After).DayNumber - day.DayNumber;

    private static int? FirstDay(WideBatch b, DateOnly from, double g)
    {
        for (var n = 1; n <= Kept(b, from); n++)
            if (b.TruthOn(from.AddDays(n)).MeanG >= g)
                return n;
        return null;
    }

    private static WideDate Date(WideBatch b, DateOnly day, double targetG, int? cameAfter)
    {
        var story = StoryOn(b, day);
        var batch = story.Batches[0];
        var date = GrowthForecast.DateOf(
            targetG,
            GrowthForecast.Run(story.Stock.On(batch.Id, day)!, batch.Species, story.TemperatureAhead, Horizon)
        );
        double In(DateOnly? said) => (said?.DayNumber ?? day.DayNumber + Horizon) - day.DayNumber;
        var came = cameAfter ?? double.PositiveInfinity;
        return new(
            cameAfter,
            In(date.Likely) - came,
            In(date.Earliest) <= came && In(date.Latest) >= came,
            Paper(story, batch, day, targetG) - came,
            date.Likely is not null && In(date.Likely) <= Math.Min(Kept(b, day), Horizon - 1)
        );
    }

    // The cube root of the weight runs straight through the last two weighings.
    private static double Paper(PondStory story, BatchStory batch, DateOnly day, double targetG)
    {
        var (last, before) = (batch.Samples[^1], batch.Samples[^2]);
        var sinceLast = day.DayNumber - story.Zone.DayOf(last.At).DayNumber;
        return
            EstimateOutcome.DaysByCubeRoot(((last.At - before.At).TotalDays, before.Mean.Mean), last.Mean.Mean, targetG)
                is { } days
            ? Math.Clamp(days - sinceLast, 0, Horizon)
            : Horizon;
    }
}
