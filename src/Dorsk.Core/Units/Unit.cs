namespace Dorsk.Core.Units;

/// <summary>One unit of a quantity: <c>SI = typed × Factor + Offset</c>.</summary>
/// <param name="Symbol">How the unit is printed, for example <c>°C</c>.</param>
/// <param name="Factor">SI units in one of this unit.</param>
/// <param name="Offset">SI value at zero of this unit (only temperatures have one).</param>
/// <param name="Spellings">Other ways people type it, lower case, without blanks.</param>
public sealed record Unit(string Symbol, double Factor, double Offset, params string[] Spellings)
{
    /// <summary>Turns a figure in this unit into SI.</summary>
    public double ToSi(double value) => (value * Factor) + Offset;

    /// <summary>Turns an SI value into this unit.</summary>
    public double FromSi(double si) => (si - Offset) / Factor;

    internal bool IsSpelled(string typed) => Plain(Symbol) == typed || Spellings.Contains(typed);

    internal static string Plain(string typed) =>
        typed
            .ToLowerInvariant()
            .Replace(" ", "", StringComparison.Ordinal)
            .Replace("\u2009", "", StringComparison.Ordinal)
            .Replace("²", "2", StringComparison.Ordinal)
            .Replace("³", "3", StringComparison.Ordinal)
            .TrimEnd('.');
}
