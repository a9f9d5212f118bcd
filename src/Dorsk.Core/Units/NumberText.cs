using System.Globalization;

namespace Dorsk.Core.Units;

/// <summary>The farm's decimal sign.</summary>
public enum DecimalSign
{
    /// <summary>1.5 is one and a half; commas part thousands.</summary>
    Point,

    /// <summary>1,5 is one and a half; points part thousands.</summary>
    Comma,
}

/// <summary>What became of a typed figure: a number, or a message saying why not.</summary>
/// <param name="Value">The number, when understood.</param>
/// <param name="Problem">A sentence for the field: what, limit, what to do. Null when understood.</param>
public readonly record struct NumberRead(double? Value, string? Problem)
{
    internal static NumberRead Of(double value) => new(value, null);

    internal static NumberRead Bad(string problem) => new(null, problem);
}

/// <summary>Reads figures as people type them: decimal sign of the farm, parted thousands, mixed fractions (<c>1 3/16</c>).</summary>
public static class NumberText
{
    /// <summary>Reads one figure. Never guesses: a sign that could be read two ways is asked for.</summary>
    /// <param name="text">For example <c>2.5</c>, <c>1,500</c>, <c>3/16</c>, <c>-2</c>.</param>
    /// <param name="sign">The farm's decimal sign.</param>
    public static NumberRead Read(string text, DecimalSign sign)
    {
        var typed = text.Trim().Replace('\u2212', '-').Replace("\u00a0", " ", StringComparison.Ordinal);
        if (typed.Length == 0)
            return NumberRead.Bad("Nothing typed here yet.");
        return typed.Contains('/', StringComparison.Ordinal) ? Fraction(typed, sign) : Decimal(typed, sign);
    }

    /// <summary>Reads a whole number. It has no decimals, so that either sign before three digits parts thousands: <c>30,000</c> and <c>30.000</c> are the same.</summary>
    /// <param name="text">What was typed.</param>
    /// <param name="sign">The farm's decimal sign.</param>
    public static NumberRead ReadWhole(string text, DecimalSign sign)
    {
        var parts = text.Trim().TrimStart('-').Split('.', ',', '\u00a0', ' ', '\'', '\u2019');
        return
            parts.Length > 1
            && parts[0].Length is >= 1 and <= 3
            && parts[0][0] != '0'
            && parts.All(p => p.All(char.IsAsciiDigit))
            && parts.Skip(1).All(p => p.Length == 3)
            ? Read((text.Trim()[0] == '-' ? "-" : "") + string.Concat(parts), sign)
            : Read(text, sign);
    }

    private static NumberRead Fraction(string typed, DecimalSign sign)
    {
        var slash = typed.IndexOf('/', StringComparison.Ordinal);
        var before = typed[..slash].Trim();
        var blank = before.LastIndexOfAny([' ', '-']);
        var wholeText = blank > 0 ? before[..blank] : "0";
        var whole = Decimal(wholeText.Trim(), sign);
        if (
            !int.TryParse(before[(blank + 1)..], NumberStyles.None, CultureInfo.InvariantCulture, out var top)
            || !int.TryParse(
                typed[(slash + 1)..].Trim(),
                NumberStyles.None,
                CultureInfo.InvariantCulture,
                out var bottom
            )
            || bottom == 0
            || whole.Value is null
        )
            return NumberRead.Bad($"“{typed}” is not a fraction. Type it like 3/16 or 1 3/16.");
        return NumberRead.Of(whole.Value.Value + ((double)top / bottom));
    }

    private static NumberRead Decimal(string typed, DecimalSign sign)
    {
        var (dec, part) = sign == DecimalSign.Point ? ('.', ',') : (',', '.');
        if (Doubtful(typed, dec, part))
            return NumberRead.Bad(Doubt(typed, dec, part));
        var plain = WithoutParts(typed, part);
        if (
            plain is null
            || plain.Any(c => !char.IsAsciiDigit(c) && c != dec && c != '-' && c != '+')
            || !double.TryParse(
                plain.Replace(dec, '.'),
                NumberStyles.Float,
                CultureInfo.InvariantCulture,
                out var value
            )
        )
            return NumberRead.Bad(
                $"“{typed}” is not a number. Type figures only, like {(dec == '.' ? "12.5" : "12,5")}."
            );
        return NumberRead.Of(value);
    }

    // "1,500" on a farm that writes 1.5: three digits behind the other sign can mean either thing, a thousandfold apart.
    private static bool Doubtful(string typed, char dec, char part)
    {
        var at = typed.IndexOf(part, StringComparison.Ordinal);
        return at > 0
            && at == typed.LastIndexOf(part)
            && !typed.Contains(dec, StringComparison.Ordinal)
            && typed.Length - at == 4
            && typed[(at + 1)..].All(char.IsAsciiDigit)
            && at <= 3 + (typed[0] == '-' ? 1 : 0)
            && typed[..at].TrimStart('-').All(char.IsAsciiDigit);
    }

    private static string Doubt(string typed, char dec, char part)
    {
        var large = typed.Replace(part.ToString(), "", StringComparison.Ordinal);
        var small = typed.Replace(part, dec);
        return $"“{typed}” can be read two ways: type {large} for the thousands or {small} for the decimals.";
    }

    // Thousands must stand in threes: "1,23,4" is a slip of the finger, not a number. A lone other sign is read as decimal ("1,5").
    private static string? WithoutParts(string typed, char part)
    {
        var spaced = typed.Split(' ', StringSplitOptions.RemoveEmptyEntries);
        if (spaced.Skip(1).Any(p => p.TakeWhile(char.IsAsciiDigit).Count() != 3))
            return null;
        var squeezed = string.Concat(spaced);
        var pieces = squeezed.Split(part);
        if (pieces.Length == 1)
            return squeezed;
        if (pieces.Length == 2 && pieces[1].Length is 1 or 2 && pieces[0].All(c => char.IsAsciiDigit(c) || c == '-'))
            return part == ',' ? string.Join('.', pieces) : string.Join(',', pieces);
        var threes =
            pieces.Skip(1).All(p => p.Split('.', ',')[0].Length == 3)
            && pieces[0].TrimStart('-').Length is >= 1 and <= 3;
        return threes ? string.Concat(pieces) : null;
    }
}
