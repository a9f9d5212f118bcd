using Dorsk.Core.People;
using Dorsk.Core.Ponds;
using Dorsk.Web.Pages;
using Dorsk.Web.Slips;
using Dorsk.Web.Workbench;

namespace Dorsk.Web.Find;

/// <summary>Something one can go to, or a word with its meaning.</summary>
/// <param name="Group">What it stands under.</param>
/// <param name="Title">Its name.</param>
/// <param name="Address">Where it is; empty for a word.</param>
/// <param name="Says">What it is for, in one line; may be empty.</param>
/// <param name="Needs">What a person must be allowed to see it.</param>
public sealed record MapEntry(
    string Group,
    string Title,
    string Address,
    string Says = "",
    Permission Needs = Permission.Look
);

/// <summary>All that the program has, in groups by the day's work: pages, ponds, slips, calculators, words.</summary>
public static class FarmMap
{
    private const string Day = "Today",
        Fish = "Ponds",
        Water = "Water",
        Feed = "Feed",
        Health = "Health",
        Harvest = "Harvest",
        Hatchery = "Hatchery",
        Plans = "Plans",
        Setup = "Setup",
        Calculators = "Workbench",
        Words = "Words";

    /// <summary>Groups in their order.</summary>
    public static IReadOnlyList<string> Groups { get; } =
    [Day, Fish, Water, Feed, Health, Harvest, Hatchery, Plans, Calculators, Setup, Words];

    /// <summary>Pages of a group of the menu, in their order.</summary>
    /// <param name="here">Who asks.</param>
    /// <param name="group">The group.</param>
    public static IReadOnlyList<MapEntry> PagesOf(Here here, string group) =>
        [.. Pages.Where(e => e.Group == group && here.May(e.Needs))];

    /// <summary>The page of a list that an address belongs to: its own, else the nearest above it; null where none is.</summary>
    /// <param name="pages">The list.</param>
    /// <param name="path">An address without its query.</param>
    public static MapEntry? At(IEnumerable<MapEntry> pages, string path) =>
        pages
            .Where(e =>
                path == e.Address || (e.Address != "/" && path.StartsWith(e.Address + "/", StringComparison.Ordinal))
            )
            .MaxBy(e => e.Address.Length);

    /// <summary>The group of the menu that an address belongs to; empty for the pages that lead everywhere.</summary>
    /// <param name="path">An address without its query.</param>
    public static string GroupOf(string path) => At(Pages, path)?.Group ?? (path is "/find" or "/tour" ? "" : Fish);

    private static readonly MapEntry[] Pages =
    [
        new(Day, "Today", "/", "what needs somebody, most urgent first"),
        new(Day, "Round", "/round", "readings, feed and deaths pond by pond on the phone", Permission.Write),
        new(Day, "Notebook", "/notes", "notes of one line, read and recorded after a look", Permission.Write),
        new(Day, "Tasks and people", "/tasks", "who has signed for which task, cards of tasks"),
        new(Day, "Jobs", "/jobs", "today and the next 60 days"),
        new(Day, "Day sheet", "/day", "all ponds of one day, to print"),
        new(Day, "Month sheet", "/month", "a month's days over each other, years beside each other, to print"),
        new(Day, "Take a written sheet in", "/day/enter", "a day sheet that was filled in by hand", Permission.Write),
        new(
            Day,
            "Kept on this phone",
            "/kept",
            "entries that wait for a signal, pages kept for where there is none",
            Permission.Write
        ),
        new(Day, "Alarms", "/alarms", "what rings, who is called, drill"),
        new(Fish, "Ponds", "/ponds", "every pond: what stands, ration, oxygen, next"),
        new(Fish, "Empty ponds", "/empty", "what they wait for, fish places free"),
        new(Fish, "Fish ledger", "/fish", "every movement of fish with both its sides"),
        new(Water, "Night board", "/oxygen", "oxygen of all ponds tonight, timers of aerators"),
        new(Water, "Aerators", "/oxygen/aerators", "one by one: power, standby, hours"),
        new(Water, "Power is out", "/oxygen/power", "minutes left, what a generator carries"),
        new(Water, "Emergency cards", "/oxygen/cards", "what to do first, to print"),
        new(Water, "Without a meter", "/oxygen/signs", "oxygen risk by signs"),
        new(Water, "Forecast accuracy", "/proof", "each night forecast against measured"),
        new(Water, "Weather", "/weather", "readings of the mast and by hand"),
        new(Feed, "Rations", "/feed", "feed of the day, pond by pond in walking order"),
        new(Feed, "Feed store", "/feed/store", "deliveries, lots, inventory, order by"),
        new(Feed, "Feed changes", "/feed/changes", "when the pellet size changes"),
        new(Feed, "Feeding table", "/feed/table", "rates by weight and temperature; your own"),
        new(Health, "Health", "/fish-health", "what is wrong with fish, pond by pond; treatments, holds"),
        new(Health, "Products", "/fish-health/products", "medicines, salt and the like by their labels"),
        new(Health, "Predators and pests", "/fish-health/pests", "pictures, what they take, what keeps them off"),
        new(Health, "Worked examples", "/fish-health/cases", "written cases of sick fish"),
        new(Harvest, "Harvest", "/harvest", "fish by size, conditions, plan of the day"),
        new(Harvest, "Lots and sales", "/lots", "each harvest: sold, left, traced to pond, feed and buyers"),
        new(Harvest, "Orders", "/orders", "orders against what the season will have, short by day"),
        new(Harvest, "Season sheet", "/harvest/sheet", "stocked, fed, lost, taken, survival, FCR, cost; to print"),
        new(Hatchery, "Hatchery", "/hatchery", "eggs, fry and fry ponds now, the next hour of each, the feed bell"),
        new(
            Hatchery,
            "Hatchery plans",
            "/hatchery/plan",
            "from the fingerlings wanted back to breeders, vessels, days"
        ),
        new(Hatchery, "Broodstock", "/hatchery/broodstock", "register of breeders, load, ration, nests, forage"),
        new(Plans, "Season", "/season", "what stands, comes and leaves, month by month"),
        new(Plans, "Stocking plan", "/plans/stocking", "how many, until when, what it costs"),
        new(Plans, "Choice of species", "/plans/species", "fish side by side, and in what they are kept"),
        new(Plans, "Saved plans", "/plans", "to open again, side by side"),
        new(Plans, "Cycles compared", "/compare", "closed and running cycles side by side"),
        new(Calculators, "All calculators", "/workbench", "in groups, the ones used lately first"),
        new(Setup, "All of setup", "/setup", "farm, people, limits, devices", Permission.Setup),
        new(Setup, "People", "/setup/people", "who may do what", Permission.Setup),
        new(Setup, "Species and limits", "/setup/species", "figures and limits of the farm", Permission.Setup),
        new(Setup, "Plan of the farm", "/setup/plan", "where each pond lies", Permission.Setup),
        new(Setup, "Recurring tasks", "/setup/duties", "what is done again every so many days"),
        new(Setup, "Water sources", "/setup/sources", "tested value by value"),
        new(Setup, "Builders", "/setup/builders", "who built what, what is under guarantee"),
        new(Setup, "Equipment and spares", "/setup/vital", "generator, alarm, aerators: tests on their day, spares"),
        new(Setup, "Instruments", "/setup/instruments", "what each reads, calibration due"),
        new(Setup, "Devices", "/setup/devices", "probes, panels and readers with keys of their own", Permission.Setup),
        new(Setup, "Lists and backup", "/lists", "CSV, import, backup, restore, export", Permission.Setup),
        new(Setup, "Dorsk on a phone", "/phone", "how a phone trusts this farm and works without signal"),
        new(Setup, "My password", "/me", "change it, sign out"),
    ];

    /// <summary>The menu: each group by its name, with its first page.</summary>
    public static IReadOnlyList<MapEntry> Menu { get; } =
    [.. Pages.DistinctBy(e => e.Group).Select(e => e with { Title = e.Group })];

    /// <summary>Everything a person may go to.</summary>
    /// <param name="here">Who asks.</param>
    /// <param name="ponds">Ponds in use.</param>
    public static IReadOnlyList<MapEntry> For(Here here, IReadOnlyList<Pond> ponds) =>
        [
            .. Pages
                .Concat(ponds.Select(p => new MapEntry(Fish, p.Code, $"/ponds/{p.Code}", p.Name)))
                .Concat(
                    AllSlips
                        .List.Where(s => !s.OfPond)
                        .Select(s => new MapEntry(GroupOf(s.After), s.Title, $"/slip/{s.Key}", Needs: s.Needs))
                )
                .Concat(
                    AllCalculators.List.Select(c => new MapEntry(Calculators, c.Title, $"/workbench/{c.Key}", c.Lead))
                )
                .Concat(Glossary.Terms.Select(t => new MapEntry(Words, t.Term, "", t.Means)))
                .Where(e => here.May(e.Needs)),
        ];

    /// <summary>What a person looks for: every word must stand in the name or the line; names come first. A pond's code opens its sections and slips too.</summary>
    /// <param name="here">Who asks.</param>
    /// <param name="ponds">Ponds in use.</param>
    /// <param name="typed">What was typed; not empty.</param>
    public static IReadOnlyList<MapEntry> Find(Here here, IReadOnlyList<Pond> ponds, string typed)
    {
        var words = typed.Split(' ', StringSplitOptions.RemoveEmptyEntries | StringSplitOptions.TrimEntries);
        var pond = ponds.FirstOrDefault(p => words.Contains(p.Code, StringComparer.OrdinalIgnoreCase));
        return
        [
            .. For(here, ponds)
                .Concat(pond is null ? [] : Of(pond).Where(e => here.May(e.Needs)))
                .Where(e => words.All(w => Has(e.Title, w) || Has(e.Says, w)))
                .OrderBy(e => Rank(e, typed.Trim(), words))
                .Take(Most),
        ];
    }

    private const int Most = 40;

    private static IEnumerable<MapEntry> Of(Pond pond) =>
        AllSlips
            .List.Where(s => s.OfPond)
            .Select(s => new MapEntry(
                Fish,
                $"{pond.Code}: {s.Title.ToLowerInvariant()}",
                $"/ponds/{pond.Code}/slip/{s.Key}",
                Needs: s.Needs
            ))
            .Concat(
                BookModel.Sections.Select(section => new MapEntry(
                    Fish,
                    $"{pond.Code}: {section}",
                    $"/ponds/{pond.Code}/{section}"
                ))
            )
            .Append(new(Fish, $"{pond.Code}: acclimation", $"/ponds/{pond.Code}/acclimate"));

    private static int Rank(MapEntry e, string typed, string[] words) =>
        e.Title.Equals(typed, StringComparison.OrdinalIgnoreCase) ? 0
        : e.Title.StartsWith(typed, StringComparison.OrdinalIgnoreCase) ? 1
        : RankInside(e, words);

    private static int RankInside(MapEntry e, string[] words) => words.All(w => Has(e.Title, w)) ? 2 : 3;

    private static bool Has(string text, string word) => text.Contains(word, StringComparison.OrdinalIgnoreCase);
}
