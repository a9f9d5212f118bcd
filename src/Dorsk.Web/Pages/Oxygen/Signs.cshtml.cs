using Dorsk.Core.Judging;
using Dorsk.Core.Oxygen;
using Dorsk.Core.People;
using Dorsk.Farm.Ask;
using Dorsk.Farm.Estimates;
using Dorsk.Web.People;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace Dorsk.Web.Pages;

/// <summary>How likely low oxygen is by what is seen, without a meter, and what may safely be done. The first step into any sick fish.</summary>
[Needs(Permission.Look)]
public sealed class SignsModel(Questions questions, Here here) : PageModel
{
    public IReadOnlyList<string> Seen { get; private set; } = [];

    public Judgement Risk { get; private set; } = new(Status.Unknown, "");

    /// <summary>The pond that was looked at, as it was last read; null when none was named.</summary>
    public PondNow? Pond { get; private set; }

    public IReadOnlyList<string> Ponds { get; private set; } = [];

    public IActionResult OnGet([FromQuery] string[] s, [FromQuery] string? pond)
    {
        if (here.Farm is null)
            return Redirect("/slip/farm");
        Seen = [.. WaterSigns.All.Select(x => x.Key).Where(s.Contains)];
        Risk = WaterSigns.Weigh(Seen);
        var all = questions.PondsNow(here.Now).Where(p => p.Batches.Count > 0).ToList();
        Ponds = [.. all.Select(p => p.Story.Pond.Code)];
        Pond = all.FirstOrDefault(p => p.Story.Pond.Code == pond);
        return Page();
    }
}
