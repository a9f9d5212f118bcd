using Dorsk.Core.Units;
using Dorsk.Farm;
using MailKit.Net.Smtp;
using MimeKit;

namespace Dorsk.Web.Alarms;

/// <summary>
/// Mails over SMTP: <c>--smtp host:port</c>, or several with commas between them, tried one after the other; with <c>--smtp-from</c>,
/// <c>--smtp-user</c> and <c>--smtp-password</c> where the servers want them.
/// </summary>
/// <param name="options">Where to.</param>
internal sealed class MailWay(StartOptions options) : IAlarmWay
{
    // A server that hangs must not keep a message back for longer than this; the next server is tried then.
    private static readonly TimeSpan PerServer = TimeSpan.FromSeconds(8);

    public string Name => "mail";

    public bool Suits(AlarmMail mail) => options.Smtp.Count > 0 && mail.To.Address.Length > 0;

    public async Task Send(AlarmMail mail, CancellationToken stop)
    {
        var why = "";
        foreach (var server in options.Smtp)
        {
            using var limit = CancellationTokenSource.CreateLinkedTokenSource(stop);
            limit.CancelAfter(PerServer);
            try
            {
                await By(server, mail, limit.Token);
                return;
            }
            catch (Exception problem) when (!stop.IsCancellationRequested)
            {
                why =
                    problem is OperationCanceledException
                        ? $"{server.Host} did not answer in {PerServer.TotalSeconds:0} seconds"
                        : problem.Message;
            }
        }
        throw new IOException(why);
    }

    private async Task By((string Host, int Port) server, AlarmMail mail, CancellationToken stop)
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
