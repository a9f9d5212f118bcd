using Dorsk.Farm.Estimates;
using Dorsk.Farm.Facts;
using Dorsk.Farm.Log;
using Dorsk.Farm.Sql;
using Microsoft.Data.Sqlite;

namespace Dorsk.Farm.Ask;

/// <summary>
/// What has moved since it was last asked: the last line that touches each pond, and the last that touches the farm as a whole. Only
/// new lines are read, so that asking costs next to nothing.
/// </summary>
internal sealed class Memory
{
    private readonly Lock gate = new();
    private readonly Dictionary<long, long> ponds = [],
        probes = [];

    // The last line of each kind, by pond and for the farm as a whole.
    private readonly Dictionary<long, Dictionary<string, long>> kinds = [];
    private readonly Dictionary<string, long> kindsOfFarm = [],
        lastOfKind = [];
    private long restored = -1,
        upTo,
        farm,
        feed,
        matters;

    /// <summary>The state of the log as far as answers depend on it.</summary>
    /// <param name="Restored">How often the file was restored in place.</param>
    /// <param name="Line">Its last line.</param>
    /// <param name="Farm">Last line that touches every pond.</param>
    /// <param name="Feed">Last line that touches the feed store.</param>
    /// <param name="Matters">Last line of people, or of what is no probe: what probes of ponds send, what Dorsk told itself and alarms are left out.</param>
    public readonly record struct Seen(long Restored, long Line, long Farm, long Feed, long Matters);

    /// <summary>What a pond's answers depend on.</summary>
    /// <param name="Restored">How often the file was restored in place.</param>
    /// <param name="Line">Last line that touches the pond, its probes left out.</param>
    /// <param name="Probe">Last line of its probes.</param>
    public readonly record struct OfPond(long Restored, long Line, long Probe);

    /// <summary>Reads what is new.</summary>
    public Seen Look(SqliteConnection c)
    {
        lock (gate)
        {
            var n = Sqlite.Number(c, "SELECT n FROM restored");
            if (n != restored)
            {
                ponds.Clear();
                probes.Clear();
                kinds.Clear();
                kindsOfFarm.Clear();
                lastOfKind.Clear();
                (restored, upTo, farm, feed, matters) = (n, 0, 0, 0, 0);
            }
            // Nothing is remembered yet: there is nothing to tell apart in what stands already.
            if (upTo == 0)
                upTo = farm = feed = matters = LogLines.Last(c);
            foreach (var row in New(c))
                Note(c, row);
            return new(restored, upTo, farm, feed, matters);
        }
    }

    /// <summary>What a pond's answers depend on and that was entered after a line.</summary>
    public Moved Since(long pond, long line)
    {
        lock (gate)
            return new(After(kinds.GetValueOrDefault(pond) ?? [], line), After(kindsOfFarm, line));
    }

    private static List<string> After(Dictionary<string, long> last, long line) =>
        [.. last.Where(k => k.Value > line).Select(k => k.Key)];

    /// <summary>Whether nothing but some kinds was entered or taken back after a line.</summary>
    public bool OnlySince(long line, IReadOnlySet<string> these)
    {
        lock (gate)
            return lastOfKind.All(k => k.Value <= line || these.Contains(k.Key));
    }

    /// <summary>The last line that a pond's answers depend on.</summary>
    public OfPond Of(long pond)
    {
        lock (gate)
            return new(restored, Math.Max(farm, ponds.GetValueOrDefault(pond)), probes.GetValueOrDefault(pond));
    }

    private List<NewRow> New(SqliteConnection c) =>
        Sqlite.Rows(
            c,
            """
            SELECT l.line, l.kind, l.pond, v.line, v.kind, v.pond FROM log l LEFT JOIN log v ON v.line = l.voids
            WHERE l.line > $line ORDER BY l.line
            """,
            r => new NewRow(
                new(r.GetInt64(0), r.GetString(1), r.MaybeLong(2)),
                r.MaybeLong(3) is { } voided ? new(voided, r.GetString(4), r.MaybeLong(5)) : null
            ),
            ("line", upTo)
        );

    // A line changes what its own fact names, and what the fact named that it takes the place of.
    private void Note(SqliteConnection c, NewRow row)
    {
        upTo = row.Line.Number;
        if (row.Line.Kind != LogRow.TakenBack)
            Note(c, row.Line, row.Line.Kind);
        if (row.Voided is { } voided)
            Note(c, voided, LogRow.TakenBack);
    }

    private void Note(SqliteConnection c, Touching line, string how)
    {
        lastOfKind[line.Kind] = upTo;
        // A kind that this build does not know may be about anything.
        var kind = FactKinds.Find(line.Kind);
        var reach = kind?.Reach ?? Reach.Farm | Reach.Store;
        if (reach == Reach.Probe && line.Pond is { } probed)
        {
            probes[probed] = upTo;
            NoteKind(probed, how);
            return;
        }
        if (reach == Reach.Nothing)
            return;
        matters = upTo;
        if (reach.HasFlag(Reach.Store))
            feed = upTo;
        if (reach.HasFlag(Reach.Farm) || reach == Reach.Probe)
            NoteFarm(how);
        else if (reach.HasFlag(Reach.Named))
            NotePonds(kind!.PondsOf(c, line.Number), line.Pond, reach, how);
    }

    private void NotePonds(List<long> named, long? filedUnder, Reach reach, string how)
    {
        if (named.Count == 0 && filedUnder is null && reach.HasFlag(Reach.Ponds))
            NoteFarm(how);
        foreach (var pond in filedUnder is { } own ? named.Append(own) : named)
        {
            ponds[pond] = upTo;
            NoteKind(pond, how);
        }
    }

    private void NoteFarm(string how)
    {
        farm = upTo;
        kindsOfFarm[how] = upTo;
    }

    private void NoteKind(long pond, string how)
    {
        if (!kinds.TryGetValue(pond, out var of))
            kinds[pond] = of = [];
        of[how] = upTo;
    }

    private readonly record struct Touching(long Number, string Kind, long? Pond);

    private readonly record struct NewRow(Touching Line, Touching? Voided);
}
