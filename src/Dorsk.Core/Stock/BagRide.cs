using Dorsk.Core.Water;

namespace Dorsk.Core.Stock;

/// <summary>What a closed bag with water and oxygen is like after some hours.</summary>
/// <param name="Hours">Hours of transport.</param>
/// <param name="OxygenLeftPct">Oxygen left of what was filled in, percent.</param>
/// <param name="Co2MgL">Carbon dioxide in the water, mg/L.</param>
/// <param name="TanMgL">Total ammonia, mg N/L.</param>
/// <param name="Ph">pH.</param>
/// <param name="Nh3MgL">Un-ionised ammonia, mg N/L.</param>
public sealed record BagState(
    double Hours,
    double OxygenLeftPct,
    double Co2MgL,
    double TanMgL,
    double Ph,
    double Nh3MgL
);

/// <summary>
/// Fish in a closed bag. Carbon dioxide binds before oxygen: it is shared between water and gas, and pulls pH down, which keeps ammonia
/// harmless until the bag is opened. Fasted fish take 0.7 × 0.001 W^0.82 g of oxygen an hour at 25 °C, Q₁₀ 2 (Schroeder 1975); 0.9 carbon
/// dioxide for each oxygen; 0.1 ammonia for each oxygen (fasting fish; Berka 1986).
/// </summary>
/// <param name="MeanG">Weight of a fish, g; above 0.</param>
/// <param name="PerL">Fish in a litre of water.</param>
/// <param name="WaterShare">Share of the bag that is water, 0 to 1.</param>
/// <param name="TempC">Temperature in the bag, °C.</param>
/// <param name="AlkalinityMgL">Alkalinity of its water, mg/L as CaCO₃.</param>
/// <param name="SalinityPpt">Salinity.</param>
public sealed record BagRide(
    double MeanG,
    double PerL,
    double WaterShare,
    double TempC,
    double AlkalinityMgL,
    double SalinityPpt
)
{
    /// <summary>Where it comes from.</summary>
    public const string Source =
        "Berka 1986 (FAO EIFAC 48); Schroeder 1975; Cai & Wang 1998; limits of 60 and 100 mg/L of carbon dioxide of the trade";

    /// <summary>Carbon dioxide that a bag may reach: from the first fish suffer, past the second they die; mg/L.</summary>
    public const double Co2WatchMgL = 60,
        Co2MostMgL = 100;

    // Oxygen in a litre of gas at 20 °C, mg, 95 % pure; a fifth is kept in reserve.
    private const double OxygenMgL = 1330 * 0.95,
        ReservePct = 20,
        FillCo2MgL = 1;

    /// <summary>Oxygen all fish in a litre of water take, mg/h.</summary>
    public double OxygenMgLH => PerL * 0.7 * Math.Pow(MeanG, 0.82) * Math.Pow(2, (TempC - 25) / 10);

    /// <summary>The bag after some hours.</summary>
    public BagState After(double hours)
    {
        var used = OxygenMgLH * hours;
        var gasPerWater = (1 - WaterShare) / WaterShare;
        // Carbon dioxide by mass, shared between water and gas by its solubility there.
        var co2 = FillCo2MgL + (used * 0.9 * 44 / 32 / (1 + (gasPerWater / Solubility(TempC))));
        var tan = used * 0.1 * 14 / 32;
        var ph = Carbonate.PhAt(co2, AlkalinityMgL, TempC, SalinityPpt);
        return new(
            hours,
            Math.Max(0, 100 * (1 - (used / (gasPerWater * OxygenMgL)))),
            co2,
            tan,
            ph,
            UnionisedAmmonia.MgNL(tan, TempC, ph, SalinityPpt)
        );
    }

    /// <summary>Hours until carbon dioxide reaches a limit or oxygen its reserve, and which it is.</summary>
    /// <param name="co2MgL">The limit, mg/L.</param>
    public (double Hours, bool ByOxygen) Lasts(double co2MgL)
    {
        var gasPerWater = (1 - WaterShare) / WaterShare;
        var byCo2 = (co2MgL - FillCo2MgL) * (1 + (gasPerWater / Solubility(TempC))) / (OxygenMgLH * 0.9 * 44 / 32);
        var byOxygen = (100 - ReservePct) / 100 * gasPerWater * OxygenMgL / OxygenMgLH;
        return byOxygen < byCo2 ? (byOxygen, true) : (byCo2, false);
    }

    /// <summary>Fish a litre so that the bag lasts for some hours.</summary>
    public double PerLFor(double hours, double co2MgL) => PerL * Lasts(co2MgL).Hours / hours;

    // Volume of carbon dioxide that a volume of water takes up at 1 atm (Ostwald), 0 to 35 °C: 1.71 at 0, 0.94 at 20, 0.76 at 30.
    private static double Solubility(double tempC) => 1.71 * Math.Exp((-0.0345 * tempC) + (0.00025 * tempC * tempC));
}
