using Dorsk.Core.Judging;
using Dorsk.Core.Units;

namespace Dorsk.Core.Prepare;

/// <summary>The farm's own figures of a preparation, typed once with a note; each stands in place of the trade's, none is mixed with it. Null: the trade's.</summary>
/// <param name="Note">Whose rule it is, in words.</param>
/// <param name="LimeKgHa">Lime, kg/ha of product; above 0.</param>
/// <param name="ManureKgHa">Manure, kg/ha; above 0.</param>
/// <param name="MealKgHa">Meal of the first feeding, kg/ha; above 0.</param>
/// <param name="NitrogenKgHa">Nitrogen of a dose, kg/ha; 0 or more.</param>
/// <param name="PhosphateKgHa">Phosphate of a dose, P₂O₅, kg/ha; 0 or more.</param>
/// <param name="DoseEveryDays">Days between doses, 1 to 60.</param>
/// <param name="ManureDays">Days from manure to water, 0 to 60.</param>
/// <param name="LimeDays">Days from lime to fish, 1 to 60.</param>
/// <param name="Stages">Levels in which the pond is filled, 1 to 5; 1: at once.</param>
/// <param name="StartPool">Whether a shallow starting pool is built for tiny fry.</param>
public sealed record OwnPrep(
    string Note = "",
    double? LimeKgHa = null,
    double? ManureKgHa = null,
    double? MealKgHa = null,
    double? NitrogenKgHa = null,
    double? PhosphateKgHa = null,
    int? DoseEveryDays = null,
    int? ManureDays = null,
    int? LimeDays = null,
    int Stages = 1,
    bool StartPool = false
)
{
    /// <summary>Nothing of its own.</summary>
    public static readonly OwnPrep None = new();

    /// <summary>How an amount of one's own is named in its grounds.</summary>
    public string Known => Note.Length > 0 ? $"own rule: {Note}" : "own rule";

    private bool HasFigures =>
        (LimeKgHa ?? ManureKgHa ?? MealKgHa ?? NitrogenKgHa ?? PhosphateKgHa ?? DoseEveryDays ?? ManureDays ?? LimeDays)
            is not null;

    /// <summary>Objections, named by the field of the slip.</summary>
    public IEnumerable<Remark> Check()
    {
        foreach (var (name, kgHa) in new[] { ("OwnLime", LimeKgHa), ("OwnManure", ManureKgHa), ("OwnMeal", MealKgHa) })
            if (kgHa is not (null or (> 0 and <= 20_000)))
                yield return Remark.Refuse(name, h =>
                    $"Above 0, up to {Limit.Of(2, Measures.AreaLoad, h)}; or empty: the trade's."
                );
        foreach (var (name, kgHa) in new[] { ("OwnN", NitrogenKgHa), ("OwnP", PhosphateKgHa) })
            if (kgHa is not (null or (>= 0 and <= 100)))
                yield return Remark.Refuse(name, h =>
                    $"{Limit.Range(0, 0.01, Measures.AreaLoad, h)} a dose; or empty: the trade's."
                );
        if (DoseEveryDays is < 1 or > 60)
            yield return Remark.Refuse("OwnDoseDays", "1 to 60 days between doses; 7 is usual.");
        if (ManureDays is < 0 or > 60)
            yield return Remark.Refuse("OwnManureDays", "0 to 60 days; 7 is usual, some wait 2 or 3.");
        if (LimeDays is < 1 or > 60)
            yield return Remark.Refuse("OwnLimeDays", "1 to 60 days; 7 is usual.");
        if (Stages is < 1 or > 5)
            yield return Remark.Refuse("Stages", "1 to 5 levels; 1: filled at once.");
        if (HasFigures && Note.Trim().Length == 0)
            yield return Remark.Refuse(
                "OwnNote",
                "Say whose rule it is, in a few words: whoever reads it later will ask."
            );
        if (ManureDays is < 2)
            yield return Remark.Ask("OwnManureDays", "Flooded fresh, manure takes all oxygen at night. Is it meant?");
    }
}
