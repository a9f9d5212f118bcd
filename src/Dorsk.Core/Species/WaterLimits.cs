using System.Globalization;

namespace Dorsk.Core.Species;

/// <summary>Life stage of a batch, by weight.</summary>
public enum LifeStage
{
    /// <summary>Under 1 g.</summary>
    Fry,

    /// <summary>From 1 g to ten times the size at which fingerlings are sold.</summary>
    Fingerling,

    /// <summary>Grow-out.</summary>
    Growing,
}

/// <summary>Limits of the water for a species at a life stage.</summary>
/// <param name="DoTargetMgL">Oxygen wanted at dawn, mg/L.</param>
/// <param name="DoWatchMgL">Watch level, mg/L.</param>
/// <param name="DoActMgL">Act level, mg/L.</param>
/// <param name="TempLowC">Lower end of the band, °C.</param>
/// <param name="TempHighC">Upper end of the band, °C.</param>
/// <param name="PhLow">Lower end of the pH band.</param>
/// <param name="PhHigh">Upper end of the pH band.</param>
/// <param name="Nh3ConstantMgL">Un-ionised ammonia to bear for days, mg NH₃-N/L.</param>
/// <param name="Nh3PeakMgL">Un-ionised ammonia not to be passed, mg NH₃-N/L.</param>
/// <param name="NitriteMgL">Nitrite, mg N/L, in water of low chloride.</param>
/// <param name="AlkalinityMinMgL">Least alkalinity, mg/L as CaCO₃.</param>
/// <param name="Source">Where the row comes from, with its confidence.</param>
public sealed record WaterLimits(
    double DoTargetMgL,
    double DoWatchMgL,
    double DoActMgL,
    double TempLowC,
    double TempHighC,
    double PhLow,
    double PhHigh,
    double Nh3ConstantMgL,
    double Nh3PeakMgL,
    double NitriteMgL,
    double AlkalinityMinMgL,
    string Source
)
{
    /// <summary>Fastest change of temperature they bear, °C an hour.</summary>
    public double MaxTempChangeCPerH { get; init; } = 5;

    /// <summary>Most carbon dioxide, mg/L.</summary>
    public double CarbonDioxideMgL { get; init; } = 20;

    /// <summary>Least hardness, mg/L as CaCO₃; 0 where sea water is asked for.</summary>
    public double HardnessMinMgL { get; init; }

    private static readonly Dictionary<string, WaterLimits> Eggs = Rows("egg"),
        Spawners = Rows("brood at spawning");

    // The fingerling rows of a group fall back on its growing row, and fry rows on what the group calls its young.
    private static readonly Dictionary<(string, LifeStage), WaterLimits> Table = Build();

    /// <summary>Limits of warm-water fish in grow-out, for calculators that are given no fish.</summary>
    public static WaterLimits WarmWaterFish => Table[(LimitGroups.WarmWater, LifeStage.Growing)];

    /// <summary>Limits for a species at a stage: the farm's own where it set some, else those of the table.</summary>
    public static WaterLimits For(FishSpecies species, LifeStage stage) =>
        species.OwnLimits is { } own && own.TryGetValue(stage, out var limits)
            ? limits
            : Table[(species.LimitGroup, stage)];

    /// <summary>Limits of the water for eggs: the group's own row, else that of its fry.</summary>
    /// <param name="species">The species.</param>
    public static WaterLimits OfEggs(FishSpecies species) =>
        Eggs.GetValueOrDefault(species.LimitGroup) ?? For(species, LifeStage.Fry);

    /// <summary>Limits of the water for fish that spawn: the group's own row, else that of its grown fish.</summary>
    /// <param name="species">The species.</param>
    public static WaterLimits OfSpawners(FishSpecies species) =>
        Spawners.GetValueOrDefault(species.LimitGroup) ?? For(species, LifeStage.Growing);

    /// <summary>Stage of a fish by its mean weight: fry under 1 g, fingerlings up to ten times the upper selling size, then growing.</summary>
    /// <param name="species">The species.</param>
    /// <param name="meanG">Mean weight, g.</param>
    public static LifeStage StageOf(FishSpecies species, double meanG) =>
        meanG < 1 ? LifeStage.Fry
        : meanG < Math.Max(10, species.FingerlingHighG * 10) ? LifeStage.Fingerling
        : LifeStage.Growing;

    private static Dictionary<(string, LifeStage), WaterLimits> Build()
    {
        var table = new Dictionary<(string, LifeStage), WaterLimits>();
        foreach (var group in Csv.Embedded("water_limits_by_stage.csv").GroupBy(r => r["group"]))
        {
            var growing = group.First(r => r["stage"].StartsWith("growing", StringComparison.Ordinal));
            var fingerling = group.FirstOrDefault(r => r["stage"] == "fingerling") ?? growing;
            var fry = group.FirstOrDefault(r =>
                r["stage"].Contains("fry", StringComparison.Ordinal)
                || r["stage"].Contains("larva", StringComparison.Ordinal)
            ) ?? fingerling;
            table[(group.Key, LifeStage.Growing)] = Row(growing);
            table[(group.Key, LifeStage.Fingerling)] = Row(fingerling);
            table[(group.Key, LifeStage.Fry)] = Row(fry);
        }
        return table;
    }

    private static Dictionary<string, WaterLimits> Rows(string stage) =>
        Csv.Embedded("water_limits_by_stage.csv").Where(r => r["stage"] == stage).ToDictionary(r => r["group"], Row);

    private static WaterLimits Row(IReadOnlyDictionary<string, string> r)
    {
        double N(string column) => double.Parse(r[column], CultureInfo.InvariantCulture);
        return new(
            N("do_target"),
            N("do_watch"),
            N("do_act"),
            N("temp_low_c"),
            N("temp_high_c"),
            N("ph_low"),
            N("ph_high"),
            N("nh3n_constant_mg_l"),
            N("nh3n_peak_mg_l"),
            N("no2n_max_low_cl_mg_l"),
            N("alkalinity_min"),
            $"Limits by life stage, {r["group"]}, {r["stage"]}; {r["source"]}; confidence {r["confidence"]}, starting value"
        )
        {
            MaxTempChangeCPerH = N("max_temp_change_c_per_h"),
            CarbonDioxideMgL = N("co2_max_mg_l"),
            HardnessMinMgL = r["hardness_min"] == "sea" ? 0 : N("hardness_min"),
        };
    }
}
