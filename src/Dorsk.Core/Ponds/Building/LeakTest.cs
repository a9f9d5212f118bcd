using Dorsk.Core.Judging;
using Dorsk.Core.Units;

namespace Dorsk.Core.Ponds;

/// <summary>What a part-filled pond loses through its bed.</summary>
/// <param name="SeepageMmDay">Seepage, mm/day; below nought when more came in than rain.</param>
/// <param name="M3Day">Water lost, m³/day.</param>
public sealed record LeakTest(double SeepageMmDay, double M3Day)
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
        return new(mmDay, Math.Max(0, mmDay) / 1000 * areaM2);
    }

    /// <summary>Tight, watch or leaks.</summary>
    /// <param name="hand">How figures are printed.</param>
    public Judgement Verdict(Hand hand)
    {
        string Say(double mm) => QuantityText.Write(mm / 1000, Measures.Seepage, hand);
        // A pond that fills says nothing of its bed.
        if (SeepageMmDay < RisesMmDay)
            return new(
                Status.Watch,
                $"{Say(-SeepageMmDay)} came in beside the rain: no leak test. Shut every inlet, look for springs and run-off, and read it again over days"
            );
        var text = $"{Say(SeepageMmDay)} seep away";
        return SeepageMmDay < TightMmDay ? new(Status.Steady, text + ": tight")
            : SeepageMmDay <= LeaksMmDay ? new(Status.Watch, text + ": watch it, and test again fuller")
            : new(Status.ActNow, text + ": it leaks. Find the place at part fill before filling to the brim");
    }
}
