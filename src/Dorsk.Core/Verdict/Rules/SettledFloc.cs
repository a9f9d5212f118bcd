using Dorsk.Core.Judging;
using Dorsk.Core.Units;
using Dorsk.Core.Water;

namespace Dorsk.Core.Verdict.Rules;

/// <summary>Solids settled in a cone against the band of the fish.</summary>
internal static class SettledFloc
{
    public static readonly Rule Rule = new("settled solids", Judge);

    // Over twice its band floc takes the oxygen of the fish.
    private const double FarOver = 2;

    private static IEnumerable<Finding> Judge(PondState s)
    {
        if (s.Last(Parameter.SettledSolids, Speaks.Week) is not { } last)
            yield break;
        var band = FlocBand.For(s.Tender.Species, s.Tender.Stage);
        string P(double v) => s.Say(v, Parameter.SettledSolids);
        if (last.Si <= band.HighMlL)
            yield break;
        var far = last.Si > FarOver * band.HighMlL;
        yield return new(
            Rule.Name,
            far ? Status.ActNow : Status.Watch,
            $"{P(last.Si)} settled is over the band {P(band.LowMlL)} to {P(band.HighMlL)} for {s.Tender.Species.Name.ToLowerInvariant()}"
        )
        {
            Of = Parameter.SettledSolids,
            Do = "Run the settling tank or siphon until it is back in the band, no carbon meanwhile; read oxygen.",
            Why = Grounds.Of(
                "Solids settled in a cone from a still sample, against the band of the most tender fish.",
                FlocBand.Source,
                new Input("settled solids", last.Si, Measures.Settled, "read " + Hand.Day(s.Zone.DayOf(last.At)))
            ),
            Helps = [Remedy.ChangeWater],
            FeedFactor = far ? 0.5 : 1,
        };
    }
}
