using System.Text.RegularExpressions;
using Microsoft.CodeAnalysis;
using Microsoft.CodeAnalysis.CSharp;
using Microsoft.CodeAnalysis.CSharp.Syntax;

namespace Dorsk.Core.Tests.Shape;

/// <summary>Every public formula says what goes into it, with unit or range.</summary>
public class FormulaTests
{
    private static readonly List<MethodDeclarationSyntax> Formulas =
    [
        .. Sources
            .In("src/Dorsk.Core/")
            .SelectMany(t => t.GetRoot().DescendantNodes().OfType<MethodDeclarationSyntax>())
            .Where(m =>
                m.Parent is TypeDeclarationSyntax type
                && type.Modifiers.Any(SyntaxKind.PublicKeyword)
                && m.Modifiers.Any(SyntaxKind.PublicKeyword)
                && m.Modifiers.Any(SyntaxKind.StaticKeyword)
                && m.ParameterList.Parameters.Any(p => p.Type!.ToString() is "double" or "double?")
            ),
    ];

    [Fact]
    public void Each_parameter_of_a_formula_is_described()
    {
        var silent = Formulas.SelectMany(m =>
            m.ParameterList.Parameters.Where(p => Said(m, p.Identifier.Text) is not { Length: > 2 })
                .Select(p => $"{m.SyntaxTree.FilePath} {m.Identifier}({p.Identifier})")
        );
        Assert.Equal([], silent);
        Assert.True(Formulas.Count > 140, $"{Formulas.Count} formulas found");
    }

    private static string? Said(MethodDeclarationSyntax m, string name) =>
        Regex.Match(
            m.GetLeadingTrivia().ToFullString(),
            $"<param name=\"{name}\">(.*?)</param>",
            RegexOptions.Singleline
        )
            is { Success: true } found
            ? found.Groups[1].Value.Trim()
            : null;
}
