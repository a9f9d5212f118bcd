using Dorsk.Core.Judging;
using Dorsk.Core.Units;

namespace Dorsk.Core.Water;

/// <summary>The value of one day.</summary>
/// <param name="Day">Farm day.</param>
/// <param name="Si">Value, SI.</param>
public readonly record struct DayValue(DateOnly Day, double Si);

/// <summary>
/// What a run of readings says in a sentence. A rise or fall counts when the days agree on it (Mann 1945 and Kendall 1975, at 10 % both ways)
/// and when it is large enough to matter; its size is Sen's slope (1968), which one odd reading does not move.
/// </summary>
public static class WaterTrend
{
    /// <summary>Days that are looked at.</summary>
    public const int Days = 14;

    /// <summary>Where the method comes from.</summary>
    public const string Source = "Mann 1945, Kendall 1975, Sen 1968; the size that matters is a starting value";

    private const int Fewest = 5;
    private const double Agreement = 1.645,
        ClearedBy = 1.6,
        WasBloomM = 0.45;

    /// <summary>Change over the days from the first to the last, or null when the days do not agree or it is too small to matter.</summary>
    /// <param name="parameter">What was read.</param>
    /// <param name="values">One value a day, in order of days.</param>
    public static double? Change(Parameter parameter, IReadOnlyList<DayValue> values)
    {
        if (values.Count < Fewest)
            return null;
        var slopes = new List<double>();
        var s = 0;
        for (var i = 0; i < values.Count; i++)
        for (var j = i + 1; j < values.Count; j++)
        {
            slopes.Add((values[j].Si - values[i].Si) / Math.Max(1, values[j].Day.DayNumber - values[i].Day.DayNumber));
            s += Math.Sign(values[j].Si - values[i].Si);
        }
        var n = values.Count;
        var spread = Math.Sqrt(n * (n - 1) * ((2 * n) + 5) / 18.0);
        slopes.Sort();
        var change =
            (
                slopes.Count % 2 == 1
                    ? slopes[slopes.Count / 2]
                    : (slopes[(slopes.Count / 2) - 1] + slopes[slopes.Count / 2]) / 2
            ) * (values[^1].Day.DayNumber - values[0].Day.DayNumber);
        return (Math.Abs(s) - 1) / spread >= Agreement && Math.Abs(change) >= Matters(parameter, values)
            ? change
            : null;
    }

    /// <summary>Sentences about one parameter: dawn and afternoon apart, and the swing between them.</summary>
    /// <param name="parameter">What was read.</param>
    /// <param name="dawn">Lowest of each morning, in order.</param>
    /// <param name="afternoon">Highest of each afternoon, in order.</param>
    /// <param name="hand">How figures are printed.</param>
    public static IReadOnlyList<Judgement> Of(
        Parameter parameter,
        IReadOnlyList<DayValue> dawn,
        IReadOnlyList<DayValue> afternoon,
        Hand hand
    )
    {
        var said = new List<Judgement>();
        string Print(double v) =>
            parameter == Parameter.Temperature
                ? QuantityText.Write(Math.Abs(v), Measures.TemperatureStep, hand)
                : QuantityText.Write(Math.Abs(v), parameter.Measure, hand);
        void Say(string what, IReadOnlyList<DayValue> values, bool risingIsBad, string bad)
        {
            if (Change(parameter, values) is not { } change)
                return;
            var worse = bad.Length > 0 && change > 0 == risingIsBad;
            said.Add(
                new(
                    worse ? Status.Watch : Status.Steady,
                    $"{what} {(change > 0 ? "rose" : "fell")} {Print(change)} in {values[^1].Day.DayNumber - values[0].Day.DayNumber} days{(worse ? ": " + bad : "")}"
                )
            );
        }
        var dawnBad =
            parameter == Parameter.Oxygen
                ? "the nights take more than before; less feed, more air, a sample of the fish"
            : parameter == Parameter.Tan || parameter == Parameter.Nitrite ? "less feed, and a change of water"
            : "";
        Say($"{parameter.Name} at dawn", dawn, parameter != Parameter.Oxygen, dawnBad);
        Say(
            $"{parameter.Name} in the afternoon",
            afternoon,
            true,
            parameter == Parameter.Ph ? "the bloom takes the carbon out; ammonia turns more poisonous" : ""
        );
        if (parameter == Parameter.Oxygen || parameter == Parameter.Ph)
        {
            var swing = afternoon
                .Join(dawn, a => a.Day, d => d.Day, (a, d) => new DayValue(a.Day, a.Si - d.Si))
                .ToList();
            Say($"the daily swing of {parameter.Name}", swing, true, "the bloom is growing heavier");
        }
        return said;
    }

    /// <summary>Water that cleared from one reading to the next: a bloom may have died, and the night will be hard.</summary>
    /// <param name="secchiM">Secchi depths, in order, m.</param>
    /// <param name="hand">How figures are printed.</param>
    public static Judgement? Cleared(IReadOnlyList<DayValue> secchiM, Hand hand) =>
        secchiM is [.., var before, var last]
        && last.Day.DayNumber - before.Day.DayNumber <= 4
        && before.Si < WasBloomM
        && last.Si > ClearedBy * before.Si
            ? new(
                Status.ActNow,
                $"the water cleared from {QuantityText.Write(before.Si, Measures.ShortLength, hand)} to {QuantityText.Write(last.Si, Measures.ShortLength, hand)} in {Math.Max(1, last.Day.DayNumber - before.Day.DayNumber)} days: the bloom may have died. Air all night, no feed, read oxygen in the dark"
            )
            : null;

    /// <summary>Ammonia, nitrite and nitrate together: which step of the bacteria lags, or that both run.</summary>
    /// <param name="tan">Total ammonia by day, mg N/L.</param>
    /// <param name="nitrite">Nitrite by day, mg N/L.</param>
    /// <param name="nitrate">Nitrate by day, mg N/L; may be empty.</param>
    public static Judgement? Nitrification(
        IReadOnlyList<DayValue> tan,
        IReadOnlyList<DayValue> nitrite,
        IReadOnlyList<DayValue> nitrate
    )
    {
        var (ammonia, middle, end) = (
            Change(Parameter.Tan, tan),
            Change(Parameter.Nitrite, nitrite),
            Change(Parameter.Nitrate, nitrate)
        );
        if (middle is > 0 && ammonia is null or < 0)
            return new(
                Status.Watch,
                "nitrite rises while ammonia does not: the second step of the bacteria lags. Salt (chloride) treatment, less feed, and wait; "
                    + (
                        end is > 0 ? "nitrate rises already"
                        : nitrate.Count > 0 ? "nitrate does not follow yet"
                        : "nitrate must follow: test it"
                    )
            );
        if (ammonia is > 0 && nitrite.Count > 0 && middle is null or < 0 && end is null or < 0)
            return new(
                Status.Watch,
                "ammonia rises while nitrite and nitrate do not: the first step of the bacteria lags. Less feed, alkalinity and oxygen for the bacteria, a change of water"
            );
        return ammonia is < 0 && middle is null or < 0 && end is > 0
            ? new(Status.Steady, "ammonia falls and nitrate rises: both steps of the bacteria run")
            : null;
    }

    private static double Matters(Parameter p, IReadOnlyList<DayValue> values) =>
        p.Matters ?? 0.2 * Math.Abs(values.Select(v => v.Si).Order().ElementAt(values.Count / 2));
}
