using Dorsk.Core.People;
using Dorsk.Core.Water;
using Dorsk.Farm.Ask;
using Dorsk.Farm.State;
using Dorsk.Web.People;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace Dorsk.Web.Pages;

/// <summary>Devices that talk to the farm, and their keys.</summary>
[Needs(Permission.Setup)]
public sealed class DevicesModel(Questions questions, DeviceKeys keys, Here here) : PageModel
{
    /// <summary>Devices that are not gone, with what is wrong with their probes.</summary>
    public IReadOnlyList<(long Line, DeviceKept Kept, string Pond, DateTimeOffset? Heard, IReadOnlyList<Dorsk.Core.Judging.Judgement> Wrong)> All { get; private set; } = [];

    /// <summary>A key just made, with its device; it is shown this once.</summary>
    public (string Name, string Key)? Fresh { get; private set; }

    public IActionResult OnGet() => here.Farm is null ? Redirect("/slip/farm") : Show();

    /// <summary>Makes a new key; the former one opens nothing any more.</summary>
    public IActionResult OnPostKey([FromForm] long device)
    {
        if (questions.Devices().FirstOrDefault(d => d.Kept.DeviceId == device).Kept is not { Gone: false } kept)
            return NotFound();
        Fresh = (kept.Name, keys.Renew(device));
        return Show();
    }

    private PageResult Show()
    {
        var ponds = questions.Ponds().ToDictionary(p => p.Id, p => p.Code);
        All = [.. questions.Devices().Where(d => !d.Kept.Gone).Select(d =>
        {
            var health = d.Kept is { Use: DeviceUse.Probe, PondId: { } pond } ? questions.ProbeHealth(pond, here.Now) : null;
            return (d.Line, d.Kept, d.Kept.PondId is { } id ? ponds.GetValueOrDefault(id, "laid up") : "", health?.Heard, health?.Wrong ?? []);
        })];
        return Page();
    }
}
