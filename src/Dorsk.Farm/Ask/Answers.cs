using Dorsk.Core.Harvest;
using Dorsk.Farm.Estimates;
using Dorsk.Farm.Fish;
using Dorsk.Farm.Ponds;

namespace Dorsk.Farm.Ask;

/// <summary>The closed or running books of a batch.</summary>
/// <param name="Batch">The batch.</param>
/// <param name="Result">Added up for this pond.</param>
/// <param name="Chain">Survival along all ponds of the batch; null when nothing was stocked.</param>
public sealed record CycleNow(BatchStory Batch, CycleResult Result, BatchSurvival? Chain);

/// <summary>All that Today shows.</summary>
/// <param name="Ponds">The ponds in walking order.</param>
/// <param name="Day">The day as the rules see it.</param>
/// <param name="Jobs">Jobs of the day by their hour.</param>
/// <param name="Needs">What needs somebody, most pressing first.</param>
/// <param name="Headline">The sentence over the day.</param>
/// <param name="Plan">The farm's plan.</param>
public sealed record Today(
    IReadOnlyList<PondNow> Ponds,
    Core.Season.FarmDay Day,
    IReadOnlyList<Core.Season.Job> Jobs,
    IReadOnlyList<Core.Season.Need> Needs,
    Core.Season.Headline Headline,
    Plan Plan
);
