using Dorsk.Core.Feeding;
using Dorsk.Core.Judging;
using Dorsk.Core.People;
using Dorsk.Core.Ponds;
using Dorsk.Core.Season;
using Dorsk.Core.Species;
using Dorsk.Core.Stock;
using Dorsk.Core.Time;
using Dorsk.Core.Units;
using Dorsk.Core.Water;

namespace Dorsk.Core.Tests.Season;

/// <summary>Jobs that heat, rain, a bloom, weed and tests of the water ask for, and what ends them.</summary>
public class WatchJobTests
{
    private static readonly FarmZone Zone = FarmZone.Find("Etc/GMT-10")!;
    private static readonly DateOnly Today = new(2027, 1, 21);

    private static DateTimeOffset At(int hour, int minute = 0) => Zone.At(Today, new(hour, minute));

    private static PondDay Pond(double? secchiM = 0.4, params Mark[] readings) =>
        new(
            1,
            "P1",
            true,
            new(Status.Steady, ""),
            false,
            readings,
            null,
            null,
            WaterLimits.WarmWaterFish,
            null,
            null,
            [],
            200,
            900,
            secchiM,
            [],
            [],
            null,
            null,
            ""
        );

    private static FarmDay Day(DateTimeOffset now, PondDay pond, double airC = 24) =>
        new(now, Zone, At(5, 9), At(18, 52), [pond], [], 1, 2, airC, new Dictionary<string, ClosedJob>(), Hand.Metric);

    private static List<Job> Jobs(FarmDay day, string rule) =>
        [.. JobRules.Of(day).Where(j => j.Key.StartsWith(rule + ":", StringComparison.Ordinal))];

    [Fact]
    public void A_night_in_doubt_is_read_after_dusk_and_again_before_dawn()
    {
        var pond = Pond() with { NightReasons = ["33.5 °C is outside 16.0 °C to 32.0 °C: stress"] };
        var evening = Day(At(17), pond);
        Assert.Contains("33.5 °C", Assert.Single(Jobs(evening, "second")).Reason, StringComparison.Ordinal);
        var coming = Assert.Single(Jobs(evening, "before-dawn"));
        Assert.Equal(At(2, 9).AddDays(1), coming.Due.AddMinutes(-60));
        // After midnight it is the job of this morning, and a reading closes it.
        Assert.Equal(At(3, 9), Assert.Single(Jobs(Day(At(1), pond), "before-dawn")).Due);
        var read = Pond(0.4, new Mark(At(2), "Night watch")) with { NightReasons = pond.NightReasons };
        Assert.Equal(JobState.Done, Assert.Single(Jobs(Day(At(2, 30), read), "before-dawn")).State);
        Assert.Empty(Jobs(Day(At(17), Pond()), "before-dawn"));
    }

    [Fact]
    public void A_dead_bloom_is_read_every_hour_and_a_heavy_one_in_the_early_afternoon()
    {
        var dead = Pond(0.7, new Mark(At(9), "Manager")) with { BloomDied = true };
        var hourly = Assert.Single(Jobs(Day(At(9, 30), dead), "hourly"));
        Assert.Equal((At(10), JobState.Open), (hourly.Due, hourly.State));
        Assert.Equal(JobState.Late, Assert.Single(Jobs(Day(At(10, 30), dead), "hourly")).State);
        Assert.Equal(At(15), Assert.Single(Jobs(Day(At(9), Pond(0.22)), "afternoon")).Due);
        Assert.Empty(Jobs(Day(At(9), Pond(0.4)), "afternoon"));
        var peak = Pond(0.22, new Mark(At(14), "Manager"));
        Assert.Equal(JobState.Done, Assert.Single(Jobs(Day(At(16), peak), "afternoon")).State);
    }

    [Fact]
    public void Rain_says_how_much_of_the_water_is_new_and_what_the_salinity_falls_to()
    {
        var pond = Pond() with { DepthM = 1.2, SalinityPpt = 12 };
        var day = Day(At(9), pond) with { Rain = (At(7), 0.12) };
        var job = Assert.Single(Jobs(day, "after-rain"));
        // 0.12 m on 1.2 m: 0.12 / 1.32 = 9.1 %; 12 ppt × (1 − 0.0909) = 10.9 ppt.
        Assert.Contains("is 9.1 % of the water", job.Reason, StringComparison.Ordinal);
        Assert.Contains("falls to about 10.9", job.Reason, StringComparison.Ordinal);
        var read = pond with { LastRead = new Dictionary<Parameter, DateTimeOffset> { [Parameter.Ph] = At(8) } };
        Assert.Equal(JobState.Done, Assert.Single(Jobs(day with { Ponds = [read] }, "after-rain")).State);
        Assert.Empty(Jobs(day with { Rain = (At(7), 0.01) }, "after-rain"));
    }

    [Fact]
    public void Heat_or_rain_brings_the_change_of_water_forward_and_readings_close_a_test()
    {
        DutyKept Duty(string what, int every, int firstBack) =>
            new(4, 1, what, "", every, Today.AddDays(-firstBack), new(8, 0), Role.PondHand, null);
        var change = Duty(UsualDuties.ChangeWater, 7, 3);
        var hot = Day(At(9), Pond(), 38) with { Duties = [change] };
        Assert.Contains("38", Assert.Single(Jobs(hot, "exchange-early")).Reason, StringComparison.Ordinal);
        Assert.Empty(Jobs(Day(At(9), Pond(), 28) with { Duties = [change] }, "exchange-early"));
        Assert.Empty(Jobs(hot with { Duties = [Duty(UsualDuties.ChangeWater, 7, 7)] }, "exchange-early"));

        var test = Duty("test pH, ammonia", 1, 5);
        Assert.Equal([Parameter.Ph, Parameter.Tan], JobRules.TestsIn(test.What));
        Assert.Empty(JobRules.TestsIn("change water when ammonia is high"));
        Job Tested(params (Parameter Parameter, DateTimeOffset At)[] read) =>
            Assert.Single(
                Jobs(
                    Day(At(12), Pond() with { LastRead = read.ToDictionary(r => r.Parameter, r => r.At) }) with
                    {
                        Duties = [test],
                    },
                    "duty"
                )
            );
        Assert.Equal(JobState.Late, Tested((Parameter.Ph, At(9))).State);
        Assert.Equal(JobState.Done, Tested((Parameter.Ph, At(9)), (Parameter.Tan, At(10))).State);
        Assert.Equal(JobState.Late, Tested((Parameter.Ph, At(9)), (Parameter.Tan, At(10).AddDays(-1))).State);
    }

    [Theory]
    [InlineData(40, false, true)]
    [InlineData(10, false, false)]
    [InlineData(10, true, true)]
    [InlineData(3, true, false)]
    public void Weed_is_raked_when_it_covers_much_and_always_before_draining(double pct, bool drains, bool raked)
    {
        var pond = Pond() with
        {
            CoverPct = pct,
            Planned = drains ? [("h", Today.AddDays(4), "harvest", "harvest")] : [],
        };
        Assert.Equal(raked, Jobs(Day(At(9), pond), "rake").Count == 1);
    }

    [Fact]
    public void What_is_broken_stays_a_job_with_the_water_and_the_fish_behind_it()
    {
        var day = Day(At(9), Pond() with { Broken = "waits for mending: inlet gate", VolumeM3 = 1200 });
        var job = Assert.Single(Jobs(day, "mend"));
        Assert.Contains("inlet gate", job.What, StringComparison.Ordinal);
        Assert.Matches("1,200.{1,3}m³ of water with 900.{1,3}kg of fish", job.Reason);
        Assert.Equal("work?Work=Mended", job.Slip);
        Assert.Empty(Jobs(Day(At(9), Pond()), "mend"));
    }

    [Fact]
    public void A_split_ponds_mover_stops_at_dusk_and_a_stage_of_growth_asks_for_air_all_day()
    {
        var split = Day(At(9), Pond() with { IsSplit = true });
        Assert.Equal(
            [At(9, 9), At(19, 52)],
            JobRules.Of(split).Where(j => j.Key.StartsWith("mover", StringComparison.Ordinal)).Select(j => j.Due)
        );
        Assert.Empty(Jobs(Day(At(9), Pond()), "mover-stop"));
        var grown = Assert.Single(Jobs(Day(At(9), Pond() with { AllDayFromG = 180 }), "all-day"));
        Assert.Contains("180", grown.Reason, StringComparison.Ordinal);
        Assert.Equal("aerators", grown.Slip);
    }

    [Fact]
    public void Swings_years_causes_and_scores_are_put_side_by_side()
    {
        DayValue V(int day, double si) => new(Today.AddDays(day), si);
        var swing = DaySwing.Last([V(-2, 4), V(-1, 3.5), V(0, 3)], [V(-2, 9), V(-1, 11)])!;
        Assert.Equal((Today.AddDays(-1), 7.5), (swing.Day, swing.Si));

        DayValue[] years =
        [
            new(new(2025, 1, 5), 6),
            new(new(2025, 1, 9), 6),
            new(new(2026, 1, 7), 4),
            V(0, 3.5),
            V(-60, 5),
        ];
        var january = Assert.Single(YearDifference.Of(years, Today));
        // Means of the years 6 and 4 are 5; however often each was read.
        Assert.Equal((1, 3.5, 5.0, 2), (january.Month, january.NowSi, january.BeforeSi, january.Years));

        var causes = DeathsByCause.Of(
            [(Today, 4, "gill flukes"), (Today.AddDays(-9), 10, "Gill flukes"), (Today.AddDays(-1), 3, "")],
            Today
        );
        Assert.Equal([("gill flukes", 14, 4), ("not said", 3, 3)], causes.Select(c => (c.Cause, c.Count, c.LastWeek)));
        Assert.Equal(100 * 7 / 7.0 / 1000, DeathsByCause.PctPerDay(causes, 993), 6);

        ScoredDay S(int day, int score) => new(Today.AddDays(day), 10, score);
        Assert.Equal(Status.Watch, ScoreTrend.Of([S(-4, 4), S(-3, 3), S(-2, 2), S(-1, 2)])!.Status);
        Assert.Null(ScoreTrend.Of([S(-4, 3), S(-3, 3), S(-2, 3), S(-1, 3)]));
        Assert.Null(ScoreTrend.Of([S(-2, 4), S(-1, 0)]));
    }

    [Fact]
    public void A_bare_bank_a_dry_liner_and_rotted_wood_are_jobs_until_they_are_done()
    {
        var pond = Pond() with { BareBank = "north", DryLiner = (4, 120), DebrisOut = (At(10).AddDays(-2), "bamboo") };
        Assert.Contains("north", Assert.Single(Jobs(Day(At(9), pond), "sow")).What, StringComparison.Ordinal);
        var liner = Assert.Single(Jobs(Day(At(9), pond), "liner"));
        Assert.Contains("120", liner.What, StringComparison.Ordinal);
        Assert.Contains("4 days", liner.Reason, StringComparison.Ordinal);
        Assert.Equal(JobState.Open, Assert.Single(Jobs(Day(At(15, 5), pond), "look-again")).State);
        PondDay Read(DateTimeOffset at) =>
            pond with
            {
                LastRead = new Dictionary<Parameter, DateTimeOffset> { [Parameter.Ph] = at },
            };
        Assert.Equal(JobState.Done, Assert.Single(Jobs(Day(At(16), Read(At(15))), "look-again")).State);
        // Not before two days, not for ever, and not again when it was read on its day.
        Assert.Empty(Jobs(Day(At(9), pond with { DebrisOut = (At(10).AddDays(-1), "") }), "look-again"));
        Assert.Empty(Jobs(Day(At(9), pond with { DebrisOut = (At(10).AddDays(-13), "") }), "look-again"));
        Assert.Empty(
            Jobs(Day(At(9), Read(At(15).AddDays(-1)) with { DebrisOut = (At(10).AddDays(-3), "") }), "look-again")
        );
        Assert.DoesNotContain(JobRules.Of(Day(At(9), Pond())), j =>
            j.Key.StartsWith("sow", StringComparison.Ordinal) || j.Key.StartsWith("liner", StringComparison.Ordinal)
        );
    }

    [Fact]
    public void Heavy_rain_asks_for_the_cover_where_one_is_used()
    {
        DutyKept Cover(string goal) =>
            new(4, 1, $"{UsualDuties.CoverOver}, for {goal} water", "", 1, Today, new(9, 30), Role.PondHand, null);
        var wet = Day(At(9), Pond()) with { Rain = (At(7), 0.03), Duties = [Cover("clear"), Cover("green")] };
        Assert.Contains("cover it", Assert.Single(Jobs(wet, "cover-rain")).What, StringComparison.Ordinal);
        Assert.Empty(Jobs(wet with { Duties = [] }, "cover-rain"));
        Assert.Empty(Jobs(wet with { Rain = (At(7), 0.01) }, "cover-rain"));
        // Longer around midday for clear water than for green.
        var at = UsualDuties.For(PondKind.Lined).ToDictionary(d => d.What, d => d.At);
        TimeSpan Hours(string goal) =>
            at[$"open the cover, for {goal} water"] - at[$"{UsualDuties.CoverOver}, for {goal} water"];
        Assert.Equal((TimeSpan.FromHours(6), TimeSpan.FromHours(2.5)), (Hours("clear"), Hours("green")));
    }

    [Theory]
    [InlineData(true, false, 1)]
    [InlineData(true, true, 1)]
    [InlineData(false, false, 2)]
    [InlineData(false, true, 3)]
    public void A_floor_is_siphoned_by_what_stands_on_it(bool fry, bool covered, int days) =>
        Assert.Equal(
            days,
            UsualDuties.For(PondKind.Tank, fry, covered, null).Single(d => d.What == UsualDuties.Siphon).EveryDays
        );

    [Fact]
    public void A_permit_is_renewed_before_it_ends_and_a_meal_without_it_is_asked_about()
    {
        FeedDay Feed(int inDays, string? fallback) =>
            new(7, "Larvae", 100, 5, null) { Permit = (Today.AddDays(inDays), fallback) };
        var job = Assert.Single(Jobs(Day(At(9), Pond()) with { Feeds = [Feed(20, "Grower")] }, "permit"));
        Assert.Contains("Grower replaces it", job.Reason, StringComparison.Ordinal);
        Assert.Equal(Role.Manager, job.Who);
        Assert.Empty(Jobs(Day(At(9), Pond()) with { Feeds = [Feed(31, null)] }, "permit"));
        Assert.Null(FeedingRule.WithoutPermit("Larvae", Today, Today, null));
        Assert.Null(FeedingRule.WithoutPermit("Larvae", null, Today, null));
        Assert.Contains(
            "renew it",
            FeedingRule.WithoutPermit("Larvae", Today.AddDays(-1), Today, null),
            StringComparison.Ordinal
        );
        Assert.Contains(
            "feed Grower",
            FeedingRule.WithoutPermit("Larvae", Today.AddDays(-1), Today, "Grower"),
            StringComparison.Ordinal
        );
        var named = new FeedNamed(3, "Larvae", 2, 40, null) { FishMealPct = 95, FallbackId = 3 };
        Assert.Equal(["FishMeal", "Fallback"], FeedingRule.Check(named).Select(r => r.Field));
    }
}
