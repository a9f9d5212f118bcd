using System.Globalization;

namespace Dorsk.Core.Units;

/// <summary>How a farm reads and writes figures.</summary>
/// <param name="System">Units shown, and assumed when none is typed.</param>
/// <param name="Sign">Decimal sign.</param>
public readonly record struct Hand(UnitSystem System, DecimalSign Sign)
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
        var shown = measure.In(hand.System);
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

    /// <summary>Writes an SI value in the farm's unit, with its unit behind a thin space.</summary>
    /// <param name="si">Value in SI.</param>
    /// <param name="measure">The quantity.</param>
    /// <param name="hand">The farm's units and decimal sign.</param>
    public static string Write(double si, Measure measure, Hand hand)
    {
        var unit = measure.In(hand.System).Symbol;
        return unit.Length == 0 ? Figure(si, measure, hand) : $"{Figure(si, measure, hand)}\u2009{unit}";
    }

    /// <summary>Writes only the figure of an SI value in the farm's unit.</summary>
    /// <param name="si">The figure, SI.</param>
    /// <param name="measure">The quantity.</param>
    /// <param name="hand">How figures are printed.</param>
    public static string Figure(double si, Measure measure, Hand hand) =>
        Figure(measure.In(hand.System).FromSi(si), measure.DecimalsIn(hand.System), hand.Sign);

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
