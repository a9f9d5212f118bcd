using System.Text.Json;

namespace Dorsk.Farm.Files;

/// <summary>What a backup or an export says of itself.</summary>
/// <param name="What">dorsk-backup or dorsk-export.</param>
/// <param name="Schema">Steps of the data file, in order.</param>
/// <param name="Rows">Rows of each table.</param>
/// <param name="Sha256">Checksum of each file inside.</param>
/// <param name="MadeAt">When, by the machine's clock.</param>
internal sealed record Manifest(
    string What,
    IReadOnlyList<string> Schema,
    IReadOnlyDictionary<string, long> Rows,
    IReadOnlyDictionary<string, string> Sha256,
    DateTimeOffset MadeAt
)
{
    public const string File = "manifest.json";
    private const int LargestBytes = 1_000_000;

    private static readonly JsonSerializerOptions Plain = new(JsonSerializerDefaults.Web) { WriteIndented = true };

    public string Text() => JsonSerializer.Serialize(this, Plain);

    /// <summary>The manifest of an archive.</summary>
    /// <exception cref="InvalidDataException">It has none of this kind, or one that is far too large.</exception>
    public static Manifest Of(System.IO.Compression.ZipArchive zip, string what)
    {
        var entry = zip.GetEntry(File) is { Length: <= LargestBytes } e
            ? e
            : throw new InvalidDataException("it has no manifest");
        using var text = new StreamReader(entry.Open());
        return Read(text.ReadToEnd()) is { } m && m.What == what
            ? m
            : throw new InvalidDataException("its manifest is not one of " + what);
    }

    public static Manifest? Read(string text)
    {
        try
        {
            return
                JsonSerializer.Deserialize<Manifest>(text, Plain)
                    is { What: not null, Schema: not null, Rows: not null, Sha256: not null } m
                ? m
                : null;
        }
        catch (JsonException)
        {
            return null;
        }
    }
}

/// <summary>A backup, restore, export or import that cannot be: said to the person who asked for it.</summary>
public sealed class FarmFilesException : Exception
{
    /// <summary>With what is wrong and the way out.</summary>
    public FarmFilesException(string message)
        : base(message) { }

    /// <summary>The same, with its cause.</summary>
    public FarmFilesException(string message, Exception inner)
        : base(message, inner) { }
}
