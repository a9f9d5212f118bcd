using Dorsk.Core.Oxygen;
using Dorsk.Core.Time;
using Dorsk.Farm.Estimates;
using Dorsk.Practice;

namespace Dorsk.Bench;

/// <summary>One night of a wide pond: what was forecast beside what came, and what paper would have said.</summary>
/// <param name="Pond">Seed of the pond.</param>
/// <param name="CameMgL">Lowest oxygen from midnight to two hours after sunrise.</param>
/// <param name="AtDuskMgL">Oxygen when it was asked.</param>
/// <param name="Forecast">What was forecast, or null where it was silent.</param>
/// <param name="ActMgL">Act level.</param>
/// <param name="LikeLastMgL">The last morning that was read.</param>
/// <param name="MeanOfThreeMgL">Mean of the last three.</param>
/// <param name="RegressionMgL">The straight line of dawn by dusk through the pond's last twenty nights.</param>
public sealed record WideNightScore(
    int Pond,
    double CameMgL,
    double AtDuskMgL,
    DawnLowForecast? Forecast,
    double ActMgL,
    double LikeLastMgL,
    double MeanOfThreeMgL,
    double RegressionMgL
)
{
    /// <summary>Hours by which the crossing of the act level was told too late (too early below nought), where it came and was told and a probe hangs.</summary>
    public double? CrossingErrorH { get; init; }

    /// <summary>Whether the pond was read on the afternoon or evening before.</summary>
    public bool IsDuskRead { get; init; }

    /// <summary>Whether the morning before stood above the act level.</summary>
    public bool IsFirstLow { get; init; }
}

/// <summary>Scores the dawn low on the nights of a wide world, through the code that answers the farm.</summary>
public static class WideNightsJudge
{
    private const int PaperNights = 20,
        FewestForLine = 4;

    /// <summary>All nights of a range of ponds.</summary>
    public static IReadOnlyList<WideNightScore> Run(WideWorld world, int firstSeed, int ponds) =>
        [
            .. Enumerable
                .Range(firstSeed, ponds)
                .AsParallel()
                .AsOrdered()
                .SelectMany(seed => One(new WideNights(world, seed), seed)),
        ];

    private static IEnumerable<WideNightScore> One(WideNights pond, int seed)
    {
        foreach (var night in pond.Nights)
        {
            var story = ToldStory.Of(pond.Farm, pond.Pond, [], [.. pond.Told.TakeWhile(t => t.At <= night.AskedAt)]);
            if (Score(pond, story, night, seed) is { } score)
                yield return score;
        }
    }

    private static WideNightScore? Score(WideNights pond, PondStory story, WideNight night, int seed)
    {
        var dawns = Enumerable
            .Range(0, PaperNights)
            .Select(i => (Ago: i, MgL: story.DawnReadOn(night.Evening.AddDays(-i))))
            .Where(d => d.MgL is not null)
            .Select(d => (d.Ago, MgL: d.MgL!.Value))
            .ToList();
        if (dawns.Count == 0)
            return null;
        var act = story.Stock.LimitsOn(night.Evening)!.DoActMgL;
        var forecast = story.Night.At(night.AskedAt).Forecast;
        var dusk = DuskOf(story, night.Evening, pond);
        var crossed = night.CrossedAt(act);
        return new(
            seed,
            night.TrueLowMgL,
            night.AtDuskMgL,
            forecast,
            act,
            dawns[0].MgL,
            dawns.Take(3).Average(d => d.MgL),
            Line(pond, story, night, dawns, dusk)
        )
        {
            IsDuskRead = dusk is not null,
            IsFirstLow = dawns[0].MgL >= act,
            CrossingErrorH =
                pond.HasProbe && crossed is { } came && forecast?.UnderActAt is { } said
                    ? (said - came).TotalHours
                    : null,
        };
    }

    private static double? DuskOf(PondStory story, DateOnly evening, WideNights pond)
    {
        var sunset = SunTimes.On(pond.Farm.Place, evening, 10).Sunset!.Value;
        return story.ReadingsOf[Core.Water.Parameter.Oxygen].Nearest(sunset, TimeSpan.FromHours(2))?.Si;
    }

    // Dawn by dusk, as with a ruler on squared paper; the mean of the mornings without a dusk tonight or with too few nights.
    private static double Line(
        WideNights pond,
        PondStory story,
        WideNight night,
        List<(int Ago, double MgL)> dawns,
        double? dusk
    )
    {
        var pairs = dawns
            .Select(d => (Dusk: DuskOf(story, night.Evening.AddDays(-d.Ago - 1), pond), d.MgL))
            .Where(p => p.Dusk is not null)
            .Select(p => (X: p.Dusk!.Value, Y: p.MgL))
            .ToList();
        var mean = dawns.Average(d => d.MgL);
        if (dusk is not { } x || pairs.Count < FewestForLine)
            return mean;
        var (mx, my) = (pairs.Average(p => p.X), pairs.Average(p => p.Y));
        var variance = pairs.Sum(p => (p.X - mx) * (p.X - mx));
        return variance == 0 ? my : my + (pairs.Sum(p => (p.X - mx) * (p.Y - my)) / variance * (x - mx));
    }
}
