using Dorsk.Core.Water;
using Dorsk.Farm.Files;
using Dorsk.Farm.Sql;

namespace Dorsk.Farm;

/// <summary>
/// The door's wide wing: a checked sheet goes in as one entry, in one short transaction. Its values passed the same rules one by one;
/// only what was entered meanwhile is looked for once more.
/// </summary>
/// <param name="file">The farm's data file.</param>
/// <param name="clock">The farm clock.</param>
public sealed class SheetDoor(FarmFile file, TimeProvider clock)
{
    /// <summary>Enters what lies on the desk. How many values were entered.</summary>
    /// <param name="desk">The desk; closed and taken away afterwards.</param>
    /// <param name="author">Who confirmed it.</param>
    /// <param name="withAsked">Whether unusual values are meant; they are left out otherwise.</param>
    public int Enter(SheetDesk desk, string author, bool withAsked) =>
        file.InTurn(() => Alone(desk, author, withAsked));

    private int Alone(SheetDesk desk, string author, bool withAsked)
    {
        // Whatever becomes of it, the desk is taken away.
        using var done = desk;
        desk.Close();
        using var c = file.Open(pooled: false);
        Sqlite.Run(c, "ATTACH $desk AS desk", ("desk", desk.Path));
        int entered;
        using (var transaction = c.BeginTransaction(deferred: false))
        {
            Sqlite.Run(c, $"DELETE FROM desk.value WHERE {SheetDesk.KnownIn("", "value")}");
            if (!withAsked)
                Sqlite.Run(c, "DELETE FROM desk.value WHERE asked = 1");
            Sqlite.Run(c, "DELETE FROM desk.row WHERE n NOT IN (SELECT n FROM desk.value)");
            var line = Sqlite.Number(c, "SELECT coalesce(max(line), 0) FROM log");
            var id = Guid.NewGuid().ToString();
            Sqlite.Run(
                c,
                "CREATE TEMP TABLE placed AS SELECT n, $line + row_number() OVER (ORDER BY n) AS line FROM desk.row",
                ("line", line)
            );
            Sqlite.Run(c, "CREATE UNIQUE INDEX temp.placed_n ON placed(n)");
            var now = clock.GetUtcNow();
            if (Sqlite.Number(c, "SELECT count(*) FROM placed") > 0)
                Sqlite.Run(
                    c,
                    "INSERT INTO entry(id, entered, author) VALUES ($id, $now, $author)",
                    ("id", id),
                    ("now", now),
                    ("author", author)
                );
            Sqlite.Run(
                c,
                $"INSERT INTO log(line, entry, n, kind, pond, happened, entered, author, as_typed, voids) SELECT p.line, $id, p.line - $line - 1, '{nameof(ReadingTaken)}', r.pond, r.happened, $now, $author, r.typed, NULL FROM placed p JOIN desk.row r ON r.n = p.n ORDER BY p.line",
                ("id", id),
                ("line", line),
                ("now", now),
                ("author", author)
            );
            entered = Sqlite.Run(
                c,
                "INSERT INTO reading(line, n, pond, parameter, value, depth_m, instrument, low, high) SELECT p.line, v.k, v.pond, v.parameter, v.value, NULL, '', NULL, NULL FROM placed p JOIN desk.value v ON v.n = p.n ORDER BY p.line, v.k"
            );
            Sqlite.Run(
                c,
                "INSERT INTO confirmed(line, n, text) SELECT p.line, a.k, a.text FROM placed p JOIN desk.value v ON v.n = p.n JOIN desk.asked a ON a.n = v.n AND a.k = v.k"
            );
            transaction.Commit();
        }
        return entered;
    }
}
