using Dorsk.Core.Judging;
using Dorsk.Core.Stock;
using Dorsk.Core.Units;

namespace Dorsk.Core.Verdict.Rules;

/// <summary>Fish in quarantine: nobody comes in to them, somebody looks at them every day, and an uneasy look or marks on a sample want an answer.</summary>
internal static class HeldApart
{
    public static readonly Rule Rule = new(PondVerdict.Quarantine, Judge);

    private const int DaysUnseen = 2;

    private static IEnumerable<Finding> Judge(PondState s)
    {
        if (s.Held.Held.MaxBy(q => q.Until) is not { } held)
            yield break;
        var day = s.Today;
        var (status, words, what) = Told(s, held);
        yield return new(
            Rule.Name,
            status,
            $"fish are held apart until {Hand.Day(held.Until)}, day {s.Hand.Count(day.DayNumber - held.From.DayNumber + 1)} of {s.Hand.Count(held.Days)}{words}"
        )
        {
            Do = what,
            Why = Grounds
                .Of(
                    "Fish from elsewhere are held apart longer than two life cycles of the parasites they may carry, and looked at every day.",
                    "OIE Aquatic Code; Noga 2010; starting value",
                    new Input("held for", held.Days, Measures.Plain, "quarantine slip; days"),
                    new Input("looks written down", held.Looks.Count, Measures.Plain, "quarantine slip")
                )
                .Limited("all lots in one water pass together, after two calm days without marks"),
            ShutsGate = true,
        };
    }

    private static (Status Status, string Words, string Do) Told(PondState s, Quarantine held)
    {
        var day = s.Today;
        if (
            held.Looks.LastOrDefault(l => l.Day > day.AddDays(-DaysUnseen))
            is { Calm: false }
                and { Day.Year: > 1 } uneasy
        )
            return (
                Status.Watch,
                $"; on {Hand.Day(uneasy.Day)} they were not as they should be",
                "Read oxygen, ammonia, nitrite and pH, look at skin and gills of five fish. Hold them longer, or treat on a vet's advice while they can be lifted out together."
            );
        if (day >= held.Until)
            return s.Held.AgainstPassing(held.BatchId, day) is { } against
                ? (Status.Watch, "; they may not pass yet", against)
                : (Status.Steady, "; they may pass", "Let them pass, or hold them longer (quarantine slip).");
        var lastSeen = held.Looks.Count > 0 ? held.Looks[^1].Day : held.From;
        return lastSeen <= day.AddDays(-DaysUnseen)
            ? (
                Status.Watch,
                $"; nobody looked at them since {Hand.Day(lastSeen)}",
                "Look at them every day: feeding, skin, gills, deaths; own net and boots, this unit last on the round."
            )
            : (Status.Steady, "", "");
    }
}
