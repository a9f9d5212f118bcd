using System.Net;
using System.Net.Sockets;
using System.Text;

namespace Dorsk.Standins;

/// <summary>A mail that came.</summary>
/// <param name="To">Addresses it was sent to.</param>
/// <param name="Text">Head and body as they came.</param>
public sealed record Mail(IReadOnlyList<string> To, string Text);

/// <summary>A stand-in for a mail server: takes every mail over SMTP (RFC 5321, the few words a sender needs) on loopback, keeps the newest and delivers none.</summary>
public sealed class Mailbox : IDisposable
{
    private const int Most = 200,
        LongestLine = 10_000,
        MostLines = 5_000;
    private readonly TcpListener listener;
    private readonly CancellationTokenSource stop = new();
    private readonly LinkedList<Mail> mails = [];

    /// <summary>Opens it.</summary>
    /// <param name="port">Port; 0: any that is free.</param>
    public Mailbox(int port)
    {
        listener = new(IPAddress.Loopback, port);
        listener.Start();
        Port = ((IPEndPoint)listener.LocalEndpoint).Port;
        _ = Listen();
    }

    /// <summary>The port it listens at.</summary>
    public int Port { get; }

    /// <summary>Mails so far, the newest first.</summary>
    public IReadOnlyList<Mail> Mails
    {
        get
        {
            lock (mails)
                return [.. mails];
        }
    }

    /// <inheritdoc/>
    public void Dispose()
    {
        stop.Cancel();
        listener.Stop();
    }

    private async Task Listen()
    {
        while (!stop.IsCancellationRequested)
        {
            TcpClient client;
            try
            {
                client = await listener.AcceptTcpClientAsync(stop.Token);
            }
            catch (Exception e) when (e is OperationCanceledException or SocketException or ObjectDisposedException)
            {
                return;
            }
            _ = Serve(client);
        }
    }

    private async Task Serve(TcpClient client)
    {
        using var _ = client;
        using var reader = new StreamReader(client.GetStream(), Encoding.UTF8);
        await using var writer = new StreamWriter(client.GetStream(), new UTF8Encoding(false))
        {
            NewLine = "\r\n",
            AutoFlush = true,
        };
        try
        {
            await writer.WriteLineAsync("220 stand-in mailbox");
            var to = new List<string>();
            while (await reader.ReadLineAsync(stop.Token) is { Length: <= LongestLine } line)
            {
                var word = line.Split(' ', ':')[0].ToUpperInvariant();
                if (word == "RCPT")
                    to.Add(line[(line.IndexOf('<') + 1)..].Split('>')[0]);
                if (word == "DATA")
                {
                    await writer.WriteLineAsync("354 go on, end with a dot");
                    Keep(new([.. to], await Body(reader)));
                    to.Clear();
                }
                await writer.WriteLineAsync(
                    word switch
                    {
                        "EHLO" => "250 stand-in",
                        "QUIT" => "221 bye",
                        "HELO" or "MAIL" or "RCPT" or "DATA" or "RSET" or "NOOP" => "250 ok",
                        _ => "502 not understood",
                    }
                );
                if (word == "QUIT")
                    return;
            }
        }
        catch (Exception e) when (e is IOException or OperationCanceledException)
        {
            // The sender hung up: what was complete is kept.
        }
    }

    private async Task<string> Body(StreamReader reader)
    {
        var text = new StringBuilder();
        for (var n = 0; n < MostLines && await reader.ReadLineAsync(stop.Token) is { } line && line != "."; n++)
            text.AppendLine(line.StartsWith("..", StringComparison.Ordinal) ? line[1..] : line);
        return text.ToString();
    }

    private void Keep(Mail mail)
    {
        lock (mails)
        {
            mails.AddFirst(mail);
            if (mails.Count > Most)
                mails.RemoveLast();
        }
    }
}
