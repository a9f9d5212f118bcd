using Dorsk.Core.Judging;
using Dorsk.Core.Species;
using Dorsk.Core.Stock;
using Dorsk.Core.Verdict;
using Dorsk.Farm.Facts;

namespace Dorsk.Farm.Fish;

/// <summary>Fish that come into a pond, and what the verdict says of that: of its water, and of how many there will be.</summary>
/// <param name="MeanG">Their mean weight, g.</param>
/// <param name="Count">How many.</param>
/// <param name="Field">The field that remarks stand at.</param>
internal sealed record Arrival(double MeanG, int Count, string Field)
{
    private const double MostG = 20_000;

    /// <summary>The weight they are meant to reach, g, or null.</summary>
    public double? TargetG { get; init; }

    /// <summary>The field in which a reason can be given; null: there is none.</summary>
    public string? ReasonField { get; init; }

    /// <summary>The reason that was given.</summary>
    public string Reason { get; init; } = "";

    private bool HasReason => !string.IsNullOrWhiteSpace(Reason);

    /// <summary>What stands against them.</summary>
    public IEnumerable<Remark> Into(IPondAsKnown pond, FishSpecies species, Desk desk)
    {
        if (MeanG is not (> 0 and <= MostG) || Count is < 1 or > StockRules.MostFish)
            return [];
        var own = pond.Known(species.Key);
        // An empty pond is held against the whole gate; one with fish against what its water is like now.
        var water = pond.HasFish ? pond.AgainstArrivals(desk.Happened, own, MeanG) : [];
        // Held fish are no matter of reasons: the books refuse whoever comes in to them.
        var judged = water.Where(f => f.Rule != PondVerdict.Quarantine);
        return Load(pond, species, own, desk).Concat(judged.SelectMany(f => OfWater(f, pond.Pond.Code)));
    }

    private IEnumerable<Remark> Load(IPondAsKnown pond, FishSpecies species, FishSpecies own, Desk desk)
    {
        var fish = new FishHere(species, WaterLimits.StageOf(species, MeanG), MeanG, Count);
        // In nurseries fish are moved on before they are grown; who says a target means to grow them here.
        var isGrownHere = pond.Pond.Use == "grow-out" && fish.Stage == LifeStage.Growing;
        var load = StockingLoad.Of(
            fish,
            TargetG ?? (isGrownHere ? own.MarketLowG : null),
            pond.CapacityKg(own),
            pond.BiomassKgOn(desk.Today),
            pond.Pond.ByVolume ? null : pond.Pond.Shape.FullAreaM2,
            desk.Hand
        );
        if (load is not { Judgement: var judgement } || HasReason)
            yield break;
        yield return judgement.Status == Status.ActNow && ReasonField is not null
            ? Remark.Refuse(Field, $"{judgement.Reason} Meant all the same? Say why below; the reason is kept.")
            : Remark.Ask(Field, $"{judgement.Reason} Is it meant?");
    }

    private IEnumerable<Remark> OfWater(Finding finding, string code)
    {
        if (HasReason)
            yield break;
        var sentence = char.ToUpperInvariant(finding.Reason[0]) + finding.Reason[1..];
        yield return finding.Status == Status.ActNow && ReasonField is not null
            ? Remark.Refuse(
                ReasonField,
                $"{sentence}. {finding.Do} Or say in a few words why they go in all the same; the reason is kept."
            )
            : Remark.Ask(Field, $"{code}: {finding.Reason}. Do they go in all the same?");
    }
}
