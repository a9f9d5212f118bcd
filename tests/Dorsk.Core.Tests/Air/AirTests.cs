using Dorsk.Core.Air;
using Dorsk.Core.Alarms;
using Dorsk.Core.Judging;
using Dorsk.Core.Ponds;
using Dorsk.Core.Time;
using Dorsk.Core.Units;
using Dorsk.Core.Water;
using FsCheck;
using FsCheck.Fluent;
using FsCheck.Xunit;

namespace Dorsk.Core.Tests.Air;

/// <summary>What aerators should do, what they did, and what is wrong with them.</summary>
public class AirTests
{
    private static readonly FarmZone Zone = FarmZone.Find("Etc/GMT-10")!;
    private static readonly DateTimeOffset Dusk = Zone.At(new DateTime(2027, 1, 21, 18, 0, 0));
    private static readonly AeratorKind Paddle = AeratorKind.All[1];

    private static Aerator A(string code, int? on = null, int? off = null) =>
        new(code, Paddle, 1.1, on is { } h ? new(h, 0) : null, off is { } g ? new(g, 0) : null);

    private static AirRecord Record(params (double AfterH, Fact Fact)[] lines) =>
        new([.. lines.OrderBy(l => l.AfterH).Select(l => new AirLine(Dusk.AddHours(l.AfterH), "Night watch", l.Fact))]);

    private static AirWanted One(
        AirRecord record,
        double afterH,
        double? mgL,
        double readAgoH = 0.1,
        Aerator? a = null,
        bool dark = true
    ) =>
        AirControl
            .Of(
                [a ?? A("A1")],
                record,
                mgL is { } v ? new Timed(Dusk.AddHours(afterH - readAgoH), v) : null,
                Dusk.AddHours(afterH),
                dark,
                Zone
            )
            .Single();

    // Whatever the oxygen does: between the levels nothing moves, outside them all is on or off, and it never switches twice without the other level passed in between.
    [Property(MaxTest = 200)]
    public Property The_automatic_switches_only_at_its_two_levels(PositiveInt seed)
    {
        var random = new Random(seed.Get);
        var (low, high) = (3 + (2 * random.NextDouble()), 0.0);
        high = low + 0.5 + random.NextDouble();
        var control = new AirControlSet(1, true, low, high, 10);
        Assert.Empty(control.Check(null));
        var lines = new List<AirLine> { new(Dusk.AddHours(-1), "Manager", control) };
        var (mgL, on) = (8.0, false);
        for (var i = 0; i < 80; i++)
        {
            mgL = Math.Clamp(mgL + (1.2 * (random.NextDouble() - 0.5)), 0, 12);
            var wanted = One(new AirRecord(lines), i * 0.25, mgL);
            if (wanted.On != (mgL < low || (mgL <= high && on)))
                return false.Label(FormattableString.Invariant($"{mgL} {low} {high} was {on} became {wanted.On}"));
            if (wanted.On != on)
                lines.Add(
                    new(Dusk.AddHours(i * 0.25), "Dorsk", new AeratorCommanded(1, "A1", on = wanted.On, wanted.Why))
                );
        }
        return true.ToProperty();
    }

    [Fact]
    public void A_hand_stands_above_the_timer_the_timer_above_the_probe_and_no_reading_in_the_dark_means_run()
    {
        var control = (-5.0, (Fact)new AirControlSet(1, true, 4, 5.5, 10));
        AeratorSwitched Hand(AirOrder order, double? untilH = null) =>
            new(1, "A1", order, untilH is { } h ? Dusk.AddHours(h) : null);
        Assert.True(One(AirRecord.None, 4, 9, a: A("A1", 20, 6)).On);
        Assert.False(One(Record((0, Hand(AirOrder.Off))), 4, 1, a: A("A1", 20, 6)).On);
        Assert.True(One(Record(control, (0, Hand(AirOrder.On))), 4, 9).On);
        Assert.False(One(Record(control, (0, Hand(AirOrder.On)), (1, Hand(AirOrder.Release))), 4, 9).On);
        // An order for an hour is over after it.
        Assert.True(One(Record((0, Hand(AirOrder.On, 5))), 4.9, 9).On);
        Assert.False(One(Record((0, Hand(AirOrder.On, 5))), 5, 9).On);
        // Nobody opted in: the probe moves nothing.
        Assert.False(One(AirRecord.None, 4, 1).On);
        Assert.False(One(Record((-5, new AirControlSet(1, false, 4, 5.5, 10))), 4, 1).On);
        // The probe has been silent for over an hour.
        Assert.True(One(Record(control), 4, 9, readAgoH: 1.5).On);
        Assert.True(One(Record(control), 4, null).On);
        Assert.False(One(Record(control), 4, 9, readAgoH: 1.5, dark: false).On);
        Assert.Equal(
            ["OnBelow", "OffAbove", "Stagger"],
            new[] { new AirControlSet(1, true, 0.5, 5, 10), new(1, true, 4, 4.2, 10), new(1, true, 4, 5, 1) }.Select(
                c => c.Check(3).Single().Field
            )
        );
        Assert.Equal(Objection.Ask, new AirControlSet(1, true, 2, 5, 10).Check(3).Single().Kind);
    }

    [Fact]
    public void Machines_start_one_at_a_time_the_stagger_apart()
    {
        var waiting = Enumerable.Range(1, 6).ToList();
        var started = new List<(int Which, double At)>();
        DateTimeOffset? last = null;
        for (var s = 0; s < 120; s++)
            foreach (var w in AirControl.MayStart(waiting.ToList(), last, 12, Dusk.AddSeconds(s)).ToList())
            {
                waiting.Remove(w);
                started.Add((w, s));
                last = Dusk.AddSeconds(s);
            }
        Assert.Equal([1, 2, 3, 4, 5, 6], started.Select(x => x.Which));
        Assert.Equal([0, 12, 24, 36, 48, 60], started.Select(x => x.At));
    }

    [Fact]
    public void What_ran_is_what_panels_said_and_the_hours_add_up()
    {
        AeratorReported Says(bool runs) => new(1, "A1", runs, runs ? 2.3 : 0, true);
        var record = Record(
            (1, Says(true)),
            (3.5, Says(false)),
            (6, Says(true)),
            (7, Says(false)),
            (2, new AeratorSwitched(1, "A2", AirOrder.On, Dusk.AddHours(4)))
        );
        Assert.Equal(
            (2.5 + 1.0, 2),
            (
                record.Spells("A1", Dusk, Dusk.AddHours(12)).Sum(s => (s.To - s.From).TotalHours),
                record.Spells("A1", Dusk, Dusk.AddHours(12)).Count()
            )
        );
        Assert.Equal(1.5, record.Spells("A1", Dusk.AddHours(2), Dusk.AddHours(6)).Sum(s => (s.To - s.From).TotalHours));
        // A1 had a timer for the whole night; the panel knows better. A2 ran two hours by hand; A3 by its timer alone.
        var ran = AeratorHours
            .Of(
                [(Dusk.AddDays(-1), [A("A1", 18, 6), A("A2"), A("A3", 20, 23)])],
                Dusk.AddHours(1),
                Dusk.AddHours(12),
                Zone,
                record.Ran
            )
            .ToDictionary(h => h.Code);
        Assert.Equal(
            (3.5, 2.0, 3.0),
            (Math.Round(ran["A1"].Hours, 6), Math.Round(ran["A2"].Hours, 6), Math.Round(ran["A3"].Hours, 6))
        );
        Assert.Equal(3.5 * 1.1 / Paddle.MotorEfficiency, ran["A1"].KWh, 6);
        Assert.True(
            Says(true).SameAs(Says(true) with { CurrentA = 2.4 })
                && !Says(true).SameAs(Says(true) with { CurrentA = 3 })
                && !Says(true).SameAs(Says(false))
                && !Says(true).SameAs(Says(true) with { Mains = false })
                && !Says(true).SameAs(null)
        );
    }

    [Theory]
    [InlineData(true, null, 1, null)]
    [InlineData(true, null, 10, Status.ActNow)]
    [InlineData(false, null, 10, Status.Watch)]
    [InlineData(true, "stands", 10, Status.ActNow)]
    [InlineData(false, "runs 4", 10, Status.Watch)]
    [InlineData(true, "runs 4", 10, null)]
    [InlineData(true, "runs 4.6", 10, Status.Watch)]
    [InlineData(true, "runs 5.4", 10, Status.ActNow)]
    [InlineData(true, "runs 1.2", 10, Status.Watch)]
    [InlineData(true, "dark", 10, null)]
    public void A_machine_that_does_not_do_what_it_was_told_or_draws_wrongly_is_found(
        bool told,
        string? says,
        double minutesAgo,
        Status? wanted
    )
    {
        List<(double, Fact)> lines =
        [
            (-9, new AeratorTested(1, "A1", "all lines", new(4, null, null), 3.9, null, null)),
            (-minutesAgo / 60, new AeratorCommanded(1, "A1", told, "timer")),
        ];
        if (says is not null)
            lines.Add(
                (
                    -0.01,
                    new AeratorReported(
                        1,
                        "A1",
                        says.StartsWith("runs", StringComparison.Ordinal),
                        says.StartsWith("runs", StringComparison.Ordinal)
                            ? double.Parse(says[5..], System.Globalization.CultureInfo.InvariantCulture)
                            : 0,
                        says != "dark"
                    )
                )
            );
        Assert.Equal(wanted, AirFaults.Of("A1", Record([.. lines]), Dusk, TimeSpan.FromMinutes(2))?.Status);
    }

    [Fact]
    public void Each_step_of_taking_a_blower_into_use_is_held_against_its_plate()
    {
        Judgement Step(double amps, double? kPa, double? c) =>
            AirFaults
                .Test(new AeratorTested(1, "A1", "first line", new(10, 20, 110), amps, kPa, c), Hand.Metric)
                .Judgement;
        Assert.Equal(
            [Status.Steady, Status.Watch, Status.ActNow, Status.ActNow, Status.ActNow],
            new[] { Step(7, 14, 80), Step(9.7, 14, 80), Step(10.4, 14, 80), Step(7, 21, 80), Step(7, 14, 118) }.Select(
                j => j.Status
            )
        );
        Assert.Contains("pressure", Step(7, 21, 80).Reason, StringComparison.Ordinal);
        // What the plate limits and nobody read lets no further step through.
        Assert.Equal((Status.Watch, Status.ActNow), (Step(7, 14, null).Status, Step(11, null, null).Status));
        Assert.Contains("Hold: its temperature", Step(7, 14, null).Reason, StringComparison.Ordinal);
        AeratorTested over = new(1, "A1", "second line", new(10, 20, 110), 7, 14, 118);
        IEnumerable<Remark> Next(double minutes, AeratorTested before) =>
            AirFaults.AfterStep((Dusk, before), Dusk.AddMinutes(minutes), Hand.Metric);
        Assert.Equal(
            [2, 1, 1, 0, 0],
            new[]
            {
                Next(4, over).Count(),
                Next(15, over).Count(),
                Next(4, over with { TempC = 80 }).Count(),
                Next(15, over with { TempC = 80 }).Count(),
                Next(60 * 24, over).Count(),
            }
        );
    }

    [Fact]
    public void Lost_power_rings_once_for_all_and_low_oxygen_with_everything_running_calls_for_help_from_outside()
    {
        var heard = Dusk.AddMinutes(-5);
        Assert.Null(AlarmRules.Power([new("P1", null, heard), new("P2", null, heard)], Dusk, Zone));
        var lost = AlarmRules.Power(
            [new("P1", Dusk.AddMinutes(-20), heard), new("P2", Dusk.AddMinutes(-19), heard), new("P3", null, heard)],
            Dusk,
            Zone
        )!;
        Assert.Equal((AlarmCause.PowerLost, Status.ActNow, (long?)null), (lost.Cause, lost.Level, lost.PondId));
        Assert.Contains("P1, P2 since 17:40", lost.Text, StringComparison.Ordinal);
        var silent = Dusk.AddHours(-1);
        Assert.Contains(
            "silent since 17:00",
            AlarmRules.Power([new("P1", null, silent), new("P2", null, silent)], Dusk, Zone)!.Text,
            StringComparison.Ordinal
        );
        Assert.Null(AlarmRules.Power([new("P1", null, silent)], Dusk, Zone));
        Assert.NotNull(AlarmRules.Silent(new("P1", null, silent), Dusk, Zone));
        AlarmPond Low(params string[] running) =>
            new(
                7,
                "P4",
                Dorsk.Core.Species.WaterLimits.WarmWaterFish,
                [new(Dusk.AddMinutes(-5), 1.5)],
                null,
                ["A1", "A2"],
                []
            )
            {
                Running = running,
                AirFaults = [new(Status.Watch, "A2 draws much"), new(Status.ActNow, "A1 stands")],
            };
        string Text(params string[] running) => AlarmRules.Of(Low(running), Dusk, Zone, Hand.Metric)[0].Text;
        Assert.Contains("Start A2,", Text("A1"), StringComparison.Ordinal);
        Assert.Contains(
            "All its aerators run: bring the emergency machine",
            Text("A1", "A2"),
            StringComparison.Ordinal
        );
        var fault = AlarmRules.Of(Low(), Dusk, Zone, Hand.Metric).Single(a => a.Cause == AlarmCause.AeratorFault);
        Assert.Equal(Status.ActNow, fault.Level);
        Assert.Contains("A1 stands; A2 draws much", fault.Text, StringComparison.Ordinal);
    }
}
