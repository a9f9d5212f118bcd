namespace Dorsk.Core.Oxygen;

/// <summary>
/// Oxygen when all terms stay as they are: dC/dt = −loss + k(Cs − C), so C(t) = Ceq + (C0 − Ceq)e^(−kt) with Ceq = Cs − loss/k.
/// </summary>
/// <param name="LossMgLH">All respiration together, mg/L/h, not above what aeration was already taken off.</param>
/// <param name="RatePerH">k, per hour; 0 in still air without aerators.</param>
/// <param name="TowardsMgL">Cs, mg/L.</param>
public readonly record struct ConstantDecline(double LossMgLH, double RatePerH, double TowardsMgL)
{
    /// <summary>Where it settles, mg/L; may be below nought.</summary>
    public double EquilibriumMgL => TowardsMgL - (LossMgLH / RatePerH);

    /// <summary>Oxygen after some hours, mg/L, not held at nought.</summary>
    public double After(double startMgL, double hours)
    {
        var (keep, perLoss) = Over(RatePerH, hours);
        return (keep * startMgL) + ((1 - keep) * TowardsMgL) - (perLoss * LossMgLH);
    }

    /// <summary>The two factors of some hours: what stays of the start, and what a loss of 1 mg/L/h takes, mg/L.</summary>
    internal static (double Keep, double PerLoss) Over(double ratePerH, double hours)
    {
        var keep = Math.Exp(-Math.Max(0, ratePerH) * hours);
        return (keep, ratePerH <= 0 ? hours : (1 - keep) / ratePerH);
    }

    /// <summary>Hours until a level is reached from below; 0 when already there, null when it settles under it.</summary>
    public double? HoursUpTo(double startMgL, double levelMgL) =>
        startMgL >= levelMgL ? 0
        : RatePerH <= 0 || EquilibriumMgL <= levelMgL ? null
        : Math.Log((EquilibriumMgL - startMgL) / (EquilibriumMgL - levelMgL)) / RatePerH;

    /// <summary>Hours until a level is reached from above; 0 when already there, null when never.</summary>
    public double? HoursTo(double startMgL, double levelMgL)
    {
        if (startMgL <= levelMgL)
            return 0;
        if (RatePerH <= 0)
            return LossMgLH > 0 ? (startMgL - levelMgL) / LossMgLH : null;
        var ratio = (startMgL - EquilibriumMgL) / (levelMgL - EquilibriumMgL);
        return EquilibriumMgL < levelMgL && ratio > 1 ? Math.Log(ratio) / RatePerH : null;
    }
}
