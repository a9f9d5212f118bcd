using System.Security.Cryptography;
using Dorsk.Farm.Sql;

namespace Dorsk.Farm.State;

/// <summary>
/// Who is signed in where. A cookie names a session; it opens nothing once the session is ended, or the person's stamp is another one
/// (the password was changed), or the file was restored. State, not facts.
/// </summary>
/// <param name="file">The farm's data file.</param>
public sealed class Sessions(FarmFile file)
{
    private static readonly TimeSpan Longest = TimeSpan.FromDays(60);

    /// <summary>Begins a session and returns its secret name.</summary>
    /// <param name="credential">Of the person who signed in.</param>
    public string Begin(Credential credential)
    {
        var (id, now) = (Convert.ToHexStringLower(RandomNumberGenerator.GetBytes(32)), DateTimeOffset.UtcNow);
        using var c = file.Open();
        Sqlite.Run(c, "DELETE FROM session WHERE began < $old", ("old", now - Longest));
        Sqlite.Run(
            c,
            "INSERT INTO session(id, person, stamp, began) VALUES ($id, $person, $stamp, $began)",
            ("id", Hash(id)),
            ("person", credential.PersonId),
            ("stamp", credential.Stamp),
            ("began", now)
        );
        return id;
    }

    /// <summary>The person of a session that stands, or null.</summary>
    /// <param name="id">Its secret name.</param>
    public long? PersonOf(string id)
    {
        using var c = file.Open();
        return
            Sqlite.Number(
                c,
                "SELECT s.person FROM session s JOIN credential k ON k.person = s.person AND k.stamp = s.stamp WHERE s.id = $id",
                ("id", Hash(id))
            )
                is > 0
                    and var person
            ? person
            : null;
    }

    /// <summary>Ends a session: copies of its cookie open nothing any more.</summary>
    public void End(string id)
    {
        using var c = file.Open();
        Sqlite.Run(c, "DELETE FROM session WHERE id = $id", ("id", Hash(id)));
    }

    private static string Hash(string id) =>
        Convert.ToHexStringLower(SHA256.HashData(System.Text.Encoding.UTF8.GetBytes(id)));
}
