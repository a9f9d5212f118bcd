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
/// <param name="Meals">Morning and afternoon after brakes, or as somebody wants them.</param>
/// <param name="Why">Grounds.</param>
public sealed record RationPlan(double FullKg, IReadOnlyList<MealPlan> Meals, Grounds Why)
{
    /// <summary>After brakes, kg.</summary>
    public double PlannedKg => Meals.Sum(m => m.Kg);

    /// <summary>All brakes that bit, each once.</summary>
    public IEnumerable<BrakeHit> Hits => Meals.SelectMany(m => m.Hits).DistinctBy(h => h.Name);

    /// <summary>What every school says, before brakes.</summary>
    public IReadOnlyList<SchoolRation> Schools { get; init; } = [];

    /// <summary>The school the ration stands on.</summary>
    public RationSchool By { get; init; }

    /// <summary>Somebody wants another ration, why and who; null: the plan stands.</summary>
    public (double Kg, string Reason, string By)? Overruled { get; init; }

    /// <summary>Hour of the last meal before fish are next fished or moved, by the farm's clock; null where nothing is planned within days.</summary>
    public DateTime? LastMealBy { get; init; }

    /// <summary>Sunrise and sunset by the farm's clock.</summary>
    public (TimeOnly Rise, TimeOnly Set) Sun { get; init; } = RationQuestion.EquatorSun;

    /// <summary>How often these fish are fed at this temperature; null where the table says nothing.</summary>
    public FeedingRhythm? Rhythm { get; init; }
}

/// <summary>Ration by the pond's school, held by the brakes; what somebody wants instead stands over both and is shown with its reason.</summary>
public static class Ration
{
    private const int DaysAhead = 7;

    /// <summary>Works out the ration of a day.</summary>
    public static RationPlan For(RationQuestion q)
    {
        var schools = SchoolRation.All(q);
        // A school that cannot tell hands over to the expected gain, which always can.
        var chosen = schools.FirstOrDefault(s => s.School == q.School && s.Kg is not null) ?? schools[0];
        var full = chosen.Kg!.Value;
        var meals = new[] { Meal.Morning, Meal.Afternoon }.Select(m => Braked(q, m, full / 2)).ToList();
        if (q.Overruled is { } wanted)
            meals = meals.ConvertAll(m => m with { Kg = wanted.Kg / 2 });
        return new(full, meals, Because(q, chosen))
        {
            Schools = schools,
            By = chosen.School,
            Overruled = q.Overruled,
            LastMealBy =
                q.FishedOn is { } on && on.DayNumber - q.Day.DayNumber <= DaysAhead
                    ? FastBefore.LastMealBy(on, FastBefore.Of(q.Species, q.MeanG, q.TempC).Hours)
                    : null,
            Sun = q.Sun,
            Rhythm = FeedingRhythm.For(q.Species, q.MeanG, q.TempC),
        };
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

    private static Grounds Because(RationQuestion q, SchoolRation chosen)
    {
        var why = new Grounds(
            Method(q, chosen.School) + ", parted over two meals; then the feeding restrictions, in order.",
            Inputs(q, chosen),
            [],
            chosen.Source,
            []
        );
        why = Limits(q).Aggregate(why, (w, limit) => w.Limited(limit));
        return Doubts(q, chosen).Aggregate(why, (w, doubt) => w.Doubting(doubt));
    }

    private static List<Input> Inputs(RationQuestion q, SchoolRation chosen)
    {
        List<Input> stands =
        [
            new("fish", q.Count, Measures.Plain, "standing estimate"),
            new("average weight", q.MeanG, Measures.FishWeight, "standing estimate"),
            new("water temperature", q.TempC, Measures.Temperature, q.TempKnown),
        ];
        return chosen.School switch
        {
            RationSchool.ExpectedGain =>
            [
                new("expected gain of one fish", q.FullGainG, Measures.FishWeight, "growth model at full ration"),
                .. stands,
                Input.Said("FCR", q.Hand.Short(q.Fcr, 2), "starting value of the species at this stage"),
            ],
            RationSchool.Table => [.. stands, Input.Said("table", chosen.Said, "starting value")],
            _ => [.. stands, Input.Said("satiation", chosen.Said, "meals written down")],
        };
    }

    private static string Method(RationQuestion q, RationSchool school) =>
        school switch
        {
            RationSchool.Table =>
                "Percent of body weight by size from the table, carried to this temperature by the species' growth response",
            RationSchool.Satiation => "What was last eaten while somebody watched, changed by the feeding response",
            _ when SchoolRation.KeepsOnly(q) =>
                "The water is too cold for much growth: a maintenance ration of 0.3 % of the biomass",
            _ => "Expected gain of today × feed conversion ratio (FCR)",
        };

    private static IEnumerable<string> Limits(RationQuestion q)
    {
        string T(double c) => QuantityText.Write(c, Measures.Temperature, q.Hand);
        string O(double mgL) => QuantityText.Write(mgL, Measures.Oxygen, q.Hand);
        if (q.Overruled is { } o)
            yield return FormattableString.Invariant($"{o.By} wants {o.Kg:0.##} kg instead: {o.Reason}.");
        var cap = FeedCap.For(q.InstalledKWHa, q.Species);
        if (!q.ByVolume)
            yield return FormattableString.Invariant(
                $"The water takes at most {QuantityText.Write(cap.KgHaDay, Measures.AreaLoad, q.Hand)} a day with {QuantityText.Write(q.InstalledKWHa, Measures.PowerByArea, q.Hand)} of aerators; {cap.Source}."
            );
        yield return FormattableString.Invariant(
            $"No feed under {T(q.Species.FeedMinC)}; half over {T(q.Limits.TempHighC)}; half under {O(q.Limits.DoWatchMgL)} and none under {O(q.Limits.DoActMgL)} of oxygen."
        );
        if (FastBefore.IsCrustacean(q.Species))
            yield return "About the moult they eat little or nothing: look at the tray, and give the rest on the next day.";
    }

    private static IEnumerable<string> Doubts(RationQuestion q, SchoolRation chosen)
    {
        if (chosen.School != q.School)
            yield return $"The method chosen for the pond cannot tell: {SchoolRation.All(q).First(s => s.School == q.School).Said}. Expected gain stands in.";
        if (q.DawnLowMgL is null)
            yield return "No oxygen was read this morning: the dawn restriction could not be applied.";
        if (q.ForecastLowMgL is null)
            yield return "There is no forecast of tonight's oxygen: the afternoon restriction could not be applied.";
    }
}
