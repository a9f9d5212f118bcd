using Dorsk.Core.People;
using Dorsk.Farm.Ask;
using Dorsk.Web.People;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace Dorsk.Web.Pages;

/// <summary>Cards for the wall: what to do, in order, when there is no time to think.</summary>
[Needs(Permission.Look)]
public sealed class CardsModel(Questions questions, Here here) : PageModel
{
    /// <summary>Who is called, in order.</summary>
    public IReadOnlyList<string> Calls { get; private set; } = [];

    public IActionResult OnGet()
    {
        if (here.Farm is null)
            return Redirect("/slip/farm");
        Calls =
        [
            .. (questions.CallList()?.Steps ?? []).Select(s => s.Phone.Length > 0 ? $"{s.Name} {s.Phone}" : s.Name),
        ];
        return Page();
    }
}
