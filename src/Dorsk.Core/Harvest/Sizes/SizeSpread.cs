using MathNet.Numerics.Distributions;

namespace Dorsk.Core.Harvest;

/// <summary>Fish of a narrow span of weights.</summary>
/// <param name="LowG">Lower end, g.</param>
/// <param name="HighG">Upper end, g.</param>
/// <param name="MeanG">Mean weight inside it, g.</param>
/// <param name="Count">Fish; 0 or more, not whole.</param>
public readonly record struct SizeCell(double LowG, double HighG, double MeanG, double Count)
{
    /// <summary>Share of them that is over a weight, by log weight within the cell.</summary>
    /// <param name="g">Weight, g; above 0.</param>
    public double ShareOver(double g)
    {
        if (g <= LowG)
            return 1;
        return g >= HighG ? 0 : (Math.Log(HighG) - Math.Log(g)) / (Math.Log(HighG) - Math.Log(LowG));
    }
}

/// <summary>
/// How the fish of a batch are spread over weights: lognormal when they came or were last sampled, cut by what was taken out since.
/// Number and mass are conserved by every cut.
/// </summary>
/// <param name="Cells">Its cells, from light to heavy.</param>
public sealed record SizeSpread(IReadOnlyList<SizeCell> Cells)
{
    /// <summary>Where the method comes from.</summary>
    public const string Source =
        "Lognormal spread of weights: sigma² = ln(1 + CV²); growth keeps each fish's place; a removal heavier than the mean is cut from the top (method of the project)";

    private const int Steps = 400;
    private const double Reach = 4.5;

    /// <summary>No fish.</summary>
    public static SizeSpread None { get; } = new([]);

    /// <summary>Fish in it.</summary>
    public double Count { get; } = Cells.Sum(c => c.Count);

    /// <summary>Their mass, kg.</summary>
    public double MassKg { get; } = Cells.Sum(c => c.Count * c.MeanG) / 1000;

    /// <summary>Mean weight, g; 0 without fish.</summary>
    public double MeanG => Count > 0 ? 1000 * MassKg / Count : 0;

    /// <summary>Spread, % of the mean; 0 without fish.</summary>
    public double CvPct =>
        Count > 0
            ? 100 * Math.Sqrt(Cells.Sum(c => c.Count * (c.MeanG - MeanG) * (c.MeanG - MeanG)) / Count) / MeanG
            : 0;

    /// <summary>A fresh spread.</summary>
    /// <param name="count">Fish; 0 or more.</param>
    /// <param name="meanG">Mean weight, g; above 0.</param>
    /// <param name="cvPct">Spread, % of the mean; above 0.</param>
    /// <exception cref="ArgumentOutOfRangeException">A mean or spread that is not above 0.</exception>
    public static SizeSpread Of(double count, double meanG, double cvPct)
    {
        ArgumentOutOfRangeException.ThrowIfNegativeOrZero(meanG);
        ArgumentOutOfRangeException.ThrowIfNegativeOrZero(cvPct);
        var sigma = BarShare.Sigma(cvPct);
        var mu = Math.Log(meanG) - (sigma * sigma / 2);
        var cells = new List<SizeCell>();
        for (var i = 0; i < Steps; i++)
        {
            var (a, b) = (-Reach + (2 * Reach * i / Steps), -Reach + (2 * Reach * (i + 1) / Steps));
            // The last cell on either side holds all that lies beyond.
            var (from, to) = (i == 0 ? double.NegativeInfinity : a, i == Steps - 1 ? double.PositiveInfinity : b);
            var share = Phi(to) - Phi(from);
            var massShare = Phi(to - sigma) - Phi(from - sigma);
            cells.Add(
                new(
                    Math.Exp(mu + (sigma * a)),
                    Math.Exp(mu + (sigma * b)),
                    share > 0 ? meanG * massShare / share : Math.Exp(mu + (sigma * (a + b) / 2)),
                    count * share
                )
            );
        }
        return new(cells);
    }

    /// <summary>The same fish at another mean weight: each keeps its place.</summary>
    /// <param name="meanG">The new mean, g; above 0.</param>
    public SizeSpread GrownTo(double meanG)
    {
        if (Count <= 0)
            return this;
        var by = meanG / MeanG;
        return new([.. Cells.Select(c => new SizeCell(c.LowG * by, c.HighG * by, c.MeanG * by, c.Count))]);
    }

    /// <summary>So many fish of the same spread.</summary>
    /// <param name="count">Fish; 0 or more.</param>
    public SizeSpread WithCount(double count) => Count > 0 ? Times(count / Count) : this;

    /// <summary>Parts it: what is held back and what passes.</summary>
    /// <param name="held">Share of the fish of a weight in g that is held back; 0 to 1.</param>
    public (SizeSpread Held, SizeSpread Passed) Cut(Func<double, double> held)
    {
        // The mean of three places in a cell, so that a sharp bar falls where it lies.
        double Share(SizeCell c) => (held(c.LowG) + held(c.MeanG) + held(c.HighG)) / 3;
        var parts = Cells.Select(c => (Cell: c, Share: Share(c))).ToList();
        return (
            new([.. parts.Select(p => p.Cell with { Count = p.Cell.Count * p.Share })]),
            new([.. parts.Select(p => p.Cell with { Count = p.Cell.Count * (1 - p.Share) })])
        );
    }

    /// <summary>Fish and mass over a weight.</summary>
    /// <param name="g">Weight, g; above 0.</param>
    public (double Count, double Kg) Over(double g)
    {
        var over = Cells.Select(c => (c, Count: c.Count * c.ShareOver(g))).ToList();
        return (over.Sum(o => o.Count), over.Sum(o => o.Count * o.c.MeanG) / 1000);
    }

    /// <summary>Share of the fish over a weight; 0 without fish.</summary>
    /// <param name="g">Weight, g; above 0.</param>
    public double ShareOver(double g) => Count > 0 ? Over(g).Count / Count : 0;

    /// <summary>Weight that a share of the fish is over, g; 0 without fish.</summary>
    /// <param name="share">Share, 0 to 1.</param>
    public double WeightAtG(double share)
    {
        if (Count <= 0)
            return 0;
        var (low, high) = (Cells[0].LowG, Cells[^1].HighG);
        for (var i = 0; i < 60; i++)
        {
            var mid = Math.Sqrt(low * high);
            (low, high) = ShareOver(mid) > share ? (mid, high) : (low, mid);
        }
        return Math.Sqrt(low * high);
    }

    /// <summary>What is left when so many of such a mean weight were taken out: at random where they were as heavy as the rest, else from the top or the bottom.</summary>
    /// <param name="count">Fish taken out; 0 or more.</param>
    /// <param name="meanG">Their mean weight, g; above 0.</param>
    public SizeSpread Less(double count, double meanG)
    {
        if (Count <= 0 || count <= 0)
            return this;
        if (count >= Count * (1 - 1e-9))
            return None;
        var heavier = meanG > MeanG;
        // Every fish over a line goes with the same chance: the line is moved until the mean of those is the mean that was weighed.
        SizeSpread Beyond(double lineG) => Cut(g => g >= lineG == heavier ? 1 : 0).Held;
        var (near, far) = heavier ? (Cells[0].LowG, Cells[^1].HighG) : (Cells[^1].HighG, Cells[0].LowG);
        for (var i = 0; i < 60; i++)
        {
            var mid = Math.Sqrt(near * far);
            var pool = Beyond(mid);
            var isTooFar = pool.Count < count || (heavier ? pool.MeanG > meanG : pool.MeanG < meanG);
            (near, far) = isTooFar ? (near, mid) : (mid, far);
        }
        var taken = Beyond(near);
        var chance = Math.Min(1, count / taken.Count);
        return Cut(g => g >= near == heavier ? chance : 0).Passed;
    }

    /// <summary>Several spreads in one water.</summary>
    /// <param name="all">The spreads.</param>
    public static SizeSpread Sum(IEnumerable<SizeSpread> all) =>
        new([.. all.SelectMany(s => s.Cells).Where(c => c.Count > 0).OrderBy(c => c.MeanG)]);

    private SizeSpread Times(double by) => new([.. Cells.Select(c => c with { Count = c.Count * by })]);

    private static double Phi(double z) =>
        double.IsPositiveInfinity(z) ? 1
        : double.IsNegativeInfinity(z) ? 0
        : Normal.CDF(0, 1, z);
}
