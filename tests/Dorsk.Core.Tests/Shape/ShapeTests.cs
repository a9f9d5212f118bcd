using System.Text.RegularExpressions;
using Microsoft.CodeAnalysis;
using Microsoft.CodeAnalysis.CSharp;
using Microsoft.CodeAnalysis.CSharp.Syntax;

namespace Dorsk.Core.Tests.Shape;

/// <summary>The rules of ARCHITECTURE.md, held by symbols: who may know whom, where SQL may stand, how long things may be.</summary>
public class ShapeTests
{
    private static readonly string Root = FindRoot();
    private static readonly Dictionary<string, int> Levels = new()
    {
        ["Units"] = 0,
        ["Time"] = 0,
        ["Judging"] = 1,
        ["Species"] = 2,
        ["Ponds"] = 2,
        ["People"] = 2,
        ["Water"] = 3,
        ["Sheets"] = 4,
        ["Air"] = 4,
        ["Stock"] = 4,
        ["Growth"] = 5,
        ["Prepare"] = 5,
        ["Acclimate"] = 5,
        ["Oxygen"] = 5,
        ["Verdict"] = 6,
        ["Feeding"] = 7,
        ["Harvest"] = 8,
        ["Plans"] = 8,
        ["Alarms"] = 9,
        ["Season"] = 10,
    };

    // Ponds and Species share a level; aerator kinds are read from a table with the reader of Species.
    private static readonly (string, string)[] Allowed = [("Ponds", "Species")];

    private static readonly List<SyntaxTree> Trees = Directory
        .EnumerateFiles(Path.Combine(Root, "src"), "*.cs", SearchOption.AllDirectories)
        .Where(f => !Regex.IsMatch(f, @"[\\/](bin|obj)[\\/]"))
        .Select(f =>
            CSharpSyntaxTree.ParseText(File.ReadAllText(f), path: Path.GetRelativePath(Root, f).Replace('\\', '/'))
        )
        .ToList();

    private static readonly CSharpCompilation Core = CSharpCompilation.Create(
        "core",
        Trees
            .Where(t =>
                t.FilePath.StartsWith("src/Dorsk.", StringComparison.Ordinal)
                && !t.FilePath.StartsWith("src/Dorsk.Web", StringComparison.Ordinal)
            )
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

    [Fact]
    public void Rooms_use_only_lower_rooms()
    {
        var bad = Uses("src/Dorsk.Core/")
            .Where(u => u.Uses is ["Dorsk", "Core", ..] && u.Uses.Length > 2)
            .Select(u => (From: u.File.Split('/')[2], To: u.Uses[2], u.File))
            .Where(u => u.From != u.To && Levels[u.To] >= Levels[u.From] && !Allowed.Contains((u.From, u.To)))
            .Distinct()
            .ToList();
        Assert.Empty(bad);
    }

    [Fact]
    public void The_practice_pond_does_not_know_the_forecaster()
    {
        string[] may = ["Units", "Time", "Species", "Ponds", "People", "Judging"];
        // Of the other rooms only their facts, and the parameters facts name.
        string[] facts =
        [
            "ReadingTaken",
            "ProbeSeriesReceived",
            "ProbeValue",
            "DeviceKept",
            "DeviceUse",
            "Value",
            "Parameter",
            "FishStocked",
            "FishLost",
            "FishSampled",
            "FishHarvested",
            "Account",
            "CountBasis",
            "FeedNamed",
            "FeedReceived",
            "FeedingGiven",
            "InstrumentKept",
            "InstrumentKind",
            "DutyKept",
            "PreparationPlanned",
            "PreparationPrices",
            "LimeSchool",
            "SoilTexture",
            "PestSchool",
            "FertiliserSchool",
            "HarvestPlanned",
            "CyclePlanned",
        ];
        Assert.Empty(
            Uses("src/Dorsk.Practice/")
                .Where(u => u.Uses is ["Dorsk", "Core", ..] && !may.Contains(u.Uses[2]) && !facts.Contains(u.Type))
                .Select(u => $"{u.File}: {u.Type}")
                .Distinct()
        );
    }

    [Fact]
    public void Sql_stands_only_in_the_farms_office()
    {
        string[] rooms =
        [
            "src/Dorsk.Farm/Facts/",
            "src/Dorsk.Farm/Fish/",
            "src/Dorsk.Farm/Water/",
            "src/Dorsk.Farm/Ask/",
            "src/Dorsk.Farm/Sql/",
            "src/Dorsk.Farm/Files/",
            "src/Dorsk.Farm/State/",
            "src/Dorsk.Farm/Door.cs",
            "src/Dorsk.Farm/SheetDoor.cs",
        ];
        Assert.Empty(
            Trees
                .Where(t =>
                    !rooms.Any(r => t.FilePath.StartsWith(r, StringComparison.Ordinal))
                    && t.GetRoot()
                        .DescendantTokens()
                        .Any(k =>
                            (
                                k.IsKind(SyntaxKind.StringLiteralToken)
                                || k.IsKind(SyntaxKind.InterpolatedStringTextToken)
                            ) && Regex.IsMatch(k.Text, @"\b(SELECT|INSERT|UPDATE|DELETE)\b .*\b(FROM|INTO|SET)\b")
                        )
                )
                .Select(t => t.FilePath)
        );
    }

    [Fact]
    public void Files_and_methods_keep_their_size()
    {
        var files = Trees.Select(t => (t.FilePath, Lines: t.GetText().Lines.Count)).OrderBy(f => f.Lines).ToList();
        Assert.True(files[files.Count / 2].Lines <= 100, $"median file {files[files.Count / 2].Lines} lines");
        Assert.Empty(files.Where(f => f.Lines > 350).Select(f => $"{f.FilePath} {f.Lines}"));
        var methods = Trees
            .SelectMany(t => t.GetRoot().DescendantNodes().OfType<MethodDeclarationSyntax>())
            .Select(m =>
                m.GetText()
                    .Lines.Count(l =>
                        l.ToString().Trim().Length > 0
                        && !l.ToString().TrimStart().StartsWith("///", StringComparison.Ordinal)
                    )
            )
            .Order()
            .ToList();
        Assert.True(methods[methods.Count / 2] <= 10, $"median method {methods[methods.Count / 2]} lines");
        Assert.True(
            methods[(int)(methods.Count * 0.95)] <= 40,
            $"95 % of methods {methods[(int)(methods.Count * 0.95)]} lines"
        );
    }

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
    public void No_page_and_no_alarm_judges_a_limit_that_the_verdict_judges()
    {
        // Limits are named by the species, the verdict, and the equations of growth, oxygen and plans that take them as a parameter.
        string[] may =
        [
            "Species",
            "Verdict",
            "Water",
            "Growth",
            "Oxygen",
            "Acclimate",
            "Prepare",
            "Plans",
            "Feeding",
            "Alarms",
            "Season",
        ];
        var judging = new Regex(
            @"(<|>|<=|>=)\s*\w*[lL]imits\.(DoActMgL|DoWatchMgL|PhLow|PhHigh|TempLowC|TempHighC|Nh3\w+|NitriteMgL)"
        );
        var bad = Trees
            .Where(t => !may.Any(r => t.FilePath.StartsWith($"src/Dorsk.Core/{r}/", StringComparison.Ordinal)))
            .Where(t => judging.IsMatch(t.GetText().ToString()))
            .Select(t => t.FilePath);
        Assert.Empty(bad);
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

    private static IEnumerable<(string File, string[] Uses, string Type)> Uses(string folder)
    {
        foreach (var tree in Core.SyntaxTrees.Where(t => t.FilePath.StartsWith(folder, StringComparison.Ordinal)))
        {
            var model = Core.GetSemanticModel(tree);
            foreach (var name in tree.GetRoot().DescendantNodes().OfType<SimpleNameSyntax>())
                if (
                    model.GetSymbolInfo(name).Symbol is INamedTypeSymbol
                    {
                        ContainingNamespace: { IsGlobalNamespace: false } room
                    } type
                )
                    yield return (tree.FilePath, room.ToDisplayString().Split('.'), type.Name);
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

    private static string FindRoot()
    {
        var folder = new DirectoryInfo(AppContext.BaseDirectory);
        while (!File.Exists(Path.Combine(folder.FullName, "Dorsk.slnx")))
            folder = folder.Parent ?? throw new InvalidOperationException("Dorsk.slnx not found above the tests.");
        return folder.FullName;
    }
}
