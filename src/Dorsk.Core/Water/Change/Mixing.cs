using Dorsk.Core.Judging;
using Dorsk.Core.Units;

namespace Dorsk.Core.Water;

/// <summary>One of two waters.</summary>
/// <param name="VolumeM3">Volume, m³.</param>
/// <param name="Value">Temperature °C, or a concentration.</param>
public readonly record struct Part(double VolumeM3, double Value);

/// <summary>Two waters put together: heat and dissolved matter are kept, pH is not (it follows from alkalinity and carbon, and is never averaged).</summary>
public static class Mixing
{
    // What fry bear at once; fingerlings about 5.
    private const double FryStepC = 3;

    /// <summary>Watch when a water changes its temperature by more than fry bear at once, else null.</summary>
    /// <param name="fromC">Before, °C.</param>
    /// <param name="toC">After, °C.</param>
    /// <param name="hand">How figures are printed.</param>
    public static Judgement? Jump(double fromC, double toC, Hand hand) =>
        Math.Abs(toC - fromC) <= FryStepC
            ? null
            : new(
                Status.Watch,
                $"The first water changes by {QuantityText.Write(Math.Abs(toC - fromC), Measures.TemperatureStep, hand)}: more than fry bear at once"
            );

    /// <summary>Value of the mix by volume.</summary>
    public static double Of(Part a, Part b) =>
        ((a.VolumeM3 * a.Value) + (b.VolumeM3 * b.Value)) / (a.VolumeM3 + b.VolumeM3);

    /// <summary>pH of the mix, from the alkalinity and the carbon that both waters bring; heat and salt by volume.</summary>
    /// <param name="a">One water: m³, pH, alkalinity in mg/L as CaCO₃, °C, ppt.</param>
    /// <param name="b">The other water, likewise.</param>
    public static double PhOf(
        (double VolumeM3, double Ph, double AlkalinityMgL, double TempC, double SalinityPpt) a,
        (double VolumeM3, double Ph, double AlkalinityMgL, double TempC, double SalinityPpt) b
    )
    {
        double Mix(double x, double y) => Of(new(a.VolumeM3, x), new(b.VolumeM3, y));
        double Carbon((double VolumeM3, double Ph, double AlkalinityMgL, double TempC, double SalinityPpt) w) =>
            Carbonate.CarbonMmolL(w.Ph, w.AlkalinityMgL, w.TempC, w.SalinityPpt);
        return Carbonate.Ph(
            Mix(a.AlkalinityMgL, b.AlkalinityMgL),
            Mix(Carbon(a), Carbon(b)),
            Mix(a.TempC, b.TempC),
            Mix(a.SalinityPpt, b.SalinityPpt)
        );
    }

    /// <summary>Volume of a second water for a wanted value, m³; null when it lies outside the two.</summary>
    /// <param name="have">The water that is there: volume, m³, and value.</param>
    /// <param name="other">The value of the other water, in the same unit.</param>
    /// <param name="wanted">The wanted value, in the same unit.</param>
    public static double? ForValue(Part have, double other, double wanted)
    {
        var volume = have.VolumeM3 * (wanted - have.Value) / (other - wanted);
        return double.IsFinite(volume) && volume >= 0 ? volume : null;
    }
}
