using System.Globalization;
using Dorsk.Core.Units;

namespace Dorsk.Farm.Files;

/// <summary>How a list is written for a spreadsheet.</summary>
/// <param name="Separator">Between two cells: <c>,</c>, <c>;</c> or a tab.</param>
/// <param name="Sign">Decimal sign of figures.</param>
public sealed record CsvStyle(char Separator, DecimalSign Sign)
{
    // Seven figures hold every value as it was measured and leave out what the change of units added.
    private const int Figures = 7;

    /// <summary>Styles by their name in an address.</summary>
    public static IReadOnlyList<(string Key, string Name, CsvStyle Style)> All { get; } =
    [
        ("comma", "commas between, 1.5", new(',', DecimalSign.Point)),
        ("semicolon", "semicolons between, 1,5", new(';', DecimalSign.Comma)),
        ("tab", "tabs between, 1.5", new('\t', DecimalSign.Point)),
    ];

    /// <summary>What a spreadsheet opens as numbers where the farm writes: a comma for decimals wants a semicolon between cells.</summary>
    /// <param name="sign">The farm's decimal sign.</param>
    public static string Usual(DecimalSign sign) => sign == DecimalSign.Comma ? "semicolon" : "comma";

    /// <summary>A style by its name, or null.</summary>
    /// <param name="key">Its name.</param>
    public static CsvStyle? Find(string key) => All.FirstOrDefault(s => s.Key == key).Style;

    /// <summary>A figure as a cell.</summary>
    /// <param name="value">The figure.</param>
    public string Number(double value)
    {
        var text = value.ToString("G" + Figures, CultureInfo.InvariantCulture);
        if (text.Contains('E', StringComparison.Ordinal))
            text = ((decimal)value).ToString(CultureInfo.InvariantCulture);
        return Sign == DecimalSign.Comma ? text.Replace('.', ',') : text;
    }
}
