using Dorsk.Core.Judging;
using Dorsk.Core.Oxygen;
using Dorsk.Core.Ponds;
using Dorsk.Core.Season;
using Dorsk.Core.Species;
using Dorsk.Core.Time;
using Dorsk.Core.Units;
using Dorsk.Core.Water;

namespace Dorsk.Core.Tests.Season;

/// <summary>Jobs, needs and the headline of days that are told here by hand.</summary>
public class FarmDayTests
{
    private static readonly FarmZone Zone = FarmZone.Find("Etc/GMT-10")!;
    private static readonly DateOnly Today = new(2027, 1, 21);
    private static readonly FishSpecies Perch = FishSpecies.Of("silver_perch");
    private static readonly WaterLimits Limits = WaterLimits.For(Perch, LifeStage.Growing);
    private static readonly AeratorKind Paddle = AeratorKind.All.First(k =>
        k.Name.StartsWith("paddlewheel, small", StringComparison.Ordinal)
    );
    private static readonly DateTimeOffset Sunrise = At(5, 9),
        Sunset = At(18, 52);

    private static DateTimeOffset At(int hour, int minute = 0) => Zone.At(Today, new(hour, minute));

    private static NightWater Water(params Aerator[] aerators) =>
        new(6000, 1.3, 28, 7.8, 1, aerators, new(-29.4, 152.6), Zone);

    private static Aerator Idle(string code) => new(code, Paddle, 1.1, null, null);

    private static (DawnLowForecast Forecast, AirPlan? Air) Night(double respiration, params Aerator[] aerators)
    {
        var start = new Timed(At(17), 9);
        var decline = new Decline(DeclineMethod.OwnNights, respiration, 0.04, Grounds.Of("m", "s"));
        var f = TonightForecast.Run(
            decline,
            Water(aerators),
            start,
            Sunrise.AddDays(1).AddHours(2),
            At(12).AddDays(1),
            Limits,
            Hand.Metric
        );
        return (
            f,
            AirPlan.For(f, new(Water(aerators), start, decline, Limits), At(17, 40), Sunrise.AddDays(1), Hand.Metric)
        );
    }

    private static PondDay Pond(
        string code,
        (DawnLowForecast Forecast, AirPlan? Air)? night = null,
        IReadOnlyList<Mark>? readings = null,
        DateOnly? sampleDue = null,
        Judgement? judged = null,
        bool unread = false
    ) =>
        new(
            code[1] - '0',
            code,
            true,
            judged ?? night?.Forecast.Judgement ?? new(Status.Steady, "fine"),
            unread,
            readings ?? [],
            night?.Forecast,
            night?.Air,
            Limits,
            sampleDue ?? Today.AddDays(9),
            Today.AddDays(-27),
            [],
            278,
            2000,
            0.2,
            [(10, ""), (0, "tonight's oxygen")],
            [],
            null,
            null,
            ""
        );

    private static FarmDay Day(
        DateTimeOffset now,
        IEnumerable<PondDay> ponds,
        IEnumerable<FeedDay>? feeds = null,
        Dictionary<string, ClosedJob>? closed = null
    ) => new(now, Zone, Sunrise, Sunset, ponds.ToList(), feeds?.ToList() ?? [], 1.0, 7, 24, closed ?? [], Hand.Metric);

    [Fact]
    public void Of_two_nights_that_fail_the_earlier_comes_first_and_each_names_its_answer()
    {
        var bad = Night(0.62, Idle("A1"), Idle("A2"), Idle("A3"), Idle("A4"));
        var worse = Night(0.80, new Aerator("A1", Paddle, 1.1, new(20, 0), new(6, 30)));
        var day = Day(At(17, 40), [Pond("P1", bad), Pond("P2", worse), Pond("P3", Night(0.1))]);
        var needs = Needs.Of(day, JobRules.Of(day));
        Assert.Equal(
            ["P1", "P2"],
            needs.Where(n => n.Status == Status.ActNow).OrderBy(n => n.Where).Select(n => n.Where)
        );
        Assert.True(needs[0].By <= needs[1].By);
        var mended = needs.Single(n => n.Where == "P1");
        Assert.Equal(Answer.Air, mended.Answer);
        Assert.StartsWith("Run A1", mended.Label, StringComparison.Ordinal);
        Assert.Contains("Heavy bloom (Secchi 20", mended.Reason, StringComparison.Ordinal);
        Assert.Contains("no wind to help", mended.Reason, StringComparison.Ordinal);
        Assert.Contains("No aerator stands idle", needs.Single(n => n.Where == "P2").Reason, StringComparison.Ordinal);
    }

    [Fact]
    public void More_air_is_the_fewest_aerators_that_carry_the_night_and_starts_before_the_crossing()
    {
        var (forecast, air) = Night(0.62, Idle("A1"), Idle("A2"), Idle("A3"), Idle("A4"));
        Assert.NotNull(air);
        Assert.True(air!.From <= forecast.UnderWatchAt && air.From >= At(17, 30));
        Assert.True(air.LowMgL.Value > forecast.Low.Value + 0.3);
        Assert.True(air.ChanceUnderAct <= 0.2 || air.More.Count == 4);
        // One fewer would not have done.
        if (air.More.Count > 1)
            Assert.True(
                Night(
                    0.62,
                    Enumerable.Range(1, air.More.Count - 1).Select(i => Idle("A" + i)).ToArray()
                ).Air!.ChanceUnderAct > 0.2
            );
        Assert.Equal(
            air.More.Sum(a => a.ShaftKW / Paddle.MotorEfficiency) * (air.Until - air.From).TotalHours,
            air.EnergyKWh,
            9
        );
        Assert.Null(Night(0.1, Idle("A1")).Air);
    }

    [Fact]
    public void A_round_is_done_by_its_readings_late_without_them_and_says_what_is_missing()
    {
        Mark[] read = [new(At(5, 20), "Pond hand")];
        Job Dawn(DateTimeOffset now, params PondDay[] ponds) =>
            JobRules.Of(Day(now, ponds)).Single(j => j.Key == "dawn:farm:2027-01-21");
        Assert.Equal(JobState.Done, Dawn(At(6), Pond("P1", readings: read), Pond("P2", readings: read)).State);
        Assert.Equal("Pond hand", Dawn(At(6), Pond("P1", readings: read)).By!.Value.By);
        var half = Dawn(At(6), Pond("P1", readings: read), Pond("P2"));
        Assert.Equal((JobState.Open, "1 of 2 read, missing P2"), (half.State, half.Note));
        Assert.Equal(JobState.Late, Dawn(At(9), Pond("P1")).State);
        Assert.DoesNotContain(JobRules.Of(Day(At(9), [])), j => j.Key.StartsWith("dawn", StringComparison.Ordinal));
    }

    [Fact]
    public void Feed_is_ordered_in_time_and_an_old_lot_goes_out_first()
    {
        var day = Day(
            At(8),
            [Pond("P1")],
            [
                new(7, "Grower", 640, 110, null),
                new(8, "Starter", 85, 2, Today.AddDays(12)),
                new(9, "Crumble", 40, 1, Today.AddDays(200)),
            ]
        );
        var jobs = JobRules.Of(day);
        Assert.Contains(jobs, j =>
            j.Key == "order:feed7:2027-01-21" && j.Reason.Contains("lasts to Tue 26 Jan", StringComparison.Ordinal)
        );
        Assert.Single(jobs, j => j.Key.StartsWith("order:", StringComparison.Ordinal));
        Assert.Single(jobs, j => j.Key == "use-first:feed8:2027-01-21");
        Assert.Contains(Needs.Of(day, jobs), n =>
            n.Where == "Feed store" && n.Status == Status.Watch && n.Answer == Answer.Tick
        );
    }

    [Fact]
    public void A_closed_job_keeps_who_and_why_and_presses_no_more()
    {
        var closed = new Dictionary<string, ClosedJob>
        {
            ["sample:P2:2027-01-22"] = new(44, JobOutcome.Skipped, "rain", new(At(16), "Manager")),
        };
        var ponds = new[] { Pond("P2", sampleDue: Today.AddDays(1)) };
        Assert.Contains(Needs.Of(Day(At(17), ponds), JobRules.Of(Day(At(17), ponds))), n => n.Answer == Answer.Sample);
        var day = Day(At(17), ponds, closed: closed);
        var job = JobRules.Of(day).Single(j => j.Key == "sample:P2:2027-01-22");
        Assert.Equal(
            (JobState.Skipped, "rain", "Manager", 44L),
            (job.State, job.Note, job.By!.Value.By, job.Line!.Value)
        );
        Assert.DoesNotContain(Needs.Of(day, JobRules.Of(day)), n => n.Answer == Answer.Sample);
        Assert.NotEmpty(new JobClosed("air:P4:2027-01-21", 4, JobOutcome.Skipped, " ").Check());
        Assert.Empty(new JobClosed("air:P4:2027-01-21", 4, JobOutcome.Done, "").Check());
        Assert.NotEmpty(new JobClosed("air", 4, JobOutcome.Done, "").Check());
    }

    [Fact]
    public void An_unread_pond_asks_to_be_read_and_the_headline_knows_the_hour()
    {
        var day = Day(At(20), [Pond("P1", judged: new(Status.Watch, "The dusk reading is missing"), unread: true)]);
        var need = Assert.Single(Needs.Of(day, JobRules.Of(day)));
        Assert.Equal((Answer.Read, "Write a reading"), (need.Answer, need.Label));
        // Where nobody walked, the round is what is missing.
        PondDay Missed(string code) =>
            Pond(code, judged: new(Status.Watch, "The dawn reading is missing"), unread: true);
        var missed = Day(At(9), [Missed("P1"), Missed("P2"), Pond("P3")]);
        var round = Needs.Of(missed, JobRules.Of(missed)).Single(n => n.Answer == Answer.Round);
        Assert.Equal("2 ponds", round.Where);
        Assert.Contains("missing in P1, P2", round.Reason, StringComparison.Ordinal);
        Assert.Equal("Calm, cloudy night ahead", Headline.Of(day).Title);
        Assert.Contains("one pond to watch", Headline.Of(day).Note, StringComparison.Ordinal);
        Assert.Equal(
            "Morning: 1 of 2 ponds are read",
            Headline.Of(Day(At(6), [Pond("P1", readings: [new(At(5), "x")]), Pond("P2")])).Title
        );
        Assert.Equal(
            "The night ahead",
            Headline.Of(Day(At(20), [Pond("P1")]) with { WindMs = null, CloudEighths = null, AirC = null }).Title
        );
    }

    [Fact]
    public void Spans_under_a_level_are_the_hours_that_Today_draws()
    {
        var (forecast, _) = Night(0.62);
        var (from, to) = Assert.Single(forecast.Under(Limits.DoActMgL));
        Assert.Equal(forecast.UnderActAt, from);
        Assert.All(forecast.Curve.Where(p => p.At >= from && p.At < to), p => Assert.True(p.MgL < Limits.DoActMgL));
        Assert.Empty(forecast.Under(0));
    }

    [Fact]
    public void Upkeep_that_waits_stands_first_the_longest_first_until_it_is_done()
    {
        DutyKept Duty(long id, int daysAgo, string what) =>
            new(id, 4, what, "", 30, Today.AddDays(-daysAgo), new(16, 0), Core.People.Role.PondHand, null);
        var duties = new[] { Duty(7, 0, "count tools"), Duty(8, 3, "rake weeds"), Duty(9, 12, "mend the liner") };
        string[] First(Dictionary<string, ClosedJob>? closed = null) =>
            [
                .. JobRules
                    .Of(Day(Zone.At(Today, new(4, 0)), [Pond("P4")], closed: closed) with { Duties = duties })
                    .Take(2)
                    .Select(j => $"{j.What} {j.WaitsDays}"),
            ];
        Assert.Equal(["P4: mend the liner 12", "P4: rake weeds 3"], First());
        Assert.Equal(
            "P4: rake weeds 3",
            First(
                new() { [duties[2].JobKey(Today.AddDays(-12))] = new(1, JobOutcome.Done, "", new(At(3), "Pond hand")) }
            )[0]
        );
        var ahead = JobsAhead.ToDo(Day(Zone.At(Today, new(4, 0)), [Pond("P4")]) with { Duties = duties }, 10);
        Assert.Equal("P4: mend the liner", ahead[0].What);
    }

    [Fact]
    public void A_standing_job_falls_on_its_days_waits_when_missed_and_does_not_pile_up()
    {
        var duty = new DutyKept(
            7,
            4,
            "siphon the floor",
            "waste rots",
            3,
            Today.AddDays(-7),
            new(8, 0),
            Core.People.Role.PondHand,
            null
        );
        // Counted day by day: -7, -4, -1, 2.
        Assert.Equal(
            [Today.AddDays(-1), Today.AddDays(-1), Today.AddDays(-1), Today.AddDays(2)],
            Enumerable.Range(-1, 4).Select(i => duty.LastOn(Today.AddDays(i))!.Value)
        );
        Assert.Null(duty.LastOn(Today.AddDays(-8)));
        Assert.Equal(
            (Today.AddDays(2), Today.AddDays(-7)),
            (duty.NextAfter(Today), duty.NextAfter(Today.AddDays(-20)))
        );
        Assert.Null((duty with { Until = Today }).NextAfter(Today));
        Assert.Equal(Today.AddDays(-4), (duty with { Until = Today.AddDays(-2) }).LastOn(Today));

        Job? On(DateOnly day, Dictionary<string, ClosedJob>? closed = null, DutyKept? other = null) =>
            JobRules
                .Of(Day(Zone.At(day, new(9, 0)), [Pond("P4")], closed: closed) with { Duties = [other ?? duty] })
                .SingleOrDefault(j => j.Key.StartsWith("duty:", StringComparison.Ordinal));
        Assert.Equal((JobState.Late, "P4: siphon the floor"), (On(Today)!.State, On(Today)!.What));
        Assert.Contains("it was for", On(Today)!.Reason, StringComparison.Ordinal);
        ClosedJob Tick(DateTimeOffset at) => new(1, JobOutcome.Done, "", new(at, "Pond hand"));
        Assert.Null(On(Today, new() { [duty.JobKey(Today.AddDays(-1))] = Tick(At(7).AddDays(-1)) }));
        Assert.Equal(JobState.Done, On(Today, new() { [duty.JobKey(Today.AddDays(-1))] = Tick(At(7)) })!.State);
        Assert.Equal(
            JobState.Late,
            On(Today.AddDays(2), new() { [duty.JobKey(Today.AddDays(-1))] = Tick(At(7)) })!.State
        );
        Assert.Equal(
            JobState.Open,
            JobRules
                .Of(Day(Zone.At(Today.AddDays(2), new(7, 0)), [Pond("P4")]) with { Duties = [duty] })
                .Single(j => j.Key.StartsWith("duty:", StringComparison.Ordinal))
                .State
        );
        Assert.Null(On(Today, other: duty with { PondId = 99 }));
        Assert.Equal(
            4,
            new[]
            {
                duty with
                {
                    What = " ",
                },
                duty with
                {
                    EveryDays = 0,
                },
                duty with
                {
                    Until = Today.AddDays(-30),
                },
                duty with
                {
                    Reason = new('x', 301),
                },
            }.Count(d => d.Check().Any())
        );
    }
}
