using Dorsk.Core.Judging;
using Dorsk.Core.Prepare;
using Dorsk.Core.Units;
using Dorsk.Core.Water;
using Dorsk.Web.Slips;

namespace Dorsk.Web.Workbench;

/// <summary>Lime, bicarbonate and the like for a wanted alkalinity.</summary>
internal sealed class AlkalinityCalculator : ICalculator
{
    public string Key => "alkalinity";

    public string Title => "Raise alkalinity";

    public string Lead => "product, bags and daily steps for this volume";

    public IReadOnlyList<SlipField> Fields(BenchStart s) =>
        [
            s.Choice("product", "Product", "NaHCO3", AlkalinityProduct.All.Select(p => (p.Formula, p.Name)).ToList()),
            s.Quantity("purity", "Purity, or neutralising value against it", Measures.Share, "100")
                .WithHint("on the bag"),
            s.Quantity("now", "Alkalinity now", Measures.CoarseConcentration, s.Last(Parameter.Alkalinity) ?? 40)
                .WithHint("as CaCO₃"),
            s.Quantity("wanted", "Wanted", Measures.CoarseConcentration, "80").WithHint("ponds 40 to 120"),
            s.Quantity("volume", "Water volume", Measures.Volume, s.VolumeM3 ?? 1000)
                .WithHint("at today's gauge level"),
            s.Quantity("bag", "Weight of a bag", Measures.Mass, 25).WithHint("read it on the bag each time"),
            s.Yes("fish", "Fish are in the water", "true"),
        ];

    public Worked? Work(BenchForm f)
    {
        var product = f.Form.Choice(
            "product",
            AlkalinityProduct.All.Select(p => (p.Formula, p)).ToList(),
            "product",
            AlkalinityProduct.All[0]
        );
        var (purity, now, wanted) = (
            f.Q("purity", Measures.Share, 5, 200),
            f.Q("now", Measures.CoarseConcentration, 0, 1000),
            f.Q("wanted", Measures.CoarseConcentration, 0, 500)
        );
        var (volume, bag, fish) = (
            f.Q("volume", Measures.Volume, 0.001, 1e7),
            f.Q("bag", Measures.Mass, 0.1, 2000),
            f.Form.Yes("fish")
        );
        if (f.Sound && fish && product.StepGM3 == 0)
            f.Form.Refuse(
                "product",
                $"{char.ToUpperInvariant(product.Name[0])}{product.Name[1..]} is never given over fish: it kills them. Take sodium bicarbonate, or limestone where there is time."
            );
        if (!f.Sound)
            return null;
        var dose = Doses.InSteps(
            Doses.AlkalinityGM3(product, purity, now, wanted),
            fish ? product.StepGM3 : null,
            volume
        );
        var why = Grounds.Of(
            "Pure product for 1 mg/L as CaCO₃ by stoichiometry, by the wanted rise, the purity and the volume; parted into daily steps that water with fish bears.",
            AlkalinityProduct.Source,
            Input.Said("pure product", f.Here.Figure(product.GPerM3PerMgL, 2) + " g/m³ for 1 mg/L", "stoichiometry"),
            new Input("rise", Math.Max(0, wanted - now), Measures.CoarseConcentration, "typed"),
            new Input("volume", volume, Measures.Volume, "typed"),
            Input.Said(
                "step limit with fish",
                product.StepGM3 is > 0 and { } step ? $"{f.Here.Figure(step, 0)} g/m³ a day"
                    : product.StepGM3 is null ? "none needed"
                    : "never over fish",
                "starting value"
            )
        );
        if (dose.Days == 0)
            return new([new("Product", f.Say(0, Measures.Mass), why, Main: true)], "The alkalinity is there already.");
        return Answer(f, product, bag, dose, why);
    }

    private static Worked Answer(BenchForm f, AlkalinityProduct product, double bag, Dose dose, Grounds why) =>
        new(
            [
                new("Product in all", f.Say(dose.Kg, Measures.Mass), why, Main: true),
                new(
                    "Bags",
                    $"{f.Here.Figure(Math.Floor(dose.Kg / bag), 0)} and {f.Say(dose.Kg % bag, Measures.Mass)}",
                    why
                ),
                new(
                    "A day",
                    dose.Days == 1 ? "all at once" : $"{f.Say(dose.StepKg, Measures.Mass)} on {dose.Days} days",
                    why
                ),
                new("In the water", f.Say(dose.GM3, Measures.Oxygen), why),
            ],
            dose.Days == 1
                ? "Within one safe step. Spread it over the whole surface; read pH and alkalinity the next day."
                : $"Not at once: {dose.Days} days, each within the step that water with fish bears. Read pH before each.",
            Cautions: [product.Caution, product.Note]
        );
}

/// <summary>Salt (chloride) treatment.</summary>
internal sealed class NitriteSaltCalculator : ICalculator
{
    public string Key => "salt";

    public string Title => "Salt (chloride) treatment";

    public string Lead => "chloride that keeps nitrite out of the gills";

    public IReadOnlyList<SlipField> Fields(BenchStart s) =>
        [
            s.Quantity("nitrite", "Nitrite", Measures.Concentration, s.Last(Parameter.Nitrite) ?? 1),
            s.Choice("basis", "The kit reports it as", "N", KitBasis.Nitrite.Select(b => (b.Key, b.Name)).ToList()),
            s.Quantity("chloride", "Chloride now", Measures.CoarseConcentration, "10").WithHint("unknown: type 0"),
            s.Quantity("ratio", "Chloride to nitrite-N", Measures.Plain, "10")
                .WithHint("10 wanted, 6 the least; more for trout and shrimp"),
            s.Choice("salt", "Salt", "NaCl", ChlorideSalt.All.Select(c => (c.Formula, c.Name)).ToList()),
            s.Quantity("purity", "Purity", Measures.Share, "99"),
            s.Quantity("volume", "Water volume", Measures.Volume, s.VolumeM3 ?? 1000)
                .WithHint("at today's gauge level"),
        ];

    public Worked? Work(BenchForm f)
    {
        var typed = f.Q("nitrite", Measures.Concentration, 0, 100);
        var nitrite =
            typed
            * f.Form.Choice("basis", KitBasis.Nitrite.Select(b => (b.Key, b.NitrogenShare)).ToList(), "basis", 1.0);
        var (chloride, ratio, purity, volume) = (
            f.Q("chloride", Measures.CoarseConcentration, 0, 20_000),
            f.Q("ratio", Measures.Plain, 1, 100),
            f.Q("purity", Measures.Share, 5, 100),
            f.Q("volume", Measures.Volume, 0.001, 1e7)
        );
        var salt = f.Form.Choice(
            "salt",
            ChlorideSalt.All.Select(c => (c.Formula, c)).ToList(),
            "salt",
            ChlorideSalt.All[0]
        );
        if (!f.Sound)
            return null;
        var add = Doses.ChlorideToAddMgL(nitrite, ratio, chloride);
        var dose = Doses.InSteps(Doses.SaltGM3(salt, purity, add), Doses.SaltStepGM3, volume);
        var why = Because(f, nitrite, salt, add);
        return Answer(f, add, dose, why);
    }

    private static Grounds Because(BenchForm f, double nitrite, ChlorideSalt salt, double add) =>
        Grounds.Of(
            "Chloride wanted is the ratio times nitrite as nitrogen; what is there already is taken off. Always on nitrite-N: 10 on N is 3.04 on NO₂.",
            "Stoichiometry; ratio of the trade (Boyd 1998), starting value",
            new Input("nitrite as N", nitrite, Measures.Concentration, "typed"),
            new Input("chloride to add", add, Measures.CoarseConcentration, "worked out"),
            Input.Said("chloride in the salt", f.Here.Figure(100 * salt.ChlorideShare, 1) + " %", "stoichiometry")
        );

    private static Worked Answer(BenchForm f, double add, Dose dose, Grounds why) =>
        dose.Days == 0
            ? new(
                [new("Salt", f.Say(0, Measures.Mass), why, Main: true)],
                "There is chloride enough for this nitrite. Find where the nitrite comes from: feed less, change water."
            )
            : new(
                [
                    new("Salt in all", f.Say(dose.Kg, Measures.Mass), why, Main: true),
                    new("Chloride to add", f.Say(add, Measures.CoarseConcentration), why),
                    new(
                        "A day",
                        dose.Days == 1 ? "all at once" : $"{f.Say(dose.StepKg, Measures.Mass)} on {dose.Days} days",
                        why
                    ),
                ],
                "Plain salt without additives, dissolved, round the pond. It protects the fish; it does not take the nitrite away: feed less, change water, aerate.",
                Cautions: ["Salt stays in the water and in what you drain: local rules hold."]
            );
}

/// <summary>Carbon for bacteria that take ammonia up.</summary>
internal sealed class CarbonCalculator : ICalculator
{
    public string Key => "carbon";

    public string Title => "Carbon for bacteria";

    public string Lead => "molasses or flour that ties ammonia up";

    public IReadOnlyList<SlipField> Fields(BenchStart s) =>
        [
            s.Quantity("tan", "Total ammonia now, as N", Measures.Concentration, s.Last(Parameter.Tan) ?? 2),
            s.Quantity("wanted", "Wanted", Measures.Concentration, "0.5"),
            s.Choice(
                "source",
                "Source",
                "0.3",
                [("0.3", "molasses, 30 % carbon"), ("0.42", "sugar, 42 %"), ("0.4", "flour or bran, 40 %")]
            ),
            s.Quantity("volume", "Water volume", Measures.Volume, s.VolumeM3 ?? 1000),
            s.Quantity("do", "Oxygen now", Measures.Oxygen, s.Last(Parameter.Oxygen) ?? 6),
        ];

    public Worked? Work(BenchForm f)
    {
        var (tan, wanted, volume, oxygen) = (
            f.Q("tan", Measures.Concentration, 0, 100),
            f.Q("wanted", Measures.Concentration, 0, 100),
            f.Q("volume", Measures.Volume, 0.001, 1e7),
            f.Q("do", Measures.Oxygen, 0, 30)
        );
        var share = f.Form.Choice("source", [("0.3", 0.3), ("0.42", 0.42), ("0.4", 0.4)], "source", 0.3);
        if (!f.Sound)
            return null;
        var removed = Math.Max(0, tan - wanted);
        var (low, high, oxygenKg) = CarbonDose.For(removed, share, volume);
        var why = Grounds.Of(
            "Carbon that microbes need to build the ammonia nitrogen in: their C:N of 4 by the share they build in (0.4) and the carbon in the source. Given as a range, 6 to 10 g of carbon for 1 g of nitrogen.",
            "Avnimelech 1999; Ebeling and others 2006",
            new Input("ammonia nitrogen to tie up", removed, Measures.Concentration, "typed"),
            new Input("volume", volume, Measures.Volume, "typed"),
            new Input("oxygen it will take", oxygenKg, Measures.Mass, "4.7 g for 1 g of nitrogen")
        );
        return new(
            [
                new("Source", $"{f.Say(low, Measures.Mass)} to {f.Say(high, Measures.Mass)}", why, Main: true),
                new("Oxygen it will take", f.Say(oxygenKg, Measures.Mass), why),
            ],
            "In parts over the day, with all air running, starting in the morning.",
            CarbonDose.Brake(oxygen, f.Limits, f.Here.Hand),
            ["Never with oxygen low or power in doubt."]
        );
    }
}

/// <summary>Two fertilisers for a wanted nitrogen and phosphate.</summary>
internal sealed class FertiliserCalculator : ICalculator
{
    public string Key => "fertiliser";

    public string Title => "Fertiliser from two bags";

    public string Lead => "how much of each bag for a wanted nitrogen and phosphate";

    public IReadOnlyList<SlipField> Fields(BenchStart s) =>
        [
            s.Quantity("area", "Water surface", Measures.Area, s.Pond?.Pond.Shape.FullAreaM2 ?? 4000),
            s.Quantity("n", "Nitrogen wanted", Measures.AreaLoad, 8)
                .WithHint($"{s.Here.Say(8, Measures.AreaLoad)} N a dose is usual"),
            s.Quantity("p", "Phosphate wanted", Measures.AreaLoad, 8)
                .WithHint($"{s.Here.Range(3, 8, Measures.AreaLoad)} a dose is usual"),
            s.Choice("pbasis", "That phosphate is", "P2O5", [("P2O5", "P₂O₅, as on the bag"), ("P", "phosphorus (P)")]),
            s.Quantity("an", "First bag: nitrogen", Measures.Share, "18"),
            s.Quantity("ap", "First bag: phosphate, P₂O₅", Measures.Share, "46"),
            s.Quantity("bn", "Second bag: nitrogen", Measures.Share, "46").WithHint("0 without one"),
            SecchiField(s),
            s.Quantity("temp", "Water temperature", Measures.Temperature, s.Last(Parameter.Temperature) ?? 24),
            s.Words("dawns", "Dawn oxygen of the last four mornings", Dawns(s))
                .In(Measures.Oxygen)
                .WithHint("oldest first, with spaces; empty when not read"),
            WatchField(s),
            s.Quantity(
                    "alk",
                    "Alkalinity",
                    Measures.CoarseConcentration,
                    s.Last(Parameter.Alkalinity) is { } alk ? s.Plain(alk, Measures.CoarseConcentration) : ""
                )
                .WithHint("empty when not read"),
            s.Quantity(
                    "ph",
                    "pH in the afternoon",
                    Measures.Ph,
                    s.Last(Parameter.Ph) is { } ph ? s.Plain(ph, Measures.Ph) : ""
                )
                .WithHint("empty when not read"),
        ];

    private static SlipField WatchField(BenchStart s) =>
        s.Quantity(
            "watch",
            "Watch level of oxygen here",
            Measures.Oxygen,
            s.Pond?.Stock.LimitsOn(s.Here.Today)?.DoWatchMgL is { } watch
                ? s.Plain(watch, Measures.Oxygen)
                : s.Plain(4, Measures.Oxygen)
        );

    private static SlipField SecchiField(BenchStart s) =>
        s.Quantity(
                "secchi",
                "Secchi depth",
                Measures.ShortLength,
                s.Last(Parameter.Secchi) is { } c ? s.Plain(c, Measures.ShortLength) : ""
            )
            .WithHint("empty when not read");

    private static string Dawns(BenchStart s) =>
        s.Pond is null ? "" : string.Join(' ', s.Pond.LastDawns(s.Here.Today).Select(v => s.Plain(v, Measures.Oxygen)));

    private static List<double> ReadDawns(BenchForm f)
    {
        var read = new List<double>();
        foreach (var part in f.Form.Text("dawns").Split((char[]?)[' ', ';'], StringSplitOptions.RemoveEmptyEntries))
            if (QuantityText.Read(part, Measures.Oxygen, f.Here.Hand) is { Si: >= 0 and <= 25 and var mgL })
                read.Add(mgL);
            else
            {
                f.Form.Refuse("dawns", $"“{part}”: figures of 0 to 25 with spaces between them, oldest first.");
                break;
            }
        return read;
    }

    public Worked? Work(BenchForm f)
    {
        var (area, n, p) = (
            f.Q("area", Measures.Area, 1, 1e7),
            f.Q("n", Measures.AreaLoad, 0, 200),
            f.Q("p", Measures.AreaLoad, 0, 200)
        );
        var phosphate = p * f.Form.Choice("pbasis", [("P2O5", 1.0), ("P", Fertiliser.P2O5PerP)], "basis", 1.0);
        var (an, ap, bn) = (
            f.Q("an", Measures.Share, 0, 100),
            f.Q("ap", Measures.Share, 0, 100),
            f.Q("bn", Measures.Share, 0, 100)
        );
        var (secchi, temp) = (
            f.MaybeQ("secchi", Measures.ShortLength, 0.01, 10),
            f.Q("temp", Measures.Temperature, 0, 45)
        );
        var (dawns, watch, alk, ph) = (
            ReadDawns(f),
            f.MaybeQ("watch", Measures.Oxygen, 0.5, 12),
            f.MaybeQ("alk", Measures.CoarseConcentration, 0, 800),
            f.MaybeQ("ph", Measures.Ph, 3, 11.5)
        );
        if (f.Sound && an == 0 && ap == 0)
            f.Form.Refuse("ap", "The first bag holds neither nitrogen nor phosphate. Read its grade again.");
        if (!f.Sound)
            return null;
        var dose = Fertiliser.Dose(area / 10_000, n, phosphate, an, ap, bn);
        var why = Because(area, n, phosphate);
        return new(
            [
                new("First bag", f.Say(dose.AKg, Measures.Mass), why, Main: true),
                new("Second bag", f.Say(dose.BKg, Measures.Mass), why),
            ],
            dose.SurplusNKgHa > 0.01
                ? $"With the phosphate comes {f.Say(dose.SurplusNKgHa, Measures.AreaLoad)} more nitrogen than wanted."
                : "Dissolve it first; on a bright morning.",
            FertiliserBrake.Of(new(temp, secchi, dawns, watch, alk, ph, an > 0 || bn > 0), f.Here.Hand),
            ["Never ammonium fertiliser with fresh lime: ammonia gas. Gloves; keep bags dry."]
        );
    }

    private static Grounds Because(double area, double n, double phosphate) =>
        Grounds.Of(
            "The first bag is sized on phosphate (on nitrogen where it has none); the second tops nitrogen up. Phosphate is P₂O₅ as bags say it: 2.29 times the phosphorus.",
            "Grades by mass; doses after Boyd 1990, starting values",
            new Input("nitrogen wanted", n, Measures.AreaLoad, "typed"),
            new Input("phosphate wanted, P₂O₅", phosphate, Measures.AreaLoad, "typed"),
            new Input("area", area, Measures.Area, "typed")
        );
}
