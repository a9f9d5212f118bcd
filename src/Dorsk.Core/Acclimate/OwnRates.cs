using Dorsk.Core.Judging;
using Dorsk.Core.Units;

namespace Dorsk.Core.Acclimate;

/// <summary>The farm's own rates of acclimation, typed with a note; each stands in place of the trade's, none is mixed with it. Null: the trade's.</summary>
/// <param name="Note">Whose rule it is, in words; 1 to 80 letters.</param>
/// <param name="TempCPerH">Change of temperature in an hour, °C; 0.1 to 20.</param>
/// <param name="PhPerH">Change of pH in an hour; 0.05 to 5.</param>
/// <param name="SalinityPptPerH">Change of salinity in an hour, ppt; 0.05 to 20.</param>
public sealed record OwnRates(string Note, double? TempCPerH, double? PhPerH, double? SalinityPptPerH)
{
    /// <summary>Objections, named by the field of the form.</summary>
    public IEnumerable<Remark> Check()
    {
        if (Note.Trim().Length is 0 or > 80)
            yield return Remark.Refuse("ownnote", "Say whose rule it is, in 1 to 80 letters, such as the hatchery's.");
        if ((TempCPerH ?? PhPerH ?? SalinityPptPerH) is null)
            yield return Remark.Refuse("owntemp", "Type at least one rate, or choose the trade's.");
        if (TempCPerH is not (null or (>= 0.1 and <= 20)))
            yield return Remark.Refuse("owntemp", h =>
                $"{Limit.Range(0.1, 20, Measures.TemperatureStep, h)} an hour; or empty: the trade's."
            );
        if (PhPerH is not (null or (>= 0.05 and <= 5)))
            yield return Remark.Refuse("ownph", "0.05 to 5 an hour; or empty: the trade's.");
        if (SalinityPptPerH is not (null or (>= 0.05 and <= 20)))
            yield return Remark.Refuse("ownsalt", "0.05 to 20 ppt an hour; or empty: the trade's.");
    }
}
