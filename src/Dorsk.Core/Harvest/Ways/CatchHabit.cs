using Dorsk.Core.Species;

namespace Dorsk.Core.Harvest;

/// <summary>What a species does before a net, and what is done about it.</summary>
/// <param name="Habit">What it does.</param>
/// <param name="Do">What helps.</param>
/// <param name="Confidence">high, medium or low.</param>
/// <param name="Source">Where it comes from.</param>
public sealed record CatchHabit(string Habit, string Do, string Confidence, string Source)
{
    private static readonly Dictionary<string, CatchHabit> Table = Csv.Embedded("catch_habits.csv")
        .SelectMany(r =>
            r["species"].Split(' ').Select(s => (s, new CatchHabit(r["habit"], r["do"], r["confidence"], r["source"])))
        )
        .ToDictionary(x => x.s, x => x.Item2);

    /// <summary>The habit of a species; null where the table has none.</summary>
    public static CatchHabit? Of(FishSpecies species) => Table.GetValueOrDefault(species.BaseKey);

    /// <summary>Keys of the species in the table.</summary>
    public static IReadOnlyCollection<string> Known => Table.Keys;
}
