using Dorsk.Core.Judging;
using Dorsk.Core.People;
using Dorsk.Core.Ponds;
using Dorsk.Farm;
using Dorsk.Farm.Ask;
using Dorsk.Farm.Log;
using Dorsk.Web.DaySheets;
using Dorsk.Web.People;
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
    /// <summary>Name of the line of the weather.</summary>
    public const string WeatherRow = "~weather";

    // What is written in words behind the figures, and on the line of the weather.
    private static readonly string[] Wide = ["work", "amount", "note", .. SheetRows.Weather.Select(p => p.Key)];

    public DateOnly Day { get; private set; }

    /// <summary>What may be chosen as work.</summary>
    public IReadOnlyList<(string Value, string Text)> Works => works ??= SheetRows.WorkChoices(questions);

    private IReadOnlyList<(string Value, string Text)>? works;

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
        Rows = [.. Ponds().Select(p => p.Code).Prepend(WeatherRow).Select(c => new SheetRow(c, Guid.NewGuid(), []))];
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
        Take(new SheetRows(questions, here, Day, dawn, late), head.Count > 0 ? null : writer);
        return Page();
    }

    // Rows that went in before are not on the page any more; without a writer nothing goes in.
    private void Take(SheetRows sheet, string? writer)
    {
        var entered = new List<string>();
        var rows = new List<SheetRow>();
        foreach (var pond in Ponds().Cast<Pond?>().Prepend(null).Where(p => Typed.ContainsKey(CodeOf(p) + "-id")))
        {
            var code = CodeOf(pond);
            var id = Guid.TryParse(Typed[code + "-id"], out var sent) ? sent : Guid.NewGuid();
            if (writer is null || !IsWritten(code))
            {
                rows.Add(new(code, id, []));
                continue;
            }
            string Written(string key) => Cell(code, key);
            var read = pond is null ? sheet.OfWeather(Written) : sheet.Of(pond, Written);
            var remarks = read.Remarks.Count > 0 ? read.Remarks : Enter(code, id, writer, read.Lines);
            if (remarks.Count > 0)
                rows.Add(new(code, id, remarks));
            else
                entered.Add(pond?.Code ?? "weather");
        }
        (Rows, Entered) = (rows, entered);
    }

    private static string CodeOf(Pond? pond) => pond?.Code ?? WeatherRow;

    /// <summary>Value of a cell as it was typed.</summary>
    public string Cell(string code, string column) => Typed.GetValueOrDefault($"{code}-{column}", "");

    private void Open(string? day) => Day = DayText.Day(day, here.Today, here.Today);

    private IEnumerable<Pond> Ponds() => questions.Ponds().Where(p => p.Use != "settling");

    private bool IsWritten(string code) =>
        DayColumn.All.Select(c => c.Key).Concat(Wide).Any(k => !string.IsNullOrWhiteSpace(Cell(code, k)));

    private TimeOnly Hour(string field, List<Remark> head)
    {
        if (!SlipForm.TryHour(Typed.GetValueOrDefault(field, ""), out var at))
            head.Add(Remark.Refuse(field, "A time from 00:00 to 23:59, such as 5:30."));
        return at;
    }

    private IReadOnlyList<Remark> Enter(string code, Guid id, string writer, IReadOnlyList<NewLine> read)
    {
        var lines = read.Select(l => l with { AsTyped = $"{l.AsTyped}; sheet of {writer}, typed in by {here.Author}" });
        // A question that stood at the row and was sent again with it is answered.
        var meant = Request.Form[code + "-meant"].OfType<string>().ToList();
        var receipt = door.Enter(new Entry(id, writer, [.. lines], meant));
        return receipt.Accepted ? [] : receipt.Remarks;
    }
}
