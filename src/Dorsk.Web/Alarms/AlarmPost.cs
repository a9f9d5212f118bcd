using System.Collections.Concurrent;
using Dorsk.Core.Units;
using Dorsk.Farm;

namespace Dorsk.Web.Alarms;

/// <summary>Tells people of alarms by every way that reaches them: mail, the farm's message program, a program of this machine. Where none does nothing is sent, and the alarm page says so.</summary>
/// <param name="options">Where to.</param>
public sealed class AlarmPost(StartOptions options) : IDisposable
{
    private const int MostWords = 200;
    private readonly IReadOnlyList<IAlarmWay> ways = [new MailWay(options), new HookWay(), new CommandWay(options)];
    private readonly ConcurrentDictionary<string, string> troubles = new();

    /// <summary>Why messages to somebody could not be sent; null when the last to everybody was.</summary>
    public string? Trouble =>
        troubles.IsEmpty ? null : string.Join("; ", troubles.Select(t => $"{t.Key}: {t.Value}").Order());

    /// <summary>Whether any way is set up.</summary>
    /// <param name="hook">Address of the farm's message program; empty: none.</param>
    public bool IsSet(string hook) => options.Smtp.Count > 0 || options.AlarmCommand is not null || hook.Length > 0;

    /// <summary>Whether somebody can be reached by any way.</summary>
    public bool Reaches(AlarmMail mail) => ways.Any(w => w.Suits(mail));

    /// <summary>Sends by every way that suits. Answers whether one of them took it; why another did not is in <see cref="Trouble"/>.</summary>
    public async Task<bool> Send(AlarmMail mail, CancellationToken stop)
    {
        var sent = await Task.WhenAll(ways.Where(w => w.Suits(mail)).Select(w => By(w, mail, stop)));
        return sent.Any(taken => taken);
    }

    private async Task<bool> By(IAlarmWay way, AlarmMail mail, CancellationToken stop)
    {
        var key = way.Name == "mail" ? mail.To.Address : $"{way.Name}, {mail.To.Where}";
        try
        {
            await way.Send(mail, stop);
            troubles.TryRemove(key, out _);
            return true;
        }
        catch (Exception problem) when (!stop.IsCancellationRequested)
        {
            troubles[key] = PlainText.Line(problem.Message, MostWords);
            return false;
        }
    }

    /// <inheritdoc/>
    public void Dispose()
    {
        foreach (var way in ways.OfType<IDisposable>())
            way.Dispose();
    }
}
