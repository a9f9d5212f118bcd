using Dorsk.Core.Judging;

namespace Dorsk.Core.Ponds;

/// <summary>What a part-filled pond loses through its bed.</summary>
/// <param name="SeepageMmDay">Seepage, mm/day; below nought when more came in than rain.</param>
/// <param name="Verdict">Tight, watch or leaks.</param>
/// <param name="M3Day">Water lost, m³/day.</param>
public sealed record LeakTest(double SeepageMmDay, Judgement Verdict, double M3Day)
{
    private const double TightMmDay = 5,
        LeaksMmDay = 10,
        RisesMmDay = -1;

    /// <summary>Adds the days up: (drop + rain − evaporation) by days.</summary>
    /// <param name="dropM">Fall of the gauge level, m.</param>
    /// <param name="rainM">Rain on the pond meanwhile, m.</param>
    /// <param name="evaporationM">Evaporation meanwhile, m; from a pan, or estimated.</param>
    /// <param name="days">Days between the two readings, at least half a day.</param>
    /// <param name="areaM2">Water surface, m².</param>
    public static LeakTest Of(double dropM, double rainM, double evaporationM, double days, double areaM2)
    {
        var mmDay = (dropM + rainM - evaporationM) * 1000 / days;
        var text = FormattableString.Invariant($"{mmDay:0.0} mm a day seep away");
        // A pond that fills says nothing of its bed.
        if (mmDay < RisesMmDay)
            return new(
                mmDay,
                new(
                    Status.Watch,
                    FormattableString.Invariant(
                        $"{-mmDay:0.0} mm a day came in beside the rain: no leak test. Shut every inlet, look for springs and run-off, and read it again over days"
                    )
                ),
                0
            );
        var verdict =
            mmDay < TightMmDay ? new Judgement(Status.Steady, text + ": tight")
            : mmDay <= LeaksMmDay ? new Judgement(Status.Watch, text + ": watch it, and test again fuller")
            : new Judgement(Status.ActNow, text + ": it leaks. Find the place at part fill before filling to the brim");
        return new(mmDay, verdict, Math.Max(0, mmDay) / 1000 * areaM2);
    }
}
