using Dorsk.Core.Judging;
using Dorsk.Core.Units;
using Dorsk.Core.Water;

namespace Dorsk.Core.Verdict.Rules;

/// <summary>Temperature that changes faster than the stage bears, read with one instrument at one depth.</summary>
internal static class TemperatureChange
{
    public static readonly Rule Rule = new("temperature change", Judge);

    private static readonly TimeSpan Longest = TimeSpan.FromHours(3),
        Least = TimeSpan.FromMinutes(20);

    private static IEnumerable<Finding> Judge(PondState s)
    {
        if (s.Last(Parameter.Temperature, Speaks.Look) is not { } last)
            yield break;
        var limitC = s.Fish.Min(f => f.Limits.MaxTempChangeCPerH);
        var before = s.Readings[Parameter.Temperature]
            .Between(last.At - Longest, last.At - Least)
            .Where(t => t.By == last.By && t.DepthM == last.DepthM)
            .DefaultIfEmpty()
            .MaxBy(t => Math.Abs(t.Si - last.Si));
        if (before == default)
            yield break;
        var perHour = (last.Si - before.Si) / (last.At - before.At).TotalHours;
        if (Math.Abs(perHour) <= limitC)
            yield break;
        yield return new(
            Rule.Name,
            Status.Watch,
            $"water {(perHour > 0 ? "warmed" : "cooled")} {QuantityText.Write(Math.Abs(perHour), Measures.TemperatureStep, s.Hand)} an hour; these bear {QuantityText.Write(limitC, Measures.TemperatureStep, s.Hand)}"
        )
        {
            Of = Parameter.Temperature,
            Do = "Slow the change: less new water, or mixed; no handling.",
            Why = Because(s, last, before),
            ShutsGate = true,
        };
    }

    private static Grounds Because(PondState s, Timed last, Timed before) =>
        Grounds
            .Of(
                "Largest change an hour between the last reading and those of the same instrument up to three hours before.",
                "Limits by life stage",
                new Input("before", before.Si, Measures.Temperature, "read at " + s.Hour(before.At)),
                new Input("last", last.Si, Measures.Temperature, "read at " + s.Hour(last.At))
            )
            .Limited(s.Limits.Source);
}
