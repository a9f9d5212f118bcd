using Dorsk.Core.Feeding;
using Dorsk.Core.Hatchery;
using Dorsk.Core.Judging;
using Dorsk.Core.People;
using Dorsk.Farm.Ask;
using Dorsk.Farm.Estimates;
using Dorsk.Farm.Feed;
using Dorsk.Farm.Fish;
using Dorsk.Web.People;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace Dorsk.Web.Pages;

/// <summary>A pond of breeders with what is found.</summary>
/// <param name="Now">The pond now.</param>
/// <param name="Pond">Its breeders.</param>
/// <param name="Findings">What is found, the worst first.</param>
/// <param name="TempC">Water, °C; null where nobody read it.</param>
/// <param name="Settled">The day on which its water settled at spawning temperature; null while it has not.</param>
/// <param name="Nests">Its nests with the line of each.</param>
public sealed record BroodPondNow(
    PondNow Now,
    BroodPond Pond,
    IReadOnlyList<Judgement> Findings,
    double? TempC,
    DateOnly? Settled,
    IReadOnlyList<(long Line, VesselDescribed Nest, NestChecked? Seen)> Nests
);

/// <summary>The register of breeders, their load, ration and water, nests on a map, forage.</summary>
[Needs(Permission.Look)]
public sealed class BroodstockModel(Questions questions, Here here) : PageModel
{
    public IReadOnlyList<(long Line, BroodDescribed Fish, (DateTimeOffset At, BroodInspected Look)? Seen)> Register
    {
        get;
        private set;
    } = [];

    public IReadOnlyList<BroodPondNow> Ponds { get; private set; } = [];

    public IReadOnlyList<(DateTimeOffset At, ForageGiven Fact)> Forage { get; private set; } = [];

    public bool NeverRaw { get; private set; }

    /// <summary>Kinds of feed of the store, by how they serve breeders.</summary>
    public IReadOnlyList<(FeedKind Kind, Judgement Serves)> Feeds { get; private set; } = [];

    private HatchStory? hatchery;

    /// <summary>Lots of eggs that name a fish or group among their parents.</summary>
    public int Spawns(BroodDescribed fish) =>
        hatchery?.Ledger.Lots.Count(l =>
            l.ParentId is null && l.Taken.From.Contains(fish.Tag, StringComparison.OrdinalIgnoreCase)
        )
        ?? 0;

    /// <summary>Whether one of the ponds is in its spawning season.</summary>
    public bool InSeason => Ponds.Any(p => p.Settled is not null);

    public IActionResult OnGet()
    {
        if (here.Farm is null)
            return Redirect("/slip/farm");
        Register = questions.Breeders();
        (Forage, NeverRaw) = questions.Forage();
        var story = questions.Hatchery(here.Now);
        hatchery = story;
        var ponds = (questions.Today(here.Now)?.Ponds ?? []).ToDictionary(p => p.Story.Pond.Id);
        var kept = Register.Where(b => !b.Fish.Retired).Select(b => b.Fish).GroupBy(b => b.PondId);
        var groups = kept.Where(g => ponds.ContainsKey(g.Key)).ToList();
        Ponds = [.. groups.Select(g => Of(ponds[g.Key], [.. g], groups.Count, story))];
        Feeds =
        [
            .. here.Feeds.Where(f => f.Kind == StoreKind.Feed).Select(f => (f, BroodCare.Feed(f.ProteinPct, f.Floats))),
        ];
        return Page();
    }

    private BroodPondNow Of(PondNow now, List<BroodDescribed> kept, int waters, HatchStory story)
    {
        var s = now.Story;
        var pond = new BroodPond(s.Pond.Id, s.Pond.Code, s.Pond.Shape.FullAreaM2, s.LikelySpecies, kept);
        var looks = story.NestLooks.ToLookup(n => n.Fact.VesselId, n => n.Fact);
        return new(
            now,
            pond,
            BroodCare.Of(pond, waters, here.Today.Year, here.Hand),
            s.LastOf(Core.Water.Parameter.Temperature)?.Si,
            FryPonds.SpawnSettledOn(s, here.Today),
            [
                .. story
                    .Vessels.Where(v => v.Vessel is { Gone: false, Kind: VesselKind.Nest } n && n.PondId == s.Pond.Id)
                    .Select(v => (v.Line, v.Vessel, looks[v.Vessel.VesselId].LastOrDefault())),
            ]
        );
    }

    /// <summary>Next day on which nests are looked into; null out of season.</summary>
    public DateOnly? NextCheck(BroodPondNow p) =>
        p.Settled is { } settled
            ? Enumerable
                .Range(0, 3)
                .Select(i => here.Today.AddDays(i))
                .Where(d => SpawnWater.ChecksOn(settled, d) == true)
                .Select(d => (DateOnly?)d)
                .FirstOrDefault()
            : null;
}
