using Dorsk.Core.Judging;
using Dorsk.Core.Species;

namespace Dorsk.Core.Growth;

/// <summary>When a batch is weighed next, how many fish for a wanted precision, and what spoils a sample.</summary>
/// <param name="Due">Farm day.</param>
/// <param name="Fish">Fish to weigh one by one for the wanted half-width.</param>
/// <param name="Casts">Casts of about 30 fish for the same, at least four.</param>
/// <param name="CvPct">Spread between fish that was reckoned with, percent.</param>
/// <param name="CvKnown">How it is known.</param>
public sealed record SamplingPlan(DateOnly Due, int Fish, int Casts, double CvPct, string CvKnown)
{
    /// <summary>Wanted half-width of the mean, percent, unless somebody wants another.</summary>
    public const double UsualPct = 5;

    private const int FishACast = 30;

    // Between casts there is more scatter than chance alone: shoals sort by size (judged).
    private const double CastsScatter = 1.5;

    /// <summary>Days between samples: weekly as fry, fortnightly up to 20 g, then every four weeks (starting values of the trade).</summary>
    /// <param name="meanG">Mean weight, g.</param>
    public static int EveryDays(double meanG) =>
        meanG < 1 ? 7
        : meanG < 20 ? 14
        : 28;

    /// <summary>The plan of a batch.</summary>
    /// <param name="species">The species.</param>
    /// <param name="lastWeighed">Farm day of the last sample, or of stocking.</param>
    /// <param name="everSampled">Whether it was sampled since stocking; the first sample comes at half the time.</param>
    /// <param name="meanG">Mean weight, g.</param>
    /// <param name="lastCvPct">Spread that the last sample of single fish showed, percent, or null.</param>
    /// <param name="wantedPct">Wanted half-width of the mean, percent.</param>
    public static SamplingPlan Of(
        FishSpecies species,
        DateOnly lastWeighed,
        bool everSampled,
        double meanG,
        double? lastCvPct,
        double wantedPct = UsualPct
    )
    {
        var cv = lastCvPct ?? species.WeightCvPct;
        var every = EveryDays(meanG);
        var fish = Math.Max(RunningSample.FewestFish, SampleStatistics.FishFor(cv, wantedPct));
        return new(
            lastWeighed.AddDays(everSampled ? every : every / 2),
            fish,
            Math.Max(
                RunningSample.FewestCasts,
                SampleStatistics.FishFor(CastsScatter * cv / Math.Sqrt(FishACast), wantedPct)
            ),
            cv,
            lastCvPct is null ? "species table" : "last sample of single fish"
        );
    }

    /// <summary>How the rope of a cast net is held.</summary>
    public const string CastRope =
        "Never hold a cast net's rope between the teeth: tie it to the wrist with a knot that slips.";

    /// <summary>What makes a sample lie, and what hurts.</summary>
    public static IReadOnlyList<string> Cautions { get; } =
    [
        "Three places at least, none of them the feeding corner: there the bold and well fed are caught, and the mean comes out too high.",
        "Note net and mesh: small fish slip through and lift the mean. Weigh every fish of a sample, not the fine ones.",
        "Cool of the morning, before feed, oxygen over the watch level; wet hands and net, fish back within minutes. Fish that were just fed weigh more.",
        CastRope,
    ];
}
