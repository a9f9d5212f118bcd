using System.Text.RegularExpressions;
using Dorsk.Core.Ponds;
using Dorsk.Core.Units;
using Microsoft.CodeAnalysis.CSharp;
using Microsoft.CodeAnalysis.CSharp.Syntax;

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

    // Outlines are typed in metres on every farm; the label of a poison is metric.
    private static readonly string[] Metric = ["50 km", "1,000 g/m³"];

    [Fact]
    public void A_refusal_names_no_unit_but_the_farms()
    {
        var unit = new Regex(@"\d ?(m|mm|cm|km|kg|g|ha|m²|m³|°C)\b(?!²|³)");
        Assert.Matches(unit, "0 to 20 m, or empty");
        var own = Sources
            .Trees.SelectMany(t => t.GetRoot().DescendantNodes().OfType<InvocationExpressionSyntax>())
            .Where(i => i.Expression is MemberAccessExpressionSyntax { Name.Identifier.Text: "Refuse" or "Ask" })
            .SelectMany(i =>
                i.ArgumentList.DescendantTokens()
                    .Where(x => x.Kind() is SyntaxKind.StringLiteralToken or SyntaxKind.InterpolatedStringTextToken)
                    .Select(x => $"{i.SyntaxTree.FilePath}: {x.ValueText}")
            )
            .Where(text => unit.IsMatch(text) && !Metric.Any(m => text.Contains(m, StringComparison.Ordinal)));
        Assert.True(!own.Any(), string.Join("\n", own));
    }

    [Fact]
    public void A_limit_is_said_in_the_units_of_the_farm()
    {
        var depth = SlopedRectangle.Check(200, 150, 30, 2).First();
        Assert.Equal(
            "A depth of 30 m is outside 0.2 to 10 m. Check the figure and its unit.",
            depth.For(Hand.Metric).Text
        );
        Assert.Equal(
            "A depth of 98.4 ft is outside 0.656 to 32.8 ft. Check the figure and its unit.",
            depth.For(Hand.Us).Text
        );
        Assert.Contains(
            "0,2 to 10 m",
            depth.For(new(UnitSystem.Metric, DecimalSign.Comma)).Text,
            StringComparison.Ordinal
        );
    }
}
