namespace Dorsk.Core.Feeding;

/// <summary>A row of a linear program: low ≤ Σ coefficient × variable ≤ high.</summary>
/// <param name="Name">What it demands.</param>
/// <param name="Coefficients">One for each variable.</param>
/// <param name="Low">Lower end; −∞ for none.</param>
/// <param name="High">Upper end; +∞ for none.</param>
public sealed record LinearRow(string Name, IReadOnlyList<double> Coefficients, double Low, double High);

/// <summary>A linear program: the least cost of variables within bounds and rows.</summary>
/// <param name="Costs">Cost of one unit of each variable.</param>
/// <param name="Upper">Upper bound of each variable; the lower is 0.</param>
/// <param name="Rows">The rows.</param>
public sealed record LinearProgram(
    IReadOnlyList<double> Costs,
    IReadOnlyList<double> Upper,
    IReadOnlyList<LinearRow> Rows
);

/// <summary>The best answer to a linear program.</summary>
/// <param name="Cost">Its cost.</param>
/// <param name="Values">The variables.</param>
/// <param name="RowPrices">What one unit more at the end that binds would add to the cost; 0 where a row does not bind.</param>
/// <param name="ReducedCosts">What one unit of a variable that stands at a bound would add to the cost (below 0 at its upper bound: what it would save).</param>
public sealed record LinearAnswer(
    double Cost,
    IReadOnlyList<double> Values,
    IReadOnlyList<double> RowPrices,
    IReadOnlyList<double> ReducedCosts
);
