using Dorsk.Core.People;
using Dorsk.Core.Ponds;
using Dorsk.Farm.Ask;
using Dorsk.Web.People;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace Dorsk.Web.Pages;

/// <summary>Who built what, and what broke since.</summary>
[Needs(Permission.Look)]
public sealed class BuildersModel(Questions questions, Here here) : PageModel
{
    public IReadOnlyList<BuilderRecord> All { get; private set; } = [];

    public IReadOnlyList<(Pond Pond, PondBuiltBy? Built)> Ponds { get; private set; } = [];

    public IActionResult OnGet()
    {
        if (here.Farm is null)
            return Redirect("/slip/farm");
        var built = questions.Builders();
        Ponds = [.. questions.Ponds().Select(p => (p, built.FirstOrDefault(b => b.PondId == p.Id)))];
        All = BuilderRecord.Of(
            Ponds
                .Where(x => x.Built is not null)
                .Select(x => (x.Pond.Code, x.Built!, Works(questions.Story(x.Pond.Code)!))),
            here.Today
        );
        return Page();
    }

    private static IReadOnlyList<(DateOnly, PondWork, string)> Works(Farm.Estimates.PondStory story) =>
        [.. story.Works.Select(w => (story.Zone.DayOf(w.At), w.Work, w.Text))];
}
