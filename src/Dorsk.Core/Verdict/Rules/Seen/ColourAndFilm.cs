using Dorsk.Core.Judging;
using Dorsk.Core.Units;
using Dorsk.Core.Water;

namespace Dorsk.Core.Verdict.Rules;

/// <summary>What the eye sees of the water: its colour, read by the kind of water, and a film on it.</summary>
internal static class ColourAndFilm
{
    public static readonly Rule Rule = new("colour and film", Judge);

    private static IEnumerable<Finding> Judge(PondState s)
    {
        if (s.Last(Parameter.Colour, Speaks.Week) is { } colour && OfColour(s, colour) is { } byColour)
            yield return byColour;
        if (s.Last(Parameter.Film, Speaks.Week) is { } film && OfFilm(s, film) is { } byFilm)
            yield return byFilm;
    }

    private static Finding? OfColour(PondState s, Timed seen)
    {
        var meaning = ColourMeaning.Of(seen.Si, s.InTank);
        if (s.ColourTarget is { } target && OfTarget(s, target, seen, meaning) is { } judged)
            return judged.Status < Status.Watch ? null : judged;
        if (meaning.Status < Status.Watch)
            return null;
        var grave = meaning.Status == Status.ActNow;
        return new(Rule.Name, meaning.Status, $"{Parameter.Colour.StepAt(seen.Si)}: {meaning.Means}")
        {
            Of = Parameter.Colour,
            Do = (meaning.Renew ? Renew(s) : "Read the Secchi depth.") + " Read oxygen in the dark.",
            Why = Because(s, Parameter.Colour, seen),
            Helps = meaning.Renew ? [Remedy.ChangeWater] : [],
            Rings = grave,
            FeedFactor = grave ? 0 : 1,
            ShutsGate = grave,
        };
    }

    private static Finding? OfTarget(PondState s, int target, Timed seen, ColourMeaning meaning)
    {
        var step = (int)Math.Round(seen.Si);
        return ColourTarget.Judge(target, step, meaning) is not { } judged
            ? null
            : new(Rule.Name, judged.Status, judged.Reason)
            {
                Of = Parameter.Colour,
                Do = ColourTarget.Towards(target, step) + " Read the Secchi depth.",
                Why = Because(s, Parameter.Colour, seen),
            };
    }

    private static string Renew(PondState s)
    {
        var (low, high, share) = ColourMeaning.Fall(s.DepthM);
        string L(double m) => QuantityText.Write(m, Measures.ShortLength, s.Hand);
        return $"Let {L(low)} to {L(high)} off and fill up, at most {s.Hand.Count(100 * share)} % of the water; again on the next days if it stays so.";
    }

    private static Finding? OfFilm(PondState s, Timed seen) =>
        WaterJudge.Judge(Parameter.Film, seen.Si, s.Limits, s.Hand) is not { Status: >= Status.Watch } judged
            ? null
            : new(Rule.Name, judged.Status, judged.Reason)
            {
                Of = Parameter.Film,
                Do =
                    "A film lies on still water: start an aerator towards it, skim it in the lee, less feed; read oxygen in the dark.",
                Why = Because(s, Parameter.Film, seen),
                Helps = [Remedy.Air, Remedy.ChangeWater],
                ShutsGate = true,
            };

    private static Grounds Because(PondState s, Parameter parameter, Timed seen) =>
        Grounds.Of(
            s.InTank
                ? "The step that was seen within a week, as it is read in tanks."
                : "The step that was seen within a week, as it is read in ponds.",
            ColourMeaning.Source,
            Input.Said(parameter.Name, parameter.StepAt(seen.Si), "seen " + Hand.Day(s.Zone.DayOf(seen.At)))
        );
}
