using Dorsk.Core.People;
using Dorsk.Core.Sheets;
using Dorsk.Core.Units;
using Dorsk.Farm;
using Dorsk.Farm.Ask;
using Dorsk.Farm.Files;
using Dorsk.Farm.Sql;
using Dorsk.Farm.State;
using Dorsk.Web.People;
using Dorsk.Web.Sheets;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace Dorsk.Web.Pages;

/// <summary>Readings of a spreadsheet on their way into the books: upload, name the columns, check every line, confirm.</summary>
[Needs(Permission.Manage)]
[RequestSizeLimit(Largest)]
public sealed class ImportModel(
    SheetImports imports,
    SheetMaps maps,
    SheetDoor door,
    Questions questions,
    FarmFile file,
    Here here,
    ILogger<ImportModel> log
) : PageModel
{
    private const int Largest = 64 << 20;

    public SheetImport? Import { get; private set; }

    public string? Problem { get; private set; }

    /// <summary>Meaning of each column as it stands in the form.</summary>
    public IReadOnlyList<string> Keys { get; private set; } = [];

    public string Sign { get; private set; } = "";

    public string Order { get; private set; } = "";

    public string Pond { get; private set; } = "";

    /// <summary>Whether the headings were seen before.</summary>
    public bool Remembered { get; private set; }

    /// <summary>Whether the lines prove the order of day and month.</summary>
    public bool OrderProven { get; private set; }

    public IReadOnlyList<string> Ponds => questions.Ponds().Select(p => p.Code).ToList();

    public IActionResult OnGet(Guid? id)
    {
        if (here.Farm is null)
            return Redirect("/slip/farm");
        if (id is null)
            return Page();
        if ((Import = imports.Of(id.Value, here.Author)) is null)
        {
            Problem =
                "That import is no longer here: it was dropped, entered long ago, or the farm was started anew. Nothing of it is lost; send the file again.";
            return Page();
        }
        Prefill();
        return Page();
    }

    /// <summary>How far the check has come.</summary>
    public IActionResult OnGetState(Guid? id) =>
        id is { } i && imports.Of(i, here.Author) is { } import
            ? new JsonResult(new { step = import.Step.ToString(), lines = import.Lines })
            : NotFound();

    public async Task<IActionResult> OnPostUpload(IFormFile? sheet)
    {
        if (here.Farm is null)
            return Redirect("/slip/farm");
        if (sheet is not { Length: > 0 })
        {
            Problem = "Choose a file first: a spreadsheet saved as CSV.";
            return Page();
        }
        try
        {
            await using var content = sheet.OpenReadStream();
            var import = await imports.Take(Path.GetFileName(sheet.FileName), content, here.Author);
            return LocalRedirect($"/lists/import/{import.Id}");
        }
        catch (FarmFilesException problem)
        {
            Problem = problem.Message;
            return Page();
        }
    }

    /// <summary>Keeps what the columns mean, and checks every line.</summary>
    public IActionResult OnPostCheck(Guid? id, string[]? column, string? sign, string? order, string? pond)
    {
        if (id is not { } i || (Import = imports.Of(i, here.Author)) is null)
            return NotFound();
        Keys = Import
            .Sheet.Headings.Select((_, n) => column is not null && n < column.Length ? column[n] ?? "" : "")
            .ToList();
        (Sign, Order, Pond) = (sign ?? "", order ?? "", pond ?? "");
        var map = new SheetMap(
            Keys.Select(k => SheetColumn.Of(k) ?? SheetColumn.Ignored).ToList(),
            Sign == nameof(DecimalSign.Comma) ? DecimalSign.Comma : DecimalSign.Point,
            Order == nameof(DayOrder.MonthFirst) ? DayOrder.MonthFirst : DayOrder.DayFirst,
            Pond
        );
        if ((Problem = map.Problem()) is not null)
            return Page();
        maps.Keep(Import.Sheet.Heading, string.Join('\n', [Sign, Order, Pond, .. Keys]));
        Import.Check(file, map, here.Now, log);
        return LocalRedirect($"/lists/import/{Import.Id}");
    }

    public IActionResult OnPostEnter(Guid? id, bool asked)
    {
        if (id is not { } i || (Import = imports.Of(i, here.Author)) is null)
            return NotFound();
        Import.Enter(door, here.Author, asked);
        return LocalRedirect($"/lists/import/{Import.Id}");
    }

    public IActionResult OnPostDrop(Guid? id)
    {
        if (id is { } i && imports.Of(i, here.Author) is { } import)
            imports.Drop(import);
        return LocalRedirect("/lists/import");
    }

    // What these headings meant the last time, else a guess.
    private void Prefill()
    {
        var sheet = Import!.Sheet;
        if (maps.Of(sheet.Heading)?.Split('\n') is { } kept && kept.Length == 3 + sheet.Headings.Count)
        {
            (Remembered, Sign, Order, Pond, Keys) = (true, kept[0], kept[1], kept[2], kept[3..]);
            return;
        }
        var guessed = sheet
            .Headings.Select(h => SheetColumn.Of(SheetGuess.Column(h, here.Hand.System).Key) ?? SheetColumn.Ignored)
            .ToList();
        // Of two columns that seem to hold the same, the second is left to the person.
        Keys = UsesOf(guessed);
        Sign = (SheetGuess.Sign(sheet.First.SelectMany(r => r)) ?? here.Hand.Sign).ToString();
        var day = guessed.FindIndex(c => c.Use == ColumnUse.Day);
        var proven = day < 0 ? null : SheetWhen.Proven(sheet.First.Where(r => r.Count > day).Select(r => r[day]));
        OrderProven =
            proven is not null
            || (
                day >= 0
                && sheet.First.All(r =>
                    r.Count <= day || r[day].Trim().Length < 4 || r[day].Trim()[..4].All(char.IsAsciiDigit)
                )
            );
        Order = (proven ?? (here.Hand.System == UnitSystem.Us ? DayOrder.MonthFirst : DayOrder.DayFirst)).ToString();
    }

    private static List<string> UsesOf(List<SheetColumn> guessed) =>
        guessed
            .Select(
                (c, n) =>
                    c.Use == ColumnUse.Ignore || guessed.Take(n).Any(o => o.Use == c.Use && o.Parameter == c.Parameter)
                        ? ""
                        : c.Key
            )
            .ToList();
}
