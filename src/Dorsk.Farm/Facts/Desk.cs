using Dorsk.Core.Ponds;
using Dorsk.Core.Time;
using Dorsk.Core.Units;
using Dorsk.Farm.Log;
using Microsoft.Data.Sqlite;

namespace Dorsk.Farm.Facts;

/// <summary>One log line on its way into the books: where it is written and what it may see.</summary>
/// <param name="Connection">The open transaction.</param>
/// <param name="Line">Number of the new log line.</param>
/// <param name="Happened">When it happened.</param>
/// <param name="AsOf">Everything up to then, this entry's voids included.</param>
/// <param name="Corrects">The line it takes the place of, or null.</param>
internal sealed record Desk(SqliteConnection Connection, long Line, DateTimeOffset Happened, AsOf AsOf, long? Corrects)
{
    private FarmDescribed? farm;

    /// <summary>Reads the farm as it is described.</summary>
    public required Func<FarmDescribed?> ReadFarm { private get; init; }

    /// <summary>Fish that stand in a pond on the books, by its number.</summary>
    public required Func<long, long> FishIn { get; init; }

    /// <summary>Whether a key is of the tables of species or of the farm's own.</summary>
    public required Func<string, bool> KnowsSpecies { get; init; }

    /// <summary>Whether somebody stands at the pond and can still be asked: not when a history or an older day is written down.</summary>
    public required bool IsFresh { get; init; }

    /// <summary>A pond as it was known when the line happened; null when there is none.</summary>
    public required Func<long, IPondAsKnown?> PondAt { get; init; }

    public FarmDescribed? Farm => farm ??= ReadFarm();

    public Hand Hand => Farm?.Hand ?? Hand.Metric;

    /// <summary>The farm's day on which it happened.</summary>
    public DateOnly Today => Zone.DayOf(Happened);

    public FarmZone Zone => FarmZone.Find(Farm?.ZoneId ?? "UTC") ?? FarmZone.Utc;
}
