using System.Globalization;
using Dorsk.Core.Health;
using Dorsk.Core.People;
using Dorsk.Core.Units;

namespace Dorsk.Web.Slips;

/// <summary>A treatment of a pond: the dose is worked out for this water or these fish as it is typed.</summary>
internal sealed class TreatmentSlip : ISlip
{
    private const double BagKg = 25;

    public string Key => "treatment";

    public string Title => "Treatment";

    public string Button => "Save this treatment";

    public bool OfPond => true;

    public string FactKind => nameof(TreatmentGiven);

    public string Section => "health";

    public string Caution =>
        "Water first, then a vet: most sick fish have sick water. The label rules; gloves, goggles, no wind in the face; a few fish first.";

    public string? CannotStart(SlipContext c) =>
        c.Questions.Products().All(p => p.Product.Dropped)
            ? "No product is in the register yet. A manager describes it from its label first (Health, products)."
            : null;

    public IReadOnlyList<SlipField> Fields(SlipContext c)
    {
        var old = c.Old<TreatmentGiven>();
        var products = c.Questions.Products().Where(p => !p.Product.Dropped || p.Product.ProductId == old?.ProductId);
        return
        [
            .. Lines.When(c),
            c.Choice(
                "Product",
                "Product",
                old?.ProductId.ToString(CultureInfo.InvariantCulture) ?? "",
                [
                    .. products.Select(p =>
                        (
                            p.Product.ProductId.ToString(CultureInfo.InvariantCulture),
                            $"{p.Product.Name}, {DoseWords.Kind(p.Product.Kind)}"
                        )
                    ),
                ]
            ),
            c.Quantity("Amount", "Amount of product", Measures.Mass, old?.AmountG / 1000)
                .WithHint("one dose, or one day's feed; the dose for this pond stands below"),
            c.Whole("Days", "Days it is given", old?.Days ?? 1),
            c.Words("Reason", "Found, and given against", old?.Reason ?? ""),
            c.Words("Vet", "Prescribed or advised by", old?.Vet ?? ""),
            c.Quantity("Demand", "Demand of the water, tested", Measures.Concentration, old?.DemandMgL)
                .WithHint("only for permanganate, peroxide, chlorine"),
            c.Words("PassedReason", "Why it cannot wait for today's water", old?.PassedReason ?? "")
                .WithHint("a manager's word, which is kept; empty when the water was read"),
        ];
    }

    public Filled Read(SlipForm form, SlipContext c)
    {
        var products = c.Questions.Products().Select(p => p.Product).ToList();
        var product = form.Choice(
            "Product",
            [.. products.Select(p => (p.ProductId.ToString(CultureInfo.InvariantCulture), (ProductDescribed?)p))],
            "product",
            null
        );
        var passed = form.Text("PassedReason");
        if (passed.Length > 0 && passed != c.Old<TreatmentGiven>()?.PassedReason && !c.Here.May(Permission.Manage))
            form.Refuse("PassedReason", "Only a manager may pass the water panel.");
        var kg = form.Quantity("Amount", Measures.Mass);
        var fact = new TreatmentGiven(
            c.PondId,
            product?.ProductId ?? 0,
            kg * 1000,
            form.MaybeWhole("Days", "days") ?? 1,
            form.Text("Reason"),
            form.Text("Vet")
        )
        {
            PassedReason = passed,
            DemandMgL = form.MaybeQuantity("Demand", Measures.Concentration),
        };
        return new(
            form.When(),
            [fact],
            $"{c.Story!.Pond.Code} treated: {product?.Name} {form.Text("Amount")}".Trim(),
            product is null ? [] : [.. Told(product, fact, c)]
        );
    }

    private static IEnumerable<Computed> Told(ProductDescribed product, TreatmentGiven fact, SlipContext c)
    {
        var hand = c.Here.Hand;
        var dosed = c.Story!.Health.DosedAt(c.Here.Now);
        string Amount(double g) =>
            DoseWords.Amount(g, hand)
            + (
                DoseSum.Millilitres(product, g) is { } ml
                    ? $", {QuantityText.Write(ml / 1e6, Measures.SmallVolume, hand)}"
                    : ""
            )
            + (DoseSum.Packs(product, g) is { } packs ? $", {hand.Short(packs, 2)} packs" : "");
        if (product.GoesIntoWater)
            yield return new("Water here now", QuantityText.Write(dosed.VolumeM3, Measures.Volume, hand));
        else if (dosed.BiomassKg is { } kg)
            yield return new(
                "Fish here now",
                $"{QuantityText.Write(kg.Low, Measures.Mass, hand)} to {QuantityText.Write(kg.High, Measures.Mass, hand)}, likely {QuantityText.Write(kg.Value, Measures.Mass, hand)}"
            );
        if (DoseSum.Grams(product, dosed) is not { } grams)
        {
            yield return new("Dose", "not known: read the gauge level, or record what stands");
            yield break;
        }
        yield return new("Least of the label", Amount(grams.LowG));
        yield return new("Most of the label", Amount(grams.HighG));
        if (!product.GoesIntoWater)
            yield return new("If there are as few as may be, never over", Amount(grams.ForFewG));
        if (DoseSum.DoseOf(product, fact.AmountG, dosed) is { } dose && double.IsFinite(dose))
            yield return new(
                "What you typed is",
                $"{hand.Short(dose, 3)} {DoseWords.Unit(product.Basis)}; label {hand.Short(product.DoseLow, 3)} to {hand.Short(product.DoseHigh, 3)}"
            );
        if (!product.GoesIntoWater && c.Story.NowAt(c.Here.Now).RationKg is > 0 and var ration && fact.AmountG > 0)
            yield return new(
                $"In a bag of {QuantityText.Write(BagKg, Measures.Mass, hand)} of feed",
                DoseWords.Amount(BagKg * DoseSum.GramsPerKgFeed(fact.AmountG, ration), hand)
            );
        if (product.How.Length > 0)
            yield return new("How", product.How);
        if (
            fact.Days is >= 1 and <= 200
            && Withdrawal.Of(product, fact, c.Here.Today, c.Here.Today, c.Story.TemperatureAhead) is { } withdrawal
        )
            yield return new("No fish leave before", c.Here.Day(withdrawal.Until));
    }
}
