using Dorsk.Core.Harvest;
using Dorsk.Core.Judging;
using Dorsk.Core.Plans;
using Dorsk.Core.Units;
using Dorsk.Farm.Facts;
using Dorsk.Farm.Log;
using Dorsk.Farm.Sql;
using Microsoft.Data.Sqlite;

namespace Dorsk.Farm.Fish;

/// <summary>Days of fishing at a pond: those that are open, and what was arranged.</summary>
/// <param name="Open">Net days that are not closed, or of which baskets came in after the close.</param>
/// <param name="Arranged">What was arranged, in order of time.</param>
public sealed record PondNet(IReadOnlyList<NetTally> Open, IReadOnlyList<HarvestArranged> Arranged)
{
    /// <summary>Nothing was ever written.</summary>
    public static readonly PondNet None = new([], []);
}

/// <summary>What the log knows of days of fishing.</summary>
internal static class NetQuestions
{
    /// <summary>Open net days and arrangements of a pond.</summary>
    public static PondNet Of(SqliteConnection c, AsOf asOf, long pond) =>
        new(
            [.. Tallies(c, asOf, "t.pond = $of", pond, onlyOpen: true)],
            NetBook.Arranged.Sound(c, asOf, "t.pond = $pond", ("pond", pond)).ConvertAll(a => a.Fact)
        );

    /// <summary>Every net day of a pond, in order of time.</summary>
    public static List<NetTally> Tallies(SqliteConnection c, AsOf asOf, long pond) =>
        Tallies(c, asOf, "t.pond = $of", pond, onlyOpen: false);

    /// <summary>One net day with its baskets; null when there is none of that number.</summary>
    public static NetTally? Tally(SqliteConnection c, AsOf asOf, long net) =>
        Tallies(c, asOf, "t.net = $of", net, onlyOpen: false).LastOrDefault();

    private static List<NetTally> Tallies(SqliteConnection c, AsOf asOf, string where, long of, bool onlyOpen)
    {
        var begun = NetBook.Begun.Sound(c, asOf, where, ("of", of));
        if (begun.Count == 0)
            return [];
        var closes = NetBook.Closed.Sound(c, asOf, where, ("of", of)).ToLookup(x => x.Fact.NetId);
        var found = new List<NetTally>();
        foreach (var day in begun)
        {
            var closed = closes[day.Fact.NetId].OrderBy(x => x.Line).ToList();
            var lines = closed.ConvertAll(x => x.Line);
            if (onlyOpen && lines.Count > 0 && !After(c, day.Fact.NetId, lines[^1]))
                continue;
            var tally = Read(c, asOf, day, lines) with { Close = closed is [.., var last] ? last.Fact : null };
            if (!onlyOpen || tally.IsOpen)
                found.Add(tally);
        }
        return found;
    }

    // Most net days are long closed: whether a basket came later is asked before all are read.
    private static bool After(SqliteConnection c, long net, long line) =>
        Sqlite.Number(
            c,
            "SELECT EXISTS (SELECT 1 FROM basket WHERE net = $net AND line > $line)",
            ("net", net),
            ("line", line)
        ) == 1;

    private static NetTally Read(SqliteConnection c, AsOf asOf, FactLine<NetDayBegun> day, List<long> closes)
    {
        (string, object?) net = ("net", day.Fact.NetId);
        return new(
            day.At,
            day.Fact,
            NetBook
                .Basket.Sound(c, asOf, "t.net = $net", net)
                .ConvertAll(b => new BasketLine(b.Line, b.At, b.Author, b.Fact)),
            NetBook.Note.Sound(c, asOf, "t.net = $net", net).ConvertAll(n => (n.At, n.Fact)),
            closes
        );
    }

    /// <summary>A net day with its instant; null when there is none.</summary>
    public static (DateTimeOffset At, NetDayBegun Begun)? Day(Desk desk, long net) =>
        NetBook.Begun.Sound(desk.Connection, desk.AsOf.Known, "t.net = $net", ("net", net)) is [.., var last]
            ? (last.At, last.Fact)
            : null;

    /// <summary>Weights of the last baskets before one, without the basket itself, kg.</summary>
    public static List<double> LastBaskets(Desk desk, BasketWeighed basket) =>
        [
            .. NetBook
                .Basket.Sound(
                    desk.Connection,
                    desk.AsOf,
                    "t.net = $net AND t.fate = $fate",
                    ("net", basket.NetId),
                    ("fate", basket.Fate.ToString())
                )
                .Where(b => b.Line != desk.Line && b.Line != desk.Corrects)
                .TakeLast(BasketWeighed.Neighbours)
                .Select(b => b.Fact.NetKg),
        ];

    /// <summary>Whether the net of a batch is in the water.</summary>
    public static bool IsOpen(Desk desk, long pond, long batch) =>
        Of(desk.Connection, desk.AsOf.Known, pond).Open.Any(t => t.Begun.BatchId == batch && t.At <= desk.Happened);

    /// <summary>Since when another net day of the pond is open, in words; null where none is.</summary>
    public static string? OpenSince(Desk desk, NetDayBegun day) =>
        Of(desk.Connection, desk.AsOf.Known, day.PondId)
            .Open.FirstOrDefault(t => t.Begun.NetId != day.NetId && t.Begun.NetId != desk.Line)
            is { } open
            ? $"{Hand.Day(desk.Zone.DayOf(open.At))}, {desk.Zone.LocalAt(open.At):HH:mm}"
            : null;

    /// <summary>Objections to taking back a basket that stands in the ledger.</summary>
    public static IEnumerable<Remark> InLedger(Desk desk, long net, long line)
    {
        if (Tally(desk.Connection, desk.AsOf.Known, net) is { Closes: [.., var closed] } && line < closed)
            yield return Remark.Refuse(
                "Gross",
                $"This tally was closed in line {closed} of the log: the basket stands in the ledger. Correct the harvest."
            );
    }

    /// <summary>Objections to opening a tally again while what it wrote into the ledger stands there.</summary>
    public static IEnumerable<Remark> StandsInLedger(Desk desk, long closed)
    {
        var standing = Sqlite.Rows(
            desk.Connection,
            """
            SELECT line FROM log l WHERE entry = (SELECT entry FROM log WHERE line = $line) AND line <> $line
              AND NOT EXISTS (SELECT 1 FROM log v WHERE v.voids = l.line) ORDER BY line
            """,
            r => r.GetInt64(0),
            ("line", closed)
        );
        if (standing.Count > 0)
            yield return Remark.Refuse(
                "",
                $"What this tally wrote into the ledger stands there: line {string.Join(", ", standing)} of the log. Take those back first; else its fish would be counted twice."
            );
    }

    /// <summary>Objections to taking back a net day that something was written for.</summary>
    public static IEnumerable<Remark> Inside(Desk desk, long net)
    {
        // The day itself counts as taken back already.
        var baskets = NetBook.Basket.Sound(desk.Connection, desk.AsOf.Known, "t.net = $net", ("net", net)).Count;
        if (baskets > 0)
            yield return Remark.Refuse("", $"{baskets} baskets were weighed on this net day. Take those back first.");
    }
}
