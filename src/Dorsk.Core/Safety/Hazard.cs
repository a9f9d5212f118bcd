using Dorsk.Core.Species;

namespace Dorsk.Core.Safety;

/// <summary>Something that hurts people, fish or law where fish are kept, with its line of caution. Labels, local codes and licensed practice come first.</summary>
/// <param name="Name">What it is, as the table names it.</param>
/// <param name="Where">Where it is met.</param>
/// <param name="Line">What to do about it.</param>
/// <param name="ToWhom">Whom it is for: everybody, workers or the manager.</param>
/// <param name="Source">Where it comes from, with its confidence.</param>
public sealed record Hazard(string Name, string Where, string Line, string ToWhom, string Source)
{
    /// <summary>All of the table, in its order.</summary>
    public static IReadOnlyList<Hazard> All { get; } =
    [
        .. Csv.Embedded("hazards.csv")
            .Select(r => new Hazard(
                r["hazard"],
                r["where"],
                r["caution_line"],
                r["to_whom"],
                $"{r["source"]} ({r["confidence"]} confidence, {r["status"]})"
            )),
    ];

    private static readonly Dictionary<string, Hazard> ByName = All.ToDictionary(h => h.Name);

    /// <summary>One by its name.</summary>
    /// <exception cref="KeyNotFoundException">The table has no such line.</exception>
    public static Hazard Of(string name) => ByName[name];
}
