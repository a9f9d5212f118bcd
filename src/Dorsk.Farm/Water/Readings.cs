using Dorsk.Core.Time;
using Dorsk.Core.Water;
using Dorsk.Farm.Log;
using Dorsk.Farm.Sql;
using Microsoft.Data.Sqlite;

namespace Dorsk.Farm.Water;

/// <summary>Readings of a pond, or of the farm's weather when the pond is null.</summary>
internal static class Readings
{
    public static Timed? Last(SqliteConnection c, AsOf asOf, long? pond, Parameter parameter, int days = 3)
    {
        var rows = Sqlite.Rows(
            c,
            $"SELECT l.happened, r.value FROM log l CROSS JOIN reading r USING (line) WHERE l.pond IS $pond AND r.parameter = $parameter AND l.happened > $since AND {Lines.Count} ORDER BY l.happened DESC, l.line DESC LIMIT 1",
            r => new Timed(r.Instant(0), r.GetDouble(1)),
            Lines.With(asOf, ("pond", pond), ("parameter", parameter.Key), ("since", asOf.HappenedUpTo.AddDays(-days)))
        );
        return rows.Count == 0 ? null : rows[0];
    }

    /// <summary>The same thing read by another named instrument within the hour before, or null.</summary>
    public static OtherReading? ByAnother(
        SqliteConnection c,
        AsOf asOf,
        long? pond,
        Parameter parameter,
        string instrument
    )
    {
        var rows = Sqlite.Rows(
            c,
            $"SELECT l.happened, r.value, r.instrument FROM log l CROSS JOIN reading r USING (line) WHERE l.pond IS $pond AND r.parameter = $parameter AND r.instrument <> '' AND r.instrument <> $instrument AND r.depth_m IS NULL AND l.happened > $since AND {Lines.Count} ORDER BY l.happened DESC, l.line DESC LIMIT 1",
            r => new OtherReading(r.Instant(0), r.GetDouble(1), r.GetString(2)),
            Lines.With(
                asOf,
                ("pond", pond),
                ("parameter", parameter.Key),
                ("instrument", instrument),
                ("since", asOf.HappenedUpTo.AddHours(-1))
            )
        );
        return rows.Count == 0 ? null : rows[0];
    }

    /// <summary>Readings by hand and of probes together.</summary>
    public static ReadingBook All(SqliteConnection c, AsOf asOf, long? pond, FarmZone zone) =>
        WithProbes(c, asOf, pond, ByHand(c, asOf, pond), zone);

    /// <summary>Readings by hand with those of probes. Of one instant, what somebody read by hand is the newer.</summary>
    public static ReadingBook WithProbes(SqliteConnection c, AsOf asOf, long? pond, ReadingBook byHand, FarmZone zone)
    {
        var probes = DeviceQuestions.ForStory(c, asOf, pond ?? ProbeFacts.OfFarm, zone).ToList();
        return probes.Count == 0 ? byHand : byHand.After(probes);
    }

    /// <summary>Readings that people took.</summary>
    public static ReadingBook ByHand(SqliteConnection c, AsOf asOf, long? pond) =>
        ReadingBook.Of(NewByHand(c, asOf, pond, 0));

    /// <summary>Readings that people took and that were entered after a line. One that cannot be makes a pond's story fail, with its line; of the weather it is left out, since every pond hangs on it.</summary>
    public static List<(Parameter Parameter, Timed Timed)> NewByHand(
        SqliteConnection c,
        AsOf asOf,
        long? pond,
        long afterLine
    )
    {
        // New lines are found by their number, all of a pond by its index.
        var sql =
            $"SELECT r.parameter, l.happened, r.value, l.line, r.depth_m, r.instrument FROM log l CROSS JOIN reading r USING (line) WHERE {Lines.OfPond(afterLine, nameof(ReadingTaken))} AND {Lines.Count} ORDER BY l.happened, l.line";
        var values = Lines.With(asOf, ("pond", pond), ("after", afterLine));
        return pond is null ? Sqlite.Sound(c, sql, Read, values) : Sqlite.Rows(c, sql, Read, values);
    }

    private static (Parameter Parameter, Timed Timed) Read(SqliteDataReader r)
    {
        var (parameter, value) = (Parameter.Find(r.GetString(0)), r.GetDouble(2));
        if (parameter is null || !(value >= parameter.HardLow && value <= parameter.HardHigh))
            throw new InvalidDataException(
                FormattableString.Invariant($"Line {r.GetInt64(3)} says {r.GetString(0)} {value:G6}, which cannot be.")
            );
        return (parameter, new Timed(r.Instant(1), value) { DepthM = r.MaybeReal(4), By = r.GetString(5) });
    }
}
