using MathNet.Numerics.LinearAlgebra;

namespace Dorsk.Core.Growth;

/// <summary>
/// What share of the full gain a batch makes, as its own record has it: short rations and bad mornings, by how warm the water was
/// and how much stood in it. Warm and crowded water holds fish back more often; the record says by how much. Recursive least
/// squares that slowly forgets.
/// </summary>
public sealed class HeldBack
{
    private const int N = 3;

    // Days hang together, so a single one says little; slopes are small unless the record insists (5 °C; e-fold of biomass). Judged.
    private const double DaySd = 0.6,
        SlopeSd = 0.15;
    private readonly double[] a,
        b;
    private readonly double squares;

    private HeldBack(double[] a, double[] b, double squares) => (this.a, this.b, this.squares) = (a, b, squares);

    /// <summary>Nothing known: nothing holds them.</summary>
    public static HeldBack None { get; } = new(new double[N * N], new double[N], 0);

    /// <summary>One more day.</summary>
    /// <param name="share">Gain as a share of the full gain.</param>
    /// <param name="tempC">Water, °C.</param>
    /// <param name="biomassKg">What stood, kg.</param>
    internal HeldBack Day(double share, double tempC, double biomassKg)
    {
        var x = Row(tempC, biomassKg);
        var (na, nb) = (new double[N * N], new double[N]);
        for (var i = 0; i < N; i++)
        {
            nb[i] = (StandingSettings.AsFedStays * b[i]) + (share * x[i] / (DaySd * DaySd));
            for (var j = 0; j < N; j++)
                na[(i * N) + j] = (StandingSettings.AsFedStays * a[(i * N) + j]) + (x[i] * x[j] / (DaySd * DaySd));
        }
        return new(na, nb, (StandingSettings.AsFedStays * squares) + (share * share / (DaySd * DaySd)));
    }

    /// <summary>How much the share differs from day to day, as a share of its mean: where it jumps, the days to come are in doubt too.</summary>
    public double Unsteady
    {
        get
        {
            if (a[0] == 0 || b[0] <= 0)
                return 0;
            var mean = b[0] / a[0];
            return Math.Sqrt(Math.Max(0, (squares / a[0]) - (mean * mean))) / mean;
        }
    }

    /// <summary>The record solved: share of the full gain for water of a temperature with so much standing in it, 0 to 1.</summary>
    public Func<double, double, double> Solve()
    {
        if (a[0] == 0)
            return (_, _) => 1;
        var prior = Matrix<double>.Build.DenseOfDiagonalArray([0.01, 1 / (SlopeSd * SlopeSd), 1 / (SlopeSd * SlopeSd)]);
        var fit = (Matrix<double>.Build.Dense(N, N, a) + prior).Solve(
            Vector<double>.Build.Dense(b) + (prior * Vector<double>.Build.Dense([1, 0, 0]))
        );
        return (tempC, kg) =>
        {
            var x = Row(tempC, kg);
            return Math.Clamp((fit[0] * x[0]) + (fit[1] * x[1]) + (fit[2] * x[2]), 0, 1);
        };
    }

    private static double[] Row(double tempC, double biomassKg) =>
        [1, (tempC - 25) / 5, Math.Log(Math.Max(1e-3, biomassKg))];
}
