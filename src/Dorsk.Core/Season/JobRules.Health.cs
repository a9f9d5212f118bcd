using Dorsk.Core.People;

namespace Dorsk.Core.Season;

/// <summary>The health of a pond on one day, as far as jobs care.</summary>
public sealed record HealthDay
{
    /// <summary>An open investigation: when it was last written to; null for none.</summary>
    public DateTimeOffset? LookedAt { get; init; }

    /// <summary>Since when it is on hold; null when it is not.</summary>
    public DateOnly? HeldFrom { get; init; }

    /// <summary>Treatments of today: line, name, which day of how many, amount in words.</summary>
    public IReadOnlyList<(long Line, string Name, int Day, int Days, string Amount)> Given { get; init; } = [];

    /// <summary>Spread of the last sample of fish that eat each other, %, where it calls for grading; else null.</summary>
    public double? SpreadPct { get; init; }

    /// <summary>Animals to take out, seen within days, in words; empty for none.</summary>
    public string TakeOut { get; init; } = "";
}

/// <summary>Jobs of sick ponds: look on, medicated feed, cleaning after a hold, grading, eaters of fish taken out.</summary>
public static partial class JobRules
{
    private const int DawnHour = 6,
        EveningHour = 18;

    private static IEnumerable<Job> Health(FarmDay d)
    {
        foreach (var p in d.Ponds)
        {
            Job Make(string what, string job, string reason, int untilHour, string slip = "") =>
                new(
                    Key($"health-{what}", p.Code, d.Today),
                    p.PondId,
                    p.Code,
                    d.Zone.At(d.Today, new(DawnHour, 0)),
                    d.Zone.At(d.Today, new(untilHour, 0)),
                    $"{p.Code}: {job}",
                    reason,
                    Role.PondHand,
                    slip,
                    JobState.Open
                );
            if (p.Health.LookedAt is { } looked && d.Zone.DayOf(looked) < d.Today)
                yield return Make(
                    "look",
                    "look at the sick fish again",
                    $"an investigation is open, last written {FarmDay.Day(d.Zone.DayOf(looked))}",
                    EveningHour
                );
            foreach (var (line, name, day, days, amount) in p.Health.Given.Where(t => t.Days > 1))
                yield return Make(
                    $"dose-{line}",
                    $"{name}, day {d.Hand.Count(day)} of {d.Hand.Count(days)}: {amount}",
                    "a treatment that is broken off breeds resistance; in the day's feed, none thrown away",
                    EveningHour
                );
            if (p.Health.HeldFrom is { } held)
                yield return Make(
                    "clean",
                    "nets, boots and wheels that were here cleaned and dried",
                    $"on hold since {FarmDay.Day(held)}: last on the round, nothing carried on",
                    EveningHour
                );
            if (p.Health.SpreadPct is { } spread)
                yield return Make(
                    "grade",
                    "grade, or take the largest out",
                    $"sizes part: {d.Hand.Count(spread)} % spread in the last sample, and these eat each other",
                    EveningHour
                );
            if (p.Health.TakeOut.Length > 0)
                yield return Make(
                    "take-out",
                    $"take {p.Health.TakeOut} out",
                    "they eat the stock or its feed, and use its oxygen",
                    EveningHour
                );
        }
    }
}
