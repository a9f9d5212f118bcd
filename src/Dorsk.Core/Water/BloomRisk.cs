using Dorsk.Core.Judging;
using Dorsk.Core.Units;

namespace Dorsk.Core.Water;

/// <summary>
/// Whether a bloom is about to crash or to take a night too much: falling dawns, rising afternoons, much feed and a short Secchi depth joined. One of them is a
/// trend, several together are a risk. The points are judged.
/// </summary>
public static class BloomRisk
{
    /// <summary>Where it comes from.</summary>
    public const string Source =
        "Signs of a heavy bloom before it dies (Boyd and Tucker 1998); how they are joined is judged";

    private const double SuperSaturation = 1.5,
        MuchFeedKgHa = 80;
    private const int Act = 5,
        Watch = 3;

    /// <summary>The risk in a sentence; null when fewer than two signs stand.</summary>
    /// <param name="dawn">Lowest oxygen of each morning of the last days, in order.</param>
    /// <param name="afternoon">Highest of each afternoon.</param>
    /// <param name="saturationMgL">Saturation of this water, mg/L.</param>
    /// <param name="feedKgHa">Feed a day over the last week, kg/ha.</param>
    /// <param name="secchiM">Last Secchi depth, m, or null.</param>
    /// <param name="hand">How figures are printed.</param>
    public static Judgement? Of(
        IReadOnlyList<DayValue> dawn,
        IReadOnlyList<DayValue> afternoon,
        double saturationMgL,
        double feedKgHa,
        double? secchiM,
        Hand hand
    )
    {
        List<(string Sign, int Points)> signs = [];
        if (WaterTrend.Change(Parameter.Oxygen, dawn) is < 0)
            signs.Add(("dawn oxygen falls", 2));
        if (WaterTrend.Change(Parameter.Oxygen, afternoon) is > 0)
            signs.Add(("afternoon oxygen rises", 1));
        if (afternoon.Count > 0 && afternoon[^1].Si > SuperSaturation * saturationMgL)
            signs.Add(
                (
                    FormattableString.Invariant(
                        $"{100 * afternoon[^1].Si / saturationMgL:0} % of saturation in the afternoon"
                    ),
                    1
                )
            );
        if (secchiM is < WaterJudge.DangerousBloomM)
            signs.Add(($"Secchi {QuantityText.Write(secchiM.Value, Measures.ShortLength, hand)}", 2));
        else if (secchiM is < WaterJudge.HeavyBloomM)
            signs.Add(($"Secchi {QuantityText.Write(secchiM.Value, Measures.ShortLength, hand)}", 1));
        if (feedKgHa > MuchFeedKgHa)
            signs.Add(($"{QuantityText.Write(feedKgHa, Measures.AreaLoad, hand)} of feed a day", 1));
        var points = signs.Sum(s => s.Points);
        if (signs.Count < 2 || points < Watch)
            return null;
        return new(
            points >= Act ? Status.ActNow : Status.Watch,
            $"risk of a bloom crash: {string.Join(", ", signs.Select(s => s.Sign))}. Half the feed, no fertiliser, air ready for every night, read oxygen in the dark; a bloom thinned slowly is safer than one killed"
        );
    }
}
