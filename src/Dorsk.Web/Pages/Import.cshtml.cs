using System.Globalization;
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
using Dorsk.Web.Slips;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace Dorsk.Web.Pages;

/// <summary>Readings or slips of a spreadsheet on their way into the books: upload, name the columns, check every line, confirm.</summary>
[Needs(Permission.Manage)]
[RequestSizeLimit(Largest)]
public sealed class ImportModel(
    SheetImports imports,
    SheetMaps maps,
    SheetDoor door,
    Questions questions,
    FarmFile file,
    FarmClock clock,
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

    /// <summary>How each field of a slip is filled; empty for readings.</summary>
    public IReadOnlyList<EntryField> Fields { get; private set; } = [];

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

    public async Task<IActionResult> OnPostUpload(IFormFile? sheet, string? what)
    {
        if (here.Farm is null)
            return Redirect("/slip/farm");
        if (sheet is not { Length: > 0 })
        {
            Problem = "Choose a file first: a workbook (.xlsx), or a spreadsheet saved as CSV.";
            return Page();
        }
        var slip = EntryMap.Find(what);
        if (slip is not null && ContextFor(slip) is null)
        {
            Problem = WhyNot(slip);
            return Page();
        }
        try
        {
            await using var content = sheet.OpenReadStream();
            var import = await imports.Take(Path.GetFileName(sheet.FileName), content, here.Author, slip);
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
        return Import.Slip is { } slip ? CheckEntries(slip, sign, order) : CheckReadings(column, sign, order, pond);
    }

    private IActionResult CheckReadings(string[]? column, string? sign, string? order, string? pond)
    {
        Keys = Import!
            .Sheet.Headings.Select((_, n) => column is not null && n < column.Length ? column[n] ?? "" : "")
            .ToList();
        (Sign, Order, Pond) = (sign ?? "", order ?? "", pond ?? "");
        var map = new SheetMap(
            Keys.Select(k => SheetColumn.Of(k) ?? SheetColumn.Ignored).ToList(),
            SignRead,
            OrderRead,
            Pond
        );
        if ((Problem = map.Problem()) is not null)
            return Page();
        maps.Keep(Import.Sheet.Heading, string.Join('\n', [Sign, Order, Pond, .. Keys]));
        var (import, now) = (Import, here.Now);
        import.Check((progress, stop) => Readings(import, map, now, (progress, stop)), log);
        return LocalRedirect($"/lists/import/{Import.Id}");
    }

    private CheckedReadings Readings(
        SheetImport import,
        SheetMap map,
        DateTimeOffset now,
        (Action<int> Progress, CancellationToken Stop) run
    )
    {
        var desk = import.Sheet.Path + ".desk";
        var (laid, found) = SheetCheck.Run(file, import.Sheet, map, desk, now, run.Progress, run.Stop);
        return new(laid, found, door);
    }

    private IActionResult CheckEntries(ISlip slip, string? sign, string? order)
    {
        (Sign, Order) = (sign ?? "", order ?? "");
        Fields = FieldsAsSent(slip);
        var map = new EntryMap(slip, Fields, SignRead, OrderRead);
        if ((Problem = map.Problem()) is not null)
            return Page();
        var import = Import!;
        maps.Keep(KeptAs(slip), string.Join('\n', [Sign, Order, .. Fields.Select(Kept)]));
        // The check outlives the request: what it needs of the farm is read now.
        _ = (here.Farm, here.AllSpecies);
        import.Check(
            (progress, stop) => EntryCheck.Run(file, clock, import.Sheet, map, here, questions, (progress, stop)),
            log
        );
        return LocalRedirect($"/lists/import/{import.Id}");
    }

    private DecimalSign SignRead => Sign == nameof(DecimalSign.Comma) ? DecimalSign.Comma : DecimalSign.Point;

    private DayOrder OrderRead => Order == nameof(DayOrder.MonthFirst) ? DayOrder.MonthFirst : DayOrder.DayFirst;

    private string KeptAs(ISlip slip) => $"{slip.Key}: {Import!.Sheet.Heading}";

    private static string Kept(EntryField f) => $"{f.Field.Name}|{f.Column}|{f.Unit?.Symbol}|{f.Always}";

    private List<EntryField> FieldsAsSent(ISlip slip) =>
        [
            .. FieldsOf(slip)
                .Select(f =>
                {
                    string Sent(string part) => Request.Form[$"{part}-{f.Name}"].ToString().Trim();
                    return Filled(f, Sent("column"), Sent("unit"), Sent("always"));
                }),
        ];

    private EntryField Filled(SlipField field, string column, string unit, string always) =>
        new(
            field,
            int.TryParse(column, NumberStyles.None, CultureInfo.InvariantCulture, out var n)
            && n < Import!.Sheet.Headings.Count
                ? n
                : null,
            field.Measure is { } m ? m.Find(unit) ?? m.In(here.Hand) : null,
            always
        );

    private IReadOnlyList<SlipField> FieldsOf(ISlip slip) =>
        ContextFor(slip) is { } context ? EntryMap.FieldsOf(context, slip) : [];

    // The fields of a slip are those of any pond it can be written for.
    private SlipContext? ContextFor(ISlip slip)
    {
        if (!slip.OfPond)
            return new SlipContext(here, questions, null, null) is var farm && slip.CannotStart(farm) is null
                ? farm
                : null;
        return questions
            .Ponds()
            .Select(p => new SlipContext(here, questions, questions.Story(p.Code), null))
            .FirstOrDefault(c => c.Story is not null && slip.CannotStart(c) is null);
    }

    private string WhyNot(ISlip slip) =>
        slip.OfPond && questions.Ponds() is [var first, ..]
            ? slip.CannotStart(new(here, questions, questions.Story(first.Code), null)) ?? ""
        : slip.OfPond ? "There is no pond yet: add one first."
        : slip.CannotStart(new(here, questions, null, null)) ?? "";

    public IActionResult OnPostEnter(Guid? id, bool asked)
    {
        if (id is not { } i || (Import = imports.Of(i, here.Author)) is null)
            return NotFound();
        Import.Enter(here.Author, asked);
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
        if (Import!.Slip is { } slip)
            PrefillEntries(slip);
        else
            PrefillReadings();
    }

    private void PrefillEntries(ISlip slip)
    {
        var (sheet, fields) = (Import!.Sheet, FieldsOf(slip));
        if (maps.Of(KeptAs(slip))?.Split('\n') is { } kept && kept.Length == 2 + fields.Count)
        {
            (Remembered, Sign, Order) = (true, kept[0], kept[1]);
            var parts = kept[2..].Select(k => k.Split('|', 4)).ToDictionary(k => k[0]);
            Fields =
            [
                .. fields.Select(f =>
                    parts.GetValueOrDefault(f.Name) is [_, var column, var unit, var always]
                        ? Filled(f, column, unit, always)
                        : Filled(f, "", "", "")
                ),
            ];
            return;
        }
        Fields = EntryGuess.Of(fields, sheet.Headings, here.Hand);
        GuessWriting(
            Fields.FirstOrDefault(f => f.Field.Name == "Day")?.Column,
            [.. Fields.Where(f => f.Field.Kind is FieldKind.Day or FieldKind.Hour).Select(f => f.Column ?? -1)]
        );
    }

    private void PrefillReadings()
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
        GuessWriting(
            guessed.FindIndex(c => c.Use == ColumnUse.Day) is var day and >= 0 ? day : null,
            [.. guessed.Select((c, n) => c.Use is ColumnUse.Day or ColumnUse.Hour ? n : -1)]
        );
    }

    // How the sheet writes decimals and days, as far as its first lines prove it; a time written 7.15 proves no decimal sign.
    private void GuessWriting(int? day, IReadOnlyCollection<int> times)
    {
        var sheet = Import!.Sheet;
        var figures = sheet.First.SelectMany(r => r.Where((_, n) => !times.Contains(n)));
        Sign = (SheetGuess.Sign(figures) ?? here.Hand.Sign).ToString();
        var days = day is { } d ? sheet.First.Where(r => r.Count > d).Select(r => r[d].Trim()).ToList() : [];
        var proven = SheetWhen.Proven(days);
        OrderProven =
            proven is not null || (day is not null && days.All(t => t.Length < 4 || t[..4].All(char.IsAsciiDigit)));
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
