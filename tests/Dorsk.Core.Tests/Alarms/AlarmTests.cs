using Dorsk.Core.Alarms;
using Dorsk.Core.Judging;
using Dorsk.Core.Oxygen;
using Dorsk.Core.Species;
using Dorsk.Core.Time;
using Dorsk.Core.Units;
using Dorsk.Core.Water;

namespace Dorsk.Core.Tests.Alarms;

/// <summary>What rings, how loud, until when; who is told after how long.</summary>
public class AlarmTests
{
    private static readonly FarmZone Zone = FarmZone.Find("Etc/GMT-10")!;
    private static readonly DateTimeOffset Now = Zone.At(new DateTime(2027, 1, 22, 3, 0, 0));
    private static readonly WaterLimits Limits = WaterLimits.For(FishSpecies.Of("silver_perch"), LifeStage.Growing);

    private static AlarmPond Pond(params (double HoursAgo, double MgL)[] oxygen) =>
        new(
            7,
            "P4",
            Limits,
            [.. oxygen.Select(o => new Timed(Now.AddHours(-o.HoursAgo), o.MgL))],
            null,
            ["A1", "A2"],
            []
        );

    private static IReadOnlyList<AlarmRaised> Of(AlarmPond p, params AlarmCause[] ringing) =>
        AlarmRules.Of(
            ringing.Length == 0 ? p : p with { RingsSince = ringing.ToDictionary(c => c, _ => Now.AddMinutes(-5)) },
            Now,
            Zone,
            Hand.Metric
        );

    [Fact]
    public void When_all_its_air_runs_the_machines_in_the_shed_are_named_in_their_order()
    {
        var pond = Pond((0.1, 2.4)) with { Running = ["A1", "A2"], Standby = [("E1", "engine"), ("T1", "tractor")] };
        Assert.Contains("bring E1 (engine), then T1 (tractor)", Assert.Single(Of(pond)).Text, StringComparison.Ordinal);
        var brought = pond with { Running = ["A1", "A2", "E1"] };
        var text = Assert.Single(Of(brought)).Text;
        Assert.Contains("bring T1 (tractor)", text, StringComparison.Ordinal);
        Assert.DoesNotContain("E1", text, StringComparison.Ordinal);
        Assert.DoesNotContain("T1", Assert.Single(Of(pond with { Running = ["A1"] })).Text, StringComparison.Ordinal);
    }

    [Fact]
    public void Who_is_told_next_is_known_with_the_hour()
    {
        var list = new CallListSet([new("Hand", "h@farm.invalid"), new("Manager", "m@farm.invalid")], 10, null, null);
        var alarm = new Alarm(1, 7, AlarmCause.LowOxygen, Status.ActNow, "x", Now, Now, null, null, []);
        Assert.Equal((0, Now), alarm.Next(list));
        var told = Alarm.With(alarm, "Dorsk", Now, new AlarmTold(1, 7, 0, Status.ActNow, "h@farm.invalid"));
        Assert.Equal((1, Now.AddMinutes(10)), told.Next(list));
        Assert.Null(Alarm.With(told, "Hand", Now, new AlarmAnswered(1, 7)).Next(list));
        Assert.Null(Alarm.With(told, "Dorsk", Now, new AlarmTold(1, 7, 1, Status.ActNow, "m@farm.invalid")).Next(list));
        Assert.Null(Alarm.With(told, "Dorsk", Now, new AlarmEnded(1, 7)).Next(list));
    }

    [Fact]
    public void A_night_that_is_likely_to_kill_calls_through_quiet_hours_until_somebody_has_read()
    {
        DawnLowForecast Night(double low, double crossesInH) =>
            new(
                new(low, low - 0.5, low + 0.5, 0.8),
                Now.AddHours(3),
                null,
                Now.AddHours(crossesInH),
                0.9,
                new(Status.ActNow, "low"),
                DeclineMethod.OwnNights,
                [],
                Grounds.Of("", "")
            );
        AlarmPond With(DawnLowForecast night, params (double HoursAgo, double MgL)[] read) =>
            Pond(read) with
            {
                Tonight = night,
                LethalMgL = 1.0,
            };
        AlarmRaised? Rings(AlarmPond p) => Of(p).FirstOrDefault(a => a.Cause == AlarmCause.NightForecast);
        Assert.Equal(Status.ActNow, Rings(With(Night(0.8, 1), (2, 6)))?.Level);
        Assert.Equal(Status.Watch, Rings(With(Night(2.2, 1), (2, 6)))?.Level);
        Assert.Null(Rings(With(Night(0.8, 7), (2, 6))));
        // It does not end at the minute of the crossing, but with a reading after it, or an hour after the low.
        Assert.Contains("to have passed", Rings(With(Night(0.8, -0.5), (2, 6)))?.Text, StringComparison.Ordinal);
        Assert.Null(Rings(With(Night(0.8, -0.5), (0.1, 4.4))));
        Assert.Null(Rings(With(Night(0.8, -5) with { LowAt = Now.AddHours(-2) }, (6, 6))));
    }

    [Fact]
    public void Water_rings_by_the_verdict_and_ends_by_a_look_not_by_time()
    {
        Dorsk.Core.Verdict.Finding Found(string rule, Status status, string reason) =>
            new(rule, status, reason)
            {
                Do = "Salt.",
                Rings = true,
                Why = Grounds.Of("", ""),
            };
        AlarmRaised? Rings(AlarmPond p) => Of(p).FirstOrDefault(a => a.Cause == AlarmCause.WaterDanger);
        var bad = Pond((0.1, 6)) with
        {
            Findings = [Found("nitrite", Status.ActNow, "nitrite is high"), Found("pH", Status.Watch, "pH is high")],
        };
        Assert.Equal(
            (Status.ActNow, "P4: nitrite is high; pH is high. Salt."),
            Rings(bad) is { } a ? (a.Level, a.Text) : default
        );
        // Oxygen has an alarm of its own, and mornings that fell are of the night.
        Assert.Equal(
            AlarmCause.NightForecast,
            Assert.Single(Of(Pond((0.1, 6)) with { Findings = [Found("falling dawns", Status.ActNow, "fell")] })).Cause
        );
        Assert.Null(Rings(Pond((0.1, 6)) with { Findings = [Found("oxygen now", Status.ActNow, "low")] }));
        var quiet = Pond((0.1, 6)) with
        {
            RingsSince = new Dictionary<AlarmCause, DateTimeOffset> { [AlarmCause.WaterDanger] = Now.AddDays(-15) },
            LastLookAt = Now.AddDays(-16),
        };
        Assert.Contains("not read again", Rings(quiet)?.Text, StringComparison.Ordinal);
        Assert.Null(Rings(quiet with { LastLookAt = Now.AddMinutes(-3) }));
    }

    [Fact]
    public void Low_or_falling_oxygen_rings_with_pond_value_limit_time_and_first_deed()
    {
        var act = Assert.Single(Of(Pond((0.1, 2.6))));
        Assert.Equal((AlarmCause.LowOxygen, Status.ActNow), (act.Cause, act.Level));
        Assert.All(new[] { "P4", "2.6", "02:54", "act level 3.0", "Start A1, A2" }, part =>
            Assert.Contains(part, act.Text.Replace('\u2009', ' ').Replace('\u00a0', ' '), StringComparison.Ordinal)
        );
        Assert.Equal(Status.Watch, Assert.Single(Of(Pond((0.1, 3.7)))).Level);
        Assert.Empty(Of(Pond((0.1, 5))));
        // Falls 1.2 an hour from 4.8: under 3 in an hour and a half. Slower, or later, it does not ring.
        Assert.Contains("falling", Assert.Single(Of(Pond((1.1, 6), (0.1, 4.8)))).Text, StringComparison.Ordinal);
        Assert.Empty(Of(Pond((1.1, 5.2), (0.1, 4.8))));
        Assert.Empty(Of(Pond((1.1, 8.2), (0.1, 7.0))));
        // An old reading is no reading.
        Assert.Empty(Of(Pond((3, 1.0))));
        // What rings ends only a little above where it began.
        Assert.Equal(Status.ActNow, Assert.Single(Of(Pond((0.1, 3.2)), AlarmCause.LowOxygen)).Level);
        Assert.Equal(Status.Watch, Assert.Single(Of(Pond((0.1, 3.2)))).Level);
        Assert.Single(Of(Pond((0.1, 4.2)), AlarmCause.LowOxygen));
        Assert.Empty(Of(Pond((0.1, 4.4)), AlarmCause.LowOxygen));
    }

    [Fact]
    public void A_night_that_will_pass_under_and_a_faulty_probe_ring_too_each_once()
    {
        DawnLowForecast F(DateTimeOffset? at, Status status) =>
            new(
                new(2, 1, 3, 0.8),
                Now.AddHours(2.5),
                Now,
                at,
                0.9,
                new(status, ""),
                DeclineMethod.OwnNights,
                [],
                Grounds.Of("", "")
            );
        var night = Pond((0.1, 5)) with
        {
            Tonight = F(Now.AddHours(2), Status.ActNow),
            ProbeFaults = [new(Status.Watch, "oxygen: stuck at 5")],
        };
        Assert.Equal([AlarmCause.NightForecast, AlarmCause.ProbeFault], Of(night).Select(a => a.Cause));
        Assert.Contains("about 05:00", Of(night)[0].Text, StringComparison.Ordinal);
        Assert.Empty(Of(night with { ProbeFaults = [], Tonight = F(Now.AddHours(9), Status.ActNow) }));
        Assert.Empty(Of(night with { ProbeFaults = [], Tonight = F(null, Status.Watch) }));
    }

    [Fact]
    public void Texts_fit_their_room_keep_what_to_do_and_carry_no_codes()
    {
        var faults = Enumerable.Range(1, 40).Select(i => $"A{i} stands, told to run since 20:00 by its timer");
        var text = AlarmText.List("P4 aerators: ", faults, ". Go and look, two people.");
        Assert.InRange(text.Length, 400, AlarmText.Longest);
        Assert.Matches(@"^P4 aerators: A1 .*; and \d\d more\. Go and look, two people\.$", text);
        Assert.Equal("P4: one. Go.", AlarmText.List("P4: ", ["one"], ". Go."));
        Assert.Equal("a b c", AlarmText.Fit("a\r\nb\0c".Replace("\r\n", "\n", StringComparison.Ordinal)));
        Assert.Equal(AlarmText.Longest, AlarmText.Fit(new string('x', 5000)).Length);
        Assert.NotEmpty(AlarmText.Fit(" \u202e\n"));
        var alarm = new Alarm(
            1,
            7,
            AlarmCause.LowOxygen,
            Status.ActNow,
            "P4 oxygen 2.1\u2009mg/L at 02:54, under the act level 3.0. Start A1.",
            Now,
            Now,
            null,
            null,
            []
        );
        Assert.Equal("Act now: P4 oxygen 2.1 mg/L at 02:54, under the act level 3.0", AlarmText.Subject(alarm));
        Assert.Contains(
            "in 20 minutes",
            AlarmText.Message(
                alarm,
                new([new("N", "n@f.test"), new("M", "m@f.test"), new("O", "o@f.test")], 10, null, null),
                2,
                "Farm"
            ),
            StringComparison.Ordinal
        );
    }

    [Fact]
    public void Steps_go_on_while_it_rings_from_aerators_to_people_and_stop_where_it_helps()
    {
        string After(double minutes, AlarmPond p, AlarmCause cause) =>
            Of(
                    p with
                    {
                        RingsSince = new Dictionary<AlarmCause, DateTimeOffset> { [cause] = Now.AddMinutes(-minutes) },
                    }
                )
                .Single(a => a.Cause == cause)
                .Text;
        var idle = Pond((0.1, 2.6));
        var on = idle with { Running = ["A1", "A2"] };
        (double Minutes, AlarmPond Pond, string[] Says, string[] Not)[] steps =
        [
            (5, idle, ["Start A1, A2"], ["emergency machine"]),
            (35, idle, ["Start A1, A2", "emergency machine"], ["take fish out"]),
            (95, idle, ["Start A1, A2", "neighbours"], []),
            (5, on, ["All its aerators run", "emergency machine"], ["take fish out"]),
            (31, on, ["All its aerators run", "take fish out"], ["emergency machine"]),
            (61, on, ["extension service or a vet"], []),
            (61, on with { Aerators = [] }, ["no aerator", "extension service or a vet"], []),
            // It rose by 0.4 since: what was done helps, the last step stays the first.
            (61, Pond((0.9, 2.2), (0.1, 2.6)) with { Running = ["A1", "A2"] }, ["emergency machine"], ["vet"]),
        ];
        Assert.All(steps, s =>
        {
            var text = After(s.Minutes, s.Pond, AlarmCause.LowOxygen);
            Assert.All(s.Says, part => Assert.Contains(part, text, StringComparison.Ordinal));
            Assert.All(s.Not, part => Assert.DoesNotContain(part, text, StringComparison.Ordinal));
            Assert.InRange(text.Length, 40, AlarmText.Longest);
        });
        var fault = Pond((0.1, 6)) with { AirFaults = [new(Status.ActNow, "A1 stands")] };
        Assert.DoesNotContain("Still so", After(10, fault, AlarmCause.AeratorFault), StringComparison.Ordinal);
        Assert.EndsWith(
            "Still so: set the emergency machine in its place before it is dark.",
            After(40, fault, AlarmCause.AeratorFault),
            StringComparison.Ordinal
        );
        AlarmPanel[] dark = [new("P1", Now.AddMinutes(-80), Now)];
        Assert.EndsWith(
            "can be saved.",
            AlarmRules.Power(dark, Now, Zone, Now.AddMinutes(-70))!.Text,
            StringComparison.Ordinal
        );
        Assert.EndsWith("generator.", AlarmRules.Power(dark, Now, Zone)!.Text, StringComparison.Ordinal);
    }

    [Fact]
    public void Silence_ends_no_low_oxygen()
    {
        Assert.Equal(Status.Watch, Assert.Single(Of(Pond((3, 1.0)), AlarmCause.LowOxygen)).Level);
        Assert.Single(Of(Pond(), AlarmCause.LowOxygen));
        Assert.Empty(Of(Pond()));
    }

    [Fact]
    public void An_alarm_is_what_its_lines_say_and_a_louder_one_asks_again()
    {
        List<(long, DateTimeOffset, string, Fact)> lines =
        [
            (5, Now, "Dorsk", new AlarmRaised(0, 7, AlarmCause.LowOxygen, Status.Watch, "first")),
        ];
        Alarm One() => Alarm.Of(lines)[5];
        Assert.True(One() is { Open: true, Answered: null });
        lines.Add((6, Now.AddMinutes(4), "Pond hand", new AlarmAnswered(5, 7)));
        Assert.Equal("Pond hand", One().Answered!.Value.By);
        lines.Add(
            (7, Now.AddMinutes(30), "Dorsk", new AlarmRaised(5, 7, AlarmCause.LowOxygen, Status.ActNow, "louder"))
        );
        Assert.True(One() is { Level: Status.ActNow, Answered: null, ToldTo.Count: 0, Text: "louder" });
        Assert.Equal(Now.AddMinutes(30), One().LouderAt);
        lines.Add((8, Now.AddMinutes(31), "Dorsk", new AlarmTold(5, 7, 0, Status.ActNow, "a@farm.test")));
        Assert.Equal([0], One().Told);
        lines.Add((9, Now.AddMinutes(50), "Dorsk", new AlarmEnded(5, 7)));
        Assert.False(One().Open);
        Assert.Equal(Now, One().RangAt);
    }

    [Fact]
    public void The_next_is_called_after_minutes_without_an_answer_and_quiet_hours_never_hold_back_act_now()
    {
        var list = new CallListSet(
            [
                new("Night watch", "watch@farm.test"),
                new("Manager", "manager@farm.test"),
                new("Pond hand", "hand@farm.test"),
            ],
            10,
            new(22, 0),
            new(5, 0)
        );
        Alarm Rings(Status level, params int[] told) =>
            new(1, 7, AlarmCause.LowOxygen, level, "", Now, Now, null, null, [.. told.Select(t => (t, ""))]);
        int[] Due(Alarm a, double minutes, int hour = 12) => [.. a.Due(list, Now.AddMinutes(minutes), new(hour, 0))];
        Assert.Equal([0], Due(Rings(Status.ActNow), 0));
        Assert.Equal([0, 1], Due(Rings(Status.ActNow), 10));
        Assert.Equal([1], Due(Rings(Status.ActNow, 0), 19));
        Assert.Equal([2], Due(Rings(Status.ActNow, 0, 1), 500));
        Assert.Empty(Due(Rings(Status.ActNow, 0, 1, 2), 500));
        Assert.Empty(Due(Rings(Status.ActNow) with { Answered = ("Manager", Now) }, 30));
        Assert.Empty(Due(Rings(Status.ActNow) with { EndedAt = Now }, 30));
        // At three in the night: Watch waits, Act now does not.
        Assert.Empty(Due(Rings(Status.Watch), 30, 3));
        Assert.Equal([0, 1, 2], Due(Rings(Status.ActNow), 30, 3));
        Assert.Equal([0], Due(Rings(Status.Watch), 0, 6));
        Assert.Equal(
            ["after", "people", "people", "quietfrom"],
            new[]
            {
                list with
                {
                    AfterMinutes = 0,
                },
                list with
                {
                    Steps = [new("A", "nobody")],
                },
                list with
                {
                    Steps = [new("A", "a@b\nBcc: c@d")],
                },
                list with
                {
                    QuietTo = null,
                },
            }.Select(l => l.Check().Single().Field)
        );
    }

    [Theory]
    [InlineData("Night watch, watch@farm.test", "watch@farm.test", "", true)]
    [InlineData("Night watch, watch@farm.test, +61 491 570 006", "watch@farm.test", "+61491570006", true)]
    [InlineData("Neighbour, (02) 5550-1234", "", "0255501234", true)]
    [InlineData("Neighbour, 0491 570 006, n@farm.test", "n@farm.test", "0491570006", true)]
    [InlineData("Neighbour", "", "", false)]
    [InlineData("Neighbour, his door", "his door", "", false)]
    [InlineData("Neighbour, 12", "12", "", false)]
    [InlineData(", 0491 570 006", "", "0491570006", false)]
    [InlineData("Neighbour, n@farm.test, m@farm.test", "n@farm.test, m@farm.test", "", false)]
    public void A_line_of_the_call_list_is_a_name_with_a_mail_address_a_telephone_or_both(
        string line,
        string address,
        string dials,
        bool isSound
    )
    {
        var step = CallStep.Of(line);
        Assert.Equal((address, dials, isSound), (step.Address, step.Dials, step.IsSound));
        if (isSound)
            Assert.Equal(step, CallStep.Of(step.Line));
        CallListSet list = new([step], 10, null, null);
        Assert.Equal(isSound, !list.Check().Any());
        Assert.Equal(
            [false, false, true, true],
            new[] { "ftp://x.test", "messages.test", "", "https://messages.test/farm" }.Select(h =>
                (list with { Steps = [], Hook = h }).Check().All(r => r.Field != "hook")
            )
        );
    }
}
