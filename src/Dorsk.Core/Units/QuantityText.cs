using System.Globalization;

namespace Dorsk.Core.Units;

/// <summary>How a farm reads and writes figures.</summary>
/// <param name="System">Units shown, and assumed when none is typed.</param>
/// <param name="Sign">Decimal sign.</param>
/// <param name="Square">Whether areas are said in m² or ft², not in hectares or acres.</param>
public readonly record struct Hand(UnitSystem System, DecimalSign Sign, bool Square = false)
{
    /// <summary>Metric units and a decimal point.</summary>
    public static readonly Hand Metric = new(UnitSystem.Metric, DecimalSign.Point);

    /// <summary>US units and a decimal point.</summary>
    public static readonly Hand Us = new(UnitSystem.Us, DecimalSign.Point);

    /// <summary>A whole number, thousands parted in the farm's way.</summary>
    public string Count(double n) => QuantityText.Figure(n, 0, Sign);

    /// <summary>A bare figure with so many decimals in the farm's way.</summary>
    public string Figure(double value, int decimals) => QuantityText.Figure(value, decimals, Sign);

    /// <summary>A bare figure with at most so many decimals; noughts at its end are left out.</summary>
    public string Short(double value, int decimals)
    {
        var text = Figure(value, decimals);
        return decimals > 0 ? text.TrimEnd('0').TrimEnd('.', ',') : text;
    }

    /// <summary>A date with its year, such as 21 Jan 2027.</summary>
    public static string Day(DateOnly day) => day.ToString("d MMM yyyy", CultureInfo.InvariantCulture);
}

/// <summary>A typed quantity understood, or the reason it was not.</summary>
/// <param name="Si">Value in SI when understood.</param>
/// <param name="Echo">What was understood when another unit was typed than the one shown, for example <c>28.9 °C</c>; else null.</param>
/// <param name="Problem">A sentence for the field when not understood, else null.</param>
public readonly record struct QuantityRead(double? Si, string? Echo, string? Problem);

/// <summary>Reads and writes quantities: <c>84F</c>, <c>2.5 ac</c>, <c>18 in</c>, <c>5 ft 3 1/2 in</c>. Parse and print round-trip.</summary>
public static class QuantityText
{
    /// <summary>Reads a typed quantity into SI.</summary>
    /// <param name="text">Figure with or without a unit.</param>
    /// <param name="measure">The quantity that is asked for.</param>
    /// <param name="hand">The farm's units and decimal sign.</param>
    public static QuantityRead Read(string? text, Measure measure, Hand hand)
    {
        var typed = (text ?? "").Trim();
        if (typed.Length == 0)
            return new(null, null, "Nothing typed here yet.");
        if (TryFeetAndInches(typed, measure, hand) is { } feet)
            return feet;
        if (TryCount(typed, measure, hand) is { } count)
            return count;
        var cut = FigureEnd(typed);
        var unitText = typed[cut..].Trim();
        var shown = measure.In(hand);
        var unit = unitText.Length == 0 ? shown : measure.Find(unitText);
        if (cut == 0)
            return new(
                null,
                null,
                $"“{typed}” is not a number. Type figures, with a unit if it is not {Named(shown)}."
            );
        if (unit is null)
            return new(
                null,
                null,
                $"“{unitText}” is not a unit of {measure.Name}. Takes {string.Join(", ", measure.Units.Select(u => u.Symbol).Where(s => s.Length > 0).Distinct())}."
            );
        var number = NumberText.Read(typed[..cut], hand.Sign);
        if (number.Value is not { } value)
            return new(null, null, number.Problem);
        var si = unit.ToSi(value);
        return new(si, unit == shown || unitText.Length == 0 ? null : Write(si, measure, hand), null);
    }

    /// <summary>Writes an SI value in the farm's unit, with its unit behind a thin space; small amounts in the unit of their size.</summary>
    /// <param name="si">Value in SI.</param>
    /// <param name="measure">The quantity.</param>
    /// <param name="hand">The farm's units and decimal sign.</param>
    public static string Write(double si, Measure measure, Hand hand)
    {
        var (figure, unit) = Parts(si, measure, hand);
        return unit.Length == 0 ? figure : $"{figure}\u2009{unit}";
    }

    /// <summary>The same in two: the figure, and its unit with, for small fish of US farms, how many make a pound.</summary>
    /// <param name="si">Value in SI.</param>
    /// <param name="measure">The quantity.</param>
    /// <param name="hand">The farm's units and decimal sign.</param>
    public static (string Figure, string Unit) Parts(double si, Measure measure, Hand hand)
    {
        var (unit, decimals) = measure.Fitting(si, hand);
        var figure = Figure(unit.FromSi(si), decimals, hand.Sign);
        var asked = unit == measure.In(hand) ? measure.DecimalsIn(hand) : 0;
        // Noughts that only the search for figures added are left out.
        for (var more = decimals; more > asked && figure.EndsWith('0'); more--)
            figure = figure[..^1];
        figure = figure.TrimEnd('.', ',');
        return (
            figure,
            measure.Name == Measures.FishWeight.Name && unit.Symbol == "oz" && si > 0
                ? $"oz ({Figure(Measures.PoundG / si, 0, hand.Sign)}/lb)"
                : unit.Symbol
        );
    }

    /// <summary>Writes a range once with its unit; one figure where both ends print alike.</summary>
    /// <param name="low">Low end, SI.</param>
    /// <param name="high">High end, SI; its unit is taken for both.</param>
    /// <param name="measure">The quantity.</param>
    /// <param name="hand">The farm's units and decimal sign.</param>
    public static string Range(double low, double high, Measure measure, Hand hand)
    {
        var (unit, decimals) = measure.Fitting(high, hand);
        var (from, to) = (
            Figure(unit.FromSi(low), decimals, hand.Sign),
            Figure(unit.FromSi(high), decimals, hand.Sign)
        );
        var behind = unit.Symbol.Length == 0 ? "" : "\u2009" + unit.Symbol;
        return from == to ? to + behind : $"{from} to {to}{behind}";
    }

    /// <summary>Writes only the figure of an SI value in the farm's unit.</summary>
    /// <param name="si">The figure, SI.</param>
    /// <param name="measure">The quantity.</param>
    /// <param name="hand">How figures are printed.</param>
    public static string Figure(double si, Measure measure, Hand hand) =>
        Figure(measure.In(hand).FromSi(si), measure.DecimalsIn(hand), hand.Sign);

    /// <summary>A figure as it would be typed, so that it reads back the same: in the shown unit, without it.</summary>
    /// <param name="si">Value in SI.</param>
    /// <param name="measure">The quantity.</param>
    /// <param name="hand">The farm's units and decimal sign.</param>
    public static string Typed(double si, Measure measure, Hand hand) => TypedIn(measure.In(hand), si, measure, hand);

    /// <summary>The same for a field of its own: a small amount in the unit of its size, with that unit behind it.</summary>
    /// <param name="si">Value in SI.</param>
    /// <param name="measure">The quantity.</param>
    /// <param name="hand">The farm's units and decimal sign.</param>
    public static string TypedAlone(double si, Measure measure, Hand hand)
    {
        var unit = measure.Fitting(si, hand).Unit;
        var text = TypedIn(unit, si, measure, hand);
        return unit == measure.In(hand) ? text : $"{text} {unit.Symbol}";
    }

    /// <summary>A figure that was worked out, as it would be typed: four figures, no decimals where it has four before the sign. Not for what was written down, which comes back whole.</summary>
    /// <param name="si">Value in SI.</param>
    /// <param name="measure">The quantity.</param>
    /// <param name="hand">The farm's units and decimal sign.</param>
    public static string TypedRounded(double si, Measure measure, Hand hand)
    {
        var value = measure.In(hand).FromSi(si);
        return Plain(value, Math.Clamp(Places(value, 4), 0, MostPlaces), hand.Sign);
    }

    // Places behind the sign that give a value so many figures; below 0 where it has more before it.
    private static int Places(double value, int figures) =>
        value == 0 ? 0 : figures - 1 - (int)Math.Floor(Math.Log10(Math.Abs(value)));

    private const int MostPlaces = 12;

    // Enough figures that nothing is lost on the way back; a mean weight follows from count and mass, and has fewer.
    private static string TypedIn(Unit unit, double si, Measure measure, Hand hand)
    {
        var value = unit.FromSi(si);
        var figures = measure.Name == Measures.FishWeight.Name ? 4 : 6;
        return Plain(
            value,
            Math.Clamp(Places(value, figures), Math.Min(measure.DecimalsIn(hand) + 2, MostPlaces), MostPlaces),
            hand.Sign
        );
    }

    /// <summary>A bare figure as it would be typed: no parted thousands, at most so many decimals.</summary>
    /// <param name="value">The figure.</param>
    /// <param name="decimals">Decimals at most, 0 or more.</param>
    /// <param name="sign">The decimal sign.</param>
    public static string Plain(double value, int decimals, DecimalSign sign)
    {
        var text = Math.Round(value, decimals).ToString("0.############", CultureInfo.InvariantCulture);
        return sign == DecimalSign.Point ? text : text.Replace('.', ',');
    }

    /// <summary>Writes a bare figure with parted thousands and the farm's decimal sign.</summary>
    /// <param name="value">The figure, in the unit it is printed in.</param>
    /// <param name="decimals">Decimals, 0 or more.</param>
    /// <param name="sign">The decimal sign.</param>
    public static string Figure(double value, int decimals, DecimalSign sign)
    {
        var rounded = Math.Round(value, decimals, MidpointRounding.AwayFromZero);
        var text = (rounded == 0 ? 0 : rounded).ToString(
            "N" + decimals.ToString(CultureInfo.InvariantCulture),
            CultureInfo.InvariantCulture
        );
        return sign == DecimalSign.Point ? text : text.Replace(',', '\u0001').Replace('.', ',').Replace('\u0001', '.');
    }

    // "5 ft 3 in" and 5'3": the only compound that pond people type.
    private static QuantityRead? TryFeetAndInches(string typed, Measure measure, Hand hand)
    {
        var split = typed.IndexOf("ft", StringComparison.OrdinalIgnoreCase);
        var skip = 2;
        if (split < 0)
            (split, skip) = (typed.IndexOf('\'', StringComparison.Ordinal), 1);
        if (split <= 0 || measure.Find("ft") is not { } ft || measure.Find("in") is not { } inch)
            return null;
        var rest = typed[(split + skip)..].Trim();
        if (rest.Length == 0 || !char.IsAsciiDigit(rest[0]))
            return null;
        var cut = FigureEnd(rest);
        if (rest[cut..].Trim() is { Length: > 0 } tail && measure.Find(tail) != inch)
            return null;
        var feet = NumberText.Read(typed[..split], hand.Sign);
        var inches = NumberText.Read(rest[..cut], hand.Sign);
        if (feet.Value is not { } f || inches.Value is not { } i)
            return new(null, null, feet.Problem ?? inches.Problem);
        var si = ft.ToSi(f) + inch.ToSi(i);
        return new(si, Write(si, measure, hand), null);
    }

    // "40/kg", "12 per lb": fish are sold by how many make a kilogram or a pound.
    private static QuantityRead? TryCount(string typed, Measure measure, Hand hand)
    {
        if (measure.Name != Measures.FishWeight.Name)
            return null;
        foreach (var (unit, grams) in PerMass)
        foreach (var word in new[] { "/" + unit, "/ " + unit, "per " + unit })
            if (
                typed.EndsWith(word, StringComparison.OrdinalIgnoreCase)
                && NumberText.Read(typed[..^word.Length].Trim(), hand.Sign) is { Value: > 0 and var fish }
            )
            {
                var each = grams / fish;
                return new(each, Write(each, measure, hand), null);
            }
        return null;
    }

    private static readonly (string Unit, double Grams)[] PerMass = [("kg", 1000), ("lb", 453.59237)];

    private static int FigureEnd(string typed)
    {
        var end = 0;
        for (var i = 0; i < typed.Length; i++)
        {
            if (char.IsAsciiDigit(typed[i]))
                end = i + 1;
            else if (!" .,/+-\u2212\u00a0".Contains(typed[i], StringComparison.Ordinal))
                break;
        }
        // A trailing sign of parted thousands belongs to the figure so that it is judged, not dropped: "1," is not 1.
        while (end < typed.Length && ".,/".Contains(typed[end], StringComparison.Ordinal))
            end++;
        return end;
    }

    private static string Named(Unit unit) => unit.Symbol.Length == 0 ? "a plain number" : unit.Symbol;
}
