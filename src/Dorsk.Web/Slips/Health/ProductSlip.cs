using Dorsk.Core.Health;
using Dorsk.Core.People;
using Dorsk.Core.Units;

namespace Dorsk.Web.Slips;

/// <summary>A product as its label describes it.</summary>
internal sealed class ProductSlip : ISlip
{
    public string Key => "product";

    public Permission Needs => Permission.Manage;

    public string Title => "Product";

    public string Button => "Save this product";

    public bool OfPond => false;

    public string FactKind => nameof(ProductDescribed);

    public string Section => "";

    public string After => "/fish-health/products";

    public string Caution =>
        "Type what the label of your own pack says. The label, the vet and the law where you farm rule; some products are banned in fish for food.";

    public IReadOnlyList<SlipField> Fields(SlipContext c)
    {
        var old = c.Old<ProductDescribed>();
        return
        [
            .. Lines.When(c),
            c.Words("Name", "Name on the pack", old?.Name ?? ""),
            c.Choice("Kind", "Kind", old?.Kind.ToString() ?? "", Options<ProductKind>(k => DoseWords.Kind(k))),
            c.Words("Active", "Active matter", old?.Active ?? ""),
            c.Choice("Matter", "It is", old?.Matter.ToString() ?? "Other", Options<ActiveMatter>(Matter)),
            c.Choice("Basis", "The label's dose is in", old?.Basis.ToString() ?? "", Options<DoseBasis>(b => Basis(b))),
            c.Quantity(
                    "Strength",
                    "Active matter in it",
                    Measures.Share,
                    old is { Basis: not DoseBasis.FeedIuKg } ? 100 * old.Strength : null
                )
                .WithHint("100 where the label gives the dose of the product itself"),
            c.Words(
                    "Units",
                    "Or units (IU) a gram",
                    old is { Basis: DoseBasis.FeedIuKg } ? Figure(c, old.Strength) : ""
                )
                .WithHint("only for a dose in IU"),
            c.Words("DoseLow", "Least dose", old is null ? "" : Figure(c, old.DoseLow)),
            c.Words("DoseHigh", "Highest dose", old is null ? "" : Figure(c, old.DoseHigh)),
            c.Words("Minutes", "Minutes of a bath", old?.BathMinutes is { } m ? Figure(c, m) : "")
                .WithHint("empty where it stays in the water"),
            c.Whole("FeedDays", "Days it is fed", old?.FeedDays).WithHint("empty for what goes into the water"),
            c.Whole("WithdrawalDays", "Withdrawal, days", old?.WithdrawalDays ?? 0),
            c.Quantity(
                    "WithdrawalDegreeDays",
                    "Withdrawal, degree-days",
                    Measures.DegreeDays,
                    old?.WithdrawalDegreeDays ?? 0
                )
                .WithHint("0 where the label counts days"),
            c.Yes("NeedsVet", "Only on a vet's prescription", old?.NeedsVet == true ? "true" : ""),
            c.Quantity("Pack", "One pack holds", Measures.Mass, old?.PackG / 1000),
            c.Words("Density", "Density of a liquid", old?.DensityGMl is { } d ? Figure(c, d) : "")
                .WithHint("times that of water; empty for a powder"),
            c.Words("How", "How and where it is dissolved", old?.How ?? ""),
            c.Yes("Dropped", "No longer used", old?.Dropped == true ? "true" : ""),
        ];
    }

    public Filled Read(SlipForm form, SlipContext c)
    {
        var basis = form.Choice("Basis", Named<DoseBasis>(), "unit of the dose", DoseBasis.WaterMgL);
        var strength =
            basis == DoseBasis.FeedIuKg
                ? Number(form, c, "Units") ?? 0
                : (form.MaybeQuantity("Strength", Measures.Share) ?? 0) / 100;
        var fact = new ProductDescribed(
            c.Old<ProductDescribed>()?.ProductId ?? 0,
            form.Text("Name"),
            form.Choice("Kind", Named<ProductKind>(), "kind", ProductKind.Salt),
            form.Text("Active"),
            form.Choice("Matter", Named<ActiveMatter>(), "matter", ActiveMatter.Other),
            strength,
            basis,
            Number(form, c, "DoseLow") ?? 0,
            Number(form, c, "DoseHigh") ?? 0
        )
        {
            BathMinutes = Number(form, c, "Minutes"),
            FeedDays = form.MaybeWhole("FeedDays", "days"),
            WithdrawalDays = form.MaybeWhole("WithdrawalDays", "days") ?? 0,
            WithdrawalDegreeDays = form.MaybeQuantity("WithdrawalDegreeDays", Measures.DegreeDays) ?? 0,
            NeedsVet = form.Yes("NeedsVet"),
            PackG = form.MaybeQuantity("Pack", Measures.Mass) * 1000,
            DensityGMl = Number(form, c, "Density"),
            How = form.Text("How"),
            Dropped = form.Yes("Dropped"),
        };
        return new(form.When(), [fact], $"product {fact.Name}", []);
    }

    private static double? Number(SlipForm form, SlipContext c, string field)
    {
        if (form.Empty(field))
            return null;
        var read = NumberText.Read(form.Text(field), c.Here.Hand.Sign);
        if (read.Problem is { } problem)
            form.Refuse(field, problem);
        return read.Value;
    }

    // As it would be typed: no mark between thousands.
    private static string Figure(SlipContext c, double value) => c.Here.Typed(value, 6);

    private static (string, string)[] Options<T>(Func<T, string> word)
        where T : struct, Enum => [.. Enum.GetValues<T>().Select(v => (v.ToString(), word(v)))];

    private static (string, T)[] Named<T>()
        where T : struct, Enum => [.. Enum.GetValues<T>().Select(v => (v.ToString(), v))];

    private static string Matter(ActiveMatter matter) =>
        matter switch
        {
            ActiveMatter.Other => "none of the following",
            ActiveMatter.Permanganate => "potassium permanganate",
            ActiveMatter.Peroxide => "peroxide or peracetic acid",
            _ => matter.ToString().ToLowerInvariant(),
        };

    private static string Basis(DoseBasis basis) => DoseWords.Unit(basis);
}
