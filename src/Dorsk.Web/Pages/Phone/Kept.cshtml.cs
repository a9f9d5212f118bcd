using Dorsk.Core.People;
using Dorsk.Web.People;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace Dorsk.Web.Pages;

/// <summary>What this phone keeps: entries that wait for a signal or were refused, and pages for where there is none. The browser fills it.</summary>
[Needs(Permission.Write)]
public sealed class KeptModel : PageModel
{
    public void OnGet() { }
}
