namespace Dorsk.Core.Units;

/// <summary>The farm's choice of units on screens and slips. Storage and rules are always SI.</summary>
public enum UnitSystem
{
    /// <summary>Metres, hectares, kilograms, °C.</summary>
    Metric,

    /// <summary>Feet, acres, pounds, °F.</summary>
    Us,
}

/// <summary>A quantity the farm types and reads: its SI unit, the units accepted, and the unit shown in either system.</summary>
/// <param name="Name">The quantity in plain words, lower case.</param>
/// <param name="Metric">Shown and assumed when nothing is typed behind the figure, metric farms.</param>
/// <param name="Us">The same for US farms.</param>
/// <param name="Decimals">Decimals printed in the metric unit.</param>
/// <param name="UsDecimals">Decimals printed in the US unit.</param>
/// <param name="Others">Further units that may be typed.</param>
public sealed record Measure(string Name, Unit Metric, Unit Us, int Decimals, int UsDecimals, params Unit[] Others)
{
    /// <summary>The unit shown in a system.</summary>
    public Unit In(UnitSystem system) => system == UnitSystem.Metric ? Metric : Us;

    /// <summary>Decimals printed in a system.</summary>
    public int DecimalsIn(UnitSystem system) => system == UnitSystem.Metric ? Decimals : UsDecimals;

    /// <summary>All units that may be typed, the shown ones first.</summary>
    public IEnumerable<Unit> Units => Others.Prepend(Us).Prepend(Metric).Distinct();

    /// <summary>The unit a person typed, or null when this quantity has none of that name.</summary>
    /// <param name="typed">For example <c>ft</c>, <c>acres</c>, <c>°F</c>; blanks and a final full stop do not matter.</param>
    public Unit? Find(string typed)
    {
        var plain = Unit.Plain(typed);
        return Units.FirstOrDefault(u => u.IsSpelled(plain));
    }
}
