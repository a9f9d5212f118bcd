using System.Globalization;
using Dorsk.Core.Harvest;
using Dorsk.Core.People;
using Dorsk.Farm.Ask;
using Dorsk.Web.People;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace Dorsk.Web.Pages;

/// <summary>Cycles of ponds side by side, and what the difference in yield is made of.</summary>
[Needs(Permission.Look)]
public sealed class CompareModel(Questions questions, Here here) : PageModel
{
    private const int Most = 4;

    public IReadOnlyList<CycleFigures> All { get; private set; } = [];

    public IReadOnlyList<CycleFigures> Chosen { get; private set; } = [];

    public IActionResult OnGet([FromQuery] string[]? c)
    {
        if (here.Farm is null)
            return Redirect("/slip/farm");
        var growOut = questions.Ponds().Where(p => p.Use == "grow-out").Select(p => p.Code).ToHashSet();
        All = CycleTable.All(questions, here, _ => true);
        var wanted = c ?? [];
        Chosen = [.. All.Where(a => wanted.Contains(Key(a))).Take(Most)];
        // Without a choice the two longest grow-out cycles of one kind that run now.
        if (Chosen.Count == 0)
            Chosen =
            [
                .. All.Where(a => !a.Closed && growOut.Contains(a.Pond))
                    .GroupBy(a => (a.Species, a.ByVolume))
                    .OrderByDescending(g => Math.Min(2, g.Count()))
                    .ThenByDescending(g => g.Max(a => a.Days))
                    .FirstOrDefault()
                    ?.OrderByDescending(a => a.Days)
                    .Take(2)
                    ?? [],
            ];
        return Page();
    }

    /// <summary>A cycle's name in the address.</summary>
    public static string Key(CycleFigures f) => f.Pond + ":" + f.BatchId.ToString(CultureInfo.InvariantCulture);

    /// <summary>Differences of the others from the first, where they can be set against each other.</summary>
    public IEnumerable<(CycleFigures Other, YieldDifference Difference)> Differences =>
        Chosen.Skip(1).Where(o => o.ByVolume == Chosen[0].ByVolume).Select(o => (o, YieldDifference.Of(o, Chosen[0])));
}
