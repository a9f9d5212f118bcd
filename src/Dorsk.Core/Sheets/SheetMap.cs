using Dorsk.Core.Units;
using Dorsk.Core.Water;

namespace Dorsk.Core.Sheets;

/// <summary>What a column of a sheet holds.</summary>
public enum ColumnUse
{
    /// <summary>It is left alone.</summary>
    Ignore,

    /// <summary>Day, with or without the hour.</summary>
    Day,

    /// <summary>Hour.</summary>
    Hour,

    /// <summary>Code of the pond.</summary>
    Pond,

    /// <summary>A value.</summary>
    Value,
}

/// <summary>What one column means.</summary>
/// <param name="Use">What it holds.</param>
/// <param name="Parameter">What was read, for values.</param>
/// <param name="Unit">Unit of plain figures, for values.</param>
/// <param name="Share">Nitrogen in what the kit reports, 1 for nitrogen itself.</param>
public sealed record SheetColumn(ColumnUse Use, Parameter? Parameter = null, Unit? Unit = null, double Share = 1)
{
    /// <summary>A column that is left alone.</summary>
    public static readonly SheetColumn Ignored = new(ColumnUse.Ignore);

    /// <summary>Stable word for forms and memory: day, hour, pond, do|mg/L, tan|mg/L|NH4; empty when left alone.</summary>
    public string Key =>
        Use switch
        {
            ColumnUse.Ignore => "",
            ColumnUse.Value =>
                $"{Parameter!.Key}|{Unit!.Symbol}{(KitBasis.Ammonia.Concat(KitBasis.Nitrite).FirstOrDefault(b => b.NitrogenShare == Share && Share != 1) is { } b ? "|" + b.Key : "")}",
            _ => Use.ToString().ToLowerInvariant(),
        };

    /// <summary>Every meaning a column can have, in the order of the list to choose from.</summary>
    public static readonly IReadOnlyList<(SheetColumn Column, string Word)> All =
    [
        (Ignored, "leave out"),
        (new(ColumnUse.Day), "day, or day and hour"),
        (new(ColumnUse.Hour), "hour"),
        (new(ColumnUse.Pond), "pond"),
        .. Parameter
            .All.Where(p => !p.OfFarm)
            .SelectMany(p =>
                p.Measure.Units.SelectMany(u =>
                    Bases(p).Select(b => (new SheetColumn(ColumnUse.Value, p, u, b.NitrogenShare), Word(p, u, b)))
                )
            ),
    ];

    /// <summary>The meaning of a key, or null when there is none.</summary>
    public static SheetColumn? Of(string key) => ByKey.GetValueOrDefault(key);

    private static readonly Dictionary<string, SheetColumn> ByKey = All.ToDictionary(c => c.Column.Key, c => c.Column);

    private static IReadOnlyList<KitBasis> Bases(Parameter p) =>
        p == Parameter.Tan ? KitBasis.Ammonia
        : p == Parameter.Nitrite ? KitBasis.Nitrite
        : [KitBasis.Ammonia[0]];

    private static string Word(Parameter p, Unit u, KitBasis b) =>
        p.Name + (u.Symbol.Length > 0 ? ", " + u.Symbol : "") + (b.Key != "N" ? " as " + b.Name : "");
}

/// <summary>How a sheet is read.</summary>
/// <param name="Columns">Meaning of each column, from the left.</param>
/// <param name="Sign">Decimal sign of the sheet.</param>
/// <param name="Order">Order of day and month.</param>
/// <param name="PondCode">The pond of all lines, when no column says it.</param>
public sealed record SheetMap(IReadOnlyList<SheetColumn> Columns, DecimalSign Sign, DayOrder Order, string PondCode)
{
    /// <summary>Why it cannot be read so; null when it can.</summary>
    public string? Problem()
    {
        int Count(ColumnUse use) => Columns.Count(c => c.Use == use);
        if (Count(ColumnUse.Day) != 1)
            return "Say of exactly one column that it holds the day.";
        if (Count(ColumnUse.Hour) > 1)
            return "Only one column can hold the hour.";
        if (Count(ColumnUse.Pond) > 1)
            return "Only one column can hold the pond.";
        if (Count(ColumnUse.Pond) == 0 && PondCode.Length == 0)
            return "Choose the pond, or say which column holds it.";
        if (Count(ColumnUse.Value) == 0)
            return "Say of at least one column which value it holds.";
        return Columns.Where(c => c.Use == ColumnUse.Value).GroupBy(c => c.Parameter).Any(g => g.Count() > 1)
            ? "Two columns hold the same value. Leave one of them out, or import the sheet twice."
            : null;
    }
}
