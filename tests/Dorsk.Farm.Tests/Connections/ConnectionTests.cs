using Dorsk.Core.Water;
using Dorsk.Farm.Sql;

namespace Dorsk.Farm.Tests.Connections;

/// <summary>Connections that are kept open give every asker the file as it is.</summary>
public class ConnectionTests
{
    private const string Readings = "SELECT count(*) FROM reading";

    [Fact]
    public void One_that_was_left_in_a_snapshot_is_not_used_again()
    {
        using var farm = new TestFarm();
        using (var left = farm.File.Open())
        {
            Sqlite.Run(left, "SAVEPOINT forgotten");
            Assert.Equal(0, Sqlite.Number(left, Readings));
        }
        farm.Must(new ReadingTaken(farm.PondId, [new(Parameter.Oxygen, 6)]), TestFarm.Start.AddDays(1));
        using var next = farm.File.Open();
        Assert.Equal(1, Sqlite.Number(next, Readings));
    }

    [Fact]
    public void The_same_statement_runs_within_itself_and_again_after_it_failed()
    {
        using var farm = new TestFarm();
        using var c = farm.File.Open();
        const string numbers = "SELECT value FROM three WHERE value >= $from ORDER BY value";
        Sqlite.Run(c, "CREATE TEMP TABLE three AS SELECT 1 AS value UNION SELECT 2 UNION SELECT 3");
        var pairs = new List<(long, long)>();
        Sqlite.Each(
            c,
            numbers,
            _ => { },
            outer =>
                Sqlite.Each(
                    c,
                    numbers,
                    _ => { },
                    inner => pairs.Add((outer.GetInt64(0), inner.GetInt64(0))),
                    ("from", 2L)
                ),
            ("from", 1L)
        );
        Assert.Equal([(1, 2), (1, 3), (2, 2), (2, 3), (3, 2), (3, 3)], pairs);
        Assert.Throws<FormatException>(() => Sqlite.Rows(c, numbers, r => r.GetGuid(0), ("from", 1L)));
        Assert.Equal([3L], Sqlite.Rows(c, numbers, r => r.GetInt64(0), ("from", 3L)));
    }
}
