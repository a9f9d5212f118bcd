using Dorsk.Core.Judging;
using MathNet.Numerics;

namespace Dorsk.Core.Harvest;

/// <summary>How many fish there were, from pulls that catch less each time.</summary>
/// <param name="Caught">Fish caught in all pulls.</param>
/// <param name="Were">Fish there were before the first pull, with its 90 % interval; null where the pulls cannot tell.</param>
/// <param name="Catchability">Share of what is there that one pull takes; null where the pulls cannot tell.</param>
/// <param name="WhyNot">Why the pulls cannot tell; empty where they can.</param>
public sealed record RemovalEstimate(int Caught, Interval? Were, double? Catchability, string WhyNot)
{
    /// <summary>Where the method comes from.</summary>
    public const string Source =
        "Removal by repeated pulls of equal effort: Zippin 1958, maximum likelihood; interval by its profile";

    /// <summary>Level of the interval.</summary>
    public const double Level = 0.9;

    /// <summary>A pull that takes a smaller share tells nothing.</summary>
    public const double LeastCatchability = 0.2;

    // Half the 90 % point of chi-square with one degree of freedom.
    private const double HalfChi = 1.35277;
    private const int FewestPulls = 2,
        FewestFish = 20,
        MostTimes = 20;

    /// <summary>Fish still there, with its interval; null where the pulls cannot tell.</summary>
    public Interval? Left =>
        Were is { } were ? new(were.Value - Caught, were.Low - Caught, were.High - Caught, Level) : null;

    /// <summary>Pulls that cannot tell.</summary>
    /// <param name="caught">Fish caught in all.</param>
    /// <param name="why">Why not.</param>
    public static RemovalEstimate Untold(int caught, string why) => new(caught, null, null, why);

    /// <summary>Works it out.</summary>
    /// <param name="pulls">Fish of each pull, in order; each 0 or more, all with the same net and effort.</param>
    public static RemovalEstimate Of(IReadOnlyList<int> pulls)
    {
        var caught = pulls.Sum();
        RemovalEstimate CannotTell(string why) => Untold(caught, why);
        if (pulls.Count < FewestPulls)
            return CannotTell("one pull alone tells nothing of what is left");
        if (caught < FewestFish)
            return CannotTell("too few fish were caught to tell");
        if (pulls[^1] >= pulls[0])
            return CannotTell("the last pull caught as many as the first: the pulls do not fall");
        var best = Best(pulls, caught);
        var share = Share(pulls, caught, best);
        if (share < LeastCatchability || best >= MostTimes * (double)caught)
            return CannotTell("each pull takes too small a share of what is there");
        var top = LogLikelihood(pulls, caught, best);
        var low = Edge(n => LogLikelihood(pulls, caught, n) >= top - HalfChi, best, caught);
        var high = Edge(n => LogLikelihood(pulls, caught, n) >= top - HalfChi, best, MostTimes * caught);
        // Where the interval still holds shares too small to tell, the pulls have not told.
        return Share(pulls, caught, high) < LeastCatchability / 2
            ? CannotTell("each pull takes too small a share of what is there")
            : new(caught, new(best, low, high, Level), share, "");
    }

    // The likelihood rises to one top and falls: the top by thirds.
    private static int Best(IReadOnlyList<int> pulls, int caught)
    {
        var (low, high) = (caught, MostTimes * caught);
        while (high - low > 2)
        {
            var (a, b) = (low + ((high - low) / 3), high - ((high - low) / 3));
            (low, high) = LogLikelihood(pulls, caught, a) < LogLikelihood(pulls, caught, b) ? (a, high) : (low, b);
        }
        return Enumerable.Range(low, high - low + 1).MaxBy(n => LogLikelihood(pulls, caught, n));
    }

    // The last number on the way to a bound that is still inside.
    private static int Edge(Func<int, bool> isInside, int from, int bound)
    {
        if (isInside(bound))
            return bound;
        var (good, bad) = (from, bound);
        while (Math.Abs(good - bad) > 1)
        {
            var mid = good + ((bad - good) / 2);
            (good, bad) = isInside(mid) ? (mid, bad) : (good, mid);
        }
        return good;
    }

    private static double Share(IReadOnlyList<int> pulls, int caught, double were) =>
        caught / ((pulls.Count * were) - Earlier(pulls));

    private static double LogLikelihood(IReadOnlyList<int> pulls, int caught, int were)
    {
        var share = Share(pulls, caught, were);
        var spared = (pulls.Count * (double)were) - Earlier(pulls) - caught;
        return SpecialFunctions.GammaLn(were + 1)
            - SpecialFunctions.GammaLn(were - caught + 1)
            + (caught * Math.Log(share))
            + (spared > 0 ? spared * Math.Log(1 - share) : 0);
    }

    // Fish that were gone before each later pull, summed over the pulls.
    private static double Earlier(IReadOnlyList<int> pulls) =>
        pulls.Select((caught, i) => (pulls.Count - 1.0 - i) * caught).Sum();
}
