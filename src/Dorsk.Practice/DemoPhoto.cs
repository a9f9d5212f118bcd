using System.Buffers.Binary;
using System.IO.Compression;
using System.Security.Cryptography;

namespace Dorsk.Practice;

/// <summary>Pictures of dead fish for the demo farm, drawn point by point: a fish on a board, with a sore or with tufts.</summary>
public static class DemoPhoto
{
    private const int Wide = 320,
        Tall = 200;
    private static readonly byte[] Head = [0x89, 0x50, 0x4e, 0x47, 0x0d, 0x0a, 0x1a, 0x0a];

    /// <summary>Name under which a photo is kept: the hash of its bytes.</summary>
    /// <param name="kind">1 a sore, 2 tufts.</param>
    public static string Name(int kind) => Convert.ToHexStringLower(SHA256.HashData(Draw(kind)));

    /// <summary>A picture as a PNG.</summary>
    /// <param name="kind">1 a sore, 2 tufts.</param>
    public static byte[] Draw(int kind)
    {
        var rows = new byte[Tall * ((Wide * 3) + 1)];
        var chance = new Random(kind);
        for (var y = 0; y < Tall; y++)
        for (var x = 0; x < Wide; x++)
        {
            var (r, g, b) = Colour(x, y, kind);
            var noise = chance.Next(-9, 10);
            var at = (y * ((Wide * 3) + 1)) + 1 + (x * 3);
            (rows[at], rows[at + 1], rows[at + 2]) = (Byte(r + noise), Byte(g + noise), Byte(b + noise));
        }
        using var file = new MemoryStream();
        file.Write(Head);
        var size = new byte[13];
        BinaryPrimitives.WriteInt32BigEndian(size, Wide);
        BinaryPrimitives.WriteInt32BigEndian(size.AsSpan(4), Tall);
        (size[8], size[9]) = (8, 2);
        Chunk(file, "IHDR", size);
        Chunk(file, "IDAT", Packed(rows));
        Chunk(file, "IEND", []);
        return file.ToArray();
    }

    // A body as an ellipse, a tail as a wedge, an eye, and what is wrong with it.
    private static (int R, int G, int B) Colour(int x, int y, int kind)
    {
        double Ellipse(double cx, double cy, double rx, double ry) =>
            Math.Pow((x - cx) / rx, 2) + Math.Pow((y - cy) / ry, 2);
        if (Ellipse(72, 88, 5, 5) < 1)
            return (20, 20, 20);
        if (kind == 1 && Ellipse(170, 112, 24, 13) < 1)
            return Ellipse(170, 112, 12, 6) < 1 ? (120, 20, 24) : (186, 62, 58);
        if (kind == 2 && (Ellipse(150, 80, 16, 9) < 1 || Ellipse(204, 108, 13, 8) < 1))
            return (214, 212, 202);
        var isTail = x is > 240 and < 300 && Math.Abs(y - 100) < (x - 232) * 0.7;
        if (Ellipse(150, 100, 105, 46) < 1 || isTail)
            return y < 84 ? (74, 84, 88) : (148 + (y / 8), 156 + (y / 9), 152 + (y / 12));
        return (176, 148, 108);
    }

    private static byte Byte(int value) => (byte)Math.Clamp(value, 0, 255);

    private static byte[] Packed(byte[] rows)
    {
        using var packed = new MemoryStream();
        using (var zlib = new ZLibStream(packed, CompressionLevel.NoCompression, leaveOpen: true))
            zlib.Write(rows);
        return packed.ToArray();
    }

    private static void Chunk(Stream file, string name, byte[] data)
    {
        var chunk = new byte[data.Length + 12];
        BinaryPrimitives.WriteInt32BigEndian(chunk, data.Length);
        System.Text.Encoding.ASCII.GetBytes(name, chunk.AsSpan(4));
        data.CopyTo(chunk, 8);
        BinaryPrimitives.WriteUInt32BigEndian(chunk.AsSpan(data.Length + 8), Sum(chunk.AsSpan(4, data.Length + 4)));
        file.Write(chunk);
    }

    private static uint Sum(ReadOnlySpan<byte> bytes)
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
}
