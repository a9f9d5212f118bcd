using Dorsk.Core.People;
using Dorsk.Web.People;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace Dorsk.Web.Pages;

/// <summary>Written cases of sick fish with what the search makes of them.</summary>
[Needs(Permission.Look)]
public sealed class CasesModel(Here here) : PageModel
{
    public IActionResult OnGet() => here.Farm is null ? Redirect("/slip/farm") : Page();
}
