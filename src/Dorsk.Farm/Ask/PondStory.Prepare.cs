using Dorsk.Core.Judging;
using Dorsk.Core.Ponds;
using Dorsk.Core.Prepare;
using Dorsk.Core.Species;
using Dorsk.Core.Water;

namespace Dorsk.Farm.Ask;

/// <summary>A preparation under way.</summary>
/// <param name="Line">The plan as it was written.</param>
/// <param name="Plan">Its steps with their days.</param>
public sealed record PreparationNow(PreparationLine Line, PrepPlan Plan);

public sealed partial class PondStory
{
    /// <summary>The last plan of making this pond ready, or null.</summary>
    public PreparationLine? PreparationLine { get; private init; }

    /// <summary>When the last fish left; the beginning of time when none ever stood here.</summary>
    private DateTimeOffset EmptiedBefore(DateTimeOffset at) =>
        Batches.Select(b => b.EmptiedAt).Where(c => c <= at).DefaultIfEmpty(null).Max() ?? DateTimeOffset.MinValue;

    /// <summary>Since when the pond stands empty, and what its last fish put on a day, kg; null with fish in it or before its first ones.</summary>
    public (DateTimeOffset Since, double KgDay)? IdleAt(DateTimeOffset now)
    {
        if (Batches.Count == 0 || Batches.Any(b => b.EmptiedAt is null || b.EmptiedAt > now))
            return null;
        var last = Batches.MaxBy(b => b.EmptiedAt)!;
        // What went out weighed, by harvest or into another pond, less what came in.
        var grown =
            last.Changes.Sum(x => -x.Count * (x.MeanG ?? 0) / 1000) - (last.ArrivedCount * last.ArrivedMeanG / 1000);
        return (
            last.EmptiedAt!.Value,
            Math.Max(0, grown / Math.Max(1, (last.EmptiedAt.Value - last.ArrivedAt).TotalDays))
        );
    }

    /// <summary>What making this pond ready must know of it.</summary>
    public PrepPond PrepPond
    {
        get
        {
            var pump = Equipment.FirstOrDefault(e => e.Kind == EquipmentKind.Pump);
            return new(Pond.Kind, Pond.Shape.FullAreaM2, Pond.Shape.FullVolumeM3, pump?.FlowM3H, pump?.PowerKW);
        }
    }

    /// <summary>The preparation under way at an instant; null without a plan, or when fish came since.</summary>
    /// <param name="now">The instant.</param>
    /// <param name="asSoonAs">Whether to count forward from today, as if no day were wanted.</param>
    public PreparationNow? PreparationAt(DateTimeOffset now, bool asSoonAs = false)
    {
        if (
            PreparationLine is not { } line
            || line.At > now
            || Batches.Any(b => b.ArrivedAt > line.At && b.ArrivedAt <= now)
        )
            return null;
        var steps = PrepSteps.For(line.Plan, PrepPond);
        var emptied = EmptiedBefore(now);
        var done = line
            .Left.Where(l => l.At <= now)
            .GroupBy(l => l.Key)
            .ToDictionary(g => g.Key, g => new StepDone(Zone.DayOf(g.Last().At), Left: true, g.Last().Reason));
        // The first work of a kind answers the first step that asks for it, the second the second.
        foreach (var kind in steps.Where(s => s.Key != PrepPlan.Stock).GroupBy(s => s.Work))
        foreach (
            var (step, work) in kind.Where(s => !done.ContainsKey(s.Key))
                .Zip(Works.Where(w => w.Work == kind.Key && w.At > emptied && w.At <= now).OrderBy(w => w.At))
        )
            done[step.Key] = new(Zone.DayOf(work.At));
        return new(
            line,
            PrepPlan.Of(steps, Zone.DayOf(line.At), asSoonAs ? null : line.Plan.StockOn, done, Zone.DayOf(now))
        );
    }

    /// <summary>Lowest oxygen of the last four mornings that were read, oldest first, mg/L.</summary>
    public IReadOnlyList<double> LastDawns(DateOnly today) =>
        Enumerable.Range(-3, 4).Select(i => DawnLowOn(today.AddDays(i))).OfType<double>().ToList();

    /// <summary>Why no fertiliser goes in today; null when nothing that was read stands against it.</summary>
    public Judgement? BrakeAt(DateTimeOffset now, FishSpecies species)
    {
        double? Lately(Parameter p, int days) =>
            ReadingsOf[p].LastOrDefault(t => t.At <= now && t.At > now.AddDays(-days)) is { At.Ticks: > 0 } t
                ? t.Si
                : null;
        var today = Zone.DayOf(now);
        return FertiliserBrake.Of(
            new(
                Temperature.On(today).TempC,
                Lately(Parameter.Secchi, 7),
                LastDawns(today),
                WaterLimits.For(species, LifeStage.Fingerling).DoWatchMgL,
                Lately(Parameter.Alkalinity, 60),
                Lately(Parameter.Ph, 3),
                Ammonium: true
            )
            {
                BloomRisk = BloomRiskAt(now),
            },
            Farm.Hand
        );
    }
}
