using System.Globalization;
using System.Text.RegularExpressions;
using Dorsk.Core.Sheets;
using Dorsk.Core.Time;
using Dorsk.Core.Units;
using Dorsk.Core.Water;
using Dorsk.Farm.Ask;
using Dorsk.Farm.Log;

namespace Dorsk.Farm.Files;

/// <summary>What became of a logger's file.</summary>
/// <param name="Values">Values that stand in the books now, those that stood there before too.</param>
/// <param name="Columns">What its columns were taken for, in words.</param>
/// <param name="Wrong">Lines that could not be read, each with the reason; the first hundred.</param>
/// <param name="WrongLines">How many there were.</param>
public sealed record LoggerTaken(
    int Values,
    string Columns,
    IReadOnlyList<(int Line, string Why)> Wrong,
    int WrongLines
);

/// <summary>Takes in the file of a logger that was carried home: the same headings and dates as a spreadsheet, but the values are its probe's. Read twice it does no harm.</summary>
/// <param name="door">The way in.</param>
/// <param name="questions">The farm.</param>
/// <param name="clock">The farm clock.</param>
public sealed partial class LoggerFile(Door door, Questions questions, TimeProvider clock)
{
    private const int MostWrong = 100;

    /// <summary>Reads a file of a probe.</summary>
    /// <param name="path">The file.</param>
    /// <param name="probe">Whose it is.</param>
    /// <exception cref="FarmFilesException">It is no list of readings, or the door refuses it.</exception>
    public LoggerTaken Take(string path, DeviceKept probe)
    {
        if (
            questions.Farm() is not { } farm
            || questions.Ponds().FirstOrDefault(p => p.Id == probe.PondId) is not { } pond
        )
            throw new FarmFilesException($"{probe.Name} hangs in no pond in use.");
        var (sheet, zone, now) = (SheetFile.Open(path), FarmZone.Find(farm.ZoneId) ?? FarmZone.Utc, clock.GetUtcNow());
        var map = Guess(sheet, pond.Code, farm.Hand);
        if (map.Problem() is { } problem)
            throw new FarmFilesException(
                $"The headings “{sheet.Heading}” do not tell what is in the columns: {problem} Name them like Time, DO (mg/L), Temp (C)."
            );
        var (batch, kept, wrong, wrongLines) = (new List<ProbeValue>(), 0, new List<(int, string)>(), 0);
        foreach (var (line, cells) in sheet.Rows(default).Skip(1))
        {
            var read = SheetLine.Read([.. cells.Select(c => OnFarmClock(c, zone))], map, zone, farm.Hand.System);
            // An instant that says its offset is kept as it is: on the farm's clock an hour of autumn comes twice.
            var values =
                (Instant(cells, map) ?? read.At) is { } at && read.At is not null
                    ? read.Values.Select(v => new ProbeValue(v.Value.Parameter, at, v.Value.Si)).ToList()
                    : [];
            var why = read
                .Problems.Select(p => p.Text)
                .Concat(values.Select(v => ProbeSeriesReceived.Wrong(v, now)).OfType<string>())
                .FirstOrDefault();
            if (why is not null && wrongLines++ < MostWrong)
                wrong.Add((line, why));
            batch.AddRange(values.Where(v => ProbeSeriesReceived.Wrong(v, now) is null));
            if (batch.Count > ProbeSeriesReceived.Most - map.Columns.Count)
                kept += Enter(probe, batch);
        }
        kept += Enter(probe, batch);
        return new(
            kept,
            string.Join(
                ", ",
                sheet.Headings.Zip(map.Columns, (h, c) =>
                    $"{h.Trim()}: {(c.Use == ColumnUse.Value ? $"{c.Parameter!.Name}{(c.Unit!.Symbol.Length > 0 ? ", " + c.Unit.Symbol : "")}" : c.Use == ColumnUse.Ignore ? "left out" : c.Use.ToString().ToLowerInvariant())}"
                )
            ),
            wrong,
            wrongLines
        );
    }

    private static SheetMap Guess(SheetFile sheet, string pond, Hand hand)
    {
        var columns = sheet
            .Headings.Select(h => SheetGuess.Column(h, hand.System))
            .Select(c => c.Use == ColumnUse.Pond || c.Parameter?.Steps.Count > 0 ? SheetColumn.Ignored : c)
            .ToList();
        // A logger that heads its instants "Time" has no other column for the day.
        if (
            columns.All(c => c.Use != ColumnUse.Day)
            && columns.FindIndex(c => c.Use == ColumnUse.Hour) is >= 0 and var i
        )
            columns[i] = new(ColumnUse.Day);
        var days = columns.FindIndex(c => c.Use == ColumnUse.Day) is >= 0 and var d
            ? sheet.First.Where(r => d < r.Count).Select(r => r[d])
            : [];
        return new(
            columns,
            SheetGuess.Sign(sheet.First.SelectMany(r => r)) ?? hand.Sign,
            SheetWhen.Proven(days) ?? DayOrder.DayFirst,
            pond
        );
    }

    // Instants that say their offset are turned to the farm's clock; others are its hours already.
    private static string OnFarmClock(string cell, FarmZone zone) =>
        Instant(cell) is { } at ? zone.LocalAt(at).ToString("yyyy-MM-dd HH:mm:ss", CultureInfo.InvariantCulture) : cell;

    private static DateTimeOffset? Instant(IReadOnlyList<string> cells, SheetMap map) =>
        cells
            .Zip(map.Columns, (cell, column) => column.Use == ColumnUse.Day ? Instant(cell) : null)
            .FirstOrDefault(at => at is not null);

    private static DateTimeOffset? Instant(string cell) =>
        WithOffset().IsMatch(cell.Trim())
        && DateTimeOffset.TryParse(cell, CultureInfo.InvariantCulture, DateTimeStyles.None, out var at)
            ? at
            : null;

    private int Enter(DeviceKept probe, List<ProbeValue> batch)
    {
        if (batch.Count == 0)
            return 0;
        var receipt = door.Enter(
            Entry.Of(
                Guid.NewGuid(),
                probe.Name,
                batch.Max(v => v.At) is var last && last > clock.GetUtcNow() ? clock.GetUtcNow() : last,
                new ProbeSeriesReceived(probe.DeviceId, probe.PondId, [.. batch]),
                FormattableString.Invariant($"{batch.Count} values of {probe.Name}, from its file")
            )
        );
        if (!receipt.Accepted)
            throw new FarmFilesException(string.Join(" ", receipt.Remarks.Select(r => r.Text)));
        var n = batch.Count;
        batch.Clear();
        return n;
    }

    [GeneratedRegex(@"^\d{4}-\d\d-\d\d[T ]\d\d:\d\d(:\d\d(\.\d+)?)?(Z|[+-]\d\d:?\d\d)$", RegexOptions.None, 200)]
    private static partial Regex WithOffset();
}
