using Dorsk.Core.Units;
using Dorsk.Farm.Ask;

namespace Dorsk.Web.DaySheets;

/// <summary>A column of figures on the day sheet: the same on paper, on the page, where it is taken in, and over a month.</summary>
/// <param name="Key">Its name in forms and addresses.</param>
/// <param name="Word">Its heading.</param>
/// <param name="Measure">What it measures; null for a count.</param>
/// <param name="Value">The value of a round as which it is read.</param>
/// <param name="Late">Whether it is of the afternoon round.</param>
/// <param name="Sums">Whether a month of it is a sum; else a mean and a lowest value.</param>
/// <param name="Of">Its figure of a day.</param>
public sealed record DayColumn(
    string Key,
    string Word,
    Measure? Measure,
    string Value,
    bool Late,
    bool Sums,
    Func<DayFigures, double?> Of
)
{
    /// <summary>The columns, from the left.</summary>
    public static IReadOnlyList<DayColumn> All { get; } =
    [
        new("do1", "dawn oxygen", Measures.Oxygen, "do", false, false, d => d.DawnMgL),
        new("temp1", "water", Measures.Temperature, "temp", false, false, d => d.DawnC),
        new("dead", "dead", null, "dead", false, true, d => d.Dead),
        new("do2", "afternoon oxygen", Measures.Oxygen, "do", true, false, d => d.AfternoonMgL),
        new("ph2", "pH", null, "ph", true, false, d => d.AfternoonPh),
        new("fed", "feed", Measures.Mass, "fed", true, true, d => d.FedKg),
    ];

    /// <summary>Its unit on this farm; empty for a count.</summary>
    /// <param name="here">The farm.</param>
    public string Unit(Here here) => Measure?.In(here.Hand).Symbol ?? "";

    /// <summary>A value as it is written; empty for none.</summary>
    /// <param name="si">The value, SI.</param>
    /// <param name="here">The farm.</param>
    public string Text(double? si, Here here)
    {
        if (si is not { } value)
            return "";
        if (Measure is { } measure)
            return QuantityText.Figure(value, measure, here.Hand);
        return Sums ? here.Count(value) : here.Figure(value, 1);
    }
}
