using System.Text;
using Dorsk.Core.People;
using Dorsk.Farm.Ask;
using Dorsk.Farm.Files;
using Dorsk.Web.People;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace Dorsk.Web.Pages;

/// <summary>The outlines of the farm as a GeoJSON file.</summary>
[Needs(Permission.Setup)]
public sealed class PlanGeoModel(Questions questions, Here here) : PageModel
{
    public IActionResult OnGet() =>
        here.Farm is { } farm
            ? File(
                Encoding.UTF8.GetBytes(GeoOutlines.Write(questions.Plan(), farm.Place)),
                "application/geo+json",
                "ponds.geojson"
            )
            : Redirect("/slip/farm");
}
