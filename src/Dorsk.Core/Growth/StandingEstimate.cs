using Dorsk.Core.Species;

namespace Dorsk.Core.Growth;

/// <summary>
/// Carries count, mean weight and biomass of a batch from stocking to a day. Between samples the growth law runs on each day's
/// temperature, ration share and dawn oxygen; a sample corrects both the weight and this pond's own growth rate (a Kalman filter
/// in log weight); deaths, moves and harvests correct the count.
/// </summary>
public static class StandingEstimate
{
    /// <summary>Where the method comes from.</summary>
    public const string Source =
        "W^(1/3) growth with beta temperature response (Yan & Hunt 1999); Kalman filter in log weight; settings of the farm";

    /// <summary>Every day from stocking to a day, both included.</summary>
    /// <param name="batch">The batch and what is known of its pond.</param>
    /// <param name="to">Last day.</param>
    public static IReadOnlyList<Standing> Run(BatchHistory batch, DateOnly to)
    {
        // The first walk takes the species' figures as they are; what the fish were used to eat on it tells the second their own.
        var first = new Walk(batch, null, isLearning: true);
        first.To(to);
        return new Walk(batch, first.Habit()).To(to);
    }

    /// <summary>What nobody sees go each day, as a share: half of the loss that the species' survival over the planned cycle stands for; the other half is found or follows from the found.</summary>
    public static double UnseenDailyShare(FishSpecies species, bool inTank) =>
        -Math.Log(Math.Clamp(species.SurvivalGrowOutPct, 1, 100) / 100)
        / StandingSettings.PlannedCycleDays
        * (inTank ? 0.1 : 0.3);
}
