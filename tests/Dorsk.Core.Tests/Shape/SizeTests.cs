using Microsoft.CodeAnalysis;
using Microsoft.CodeAnalysis.CSharp.Syntax;

namespace Dorsk.Core.Tests.Shape;

/// <summary>How long things may be, counted on the text as it is laid out by the formatter.</summary>
public class SizeTests
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

    // Wanted: no method over 60 lines, 95 % of them at most 30, none with more than seven parameters. Until that is reached these
    // numbers may only shrink.
    private const int OverSixty = 29,
        OverThirty = 247,
        ManyParameters = 10;

    [Fact]
    public void Long_methods_and_long_lists_of_parameters_only_get_fewer()
    {
        var methods = Nodes<BaseMethodDeclarationSyntax>().ToList();
        Fewer(OverSixty, methods.Where(m => LinesOf(m) > 60));
        Fewer(OverThirty, methods.Where(m => LinesOf(m) > 30));
        Fewer(ManyParameters, methods.Where(m => m.ParameterList.Parameters.Count > 7));
        Assert.True(methods.Count > 2000);
    }

    [Fact]
    public void Choices_are_not_nested_deep() =>
        Assert.Empty(Nodes<ConditionalExpressionSyntax>().Where(c => Depth(c) > 2).Select(Where));

    private static void Fewer(int most, IEnumerable<SyntaxNode> found)
    {
        var all = found.ToList();
        Assert.True(all.Count <= most, $"{all.Count} where {most} were: {string.Join(", ", all.Select(Where))}");
        Assert.True(all.Count == most, $"only {all.Count} are left: write that here, so that they stay gone");
    }

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
