using Dorsk.Core.People;
using Dorsk.Core.Units;
using Dorsk.Core.Water;

namespace Dorsk.Core.Season;

/// <summary>Jobs of the night, and of the afternoon that tells what the night will be.</summary>
public static partial class JobRules
{
    private const double BeforeSunriseHours = 3;

    // Two readings in the dark tell this night; only where the night is in doubt, or heat, crowding or a bloom ask for a watch.
    private static IEnumerable<Job> SecondReading(FarmDay d) =>
        d
            .Stocked.Where(p =>
                p.NightReasons.Count > 0 || p.Tonight?.Judgement.Status is Judging.Status.Watch or Judging.Status.ActNow
            )
            .Select(p =>
            {
                var at = d.Sunset.AddHours(2.5);
                var done = p.Readings.LastOrDefault(m => m.At >= d.Sunset.AddHours(1.5));
                return new Job(
                    Key("second", p.Code, d.Today),
                    p.PondId,
                    p.Code,
                    at.AddMinutes(-45),
                    at.AddMinutes(60),
                    $"{p.Code}: read oxygen again in the dark",
                    p.NightReasons.Count > 0
                        ? "night watch: " + string.Join(", ", p.NightReasons)
                        : "the fall since dusk makes tonight's forecast sharper",
                    Role.NightWatch,
                    "reading",
                    done == default ? JobState.Open : JobState.Done,
                    done == default ? null : done
                );
            });

    // Before midnight it stands for the coming morning, after it for this one.
    private static IEnumerable<Job> BeforeDawn(FarmDay d)
    {
        var sunrise = d.Now < d.Sunrise ? d.Sunrise : d.Sunrise.AddDays(1);
        var at = sunrise.AddHours(-BeforeSunriseHours);
        foreach (var p in d.Stocked.Where(p => p.NightReasons.Count > 0))
        {
            var done = p.Readings.LastOrDefault(m => m.At >= at.AddMinutes(-60));
            yield return new(
                Key("before-dawn", p.Code, d.Zone.DayOf(sunrise)),
                p.PondId,
                p.Code,
                at.AddMinutes(-45),
                at.AddMinutes(60),
                $"{p.Code}: night round, oxygen and the fish at the surface",
                string.Join(", ", p.NightReasons),
                Role.NightWatch,
                "reading",
                done == default ? JobState.Open : JobState.Done,
                done == default ? null : done
            );
        }
    }

    // By night the open part of a split pond has little oxygen to give: what moves its water brings the fish the worse of the two.
    private static IEnumerable<Job> Mover(FarmDay d)
    {
        foreach (var p in d.Stocked.Where(p => p.IsSplit))
        {
            yield return MoverJob(
                d,
                p,
                ("stop", d.Sunset),
                "stop the water mover, aerate the fish zone",
                "after dark the open part has less oxygen than the fish zone with its aerators"
            );
            yield return MoverJob(
                d,
                p,
                ("start", d.Sunrise.AddHours(MoverHours)),
                "start the water mover",
                "by then algae give oxygen; read the open part first, above the fish zone it may start"
            );
        }
    }

    private static Job MoverJob(
        FarmDay d,
        PondDay p,
        (string Which, DateTimeOffset At) when,
        string what,
        string why
    ) =>
        new(
            Key("mover-" + when.Which, p.Code, d.Today),
            p.PondId,
            p.Code,
            when.At.AddMinutes(-60),
            when.At.AddMinutes(60),
            $"{p.Code}: {what}",
            why,
            Role.PondHand,
            "",
            JobState.Open
        );

    private const double MoverHours = 3;

    private static IEnumerable<Job> AllDay(FarmDay d) =>
        d
            .Stocked.Where(p => p.AllDayFromG is not null)
            .Select(p => new Job(
                Key("all-day", p.Code, d.Today),
                p.PondId,
                p.Code,
                d.Now,
                d.Sunset,
                $"{p.Code}: aerators round the clock from now on",
                $"the fish weigh {d.Say(p.MeanG, Measures.FishWeight)}, round the clock from {d.Say(p.AllDayFromG!.Value, Measures.FishWeight)}; some timers end by day",
                Role.NightWatch,
                "aerators",
                JobState.Open
            ));

    // After a bloom died the pond is read every hour until green comes back.
    private static IEnumerable<Job> Hourly(FarmDay d) =>
        d
            .Stocked.Where(p => p.BloomDied)
            .Select(p =>
            {
                var due = p.Readings.Count > 0 ? p.Readings[^1].At.AddHours(1) : d.Now;
                return new Job(
                    Key("hourly", p.Code, d.Today),
                    p.PondId,
                    p.Code,
                    due.AddMinutes(-15),
                    due,
                    $"{p.Code}: oxygen every hour, the bloom died",
                    "what died takes oxygen by day and by night; it ends when green comes back",
                    Role.PondHand,
                    "reading",
                    JobState.Open
                );
            });

    // The top of the day: how far over saturation, and how far it swings.
    private static IEnumerable<Job> Afternoon(FarmDay d) =>
        d
            .Stocked.Where(p => p.SecchiM is < WaterJudge.HeavyBloomM)
            .Select(p =>
            {
                var (from, to) = (d.Zone.At(d.Today, new(13, 0)), d.Zone.At(d.Today, new(15, 0)));
                var done = p.Readings.LastOrDefault(m => m.At >= from && m.At <= to);
                return new Job(
                    Key("afternoon", p.Code, d.Today),
                    p.PondId,
                    p.Code,
                    from,
                    to,
                    $"{p.Code}: oxygen and pH in the early afternoon",
                    $"a heavy bloom, Secchi {d.Say(p.SecchiM!.Value, Measures.ShortLength)}: the swing from dawn shows how heavy",
                    Role.PondHand,
                    "reading",
                    done == default ? JobState.Open : JobState.Done,
                    done == default ? null : done
                );
            });
}
