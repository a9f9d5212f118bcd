using System.Text.RegularExpressions;
using Microsoft.CodeAnalysis.CSharp;

namespace Dorsk.Core.Tests.Shape;

/// <summary>No text of the program says a word that docs/words.md rules out.</summary>
public class WordTests
{
    private static string Docs => File.ReadAllText(Path.Combine(Sources.Root, "docs", "words.md"));

    private static IReadOnlyList<string> RuledOut { get; } =
    [
        .. Docs.Split("## Not on screen")[1]
            .Split('\n')
            .Where(l =>
                l.StartsWith("| ", StringComparison.Ordinal) && !l.StartsWith("| not |", StringComparison.Ordinal)
            )
            .Select(l => l.Split('|')[1].Trim()),
    ];

    // Texts in the sources, and pages without their comments.
    private static IEnumerable<(string File, string Text)> Texts() =>
        Sources
            .Trees.SelectMany(t =>
                t.GetRoot()
                    .DescendantTokens()
                    .Where(x =>
                        x.Kind()
                            is SyntaxKind.StringLiteralToken
                                or SyntaxKind.InterpolatedStringTextToken
                                or SyntaxKind.MultiLineRawStringLiteralToken
                    )
                    .Select(x => (t.FilePath, x.ValueText))
            )
            .Concat(
                Directory
                    .GetFiles(Path.Combine(Sources.Root, "src"), "*.cshtml", SearchOption.AllDirectories)
                    .Select(p =>
                        (
                            p,
                            Regex.Replace(
                                File.ReadAllText(p),
                                @"@\*.*?\*@|^\s*//.*?$",
                                "",
                                RegexOptions.Singleline | RegexOptions.Multiline
                            )
                        )
                    )
            );

    [Fact]
    public void No_text_says_a_word_that_is_ruled_out()
    {
        Assert.True(RuledOut.Count > 30);
        var pattern = new Regex(
            $@"\b({string.Join('|', RuledOut.Select(w => Regex.Escape(w).Replace(@"\ ", @"\s+", StringComparison.Ordinal)))})\b",
            RegexOptions.IgnoreCase
        );
        Assert.Matches(pattern, "What the\n water carries");
        Assert.Empty(
            Texts().Where(t => pattern.IsMatch(t.Text)).Select(t => $"{t.File}: {pattern.Match(t.Text).Value}")
        );
    }
}
