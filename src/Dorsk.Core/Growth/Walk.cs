using Dorsk.Core.Judging;
using Dorsk.Core.Species;

namespace Dorsk.Core.Growth;

/// <summary>One walk of a batch from stocking on, day by day.</summary>
/// <param name="batch">The batch and what is known of its pond.</param>
/// <param name="habit">What they are used to eat; null where it is not known yet.</param>
internal sealed class Walk(BatchHistory batch, Habit? habit)
{
    private readonly List<Standing> days = [];
    private readonly List<(double FedG, double MeanG, double TempC, double Share)> free = [];
    private CountState count = CountState.Stocked(batch.StockedCount, batch.CountedOneByOne);
    private WeightState weight = WeightState.Stocked(batch.StockedMeanG, habit);

    /// <summary>The days walked.</summary>
    public IReadOnlyList<Standing> Days => days;

    /// <summary>Walks to a day, included.</summary>
    /// <param name="to">Last day.</param>
    /// <param name="onlyHabit">Whether only what they are used to eat is wanted: no standing is written down then.</param>
    public IReadOnlyList<Standing> To(DateOnly to, bool onlyHabit = false)
    {
        var changes = batch.Changes.ToLookup(c => c.Day);
        var samples = batch.Samples.ToLookup(s => s.Day);
        var unseenShare = StandingEstimate.UnseenDailyShare(batch.Species, batch.InTank);
        var found = StandingSettings.UsuallyFound(batch.InTank);
        var ration = new RationMemory();
        var held = HeldBack.None;
        for (var day = batch.StockedOn; day <= to; day = day.AddDays(1))
        {
            foreach (var change in changes[day])
                count = Changed(count, change, found);
            foreach (var sample in samples[day])
                weight = weight.Learn(sample.Mean.Mean, SampleSd(sample.Mean, batch.Species));
            var tempC = batch.TemperatureC(day);
            var full = DailyGain.FullG(weight.MeanG, tempC, batch.Species, weight.RateAt(tempC, batch.Species));
            var limits = WaterLimits.For(batch.Species, WaterLimits.StageOf(batch.Species, weight.MeanG));
            var oxygen = DailyGain.OxygenFactor(batch.DawnLowMgL(day), limits, batch.Species.LethalDoMgL);
            var share = Share(ration, day, tempC, full, oxygen);
            var gain = DailyGain.FedG(full, weight.MeanG, share, oxygen, batch.InTank);
            if (!onlyHabit)
            {
                days.Add(StandingOf(held, day, full, oxygen, share));
                if (full > 0)
                    held = held.Day(gain / full, tempC, count.Mean * weight.MeanG / 1000);
            }
            weight = weight.NextDay(gain, tempC, batch.Species);
            count = count.Lose(unseenShare);
        }
        return days;
    }

    private Standing StandingOf(HeldBack held, DateOnly day, double full, double oxygen, double share) =>
        AsStanding(day, count, weight, full) with
        {
            Held = held,
            Share = share,
            OfUsual = habit is null ? share : share / habit.ShareOfFull,
            Oxygen = oxygen,
        };

    /// <summary>What these fish were used to eat on this walk, or null when too few days tell.</summary>
    public Habit? Habit() => Growth.Habit.Learn(free, batch.Species);

    private static CountState Changed(CountState count, CountChange change, double usuallyFound)
    {
        if (change.CountedOneByOne is { } oneByOne)
            return CountState.Stocked(change.Count, oneByOne);
        return change.Dead ? count.Dead(-change.Count, change.FoundShare ?? usuallyFound) : count.Move(change.Count);
    }

    // Against the species' full ration on the first walk; then against their own habit at the level it had.
    private double Share(RationMemory ration, DateOnly day, double tempC, double fullG, double oxygen)
    {
        var fed = batch.FedKg(day);
        if (habit is not null)
            return Math.Min(
                1,
                habit.ShareOfFull
                    * ration.Share(fed, habit.FeedG(weight.MeanG, tempC, batch.Species) * count.Mean / 1000)
            );
        var fullKg = fullG * count.Mean / 1000 * DailyGain.Fcr(batch.Species, weight.MeanG);
        if (oxygen >= 1 && fed > 0 && count.Mean > 0 && fullKg > 0)
            free.Add((fed * 1000 / count.Mean, weight.MeanG, tempC, fed / fullKg));
        return ration.Share(fed, fullKg);
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
        return new(day, count.Range(StandingSettings.Level), meanG, biomass, fullGainG, weight.RateFactor, weight);
    }
}
