using Dorsk.Core.Judging;
using Dorsk.Core.Species;

namespace Dorsk.Core.Feeding;

/// <summary>Whether appetite can be seen with this feed: what floats shows it, what sinks hides it unless a tray is looked at.</summary>
public static class FeedSeen
{
    private const int TrayMinutes = 60;

    /// <summary>What to mind; null where nothing is to be said.</summary>
    /// <param name="species">The fish.</param>
    /// <param name="floats">Whether the feed floats; null where its label was not written down.</param>
    /// <param name="by">How the ration is found.</param>
    public static Judgement? Of(FishSpecies species, bool? floats, RationSchool by)
    {
        if (species.AtTheFloor)
            return floats == true
                ? new(Status.Watch, "they eat at the floor: feed that floats drifts off uneaten, take one that sinks")
                : new(
                    Status.Steady,
                    $"feed that sinks suits them: lower a tray with a spoonful and look at it after {TrayMinutes} minutes; what lies there was too much"
                );
        return floats == false && by == RationSchool.Satiation
            ? new(
                Status.Watch,
                "fed to satiation with feed that sinks: appetite is not seen. Take feed that floats, or a tray on which nothing lies after 20 minutes"
            )
            : null;
    }
}
