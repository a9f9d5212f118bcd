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
    private readonly Dictionary<long, long> ponds = [], probes = [];
    private long restored = -1, upTo, farm, feed, matters;

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
                (restored, upTo, farm, feed, matters) = (n, 0, 0, 0, 0);
            }
            foreach (var (line, pond, kind) in Sqlite.Rows(c, "SELECT line, pond, kind FROM log WHERE line > $line ORDER BY line", r => (r.GetInt64(0), r.MaybeLong(1), r.GetString(2)), ("line", upTo)))
                Note(line, pond, kind);
            return new(restored, upTo, farm, feed, matters);
        }
    }

    /// <summary>The last line that a pond's answers depend on.</summary>
    public OfPond Of(long pond)
    {
        lock (gate)
            return new(restored, Math.Max(farm, ponds.GetValueOrDefault(pond)), probes.GetValueOrDefault(pond));
    }

    private void Note(long line, long? pond, string kind)
    {
        upTo = line;
        if (kind is nameof(Core.Feeding.FeedingGiven) or nameof(Core.Feeding.FeedReceived) or nameof(Core.Feeding.StoreTaken) or nameof(Core.Feeding.StoreCounted) or nameof(Core.Feeding.FeedNamed) or LogLines.TakenBack)
            feed = line;
        // What Dorsk told itself and alarms change no answer.
        if (kind is nameof(Core.Oxygen.ForecastIssued) or nameof(Core.Alarms.AlarmRaised) or nameof(Core.Alarms.AlarmAnswered) or nameof(Core.Alarms.AlarmEnded) or nameof(Core.Alarms.AlarmTold) or nameof(Core.Alarms.CallListSet))
            return;
        if (pond is { } probed && kind == nameof(Core.Water.ProbeSeriesReceived))
        {
            probes[probed] = line;
            return;
        }
        matters = line;
        // Jobs of the farm, copies of the season and feed brought in change no answer of a pond; a pond's job may be a step of its preparation.
        if (kind is nameof(Core.Feeding.FeedReceived) or nameof(Core.Feeding.StoreTaken) or nameof(Core.Feeding.StoreCounted) or nameof(Core.Plans.SeasonKept) || (kind == nameof(Core.Season.JobClosed) && pond is null))
            return;
        if (pond is { } p && kind is not (nameof(Core.Stock.FishMoved) or nameof(Core.Plans.CyclePlanned)))
            ponds[p] = line;
        else
            farm = line;
    }
}
