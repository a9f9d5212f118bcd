using Dorsk.Core.Feeding;
using Dorsk.Core.People;
using Dorsk.Core.Species;
using Dorsk.Farm.Ask;
using Dorsk.Farm.Estimates;
using Dorsk.Web.People;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace Dorsk.Web.Pages;

/// <summary>Changes of feed ahead, pond by pond, with their mixing days; the feed table by size; first feeds and weaning.</summary>
[Needs(Permission.Look)]
public sealed class FeedChangesModel(Questions questions, Here here) : PageModel
{
    public IReadOnlyList<(PondNow Pond, BatchNow Batch, FeedChange Change)> Changes { get; private set; } = [];

    public IReadOnlyDictionary<long, string> Names { get; private set; } = new Dictionary<long, string>();

    public IReadOnlyList<FishSpecies> Species { get; private set; } = [];

    public IActionResult OnGet()
    {
        if (questions.Season(here.Now)?.Planned is not { } season)
            return Redirect("/slip/farm");
        var feeds = questions.Feeds();
        Names = feeds.ToDictionary(f => f.Id, f => f.Name);
        var kinds = feeds.Select(f => (f.Id, f.PelletMm)).ToList();
        var ponds = questions.PondsNow(here.Now);
        Changes =
        [
            .. ponds
                .SelectMany(p =>
                    p.Batches.SelectMany(b =>
                        FeedChange
                            .Ahead(b.Batch.Species, season.FeedOf(b.Batch.Id, p.Story.Pond.Id), kinds)
                            .Select(c => (p, b, c))
                    )
                )
                .OrderBy(x => x.c.Steps[0].From),
        ];
        Species = [.. ponds.SelectMany(p => p.Batches).Select(b => b.Batch.Species).DistinctBy(s => s.Key)];
        return Page();
    }
}
