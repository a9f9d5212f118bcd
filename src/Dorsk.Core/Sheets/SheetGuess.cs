using System.Text.RegularExpressions;
using Dorsk.Core.Units;
using Dorsk.Core.Water;

namespace Dorsk.Core.Sheets;

/// <summary>A first guess of what a sheet's columns mean, from its headings and first lines. People see it and change it.</summary>
public static partial class SheetGuess
{
    private static readonly string[] Day = ["date", "day", "datetime", "timestamp", "when", "datum", "fecha"],
        Hour = ["time", "hour", "hora", "uhrzeit"],
        Pond = ["pond", "tank", "unit", "teich", "code"];

    /// <summary>Guesses one column by its heading.</summary>
    /// <param name="heading">For example <c>DO (mg/L)</c> or <c>Water temp °F</c>.</param>
    /// <param name="system">Units of the farm, when the heading names none.</param>
    public static SheetColumn Column(string heading, UnitSystem system)
    {
        var words = Words().Matches(heading.ToLowerInvariant()).Select(m => m.Value).ToList();
        if (words.Any(w => Day.Contains(w)))
            return new(ColumnUse.Day);
        if (ParameterWords.In(words) is { } parameter)
            return new(
                ColumnUse.Value,
                parameter,
                UnitIn(heading, parameter.Measure) ?? parameter.Measure.In(system),
                ShareIn(words, parameter)
            );
        return words.Any(w => Hour.Contains(w)) ? new(ColumnUse.Hour)
            : words.Any(w => Pond.Contains(w)) ? new(ColumnUse.Pond)
            : SheetColumn.Ignored;
    }

    /// <summary>Decimal sign that most figures of a sheet use; null when none has decimals.</summary>
    public static DecimalSign? Sign(IEnumerable<string> cells)
    {
        var (points, commas) = (0, 0);
        foreach (var cell in cells)
        {
            points += PointFigure().IsMatch(cell) ? 1 : 0;
            commas += CommaFigure().IsMatch(cell) ? 1 : 0;
        }
        return points == commas ? null
            : points > commas ? DecimalSign.Point
            : DecimalSign.Comma;
    }

    /// <summary>What parts the cells of a sheet: the sign that parts its first lines into the most, and equally many, cells.</summary>
    public static char Delimiter(IReadOnlyList<string> lines) =>
        new[] { ',', ';', '\t', '|' }
            .Select(d => (d, Counts: lines.Take(20).Select(l => Unquoted(l).Count(c => c == d)).ToList()))
            .OrderByDescending(x =>
                x.Counts.Count == 0
                    ? 0
                    : x
                        .Counts.GroupBy(n => n)
                        .Where(g => g.Key > 0)
                        .Select(g => (double)g.Count() * Math.Min(g.Key, 3))
                        .DefaultIfEmpty(0)
                        .Max()
            )
            .First()
            .d;

    private static string Unquoted(string line) => Quoted().Replace(line, "");

    /// <summary>The unit that a heading names for a quantity; null when it names none.</summary>
    /// <param name="heading">For example <c>Given (kg)</c>.</param>
    /// <param name="measure">The quantity.</param>
    public static Unit? UnitIn(string heading, Measure measure)
    {
        var inside = Bracket().Match(heading);
        var candidates = (inside.Success ? new[] { inside.Groups[1].Value } : []).Concat(
            heading.Split(' ', '_', ',', ';').Skip(1)
        );
        return candidates
            .Select(c => c.Trim().Length == 0 ? null : measure.Find(c.Trim().Split(" as ")[0]))
            .FirstOrDefault(u => u is not null && u.Symbol.Length > 0);
    }

    // "NH4 (mg/L)" says the ion; "NH4-N", "TAN" and "ammonia as N" say nitrogen.
    private static double ShareIn(List<string> words, Parameter parameter)
    {
        if (words.Contains("n") || words.Contains("tan"))
            return 1;
        IReadOnlyList<KitBasis> kits = [];
        if (parameter == Parameter.Tan)
            kits = KitBasis.Ammonia;
        else if (parameter == Parameter.Nitrite)
            kits = KitBasis.Nitrite;
        return kits.FirstOrDefault(b => words.Contains(b.Key.ToLowerInvariant()))?.NitrogenShare ?? 1;
    }

    [GeneratedRegex("[a-z]+[0-9]?", RegexOptions.None, 200)]
    private static partial Regex Words();

    [GeneratedRegex(@"[\(\[]([^\)\]]*)[\)\]]", RegexOptions.None, 200)]
    private static partial Regex Bracket();

    [GeneratedRegex("\"[^\"]*\"", RegexOptions.None, 200)]
    private static partial Regex Quoted();

    [GeneratedRegex(@"^\s*-?\d+\.\d+\s*$", RegexOptions.None, 200)]
    private static partial Regex PointFigure();

    [GeneratedRegex(@"^\s*-?\d+,\d+\s*$", RegexOptions.None, 200)]
    private static partial Regex CommaFigure();
}
