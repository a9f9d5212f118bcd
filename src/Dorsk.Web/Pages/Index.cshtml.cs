using Dorsk.Core.People;
using Dorsk.Web.People;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace Dorsk.Web.Pages;

/// <summary>Opens the first slip on a new farm, else the ponds.</summary>
[Needs(Permission.Look)]
public sealed class IndexModel(Here here) : PageModel
{
    public IActionResult OnGet() => Redirect(here.Farm is null ? "/slip/farm" : "/ponds");
}
