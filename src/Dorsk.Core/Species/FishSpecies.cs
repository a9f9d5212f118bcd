using System.Globalization;

namespace Dorsk.Core.Species;

/// <summary>A species with its starting values (grow-out stage). Each figure is of the trade, with source and confidence, and may be replaced by the farm.</summary>
/// <param name="Key">Stable key, for example <c>silver_perch</c>.</param>
/// <param name="Name">Common name.</param>
/// <param name="LimitGroup">Group of the table of limits by life stage.</param>
/// <param name="FeedMinC">No feeding below, °C.</param>
/// <param name="GrowthMinC">No growth at or below, °C.</param>
/// <param name="GrowthOptC">Best growth, °C.</param>
/// <param name="GrowthMaxC">No growth at or above, °C.</param>
/// <param name="LethalDoMgL">Oxygen that kills, mg/L.</param>
/// <param name="GrowthG13PerDay">G of dW/dt = G·W^(2/3)·f(T), g^(1/3) per day.</param>
/// <param name="GrowthCapGPerDay">Greatest gain, g per day.</param>
/// <param name="FcrFry">Feed per gain, fry; 0 = not fed.</param>
/// <param name="FcrFingerling">Feed per gain, fingerlings.</param>
/// <param name="FcrGrowOut">Feed per gain, grow-out.</param>
/// <param name="MarketLowG">Lower end of market size, g.</param>
/// <param name="FingerlingHighG">Upper end of the fingerling size, g.</param>
/// <param name="WeightCvPct">Usual spread of weights, percent.</param>
/// <param name="SurvivalGrowOutPct">Usual survival over grow-out, percent.</param>
/// <param name="SurvivalFryPct">Usual survival from fry to fingerling, percent.</param>
/// <param name="CapacityNoAirKgHa">What an earthen pond carries without aeration, kg/ha; 0 = not suited.</param>
/// <param name="CapacityAeratedKgHa">The same with nightly aeration, kg/ha.</param>
/// <param name="CapacityTankKgM3">What a tank carries, kg/m³.</param>
/// <param name="RespirationFactor">Oxygen use against channel catfish of the same weight and temperature.</param>
/// <param name="FeedCapFactor">Factor on the greatest daily feed of a pond.</param>
/// <param name="LegalCaution">Caution to show before buying.</param>
/// <param name="Confidence">high, medium or low.</param>
/// <param name="Source">Where the row comes from.</param>
public sealed record FishSpecies(
    string Key,
    string Name,
    string LimitGroup,
    double FeedMinC,
    double GrowthMinC,
    double GrowthOptC,
    double GrowthMaxC,
    double LethalDoMgL,
    double GrowthG13PerDay,
    double GrowthCapGPerDay,
    double FcrFry,
    double FcrFingerling,
    double FcrGrowOut,
    double MarketLowG,
    double FingerlingHighG,
    double WeightCvPct,
    double SurvivalGrowOutPct,
    double SurvivalFryPct,
    double CapacityNoAirKgHa,
    double CapacityAeratedKgHa,
    double CapacityTankKgM3,
    double RespirationFactor,
    double FeedCapFactor,
    string LegalCaution,
    string Confidence,
    string Source
)
{
    /// <summary>Key of the species of the tables whose rows hold where the farm set no figure of its own: its own key, or the one it was copied from.</summary>
    public string BaseKey => OwnSpecies.BaseOf(Key);

    /// <summary>Figures of columns that only one rule needs, in place of the table's, by column.</summary>
    public IReadOnlyDictionary<string, double>? OwnFigures { get; init; }

    /// <summary>Limits that the farm set itself, by stage; null when it set none.</summary>
    public IReadOnlyDictionary<LifeStage, WaterLimits>? OwnLimits { get; init; }

    /// <summary>The farm's own feeding table, lightest fish first; null: the starting values of the trade.</summary>
    public IReadOnlyList<FeedTableRow>? OwnFeeds { get; init; }

    /// <summary>Upper end of market size, g; fish over it are a class of their own.</summary>
    public double MarketHighG { get; init; }

    /// <summary>Water at or under it kills within days, °C.</summary>
    public double LethalLowC { get; init; }

    /// <summary>Water at or over it kills, °C.</summary>
    public double LethalHighC { get; init; }

    /// <summary>Least salinity they bear for long, ppt.</summary>
    public double SalinityLowPpt { get; init; }

    /// <summary>Most salinity they bear for long, ppt.</summary>
    public double SalinityHighPpt { get; init; }

    /// <summary>Fingerlings a nursery pond is usually stocked with, a m²; null where the trade knows none.</summary>
    public double? NurseryPerM2 { get; init; }

    /// <summary>Weight of fry that begin to feed, g.</summary>
    public double FirstFeedFryG { get; init; }

    /// <summary>Lower end of the fingerling size, g.</summary>
    public double FingerlingLowG { get; init; }

    /// <summary>Power of the weight in dW/dt = G·W^power·f(T): 2/3 by the cube-root law, less where large fish slow down sooner.</summary>
    public double GrowthPower { get; init; } = CubeRootPower;

    /// <summary>The power of the cube-root law.</summary>
    public const double CubeRootPower = 2.0 / 3;

    /// <summary>Share of the dead that is found in ponds, per cent.</summary>
    public double FoundInPondsPct { get; init; } = UsuallyFoundPct;

    /// <summary>Share of the dead that is usually found in ponds, per cent; judged.</summary>
    public const double UsuallyFoundPct = 60;

    /// <summary>Weight at which the growth figure holds whatever the power, g: midway from fingerling to market, in logs.</summary>
    public double MiddleG => Math.Sqrt(FingerlingHighG * MarketLowG);

    /// <summary>Whether they live at the floor, as shrimps, prawns and crayfish do: the water there is what they breathe.</summary>
    public bool AtTheFloor { get; init; }

    /// <summary>All species that ship, in the order of the table.</summary>
    public static IReadOnlyList<FishSpecies> All { get; } = Csv.Embedded("species.csv").Select(Row).ToList();

    /// <summary>A species by key, or null; one of a farm's own stands with the figures of the one it was copied from.</summary>
    public static FishSpecies? Find(string key) =>
        All.FirstOrDefault(s => s.Key == key) is { } species ? species
        : OwnSpecies.NameOf(key) is { } name ? Copied(key, name)
        : null;

    private static FishSpecies? Copied(string key, string name)
    {
        var from = OwnSpecies.BaseOf(key);
        return All.FirstOrDefault(s => s.Key == from) is { } species
            ? species with
            {
                Key = key,
                Name = name,
                Confidence = "low",
                Source = $"copied from {species.Name.ToLowerInvariant()} ({species.Source})",
            }
            : null;
    }

    /// <summary>A species that is known to exist: the books hold no other keys.</summary>
    public static FishSpecies Of(string key) =>
        Find(key) ?? throw new KeyNotFoundException($"No species {key} in the tables.");

    private static FishSpecies Row(IReadOnlyDictionary<string, string> r)
    {
        double N(string column, double missing = 0) =>
            r[column].Length == 0 ? missing : double.Parse(r[column], CultureInfo.InvariantCulture);
        return new(
            r["key"],
            r["common_name"],
            LimitGroups.Of(r["key"]),
            N("feed_temp_min_c"),
            N("growth_temp_min_c"),
            N("growth_temp_opt_c"),
            N("growth_temp_max_c"),
            N("do_lethal_mg_l"),
            N("growth_g13_per_day"),
            N("growth_cap_g_per_day", double.PositiveInfinity),
            N("fcr_fry"),
            N("fcr_fingerling"),
            N("fcr_growout"),
            N("market_low_g"),
            N("fingerling_high_g"),
            N("weight_cv_pct"),
            N("survival_growout_pct"),
            N("survival_fry_to_fingerling_pct"),
            N("capacity_earthen_no_air_kg_ha"),
            N("capacity_earthen_aerated_kg_ha"),
            N("capacity_tank_kg_m3"),
            N("respiration_factor", 1),
            N("feed_cap_factor", 1),
            r["legal_caution"],
            r["confidence"],
            r["source"]
        )
        {
            MarketHighG = N("market_high_g", double.PositiveInfinity),
            LethalLowC = N("lethal_low_c"),
            LethalHighC = N("lethal_high_c", double.PositiveInfinity),
            SalinityLowPpt = N("salinity_low_ppt"),
            SalinityHighPpt = N("salinity_high_ppt", double.PositiveInfinity),
            NurseryPerM2 = r["nursery_per_m2"].Length == 0 ? null : N("nursery_per_m2"),
            FirstFeedFryG = N("first_feed_fry_g"),
            FingerlingLowG = N("fingerling_low_g"),
            AtTheFloor = r["group"] == "crustacean",
        };
    }
}
