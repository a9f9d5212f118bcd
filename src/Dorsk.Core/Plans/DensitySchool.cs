using System.Globalization;
using Dorsk.Core.Species;

namespace Dorsk.Core.Plans;

/// <summary>How thick a school of the trade stocks a species in a system.</summary>
/// <param name="Name">What the school is called.</param>
/// <param name="System">In what.</param>
/// <param name="Number">Fish a m², or a m³ where the system goes by volume: low, usual, high.</param>
/// <param name="Kg">What they come to at harvest, kg/ha or kg/m³: low, usual, high.</param>
/// <param name="FinalG">At this weight, g.</param>
/// <param name="Aerated">Whether it reckons with aerators.</param>
/// <param name="Condition">What it asks.</param>
/// <param name="Confidence">high, medium or low.</param>
/// <param name="Source">Where it comes from.</param>
public sealed record DensitySchool(
    string Name,
    RearingSystem System,
    (double Low, double Usual, double High) Number,
    (double Low, double Usual, double High) Kg,
    double FinalG,
    bool Aerated,
    string Condition,
    string Confidence,
    string Source
)
{
    /// <summary>Name of a density that the farm set itself.</summary>
    public const string OwnName = "the farm's own";

    /// <summary>A density that the farm set itself: it stands beside those of the trade, never mixed with them.</summary>
    /// <param name="system">In what.</param>
    /// <param name="number">Fish a m², or a m³ where the system goes by volume; above 0.</param>
    /// <param name="finalG">At this weight, g; above 0.</param>
    /// <param name="aerated">Whether the water has aerators.</param>
    public static DensitySchool Own(RearingSystem system, double number, double finalG, bool aerated)
    {
        var kg = number * finalG / 1000 * (system.ByVolume() ? 1 : 10_000);
        return new(
            OwnName,
            system,
            (number, number, number),
            (kg, kg, kg),
            finalG,
            aerated,
            "",
            "of the farm",
            "The farm's own figure"
        );
    }

    /// <summary>Fish to stock in a water for a wanted weight, through the same mass of fish: low, usual, high. A range stays a range.</summary>
    /// <param name="q">The plan.</param>
    public (double Low, double Usual, double High) StockFor(StockingQuestion q)
    {
        var per = (q.Water.System.ByVolume() ? q.Water.VolumeM3 : q.Water.AreaM2) * FinalG / q.TargetG * q.StockedShare;
        return (Number.Low * per, Number.Usual * per, Number.High * per);
    }

    // Words of the table for fish that live of what grows in the water.
    private static readonly string[] Unfed = ["extensive", "natural food", "not fed", "lab-lab", "low input"];

    /// <summary>Whether it feeds its fish; else they live of what grows in the water, and it says nothing of a fed pond.</summary>
    public bool IsFed =>
        !Unfed.Any(u =>
            Name.Contains(u, StringComparison.OrdinalIgnoreCase)
            || Condition.Contains(u, StringComparison.OrdinalIgnoreCase)
        );

    /// <summary>Whether it is kept with air at some hours: it speaks of ponds with and without aerators.</summary>
    public bool SomeAir { get; init; }

    private static readonly ILookup<string, DensitySchool> Table = Csv.Embedded("stocking_density_schools.csv")
        .Where(GrowOut)
        .Select(r => (Key: r["species"], School: Row(r)))
        .ToLookup(x => x.Key, x => x.School);

    /// <summary>Schools for a species in a system, those of the table first and then the species' own figure; empty when it is not kept so.</summary>
    public static IReadOnlyList<DensitySchool> For(FishSpecies species, RearingSystem system)
    {
        var kin =
            system == RearingSystem.Lined ? RearingSystem.Earthen
            : system == RearingSystem.Recirculating ? RearingSystem.Tank
            : system;
        var own = Table[species.BaseKey].Where(s => s.System == system).ToList();
        return
        [
            .. own.Count > 0 || kin == system ? own : Table[species.BaseKey].Where(s => s.System == kin),
            .. Usual(species, system),
        ];
    }

    /// <summary>The school that fits feed and air: of the fed ones with aerators, or without, the thinnest; else the thinnest fed one, else the thinnest of all. Null when there is none.</summary>
    /// <param name="schools">Schools of the species in the system.</param>
    /// <param name="aerated">Whether the water has aerators.</param>
    public static DensitySchool? Fitting(IReadOnlyList<DensitySchool> schools, bool aerated)
    {
        var fed = schools.Where(s => s.IsFed).DefaultIfEmpty(schools.MinBy(s => s.Kg.Usual)).ToList();
        return fed.Where(s => s is not null && (s.Aerated == aerated || s.SomeAir))
            .DefaultIfEmpty(fed.MinBy(s => s?.Kg.Usual))
            .MinBy(s => s?.Kg.Usual);
    }

    // The species' own row: numbers by area without and with air, by volume for tanks and cages, at the lower end of market size.
    private static IEnumerable<DensitySchool> Usual(FishSpecies species, RearingSystem system)
    {
        (string Column, bool Air)[] columns = system switch
        {
            RearingSystem.Cage => [("cage_per_m3", false)],
            _ when system.ByVolume() => [("tank_per_m3", true)],
            _ => [("pond_no_air_per_m2", false), ("pond_aerated_per_m2", true)],
        };
        foreach (var (column, air) in columns)
            if (SpeciesTable.Figure(species, column) is > 0 and var n)
            {
                var kg = n * species.MarketLowG / 1000 * (system.ByVolume() ? 1 : 10_000);
                yield return new(
                    air && !system.ByVolume() ? "species table, aerated"
                        : system.ByVolume() ? "species table"
                        : "species table, no air",
                    system,
                    (n, n, n),
                    (kg, kg, kg),
                    species.MarketLowG,
                    air,
                    "",
                    species.Confidence,
                    species.Source
                );
            }
    }

    private static bool GrowOut(IReadOnlyDictionary<string, string> r) =>
        r["stage"].Contains("grow-out", StringComparison.Ordinal)
        || r["stage"] == "phase III"
        || r["stage"].StartsWith("polyculture", StringComparison.Ordinal);

    private static DensitySchool Row(IReadOnlyDictionary<string, string> r)
    {
        (double, double, double) Three(string what) =>
            (N(r[what + "_low"]), N(r[what + "_start"]), N(r[what + "_high"]));
        return new(
            r["school"],
            r["system"] switch
            {
                "earthen pond" or "deep river pond" or "split pond" => RearingSystem.Earthen,
                "lined pond" => RearingSystem.Lined,
                "cage" => RearingSystem.Cage,
                "raceway" => RearingSystem.Raceway,
                "recirculating" => RearingSystem.Recirculating,
                _ => RearingSystem.Tank,
            },
            Three("number"),
            Three("kg"),
            N(r["final_g"]),
            r["aerated"] is "yes" or "oxygen",
            r["system"] is "earthen pond" or "cage" or "tank" ? r["condition"] : $"{r["system"]}; {r["condition"]}",
            r["confidence"],
            r["source"]
        )
        {
            SomeAir = r["aerated"] == "some",
        };
    }

    private static double N(string text) => text.Length == 0 ? 0 : double.Parse(text, CultureInfo.InvariantCulture);
}
