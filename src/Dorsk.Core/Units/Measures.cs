namespace Dorsk.Core.Units;

/// <summary>
/// The quantities of the farm, each with its exact turns (international foot 0.3048 m, pound 0.45359237 kg,
/// US gallon 3.785411784 L, mechanical horsepower 745.699872 W; NIST Special Publication 811).
/// </summary>
public static class Measures
{
    private const double FootM = 0.3048;
    private const double PoundKg = 0.45359237;

    /// <summary>Grams in a pound.</summary>
    public const double PoundG = PoundKg * 1000;
    private const double GallonM3 = 0.003785411784;
    private const double AcreM2 = 4046.8564224;

    private static readonly Unit M = new("m", 1, 0, "metre", "metres", "meter", "meters");
    private static readonly Unit Cm = new("cm", 0.01, 0, "centimetre", "centimetres", "centimeters");
    private static readonly Unit Mm = new("mm", 0.001, 0);
    private static readonly Unit Ft = new("ft", FootM, 0, "foot", "feet", "'", "′");
    private static readonly Unit In = new("in", FootM / 12, 0, "inch", "inches", "\"", "″");
    private static readonly Unit M2 = new("m²", 1, 0, "sqm");
    private static readonly Unit Ha = new("ha", 10_000, 0, "hectare", "hectares");
    private static readonly Unit Ft2 = new("ft²", FootM * FootM, 0, "sqft");
    private static readonly Unit Ac = new("ac", AcreM2, 0, "acre", "acres");
    private static readonly Unit M3 = new("m³", 1, 0, "cum", "kl");
    private static readonly Unit L = new("L", 0.001, 0, "litre", "litres", "liter", "liters");
    private static readonly Unit Gal = new("gal", GallonM3, 0, "gallon", "gallons", "usgal");
    private static readonly Unit Ft3 = new("ft³", FootM * FootM * FootM, 0, "cuft");
    private static readonly Unit AcFt = new("ac-ft", AcreM2 * FootM, 0, "acft", "acrefoot", "acrefeet", "acre-ft");
    private static readonly Unit Kg = new("kg", 1, 0, "kilo", "kilos");
    private static readonly Unit Tonne = new("t", 1000, 0, "tonne", "tonnes");
    private static readonly Unit KgG = new("g", 0.001, 0, "gram", "grams");
    private static readonly Unit Lb = new("lb", PoundKg, 0, "lbs", "pound", "pounds");
    private static readonly Unit Oz = new("oz", PoundKg / 16, 0, "ounce", "ounces");
    private static readonly Unit C = new("°C", 1, 0, "c", "degc", "ºc");
    private static readonly Unit F = new("°F", 5.0 / 9, -160.0 / 9, "f", "degf", "ºf");
    private static readonly Unit DeltaF = new("°F", 5.0 / 9, 0, "f", "degf");
    private static readonly Unit MgL = new("mg/L", 1, 0, "mg", "mgl", "ppm", "g/m3");
    private static readonly Unit Ppm = new("ppm", 1, 0, "mg/l", "mgl");
    private static readonly Unit Ppt = new("ppt", 1, 0, "g/l", "‰", "psu");
    private static readonly Unit Ntu = new("NTU", 1, 0, "fnu");
    private static readonly Unit MlL = new("mL/L", 1, 0, "ml");
    private static readonly Unit Percent = new("%", 1, 0, "percent", "pct");
    private static readonly Unit None = new("", 1, 0);

    /// <summary>Water or air temperature, SI unit °C. A difference of temperatures is <see cref="TemperatureStep"/>.</summary>
    public static readonly Measure Temperature = new("temperature", C, F, 1, 1);

    /// <summary>A difference of two temperatures, SI unit °C: 9 °F of difference are 5 °C, without the 32.</summary>
    public static readonly Measure TemperatureStep = new("temperature difference", C, DeltaF, 1, 1);

    /// <summary>Warmth summed over days, SI unit °C × days; 500 of them are 900 °F × days.</summary>
    public static readonly Measure DegreeDays = new(
        "degree-days",
        new Unit("°C × days", 1, 0, "cdays", "c-days"),
        new Unit("°F × days", 5.0 / 9, 0, "fdays", "f-days"),
        0,
        0
    );

    /// <summary>Lengths of ponds, depths, gauge levels; SI unit m.</summary>
    public static readonly Measure Length = new("length", M, Ft, 2, 1, Cm, Mm, In);

    /// <summary>Secchi depth and other short lengths; SI unit m, shown in cm or inches.</summary>
    public static readonly Measure ShortLength = new("short length", Cm, In, 0, 1, M, Mm, Ft);

    /// <summary>Size of a pellet and mesh of a net; SI unit m, shown in mm or inches.</summary>
    public static readonly Measure Pellet = new("size", Mm, In, 1, 2, Cm);

    /// <summary>Thickness of a liner; SI unit m, shown in µm or mil (thousandths of an inch).</summary>
    public static readonly Measure Sheet = new(
        "thickness",
        new Unit("µm", 1e-6, 0, "um"),
        new Unit("mil", FootM / 12_000, 0, "mils"),
        0,
        0,
        Mm
    );

    /// <summary>Elevation, SI unit m; may be negative.</summary>
    public static readonly Measure Altitude = new("altitude", M, Ft, 0, 0);

    // A pond of less than a tenth of a hectare, or an acre, is said in m² or ft².
    private static readonly SmallUnit[] SmallAreas =
    [
        new(UnitSystem.Metric, M2, 1000),
        new(UnitSystem.Us, Ft2, AcreM2 / 10),
    ];

    /// <summary>Pond areas; SI unit m², shown in ha or acres, or in m² or ft² where the farm says so or the water is small.</summary>
    public static readonly Measure Area = new("area", Ha, Ac, 2, 2, M2, Ft2)
    {
        Small = SmallAreas,
        Significant = 3,
        BySquare = new("area", M2, Ft2, 0, 0, Ha, Ac),
    };

    /// <summary>Water volumes; SI unit m³, shown in m³ or US gallons.</summary>
    public static readonly Measure Volume = new("volume", M3, Gal, 0, 0, L, Ft3, AcFt)
    {
        Small = [new(UnitSystem.Metric, L, 1), new(UnitSystem.Us, Gal, GallonM3)],
        Significant = 3,
    };

    /// <summary>Water of bags, bottles and buckets; SI unit m³, shown in litres or US gallons.</summary>
    public static readonly Measure SmallVolume = new("volume", L, Gal, 1, 1, M3);

    /// <summary>Earth and concrete; SI unit m³, shown in m³ or cubic yards.</summary>
    public static readonly Measure Earth = new(
        "volume of earth",
        M3,
        new Unit("yd³", 27 * FootM * FootM * FootM, 0),
        1,
        1
    );

    /// <summary>Feed, biomass and catches; SI unit kg.</summary>
    public static readonly Measure Mass = new("mass", Kg, Lb, 1, 1, KgG, Tonne, Oz)
    {
        Small = [new(UnitSystem.Metric, KgG, 0.1), new(UnitSystem.Us, Oz, PoundKg / 4)],
    };

    /// <summary>Weight of a fish, kept in grams, shown in g or pounds (ounces accepted).</summary>
    public static readonly Measure FishWeight = new(
        "fish weight",
        new Unit("g", 1, 0, "gram", "grams"),
        new Unit("lb", PoundKg * 1000, 0, "lbs", "pound", "pounds"),
        1,
        3,
        new Unit("kg", 1000, 0)
    )
    {
        Most = 3,
        // Fish under a quarter of a pound are said in ounces, with how many make a pound.
        Small =
        [
            new(UnitSystem.Metric, new Unit("g", 1, 0, "gram", "grams"), 1),
            new(UnitSystem.Us, new Unit("oz", PoundKg * 1000 / 16, 0, "ounce", "ounces"), PoundG / 4),
        ],
    };

    /// <summary>Dissolved oxygen and other concentrations; mg/L. In water ppm is the same number; ppt is not.</summary>
    public static readonly Measure Oxygen = new("dissolved oxygen", MgL, Ppm, 1, 1);

    /// <summary>Nitrogen compounds and other small concentrations; mg/L.</summary>
    public static readonly Measure Concentration = new("concentration", MgL, Ppm, 2, 2);

    /// <summary>Alkalinity, hardness, chloride; mg/L, whole numbers.</summary>
    public static readonly Measure CoarseConcentration = new("concentration", MgL, Ppm, 0, 0);

    /// <summary>Salinity, g/L printed as ppt. Never taken for ppm.</summary>
    public static readonly Measure Salinity = new("salinity", Ppt, Ppt, 1, 1);

    /// <summary>Acidity, pH units.</summary>
    public static readonly Measure Ph = new("pH", None, None, 1, 1);

    /// <summary>Power of an aerator or pump; SI unit kW here.</summary>
    public static readonly Measure Power = new(
        "power",
        new Unit("kW", 1, 0),
        new Unit("hp", 0.745699872, 0, "horsepower"),
        2,
        2,
        new Unit("W", 0.001, 0, "watt", "watts")
    );

    /// <summary>Heat of a building; kW here, shown in kW or thousand BTU an hour.</summary>
    public static readonly Measure Heat = new("heat", new Unit("kW", 1, 0), new Unit("kBTU/h", 0.29307107, 0), 1, 1);

    /// <summary>Flow of water; m³/h here.</summary>
    public static readonly Measure Flow = new(
        "flow",
        new Unit("m³/h", 1, 0, "m3h"),
        new Unit("gal/min", GallonM3 * 60, 0, "gpm"),
        1,
        0,
        new Unit("L/s", 3.6, 0, "lps"),
        new Unit("L/min", 0.06, 0, "lpm")
    );

    /// <summary>Standing fish or feed per area, kg/ha here.</summary>
    public static readonly Measure AreaLoad = new(
        "kilograms per hectare",
        new Unit("kg/ha", 1, 0),
        new Unit("lb/ac", PoundKg / (AcreM2 / 10_000), 0, "lb/acre"),
        0,
        0
    )
    {
        BySquare = new(
            "kilograms per square metre",
            new Unit("kg/m²", 10_000, 0),
            new Unit("lb/ft²", 10_000 * PoundKg / (FootM * FootM), 0),
            3,
            4
        ),
    };

    /// <summary>Fish per area, fish/m² here.</summary>
    public static readonly Measure FishPerArea = new(
        "stocking density",
        new Unit("fish/m²", 1, 0),
        new Unit("fish/ac", 1 / AcreM2, 0, "fish/acre"),
        2,
        0,
        new Unit("fish/ha", 1 / 10_000.0, 0)
    )
    {
        BySquare = new(
            "stocking density",
            new Unit("fish/m²", 1, 0),
            new Unit("fish/ft²", 1 / (FootM * FootM), 0),
            2,
            3
        ),
    };

    /// <summary>Fish per volume, fish/m³ here.</summary>
    public static readonly Measure FishPerVolume = new(
        "stocking density",
        new Unit("fish/m³", 1, 0),
        new Unit("fish/gal", 1 / GallonM3, 0),
        1,
        2
    );

    /// <summary>Eggs and fry per volume of a vessel, fish/m³ here.</summary>
    public static readonly Measure FryPerVolume = new(
        "fry per volume",
        new Unit("/L", 1000, 0),
        new Unit("/gal", 1 / GallonM3, 0),
        1,
        1
    );

    /// <summary>Standing fish per volume, kg/m³ here.</summary>
    public static readonly Measure VolumeLoad = new(
        "kilograms per cubic metre",
        new Unit("kg/m³", 1, 0),
        new Unit("lb/gal", PoundKg / GallonM3, 0),
        1,
        3
    );

    /// <summary>What a fish gains in a day, g here.</summary>
    public static readonly Measure DayGain = new(
        "gain a day",
        new Unit("g/day", 1, 0),
        new Unit("oz/day", PoundG / 16, 0),
        2,
        3
    );

    /// <summary>Surface of filter media by their volume, m²/m³ here.</summary>
    public static readonly Measure SpecificSurface = new(
        "surface by volume",
        new Unit("m²/m³", 1, 0, "m2/m3"),
        new Unit("ft²/ft³", 1 / FootM, 0, "ft2/ft3"),
        0,
        0
    );

    /// <summary>Ammonia that a filter takes in a day, g N/m² here.</summary>
    public static readonly Measure NitrogenRate = new(
        "ammonia a day",
        new Unit("g/m²", 1, 0, "g/m2"),
        new Unit("lb/1,000 ft²", PoundG / (1000 * FootM * FootM), 0),
        2,
        3
    );

    /// <summary>Fresh weed on the water, kg/m² here.</summary>
    public static readonly Measure Mat = new(
        "weed",
        new Unit("kg/m²", 1, 0, "kg/m2"),
        new Unit("lb/ft²", PoundKg / (FootM * FootM), 0, "lb/ft2"),
        2,
        2
    );

    /// <summary>Price of a mass in the farm's currency, for a kilogram here.</summary>
    public static readonly Measure MassPrice = new(
        "price",
        new Unit("/kg", 1, 0, "akg", "perkg"),
        new Unit("/lb", 1 / PoundKg, 0, "alb", "perlb"),
        2,
        2
    );

    /// <summary>What seeps or dries away in a day, m in SI, shown in mm or inches.</summary>
    public static readonly Measure Seepage = new(
        "seepage",
        new Unit("mm a day", 0.001, 0),
        new Unit("in a day", FootM / 12, 0),
        1,
        2
    );

    /// <summary>Digestible energy of feed, MJ/kg here.</summary>
    public static readonly Measure FeedEnergy = new(
        "digestible energy",
        new Unit("MJ/kg", 1, 0),
        new Unit("kcal/lb", 0.004184 / PoundKg, 0, "kcal/lb"),
        1,
        0
    );

    /// <summary>Price of water in the farm's currency, for a cubic metre here.</summary>
    public static readonly Measure WaterPrice = new(
        "price of water",
        new Unit("/m³", 1, 0),
        new Unit("/1,000 gal", 1 / (1000 * GallonM3), 0),
        3,
        3
    );

    /// <summary>Price of earth moved, concrete or what else is bought by the cubic metre, for a cubic metre here.</summary>
    public static readonly Measure EarthPrice = new(
        "price by volume",
        new Unit("/m³", 1, 0),
        new Unit("/yd³", 1 / (27 * FootM * FootM * FootM), 0),
        2,
        2
    );

    /// <summary>Price of what is bought by the area, for a square metre here.</summary>
    public static readonly Measure SheetPrice = new(
        "price by area",
        new Unit("/m²", 1, 0),
        new Unit("/ft²", 1 / (FootM * FootM), 0),
        2,
        2
    );

    /// <summary>Price of land, for a hectare here.</summary>
    public static readonly Measure LandPrice = new(
        "price of land",
        new Unit("/ha", 1, 0),
        new Unit("/ac", 10_000 / AcreM2, 0),
        0,
        0
    );

    /// <summary>Shaft power of aerators for an area, kW/ha here.</summary>
    public static readonly Measure PowerByArea = new(
        "aerator power by area",
        new Unit("kW/ha", 1, 0),
        new Unit("hp/ac", 0.745699872 / (AcreM2 / 10_000), 0, "hp/acre"),
        1,
        1
    );

    /// <summary>Shaft power of aerators for a volume, W/m³ here.</summary>
    public static readonly Measure PowerByVolume = new(
        "aerator power by volume",
        new Unit("W/m³", 1, 0),
        new Unit("hp/ac-ft", 745.699872 / (AcreM2 * FootM), 0),
        1,
        1
    );

    /// <summary>Wind speed, m/s here.</summary>
    public static readonly Measure Wind = new(
        "wind speed",
        new Unit("m/s", 1, 0),
        new Unit("mph", 0.44704, 0, "mi/h"),
        1,
        0,
        new Unit("km/h", 1 / 3.6, 0, "kmh"),
        new Unit("kn", 1852.0 / 3600, 0, "knots", "kt")
    );

    /// <summary>Rain, m in SI, shown in mm or inches.</summary>
    public static readonly Measure Rain = new("rain", Mm, In, 0, 2, Cm);

    /// <summary>Turbidity, NTU.</summary>
    public static readonly Measure Turbidity = new("turbidity", Ntu, Ntu, 0, 0);

    /// <summary>Solids that settle in a cone, mL/L.</summary>
    public static readonly Measure Settled = new("settled solids", MlL, MlL, 1, 1);

    /// <summary>Electric current, A.</summary>
    public static readonly Measure Current = new(
        "current",
        new Unit("A", 1, 0, "amp", "amps", "ampere"),
        new Unit("A", 1, 0, "amp", "amps", "ampere"),
        1,
        1
    );

    /// <summary>Pressure of a blower or of the air, kPa here.</summary>
    public static readonly Measure Pressure = new(
        "pressure",
        new Unit("kPa", 1, 0),
        new Unit("psi", 6.894757293168, 0),
        1,
        2,
        new Unit("mbar", 0.1, 0, "hpa"),
        new Unit("bar", 100, 0),
        new Unit("inHg", 3.386389, 0),
        new Unit("cmH2O", 0.0980665, 0),
        new Unit("inH2O", 0.2490889, 0)
    );

    /// <summary>Sunlight on level ground, W/m².</summary>
    public static readonly Measure Sunlight = new(
        "sunlight",
        new Unit("W/m²", 1, 0, "w/m2"),
        new Unit("W/m²", 1, 0, "w/m2"),
        0,
        0
    );

    /// <summary>Price of a unit of energy in the farm's currency, for a kWh.</summary>
    public static readonly Measure EnergyPrice = new("price of a kWh", None, None, 3, 3);

    /// <summary>Shares, percent.</summary>
    public static readonly Measure Share = new("share", Percent, Percent, 0, 0);

    /// <summary>Money of the farm's currency, to the hundredth.</summary>
    public static readonly Measure Price = new("price", None, None, 2, 2);

    /// <summary>Ratios and other bare figures with decimals.</summary>
    public static readonly Measure Factor = new("figure", None, None, 2, 2);

    /// <summary>Plain figures without a unit, such as cloud in eighths.</summary>
    public static readonly Measure Plain = new("number", None, None, 0, 0);
}
