using Dorsk.Core.Judging;
using Dorsk.Core.Units;
using Dorsk.Core.Water;

namespace Dorsk.Core.Acclimate;

/// <summary>Ammonia of the road on the way into the pond: harmless while the pH is low, poisonous as it rises; carbon dioxide holds the pH down.</summary>
public static class AccAmmonia
{
    /// <summary>Where it comes from.</summary>
    public const string Source =
        "Un-ionised share by Emerson and others 1975; half of the level fry bear is kept free, a starting value";

    // Carbon dioxide goes on at this share of the level, and off when pH is this low or much is in reserve.
    private const double OnShare = 0.7,
        HeldShare = 0.5,
        OffShare = 0.2,
        LeastPh = 6.5;

    /// <summary>The pH at which a share of the level is un-ionised.</summary>
    /// <param name="tanMgL">Total ammonia, mg N/L; above 0.</param>
    /// <param name="tempC">Temperature, °C.</param>
    /// <param name="salinityPpt">Salinity, ppt.</param>
    /// <param name="nh3MgL">Un-ionised ammonia wanted at most, mg N/L.</param>
    public static double PhFor(double tanMgL, double tempC, double salinityPpt, double nh3MgL)
    {
        var (low, high) = (4.0, 11.0);
        for (var i = 0; i < 50; i++)
        {
            var mid = (low + high) / 2;
            if (UnionisedAmmonia.MgNL(tanMgL, tempC, mid, salinityPpt) < nh3MgL)
                low = mid;
            else
                high = mid;
        }
        return low;
    }

    /// <summary>Whether carbon dioxide goes on, off, or stays as it is.</summary>
    /// <param name="tanMgL">Total ammonia measured, mg N/L.</param>
    /// <param name="tempC">Temperature, °C.</param>
    /// <param name="ph">pH.</param>
    /// <param name="salinityPpt">Salinity, ppt.</param>
    /// <param name="levelMgL">Un-ionised ammonia that fry bear, mg N/L.</param>
    /// <param name="hand">How figures are printed.</param>
    public static Judgement Of(double tanMgL, double tempC, double ph, double salinityPpt, double levelMgL, Hand hand)
    {
        var nh3 = UnionisedAmmonia.MgNL(tanMgL, tempC, ph, salinityPpt);
        var hold = tanMgL > 0 ? PhFor(tanMgL, tempC, salinityPpt, HeldShare * levelMgL) : 11;
        var said = $"un-ionised ammonia {hand.Figure(nh3, 3)} mg N/L of {hand.Figure(levelMgL, 3)} borne";
        if (nh3 > levelMgL)
            return new(
                Status.ActNow,
                $"{said}: stop, carbon dioxide on until pH {hand.Figure(hold, 1)}, no pond water in"
            );
        if (nh3 > OnShare * levelMgL)
            return new(Status.Watch, $"{said}: carbon dioxide on, hold pH at {hand.Figure(hold, 1)} or under");
        if (ph < LeastPh)
            return new(
                Status.Watch,
                $"pH {hand.Figure(ph, 1)} is low enough: carbon dioxide off, it hinders breathing"
            );
        return nh3 < OffShare * levelMgL
            ? new(Status.Steady, $"{said}: carbon dioxide off, pH may rise to {hand.Figure(hold, 1)}")
            : new(Status.Steady, $"{said}: leave carbon dioxide as it is");
    }
}
