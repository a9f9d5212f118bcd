using MathNet.Numerics.Distributions;

namespace Dorsk.Core.Harvest;

/// <summary>Share of fish over a size, for a lognormal spread of whatever is weighed.</summary>
public static class BarShare
{
    /// <summary>Where the equations come from.</summary>
    public const string Source = "Lognormal: sigma² = ln(1 + CV²), mu = ln(mean) − sigma²/2; Aitchison and Brown 1957";

    /// <summary>Share of the fish over a size.</summary>
    /// <param name="mean">Mean size; above 0.</param>
    /// <param name="cvPct">Spread, % of the mean; above 0.</param>
    /// <param name="bar">The size; above 0.</param>
    public static double Number(double mean, double cvPct, double bar) => Normal.CDF(0, 1, -Z(mean, cvPct, bar));

    /// <summary>Share of the mass over a size.</summary>
    /// <param name="mean">Mean size; above 0.</param>
    /// <param name="cvPct">Spread, % of the mean; above 0.</param>
    /// <param name="bar">The size; above 0.</param>
    public static double Mass(double mean, double cvPct, double bar) =>
        Normal.CDF(0, 1, Sigma(cvPct) - Z(mean, cvPct, bar));

    /// <summary>Spread of the logs.</summary>
    /// <param name="cvPct">Spread, % of the mean; above 0.</param>
    public static double Sigma(double cvPct) => Math.Sqrt(Math.Log(1 + (cvPct * cvPct / 10_000)));

    private static double Z(double mean, double cvPct, double bar) =>
        (Math.Log(bar / mean) / Sigma(cvPct)) + (Sigma(cvPct) / 2);
}
