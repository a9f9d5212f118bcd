using System.Globalization;
using Dorsk.Core.Species;
using Dorsk.Core.Units;

namespace Dorsk.Core.Water;

/// <summary>Something that is read from water or weather, with the ranges in which a figure is believable (SI).</summary>
/// <param name="Key">Stable key in the books.</param>
/// <param name="Name">Plain name.</param>
/// <param name="Measure">How it is typed and printed.</param>
/// <param name="HardLow">Nothing below can be entered.</param>
/// <param name="UsualLow">Below this is asked about.</param>
/// <param name="UsualHigh">Above this is asked about.</param>
/// <param name="HardHigh">Nothing above can be entered.</param>
/// <param name="JumpPerDay">A larger change in a day is asked about; null when there is no such rule.</param>
/// <param name="OfFarm">Weather belongs to the farm, water to a pond.</param>
public sealed record Parameter(
    string Key,
    string Name,
    Measure Measure,
    double HardLow,
    double UsualLow,
    double UsualHigh,
    double HardHigh,
    double? JumpPerDay = null,
    bool OfFarm = false
)
{
    /// <summary>Steps of a described scale, the first of them 1; empty for figures.</summary>
    public IReadOnlyList<string> Steps { get; private init; } = [];

    /// <summary>The step nearest to a value of a described scale, in words.</summary>
    public string StepAt(double si) => Steps[Math.Clamp((int)Math.Round(si), 1, Steps.Count) - 1];

    /// <summary>A change over days that matters, SI; null: a fifth of the usual value.</summary>
    public double? Matters { get; private init; }

    /// <summary>Two instruments may differ by so much, SI; null: three tenths of the larger.</summary>
    public double? Apart { get; private init; }

    private static readonly Dictionary<string, IReadOnlyDictionary<string, string>> Ranges = Csv.Embedded(
            "reading_plausible_ranges.csv"
        )
        .ToDictionary(r => r["quantity"]);

    /// <summary>Dissolved oxygen, mg/L.</summary>
    public static readonly Parameter Oxygen = Of("do", "oxygen", Measures.Oxygen, "dissolved oxygen") with
    {
        Matters = 1,
        Apart = 1,
    };

    /// <summary>Water temperature, °C.</summary>
    public static readonly Parameter Temperature = Of(
        "temp",
        "water temperature",
        Measures.Temperature,
        "temperature",
        jumpPerDay: 4
    ) with
    {
        Matters = 3,
        Apart = 1,
    };

    /// <summary>pH.</summary>
    public static readonly Parameter Ph = Of("ph", "pH", Measures.Ph, "pH", jumpPerDay: 1.5) with
    {
        Matters = 0.3,
        Apart = 0.4,
    };

    /// <summary>Total ammonia as nitrogen, mg N/L.</summary>
    public static readonly Parameter Tan = Of(
        "tan",
        "total ammonia (TAN, as N)",
        Measures.Concentration,
        "TAN as N"
    ) with
    {
        Matters = 0.2,
    };

    /// <summary>Nitrite as nitrogen, mg N/L.</summary>
    public static readonly Parameter Nitrite = Of(
        "nitrite",
        "nitrite (as N)",
        Measures.Concentration,
        "nitrite as N"
    ) with
    {
        Matters = 0.1,
    };

    /// <summary>Alkalinity, mg/L as CaCO₃.</summary>
    public static readonly Parameter Alkalinity = Of(
        "alkalinity",
        "alkalinity (as CaCO₃)",
        Measures.CoarseConcentration,
        "alkalinity"
    );

    /// <summary>Salinity, ppt.</summary>
    public static readonly Parameter Salinity = Of("salinity", "salinity", Measures.Salinity, "salinity");

    /// <summary>Nitrate as nitrogen, mg N/L.</summary>
    public static readonly Parameter Nitrate = Of("nitrate", "nitrate (as N)", Measures.Concentration, "nitrate as N");

    /// <summary>Total hardness, mg/L as CaCO₃.</summary>
    public static readonly Parameter Hardness = Of(
        "hardness",
        "hardness (as CaCO₃)",
        Measures.CoarseConcentration,
        "hardness"
    );

    /// <summary>Chloride, mg/L.</summary>
    public static readonly Parameter Chloride = Of("chloride", "chloride", Measures.CoarseConcentration, "chloride");

    /// <summary>Carbon dioxide, mg/L.</summary>
    public static readonly Parameter CarbonDioxide = Of("co2", "carbon dioxide", Measures.Oxygen, "CO2");

    /// <summary>Turbidity, NTU.</summary>
    public static readonly Parameter Turbidity = Of("turbidity", "turbidity", Measures.Turbidity, "turbidity");

    /// <summary>Solids settled in a cone, mL/L.</summary>
    public static readonly Parameter SettledSolids = Of("solids", "settled solids", Measures.Settled, "settled solids");

    /// <summary>Colour of the water by a described scale.</summary>
    public static readonly Parameter Colour = Scale(
        "colour",
        "colour of the water",
        "clear, the floor is seen",
        "light green",
        "green",
        "deep green",
        "brown-green",
        "brown",
        "muddy, clay",
        "milky or silvery, with drifting specks",
        "black or grey, smells"
    );

    /// <summary>Film on the water by a described scale.</summary>
    public static readonly Parameter Film = Scale(
        "film",
        "film on the water",
        "none",
        "foam that goes by noon",
        "foam that stays",
        "a skin of algae or oil",
        "scum in the lee, blue-green like paint"
    );

    /// <summary>Share of the surface under floating weed or thread algae, %.</summary>
    public static readonly Parameter WeedCover = new(
        "cover",
        "surface under weed or thread algae",
        Measures.Share,
        0,
        0,
        100,
        100
    );

    /// <summary>Birds and other hunters of fish seen at the pond at once.</summary>
    public static readonly Parameter Hunters = new(
        "hunters",
        "birds and other hunters seen",
        Measures.Plain,
        0,
        0,
        50,
        5000
    );

    /// <summary>Share of a few animals looked at whose gut is full, %.</summary>
    public static readonly Parameter FullGuts = new(
        "guts",
        "full guts of a few looked at",
        Measures.Share,
        0,
        0,
        100,
        100
    );

    /// <summary>Share of a few crustaceans looked at whose shell is soft from the moult, %.</summary>
    public static readonly Parameter SoftShells = new(
        "shells",
        "soft shells of a few looked at",
        Measures.Share,
        0,
        0,
        100,
        100
    );

    /// <summary>Secchi depth, m.</summary>
    public static readonly Parameter Secchi = Of(
        "secchi",
        "Secchi depth",
        Measures.ShortLength,
        "secchi",
        scale: 0.01
    ) with
    {
        Matters = 0.08,
    };

    /// <summary>Gauge level, m above the floor.</summary>
    public static readonly Parameter GaugeLevel = new("level", "gauge level", Measures.Length, 0, 0, 4, 10);

    /// <summary>Air temperature, °C.</summary>
    public static readonly Parameter AirTemperature = new(
        "air",
        "air temperature",
        Measures.Temperature,
        -40,
        -10,
        42,
        55,
        OfFarm: true
    );

    /// <summary>Wind speed, m/s.</summary>
    public static readonly Parameter Wind = new("wind", "wind", Measures.Wind, 0, 0, 20, 60, OfFarm: true);

    /// <summary>Cloud, eighths of the sky.</summary>
    public static readonly Parameter Cloud = new(
        "cloud",
        "cloud, eighths of the sky",
        Measures.Plain,
        0,
        0,
        8,
        8,
        OfFarm: true
    );

    /// <summary>Rain since yesterday, m.</summary>
    public static readonly Parameter Rain = new(
        "rain",
        "rain since yesterday",
        Measures.Rain,
        0,
        0,
        0.15,
        1.0,
        OfFarm: true
    );

    /// <summary>Air pressure at the farm, not reduced to the sea, kPa.</summary>
    public static readonly Parameter AirPressure = new(
        "pressure",
        "air pressure",
        Measures.Pressure,
        50,
        70,
        106,
        110,
        OfFarm: true
    );

    /// <summary>Sunlight on level ground, W/m².</summary>
    public static readonly Parameter Sunlight = new(
        "sun",
        "sunlight",
        Measures.Sunlight,
        0,
        0,
        1300,
        1600,
        OfFarm: true
    );

    /// <summary>All of them, in the order of the slip.</summary>
    public static readonly IReadOnlyList<Parameter> All =
    [
        Oxygen,
        Temperature,
        Ph,
        Secchi,
        Tan,
        Nitrite,
        Alkalinity,
        Salinity,
        GaugeLevel,
        Nitrate,
        Hardness,
        Chloride,
        CarbonDioxide,
        Turbidity,
        SettledSolids,
        Colour,
        Film,
        WeedCover,
        Hunters,
        FullGuts,
        SoftShells,
        AirTemperature,
        Wind,
        Cloud,
        Rain,
        AirPressure,
        Sunlight,
    ];

    private static readonly Dictionary<string, Parameter> Known = All.ToDictionary(p => p.Key);

    /// <summary>A parameter by key; the books hold no others.</summary>
    public static Parameter ByKey(string key) => Known[key];

    /// <summary>Parameters are the same when their key is: readings are looked up by them thousands of times, and all their ranges need not be compared.</summary>
    public bool Equals(Parameter? other) => ReferenceEquals(this, other) || (other is not null && Key == other.Key);

    /// <inheritdoc/>
    public override int GetHashCode() => Key.GetHashCode(StringComparison.Ordinal);

    private static Parameter Scale(string key, string name, params string[] steps) =>
        new(key, name, Measures.Plain, 1, 1, steps.Length, steps.Length) { Steps = steps };

    /// <summary>The parameter of this key, or null.</summary>
    public static Parameter? Find(string key) => Known.GetValueOrDefault(key);

    private static Parameter Of(
        string key,
        string name,
        Measure measure,
        string row,
        double scale = 1,
        double? jumpPerDay = null
    )
    {
        double N(string column) => double.Parse(Ranges[row][column], CultureInfo.InvariantCulture) * scale;
        return new(key, name, measure, N("hard_low"), N("usual_low"), N("usual_high"), N("hard_high"), jumpPerDay);
    }
}
