using System.Globalization;
using System.Text.RegularExpressions;

namespace Dorsk.Core.Units;

/// <summary>Words of the tables with metric figures in them, said in the farm's units: "5-20 kW/ha" is "2.7-10.9 hp/ac" on a US farm.</summary>
public static partial class TableText
{
    private static readonly (string Unit, Measure Measure)[] Known =
    [
        ("kW/ha", Measures.PowerByArea),
        ("kg/ha", Measures.AreaLoad),
        ("kg/m3", Measures.VolumeLoad),
        ("kg", Measures.Mass),
        ("°C", Measures.Temperature),
        ("mm", Measures.Pellet),
        ("cm", Measures.ShortLength),
        ("m", Measures.Length),
        ("t", Measures.Mass),
    ];

    /// <summary>The same words with figures in the farm's units.</summary>
    /// <param name="text">Words of a table, metric, with a decimal point.</param>
    /// <param name="hand">The farm's units and decimal sign.</param>
    public static string In(string text, Hand hand) =>
        hand.System == UnitSystem.Metric
            ? text
            : Figures().Replace(Steps().Replace(text, m => Step(m, hand)), m => Turned(m, hand));

    // A difference of temperatures has no 32.
    private static string Step(Match m, Hand hand) =>
        QuantityText.Write(
            double.Parse(m.Groups["step"].Value, CultureInfo.InvariantCulture),
            Measures.TemperatureStep,
            hand
        );

    [GeneratedRegex(@"(?<step>\d+(?:\.\d+)?)\s*°C(?= (?:colder|warmer))")]
    private static partial Regex Steps();

    private static string Turned(Match m, Hand hand)
    {
        var (name, measure) = Known.First(k => k.Unit == m.Groups["unit"].Value);
        var unit = measure.In(hand);
        string Figure(string typed)
        {
            var value = unit.FromSi(measure.Find(name)!.ToSi(double.Parse(typed, CultureInfo.InvariantCulture)));
            return QuantityText.Figure(value, Math.Abs(value) >= 20 ? 0 : 1, hand.Sign);
        }
        var high = m.Groups["high"].Success ? "-" + Figure(m.Groups["high"].Value) : "";
        return $"{Figure(m.Groups["low"].Value)}{high} {unit.Symbol}";
    }

    [GeneratedRegex(
        @"(?<low>\d+(?:\.\d+)?)(?:-(?<high>\d+(?:\.\d+)?))?\s*(?<unit>kW/ha|kg/ha|kg/m3|kg|°C|mm|cm|m|t)(?![A-Za-z0-9²³])"
    )]
    private static partial Regex Figures();
}
