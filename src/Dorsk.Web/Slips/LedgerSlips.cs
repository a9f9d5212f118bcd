using System.Globalization;
using Dorsk.Core.Judging;
using Dorsk.Core.People;
using Dorsk.Core.Stock;
using Dorsk.Core.Units;
using Dorsk.Core.Water;

namespace Dorsk.Web.Slips;

/// <summary>Fish moved to another pond: split, or put beside others. A batch stays itself wherever it goes.</summary>
internal sealed class MoveSlip : ISlip
{
    private static readonly (string, CountBasis)[] Bases =
    [
        ("ByWeight", CountBasis.ByWeight),
        ("Counted", CountBasis.Counted),
        ("ByVolume", CountBasis.ByVolume),
        ("Assumed", CountBasis.Assumed),
    ];

    public string Key => "move";

    public string Title => "Move fish";

    public string Button => "Move them";

    public bool OfPond => true;

    public string FactKind => nameof(FishMoved);

    public string Section => "stock";

    public Permission Needs => Permission.Manage;

    public string Caution =>
        "Big fish eat small ones: compare sizes first. Two people lift heavy tubs; temperature and salinity of both waters within what they bear.";

    public string? CannotStart(SlipContext c) =>
        Lines.NoFish(c) ?? (Others(c).Count == 0 ? "There is no other pond to move them to." : null);

    public IReadOnlyList<SlipField> Fields(SlipContext c)
    {
        var f = c.Old<FishMoved>();
        return
        [
            .. Lines.When(c),
            Lines.Batch(c, f?.BatchId),
            c.Choice(
                "ToPond",
                "To",
                f?.ToPondId.ToString(CultureInfo.InvariantCulture) ?? "",
                Others(c).Select(o => (o.Key, o.Words)).ToList()
            ),
            c.Whole("Count", "How many", f?.Count.ToString(CultureInfo.InvariantCulture) ?? "")
                .WithHint("a part splits the batch"),
            c.Choice(
                "Basis",
                "Counted how",
                f?.Basis.ToString() ?? "ByWeight",
                [
                    ("ByWeight", "by weight"),
                    ("Counted", "one by one"),
                    ("ByVolume", "by volume"),
                    ("Assumed", "assumed"),
                ]
            ),
            c.Quantity("MeanWeight", "Average weight", Measures.FishWeight, f?.MeanG),
        ];
    }

    public Filled Read(SlipForm form, SlipContext c)
    {
        var fact = new FishMoved(
            c.PondId,
            form.Choice("ToPond", Others(c).Select(o => (o.Key, o.Id)).ToList(), "pond", 0L),
            Lines.ReadBatch(form, c),
            form.Whole("Count", "fish"),
            form.Quantity("MeanWeight", Measures.FishWeight),
            form.Choice("Basis", Bases, "way of counting", CountBasis.ByWeight)
        );
        var to = c.Questions.Ponds().FirstOrDefault(p => p.Id == fact.ToPondId);
        List<Computed> computed =
            fact.Count > 0 && double.IsFinite(fact.MeanG)
                ? [new("Together", c.Here.Say(fact.Count * fact.MeanG / 1000, Measures.Mass))]
                : [];
        return new(
            form.When(),
            [fact],
            $"{c.Story!.Pond.Code} moved {form.Text("Count")} to {to?.Code}",
            [.. computed, .. to is null ? [] : Waters(c, to.Code)]
        );
    }

    // Both waters as they were last read: a step that fish feel is said before they are moved.
    private static IEnumerable<Computed> Waters(SlipContext c, string to)
    {
        var there = c.Questions.Story(to)!;
        foreach (var salt in Salt(c, there))
            yield return salt;
        foreach (var p in new[] { Parameter.Temperature, Parameter.Salinity, Parameter.Ph })
            if (c.Story!.LastOf(p) is { } a && there.LastOf(p) is { } b)
                yield return new(
                    $"{char.ToUpperInvariant(p.Name[0])}{p.Name[1..]}, here and there",
                    $"{c.Here.Say(a.Si, p)} and {c.Here.Say(b.Si, p)}"
                );
    }

    // The next water is brought to the salinity of this one before they go in.
    private static IEnumerable<Computed> Salt(SlipContext c, Dorsk.Farm.Estimates.PondStory there)
    {
        if (c.Story!.LastOf(Parameter.Salinity) is not { } a || there.LastOf(Parameter.Salinity) is not { } b)
            yield break;
        var m3 = there.Pond.Shape.VolumeM3(there.LevelAt(c.Here.Now).LevelM);
        if (a.Si > b.Si + 0.2)
            yield return new(
                "Salt first",
                $"{c.Here.Say(SaltBalance.SaltKg(m3, b.Si, a.Si, 1), Measures.Mass)} brings {there.Pond.Code} to {c.Here.Say(a.Si, Measures.Salinity)}; look on the floor that none lies undissolved, and measure again"
            );
    }

    private static List<(string Key, string Words, long Id)> Others(SlipContext c) =>
        [
            .. c
                .Questions.Ponds()
                .Where(p => p.Id != c.PondId && p.Use != "settling")
                .Select(p => (p.Id.ToString(CultureInfo.InvariantCulture), p.Code, p.Id)),
        ];
}

/// <summary>All fish of a batch counted.</summary>
internal sealed class RecountSlip : ISlip
{
    private static readonly (string, CountBasis)[] Bases =
    [
        ("Counted", CountBasis.Counted),
        ("ByWeight", CountBasis.ByWeight),
        ("LiftedNet", CountBasis.LiftedNet),
    ];

    public string Key => "recount";

    public string Title => "Inventory count";

    public string Button => "Save this count";

    public bool OfPond => true;

    public string FactKind => nameof(FishRecounted);

    public string Section => "stock";

    public Permission Needs => Permission.Manage;

    public string? CannotStart(SlipContext c) => Lines.NoFish(c);

    public IReadOnlyList<SlipField> Fields(SlipContext c)
    {
        var f = c.Old<FishRecounted>();
        return
        [
            .. Lines.When(c),
            Lines.Batch(c, f?.BatchId),
            c.Whole("Count", "Fish of this batch, all of them", f?.Count.ToString(CultureInfo.InvariantCulture) ?? "")
                .WithHint("found or lost against the books goes to unexplained"),
            c.Choice(
                "Basis",
                "Counted how",
                f?.Basis.ToString() ?? "Counted",
                [
                    ("Counted", "one by one"),
                    ("ByWeight", "by weight"),
                    ("LiftedNet", "all seen in an inner net that was lifted"),
                ]
            ),
            c.Words("Reason", "Why it differs from the books", f?.Reason ?? "")
                .WithHint("birds, deaths not found, short count at stocking"),
        ];
    }

    public Filled Read(SlipForm form, SlipContext c)
    {
        var fact = new FishRecounted(
            c.PondId,
            Lines.ReadBatch(form, c),
            form.Whole("Count", "fish"),
            form.Choice("Basis", Bases, "way of counting", CountBasis.Counted),
            form.Text("Reason")
        );
        var books = c.Story!.Standing.FirstOrDefault(b => b.Id == fact.BatchId)?.Stands;
        return new(
            form.When(),
            [fact],
            $"{c.Story.Pond.Code} counted {form.Text("Count")} {fact.Reason}".Trim(),
            books is { } b && !form.Empty("Count")
                ?
                [
                    new("On the books", c.Here.Count(b)),
                    new(fact.Count >= b ? "Found" : "Lost", c.Here.Count(Math.Abs(fact.Count - b))),
                ]
                : []
        );
    }
}

/// <summary>Fish held apart: begun, looked at, passed.</summary>
internal sealed class QuarantineSlip : ISlip
{
    private static readonly (string Key, string Word, QuarantineEvent Event)[] Events =
    [
        ("Looked", "looked at", QuarantineEvent.Looked),
        ("Begun", "held apart from now on", QuarantineEvent.Begun),
        ("Extended", "held longer", QuarantineEvent.Extended),
        ("Passed", "passed", QuarantineEvent.Passed),
        ("Overruled", "let go before their time", QuarantineEvent.Overruled),
    ];

    public string Key => "quarantine";

    public string Title => "Quarantine";

    public string Button => "Save";

    public bool OfPond => true;

    public string FactKind => nameof(QuarantineNoted);

    public string Section => "stock";

    public string Caution =>
        "Own nets, boots and buckets, and this unit last on the round. Ample air with a calm corner. Medicines only on a vet's advice and label; some diseases must be reported.";

    public string? CannotStart(SlipContext c) => Lines.NoFish(c);

    public IReadOnlyList<SlipField> Fields(SlipContext c)
    {
        var f = c.Old<QuarantineNoted>();
        var here = c.Story!.Held.Held.Count > 0;
        var (usual, source) = Usual(c);
        return
        [
            .. Lines.When(c),
            Lines.Batch(c, f?.BatchId),
            c.Choice(
                "Event",
                "What",
                f?.Event.ToString() ?? (here ? "Looked" : "Begun"),
                Events.Select(e => (e.Key, e.Word)).ToList()
            ),
            c.Whole(
                    "Days",
                    "For how many days",
                    f?.Days?.ToString(CultureInfo.InvariantCulture)
                        ?? (here ? "" : usual.ToString(CultureInfo.InvariantCulture))
                )
                .WithHint($"usual for these fish: {usual}; own fish seen daily: 7. {source}"),
            .. Place(c, f),
            c.Looked("Calm", "They feed and swim as they should", f?.Calm).WithHint("for a look"),
            .. f is null
                ? [c.Whole("Dead", "Dead since the last look").WithHint("kept as deaths of the batch")]
                : Array.Empty<SlipField>(),
            c.Words("Text", "In words", f?.Text ?? "").WithHint("what you saw; a treatment has its own slip"),
        ];
    }

    private static IEnumerable<SlipField> Place(SlipContext c, QuarantineNoted? f) =>
        [
            c.Yes("Air", "Ample air of its own", f is { NoAir: false } ? "true" : "")
                .WithHint("when they are first held apart"),
            c.Yes("Rest", "A calm place to rest", f is { NoRest: false } ? "true" : ""),
        ];

    // By the delivery they came with, else as fish of a hatchery.
    private static (int Days, string Source) Usual(SlipContext c)
    {
        var tempC = c.Story!.LastOf(Parameter.Temperature)?.Si ?? Quarantine.UsualWaterC;
        return c.Story.Standing.LastOrDefault() switch
        {
            { Delivery: { } delivery } => DeliveryLook.HoldApart(delivery, tempC),
            { Species: var species } => Quarantine.UsualDays(species, tempC, SeedSource.Hatchery),
            null => Quarantine.UsualDays(c.Story.LikelySpecies, tempC, SeedSource.Hatchery),
        };
    }

    public Filled Read(SlipForm form, SlipContext c)
    {
        var what = form.Choice("Event", Events.Select(e => (e.Key, e.Event)).ToList(), "event", QuarantineEvent.Looked);
        var batch = Lines.ReadBatch(form, c);
        var calm = what != QuarantineEvent.Looked || form.Looked("Calm");
        var dead = form.MaybeWhole("Dead", "fish");
        List<Fact> facts =
        [
            new QuarantineNoted(c.PondId, batch, what, form.MaybeWhole("Days", "days"), calm, form.Text("Text"))
            {
                NoAir = what == QuarantineEvent.Begun && !form.Yes("Air"),
                NoRest = what == QuarantineEvent.Begun && !form.Yes("Rest"),
            },
        ];
        if (dead is not (null or 0))
            facts.Add(new FishLost(c.PondId, batch, dead.Value, Account.Dead, "in quarantine"));
        return new(
            form.When(),
            facts,
            $"{c.Story!.Pond.Code} quarantine, {Events.First(e => e.Event == what).Word} {form.Text("Text")}".Trim(),
            []
        );
    }
}
