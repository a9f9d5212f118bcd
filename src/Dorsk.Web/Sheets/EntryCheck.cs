using System.Security.Cryptography;
using System.Text;
using Dorsk.Core.Judging;
using Dorsk.Farm;
using Dorsk.Farm.Ask;
using Dorsk.Farm.Files;
using Dorsk.Farm.Log;
using Dorsk.Farm.Sql;
using Dorsk.Web.Slips;

namespace Dorsk.Web.Sheets;

/// <summary>
/// Slips of a sheet that wait for a person. Each goes through the door as if it had been typed: its number is made from what it says, so
/// the same line again is the same entry.
/// </summary>
public sealed class CheckedEntries(
    SheetFound found,
    IReadOnlyList<(int Line, Entry Entry, bool Asked)> entries,
    Door door
) : ICheckedSheet
{
    /// <inheritdoc/>
    public SheetFound Found => found;

    /// <inheritdoc/>
    public (int Entered, IReadOnlyList<SheetRemark> Refused) Enter(string author, bool withAsked)
    {
        var entered = 0;
        var refused = new List<SheetRemark>();
        foreach (var (line, entry, _) in entries.Where(e => withAsked || !e.Asked))
        {
            var receipt = door.Enter(entry with { Author = author });
            if (receipt.Accepted)
                entered += receipt.Repeated ? 0 : 1;
            else
                refused.AddRange(receipt.Remarks.Select(r => new SheetRemark(line, "", r.Text)));
        }
        return (entered, refused);
    }

    /// <inheritdoc/>
    public void Dispose() { }
}

/// <summary>Tries every line of a sheet as a slip on a copy of the farm, the earliest first: what a line before it did counts for the next.</summary>
public sealed class EntryCheck
{
    private const int Most = 10_000;
    private readonly SheetFile sheet;
    private readonly EntryMap map;
    private readonly Here here;
    private readonly Questions questions;
    private readonly Dictionary<string, SlipContext?> contexts = [];
    private readonly Dictionary<string, Dictionary<string, string>> starts = [];
    private readonly List<SheetRemark> wrong = [],
        asked = [];
    private readonly List<(int, string, DateTimeOffset, string)> understood = [];
    private readonly List<(int Line, Entry Entry, bool Asked)> good = [];
    private int lines,
        known,
        wrongCount;

    private EntryCheck(SheetFile sheet, EntryMap map, Here here, Questions questions) =>
        (this.sheet, this.map, this.here, this.questions) = (sheet, map, here, questions);

    /// <summary>Checks a sheet.</summary>
    /// <param name="file">The farm; only read.</param>
    /// <param name="clock">The farm clock.</param>
    /// <param name="sheet">The sheet.</param>
    /// <param name="map">How it is read.</param>
    /// <param name="here">The farm and the hour.</param>
    /// <param name="questions">For what the slips offer to choose from.</param>
    /// <param name="run">Told the lines tried so far; and what stops it.</param>
    /// <exception cref="FarmFilesException">The sheet cannot be read on.</exception>
    /// <exception cref="OperationCanceledException">It was stopped.</exception>
    public static CheckedEntries Run(
        FarmFile file,
        FarmClock clock,
        SheetFile sheet,
        EntryMap map,
        Here here,
        Questions questions,
        (Action<int> Progress, CancellationToken Stop) run
    )
    {
        var check = new EntryCheck(sheet, map, here, questions);
        var read = check.ReadAll(run.Stop).OrderBy(r => r.Filled.Happened).ThenBy(r => r.Line).ToList();
        using var copy = new FarmCopy(file, sheet.Path + ".copy");
        var door = new Door(copy.File, clock);
        foreach (var (one, n) in read.Select((r, n) => (r, n)))
        {
            run.Stop.ThrowIfCancellationRequested();
            check.Try(door, one);
            if (n % 50 == 0)
                run.Progress(n);
        }
        run.Progress(check.lines);
        return new(check.Found, check.good, new Door(file, clock));
    }

    private SheetFound Found =>
        new(
            lines,
            good.Count,
            known,
            wrongCount,
            good.Count(g => g.Asked),
            [.. wrong.OrderBy(w => w.Line)],
            asked,
            understood
        );

    private sealed record OneLine(int Line, string Pond, Filled Filled, Guid Id);

    private IEnumerable<OneLine> ReadAll(CancellationToken stop)
    {
        foreach (var (line, cells) in sheet.Rows(stop).Skip(1))
        {
            if (++lines > Most)
                throw new FarmFilesException(
                    $"More than {here.Count(Most)} lines. Part the sheet, by year for instance, and send the parts one after the other."
                );
            if (ReadOne(line, EntryLine.Read(cells, map, here.Hand)) is { } one)
                yield return one;
        }
    }

    private OneLine? ReadOne(int line, EntryLine typed)
    {
        foreach (var p in typed.Problems)
            Wrong(line, p.Column < 0 ? "in all lines" : sheet.Headings[p.Column].Trim(), p.Text);
        if (typed.Problems.Count > 0)
            return null;
        var code = typed.Typed.GetValueOrDefault(EntryMap.Pond, "");
        if (ContextOf(code) is not { } context)
        {
            Wrong(line, HeadingOf(EntryMap.Pond), CannotStart(code));
            return null;
        }
        var form = new SlipForm(Whole(context, typed.Typed), here);
        var filled = map.Slip.Read(form, context);
        foreach (var r in form.Remarks)
            Wrong(line, HeadingOf(r.Field), r.Text);
        return form.Remarks.Count > 0 ? null : new(line, code, filled, IdOf(code, typed.Typed));
    }

    // What the sheet does not say stands as the slip starts; fish of a day belong to the batch that stood then.
    private Dictionary<string, string> Whole(SlipContext context, IReadOnlyDictionary<string, string> typed)
    {
        var code = typed.GetValueOrDefault(EntryMap.Pond, "");
        if (!starts.TryGetValue(code, out var start))
            starts[code] = start = map
                .Slip.Fields(context)
                .Where(f => f.Name.Length > 0)
                .ToDictionary(f => f.Name, f => f.Initial);
        var whole = new Dictionary<string, string>(start);
        foreach (var (field, text) in typed)
            whole[field] = text;
        if (whole.TryGetValue("Batch", out var usual) && !typed.ContainsKey("Batch"))
            whole["Batch"] = BatchOn(context, new SlipForm(whole, here).When()) ?? usual;
        return whole;
    }

    private static string? BatchOn(SlipContext context, DateTimeOffset at) =>
        context
            .Story?.Batches.LastOrDefault(b => b.ArrivedAt <= at && (b.EmptiedAt is not { } gone || gone > at))
            ?.Id.ToString(System.Globalization.CultureInfo.InvariantCulture);

    private void Try(Door door, OneLine one)
    {
        var entry = new Entry(
            one.Id,
            "import",
            [
                .. one.Filled.Facts!.Select(f => new NewLine(
                    one.Filled.Happened,
                    f,
                    $"{one.Filled.AsTyped}, line {one.Line} of a sheet",
                    null
                )),
            ],
            []
        );
        var receipt = door.Enter(entry);
        var questioned = receipt.Remarks.Count > 0 && receipt.Remarks.All(r => r.Kind == Objection.Ask);
        if (questioned)
        {
            entry = entry with { Meant = [.. receipt.Remarks.Select(r => r.Text)] };
            asked.AddRange(receipt.Remarks.Select(r => new SheetRemark(one.Line, HeadingOf(r.Field), r.Text)));
            receipt = door.Enter(entry);
        }
        Sort(one, entry, receipt, questioned);
    }

    private void Sort(OneLine one, Entry entry, Receipt receipt, bool questioned)
    {
        foreach (var r in receipt.Remarks.Where(r => r.Kind == Objection.Refuse))
            Wrong(one.Line, HeadingOf(r.Field), r.Text);
        if (receipt.Repeated)
            known++;
        else if (receipt.Accepted)
        {
            good.Add((one.Line, entry, questioned));
            if (understood.Count < SheetCheck.Preview)
                understood.Add((one.Line, one.Pond, one.Filled.Happened, one.Filled.AsTyped));
        }
    }

    private SlipContext? ContextOf(string code)
    {
        if (contexts.TryGetValue(code, out var seen))
            return seen;
        var story = map.Slip.OfPond && code.Length > 0 ? questions.Story(code) : null;
        SlipContext? context = new(here, questions, story, null);
        if ((map.Slip.OfPond && story is null) || map.Slip.CannotStart(context) is not null)
            context = null;
        return contexts[code] = context;
    }

    private string CannotStart(string code) =>
        map.Slip.OfPond && code.Length == 0
            ? "The pond is missing."
            : map.Slip.CannotStart(new(here, questions, map.Slip.OfPond ? questions.Story(code) : null, null))
                ?? $"There is no pond “{code}”.";

    private Guid IdOf(string code, IReadOnlyDictionary<string, string> typed) =>
        new(
            SHA256
                .HashData(
                    Encoding.UTF8.GetBytes(
                        $"{map.Slip.Key}|{code}|{string.Join('|', typed.OrderBy(t => t.Key, StringComparer.Ordinal).Select(t => t.Key + "=" + t.Value))}"
                    )
                )
                .AsSpan(0, 16)
        );

    private string HeadingOf(string field) =>
        map.Fields.FirstOrDefault(f => f.Field.Name == field) is not { } said ? field
        : said.Column is { } column ? sheet.Headings[column].Trim()
        : said.Field.Label;

    private void Wrong(int line, string heading, string text)
    {
        wrongCount++;
        if (wrong.Count < SheetCheck.Shown)
            wrong.Add(new(line, heading, text));
    }
}
