using System.Collections.Concurrent;
using Dorsk.Core.Units;
using Dorsk.Farm;
using MailKit.Net.Smtp;
using MimeKit;

namespace Dorsk.Web.Alarms;

/// <summary>
/// Sends mails about alarms over SMTP: <c>--smtp host:port</c>, or several with commas between them, tried one after the other; with
/// <c>--smtp-from</c>, <c>--smtp-user</c> and <c>--smtp-password</c> where the servers want them. Without a server nothing is sent, and the alarm page says so.
/// </summary>
/// <param name="options">Where to.</param>
public sealed class AlarmPost(StartOptions options)
{
    // A server that hangs must not keep a message back for longer than this; the next server is tried then.
    private static readonly TimeSpan PerServer = TimeSpan.FromSeconds(8);
    private readonly ConcurrentDictionary<string, string> troubles = new();

    /// <summary>Whether a server is named.</summary>
    public bool IsSet => options.Smtp.Count > 0;

    /// <summary>Why mails to somebody could not be sent; null when the last to everybody was.</summary>
    public string? Trouble =>
        troubles.IsEmpty ? null : string.Join("; ", troubles.Select(t => $"{t.Key}: {t.Value}").Order());

    /// <summary>Sends one mail by the first server that takes it. Answers whether one did; why not is in <see cref="Trouble"/>.</summary>
    public async Task<bool> Send(AlarmMail mail, CancellationToken stop)
    {
        var why = "";
        foreach (var server in options.Smtp)
        {
            using var limit = CancellationTokenSource.CreateLinkedTokenSource(stop);
            limit.CancelAfter(PerServer);
            try
            {
                await Send(mail, server, limit.Token);
                troubles.TryRemove(mail.To.Address, out _);
                return true;
            }
            catch (Exception problem) when (!stop.IsCancellationRequested)
            {
                why =
                    problem is OperationCanceledException
                        ? $"{server.Host} did not answer in {PerServer.TotalSeconds:0} seconds"
                        : PlainText.Line(problem.Message, 200);
            }
        }
        troubles[mail.To.Address] = why;
        return false;
    }

    private async Task Send(AlarmMail mail, (string Host, int Port) server, CancellationToken stop)
    {
        using var message = new MimeMessage();
        message.From.Add(new MailboxAddress("Dorsk", options.SmtpFrom));
        message.To.Add(new MailboxAddress(PlainText.Line(mail.To.Name, 60), mail.To.Address));
        message.Subject = mail.Subject;
        message.Body = new TextPart("plain") { Text = mail.Text };
        using var client = new SmtpClient { Timeout = (int)PerServer.TotalMilliseconds };
        await client.ConnectAsync(
            server.Host,
            server.Port,
            MailKit.Security.SecureSocketOptions.StartTlsWhenAvailable,
            stop
        );
        if (options.SmtpUser is { Length: > 0 } user)
            await client.AuthenticateAsync(user, options.SmtpPassword, stop);
        await client.SendAsync(message, stop);
        // The server has it: that it does not say goodbye makes nobody be called twice.
        try
        {
            await client.DisconnectAsync(true, stop);
        }
        catch (Exception problem)
            when (problem is IOException or OperationCanceledException or MailKit.ProtocolException)
        {
            client.Dispose();
        }
    }
}
