using Dorsk.Farm.Log;
using Dorsk.Farm.Water;

namespace Dorsk.Farm.Ask;

public sealed partial class Questions
{
    /// <summary>When a pond's probe was last heard, and what is wrong with it; null where no probe hangs.</summary>
    public (DateTimeOffset? Heard, IReadOnlyList<Core.Judging.Judgement> Wrong)? ProbeHealth(
        long pond,
        DateTimeOffset now
    )
    {
        using var c = file.Open();
        var hung = DeviceQuestions
            .All(c, AsOf.Now(now))
            .FindAll(d => d.Kept is { Gone: false, Use: Core.Water.DeviceUse.Probe } && d.Kept.PondId == pond)
            .ConvertAll(d => d.Kept);
        if (hung.Count == 0)
            return null;
        var hand = Readings.ByHand(c, AsOf.Now(now), pond);
        var read = new[] { Core.Water.Parameter.Oxygen, Core.Water.Parameter.Temperature, Core.Water.Parameter.Ph }
            .Select(p => (Parameter: p, Values: DeviceQuestions.Values(c, AsOf.Now(now), pond, p, now.AddDays(-3))))
            .Where(x => x.Values.Count > 0 || x.Parameter == Core.Water.Parameter.Oxygen)
            .ToList();
        return (
            read.SelectMany(x => x.Values.TakeLast(1)).Select(t => (DateTimeOffset?)t.At).Max(),
            [
                .. hung.SelectMany(d =>
                    WrongWith(now, Beside(hand, d, hung), Of(d, read, hung.Count))
                        .Select(j => hung.Count == 1 ? j : j with { Reason = $"{d.Name}: {j.Reason}" })
                ),
            ]
        );
    }

    // What one of several probes sent; one that sent nothing is missed for its oxygen.
    private static List<(Core.Water.Parameter Parameter, List<Core.Water.Timed> Values)> Of(
        Core.Water.DeviceKept device,
        List<(Core.Water.Parameter Parameter, List<Core.Water.Timed> Values)> read,
        int hung
    )
    {
        if (hung == 1)
            return read;
        var own = read.ConvertAll(x =>
            (x.Parameter, Values: x.Values.FindAll(t => t.By == DeviceQuestions.Named(device.DeviceId)))
        );
        var sent = own.FindAll(x => x.Values.Count > 0);
        return sent.Count > 0 ? sent : own.FindAll(x => x.Parameter == Core.Water.Parameter.Oxygen);
    }

    // A hand reads near the surface: it tells nothing of a probe that hangs deeper than another one of this pond.
    private static Core.Water.ReadingBook Beside(
        Core.Water.ReadingBook hand,
        Core.Water.DeviceKept device,
        List<Core.Water.DeviceKept> hung
    ) =>
        hung.TrueForAll(d => (d.DepthM ?? 0) >= (device.DepthM ?? 0))
            ? hand
            : hand.Where((_, t) => t.DepthM is { } depth && Math.Abs(depth - device.DepthM!.Value) < SameDepthM);

    private const double SameDepthM = 0.3;

    private static IReadOnlyList<Core.Judging.Judgement> WrongWith(
        DateTimeOffset now,
        Core.Water.ReadingBook hand,
        List<(Core.Water.Parameter Parameter, List<Core.Water.Timed> Values)> read
    ) =>
        [
            .. read.SelectMany(x =>
                Core.Water.ProbeHealth.Of(
                    x.Parameter,
                    x.Values,
                    [.. hand[x.Parameter].Where(t => t.At > now.AddDays(-3))],
                    now
                )
            ),
        ];

    /// <summary>For each of some values of a device, in their order: the other value that stands for its instant already, or came earlier among them; null where none does.</summary>
    public IReadOnlyList<double?> OtherValues(Core.Water.DeviceKept device, IReadOnlyList<Core.Water.ProbeValue> values)
    {
        using var c = file.Open();
        var earlier = new Dictionary<(Core.Water.Parameter, DateTimeOffset), double>();
        return
        [
            .. values.Select(v =>
            {
                var stands = DeviceQuestions.At(
                    c,
                    device.PondId ?? Water.ProbeFacts.OfFarm,
                    v.Parameter,
                    v.At,
                    device.DeviceId
                ) ?? (earlier.TryGetValue((v.Parameter, v.At), out var first) ? first : null);
                earlier.TryAdd((v.Parameter, v.At), v.Si);
                return stands is { } other && other != v.Si ? other : (double?)null;
            }),
        ];
    }

    /// <summary>Every reading of a pond over a span, by hand and of probes, one by one in order of time.</summary>
    /// <param name="pond">The pond.</param>
    /// <param name="parameter">What was read.</param>
    /// <param name="from">From.</param>
    /// <param name="to">To.</param>
    /// <param name="asOf">As it was known then.</param>
    /// <param name="most">No more than so many.</param>
    public IReadOnlyList<Core.Water.Timed> Series(
        long pond,
        Core.Water.Parameter parameter,
        DateTimeOffset from,
        DateTimeOffset to,
        AsOf asOf,
        int most
    )
    {
        using var c = file.Open();
        var upTo = asOf with { HappenedUpTo = to < asOf.HappenedUpTo ? to : asOf.HappenedUpTo };
        var byHand = Readings.ByHand(c, upTo, pond)[parameter].Where(t => t.At >= from);
        return [.. byHand.Concat(DeviceQuestions.Values(c, upTo, pond, parameter, from)).OrderBy(t => t.At).Take(most)];
    }

    /// <summary>What probes measured over a span, thinned to what a drawing can show: means with lowest and highest.</summary>
    public (long SpanMs, IReadOnlyList<(DateTimeOffset At, double Mean, double Low, double High)> Points) ProbeCourse(
        long pond,
        Core.Water.Parameter parameter,
        DateTimeOffset from,
        DateTimeOffset to
    )
    {
        using var c = file.Open();
        return DeviceQuestions.Course(c, pond, parameter, from, to);
    }
}
