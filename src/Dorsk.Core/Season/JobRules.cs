using Dorsk.Core.People;
using Dorsk.Core.Ponds;
using Dorsk.Core.Prepare;
using Dorsk.Core.Units;

namespace Dorsk.Core.Season;

/// <summary>A source of jobs.</summary>
/// <param name="Name">First part of its jobs' keys.</param>
/// <param name="Find">The jobs of a day.</param>
public sealed record JobRule(string Name, Func<FarmDay, IEnumerable<Job>> Find);

/// <summary>All rules that make jobs, in one list. A new source is one more line.</summary>
public static partial class JobRules
{
    // Starting values of the trade; settings once the farm has its own.
    private const double UseFirstDays = 14;
    private const int NearMarketDays = 7,
        MorningMeal = 7,
        AfternoonMeal = 16,
        SampleHour = 6;

    /// <summary>The list.</summary>
    public static readonly IReadOnlyList<JobRule> All =
    [
        new("dawn", d =>
            Round(
                d,
                "dawn",
                "Dawn round",
                d.Sunrise.AddMinutes(-60),
                d.Sunrise.AddMinutes(90),
                "the lowest oxygen of the night tells the ration and the next forecast"
            )
        ),
        new("morning-meal", d => Meal(d, 0, "Morning meal", MorningMeal)),
        new("sample", Samples),
        new("afternoon-meal", d => Meal(d, 1, "Afternoon meal", AfternoonMeal)),
        new("dusk", d =>
            Round(
                d,
                "dusk",
                "Dusk round",
                d.Sunset.AddMinutes(-150),
                d.Sunset.AddMinutes(30),
                "the forecast of the night starts from it"
            )
        ),
        new("air", MoreAir),
        new("second", SecondReading),
        new("order", FeedToOrder),
        new("use-first", UseFirst),
        new("change", FeedChanges),
        new("harvest", PlanHarvest),
        new("feeder", Feeders),
        new("plan", Planned),
        new("prep", Preparation),
        new("calibrate", Calibrations),
        new("service", Services),
        new(DutyKept.JobName, Standing),
        new("quarantine", Quarantines),
        new("hold-apart", NotHeld),
        new("vital", Vital),
        new("mover", Mover),
        new("all-day", AllDay),
        new("before-dawn", BeforeDawn),
        new("hourly", Hourly),
        new("afternoon", Afternoon),
        new("rake", Rake),
        new("mend", Mend),
        new("sow", SowBank),
        new("liner", CoverLiner),
        new("look-again", LookAgain),
        new("permit", Permits),
        new("cover-rain", CoverInRain),
        new("after-rain", AfterRain),
        new("after-salt", AfterSalt),
        new("exchange-early", ExchangeEarly),
        new("health", Health),
        new("hatchery", Hatchery),
    ];

    /// <summary>The jobs of a day, upkeep that waits first, then by their hour; those closed by hand marked so.</summary>
    public static IReadOnlyList<Job> Of(FarmDay day) =>
        [
            .. Job.InOrder(
                All.SelectMany(r => r.Find(day))
                    .Select(j => Closed(j, day))
                    .Select(j => j with { Hazards = JobSafety.Of(j, day) })
            ),
        ];

    private static Job Closed(Job job, FarmDay day)
    {
        if (day.Closed.TryGetValue(job.Key, out var closed))
            return job with
            {
                State = closed.Outcome == JobOutcome.Done ? JobState.Done : JobState.Skipped,
                By = closed.Mark,
                Line = closed.Line,
                Note = closed.Reason,
            };
        return job.State == JobState.Open && day.Now > job.Due ? job with { State = JobState.Late } : job;
    }

    private static string Key(string rule, string place, DateOnly day) =>
        FormattableString.Invariant($"{rule}:{place}:{day:yyyy-MM-dd}");

    // A job of a pond hand in one pond between two hours of today.
    private static Job OfToday(
        FarmDay d,
        PondDay p,
        string rule,
        (int From, int To) hours,
        string what,
        string reason,
        string slip
    ) =>
        new(
            Key(rule, p.Code, d.Today),
            p.PondId,
            p.Code,
            d.Zone.At(d.Today, new(hours.From, 0)),
            d.Zone.At(d.Today, new(hours.To, 0)),
            $"{p.Code}: {what}",
            reason,
            Role.PondHand,
            slip,
            JobState.Open
        );

    private static IEnumerable<Job> Round(
        FarmDay d,
        string rule,
        string name,
        DateTimeOffset from,
        DateTimeOffset due,
        string reason
    )
    {
        var stocked = d.Stocked.Where(p => HadFish(p, due)).ToList();
        if (stocked.Count == 0)
            yield break;
        // Somewhat before the window counts too: a round takes its time.
        var marks = stocked
            .Select(p => p.Readings.LastOrDefault(m => m.At >= from.AddMinutes(-45) && m.At <= due.AddMinutes(30)))
            .ToList();
        var read = marks.Count(m => m != default);
        var what =
            stocked.Count == 1
                ? $"{name}: oxygen and temperature in {stocked[0].Code}"
                : $"{name}: oxygen and temperature in {stocked.Count} ponds";
        yield return new(
            Key(rule, "farm", d.Today),
            null,
            "",
            from,
            due,
            what,
            reason,
            Role.PondHand,
            "round",
            read == stocked.Count ? JobState.Done : JobState.Open,
            read == stocked.Count ? marks.MaxBy(m => m.At) : null,
            null,
            read > 0 && read < stocked.Count
                ? $"{read} of {stocked.Count} read, missing {string.Join(", ", stocked.Where((_, i) => marks[i] == default).Select(p => p.Code).Take(6))}"
                : ""
        );
    }

    private static IEnumerable<Job> Meal(FarmDay d, int meal, string name, int hour)
    {
        DateTimeOffset from = d.Zone.At(d.Today, new(hour, 0)),
            due = from.AddHours(2.5);
        var ponds = d.Stocked.Where(p => p.Meals.Count > meal && HadFish(p, due)).ToList();
        if (ponds.Count == 0)
            yield break;
        var noon = d.Zone.At(d.Today, new(12, 0));
        var fed = FedAt(meal, ponds, noon);
        // Where no pond is to be fed there is nothing left to do.
        var done = fed.All(m => m != default);
        var kg = ponds.Sum(p => p.Meals[meal].Kg);
        yield return new(
            Key(meal == 0 ? "morning-meal" : "afternoon-meal", "farm", d.Today),
            null,
            "",
            from,
            due,
            fed.Count == 0
                ? $"{name}: none today"
                : $"{name}: {d.Say(kg, Measures.Mass)} in {Ponds(fed.Count)}{Braked(ponds, meal)}",
            fed.Count == 0
                ? Braked(ponds, meal).TrimStart(',', ' ')
                : "ration by each pond's method, less the restrictions",
            Role.PondHand,
            "round",
            done ? JobState.Done : JobState.Open,
            done && fed.Count > 0 ? fed.MaxBy(m => m.At) : null,
            null,
            !done && fed.Any(m => m != default) ? $"{fed.Count(m => m != default)} of {fed.Count} fed" : ""
        );
    }

    // What was due before its fish came is nobody's fault.
    private static bool HadFish(PondDay p, DateTimeOffset due) => !(p.FishSince > due);

    private static string Ponds(int count) => count == 1 ? "1 pond" : $"{count} ponds";

    // None is none; less is less: a halved meal is given.
    private static string Braked(List<PondDay> ponds, int meal)
    {
        string Named(string word, Func<double, bool> which)
        {
            var codes = ponds
                .Where(p => p.Meals[meal].Held.Length > 0 && which(p.Meals[meal].Kg))
                .Select(p => $"{p.Code} ({p.Meals[meal].Held})")
                .ToList();
            return codes.Count > 0 ? $", {word} in {string.Join(", ", codes)}" : "";
        }
        return Named("none", kg => kg <= 0) + Named("less", kg => kg > 0);
    }

    private static List<Mark> FedAt(int meal, List<PondDay> ponds, DateTimeOffset noon) =>
        ponds
            .Where(p => p.Meals[meal].Kg > 0)
            .Select(p => p.Fed.LastOrDefault(m => meal == 0 ? m.At < noon : m.At >= noon))
            .ToList();

    private static IEnumerable<Job> Samples(FarmDay d)
    {
        foreach (var p in d.Stocked.Where(p => p.SampleDue <= d.Today.AddDays(1)))
        {
            var day = p.SampleDue!.Value < d.Today ? d.Today : p.SampleDue.Value;
            var at = d.Zone.At(day, new(SampleHour, 30));
            yield return SampleJob(d, p, day, at);
        }
        foreach (var p in d.Stocked.Where(p => p.Sampled.Count > 0))
            yield return new(
                Key("sample", p.Code, d.Today),
                p.PondId,
                p.Code,
                p.Sampled[^1].At,
                p.Sampled[^1].At,
                $"{p.Code}: sample",
                "",
                Role.Manager,
                "",
                JobState.Done,
                p.Sampled[^1]
            );
    }

    private static Job SampleJob(FarmDay d, PondDay p, DateOnly day, DateTimeOffset at) =>
        new(
            Key("sample", p.Code, day),
            p.PondId,
            p.Code,
            at.AddMinutes(-30),
            at.AddHours(2),
            $"{p.Code}: sample, in the cool of the morning",
            p.LastWeighed is { } last
                ? $"last weighed {d.Today.DayNumber - last.DayNumber} days ago, so {d.Say(p.MeanG, Measures.FishWeight)} is the estimate"
                : "never weighed since stocking",
            Role.Manager,
            "sample",
            JobState.Open
        );

    private static IEnumerable<Job> MoreAir(FarmDay d) =>
        d
            .Stocked.Where(p => p.Air is not null)
            .Select(p => new Job(
                Key("air", p.Code, d.Zone.DayOf(p.Air!.From.AddHours(-12))),
                p.PondId,
                p.Code,
                d.Now,
                p.Air.From,
                $"{p.Code}: set the timers of {p.Air.Codes} to {d.Hour(p.Air.From)}",
                $"dawn low {d.Say(p.Tonight!.Low.Value, Measures.Oxygen)} without them.{p.Air.Brought}",
                Role.NightWatch,
                "aerators",
                JobState.Open
            ));

    private static IEnumerable<Job> PlanHarvest(FarmDay d) =>
        d
            .Stocked.Where(p =>
                p.Target is { } t
                && t.DayNumber - d.Today.DayNumber <= NearMarketDays
                && p.TasteOn is not null
                && !p.LeavePlanned
            )
            .Select(p => new Job(
                Key("harvest", p.Code, d.Today),
                p.PondId,
                p.Code,
                d.Zone.At(d.Today, new(8, 0)),
                d.Zone.At(d.Today, new(19, 0)),
                $"{p.Code}: plan the harvest",
                $"{d.Say(p.MeanG, Measures.FishWeight)} on average; the taste test of {FarmDay.Day(p.TasteOn!.Value)} passed",
                Role.Manager,
                "",
                JobState.Open
            ));

    private static IEnumerable<Job> Planned(FarmDay d) =>
        d.Ponds.SelectMany(p => p.Planned.Where(x => x.On == d.Today).Select(x => PlannedJob(d, p, x)));

    internal static Job PlannedJob(FarmDay d, PondDay p, (string Key, DateOnly On, string What, string Slip) x) =>
        new(
            Key("plan", x.Key, x.On),
            p.PondId,
            p.Code,
            d.Zone.At(x.On, new(5, 0)),
            d.Zone.At(x.On, new(18, 0)),
            $"{p.Code}: {x.What}",
            "planned in the season",
            Role.Manager,
            x.Slip,
            JobState.Open
        );

    // Steps whose day has come; an open one moves every later day, so the morrow's list is never wrong.
    private static IEnumerable<Job> Preparation(FarmDay d) =>
        d
            .Ponds.Where(p => p.Preparation is not null)
            .SelectMany(p =>
                p.Preparation!.Open.Where(s => s.Day <= d.Today)
                    .Select(s =>
                    {
                        var held = s.Step.Work == PondWork.Fertilised ? p.Brake : null;
                        return new Job(
                            s.Step.JobKey(p.Code, p.PreparationLine),
                            p.PondId,
                            p.Code,
                            d.Zone.At(d.Today, new(7, 0)),
                            d.Zone.At(d.Today, new(18, 0)),
                            $"{p.Code}: {char.ToLowerInvariant(s.Step.What[0])}{s.Step.What[1..]}",
                            held?.Reason
                                ?? (
                                    s.MovedDays > 0
                                        ? FormattableString.Invariant(
                                            $"{s.MovedDays} days after its first day; everything after it waits"
                                        )
                                        : s.Step.Reason
                                ),
                            Role.PondHand,
                            $"work?Work={s.Step.Work}",
                            s.State == StepState.Late ? JobState.Late : JobState.Open
                        )
                        {
                            WaitsDays = s.MovedDays,
                        };
                    })
            );

    private static IEnumerable<Job> Services(FarmDay d) =>
        d.Ponds.SelectMany(p =>
            p.ToService.Select(s => new Job(
                Key($"service-{s.Code}", p.Code, d.Today),
                p.PondId,
                p.Code,
                d.Zone.At(d.Today, new(8, 0)),
                d.Zone.At(d.Today, new(17, 0)),
                $"{p.Code}: service {s.Code}",
                s.Reason,
                Role.Manager,
                $"air-service?Code={s.Code}",
                JobState.Open
            ))
        );

    private static IEnumerable<Job> Calibrations(FarmDay d) =>
        d.ToCalibrate.Select(i => new Job(
            FormattableString.Invariant($"calibrate:instrument{i.Id}:{d.Today:yyyy-MM-dd}"),
            null,
            "",
            d.Zone.At(d.Today, new(7, 0)),
            d.Zone.At(d.Today, new(18, 0)),
            $"Calibrate {i.Name}",
            i.Last is { } last
                ? $"last done {FarmDay.Day(last)}; a forecast is as good as the meter"
                : "never written down; a forecast is as good as the meter",
            Role.PondHand,
            "instruments",
            JobState.Open
        ));

    private static IEnumerable<Job> Quarantines(FarmDay d) =>
        d
            .Held.Where(q => d.Ponds.Any(p => p.PondId == q.PondId))
            .Select(q =>
            {
                var code = d.Ponds.First(p => p.PondId == q.PondId).Code;
                var over = d.Today >= q.Until;
                return new Job(
                    FormattableString.Invariant($"quarantine:{q.PondId}-{q.BatchId}:{d.Today:yyyy-MM-dd}"),
                    q.PondId,
                    code,
                    d.Zone.At(d.Today, new(6, 0)),
                    d.Zone.At(d.Today, new(18, 0)),
                    over
                        ? $"{code}: quarantine may end: pass, hold longer or treat"
                        : $"{code}: look at the fish held apart",
                    over
                        ? $"held since {FarmDay.Day(q.From)}"
                        : $"every day until {FarmDay.Day(q.Until)}: feeding, skin, gills, deaths; own net and boots",
                    over ? Role.Manager : Role.PondHand,
                    "quarantine",
                    !over && q.LookedOn(d.Today) ? JobState.Done : JobState.Open
                );
            });

    // A test that is due, or one that failed and waits for a better.
    private static IEnumerable<Job> Vital(FarmDay d) =>
        d
            .Vitals.Where(v => v.IsFailing || v.DueOn(d.Today) <= d.Today)
            .Select(v =>
            {
                var due = v.IsFailing ? v.Last!.Value.Day : v.DueOn(d.Today);
                return new Job(
                    FormattableString.Invariant($"vital:{v.Kept.VitalId}:{due:yyyy-MM-dd}"),
                    v.Kept.PondId,
                    d.Ponds.FirstOrDefault(p => p.PondId == v.Kept.PondId)?.Code ?? "",
                    d.Zone.At(due, new(8, 0)),
                    d.Zone.At(due, new(17, 0)),
                    v.IsFailing
                        ? $"{v.Kept.Name} failed its test: {v.Kind.OnFail}, then test it again"
                        : $"Test {v.Kept.Name}: {v.Kind.Check}",
                    v.IsFailing ? v.Last!.Value.Fact.Text : v.Kind.Passes(d.Hand),
                    v.IsFailing ? Role.Manager : Role.PondHand,
                    "vital-test",
                    JobState.Open
                );
            });

    // A bought lot is held apart from the day it comes; once it has met others there is nothing left to hold.
    private static IEnumerable<Job> NotHeld(FarmDay d) =>
        d
            .ToHold.Where(h => d.Ponds.Any(p => p.PondId == h.PondId))
            .Select(h =>
            {
                var code = d.Ponds.First(p => p.PondId == h.PondId).Code;
                return new Job(
                    FormattableString.Invariant($"hold-apart:{h.BatchId}:{h.Came:yyyy-MM-dd}"),
                    h.PondId,
                    code,
                    d.Zone.At(h.Came, new(6, 0)),
                    d.Zone.At(h.Came.AddDays(1), new(18, 0)),
                    $"{code}: begin the quarantine of the fish from {h.From}",
                    $"bought on {FarmDay.Day(h.Came)}: {d.Hand.Count(h.Days)} days apart before they meet other fish; looked at every day",
                    Role.Manager,
                    "quarantine",
                    JobState.Open
                );
            });
}
