using System.Text;

namespace Dorsk.Core.Species;

/// <summary>Reads the small tables that ship inside the core: commas, double quotes, first row the column names.</summary>
public static class Csv
{
    /// <summary>Rows by column name.</summary>
    /// <param name="text">A whole table.</param>
    public static IReadOnlyList<IReadOnlyDictionary<string, string>> Rows(string text)
    {
        var lines = text.Split('\n').Select(l => l.TrimEnd('\r')).Where(l => l.Length > 0).Select(Cells).ToList();
        var head = lines[0];
        return lines
            .Skip(1)
            .Select(cells =>
                (IReadOnlyDictionary<string, string>)head.Zip(cells).ToDictionary(p => p.First, p => p.Second)
            )
            .ToList();
    }

    /// <summary>A table embedded in this assembly.</summary>
    internal static IReadOnlyList<IReadOnlyDictionary<string, string>> Embedded(string file)
    {
        using var stream = typeof(Csv).Assembly.GetManifestResourceStream("species/" + file)
            ?? throw new InvalidOperationException($"The table {file} is missing from the build.");
        using var reader = new StreamReader(stream, Encoding.UTF8);
        return Rows(reader.ReadToEnd());
    }

    private static List<string> Cells(string line)
    {
        var cells = new List<string>();
        var cell = new StringBuilder();
        var quoted = false;
        foreach (var c in line)
        {
            if (c == '"')
                quoted = !quoted;
            else if (c == ',' && !quoted)
            {
                cells.Add(cell.ToString());
                cell.Clear();
            }
            else
                cell.Append(c);
        }
        cells.Add(cell.ToString());
        return cells;
    }
}
