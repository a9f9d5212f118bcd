using Dorsk.Core.Judging;
using Dorsk.Core.Species;
using Dorsk.Core.Units;

namespace Dorsk.Core.Water;

/// <summary>Carbon that lets bacteria tie ammonia up, as a range, and the oxygen that takes (Avnimelech 1999: 10 g of carbon for 1 g of nitrogen; Ebeling and others 2006: about 6).</summary>
/// <param name="LowKg">Source at 6 g of carbon for 1 g of nitrogen, kg.</param>
/// <param name="HighKg">Source at 10 g, kg.</param>
/// <param name="OxygenKg">Oxygen it takes, kg.</param>
public sealed record CarbonDose(double LowKg, double HighKg, double OxygenKg)
{
    private const double MicrobeCn = 4,
        Efficiency = 0.4,
        LeastShare = 0.6,
        OxygenPerN = 4.7;

    /// <summary>Works the range out.</summary>
    /// <param name="tanMgNL">Ammonia nitrogen to tie up, mg N/L; 0 or more.</param>
    /// <param name="carbonShare">Carbon in the source by mass.</param>
    /// <param name="volumeM3">Water volume, m³.</param>
    public static CarbonDose For(double tanMgNL, double carbonShare, double volumeM3)
    {
        var nitrogenKg = tanMgNL * volumeM3 / 1000;
        var high = Doses.CarbonSourcePerTanN(MicrobeCn, Efficiency, carbonShare) * nitrogenKg;
        return new(LeastShare * high, high, OxygenPerN * nitrogenKg);
    }

    /// <summary>Never with oxygen under the watch level: the bacteria would take the rest. Null when there is enough.</summary>
    /// <param name="doMgL">Oxygen in the water, mg/L; 0 or more.</param>
    /// <param name="limits">Limits of the fish.</param>
    /// <param name="hand">How figures are printed.</param>
    public static Judgement? Brake(double doMgL, WaterLimits limits, Hand hand) =>
        doMgL >= limits.DoWatchMgL
            ? null
            : new(
                Status.ActNow,
                $"Oxygen is under {QuantityText.Write(limits.DoWatchMgL, Measures.Oxygen, hand)}: no carbon now. It would take the rest. Air first"
            );
}
