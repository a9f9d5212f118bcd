using System.Globalization;
using Dorsk.Core.Judging;
using Dorsk.Core.Species;

namespace Dorsk.Core.Health;

/// <summary>A kind of animal, or person, that takes fish.</summary>
/// <param name="Key">Its key.</param>
/// <param name="Name">Plain name.</param>
/// <param name="KgLow">What one takes a day at least, kg.</param>
/// <param name="KgHigh">What one takes a day at most, kg.</param>
/// <param name="LargestG">The largest fish it takes, g.</param>
/// <param name="OxygenMgH">Oxygen that one uses, mg/h; null for what breathes air.</param>
/// <param name="IsProtected">Whether it is protected in most countries: nets and scaring first, more only under licence.</param>
/// <param name="Barrier">What keeps it off.</param>
/// <param name="Looks">How it is known.</param>
/// <param name="Source">Where the figures come from.</param>
public sealed record Hunter(
    string Key,
    string Name,
    double KgLow,
    double KgHigh,
    double LargestG,
    double? OxygenMgH,
    bool IsProtected,
    string Barrier,
    string Looks,
    string Source
)
{
    /// <summary>All kinds.</summary>
    public static IReadOnlyList<Hunter> All { get; } =
    [
        .. Csv.Embedded("hunters.csv")
            .Select(r => new Hunter(
                r["key"],
                r["name"],
                N(r["kg_low"]),
                N(r["kg_high"]),
                N(r["largest_g"]),
                r["oxygen_mg_h"].Length > 0 ? N(r["oxygen_mg_h"]) : null,
                r["protected"] == "yes",
                r["barrier"],
                r["looks"],
                $"{r["source"]}; confidence {r["confidence"]}"
            )),
    ];

    /// <summary>The kind of a key, or null.</summary>
    public static Hunter? Find(string key) => All.FirstOrDefault(h => h.Key == key);

    /// <summary>What so many take a day of fish of a size, kg; nothing of fish that are too large for them.</summary>
    /// <param name="count">How many were seen; 0 or more.</param>
    /// <param name="meanG">Mean weight of the fish, g; above 0.</param>
    public (double LowKg, double HighKg) TakesADay(int count, double meanG) =>
        meanG > LargestG ? (0, 0) : (count * KgLow, count * KgHigh);

    /// <summary>Oxygen that so many use in a night, mg/L of the pond; null for what breathes air.</summary>
    /// <param name="count">How many; 0 or more.</param>
    /// <param name="volumeM3">Volume of the pond, m³; above 0.</param>
    public double? NightMgL(int count, double volumeM3) =>
        OxygenMgH is { } mgH ? count * mgH * NightHours / (1000 * volumeM3) : null;

    private const double NightHours = 12;

    private static double N(string text) => double.Parse(text, CultureInfo.InvariantCulture);
}

/// <summary>Hunters were seen at a pond.</summary>
/// <param name="PondId">The pond.</param>
/// <param name="Kind">Key of the kind.</param>
/// <param name="Count">How many, or how many signs of them.</param>
/// <param name="Place">Where at the pond, in words; may be empty.</param>
/// <param name="Done">What was done; may be empty.</param>
public sealed record HunterSeen(long PondId, string Kind, int Count, string Place, string Done) : Fact
{
    private static readonly string[] Forbidden = ["shot", "shoot", "poison", "killed", "trap"];

    /// <summary>Objections, named by the field of the slip.</summary>
    public IEnumerable<Remark> Check()
    {
        if (Hunter.Find(Kind) is not { } hunter)
        {
            yield return Remark.Refuse("Kind", "Choose a kind of the list.");
            yield break;
        }
        if (Count is < 1 or > 10_000)
            yield return Remark.Refuse("Count", "1 to 10,000.");
        if (Place.Length > 80)
            yield return Remark.Refuse("Place", "At most 80 letters.");
        if (Done.Length > 200)
            yield return Remark.Refuse("Done", "At most 200 letters.");
        if (hunter.IsProtected && Array.Exists(Forbidden, w => Done.Contains(w, StringComparison.OrdinalIgnoreCase)))
            yield return Remark.Ask(
                "Done",
                $"{char.ToUpperInvariant(hunter.Name[0])}{hunter.Name[1..]}: protected in most countries. Nets and scaring first; more only under licence. Is there a licence for it?"
            );
    }
}
