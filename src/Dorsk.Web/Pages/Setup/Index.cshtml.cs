using Dorsk.Core.People;
using Dorsk.Farm.Ask;
using Dorsk.Web.People;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace Dorsk.Web.Pages;

/// <summary>Where the farm is set up.</summary>
[Needs(Permission.Setup)]
public sealed class SetupModel(Questions questions, Here here) : PageModel
{
    public string People => Count(questions.People().Count(p => p.Role != Role.Gone), "person", "people");

    public string Ponds => Count(questions.Ponds().Count, "pond", "ponds");

    public IActionResult OnGet() => here.Farm is null ? Redirect("/slip/farm") : Page();

    private static string Count(int n, string one, string many) => $"{n} {(n == 1 ? one : many)}";
}
