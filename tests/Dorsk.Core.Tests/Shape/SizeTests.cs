using Microsoft.CodeAnalysis;
using Microsoft.CodeAnalysis.CSharp.Syntax;

namespace Dorsk.Core.Tests.Shape;

/// <summary>How long things may be, counted on the text as it is laid out by the formatter.</summary>
public partial class SizeTests
{
    [Fact]
    public void Files_are_short_and_folders_small()
    {
        var files = Sources
            .Trees.Select(t => (t.FilePath, Lines: t.GetText().Lines.Count))
            .OrderBy(f => f.Lines)
            .ToList();
        Assert.True(files[files.Count / 2].Lines <= 150, $"median file {files[files.Count / 2].Lines} lines");
        Assert.Empty(files.Where(f => f.Lines > 500).Select(f => $"{f.FilePath} {f.Lines}"));
        var folders = files.GroupBy(f => Path.GetDirectoryName(f.FilePath)).Select(g => (g.Key, Files: g.Count()));
        Assert.Empty(folders.Where(f => f.Files > 25).Select(f => $"{f.Key} {f.Files}"));
    }

    [Fact]
    public void Methods_are_short_and_take_few_parameters()
    {
        var methods = Nodes<BaseMethodDeclarationSyntax>().ToList();
        Assert.Empty(methods.Where(m => LinesOf(m) > 60).Select(Where));
        Assert.Empty(methods.Where(m => m.ParameterList.Parameters.Count > 7).Select(Where));
        var longer = methods.Where(m => LinesOf(m) > 30).ToList();
        Assert.True(
            longer.Count <= 0.05 * methods.Count,
            $"{longer.Count} of {methods.Count} methods are over 30 lines: {string.Join(", ", longer.Select(Where))}"
        );
        Assert.True(methods.Count > 2000);
    }

    [Fact]
    public void Choices_are_not_nested_deep() =>
        Assert.Empty(Nodes<ConditionalExpressionSyntax>().Where(c => Depth(c) > 2).Select(Where));

    // Words in quotes are not cut: a long sentence may stand on a line of its own.
    [Fact]
    public void Pages_are_at_most_140_wide()
    {
        var pages = Directory.GetFiles(Path.Combine(Sources.Root, "src"), "*.cshtml", SearchOption.AllDirectories);
        var wide = pages.SelectMany(p =>
            File.ReadLines(p)
                .Select((line, i) => (Where: $"{p}:{i + 1}", line))
                .Where(l => l.line.Length > 140 && !Quoted().IsMatch(l.line))
        );
        Assert.Empty(wide.Select(w => w.Where));
        Assert.True(pages.Length > 80);
    }

    // A quoted text, or a drawing's written label, that alone is longer than half the width.
    [System.Text.RegularExpressions.GeneratedRegex("\".{70,}\"|@:<text ")]
    private static partial System.Text.RegularExpressions.Regex Quoted();

    private static IEnumerable<T> Nodes<T>()
        where T : SyntaxNode => Sources.Trees.SelectMany(t => t.GetRoot().DescendantNodes().OfType<T>());

    private static string Where(SyntaxNode n) =>
        $"{n.SyntaxTree.FilePath}:{n.SyntaxTree.GetLineSpan(n.Span).StartLinePosition.Line + 1}";

    private static int LinesOf(SyntaxNode n)
    {
        var span = n.SyntaxTree.GetLineSpan(n.Span);
        return span.EndLinePosition.Line - span.StartLinePosition.Line + 1;
    }

    // Choices within choices; a list of cases one after the other, "a ? x : b ? y : z", is counted too.
    private static int Depth(ConditionalExpressionSyntax c) =>
        1
        + c.Ancestors()
            .TakeWhile(a => a is ExpressionSyntax and not LambdaExpressionSyntax)
            .OfType<ConditionalExpressionSyntax>()
            .Count();
}
