using System.Globalization;
using Dorsk.Core.Judging;
using Dorsk.Core.Species;

namespace Dorsk.Core.Plans;

/// <summary>
/// How thick larvae stand in a nursery pond for a wanted length of fingerling: fewer fish grow larger. The table gives larvae a square metre for one
/// length; another length eats the same food in all, N·W^0.82 (the exponent of what fish take), so with W as L³ the number goes by L^−2.46.
/// </summary>
/// <param name="Species">The fish.</param>
/// <param name="LarvaeM2">Larvae a m² of the table: low, usual, high.</param>
/// <param name="AtMm">Length the table speaks of, mm.</param>
/// <param name="Days">Days to it: from, to.</param>
/// <param name="FillDays">Days from filling to stocking: from, to; later and the pond's insects and big plankton eat the larvae.</param>
/// <param name="FirstFood">First food.</param>
/// <param name="WeanSurvivalPct">Of a hundred, live through weaning: from, to.</param>
/// <param name="GradeEveryDays">Days from one grading to the next; 0: no need.</param>
/// <param name="Note">Caution of the trade; may be empty.</param>
/// <param name="Source">Where it comes from, with its confidence.</param>
public sealed record NurseryDensity(
    FishSpecies Species,
    (double Low, double Usual, double High) LarvaeM2,
    double AtMm,
    (double From, double To) Days,
    (double From, double To) FillDays,
    string FirstFood,
    (double From, double To) WeanSurvivalPct,
    double GradeEveryDays,
    string Note,
    string Source
)
{
    private const double FoodExponent = 0.82,
        ShortestMm = 8,
        LongestMm = 300,
        ShorterShare = 0.7,
        LongerShare = 1.4;

    private static readonly IReadOnlyList<NurseryDensity> Table = Csv.Embedded("fry_nursery_weaning.csv")
        .Where(r => r["larvae_per_m2_start"].Length > 0)
        .Select(Row)
        .OfType<NurseryDensity>()
        .ToList();

    /// <summary>The row of a species; null where the table has none.</summary>
    public static NurseryDensity? For(FishSpecies species) =>
        Table.FirstOrDefault(n => n.Species.Key == species.BaseKey);

    /// <summary>Whether a length lies so near the table's that the law carries there; outside it the figure is a guess and says so.</summary>
    /// <param name="lengthMm">Wanted length, mm.</param>
    public bool IsKnown(double lengthMm) => lengthMm >= ShorterShare * AtMm && lengthMm <= LongerShare * AtMm;

    /// <summary>
    /// Larvae a m² for a wanted length: low, usual, high. For lengths much under the table's the number is held: nobody knows that still more live.
    /// </summary>
    /// <param name="lengthMm">Wanted length, mm; 8 to 300.</param>
    public (double Low, double Usual, double High) LarvaeFor(double lengthMm)
    {
        ArgumentOutOfRangeException.ThrowIfLessThan(lengthMm, ShortestMm);
        ArgumentOutOfRangeException.ThrowIfGreaterThan(lengthMm, LongestMm);
        var k = Math.Pow(AtMm / Math.Max(lengthMm, ShorterShare * AtMm), 3 * FoodExponent);
        return (LarvaeM2.Low * k, LarvaeM2.Usual * k, LarvaeM2.High * k);
    }

    /// <summary>Weight of a fish of a length, g.</summary>
    public double WeightG(double lengthMm) => BodyLength.WeightG(Species, lengthMm / 10);

    /// <summary>Whether larger ones of this fish swallow smaller ones on the way: sizes must be kept together.</summary>
    public Judgement? Cannibals =>
        SpeciesTable.Text(Species, "cannibal_stage") is { Length: > 0 } stage && stage != "none"
            ? new(
                Status.Watch,
                FormattableString.Invariant(
                    $"they eat each other ({stage}): {(GradeEveryDays > 0 ? $"grade every {GradeEveryDays:0} days" : "grade often")}, take out the large ones"
                )
            )
            : null;

    private static NurseryDensity? Row(IReadOnlyDictionary<string, string> r) =>
        FishSpecies.All.FirstOrDefault(s => s.Name.StartsWith(r["species"], StringComparison.OrdinalIgnoreCase))
            is not { } species
            ? null
            : new(
                species,
                (N(r["larvae_per_m2_low"]), N(r["larvae_per_m2_start"]), N(r["larvae_per_m2_high"])),
                N(r["harvest_mm"]),
                (N(r["days_low"]), N(r["days_high"])),
                (N(r["fill_before_stock_days_low"]), N(r["fill_before_stock_days_high"])),
                r["first_food"],
                (N(r["wean_survival_low_pct"]), N(r["wean_survival_high_pct"])),
                r["grade_every_days"].Length > 0 ? N(r["grade_every_days"]) : 0,
                r["caution"],
                $"{r["source"]}; starting value, confidence {r["confidence"]}"
            );

    private static double N(string text) => double.Parse(text, CultureInfo.InvariantCulture);
}
