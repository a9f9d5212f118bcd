using System.Globalization;
using Dorsk.Core.Hatchery;
using Dorsk.Core.People;
using Dorsk.Core.Units;

namespace Dorsk.Web.Slips;

/// <summary>A fish or group of the broodstock register.</summary>
internal sealed class BroodSlip : ISlip
{
    private static readonly (BroodSex Sex, string Word)[] Sexes =
    [
        (BroodSex.Unknown, "not told"),
        (BroodSex.Female, "female"),
        (BroodSex.Male, "male"),
    ];

    private static readonly (SexSure Sure, string Word)[] Sure =
    [
        (SexSure.Guess, "a guess"),
        (SexSure.ByShape, "by head, body, belly or vent"),
        (SexSure.Seen, "milt or eggs were seen"),
    ];

    private static readonly (BroodOrigin Origin, string Word)[] Origins =
    [
        (BroodOrigin.Bought, "a hatchery's line, bought"),
        (BroodOrigin.Own, "own fry, raised here"),
        (BroodOrigin.Wild, "caught in the wild"),
    ];

    public string Key => "brood";

    public Permission Needs => Permission.Manage;

    public string Title => "Breeders";

    public string Button => "Save in the register";

    public bool OfPond => false;

    public string FactKind => nameof(BroodDescribed);

    public string Section => "";

    public string After => "/hatchery/broodstock";

    public string Caution =>
        "Hormones are given by a licensed person only and written down as that person did it. Wet hands; spines and jaws hurt.";

    public IReadOnlyList<SlipField> Fields(SlipContext c)
    {
        var f = c.Old<BroodDescribed>();
        return
        [
            c.Words("Tag", "Tag, or name of the group", f?.Tag ?? ""),
            HatchLines.Pond(c, "Pond", f?.PondId),
            c.Whole("Count", "Fish", f?.Count ?? 1),
            c.Choice("Sex", "Sex", f?.Sex ?? BroodSex.Unknown, HatchWord.Options(Sexes)),
            c.Choice("Sure", "How sure", f?.Sure ?? SexSure.Guess, HatchWord.Options(Sure)),
            c.Words("Signs", "By which signs", f?.Signs ?? "")
                .WithHint("the guide stands on the page of the broodstock"),
            c.Choice("Origin", "Origin", f?.Origin ?? BroodOrigin.Bought, HatchWord.Options(Origins)),
            c.Words("Strain", "Strain or line, from whom", f?.Strain ?? ""),
            c.Whole("Year", "Hatched in", f?.HatchYear),
            c.Quantity("Mass", "Average weight", Measures.Mass, f?.MeanKg),
            c.Words("Hormone", "Hormone given by a licensed person", f?.Hormone ?? "")
                .WithHint("who, what, when, as they wrote it"),
            new SlipField("Photo", "Photo", FieldKind.Photo, f?.Photo ?? ""),
            .. f is null
                ? Array.Empty<SlipField>()
                : [c.Yes("Retired", "No longer bred from", f.Retired ? "true" : "")],
        ];
    }

    public Filled Read(SlipForm form, SlipContext c)
    {
        var fact = new BroodDescribed(
            c.Old<BroodDescribed>()?.BroodId ?? 0,
            HatchLines.ReadPond(form, c) ?? 0,
            form.Text("Tag"),
            form.Whole("Count", "fish"),
            HatchWord.Read(form, "Sex", Sexes, "sex"),
            HatchWord.Read(form, "Sure", Sure, "certainty"),
            HatchWord.Read(form, "Origin", Origins, "origin"),
            form.Text("Strain"),
            form.MaybeWhole("Year", "year"),
            form.Quantity("Mass", Measures.Mass)
        )
        {
            Signs = form.Text("Signs"),
            Hormone = form.Text("Hormone"),
            Photo = form.Text("Photo"),
            Retired = form.Yes("Retired"),
        };
        return new(
            c.Corrects?.Row.Happened ?? c.Here.Now,
            [fact],
            $"breeders {fact.Tag}",
            fact.MeanKg > 0 && fact.Count > 0
                ? [new("Together", c.Here.Say(fact.Count * fact.MeanKg, Measures.Mass))]
                : []
        );
    }
}

/// <summary>Breeders looked over.</summary>
internal sealed class BroodLookSlip : ISlip
{
    public string Key => "brood-look";

    public string Title => "Look breeders over";

    public string Button => "Save this inspection";

    public bool OfPond => false;

    public string FactKind => nameof(BroodInspected);

    public string Section => "";

    public string After => "/hatchery/broodstock";

    public string? CannotStart(SlipContext c) =>
        c.Questions.Breeders().Count == 0 ? "The register holds no fish yet." : null;

    private static List<BroodDescribed> Kept(SlipContext c) => [.. c.Questions.Breeders().Select(b => b.Fish)];

    private static string Text(long n) => n.ToString(CultureInfo.InvariantCulture);

    public IReadOnlyList<SlipField> Fields(SlipContext c)
    {
        var f = c.Old<BroodInspected>();
        return
        [
            .. Lines.When(c),
            c.Choice(
                "Brood",
                "Fish or group",
                f is null ? "" : Text(f.BroodId),
                [("", "choose"), .. Kept(c).Select(b => (Text(b.BroodId), b.Tag))]
            ),
            c.Looked("Thin", "Thin: head large for the body", f?.Thin),
            c.Looked("Sores", "Sores or wounds", f?.Sores),
            c.Looked("Skin", "Parasites on the skin", f?.SkinParasites),
            c.Looked("Gills", "Parasites in the gills, or pale", f?.GillParasites),
            c.Quantity("Mass", "Weight", Measures.Mass, f?.WeightKg),
        ];
    }

    public Filled Read(SlipForm form, SlipContext c)
    {
        var fish = form.Choice("Brood", [.. Kept(c).Select(b => (Text(b.BroodId), b))], "fish", null!);
        var fact = new BroodInspected(
            fish?.BroodId ?? 0,
            fish?.PondId ?? 0,
            form.Looked("Thin"),
            form.Looked("Sores"),
            form.Looked("Skin"),
            form.Looked("Gills"),
            form.MaybeQuantity("Mass", Measures.Mass)
        );
        return new(
            form.When(),
            [fact],
            $"{fish?.Tag} looked over",
            [new("Result", fact.Accepted ? "accepted" : $"refused: {fact.Faults}. Do not buy it, do not spawn it")]
        );
    }
}

/// <summary>A nest looked into.</summary>
internal sealed class NestLookSlip : ISlip
{
    private static readonly (NestSeen Seen, string Word)[] Seen =
    [
        (NestSeen.Empty, "empty"),
        (NestSeen.Pair, "a pair"),
        (NestSeen.Eggs, "eggs, guarded"),
    ];

    public string Key => "nest-look";

    public string Title => "Look into a nest";

    public string Button => "Save what was seen";

    public bool OfPond => false;

    public string FactKind => nameof(NestChecked);

    public string Section => "";

    public string After => "/hatchery/broodstock";

    public string Caution => "Guarding males bite hard: a stick first, thick gloves, never the bare hand.";

    public string? CannotStart(SlipContext c) =>
        HatchLines.Vessels(c, nests: true).Count == 0 ? "No nest is described yet. Describe one first." : null;

    public IReadOnlyList<SlipField> Fields(SlipContext c)
    {
        var f = c.Old<NestChecked>();
        return
        [
            .. Lines.When(c),
            HatchLines.Vessel(c, "Nest", f?.VesselId, true, "choose", "Nest"),
            c.Choice("Seen", "What is in it", f?.Seen ?? NestSeen.Empty, HatchWord.Options(Seen)),
        ];
    }

    public Filled Read(SlipForm form, SlipContext c)
    {
        var id = HatchLines.ReadVessel(form, c, nests: true, "Nest");
        if (id is null)
            form.Refuse("Nest", "Choose the nest from the list.");
        var nest = HatchLines.Vessels(c, nests: true).Find(v => v.VesselId == id);
        var seen = HatchWord.Read(form, "Seen", Seen, "sight");
        var words = seen switch
        {
            NestSeen.Pair => "leave them alone for 20 hours: a spawning may last most of a day",
            NestSeen.Eggs => "enter them as eggs taken, with this nest",
            _ => "look again on the next round",
        };
        return new(
            form.When(),
            [new NestChecked(id ?? 0, nest?.PondId ?? 0, seen)],
            $"{nest?.Name} looked into",
            [new("Next", words)]
        );
    }
}

/// <summary>Forage given to breeders or young fish.</summary>
internal sealed class ForageSlip : ISlip
{
    private static readonly (ForageState State, string Word)[] States =
    [
        (ForageState.Dried, "dried"),
        (ForageState.Cooked, "cooked"),
        (ForageState.Frozen, "frozen for weeks"),
        (ForageState.Raw, "raw or trash fish"),
        (ForageState.Live, "alive"),
    ];

    public string Key => "forage";

    public string Title => "Forage given";

    public string Button => "Save it";

    public bool OfPond => false;

    public string FactKind => nameof(ForageGiven);

    public string Section => "";

    public string After => "/hatchery/broodstock";

    public IReadOnlyList<SlipField> Fields(SlipContext c)
    {
        var f = c.Old<ForageGiven>();
        return
        [
            .. Lines.When(c),
            HatchLines.Pond(c, "Pond", f?.PondId),
            c.Words("Kind", "What", f?.Kind ?? "").WithHint("minnows, shrimp, worms, mussels"),
            c.Words("Source", "Where it came from", f?.Source ?? ""),
            c.Quantity("Mass", "How much", Measures.Mass, f?.Kg),
            c.Choice("State", "State", f?.State ?? ForageState.Dried, HatchWord.Options(States)),
        ];
    }

    public Filled Read(SlipForm form, SlipContext c)
    {
        var fact = new ForageGiven(
            HatchLines.ReadPond(form, c) ?? 0,
            form.Text("Kind"),
            form.Text("Source"),
            form.Quantity("Mass", Measures.Mass),
            HatchWord.Read(form, "State", States, "state")
        );
        return new(form.When(), [fact], $"forage {fact.Kind}", [new("Risk", fact.Risk.Reason)]);
    }
}

/// <summary>The farm's rule on live and raw food.</summary>
internal sealed class ForageRuleSlip : ISlip
{
    public string Key => "forage-rule";

    public Permission Needs => Permission.Manage;

    public string Title => "Live and raw food";

    public string Button => "Save the rule";

    public bool OfPond => false;

    public string FactKind => nameof(ForageRule);

    public string Section => "";

    public string After => "/hatchery/broodstock";

    public IReadOnlyList<SlipField> Fields(SlipContext c) =>
        [
            c.Yes(
                    "Never",
                    "Never on this farm",
                    (c.Old<ForageRule>()?.Never ?? c.Questions.Forage().NeverRaw) ? "true" : ""
                )
                .WithHint("then live and raw food is refused, not asked about"),
        ];

    public Filled Read(SlipForm form, SlipContext c) =>
        new(c.Corrects?.Row.Happened ?? c.Here.Now, [new ForageRule(form.Yes("Never"))], "rule on raw food", []);
}
