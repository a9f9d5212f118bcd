using System.Globalization;
using Dorsk.Core.Species;
using Dorsk.Core.Stock;
using Dorsk.Core.Units;
using Dorsk.Core.Water;

namespace Dorsk.Web.Slips;

/// <summary>A delivery of fingerlings, looked over before any fish is let go.</summary>
internal sealed class ReceiveSlip : ISlip
{
    private static readonly (string Key, string Name, DeliveryVerdict Verdict)[] Verdicts =
    [
        ("Accepted", "accepted", DeliveryVerdict.Accepted),
        ("AcceptedWithNote", "accepted, with a note to the seller", DeliveryVerdict.AcceptedWithNote),
        ("Refused", "refused", DeliveryVerdict.Refused),
    ];

    private static readonly (string Key, string Name, SeedSource Source)[] Sources =
    [
        ("Hatchery", "a hatchery", SeedSource.Hatchery),
        ("OwnFarm", "own farm", SeedSource.OwnFarm),
        ("Dealer", "a dealer, several farms", SeedSource.Dealer),
        ("Wild", "gathered in the wild", SeedSource.Wild),
    ];

    private static readonly (string Key, string Name, SeedStage Stage)[] Stages =
    [
        ("Unsaid", "not said", SeedStage.Unsaid),
        ("PostLarvae", "post-larvae (PL)", SeedStage.PostLarvae),
        ("Fry", "fry", SeedStage.Fry),
        ("Fingerling", "fingerlings, juveniles", SeedStage.Fingerling),
        ("Larger", "larger fish", SeedStage.Larger),
    ];

    private static readonly (string Name, string Label, Func<FishReceived, bool> Of)[] Looked =
    [
        ("Lively", "They flee and swim upright", f => f.Lively),
        ("Even", "Of one size", f => f.Even),
        ("Sound", "Fins, skin and gills sound", f => f.Sound),
        ("Papers", "Papers of origin and health", f => f.Papers),
    ];

    public string Key => "receive";

    public string Title => "Delivery of fish";

    public string Button => "Record this delivery";

    public bool OfPond => true;

    public string FactKind => nameof(FishReceived);

    public string Section => "acclimate";

    public string Caution =>
        "Look before you open: bags tight, fish upright. Sick fish are never let in to make room; some diseases must be reported.";

    /// <summary>Verdict in words.</summary>
    public static string Word(DeliveryVerdict verdict) => Verdicts.First(v => v.Verdict == verdict).Name;

    public IReadOnlyList<SlipField> Fields(SlipContext c)
    {
        var f = c.Old<FishReceived>();
        return
        [
            .. Lines.When(c),
            .. WhatCame(c, f),
            c.Heading("Looked over"),
            c.Whole("Dead", "Dead on arrival", f?.Dead ?? 0),
            .. Looked.Select(l => c.Looked(l.Name, l.Label, f is null ? null : l.Of(f))),
            c.Choice(
                "Verdict",
                "They are",
                f?.Verdict.ToString() ?? "",
                [("", "not decided yet"), .. Verdicts.Select(v => (v.Key, v.Name))]
            ),
            c.Words("Note", "In words", f?.Note ?? "").WithHint("to the seller, or why"),
            .. HowTheyCame(c, f),
        ];
    }

    private static IEnumerable<SlipField> WhatCame(SlipContext c, FishReceived? f) =>
        [
            c.Fish("Species", "Fish", f?.SpeciesKey ?? c.Story!.LikelySpecies.Key),
            c.Words("Seller", "From", f?.Seller ?? "").WithHint("hatchery or seller"),
            c.Choice(
                "Source",
                "They come from",
                f?.Source.ToString() ?? "Hatchery",
                Sources.Select(s => (s.Key, s.Name)).ToList()
            ),
            c.Words("Lot", "Lot, strain or tank there", f?.Lot ?? ""),
            c.Choice("Stage", "Stage", f?.Stage ?? SeedStage.Unsaid, Stages.Select(s => (s.Key, s.Name)).ToList()),
            c.Choice(
                "Type",
                "Stock is",
                f?.Type ?? StockType.Unsaid,
                [
                    .. Enum.GetValues<StockType>()
                        .Select(t => (t.ToString(), t == StockType.Unsaid ? "not said" : t.Word())),
                ]
            ),
            c.Whole("StageDay", "Day of post-larva", f?.StageDay).WithHint("10 for PL10"),
            c.Whole("Count", "Number delivered", f?.Count.ToString(CultureInfo.InvariantCulture) ?? "")
                .WithHint("as the seller says"),
            c.Quantity("MeanWeight", "Average weight", Measures.FishWeight, f?.MeanG),
            c.Quantity("Length", "Usual length", Measures.ShortLength, f?.LengthM).WithHint("if they are sold by it"),
            c.Quantity("Price", "Paid for all", Measures.Price, f?.Price),
        ];

    private static IEnumerable<SlipField> HowTheyCame(SlipContext c, FishReceived? f) =>
        [
            c.Fold("Bags and the way"),
            c.Whole("Bags", "Bags", f?.Bags),
            c.Whole("SlackBags", "of them slack or leaking", f?.SlackBags),
            c.Yes("FoulWater", "The water they came in smells foul", f?.FoulWater == true ? "true" : ""),
            c.Whole("BasinMinutes", "Minutes in basins", f?.BasinMinutes)
                .WithHint("own fry, from the seine to clean water"),
            c.Yes("BasinAir", "The basins were aerated", f?.BasinAir == true ? "true" : ""),
        ];

    public Filled Read(SlipForm form, SlipContext c)
    {
        var fact = ReadFact(form, c);
        return new(
            form.When(),
            [fact],
            $"{c.Story!.Pond.Code} delivery {form.Text("Count")} {form.Text("Species").Replace('_', ' ')} from {fact.Seller}, {Word(fact.Verdict)}",
            [.. Told(fact, c)]
        )
        {
            Section = fact.Verdict == DeliveryVerdict.Refused ? "stock" : null,
        };
    }

    // Until somebody has looked nothing speaks for them or against them.
    private static IEnumerable<Computed> Told(FishReceived f, SlipContext c)
    {
        if (f.Count < 1 || FishSpecies.Find(f.SpeciesKey) is null)
            yield break;
        foreach (var against in DeliveryLook.Against(f, c.Here.Hand))
            yield return new("Against them", against.Reason);
        var (days, _) = DeliveryLook.HoldApart(f, c.Story!.LastOf(Parameter.Temperature)?.Si ?? Quarantine.UsualWaterC);
        yield return new(
            "Hold apart",
            $"{c.Here.Count(days)} days, until {c.Here.Day(c.Here.Today.AddDays(days))}, before they meet other fish"
        );
    }

    private static FishReceived ReadFact(SlipForm form, SlipContext c) =>
        new FishReceived(
            c.PondId,
            form.Text("Species"),
            form.Text("Seller"),
            form.Text("Lot"),
            form.Choice("Source", Sources.Select(s => (s.Key, s.Source)).ToList(), "source", SeedSource.Hatchery),
            form.Whole("Count", "fish"),
            form.Quantity("MeanWeight", Measures.FishWeight),
            form.Empty("Dead") ? 0 : form.Whole("Dead", "fish"),
            form.Looked("Lively"),
            form.Looked("Even"),
            form.Looked("Sound"),
            form.Looked("Papers"),
            form.MaybeQuantity("Price", Measures.Price),
            form.Choice(
                "Verdict",
                Verdicts.Select(v => (v.Key, v.Verdict)).ToList(),
                "verdict",
                DeliveryVerdict.Accepted
            ),
            form.Text("Note")
        )
        {
            DeliveryId = c.Old<FishReceived>()?.DeliveryId ?? 0,
            Stage = form.Has("Stage")
                ? form.Choice("Stage", Stages.Select(s => (s.Key, s.Stage)).ToList(), "stage", SeedStage.Unsaid)
                : SeedStage.Unsaid,
            Type = form.Has("Type")
                ? form.Choice(
                    "Type",
                    [.. Enum.GetValues<StockType>().Select(t => (t.ToString(), t))],
                    "kind of stock",
                    StockType.Unsaid
                )
                : StockType.Unsaid,
            StageDay = form.MaybeWhole("StageDay", "days"),
            LengthM = form.MaybeQuantity("Length", Measures.ShortLength),
            Bags = form.MaybeWhole("Bags", "bags"),
            SlackBags = form.MaybeWhole("SlackBags", "bags"),
            FoulWater = form.Yes("FoulWater"),
            BasinMinutes = form.MaybeWhole("BasinMinutes", "minutes"),
            BasinAir = form.Yes("BasinAir"),
        };
}
