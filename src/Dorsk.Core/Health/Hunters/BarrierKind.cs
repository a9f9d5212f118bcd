using System.Globalization;
using Dorsk.Core.Judging;
using Dorsk.Core.Species;

namespace Dorsk.Core.Health;

/// <summary>A kind of barrier that keeps predators, pests or thieves off, or fish in.</summary>
/// <param name="Key">Its key.</param>
/// <param name="Name">Plain name.</param>
/// <param name="Against">Keys of the predators it works against.</param>
/// <param name="EveryDays">How often it is looked over, days.</param>
/// <param name="How">How it is built and kept.</param>
/// <param name="Caution">What to mind; may be empty.</param>
/// <param name="Leapers">Keys of species that leap out of a tank without it.</param>
/// <param name="Source">Where it comes from.</param>
public sealed record BarrierKind(
    string Key,
    string Name,
    IReadOnlyList<string> Against,
    int EveryDays,
    string How,
    string Caution,
    IReadOnlyList<string> Leapers,
    string Source
)
{
    /// <summary>All kinds.</summary>
    public static IReadOnlyList<BarrierKind> All { get; } =
    [
        .. Csv.Embedded("barriers.csv")
            .Select(r => new BarrierKind(
                r["key"],
                r["name"],
                Keys(r["against"]),
                int.Parse(r["days"], CultureInfo.InvariantCulture),
                r["how"],
                r["caution"],
                Keys(r["leapers"]),
                r["source"]
            )),
    ];

    /// <summary>The kind of a key, or null.</summary>
    public static BarrierKind? Find(string key) => All.FirstOrDefault(b => b.Key == key);

    /// <summary>Whether fish of a species leap out of a tank that has no cover.</summary>
    public static bool Leaps(FishSpecies species) => All.Any(b => b.Leapers.Contains(species.Key));

    /// <summary>Kinds that would keep a predator off, the longest between two checks first.</summary>
    /// <param name="hunter">Key of the predator.</param>
    public static IEnumerable<BarrierKind> Helping(string hunter) =>
        All.Where(b => b.Against.Contains(hunter)).OrderByDescending(b => b.EveryDays);

    private static string[] Keys(string text) => text.Split(' ', StringSplitOptions.RemoveEmptyEntries);
}

/// <summary>What was done to a barrier.</summary>
public enum BarrierWork
{
    /// <summary>Put up.</summary>
    PutUp,

    /// <summary>Looked over and found sound.</summary>
    Sound,

    /// <summary>Found torn or open, and mended.</summary>
    Mended,

    /// <summary>Found torn or open, and not mended yet.</summary>
    Broken,

    /// <summary>Taken down.</summary>
    TakenDown,
}

/// <summary>A barrier of a pond was put up, looked over, mended or taken down.</summary>
/// <param name="PondId">The pond.</param>
/// <param name="Kind">Key of the kind.</param>
/// <param name="Work">What was done.</param>
/// <param name="CostMinor">What it cost, in the smallest unit of the farm's currency; null where nobody said.</param>
/// <param name="Note">What was seen; may be empty.</param>
public sealed record BarrierChecked(long PondId, string Kind, BarrierWork Work, long? CostMinor, string Note) : Fact
{
    private const long MostMinor = 1_000_000_000_000;

    /// <summary>Objections, named by the field of the slip.</summary>
    /// <param name="stands">Whether one of this kind stands at the pond.</param>
    public IEnumerable<Remark> Check(bool stands)
    {
        if (BarrierKind.Find(Kind) is not { } barrier)
        {
            yield return Remark.Refuse("Kind", "Choose a kind of the list.");
            yield break;
        }
        if (Work == BarrierWork.PutUp && stands)
            yield return Remark.Ask("Work", $"A {barrier.Name} stands here already. Is this another one?");
        if (Work != BarrierWork.PutUp && !stands)
            yield return Remark.Refuse(
                "Work",
                $"No {barrier.Name} stands here. Record first that it was put up, on its day."
            );
        if (CostMinor is < 0 or > MostMinor)
            yield return Remark.Refuse("Cost", "0 or more; leave it empty where nobody knows.");
        if (Note.Length > 200)
            yield return Remark.Refuse("Note", "At most 200 letters.");
    }
}
