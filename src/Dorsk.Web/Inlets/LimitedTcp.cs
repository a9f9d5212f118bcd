using System.Net;
using System.Net.Sockets;
using MQTTnet.Adapter;
using MQTTnet.Diagnostics.Logger;
using MQTTnet.Formatter;
using MQTTnet.Implementations;
using MQTTnet.Packets;
using MQTTnet.Server;

namespace Dorsk.Web.Inlets;

/// <summary>
/// Lets MQTT clients in over TCP with bounds that hold before any key is checked: the first packet is small, later ones are bounded, and
/// only so many are connected at once. A client's name is put under the device of its key, so that nobody can take over another's session.
/// </summary>
/// <param name="at">Address and port.</param>
/// <param name="nameOf">The client's name as the broker is to know it, from name and key.</param>
internal sealed class LimitedTcp(IPEndPoint at, Func<string, byte[]?, string> nameOf) : IMqttServerAdapter
{
    private const int MostClients = 500;
    private readonly CancellationTokenSource stop = new();
    private TcpListener? listener;
    private int clients;

    /// <inheritdoc/>
    public Func<IMqttChannelAdapter, Task>? ClientHandler { get; set; }

    /// <inheritdoc/>
    public Task StartAsync(MqttServerOptions options, IMqttNetLogger logger)
    {
        listener = new TcpListener(at);
        listener.Start();
        _ = Accept(options, logger);
        return Task.CompletedTask;
    }

    /// <inheritdoc/>
    public Task StopAsync()
    {
        stop.Cancel();
        listener?.Stop();
        return Task.CompletedTask;
    }

    /// <inheritdoc/>
    public void Dispose()
    {
        listener?.Dispose();
        stop.Dispose();
    }

    private async Task Accept(MqttServerOptions options, IMqttNetLogger logger)
    {
        while (!stop.IsCancellationRequested)
            try
            {
                var client = await listener!.AcceptTcpClientAsync(stop.Token);
                if (Volatile.Read(ref clients) >= MostClients)
                    client.Dispose();
                else
                    _ = Serve(client, options, logger);
            }
            catch (Exception e) when (e is OperationCanceledException or ObjectDisposedException)
            {
                return;
            }
            catch (SocketException)
            {
                // That client is gone again; the next is waited for, after a breath where the machine has no more sockets.
                await Task.Delay(100);
            }
    }

    private async Task Serve(TcpClient client, MqttServerOptions options, IMqttNetLogger logger)
    {
        Interlocked.Increment(ref clients);
        try
        {
            using var _ = client;
            client.NoDelay = true;
            await using var stream = new PacketLimit(client.GetStream());
            using var channel = ChannelOf(client, stream);
            var formatter = new MqttPacketFormatterAdapter(
                new MqttBufferWriter(options.WriterBufferSize, options.WriterBufferSizeMax)
            );
            using var adapter = new Named(new MqttChannelAdapter(channel, formatter, logger), nameOf);
            if (ClientHandler is { } handler)
                await handler(adapter);
        }
        catch (Exception e)
            when (e is IOException or SocketException or ObjectDisposedException or OperationCanceledException)
        {
            // The client is gone, or sent more than it may: nothing of it was taken.
        }
        finally
        {
            Interlocked.Decrement(ref clients);
        }
    }

    private static MqttTcpChannel ChannelOf(TcpClient client, PacketLimit stream) =>
        new MqttTcpChannel(stream, client.Client.LocalEndPoint, client.Client.RemoteEndPoint, null);

    // Passes everything through, and gives the client its name as it connects.
    private sealed class Named(MqttChannelAdapter inner, Func<string, byte[]?, string> nameOf) : IMqttChannelAdapter
    {
        public long BytesReceived => inner.BytesReceived;

        public long BytesSent => inner.BytesSent;

        public System.Security.Cryptography.X509Certificates.X509Certificate2? ClientCertificate =>
            inner.ClientCertificate;

        public EndPoint? RemoteEndPoint => inner.RemoteEndPoint;

        public EndPoint? LocalEndPoint => inner.LocalEndPoint;

        public bool IsSecureConnection => inner.IsSecureConnection;

        public MqttPacketFormatterAdapter PacketFormatterAdapter => inner.PacketFormatterAdapter;

        public Task ConnectAsync(CancellationToken cancellationToken) => inner.ConnectAsync(cancellationToken);

        public Task DisconnectAsync(CancellationToken cancellationToken) => inner.DisconnectAsync(cancellationToken);

        public async Task<MqttPacket> ReceivePacketAsync(CancellationToken cancellationToken)
        {
            var packet = await inner.ReceivePacketAsync(cancellationToken);
            if (packet is MqttConnectPacket { ClientId.Length: > 0 } connect)
                connect.ClientId = nameOf(connect.ClientId, connect.Password);
            return packet;
        }

        public void ResetStatistics() => inner.ResetStatistics();

        public Task SendPacketAsync(MqttPacket packet, CancellationToken cancellationToken) =>
            inner.SendPacketAsync(packet, cancellationToken);

        public void Dispose() => inner.Dispose();
    }
}
