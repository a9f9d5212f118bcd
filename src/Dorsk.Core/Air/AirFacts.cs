using Dorsk.Core.Judging;
using Dorsk.Core.Units;

namespace Dorsk.Core.Air;

/// <summary>When a pond's aerators switch by themselves; valid from its instant.</summary>
/// <param name="PondId">The pond.</param>
/// <param name="Automatic">Whether they follow the probe at all: somebody has to want it, pond by pond.</param>
/// <param name="OnBelowMgL">Oxygen under which they start, mg/L.</param>
/// <param name="OffAboveMgL">Oxygen above which they stop, mg/L; between the two they stay as they are.</param>
/// <param name="StaggerS">Seconds between two starts, so that the supply carries them.</param>
public sealed record AirControlSet(long PondId, bool Automatic, double OnBelowMgL, double OffAboveMgL, int StaggerS)
    : Fact
{
    /// <summary>Mean weight of the fish from which aerators run round the clock, g; null where they never do.</summary>
    public double? AllDayFromG { get; init; }

    /// <summary>The two levels lie at least so far apart: less makes the machines start and stop all night, mg/L.</summary>
    public const double LeastApartMgL = 0.5;

    /// <summary>Objections, named by the field of the slip.</summary>
    /// <param name="actMgL">Act level of the fish there, mg/L; null without fish.</param>
    public IEnumerable<Remark> Check(double? actMgL)
    {
        if (OnBelowMgL is not (>= 1 and <= 10))
            yield return Remark.Refuse("OnBelow", "1 to 10 mg/L.");
        else if (actMgL is { } act && OnBelowMgL < act)
            yield return Remark.Ask(
                "OnBelow",
                FormattableString.Invariant(
                    $"The fish there are in danger under {act:0.0} mg/L, and the aerators would start only under {OnBelowMgL:0.0}. Is that meant?"
                )
            );
        if (OffAboveMgL is not (>= 1.5 and <= 14))
            yield return Remark.Refuse("OffAbove", "1.5 to 14 mg/L.");
        else if (OffAboveMgL < OnBelowMgL + LeastApartMgL)
            yield return Remark.Refuse(
                "OffAbove",
                FormattableString.Invariant(
                    $"At least {LeastApartMgL:0.0} mg/L above the level that starts them, or they switch all night."
                )
            );
        if (AllDayFromG is { } g and not (>= 0.1 and <= 20_000))
            yield return Remark.Refuse("AllDayFrom", h =>
                $"{Limit.Range(0.1, 20_000, Measures.FishWeight, h)}, or empty."
            );
        if (StaggerS is < 2 or > 300)
            yield return Remark.Refuse("Stagger", "2 to 300 seconds.");
    }
}

/// <summary>What a person wants of an aerator.</summary>
public enum AirOrder
{
    /// <summary>It runs.</summary>
    On,

    /// <summary>It stands.</summary>
    Off,

    /// <summary>It follows its timer, or the probe, again.</summary>
    Release,
}

/// <summary>Somebody switched an aerator by hand, in the farm's pages, at the motor or over the network.</summary>
/// <param name="PondId">The pond.</param>
/// <param name="Code">The aerator.</param>
/// <param name="Order">What is wanted.</param>
/// <param name="Until">When it follows its timer again; null: until somebody says so.</param>
public sealed record AeratorSwitched(long PondId, string Code, AirOrder Order, DateTimeOffset? Until) : Fact;

/// <summary>The farm told a panel to switch an aerator.</summary>
/// <param name="PondId">The pond.</param>
/// <param name="Code">The aerator.</param>
/// <param name="On">Whether it is to run.</param>
/// <param name="Why">By hand, timer or probe, in words.</param>
public sealed record AeratorCommanded(long PondId, string Code, bool On, string Why) : Fact;

/// <summary>A panel said how an aerator stands; written when it changed.</summary>
/// <param name="PondId">The pond.</param>
/// <param name="Code">The aerator.</param>
/// <param name="Running">Whether it runs.</param>
/// <param name="CurrentA">Current it draws, A; null when the panel does not measure it.</param>
/// <param name="Mains">Whether the panel has mains power.</param>
public sealed record AeratorReported(long PondId, string Code, bool Running, double? CurrentA, bool Mains) : Fact
{
    private const double SameShare = 0.1,
        SameC = 5;

    /// <summary>Temperature of its motor, °C; null when the panel does not measure it.</summary>
    public double? TempC { get; init; }

    /// <summary>Whether this says the same as an earlier report: current within a tenth.</summary>
    public bool SameAs(AeratorReported? other) =>
        other is not null
        && other.Running == Running
        && other.Mains == Mains
        && TempC is null == other.TempC is null
        && Math.Abs((TempC ?? 0) - (other.TempC ?? 0)) < SameC
        && (
            CurrentA is { } a && other.CurrentA is { } b
                ? Math.Abs(a - b) <= SameShare * Math.Max(Math.Max(a, b), 0.5)
                : CurrentA is null == other.CurrentA is null
        );

    /// <summary>Objections.</summary>
    public IEnumerable<Remark> Check(IEnumerable<string> codes)
    {
        if (!codes.Contains(Code))
            yield return Remark.Refuse("code", $"No aerator {Code} is fitted here: {string.Join(", ", codes)}.");
        if (CurrentA is { } a && a is not (>= 0 and <= 2000))
            yield return Remark.Refuse("currentA", "0 to 2,000 A.");
        if (TempC is { } t and not (>= -40 and <= 400))
            yield return Remark.Refuse("tempC", h => $"{Limit.Range(-40, 400, Measures.Temperature, h)}.");
    }
}

/// <summary>An aerator was serviced: hours count anew.</summary>
/// <param name="PondId">The pond.</param>
/// <param name="Code">The aerator.</param>
/// <param name="NextAfterH">Hours of running until the next service, h.</param>
/// <param name="Text">What was done.</param>
public sealed record AeratorServiced(long PondId, string Code, double NextAfterH, string Text) : Fact
{
    /// <summary>Objections, named by the field of the slip.</summary>
    public IEnumerable<Remark> Check()
    {
        if (NextAfterH is not (>= 20 and <= 20_000))
            yield return Remark.Refuse("NextAfter", "20 to 20,000 hours of running.");
        if (Text.Length > 300)
            yield return Remark.Refuse("Text", "At most 300 letters.");
    }
}

/// <summary>One step of taking a blower or aerator into use, measured against what stands on its plate.</summary>
/// <param name="PondId">The pond.</param>
/// <param name="Code">The aerator.</param>
/// <param name="Step">What was set, in words: valve half open, second line on.</param>
/// <param name="Plate">What the plate allows.</param>
/// <param name="CurrentA">Current of the motor, A.</param>
/// <param name="PressureKPa">Pressure at the blower, kPa; null for machines without.</param>
/// <param name="TempC">Temperature of its casing or air, °C, or null.</param>
public sealed record AeratorTested(
    long PondId,
    string Code,
    string Step,
    Plate Plate,
    double CurrentA,
    double? PressureKPa,
    double? TempC
) : Fact
{
    /// <summary>Objections, named by the field of the slip.</summary>
    public IEnumerable<Remark> Check()
    {
        if (Step.Trim().Length is 0 or > 80)
            yield return Remark.Refuse("Step", "1 to 80 letters: what was set, such as valve half open.");
        if (Plate.CurrentA is not (>= 0.1 and <= 1000))
            yield return Remark.Refuse("RatedA", "0.1 to 1,000 A, from the plate.");
        if (CurrentA is not (>= 0 and <= 2000))
            yield return Remark.Refuse("Current", "0 to 2,000 A.");
        if (PressureKPa is { } p && p is not (>= 0 and <= 200))
            yield return Remark.Refuse("Pressure", "0 to 200 kPa, or empty.");
        if (TempC is { } t && t is not (>= -20 and <= 300))
            yield return Remark.Refuse("Temp", h => $"{Limit.Range(-20, 300, Measures.Temperature, h)}, or empty.");
    }
}

/// <summary>What a machine's plate or manual allows.</summary>
/// <param name="CurrentA">Rated current, A.</param>
/// <param name="PressureKPa">Highest pressure, kPa, or null.</param>
/// <param name="TempC">Highest temperature, °C, or null.</param>
public sealed record Plate(double CurrentA, double? PressureKPa, double? TempC);
