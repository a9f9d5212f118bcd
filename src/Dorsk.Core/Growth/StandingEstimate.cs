using Dorsk.Core.Judging;
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
    public const string Source = "W^(1/3) growth with beta temperature response (Yan & Hunt 1999); Kalman filter in log weight; settings of the farm";

    /// <summary>Every day from stocking to a day, both included.</summary>
    /// <param name="batch">The batch and what is known of its pond.</param>
    /// <param name="to">Last day.</param>
    public static IReadOnlyList<Standing> Run(BatchHistory batch, DateOnly to)
    {
        var days = new List<Standing>();
        var count = CountState.Stocked(batch.StockedCount, batch.CountedOneByOne);
        var weight = new WeightState(Math.Log(batch.StockedMeanG), 0, 0.03 * 0.03, Math.Pow(StandingSettings.RateSd, 2), 0);
        var changes = batch.Changes.ToLookup(c => c.Day);
        var samples = batch.Samples.ToLookup(s => s.Day);
        var unseenShare = UnseenDailyShare(batch.Species, batch.InTank);
        var found = batch.InTank ? StandingSettings.FoundInTanks : StandingSettings.FoundInPonds;
        var ration = new RationMemory();
        for (var day = batch.StockedOn; day <= to; day = day.AddDays(1))
        {
            foreach (var change in changes[day])
                count = change.CountedOneByOne is { } oneByOne ? CountState.Stocked(change.Count, oneByOne) : change.Dead ? count.Dead(-change.Count, found) : count.Move(change.Count);
            foreach (var sample in samples[day])
                weight = weight.Learn(sample.Mean.Mean, SampleSd(sample.Mean, batch.Species));
            var full = DailyGain.FullG(weight.MeanG, batch.TemperatureC(day), batch.Species, Math.Exp(weight.LogRate));
            days.Add(AsStanding(day, count, weight, full));
            var share = ration.Share(batch.FedKg(day), full * count.Mean / 1000 * DailyGain.Fcr(batch.Species, weight.MeanG));
            var limits = WaterLimits.For(batch.Species, WaterLimits.StageOf(batch.Species, weight.MeanG));
            var oxygen = DailyGain.OxygenFactor(batch.DawnLowMgL(day), limits, batch.Species.LethalDoMgL);
            weight = weight.NextDay(DailyGain.FedG(full, weight.MeanG, share, oxygen, batch.InTank));
            count = count.Lose(unseenShare);
        }
        return days;
    }

    /// <summary>What nobody sees go each day, as a share: half of the loss that the species' survival over the planned cycle stands for; the other half is found or follows from the found.</summary>
    public static double UnseenDailyShare(FishSpecies species, bool inTank) =>
        -Math.Log(Math.Clamp(species.SurvivalGrowOutPct, 1, 100) / 100) / StandingSettings.PlannedCycleDays * (inTank ? 0.1 : 0.5);

    private static double SampleSd(SampleMean sample, FishSpecies species)
    {
        // Few casts can agree by luck: the spread between fish sets a floor under the error they show.
        var floor = species.WeightCvPct / 100 / Math.Sqrt(sample.Count);
        var shown = Math.Max(floor, (sample.StandardError ?? 0) / sample.Mean);
        return Math.Sqrt((shown * shown) + Math.Pow(StandingSettings.CatchBiasSd, 2));
    }

    private static Standing AsStanding(DateOnly day, CountState count, WeightState weight, double fullGainG)
    {
        var z = SampleStatistics.Z(StandingSettings.Level);
        var sdW = Math.Sqrt(weight.Vw);
        var meanG = new Interval(weight.MeanG, weight.MeanG * Math.Exp(-z * sdW), weight.MeanG * Math.Exp(z * sdW), StandingSettings.Level);
        var kg = count.Mean * weight.MeanG / 1000;
        var sdKg = count.Mean > 0 ? Math.Sqrt(weight.Vw + Math.Pow(count.Sd / count.Mean, 2)) : 0;
        var biomass = new Interval(kg, kg * Math.Exp(-z * sdKg), kg * Math.Exp(z * sdKg), StandingSettings.Level);
        return new(day, count.Range(StandingSettings.Level), meanG, biomass, fullGainG, Math.Exp(weight.LogRate), weight);
    }
}
