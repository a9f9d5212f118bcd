using Dorsk.Core.People;
using Dorsk.Farm.Ask;
using Dorsk.Web.Find;
using Dorsk.Web.People;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace Dorsk.Web.Pages;

/// <summary>All there is, in groups; or what was looked for by a word.</summary>
[Needs(Permission.Look)]
public sealed class FindModel(Questions questions, Here here) : PageModel
{
    private const int Longest = 80;

    /// <summary>What was typed.</summary>
    public string Typed { get; private set; } = "";

    /// <summary>What was found, or all.</summary>
    public IReadOnlyList<MapEntry> Entries { get; private set; } = [];

    /// <summary>The page.</summary>
    public IActionResult OnGet([FromQuery] string? q) => Open(q) ? Page() : Redirect("/slip/farm");

    /// <summary>What was found alone, for a page that is being typed in.</summary>
    public IActionResult OnGetPart([FromQuery] string? q) => Open(q) ? Partial("_Found", this) : NotFound();

    private bool Open(string? q)
    {
        if (here.Farm is null)
            return false;
        Typed = (q ?? "").Trim();
        if (Typed.Length > Longest)
            Typed = Typed[..Longest];
        var ponds = questions.Ponds();
        Entries = Typed.Length == 0 ? FarmMap.For(here, ponds) : FarmMap.Find(here, ponds, Typed);
        return true;
    }
}
