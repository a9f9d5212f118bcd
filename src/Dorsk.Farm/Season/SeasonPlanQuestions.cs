using Dorsk.Core.Judging;
using Dorsk.Core.Plans;
using Dorsk.Farm.Facts;
using Dorsk.Farm.Log;
using Microsoft.Data.Sqlite;

namespace Dorsk.Farm.Season;

/// <summary>Plans of one pond as last written, given-up ones left out, each with the line that holds it and when it was first written.</summary>
/// <param name="Harvests">For fish to leave.</param>
/// <param name="Cycles">For fish to come.</param>
/// <param name="ToOthers">For fish of this pond to come into others.</param>
public sealed record PondPlans(
    IReadOnlyList<(long Line, DateTimeOffset First, HarvestPlanned Fact)> Harvests,
    IReadOnlyList<(long Line, DateTimeOffset First, CyclePlanned Fact)> Cycles,
    IReadOnlyList<CyclePlanned> ToOthers
)
{
    /// <summary>Nothing planned.</summary>
    public static PondPlans None { get; } = new([], [], []);
}

/// <summary>Days on which fish are to leave or to come, and copies of the season.</summary>
internal static class SeasonPlanQuestions
{
    public static PondPlans Of(SqliteConnection c, AsOf asOf, long pond)
    {
        var cycles = SeasonFacts.Cycle;
        return new(
            Last(SeasonFacts.Harvest, "t.pond = $pond", h => h.PlanId, h => h.Dropped),
            Last(cycles, "t.pond = $pond", h => h.PlanId, h => h.Dropped),
            Last(cycles, "t.from_pond = $pond", h => h.PlanId, h => h.Dropped).ConvertAll(x => x.Fact)
        );

        List<(long, DateTimeOffset, T Fact)> Last<T>(
            FactTable<T> table,
            string where,
            Func<T, long> plan,
            Func<T, bool> dropped
        )
            where T : Fact =>
            [
                .. table
                    .Sound(c, asOf, where, ("pond", pond))
                    .OrderBy(x => x.Line)
                    .GroupBy(x => plan(x.Fact))
                    .Where(g => !dropped(g.Last().Fact))
                    .Select(g => (g.Last().Line, g.First().At, g.Last().Fact)),
            ];
    }

    /// <summary>Copies that are kept, the newest first.</summary>
    public static List<SeasonKept> Copies(SqliteConnection c, AsOf asOf) =>
        [
            .. SeasonFacts
                .Copy.Sound(c, asOf)
                .OrderBy(k => k.Line)
                .GroupBy(k => k.Fact.CopyId)
                .Select(g => g.Last().Fact)
                .Where(k => !k.Dropped)
                .OrderByDescending(k => k.CopyId),
        ];
}
