using Dorsk.Core.Time;
using Dorsk.Core.Units;
using Dorsk.Core.Water;

namespace Dorsk.Core.Sheets;

/// <summary>What is wrong with one cell.</summary>
/// <param name="Column">Column, from 0; -1 for the whole line.</param>
/// <param name="Text">What, limit, what to do.</param>
public readonly record struct CellProblem(int Column, string Text);

/// <summary>One line of a sheet, understood as far as it can be.</summary>
/// <param name="At">When, or null when that could not be read.</param>
/// <param name="PondCode">Code of the pond.</param>
/// <param name="Values">Values with the column each stands in.</param>
/// <param name="Problems">What could not be read.</param>
public sealed record SheetLine(
    DateTimeOffset? At,
    string PondCode,
    IReadOnlyList<(int Column, Value Value)> Values,
    IReadOnlyList<CellProblem> Problems
)
{
    private static readonly string[] Nothing = ["", "-", "–", "n/a", "na", "nd", "nil", "null", "#n/a", "nan", "."];

    // A sheet without an hour means the morning round more often than midnight; it says so on the page.
    private static readonly TimeOnly UsualHour = new(6, 0);

    /// <summary>Whether nothing stands in it.</summary>
    public static bool IsBlank(IReadOnlyList<string> cells) => cells.All(string.IsNullOrWhiteSpace);

    /// <summary>Reads the cells of one line.</summary>
    /// <param name="cells">Cells from the left.</param>
    /// <param name="map">What they mean.</param>
    /// <param name="zone">The farm's clock face; hours of the sheet are its hours.</param>
    /// <param name="system">Units of the farm.</param>
    public static SheetLine Read(IReadOnlyList<string> cells, SheetMap map, FarmZone zone, UnitSystem system)
    {
        var problems = new List<CellProblem>();
        var values = new List<(int, Value)>();
        DateOnly? day = null;
        TimeOnly? hour = null;
        var pond = map.PondCode;
        for (var i = 0; i < map.Columns.Count; i++)
        {
            var (column, text) = (map.Columns[i], i < cells.Count ? cells[i].Trim().Trim('\u00a0') : "");
            switch (column.Use)
            {
                case ColumnUse.Day:
                    (day, hour) = When(text, map.Order, i, hour, problems);
                    break;
                case ColumnUse.Hour when text.Length > 0:
                    if (SheetWhen.TryHour(text, out var h))
                        hour = h;
                    else
                        problems.Add(new(i, $"“{text}” is not an hour, such as 06:10."));
                    break;
                case ColumnUse.Pond:
                    pond = text;
                    break;
                case ColumnUse.Value when !Nothing.Contains(text.ToLowerInvariant()):
                    if (One(text, column, map.Sign, system, out var si) is { } problem)
                        problems.Add(new(i, problem));
                    else
                        values.Add((i, new(column.Parameter!, si)));
                    break;
            }
        }
        if (values.Count == 0 && problems.Count == 0)
            problems.Add(new(-1, "There is no value in this line."));
        return new(day is { } d ? zone.At(d, hour ?? UsualHour) : null, pond, values, problems);
    }

    private static (DateOnly?, TimeOnly?) When(
        string text,
        DayOrder order,
        int column,
        TimeOnly? known,
        List<CellProblem> problems
    )
    {
        var (day, hour) = SheetWhen.Part(text);
        if (!SheetWhen.TryDay(day, order, out var read))
        {
            problems.Add(
                new(
                    column,
                    text.Length == 0
                        ? "The day is missing."
                        : $"“{day}” is not a day with {(order == DayOrder.DayFirst ? "the day first, such as 31/12/2026" : "the month first, such as 12/31/2026")}."
                )
            );
            return (null, known);
        }
        if (hour.Length == 0)
            return (read, known);
        if (SheetWhen.TryHour(hour.TrimEnd('Z'), out var h))
            return (read, h);
        problems.Add(new(column, $"“{hour}” is not an hour, such as 06:10."));
        return (read, known);
    }

    private static string? One(string text, SheetColumn column, DecimalSign sign, UnitSystem system, out double si)
    {
        si = double.NaN;
        var p = column.Parameter!;
        if (text[0] is '<' or '>')
            return $"“{text}” is a bound, not a figure. Type the figure that shall stand for it, or leave the cell empty.";
        if (
            p.Steps.Count > 0
            && p
                .Steps.Select((s, i) => (s, i))
                .FirstOrDefault(s => string.Equals(s.s, text, StringComparison.OrdinalIgnoreCase))
                is { s: not null } step
        )
        {
            si = step.i + 1;
            return null;
        }
        // A unit in the cell counts; a plain figure is in the unit of its column.
        var plain = NumberText.Read(text, sign);
        if (plain.Value is { } value)
            si = column.Unit!.ToSi(value) * column.Share;
        else if (QuantityText.Read(text, p.Measure, new(system, sign)) is { Si: { } read })
            si = read * column.Share;
        else
            return plain.Problem;
        return null;
    }
}
