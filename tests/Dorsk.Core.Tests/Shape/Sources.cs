using System.Text.RegularExpressions;
using Microsoft.CodeAnalysis;
using Microsoft.CodeAnalysis.CSharp;
using Microsoft.CodeAnalysis.CSharp.Syntax;

namespace Dorsk.Core.Tests.Shape;

/// <summary>The sources as the tests of shape see them.</summary>
internal static class Sources
{
    public static readonly string Root = FindRoot();

    /// <summary>Every C# file of the product.</summary>
    public static readonly List<SyntaxTree> Trees =
    [
        .. Directory
            .EnumerateFiles(Path.Combine(Root, "src"), "*.cs", SearchOption.AllDirectories)
            .Where(f => !Regex.IsMatch(f, @"[\\/](bin|obj)[\\/]"))
            .Select(f =>
                CSharpSyntaxTree.ParseText(File.ReadAllText(f), path: Path.GetRelativePath(Root, f).Replace('\\', '/'))
            ),
    ];

    // The farm, its files and the web need packages that are not here; rooms of the core and the practice pond do not.
    private static readonly CSharpCompilation Core = CSharpCompilation.Create(
        "core",
        In("src/Dorsk.Core/")
            .Concat(In("src/Dorsk.Practice/"))
            .Append(
                CSharpSyntaxTree.ParseText(
                    "global using System; global using System.Collections.Generic; global using System.IO; global using System.Linq; global using System.Threading;"
                )
            ),
        ((string)AppContext.GetData("TRUSTED_PLATFORM_ASSEMBLIES")!)
            .Split(Path.PathSeparator)
            .Where(p => !Path.GetFileName(p).StartsWith("Dorsk", StringComparison.Ordinal))
            .Select(p => MetadataReference.CreateFromFile(p))
    );

    /// <summary>Files under a folder.</summary>
    public static IEnumerable<SyntaxTree> In(string folder) =>
        Trees.Where(t => t.FilePath.StartsWith(folder, StringComparison.Ordinal));

    /// <summary>Types that the files of a folder name, by symbol.</summary>
    public static IEnumerable<(string File, string[] Uses, string Type)> Uses(string folder) =>
        Core
            .SyntaxTrees.Where(t => t.FilePath.StartsWith(folder, StringComparison.Ordinal))
            .AsParallel()
            .SelectMany(UsesOf)
            .ToList();

    private static List<(string, string[], string)> UsesOf(SyntaxTree tree)
    {
        var model = Core.GetSemanticModel(tree);
        var found = new List<(string, string[], string)>();
        foreach (var name in tree.GetRoot().DescendantNodes().OfType<SimpleNameSyntax>())
            if (
                model.GetSymbolInfo(name).Symbol is INamedTypeSymbol
                {
                    ContainingNamespace: { IsGlobalNamespace: false } room
                } type
            )
                found.Add((tree.FilePath, room.ToDisplayString().Split('.'), type.Name));
        return found;
    }

    private static string FindRoot()
    {
        var folder = new DirectoryInfo(AppContext.BaseDirectory);
        while (!File.Exists(Path.Combine(folder.FullName, "Dorsk.slnx")))
            folder = folder.Parent ?? throw new InvalidOperationException("Dorsk.slnx not found above the tests.");
        return folder.FullName;
    }
}
