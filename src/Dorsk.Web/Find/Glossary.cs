namespace Dorsk.Web.Find;

/// <summary>Words of the program with their meaning, from the one list of them.</summary>
public static class Glossary
{
    /// <summary>Terms in the order of the list.</summary>
    public static IReadOnlyList<(string Term, string Means)> Terms { get; } = Read();

    private static List<(string, string)> Read()
    {
        using var stream = typeof(Glossary).Assembly.GetManifestResourceStream("words.md")
            ?? throw new InvalidOperationException("The list of words is not in the program.");
        using var reader = new StreamReader(stream);
        return
        [
            .. reader
                .ReadToEnd()
                .Split("## Not on screen")[0]
                .Split('\n')
                .Where(l => l.StartsWith("| ", StringComparison.Ordinal))
                .Skip(1)
                .Select(l => l.Split('|'))
                .Where(cells => cells.Length > 3)
                .Select(cells => (cells[1].Trim(), cells[3].Trim())),
        ];
    }
}
