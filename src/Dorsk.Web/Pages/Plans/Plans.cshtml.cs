using Dorsk.Core.People;
using Dorsk.Core.Plans;
using Dorsk.Farm;
using Dorsk.Farm.Ask;
using Dorsk.Farm.Log;
using Dorsk.Web.People;
using Dorsk.Web.Plans;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace Dorsk.Web.Pages;

/// <summary>Kept stocking plans, up to four of them side by side.</summary>
[Needs(Permission.Look)]
public sealed class PlansModel(Questions questions, Door door, Here here) : PageModel
{
    private const int SideBySide = 4;

    public IReadOnlyList<(long Line, StockingPlanKept Kept)> All { get; private set; } = [];

    /// <summary>The chosen ones, worked out with what is known now.</summary>
    public IReadOnlyList<(StockingPlanKept Kept, string Pond, StockingAnswer? Answer)> Shown { get; private set; } = [];

    public IActionResult OnGet([FromQuery] long[] p)
    {
        if (here.Farm is null)
            return Redirect("/slip/farm");
        All = questions.StockingPlans();
        var ponds = questions.Ponds().ToDictionary(x => x.Id, x => x.Code);
        Shown =
        [
            .. All.Where(k => p.Length == 0 || p.Contains(k.Kept.PlanId))
                .Take(SideBySide)
                .Select(k =>
                    (
                        k.Kept,
                        k.Kept.PondId is { } id ? ponds.GetValueOrDefault(id, "laid up") : "",
                        PlanCalendar.Of(k.Kept, questions, here)
                    )
                ),
        ];
        return Page();
    }

    /// <summary>Gives a plan up; its lines stay in the log.</summary>
    [Needs(Permission.Manage)]
    public IActionResult OnPostDrop(long plan)
    {
        if (questions.StockingPlans().FirstOrDefault(k => k.Kept.PlanId == plan).Kept is not { } kept)
            return NotFound();
        door.Enter(
                Entry.Of(
                    Guid.NewGuid(),
                    here.Author,
                    here.Now,
                    kept with
                    {
                        Dropped = true,
                    },
                    $"stocking plan {kept.Name} given up"
                )
            )
            .OrThrow();
        return LocalRedirect("/plans");
    }
}
