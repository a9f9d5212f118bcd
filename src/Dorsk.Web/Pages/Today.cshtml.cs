using Dorsk.Core.People;
using Dorsk.Core.Ponds;
using Dorsk.Core.Season;
using Dorsk.Farm;
using Dorsk.Farm.Ask;
using Dorsk.Farm.Estimates;
using Dorsk.Farm.Log;
using Dorsk.Web.People;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace Dorsk.Web.Pages;

/// <summary>The first page at dusk and at dawn: what needs somebody, the night ahead, the jobs of the day, the farm on its plan.</summary>
[Needs(Permission.Look)]
public sealed class TodayModel(Questions questions, Door door, Here here) : PageModel
{
    public Today Now { get; private set; } = null!;

    public string? Problem { get; private set; }

    public string ProblemKey { get; private set; } = "";

    public string Typed { get; private set; } = "";

    /// <summary>Who works alone now.</summary>
    public IReadOnlyList<Core.Safety.OutAlone> Alone => questions.Alone(here.Now);

    /// <summary>A line just entered that can still be taken back here.</summary>
    public LogRow? Fresh { get; private set; }

    /// <summary>Ponds with fish for the outlook, most urgent first.</summary>
    public IEnumerable<PondNow> Outlook =>
        Now
            .Ponds.Where(p => p.Batches.Count > 0)
            .OrderByDescending(p => p.Judgement.Status)
            .ThenBy(p => p.Tonight.Forecast?.Low.Value ?? 99);

    public IActionResult OnGet(long? line)
    {
        if (here.Farm is null)
            return Redirect("/slip/farm");
        Now = questions.Today(here.Now)!;
        Fresh =
            line is { } n
            && questions.Line(n) is { VoidedBy: null } row
            && here.MayCorrect(row)
            && here.Now - row.Entered < TimeSpan.FromMinutes(10)
                ? row
                : null;
        return Page();
    }

    /// <summary>Sets the timers of a pond's idle aerators as the night's plan says.</summary>
    [Needs(Permission.Switch)]
    public IActionResult OnPostAir(string? pond)
    {
        if (
            questions.Today(here.Now) is not { } today
            || today.Ponds.FirstOrDefault(p => p.Story.Pond.Code == pond) is not { } p
        )
            return NotFound();
        if (p.Tonight.Air is not { } air)
            return Again(
                today,
                "",
                "The night has changed meanwhile: this pond needs no more air, or none stands idle."
            );
        var fitted = p
            .Story.AeratorsAt(here.Now)
            .Select(a => air.More.FirstOrDefault(m => m.Code == a.Code) ?? a)
            .ToList();
        var typed =
            $"{pond} {string.Join(" ", air.More.Select(a => a.Code))} on timer {air.More[0].On:HH\\:mm} to {air.More[0].Off:HH\\:mm}";
        return Kept(
            today,
            "",
            door.Enter(
                Entry.Of(Guid.NewGuid(), here.Author, here.Now, new AeratorsFitted(p.Story.Pond.Id, fitted), typed)
            )
        );
    }

    /// <summary>Ticks a job, or leaves it with a reason.</summary>
    [Needs(Permission.Write)]
    public IActionResult OnPostJob(string? key, string? reason, bool skip)
    {
        if (questions.Today(here.Now) is not { } today || today.Jobs.FirstOrDefault(j => j.Key == key) is not { } job)
            return NotFound();
        (Typed, ProblemKey) = (reason ?? "", job.Key);
        var closed = new JobClosed(job.Key, job.PondId, skip ? JobOutcome.Skipped : JobOutcome.Done, reason ?? "");
        return Kept(
            today,
            job.Key,
            door.Enter(
                Entry.Of(
                    Guid.NewGuid(),
                    here.Author,
                    here.Now,
                    closed,
                    $"{job.What}: {(skip ? "left, " + reason : "done")}"
                )
            )
        );
    }

    /// <summary>Takes a tick or a timer set here back.</summary>
    [Needs(Permission.Write)]
    public IActionResult OnPostUndo(long line)
    {
        if (questions.Line(line) is not { } row || row.Kind is not (nameof(JobClosed) or nameof(AeratorsFitted)))
            return NotFound();
        if (!here.MayCorrect(row))
            return StatusCode(StatusCodes.Status403Forbidden);
        return Kept(
            questions.Today(here.Now)!,
            "",
            door.Enter(
                new Entry(Guid.NewGuid(), here.Author, [new NewLine(row.Happened, null, "taken back", line)], [])
            ),
            undone: true
        );
    }

    private IActionResult Kept(Today today, string key, Receipt receipt, bool undone = false) =>
        receipt.Accepted
            ? LocalRedirect(undone ? "/" : $"/?line={receipt.Lines[0]}")
            : Again(today, key, string.Join(" ", receipt.Remarks.Select(r => r.Text)));

    private PageResult Again(Today today, string key, string problem)
    {
        (Now, Problem, ProblemKey) = (today, problem, key);
        Response.StatusCode = StatusCodes.Status422UnprocessableEntity;
        return Page();
    }
}
