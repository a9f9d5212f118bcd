using Dorsk.Core.Water;

namespace Dorsk.Practice;

public sealed partial class DemoFarm
{
    /// <summary>Ponds in which buoys hang.</summary>
    public static readonly IReadOnlyList<string> Probed = ["T1", "T2", "T3", "P1", "P3", "P4"];

    private const int ProbeDays = 60,
        SentAtHour = 20;
    private const double ProbeDoNoise = 0.05,
        ProbeTempNoise = 0.05;

    // Noise of probes has a chance of its own: what is measured must not change what befalls.
    private readonly Chance probeChance = new(20_261);
    private readonly Dictionary<string, List<ProbeValue>> unsent = [];

    private static DateOnly ProbesFrom => DemoScript.LastDay.AddDays(-ProbeDays);

    private static IEnumerable<Told> ProbesHung(DateOnly day) =>
        day != ProbesFrom.AddDays(-1)
            ? []
            : Probed.Select(code => new Told(
                Zone.At(day, new(7, 10)),
                "Manager",
                "Buoy " + code,
                k => new DeviceKept(0, "Buoy " + code, DeviceUse.Probe, k.Pond(code), 0.5, false),
                "device " + code
            ));

    // Lets the hour pass; a buoy measures on every quarter of it, between the ten-minute steps of the pond.
    private void Pass(DateTimeOffset from, DemoPond pond, List<Told> notes)
    {
        var sim = ponds[pond.Code];
        if (!Probed.Contains(pond.Code) || Zone.DayOf(from) < ProbesFrom)
        {
            sim.Hour(from, weather, chance);
            return;
        }
        List<(double Do, double Temp)> course = [(sim.DoMgL, sim.TempC)];
        sim.Hour(from, weather, chance, () => course.Add((sim.DoMgL, sim.TempC)));
        var values = unsent.TryGetValue(pond.Code, out var waiting) ? waiting : unsent[pond.Code] = [];
        foreach (var minute in new[] { 15, 30, 45, 60 })
        {
            var (at, i, share) = (
                from.AddMinutes(minute),
                Math.Min(minute / 10, 5),
                (minute - (10 * Math.Min(minute / 10, 5))) / 10.0
            );
            double Between(Func<(double Do, double Temp), double> of) =>
                of(course[i]) + (share * (of(course[i + 1]) - of(course[i])));
            if (at <= OpensAt)
                values.AddRange([
                    new(
                        Parameter.Oxygen,
                        at,
                        Math.Round(Math.Max(0, Between(c => c.Do) + (ProbeDoNoise * probeChance.Normal())), 2)
                    ),
                    new(
                        Parameter.Temperature,
                        at,
                        Math.Round(Between(c => c.Temp) + (ProbeTempNoise * probeChance.Normal()), 2)
                    ),
                ]);
        }
        var last = from.AddHours(1) > OpensAt;
        if ((Zone.LocalAt(from).Hour != SentAtHour && !last) || values.Count == 0)
            return;
        var (sent, when) = (values.ToList(), values.Max(v => v.At));
        values.Clear();
        notes.Add(
            new(
                last ? when : from.AddMinutes(59),
                "Buoy " + pond.Code,
                FormattableString.Invariant($"{sent.Count} values of Buoy {pond.Code}"),
                k => new ProbeSeriesReceived(k.Of["device " + pond.Code], k.Pond(pond.Code), sent)
            )
        );
    }
}
