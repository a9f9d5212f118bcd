using Dorsk.Core.Judging;
using Dorsk.Core.Species;

namespace Dorsk.Core.Ponds;

/// <summary>Stages that shade is asked for.</summary>
public enum ShadeStage
{
    /// <summary>Eggs and sac fry.</summary>
    Eggs,

    /// <summary>Fry and fingerlings.</summary>
    Fry,

    /// <summary>Grow-out.</summary>
    GrowOut,

    /// <summary>Brood fish and harvest tanks.</summary>
    Brood,
}

/// <summary>Whether a species wants shade at a stage.</summary>
public static class ShadeNeed
{
    /// <summary>Where it comes from.</summary>
    public const string Source =
        "Hatchery practice: light kills eggs and sac fry; fish of cool water and those of the floor keep from the sun; filter feeders live of the light; by the species table, judged";

    private const double CoolC = 20;

    /// <summary>The need in words.</summary>
    /// <param name="species">The species.</param>
    /// <param name="stage">The stage.</param>
    public static (Status Status, string Says) Of(FishSpecies species, ShadeStage stage)
    {
        if (stage == ShadeStage.Eggs)
            return (Status.ActNow, "shade: sun kills eggs and sac fry within hours; a roof or dark lids");
        if (species.GrowthOptC < CoolC)
            return (Status.Watch, "shade in summer at every stage: cool-water fish, and the water warms less");
        if (SpeciesTable.Text(species, "group") == "crustacean")
            return (Status.Watch, "shelters and half shade: they moult in hiding");
        if (species.BaseKey.Contains("catfish", StringComparison.Ordinal))
            return (
                Status.Watch,
                stage == ShadeStage.Fry
                    ? "half shade over tanks: fry of the floor crowd into dark corners in full sun"
                    : "none over ponds; half shade over tanks"
            );
        return stage switch
        {
            ShadeStage.Fry => (
                Status.Watch,
                "half shade over tanks and hapas, none over ponds: their food lives of the light"
            ),
            ShadeStage.Brood => (Status.Watch, "half shade over tanks in which they wait"),
            _ => (Status.Steady, "none: a bloom shades the pond, and its oxygen comes from the light"),
        };
    }
}
