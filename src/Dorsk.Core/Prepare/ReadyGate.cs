using Dorsk.Core.Units;
using Dorsk.Core.Verdict;

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
    /// <summary>What the verdict on the water says against these fish.</summary>
    public IReadOnlyList<Finding> Against { get; init; } = [];

    /// <summary>Dawn oxygen that these fish want, mg/L.</summary>
    public required double WatchMgL { get; init; }

    /// <summary>Share of the surface under weed as last seen within a fortnight, %; null when nobody looked.</summary>
    public double? CoverPct { get; init; }

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

/// <summary>The ready-to-stock gate: every condition met, not met or unknown, with what to do. The water is judged by the verdict; the gate asks how recently it was read, and for the work.</summary>
public static class ReadyGate
{
    /// <summary>Where the conditions come from, beside the limits of the species.</summary>
    public const string Source =
        "Two good mornings, pH under 9, a swing up to 1.5 and a week after lime: Boyd and Tucker 1998 and the trade, starting values; water to six tenths of the full depth: judged";

    /// <summary>All conditions, in the order in which they are worked on.</summary>
    /// <param name="q">The pond.</param>
    /// <param name="hand">How figures are printed.</param>
    public static IReadOnlyList<GateLine> For(GateQuestion q, Hand hand)
    {
        var conditions = new GateConditions(q, hand);
        return [.. conditions.InOrder().OfType<GateLine>()];
    }
}
