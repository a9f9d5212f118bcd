using Dorsk.Core.Feeding;
using Dorsk.Solve;
using MathNet.Numerics.LinearAlgebra;

namespace Dorsk.Web.Tests;

/// <summary>The least-cost mix against every corner of its space, and its prices against mixes asked for a little more.</summary>
public class MixTests
{
    private static readonly MixDemand Demand = new(30, (4, 14), 9, 14, 10, 16);

    [Theory]
    [InlineData(1)]
    [InlineData(2)]
    [InlineData(3)]
    public void The_optimum_is_the_cheapest_of_all_corners(int seed)
    {
        var random = new Random(seed);
        var (solved, impossible) = (0, 0);
        for (var run = 0; run < 60; run++)
        {
            var parts = Draw(random, 4);
            var program = FeedMix.Program(parts, Demand);
            var best = Corners(program).DefaultIfEmpty(double.NaN).Min();
            if (LinearSolver.Solve(program) is not { } found)
            {
                Assert.True(double.IsNaN(best), "a corner keeps all rows, and yet the solver found none");
                impossible++;
                continue;
            }
            Assert.Equal(best, found.Cost, 5);
            solved++;
        }
        Assert.True(solved > 5 && impossible > 5, $"{solved} solved, {impossible} impossible");
    }

    [Fact]
    public void What_a_point_more_costs_is_what_it_costs()
    {
        var parts = Usual();
        MixAnswer At(double protein) =>
            FeedMix.Read(
                parts,
                Demand with
                {
                    ProteinPct = protein,
                },
                LinearSolver.Solve(FeedMix.Program(parts, Demand with { ProteinPct = protein }))!
            );
        var now = At(30);
        var more = At(30.01);
        var price = now.Bindings.First(b => b.Name == "protein").PricePerUnit;
        Assert.True(price > 0);
        Assert.Equal((more.CostPerLabelKg - now.CostPerLabelKg) / 0.01, price, 0.15 * price);
        // What it holds is what was asked, worked out from the shares by hand.
        var dry = parts.Zip(now.Shares, (p, s) => s * p.Of.DryMatterPct / 100).Sum();
        Assert.Equal(30, parts.Zip(now.Shares, (p, s) => s * p.Of.ProteinPct / 100).Sum() / dry * 90, 4);
        Assert.Equal(100, now.Shares.Sum(), 6);
        Assert.All(parts.Zip(now.Shares), x => Assert.InRange(x.Second, -1e-6, x.First.MostPct + 1e-6));
    }

    [Fact]
    public void A_part_that_is_not_used_is_used_once_it_falls_so_far()
    {
        var parts = Usual();
        var program = FeedMix.Program(parts, Demand);
        var mix = FeedMix.Read(parts, Demand, LinearSolver.Solve(program)!);
        var i = Enumerable.Range(0, parts.Count).First(k => mix.MustFall[k] is not null);
        double Share(double fall)
        {
            var cheaper = parts.Select((p, k) => k == i ? p with { PricePerKg = p.PricePerKg - fall } : p).ToList();
            return LinearSolver.Solve(FeedMix.Program(cheaper, Demand))!.Values[i];
        }
        Assert.Equal(0, Share(mix.MustFall[i]!.Value * 0.98), 6);
        Assert.True(Share(mix.MustFall[i]!.Value * 1.02) > 1e-4);
    }

    [Fact]
    public void A_mix_that_cannot_be_says_which_demand_it_misses()
    {
        // Maize, wheat and bran hold no 40 % of protein; everything else can be met.
        List<MixPart> grain =
        [
            Part("maize", 0.4, 100),
            Part("wheat", 0.4, 100),
            Part("wheat middlings or bran", 0.3, 100),
        ];
        var demand = new MixDemand(40, (0, 20), 20, 20, 5, 20);
        Assert.Null(LinearSolver.Solve(FeedMix.Program(grain, demand)));
        var missed = FeedMix.Missed(grain, demand, LinearSolver.Solve(FeedMix.Nearest(grain, demand)));
        var protein = Assert.Single(missed);
        Assert.Equal(("protein", 40.0), (protein.Name, protein.Wanted));
        // The richest of the three at label dryness is bran: 16 of 88 is 16.4 of 90.
        Assert.Equal(16 * 90 / 88.0, protein.Reached, 3);
        // Limits that leave no whole: 30 and 25 are only 55 %.
        List<MixPart> little = [Part("maize", 0.4, 30), Part("wheat", 0.4, 25)];
        Assert.StartsWith(
            "the whole",
            FeedMix.Missed(little, demand, LinearSolver.Solve(FeedMix.Nearest(little, demand)))[0].Name,
            StringComparison.Ordinal
        );
    }

    [Fact]
    public void The_square_agrees_with_the_programme()
    {
        // Soy 48 and maize 8.5 for 30: (30 − 8.5)/(48 − 8.5) = 54.43 % soy.
        Assert.Equal(54.43, FeedMix.Square(48, 8.5, 30)!.Value, 2);
        Assert.Null(FeedMix.Square(48, 30.5, 30));
        List<MixPart> two =
        [
            new(new("a", 90, 48, 5, 3, 6, 12, 100, "", ""), 1, 100),
            new(new("b", 90, 8.5, 5, 3, 2, 12, 100, "", ""), 0.3, 100),
        ];
        var mix = FeedMix.Read(two, Demand, LinearSolver.Solve(FeedMix.Program(two, new(30, (0, 20), 10, 10, 5, 15)))!);
        Assert.Equal(54.43, mix.Shares[0], 2);
    }

    [Fact]
    public void Weed_is_counted_dry_and_eaten_faster_than_it_grows_it_ends()
    {
        // A tenth of 20 kg at 90 % dry is 1.8 kg dry: 30 kg of weed at 6 %, on 360 m² at 200 m² a kg.
        var weed = GrownFeed.Of(GrownKind.Duckweed, 20, 10, false);
        Assert.Equal(
            (1.8, 30.0, 360.0),
            (Math.Round(weed.DryKg, 6), Math.Round(weed.WetKg, 6), Math.Round(weed.AreaM2.Usual, 6))
        );
        Assert.Equal(30, GrownFeed.DaysLeft(600, 30, 50));
        Assert.Null(GrownFeed.DaysLeft(600, 50, 50));
    }

    private static MixPart Part(string name, double price, double most) => new(Ingredient.Of(name, false), price, most);

    private static List<MixPart> Usual() =>
        [
            .. new[]
            {
                ("fish meal 65", 2.4),
                ("soybean meal 48 dehulled", 0.85),
                ("wheat", 0.42),
                ("maize", 0.4),
                ("vegetable oil", 1.6),
                ("groundnut cake", 3.0),
            }.Select(p => new MixPart(Ingredient.Of(p.Item1, false), p.Item2, Ingredient.Of(p.Item1, false).MostPct)),
        ];

    private static List<MixPart> Draw(Random random, int n) =>
        [
            .. Ingredient
                .Names.OrderBy(_ => random.Next())
                .Where(x => Ingredient.Of(x, false).MostPct > 0)
                .Take(n)
                .Select(x => new MixPart(
                    Ingredient.Of(x, false),
                    0.2 + random.NextDouble(),
                    30 + (random.NextDouble() * 60)
                )),
        ];

    // Every corner of the space: as many rows and bounds at their ends as there are variables, kept where nothing is broken.
    private static IEnumerable<double> Corners(LinearProgram p)
    {
        var n = p.Costs.Count;
        List<(double[] Row, double End)> planes = [];
        foreach (var r in p.Rows)
        foreach (var end in new[] { r.Low, r.High }.Where(double.IsFinite).Distinct())
            planes.Add(([.. r.Coefficients], end));
        for (var i = 0; i < n; i++)
            foreach (var end in new[] { 0, p.Upper[i] })
                planes.Add(([.. Enumerable.Range(0, n).Select(j => i == j ? 1.0 : 0)], end));
        foreach (var chosen in Choose(planes, n))
        {
            var a = Matrix<double>.Build.DenseOfRowArrays(chosen.Select(c => c.Row));
            if (Math.Abs(a.Determinant()) < 1e-9)
                continue;
            var x = a.Solve(Vector<double>.Build.DenseOfEnumerable(chosen.Select(c => c.End)));
            if (
                x.Zip(p.Upper).All(v => v.First >= -1e-6 && v.First <= v.Second + 1e-6)
                && p.Rows.All(r =>
                    r.Coefficients.Zip(x, (c, v) => c * v).Sum() is var sum
                    && sum >= r.Low - 1e-6
                    && sum <= r.High + 1e-6
                )
            )
                yield return x.Zip(p.Costs, (v, c) => v * c).Sum();
        }
    }

    private static IEnumerable<List<T>> Choose<T>(IReadOnlyList<T> from, int n, int start = 0)
    {
        if (n == 0)
        {
            yield return [];
            yield break;
        }
        for (var i = start; i <= from.Count - n; i++)
            foreach (var rest in Choose(from, n - 1, i + 1))
                yield return [from[i], .. rest];
    }
}
