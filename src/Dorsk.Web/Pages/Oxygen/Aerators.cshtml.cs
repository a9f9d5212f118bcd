using Dorsk.Core.People;
using Dorsk.Core.Ponds;
using Dorsk.Farm.Ask;
using Dorsk.Web.People;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace Dorsk.Web.Pages;

/// <summary>Every aerator of the farm: its timer, the hours it ran by it, and the energy.</summary>
[Needs(Permission.Look)]
public sealed class AeratorsModel(Questions questions, Here here) : PageModel
{
    /// <summary>Days that are added up.</summary>
    public const int Days = 30;

    public IReadOnlyList<(string Pond, Aerator Aerator, AeratorHours Ran, bool RunsNow)> Rows { get; private set; } = [];

    /// <summary>Ponds with fish whose power is under what is usual, kW/ha.</summary>
    public IReadOnlyList<(string Pond, double KWHa)> PowerHa { get; private set; } = [];

    public IActionResult OnGet()
    {
        if (here.Farm is null)
            return Redirect("/slip/farm");
        var hour = TimeOnly.FromDateTime(here.Zone.LocalAt(here.Now));
        var stories = questions.Ponds().Select(p => questions.Story(p.Code)!).ToList();
        Rows = [.. stories.SelectMany(s => s.AeratorHours(here.Now.AddDays(-Days), here.Now).Join(s.AeratorsAt(here.Now), h => h.Code, a => a.Code, (h, a) => (s.Pond.Code, a, h, a.RunsAt(hour))))];
        PowerHa = [.. stories.Where(s => !s.Pond.ByVolume && s.AeratorsAt(here.Now).Count > 0).Select(s => (s.Pond.Code, s.AeratorsAt(here.Now).Sum(a => a.ShaftKW) / s.Pond.Shape.FullAreaM2 * 10_000))];
        return Page();
    }
}
