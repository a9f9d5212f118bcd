using Dorsk.Core.Judging;

namespace Dorsk.Core.Oxygen;

/// <summary>How tonight's respiration was learned.</summary>
public enum DeclineMethod
{
    /// <summary>From this pond's own last nights.</summary>
    OwnNights,

    /// <summary>From two readings after sunset, extended to dawn (Boyd's projection).</summary>
    TwoReadings,

    /// <summary>From fish, plankton and mud by the published equations.</summary>
    Balance,
}

/// <summary>Respiration of tonight with its doubt.</summary>
/// <param name="Method">How it was learned.</param>
/// <param name="MgLH">mg/L/h.</param>
/// <param name="Sd">Its standard deviation, mg/L/h.</param>
/// <param name="Why">Grounds.</param>
public sealed record Decline(DeclineMethod Method, double MgLH, double Sd, Grounds Why)
{
    /// <summary>SD of the oxygen that the night starts from, mg/L: of a fresh reading, more where the last one is old.</summary>
    public double StartSd { get; init; } = ReadingSd;

    /// <summary>Whether the day was read that goes before this night, so that the doubt is the night's alone.</summary>
    public bool IsEveningRead { get; init; } = true;

    /// <summary>SD of the dawn low if the evening were read, mg/L; null where that is not known.</summary>
    public double? IfReadSd { get; init; }

    /// <summary>The doubt of what is left of a night that has begun: what turns a night comes at any of its hours, so that of a half more than half is left.</summary>
    /// <param name="left">Share of the night that is left, 0 to 1.</param>
    public Decline For(double left) => this with { Sd = Sd / Math.Sqrt(Math.Clamp(left, LeastLeft, 1)) };

    private const double LeastLeft = 0.1;

    /// <summary>SD of one reading by hand, mg/L.</summary>
    public const double ReadingSd = 0.2;
}

/// <summary>One point of the forecast with its 80 % band, mg/L.</summary>
/// <param name="At">When.</param>
/// <param name="MgL">Likely.</param>
/// <param name="LowMgL">Lower end.</param>
/// <param name="HighMgL">Upper end.</param>
public readonly record struct CurvePoint(DateTimeOffset At, double MgL, double LowMgL, double HighMgL);

/// <summary>Tonight's lowest oxygen and the way there.</summary>
/// <param name="Low">Dawn low, mg/L, with its 80 % interval.</param>
/// <param name="LowAt">When it comes.</param>
/// <param name="UnderWatchAt">When the likely line passes under the watch level, or null.</param>
/// <param name="UnderActAt">When the likely line passes under the act level, or null.</param>
/// <param name="ChanceUnderAct">Chance of a low under the act level, 0 to 1.</param>
/// <param name="Judgement">Status by the chance rules, with its reason.</param>
/// <param name="Method">Which method was used.</param>
/// <param name="Curve">The way to the coming noon.</param>
/// <param name="Why">Grounds.</param>
public sealed record DawnLowForecast(
    Interval Low,
    DateTimeOffset LowAt,
    DateTimeOffset? UnderWatchAt,
    DateTimeOffset? UnderActAt,
    double ChanceUnderAct,
    Judgement Judgement,
    DeclineMethod Method,
    IReadOnlyList<CurvePoint> Curve,
    Grounds Why
)
{
    /// <summary>Half of the 80 % interval if this evening were read, mg/L; null where it was, or where that is not known.</summary>
    public double? IfReadMgL { get; init; }

    // Under this chance, or as far over it, a reading would hardly change what is done.
    private const double Settled = 0.02;

    /// <summary>Whether a reading at dusk pays: it would narrow the night, and the night is not settled either way.</summary>
    public bool WantsDusk =>
        IfReadMgL is { } half && Low.High - Low.Value > 1.1 * half && ChanceUnderAct is > Settled and < 1 - Settled;

    /// <summary>The lowest point of the likely line on the way to the dawn low, mg/L: crowded water may stand lower in the evening than at dawn.</summary>
    public (DateTimeOffset At, double MgL) Lowest =>
        Curve.Where(p => p.At <= LowAt).OrderBy(p => p.MgL).Select(p => (p.At, p.MgL)).FirstOrDefault()
            is { At.Ticks: > 0 } low
        && low.MgL < Low.Value
            ? low
            : (LowAt, Low.Value);

    /// <summary>Whether it stands lower than at dawn before, so that one figure for the night would mislead.</summary>
    public bool IsLowerBeforeDawn => Low.Value - Lowest.MgL > 0.05;

    /// <summary>A chance in steps of ten per cent, as finely as such a forecast knows it: never none and never all.</summary>
    /// <param name="chance">A chance, 0 to 1.</param>
    public static string ChanceWords(double chance) =>
        chance > 0.95
            ? "over 90 %"
            : FormattableString.Invariant($"{10 * Math.Clamp(Math.Round(10 * chance), 1, 9):0} %");

    /// <summary>Spans of the likely line under a level, to the end of the forecast.</summary>
    /// <param name="mgL">The level, mg/L.</param>
    public IEnumerable<(DateTimeOffset From, DateTimeOffset To)> Under(double mgL)
    {
        DateTimeOffset? from = null;
        foreach (var p in Curve)
        {
            if (p.MgL < mgL)
                from ??= p.At;
            else if (from is { } f)
            {
                yield return (f, p.At);
                from = null;
            }
        }
        if (from is { } open)
            yield return (open, Curve[^1].At);
    }
}
