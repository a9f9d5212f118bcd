using System.Globalization;
using Dorsk.Core.Growth;
using Dorsk.Core.Hatchery;
using Dorsk.Core.People;
using Dorsk.Core.Species;
using Dorsk.Core.Stock;
using Dorsk.Core.Units;

namespace Dorsk.Web.Slips;

/// <summary>Fingerlings into a pond.</summary>
internal sealed class StockSlip : ISlip
{
    private static readonly (string, CountBasis)[] Bases =
    [
        ("ByWeight", CountBasis.ByWeight),
        ("Counted", CountBasis.Counted),
        ("ByVolume", CountBasis.ByVolume),
        ("Assumed", CountBasis.Assumed),
    ];

    public string Key => "stock";

    public Permission Needs => Permission.Manage;

    public string Title => "Stocking slip";

    public string Button => "Stock them";

    public bool OfPond => true;

    public string FactKind => nameof(FishStocked);

    public string Section => "stock";

    public string Caution => "Non-native fish need a licence and escape screens in many places: check before you buy.";

    public IReadOnlyList<SlipField> Fields(SlipContext c)
    {
        var f = c.Old<FishStocked>();
        return FieldsOf(c, f);
    }

    private static IReadOnlyList<SlipField> FieldsOf(SlipContext c, FishStocked? f)
    {
        var deliveries = Deliveries(c, f?.DeliveryId);
        var likely = Likely(c);
        // The delivery that waits here is the one that is stocked.
        var came = f is null ? deliveries.LastOrDefault(d => d.At <= c.Here.Now).Fact : null;
        return
        [
            c.Yes("TakenOver", "They were in it before Dorsk", f?.TakenOver == true ? "true" : "")
                .WithHint("taken over as they stand: no preparation, delivery or reason is asked"),
            .. Lines.When(c),
            c.Fish(
                "Species",
                "Fish",
                f?.SpeciesKey ?? came?.SpeciesKey ?? likely,
                likely.Length == 0 ? "choose" : null
            ),
            c.Choice(
                    "Delivery",
                    "Delivery",
                    Number(f?.DeliveryId ?? came?.DeliveryId),
                    [
                        ("", deliveries.Count == 0 ? "none recorded" : "none of these"),
                        .. deliveries.Select(d => (Number(d.Fact.DeliveryId), DeliveryWords(c, d.At, d.Fact))),
                    ]
                )
                .WithHint("ties the batch to its lot, from delivery to sale"),
            .. OwnLot(c, f?.HatchLotId),
            c.Words("Origin", "From", f?.Origin ?? came?.Origin ?? "").WithHint("hatchery or supplier"),
            c.Whole("Count", "How many", f?.Count ?? came?.Alive),
            c.Choice(
                "Basis",
                "Counted how",
                f?.Basis.ToString() ?? "ByWeight",
                [
                    ("ByWeight", $"by weight, ± {Pct(StandingSettings.ByWeightShare)} %"),
                    ("Counted", $"one by one, ± {Pct(StandingSettings.CountedShare)} %"),
                    ("ByVolume", $"by volume, ± {Pct(StandingSettings.ByWeightShare)} %"),
                    ("Assumed", "assumed"),
                ]
            ),
            c.Quantity("MeanWeight", "Average weight", Measures.FishWeight, f?.MeanG ?? came?.MeanG)
                .WithHint(MeanHint(c)),
            c.Quantity("Target", "Target weight at harvest", Measures.FishWeight, f?.TargetG)
                .WithHint("empty: market size of the species"),
            c.Words("NotReadyReason", "Why now, if not declared ready or not held apart", f?.NotReadyReason ?? "")
                .WithHint("kept with the batch"),
        ];
    }

    // Offered only where the farm has fry of its own to stock.
    private static IEnumerable<SlipField> OwnLot(SlipContext c, long? old)
    {
        var lots = FryLots(c, old);
        if (lots.Count > 0)
            yield return c.Choice(
                    "HatchLot",
                    "Own lot of fry",
                    Number(old),
                    [("", "none of these"), .. lots.ConvertAll(l => (Number(l.Lot.LotId), HatchLines.Name(c, l)))]
                )
                .WithHint("taken off the books of the hatchery");
    }

    private static List<LotState> FryLots(SlipContext c, long? old) =>
        HatchLines.Lots(c, old).FindAll(l => l.Lot.Stage != LotStage.Eggs || l.Lot.LotId == old);

    private static string Pct(double share) => (100 * share).ToString("0", CultureInfo.InvariantCulture);

    private const int DaysToStock = 10;

    private static string MeanHint(SlipContext c) =>
        c.Here.Hand.System == UnitSystem.Us
            ? "or how many make a pound: 40/lb; or their length: 3 in"
            : "or how many make a kilogram: 200/kg; or their length: 7 cm";

    // What this pond is meant for; else what the farm stocked last; nothing where it has stocked none.
    private static string Likely(SlipContext c) =>
        c.Story!.Batches.Count > 0 || c.Story.PreparationLine is not null ? c.Story.LikelySpecies.Key
        : c.Questions.HasStocked() ? c.Here.AllSpecies[0].Key
        : "";

    // Taken in the last days for this pond, and not stocked yet; or the one that is corrected.
    private static List<(DateTimeOffset At, FishReceived Fact)> Deliveries(SlipContext c, long? own) =>
        [
            .. c
                .Questions.Deliveries(c.PondId)
                .Where(d =>
                    d.Fact.DeliveryId == own
                    || (
                        d.Fact.Verdict != DeliveryVerdict.Refused
                        && d.At > c.Here.Now.AddDays(-DaysToStock)
                        && c.Story!.Batches.All(b => b.Delivery?.DeliveryId != d.Fact.DeliveryId)
                    )
                )
                .Select(d => (d.At, d.Fact)),
        ];

    private static string DeliveryWords(SlipContext c, DateTimeOffset at, FishReceived d) =>
        $"{c.Here.Day(c.Here.Zone.DayOf(at))}: {c.Here.Count(d.Alive)} {FishSpecies.Of(d.SpeciesKey).Name.ToLowerInvariant()} from {d.Origin}";

    private static string Number(long? number) => number?.ToString(CultureInfo.InvariantCulture) ?? "";

    public Filled Read(SlipForm form, SlipContext c)
    {
        var count = form.Whole("Count", "fish");
        var species = form.Fish("Species");
        var mean = form.MeanWeight("MeanWeight", species);
        var fact = ReadFact(form, c, count, mean);
        var pond = c.Story!.Pond;
        var kg = count * mean / 1000;
        List<Computed> computed =
            double.IsFinite(kg) && count > 0
                ?
                [
                    new("Together", c.Here.Say(kg, Measures.Mass)),
                    pond.ByVolume
                        ? new("Density", c.Here.Say(kg / pond.Shape.FullVolumeM3, Measures.VolumeLoad))
                        : new("Density", c.Here.Say(count / pond.Shape.FullAreaM2, Measures.FishPerArea)),
                ]
                : [];
        return new(
            form.When(),
            [fact],
            $"{pond.Code} stocked {form.Text("Count")} x {form.Text("MeanWeight")} {form.Text("Species").Replace('_', ' ')}",
            computed
        );
    }

    private static FishStocked ReadFact(SlipForm form, SlipContext c, int count, double mean) =>
        new FishStocked(
            c.PondId,
            form.Text("Species"),
            form.Text("Origin"),
            count,
            mean,
            form.Choice("Basis", Bases, "way of counting", CountBasis.ByWeight),
            form.Text("NotReadyReason"),
            form.MaybeQuantity("Target", Measures.FishWeight)
        )
        {
            TakenOver = form.Yes("TakenOver"),
            HatchLotId = form.Empty("HatchLot")
                ? null
                : form.Choice(
                    "HatchLot",
                    FryLots(c, c.Old<FishStocked>()?.HatchLotId)
                        .ConvertAll(l => (Number(l.Lot.LotId), (long?)l.Lot.LotId)),
                    "lot",
                    null
                ),
            DeliveryId = form.Empty("Delivery")
                ? null
                : form.Choice(
                    "Delivery",
                    Deliveries(c, c.Old<FishStocked>()?.DeliveryId)
                        .ConvertAll(d => (Number(d.Fact.DeliveryId), (long?)d.Fact.DeliveryId)),
                    "delivery",
                    null
                ),
        };
}
