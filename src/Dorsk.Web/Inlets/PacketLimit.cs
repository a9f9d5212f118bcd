namespace Dorsk.Web.Inlets;

/// <summary>Follows the packets of an MQTT stream (a byte of kind, a length in one to four bytes, so many bytes) and ends it at the first that is longer than it may be, before its bytes are read.</summary>
/// <param name="inner">The stream.</param>
internal sealed class PacketLimit(Stream inner) : Stream
{
    /// <summary>Most bytes of the first packet, which carries name and key.</summary>
    public const int First = 4096;

    /// <summary>Most bytes of every later one.</summary>
    public const int Later = 1_000_000;

    private const byte Connect = 0x10;
    private long body;
    private int length,
        shift;
    private bool inLength,
        first = true;

    /// <inheritdoc/>
    public override bool CanRead => true;

    /// <inheritdoc/>
    public override bool CanSeek => false;

    /// <inheritdoc/>
    public override bool CanWrite => true;

    /// <inheritdoc/>
    public override long Length => throw new NotSupportedException();

    /// <inheritdoc/>
    public override long Position
    {
        get => throw new NotSupportedException();
        set => throw new NotSupportedException();
    }

    /// <inheritdoc/>
    public override int Read(byte[] buffer, int offset, int count)
    {
        var n = inner.Read(buffer, offset, count);
        Follow(buffer.AsSpan(offset, n));
        return n;
    }

    /// <inheritdoc/>
    public override async ValueTask<int> ReadAsync(Memory<byte> buffer, CancellationToken cancellationToken = default)
    {
        var n = await inner.ReadAsync(buffer, cancellationToken);
        Follow(buffer.Span[..n]);
        return n;
    }

    /// <inheritdoc/>
    public override Task<int> ReadAsync(byte[] buffer, int offset, int count, CancellationToken cancellationToken) =>
        ReadAsync(buffer.AsMemory(offset, count), cancellationToken).AsTask();

    /// <inheritdoc/>
    public override void Write(byte[] buffer, int offset, int count) => inner.Write(buffer, offset, count);

    /// <inheritdoc/>
    public override ValueTask WriteAsync(ReadOnlyMemory<byte> buffer, CancellationToken cancellationToken = default) =>
        inner.WriteAsync(buffer, cancellationToken);

    /// <inheritdoc/>
    public override Task WriteAsync(byte[] buffer, int offset, int count, CancellationToken cancellationToken) =>
        inner.WriteAsync(buffer, offset, count, cancellationToken);

    /// <inheritdoc/>
    public override void Flush() => inner.Flush();

    /// <inheritdoc/>
    public override Task FlushAsync(CancellationToken cancellationToken) => inner.FlushAsync(cancellationToken);

    /// <inheritdoc/>
    public override long Seek(long offset, SeekOrigin origin) => throw new NotSupportedException();

    /// <inheritdoc/>
    public override void SetLength(long value) => throw new NotSupportedException();

    /// <inheritdoc/>
    protected override void Dispose(bool disposing)
    {
        if (disposing)
            inner.Dispose();
        base.Dispose(disposing);
    }

    private void Follow(ReadOnlySpan<byte> bytes)
    {
        for (var i = 0; i < bytes.Length; )
            if (body > 0)
            {
                var skip = (int)Math.Min(body, bytes.Length - i);
                body -= skip;
                i += skip;
            }
            else if (!inLength)
            {
                if (first && (bytes[i] & 0xF0) != Connect)
                    throw new IOException("A client must connect first.");
                (inLength, length, shift) = (true, 0, 0);
                i++;
            }
            else
                LengthByte(bytes[i++]);
    }

    private void LengthByte(byte b)
    {
        length |= (b & 0x7F) << shift;
        shift += 7;
        if ((b & 0x80) != 0 && shift < 28)
            return;
        if ((b & 0x80) != 0 || length > (first ? First : Later))
            throw new IOException("A packet is longer than it may be.");
        (body, inLength, first) = (length, false, false);
    }
}
