namespace Dorsk.Core.Feeding;

/// <summary>An ingredient with its price and its own limits in a mix.</summary>
/// <param name="Of">The ingredient.</param>
/// <param name="PricePerKg">Price per kg as it lies there.</param>
/// <param name="MostPct">Most of it in the mix, percent as fed.</param>
public sealed record MixPart(Ingredient Of, double PricePerKg, double MostPct);

/// <summary>What a mix must hold, as on a label: at 90 % dry matter, however wet the mash is.</summary>
/// <param name="ProteinPct">Least protein, percent.</param>
/// <param name="FatPct">Fat from, to, percent.</param>
/// <param name="FibrePct">Most fibre, percent.</param>
/// <param name="AshPct">Most ash, percent.</param>
/// <param name="EnergyMJKg">Least digestible energy, MJ/kg.</param>
/// <param name="WaterPct">Most water in the mash as mixed, percent.</param>
public sealed record MixDemand(
    double ProteinPct,
    (double Low, double High) FatPct,
    double FibrePct,
    double AshPct,
    double EnergyMJKg,
    double WaterPct
)
{
    /// <summary>Dry matter of a feed as its label has it, as a share.</summary>
    public const double LabelDry = 0.9;
}

/// <summary>What binds a mix, and what it costs to ask for more.</summary>
/// <param name="Name">Protein, fat, fibre ...</param>
/// <param name="PricePerUnit">What one point more (or one MJ/kg) adds to a kg at label dryness; below 0: what it saves.</param>
public sealed record MixBinding(string Name, double PricePerUnit);

/// <summary>The least-cost mix.</summary>
/// <param name="Shares">Share of each part, percent as fed, in the order of the parts.</param>
/// <param name="CostPerKg">Cost of a kg as mixed.</param>
/// <param name="DryPct">Dry matter of the mix, percent.</param>
/// <param name="Holds">What it holds at label dryness: protein, fat, fibre, ash (percent), energy (MJ/kg).</param>
/// <param name="Bindings">Demands that bind, the dearest first.</param>
/// <param name="MustFall">For each part that is not used: how much cheaper a kg must become to be used; null for used ones.</param>
/// <param name="AtMost">For each part at its most: what one percent more of it would save on a kg as mixed; null elsewhere.</param>
public sealed record MixAnswer(
    IReadOnlyList<double> Shares,
    double CostPerKg,
    double DryPct,
    MixHolds Holds,
    IReadOnlyList<MixBinding> Bindings,
    IReadOnlyList<double?> MustFall,
    IReadOnlyList<double?> AtMost
)
{
    /// <summary>Cost of a kg at label dryness, so that wet and dry mixes compare.</summary>
    public double CostPerLabelKg => CostPerKg * MixDemand.LabelDry * 100 / DryPct;
}

/// <summary>What a mix holds at label dryness.</summary>
public readonly record struct MixHolds(
    double ProteinPct,
    double FatPct,
    double FibrePct,
    double AshPct,
    double EnergyMJKg
);

/// <summary>A demand that no mix of these parts can meet, and how near the nearest comes.</summary>
/// <param name="Name">Which.</param>
/// <param name="Wanted">What is wanted, at label dryness.</param>
/// <param name="Reached">What the nearest mix holds of it.</param>
public sealed record MixShort(string Name, double Wanted, double Reached);

/// <summary>
/// Least-cost feed from one's own ingredients: shares that sum to the whole, each under its limit, with the demands of the label
/// held at label dryness; a demand on Σ share·(content − wanted·dry/0.9) is linear however wet the parts are.
/// </summary>
public static class FeedMix
{
    private const double Tiny = 1e-7;

    /// <summary>Where the method comes from.</summary>
    public const string Source =
        "Linear programme solved by the simplex method; contents of the ingredient table, starting values";

    private static IEnumerable<(string Name, Func<Ingredient, double> Content, double Wanted, bool Least)> Demands(
        MixDemand d
    ) =>
        [
            ("protein", i => i.ProteinPct, d.ProteinPct, true),
            ("fat", i => i.FatPct, d.FatPct.Low, true),
            ("fat at most", i => i.FatPct, d.FatPct.High, false),
            ("fibre at most", i => i.FibrePct, d.FibrePct, false),
            ("ash at most", i => i.AshPct, d.AshPct, false),
            ("energy", i => i.EnergyMJKg, d.EnergyMJKg, true),
        ];

    /// <summary>The programme of a mix: one variable a part, as a share of one.</summary>
    public static LinearProgram Program(IReadOnlyList<MixPart> parts, MixDemand demand) =>
        new(
            [.. parts.Select(p => p.PricePerKg)],
            [.. parts.Select(p => p.MostPct / 100)],
            [
                new("whole", [.. parts.Select(_ => 1.0)], 1, 1),
                .. Demands(demand)
                    .Select(d => new LinearRow(
                        d.Name,
                        [.. parts.Select(p => Over(p.Of, d.Content, d.Wanted))],
                        d.Least ? 0 : double.NegativeInfinity,
                        d.Least ? double.PositiveInfinity : 0
                    )),
                new(
                    "water at most",
                    [.. parts.Select(p => 100 - p.Of.DryMatterPct)],
                    double.NegativeInfinity,
                    demand.WaterPct
                ),
            ]
        );

    /// <summary>Reads the solver's answer as a mix.</summary>
    public static MixAnswer Read(IReadOnlyList<MixPart> parts, MixDemand demand, LinearAnswer found)
    {
        double Sum(Func<Ingredient, double> content) => parts.Zip(found.Values, (p, x) => content(p.Of) * x).Sum();
        var dry = Sum(i => i.DryMatterPct);
        double Label(Func<Ingredient, double> content) => Sum(content) / dry * 100 * MixDemand.LabelDry;
        // A row's price is for its own right-hand side; a point of the demand moves that by the dry matter over 0.9.
        var perPoint = dry / 100 / MixDemand.LabelDry;
        var toLabel = MixDemand.LabelDry * 100 / dry;
        var bindings = Bindings(demand, found, perPoint, toLabel);
        double? Unused(int i) => found.Values[i] < Tiny && found.ReducedCosts[i] > Tiny ? found.ReducedCosts[i] : null;
        double? Full(int i) =>
            found.Values[i] > (parts[i].MostPct / 100) - Tiny && found.ReducedCosts[i] < -Tiny
                ? -found.ReducedCosts[i] / 100
                : null;
        return new(
            [.. found.Values.Select(x => 100 * x)],
            found.Cost,
            dry,
            new(
                Label(i => i.ProteinPct),
                Label(i => i.FatPct),
                Label(i => i.FibrePct),
                Label(i => i.AshPct),
                Label(i => i.EnergyMJKg)
            ),
            bindings,
            [.. parts.Select((_, i) => Unused(i))],
            [.. parts.Select((_, i) => Full(i))]
        );
    }

    private static List<MixBinding> Bindings(MixDemand demand, LinearAnswer found, double perPoint, double toLabel) =>
        Demands(demand)
            .Select((d, i) => new MixBinding(d.Name, found.RowPrices[i + 1] * perPoint * toLabel))
            .Where(b => Math.Abs(b.PricePerUnit) > Tiny)
            .OrderByDescending(b => Math.Abs(b.PricePerUnit))
            .ToList();

    /// <summary>
    /// The programme that finds the nearest mix where none meets all demands: every demand may be missed at a price, by percent of
    /// itself; what the best of these still misses cannot be met by these parts.
    /// </summary>
    public static LinearProgram Nearest(IReadOnlyList<MixPart> parts, MixDemand demand)
    {
        var program = Program(parts, demand);
        var rows = program.Rows.Skip(1).ToList();
        var slacks = rows.Count;
        var row = 0;
        return new(
            [.. parts.Select(_ => 0.0), .. rows.Select(r => 1 / Scale(r.Name, demand))],
            [.. program.Upper, .. rows.Select(_ => 1e6)],
            [.. program.Rows.Select(r => new LinearRow(r.Name, [.. r.Coefficients, .. Slack(r)], r.Low, r.High))]
        );

        IEnumerable<double> Slack(LinearRow r)
        {
            var mine = rows.Contains(r) ? row++ : -1;
            return Enumerable
                .Range(0, slacks)
                .Select(i =>
                    i == mine
                        ? double.IsNegativeInfinity(r.Low)
                            ? -1.0
                            : 1.0
                        : 0.0
                );
        }
    }

    /// <summary>What the nearest mix still misses; the limits of the parts themselves when even the whole cannot be filled.</summary>
    /// <param name="parts">The parts.</param>
    /// <param name="demand">The demands.</param>
    /// <param name="nearest">Answer to <see cref="Nearest"/>, or null when the parts' own limits leave no mix at all.</param>
    public static IReadOnlyList<MixShort> Missed(IReadOnlyList<MixPart> parts, MixDemand demand, LinearAnswer? nearest)
    {
        if (nearest is null)
            return [new("the whole: the most of all parts together", 100, parts.Sum(p => p.MostPct))];
        var shares = nearest.Values.Take(parts.Count).ToList();
        double Sum(Func<Ingredient, double> content) => parts.Zip(shares, (p, x) => content(p.Of) * x).Sum();
        var dry = Sum(i => i.DryMatterPct);
        var water = 100 - dry;
        return
        [
            .. Demands(demand)
                .Select(d => (d, Reached: Sum(d.Content) / dry * 100 * MixDemand.LabelDry))
                .Where(x => x.d.Least ? x.Reached < x.d.Wanted - 1e-6 : x.Reached > x.d.Wanted + 1e-6)
                .Select(x => new MixShort(x.d.Name, x.d.Wanted, x.Reached)),
            .. water > demand.WaterPct + 1e-6 ? new[] { new MixShort("water at most", demand.WaterPct, water) } : [],
        ];
    }

    private static double Scale(string name, MixDemand d) =>
        Math.Max(0.5, Demands(d).Where(x => x.Name == name).Select(x => x.Wanted).DefaultIfEmpty(d.WaterPct).First());

    private static double Over(Ingredient i, Func<Ingredient, double> content, double wanted) =>
        content(i) - (wanted / MixDemand.LabelDry * i.DryMatterPct / 100);

    /// <summary>The square: shares of two ingredients for a wanted content by hand, percent of the first; null when it does not lie between the two.</summary>
    /// <param name="firstPct">Content of the first, percent.</param>
    /// <param name="secondPct">Content of the second, percent.</param>
    /// <param name="wantedPct">Wanted, percent.</param>
    public static double? Square(double firstPct, double secondPct, double wantedPct) =>
        Math.Abs(firstPct - secondPct) < 1e-12 || (wantedPct - firstPct) * (wantedPct - secondPct) > 0
            ? null
            : 100 * Math.Abs(wantedPct - secondPct) / Math.Abs(firstPct - secondPct);
}
