using Dorsk.Core.Ponds;
using Dorsk.Core.Units;

namespace Dorsk.Core.Prepare;

/// <summary>One level of a pond that is filled in stages.</summary>
/// <param name="Number">Which, from 1.</param>
/// <param name="DepthM">Depth at its end, m.</param>
/// <param name="AddM3">Water let in for it, m³.</param>
public sealed record FillLevel(int Number, double DepthM, double AddM3);

/// <summary>A pond filled in levels that rise with the natural food, from a shallow start to full depth.</summary>
public static class FillStages
{
    /// <summary>Days between two levels: what plankton takes to follow; starting value.</summary>
    public const int DaysBetween = 4;

    private const double StartShare = 1.0 / 3;

    /// <summary>Levels after the first third: equal steps of depth, the last one full.</summary>
    /// <param name="shape">The pond.</param>
    /// <param name="stages">How many levels, 1 or more.</param>
    public static IReadOnlyList<FillLevel> Of(PondShape shape, int stages)
    {
        ArgumentOutOfRangeException.ThrowIfLessThan(stages, 1);
        var full = shape.FullDepthM;
        double Depth(int i) => full * (StartShare + ((1 - StartShare) * i / stages));
        return
        [
            .. Enumerable
                .Range(1, stages)
                .Select(i => new FillLevel(i, Depth(i), shape.VolumeM3(Depth(i)) - shape.VolumeM3(Depth(i - 1)))),
        ];
    }
}

/// <summary>A shallow pool, fenced off in the pond, in which tiny fry find their food before they are let into the whole water.</summary>
/// <param name="AreaM2">Its surface, m².</param>
/// <param name="DepthM">Its depth, m.</param>
/// <param name="FryMost">Fry it takes at most.</param>
public sealed record StartingPool(double AreaM2, double DepthM, int FryMost)
{
    private const double ShareOfPond = 0.1,
        PoolDepthM = 0.3,
        FryPerM2 = 1000;

    /// <summary>The pool of a pond: a tenth of it; starting values, judged.</summary>
    /// <param name="pond">The pond.</param>
    public static StartingPool For(PrepPond pond)
    {
        var area = ShareOfPond * pond.AreaM2;
        return new(area, PoolDepthM, (int)(FryPerM2 * area));
    }

    /// <summary>In words.</summary>
    /// <param name="hand">How figures are printed.</param>
    public string Words(Hand hand) =>
        $"a low bank or fine net round {QuantityText.Write(AreaM2, Measures.Area, hand)} at the shallow end, {QuantityText.Write(DepthM, Measures.Length, hand)} deep ({QuantityText.Write(AreaM2 * DepthM, Measures.Volume, hand)}), for up to {hand.Count(FryMost)} fry; opened when they are twice as long";
}
