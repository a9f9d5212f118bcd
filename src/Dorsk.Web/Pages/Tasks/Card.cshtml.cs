using Dorsk.Core.People;
using Dorsk.Web.People;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace Dorsk.Web.Pages;

/// <summary>The card of a task: few words and drawings, to print.</summary>
[Needs(Permission.Look)]
public sealed class TaskCardModel(Here here) : PageModel
{
    /// <summary>The task.</summary>
    public FarmTask Of { get; private set; } = null!;

    /// <summary>The page.</summary>
    public IActionResult OnGet(string key)
    {
        if (here.Farm is null)
            return Redirect("/slip/farm");
        if (FarmTask.Find(key) is not { } task)
            return NotFound();
        Of = task;
        return Page();
    }
}
