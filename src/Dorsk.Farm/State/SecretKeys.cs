using System.Security.Cryptography;
using System.Text;
using Dorsk.Farm.Sql;

namespace Dorsk.Farm.State;

/// <summary>Secrets that open something for their owner: only their hashes are kept. State, not facts. They are random bytes, so a plain hash guards them.</summary>
/// <param name="file">The farm's data file.</param>
/// <param name="table">Table of owner and hash.</param>
/// <param name="owner">Column of the owner.</param>
/// <param name="bytes">Random bytes of a secret.</param>
public abstract class SecretKeys(FarmFile file, string table, string owner, int bytes)
{
    /// <summary>Gives an owner a new secret; the former one opens nothing any more. Shown once, kept nowhere.</summary>
    public string Renew(long ownerId)
    {
        var key = Convert.ToHexStringLower(RandomNumberGenerator.GetBytes(bytes));
        using var c = file.Open();
        Sqlite.Run(
            c,
            $"INSERT INTO {table} VALUES ($owner, $hash) ON CONFLICT({owner}) DO UPDATE SET hash = excluded.hash",
            ("owner", ownerId),
            ("hash", Hash(key))
        );
        return key;
    }

    /// <summary>The owner of a secret, or null.</summary>
    protected long? OwnerOf(string key)
    {
        if (key.Length != 2 * bytes)
            return null;
        using var c = file.Open();
        return
            Sqlite.Number(c, $"SELECT {owner} FROM {table} WHERE hash = $hash", ("hash", Hash(key)))
                is > 0
                    and var found
            ? found
            : null;
    }

    /// <summary>What tells whether an owner's secret is still the same; null without one. Opens nothing.</summary>
    /// <param name="ownerId">The owner.</param>
    public string? MarkOf(long ownerId)
    {
        using var c = file.Open();
        return Sqlite.One(
            c,
            $"SELECT hash FROM {table} WHERE {owner} = $owner",
            r => r.GetString(0),
            ("owner", ownerId)
        );
    }

    private static string Hash(string key) => Convert.ToHexStringLower(SHA256.HashData(Encoding.UTF8.GetBytes(key)));
}
