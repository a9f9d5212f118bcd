using Dorsk.Core.Judging;
using Dorsk.Core.Units;
using Dorsk.Core.Water;

namespace Dorsk.Core.Season;

/// <summary>The one thing that answers a need.</summary>
public enum Answer
{
    /// <summary>Set the timers of idle aerators.</summary>
    Air,

    /// <summary>Open the pond's water.</summary>
    LookAtWater,

    /// <summary>Read the pond.</summary>
    Read,

    /// <summary>Walk the round.</summary>
    Round,

    /// <summary>Tick the job.</summary>
    Tick,

    /// <summary>Open the sample slip.</summary>
    Sample,
}

/// <summary>What needs a person, with its reason and the one thing that answers it.</summary>
/// <param name="Status">How pressing.</param>
/// <param name="Where">Pond code, or the place in words.</param>
/// <param name="Pond">The pond, or null.</param>
/// <param name="Reason">Plain words.</param>
/// <param name="By">By when, or null.</param>
/// <param name="Answer">The answer.</param>
/// <param name="Label">Its words on the button.</param>
/// <param name="Why">Grounds, where a figure was reckoned.</param>
/// <param name="Job">The job behind it, or null.</param>
public sealed record Need(
    Status Status,
    string Where,
    PondDay? Pond,
    string Reason,
    DateTimeOffset? By,
    Answer Answer,
    string Label,
    Grounds? Why,
    Job? Job
);

/// <summary>What needs somebody, most pressing first.</summary>
public static class Needs
{
    private const double NoWindMs = 1.5;

    /// <summary>All needs of a moment.</summary>
    /// <param name="day">The farm.</param>
    /// <param name="jobs">Its jobs.</param>
    public static IReadOnlyList<Need> Of(FarmDay day, IReadOnlyList<Job> jobs) =>
        [
            .. day
                .Stocked.Where(p => p.Judgement.Status is Status.ActNow or Status.Watch && !Together(day, p))
                .Select(p => OfPond(day, p, jobs))
                .Concat(Unread(day))
                .Concat(
                    jobs.Where(j =>
                            j.State is JobState.Open or JobState.Late
                            && j.Key.Split(':')[0] is "order" or "sample"
                            && j.Due - day.Now < TimeSpan.FromHours(24)
                        )
                        .Select(j => OfJob(day, j))
                )
                .OrderByDescending(n => n.Status)
                .ThenBy(n => n.By ?? DateTimeOffset.MaxValue)
                .ThenBy(n => n.Where, StringComparer.Ordinal),
        ];

    // Where nobody walked the round, the round is what is missing, not eleven readings.
    private static bool Together(FarmDay d, PondDay p) => p.Unread && d.Stocked.Count(o => o.Unread) > 1;

    private static IEnumerable<Need> Unread(FarmDay d)
    {
        var unread = d.Stocked.Where(p => Together(d, p)).ToList();
        if (unread.Count > 0)
            yield return new(
                Status.Watch,
                unread.Count == d.Stocked.Count ? "Every pond" : $"{unread.Count} ponds",
                null,
                $"{unread[0].Judgement.Reason}{(unread.Count == d.Stocked.Count ? "" : " in " + string.Join(", ", unread.Select(p => p.Code)))}. Until it is made up, how they stand is not known.",
                d.Now,
                Answer.Round,
                "Start the round",
                null,
                null
            );
    }

    private static Need OfPond(FarmDay d, PondDay p, IReadOnlyList<Job> jobs)
    {
        var tonight = p.Tonight is { } f && f.Judgement.Status >= p.Judgement.Status ? f : null;
        var air = jobs.FirstOrDefault(j => j.PondId == p.PondId && j.Key.StartsWith("air:", StringComparison.Ordinal));
        if (tonight is null)
            return new(
                p.Judgement.Status,
                p.Code,
                p,
                p.Judgement.Reason + ".",
                null,
                p.Unread ? Answer.Read : Answer.LookAtWater,
                p.Unread ? "Write a reading" : "Open its water",
                null,
                null
            );
        if (p.Air is { } plan)
            return NeedOfAir(d, p, air, plan);
        var all =
            p.Judgement.Status == Status.ActNow
                ? " No aerator stands idle: hold the feed, bring an emergency aerator, read again in the dark."
                : "";
        return NeedOfOxygen(d, p, tonight, all);
    }

    private static Need NeedOfOxygen(FarmDay d, PondDay p, Oxygen.DawnLowForecast tonight, string all) =>
        new(
            p.Judgement.Status,
            p.Code,
            p,
            $"{Fall(d, p)} {Causes(d, p)}{all}",
            tonight.UnderActAt ?? tonight.UnderWatchAt ?? tonight.LowAt,
            Answer.Read,
            "Read it again",
            tonight.Why,
            null
        );

    private static Need NeedOfAir(FarmDay d, PondDay p, Job? air, Oxygen.AirPlan plan) =>
        new(
            Status.ActNow,
            p.Code,
            p,
            $"{Fall(d, p)} {Causes(d, p)} {More(d, p)}",
            plan.From,
            Answer.Air,
            $"Run {plan.Codes} from {d.Hour(plan.From)}",
            plan.Why,
            air
        );

    private static string Fall(FarmDay d, PondDay p)
    {
        var f = p.Tonight!;
        var crossing =
            f.UnderActAt is { } act
                ? $"Oxygen passes under {d.Say(p.Limits!.DoActMgL, Measures.Oxygen)} at about {d.Hour(act)} and reaches "
            : f.UnderWatchAt is { } watch
                ? $"Oxygen passes under {d.Say(p.Limits!.DoWatchMgL, Measures.Oxygen)} at about {d.Hour(watch)} and reaches "
            : "Dawn low ";
        var before = f.IsLowerBeforeDawn
            ? $" Lowest before it: {d.Say(f.Lowest.MgL, Measures.Oxygen)} at {d.Hour(f.Lowest.At)}."
            : "";
        return $"{crossing}{d.Say(f.Low.Value, Measures.Oxygen)} at {d.Hour(f.LowAt)}, could be {d.Say(f.Low.Low, Measures.Oxygen)}.{before}";
    }

    private static string Causes(FarmDay d, PondDay p)
    {
        List<string> causes = [];
        if (p.SecchiM is < WaterJudge.HeavyBloomM and { } secchi)
            causes.Add($"heavy bloom (Secchi {d.Say(secchi, Measures.ShortLength)})");
        causes.Add($"{d.Say(p.BiomassKg, Measures.Mass)} of fish");
        if (d.WindMs is < NoWindMs)
            causes.Add("no wind to help");
        var text = causes.Count == 1 ? causes[0] : string.Join(", ", causes.SkipLast(1)) + " and " + causes[^1];
        return char.ToUpperInvariant(text[0]) + text[1..] + ".";
    }

    private static string More(FarmDay d, PondDay p)
    {
        var n = p.Air!.More.Count;
        return $"{(n == 1 ? "One more aerator lifts" : n == 2 ? "Two more aerators lift" : n + " more aerators lift")} the low to about {d.Say(p.Air.LowMgL.Value, Measures.Oxygen)}{(p.Air.ChanceUnderAct > 0.2 ? ", which may not be enough: hold the feed and watch" : "")}.{p.Air.Brought}";
    }

    private static Need OfJob(FarmDay d, Job j)
    {
        var pond = d.Ponds.FirstOrDefault(p => p.PondId == j.PondId);
        var reason = $"{char.ToUpperInvariant(j.Reason[0])}{j.Reason[1..]}.";
        return d.Feeds.FirstOrDefault(f => j.Key == JobRules.OrderKey(f, d)) is { } feed
            ? new(
                Status.Watch,
                "Feed store",
                null,
                $"{feed.Name}: {j.Reason}.",
                j.Due,
                Answer.Tick,
                "Ordered",
                JobRules.WhyOrder(feed),
                j
            )
            : new(
                Status.Steady,
                pond!.Code,
                pond,
                $"Sample day. {reason}",
                j.From.AddMinutes(30),
                Answer.Sample,
                "Sample slip",
                null,
                j
            );
    }
}
