using Dorsk.Core.People;
using Dorsk.Web.People;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace Dorsk.Web.Pages;

/// <summary>Terms of the trade in plain words.</summary>
[Needs(Permission.Look)]
public sealed class TermsModel(Here here) : PageModel
{
    /// <summary>The page.</summary>
    public IActionResult OnGet() => here.Farm is null ? Redirect("/slip/farm") : Page();
}
