using System.Globalization;
using Dorsk.Farm;
using MailKit.Net.Smtp;
using MimeKit;

namespace Dorsk.Web.Alarms;

/// <summary>Sends mails about alarms over SMTP: <c>--smtp host:port</c>, with <c>--smtp-from</c>, <c>--smtp-user</c> and <c>--smtp-password</c> where the server wants them. Without a server nothing is sent, and the alarm page says so.</summary>
/// <param name="configuration">Where to.</param>
public sealed class AlarmPost(IConfiguration configuration)
{
    private const int TimeoutMs = 10_000;

    /// <summary>Whether a server is named.</summary>
    public bool IsSet => !string.IsNullOrWhiteSpace(configuration["smtp"]);

    /// <summary>Why the last mail could not be sent; null when it was, or none was tried.</summary>
    public string? Trouble { get; set; }

    /// <summary>Sends one mail.</summary>
    /// <exception cref="IOException">The server cannot be reached, or another failure of the way.</exception>
    public async Task Send(AlarmMail mail, CancellationToken stop)
    {
        var server = configuration["smtp"]!.Split(':');
        var port = server.Length > 1 && int.TryParse(server[1], NumberStyles.None, CultureInfo.InvariantCulture, out var p) ? p : 25;
        using var message = new MimeMessage();
        message.From.Add(new MailboxAddress("Dorsk", configuration["smtp-from"] ?? "dorsk@farm.test"));
        message.To.Add(new MailboxAddress(mail.To.Name, mail.To.Address));
        message.Subject = mail.Subject;
        message.Body = new TextPart("plain") { Text = mail.Text };
        using var client = new SmtpClient { Timeout = TimeoutMs };
        await client.ConnectAsync(server[0], port, MailKit.Security.SecureSocketOptions.StartTlsWhenAvailable, stop);
        if (configuration["smtp-user"] is { Length: > 0 } user)
            await client.AuthenticateAsync(user, configuration["smtp-password"] ?? "", stop);
        await client.SendAsync(message, stop);
        await client.DisconnectAsync(true, stop);
    }
}
