using System.Globalization;
using Dorsk.Core.Feeding;
using Dorsk.Core.People;
using Dorsk.Core.Units;
using Dorsk.Farm.Feed;

namespace Dorsk.Web.Slips;

/// <summary>What the slips of the store share.</summary>
internal static class StoreLines
{
    public const string Page = "/feed/store";

    public static string? Empty(SlipContext c) =>
        c.Questions.FeedStore(c.Here.Now).Count == 0
            ? "Nothing is named yet that could lie in the store: name a feed first."
            : null;

    public static SlipField Kind(SlipContext c, long? old)
    {
        var goods = c.Questions.FeedStore(c.Here.Now);
        return c.Choice(
            "Feed",
            "What",
            (old ?? goods[0].FeedId).ToString(CultureInfo.InvariantCulture),
            goods.Select(k => (k.FeedId.ToString(CultureInfo.InvariantCulture), k.Name)).ToList()
        );
    }

    public static FeedLeft? Read(SlipForm form, SlipContext c) =>
        form.Choice(
            "Feed",
            c.Questions.FeedStore(c.Here.Now)
                .Select(k => (k.FeedId.ToString(CultureInfo.InvariantCulture), (FeedLeft?)k))
                .ToList(),
            "kind",
            null
        );

    public static string Word(StoreKind kind) =>
        kind switch
        {
            StoreKind.Other => "other input",
            _ => kind.ToString().ToLowerInvariant(),
        };

    public static string Word(StoreCause cause) =>
        cause switch
        {
            StoreCause.Spoiled => "spoiled: wet, mouldy, rats, burst",
            StoreCause.Expired => "past its date",
            StoreCause.Used => "used on a pond",
            _ => "sold, lent or given away",
        };

    public static long? Minor(SlipForm form, string field, Measure measure, double most, string limit)
    {
        var price = form.MaybeQuantity(field, measure);
        if (price is < 0 || price > most)
            form.Refuse(field, limit);
        return price is { } p && double.IsFinite(p) ? (long)Math.Round(Math.Clamp(p, -1, most) * 100) : null;
    }
}

/// <summary>A kind of feed, or another input of the store: what stands on its label.</summary>
internal sealed class FeedKindSlip : ISlip
{
    public string Key => "feed";

    public Permission Needs => Permission.Manage;

    public string Title => "A kind of feed, or another input";

    public string Button => "Save this kind";

    public bool OfPond => false;

    public string FactKind => nameof(FeedNamed);

    public string Section => "";

    public string After => StoreLines.Page;

    public IReadOnlyList<SlipField> Fields(SlipContext c)
    {
        var f = c.Old<FeedNamed>();
        string N(double? v) => v is { } figure ? c.Here.Typed(figure, 2) : "";
        return
        [
            c.Words("FeedName", "Name", f?.Name ?? ""),
            c.Choice(
                "Kind",
                "Is",
                f?.Kind ?? StoreKind.Feed,
                Enum.GetValues<StoreKind>().Select(k => (k.ToString(), StoreLines.Word(k))).ToList()
            ),
            c.Quantity(
                    "Pellet",
                    "Pellet",
                    Measures.Pellet,
                    f is { Kind: StoreKind.Feed } ? Lines.Plain(c, f.PelletMm / 1000, Measures.Pellet) : ""
                )
                .WithHint("0 for powder; only for feed"),
            c.Quantity("Protein", "Protein", Measures.Share, f is { Kind: StoreKind.Feed } ? N(f.ProteinPct) : "")
                .WithHint("only for feed"),
            c.Quantity("Price", "Price", Measures.MassPrice, f?.PriceMinorPerKg / 100.0)
                .WithHint(c.Here.Farm!.Currency + "; may stay empty"),
            c.Quantity("Bag", "A bag holds", Measures.Mass, f?.BagKg).WithHint("may stay empty"),
            c.Quantity("Lead", "From order to delivery", Measures.Plain, N(f?.LeadDays))
                .WithHint($"days; empty: {OrderProposal.UsualLeadDays:0}"),
            c.Fold("More of the label"),
            c.Quantity("Fat", "Fat", Measures.Share, N(f?.FatPct)),
            c.Quantity("FishMeal", "Fish meal in it", Measures.Share, N(f?.FishMealPct)),
            c.Day("PermitTo", "Permit to use it ends", f?.PermitTo)
                .WithHint("for restricted feeds: insect meal, animal protein, imports; empty: none is needed"),
            Fallback(c, f),
            c.Quantity("Energy", "Digestible energy", Measures.FeedEnergy, f?.EnergyMJKg),
            c.Choice(
                "Floats",
                "In water it",
                f?.Floats is { } fl
                    ? fl
                        ? "floats"
                        : "sinks"
                    : "",
                [("", "nobody said"), ("floats", "floats"), ("sinks", "sinks")]
            ),
        ];
    }

    private static List<(string Key, string Name, long? Id)> Others(SlipContext c) =>
        [
            ("", "none", null),
            .. c
                .Questions.FeedStore(c.Here.Now)
                .Where(k => k.Kind.Kind == StoreKind.Feed && k.FeedId != c.Old<FeedNamed>()?.FeedId)
                .Select(k => (k.FeedId.ToString(CultureInfo.InvariantCulture), k.Name, (long?)k.FeedId)),
        ];

    private static SlipField Fallback(SlipContext c, FeedNamed? f) =>
        c.Choice(
            "Fallback",
            "Replaced then by",
            f?.FallbackId?.ToString(CultureInfo.InvariantCulture) ?? "",
            [.. Others(c).Select(o => (o.Key, o.Name))]
        );

    private static long? ReadFallback(SlipForm form, SlipContext c) =>
        form.Choice("Fallback", [.. Others(c).Select(o => (o.Key, o.Id))], "feed", null);

    public Filled Read(SlipForm form, SlipContext c)
    {
        var kind = form.Choice(
            "Kind",
            Enum.GetValues<StoreKind>().Select(k => (k.ToString(), k)).ToList(),
            "kind",
            StoreKind.Feed
        );
        var feed = kind == StoreKind.Feed;
        var floats = form.Choice("Floats", [("", (bool?)null), ("floats", true), ("sinks", false)], "behaviour", null);
        var fact = new FeedNamed(
            c.Old<FeedNamed>()?.FeedId ?? 0,
            form.Text("FeedName"),
            feed ? form.Quantity("Pellet", Measures.Pellet) * 1000 : 0,
            feed ? form.Quantity("Protein", Measures.Share) : 0,
            StoreLines.Minor(form, "Price", Measures.MassPrice, 2300, "0 to 1,000.")
        )
        {
            Kind = kind,
            Floats = floats,
            FatPct = form.MaybeQuantity("Fat", Measures.Share),
            FishMealPct = form.MaybeQuantity("FishMeal", Measures.Share),
            PermitTo = form.Empty("PermitTo") ? null : form.Day("PermitTo"),
            FallbackId = ReadFallback(form, c),
            EnergyMJKg = form.MaybeQuantity("Energy", Measures.FeedEnergy),
            BagKg = form.MaybeQuantity("Bag", Measures.Mass),
            LeadDays = form.MaybeQuantity("Lead", Measures.Plain),
        };
        return new(c.Here.Now, [fact], fact.Name, []);
    }
}

/// <summary>A load that came.</summary>
internal sealed class LoadSlip : ISlip
{
    public string Key => "load";

    public string Title => "Feed delivery";

    public string Button => "Save this load";

    public bool OfPond => false;

    public string FactKind => nameof(FeedReceived);

    public string Section => "";

    public string After => StoreLines.Page;

    public string Caution =>
        "Dry, cool, off the floor and away from the wall; no mould, no rats. Mouldy feed poisons fish: send it back.";

    public string? CannotStart(SlipContext c) => StoreLines.Empty(c);

    public IReadOnlyList<SlipField> Fields(SlipContext c)
    {
        var f = c.Old<FeedReceived>();
        return
        [
            .. Lines.When(c),
            StoreLines.Kind(c, f?.FeedId),
            c.Quantity("Mass", "Mass", Measures.Mass, f?.MassKg).WithHint("or bags, below"),
            c.Whole("Bags", "Bags", ""),
            c.Quantity("BagKg", "A bag holds", Measures.Mass)
                .WithHint("as printed on these bags; typed every time: bags differ"),
            c.Words("Lot", "Lot on the bag", f?.Lot ?? ""),
            c.Day("Expiry", "Use by", f?.Expiry).WithHint("empty: none printed"),
            c.Quantity("Price", "Price", Measures.MassPrice, f?.PriceMinorPerKg / 100.0)
                .WithHint(c.Here.Farm!.Currency + ", as billed; empty: the kind's own price"),
            c.Quantity(
                    "Freight",
                    "Freight of the load",
                    Measures.Price,
                    f is { FreightMinor: > 0 } ? f.FreightMinor / 100.0 : null
                )
                .WithHint(c.Here.Farm!.Currency),
        ];
    }

    // By mass, or by bags and what these bags hold; both must agree where both are typed.
    private static double Mass(SlipForm form)
    {
        if (form.Empty("Bags"))
            return form.Quantity("Mass", Measures.Mass);
        var bags = form.Whole("Bags", "bags");
        if (form.Empty("BagKg"))
            form.Refuse("BagKg", "Type what one of these bags holds, as printed on it.");
        var each = form.MaybeQuantity("BagKg", Measures.Mass) ?? double.NaN;
        if (bags is < 1 or > 100_000)
            form.Refuse("Bags", "1 to 100,000 bags.");
        if (each <= 0)
            form.Refuse("BagKg", "Above 0.");
        if (!form.Empty("Mass") && Math.Abs(form.Quantity("Mass", Measures.Mass) - (bags * each)) > 0.01 * bags * each)
            form.Refuse(
                "Mass",
                $"{bags} bags of {form.Here.Say(each, Measures.Mass)} are {form.Here.Say(bags * each, Measures.Mass)}: correct one of the three, or leave this empty."
            );
        return bags * each;
    }

    public Filled Read(SlipForm form, SlipContext c)
    {
        var kind = StoreLines.Read(form, c);
        var fact = new FeedReceived(
            kind?.FeedId ?? 0,
            form.Text("Lot"),
            Mass(form),
            form.Empty("Expiry") ? null : form.Day("Expiry")
        )
        {
            PriceMinorPerKg = StoreLines.Minor(form, "Price", Measures.MassPrice, 2300, "0 to 1,000, or empty."),
            FreightMinor = StoreLines.Minor(form, "Freight", Measures.Price, 1e6, "0 to 1,000,000 for the load.") ?? 0,
        };
        var price = fact.PriceMinorPerKg ?? kind?.Kind.PriceMinorPerKg;
        return new(
            form.When(),
            [fact],
            $"{kind?.Name} {c.Here.Say(fact.MassKg, Measures.Mass)} came",
            price is { } p && fact.MassKg > 0
                ?
                [
                    new(
                        "In the store it costs",
                        $"{c.Here.PerMass((p / 100.0) + (fact.FreightMinor / 100.0 / fact.MassKg))}, freight included"
                    ),
                ]
                : []
        );
    }
}

/// <summary>Something left the store without being fed.</summary>
internal sealed class StoreOutSlip : ISlip
{
    public string Key => "store-out";

    public string Title => "Feed write-off";

    public string Button => "Save this";

    public bool OfPond => false;

    public string FactKind => nameof(StoreTaken);

    public string Section => "";

    public string After => StoreLines.Page;

    public string? CannotStart(SlipContext c) => StoreLines.Empty(c);

    public IReadOnlyList<SlipField> Fields(SlipContext c)
    {
        var f = c.Old<StoreTaken>();
        return
        [
            .. Lines.When(c),
            StoreLines.Kind(c, f?.FeedId),
            c.Quantity("Mass", "Mass", Measures.Mass, f?.MassKg),
            c.Choice(
                "Cause",
                "Because it was",
                f?.Cause ?? StoreCause.Spoiled,
                Enum.GetValues<StoreCause>().Select(x => (x.ToString(), StoreLines.Word(x))).ToList()
            ),
            c.Words("Lot", "From the lot", f?.Lot ?? "").WithHint("empty: the one that goes out first"),
            c.Words("Text", "More about it", f?.Text ?? ""),
        ];
    }

    public Filled Read(SlipForm form, SlipContext c)
    {
        var kind = StoreLines.Read(form, c);
        var cause = form.Choice(
            "Cause",
            Enum.GetValues<StoreCause>().Select(x => (x.ToString(), x)).ToList(),
            "cause",
            StoreCause.Spoiled
        );
        if (
            !form.Empty("Lot")
            && kind is not null
            && c.Corrects is null
            && kind.Ledger.Lots.All(l => l.Lot != form.Text("Lot"))
        )
            form.Refuse(
                "Lot",
                kind.Ledger.Lots.Count == 0
                    ? "Nothing of it is in the store."
                    : $"No such lot in the store. There: {string.Join(", ", kind.Ledger.Lots.Select(l => l.Lot))}."
            );
        return FilledIn(form, kind, cause);
    }

    private static Filled FilledIn(SlipForm form, FeedLeft? kind, StoreCause cause) =>
        new(
            form.When(),
            [
                new StoreTaken(
                    kind?.FeedId ?? 0,
                    form.Text("Lot"),
                    form.Quantity("Mass", Measures.Mass),
                    cause,
                    form.Text("Text")
                ),
            ],
            $"{kind?.Name} {form.Text("Mass")}: {StoreLines.Word(cause)}",
            []
        );
}

/// <summary>The store was weighed or counted.</summary>
internal sealed class StoreCountSlip : ISlip
{
    public string Key => "store-count";

    public string Title => "Stock-take";

    public string Button => "Save this count";

    public bool OfPond => false;

    public string FactKind => nameof(StoreCounted);

    public string Section => "";

    public string After => StoreLines.Page;

    public string? CannotStart(SlipContext c) => StoreLines.Empty(c);

    public IReadOnlyList<SlipField> Fields(SlipContext c)
    {
        var f = c.Old<StoreCounted>();
        return
        [
            .. Lines.When(c),
            StoreLines.Kind(c, f?.FeedId),
            c.Quantity("Mass", "Lies there", Measures.Mass, f?.MassKg).WithHint("bags and open bags together"),
            c.Words("Reason", "Likely cause of a difference", f?.Reason ?? "")
                .WithHint("wanted when it is not what the books say"),
        ];
    }

    public Filled Read(SlipForm form, SlipContext c)
    {
        var kind = StoreLines.Read(form, c);
        var fact = new StoreCounted(kind?.FeedId ?? 0, form.Quantity("Mass", Measures.Mass), form.Text("Reason"));
        List<Computed> computed = [];
        if (kind is not null && double.IsFinite(fact.MassKg))
            computed.AddRange([
                new("The books say", c.Here.Say(kind.LeftKg, Measures.Mass)),
                new(
                    "Difference",
                    (fact.MassKg < kind.LeftKg ? "−" : "+")
                        + c.Here.Say(Math.Abs(fact.MassKg - kind.LeftKg), Measures.Mass)
                ),
            ]);
        return new(form.When(), [fact], $"{kind?.Name}: {form.Text("Mass")} counted", computed);
    }
}
