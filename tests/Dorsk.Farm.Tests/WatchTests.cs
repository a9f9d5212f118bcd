using Dorsk.Core.Air;
using Dorsk.Core.Alarms;
using Dorsk.Core.Hatchery;
using Dorsk.Core.Judging;
using Dorsk.Core.Ponds;
using Dorsk.Core.Safety;
using Dorsk.Core.Stock;
using Dorsk.Core.Water;
using Dorsk.Farm.Ask;
using Dorsk.Farm.Sql;

namespace Dorsk.Farm.Tests;

/// <summary>Looking, ringing and telling cannot stop each other, whatever fails.</summary>
public sealed class WatchTests : IDisposable
{
    private readonly TestFarm farm = new();
    private readonly AlarmMemory memory;
    private readonly Heartbeat heartbeat = new(TimeProvider.System);
    private readonly AlarmWatch watch;
    private readonly Heard heard;

    public WatchTests()
    {
        memory = new(farm.Door, farm.Questions, farm.Clock);
        heard = new(farm.Clock);
        watch = new(
            farm.File,
            farm.Door,
            farm.Questions,
            memory,
            heard,
            heartbeat,
            farm.Clock,
            TimeSpan.FromMinutes(2)
        );
        farm.Must(new CallListSet([new("Night watch", "watch@farm.test")], 10, null, null), TestFarm.Start.AddDays(1));
        farm.Stock();
    }

    private DateTimeOffset Now => farm.Clock.Now;

    private List<Alarm> Open => [.. memory.Alarms(Now).Where(a => a.Open)];

    private Alarm One(AlarmCause cause) => Open.Single(a => a.Cause == cause);

    private long Pond(string code, double mgL)
    {
        var pond = farm.Must(
            new PondBuilt(new Pond(0, code, "", PondKind.Earthen, new SlopedRectangle(40, 25, 1.4, 2), "grow-out")),
            TestFarm.Start.AddDays(1)
        );
        farm.Must(
            new FishStocked(pond, "silver_perch", "hatchery", 500, 80, CountBasis.ByWeight, "test", null),
            TestFarm.Start.AddDays(2)
        );
        Read(pond, mgL);
        return pond;
    }

    private void Read(long pond, double mgL) =>
        farm.Must(
            new ReadingTaken(pond, [new(Parameter.Oxygen, mgL), new(Parameter.Temperature, 26)]),
            Now.AddMinutes(-1)
        );

    private void Raw(string sql)
    {
        using var c = farm.File.Open();
        Sqlite.Run(c, sql);
    }

    // A stocking of a species that no table has, as an import of other days might have left it.
    private void Spoil(long pond) =>
        Raw(
            $"""
            INSERT INTO entry VALUES ('spoilt', 1767400000000, 'x');
            INSERT INTO log(line, entry, n, kind, pond, happened, entered, author, as_typed, voids) VALUES (9000, 'spoilt', 0, 'FishStocked', {pond}, 1767400000000, 1767400000000, 'x', '', NULL);
            INSERT INTO stocking VALUES (9000, 9000, {pond}, 'sea_serpent', 'x', 10, 5, 'Counted', 'x', NULL, NULL, 0, NULL);
            INSERT INTO posting VALUES (9000, 0, 9000, 'Supplier', NULL, -10, -50, 'Counted'), (9000, 1, 9000, 'Pond', {pond}, 10, 50, 'Counted');
            """
        );

    [Fact]
    public void An_alarm_that_nobody_ended_stays_on_the_list_however_old_it_is()
    {
        var then = farm.Clock.Now;
        var open = farm.Must(new AlarmRaised(0, farm.PondId, AlarmCause.LowOxygen, Status.ActNow, "oxygen 2"), then);
        var over = farm.Must(new AlarmRaised(0, farm.PondId, AlarmCause.ProbeFault, Status.Watch, "stuck"), then);
        farm.Clock.Now = then.AddDays(45);
        farm.Must(new AlarmEnded(over, farm.PondId), then.AddHours(1));
        var alarm = Assert.Single(farm.Questions.Alarms(farm.Clock.Now));
        Assert.Equal((open, true), (alarm.Id, alarm.Open));
    }

    [Fact]
    public void A_pond_that_cannot_be_worked_out_is_an_alarm_with_its_name_and_costs_no_other()
    {
        var low = Pond("P2", 1.5);
        var bad = Pond("P3", 7);
        Spoil(bad);
        watch.Look();
        Assert.Equal(low, One(AlarmCause.LowOxygen).PondId);
        var failed = One(AlarmCause.PondFailed);
        Assert.Equal(bad, failed.PondId);
        Assert.Contains("P3 is not watched", failed.Text, StringComparison.Ordinal);
        Assert.Contains("sea_serpent", failed.Text, StringComparison.Ordinal);
        Assert.Equal((3, 1), (heartbeat.Last!.Ponds, heartbeat.Last.Failed));
        Assert.NotNull(farm.Questions.Today(Now));
        Assert.Equal(["P1", "P2"], farm.Questions.PondsNow(Now).Select(p => p.Story.Pond.Code));
        Assert.Throws<PondBrokenException>(() => farm.Questions.Story("P3"));
        // The line can be taken back, and all is well.
        Assert.True(farm.Try(null, Now, corrects: 9000).Accepted);
        watch.Look();
        Assert.DoesNotContain(Open, a => a.Cause == AlarmCause.PondFailed);
    }

    [Fact]
    public void Eggs_that_stand_too_warm_ring_until_their_water_is_well()
    {
        var tank = farm.Must(
            new VesselDescribed(0, VesselKind.Tank, "H1", 0.5, 0.6, null, HeldBefore.New, false),
            Now.AddHours(-9)
        );
        var lot = farm.Must(
            new EggsTaken(0, "silver_perch", tank, null, "", 1000, CountBasis.ByVolume, EggColour.Yellow, false)
            {
                TroughC = 24.5,
            },
            Now.AddHours(-8)
        );
        LotLooked Look(double c) => new(lot, c, 7, null, null, EggColour.NotSeen, null, null);
        farm.Must(Look(29), Now.AddMinutes(-20));
        watch.Look();
        var rings = One(AlarmCause.HatcheryWater);
        Assert.Equal((Status.ActNow, (long?)null), (rings.Level, rings.PondId));
        Assert.Contains("in H1: 29.0", rings.Text, StringComparison.Ordinal);
        farm.Must(Look(24.6), Now.AddMinutes(-1));
        watch.Look();
        Assert.DoesNotContain(Open, a => a.Cause == AlarmCause.HatcheryWater);
    }

    [Fact]
    public void A_missed_check_in_rings_until_somebody_signs_the_person_in_or_back()
    {
        farm.Must(new LoneWork("Night watch", 30, "P1, the far bank"), Now.AddMinutes(-31));
        farm.Must(new LoneWork("Pond hand", 60, "the sump"), Now.AddMinutes(-31));
        watch.Look();
        var rings = One(AlarmCause.NotHeard);
        Assert.Equal((Status.ActNow, (long?)null), (rings.Level, rings.PondId));
        Assert.Contains("Night watch (P1, the far bank)", rings.Text, StringComparison.Ordinal);
        Assert.DoesNotContain("Pond hand", rings.Text, StringComparison.Ordinal);
        Assert.Contains(watch.Due(), d => d.Cause == AlarmCause.NotHeard);
        farm.Must(new LoneWork("Night watch", 15, "P1"), Now.AddMinutes(-1));
        watch.Look();
        Assert.DoesNotContain(Open, a => a.Cause == AlarmCause.NotHeard);
        farm.Clock.Now = Now.AddMinutes(40);
        watch.Look();
        Assert.Contains("Pond hand", One(AlarmCause.NotHeard).Text, StringComparison.Ordinal);
        farm.Must(new LoneWork("Pond hand", 0, ""), Now);
        farm.Must(new LoneWork("Night watch", 0, ""), Now);
        watch.Look();
        Assert.DoesNotContain(Open, a => a.Cause == AlarmCause.NotHeard);
        Assert.Empty(farm.Questions.Alone(Now));
    }

    [Fact]
    public void Alarms_of_a_pond_that_fails_later_go_on()
    {
        var pond = Pond("P2", 1.5);
        watch.Look();
        Spoil(pond);
        watch.Look();
        Assert.Equal(
            [AlarmCause.LowOxygen, AlarmCause.PondFailed],
            Open.Where(a => a.PondId == pond).Select(a => a.Cause).Order()
        );
    }

    [Fact]
    public void Many_motors_that_trip_at_once_make_one_alarm_that_fits()
    {
        var pond = Pond("P2", 1.5);
        farm.Must(
            new AeratorsFitted(
                pond,
                [.. Enumerable.Range(1, 9).Select(i => new Aerator($"Paddle {i}", AeratorKind.All[1], 1.1, null, null))]
            ),
            TestFarm.Start.AddDays(3)
        );
        var panel = farm.Must(
            new DeviceKept(0, "Panel P2", DeviceUse.Panel, pond, null, false),
            TestFarm.Start.AddDays(3)
        );
        heard.Note(panel);
        for (var i = 1; i <= 9; i++)
        {
            farm.Must(new AeratorCommanded(pond, $"Paddle {i}", true, new string('w', 60)), Now.AddMinutes(-30));
            farm.Must(new AeratorReported(pond, $"Paddle {i}", false, 0, true), Now.AddMinutes(-20));
        }
        watch.Look();
        var fault = One(AlarmCause.AeratorFault);
        Assert.InRange(fault.Text.Length, 50, AlarmText.Longest);
        Assert.Matches(@"Paddle 1.* and \d more.*two people", fault.Text);
        Assert.Equal(pond, One(AlarmCause.LowOxygen).PondId);
    }

    // Not one page more than there is, and bare lines until the last finds no room: smaller than any alarm. Their random numbers fall on all pages.
    private void FillTheDisk()
    {
        farm.File.MostPages = 1;
        for (var refused = 0; refused < 60; )
            try
            {
                Raw(
                    $"INSERT INTO entry VALUES ('{Guid.NewGuid()}', 1767400000000, 'x'); INSERT INTO log(entry, n, kind, happened, entered, author, as_typed) SELECT id, 0, 'TakenBack', 1767400000000, 1767400000000, 'x', '' FROM entry WHERE rowid = last_insert_rowid();"
                );
                refused = 0;
            }
            catch (Microsoft.Data.Sqlite.SqliteException problem)
            {
                Assert.Equal(13, problem.SqliteErrorCode);
                refused++;
            }
    }

    [Fact]
    public void On_a_full_disk_alarms_ring_are_told_once_and_are_written_when_there_is_room()
    {
        var pond = Pond("P2", 1.5);
        FillTheDisk();
        watch.Look();
        watch.Look();
        Assert.Equal([AlarmCause.LowOxygen, AlarmCause.BooksShut], Open.Select(a => a.Cause).Distinct().Order());
        Assert.All(Open, a => Assert.True(a.Id < 0));
        Assert.Contains("disk is full", One(AlarmCause.BooksShut).Text, StringComparison.Ordinal);
        Assert.NotNull(heartbeat.Last!.BooksTrouble);
        var due = watch.Due();
        Assert.Equal(2, due.Count);
        foreach (var d in due)
            watch.Told(d.Told);
        watch.Look();
        Assert.Empty(watch.Due());
        Assert.Null(memory.Note(One(AlarmCause.LowOxygen).Id, "Night watch", id => new AlarmAnswered(id, pond)));
        Assert.Equal("Night watch", One(AlarmCause.LowOxygen).Answered!.Value.By);
        farm.File.MostPages = 1_000_000;
        watch.Look();
        Assert.False(memory.Waits);
        Assert.Empty(watch.Due());
        var kept = Assert.Single(farm.Questions.Alarms(Now), a => a.Cause == AlarmCause.LowOxygen);
        Assert.Equal(("Night watch", 1), (kept.Answered!.Value.By, kept.ToldTo.Count));
        Assert.False(farm.Questions.Alarms(Now).Single(a => a.Cause == AlarmCause.BooksShut).Open);
    }

    [Fact]
    public void While_records_cannot_be_read_what_rings_goes_on_ringing()
    {
        Pond("P2", 1.5);
        watch.Look();
        var before = Open;
        FarmFile.CloseIdle();
        var away = farm.File.Path + ".away";
        foreach (var end in new[] { "", "-wal", "-shm" })
            if (File.Exists(farm.File.Path + end))
                File.Move(farm.File.Path + end, away + end);
        Directory.CreateDirectory(farm.File.Path);
        watch.Look();
        Assert.Contains(Open, a => a.Id == before[0].Id);
        Assert.Contains(Open, a => a.Cause == AlarmCause.BooksShut);
        Directory.Delete(farm.File.Path);
        foreach (var end in new[] { "", "-wal", "-shm" })
            if (File.Exists(away + end))
                File.Move(away + end, farm.File.Path + end);
        watch.Look();
        Assert.DoesNotContain(Open, a => a.Cause == AlarmCause.BooksShut);
        Assert.Contains(Open, a => a.Id == before[0].Id);
    }

    [Fact]
    public void Low_oxygen_does_not_end_by_silence_and_an_old_alarm_stays_open()
    {
        var pond = Pond("P2", 1.5);
        watch.Look();
        var id = One(AlarmCause.LowOxygen).Id;
        farm.Clock.Now = Now.AddHours(9);
        watch.Look();
        Assert.Equal(id, One(AlarmCause.LowOxygen).Id);
        farm.Clock.Now = Now.AddDays(40);
        watch.Look();
        Assert.Equal(id, One(AlarmCause.LowOxygen).Id);
        Read(pond, 7);
        watch.Look();
        Assert.DoesNotContain(Open, a => a.Cause == AlarmCause.LowOxygen);
    }

    [Fact]
    public void The_heartbeat_is_silent_when_looks_stop_to_come()
    {
        var time = new Stepped();
        var beat = new Heartbeat(time) { Period = TimeSpan.FromSeconds(20) };
        Assert.Equal(WatchState.Starting, beat.State);
        beat.Looked(new(Now, 1, 0, null));
        time.Step(59);
        Assert.Equal(WatchState.Looking, beat.State);
        time.Step(3);
        Assert.Equal(WatchState.Silent, beat.State);
        beat.Looked(new(Now, 1, 0, null));
        Assert.Equal(WatchState.Looking, beat.State);
    }

    [Fact]
    public void A_command_to_an_aerator_goes_out_though_nothing_can_be_written()
    {
        var pond = Pond("P2", 1.5);
        farm.Must(
            new AeratorsFitted(pond, [new("A1", AeratorKind.All[1], 1.1, null, null)]),
            TestFarm.Start.AddDays(3)
        );
        farm.Must(new DeviceKept(0, "Panel P2", DeviceUse.Panel, pond, null, false), TestFarm.Start.AddDays(3));
        farm.Must(new AeratorSwitched(pond, "A1", AirOrder.On, null), Now.AddMinutes(-1));
        FillTheDisk();
        var keeping = new AirKeeping(farm.Door, farm.Questions, farm.Clock);
        Assert.Equal([new PanelCommand("Panel P2", "A1", true)], keeping.Look());
        Assert.Empty(keeping.Look());
        Assert.Equal([new PanelCommand("Panel P2", "A1", true)], keeping.Standing());
    }

    public void Dispose() => farm.Dispose();

    private sealed class Stepped : TimeProvider
    {
        private long now;

        public void Step(double seconds) => now += (long)(seconds * TimestampFrequency);

        public override long GetTimestamp() => now;
    }
}
