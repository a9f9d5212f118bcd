using Dorsk.Core.Ponds;
using Dorsk.Core.Water;
using Dorsk.Farm.Log;
using Dorsk.Farm.Ponds;

namespace Dorsk.Farm.Ask;

public sealed partial class Questions
{
    private volatile KnownPlan? plan;
    private static readonly HashSet<string> OfEveryDay =
    [
        nameof(ReadingTaken),
        nameof(Core.Feeding.FeedingGiven),
        nameof(Core.Stock.FishSampled),
        nameof(Core.Oxygen.ForecastIssued),
    ];

    private sealed record KnownPlan(Memory.Seen Seen, DateTimeOffset Minute, Plan Plan);

    /// <summary>Where the ponds lie.</summary>
    public Plan Plan()
    {
        using var c = file.Open();
        return PlanQuestions.Plan(c, AsOf.Now(DateTimeOffset.MaxValue));
    }

    /// <summary>Marks of a pond on the plan.</summary>
    public IReadOnlyList<PlanMark> MarksOf(long pondId)
    {
        using var c = file.Open();
        return PlanQuestions.MarksOf(c, AsOf.Now(DateTimeOffset.MaxValue), pondId);
    }

    // What is written down all day long moves nothing on the plan.
    private Plan Plan(Microsoft.Data.Sqlite.SqliteConnection c, Memory.Seen seen, DateTimeOffset now)
    {
        var minute = Minute(now);
        if (
            plan is { } known
            && known.Seen.Restored == seen.Restored
            && known.Minute == minute
            && memory.OnlySince(known.Seen.Line, OfEveryDay)
        )
            return known.Plan;
        var fresh = PlanQuestions.Plan(c, AsOf.Now(now));
        plan = new(seen, minute, fresh);
        return fresh;
    }
}
