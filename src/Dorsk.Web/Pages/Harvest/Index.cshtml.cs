using Dorsk.Core.Harvest;
using Dorsk.Core.People;
using Dorsk.Core.Prepare;
using Dorsk.Core.Stock;
using Dorsk.Farm.Ask;
using Dorsk.Farm.Estimates;
using Dorsk.Web.People;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace Dorsk.Web.Pages;

/// <summary>A batch as whoever sells fish sees it.</summary>
/// <param name="Story">Its pond.</param>
/// <param name="Batch">The batch.</param>
/// <param name="Spread">Its sizes today.</param>
/// <param name="Over">Share over the least market weight, with its interval; null where it is not known.</param>
/// <param name="NotMet">Names of conditions that are not met or not known now.</param>
/// <param name="On">Day of its plan, or null.</param>
public sealed record HarvestRow(
    PondStory Story,
    BatchNow Batch,
    SizeSpread Spread,
    Core.Judging.Interval? Over,
    IReadOnlyList<string> NotMet,
    DateOnly? On
);

/// <summary>What could be fished: every batch with its sizes, its conditions, its day.</summary>
[Needs(Permission.Look)]
public sealed class HarvestsModel(Questions questions, Here here) : PageModel
{
    /// <summary>Batches, the one with the most market-size fish first.</summary>
    public IReadOnlyList<HarvestRow> Rows { get; private set; } = [];

    public IActionResult OnGet()
    {
        if (here.Farm is null)
            return Redirect("/slip/farm");
        Rows =
        [
            .. questions
                .Stories(_ => true)
                .SelectMany(s => questions.Now(s, here.Now).Batches.Select(b => RowOf(s, b)))
                .OfType<HarvestRow>()
                .OrderBy(r => r.On ?? DateOnly.MaxValue)
                .ThenByDescending(r => r.Spread.Over(r.Batch.Batch.Species.MarketLowG).Kg),
        ];
        return Page();
    }

    private HarvestRow? RowOf(PondStory story, BatchNow batch) =>
        story.Sizes.Of(batch.Batch, here.Today) is { } spread
            ? new(
                story,
                batch,
                spread,
                story.Sizes.ShareOver(batch.Batch, here.Today, batch.Batch.Species.MarketLowG),
                [
                    .. story
                        .HarvestGate(batch.Batch, here.Now, Account.Harvested)
                        .Where(l => l.State != Condition.Met)
                        .Select(l => l.Name),
                ],
                story
                    .Plans.Harvests.Where(h => h.Fact.BatchId == batch.Batch.Id && h.Fact.On >= here.Today)
                    .Min(h => (DateOnly?)h.Fact.On)
            )
            : null;
}
