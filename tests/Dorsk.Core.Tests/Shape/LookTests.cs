using System.Text.RegularExpressions;

namespace Dorsk.Core.Tests.Shape;

/// <summary>Colours that can be read, and scripts without circles.</summary>
public class LookTests
{
    private static readonly string Root = Sources.Root;

    [Fact]
    public void Scripts_import_each_other_in_no_circle()
    {
        var folder = Path.Combine(Root, "src/Dorsk.Web/Scripts");
        var imports = Directory
            .EnumerateFiles(folder, "*.js", SearchOption.AllDirectories)
            .ToDictionary(
                f => f,
                f =>
                    Regex
                        .Matches(File.ReadAllText(f), @"from '(\.[^']+)'")
                        .Select(m => Path.GetFullPath(Path.Combine(Path.GetDirectoryName(f)!, m.Groups[1].Value)))
                        .ToList()
            );
        bool Reaches(string from, string to, HashSet<string> seen) =>
            imports[from].Any(next => next == to || (seen.Add(next) && Reaches(next, to, seen)));
        Assert.Empty(imports.Keys.Where(f => Reaches(f, f, [])).Select(Path.GetFileName));
        Assert.True(imports.Count > 10);
    }

    [Fact]
    public void Every_pair_of_ink_and_ground_can_be_read()
    {
        var scss = File.ReadAllText(Path.Combine(Root, "src/Dorsk.Web/Styles/_tokens.scss"));
        foreach (var theme in new[] { "paper", "dark" })
        {
            var tokens = Regex
                .Matches(
                    Regex.Match(scss, $@"@mixin {theme} \{{(.*?)\n\}}", RegexOptions.Singleline).Groups[1].Value,
                    @"--([\w-]+): (#\w{6})"
                )
                .ToDictionary(m => m.Groups[1].Value, m => m.Groups[2].Value);
            string[] grounds = ["paper", "paper-2"];
            var pairs = grounds
                .SelectMany(
                    g =>
                        new[]
                        {
                            "ink",
                            "ink-2",
                            "ink-3",
                            "steady-ink",
                            "watch-ink",
                            "act-ink",
                            "sedge",
                            "pool-ink",
                            "deep",
                        },
                    (g, i) => (g, i)
                )
                .Concat(
                    new[] { "water", "water-2", "sh-day", "sh-twi", "sh-nig", "act-wash" }.SelectMany(
                        g => new[] { "ink", "ink-2" },
                        (g, i) => (g, i)
                    )
                )
                .Append((g: "sedge", i: "on-sedge"));
            foreach (var (g, i) in pairs)
                Assert.True(
                    Contrast(tokens[g], tokens[i]) >= 4.5,
                    $"{theme}: {i} on {g} is {Contrast(tokens[g], tokens[i]):0.00} to 1"
                );
        }
    }

    private static double Contrast(string a, string b)
    {
        double Light(string hex) =>
            new[] { 0.2126, 0.7152, 0.0722 }
                .Select((w, i) => w * Channel(Convert.ToInt32(hex.Substring(1 + (2 * i), 2), 16) / 255.0))
                .Sum();
        double Channel(double c) => c <= 0.03928 ? c / 12.92 : Math.Pow((c + 0.055) / 1.055, 2.4);
        var (x, y) = (Light(a) + 0.05, Light(b) + 0.05);
        return Math.Max(x, y) / Math.Min(x, y);
    }
}
