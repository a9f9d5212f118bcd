using Dorsk.Core.People;
using Dorsk.Core.Water;
using Dorsk.Farm;
using Dorsk.Farm.Ask;
using Dorsk.Farm.Log;
using Dorsk.Web.People;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace Dorsk.Web.Pages;

/// <summary>The farm's instruments with their calibrations.</summary>
[Needs(Permission.Look)]
public sealed class InstrumentsModel(Questions questions, Door door, Here here) : PageModel
{
    public IReadOnlyList<(long Line, InstrumentKept Kept)> All { get; private set; } = [];

    public string? Problem { get; private set; }

    public IActionResult OnGet()
    {
        if (here.Farm is null)
            return Redirect("/slip/farm");
        All = questions.Instruments();
        return Page();
    }

    /// <summary>Writes that an instrument was calibrated today.</summary>
    [Needs(Permission.Write)]
    public IActionResult OnPostCalibrated(long line)
    {
        All = questions.Instruments();
        if (All.FirstOrDefault(i => i.Line == line).Kept is not { } kept)
            return NotFound();
        var receipt = door.Enter(
            Entry.Of(
                Guid.NewGuid(),
                here.Author,
                here.Now,
                kept with
                {
                    CalibratedOn = here.Today,
                },
                $"{kept.Name} calibrated"
            )
        );
        if (receipt.Accepted)
            return LocalRedirect("/setup/instruments");
        Problem = string.Join(" ", receipt.Remarks.Select(r => r.Text));
        return Page();
    }
}
