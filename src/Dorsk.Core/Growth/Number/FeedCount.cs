using Dorsk.Core.Species;

namespace Dorsk.Core.Growth;

/// <summary>
/// Feed as a witness of the number after a loss of guessed size: what was fed between two weighings, by the gain of one fish and the feed
/// it takes, is a number of fish. What these fish took for a gain before the loss tells the conversion; without it the table does, with
/// more doubt.
/// </summary>
/// <param name="FromG">Mean weight when the span began, g.</param>
/// <param name="FedKg">Feed since, kg.</param>
/// <param name="IsAfterGuess">Whether the number is in doubt by a guess.</param>
/// <param name="Conversion">What these fish took of the table's conversion before, or null.</param>
public readonly record struct FeedCount(double FromG, double FedKg, bool IsAfterGuess, double? Conversion)
{
    // Smaller gains drown in the error of two samples.
    private const double LeastGain = 0.12,
        LowConversion = 0.3,
        HighConversion = 3;

    /// <summary>At stocking.</summary>
    /// <param name="meanG">Mean weight, g; above 0.</param>
    public static FeedCount Stocked(double meanG) => new(meanG, 0, false, null);

    /// <summary>A day's feed.</summary>
    /// <param name="kg">Feed, kg; 0 or more.</param>
    public FeedCount Fed(double kg) => this with { FedKg = FedKg + kg };

    /// <summary>Fish came, went or were counted: a span must not reach over it.</summary>
    /// <param name="change">What changed.</param>
    /// <param name="meanG">Mean weight then, g.</param>
    public FeedCount Changed(CountChange change, double meanG)
    {
        if (change.Dead && change.Guessed is null)
            return this;
        var isGuess = change.Guessed is not null;
        return this with
        {
            FromG = meanG,
            FedKg = 0,
            IsAfterGuess = isGuess || (IsAfterGuess && change.CountedOneByOne is null),
        };
    }

    /// <summary>A sample ends the span when fish have grown enough on it.</summary>
    /// <param name="count">What is believed of the number.</param>
    /// <param name="sampleG">Mean weight of the sample, g; above 0.</param>
    /// <param name="species">The species.</param>
    public (CountState Count, FeedCount Next) Weighed(CountState count, double sampleG, FishSpecies species)
    {
        if (sampleG < FromG * (1 + LeastGain) || FedKg <= 0)
            return (count, this);
        var tableKg = (sampleG - FromG) / 1000 * DailyGain.Fcr(species, (sampleG + FromG) / 2);
        var next = this with { FromG = sampleG, FedKg = 0 };
        if (!IsAfterGuess)
        {
            var own = count.Mean > 0 ? FedKg / (tableKg * count.Mean) : 1;
            return (count, next with { Conversion = Math.Clamp(own, LowConversion, HighConversion) });
        }
        var fish = FedKg / (tableKg * (Conversion ?? 1));
        var sd = Conversion is null ? StandingSettings.FeedCountSdByTable : StandingSettings.FeedCountSd;
        return (count.Witnessed(fish, sd), next);
    }
}
