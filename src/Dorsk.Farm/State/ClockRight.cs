using Dorsk.Farm.Sql;

namespace Dorsk.Farm.State;

/// <summary>What the log says of the time, and which of its lines came from a clock that ran ahead. State, not facts.</summary>
/// <param name="file">The farm's data file.</param>
public sealed class ClockRight(FarmFile file)
{
    /// <summary>When the newest line was entered, those set aside by <see cref="Vouch"/> left out; null on an empty farm.</summary>
    public DateTimeOffset? Newest()
    {
        using var c = file.Open();
        return
            Sqlite.Number(
                c,
                "SELECT max(entered) FROM (SELECT entered FROM log WHERE line > (SELECT line FROM clock_right) ORDER BY line DESC LIMIT 1000)"
            )
                is > 0
                    and var ms
            ? DateTimeOffset.FromUnixTimeMilliseconds(ms)
            : null;
    }

    /// <summary>A Manager says that the machine's clock is right: lines so far say nothing of the time any more.</summary>
    public void Vouch()
    {
        using var c = file.Open();
        Sqlite.Run(c, "UPDATE clock_right SET line = (SELECT coalesce(max(line), 0) FROM log)");
    }

    /// <summary>Whether lines were set aside: then those that lie ahead of the clock are left out of every pond's story.</summary>
    public bool Vouched
    {
        get
        {
            using var c = file.Open();
            return Sqlite.Number(c, "SELECT line FROM clock_right") > 0;
        }
    }
}
