using Dorsk.Core.Judging;
using Dorsk.Core.Species;
using Dorsk.Core.Units;

namespace Dorsk.Core.Plans;

/// <summary>Whether fish to be stocked are of both sexes.</summary>
public enum Sexes
{
    /// <summary>Nobody said.</summary>
    NotSaid,

    /// <summary>Males and females as they hatch.</summary>
    Mixed,

    /// <summary>All male, by hand, by hybrid or by treatment of the fry.</summary>
    One,
}

/// <summary>A fish that breeds in the pond it grows in: how many to stock of one sex and of both, and what both come to. No number is the usual one.</summary>
/// <param name="OneSex">Stocked with one sex.</param>
/// <param name="Mixed">Stocked with both: their young take a part of the water.</param>
/// <param name="Says">What stands against the sexes as they were said, or what to mind.</param>
/// <param name="Asked">The sexes as they were said.</param>
public sealed record PondBreeding(StockingAnswer OneSex, StockingAnswer Mixed, Judgement Says, Sexes Asked)
{
    /// <summary>Where it comes from.</summary>
    public const string Source = "Popma and Lovshin 1996; Egna and Boyd 1997; shares are starting values, judged";

    /// <summary>Share of the mass at harvest that is young, where both sexes grew past breeding: of reports of a quarter to two thirds.</summary>
    public const double YoungShare = 0.4;

    /// <summary>Fish of both sexes grow no farther than this in a pond full of their young, g.</summary>
    public const double MixedMostG = 250;

    // Weight at which they begin to breed in warm ponds, g.
    private static readonly Dictionary<string, double> BreedsFromG = new() { ["nile_tilapia"] = 40 };

    /// <summary>Whether it breeds in a body of water on its way to a weight; in cages the eggs fall through the mesh.</summary>
    /// <param name="species">The fish.</param>
    /// <param name="system">In what.</param>
    /// <param name="targetG">Weight wanted, g.</param>
    public static bool Breeds(FishSpecies species, RearingSystem system, double targetG) =>
        system is RearingSystem.Earthen or RearingSystem.Lined
        && BreedsFromG.TryGetValue(species.BaseKey, out var from)
        && targetG > from;

    /// <summary>The share of the water that the fish that are stocked have, 0 to 1, where a share is theirs and their young.</summary>
    /// <param name="q">The plan, with the share of the water that is theirs and their young's.</param>
    public static double ShareOfStocked(StockingQuestion q) =>
        q.Sexes == Sexes.Mixed && Breeds(q.Species, q.Water.System, q.TargetG)
            ? q.ShareOfWater * (1 - YoungShare)
            : q.ShareOfWater;

    /// <summary>Both numbers beside each other; null where the fish does not breed there.</summary>
    /// <param name="q">The plan.</param>
    public static PondBreeding? Of(StockingQuestion q)
    {
        if (!Breeds(q.Species, q.Water.System, q.TargetG))
            return null;
        StockingAnswer With(Sexes sexes) => StockingAnswer.Of(q with { Own = null, Sexes = sexes });
        return new(With(Sexes.One), With(Sexes.Mixed), Judge(q)!, q.Sexes);
    }

    /// <summary>What there is to say of the sexes as they were said; null where the fish does not breed there.</summary>
    /// <param name="q">The plan.</param>
    public static Judgement? Judge(StockingQuestion q)
    {
        if (!Breeds(q.Species, q.Water.System, q.TargetG))
            return null;
        var name = q.Species.Name;
        var most = QuantityText.Write(MixedMostG, Measures.FishWeight with { Decimals = 0 }, q.Hand);
        return q.Sexes switch
        {
            Sexes.NotSaid => new(
                Status.Watch,
                $"{name} breeds in the pond: say whether they are of mixed sex or one sex; the number hangs on it"
            ),
            Sexes.Mixed when q.TargetG > MixedMostG => new(
                Status.Watch,
                $"mixed sexes fill the pond with young, and growth stalls at about {most}: take one sex, a lower target weight, or harvest within five to six months"
            ),
            Sexes.Mixed => new(
                Status.Steady,
                "harvest before the young grow up: five to six months, or a predator beside them"
            ),
            _ => new(
                Status.Steady,
                "ask how many in a hundred are of the other sex: from five on, they breed all the same"
            ),
        };
    }
}
