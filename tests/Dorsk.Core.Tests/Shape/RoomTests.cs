using System.Text.RegularExpressions;
using Microsoft.CodeAnalysis;
using Microsoft.CodeAnalysis.CSharp;
using Microsoft.CodeAnalysis.CSharp.Syntax;

namespace Dorsk.Core.Tests.Shape;

/// <summary>The rules of ARCHITECTURE.md: who may know whom, and where SQL may stand.</summary>
public class RoomTests
{
    private static readonly Dictionary<string, int> Levels = new()
    {
        ["Units"] = 0,
        ["Time"] = 0,
        ["Judging"] = 1,
        ["Species"] = 2,
        ["Ponds"] = 2,
        ["People"] = 2,
        ["Water"] = 3,
        ["Safety"] = 3,
        ["Sheets"] = 4,
        ["Air"] = 4,
        ["Machines"] = 4,
        ["Stock"] = 4,
        ["Growth"] = 5,
        ["Oxygen"] = 5,
        ["Verdict"] = 6,
        ["Prepare"] = 7,
        ["Acclimate"] = 7,
        ["Health"] = 7,
        ["Feeding"] = 7,
        ["Harvest"] = 8,
        ["Plans"] = 8,
        ["Alarms"] = 9,
        ["Hatchery"] = 9,
        ["Season"] = 10,
        ["Notebook"] = 10,
    };

    // Ponds and Species share a level; aerator kinds are read from a table with the reader of Species.
    private static readonly (string, string)[] Allowed = [("Ponds", "Species")];

    // Rooms of the farm. Those of one level do not know each other.
    private static readonly Dictionary<string, int> FarmLevels = new()
    {
        ["Sql"] = 0,
        ["Log"] = 1,
        ["State"] = 1,
        ["Facts"] = 2,
        ["Ponds"] = 3,
        ["People"] = 3,
        ["Alarms"] = 3,
        ["Notes"] = 3,
        ["Water"] = 4,
        ["Fish"] = 4,
        ["Air"] = 5,
        ["Machines"] = 5,
        ["Feed"] = 5,
        ["Season"] = 5,
        ["Prepare"] = 5,
        ["Health"] = 5,
        ["Estimates"] = 6,
        ["Ask"] = 7,
        ["Watch"] = 8,
        ["Files"] = 8,
    };

    // The one list of all kinds of facts names every room; it stands beside what walks it.
    private const string List = "FactKinds.cs";

    [Fact]
    public void Rooms_use_only_lower_rooms()
    {
        var uses = Sources.Uses("src/Dorsk.Core/").ToList();
        var bad = uses.Where(u => u.Uses is ["Dorsk", "Core", ..] && u.Uses.Length > 2)
            .Select(u => (From: u.File.Split('/')[2], To: u.Uses[2], u.File))
            .Where(u => u.From != u.To && Levels[u.To] >= Levels[u.From] && !Allowed.Contains((u.From, u.To)))
            .Distinct();
        Assert.Empty(bad);
        Assert.True(uses.Count > 3000, "the compilation no longer finds its symbols");
    }

    [Fact]
    public void Rooms_of_the_farm_use_only_lower_rooms()
    {
        var trees = Sources.In("src/Dorsk.Farm/").Where(t => t.FilePath.Split('/').Length > 3).ToList();
        var types = trees
            .SelectMany(t =>
                t.GetRoot()
                    .DescendantNodes()
                    .OfType<BaseTypeDeclarationSyntax>()
                    .Select(d => (Name: d.Identifier.Text, Room: RoomOf(t)))
            )
            .Distinct()
            .ToLookup(d => d.Name, d => d.Room);
        var bad = new List<string>();
        foreach (var tree in trees.Where(t => !t.FilePath.EndsWith(List, StringComparison.Ordinal)))
        {
            var room = RoomOf(tree);
            var seen = tree.GetCompilationUnitRoot()
                .Usings.Select(u => u.Name!.ToString().Split('.'))
                .Where(u => u is ["Dorsk", "Farm", _])
                .Select(u => u[2])
                .ToHashSet();
            foreach (var name in tree.GetRoot().DescendantNodes().OfType<IdentifierNameSyntax>())
                if (UsedRoom(name, types, seen, room) is { } other && FarmLevels[other] >= FarmLevels[room])
                    bad.Add($"{tree.FilePath}: {other}.{name.Identifier.Text}");
        }
        Assert.Empty(bad.Distinct());
        Assert.True(types.Count > 100);
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
            "VesselDescribed",
            "VesselKind",
            "HeldBefore",
            "EggsTaken",
            "EggColour",
            "EggStage",
            "LotLooked",
            "LotCounted",
            "LotStage",
            "LotLeft",
            "LotExit",
            "FryFed",
            "FryFeedForm",
            "BroodDescribed",
            "BroodSex",
            "SexSure",
            "BroodOrigin",
            "BroodInspected",
            "HatchPlanned",
            "HatchAsked",
            "ShareRange",
            "FishLost",
            "FishSampled",
            "FishHarvested",
            "Account",
            "CountBasis",
            "FeedNamed",
            "FeedReceived",
            "FeedingGiven",
            "InstrumentKept",
            "SourceTested",
            "SourceKind",
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
            "ProductDescribed",
            "ProductKind",
            "ActiveMatter",
            "DoseBasis",
            "TreatmentGiven",
            "BathNoted",
            "BathEvent",
            "HealthLook",
            "HunterSeen",
            "BuyerDescribed",
            "BuyerKind",
            "PriceListed",
            "FishForm",
            "FishSold",
            "LotUse",
            "NetDayBegun",
            "NetFate",
            "NetEvent",
            "NetNoted",
            "BasketWeighed",
            "NetDayClosed",
            "HarvestArranged",
            "Arranged",
            "ArrangedState",
            "FishOrdered",
            "CycleReviewed",
        ];
        Assert.Empty(
            Sources
                .Uses("src/Dorsk.Practice/")
                .Where(u => u.Uses is ["Dorsk", "Core", ..] && !may.Contains(u.Uses[2]) && !facts.Contains(u.Type))
                .Select(u => $"{u.File}: {u.Type}")
                .Distinct()
        );
    }

    [Fact]
    public void Sql_stands_only_in_the_farms_rooms()
    {
        string[] not = ["src/Dorsk.Farm/Estimates/", "src/Dorsk.Farm/Watch/"];
        Assert.Empty(
            Sources
                .Trees.Where(t =>
                    !t.FilePath.StartsWith("src/Dorsk.Farm/", StringComparison.Ordinal)
                    || not.Any(r => t.FilePath.StartsWith(r, StringComparison.Ordinal))
                )
                .Where(t => t.GetRoot().DescendantTokens().Any(IsSql))
                .Select(t => t.FilePath)
        );
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
        var bad = Sources
            .Trees.Where(t => !may.Any(r => t.FilePath.StartsWith($"src/Dorsk.Core/{r}/", StringComparison.Ordinal)))
            .Where(t => judging.IsMatch(t.GetText().ToString()))
            .Select(t => t.FilePath);
        Assert.Empty(bad);
    }

    private static bool IsSql(SyntaxToken k) =>
        (k.IsKind(SyntaxKind.StringLiteralToken) || k.IsKind(SyntaxKind.InterpolatedStringTextToken))
        && Regex.IsMatch(k.Text, @"\b(SELECT|INSERT|UPDATE|DELETE)\b .*\b(FROM|INTO|SET)\b");

    private static string RoomOf(SyntaxTree tree) => tree.FilePath.Split('/')[2];

    // A name of a type of another room: written with its room before it, or seen by a using.
    private static string? UsedRoom(
        IdentifierNameSyntax name,
        ILookup<string, string> types,
        HashSet<string> seen,
        string room
    )
    {
        var text = name.Identifier.Text;
        if (name.Parent is MemberAccessExpressionSyntax access && access.Name == name)
            return access.Expression is IdentifierNameSyntax before ? Qualified(before) : null;
        if (name.Parent is QualifiedNameSyntax qualified && qualified.Right == name)
            return qualified.Left is IdentifierNameSyntax left ? Qualified(left) : null;
        return types[text].Contains(room) ? null : types[text].FirstOrDefault(seen.Contains);

        string? Qualified(IdentifierNameSyntax prefix) =>
            prefix.Identifier.Text != room && types[text].Contains(prefix.Identifier.Text)
                ? prefix.Identifier.Text
                : null;
    }
}
