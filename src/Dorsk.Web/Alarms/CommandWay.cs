using System.Diagnostics;
using Dorsk.Farm;

namespace Dorsk.Web.Alarms;

/// <summary>
/// A program of this machine, <c>--alarm-command PATH</c>, for a modem or a siren: it gets the telephone number (else the mail address), the
/// name and the subject as arguments and the text on its standard input. That it ends with 0 counts as told.
/// </summary>
/// <param name="options">Which.</param>
internal sealed class CommandWay(StartOptions options) : IAlarmWay
{
    private static readonly TimeSpan Limit = TimeSpan.FromSeconds(20);

    public string Name => "command";

    public bool Suits(AlarmMail mail) => options.AlarmCommand is not null;

    public async Task Send(AlarmMail mail, CancellationToken stop)
    {
        var start = new ProcessStartInfo(options.AlarmCommand!)
        {
            RedirectStandardInput = true,
            UseShellExecute = false,
        };
        start.ArgumentList.Add(mail.To.Dials.Length > 0 ? mail.To.Dials : mail.To.Address);
        start.ArgumentList.Add(mail.To.Name);
        start.ArgumentList.Add(mail.Subject);
        using var process = Process.Start(start) ?? throw new IOException("it did not start");
        using var limit = CancellationTokenSource.CreateLinkedTokenSource(stop);
        limit.CancelAfter(Limit);
        try
        {
            await Say(process, mail.Text, limit.Token);
            await process.WaitForExitAsync(limit.Token);
        }
        catch (OperationCanceledException)
        {
            process.Kill(entireProcessTree: true);
            stop.ThrowIfCancellationRequested();
            throw new IOException($"it did not end in {Limit.TotalSeconds:0} seconds");
        }
        if (process.ExitCode != 0)
            throw new IOException($"it ended with {process.ExitCode}");
    }

    // A program that does not want the text closes its input; that is no fault.
    private static async Task Say(Process process, string text, CancellationToken stop)
    {
        try
        {
            await process.StandardInput.WriteAsync(text.AsMemory(), stop);
            process.StandardInput.Close();
        }
        catch (IOException)
        {
            return;
        }
    }
}
