using System.Collections.Immutable;
using Dorsk.Core.Judging;
using Dorsk.Core.Units;

namespace Dorsk.Core.Species;

/// <summary>The farm puts its own figure in place of a species' starting value; valid from its instant.</summary>
/// <param name="SpeciesKey">The species.</param>
/// <param name="Field">Key of the value.</param>
/// <param name="Value">SI; null goes back to the starting value.</param>
public sealed record SpeciesValueSet(string SpeciesKey, string Field, double? Value) : Fact;

/// <summary>A value of a species that the farm may set.</summary>
/// <param name="Key">Its key.</param>
/// <param name="Name">Plain words.</param>
/// <param name="Measure">How it is typed.</param>
/// <param name="Low">Nothing below is taken, SI.</param>
/// <param name="High">Nothing above, SI.</param>
/// <param name="Of">Reads it.</param>
/// <param name="With">Puts another in its place.</param>
public sealed record SpeciesValue(
    string Key,
    string Name,
    Measure Measure,
    double Low,
    double High,
    Func<FishSpecies, double> Of,
    Func<FishSpecies, double, FishSpecies> With
)
{
    private static readonly Measure Rate = Measures.Plain with { Decimals = 3, UsDecimals = 3 },
        Ratio = Measures.Plain with { Decimals = 2, UsDecimals = 2 };

    /// <summary>Growth, feed and capacity.</summary>
    public static readonly IReadOnlyList<SpeciesValue> Growth =
    [
        new("feed_min", "feeds from", Measures.Temperature, 0, 35, s => s.FeedMinC, (s, v) => s with { FeedMinC = v }),
        new(
            "growth_min",
            "grows from",
            Measures.Temperature,
            0,
            35,
            s => s.GrowthMinC,
            (s, v) => s with { GrowthMinC = v }
        ),
        new(
            "growth_opt",
            "grows best at",
            Measures.Temperature,
            5,
            38,
            s => s.GrowthOptC,
            (s, v) => s with { GrowthOptC = v }
        ),
        new(
            "growth_max",
            "stops growing at",
            Measures.Temperature,
            10,
            45,
            s => s.GrowthMaxC,
            (s, v) => s with { GrowthMaxC = v }
        ),
        new(
            "do_lethal",
            "lethal oxygen",
            Measures.Oxygen,
            0,
            5,
            s => s.LethalDoMgL,
            (s, v) => s with { LethalDoMgL = v }
        ),
        new(
            "growth",
            "growth rate G, g^(1/3) per day",
            Rate,
            0.005,
            0.4,
            s => s.GrowthG13PerDay,
            (s, v) => s with { GrowthG13PerDay = v }
        ),
        new(
            "growth_power",
            "power of the weight in growth",
            Rate,
            0.4,
            1,
            s => s.GrowthPower,
            (s, v) => s with { GrowthPower = v }
        ),
        new(
            "growth_cap",
            "most gain in a day",
            Measures.FishWeight,
            0.05,
            100,
            s => s.GrowthCapGPerDay,
            (s, v) => s with { GrowthCapGPerDay = v }
        ),
        new("fcr_fry", "feed conversion ratio (FCR), fry", Ratio, 0, 5, s => s.FcrFry, (s, v) => s with { FcrFry = v }),
        new(
            "fcr_fingerling",
            "feed conversion ratio (FCR), fingerlings",
            Ratio,
            0,
            5,
            s => s.FcrFingerling,
            (s, v) => s with { FcrFingerling = v }
        ),
        new(
            "fcr_growout",
            "feed conversion ratio (FCR), grow-out",
            Ratio,
            0,
            6,
            s => s.FcrGrowOut,
            (s, v) => s with { FcrGrowOut = v }
        ),
        new(
            "market_low",
            "market size from",
            Measures.FishWeight,
            1,
            20_000,
            s => s.MarketLowG,
            (s, v) => s with { MarketLowG = v }
        ),
        new(
            "survival",
            "survival, grow-out",
            Measures.Share,
            5,
            100,
            s => s.SurvivalGrowOutPct,
            (s, v) => s with { SurvivalGrowOutPct = v }
        ),
        new(
            "capacity_no_air",
            "carrying capacity, pond without aeration",
            Measures.AreaLoad,
            0,
            50_000,
            s => s.CapacityNoAirKgHa,
            (s, v) => s with { CapacityNoAirKgHa = v }
        ),
        new(
            "capacity_air",
            "carrying capacity, pond aerated at night",
            Measures.AreaLoad,
            0,
            100_000,
            s => s.CapacityAeratedKgHa,
            (s, v) => s with { CapacityAeratedKgHa = v }
        ),
        new(
            "capacity_tank",
            "carrying capacity, tank",
            Measures.VolumeLoad,
            0,
            400,
            s => s.CapacityTankKgM3,
            (s, v) => s with { CapacityTankKgM3 = v }
        ),
        new(
            "feed_cap",
            "factor on the daily feed limit",
            Ratio,
            0.1,
            5,
            s => s.FeedCapFactor,
            (s, v) => s with { FeedCapFactor = v }
        ),
    ];

    /// <summary>Sizes, what it survives, how it breathes, its stocking densities.</summary>
    public static readonly IReadOnlyList<SpeciesValue> Body =
    [
        new(
            "lethal_low",
            "lethal temperature, low",
            Measures.Temperature,
            -1,
            30,
            s => s.LethalLowC,
            (s, v) => s with { LethalLowC = v }
        ),
        new(
            "lethal_high",
            "lethal temperature, high",
            Measures.Temperature,
            15,
            46,
            s => s.LethalHighC,
            (s, v) => s with { LethalHighC = v }
        ),
        new(
            "salinity_low",
            "lowest salinity",
            Measures.Salinity,
            0,
            35,
            s => s.SalinityLowPpt,
            (s, v) => s with { SalinityLowPpt = v }
        ),
        new(
            "salinity_high",
            "highest salinity",
            Measures.Salinity,
            0.5,
            60,
            s => s.SalinityHighPpt,
            (s, v) => s with { SalinityHighPpt = v }
        ),
        new(
            "first_feed",
            "weight at first feeding",
            Measures.FishWeight,
            0.00001,
            5,
            s => s.FirstFeedFryG,
            (s, v) => s with { FirstFeedFryG = v }
        ),
        new(
            "fingerling_low",
            "fingerling from",
            Measures.FishWeight,
            0.0005,
            200,
            s => s.FingerlingLowG,
            (s, v) => s with { FingerlingLowG = v }
        ),
        new(
            "fingerling_high",
            "fingerling up to",
            Measures.FishWeight,
            0.01,
            500,
            s => s.FingerlingHighG,
            (s, v) => s with { FingerlingHighG = v }
        ),
        new(
            "market_high",
            "market size up to",
            Measures.FishWeight,
            1,
            30_000,
            s => s.MarketHighG,
            (s, v) => s with { MarketHighG = v }
        ),
        new(
            "weight_cv",
            "spread of weights (CV)",
            Measures.Share,
            2,
            80,
            s => s.WeightCvPct,
            (s, v) => s with { WeightCvPct = v }
        ),
        new(
            "found_ponds",
            "share of the dead that is found in ponds",
            Measures.Share,
            10,
            100,
            s => s.FoundInPondsPct,
            (s, v) => s with { FoundInPondsPct = v }
        ),
        new(
            "survival_fry",
            "survival, fry to fingerling",
            Measures.Share,
            1,
            100,
            s => s.SurvivalFryPct,
            (s, v) => s with { SurvivalFryPct = v }
        ),
        new(
            "respiration",
            "oxygen use, channel catfish = 1",
            Ratio,
            0.2,
            3,
            s => s.RespirationFactor,
            (s, v) => s with { RespirationFactor = v }
        ),
        OfColumn("condition", "condition factor K, total length", Ratio, 0.2, 5, "condition_k_tl"),
        OfColumn("prey", "longest prey, part of own length", Ratio, 0, 1, "prey_length_max_ratio"),
        OfColumn(
            "density_no_air",
            "stocking density, pond without aeration",
            Measures.FishPerArea,
            0.01,
            200,
            "pond_no_air_per_m2"
        ),
        OfColumn(
            "density_air",
            "stocking density, aerated pond",
            Measures.FishPerArea,
            0.01,
            500,
            "pond_aerated_per_m2"
        ),
        OfColumn("density_tank", "stocking density, tank", Measures.FishPerVolume, 0, 5000, "tank_per_m3"),
        OfColumn("density_cage", "stocking density, cage", Measures.FishPerVolume, 0, 5000, "cage_per_m3"),
    ];

    /// <summary>All of them, in the order of the page.</summary>
    public static readonly IReadOnlyList<SpeciesValue> All = [.. Growth, .. Body];

    private static SpeciesValue OfColumn(
        string key,
        string name,
        Measure measure,
        double low,
        double high,
        string column
    ) =>
        new(
            key,
            name,
            measure,
            low,
            high,
            s => SpeciesTable.Figure(s, column),
            (s, v) => s with { OwnFigures = Laid(s, column, v) }
        );

    /// <summary>A value by key, or null.</summary>
    public static SpeciesValue? Find(string key) => All.FirstOrDefault(v => v.Key == key);

    /// <summary>Objections to a figure, with the species as it would stand.</summary>
    public static IEnumerable<Remark> Check(SpeciesValueSet set, FishSpecies? species, Hand hand)
    {
        if (species is null || Find(set.Field) is not { } field)
        {
            yield return Remark.Refuse("", "There is no such species or value.");
            yield break;
        }
        string Say(double si) => QuantityText.Write(si, field.Measure, hand);
        if (set.Value is { } v && (!double.IsFinite(v) || v < field.Low || v > field.High))
            yield return Remark.Refuse(
                field.Key,
                $"{(double.IsFinite(v) ? Say(v) : "That")} is outside what can be: {Say(field.Low)} to {Say(field.High)}."
            );
        else if (set.Value is not null && Disorder(species) is { } disorder)
            yield return Remark.Refuse(field.Key, disorder);
    }

    // The table's own figure is none of the farm's.
    private static ImmutableDictionary<string, double>? Laid(FishSpecies s, string column, double figure)
    {
        var own = (s.OwnFigures ?? ImmutableDictionary<string, double>.Empty).ToImmutableDictionary();
        var laid =
            figure == SpeciesTable.Figure(s with { OwnFigures = null }, column)
                ? own.Remove(column)
                : own.SetItem(column, figure);
        return laid.IsEmpty ? null : laid;
    }

    // Figures that must rise; null while they do.
    private static string? Disorder(FishSpecies s)
    {
        (bool Rises, string Says)[] orders =
        [
            (
                s.GrowthMinC < s.GrowthOptC && s.GrowthOptC < s.GrowthMaxC,
                "The three temperatures of growth must rise: from, best, no more."
            ),
            (
                s.LethalLowC < s.GrowthOptC && s.GrowthOptC < s.LethalHighC,
                "The best temperature lies between those that kill."
            ),
            (s.SalinityLowPpt < s.SalinityHighPpt, "The least salinity is under the most."),
            (
                s.FirstFeedFryG < s.FingerlingHighG
                    && s.FingerlingLowG < s.FingerlingHighG
                    && s.FingerlingHighG <= s.MarketHighG,
                "Sizes must rise: first feeding, fingerling from and up to, market."
            ),
            (s.MarketLowG < s.MarketHighG, "Market size goes from less to more."),
        ];
        var wrong = Array.Find(orders, o => !o.Rises).Says;
        return wrong is null ? null : wrong + " Change another one first.";
    }
}
