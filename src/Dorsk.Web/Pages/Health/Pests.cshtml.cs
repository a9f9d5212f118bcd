using Dorsk.Core.Health;
using Dorsk.Core.People;
using Dorsk.Farm.Ask;
using Dorsk.Web.People;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace Dorsk.Web.Pages;

/// <summary>Predators and pests: how they are known, what they take, and which were seen.</summary>
[Needs(Permission.Look)]
public sealed class PestsModel(Questions questions, Here here) : PageModel
{
    private const int Days = 30;

    public IReadOnlyList<(string Code, DateTimeOffset At, HunterSeen Seen)> Seen { get; private set; } = [];

    public IActionResult OnGet()
    {
        if (here.Farm is null)
            return Redirect("/slip/farm");
        Seen =
        [
            .. questions
                .PondsNow(here.Now)
                .SelectMany(p => p.Story.Health.HuntersSeen.Select(h => (p.Story.Pond.Code, h.At, h.Seen)))
                .Where(x => x.At > here.Now.AddDays(-Days) && Hunter.Find(x.Seen.Kind) is not null)
                .OrderByDescending(x => x.At),
        ];
        return Page();
    }
}
