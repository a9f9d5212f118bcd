using Microsoft.CodeAnalysis.CSharp.Syntax;

namespace Dorsk.Core.Tests.Shape;

/// <summary>One verdict on a pond: who may look a limit up, and who may hold a value against one.</summary>
public class LimitTests
{
    // Beside Species and Verdict: growth, plans for fish that are not there yet, the farm's own figures, the fish that stand, and typed water.
    private static readonly string[] LookedUp =
    [
        "src/Dorsk.Core/Acclimate/AcclimationPlan.cs",
        "src/Dorsk.Core/Acclimate/RefillSteps.cs",
        "src/Dorsk.Core/Growth/Walk.cs",
        "src/Dorsk.Core/Hatchery/Fry/FryPond.cs",
        "src/Dorsk.Core/Hatchery/Lots/LotWater.cs",
        "src/Dorsk.Core/Plans/StockingLimit.cs",
        "src/Dorsk.Farm/Estimates/StandingStock.cs",
        "src/Dorsk.Farm/Ponds/SettingsFacts.cs",
        "src/Dorsk.Web/Pages/Setup/Species.cshtml.cs",
        "src/Dorsk.Web/Workbench/Calculator.cs",
    ];

    // Beside Verdict: an alarm ends a little above its limit, a curve shows its band, the workbench judges water that is typed.
    private static readonly string[] Judged =
    [
        "src/Dorsk.Core/Alarms/AlarmRules.cs",
        "src/Dorsk.Core/Hatchery/Fry/FryPond.cs",
        "src/Dorsk.Core/Hatchery/Lots/LotWater.cs",
        "src/Dorsk.Web/Pages/Ponds/Course.cshtml.cs",
        "src/Dorsk.Web/Workbench/GasCalculators.cs",
        "src/Dorsk.Web/Workbench/Water/WaterCalculators.cs",
    ];

    [Fact]
    public void Limits_are_looked_up_in_few_places() =>
        Assert.Equal(LookedUp, Naming("WaterLimits", ["For", "WarmWaterFish"], "/Species/", "/Verdict/"));

    [Fact]
    public void Values_are_judged_by_the_verdict() =>
        Assert.Equal(
            Judged,
            Naming("WaterJudge", ["Judge", "Oxygen", "Band", "JudgeNitrite", "JudgeAmmonia"], "/Verdict/")
        );

    private static List<string> Naming(string type, string[] members, params string[] beside) =>
        [
            .. Sources
                .Trees.Where(t => !beside.Any(b => t.FilePath.Contains(b, StringComparison.Ordinal)))
                .Where(t =>
                    t.GetRoot()
                        .DescendantNodes()
                        .OfType<MemberAccessExpressionSyntax>()
                        .Any(m =>
                            members.Contains(m.Name.Identifier.Text) && m.Expression.ToString().Split('.')[^1] == type
                        )
                )
                .Select(t => t.FilePath)
                .Order(StringComparer.Ordinal),
        ];
}
