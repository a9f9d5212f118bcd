using Dorsk.Core.People;
using Dorsk.Core.Ponds;
using Dorsk.Farm.Ask;
using Dorsk.Farm.Estimates;
using Dorsk.Web.People;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace Dorsk.Web.Pages;

/// <summary>Every pond with its figures, most urgent first.</summary>
[Needs(Permission.Look)]
public sealed class PondsModel(Questions questions, Here here) : PageModel
{
    public IReadOnlyList<PondNow> Ponds { get; private set; } = [];

    /// <summary>Ponds that are laid up, with the reason.</summary>
    public IReadOnlyList<(Pond Pond, string Reason)> Archived => questions.ArchivedPonds();

    public IActionResult OnGet()
    {
        if (here.Farm is null)
            return Redirect("/slip/farm");
        Ponds = questions
            .PondsNow(here.Now)
            .OrderByDescending(p => p.Judgement.Status)
            .ThenBy(p => p.Tonight.Forecast?.Low.Value ?? 99)
            .ThenBy(p => p.Story.Pond.Code, StringComparer.Ordinal)
            .ToList();
        Free = FreePlaces.Of(Ponds, here.Now);
        return Page();
    }

    /// <summary>What is free now.</summary>
    public FreePlaces? Free { get; private set; }

    /// <summary>Fish are never rounded up: to the ten below from a thousand on.</summary>
    public double Round(double fish) => fish >= 1000 ? Math.Floor(fish / 10) * 10 : Math.Floor(fish);
}
