using System.Globalization;
using Dorsk.Core.Judging;
using Dorsk.Core.Species;
using Dorsk.Core.Time;
using Dorsk.Core.Units;

namespace Dorsk.Core.Acclimate;

/// <summary>What is known of the hour at which fish would be let out.</summary>
/// <param name="Now">Now.</param>
/// <param name="Sunrise">Of this day.</param>
/// <param name="Sunset">Of this day.</param>
/// <param name="WaterC">Water temperature, °C.</param>
/// <param name="Oxygen">Oxygen readings of the pond, mg/L, oldest first.</param>
/// <param name="Limits">Limits of the stage.</param>
/// <param name="Hand">How figures are printed.</param>
public sealed record ReleaseMoment(
    DateTimeOffset Now,
    DateTimeOffset Sunrise,
    DateTimeOffset Sunset,
    double WaterC,
    IReadOnlyList<(DateTimeOffset At, double MgL)> Oxygen,
    WaterLimits Limits,
    Hand Hand
);

/// <summary>
/// The best hour to let fish out: by water temperature and a fresh oxygen reading, not by the clock alone. The evening has the oxygen of the day
/// and cools; dawn is coolest but meets the oxygen low, so it wants a reading at the watch level and rising; noon is hot and bright.
/// </summary>
public static class ReleaseHour
{
    /// <summary>Where it comes from.</summary>
    public const string Source =
        "Trade practice: evening, or dawn with oxygen at the watch level and rising; starting value";

    // A reading speaks for this long; the hours that count as morning and evening; nearer than this to what they bear is hot.
    private static readonly TimeSpan Fresh = TimeSpan.FromHours(1),
        Rise = TimeSpan.FromHours(3),
        Morning = TimeSpan.FromHours(3),
        Evening = TimeSpan.FromHours(1.5);
    private const double HotMarginC = 3,
        SameMgL = 0.1;

    /// <summary>How letting them out now would be.</summary>
    public static Judgement Now(ReleaseMoment m)
    {
        string O(double v) => QuantityText.Write(v, Measures.Oxygen, m.Hand);
        var (at, now) = m.Oxygen.Count > 0 ? m.Oxygen[^1] : default;
        if (m.Now - at > Fresh || at > m.Now)
            return new(
                Status.Watch,
                "Oxygen was not read within the hour: read it before any fish go in, whatever the clock says"
            );
        if (now < m.Limits.DoWatchMgL)
            return new(Status.ActNow, $"Not now: oxygen is {O(now)}, under the watch level {O(m.Limits.DoWatchMgL)}");
        if (m.WaterC > m.Limits.TempHighC - HotMarginC)
            return new(
                Status.Watch,
                $"The water is warm ({QuantityText.Write(m.WaterC, Measures.Temperature, m.Hand)}): wait for the cool of the night if the bags allow it"
            );
        if (m.Now > m.Sunrise + Morning && m.Now < m.Sunset - Evening)
            return new(Status.Watch, "The sun is high: shade the bags and wait for the evening if they allow it");
        var dark = m.Now < m.Sunrise + Morning;
        if (dark && Earlier(m) is null)
            return new(
                Status.Watch,
                "One reading does not tell whether oxygen rises: read again in half an hour, before they go in"
            );
        if (dark && Earlier(m) is { } low && now < low.MgL + SameMgL)
            return new(
                Status.Watch,
                $"Oxygen does not rise yet ({O(low.MgL)}, now {O(now)}): the low of dawn is still to come. Wait until it rises, or until evening"
            );
        return new(
            Status.Steady,
            dark
                ? $"Now is a good hour: cool, oxygen {O(now)} and rising"
                : $"Now is a good hour: the day's oxygen is in the water ({O(now)}), and it cools"
        );
    }

    /// <summary>The next hours that are good, in words of the farm's clock.</summary>
    /// <param name="m">The moment.</param>
    /// <param name="sunriseNext">Sunrise of tomorrow.</param>
    /// <returns>Evening from and to, and dawn from and to: those of today that are not over, else those of tomorrow's dawn.</returns>
    public static (
        DateTimeOffset EveningFrom,
        DateTimeOffset EveningTo,
        DateTimeOffset DawnFrom,
        DateTimeOffset DawnTo
    ) Good(ReleaseMoment m, DateTimeOffset sunriseNext)
    {
        var (dusk, dawn) = (Dusk(m.Sunset), Dawn(m.Now < m.Sunrise + Morning ? m.Sunrise : sunriseNext));
        return (dusk.From, dusk.To, dawn.From, dawn.To);
    }

    /// <summary>How the hour is at which they would go out when bringing them over takes long: nobody has read its oxygen yet.</summary>
    /// <param name="release">When they would go out.</param>
    /// <param name="suns">Sunrise and sunset of this day and the next ones, in order.</param>
    /// <param name="zone">The farm's clock.</param>
    /// <param name="hand">How figures are printed.</param>
    public static Judgement Later(
        DateTimeOffset release,
        IReadOnlyList<(DateTimeOffset Rise, DateTimeOffset Set)> suns,
        FarmZone zone,
        Hand hand
    )
    {
        string Hour(DateTimeOffset at) => zone.LocalAt(at).ToString("ddd HH:mm", CultureInfo.InvariantCulture);
        var windows = suns.SelectMany(s => new[] { Dawn(s.Rise), Dusk(s.Set) }).ToList();
        if (windows.Exists(w => release >= w.From && release <= w.To))
            return new(
                Status.Watch,
                $"They go out about {Hour(release)}, a good hour by the clock: read oxygen and pH again just before"
            );
        var next = windows.Find(w => w.From > release);
        return new(
            Status.Watch,
            next == default
                ? $"They would go out about {Hour(release)}: read oxygen and pH again just before"
                : $"They would go out about {Hour(release)}, in the heat of the day or towards the low of dawn: hold them in the tank with air until {Hour(next.From)}, or begin {Span(next.From - release, hand)} later"
        );
    }

    private static string Span(TimeSpan later, Hand hand) =>
        later.TotalHours >= 1
            ? $"{hand.Figure(later.TotalHours, Math.Round(later.TotalHours, 1) % 1 == 0 ? 0 : 1)} hours"
            : $"{hand.Figure(later.TotalMinutes, 0)} minutes";

    private static (DateTimeOffset From, DateTimeOffset To) Dawn(DateTimeOffset sunrise) =>
        (sunrise, sunrise + Morning);

    private static (DateTimeOffset From, DateTimeOffset To) Dusk(DateTimeOffset sunset) =>
        (sunset - Evening, sunset + Evening + Evening);

    // A reading of these hours before the last one.
    private static (DateTimeOffset At, double MgL)? Earlier(ReleaseMoment m) =>
        m.Oxygen.SkipLast(1).Where(o => m.Now - o.At <= Rise).Select(o => ((DateTimeOffset, double)?)o).LastOrDefault();
}
