using System.Globalization;
using Dorsk.Core.Species;
using Dorsk.Core.Stock;
using Dorsk.Core.Units;

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

    public string Key => "receive";

    public string Title => "Delivery of fish";

    public string Button => "Keep this delivery";

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
        SlipField Tick(string name, string label, bool? old, string hint = "") =>
            c.Yes(name, label, old ?? true ? "true" : "").WithHint(hint);
        return
        [
            .. Lines.When(c),
            c.Choice(
                "Species",
                "Fish",
                f?.SpeciesKey ?? c.Story!.LikelySpecies.Key,
                FishSpecies.All.Select(s => (s.Key, s.Name)).ToList()
            ),
            c.Words("Seller", "From", f?.Seller ?? "").WithHint("hatchery or seller"),
            c.Choice(
                "Source",
                "They are of",
                f?.Source.ToString() ?? "Hatchery",
                Sources.Select(s => (s.Key, s.Name)).ToList()
            ),
            c.Words("Lot", "Batch, strain or tank there", f?.Lot ?? ""),
            c.Whole("Count", "Delivered", f?.Count.ToString(CultureInfo.InvariantCulture) ?? "")
                .WithHint("as the seller says"),
            c.Quantity("MeanWeight", "Average weight", Measures.FishWeight, f?.MeanG),
            c.Quantity("Price", "Paid for all", Measures.Price, f?.Price),
            c.Whole("Dead", "Dead on arrival", f?.Dead ?? 0),
            Tick("Lively", "They flee and swim upright", f?.Lively),
            Tick("Even", "Of one size", f?.Even),
            Tick("Sound", "Fins, skin and gills sound", f?.Sound),
            Tick("Papers", "Papers of origin and health", f?.Papers),
            c.Choice(
                "Verdict",
                "They are",
                f?.Verdict.ToString() ?? "Accepted",
                Verdicts.Select(v => (v.Key, v.Name)).ToList()
            ),
            c.Words("Note", "In words", f?.Note ?? "").WithHint("to the seller, or why"),
        ];
    }

    public Filled Read(SlipForm form, SlipContext c)
    {
        var fact = ReadFact(form, c);
        return new(
            form.When(),
            [fact],
            $"{c.Story!.Pond.Code} delivery {form.Text("Count")} {form.Text("Species").Replace('_', ' ')} from {fact.Seller}, {Word(fact.Verdict)}",
            fact.Against.Count > 0 && fact.Count > 0 ? [new("Speaks against", fact.Against[0].Reason)] : []
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
            form.Yes("Lively"),
            form.Yes("Even"),
            form.Yes("Sound"),
            form.Yes("Papers"),
            form.MaybeQuantity("Price", Measures.Price),
            form.Choice(
                "Verdict",
                Verdicts.Select(v => (v.Key, v.Verdict)).ToList(),
                "verdict",
                DeliveryVerdict.Accepted
            ),
            form.Text("Note")
        );
}
