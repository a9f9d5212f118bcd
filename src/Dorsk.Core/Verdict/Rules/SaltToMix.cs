using Dorsk.Core.Judging;
using Dorsk.Core.Units;
using Dorsk.Core.Water;

namespace Dorsk.Core.Verdict.Rules;

/// <summary>Salt that was given and may lie undissolved: until the water was read again after mixing, nobody knows the salinity fish would meet.</summary>
internal static class SaltToMix
{
    public static readonly Rule Rule = new(PondVerdict.SaltUnread, Judge);

    // Salt of last week is in the water, read or not.
    private static readonly TimeSpan Lasts = TimeSpan.FromDays(3);

    private static IEnumerable<Finding> Judge(PondState s)
    {
        if (s.SaltGiven is not { } salt || s.Now - salt.At >= Lasts)
            yield break;
        if (
            new[] { Parameter.Salinity, Parameter.Chloride }.Any(p =>
                s.Last(p, Lasts) is { } t && t.At >= salt.At + PondVerdict.SaltMixes
            )
        )
            yield break;
        var mixedAt = salt.At + PondVerdict.SaltMixes;
        // 1 kg in 1 m³ is 1 g/L, 1 ppt.
        double? rise = s.VolumeM3 > 0 ? salt.Kg / s.VolumeM3 : null;
        yield return new(
            Rule.Name,
            Status.Watch,
            $"{QuantityText.Write(salt.Kg, Measures.Mass, s.Hand)} of salt was given at {s.Hour(salt.At)} and the water not read since it mixed"
                + (
                    rise is { } ppt
                        ? $"; it should rise by about {QuantityText.Write(ppt, Measures.Salinity, s.Hand)}"
                        : ""
                )
        )
        {
            Of = Parameter.Salinity,
            Do =
                s.Now < mixedAt
                    ? $"Stir with the aerators; read salinity or chloride at {s.Hour(mixedAt)} or later, away from where it was strewn."
                    : "Read salinity or chloride now, away from where it was strewn; stir up salt that lies on the floor.",
            Why = Grounds.Of(
                "Salt over the water it goes into: 1 kg in 1 m³ is 1 g/L. Strewn salt needs about two hours of stirring.",
                "Mass balance; mixing time is a starting value",
                new Input("salt given", salt.Kg, Measures.Mass, "at " + s.Hour(salt.At)),
                new Input("water in the pond", s.VolumeM3, Measures.Volume, "as last measured")
            ),
            ShutsGate = true,
        };
    }
}
