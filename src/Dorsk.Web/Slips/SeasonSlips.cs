using System.Globalization;
using Dorsk.Core.Growth;
using Dorsk.Core.People;
using Dorsk.Core.Plans;
using Dorsk.Core.Units;

namespace Dorsk.Web.Slips;

/// <summary>A day on which fish are to leave a pond.</summary>
internal sealed class PlanHarvestSlip : ISlip
{
    public string Key => "plan-harvest";

    public string Title => "Plan fish to leave";

    public string Button => "Save this plan";

    public bool OfPond => true;

    public string FactKind => nameof(HarvestPlanned);

    public string Section => "";

    public string After => "/season";

    public Permission Needs => Permission.Manage;

    public string Caution =>
        "Before a harvest: taste test, withdrawal times of what was given, fish off feed, buyer, crew and truck.";

    public string? CannotStart(SlipContext c) =>
        c.Corrects is null && !c.Story!.Standing.Any() ? "No fish stand in this pond." : null;

    public IReadOnlyList<SlipField> Fields(SlipContext c)
    {
        var f = c.Old<HarvestPlanned>();
        return
        [
            Lines.Batch(c, f?.BatchId),
            c.Day("On", "They leave on", SeasonLines.Day(f?.On)),
            c.Whole("Count", "How many", f?.Count?.ToString(CultureInfo.InvariantCulture) ?? "")
                .WithHint("empty: all of them"),
            c.Choice(
                "To",
                "To",
                f?.ToPondId?.ToString(CultureInfo.InvariantCulture) ?? "",
                [("", "the market"), .. SeasonLines.Others(c).Select(p => (p.Key, p.Code))]
            ),
            .. f is null ? Array.Empty<SlipField>() : [c.Yes("Dropped", "Give this plan up")],
        ];
    }

    public Filled Read(SlipForm form, SlipContext c)
    {
        var batch = Lines.ReadBatch(form, c);
        var to = form.Choice(
            "To",
            [("", (long?)null), .. SeasonLines.Others(c).Select(p => (p.Key, (long?)p.Id))],
            "pond",
            null
        );
        var fact = new HarvestPlanned(
            c.Old<HarvestPlanned>()?.PlanId ?? 0,
            c.PondId,
            batch,
            form.Day("On"),
            form.Empty("Count") ? null : form.Whole("Count", "fish"),
            to,
            form.Yes("Dropped")
        );
        return new(
            c.Corrects?.Row.Happened ?? c.Here.Now,
            [fact],
            string.Create(
                CultureInfo.InvariantCulture,
                $"{c.Story!.Pond.Code} {(fact.Dropped ? "plan given up" : $"{(fact.Count is { } n ? $"{n} fish" : "all fish")} out on {fact.On:yyyy-MM-dd}")}"
            ),
            Then(c, fact)
        );
    }

    // What they will weigh by then is said while the day is chosen.
    private static List<Computed> Then(SlipContext c, HarvestPlanned fact)
    {
        if (c.Story!.Standing.FirstOrDefault(b => b.Id == fact.BatchId) is not { } batch)
            return [];
        var ahead = c.Story.Growth.AheadOf(batch, c.Here.Today);
        var i = fact.On.DayNumber - c.Here.Today.DayNumber;
        if (i < 0 || i >= ahead.Count)
            return [];
        var g = ahead[i].MeanG;
        return
        [
            new(
                "They weigh then",
                $"about {c.Here.Say(g.Value, Measures.FishWeight)}, 80 % interval {c.Here.Figure(g.Low, 0)} to {c.Here.Say(g.High, Measures.FishWeight)}"
            ),
            new(
                "Target weight reached",
                GrowthForecast.DateOf(batch.TargetG, ahead).Likely is { } day
                    ? $"about {c.Here.Day(day)}"
                    : "not within the forecast"
            ),
        ];
    }
}

/// <summary>A part of the fish taken every few months, and young ones stocked again each spring.</summary>
internal sealed class PlanPartsSlip : ISlip
{
    private const int MostParts = 8;

    public string Key => "plan-parts";

    public string Title => "Plan partial harvests";

    public string Button => "Save these plans";

    public bool OfPond => true;

    // Each of its plans is corrected by the slip of one harvest.
    public string FactKind => "";

    public string Section => "";

    public string After => "/season";

    public Permission Needs => Permission.Manage;

    public string? CannotStart(SlipContext c) => c.Story!.Standing.Any() ? null : "No fish stand in this pond.";

    public IReadOnlyList<SlipField> Fields(SlipContext c) =>
        [
            Lines.Batch(c, null),
            c.Day("First", "First on", c.Here.Today.AddDays(30)),
            c.Whole("Months", "Then every so many months", "3"),
            c.Whole("Times", "How often", "4"),
            c.Whole("Count", "Fish each time", ""),
            c.Heading("Stocked again"),
            c.Day("Stock", "Young fish come on", "").WithHint("empty: none; the usual is once a year in spring"),
            c.Whole("Young", "Young fish", ""),
            c.Quantity("Weight", "Their average weight", Measures.FishWeight),
        ];

    public Filled Read(SlipForm form, SlipContext c)
    {
        var batch = c.Story!.Standing.FirstOrDefault(b => b.Id == Lines.ReadBatch(form, c));
        var first = form.Day("First");
        var (months, times, count) = Parts(form, c, batch?.Stands ?? 0);
        if (form.Remarks.Count > 0 || batch is null)
            return new(c.Here.Now, null, "", []);
        HarvestPlanned Part(int i) => new(0, c.PondId, batch.Id, first.AddMonths(i * months), count, null, false);
        List<Core.Judging.Fact> facts = [.. Enumerable.Range(0, times).Select(Part)];
        if (!form.Empty("Stock"))
            facts.Add(Again(form, c, batch));
        return new(
            c.Here.Now,
            facts,
            $"{c.Story.Pond.Code} partial harvests",
            [
                new("Days", string.Join(", ", facts.OfType<HarvestPlanned>().Select(f => c.Here.Day(f.On)))),
                new("Fish in all", c.Here.Count(times * count)),
            ]
        );
    }

    private static (int Months, int Times, int Count) Parts(SlipForm form, SlipContext c, int stands)
    {
        var (months, times) = (form.Whole("Months", "months"), form.Whole("Times", "times"));
        var count = form.Whole("Count", "fish");
        if (months is < 1 or > 12)
            form.Refuse("Months", "1 to 12.");
        if (times is < 1 or > MostParts)
            form.Refuse("Times", $"1 to {MostParts}.");
        if (form.Remarks.Count == 0 && (long)times * count > stands)
            form.Refuse(
                "Count",
                $"{c.Here.Count(times)} times {c.Here.Count(count)} are more than the {c.Here.Count(stands)} on the books."
            );
        return (months, times, count);
    }

    private static CyclePlanned Again(SlipForm form, SlipContext c, Farm.Fish.BatchStory batch) =>
        new(
            0,
            c.PondId,
            batch.Species.Key,
            form.Day("Stock"),
            form.Whole("Young", "fish"),
            form.Quantity("Weight", Measures.FishWeight),
            batch.TargetG,
            null,
            null,
            false
        );
}

/// <summary>Fish that are to come into a pond.</summary>
internal sealed class PlanStockingSlip : ISlip
{
    public string Key => "plan-stocking";

    public string Title => "Plan fish to come";

    public string Button => "Save this plan";

    public bool OfPond => true;

    public string FactKind => nameof(CyclePlanned);

    public string Section => "";

    public string After => "/season";

    public Permission Needs => Permission.Manage;

    public IReadOnlyList<SlipField> Fields(SlipContext c)
    {
        var f = c.Old<CyclePlanned>();
        var species = f is null ? c.Story!.LikelySpecies : c.Story!.KnownSpecies(f.SpeciesKey);
        return
        [
            c.Fish("Species", "Which fish", species.Key),
            c.Day(
                "StockOn",
                "Stocking date",
                SeasonLines.Day(f?.StockOn ?? c.Story!.Readiness.PreparationAt(c.Here.Now)?.Plan.StockOn)
            ),
            c.Whole("Count", "How many", f?.Count.ToString(CultureInfo.InvariantCulture) ?? "")
                .WithHint("the stocking planner works the number out"),
            c.Quantity("MeanG", "Weight of one then", Measures.FishWeight, f?.MeanG)
                .WithHint("fish of another pond of yours come as they weigh by then"),
            c.Choice(
                "From",
                "From",
                f?.FromPondId?.ToString(CultureInfo.InvariantCulture) ?? "",
                [("", "bought"), .. SeasonLines.Others(c).Select(p => (p.Key, p.Code))]
            ),
            c.Quantity("TargetG", "Target weight at harvest", Measures.FishWeight, f?.TargetG ?? species.MarketLowG),
            c.Day("HarvestOn", "All leave on", SeasonLines.Day(f?.HarvestOn))
                .WithHint("empty: when they reach that weight"),
            .. f is null ? Array.Empty<SlipField>() : [c.Yes("Dropped", "Give this plan up")],
        ];
    }

    public Filled Read(SlipForm form, SlipContext c)
    {
        var species = form.Fish("Species").Key;
        var from = form.Choice(
            "From",
            [("", (long?)null), .. SeasonLines.Others(c).Select(p => (p.Key, (long?)p.Id))],
            "pond",
            null
        );
        var fact = ReadFact(form, c, species, from);
        return new(
            c.Corrects?.Row.Happened ?? c.Here.Now,
            [fact],
            string.Create(
                CultureInfo.InvariantCulture,
                $"{c.Story!.Pond.Code} {(fact.Dropped ? "plan given up" : $"{fact.Count} fish on {fact.StockOn:yyyy-MM-dd}")}"
            ),
            Then(form, c, fact)
        );
    }

    private static CyclePlanned ReadFact(SlipForm form, SlipContext c, string species, long? from) =>
        new CyclePlanned(
            c.Old<CyclePlanned>()?.PlanId ?? 0,
            c.PondId,
            species,
            form.Day("StockOn"),
            form.Whole("Count", "fish"),
            form.Quantity("MeanG", Measures.FishWeight),
            form.Quantity("TargetG", Measures.FishWeight),
            from,
            form.Empty("HarvestOn") ? null : form.Day("HarvestOn"),
            form.Yes("Dropped")
        );

    private static List<Computed> Then(SlipForm form, SlipContext c, CyclePlanned fact)
    {
        if (form.Remarks.Count > 0 || fact.Check(c.Here.Today).Any())
            return [];
        var pond = c.Story!.Season.PondAt(c.Here.Now);
        var species = pond.Species(fact.SpeciesKey);
        var ahead = pond.Grow(species, fact.StockOn, fact.MeanG);
        var window = GrowthForecast.DateOf(fact.TargetG, ahead);
        var kg = fact.Count * fact.TargetG / 1000 * species.SurvivalGrowOutPct / 100;
        return
        [
            new(
                "Target weight reached",
                window.Likely is { } day
                    ? $"about {c.Here.Day(day)}{(window.Earliest is { } a && window.Latest is { } b ? $", 80 % interval {c.Here.Day(a)} to {c.Here.Day(b)}" : "")}"
                    : "not within the forecast"
            ),
            new(
                "Then together, of carrying capacity",
                $"{c.Here.Say(kg, Measures.Mass with { Decimals = 0, UsDecimals = 0 })} of {c.Here.Say(pond.CarriesKg(species), Measures.Mass with { Decimals = 0, UsDecimals = 0 })}"
            ),
        ];
    }
}

/// <summary>What both share.</summary>
internal static class SeasonLines
{
    /// <summary>Other ponds of the farm.</summary>
    public static IEnumerable<(string Key, string Code, long Id)> Others(SlipContext c) =>
        c
            .Questions.Ponds()
            .Where(p => p.Id != c.PondId && p.Use != "settling")
            .Select(p => (p.Id.ToString(CultureInfo.InvariantCulture), p.Code, p.Id));

    /// <summary>A day as a field takes it.</summary>
    public static string Day(DateOnly? day) => day?.ToString("yyyy-MM-dd", CultureInfo.InvariantCulture) ?? "";
}
