namespace Dorsk.Core.Oxygen;

/// <summary>The evening that nobody read, taken from the evenings a pond had of late; judged, and scored in docs/proof.md.</summary>
/// <param name="MgL">Oxygen at sunset, mg/L.</param>
/// <param name="SdMgL">Its standard deviation, mg/L.</param>
/// <param name="TempC">Water of such an evening, °C: warmer than that of a morning, and it takes more.</param>
/// <param name="SaturationMgL">Oxygen at saturation in it, mg/L.</param>
public sealed record UsualEvening(double MgL, double SdMgL, double TempC, double SaturationMgL)
{
    // Later evenings speak more for the next one; a morning under the usual ones brings half of that to the evening.
    private const double Stays = 0.6,
        MorningTells = 0.5,
        DaySdMgL = 0.5,
        UnreadSdMgL = 0.45;
    private const int Needed = 2;

    /// <summary>The evening by those before it; null with fewer than two.</summary>
    /// <param name="past">Nights of the past with a reading at dusk and one at dawn.</param>
    /// <param name="morningMgL">Oxygen read this morning, mg/L; null when nobody did.</param>
    public static UsualEvening? Of(IReadOnlyList<PastNight> past, double? morningMgL)
    {
        if (past.Count < Needed)
            return null;
        double Weight(PastNight n) => Math.Pow(Stays, n.NightsAgo - 1);
        var total = past.Sum(Weight);
        double Usual(Func<PastNight, double> of) => past.Sum(n => Weight(n) * of(n)) / total;
        var dusk = Usual(n => n.Dusk.Si);
        var change = morningMgL is { } now ? MorningTells * (now - Usual(n => n.Dawn.Si)) : 0;
        var variance = Usual(n => Math.Pow(n.Dusk.Si - dusk, 2));
        return new(
            Math.Max(0, dusk + change),
            Math.Sqrt((DaySdMgL * DaySdMgL) + variance),
            Usual(n => n.Water.TempC),
            Usual(n => n.Water.SaturationMgL)
        );
    }

    /// <summary>Doubt of a reading that is carried through hours nobody read, mg/L, where no evening before it is known.</summary>
    /// <param name="hours">Hours from the reading to sunset; 0 or more.</param>
    public static double CarriedSdMgL(double hours) => UnreadSdMgL * Math.Sqrt(hours);
}
