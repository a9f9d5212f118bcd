using Dorsk.Core.Health;
using Dorsk.Core.People;
using Dorsk.Farm.Ask;
using Dorsk.Web.People;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace Dorsk.Web.Pages;

/// <summary>The register of products.</summary>
[Needs(Permission.Look)]
public sealed class ProductsModel(Questions questions, Here here) : PageModel
{
    public IReadOnlyList<(long Line, ProductDescribed Product)> All { get; private set; } = [];

    public IActionResult OnGet()
    {
        if (here.Farm is null)
            return Redirect("/slip/farm");
        All = questions.Products();
        return Page();
    }
}
