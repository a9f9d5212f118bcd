using Dorsk.Farm.Sql;

namespace Dorsk.Farm.State;

/// <summary>What checks a person's password. State, not a fact: it changes, outside the door.</summary>
/// <param name="PersonId">The person.</param>
/// <param name="Hash">Salted hash of the password, or null before one is set.</param>
/// <param name="Stamp">Changes whenever the person must sign in anew.</param>
public sealed record Credential(long PersonId, string? Hash, string Stamp);

/// <summary>Keeps credentials. Each change is made against the stamp it was read with, so that two at once cannot undo each other.</summary>
/// <param name="file">The farm's data file.</param>
public sealed class Credentials(FarmFile file)
{
    /// <summary>The credential of a person, or null.</summary>
    public Credential? Of(long personId)
    {
        using var c = file.Open();
        return Sqlite.One(
            c,
            "SELECT person, hash, stamp FROM credential WHERE person = $person",
            r => new Credential(r.GetInt64(0), r.IsDBNull(1) ? null : r.GetString(1), r.GetString(2)),
            ("person", personId)
        );
    }

    /// <summary>Whether anybody has a password yet.</summary>
    public bool Any()
    {
        using var c = file.Open();
        return Sqlite.Number(c, "SELECT count(*) FROM credential WHERE hash IS NOT NULL") > 0;
    }

    /// <summary>Gives a person an account without a password, where none stands; the one that stands afterwards.</summary>
    public Credential Begin(long personId)
    {
        using var c = file.Open();
        Sqlite.Run(
            c,
            "INSERT OR IGNORE INTO credential(person, hash, stamp) VALUES ($person, NULL, $stamp)",
            ("person", personId),
            ("stamp", NewStamp())
        );
        return Of(personId)!;
    }

    /// <summary>Sets a password: whoever is signed in as this person must sign in anew.</summary>
    /// <param name="personId">The person.</param>
    /// <param name="hash">Salted hash of the password.</param>
    public void SetPassword(long personId, string hash)
    {
        using var c = file.Open();
        Sqlite.Run(
            c,
            "INSERT INTO credential(person, hash, stamp) VALUES ($person, $hash, $stamp) ON CONFLICT(person) DO UPDATE SET hash = excluded.hash, stamp = excluded.stamp",
            ("person", personId),
            ("hash", hash),
            ("stamp", NewStamp())
        );
    }

    /// <summary>The same password hashed anew by a better method; left alone when the password was changed meanwhile.</summary>
    public void Rehash(Credential read, string hash)
    {
        using var c = file.Open();
        Sqlite.Run(
            c,
            "UPDATE credential SET hash = $hash WHERE person = $person AND stamp = $stamp",
            ("hash", hash),
            ("person", read.PersonId),
            ("stamp", read.Stamp)
        );
    }

    private static string NewStamp() => Guid.NewGuid().ToString("N");
}
