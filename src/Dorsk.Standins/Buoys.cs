using Dorsk.Core.Ponds;
using Dorsk.Core.Time;
using Dorsk.Practice;

namespace Dorsk.Standins;

/// <summary>What a stand-in buoy does instead of measuring rightly.</summary>
public enum BuoyFault
{
    /// <summary>Nothing: it measures.</summary>
    None,

    /// <summary>It is dead: it sends nothing.</summary>
    Dead,

    /// <summary>It drifts: oxygen reads higher by a tenth of a mg/L an hour.</summary>
    Drifting,

    /// <summary>It sends the same figure again and again.</summary>
    Stuck,
}

/// <summary>One buoy in its simulated pond.</summary>
/// <param name="code">Code of the pond.</param>
/// <param name="pond">The pond it hangs in.</param>
public sealed class Buoy(string code, LivePond pond)
{
    /// <summary>Code of the pond.</summary>
    public string Code => code;

    /// <summary>The pond it hangs in.</summary>
    public LivePond Pond => pond;

    /// <summary>Its fault.</summary>
    public BuoyFault Fault { get; set; }

    /// <summary>Hours for which the fault has been on.</summary>
    public double FaultH { get; set; }

    /// <summary>What it last sent: oxygen and temperature.</summary>
    public (double Do, double Temp)? Last { get; set; }

    /// <summary>What it measures now, or null when it is dead.</summary>
    public (double Do, double Temp)? Measure(Random noise) =>
        Fault switch
        {
            BuoyFault.Dead => null,
            BuoyFault.Stuck when Last is { } same => same,
            _ => (
                Math.Max(
                    0,
                    Pond.DoMgL + (Fault == BuoyFault.Drifting ? 0.1 * FaultH : 0) + (0.05 * (noise.NextDouble() - 0.5))
                ),
                Pond.TempC + (0.05 * (noise.NextDouble() - 0.5))
            ),
        };
}

/// <summary>Simulated buoys that send every fifteen simulated minutes over the farm's HTTP, whatever the pace of its clock; they hang in ponds that live on from the last reading and feel the farm's timers.</summary>
/// <param name="farm">The farm.</param>
/// <param name="panels">Panels whose aerators the ponds feel; where there is none, the timers.</param>
/// <param name="log">Where failures are told.</param>
public sealed class Buoys(Farm farm, Panels panels, ILogger<Buoys> log) : BackgroundService
{
    private static readonly TimeSpan Quarter = TimeSpan.FromMinutes(15),
        Look = TimeSpan.FromSeconds(1),
        Longest = TimeSpan.FromHours(24);
    private readonly Random noise = new(7);
    private readonly List<Buoy> all = [];
    private DateTimeOffset upTo;

    /// <summary>The weather mast, once the farm was reached.</summary>
    public WeatherMast? Mast { get; private set; }

    /// <summary>The buoys.</summary>
    public IReadOnlyList<Buoy> All => all;

    /// <inheritdoc/>
    protected override async Task ExecuteAsync(CancellationToken stoppingToken)
    {
        using var timer = new PeriodicTimer(Look);
        while (await timer.WaitForNextTickAsync(stoppingToken))
            try
            {
                await Turn(stoppingToken);
            }
            catch (Exception problem)
                when (problem is HttpRequestException or InvalidOperationException or System.Text.Json.JsonException)
            {
                log.LogWarning("The farm was not reached: {Problem}. Tried again.", problem.Message);
            }
    }

    /// <summary>Lives on to the farm's now and sends what was measured on the way.</summary>
    public async Task Turn(CancellationToken stop)
    {
        var clock = await farm.Ask<ClockTold>("/api/clock", stop);
        var zone = FarmZone.Find(clock.ZoneId) ?? FarmZone.Utc;
        if (all.Count == 0)
            await Begin(clock, zone, stop);
        // The demo may have been opened anew, or stood still for long: nobody makes up what nobody measured.
        if (clock.Now < upTo - Quarter || clock.Now - upTo > Longest)
            upTo = Floor(clock.Now);
        if (clock.Now - upTo < Quarter)
            return;
        var aerators = (await farm.Ask<List<AeratorTold>>("/api/aerators", stop))
            .Where(a => AeratorKind.Find(a.Kind) is not null)
            .ToLookup(a => a.Pond, a => new Aerator(a.Code, AeratorKind.Find(a.Kind)!, a.ShaftKW, a.On, a.Off));
        var sends = all.ToDictionary(b => b, _ => new List<(DateTimeOffset, string, double)>());
        var weather = new List<(DateTimeOffset, string, double)>();
        for (; clock.Now - upTo >= Quarter; upTo += Quarter)
        {
            weather.AddRange(Mast!.Measure(upTo + Quarter));
            foreach (var b in all)
            {
                b.Pond.Quarter(upTo, [.. aerators[b.Code].Select(a => AsPanelled(b.Code, a))]);
                b.FaultH = b.Fault == BuoyFault.None ? 0 : b.FaultH + Quarter.TotalHours;
                if (b.Measure(noise) is not { } measured)
                    continue;
                b.Last = measured;
                sends[b].AddRange([(upTo + Quarter, "do", measured.Do), (upTo + Quarter, "temp", measured.Temp)]);
            }
        }
        if (farm.KeyOf(Farm.Mast) is not null)
            await farm.Send(Farm.Mast, clock.Now, weather, stop);
        foreach (var (b, readings) in sends.Where(s => s.Value.Count > 0))
            await farm.Send(Farm.BuoyOf(b.Code), clock.Now, readings, stop);
    }

    private async Task Begin(ClockTold clock, FarmZone zone, CancellationToken stop)
    {
        upTo = Floor(clock.Now);
        Mast = new(clock, zone);
        foreach (var p in (await farm.Ask<List<PondTold>>("/api/ponds", stop)).Where(p => farm.Buoys.Contains(p.Code)))
        {
            var side = Math.Sqrt(p.AreaM2);
            var kind = Enum.TryParse<PondKind>(p.Kind, out var known) ? known : PondKind.Earthen;
            all.Add(
                new(
                    p.Code,
                    new LivePond(
                        new Pond(1, p.Code, "", kind, new SlopedRectangle(side, side, p.VolumeM3 / p.AreaM2, 0), ""),
                        new(clock.LatitudeDeg, clock.LongitudeDeg),
                        zone,
                        clock.Now,
                        p.TempC ?? 24,
                        p.OxygenMgL ?? 8,
                        p.BiomassKg
                    )
                )
            );
        }
    }

    // A panel decides what runs, around the clock; without one the timer does.
    private Aerator AsPanelled(string pond, Aerator a) =>
        panels.Of(pond) is { } panel
            ? panel.Motors.FirstOrDefault(m => m.Code == a.Code)?.Runs(panel.Mains) == true
                ? a with
                {
                    On = new(12, 0),
                    Off = new(11, 59),
                }
                : a with
                {
                    On = null,
                    Off = null,
                }
            : a;

    private static DateTimeOffset Floor(DateTimeOffset at) => at.AddTicks(-(at.Ticks % Quarter.Ticks));
}
