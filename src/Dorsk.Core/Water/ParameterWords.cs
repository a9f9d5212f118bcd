namespace Dorsk.Core.Water;

/// <summary>Words by which people name what is read in water.</summary>
public static class ParameterWords
{
    /// <summary>The words of each, lower case, the more special first.</summary>
    public static IReadOnlyList<(Parameter Parameter, IReadOnlyList<string> Words)> All { get; } =
    [
        (Parameter.Nitrite, ["nitrite", "no2"]),
        (Parameter.Nitrate, ["nitrate", "no3"]),
        (Parameter.Tan, ["tan", "ammonia", "ammonium", "nh3", "nh4"]),
        (Parameter.CarbonDioxide, ["co2", "carbon"]),
        (Parameter.Chloride, ["chloride", "cl"]),
        (Parameter.Oxygen, ["do", "oxygen", "o2"]),
        (Parameter.Ph, ["ph"]),
        (Parameter.Temperature, ["temperature", "temp", "t"]),
        (Parameter.Secchi, ["secchi", "visibility"]),
        (Parameter.Alkalinity, ["alkalinity", "alk"]),
        (Parameter.Hardness, ["hardness"]),
        (Parameter.Salinity, ["salinity", "sal"]),
        (Parameter.Turbidity, ["turbidity", "ntu"]),
        (Parameter.SettledSolids, ["settled", "solids", "cone"]),
        (Parameter.GaugeLevel, ["level", "gauge", "stage"]),
        (Parameter.Colour, ["colour", "color"]),
        (Parameter.Film, ["film"]),
    ];

    /// <summary>The parameter that one of some words names; null where none does.</summary>
    /// <param name="words">Words, lower case.</param>
    public static Parameter? In(IReadOnlyCollection<string> words) =>
        All.Where(p => p.Words.Any(words.Contains)).Select(p => p.Parameter).FirstOrDefault();
}
