using Dorsk.Core.Feeding;
using Dorsk.Core.Ponds;
using Dorsk.Core.Season;
using Dorsk.Core.Time;
using Dorsk.Core.Water;
using Dorsk.Farm.Air;
using Dorsk.Farm.Feed;
using Dorsk.Farm.Fish;
using Dorsk.Farm.Health;
using Dorsk.Farm.Log;
using Dorsk.Farm.Ponds;
using Dorsk.Farm.Prepare;
using Dorsk.Farm.Season;
using Dorsk.Farm.Sql;
using Microsoft.Data.Sqlite;

namespace Dorsk.Farm.Estimates;

/// <summary>Reads the rows of a pond. When it was read before, only what has moved is read, and of long series only new lines.</summary>
internal static class PondReader
{
    private delegate PondRows Part(SqliteConnection c, AsOf asOf, PondRows rows, long afterLine);

    // Which kinds of facts each part of the rows is read from, in the order in which parts build on each other. A kind that is not here makes the pond be read anew, as does a line that is taken back.
    private static readonly (Part Read, HashSet<string> Kinds)[] Parts =
    [
        (HandReadings, [nameof(ReadingTaken)]),
        (Probes, [nameof(ProbeSeriesReceived)]),
        (Feedings, [nameof(FeedingGiven)]),
        (Batches, [.. FishFacts.Kinds.Select(k => k.Name)]),
        (Air, [.. AirFacts.Kinds.Select(k => k.Name)]),
        (Preparation, [nameof(PondWorked), nameof(JobClosed)]),
        (Health, [.. HealthBook.Kinds.Select(k => k.Name)]),
        (Net, [.. NetBook.Kinds.Select(k => k.Name)]),
    ];

    /// <summary>All rows of a pond, in one snapshot: a line entered meanwhile is in all of it or in nothing. Null when there is no such pond.</summary>
    /// <param name="c">The data file.</param>
    /// <param name="asOf">As of two times.</param>
    /// <param name="pondId">The pond.</param>
    /// <param name="weather">The farm's weather; null: it is read too.</param>
    public static PondRows? Read(SqliteConnection c, AsOf asOf, long pondId, ReadingBook? weather = null) =>
        Sqlite.InOneSnapshot(c, () => All(c, asOf, pondId, weather));

    /// <summary>A pond as of two times with its estimates; null when there is no such pond.</summary>
    public static PondStory? Story(SqliteConnection c, AsOf asOf, long pondId) =>
        Read(c, asOf, pondId) is { } rows ? new(rows) : null;

    /// <summary>The rows as they are now.</summary>
    /// <param name="c">The data file; inside a snapshot.</param>
    /// <param name="before">The rows as they were read before.</param>
    /// <param name="moved">What was entered since.</param>
    /// <param name="weather">The farm's weather.</param>
    public static PondRows? Renew(SqliteConnection c, PondRows before, Moved moved, ReadingBook weather)
    {
        var asOf = AsOf.Now(DateTimeOffset.MaxValue);
        if (moved.Everywhere.Any(k => k is not (nameof(ReadingTaken) or nameof(ProbeSeriesReceived))))
            return All(c, asOf, before.Pond.Id, weather);
        if (moved.Here.Any(k => !Parts.Any(p => p.Kinds.Contains(k))))
            return All(c, asOf, before.Pond.Id, weather);
        var rows = before with { Line = LogLines.Last(c), Weather = weather };
        foreach (var part in Parts.Where(p => moved.Here.Any(p.Kinds.Contains)))
            rows = part.Read(c, asOf, rows, before.Line);
        return rows;
    }

    private static PondRows? All(SqliteConnection c, AsOf asOf, long pondId, ReadingBook? weather)
    {
        if (
            FarmQuestions.Farm(c, asOf.Known) is not { } farm
            || FarmQuestions.Pond(c, asOf.Known, pondId) is not { } pond
        )
            return null;
        var zone = FarmZone.Find(farm.ZoneId) ?? FarmZone.Utc;
        var byHand = Water.Readings.ByHand(c, asOf, pondId);
        var species = SettingsQuestions.For(c, asOf, pondId);
        return new()
        {
            Line = LogLines.Last(c),
            Farm = farm,
            Zone = zone,
            Pond = pond,
            ByHand = byHand,
            AllReadings = Water.Readings.WithProbes(c, asOf, pondId, byHand, zone),
            Weather = weather ?? Water.Readings.All(c, asOf, null, zone),
            Fittings = FarmQuestions.Aerators(c, asOf, pondId),
            Equipment = FarmQuestions.Equipment(c, asOf, pondId),
            Feedings = FeedQuestions.New(c, asOf, pondId, 0),
            Batches = BatchQuestions.In(c, asOf, pondId, zone, species),
            Held = QuarantineQuestions.Of(c, asOf, zone, pondId),
            Works = FarmQuestions.Works(c, asOf, pondId),
            Patches = FarmQuestions.Patches(c, asOf, pondId),
            PreparationLine = PrepareQuestions.Last(c, asOf, pondId),
            Air = AirQuestions.Of(c, asOf, pondId),
            Rations = RationQuestions.Of(c, asOf, pondId, zone),
            Feeder = RationQuestions.FeederOf(c, asOf, pondId),
            Plans = SeasonPlanQuestions.Of(c, asOf, pondId),
            Health = HealthQuestions.Of(c, asOf, zone, pondId),
            Net = NetQuestions.Of(c, asOf, pondId),
            KnownSpecies = species,
        };
    }

    private static PondRows HandReadings(SqliteConnection c, AsOf asOf, PondRows rows, long afterLine)
    {
        var read = Water.Readings.NewByHand(c, asOf, rows.Pond.Id, afterLine);
        return rows with { ByHand = rows.ByHand.With(read), AllReadings = rows.AllReadings.With(read) };
    }

    private static PondRows Probes(SqliteConnection c, AsOf asOf, PondRows rows, long afterLine) =>
        rows with
        {
            AllReadings = Water.Readings.WithProbes(c, asOf, rows.Pond.Id, rows.ByHand, rows.Zone),
        };

    private static PondRows Feedings(SqliteConnection c, AsOf asOf, PondRows rows, long afterLine)
    {
        var given = FeedQuestions.New(c, asOf, rows.Pond.Id, afterLine);
        return rows with
        {
            Feedings = InOrder.With(rows.Feedings, given, f => f.At),
            Rations = RationQuestions.Of(c, asOf, rows.Pond.Id, rows.Zone),
        };
    }

    private static PondRows Batches(SqliteConnection c, AsOf asOf, PondRows rows, long afterLine) =>
        rows with
        {
            Batches = BatchQuestions.Renewed(
                c,
                asOf,
                rows.Pond.Id,
                rows.Zone,
                rows.KnownSpecies,
                rows.Batches,
                afterLine
            ),
            Held = QuarantineQuestions.Of(c, asOf, rows.Zone, rows.Pond.Id),
        };

    private static PondRows Air(SqliteConnection c, AsOf asOf, PondRows rows, long afterLine) =>
        rows with
        {
            Air = AirQuestions.Of(c, asOf, rows.Pond.Id),
        };

    private static PondRows Health(SqliteConnection c, AsOf asOf, PondRows rows, long afterLine) =>
        rows with
        {
            Health = HealthQuestions.Of(c, asOf, rows.Zone, rows.Pond.Id),
        };

    private static PondRows Net(SqliteConnection c, AsOf asOf, PondRows rows, long afterLine) =>
        rows with
        {
            Net = NetQuestions.Of(c, asOf, rows.Pond.Id),
        };

    private static PondRows Preparation(SqliteConnection c, AsOf asOf, PondRows rows, long afterLine) =>
        rows with
        {
            Works = FarmQuestions.Works(c, asOf, rows.Pond.Id),
            Patches = FarmQuestions.Patches(c, asOf, rows.Pond.Id),
            PreparationLine = PrepareQuestions.Last(c, asOf, rows.Pond.Id),
        };
}
