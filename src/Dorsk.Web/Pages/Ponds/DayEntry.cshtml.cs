using System.Globalization;
using Dorsk.Core.Judging;
using Dorsk.Core.People;
using Dorsk.Core.Ponds;
using Dorsk.Farm;
using Dorsk.Farm.Ask;
using Dorsk.Farm.Log;
using Dorsk.Web.People;
using Dorsk.Web.Round;
using Dorsk.Web.Slips;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace Dorsk.Web.Pages;

/// <summary>One pond's row of a written day sheet as it is taken in.</summary>
/// <param name="Code">The pond.</param>
/// <param name="EntryId">The entry's own id: sent twice it is entered once.</param>
/// <param name="Remarks">What stands against it, after it was sent.</param>
public sealed record SheetRow(string Code, Guid EntryId, IReadOnlyList<Remark> Remarks)
{
    /// <summary>Whether all that stands against it are questions.</summary>
    public bool Asks => Remarks.Count > 0 && Remarks.All(r => r.Kind == Objection.Ask);
}

/// <summary>A day sheet that was written on paper is taken in: all its rows at once, under the name of whoever wrote it.</summary>
[Needs(Permission.Write)]
public sealed class DayEntryModel(Questions questions, Door door, Here here) : PageModel
{
    // Columns of the sheet: name, the value of a round as which it is read, and whether it is of the afternoon.
    private static readonly (string Key, string Value, bool Late)[] Columns =
    [
        ("do1", "do", false),
        ("temp1", "temp", false),
        ("dead", "dead", false),
        ("do2", "do", true),
        ("ph2", "ph", true),
        ("fed", "fed", true),
    ];

    public DateOnly Day { get; private set; }

    /// <summary>Whatever was typed, by field.</summary>
    public IReadOnlyDictionary<string, string> Typed { get; private set; } = new Dictionary<string, string>();

    public IReadOnlyList<SheetRow> Rows { get; private set; } = [];

    /// <summary>Ponds whose row was entered just now.</summary>
    public IReadOnlyList<string> Entered { get; private set; } = [];

    /// <summary>What is wrong with the head of the sheet, by field.</summary>
    public IReadOnlyList<Remark> Remarks { get; private set; } = [];

    /// <summary>Those in whose name this person may write.</summary>
    public IReadOnlyList<string> Writers =>
        here.May(Permission.Manage)
            ? [.. questions.People().Where(p => Permissions.May(p.Role, Permission.Write)).Select(p => p.Name)]
            : [here.Author];

    public IActionResult OnGet(string? day)
    {
        if (here.Farm is null)
            return Redirect("/slip/farm");
        Open(day);
        Typed = new Dictionary<string, string>
        {
            ["writer"] = here.Author,
            ["dawn"] = "05:30",
            ["late"] = "15:30",
        };
        Rows = [.. Ponds().Select(p => new SheetRow(p.Code, Guid.NewGuid(), []))];
        return Page();
    }

    public IActionResult OnPost(string? day)
    {
        if (here.Farm is null)
            return Redirect("/slip/farm");
        Open(day);
        var typed = Request.Form.Keys.ToDictionary(k => k, k => Request.Form[k].ToString());
        Typed = typed;
        var head = new List<Remark>();
        var (dawn, late) = (Hour("dawn", head), Hour("late", head));
        var writer = Writers.FirstOrDefault(w => w == typed.GetValueOrDefault("writer"));
        if (writer is null)
            head.Add(Remark.Refuse("writer", "Choose who wrote the sheet. Only a Manager takes in another's."));
        Remarks = head;
        var entered = new List<string>();
        var rows = new List<SheetRow>();
        // Rows that went in before are not on the page any more.
        foreach (var pond in Ponds().Where(p => typed.ContainsKey(p.Code + "-id")))
        {
            var id = Guid.TryParse(typed.GetValueOrDefault(pond.Code + "-id"), out var sent) ? sent : Guid.NewGuid();
            if (head.Count > 0 || !IsWritten(pond.Code))
            {
                rows.Add(new(pond.Code, id, []));
                continue;
            }
            var remarks = Enter(pond, id, writer!, dawn, late);
            if (remarks.Count > 0)
                rows.Add(new(pond.Code, id, remarks));
            else
                entered.Add(pond.Code);
        }
        (Rows, Entered) = (rows, entered);
        return Page();
    }

    /// <summary>Value of a cell as it was typed.</summary>
    public string Cell(string code, string column) => Typed.GetValueOrDefault($"{code}-{column}", "");

    private void Open(string? day)
    {
        Day = DateOnly.TryParseExact(day, "yyyy-MM-dd", CultureInfo.InvariantCulture, DateTimeStyles.None, out var d)
            ? d
            : here.Today;
        if (Day > here.Today)
            Day = here.Today;
    }

    private IEnumerable<Pond> Ponds() => questions.Ponds().Where(p => p.Use != "settling");

    private bool IsWritten(string code) =>
        Columns.Select(c => c.Key).Append("note").Any(k => !string.IsNullOrWhiteSpace(Cell(code, k)));

    private TimeOnly Hour(string field, List<Remark> head)
    {
        if (!SlipForm.TryHour(Typed.GetValueOrDefault(field, ""), out var at))
            head.Add(Remark.Refuse(field, "A time from 00:00 to 23:59, such as 5:30."));
        return at;
    }

    // The row as two stops of a round: what the first round read, and what the second did.
    private List<Remark> Enter(Pond pond, Guid id, string writer, TimeOnly dawn, TimeOnly late)
    {
        var story = questions.Story(pond.Code)!;
        var lines = new List<NewLine>();
        var remarks = new List<Remark>();
        foreach (var (isLate, hour) in new[] { (false, dawn), (true, late) })
        {
            var values = Columns
                .Where(c => c.Late == isLate && !string.IsNullOrWhiteSpace(Cell(pond.Code, c.Key)))
                .ToDictionary(c => c.Value, c => (string?)Cell(pond.Code, c.Key));
            if (values.Count == 0)
                continue;
            var at = here.Zone.At(Day, hour);
            var (read, misread) = RoundEntry.Read(new(id, pond.Code, 0, values, "", [], []), story, at, here);
            lines.AddRange(
                read.Select(l => l with { AsTyped = $"{l.AsTyped}; sheet of {writer}, typed in by {here.Author}" })
            );
            remarks.AddRange(misread);
        }
        if (Cell(pond.Code, "note").Trim() is { Length: > 0 } note)
            lines.Add(new(here.Zone.At(Day, late), new PondWorked(pond.Id, PondWork.Note, note, null), note, null));
        if (remarks.Count > 0)
            return remarks;
        // A question that stood at the row and was sent again with it is answered.
        var meant = Request.Form[pond.Code + "-meant"].OfType<string>().ToList();
        var receipt = door.Enter(new Entry(id, writer, lines, meant));
        return receipt.Accepted ? [] : [.. receipt.Remarks];
    }
}
