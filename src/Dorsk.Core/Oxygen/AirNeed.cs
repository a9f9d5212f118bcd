using Dorsk.Core.Judging;
using Dorsk.Core.Species;
using Dorsk.Core.Water;

namespace Dorsk.Core.Oxygen;

/// <summary>How much air a month wants against the month that wants most, from the temperature alone.</summary>
/// <param name="Month">1 to 12.</param>
/// <param name="TempC">Mean temperature of the water, °C.</param>
/// <param name="Pct">Need in percent of the month that wants most.</param>
/// <param name="Word">In words.</param>
public sealed record AirNeed(int Month, double TempC, double Pct, string Word)
{
    /// <summary>How it is worked out.</summary>
    public static readonly Grounds Why = Grounds.Of(
        "What a kilogram of such fish breathes at the water's temperature, by what aeration transfers there: warm water holds less and fish use more. The water's temperature is the yearly curve of this pond.",
        "Boyd, Romaire and Johnston 1978; Benson and Krause 1984; the share is a comparison of months, no dose"
    );

    private const double IceC = 3,
        LittlePct = 35,
        MuchPct = 80,
        WantedMgL = 4;

    /// <summary>The twelve months, January first.</summary>
    /// <param name="tempC">Mean temperature of a month, °C.</param>
    /// <param name="species">The fish.</param>
    /// <param name="meanG">Their weight, g.</param>
    /// <param name="altitudeM">Elevation, m.</param>
    public static IReadOnlyList<AirNeed> ByMonth(
        Func<int, double> tempC,
        FishSpecies species,
        double meanG,
        double altitudeM
    )
    {
        double Need(double t)
        {
            var full = OxygenSaturation.MgL(Math.Clamp(t, 0, 40), 0, OxygenSaturation.PressureKPa(altitudeM));
            var transfer = Math.Max(0.1, full - WantedMgL) * Math.Pow(1.024, t - 20);
            return Respiration.Fish(meanG, Math.Max(0, t), species) / transfer;
        }
        var months = Enumerable.Range(1, 12).Select(m => (Month: m, TempC: tempC(m))).ToList();
        var most = months.Max(m => Need(m.TempC));
        return
        [
            .. months.Select(m =>
            {
                var pct = 100 * Need(m.TempC) / most;
                return new AirNeed(m.Month, m.TempC, pct, WordFor(m.TempC, pct));
            }),
        ];
    }

    private static string WordFor(double tempC, double pct)
    {
        if (tempC < IceC)
            return "ice: keep a place open, no mixing to the floor";
        if (pct > MuchPct)
            return "most: every night";
        return pct < LittlePct ? "little: open water breathes by itself" : "on nights in doubt";
    }
}
