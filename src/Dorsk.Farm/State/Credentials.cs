using Dorsk.Farm.Sql;

namespace Dorsk.Farm.State;

/// <summary>What checks a person's password, and how often it was mistaken. State, not a fact: it changes, outside the door.</summary>
/// <param name="PersonId">The person.</param>
/// <param name="Hash">Salted hash of the password, or null before one is set.</param>
/// <param name="Stamp">Changes whenever the person must sign in anew.</param>
/// <param name="Failures">Mistaken passwords in a row.</param>
/// <param name="ShutTill">Until when no password is taken, or null.</param>
public sealed record Credential(long PersonId, string? Hash, string Stamp, int Failures, DateTimeOffset? ShutTill);

/// <summary>Keeps credentials.</summary>
/// <param name="file">The farm's data file.</param>
public sealed class Credentials(FarmFile file)
{
    /// <summary>The credential of a person, or null.</summary>
    public Credential? Of(long personId)
    {
        using var c = file.Open();
        return Sqlite.One(c, "SELECT person, hash, stamp, failures, shut_till FROM credential WHERE person = $person",
            r => new Credential(r.GetInt64(0), r.IsDBNull(1) ? null : r.GetString(1), r.GetString(2), r.GetInt32(3), r.MaybeLong(4) is { } ms ? DateTimeOffset.FromUnixTimeMilliseconds(ms) : null), ("person", personId));
    }

    /// <summary>Whether anybody has a password yet.</summary>
    public bool Any()
    {
        using var c = file.Open();
        return Sqlite.Number(c, "SELECT count(*) FROM credential WHERE hash IS NOT NULL") > 0;
    }

    /// <summary>Keeps a credential in place of the person's former one.</summary>
    public void Keep(Credential credential)
    {
        using var c = file.Open();
        Sqlite.Run(c, "INSERT INTO credential VALUES ($person, $hash, $stamp, $failures, $till) ON CONFLICT(person) DO UPDATE SET hash = excluded.hash, stamp = excluded.stamp, failures = excluded.failures, shut_till = excluded.shut_till",
            ("person", credential.PersonId), ("hash", credential.Hash), ("stamp", credential.Stamp), ("failures", credential.Failures), ("till", credential.ShutTill));
    }
}
