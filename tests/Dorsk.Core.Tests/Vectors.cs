using System.Globalization;
using Dorsk.Core.Species;

namespace Dorsk.Core.Tests;

/// <summary>The tables computed from published equations; every row is held against the core.</summary>
internal static class Vectors
{
    public static IReadOnlyList<Row> Rows(string file)
    {
        var rows = Csv.Rows(File.ReadAllText(Path.Combine(AppContext.BaseDirectory, "Vectors", file + ".csv")))
            .Select((r, i) => new Row(file, i + 2, r))
            .ToList();
        Assert.NotEmpty(rows);
        return rows;
    }

    /// <summary>Relative agreement, absolute near nought; the message names file and line.</summary>
    public static void Agree(this Row row, string column, double actual, double relative = 1e-6, double absolute = 1e-9)
    {
        var expected = row[column];
        Assert.True(
            Math.Abs(actual - expected) <= Math.Max(absolute, relative * Math.Abs(expected)),
            FormattableString.Invariant($"{row.File} line {row.Line}, {column}: wanted {expected}, got {actual}")
        );
    }
}

internal sealed record Row(string File, int Line, IReadOnlyDictionary<string, string> Cells)
{
    public double this[string column] => double.Parse(Cells[column], CultureInfo.InvariantCulture);

    public string Text(string column) => Cells[column];

    public double? Maybe(string column) => Cells[column].Length == 0 ? null : this[column];

    public IEnumerable<double> Many(string column) =>
        Cells[column].Split(' ').Select(v => double.Parse(v, CultureInfo.InvariantCulture));
}
