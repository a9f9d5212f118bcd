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
    /// <summary>Units in which small amounts are printed, the largest first; none: always the shown unit.</summary>
    public IReadOnlyList<SmallUnit> Small { get; init; } = [];

    /// <summary>Significant figures a printed amount has at least, where <see cref="Small"/> names units: 2 or 3.</summary>
    public int Significant { get; init; } = 2;

    /// <summary>Significant figures at which decimals end, so that 400 g is not said as 400.0; 0: always the measure's decimals.</summary>
    public int Most { get; init; }

    /// <summary>The same quantity on farms that say areas in m² or ft²; null: it has no area in it.</summary>
    public Measure? BySquare { get; init; }

    /// <summary>Whether it is an amount of money: a price, or a price for something.</summary>
    public bool IsMoney => Name.StartsWith("price", StringComparison.Ordinal);

    /// <summary>The unit shown in a system.</summary>
    public Unit In(UnitSystem system) => system == UnitSystem.Metric ? Metric : Us;

    /// <summary>The unit shown on a farm.</summary>
    public Unit In(Hand hand) => For(hand).In(hand.System);

    /// <summary>Decimals printed in a system.</summary>
    public int DecimalsIn(UnitSystem system) => system == UnitSystem.Metric ? Decimals : UsDecimals;

    /// <summary>Decimals printed on a farm.</summary>
    public int DecimalsIn(Hand hand) => For(hand).DecimalsIn(hand.System);

    /// <summary>The unit that fits an amount, and its decimals: smaller units and more decimals where an amount would be rounded to nothing.</summary>
    /// <param name="si">The amount, SI.</param>
    /// <param name="hand">The farm's units.</param>
    public (Unit Unit, int Decimals) Fitting(double si, Hand hand)
    {
        var (unit, decimals) = (In(hand), DecimalsIn(hand));
        var shown = For(hand);
        if (si == 0 || !double.IsFinite(si) || shown.Small.Count == 0)
            return (unit, decimals);
        if (shown.Small.LastOrDefault(s => s.System == hand.System && Math.Abs(si) < s.BelowSi) is { } small)
            (unit, decimals) = (small.Unit, 0);
        var order = (int)Math.Floor(Math.Log10(Math.Abs(unit.FromSi(si))));
        if (Most > 0)
            decimals = Math.Min(decimals, Math.Max(0, Most - 1 - order));
        return (unit, Math.Clamp(Significant - 1 - order, decimals, MostDecimals));
    }

    private const int MostDecimals = 6;

    private Measure For(Hand hand) => hand.Square && BySquare is { } square ? square : this;

    /// <summary>Symbol of the unit that amounts are kept in; empty where it has none.</summary>
    public string SiSymbol => Units.FirstOrDefault(u => u.Factor == 1 && u.Offset == 0)?.Symbol ?? "";

    /// <summary>All units that may be typed, the shown ones first.</summary>
    public IEnumerable<Unit> Units =>
        Others
            .Concat(Small.Select(s => s.Unit))
            .Concat(BySquare is { } q ? [q.Metric, q.Us] : [])
            .Prepend(Us)
            .Prepend(Metric)
            .Distinct();

    /// <summary>The unit a person typed, or null when this quantity has none of that name.</summary>
    /// <param name="typed">For example <c>ft</c>, <c>acres</c>, <c>°F</c>; blanks and a final full stop do not matter.</param>
    public Unit? Find(string typed)
    {
        var plain = Unit.Plain(typed);
        return Units.FirstOrDefault(u => u.IsSpelled(plain));
    }
}

/// <summary>A smaller unit for small amounts.</summary>
/// <param name="System">The units of the farm it belongs to.</param>
/// <param name="Unit">The unit.</param>
/// <param name="BelowSi">Amounts below this are printed in it, SI.</param>
public sealed record SmallUnit(UnitSystem System, Unit Unit, double BelowSi);
