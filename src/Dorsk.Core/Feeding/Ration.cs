using Dorsk.Core.Judging;
using Dorsk.Core.Units;

namespace Dorsk.Core.Feeding;

/// <summary>One meal of the ration.</summary>
/// <param name="Meal">Which.</param>
/// <param name="Kg">Feed, kg.</param>
/// <param name="Hits">Brakes that bit.</param>
public sealed record MealPlan(Meal Meal, double Kg, IReadOnlyList<BrakeHit> Hits);

/// <summary>The ration of a day.</summary>
/// <param name="FullKg">Before brakes, kg.</param>
/// <param name="Meals">Morning and afternoon after brakes.</param>
/// <param name="Why">Grounds.</param>
public sealed record RationPlan(double FullKg, IReadOnlyList<MealPlan> Meals, Grounds Why)
{
    /// <summary>After brakes, kg.</summary>
    public double PlannedKg => Meals.Sum(m => m.Kg);

    /// <summary>All brakes that bit, each once.</summary>
    public IEnumerable<BrakeHit> Hits => Meals.SelectMany(m => m.Hits).DistinctBy(h => h.Name);
}

/// <summary>Ration by expected gain × FCR, held by the brakes.</summary>
public static class Ration
{
    // Between "stops eating" and "stops growing" a little feed keeps fish in condition over winter; starting value of the trade.
    private const double MaintenanceShareOfBody = 0.003;

    /// <summary>Works out the ration of a day.</summary>
    public static RationPlan For(RationQuestion q)
    {
        var byGain = q.FullGainG * q.Count / 1000 * q.Fcr;
        var maintenance = q.TempC >= q.Species.FeedMinC && q.Fcr > 0 ? MaintenanceShareOfBody * q.BiomassKg : 0;
        var full = Math.Max(byGain, maintenance);
        var meals = new[] { Meal.Morning, Meal.Afternoon }.Select(m => Braked(q, m, full / 2)).ToList();
        return new(full, meals, Because(q, full > byGain));
    }

    private static MealPlan Braked(RationQuestion q, Meal meal, double kg)
    {
        var hits = new List<BrakeHit>();
        foreach (var brake in Brakes.InOrder)
            if (brake.Bite(q, meal, kg) is { } hit)
            {
                hits.Add(hit);
                kg *= hit.Factor;
            }
        return new(meal, kg, hits);
    }

    private static Grounds Because(RationQuestion q, bool maintenance)
    {
        string T(double c) => QuantityText.Write(c, Measures.Temperature, q.Hand);
        string O(double mgL) => QuantityText.Write(mgL, Measures.Oxygen, q.Hand);
        var why = new Grounds(
            maintenance ? "The water is too cold for much growth: a maintenance ration of 0.3 % of the biomass." : "Expected gain of today × feed per gain (FCR), parted over two meals; then the brakes, in order.",
            [
                new("expected gain of one fish", q.FullGainG, Measures.FishWeight, "growth model at full ration"), new("fish", q.Count, Measures.Plain, "standing estimate"),
                new("average weight", q.MeanG, Measures.FishWeight, "standing estimate"), Input.Said("FCR", FormattableString.Invariant($"{q.Fcr:0.0#}"), "starting value of the species at this stage"),
                new("water temperature", q.TempC, Measures.Temperature, q.TempKnown),
            ],
            [], "Growth model (Yan & Hunt 1999) and FCR of the species table", []);
        if (!q.ByVolume)
            why = why.Limited(FormattableString.Invariant($"The water takes at most {QuantityText.Write(FeedCap.For(q.InstalledKWHa, q.Species).KgHaDay, Measures.AreaLoad, q.Hand)} a day with {q.InstalledKWHa:0.#} kW/ha of aerators; {FeedCap.For(q.InstalledKWHa, q.Species).Source}."));
        why = why.Limited(FormattableString.Invariant($"No feed under {T(q.Species.FeedMinC)}; half over {T(q.Limits.TempHighC)}; half under {O(q.Limits.DoWatchMgL)} and none under {O(q.Limits.DoActMgL)} of oxygen."));
        if (q.DawnLowMgL is null)
            why = why.Doubting("No oxygen was read this morning: the dawn brake could not be applied.");
        return q.ForecastLowMgL is null ? why.Doubting("There is no forecast of tonight's oxygen: the afternoon brake could not be applied.") : why;
    }
}
