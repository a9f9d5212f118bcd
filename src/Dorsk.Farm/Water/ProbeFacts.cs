using Dorsk.Core.Judging;
using Dorsk.Core.Time;
using Dorsk.Core.Water;
using Dorsk.Farm.Facts;
using Dorsk.Farm.Sql;
using Microsoft.Data.Sqlite;

namespace Dorsk.Farm.Water;

/// <summary>Devices, and what probes send: values once each however often they come, with roll-ups in the same transaction.</summary>
internal static class ProbeFacts
{
    /// <summary>Spans of roll-ups, ms.</summary>
    public const long Quarter = 900_000,
        Hour = 3_600_000,
        Night = 86_400_000;

    public static readonly FactTable<DeviceKept> Device = new FactTable<DeviceKept>("device", "device", Reach.Farm)
        .Itself("device", d => d.DeviceId)
        .Column("name", d => d.Name)
        .Column("use", d => d.Use)
        .Pond("pond", d => d.PondId)
        .Column("depth_m", d => d.DepthM)
        .Column("gone", d => d.Gone)
        .ReadBy(r =>
            new(
                r.Long("device"),
                r.Text("name"),
                r.Word<DeviceUse>("use"),
                r.MaybeLong("pond"),
                r.MaybeReal("depth_m"),
                r.Yes("gone")
            )
        )
        .CheckedBy(
            (desk, d) =>
                d.Check(
                    DeviceQuestions
                        .All(desk.Connection, desk.AsOf.Known)
                        .Where(other => other.Kept.DeviceId != d.DeviceId && !other.Kept.Gone)
                        .Select(other => other.Kept.Name)
                )
        )
        .VoidedBy(StillHeard);

    public static readonly FactTable<ProbeSeriesReceived> Series = new FactTable<ProbeSeriesReceived>(
        "probe_series",
        "probe",
        Reach.Probe
    )
        .Column("device", s => s.DeviceId)
        .Pond("pond", s => s.PondId)
        .Column("n", s => s.Values.Count)
        .AlsoIn("probe_value")
        .ReadBy(r =>
            new(
                r.Long("device"),
                r.MaybeLong("pond"),
                r.Rows(
                    "probe_value",
                    v => new ProbeValue(Parameter.ByKey(v.Text("parameter")), v.Instant("at"), v.Real("value")),
                    "at, parameter"
                )
            )
        )
        .CheckedBy(CheckSeries)
        .Afterwards(
            (desk, s) => Roll(desk.Connection, desk.Zone, s.PondId ?? OfFarm, Values(desk.Connection, desk.Line, s))
        )
        .WithdrawnBy((desk, line) => TakenBack(desk.Connection, desk.Zone, line));

    public static IReadOnlyList<FactKind> Kinds { get; } = [Device, Series];

    // Its values would belong to nobody.
    private static IEnumerable<Remark> StillHeard(Desk desk, DeviceKept device, long line)
    {
        var described = DeviceQuestions
            .All(desk.Connection, desk.AsOf.Known)
            .Exists(d => d.Kept.DeviceId == device.DeviceId);
        var heard =
            Sqlite.Number(
                desk.Connection,
                "SELECT EXISTS (SELECT 1 FROM probe_series WHERE device = $device)",
                ("device", device.DeviceId)
            ) > 0;
        return heard && !described
            ? [Remark.Refuse("", "Values of this device stand in the books. Mark it as gone instead.")]
            : [];
    }

    private static IEnumerable<Remark> CheckSeries(Desk desk, ProbeSeriesReceived series)
    {
        // The place of a value is taken by the one that came first, also when that was taken back.
        if (desk.Corrects is not null)
            return [Remark.Refuse("readings", "What a probe sent is taken back, not corrected.")];
        if (series.Values.Count is 0 or > ProbeSeriesReceived.Most)
            return [Remark.Refuse("readings", $"1 to {ProbeSeriesReceived.Most} values in one go.")];
        return series
            .Values.Select((v, i) => (Number: i + 1, Wrong: ProbeSeriesReceived.Wrong(v, desk.Happened)))
            .Where(x => x.Wrong is not null)
            .Take(5)
            .Select(x => Remark.Refuse("readings", $"Value {x.Number}: {x.Wrong}."));
    }

    /// <summary>The place of weather in the tables of values: no pond has this number.</summary>
    public const long OfFarm = 0;

    /// <summary>Makes the roll-ups anew that a series of values had a part in: it was taken back.</summary>
    public static void TakenBack(SqliteConnection c, FarmZone zone, long line)
    {
        foreach (var (pond, parameter, at) in ValuesOf(c, line))
        foreach (var (span, start, end) in Spans(zone, at))
        {
            Sqlite.Run(
                c,
                "DELETE FROM probe_roll WHERE pond = $pond AND parameter = $parameter AND span = $span AND start = $start",
                ("pond", pond),
                ("parameter", parameter),
                ("span", span),
                ("start", start)
            );
            Sqlite.Run(
                c,
                """
                INSERT INTO probe_roll SELECT v.pond, v.parameter, $span, $start, count(*), sum(v.value), min(v.value),
                  (SELECT w.at FROM probe_value w WHERE w.pond = $pond AND w.parameter = $parameter AND w.at >= $start AND w.at < $end AND NOT EXISTS (SELECT 1 FROM log x WHERE x.voids = w.line) ORDER BY w.value, w.at LIMIT 1), max(v.value)
                FROM probe_value v WHERE v.pond = $pond AND v.parameter = $parameter AND v.at >= $start AND v.at < $end AND NOT EXISTS (SELECT 1 FROM log x WHERE x.voids = v.line) GROUP BY v.pond
                """,
                ("pond", pond),
                ("parameter", parameter),
                ("span", span),
                ("start", start),
                ("end", end)
            );
        }
    }

    private static List<(long, string, long)> ValuesOf(SqliteConnection c, long line) =>
        Sqlite.Rows(
            c,
            "SELECT pond, parameter, at FROM probe_value WHERE line = $line",
            r => (r.GetInt64(0), r.GetString(1), r.GetInt64(2)),
            ("line", line)
        );

    // One prepared statement for all values; those that stand already are left as they are.
    private static List<ProbeValue> Values(SqliteConnection c, long line, ProbeSeriesReceived s)
    {
        using var put = c.CreateCommand();
        put.CommandText = "INSERT OR IGNORE INTO probe_value VALUES ($pond, $parameter, $at, $device, $value, $line)";
        put.Parameters.AddWithValue("$pond", s.PondId ?? OfFarm);
        put.Parameters.AddWithValue("$device", s.DeviceId);
        put.Parameters.AddWithValue("$line", line);
        var (parameter, at, value) = (
            put.Parameters.Add("$parameter", SqliteType.Text),
            put.Parameters.Add("$at", SqliteType.Integer),
            put.Parameters.Add("$value", SqliteType.Real)
        );
        var fresh = new List<ProbeValue>(s.Values.Count);
        foreach (var v in s.Values)
        {
            (parameter.Value, at.Value, value.Value) = (v.Parameter.Key, v.At.ToUnixTimeMilliseconds(), v.Si);
            if (put.ExecuteNonQuery() == 1)
                fresh.Add(v);
        }
        return fresh;
    }

    // New values only are added, so late ones and second sendings leave the roll-ups right.
    private static void Roll(SqliteConnection c, FarmZone zone, long pond, List<ProbeValue> fresh)
    {
        using var put = c.CreateCommand();
        put.CommandText = """
            INSERT INTO probe_roll VALUES ($pond, $parameter, $span, $start, $n, $total, $low, $low_at, $high) ON CONFLICT DO UPDATE SET n = n + excluded.n, total = total + excluded.total,
              low_at = CASE WHEN excluded.low < low OR (excluded.low = low AND excluded.low_at < low_at) THEN excluded.low_at ELSE low_at END, low = min(low, excluded.low), high = max(high, excluded.high)
            """;
        put.Parameters.AddWithValue("$pond", pond);
        var (parameter, span, start, n) = (
            put.Parameters.Add("$parameter", SqliteType.Text),
            put.Parameters.Add("$span", SqliteType.Integer),
            put.Parameters.Add("$start", SqliteType.Integer),
            put.Parameters.Add("$n", SqliteType.Integer)
        );
        var (total, low, lowAt, high) = (
            put.Parameters.Add("$total", SqliteType.Real),
            put.Parameters.Add("$low", SqliteType.Real),
            put.Parameters.Add("$low_at", SqliteType.Integer),
            put.Parameters.Add("$high", SqliteType.Real)
        );
        var rolls =
            new Dictionary<
                (Parameter, long Span, long Start),
                (int N, double Total, double Low, long LowAt, double High)
            >();
        foreach (var v in fresh)
        {
            var at = v.At.ToUnixTimeMilliseconds();
            foreach (var (s, from, _) in Spans(zone, at))
            {
                var r = rolls.TryGetValue((v.Parameter, s, from), out var known)
                    ? known
                    : (0, 0, double.PositiveInfinity, long.MaxValue, double.NegativeInfinity);
                var lower = v.Si < r.Low || (v.Si == r.Low && at < r.LowAt);
                rolls[(v.Parameter, s, from)] = (
                    r.N + 1,
                    r.Total + v.Si,
                    lower ? v.Si : r.Low,
                    lower ? at : r.LowAt,
                    Math.Max(r.High, v.Si)
                );
            }
        }
        foreach (var (key, r) in rolls)
        {
            (parameter.Value, span.Value, start.Value, n.Value, total.Value) = (
                key.Item1.Key,
                key.Span,
                key.Start,
                r.N,
                r.Total
            );
            (low.Value, lowAt.Value, high.Value) = (r.Low, r.LowAt, r.High);
            put.ExecuteNonQuery();
        }
    }

    // Quarters of an hour are worked out from the clustered values when they are asked for: right by themselves, and half the writing.
    // A night ends at the farm's noon: where clocks change it is 23 or 25 hours long.
    private static IEnumerable<(long Span, long Start, long End)> Spans(FarmZone zone, long at)
    {
        var hour = at - (at % Hour);
        var night = Core.Time.Night.Of(DateTimeOffset.FromUnixTimeMilliseconds(at), zone);
        return
        [
            (Hour, hour, hour + Hour),
            (Night, night.Start(zone).ToUnixTimeMilliseconds(), night.End(zone).ToUnixTimeMilliseconds()),
        ];
    }
}
