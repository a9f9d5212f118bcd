using MathNet.Numerics.LinearAlgebra;

namespace Dorsk.Core.Water;

/// <summary>How a day's water temperature is known.</summary>
public enum TemperatureBasis
{
    /// <summary>Mean of that day's readings.</summary>
    Measured,

    /// <summary>Straight line between days with readings.</summary>
    Between,

    /// <summary>The yearly curve of this pond, held to its last readings.</summary>
    YearCurve,
}

/// <summary>
/// Daily water temperature of a pond: readings where there are some, straight lines across gaps up to ten days, else a yearly
/// curve (mean and one harmonic) fitted to the pond's own readings and held by a starting guess from latitude.
/// </summary>
public sealed class TemperatureRecord
{
    private const int LongestGapDays = 10;

    // The last departure from the yearly curve fades with this time: weather is forgotten in about ten days.
    private const double FadeDays = 7;
    private readonly SortedList<DateOnly, double> days;
    private readonly double mean,
        cosine,
        sine;

    /// <summary>Builds the record.</summary>
    /// <param name="readings">Readings of one pond with their farm days, °C.</param>
    /// <param name="latitudeDeg">Latitude of the farm, for the starting guess.</param>
    public TemperatureRecord(IEnumerable<(DateOnly Day, double TempC)> readings, double latitudeDeg)
    {
        days = new(readings.GroupBy(r => r.Day).ToDictionary(g => g.Key, g => g.Average(r => r.TempC)));
        (mean, cosine, sine) = Fit(days, latitudeDeg);
    }

    /// <summary>Mean water temperature of a farm day, °C, and how it is known.</summary>
    public (double TempC, TemperatureBasis Basis) On(DateOnly day)
    {
        if (days.TryGetValue(day, out var measured))
            return (measured, TemperatureBasis.Measured);
        var before = Before(day);
        var afterIndex = before + 1;
        if (
            before >= 0
            && afterIndex < days.Count
            && days.Keys[afterIndex].DayNumber - days.Keys[before].DayNumber <= LongestGapDays
        )
        {
            var share =
                (double)(day.DayNumber - days.Keys[before].DayNumber)
                / (days.Keys[afterIndex].DayNumber - days.Keys[before].DayNumber);
            return (
                days.Values[before] + (share * (days.Values[afterIndex] - days.Values[before])),
                TemperatureBasis.Between
            );
        }
        var departure =
            before < 0
                ? 0
                : (days.Values[before] - Curve(days.Keys[before]))
                    * Math.Exp(-(day.DayNumber - days.Keys[before].DayNumber) / FadeDays);
        return (Curve(day) + departure, TemperatureBasis.YearCurve);
    }

    /// <summary>The yearly curve alone, °C.</summary>
    public double Curve(DateOnly day)
    {
        var angle = Angle(day);
        // Under ice water is no colder than ice.
        return Math.Max(0, mean + (cosine * Math.Cos(angle)) + (sine * Math.Sin(angle)));
    }

    private int Before(DateOnly day)
    {
        int low = 0,
            high = days.Count - 1;
        while (low <= high)
        {
            var mid = (low + high) / 2;
            if (days.Keys[mid] < day)
                low = mid + 1;
            else
                high = mid - 1;
        }
        return high;
    }

    private static (double, double, double) Fit(SortedList<DateOnly, double> days, double latitudeDeg)
    {
        // Starting guess for shallow ponds: warm at the equator, cooler and more seasonal towards the poles, warmest a month after midsummer.
        var prior = Vector<double>.Build.Dense([
            28 - (0.0065 * latitudeDeg * latitudeDeg),
            0.22 * -latitudeDeg * Math.Cos(Angle(25)),
            0.22 * -latitudeDeg * Math.Sin(Angle(25)),
        ]);
        const double weight = 8; // the guess counts as eight days of readings
        // Summed by hand: a pond is read again with every line, and has years of days.
        double c1 = 0,
            s1 = 0,
            cc = 0,
            cs = 0,
            ss = 0,
            t1 = 0,
            tc = 0,
            ts = 0;
        foreach (var (day, temp) in days)
        {
            var (sin, cos) = Math.SinCos(Angle(day));
            (c1, s1, cc, cs, ss) = (c1 + cos, s1 + sin, cc + (cos * cos), cs + (cos * sin), ss + (sin * sin));
            (t1, tc, ts) = (t1 + temp, tc + (cos * temp), ts + (sin * temp));
        }
        var a = Matrix<double>.Build.DenseOfArray(
            new[,]
            {
                { weight + days.Count, c1, s1 },
                { c1, weight + cc, cs },
                { s1, cs, weight + ss },
            }
        );
        var fit = a.Solve((prior * weight) + Vector<double>.Build.Dense([t1, tc, ts]));
        return (fit[0], fit[1], fit[2]);
    }

    private static double Angle(DateOnly day) => Angle(day.DayOfYear);

    private static double Angle(int dayOfYear) => 2 * Math.PI * dayOfYear / 365.25;
}
