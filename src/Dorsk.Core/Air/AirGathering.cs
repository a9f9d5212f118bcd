using Dorsk.Core.Judging;
using Dorsk.Core.Species;

namespace Dorsk.Core.Air;

/// <summary>Whether animals come to the one place where there is oxygen, or must have it all over the pond.</summary>
public static class AirGathering
{
    /// <summary>Where it comes from.</summary>
    public const string Source =
        "Emergency practice in catfish, tilapia and shrimp ponds; thirty days are a starting value";

    private const int NewDays = 30;
    private static readonly string[] Come = ["tilapia", "catfish", "carp", "rohu", "tambaqui", "milkfish"];

    /// <summary>Whether these come to an aerator: such fish as crowd, when they know the pond.</summary>
    /// <param name="species">The species.</param>
    /// <param name="daysHere">Days since they came into this pond.</param>
    public static bool Gathers(FishSpecies species, int daysHere) =>
        !species.AtTheFloor
        && daysHere >= NewDays
        && Array.Exists(Come, c => species.BaseKey.Contains(c, StringComparison.Ordinal));

    /// <summary>How the fitted machines suit the animals.</summary>
    /// <param name="species">The species.</param>
    /// <param name="daysHere">Days since they came.</param>
    /// <param name="machines">Aerators fitted, standby left out.</param>
    public static Judgement Of(FishSpecies species, int daysHere, int machines)
    {
        var name = species.Name.ToLowerInvariant();
        if (Gathers(species, daysHere))
            return new(Status.Steady, $"{name} come to one machine: in an emergency aerate one corner well");
        var why =
            species.AtTheFloor ? $"{name} do not come to a machine"
            : daysHere < NewDays ? $"{name} stocked {daysHere} days ago do not know the machines yet"
            : $"{name} are not known to come to a machine";
        return machines >= 2
            ? new(Status.Steady, $"{why}: the whole pond is aerated, by all {machines}")
            : new(Status.Watch, $"{why}: the whole pond must be aerated, by two small machines far apart at least");
    }
}
