using System.Globalization;

namespace Dorsk.Web.Phone;

/// <summary>Answer to an entry of a phone's outbox.</summary>
/// <param name="Kept">Whether it stands in the log.</param>
/// <param name="Words">What the farm has against it.</param>
/// <param name="Asks">Questions to answer with yes; empty where something must be mended.</param>
/// <param name="Next">Where the page goes when it stands.</param>
public sealed record KeptAnswer(bool Kept, string Words, IReadOnlyList<string> Asks, string Next);

/// <summary>What an outbox sends beside the fields of a form.</summary>
internal static class KeptEntry
{
    /// <summary>No phone waits longer: a wait beyond it is a wrong clock.</summary>
    public static readonly TimeSpan Longest = TimeSpan.FromDays(14);

    /// <summary>Seconds that an entry waited whose hour was left as the phone showed it; null where the hour was typed, or nothing waited.</summary>
    /// <param name="form">The form as sent.</param>
    public static double? WaitedS(IFormCollection form) =>
        double.TryParse(form["WaitedS"], NumberStyles.Float, CultureInfo.InvariantCulture, out var s) ? s : null;

    /// <summary>The instant at which it was typed, by the farm's clock.</summary>
    /// <param name="here">The farm.</param>
    /// <param name="waitedS">Seconds it waited.</param>
    public static DateTimeOffset Instant(Here here, double? waitedS) => here.TappedAt(waitedS, Longest);

    /// <summary>The same as day and hour of a form.</summary>
    /// <param name="here">The farm.</param>
    /// <param name="waitedS">Seconds it waited.</param>
    public static (string Day, string Hour) At(Here here, double waitedS)
    {
        var local = here.Zone.LocalAt(Instant(here, waitedS));
        return (
            local.ToString("yyyy-MM-dd", CultureInfo.InvariantCulture),
            local.ToString("HH:mm", CultureInfo.InvariantCulture)
        );
    }
}
