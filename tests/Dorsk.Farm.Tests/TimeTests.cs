using Dorsk.Core.Judging;
using Dorsk.Core.Ponds;
using Dorsk.Core.Time;
using Dorsk.Core.Units;
using Dorsk.Core.Water;
using Dorsk.Farm.Files;
using Dorsk.Farm.Log;
using Dorsk.Farm.Sql;

namespace Dorsk.Farm.Tests;

/// <summary>Nights on farms whose clocks change, or stand far from noon UTC: each is whole, now and as it was known then.</summary>
public sealed class TimeTests : IDisposable
{
    private readonly TestFarm farm = new();
    private long probe;

    // Zone, and the evening of the night in which its clock changes.
    public static TheoryData<string, string> Nights =>
        new()
        {
            { "Australia/Sydney", "2026-04-04" },
            { "Australia/Sydney", "2026-10-03" },
            { "America/St_Johns", "2026-03-07" },
            { "America/St_Johns", "2026-10-31" },
            { "Pacific/Auckland", "2026-09-26" },
            { "Pacific/Apia", "2026-06-10" },
            { "Asia/Kathmandu", "2026-06-10" },
        };

    private FarmZone In(string zone)
    {
        farm.Must(
            new FarmDescribed("Test", "made up", new(-29.4, 152.6), 60, zone, Hand.Metric, "AUD"),
            TestFarm.Start
        );
        probe = farm.Must(new DeviceKept(0, "Buoy", DeviceUse.Probe, farm.PondId, 0.5, false), TestFarm.Start);
        return FarmZone.Find(zone)!;
    }

    private long Send(IEnumerable<ProbeValue> values)
    {
        var all = values.ToList();
        return farm.Must(new ProbeSeriesReceived(probe, farm.PondId, all), all.Max(v => v.At));
    }

    [Theory, MemberData(nameof(Nights))]
    public void A_night_is_from_noon_to_noon_of_the_farm_however_long_it_is(string name, string evening)
    {
        var zone = In(name);
        var day = DateOnly.ParseExact(evening, "yyyy-MM-dd");
        var from = zone.At(day.AddDays(-3), new(12, 0));
        var values = Enumerable
            .Range(0, 24 * 4 * 30)
            .Select(i => from.AddMinutes(15 * i))
            .Select(at => new ProbeValue(Parameter.Oxygen, at, Level(zone, at)))
            .ToList();
        foreach (var part in values.Chunk(700))
            Send(part);
        Holds(zone, values, "as it came");
        // One that is taken back, in the last hour of the night, leaves its sums as if it had never come.
        var odd = zone.At(day.AddDays(1), new(11, 45)).AddMinutes(7);
        var taken = Send([new(Parameter.Oxygen, odd, 0.4)]);
        Assert.Equal(0.4, Sums()[new Night(day)].Low);
        Assert.True(farm.Try(null, odd, taken).Accepted);
        Holds(zone, values, "after a void");
    }

    private static double Level(FarmZone zone, DateTimeOffset at) =>
        zone.LocalAt(at).Hour == 4 ? 2 + (zone.DayOf(at).DayNumber % 7 * 0.3) : 7;

    private Dictionary<Night, (long N, double Low)> Sums()
    {
        using var c = farm.File.Open();
        var zone = FarmZone.Find(farm.Questions.Farm()!.ZoneId)!;
        return Sqlite
            .Rows(c, "SELECT start, n, low FROM probe_roll WHERE span = 86400000", r =>
                (Night: Night.Of(r.Instant(0), zone), N: r.GetInt64(1), Low: r.GetDouble(2))
            )
            .ToDictionary(r => r.Night, r => (r.N, r.Low));
    }

    private void Holds(FarmZone zone, List<ProbeValue> values, string when)
    {
        var nights = values
            .GroupBy(v => Night.Of(v.At, zone))
            .ToDictionary(g => g.Key, g => ((long)g.Count(), g.Min(v => v.Si)));
        Assert.Equal(nights.OrderBy(n => n.Key.Evening), Sums().OrderBy(n => n.Key.Evening));
        var now = farm.Story;
        var then = farm.Questions.StoryAsOf("P1", new AsOf(DateTimeOffset.MaxValue, farm.Clock.Now))!;
        foreach (var (night, (_, low)) in nights.OrderBy(n => n.Key.Evening).Skip(1).SkipLast(1))
        {
            var day = night.Evening.AddDays(1);
            Assert.True(now.DawnLowOn(day) == low, $"{when}, {day}: {now.DawnLowOn(day)} for {low}");
            Assert.True(then.DawnLowOn(day) == low, $"{when}, as known then, {day}: {then.DawnLowOn(day)} for {low}");
        }
    }

    [Fact]
    public void A_loggers_file_keeps_both_hours_of_autumn()
    {
        In("Australia/Sydney");
        var first = new DateTimeOffset(2026, 4, 4, 15, 30, 0, TimeSpan.Zero); // 02:30 for the first time
        var path = Path.Combine(Path.GetTempPath(), $"dorsk-logger-{Guid.NewGuid():N}.csv");
        File.WriteAllLines(
            path,
            [
                "Time,DO (mg/L)",
                .. Enumerable
                    .Range(0, 6)
                    .Select(i =>
                        $"{first.AddMinutes(15 * i).ToOffset(TimeSpan.FromHours(i < 2 ? 11 : 10)):yyyy-MM-ddTHH:mm:sszzz},{5 + (i * 0.1):0.0}"
                    ),
            ]
        );
        var taken = new LoggerFile(farm.Door, farm.Questions, farm.Clock).Take(
            path,
            farm.Questions.Devices().Single().Kept
        );
        File.Delete(path);
        Assert.Equal((6, 0), (taken.Values, taken.WrongLines));
        var kept = farm.Questions.Series(
            farm.PondId,
            Parameter.Oxygen,
            first,
            first.AddHours(2),
            AsOf.Now(DateTimeOffset.MaxValue),
            99
        );
        Assert.Equal(Enumerable.Range(0, 6).Select(i => first.AddMinutes(15 * i)), kept.Select(t => t.At));
    }

    public void Dispose() => farm.Dispose();
}
