using System.Globalization;
using Dorsk.Core.Species;

namespace Dorsk.Core.Hatchery;

/// <summary>How the eggs of a species develop, as the trade's table has it.</summary>
/// <param name="SpeciesKey">The species.</param>
/// <param name="At">Two temperatures with the hours to hatch at each.</param>
/// <param name="Band">Temperatures at which eggs are held, °C: from, to.</param>
/// <param name="DeformedAboveC">Above it many fry are deformed, °C.</param>
/// <param name="BaseC">Below it nothing develops, °C.</param>
/// <param name="FirstFeedDegreeDays">From hatch to the first feed, degree-days above 0 °C.</param>
/// <param name="EggsPerKg">Eggs of a kg of female: low, high.</param>
/// <param name="Method">How they are held.</param>
/// <param name="LeastMgL">Least oxygen, mg/L.</param>
/// <param name="HighestPh">Highest pH.</param>
/// <param name="Note">What the trade says beside it.</param>
/// <param name="Source">Where it comes from, with its confidence.</param>
public sealed record EggTable(
    string SpeciesKey,
    ((double C, double Hours) First, (double C, double Hours) Second) At,
    (double LowC, double HighC) Band,
    double DeformedAboveC,
    double BaseC,
    double FirstFeedDegreeDays,
    (double Low, double High) EggsPerKg,
    string Method,
    double LeastMgL,
    double HighestPh,
    string Note,
    string Source
)
{
    private static readonly Dictionary<string, EggTable> Table = Csv.Embedded("egg_incubation.csv")
        .Select(Row)
        .ToDictionary(e => e.SpeciesKey);

    /// <summary>The row of a species; null where the table has none.</summary>
    public static EggTable? For(FishSpecies species) => Table.GetValueOrDefault(species.BaseKey);

    /// <summary>All rows.</summary>
    public static IReadOnlyCollection<EggTable> All => Table.Values;

    /// <summary>From taking to hatch, degree-days above the base: the mean of both temperatures of the table.</summary>
    public double HatchDegreeDays =>
        (((At.First.C - BaseC) * At.First.Hours) + ((At.Second.C - BaseC) * At.Second.Hours)) / 48;

    /// <summary>Hours to hatch at a steady temperature by degree-days; infinite at the base and below.</summary>
    /// <param name="tempC">Water, °C.</param>
    public double HoursAt(double tempC) =>
        tempC <= BaseC ? double.PositiveInfinity : 24 * HatchDegreeDays / (tempC - BaseC);

    /// <summary>Hours to hatch by the other school: hours at a temperature, between and beyond those of the table by their ratio for a degree.</summary>
    /// <param name="tempC">Water, °C.</param>
    public double HoursByHours(double tempC)
    {
        var perDegree = Math.Log(At.Second.Hours / At.First.Hours) / (At.Second.C - At.First.C);
        return At.First.Hours * Math.Exp(perDegree * (tempC - At.First.C));
    }

    /// <summary>Days from hatch to the first feed at a steady temperature; infinite at 0 °C and below.</summary>
    /// <param name="tempC">Water, °C.</param>
    public double FirstFeedDaysAt(double tempC) => tempC <= 0 ? double.PositiveInfinity : FirstFeedDegreeDays / tempC;

    private static EggTable Row(IReadOnlyDictionary<string, string> r)
    {
        double N(string column) => double.Parse(r[column], CultureInfo.InvariantCulture);
        var band = r["incubation_low_high_c"]
            .Split('-')
            .Select(t => double.Parse(t, CultureInfo.InvariantCulture))
            .ToList();
        return new(
            r["species"],
            ((N("t1_c"), N("hours_at_t1")), (N("t2_c"), N("hours_at_t2"))),
            (band[0], band[1]),
            N("deformed_above_c"),
            N("base_temp_c"),
            N("hatch_to_firstfeed_degree_days"),
            (N("eggs_per_kg_female_low"), N("eggs_per_kg_female_high")),
            r["method"],
            N("do_min_mg_l"),
            N("ph_high"),
            r["note"],
            $"{r["source"]}; confidence {r["confidence"]}"
        );
    }
}
