using Dorsk.Core.Judging;
using Dorsk.Core.Species;
using Dorsk.Core.Units;
using Dorsk.Core.Water;

namespace Dorsk.Core.Prepare;

/// <summary>How a condition of the gate stands.</summary>
public enum Condition
{
    /// <summary>Met.</summary>
    Met,

    /// <summary>Not met: it stands against stocking.</summary>
    NotMet,

    /// <summary>Nobody looked: it does not stand against stocking, and says what to do.</summary>
    Unknown,
}

/// <summary>One condition before fingerlings go in.</summary>
/// <param name="Name">What.</param>
/// <param name="State">How it stands.</param>
/// <param name="Reason">Figure and limit.</param>
/// <param name="Do">What to do when it is not met or not known; empty when met.</param>
public sealed record GateLine(string Name, Condition State, string Reason, string Do);

/// <summary>What the gate sees of a pond.</summary>
/// <param name="LevelM">Gauge level, m, or null when never read.</param>
/// <param name="FullM">Full depth, m.</param>
/// <param name="DawnLows">Lowest oxygen of the last mornings that were read, mg/L, newest first; within three days.</param>
/// <param name="TempC">Last water temperature of the last day, °C, or null.</param>
/// <param name="Ph">pH readings of the last two days.</param>
/// <param name="Nh3MgL">Un-ionised ammonia of the last two days, mg N/L, or null.</param>
/// <param name="DaysSinceLime">Days since lime was spread, or null when none was.</param>
/// <param name="Screens">Whether screens were written down as fitted since the pond was last empty.</param>
/// <param name="WildFish">Whether somebody wrote that no wild fish are in it.</param>
/// <param name="ByVolume">A tank: no mud, no wild fish.</param>
public sealed record GateQuestion(
    double? LevelM,
    double FullM,
    IReadOnlyList<double> DawnLows,
    double? TempC,
    IReadOnlyList<double> Ph,
    double? Nh3MgL,
    double? DaysSinceLime,
    bool Screens,
    bool WildFish,
    bool ByVolume
)
{
    /// <summary>Whether a leak test was passed since the pond was last empty.</summary>
    public bool HeldWater { get; init; }

    /// <summary>Whether it was treated against wild fish since then.</summary>
    public bool Poisoned { get; init; }

    /// <summary>Whether a few fish lived in it after that.</summary>
    public bool Tested { get; init; }

    /// <summary>Steps of the preparation plan that are neither done nor left out.</summary>
    public IReadOnlyList<string> OpenSteps { get; init; } = [];

    /// <summary>Whether a plankton sample of the last week showed food enough.</summary>
    public bool FoodSeen { get; init; }

    /// <summary>Whether the plan waits for natural food, and the Secchi depth of the last week, m.</summary>
    public (bool Wanted, double? SecchiM) FoodSecchiM { get; init; }
}

/// <summary>The ready-to-stock gate: every condition met, not met or unknown, with what to do. Held against the limits of the fish that are to come.</summary>
public static class ReadyGate
{
    /// <summary>Where the conditions come from, beside the limits of the species.</summary>
    public const string Source =
        "Two good mornings, pH under 9, a swing up to 1.5 and a week after lime: Boyd and Tucker 1998 and the trade, starting values; water to six tenths of the full depth: judged";

    private const double EnoughWater = 0.6,
        LimeDays = 7,
        HighPh = 9,
        PhSwing = 1.5;
    private const int Mornings = 2;

    /// <summary>All conditions, in the order in which they are worked on.</summary>
    /// <param name="q">The pond.</param>
    /// <param name="limits">Limits of the species as fingerlings.</param>
    /// <param name="hand">How figures are printed.</param>
    public static IReadOnlyList<GateLine> For(GateQuestion q, WaterLimits limits, Hand hand)
    {
        string Say(double si, Measure m) => QuantityText.Write(si, m, hand);
        var lines = new List<GateLine>
        {
            q.LevelM is not { } level
                ? new("water", Condition.Unknown, "the gauge level was never read", "Read the staff gauge.")
            : level >= EnoughWater * q.FullM
                ? Met("water", $"{Say(level, Measures.Length)} of {Say(q.FullM, Measures.Length)}")
            : new(
                "water",
                Condition.NotMet,
                $"{Say(level, Measures.Length)} of {Say(q.FullM, Measures.Length)}",
                $"Fill to {Say(EnoughWater * q.FullM, Measures.Length)} at least; fry ponds may start shallow: then say so as the reason."
            ),
            q.DaysSinceLime is not { } lime ? Met("lime", "none was spread")
            : lime >= LimeDays ? Met("lime", FormattableString.Invariant($"spread {lime:0} days ago"))
            : new(
                "lime",
                Condition.NotMet,
                FormattableString.Invariant($"spread {lime:0} days ago"),
                FormattableString.Invariant($"Wait until {LimeDays:0} days have passed and pH is under 8.5.")
            ),
            q.DawnLows.Count == 0
                ? new(
                    "dawn oxygen",
                    Condition.Unknown,
                    "no morning was read in the last three days",
                    "Read oxygen at dawn on two mornings."
                )
            : q.DawnLows.Take(Mornings).Any(o => o < limits.DoWatchMgL)
                ? new(
                    "dawn oxygen",
                    Condition.NotMet,
                    $"{Say(q.DawnLows.Take(Mornings).Min(), Measures.Oxygen)} at dawn, under {Say(limits.DoWatchMgL, Measures.Oxygen)}",
                    "Give air, wait for two good mornings."
                )
            : q.DawnLows.Count < Mornings
                ? new(
                    "dawn oxygen",
                    Condition.Unknown,
                    $"one good morning so far, {Say(q.DawnLows[0], Measures.Oxygen)}",
                    "Read the next morning too."
                )
            : Met("dawn oxygen", $"{Say(q.DawnLows.Take(Mornings).Min(), Measures.Oxygen)} or more on two mornings"),
            q.TempC is not { } temp
                ? new("temperature", Condition.Unknown, "not read today", "Read the water temperature.")
            : temp >= limits.TempLowC && temp <= limits.TempHighC ? Met("temperature", Say(temp, Measures.Temperature))
            : new(
                "temperature",
                Condition.NotMet,
                $"{Say(temp, Measures.Temperature)}, outside {Say(limits.TempLowC, Measures.Temperature)} to {Say(limits.TempHighC, Measures.Temperature)}",
                "Wait for other weather, or stock another pond."
            ),
            Acid(q, limits, Say),
            q.Nh3MgL is not { } nh3
                ? new(
                    "ammonia",
                    Condition.Unknown,
                    "total ammonia with pH and temperature was not read in two days",
                    "Test ammonia in the afternoon."
                )
            : nh3 <= limits.Nh3ConstantMgL
                ? Met("ammonia", FormattableString.Invariant($"un-ionised {nh3:0.000} mg N/L"))
            : new(
                "ammonia",
                Condition.NotMet,
                FormattableString.Invariant($"un-ionised {nh3:0.000} mg N/L, over {limits.Nh3ConstantMgL:0.###}"),
                "Change water, wait, test again."
            ),
        };
        if (q.Poisoned)
            lines.Add(
                q.Tested
                    ? Met("poison gone", "a few fish lived in it")
                    : new(
                        "poison gone",
                        Condition.NotMet,
                        "treated, and no fish was tried in it since",
                        "Wait the label's days, then keep a few fish two days in a net in it, and write it down."
                    )
            );
        if (q.FoodSecchiM.Wanted)
            lines.Add(
                q.FoodSeen && q.FoodSecchiM.SecchiM is null or >= WaterJudge.DangerousBloomM
                    ? Met("natural food", "a plankton sample showed it")
                : q.FoodSecchiM.SecchiM is not { } secchi
                    ? new(
                        "natural food",
                        Condition.Unknown,
                        "Secchi depth was not read in a week",
                        "Read the Secchi disc."
                    )
                : secchi > WaterJudge.ThinBloomM
                    ? new(
                        "natural food",
                        Condition.NotMet,
                        $"Secchi {Say(secchi, Measures.ShortLength)}, over {Say(WaterJudge.ThinBloomM, Measures.ShortLength)}: the water is thin",
                        "Wait, or give the next dose if the brake lets it."
                    )
                : secchi < WaterJudge.DangerousBloomM
                    ? new(
                        "natural food",
                        Condition.NotMet,
                        $"Secchi {Say(secchi, Measures.ShortLength)}, a dangerous bloom",
                        "Change water, no more fertiliser."
                    )
                : Met("natural food", $"Secchi {Say(secchi, Measures.ShortLength)}")
            );
        if (q.OpenSteps.Count > 0)
            lines.Add(
                new(
                    "preparation",
                    Condition.NotMet,
                    $"{q.OpenSteps.Count} of its steps are open: {string.Join("; ", q.OpenSteps.Take(3))}{(q.OpenSteps.Count > 3 ? " …" : "")}",
                    "Do them, or leave them out with a reason, in the preparation."
                )
            );
        if (!q.ByVolume)
        {
            lines.Add(
                q.HeldWater
                    ? Met("holds water", "a leak test was passed")
                    : new(
                        "holds water",
                        Condition.Unknown,
                        "no leak test was written down",
                        "Mark the level, read it again after three days."
                    )
            );
            lines.Add(
                q.Screens
                    ? Met("screens", "written down as fitted")
                    : new(
                        "screens",
                        Condition.Unknown,
                        "not written down",
                        "Fit inlet and outlet screens finer than the fingerlings, and write it down."
                    )
            );
            lines.Add(
                q.WildFish
                    ? Met("wild fish", "none found")
                    : new(
                        "wild fish",
                        Condition.Unknown,
                        "nobody wrote that none are in it",
                        "Seine or look for wild fish, eggs and tadpoles, and write it down."
                    )
            );
        }
        return lines;
    }

    private static GateLine Acid(GateQuestion q, WaterLimits limits, Func<double, Measure, string> say)
    {
        if (q.Ph.Count == 0)
            return new("pH", Condition.Unknown, "not read in two days", "Read pH at dawn and in the afternoon.");
        var (low, high) = (q.Ph.Min(), q.Ph.Max());
        var range = low == high ? say(low, Measures.Ph) : $"{say(low, Measures.Ph)} to {say(high, Measures.Ph)}";
        return low < limits.PhLow || high >= Math.Min(HighPh, limits.PhHigh + 0.5)
                ? new(
                    "pH",
                    Condition.NotMet,
                    $"{range}, outside {say(limits.PhLow, Measures.Ph)} to {say(Math.Min(HighPh, limits.PhHigh), Measures.Ph)}",
                    "Wait for lime to settle or the bloom to thin; change water."
                )
            : high - low > PhSwing
                ? new(
                    "pH",
                    Condition.NotMet,
                    $"{range}: a swing over {say(PhSwing, Measures.Ph)}",
                    "Raise alkalinity; a thinner bloom swings less."
                )
            : Met("pH", range);
    }

    private static GateLine Met(string name, string reason) => new(name, Condition.Met, reason, "");
}
