using System.Buffers.Binary;

namespace Dorsk.Farm.Files;

/// <summary>Whether bytes are a whole JPEG or PNG, proved by walking its parts, and the same picture without what was written beside it: place, device, words.</summary>
internal static class PhotoBytes
{
    private const int HeadLength = 8,
        ChunkFrame = 12;
    private static readonly byte[] PngHead = [0x89, 0x50, 0x4e, 0x47, 0x0d, 0x0a, 0x1a, 0x0a];
    private static readonly string[] PngParts = ["IHDR", "PLTE", "IDAT", "IEND", "tRNS", "gAMA", "sRGB", "cHRM"];

    /// <summary>The picture alone; null when the bytes are no whole JPEG or PNG.</summary>
    public static byte[]? Clean(ReadOnlySpan<byte> bytes)
    {
        if (bytes.StartsWith(PngHead))
            return Png(bytes);
        return bytes is [0xff, 0xd8, 0xff, ..] ? Jpeg(bytes) : null;
    }

    /// <summary>The kind that a kept picture is sent as.</summary>
    public static string Kind(ReadOnlySpan<byte> bytes) => bytes.StartsWith(PngHead) ? "image/png" : "image/jpeg";

    private static byte[]? Png(ReadOnlySpan<byte> bytes)
    {
        var kept = new List<byte>(bytes[..HeadLength].ToArray());
        var (at, hasPicture) = (HeadLength, false);
        while (at + ChunkFrame <= bytes.Length)
        {
            var length = BinaryPrimitives.ReadInt32BigEndian(bytes[at..]);
            if (length < 0 || length > bytes.Length - at - ChunkFrame)
                return null;
            var chunk = bytes.Slice(at, length + ChunkFrame);
            var name = System.Text.Encoding.ASCII.GetString(chunk.Slice(4, 4));
            if (Crc(chunk.Slice(4, length + 4)) != BinaryPrimitives.ReadUInt32BigEndian(chunk[^4..]))
                return null;
            if (at == HeadLength && name != "IHDR")
                return null;
            if (PngParts.Contains(name))
                kept.AddRange(chunk);
            hasPicture |= name == "IDAT" && length > 0;
            if (name == "IEND")
                return hasPicture ? [.. kept] : null;
            at += chunk.Length;
        }
        return null;
    }

    // The check sum of PNG: ISO 3309, reflected, polynomial EDB88320.
    private static uint Crc(ReadOnlySpan<byte> bytes)
    {
        var crc = 0xffffffffu;
        foreach (var b in bytes)
        {
            crc ^= b;
            for (var bit = 0; bit < 8; bit++)
                crc = (crc & 1) != 0 ? (crc >> 1) ^ 0xedb88320u : crc >> 1;
        }
        return ~crc;
    }

    private static byte[]? Jpeg(ReadOnlySpan<byte> bytes)
    {
        var kept = new List<byte> { 0xff, 0xd8 };
        var (at, hasFrame) = (2, false);
        while (at + 4 <= bytes.Length)
        {
            if (bytes[at] != 0xff)
                return null;
            var marker = bytes[at + 1];
            // Bytes that only fill.
            if (marker == 0xff)
            {
                at++;
                continue;
            }
            var length = BinaryPrimitives.ReadUInt16BigEndian(bytes[(at + 2)..]);
            if (length < 2 || at + 2 + length > bytes.Length)
                return null;
            hasFrame |= marker is >= 0xc0 and <= 0xcf and not (0xc4 or 0xc8 or 0xcc);
            // Of the parts of programs only the plain head and the colour space stay: place and device stand in the others.
            if (marker is not (>= 0xe1 and <= 0xed) and not 0xef and not 0xfe)
                kept.AddRange(bytes.Slice(at, 2 + length));
            at += 2 + length;
            if (marker != 0xda)
                continue;
            if (!hasFrame || ScanEnd(bytes, at) is not { } end)
                return null;
            kept.AddRange(bytes[at..end]);
            at = end;
            if (bytes[at + 1] == 0xd9)
                return [.. kept, 0xff, 0xd9];
        }
        return null;
    }

    // The picture itself runs to the next marker that is no filler and no restart.
    private static int? ScanEnd(ReadOnlySpan<byte> bytes, int from)
    {
        for (var i = from; i + 1 < bytes.Length; i++)
            if (bytes[i] == 0xff && bytes[i + 1] is not (0 or 0xff or (>= 0xd0 and <= 0xd7)))
                return i;
        return null;
    }
}
