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

    /// <summary>The highest oxygen of the last three days where it was so high that gas bubbles are looked for, %; else null.</summary>
    public double? GassyPct { get; init; }

    /// <summary>Barriers that are open or due to be looked over: name, day last looked over, whether open.</summary>
    public IReadOnlyList<(string Name, DateOnly LookedOver, bool IsBroken)> BarriersDue { get; init; } = [];

    /// <summary>Species that leaps out of this tank, which has no cover; empty for none.</summary>
    public string Leaping { get; init; } = "";
}

/// <summary>Jobs of sick ponds: look on, medicated feed, cleaning after a hold, grading, eaters of fish taken out.</summary>
public static partial class JobRules
{
    private const int DawnHour = 6,
        EveningHour = 18;

    private static IEnumerable<Job> Health(FarmDay d) =>
        d.Ponds.SelectMany(p => Sick(d, p).Concat(Kept(d, p)).Concat(Barred(d, p)));

    private static IEnumerable<Job> Sick(FarmDay d, PondDay p)
    {
        var h = p.Health;
        if (h.LookedAt is { } looked && d.Zone.DayOf(looked) < d.Today)
            yield return HealthJob(
                d,
                p,
                "look",
                "look at the sick fish again",
                $"an investigation is open, last written {FarmDay.Day(d.Zone.DayOf(looked))}"
            );
        foreach (var (line, name, day, days, amount) in h.Given.Where(t => t.Days > 1))
            yield return HealthJob(
                d,
                p,
                $"dose-{line}",
                $"{name}, day {d.Hand.Count(day)} of {d.Hand.Count(days)}: {amount}",
                "a treatment that is broken off breeds resistance; in the day's feed, none thrown away"
            );
        if (h.HeldFrom is { } held)
            yield return HealthJob(
                d,
                p,
                "clean",
                "nets, boots and wheels that were here cleaned and dried",
                $"on hold since {FarmDay.Day(held)}: last on the round, nothing carried on"
            );
    }

    private static IEnumerable<Job> Kept(FarmDay d, PondDay p)
    {
        if (p.Health.SpreadPct is { } spread)
            yield return HealthJob(
                d,
                p,
                "grade",
                "grade, or take the largest out",
                $"sizes part: {d.Hand.Count(spread)} % spread in the last sample, and these eat each other"
            );
        if (p.Health.TakeOut.Length > 0)
            yield return HealthJob(
                d,
                p,
                "take-out",
                $"take {p.Health.TakeOut} out",
                "they eat the stock or its feed, and use its oxygen"
            );
        if (p.Health.GassyPct is { } pct)
            yield return HealthJob(
                d,
                p,
                "gas",
                "look for gas bubbles in eyes, fins and gills of five fish",
                $"oxygen stood at {d.Hand.Count(pct)} % of saturation within three days; stir the water in the afternoon"
            );
    }

    private static IEnumerable<Job> Barred(FarmDay d, PondDay p)
    {
        foreach (var (name, looked, isBroken) in p.Health.BarriersDue)
            yield return HealthJob(
                d,
                p,
                $"barrier-{name.Replace(' ', '-')}",
                isBroken ? $"mend the {name}" : $"check the {name}",
                isBroken
                    ? $"found open on {FarmDay.Day(looked)}"
                    : $"last looked over {FarmDay.Day(looked)}; a hole lets predators in and holds birds",
                "barrier"
            );
        if (p.Health.Leaping.Length > 0)
            yield return HealthJob(
                d,
                p,
                "cover",
                "cover the tank",
                $"{p.Health.Leaping} leap, and no cover is on record here",
                "barrier"
            );
    }

    private static Job HealthJob(FarmDay d, PondDay p, string what, string job, string reason, string slip = "") =>
        new(
            Key($"health-{what}", p.Code, d.Today),
            p.PondId,
            p.Code,
            d.Zone.At(d.Today, new(DawnHour, 0)),
            d.Zone.At(d.Today, new(EveningHour, 0)),
            $"{p.Code}: {job}",
            reason,
            Role.PondHand,
            slip,
            JobState.Open
        );
}
