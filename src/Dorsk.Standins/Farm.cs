using System.Net.Http.Headers;

namespace Dorsk.Standins;

/// <summary>A pond as the farm tells it.</summary>
public sealed record PondTold(
    string Code,
    string Kind,
    double AreaM2,
    double VolumeM3,
    double? OxygenMgL,
    double? TempC,
    double BiomassKg
);

/// <summary>The farm's clock as the farm tells it.</summary>
public sealed record ClockTold(DateTimeOffset Now, string ZoneId, double LatitudeDeg, double LongitudeDeg);

/// <summary>An aerator as the farm tells it.</summary>
public sealed record AeratorTold(string Pond, string Code, string Kind, double ShaftKW, TimeOnly? On, TimeOnly? Off);

/// <summary>The farm over its own open addresses, as any device would meet it.</summary>
/// <param name="http">A client whose base is the farm.</param>
/// <param name="keys">Keys by the name of the device.</param>
public sealed class Farm(HttpClient http, IReadOnlyDictionary<string, string> keys)
{
    private const string Reader = "Stand-ins",
        Buoy = "Buoy ";

    /// <summary>Name of the weather mast.</summary>
    public const string Mast = "Weather mast";

    /// <summary>Name of a pond's panel.</summary>
    public static string PanelOf(string pond) => "Panel " + pond;

    /// <summary>Name of a pond's buoy.</summary>
    public static string BuoyOf(string pond) => Buoy + pond;

    /// <summary>The key of a device, or null.</summary>
    public string? KeyOf(string device) => keys.GetValueOrDefault(device);

    /// <summary>Ponds with a buoy of ours.</summary>
    public IEnumerable<string> Buoys =>
        keys.Keys.Where(k => k.StartsWith(Buoy, StringComparison.Ordinal)).Select(k => k[Buoy.Length..]);

    /// <summary>Asks something.</summary>
    public async Task<T> Ask<T>(string path, CancellationToken stop)
    {
        using var message = new HttpRequestMessage(HttpMethod.Get, path);
        message.Headers.Authorization = new AuthenticationHeaderValue("Bearer", keys[Reader]);
        using var answer = await http.SendAsync(message, stop);
        return await answer.EnsureSuccessStatusCode().Content.ReadFromJsonAsync<T>(stop)
            ?? throw new InvalidOperationException($"{path} answered nothing.");
    }

    /// <summary>Sends readings of a device.</summary>
    public async Task Send(
        string device,
        DateTimeOffset sent,
        IEnumerable<(DateTimeOffset At, string What, double Value)> readings,
        CancellationToken stop
    )
    {
        using var message = new HttpRequestMessage(HttpMethod.Post, "/api/readings")
        {
            Content = JsonContent.Create(
                new
                {
                    sent,
                    readings = readings.Select(r => new
                    {
                        at = r.At,
                        what = r.What,
                        value = Math.Round(r.Value, r.What == "rain" ? 4 : 2),
                        unit = r.What switch
                        {
                            "do" => "mg/L",
                            "temp" or "air" => "C",
                            _ => null,
                        },
                    }),
                }
            ),
        };
        message.Headers.Authorization = new AuthenticationHeaderValue("Bearer", keys[device]);
        using var answer = await http.SendAsync(message, stop);
        answer.EnsureSuccessStatusCode();
    }
}
