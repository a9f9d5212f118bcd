using Dorsk.Core.Judging;
using Dorsk.Core.Units;
using Dorsk.Core.Water;

namespace Dorsk.Core.Verdict.Rules;

/// <summary>Nitrite, by the chloride that keeps it out of the gills.</summary>
internal static class Nitrite
{
    public static readonly Rule Rule = new("nitrite", Judge);

    // So many times its limit is Act now when nobody knows the chloride.
    private const double GraveTimes = 3;

    private static IEnumerable<Finding> Judge(PondState s)
    {
        if (s.Last(Parameter.Nitrite, Speaks.Fortnight) is not { } last)
            yield break;
        var chloride = s.Last(Parameter.Chloride, Speaks.Months)?.Si;
        var judged = WaterJudge.JudgeNitrite(last.Si, chloride, s.Limits, s.Hand);
        if (chloride is null && judged.Status == Status.Watch && last.Si > GraveTimes * s.Limits.NitriteMgL)
            judged = judged with { Status = Status.ActNow };
        yield return new(Rule.Name, judged.Status, judged.Reason)
        {
            Of = Parameter.Nitrite,
            Do =
                judged.Status == Status.Steady
                    ? ""
                    : "Salt to ten times the nitrite nitrogen as chloride, less feed, more air; read chloride.",
            Why = Because(s, last, chloride),
            Helps = judged.Status == Status.Steady ? [] : [Remedy.Salt],
            Rings = judged.Status == Status.ActNow,
            FeedFactor = judged.Status == Status.ActNow ? 0 : 1,
            ShutsGate = judged.Status >= Status.Watch,
        };
    }

    private static Grounds Because(PondState s, Timed last, double? chloride) =>
        Grounds
            .Of(
                "Nitrite against its limit for water of low chloride; where chloride was read, by their ratio.",
                "Boyd and Tucker 1998; EIFAC 1984",
                new Input("nitrite as N", last.Si, Measures.Concentration, "read " + Hand.Day(s.Zone.DayOf(last.At))),
                chloride is { } cl
                    ? new Input("chloride", cl, Measures.CoarseConcentration, "measured")
                    : Input.Said("chloride", "not read", "taken as low")
            )
            .Limited(s.Limits.Source);
}
