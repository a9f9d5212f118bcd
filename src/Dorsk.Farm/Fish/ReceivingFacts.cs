using Dorsk.Core.Acclimate;
using Dorsk.Core.Judging;
using Dorsk.Core.Stock;
using Dorsk.Farm.Facts;

namespace Dorsk.Farm.Fish;

/// <summary>Deliveries on arrival, and acclimations.</summary>
internal static class ReceivingFacts
{
    public static readonly FactTable<FishReceived> Received = new FactTable<FishReceived>(
        "fish_received",
        "fish delivery"
    )
        .Pond("pond", f => f.PondId)
        .Species("species", f => f.SpeciesKey)
        .Column("seller", f => f.Seller)
        .Column("lot", f => f.Lot)
        .Column("source", f => f.Source)
        .Column("count", f => f.Count)
        .Column("mean_g", f => f.MeanG)
        .Column("dead", f => f.Dead)
        .Column("lively", f => f.Lively)
        .Column("even", f => f.Even)
        .Column("sound", f => f.Sound)
        .Column("papers", f => f.Papers)
        .Column("price", f => f.Price)
        .Column("verdict", f => f.Verdict)
        .Column("note", f => f.Note)
        .Itself("delivery", f => f.DeliveryId)
        .Column("stage", f => f.Stage)
        .Column("stage_day", f => f.StageDay)
        .Column("stock_type", f => f.Type)
        .Column("length_m", f => f.LengthM)
        .Column("bags", f => f.Bags)
        .Column("slack_bags", f => f.SlackBags)
        .Column("foul_water", f => f.FoulWater)
        .Column("basin_minutes", f => f.BasinMinutes)
        .Column("basin_air", f => f.BasinAir)
        .ReadBy(ReceivedOf)
        .CheckedBy(DeliveryChecks.Received)
        .VoidedBy(DeliveryChecks.Voided);

    public static readonly FactTable<AcclimationBegun> Begun = new FactTable<AcclimationBegun>(
        "acclimation",
        "acclimation"
    )
        .Pond("pond", f => f.PondId)
        .Species("species", f => f.SpeciesKey)
        .Column("mean_g", f => f.MeanG)
        .Column("fish", f => f.Fish)
        .Column("origin", f => f.Origin)
        .Column("hours_in_bag", f => f.HoursInBag)
        .Column("school", f => f.School)
        .Column("own_note", f => f.Own?.Note)
        .Column("own_temp_c_h", f => f.Own?.TempCPerH)
        .Column("own_ph_h", f => f.Own?.PhPerH)
        .Column("own_salinity_h", f => f.Own?.SalinityPptPerH)
        .Rows(
            "acclimation_water",
            f => f.Places.Prepend(f.Bag),
            ("temp_c", w => w.TempC),
            ("ph", w => w.Ph),
            ("salinity", w => w.SalinityPpt),
            ("tan", w => w.TanMgL),
            ("oxygen", w => w.DoMgL),
            ("alkalinity", w => w.AlkalinityMgL)
        )
        .ReadBy(BegunOf)
        .CheckedBy((_, f) => CheckBegun(f));

    public static readonly FactTable<AcclimationNoted> Noted = new FactTable<AcclimationNoted>(
        "acclimation_note",
        "acclimation step"
    )
        .Column("run", f => f.RunId)
        .Pond("pond", f => f.PondId)
        .Column("event", f => f.Event)
        .Column("step", f => f.Step)
        .Column("temp_c", f => f.TempC)
        .Column("ph", f => f.Ph)
        .Column("salinity", f => f.SalinityPpt)
        .Column("oxygen", f => f.DoMgL)
        .Column("count", f => f.Count)
        .Column("text", f => f.Text)
        .Column("tan", f => f.TanMgL)
        .ReadBy(r =>
            new(
                r.Long("run"),
                r.Long("pond"),
                r.Word<AccEvent>("event"),
                r.Text("step"),
                r.MaybeReal("temp_c"),
                r.MaybeReal("ph"),
                r.MaybeReal("salinity"),
                r.MaybeReal("oxygen"),
                r.MaybeInt("count"),
                r.Text("text")
            )
            {
                TanMgL = r.MaybeReal("tan"),
            }
        )
        .CheckedBy(CheckNoted);

    public static IReadOnlyList<FactKind> Kinds { get; } = [Received, Begun, Noted];

    private static FishReceived ReceivedOf(FactRow r) =>
        new(
            r.Long("pond"),
            r.Text("species"),
            r.Text("seller"),
            r.Text("lot"),
            r.Word<SeedSource>("source"),
            r.Int("count"),
            r.Real("mean_g"),
            r.Int("dead"),
            r.Yes("lively"),
            r.Yes("even"),
            r.Yes("sound"),
            r.Yes("papers"),
            r.MaybeReal("price"),
            r.Word<DeliveryVerdict>("verdict"),
            r.Text("note")
        )
        {
            DeliveryId = r.Long("delivery"),
            Stage = r.Word<SeedStage>("stage"),
            StageDay = r.MaybeInt("stage_day"),
            Type = r.Word<StockType>("stock_type"),
            LengthM = r.MaybeReal("length_m"),
            Bags = r.MaybeInt("bags"),
            SlackBags = r.MaybeInt("slack_bags"),
            FoulWater = r.Yes("foul_water"),
            BasinMinutes = r.MaybeInt("basin_minutes"),
            BasinAir = r.Yes("basin_air"),
        };

    private static AcclimationBegun BegunOf(FactRow r)
    {
        var waters = r.Rows("acclimation_water", w => new AccWater(
            w.Real("temp_c"),
            w.Real("ph"),
            w.Real("salinity"),
            w.MaybeReal("tan"),
            w.MaybeReal("oxygen"),
            w.MaybeReal("alkalinity")
        ));
        return new(
            r.Long("pond"),
            r.Text("species"),
            r.Real("mean_g"),
            r.Int("fish"),
            r.Text("origin"),
            waters[0],
            [.. waters.Skip(1)],
            r.Real("hours_in_bag"),
            r.Word<AccSchool>("school")
        )
        {
            Own = r.MaybeText("own_note") is { } note
                ? new(note, r.MaybeReal("own_temp_c_h"), r.MaybeReal("own_ph_h"), r.MaybeReal("own_salinity_h"))
                : null,
        };
    }

    private static IEnumerable<Remark> CheckBegun(AcclimationBegun f)
    {
        if (f.Fish is < 1 or > StockRules.MostFish)
            yield return Remark.Refuse("fish", "Takes 1 to 10 million fish.");
        if (f.Places.Count == 0)
            yield return Remark.Refuse("t1", "Read the pond at one place at least; three tell more.");
        if (f.Origin.Length > 80)
            yield return Remark.Refuse("origin", "At most 80 letters.");
        foreach (var remark in f.Own?.Check() ?? [])
            yield return remark;
    }

    private static IEnumerable<Remark> CheckNoted(Desk desk, AcclimationNoted f) =>
        ReceivingQuestions.Run(desk.Connection, desk.AsOf.Known, desk.Hand, f.RunId) is { } run
        && run.Begun.PondId == f.PondId
            ? f.Check(run, desk.Happened)
            : [Remark.Refuse("", "There is no such acclimation, or it was taken back.")];
}
