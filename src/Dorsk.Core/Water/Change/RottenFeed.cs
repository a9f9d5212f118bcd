using Dorsk.Core.Judging;

namespace Dorsk.Core.Water;

/// <summary>What feed that rots in the water brings, and whether a part exchange is enough or the water is pumped out and new let in.</summary>
/// <param name="TanMgL">Total ammonia once it has rotted, mg N/L.</param>
/// <param name="Nh3MgL">Un-ionised ammonia of it, mg N/L.</param>
/// <param name="OxygenMgL">Oxygen that rotting takes, mg/L.</param>
/// <param name="ShareToChange">Share of the water to change so that un-ionised ammonia is at the limit, 0 to 1.</param>
/// <param name="Judgement">Siphon, exchange a part, or pump out.</param>
public sealed record RottenFeed(
    double TanMgL,
    double Nh3MgL,
    double OxygenMgL,
    double ShareToChange,
    Judgement Judgement
)
{
    /// <summary>How it is worked out.</summary>
    public const string Source =
        "Nitrogen is 16 % of protein and all of it ends as ammonia; rotting takes about 1.2 kg of oxygen for a kilogram of dry feed; more than half of the water to change is a refill; judged";

    private const double NitrogenOfProtein = 0.16,
        OxygenOfFeed = 1.2,
        RefillShare = 0.5;

    /// <summary>Works it out.</summary>
    /// <param name="volumeM3">Water, m³; above 0.</param>
    /// <param name="feedKg">Feed that rots, kg.</param>
    /// <param name="proteinPct">Protein of it, percent.</param>
    /// <param name="tanMgL">Total ammonia now, mg N/L.</param>
    /// <param name="water">Temperature in °C, pH and salinity in ppt.</param>
    /// <param name="actNh3MgL">Act level of un-ionised ammonia for these fish, mg N/L; above 0.</param>
    public static RottenFeed Of(
        double volumeM3,
        double feedKg,
        double proteinPct,
        double tanMgL,
        (double TempC, double Ph, double Ppt) water,
        double actNh3MgL
    )
    {
        var tan = tanMgL + (1000 * feedKg * proteinPct / 100 * NitrogenOfProtein / volumeM3);
        var nh3 = UnionisedAmmonia.MgNL(tan, water.TempC, water.Ph, water.Ppt);
        var share = nh3 <= actNh3MgL ? 0 : 1 - (actNh3MgL / nh3);
        return new(tan, nh3, 1000 * feedKg * OxygenOfFeed / volumeM3, share, Judge(share));
    }

    private static Judgement Judge(double share) =>
        share <= 0 ? new(Status.Steady, "siphon the feed out today: the water bears the rest")
        : share <= RefillShare ? new(Status.Watch, "siphon the feed out, then change a part")
        : new(Status.ActNow, "pump out and refill: move the fish first");

    /// <summary>Whether the place the fish wait in bears them.</summary>
    /// <param name="fishKg">Fish, kg.</param>
    /// <param name="waitM3">Water they wait in, m³; 0: nobody said.</param>
    /// <param name="capacityKgM3">What such water carries with air, kg/m³; above 0.</param>
    public static Judgement Waits(double fishKg, double waitM3, double capacityKgM3)
    {
        if (fishKg <= 0)
            return new(Status.Steady, "no fish have to wait");
        if (waitM3 <= 0)
            return new(Status.ActNow, "say where the fish wait before a pump starts");
        return fishKg / waitM3 > capacityKgM3
            ? new(Status.ActNow, "the fish do not fit where they are to wait: more water, or in two parts")
            : new(Status.Steady, "the fish fit where they wait, with air running");
    }
}
