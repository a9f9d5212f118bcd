using Dorsk.Farm;

namespace Dorsk.Web.Alarms;

/// <summary>
/// The farm's own message program, at an address that a Manager set: each call is posted to it as JSON, and it sends the text message or
/// makes the call. An answer of 2xx counts as taken.
/// </summary>
internal sealed class HookWay : IAlarmWay, IDisposable
{
    private static readonly TimeSpan Limit = TimeSpan.FromSeconds(8);
    private readonly HttpClient client = new(new SocketsHttpHandler { AllowAutoRedirect = false }) { Timeout = Limit };

    public string Name => "message program";

    public bool Suits(AlarmMail mail) => mail.Hook.Length > 0;

    public async Task Send(AlarmMail mail, CancellationToken stop)
    {
        try
        {
            using var answer = await client.PostAsJsonAsync(
                mail.Hook,
                new
                {
                    name = mail.To.Name,
                    phone = mail.To.Phone,
                    address = mail.To.Address,
                    step = mail.Step,
                    subject = mail.Subject,
                    text = mail.Text,
                },
                stop
            );
            if (!answer.IsSuccessStatusCode)
                throw new IOException($"it answered {(int)answer.StatusCode}");
        }
        catch (OperationCanceledException) when (!stop.IsCancellationRequested)
        {
            throw new IOException($"it did not answer in {Limit.TotalSeconds:0} seconds");
        }
    }

    public void Dispose() => client.Dispose();
}
