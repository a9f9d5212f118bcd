using Dorsk.Core.Judging;

namespace Dorsk.Core.Water;

/// <summary>Kinds of instrument.</summary>
public enum InstrumentKind
{
    /// <summary>A meter with an electrode or an optical cap.</summary>
    Meter,

    /// <summary>A kit with drops or powders and a colour card.</summary>
    Kit,

    /// <summary>Paper strips: they show a step between two colours, not a figure.</summary>
    Strip,

    /// <summary>A disc, staff, cone or thermometer that is read by eye.</summary>
    Eye,
}

/// <summary>An instrument as it stands in the farm's list; the latest line of an instrument counts.</summary>
/// <param name="InstrumentId">Number given by the books; 0 for a new one.</param>
/// <param name="Name">What people call it.</param>
/// <param name="Kind">Kind.</param>
/// <param name="Measures">What it reads.</param>
/// <param name="Resolution">Its smallest step, in words, such as 0.1 mg/L; may be empty.</param>
/// <param name="CalibratedOn">Last calibration, or null.</param>
/// <param name="EveryDays">Days between calibrations, or null when it needs none.</param>
/// <param name="Who">Who has it; may be empty.</param>
public sealed record InstrumentKept(
    long InstrumentId,
    string Name,
    InstrumentKind Kind,
    IReadOnlyList<Parameter> Measures,
    string Resolution,
    DateOnly? CalibratedOn,
    int? EveryDays,
    string Who
) : Fact
{
    /// <summary>Day of the next calibration: now when it never was; null when it needs none.</summary>
    /// <param name="today">Farm day.</param>
    public DateOnly? DueOn(DateOnly today) => EveryDays is not { } days ? null : CalibratedOn?.AddDays(days) ?? today;

    /// <summary>What a value was read with where nobody says: the only instrument of the farm that reads it; empty where there are more, or none.</summary>
    /// <param name="all">The farm's instruments.</param>
    /// <param name="parameter">What was read.</param>
    public static string Usual(IReadOnlyList<InstrumentKept> all, Parameter parameter) =>
        all.Where(i => i.Measures.Contains(parameter)).ToList() is [var only] ? only.Name : "";

    /// <summary>Objections, named by the field of the slip.</summary>
    /// <param name="today">Farm day.</param>
    /// <param name="others">Names of the farm's other instruments.</param>
    public IEnumerable<Remark> Check(DateOnly today, IEnumerable<string> others)
    {
        if (Name.Trim().Length is 0 or > 60)
            yield return Remark.Refuse("Name", "A name of 1 to 60 letters, such as oxygen meter.");
        else if (others.Any(o => string.Equals(o, Name.Trim(), StringComparison.OrdinalIgnoreCase)))
            yield return Remark.Refuse("Name", "Another instrument has this name. Add a number or its owner.");
        if (Measures.Count == 0)
            yield return Remark.Refuse("Measures", "Tick at least one thing that it reads.");
        if (CalibratedOn > today)
            yield return Remark.Refuse(
                "Calibrated",
                "This lies in the future. Type the day it was last calibrated, or leave it empty."
            );
        if (EveryDays is < 1 or > 1000)
            yield return Remark.Refuse("Every", "1 to 1,000 days, or empty when it needs none.");
        if (Resolution.Length > 60)
            yield return Remark.Refuse("Resolution", "At most 60 letters.");
        if (Who.Length > 60)
            yield return Remark.Refuse("Who", "At most 60 letters.");
    }
}

/// <summary>A reading of the same thing by another instrument at about the same time.</summary>
/// <param name="At">When.</param>
/// <param name="Si">Value, SI.</param>
/// <param name="Instrument">The other instrument.</param>
public readonly record struct OtherReading(DateTimeOffset At, double Si, string Instrument);
