using Dorsk.Core.Judging;
using Dorsk.Core.Species;

namespace Dorsk.Core.Growth;

/// <summary>One walk of a batch from stocking on, day by day.</summary>
/// <param name="batch">The batch and what is known of its pond.</param>
/// <param name="habit">What they are used to eat; null where it is not known yet.</param>
/// <param name="isLearning">Whether this walk only learns that habit: no ration is judged on it.</param>
internal sealed class Walk(BatchHistory batch, Habit? habit, bool isLearning = false)
{
    private readonly List<Standing> days = [];
    private readonly List<(double FedG, double MeanG, double TempC)> free = [];
    private CountState count = CountState.Stocked(batch.StockedCount, batch.CountedOneByOne);
    private WeightState weight = WeightState.Stocked(batch.StockedMeanG, habit);

    /// <summary>The days walked.</summary>
    public IReadOnlyList<Standing> Days => days;

    /// <summary>Walks to a day, included.</summary>
    /// <param name="to">Last day.</param>
    public IReadOnlyList<Standing> To(DateOnly to)
    {
        var changes = batch.Changes.ToLookup(c => c.Day);
        var samples = batch.Samples.ToLookup(s => s.Day);
        var unseenShare = StandingEstimate.UnseenDailyShare(batch.Species, batch.InTank);
        var found = StandingSettings.UsuallyFound(batch.InTank, batch.Species);
        var ration = new RationMemory();
        var held = HeldBack.None;
        var witness = FeedCount.Stocked(batch.StockedMeanG);
        for (var day = batch.StockedOn; day <= to; day = day.AddDays(1))
        {
            foreach (var change in changes[day])
            {
                weight = weight.Shifted(WeighedOut.Of(count.Mean, weight.MeanG, weight.SdLogG, change));
                count = Changed(count, change, found);
                witness = witness.Changed(change, weight.MeanG);
            }
            foreach (var sample in samples[day])
            {
                weight = weight.Learn(sample.Mean.Mean, SampleSd(sample.Mean, batch.Species));
                (count, witness) = witness.Weighed(count, sample.Mean.Mean, batch.Species);
            }
            witness = witness.Fed(batch.FedKg(day));
            var tempC = batch.TemperatureC(day);
            var full = DailyGain.FullG(weight.MeanG, tempC, batch.Species, weight.RateAt(tempC, batch.Species));
            var limits = WaterLimits.For(batch.Species, WaterLimits.StageOf(batch.Species, weight.MeanG));
            var oxygen = DailyGain.OxygenFactor(batch.DawnLowMgL(day), limits, batch.Species.LethalDoMgL);
            var share = Share(ration, day, tempC, full, oxygen);
            var gain = DailyGain.FedG(full, weight.MeanG, share, oxygen, batch.InTank);
            if (!isLearning)
            {
                days.Add(StandingOf(held, day, AtFullRation(tempC), oxygen, share));
                if (full > 0)
                    held = held.Day(gain / full, tempC, count.Mean * weight.MeanG / 1000);
            }
            weight = weight.NextDay(gain, tempC, batch.Species);
            count = count.Lose(unseenShare);
        }
        return days;
    }

    // What they would gain at all they can eat, for the ration: never more than twice or less than half of the species' own, whatever the records say.
    private double AtFullRation(double tempC) =>
        DailyGain.FullG(
            weight.MeanG,
            tempC,
            batch.Species,
            Math.Clamp(
                weight.RateAt(tempC, batch.Species) / Math.Exp(StandingSettings.RateMean),
                RecordsFit.LowRate,
                RecordsFit.HighRate
            )
        );

    private Standing StandingOf(HeldBack held, DateOnly day, double full, double oxygen, double share) =>
        AsStanding(day, count, weight, full) with
        {
            Held = held,
            Share = share,
            OfUsual = share,
            Oxygen = oxygen,
        };

    /// <summary>What these fish were used to eat on this walk, or null when too few days tell.</summary>
    public Habit? Habit() => Growth.Habit.Learn(free, batch.Species);

    private static CountState Changed(CountState count, CountChange change, double usuallyFound)
    {
        if (change.CountedOneByOne is { } oneByOne)
            return CountState.Stocked(change.Count, oneByOne);
        if (change.Guessed is { } guess)
            return count.Guess(guess.Low, guess.High);
        if (!change.Dead)
            return count.Move(change.Count);
        var isEvent = -change.Count > StandingSettings.EventShare * count.Mean;
        var found = isEvent ? Math.Max(usuallyFound, StandingSettings.FoundInEvents) : usuallyFound;
        return count.Dead(-change.Count, change.FoundShare ?? found);
    }

    // Only against what these fish are used to eat, which counts as full: no table knows what they need for a gain.
    private double Share(RationMemory ration, DateOnly day, double tempC, double fullG, double oxygen)
    {
        var fed = batch.FedKg(day);
        if (habit is not null)
            return ration.Share(fed, habit.FeedG(weight.MeanG, tempC, batch.Species) * count.Mean / 1000);
        if (isLearning)
        {
            if (oxygen >= 1 && fed > 0 && count.Mean > 0 && fullG > 0)
                free.Add((fed * 1000 / count.Mean, weight.MeanG, tempC));
            return 1;
        }
        // Until they have a habit the species' conversion stands for it.
        return ration.Share(fed, fullG * count.Mean / 1000 * DailyGain.Fcr(batch.Species, weight.MeanG));
    }

    private static double SampleSd(SampleMean sample, FishSpecies species)
    {
        // Few casts can agree by luck: the spread between fish sets a floor under the error they show.
        var floor = species.WeightCvPct / 100 / Math.Sqrt(sample.Count);
        var shown = Math.Max(floor, (sample.StandardError ?? 0) / sample.Mean);
        return Math.Sqrt((shown * shown) + Math.Pow(StandingSettings.CatchBiasSd, 2));
    }

    private static Standing AsStanding(DateOnly day, CountState count, WeightState weight, double fullGainG)
    {
        var sdW = weight.SdLogG;
        var meanG = StandingSettings.Around(weight.MeanG, sdW, StandingSettings.Level);
        var kg = count.Mean * weight.MeanG / 1000;
        var sdKg = count.Mean > 0 ? Math.Sqrt((sdW * sdW) + Math.Pow(count.Sd / count.Mean, 2)) : 0;
        var biomass = StandingSettings.Around(kg, sdKg, StandingSettings.Level);
        return new(
            day,
            count.Range(StandingSettings.Level),
            meanG,
            biomass,
            fullGainG,
            weight.RateFactor / Math.Exp(StandingSettings.RateMean),
            weight
        );
    }
}
