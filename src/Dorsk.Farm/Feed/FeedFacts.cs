using Dorsk.Core.Feeding;
using Dorsk.Core.Growth;
using Dorsk.Core.Judging;
using Dorsk.Farm.Facts;
using Dorsk.Farm.Fish;
using Dorsk.Farm.Ponds;

namespace Dorsk.Farm.Feed;

/// <summary>Kinds of feed and other inputs, what comes into the store and leaves it, feedings and how rations are set.</summary>
internal static class FeedFacts
{
    // Fish weighed long ago have grown: a feeding is only asked about when it is too much even for the fastest growth since.
    private const double FastestRate = 1.3;

    public static readonly FactTable<FeedNamed> Named = new FactTable<FeedNamed>(
        "feed",
        "feed named",
        Reach.Farm | Reach.Store
    )
        .Itself("feed", f => f.FeedId, Refers.Feed)
        .Column("name", f => f.Name)
        .Column("pellet_mm", f => f.PelletMm)
        .Column("protein_pct", f => f.ProteinPct)
        .Column("price_minor_per_kg", f => f.PriceMinorPerKg)
        .Column("kind", f => f.Kind)
        .Column("fat_pct", f => f.FatPct)
        .Column("energy_mj_kg", f => f.EnergyMJKg)
        .Column("floats", f => f.Floats)
        .Column("bag_kg", f => f.BagKg)
        .Column("lead_days", f => f.LeadDays)
        .Column("fish_meal_pct", f => f.FishMealPct)
        .Column("permit_to", f => f.PermitTo)
        .Column("fallback", f => f.FallbackId)
        .ReadBy(NamedOf)
        .CheckedBy((desk, f) => [.. FeedingRule.Check(f), .. NameTaken(desk, f)])
        .VoidedBy(StillUsed);

    public static readonly FactTable<FeedReceived> Received = new FactTable<FeedReceived>(
        "feed_received",
        "feed delivery",
        Reach.Store
    )
        .Feed("feed", f => f.FeedId)
        .Column("lot", f => f.Lot)
        .Column("mass_kg", f => f.MassKg)
        .Column("expiry", f => f.Expiry)
        .Column("price_minor_per_kg", f => f.PriceMinorPerKg)
        .Column("freight_minor", f => f.FreightMinor)
        .ReadBy(r =>
            new(r.Long("feed"), r.Text("lot"), r.Real("mass_kg"), r.MaybeDay("expiry"))
            {
                PriceMinorPerKg = r.MaybeLong("price_minor_per_kg"),
                FreightMinor = r.Long("freight_minor"),
            }
        )
        .CheckedBy((desk, f) => [.. FeedingRule.Check(f), .. Known(desk, f.FeedId)]);

    public static readonly FactTable<StoreTaken> Taken = new FactTable<StoreTaken>(
        "store_taken",
        "left the store",
        Reach.Store
    )
        .Feed("feed", f => f.FeedId)
        .Column("lot", f => f.Lot)
        .Column("mass_kg", f => f.MassKg)
        .Column("cause", f => f.Cause)
        .Column("text", f => f.Text)
        .ReadBy(r => new(r.Long("feed"), r.Text("lot"), r.Real("mass_kg"), r.Word<StoreCause>("cause"), r.Text("text")))
        .CheckedBy((desk, f) => [.. f.Check(), .. Known(desk, f.FeedId)]);

    public static readonly FactTable<StoreCounted> Counted = new FactTable<StoreCounted>(
        "store_counted",
        "stock-take",
        Reach.Store
    )
        .Feed("feed", f => f.FeedId)
        .Column("mass_kg", f => f.MassKg)
        .Column("reason", f => f.Reason)
        .ReadBy(r => new(r.Long("feed"), r.Real("mass_kg"), r.Text("reason")))
        .CheckedBy((desk, f) => [.. Known(desk, f.FeedId), .. f.Check(LeftKg(desk, f.FeedId))]);

    public static readonly FactTable<FeedingGiven> Given = new FactTable<FeedingGiven>(
        "feeding",
        "fed",
        Reach.Ponds | Reach.Store
    )
        .Pond("pond", f => f.PondId)
        .Feed("feed", f => f.FeedId)
        .Column("mass_kg", f => f.MassKg)
        .Column("score", f => f.Score)
        .Column("minutes", f => f.Minutes)
        .Column("left_kg", f => f.LeftKg)
        .ReadBy(r =>
            new(
                r.Long("pond"),
                r.Long("feed"),
                r.Real("mass_kg"),
                r.MaybeInt("score"),
                r.MaybeReal("minutes"),
                r.Real("left_kg")
            )
        )
        .CheckedBy((desk, f) => [.. f.CheckHow(), .. CheckAmount(desk, f)]);

    public static readonly FactTable<FeederKept> Feeder = new FactTable<FeederKept>("feeder", "feeder")
        .Pond("pond", k => k.PondId)
        .Column("name", k => k.Name)
        .Column("dose", k => k.Dose)
        .Column("grams_each", k => k.GramsEach)
        .Column("weighed_on", k => k.WeighedOn)
        .Column("meals", k => k.Meals)
        .Column("gone", k => k.Gone)
        .ReadBy(r =>
            new(
                r.Long("pond"),
                r.Text("name"),
                r.Word<FeederDose>("dose"),
                r.Real("grams_each"),
                r.Day("weighed_on"),
                r.Int("meals"),
                r.Yes("gone")
            )
        )
        .CheckedBy((desk, k) => k.Check(desk.Today));

    public static readonly FactTable<RationSchoolSet> Method = new FactTable<RationSchoolSet>(
        "ration_school",
        "feeding method"
    )
        .Pond("pond", s => s.PondId)
        .Column("school", s => s.School)
        .ReadBy(r => new(r.Long("pond"), r.Word<RationSchool>("school")));

    public static readonly FactTable<RationOverruled> Overruled = new FactTable<RationOverruled>(
        "ration_overruled",
        "ration set by hand"
    )
        .Pond("pond", o => o.PondId)
        .Batch("batch", o => o.BatchId)
        .Column("day", o => o.Day)
        .Column("kg", o => o.Kg)
        .Column("reason", o => o.Reason)
        .ReadBy(r => new(r.Long("pond"), r.Long("batch"), r.Day("day"), r.MaybeReal("kg"), r.Text("reason")))
        .CheckedBy((desk, o) => [.. o.Check(), .. StandsThere(desk, o)]);

    public static IReadOnlyList<FactKind> Kinds { get; } =
    [Named, Received, Taken, Counted, Given, Feeder, Method, Overruled];

    private static FeedNamed NamedOf(FactRow r) =>
        new(
            r.Long("feed"),
            r.Text("name"),
            r.Real("pellet_mm"),
            r.Real("protein_pct"),
            r.MaybeLong("price_minor_per_kg")
        )
        {
            Kind = r.Word<StoreKind>("kind"),
            FatPct = r.MaybeReal("fat_pct"),
            EnergyMJKg = r.MaybeReal("energy_mj_kg"),
            Floats = r.MaybeYes("floats"),
            BagKg = r.MaybeReal("bag_kg"),
            LeadDays = r.MaybeReal("lead_days"),
            FishMealPct = r.MaybeReal("fish_meal_pct"),
            PermitTo = r.MaybeDay("permit_to"),
            FallbackId = r.MaybeLong("fallback"),
        };

    private static IEnumerable<Remark> NameTaken(Desk desk, FeedNamed f) =>
        FeedGoods
            .Goods(desk.Connection, desk.AsOf.Known)
            .Exists(k => k.Id != f.FeedId && string.Equals(k.Name, f.Name.Trim(), StringComparison.OrdinalIgnoreCase))
            ? [Remark.Refuse("Name", "Another kind in the store has this name. Add its maker or its pellet.")]
            : [];

    private static IEnumerable<Remark> StillUsed(Desk desk, FeedNamed f, long line)
    {
        if (FeedGoods.Goods(desk.Connection, desk.AsOf.Known).Exists(k => k.Id == f.FeedId))
            return [];
        var lines = LogUse.OfFeed(desk.Connection, f.FeedId);
        return lines.Count == 0
            ? []
            :
            [
                Remark.Refuse(
                    "",
                    $"Other lines of the log name this feed ({string.Join(", ", lines)}). Correct its name or figures instead."
                ),
            ];
    }

    private static Remark[] Known(Desk desk, long feed) =>
        FeedGoods.Goods(desk.Connection, desk.AsOf.Known).Exists(k => k.Id == feed)
            ? []
            : [Remark.Refuse("Feed", "Choose the kind of feed, or name a new one.")];

    // The kind may have been named after the day of the count: what was in the store then is what counts.
    private static double LeftKg(Desk desk, long feed) =>
        FeedMoves.Load(desk.Connection, desk.AsOf).Of(feed, desk.Happened)?.LeftKg ?? 0;

    private static IEnumerable<Remark> StandsThere(Desk desk, RationOverruled o) =>
        FishQuestions.Standing(desk.Connection, desk.AsOf, o.PondId).Exists(b => b.Id == o.BatchId)
            ? []
            : [Remark.Refuse("kg", "This batch does not stand in this pond.")];

    private static IEnumerable<Remark> CheckAmount(Desk desk, FeedingGiven f)
    {
        if (Known(desk, f.FeedId) is { Length: > 0 } unknown)
            return unknown;
        var standing = FishQuestions
            .Standing(desk.Connection, desk.AsOf, f.PondId)
            .Where(b => b.Stands > 0)
            .Select(b => (b.Stands, MeanG: MostMeanG(desk, b, f.PondId)))
            .ToList();
        var biomassKg = standing.Sum(s => s.Stands * s.MeanG / 1000);
        return FeedingRule
            .Check(f.MassKg, biomassKg, standing.Select(s => s.MeanG).DefaultIfEmpty(0).Max(), desk.Hand)
            .Concat(standing.Count > 0 ? AgainstMeal(desk, f) : []);
    }

    // What the ration board holds back is asked about at every door a meal comes in by.
    private static IEnumerable<Remark> AgainstMeal(Desk desk, FeedingGiven f)
    {
        if (
            !desk.IsFresh
            || FeedGoods.Feeds(desk.Connection, desk.AsOf.Known).Find(k => k.Id == f.FeedId) is not { } kind
        )
            return [];
        var feeds = FeedGoods.Feeds(desk.Connection, desk.AsOf.Known);
        var permit = FeedingRule.WithoutPermit(
            kind.Name,
            kind.PermitTo,
            desk.Today,
            feeds.Find(k => k.Id == kind.FallbackId)?.Name
        );
        var against = desk.PondAt(f.PondId)?.AgainstMeal(desk.Happened, (kind.Name, kind.PelletMm, kind.ProteinPct));
        return (against ?? [])
            .Concat(permit is null ? [] : [permit])
            .Select(reason => Remark.Ask("Mass", $"{reason} Was it fed all the same?"));
    }

    /// <summary>What the fish can have grown to at most since they were last weighed, g.</summary>
    private static double MostMeanG(Desk desk, Core.Stock.BatchOnBooks batch, long pond)
    {
        var (meanG, at) = FishQuestions.LastWeighed(desk.Connection, desk.AsOf, batch.Id, pond);
        var species = SettingsQuestions.Species(desk.Connection, desk.AsOf, batch.SpeciesKey, pond);
        return GrowthLaws.After(meanG, FastestRate * species.GrowthG13PerDay, (desk.Happened - at).TotalDays);
    }
}
