namespace Dorsk.Core.Water;

/// <summary>One of several part exchanges that bring a high pH down.</summary>
/// <param name="Day">Days from the first, 0 at the first.</param>
/// <param name="TotalM3">Water so far, m³.</param>
/// <param name="OldLeft">Share of the first water that is still there, 0 to 1.</param>
/// <param name="Ph">pH of the mix when no bloom raises it again.</param>
public readonly record struct PhStep(int Day, double TotalM3, double OldLeft, double Ph);

/// <summary>A high pH brought down by part exchanges on days: alkalinity and carbon mix by volume, pH follows; when it is under the mark it stops.</summary>
public static class PhExchange
{
    /// <summary>How it is worked out.</summary>
    public const string Source =
        "Alkalinity and dissolved carbon are kept in a mix, pH follows from both (carbonate equilibrium); the bloom raises it again each afternoon, so that every step is read in the afternoon before the next";

    private const int MostTimes = 30;

    /// <summary>The steps until pH is at or under the mark; empty when it is already, null when the new water cannot bring it there.</summary>
    /// <param name="volumeM3">Water of the pond, m³; above 0.</param>
    /// <param name="share">Share each time, above 0 to 1.</param>
    /// <param name="everyDays">Days between, 1 or more.</param>
    /// <param name="old">The pond's water: pH, alkalinity in mg/L, °C, ppt.</param>
    /// <param name="fresh">The new water, the same.</param>
    /// <param name="stopPh">The mark.</param>
    public static IReadOnlyList<PhStep>? Until(
        double volumeM3,
        double share,
        int everyDays,
        (double Ph, double AlkMgL, double TempC, double Ppt) old,
        (double Ph, double AlkMgL, double TempC, double Ppt) fresh,
        double stopPh
    )
    {
        var steps = new List<PhStep>();
        if (old.Ph <= stopPh)
            return steps;
        var left = 1.0;
        for (var i = 1; i <= MostTimes; i++)
        {
            left *= 1 - share;
            var ph =
                left <= 0
                    ? fresh.Ph
                    : Mixing.PhOf(
                        (left, old.Ph, old.AlkMgL, old.TempC, old.Ppt),
                        (1 - left, fresh.Ph, fresh.AlkMgL, fresh.TempC, fresh.Ppt)
                    );
            steps.Add(new((i - 1) * everyDays, i * share * volumeM3, left, ph));
            if (ph <= stopPh)
                return steps;
        }
        return null;
    }
}
