using Dorsk.Core.Units;
using Dorsk.Core.Water;
using Dorsk.Farm;
using Dorsk.Farm.Ask;
using Dorsk.Farm.Log;

namespace Dorsk.Web.Inlets;

/// <summary>One value as a probe sends it.</summary>
/// <param name="At">When it was measured, with its offset: 2027-01-21T17:45:00+10:00.</param>
/// <param name="What">do, temp, ph, salinity ... the keys of the farm's parameters.</param>
/// <param name="Value">The figure.</param>
/// <param name="Unit">Its unit, such as mg/L, C, F; empty: the farm's own in SI (mg/L, °C, ppt, m).</param>
public sealed record SentValue(DateTimeOffset? At, string? What, double? Value, string? Unit);

/// <summary>What a probe sends in one go.</summary>
/// <param name="Sent">The device's own clock when it sends; null when it has none. The farm sets instants right by it when it is off by more than two minutes.</param>
/// <param name="Readings">Values, in any order; 1 to 5000. Sent again they do no harm.</param>
public sealed record SentReadings(DateTimeOffset? Sent, IReadOnlyList<SentValue?>? Readings);

/// <summary>What became of it.</summary>
/// <param name="Kept">Values that stand in the books now, those sent before too.</param>
/// <param name="ClockOffS">Seconds by which the device's clock was taken to run ahead; 0 when it was right or not told.</param>
/// <param name="Wrong">Values that cannot be, each with its place (from 1) and the reason; the others were kept.</param>
public sealed record ReceivedReadings(int Kept, double ClockOffS, IReadOnlyList<WrongValue> Wrong);

/// <summary>A value that cannot be.</summary>
/// <param name="Place">Its place in the list, from 1.</param>
/// <param name="Why">Why, and what to do.</param>
public sealed record WrongValue(int Place, string Why);

/// <summary>Takes in what probes send, over HTTP and MQTT alike, through the door.</summary>
/// <param name="door">The way in.</param>
/// <param name="questions">What stands already.</param>
/// <param name="clock">The farm clock.</param>
public sealed class ProbeInlet(Door door, Questions questions, FarmClock clock)
{
    private static readonly TimeSpan ClockMayBeOff = TimeSpan.FromMinutes(2);

    /// <summary>Keeps what can be kept; one entry.</summary>
    public ReceivedReadings Take(DeviceKept probe, SentReadings sent)
    {
        var now = clock.GetUtcNow();
        // A device whose clock was never set says an instant long ago or far ahead: nothing follows from it.
        var theirs = sent.Sent is { } said && Told(said) ? said : now;
        var off = (theirs - now).Duration() > ClockMayBeOff ? theirs - now : TimeSpan.Zero;
        var (good, places, wrong) = (new List<ProbeValue>(), new List<int>(), new List<WrongValue>());
        foreach (var (v, i) in (sent.Readings ?? []).Select((v, i) => (v, i)))
        {
            var (value, why) = Read(v, off, probe.Use == DeviceUse.Weather);
            why ??= ProbeSeriesReceived.Wrong(value, now);
            if (why is null)
            {
                good.Add(value);
                places.Add(i + 1);
            }
            else
                wrong.Add(new(i + 1, why));
        }
        Part(probe, good, places, wrong);
        if (good.Count > 0)
        {
            var last = good.Max(g => g.At);
            var receipt = Record(probe, now, good, last);
            if (!receipt.Accepted)
                return new(0, off.TotalSeconds, [.. wrong, .. receipt.Remarks.Select(r => new WrongValue(0, r.Text))]);
        }
        return new(good.Count, off.TotalSeconds, wrong);
    }

    private Receipt Record(DeviceKept probe, DateTimeOffset now, List<ProbeValue> good, DateTimeOffset last) =>
        door.Enter(
            Entry.Of(
                Guid.NewGuid(),
                probe.Name,
                last > now ? now : last,
                new ProbeSeriesReceived(probe.DeviceId, probe.Use == DeviceUse.Weather ? null : probe.PondId, good),
                FormattableString.Invariant($"{good.Count} values of {probe.Name}")
            )
        );

    // The first value of an instant stands. Another one is not kept, and is not said to be.
    private void Part(DeviceKept probe, List<ProbeValue> good, List<int> places, List<WrongValue> wrong)
    {
        var others = good.Count == 0 ? [] : questions.OtherValues(probe, good);
        for (var i = good.Count - 1; i >= 0; i--)
            if (others[i] is { } other)
            {
                wrong.Add(
                    new(
                        places[i],
                        FormattableString.Invariant(
                            $"another value stands for this instant already: {other:0.###}; the first stands"
                        )
                    )
                );
                good.RemoveAt(i);
            }
        wrong.Sort((a, b) => a.Place.CompareTo(b.Place));
    }

    private static bool Told(DateTimeOffset at) => at.UtcDateTime.Year is >= 2000 and <= 2200;

    private static (ProbeValue, string?) Read(SentValue? v, TimeSpan off, bool weather)
    {
        if (v is null)
            return (default, "there is nothing in this place");
        if (Parameter.Find(v.What ?? "") is not { Steps.Count: 0 } parameter || parameter.OfFarm != weather)
            return (
                default,
                $"“{PlainText.Line(v.What, 40)}” is nothing that a {(weather ? "weather station" : "probe of a pond")} measures: {string.Join(", ", Parameter.All.Where(p => p.OfFarm == weather && p.Steps.Count == 0).Select(p => p.Key))}"
            );
        if (v.At is not { } at)
            return (default, "its time is missing: “at” with its offset, such as 2027-01-21T17:45:00+10:00");
        if (!Told(at))
            return (default, "its time lies before 2000 or after 2200: set the device’s clock");
        if (v.Value is not { } figure)
            return (default, "its value is missing");
        var si = figure;
        if (!string.IsNullOrWhiteSpace(v.Unit))
        {
            if (parameter.Measure.Find(v.Unit.Trim()) is not { } unit)
                return (
                    default,
                    $"“{PlainText.Line(v.Unit, 40)}” is no unit of {parameter.Name}: {string.Join(", ", parameter.Measure.Units.Select(u => u.Symbol).Where(s => s.Length > 0).Distinct())}, or none"
                );
            si = unit.ToSi(figure);
        }
        return (new(parameter, at - off, si), null);
    }
}
