using Dorsk.Core.Judging;
using Dorsk.Core.Units;

namespace Dorsk.Core.Water;

/// <summary>What a device may do.</summary>
public enum DeviceUse
{
    /// <summary>Sends readings of one pond.</summary>
    Probe,

    /// <summary>Reads what the farm knows.</summary>
    Reader,

    /// <summary>Switchboard of one pond's aerators: obeys, and says how they stand.</summary>
    Panel,

    /// <summary>May order aerators on and off, as a person with a switch would.</summary>
    Switch,

    /// <summary>Sends the farm's weather.</summary>
    Weather,
}

/// <summary>A device that talks to the farm with a key of its own; the latest line of a device counts from its instant.</summary>
/// <param name="DeviceId">Number given by the books; 0 for a new one.</param>
/// <param name="Name">What it is called, such as Buoy P4; also its name over MQTT.</param>
/// <param name="Use">What it may do.</param>
/// <param name="PondId">The pond a probe hangs in, or whose aerators a panel switches.</param>
/// <param name="DepthM">How deep it hangs, m, or null.</param>
/// <param name="Gone">Whether it was taken away: its key opens nothing any more.</param>
public sealed record DeviceKept(long DeviceId, string Name, DeviceUse Use, long? PondId, double? DepthM, bool Gone)
    : Fact
{
    /// <summary>Objections, named by the field of the page.</summary>
    public IEnumerable<Remark> Check(IEnumerable<string> others)
    {
        if (
            Name.Trim().Length is 0 or > 40
            || Name.Any(c => !char.IsAsciiLetterOrDigit(c) && c is not (' ' or '-' or '_'))
        )
            yield return Remark.Refuse("Name", "1 to 40 plain letters, figures, blanks or hyphens, such as Buoy P4.");
        else if (others.Contains(Name.Trim(), StringComparer.OrdinalIgnoreCase))
            yield return Remark.Refuse("Name", "Another device has this name.");
        if (Use is DeviceUse.Probe or DeviceUse.Panel && PondId is null)
            yield return Remark.Refuse(
                "Pond",
                Use == DeviceUse.Probe ? "Choose the pond it hangs in." : "Choose the pond whose aerators it switches."
            );
        if (DepthM is < 0 or > 20 || (DepthM is { } d && !double.IsFinite(d)))
            yield return Remark.Refuse("Depth", h => $"{Limit.Range(0, 20, Measures.Length, h)}, or empty.");
    }
}

/// <summary>One value of a probe.</summary>
/// <param name="Parameter">What.</param>
/// <param name="At">When.</param>
/// <param name="Si">Value, SI.</param>
public readonly record struct ProbeValue(Parameter Parameter, DateTimeOffset At, double Si);

/// <summary>Values of one probe that came in one go.</summary>
/// <param name="DeviceId">The probe.</param>
/// <param name="PondId">The pond it hung in; null for the farm's weather.</param>
/// <param name="Values">Values, in any order.</param>
public sealed record ProbeSeriesReceived(long DeviceId, long? PondId, IReadOnlyList<ProbeValue> Values) : Fact
{
    /// <summary>No more in one go.</summary>
    public const int Most = 5000;

    /// <summary>Why a value cannot be, or null. What is merely unusual is kept: nobody is there to be asked, and the probe's health tells.</summary>
    public static string? Wrong(ProbeValue v, DateTimeOffset now)
    {
        if (!double.IsFinite(v.Si) || v.Si < v.Parameter.HardLow || v.Si > v.Parameter.HardHigh)
            return FormattableString.Invariant(
                $"{v.Si:0.###} is outside what {v.Parameter.Name} can be ({v.Parameter.HardLow:0.###} to {v.Parameter.HardHigh:0.###})"
            );
        if (v.At > now + TimeSpan.FromMinutes(5))
            return "its time lies in the future: send “sent”, the device's own clock, so that the farm can set it right";
        return v.At < now.AddYears(-30) ? "its time lies more than thirty years back" : null;
    }
}
