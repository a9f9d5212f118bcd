using Dorsk.Core.Feeding;
using Google.OrTools.LinearSolver;

namespace Dorsk.Solve;

/// <summary>Solves linear programs by the simplex method (GLOP). The only code that knows the solver.</summary>
public static class LinearSolver
{
    /// <summary>The least-cost answer, or null when no answer keeps all rows.</summary>
    /// <exception cref="InvalidOperationException">The solver is missing, or ended without either.</exception>
    public static LinearAnswer? Solve(LinearProgram program)
    {
        using var solver = Solver.CreateSolver("GLOP")
            ?? throw new InvalidOperationException("The linear solver is not at hand on this machine.");
        var variables = program
            .Upper.Select((upper, i) => solver.MakeNumVar(0, upper, FormattableString.Invariant($"x{i}")))
            .ToList();
        var rows = program
            .Rows.Select(row =>
            {
                var constraint = solver.MakeConstraint(row.Low, row.High);
                for (var i = 0; i < variables.Count; i++)
                    constraint.SetCoefficient(variables[i], row.Coefficients[i]);
                return constraint;
            })
            .ToList();
        var objective = solver.Objective();
        for (var i = 0; i < variables.Count; i++)
            objective.SetCoefficient(variables[i], program.Costs[i]);
        objective.SetMinimization();
        return solver.Solve() switch
        {
            Solver.ResultStatus.OPTIMAL => new(
                objective.Value(),
                [.. variables.Select(v => v.SolutionValue())],
                [.. rows.Select(r => r.DualValue())],
                [.. variables.Select(v => v.ReducedCost())]
            ),
            Solver.ResultStatus.INFEASIBLE => null,
            var other => throw new InvalidOperationException($"The linear solver ended with {other}."),
        };
    }
}
