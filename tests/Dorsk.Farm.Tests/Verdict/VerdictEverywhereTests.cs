using Dorsk.Core.Alarms;
using Dorsk.Core.Judging;
using Dorsk.Core.Ponds;
using Dorsk.Core.Stock;
using Dorsk.Core.Water;
using Dorsk.Farm.Estimates;

namespace Dorsk.Farm.Tests.Verdict;

/// <summary>What one page calls grave is grave at every door: status, ration, alarm, gate, stocking and moving ask the same verdict.</summary>
public sealed class VerdictEverywhereTests : IDisposable
{
    private readonly TestFarm farm = new();
    private readonly AlarmMemory memory;
    private readonly AlarmWatch watch;
    private readonly long p2,
        batch;

    public VerdictEverywhereTests()
    {
        memory = new(farm.Door, farm.Questions, farm.Clock);
        watch = new(
            farm.File,
            farm.Door,
            farm.Questions,
            memory,
            new Heard(farm.Clock),
            new Heartbeat(TimeProvider.System),
            farm.Clock,
            TimeSpan.FromMinutes(2)
        );
        p2 = farm.Must(
            new PondBuilt(new Pond(0, "P2", "", PondKind.Earthen, new SlopedRectangle(80, 60, 1.4, 2), "grow-out")),
            TestFarm.Start
        );
        farm.Clock.Now = TestFarm.Start.AddDays(30);
        batch = farm.Stock(count: 500, meanG: 80, day: 20);
        Read(new(Parameter.Oxygen, 7.5), new(Parameter.Temperature, 26), new(Parameter.Ph, 7.6));
    }

    private DateTimeOffset Now => farm.Clock.Now;

    private PondNow Pond => farm.Questions.Now(farm.Story, Now);

    private void Read(params Value[] values) => farm.Must(new ReadingTaken(farm.PondId, values), Now);

    private Alarm? Rings
    {
        get
        {
            watch.Look();
            return memory.Alarms(Now).FirstOrDefault(a => a is { Open: true, Cause: AlarmCause.WaterDanger });
        }
    }

    private FishStocked Newcomers(long pond, int count, string reason = "") =>
        new(pond, "silver_perch", "hatchery", count, 30, CountBasis.ByWeight, reason, 400);

    [Fact]
    public void Salt_is_read_again_after_it_mixed_before_fish_go_in()
    {
        var given = Now.AddHours(1);
        farm.Clock.Now = given.AddMinutes(30);
        var m3 = farm.Story.Pond.Shape.VolumeM3(farm.Story.LevelAt(Now).LevelM);
        farm.Must(new PondWorked(farm.PondId, PondWork.Salted, "", 2 * m3), given);
        // A reading before it mixed says nothing of it.
        Read(new Value(Parameter.Salinity, 0.4));
        farm.Clock.Now = given.AddHours(3);
        var found = Assert.Single(Pond.Verdict.Findings, f => f.Rule == Core.Verdict.PondVerdict.SaltUnread);
        Assert.Contains("rise by about 2", found.Reason, StringComparison.Ordinal);
        Assert.Equal((Status.Watch, true), (found.Status, found.ShutsGate));
        var job = Assert.Single(farm.Questions.Today(Now)!.Jobs, j =>
            j.Key.StartsWith("after-salt:", StringComparison.Ordinal)
        );
        Assert.Equal(given.AddHours(2), job.From);
        Assert.Contains(farm.Try(Newcomers(farm.PondId, 20), Now).Remarks, r =>
            r is { Kind: Objection.Refuse, Field: "NotReadyReason" }
        );
        Read(new Value(Parameter.Salinity, 2.1));
        Assert.DoesNotContain(Pond.Verdict.Findings, f => f.Rule == Core.Verdict.PondVerdict.SaltUnread);
        Assert.DoesNotContain(farm.Questions.Today(Now)!.Jobs, j =>
            j.Key.StartsWith("after-salt:", StringComparison.Ordinal)
        );
    }

    [Theory]
    [InlineData("nitrite")]
    [InlineData("gasping")]
    [InlineData("salinity")]
    [InlineData("bloom died")]
    public void A_grave_finding_is_grave_at_every_door(string what)
    {
        Assert.NotEqual(Status.ActNow, Pond.Judgement.Status);
        Assert.Null(Rings);
        farm.Clock.Now = Now.AddHours(1);
        Bad(what);
        Assert.Equal(Status.ActNow, Pond.Judgement.Status);
        Assert.True(Pond.RationKg < Pond.FullRationKg);
        var alarm = Rings!;
        Assert.Equal(Status.ActNow, alarm.Level);
        Assert.Contains("P1: ", alarm.Text, StringComparison.Ordinal);
        var refused = farm.Try(Newcomers(farm.PondId, 20), Now);
        Assert.Contains(refused.Remarks, r => r is { Kind: Objection.Refuse, Field: "NotReadyReason" });
        Assert.True(farm.Try(Newcomers(farm.PondId, 20, "they came by mistake"), Now).Accepted);

        // Time alone ends nothing; a good look does.
        farm.Clock.Now = Now.AddDays(20);
        Assert.NotNull(Rings);
        Good(what);
        Assert.Null(Rings);
    }

    private void Bad(string what)
    {
        if (what == "nitrite")
            Read(new(Parameter.Nitrite, 4.5), new(Parameter.Chloride, 10));
        else if (what == "salinity")
            Read(new Value(Parameter.Salinity, 9));
        else if (what == "gasping")
            farm.Must(new PondWorked(farm.PondId, PondWork.Note, "fish gasping", null), Now);
        else
        {
            farm.Must(new ReadingTaken(farm.PondId, [new(Parameter.Secchi, 0.2)]), Now.AddDays(-3));
            Read(new Value(Parameter.Secchi, 0.7));
        }
    }

    private void Good(string what)
    {
        Read(
            new(Parameter.Oxygen, 7.5),
            new(Parameter.Temperature, 26),
            new(Parameter.Ph, 7.6),
            new(Parameter.Nitrite, 0.1),
            new(Parameter.Salinity, 0.5),
            new(Parameter.Secchi, 0.4)
        );
        if (what == "gasping")
            farm.Must(new PondWorked(farm.PondId, PondWork.Note, "fish calm", null), Now.AddMinutes(1));
        farm.Clock.Now = Now.AddMinutes(2);
    }

    [Fact]
    public void Fish_that_are_moved_pass_the_gate_and_meet_the_verdict_of_where_they_go()
    {
        farm.Must(new PondWorked(p2, PondWork.Limed, "", 200), Now.AddDays(-2));
        var move = new FishMoved(farm.PondId, p2, batch, 100, 80, CountBasis.Counted);
        var asked = farm.Door.Enter(Log.Entry.Of(Guid.NewGuid(), "Manager", Now, move));
        Assert.Contains(asked.Remarks, r =>
            r is { Kind: Objection.Ask, Field: "ToPond" }
            && r.Text.Contains("does not pass the gate: lime spread 2 days ago", StringComparison.Ordinal)
        );
        farm.Must(move, Now);
        farm.Must(new ReadingTaken(p2, [new(Parameter.Nitrite, 4.5), new(Parameter.Chloride, 10)]), Now);
        farm.Clock.Now = Now.AddHours(1);
        asked = farm.Door.Enter(Log.Entry.Of(Guid.NewGuid(), "Manager", Now, move));
        Assert.Contains(asked.Remarks, r =>
            r.Kind == Objection.Ask && r.Text.Contains("P2: chloride is 2.2 times", StringComparison.Ordinal)
        );
    }

    [Fact]
    public void A_million_fish_in_half_a_hectare_are_stopped_with_the_limit_and_a_way_out()
    {
        var refused = farm.Try(Newcomers(p2, 1_000_000), Now);
        var remark = Assert.Single(refused.Remarks, r => r.Field == "Count");
        Assert.Equal(Objection.Refuse, remark.Kind);
        Assert.Matches(@"^[\d,]+ % over the limit: .* the pond carries .*Put in at most [\d,]+", remark.Text);
        // The reason is asked for and kept; a number that fits asks nothing of the kind.
        Assert.True(farm.Try(Newcomers(p2, 1_000_000, "for one night"), Now).Accepted);
    }

    [Fact]
    public void Top_and_bottom_are_two_series_and_two_instruments_no_fall()
    {
        farm.Clock.Now = Now.AddMinutes(10);
        farm.Must(new ReadingTaken(farm.PondId, [new(Parameter.Oxygen, 1.5, 1.3)]), Now);
        Assert.Equal(Status.Watch, Pond.Judgement.Status);
        Assert.Contains("layered water", Pond.Judgement.Reason, StringComparison.Ordinal);
        farm.Clock.Now = Now.AddMinutes(1);
        farm.Must(new ReadingTaken(farm.PondId, [new(Parameter.Oxygen, 8.5, 0.2)]), Now);
        Assert.Contains("layered water", Pond.Judgement.Reason, StringComparison.Ordinal);
        farm.Clock.Now = Now.AddHours(1);
        farm.Must(new ReadingTaken(farm.PondId, [new(Parameter.Oxygen, 4.6, 0.2, "other meter")]), Now);
        Assert.DoesNotContain(Pond.Verdict.Findings, f => f.Rule == "oxygen falls");
    }

    public void Dispose() => farm.Dispose();
}
