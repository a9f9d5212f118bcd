using Dorsk.Core.Stock;
using Dorsk.Farm.Facts;
using Dorsk.Farm.Sql;

namespace Dorsk.Farm.Fish;

/// <summary>Fish and where they stand: stockings, losses, moves, counts, samples, harvests, quarantine; each movement with its postings.</summary>
internal static class FishFacts
{
    public static readonly FactTable<FishStocked> Stocked = new FactTable<FishStocked>(
        "stocking",
        "stocked",
        Reach.Batch
    )
        .Itself("batch", _ => 0, Refers.Batch)
        .Pond("pond", f => f.PondId)
        .Species("species", f => f.SpeciesKey)
        .Column("origin", f => f.Origin)
        .Column("count", f => f.Count)
        .Column("mean_g", f => f.MeanG)
        .Column("basis", f => f.Basis)
        .Column("not_ready_reason", f => f.NotReadyReason)
        .Column("target_g", f => f.TargetG)
        .Column("delivery", f => f.DeliveryId)
        .Column("taken_over", f => f.TakenOver)
        .Column("hatch_lot", f => f.HatchLotId)
        .ReadBy(r =>
            new(
                r.Long("pond"),
                r.Text("species"),
                r.Text("origin"),
                r.Int("count"),
                r.Real("mean_g"),
                r.Word<CountBasis>("basis"),
                r.Text("not_ready_reason"),
                r.MaybeReal("target_g")
            )
            {
                DeliveryId = r.MaybeLong("delivery"),
                TakenOver = r.Yes("taken_over"),
                HatchLotId = r.MaybeLong("hatch_lot"),
            }
        )
        .CheckedBy(FishChecks.Stocked)
        .Afterwards((desk, f) => Post(desk, Posted.Of(f, BatchOf(desk))));

    public static readonly FactTable<FishLost> Lost = new FactTable<FishLost>("loss", "loss", Reach.Batch)
        .Pond("pond", f => f.PondId)
        .Batch("batch", f => f.BatchId)
        .Column("count", f => f.Count)
        .Column("account", f => f.To)
        .Column("cause", f => f.Cause)
        .Column("found_share", f => f.FoundShare)
        .Column("sizes", f => f.Sizes)
        .Column("place", f => f.Place)
        .Column("look", f => f.Look)
        .Column("mass_kg", f => f.MassKg)
        .Column("disposal", f => f.Disposal)
        .Column("photo", f => f.Photo)
        .ReadBy(r =>
            new(r.Long("pond"), r.Long("batch"), r.Int("count"), r.Word<Account>("account"), r.Text("cause"))
            {
                FoundShare = r.MaybeReal("found_share"),
                Sizes = r.Text("sizes"),
                Place = r.Text("place"),
                Look = r.Text("look"),
                MassKg = r.MaybeReal("mass_kg"),
                Disposal = r.Text("disposal"),
                Photo = r.Text("photo"),
            }
        )
        .CheckedBy(
            (desk, f) =>
                FishChecks.OfBatch(desk, f.PondId, f.BatchId, b =>
                    StockRules.Check(f, b, desk.Happened, desk.Hand).Concat(DeadLook.Check(f))
                )
        )
        .Afterwards((desk, f) => Post(desk, Posted.Of(f, FishChecks.Stands(desk, f.PondId, f.BatchId))));

    /// <summary>A loss of guessed size posts nothing: the books follow when fish are counted or the batch is closed.</summary>
    public static readonly FactTable<LossGuessed> Guessed = new FactTable<LossGuessed>(
        "loss_guessed",
        "loss, guessed",
        Reach.Batch
    )
        .Pond("pond", f => f.PondId)
        .Batch("batch", f => f.BatchId)
        .Column("low_share", f => f.LowShare)
        .Column("high_share", f => f.HighShare)
        .Column("began", f => f.Began)
        .Column("cause", f => f.Cause)
        .ReadBy(r =>
            new(
                r.Long("pond"),
                r.Long("batch"),
                r.Real("low_share"),
                r.Real("high_share"),
                r.Day("began"),
                r.Text("cause")
            )
        )
        .CheckedBy(
            (desk, f) =>
                FishChecks.OfBatch(desk, f.PondId, f.BatchId, b =>
                    f.Check(b, desk.Today, desk.Zone.DayOf(b.Stocked), desk.Hand)
                )
        );

    public static readonly FactTable<FishMoved> Moved = new FactTable<FishMoved>("move", "moved", Reach.Batch)
        .Pond("pond", f => f.PondId)
        .Pond("to_pond", f => f.ToPondId)
        .Batch("batch", f => f.BatchId)
        .Column("count", f => f.Count)
        .Column("mean_g", f => f.MeanG)
        .Column("basis", f => f.Basis)
        .ReadBy(r =>
            new(
                r.Long("pond"),
                r.Long("to_pond"),
                r.Long("batch"),
                r.Int("count"),
                r.Real("mean_g"),
                r.Word<CountBasis>("basis")
            )
        )
        .CheckedBy((desk, f) => FishChecks.OfBatch(desk, f.PondId, f.BatchId, b => FishChecks.Moved(desk, f, b)))
        .Afterwards((desk, f) => Post(desk, Posted.Of(f, FishChecks.Stands(desk, f.PondId, f.BatchId))));

    /// <summary>A count posts nothing: what it differs by depends on lines before it that may still come, so the ledger works it out.</summary>
    public static readonly FactTable<FishRecounted> Recounted = new FactTable<FishRecounted>(
        "recount",
        "inventory count",
        Reach.Batch
    )
        .Pond("pond", f => f.PondId)
        .Batch("batch", f => f.BatchId)
        .Column("count", f => f.Count)
        .Column("basis", f => f.Basis)
        .Column("reason", f => f.Reason)
        .ReadBy(r =>
            new(r.Long("pond"), r.Long("batch"), r.Int("count"), r.Word<CountBasis>("basis"), r.Text("reason"))
        )
        .CheckedBy(
            (desk, f) =>
                FishChecks.OfBatch(desk, f.PondId, f.BatchId, b => StockRules.Check(f, b, desk.Happened, desk.Hand))
        );

    public static readonly FactTable<QuarantineNoted> Quarantine = new FactTable<QuarantineNoted>(
        "quarantine",
        "quarantine"
    )
        .Pond("pond", f => f.PondId)
        .Batch("batch", f => f.BatchId)
        .Column("event", f => f.Event)
        .Column("days", f => f.Days)
        .Column("calm", f => f.Calm)
        .Column("no_air", f => f.NoAir)
        .Column("no_rest", f => f.NoRest)
        .Column("text", f => f.Text)
        .ReadBy(r =>
            new(
                r.Long("pond"),
                r.Long("batch"),
                r.Word<QuarantineEvent>("event"),
                r.MaybeInt("days"),
                r.Yes("calm"),
                r.Text("text")
            )
            {
                NoAir = r.Yes("no_air"),
                NoRest = r.Yes("no_rest"),
            }
        )
        .CheckedBy((desk, f) => FishChecks.OfBatch(desk, f.PondId, f.BatchId, _ => FishChecks.Quarantined(desk, f)));

    public static readonly FactTable<FishSampled> Sampled = new FactTable<FishSampled>("sample", "sample")
        .Pond("pond", f => f.PondId)
        .Batch("batch", f => f.BatchId)
        .Column("single", f => f.Single)
        .Column("net_radius_m", f => f.NetRadiusM)
        .Column("mesh_mm", f => f.MeshMm)
        .Rows(
            "weighing",
            f => f.Weighings.Select((w, n) => (w.Count, w.MassG, LengthM: f.LengthsM.ElementAtOrDefault(n))),
            ("count", w => w.Count),
            ("mass_g", w => w.MassG),
            ("length_m", w => w.LengthM)
        )
        .Set("sample_mark", f => f.Marks.Where(m => m.Fish > 0), ("mark", m => m.Mark), ("fish", m => m.Fish))
        .ReadBy(SampleOf)
        .CheckedBy(
            (desk, f) =>
                FishChecks.OfBatch(desk, f.PondId, f.BatchId, b =>
                    StockRules
                        .Check(f, b, desk.Happened, FishChecks.ExpectedG(desk, f.BatchId, f.PondId), desk.Hand)
                        .Concat(FishChecks.Sampled(desk, f))
                )
        );

    public static readonly FactTable<FishHarvested> Harvested = new FactTable<FishHarvested>(
        "harvest",
        "harvest",
        Reach.Batch
    )
        .Pond("pond", f => f.PondId)
        .Batch("batch", f => f.BatchId)
        .Column("count", f => f.Count)
        .Column("mass_kg", f => f.MassKg)
        .Column("basis", f => f.Basis)
        .Column("account", f => f.To)
        .Column("final", f => f.Final)
        .Column("difference_reason", f => f.DifferenceReason)
        .ReadBy(r =>
            new(
                r.Long("pond"),
                r.Long("batch"),
                r.Int("count"),
                r.Real("mass_kg"),
                r.Word<CountBasis>("basis"),
                r.Word<Account>("account"),
                r.Yes("final"),
                r.Text("difference_reason")
            )
        )
        .CheckedBy(
            (desk, f) =>
                FishChecks.OfBatch(desk, f.PondId, f.BatchId, b =>
                    StockRules
                        .Check(f, b, desk.Happened, FishChecks.ExpectedG(desk, f.BatchId, f.PondId), desk.Hand)
                        .Concat(FishChecks.Harvested(desk, f))
                        .Concat(desk.Corrects is { } line ? SaleBook.Sales(desk, line, f.MassKg) : [])
                )
        )
        .VoidedBy((desk, _, line) => SaleBook.Sales(desk, line, 0))
        .Afterwards((desk, f) => Post(desk, Posted.Of(f, FishChecks.Stands(desk, f.PondId, f.BatchId))));

    public static IReadOnlyList<FactKind> Kinds { get; } =
    [Stocked, Lost, Guessed, Moved, Recounted, Quarantine, Sampled, Harvested];

    private static FishSampled SampleOf(FactRow r)
    {
        var weighings = r.Rows("weighing", w =>
            (Count: w.Int("count"), MassG: w.Real("mass_g"), LengthM: w.MaybeReal("length_m"))
        );
        return new(r.Long("pond"), r.Long("batch"), r.Yes("single"), weighings.ConvertAll(w => (w.Count, w.MassG)))
        {
            LengthsM = weighings.Exists(w => w.LengthM is not null) ? weighings.ConvertAll(w => w.LengthM) : [],
            NetRadiusM = r.MaybeReal("net_radius_m"),
            MeshMm = r.MaybeReal("mesh_mm"),
            Marks = r.Rows("sample_mark", m => new MarkCount(m.Word<HealthMark>("mark"), m.Int("fish")), "mark"),
        };
    }

    private static long BatchOf(Desk desk) =>
        Sqlite.Number(desk.Connection, "SELECT batch FROM stocking WHERE line = $line", ("line", desk.Line));

    private static void Post(Desk desk, IReadOnlyList<Posting> postings)
    {
        foreach (var (p, n) in postings.Select((p, n) => (p, n)))
            Sqlite.Run(
                desk.Connection,
                """
                INSERT INTO posting(line, n, batch, account, pond, count, mass_g, basis)
                VALUES ($line, $n, $batch, $account, $pond, $count, $g, $basis)
                """,
                ("line", desk.Line),
                ("n", n),
                ("batch", p.BatchId),
                ("account", p.Account),
                ("pond", p.PondId),
                ("count", p.Count),
                ("g", p.MassG),
                ("basis", p.Basis)
            );
    }
}
