using Dorsk.Core.People;
using Dorsk.Farm;
using Dorsk.Farm.Ask;
using Dorsk.Farm.Log;
using Dorsk.Web.People;
using Dorsk.Web.Slips;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace Dorsk.Web.Pages;

/// <summary>One line of the log, and the way to take it back: also one that no slip can open, because what it holds cannot be.</summary>
[Needs(Permission.Look)]
public sealed class LogLineModel(Questions questions, Door door, Here here) : PageModel
{
    public LogRow Row { get; private set; } = null!;

    public string Code { get; private set; } = "";

    public string? Problem { get; private set; }

    public bool MayTakeBack => Row.VoidedBy is null && WhyNot.Length == 0;

    /// <summary>Why it cannot be taken back here; empty when it can.</summary>
    public string WhyNot =>
        Row.Kind == LogRow.TakenBack ? "This line takes another back: that cannot be undone."
        : here.MayCorrect(Row) ? ""
        : "Only a Manager, or who wrote it today, may take it back.";

    /// <summary>Address of the slip that corrects it, or null.</summary>
    public string? CorrectAt =>
        MayTakeBack && AllSlips.Correcting(Row) is { } slip && here.May(slip.Needs)
            ? AllSlips.CorrectingPath(Row, Code.Length > 0 ? Code : null)
            : null;

    public IActionResult OnGet(long line) => Find(line) ? Page() : NotFound();

    /// <summary>Takes the line back.</summary>
    [Needs(Permission.Write)]
    public IActionResult OnPost(long line)
    {
        if (!Find(line))
            return NotFound();
        if (!MayTakeBack)
            Problem = Row.VoidedBy is not null ? "It was taken back already." : WhyNot;
        else
        {
            var receipt = door.Enter(
                new Entry(Guid.NewGuid(), here.Author, [new NewLine(Row.Happened, null, "taken back", line)], [])
            );
            if (receipt.Accepted)
                return LocalRedirect($"/log/{line}");
            Problem = string.Join(" ", receipt.Remarks.Select(r => r.Text));
        }
        Response.StatusCode = StatusCodes.Status422UnprocessableEntity;
        return Page();
    }

    private bool Find(long line)
    {
        if (here.Farm is null || questions.Line(line) is not { } row)
            return false;
        (Row, Code) = (row, questions.Ponds().FirstOrDefault(p => p.Id == row.PondId)?.Code ?? "");
        return true;
    }
}
