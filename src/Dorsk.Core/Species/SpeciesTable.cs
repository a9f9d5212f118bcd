using System.Globalization;

namespace Dorsk.Core.Species;

/// <summary>The columns of the species table that only one rule needs, by species and column.</summary>
internal static class SpeciesTable
{
    private static readonly Dictionary<string, IReadOnlyDictionary<string, string>> Rows = Csv.Embedded("species.csv")
        .ToDictionary(r => r["key"]);

    /// <summary>A cell in words.</summary>
    public static string Text(FishSpecies species, string column) => Rows[species.BaseKey][column];

    /// <summary>A cell as a figure, the farm's own first; 0 where it is empty.</summary>
    public static double Figure(FishSpecies species, string column) =>
        species.OwnFigures is { } own && own.TryGetValue(column, out var figure) ? figure
        : Text(species, column) is { Length: > 0 } text ? double.Parse(text, CultureInfo.InvariantCulture)
        : 0;
}
