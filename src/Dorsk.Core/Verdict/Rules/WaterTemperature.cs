using Dorsk.Core.Judging;
using Dorsk.Core.Species;
using Dorsk.Core.Units;
using Dorsk.Core.Water;

namespace Dorsk.Core.Verdict.Rules;

/// <summary>Water temperature against the band of each fish, and against what kills it.</summary>
internal static class WaterTemperature
{
    public static readonly Rule Rule = new(PondVerdict.Temperature, Judge);

    // So near to what kills, the night or the afternoon may do it.
    private const double NearC = 1.5;

    // Growth stands near its best so far around the optimum of the species.
    private const double BestC = 3;

    private static string WordFor(double tempC, FishSpecies species)
    {
        var name = species.Name.ToLowerInvariant();
        if (Math.Abs(tempC - species.GrowthOptC) <= BestC)
            return $"near the best for {name}";
        return tempC < species.GrowthOptC ? $"cool for {name}: slower growth" : $"warm for {name}: slower growth";
    }

    private static IEnumerable<Finding> Judge(PondState s)
    {
        if (s.Last(Parameter.Temperature, Speaks.Hours) is not { } last)
            yield break;
        foreach (var fish in s.Fish.DistinctBy(f => (f.Species.Key, f.Stage)))
            yield return Judge(s, last, fish);
    }

    private static Finding Judge(PondState s, Timed last, FishHere fish)
    {
        var (species, limits) = (fish.Species, fish.Limits);
        string P(double c) => s.Say(c, Parameter.Temperature);
        var grounds = Grounds
            .Of(
                "The last reading against the band of the stage, and the temperatures that kill the species.",
                species.Source,
                new Input("temperature", last.Si, Measures.Temperature, "read at " + s.Hour(last.At)),
                new Input("kills under", species.LethalLowC, Measures.Temperature, "species table"),
                new Input("kills over", species.LethalHighC, Measures.Temperature, "species table")
            )
            .Limited(limits.Source);
        if (
            last.Si >= species.LethalHighC - NearC
            || last.Si <= species.LethalLowC + Math.Min(NearC, Math.Max(0, species.LethalLowC))
        )
            return Deadly(s, last, species, grounds);
        var inside = last.Si >= limits.TempLowC && last.Si <= limits.TempHighC;
        return new(
            Rule.Name,
            inside ? Status.Steady : Status.Watch,
            inside
                ? $"{P(last.Si)} is {WordFor(last.Si, species)}"
                : $"{P(last.Si)} is outside {P(limits.TempLowC)} to {P(limits.TempHighC)}: stress"
        )
        {
            Of = Parameter.Temperature,
            Do = inside ? "" : "No handling; feed little, in the better hours.",
            Why = grounds,
            Hot = last.Si > limits.TempHighC,
            ShutsGate = !inside,
        };
    }

    private static Finding Deadly(PondState s, Timed last, FishSpecies species, Grounds grounds)
    {
        var hot = last.Si >= species.LethalHighC - NearC;
        string P(double c) => s.Say(c, Parameter.Temperature);
        return new(
            Rule.Name,
            Status.ActNow,
            $"{P(last.Si)} is at what kills {species.Name.ToLowerInvariant()} ({P(hot ? species.LethalHighC : species.LethalLowC)})"
        )
        {
            Of = Parameter.Temperature,
            Do = hot
                ? "Cooler water in, shade, deep water; no feed, no handling."
                : "Warmer or deeper water, no handling, no feed.",
            Why = grounds,
            Hot = hot,
            Rings = true,
            FeedFactor = 0,
            ShutsGate = true,
        };
    }
}
