using Dorsk.Core.Time;
using Dorsk.Core.Verdict;
using Dorsk.Core.Water;
using Dorsk.Farm.Log;
using Dorsk.Farm.Ponds;
using Dorsk.Farm.Sql;
using Microsoft.Data.Sqlite;

namespace Dorsk.Farm.Water;

/// <summary>Devices and what probes sent.</summary>
internal static class DeviceQuestions
{
    // Values of so many days stand one by one in a pond's story; of older nights the low and the mean.
    private const int DaysOneByOne = 12,
        NightsBack = 500,
        NightsOneByOne = 60;
    private static readonly Parameter[] ByNight = [Parameter.Oxygen, Parameter.Temperature];

    private static readonly string Newest =
        $"WITH k(key) AS (VALUES {string.Join(", ", Parameter.All.Where(p => p.Steps.Count == 0).Select(p => $"('{p.Key}')"))}) SELECT key, (SELECT max(v.at) FROM probe_value v WHERE v.pond = $pond AND v.parameter = k.key) FROM k";

    /// <summary>Every device as last kept, those that are gone too, with its line.</summary>
    public static List<(long Line, DeviceKept Kept)> All(SqliteConnection c, AsOf asOf) =>
        [
            .. ProbeFacts
                .Device.Newest(c, asOf, d => d.DeviceId)
                .Select(d => (d.Line, d.Fact))
                .OrderBy(d => d.Fact.Name, StringComparer.OrdinalIgnoreCase),
        ];

    /// <summary>The value that stands for an instant of a device; null when none does.</summary>
    public static double? At(SqliteConnection c, long pond, Parameter parameter, DateTimeOffset at, long device)
    {
        var found = Sqlite.Rows(
            c,
            "SELECT value FROM probe_value WHERE pond = $pond AND parameter = $parameter AND at = $at AND device = $device",
            r => r.GetDouble(0),
            ("pond", pond),
            ("parameter", parameter.Key),
            ("at", at),
            ("device", device)
        );
        return found.Count > 0 ? found[0] : null;
    }

    /// <summary>Values of one pond and parameter with the device that sent each and how deep it hangs, in order of time.</summary>
    public static List<Timed> Values(
        SqliteConnection c,
        AsOf asOf,
        long pond,
        Parameter parameter,
        DateTimeOffset from,
        IReadOnlyDictionary<long, double?>? depths = null
    )
    {
        depths ??= Depths(c, asOf, pond);
        var names = new Dictionary<long, string>();
        var now = asOf.KnownUpTo == DateTimeOffset.MaxValue;
        (string, object?)[] which = [("pond", pond), ("parameter", parameter.Key), ("from", from)];
        return Sqlite.Rows(
            c,
            now ? AsKnownNow : AsKnownThen,
            Read,
            now ? [.. which, ("upto", asOf.HappenedUpTo)] : Lines.With(asOf, which)
        );

        Timed Read(SqliteDataReader r)
        {
            var device = r.GetInt64(2);
            if (!names.TryGetValue(device, out var name))
                names[device] = name = Named(device);
            return new(r.Instant(0), r.GetDouble(1)) { By = name, DepthM = depths.GetValueOrDefault(device) };
        }
    }

    /// <summary>How the values of a device name it.</summary>
    public static string Named(long device) => FormattableString.Invariant($"device {device}");

    // The only probe of a pond, or the highest of several, stands for what fish swim in, however deep it hangs; the others are told by their depth.
    private static Dictionary<long, double?> Depths(SqliteConnection c, AsOf asOf, long pond)
    {
        var probes = All(c, asOf).Select(d => d.Kept).Where(d => d.PondId == pond && d.Use == DeviceUse.Probe).ToList();
        var highest = probes.Where(d => !d.Gone).Select(d => d.DepthM ?? 0).DefaultIfEmpty().Min();
        return probes.ToDictionary(d => d.DeviceId, d => d.Gone || !(d.DepthM > highest) ? null : d.DepthM);
    }

    // What is known now needs no look at each value's line: only the few that were taken back are left out.
    private const string AsKnownNow = """
        SELECT v.at, v.value, v.device FROM probe_value v WHERE v.pond = $pond AND v.parameter = $parameter AND v.at >= $from AND v.at <= $upto
          AND v.line NOT IN (SELECT voids FROM log WHERE voids IS NOT NULL) ORDER BY v.at
        """;

    private const string AsKnownThen = """
        SELECT v.at, v.value, v.device FROM probe_value v CROSS JOIN log l USING (line)
        WHERE v.pond = $pond AND v.parameter = $parameter AND v.at >= $from AND v.at <= $upto AND l.entered <= $known
          AND NOT EXISTS (SELECT 1 FROM log x WHERE x.voids = v.line AND x.entered <= $known) ORDER BY v.at
        """;

    /// <summary>A pond's values thinned to what a drawing of that span can show: one by one for days, hours for a month, nights for more.</summary>
    public static (long SpanMs, List<(DateTimeOffset At, double Mean, double Low, double High)> Points) Course(
        SqliteConnection c,
        long pond,
        Parameter parameter,
        DateTimeOffset from,
        DateTimeOffset to
    )
    {
        var span =
            to - from > TimeSpan.FromDays(45) ? ProbeFacts.Night
            : to - from > TimeSpan.FromDays(12) ? ProbeFacts.Hour
            : ProbeFacts.Quarter;
        if (span == ProbeFacts.Quarter)
            return (
                span,
                Sqlite.Rows(
                    c,
                    "SELECT v.at / 900000 * 900000 AS start, avg(v.value), min(v.value), max(v.value) FROM probe_value v WHERE v.pond = $pond AND v.parameter = $parameter AND v.at >= $from AND v.at < $to AND NOT EXISTS (SELECT 1 FROM log x WHERE x.voids = v.line) GROUP BY start ORDER BY start",
                    r => (r.Instant(0), r.GetDouble(1), r.GetDouble(2), r.GetDouble(3)),
                    ("pond", pond),
                    ("parameter", parameter.Key),
                    ("from", from),
                    ("to", to)
                )
            );
        return RawCourse(c, pond, parameter, from, to, span);
    }

    private static (long span, List<(DateTimeOffset, double, double, double)>) RawCourse(
        SqliteConnection c,
        long pond,
        Parameter parameter,
        DateTimeOffset from,
        DateTimeOffset to,
        long span
    ) =>
        (
            span,
            Sqlite.Rows(
                c,
                "SELECT start, total / n, low, high FROM probe_roll WHERE pond = $pond AND parameter = $parameter AND span = $span AND start >= $from AND start < $to ORDER BY start",
                r => (r.Instant(0), r.GetDouble(1), r.GetDouble(2), r.GetDouble(3)),
                ("pond", pond),
                ("parameter", parameter.Key),
                ("span", span),
                ("from", from),
                ("to", to)
            )
        );

    /// <summary>What of the probes belongs into a pond's story: the last days one by one, of older nights the lowest oxygen and the mean temperature.</summary>
    public static IEnumerable<(Parameter Parameter, Timed Timed)> ForStory(
        SqliteConnection c,
        AsOf asOf,
        long pond,
        FarmZone zone
    )
    {
        // One question for all things: each is looked up by its place in the clustered values, however long the series.
        var each = Sqlite
            .Rows(c, Newest, r => (Key: r.GetString(0), Last: r.MaybeLong(1)), ("pond", pond))
            .Where(e => e.Last is not null)
            .Select(e => (Parameter: Parameter.ByKey(e.Key), e.Last))
            .ToList();
        var newest = each.Max(e => e.Last);
        if (newest is not { } ms)
            return [];
        var last = DateTimeOffset.FromUnixTimeMilliseconds(ms);
        // From the noon of a night on, so that each night is wholly on one side.
        var oldest = (last < asOf.HappenedUpTo ? last : asOf.HappenedUpTo).AddDays(-DaysOneByOne);
        var from = Night.Of(oldest, zone).Start(zone);
        var depths = Depths(c, asOf, pond);
        var days = each.SelectMany(e => Values(c, asOf, pond, e.Parameter, from, depths).Select(t => (e.Parameter, t)));
        var fullM = FarmQuestions.Pond(c, asOf, pond)?.Shape.FullDepthM;
        bool Upper(double? depthM) =>
            fullM is not { } m || PondState.IsNearSurface(default(Timed) with { DepthM = depthM }, m);
        // Roll-ups are of all probes of a pond: where one hangs at the floor, past nights are those of the upper ones.
        var rolled = depths.Values.All(Upper) && asOf.KnownUpTo == DateTimeOffset.MaxValue;
        return days.Concat(
            ByNight.SelectMany(p =>
                (
                    rolled
                        ? RolledNights(c, pond, p, from)
                        : NightsOf(
                            Values(
                                    c,
                                    asOf with
                                    {
                                        HappenedUpTo = from.AddMilliseconds(-1),
                                    },
                                    pond,
                                    p,
                                    from.AddDays(-NightsOneByOne),
                                    depths
                                )
                                .Where(t => Upper(t.DepthM)),
                            p,
                            zone
                        )
                ).Select(t => (p, t))
            )
        );
    }

    // Nights that are wholly past, where all is known: from their roll-ups.
    private static List<Timed> RolledNights(SqliteConnection c, long pond, Parameter parameter, DateTimeOffset before)
    {
        var (low, at) = parameter == Parameter.Oxygen ? ("low", "low_at") : ("total / n", "start + 43200000");
        return Sqlite.Rows(
            c,
            $"SELECT {at}, {low} FROM probe_roll WHERE pond = $pond AND parameter = $parameter AND span = $span AND start >= $since AND start < $before ORDER BY start",
            r => new Timed(r.Instant(0), r.GetDouble(1)),
            ("pond", pond),
            ("parameter", parameter.Key),
            ("span", ProbeFacts.Night),
            ("since", before.AddDays(-NightsBack)),
            ("before", before)
        );
    }

    // The same from the values as they were known then.
    private static IEnumerable<Timed> NightsOf(IEnumerable<Timed> values, Parameter parameter, FarmZone zone) =>
        values
            .GroupBy(t => Night.Of(t.At, zone))
            .Select(g =>
                parameter == Parameter.Oxygen ? g.MinBy(t => t.Si) : new Timed(g.First().At, g.Average(t => t.Si))
            );
}
