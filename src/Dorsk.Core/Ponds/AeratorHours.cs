using Dorsk.Core.Time;

namespace Dorsk.Core.Ponds;

/// <summary>Hours and bought energy of one aerator over a span: by what is known of its running, else by the timers that were set.</summary>
/// <param name="Code">Its code.</param>
/// <param name="Hours">Hours it ran.</param>
/// <param name="KWh">Bought energy, kWh.</param>
public sealed record AeratorHours(string Code, double Hours, double KWh)
{
    private static readonly TimeSpan Step = TimeSpan.FromMinutes(5);

    /// <summary>Adds up what the timers ran. A timer that is set anew counts from its instant.</summary>
    /// <param name="fittings">Aerators as they were fitted from each instant, in order.</param>
    /// <param name="from">Begin of the span.</param>
    /// <param name="to">End of the span.</param>
    /// <param name="zone">The farm's clock.</param>
    /// <param name="known">Whether an aerator ran at an instant, as far as that is known otherwise than by its timer.</param>
    public static IReadOnlyList<AeratorHours> Of(
        IReadOnlyList<(DateTimeOffset From, IReadOnlyList<Aerator> Aerators)> fittings,
        DateTimeOffset from,
        DateTimeOffset to,
        FarmZone zone,
        Func<string, DateTimeOffset, bool?>? known = null
    )
    {
        var found = new Dictionary<string, (double Hours, double KWh)>();
        foreach (var (f, i) in fittings.Select((f, i) => (f, i)))
        {
            var (start, end) = (
                f.From > from ? f.From : from,
                i + 1 < fittings.Count && fittings[i + 1].From < to ? fittings[i + 1].From : to
            );
            foreach (var a in f.Aerators)
            {
                var before = found.GetValueOrDefault(a.Code);
                var hours = 0.0;
                for (var at = start; at < end && (a.On is not null || known is not null); at += Step)
                    hours +=
                        known?.Invoke(a.Code, at) ?? a.RunsAt(TimeOnly.FromDateTime(zone.LocalAt(at)))
                            ? (at + Step < end ? Step : end - at).TotalHours
                            : 0;
                found[a.Code] = (before.Hours + hours, before.KWh + (hours * a.ShaftKW / a.Kind.MotorEfficiency));
            }
        }
        return InOrder(found);
    }

    private static IReadOnlyList<AeratorHours> InOrder(Dictionary<string, (double Hours, double KWh)> found) =>
        [
            .. found
                .OrderBy(x => x.Key, StringComparer.Ordinal)
                .Select(x => new AeratorHours(x.Key, x.Value.Hours, x.Value.KWh)),
        ];
}
