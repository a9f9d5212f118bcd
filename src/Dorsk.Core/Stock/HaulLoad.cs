using System.Globalization;
using System.Text.RegularExpressions;
using Dorsk.Core.Species;

namespace Dorsk.Core.Stock;

/// <summary>What the trade loads: kilograms a litre in aerated tanks on the road, fish a litre in bags, by size, hours and temperature.</summary>
/// <param name="FishG">Weight of fish of the row, g.</param>
/// <param name="RefC">Temperature it holds for, °C.</param>
/// <param name="Loads">Load by hours.</param>
/// <param name="Factor">Load is multiplied by this for so many degrees more.</param>
/// <param name="PerC">The degrees.</param>
/// <param name="Note">Salt, notes.</param>
/// <param name="MaxC">Not warmer than this, °C; null where the table has none.</param>
/// <param name="Source">Where it comes from.</param>
public sealed partial record HaulLoad(
    double FishG,
    double RefC,
    IReadOnlyList<(double Hours, double Load)> Loads,
    double Factor,
    double PerC,
    string Note,
    double? MaxC,
    string Source
)
{
    /// <summary>Salt that is usual in the tank, g/L from and to; null where the table has none.</summary>
    public (double Low, double High)? SaltGL =>
        SaltRule().Match(Note) is { Success: true } m
            ? (N(m.Groups[1].Value), N(m.Groups[2].Success ? m.Groups[2].Value : m.Groups[1].Value))
            : null;

    private static readonly (string Name, string Group)[] Kin =
    [
        ("Common carp", "carps"),
        ("Rohu", "carps"),
        ("Silver carp", "carps"),
        ("Nile tilapia", "tilapia"),
        ("Largemouth bass", "bass, hybrid striped bass"),
        ("Redclaw crayfish", "redclaw"),
    ];

    private static readonly ILookup<string, HaulLoad> Tanks = Csv.Embedded("transport_tank_loading.csv")
        .Where(r => r["kg_per_l_4h"].Length > 0)
        .ToLookup(
            r => r["group"],
            r => Row(r, "fish_g", [(4, "kg_per_l_4h"), (8, "kg_per_l_8h"), (16, "kg_per_l_16h")])
        );

    private static readonly ILookup<string, HaulLoad> Bags = Csv.Embedded("transport_bags.csv")
        .Where(r => r["number_per_l_24h"].Length > 0)
        .ToLookup(
            r => r["group"],
            r => Row(r, "mean_g", [(6, "number_per_l_6h"), (12, "number_per_l_12h"), (24, "number_per_l_24h")])
        );

    /// <summary>Kilograms a litre in a tank, or null where the table has nothing for this fish.</summary>
    /// <param name="species">The species.</param>
    /// <param name="meanG">Mean weight, g; above 0.</param>
    /// <param name="hours">Hours; 0 or more.</param>
    /// <param name="tempC">Water temperature, °C.</param>
    public static (double Load, HaulLoad Row)? Tank(FishSpecies species, double meanG, double hours, double tempC) =>
        Nearest(Tanks, species, meanG) is { } row ? (row.At(hours, tempC), row) : null;

    /// <summary>Fish a litre in a bag for this weight (the row's mass of fish kept), or null.</summary>
    /// <param name="species">The species.</param>
    /// <param name="meanG">Mean weight, g; above 0.</param>
    /// <param name="hours">Hours; 0 or more.</param>
    /// <param name="tempC">Water temperature, °C.</param>
    public static (double PerL, HaulLoad Row)? Bag(FishSpecies species, double meanG, double hours, double tempC) =>
        Nearest(Bags, species, meanG) is { } row
            ? (row.At(hours, tempC) * Math.Pow(row.FishG / meanG, 0.82), row)
            : null;

    /// <summary>Hours without feed before the road, by weight (Berka 1986): larvae none, as they turn on each other.</summary>
    /// <param name="meanG">Mean weight, g; above 0.</param>
    public static (double Low, double High) FastH(double meanG) =>
        meanG switch
        {
            < 0.02 => (0, 6),
            < 1 => (6, 18),
            < 100 => (18, 36),
            _ => (24, 48),
        };

    /// <summary>Load by hours (between the table's hours by ratio, beyond them by the last slope) and temperature.</summary>
    public double At(double hours, double tempC)
    {
        var h = Math.Max(0.5, hours);
        var i = h <= Loads[1].Hours ? 0 : 1;
        var ((h0, l0), (h1, l1)) = (Loads[i], Loads[i + 1]);
        // Longer roads by the same power; never more than the first column allows.
        var load = Math.Min(Loads[0].Load, l0 * Math.Pow(h / h0, Math.Log(l1 / l0) / Math.Log(h1 / h0)));
        return load * Math.Pow(Factor, (tempC - RefC) / PerC);
    }

    private static HaulLoad? Nearest(ILookup<string, HaulLoad> table, FishSpecies species, double meanG)
    {
        var group = Kin.FirstOrDefault(k => k.Name == species.Name).Group ?? species.Name;
        return table
            .Where(g =>
                g.Key.Equals(group, StringComparison.OrdinalIgnoreCase)
                || g.Key.Split(',', StringSplitOptions.TrimEntries)
                    .Any(p => p.Equals(group, StringComparison.OrdinalIgnoreCase))
            )
            .SelectMany(g => g)
            .MinBy(r => Math.Abs(Math.Log(r.FishG / meanG)));
    }

    private static HaulLoad Row(
        IReadOnlyDictionary<string, string> r,
        string weight,
        (double Hours, string Column)[] columns
    )
    {
        var rule = Rule().Match(r.GetValueOrDefault("temp_rule", ""));
        var notes = new[]
        {
            r.TryGetValue("salt_g_l", out var salt) && salt.Length > 0 ? $"salt {salt} g/L" : "",
            r["note"],
        }.Where(n => n.Length > 0);
        return new(
            N(r[weight]),
            N(r["ref_temp_c"]),
            [.. columns.Select(c => (c.Hours, N(r[c.Column])))],
            rule.Success ? N(rule.Groups[1].Value) : 0.75,
            rule.Success ? N(rule.Groups[2].Value) : 5,
            string.Join("; ", notes),
            r.TryGetValue("max_temp_c", out var max) && max.Length > 0 ? N(max) : null,
            r["source"]
        );
    }

    private static double N(string text) => double.Parse(text, CultureInfo.InvariantCulture);

    [GeneratedRegex(@"^salt ([\d.]+)(?:-([\d.]+))? g/L")]
    private static partial Regex SaltRule();

    [GeneratedRegex(@"x([\d.]+) per \+([\d.]+) C")]
    private static partial Regex Rule();
}
