using Dorsk.Core.Judging;
using Dorsk.Core.Units;

namespace Dorsk.Core.Acclimate;

/// <summary>Oxygen in the tank or bag while fish are brought over: held high and steady, 8 to 10 mg/L; handled fish take more than resting ones.</summary>
public static class AccOxygen
{
    /// <summary>Where the levels come from.</summary>
    public const string Source = "Trade practice in transport and acclimation; starting values";

    // Wanted, the least that is borne while they are handled, and where oxygen is wasted and gas comes out in the blood.
    private const double WantedMgL = 8,
        LeastMgL = 5,
        MostMgL = 14;

    /// <summary>What to do with the oxygen.</summary>
    /// <param name="doMgL">Oxygen measured, mg/L; 0 or more.</param>
    /// <param name="hand">How figures are printed.</param>
    public static Judgement Of(double doMgL, Hand hand)
    {
        string O(double v) => QuantityText.Write(v, Measures.Oxygen, hand);
        if (doMgL < LeastMgL)
            return new(
                Status.ActNow,
                $"oxygen {O(doMgL)}: stop, oxygen on before anything else; over {O(WantedMgL)} is wanted"
            );
        if (doMgL < WantedMgL)
            return new(Status.Watch, $"oxygen {O(doMgL)}: turn it up, {O(WantedMgL)} or a little over is wanted");
        return doMgL > MostMgL
            ? new(Status.Watch, $"oxygen {O(doMgL)}: turn it down, over {O(MostMgL)} does harm and is wasted")
            : new(Status.Steady, $"oxygen {O(doMgL)} is as wanted");
    }
}
