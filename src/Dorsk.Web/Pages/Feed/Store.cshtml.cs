using Dorsk.Core.People;
using Dorsk.Farm.Ask;
using Dorsk.Farm.Feed;
using Dorsk.Farm.Log;
using Dorsk.Web.People;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace Dorsk.Web.Pages;

/// <summary>The store: what is left of each kind, its lots in the order they go out, how long it lasts at the feed that is wanted, what to order and when, what it is worth, what the books could not explain.</summary>
[Needs(Permission.Look)]
public sealed class FeedStoreModel(Questions questions, Here here) : PageModel
{
    public IReadOnlyList<StoreRow> Rows { get; private set; } = [];

    public IReadOnlyList<LogRow> Lines { get; private set; } = [];

    public IActionResult OnGet()
    {
        if (questions.Season(here.Now)?.Planned is not { } season)
            return Redirect("/slip/farm");
        Rows = StoreRow.Of(questions.FeedStore(here.Now), season);
        Lines = questions.StoreLog(10);
        return Page();
    }
}
