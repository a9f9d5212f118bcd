using Dorsk.Core.Judging;
using Dorsk.Core.Species;
using Dorsk.Core.Units;

namespace Dorsk.Core.Verdict;

/// <summary>Whether so many fish can live in a pond: now by their mass, at harvest by what they grow to, and as fry by their number.</summary>
public static class StockingLoad
{
    private const double UsualOverPct = 100,
        FarOverPct = 200;

    /// <summary>What is over its limit; null while nothing is.</summary>
    /// <param name="fish">The fish that are to come.</param>
    /// <param name="targetG">Weight they are to reach here, g; null where they are moved on before.</param>
    /// <param name="capacityKg">Carrying capacity of the pond for them, kg.</param>
    /// <param name="standingKg">Biomass that stands there already, kg.</param>
    /// <param name="areaM2">Water surface, m²; null for tanks.</param>
    /// <param name="hand">How figures are printed.</param>
    public static (double Pct, Judgement Judgement)? Of(
        FishHere fish,
        double? targetG,
        double capacityKg,
        double standingKg,
        double? areaM2,
        Hand hand
    )
    {
        string Kg(double v) => QuantityText.Write(v, Measures.Mass, hand);
        var ways = new List<(double Pct, string Words)>();
        if (capacityKg > 0)
        {
            var now = standingKg + fish.BiomassKg;
            ways.Add((100 * now / capacityKg, $"{Kg(now)} would stand here, the pond carries {Kg(capacityKg)}"));
            if (targetG is { } target && target > fish.MeanG)
            {
                var later = fish.Count * fish.Species.SurvivalGrowOutPct / 100 * target / 1000;
                ways.Add(
                    (
                        100 * later / capacityKg,
                        $"{hand.Count(fish.Count)} fish grow to {Kg(later)} at {QuantityText.Write(target, Measures.FishWeight, hand)} each, the pond carries {Kg(capacityKg)}"
                    )
                );
            }
        }
        if (
            targetG is null
            && areaM2 is > 0 and var area
            && fish.Species.NurseryPerM2 is { } usual
            && fish.Stage != LifeStage.Growing
        )
            ways.Add(
                (
                    100 * fish.Count / area / usual,
                    $"{hand.Short(fish.Count / area, 1)} fish a m², nurseries of {fish.Species.Name.ToLowerInvariant()} take about {hand.Short(usual, 1)}"
                )
            );
        if (ways.Count == 0 || ways.MaxBy(w => w.Pct) is not { Pct: > UsualOverPct } worst)
            return null;
        var most = Math.Floor(fish.Count * UsualOverPct / worst.Pct);
        var wayOut =
            most > 0
                ? $"Put in at most {hand.Count(most)}, take a larger pond, or plan to thin them out."
                : "Choose another pond.";
        return (
            worst.Pct,
            new(
                worst.Pct > FarOverPct ? Status.ActNow : Status.Watch,
                $"{hand.Count(worst.Pct - UsualOverPct)} % over the limit: {worst.Words}. {wayOut}"
            )
        );
    }
}
