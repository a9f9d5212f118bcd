using Dorsk.Core.Judging;
using Dorsk.Core.Oxygen;
using Dorsk.Core.Units;
using Dorsk.Core.Water;

namespace Dorsk.Core.Verdict.Rules;

/// <summary>In water with many fish the same oxygen lasts for minutes: there the limit is the time that is left, not a level.</summary>
internal static class CrowdedWater
{
    public static readonly Rule Rule = new("crowded water", Judge);

    // Somebody must be there in half of what is left.
    private const double WatchMinutes = 15,
        ActMinutes = 6;

    private static IEnumerable<Finding> Judge(PondState s)
    {
        if (
            !s.InTank
            || s.VolumeM3 <= 0
            || s.Last(Parameter.Oxygen, Speaks.Hours) is not { } last
            || last.Si <= s.Limits.DoActMgL
        )
            yield break;
        var tempC = s.Last(Parameter.Temperature, TimeSpan.FromDays(1))?.Si ?? s.Tender.Species.GrowthOptC;
        // mg a gram and hour are g a kilogram and hour; by cubic metres that is mg/L.
        var useMgLH = s.Standing.Sum(f => f.BiomassKg * Respiration.Fish(f.MeanG, tempC, f.Species)) / s.VolumeM3;
        if (useMgLH <= 0)
            yield break;
        var minutes = 60 * (last.Si - s.Limits.DoActMgL) / useMgLH;
        if (minutes >= WatchMinutes)
            yield break;
        yield return Found(s, last, tempC, useMgLH, minutes);
    }

    private static Finding Found(PondState s, Timed last, double tempC, double useMgLH, double minutes)
    {
        var loadKgM3 = s.Standing.Sum(f => f.BiomassKg) / s.VolumeM3;
        var wanted = s.Limits.DoActMgL + (useMgLH * WatchMinutes / 60);
        return new(
            Rule.Name,
            minutes < ActMinutes ? Status.ActNow : Status.Watch,
            $"{s.Hand.Count(Math.Floor(minutes))} minutes to the act level if the air stops, at {QuantityText.Write(loadKgM3, Measures.VolumeLoad, s.Hand)}"
        )
        {
            Of = Parameter.Oxygen,
            Do =
                $"In water so full keep {s.Say(wanted, Parameter.Oxygen)} or more, an oxygen valve that opens without power, and fewer fish.",
            Why = Grounds
                .Of(
                    "From the last reading to the act level at what these fish breathe in an hour; somebody must be there in half of it.",
                    "Fish respiration after Boyd and others 1978; 15 and 6 minutes are starting values",
                    new Input("oxygen", last.Si, Measures.Oxygen, "read at " + s.Hour(last.At)),
                    new Input("temperature", tempC, Measures.Temperature, "measured, else the best of the species"),
                    new Input("what the fish use an hour", useMgLH, Measures.Oxygen, "worked out"),
                    new Input("fish by volume", loadKgM3, Measures.VolumeLoad, "standing estimate")
                )
                .Limited(s.Limits.Source),
            Helps = [Remedy.Air],
            Rings = minutes < ActMinutes,
            ShutsGate = true,
        };
    }
}
