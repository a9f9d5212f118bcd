using Dorsk.Core.Machines;
using Dorsk.Core.People;
using Dorsk.Farm.Ask;
using Dorsk.Web.People;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace Dorsk.Web.Pages;

/// <summary>Equipment that fish live by: how its last test went, when the next is due, and what has no spare.</summary>
[Needs(Permission.Look)]
public sealed class VitalModel(Questions questions, Here here) : PageModel
{
    public IReadOnlyList<VitalState> All { get; private set; } = [];

    /// <summary>Codes of ponds, by number.</summary>
    public IReadOnlyDictionary<long, string> Ponds { get; private set; } = new Dictionary<long, string>();

    /// <summary>Kinds that the farm has none of.</summary>
    public IEnumerable<VitalKind> Missing => VitalKind.All.Where(k => All.All(v => v.Kept.Kind != k.Key));

    public IActionResult OnGet()
    {
        if (here.Farm is null)
            return Redirect("/slip/farm");
        // What stands worst is read first.
        All = [.. questions.Vitals().OrderByDescending(v => v.On(here.Today).Status).ThenBy(v => v.DueOn(here.Today))];
        Ponds = questions.Ponds().ToDictionary(p => p.Id, p => p.Code);
        return Page();
    }
}
