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
        var own = Table[species.Key].Where(s => s.System == system).ToList();
        return
        [
            .. own.Count > 0 || kin == system ? own : Table[species.Key].Where(s => s.System == kin),
            .. Usual(species, system),
        ];
    }

    /// <summary>The school that fits the air: of those with aerators, or without, the thinnest; else the thinnest of all. Null when there is none.</summary>
    public static DensitySchool? Fitting(IReadOnlyList<DensitySchool> schools, bool aerated) =>
        schools.Where(s => s.Aerated == aerated).DefaultIfEmpty(schools.MinBy(s => s.Kg.Usual)).MinBy(s => s?.Kg.Usual);

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
        );
    }

    private static double N(string text) => text.Length == 0 ? 0 : double.Parse(text, CultureInfo.InvariantCulture);
}
