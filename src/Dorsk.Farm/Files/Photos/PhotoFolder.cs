using System.IO.Compression;
using System.Security.Cryptography;

namespace Dorsk.Farm.Files;

/// <summary>Photos of a farm: files in its data folder, each named by the hash of its bytes.</summary>
/// <param name="farmPath">The farm's data file.</param>
public sealed class PhotoFolder(string farmPath)
{
    /// <summary>The largest photo that is kept, bytes.</summary>
    public const int Most = 1 << 20;

    /// <summary>Name of the folder, in the data folder and in backups.</summary>
    internal const string Name = "photos";

    private const int HashLength = 64;
    private readonly string folder = Path.Combine(Path.GetDirectoryName(Path.GetFullPath(farmPath))!, Name);

    /// <summary>Keeps a photo, without its place data; kept again it is the same file.</summary>
    /// <param name="bytes">What was sent.</param>
    /// <returns>Its name, or why it is not kept.</returns>
    public (string? Hash, string Problem) Keep(ReadOnlySpan<byte> bytes)
    {
        if (bytes.Length > Most)
            return (null, "The photo is over 1 MB. Take it again: the page makes it smaller before it is sent.");
        if (PhotoBytes.Clean(bytes) is not { } clean)
            return (null, "This is no whole JPEG or PNG. Take the photo again, or choose another file.");
        var hash = Convert.ToHexStringLower(SHA256.HashData(clean));
        var path = Path.Combine(folder, hash);
        if (File.Exists(path))
            return (hash, "");
        Directory.CreateDirectory(folder);
        var part = $"{path}.{Guid.NewGuid():N}.part";
        File.WriteAllBytes(part, clean);
        FarmFolder.Guard(part);
        File.Move(part, path, overwrite: true);
        return (hash, "");
    }

    /// <summary>A kept photo with its kind; null when there is none of that name.</summary>
    public (byte[] Bytes, string Kind)? Open(string hash)
    {
        if (!IsHash(hash) || Path.Combine(folder, hash) is var path && !File.Exists(path))
            return null;
        var bytes = File.ReadAllBytes(path);
        return (bytes, PhotoBytes.Kind(bytes));
    }

    /// <summary>Whether a photo of that name is kept.</summary>
    public bool Has(string hash) => IsHash(hash) && File.Exists(Path.Combine(folder, hash));

    /// <summary>Writes all photos into a zip.</summary>
    internal void Into(ZipArchive zip)
    {
        if (!Directory.Exists(folder))
            return;
        foreach (
            var path in Directory
                .EnumerateFiles(folder)
                .Where(p => IsHash(Path.GetFileName(p)))
                .Order(StringComparer.Ordinal)
        )
            zip.CreateEntryFromFile(path, $"{Name}/{Path.GetFileName(path)}", CompressionLevel.NoCompression);
    }

    /// <summary>Takes photos out of a zip; each must be what its name says.</summary>
    /// <exception cref="FarmFilesException">One of them is not.</exception>
    internal void From(ZipArchive zip)
    {
        foreach (var entry in zip.Entries.Where(e => e.FullName.StartsWith(Name + "/", StringComparison.Ordinal)))
        {
            using var stream = entry.Open();
            using var memory = new MemoryStream();
            var buffer = new byte[81920];
            for (int read; (read = stream.Read(buffer)) > 0 && memory.Length <= Most; )
                memory.Write(buffer, 0, read);
            var bytes = memory.ToArray();
            var hash = Convert.ToHexStringLower(SHA256.HashData(bytes));
            if (entry.FullName != $"{Name}/{hash}" || Keep(bytes).Hash != hash)
                throw new FarmFilesException($"{entry.FullName} is not the photo that its name says: it was changed.");
        }
    }

    private static bool IsHash(string name) => name.Length == HashLength && name.All(char.IsAsciiHexDigitLower);
}
