using Dorsk.Core.People;
using Dorsk.Core.Water;
using Dorsk.Farm.Ask;
using Dorsk.Farm.Files;
using Dorsk.Farm.State;
using Dorsk.Web.Inlets;
using Dorsk.Web.People;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace Dorsk.Web.Pages;

/// <summary>Devices that talk to the farm, and their keys.</summary>
[Needs(Permission.Setup), RequestSizeLimit(MostBytes), RequestFormLimits(MultipartBodyLengthLimit = MostBytes)]
public sealed class DevicesModel(
    Questions questions,
    DeviceKeys keys,
    LoggerFile files,
    Dorsk.Farm.Heard heard,
    Here here,
    MqttInlet mqtt
) : PageModel
{
    private const long MostBytes = 60_000_000;

    /// <summary>Devices that are not gone, with what is wrong with their probes.</summary>
    public IReadOnlyList<(
        long Line,
        DeviceKept Kept,
        string Pond,
        DateTimeOffset? Heard,
        IReadOnlyList<Dorsk.Core.Judging.Judgement> Wrong
    )> All { get; private set; } = [];

    /// <summary>A key just made, with its device; it is shown this once.</summary>
    public (string Name, string Key)? Fresh { get; private set; }

    public IActionResult OnGet() => here.Farm is null ? Redirect("/slip/farm") : Show();

    /// <summary>Makes a new key; the former one opens nothing any more.</summary>
    public async Task<IActionResult> OnPostKeyAsync([FromForm] long device)
    {
        if (questions.Devices().FirstOrDefault(d => d.Kept.DeviceId == device).Kept is not { Gone: false } kept)
            return NotFound();
        Fresh = (kept.Name, keys.Renew(device));
        await mqtt.Drop(device);
        return Show();
    }

    /// <summary>What became of a file that was given, or why it was refused.</summary>
    public (bool Good, string Words)? Given { get; private set; }

    /// <summary>Takes in the file of a logger.</summary>
    public IActionResult OnPostFile([FromForm] long device, IFormFile? file)
    {
        if (
            questions.Devices().FirstOrDefault(d => d.Kept.DeviceId == device).Kept
            is not { Gone: false, Use: DeviceUse.Probe } probe
        )
            return NotFound();
        var path = Path.GetTempFileName();
        try
        {
            if (file is not { Length: > 0 })
                throw new FarmFilesException("Choose the logger’s file first.");
            using (var to = System.IO.File.Create(path))
                file.CopyTo(to);
            var taken = files.Take(path, probe);
            Given = (true, $"{probe.Name}: {LoggerDrop.Words(taken)}");
        }
        catch (FarmFilesException problem)
        {
            Given = (false, problem.Message);
            Response.StatusCode = StatusCodes.Status422UnprocessableEntity;
        }
        finally
        {
            System.IO.File.Delete(path);
        }
        return Show();
    }

    private PageResult Show()
    {
        var ponds = questions.Ponds().ToDictionary(p => p.Id, p => p.Code);
        All =
        [
            .. questions
                .Devices()
                .Where(d => !d.Kept.Gone)
                .Select(d =>
                {
                    var health = d.Kept is { Use: DeviceUse.Probe, PondId: { } pond }
                        ? questions.ProbeHealth(pond, here.Now)
                        : null;
                    return (
                        d.Line,
                        d.Kept,
                        d.Kept.PondId is { } id ? ponds.GetValueOrDefault(id, "laid up") : "",
                        health?.Heard ?? heard.Maybe(d.Kept.DeviceId),
                        health?.Wrong ?? []
                    );
                }),
        ];
        return Page();
    }
}
