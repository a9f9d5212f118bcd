using System.Globalization;
using CsvHelper;
using CsvHelper.Configuration;

namespace Dorsk.Farm.Files;

/// <summary>Rows of cells written for a spreadsheet.</summary>
public static class CsvRows
{
    /// <summary>Writes rows, each with as many cells as it has.</summary>
    /// <param name="rows">The rows, headings first.</param>
    /// <param name="style">How cells and figures are written.</param>
    public static string Write(IEnumerable<IEnumerable<object?>> rows, CsvStyle style)
    {
        var text = new StringWriter(CultureInfo.InvariantCulture);
        using (var csv = Writer(text, style))
            foreach (var row in rows)
                Row(csv, row.Select(cell => Cell(cell, style)));
        return text.ToString();
    }

    /// <summary>A writer of a style; it leaves the text open.</summary>
    internal static CsvWriter Writer(TextWriter to, CsvStyle style) =>
        new(
            to,
            new CsvConfiguration(CultureInfo.InvariantCulture) { Delimiter = style.Separator.ToString() },
            leaveOpen: true
        );

    /// <summary>A value as a cell.</summary>
    internal static string Cell(object? value, CsvStyle style) =>
        value switch
        {
            double figure => style.Number(figure),
            // A spreadsheet must not take a note for a formula.
            string { Length: > 0 } text when "=+-@\t\r".Contains(text[0], StringComparison.Ordinal) => "'" + text,
            var other => Convert.ToString(other, CultureInfo.InvariantCulture) ?? "",
        };

    /// <summary>Writes one row.</summary>
    internal static void Row(CsvWriter csv, IEnumerable<string> cells)
    {
        foreach (var cell in cells)
            csv.WriteField(cell);
        csv.NextRecord();
    }
}
