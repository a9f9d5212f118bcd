using System.Globalization;
using System.Net.Http.Headers;
using Farm;

// Reads a pond's night, sends a value and reads it back, all through the generated client: Client BASE READER-KEY PROBE-KEY
using var reader = new HttpClient();
reader.DefaultRequestHeaders.Authorization = new AuthenticationHeaderValue("Bearer", args[1]);
using var probe = new HttpClient();
probe.DefaultRequestHeaders.Authorization = new AuthenticationHeaderValue("Bearer", args[2]);
var farm = new FarmClient(reader) { BaseUrl = args[0] };
var now = (await farm.ReadClockAsync()).Now;
var night = await farm.ReadTonightAsync("P4", null);
Console.WriteLine(FormattableString.Invariant($"P4 tonight: low {night.DawnLowMgL.Value:0.0} at {night.LowAt:HH:mm}"));
await new FarmClient(probe) { BaseUrl = args[0] }.SendReadingsAsync(
    new SentReadings
    {
        Sent = now,
        Readings =
        [
            new SentValue
            {
                At = now,
                What = "do",
                Value = 6.25,
                Unit = "mg/L",
            },
        ],
    }
);
var values = await farm.ReadValuesAsync("P4", "do", now.AddMinutes(-5), now.AddMinutes(5), null);
var back = values.Any(v => Math.Abs(v.Value - 6.25) < 1e-9);
Console.WriteLine(back ? "sent and read back" : "what was sent did not come back");
return night.DawnLowMgL.Value is > 0 and < 15 && back ? 0 : 1;
