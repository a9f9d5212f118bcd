using Dorsk.Core.Species;

namespace Dorsk.Core.Feeding;

/// <summary>One step of a change of feed.</summary>
/// <param name="From">First day of it.</param>
/// <param name="NewPct">Share of the new feed, percent.</param>
public readonly record struct MixStep(DateOnly From, int NewPct);

/// <summary>A change from one kind of feed to another, by mixing over days, so that fish learn the new bite and none goes hungry.</summary>
/// <param name="Old">Number of the kind they eat.</param>
/// <param name="New">Number of the kind they come to.</param>
/// <param name="Size">What their size wants then.</param>
/// <param name="Steps">25, 50, 75 and 100 % of the new kind.</param>
/// <param name="OldKg">Wanted of the old kind during the change, kg.</param>
/// <param name="NewKg">Wanted of the new kind during the change, kg.</param>
public sealed record FeedChange(
    long Old,
    long New,
    FeedSize Size,
    IReadOnlyList<MixStep> Steps,
    double OldKg,
    double NewKg
)
{
    // The trade takes three to seven days.
    private const int UsualDays = 6;

    /// <summary>25, 50 and 75 % of the new feed in equal stretches, and all of it from the last day on.</summary>
    /// <param name="from">First day of mixing.</param>
    /// <param name="days">Days until the new feed stands alone; 3 or more.</param>
    public static IReadOnlyList<MixStep> StepsOf(DateOnly from, int days) =>
        [
            .. Enumerable
                .Range(0, 4)
                .Select(i => new MixStep(from.AddDays((int)Math.Round(i * days / 3.0)), 25 * (i + 1))),
        ];

    /// <summary>Day on which the new feed stands alone.</summary>
    public DateOnly Done => Steps[^1].From;

    /// <summary>Share of the new feed on a day, percent; null before and after the change.</summary>
    public int? NewPctOn(DateOnly day) =>
        day < Steps[0].From || day >= Done ? null : Steps.Last(s => s.From <= day).NewPct;

    /// <summary>Changes ahead of a batch: whenever another kind in the store comes nearest to what its size takes.</summary>
    /// <param name="species">The species.</param>
    /// <param name="wanted">What the batch will want, day by day.</param>
    /// <param name="kinds">Number and pellet, mm, of each kind.</param>
    public static IReadOnlyList<FeedChange> Ahead(
        FishSpecies species,
        IReadOnlyList<FeedWanted> wanted,
        IReadOnlyList<(long Id, double PelletMm)> kinds
    )
    {
        List<FeedChange> changes = [];
        long? eats = wanted.Count > 0 ? FeedAhead.KindFor(species, wanted[0].MeanG, kinds) : null;
        for (var i = 1; i < wanted.Count; i++)
        {
            if (
                FeedAhead.KindFor(species, wanted[i].MeanG, kinds) is not { } next
                || eats is not { } old
                || next == old
            )
                continue;
            // The new feed stands alone on the day their size wants it: mixing begins before.
            var day = wanted[i].Day.AddDays(-UsualDays);
            var steps = StepsOf(day, UsualDays);
            var span = wanted
                .Take(i)
                .Where(w => w.Day >= day)
                .Select(w => (w.Kg, Pct: steps.Last(p => p.From <= w.Day).NewPct))
                .ToList();
            changes.Add(
                new(
                    old,
                    next,
                    FeedSize.At(species, wanted[i].MeanG)!,
                    steps,
                    span.Sum(s => s.Kg * (100 - s.Pct) / 100),
                    span.Sum(s => s.Kg * s.Pct / 100)
                )
            );
            eats = next;
        }
        return changes;
    }
}
