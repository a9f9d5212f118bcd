using Dorsk.Core.Harvest;
using Dorsk.Core.Judging;
using Dorsk.Core.Plans;
using Dorsk.Farm.Facts;

namespace Dorsk.Farm.Fish;

/// <summary>Days of fishing: what was arranged, baskets, notes, the close; what people say of a cycle.</summary>
internal static class NetBook
{
    public static readonly FactTable<NetDayBegun> Begun = new FactTable<NetDayBegun>("net_day", "net day")
        .Itself("net", n => n.NetId)
        .Pond("pond", n => n.PondId)
        .Batch("batch", n => n.BatchId)
        .Column("water_m3", n => n.WaterM3)
        .Column("flow_m3_h", n => n.FlowM3H)
        .Column("low_kg", n => n.LowKg)
        .Column("high_kg", n => n.HighKg)
        .Column("mean_g", n => n.MeanG)
        .Column("crew", n => n.Crew)
        .Column("reason", n => n.Reason)
        .ReadBy(r =>
            new(
                r.Long("net"),
                r.Long("pond"),
                r.Long("batch"),
                r.Real("water_m3"),
                r.Real("flow_m3_h"),
                r.Real("low_kg"),
                r.Real("high_kg"),
                r.Real("mean_g"),
                r.Text("crew")
            )
            {
                Reason = r.Text("reason"),
            }
        )
        .CheckedBy(BegunChecked)
        .VoidedBy((desk, n, line) => NetQuestions.Inside(desk, n.NetId));

    public static readonly FactTable<BasketWeighed> Basket = new FactTable<BasketWeighed>("basket", "basket")
        .Column("net", b => b.NetId)
        .Pond("pond", b => b.PondId)
        .Column("pull", b => b.Pull)
        .Column("fate", b => b.Fate)
        .Column("gross_kg", b => b.GrossKg)
        .Column("tare_kg", b => b.TareKg)
        .Column("count", b => b.Count)
        .Column("class_from_g", b => b.ClassFromG)
        .ReadBy(r =>
            new(
                r.Long("net"),
                r.Long("pond"),
                r.Int("pull"),
                r.Word<NetFate>("fate"),
                r.Real("gross_kg"),
                r.Real("tare_kg")
            )
            {
                Count = r.MaybeInt("count"),
                ClassFromG = r.MaybeReal("class_from_g"),
            }
        )
        .CheckedBy(BasketChecked)
        .VoidedBy((desk, b, line) => NetQuestions.InLedger(desk, b.NetId, line));

    public static readonly FactTable<NetNoted> Note = new FactTable<NetNoted>("net_note", "at the net")
        .Column("net", n => n.NetId)
        .Pond("pond", n => n.PondId)
        .Column("event", n => n.Event)
        .Column("pull", n => n.Pull)
        .Column("oxygen", n => n.DoMgL)
        .Column("crowd_kg", n => n.CrowdKg)
        .Column("missed", n => n.Missed)
        .ReadBy(r =>
            new(
                r.Long("net"),
                r.Long("pond"),
                r.Word<NetEvent>("event"),
                r.Int("pull"),
                r.MaybeReal("oxygen"),
                r.MaybeReal("crowd_kg"),
                r.Text("missed")
            )
        )
        .CheckedBy((desk, n) => n.Check(NetQuestions.Day(desk, n.NetId), desk.Happened));

    public static readonly FactTable<NetDayClosed> Closed = new FactTable<NetDayClosed>("net_close", "net day closed")
        .Column("net", n => n.NetId)
        .Pond("pond", n => n.PondId)
        .Column("empty", n => n.Empty)
        .Column("note", n => n.Note)
        .Column("damaged", n => n.DamagedOf20)
        .ReadBy(r =>
            new(r.Long("net"), r.Long("pond"), r.Yes("empty"), r.Text("note")) { DamagedOf20 = r.MaybeInt("damaged") }
        )
        .VoidedBy((desk, _, line) => NetQuestions.StandsInLedger(desk, line))
        .CheckedBy(ClosedChecked);

    public static readonly FactTable<HarvestArranged> Arranged = new FactTable<HarvestArranged>(
        "harvest_arranged",
        "arranged for a harvest"
    )
        .Pond("pond", a => a.PondId)
        .Column("day", a => a.On)
        .Column("thing", a => a.Thing)
        .Column("state", a => a.State)
        .Column("who", a => a.Who)
        .ReadBy(r =>
            new(r.Long("pond"), r.Day("day"), r.Word<Arranged>("thing"), r.Word<ArrangedState>("state"), r.Text("who"))
        )
        .CheckedBy((desk, a) => a.Check(desk.Today));

    public static readonly FactTable<CycleReviewed> Reviewed = new FactTable<CycleReviewed>(
        "cycle_review",
        "review of a cycle"
    )
        .Pond("pond", r => r.PondId)
        .Batch("batch", r => r.BatchId)
        .Column("surprise", r => r.Surprise)
        .Column("change", r => r.Change)
        .ReadBy(r => new(r.Long("pond"), r.Long("batch"), r.Text("surprise"), r.Text("change")))
        .CheckedBy(
            (desk, r) =>
                r.Check(FishQuestions.Standing(desk.Connection, desk.AsOf, r.PondId).Exists(b => b.Id == r.BatchId))
        );

    public static IReadOnlyList<FactKind> Kinds { get; } = [Begun, Basket, Note, Closed, Arranged, Reviewed];

    // The net goes in through the same gate as a harvest slip: what is refused there is refused here.
    private static IEnumerable<Remark> BegunChecked(Desk desk, NetDayBegun n)
    {
        foreach (var remark in n.Check(NetQuestions.OpenSince(desk, n)))
            yield return remark;
        foreach (var remark in FishChecks.OfBatch(desk, n.PondId, n.BatchId, _ => FishChecks.NetGoesIn(desk, n)))
            yield return remark;
    }

    private static IEnumerable<Remark> ClosedChecked(Desk desk, NetDayClosed n)
    {
        var tally = NetQuestions.Tally(desk.Connection, desk.AsOf.Known, n.NetId);
        foreach (var remark in n.Check(tally?.Begun, tally?.Waiting.Count ?? 0))
            yield return remark;
        // The corrected line stands later in the log: what came in between would count as written into the ledger.
        if (
            desk.Corrects is { } old
            && tally?.Closes.Append(old).Max() is { } last
            && tally.Baskets.Any(b => b.Line > last)
        )
            yield return Remark.Refuse("Note", "Baskets came in after this close. Close the tally for them first.");
    }

    private static IEnumerable<Remark> BasketChecked(Desk desk, BasketWeighed b)
    {
        var before = NetQuestions.LastBaskets(desk, b);
        foreach (var remark in b.Check(NetQuestions.Day(desk, b.NetId), before, desk.Happened, desk.Hand))
            yield return remark;
        if (desk.Corrects is { } line)
            foreach (var remark in NetQuestions.InLedger(desk, b.NetId, line))
                yield return remark;
        if (b.Fate is NetFate.Returned or NetFate.Dead)
            yield break;
        foreach (var remark in FishChecks.Leaving(desk, b.PondId, desk.Today, "Fate"))
            yield return remark;
    }
}
