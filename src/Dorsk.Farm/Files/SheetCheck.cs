using System.Globalization;
using Dorsk.Core.Judging;
using Dorsk.Core.Ponds;
using Dorsk.Core.Sheets;
using Dorsk.Core.Time;
using Dorsk.Core.Units;
using Dorsk.Core.Water;
using Dorsk.Farm.Log;
using Dorsk.Farm.Ponds;
using Dorsk.Farm.Sql;
using Dorsk.Farm.Water;
using Microsoft.Data.Sqlite;

namespace Dorsk.Farm.Files;

/// <summary>Something wrong with, or asked about, a cell of a sheet.</summary>
/// <param name="Line">Line in the file, the headings being 1.</param>
/// <param name="Heading">Heading of its column; empty for the whole line.</param>
/// <param name="Text">What, limit, what to do.</param>
public sealed record SheetRemark(int Line, string Heading, string Text);

/// <summary>What the check of a sheet found.</summary>
/// <param name="Lines">Lines under the headings that hold something.</param>
/// <param name="Values">Values that can be entered.</param>
/// <param name="Known">Values that stand in the books already, or twice in the sheet.</param>
/// <param name="WrongCount">Cells or lines that cannot be entered.</param>
/// <param name="AskedCount">Values that are unusual.</param>
/// <param name="Wrong">The first of the wrong ones.</param>
/// <param name="Asked">The first of the unusual ones.</param>
/// <param name="Understood">The first lines as they were understood.</param>
public sealed record SheetFound(
    int Lines,
    int Values,
    int Known,
    int WrongCount,
    int AskedCount,
    IReadOnlyList<SheetRemark> Wrong,
    IReadOnlyList<SheetRemark> Asked,
    IReadOnlyList<(int Line, string Pond, DateTimeOffset At, string Said)> Understood
);

/// <summary>
/// Reads a sheet line by line and checks every value by the same rules as a slip, without holding the books: readers and writers go on
/// meanwhile. What passes is laid on a <see cref="SheetDesk"/>; the door enters it in one go.
/// </summary>
public sealed class SheetCheck
{
    /// <summary>Remarks that are shown of each kind.</summary>
    public const int Shown = 200;

    /// <summary>Lines that are shown as they were understood.</summary>
    public const int Preview = 12;

    private readonly SheetMap map;
    private readonly SheetFile sheet;
    private readonly SheetDesk desk;
    private readonly FarmDescribed farm;
    private readonly FarmZone zone;
    private readonly DateTimeOffset now;
    private readonly Dictionary<string, Pond> ponds;
    private readonly Dictionary<(long, Parameter), Timed> last = [];
    private readonly HashSet<long> unread = [];
    private readonly SqliteConnection books;
    private readonly List<SheetRemark> wrong = [],
        asked = [];
    private readonly List<(int, string, DateTimeOffset, string)> understood = [];
    private int lines,
        values,
        twice,
        wrongCount;

    private SheetCheck(SheetFile sheet, SheetMap map, SheetDesk desk, SqliteConnection books, DateTimeOffset now)
    {
        (this.sheet, this.map, this.desk, this.books, this.now) = (sheet, map, desk, books, now);
        farm = FarmQuestions.Farm(books, AsOf.Now(DateTimeOffset.MaxValue))!;
        zone = FarmZone.Find(farm.ZoneId) ?? FarmZone.Utc;
        ponds = FarmQuestions
            .Ponds(books, AsOf.Now(DateTimeOffset.MaxValue))
            .ToDictionary(p => p.Code, StringComparer.OrdinalIgnoreCase);
        unread =
        [
            .. ponds
                .Values.Select(p => p.Id)
                .Where(id =>
                    Sqlite.Number(
                        books,
                        "SELECT count(*) FROM (SELECT 1 FROM log WHERE pond = $pond AND kind = 'ReadingTaken' LIMIT 1)",
                        ("pond", id)
                    ) == 0
                ),
        ];
    }

    /// <summary>Checks a sheet and lays what passes on a desk.</summary>
    /// <param name="file">The farm.</param>
    /// <param name="sheet">The sheet.</param>
    /// <param name="map">How it is read.</param>
    /// <param name="deskPath">Where the desk is made.</param>
    /// <param name="now">By the farm clock.</param>
    /// <param name="progress">Told the lines read so far.</param>
    /// <param name="stop">Stops it; then nothing is left behind.</param>
    /// <exception cref="FarmFilesException">The sheet cannot be read on.</exception>
    /// <exception cref="OperationCanceledException">It was stopped.</exception>
    public static (SheetDesk Desk, SheetFound Found) Run(
        FarmFile file,
        SheetFile sheet,
        SheetMap map,
        string deskPath,
        DateTimeOffset now,
        Action<int> progress,
        CancellationToken stop
    )
    {
        var desk = new SheetDesk(deskPath);
        try
        {
            using var books = file.Open();
            var check = new SheetCheck(sheet, map, desk, books, now);
            foreach (var (line, cells) in sheet.Rows(stop).Skip(1))
            {
                check.Take(line, cells);
                if (check.lines % 500 == 0)
                    progress(check.lines);
            }
            var (known, stillAsked) = desk.Finish(file.Path);
            progress(check.lines);
            return (
                desk,
                new(
                    check.lines,
                    check.values - known,
                    check.twice + known,
                    check.wrongCount,
                    stillAsked,
                    check.wrong,
                    check.asked,
                    check.understood
                )
            );
        }
        catch
        {
            desk.Dispose();
            throw;
        }
    }

    private void Take(int number, IReadOnlyList<string> cells)
    {
        lines++;
        var line = SheetLine.Read(cells, map, zone, farm.Hand.System);
        foreach (var p in line.Problems)
            Wrong(number, p.Column, p.Text);
        if (line.At is not { } at || line.Values.Count == 0)
            return;
        if (Door.WrongTime(at, now) is { } time)
        {
            Wrong(number, Column(ColumnUse.Day), time);
            return;
        }
        if (!ponds.TryGetValue(line.PondCode, out var pond))
        {
            Wrong(
                number,
                Column(ColumnUse.Pond),
                $"There is no pond “{line.PondCode}”. Ponds: {string.Join(", ", ponds.Keys.Take(12))}."
            );
            return;
        }
        if (understood.Count < Preview)
            understood.Add((number, pond.Code, at, string.Join(", ", line.Values.Select(v => Said(v.Value)))));
        Lay(number, pond, at, line);
    }

    private string Said(Value v) =>
        $"{v.Parameter.Name} {(v.Parameter.Steps.Count > 0 ? v.Parameter.StepAt(v.Si) : QuantityText.Write(v.Si, v.Parameter.Measure, farm.Hand))}";

    private void Lay(int number, Pond pond, DateTimeOffset at, SheetLine line)
    {
        var temp = line.Values.FirstOrDefault(v => v.Value.Parameter == Parameter.Temperature).Value?.Si;
        var saturation = OxygenSaturation.FreshMgL(temp, farm.AltitudeM);
        var kept = 0;
        foreach (var (column, value) in line.Values)
        {
            var remarks = ReadingRule
                .Check(
                    value,
                    new(Before(pond.Id, value.Parameter, at), at, saturation, pond.Shape.FullDepthM),
                    farm.Hand
                )
                .ToList();
            if (remarks.FirstOrDefault(r => r.Kind == Objection.Refuse) is { } refusal)
            {
                Wrong(number, column, refusal.Text);
                continue;
            }
            if (
                !desk.Value(
                    number,
                    kept,
                    pond.Id,
                    at.ToUnixTimeMilliseconds(),
                    value.Parameter.Key,
                    value.Si,
                    remarks.Count > 0
                )
            )
            {
                twice++;
                continue;
            }
            foreach (var r in remarks.Take(1))
            {
                desk.Asked(number, kept, r.Text);
                if (asked.Count < Shown)
                    asked.Add(new(number, Heading(column), r.Text));
            }
            if (value.Parameter.JumpPerDay is not null)
                last[(pond.Id, value.Parameter)] = new(at, value.Si);
            kept++;
            values++;
        }
        if (kept > 0)
            desk.Row(
                number,
                pond.Id,
                at.ToUnixTimeMilliseconds(),
                $"{pond.Code} {string.Join(' ', line.Values.Select(v => v.Value.Parameter.Key + " " + v.Value.Si.ToString("0.###", CultureInfo.InvariantCulture)))}, line {number} of a sheet"
            );
    }

    // The last of its kind: of the sheet, else of the books.
    private Timed? Before(long pond, Parameter parameter, DateTimeOffset at)
    {
        if (parameter.JumpPerDay is null)
            return null;
        if (last.TryGetValue((pond, parameter), out var seen) && (at - seen.At).Duration() <= TimeSpan.FromHours(24))
            return seen;
        return unread.Contains(pond) ? null : Readings.Last(books, AsOf.Now(at), pond, parameter, 1);
    }

    private void Wrong(int line, int column, string text)
    {
        wrongCount++;
        if (wrong.Count < Shown)
            wrong.Add(new(line, Heading(column), text));
    }

    private string Heading(int column) =>
        column >= 0 && column < sheet.Headings.Count ? sheet.Headings[column].Trim() : "";

    private int Column(ColumnUse use) =>
        map.Columns.Select((c, i) => (c, i)).Where(c => c.c.Use == use).Select(c => c.i).DefaultIfEmpty(-1).First();
}
