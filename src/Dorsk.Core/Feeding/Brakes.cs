using Dorsk.Core.Units;

namespace Dorsk.Core.Feeding;

/// <summary>A brake that bit.</summary>
/// <param name="Name">Name of the brake.</param>
/// <param name="Factor">What is left of the meal, 0 to 1.</param>
/// <param name="Reason">Plain words: figure, limit, what follows.</param>
public sealed record BrakeHit(string Name, double Factor, string Reason);

/// <summary>One brake: a name and its rule for a meal; null when it does not bite.</summary>
/// <param name="Name">Name of the brake.</param>
/// <param name="Bite">The rule, given the meal as planned so far in kg.</param>
public sealed record Brake(string Name, Func<RationQuestion, Meal, double, BrakeHit?> Bite);

/// <summary>All brakes on a ration, in the order in which they are pulled. A new brake is one more line.</summary>
public static class Brakes
{
    // Who is fed so often a day goes hungry by a meal left out, and eats its like.
    private const int ManyMeals = 4;

    /// <summary>The list.</summary>
    public static readonly IReadOnlyList<Brake> InOrder =
    [
        new("too cold", TooCold),
        new("too hot", TooHot),
        new("day without feed", RestDay),
        new("fast", Fast),
        new("sample first", SampleFirst),
        new("last meal", LastMeal),
        new("dawn oxygen", DawnOxygen),
        new("tonight's oxygen", TonightsOxygen),
        new("verdict on the water", Verdict),
        new("what the water can take", WaterCap),
    ];

    private static BrakeHit? TooCold(RationQuestion q, Meal meal, double kg) =>
        q.TempC >= q.Species.FeedMinC
            ? null
            : Hit(
                "too cold",
                0,
                $"Water {T(q, q.TempC)} is under {T(q, q.Species.FeedMinC)}, where {Lower(q.Species.Name)} stop eating: no feed{(q.WarmOn is { } on ? $"; warm enough about {on:d MMM yyyy}, likely" : "")}."
            );

    private static BrakeHit? TooHot(RationQuestion q, Meal meal, double kg) =>
        q.TempC <= q.Limits.TempHighC
            ? null
            : Hit(
                "too hot",
                0.5,
                $"Water {T(q, q.TempC)} is over {T(q, q.Limits.TempHighC)}: half, in the cool morning once oxygen has risen."
            );

    // In cold or hot water fish are not fed every day; the days since the last meal decide, not the weekday.
    private static BrakeHit? RestDay(RationQuestion q, Meal meal, double kg)
    {
        if (FeedingRhythm.For(q.Species, q.MeanG, q.TempC) is not { } rhythm || q.TempC < q.Species.FeedMinC)
            return null;
        if (rhythm.DaysPerWeek == 0)
            return Hit(
                "day without feed",
                0,
                $"At {T(q, q.TempC)} {Lower(q.Species.Name)} of this size are not fed ({rhythm.Source})."
            );
        if (!FeedDays.IsRest(rhythm.DaysPerWeek, q.Day, q.FedDays))
            return null;
        var last = q.FedDays.Where(d => d < q.Day).Max();
        return Hit(
            "day without feed",
            0,
            $"At {T(q, q.TempC)} they are fed {rhythm.DaysPerWeek} {(rhythm.DaysPerWeek == 1 ? "day" : "days")} a week, last on {last:ddd d MMM}: no feed today ({rhythm.Source})."
        );
    }

    private static BrakeHit? Fast(RationQuestion q, Meal meal, double kg) =>
        q.FishedOn is { } on
        && FastBefore.Of(q.Species, q.MeanG, q.TempC) is var fast
        && FastBefore.Holds(q.Day, meal, on, fast.Hours)
            ? Hit(
                "fast",
                0,
                $"They are fished on {on:ddd d MMM}: off feed {fast.Hours:0} hours before ({fast.Source})."
            )
            : null;

    // Fish are weighed with empty guts in the cool of the morning. Fry are fed all day long: they are weighed before their next meal.
    private static BrakeHit? SampleFirst(RationQuestion q, Meal meal, double kg) =>
        meal == Meal.Morning
        && q.SampledOn == q.Day
        && FeedingRhythm.For(q.Species, q.MeanG, q.TempC) is not { MealsLow: >= ManyMeals }
            ? Hit(
                "sample first",
                0,
                $"A sample is due this morning: weigh them with empty guts, feed in the afternoon."
            )
            : null;

    // Fish that did not come to a meal tell of the water first. Satiation has it in its own figure already.
    private static BrakeHit? LastMeal(RationQuestion q, Meal meal, double kg)
    {
        if (q.LastScore is not { } last || FeedResponse.NextMeal(last.Score) is not (< 1 and var left))
            return null;
        var isToday = last.Day == q.Day && meal == Meal.Afternoon;
        var isYesterday = last.Day == q.Day.AddDays(-1) && q.School != RationSchool.Satiation;
        if (!isToday && !isYesterday)
            return null;
        // A night later a little is offered: only so can be seen whether they come again.
        if (isYesterday)
            left = Math.Max(left, OfferAgain);
        return Hit(
            "last meal",
            left,
            $"{(isToday ? "This morning" : "Yesterday")} the feeding response was {last.Score} of 4: {(left <= 0 ? "no feed" : FormattableString.Invariant($"{100 * left:0} %"))} at this meal{(FeedResponse.Rule(last.Score) is { Length: > 0 } rule ? "; " + rule : "")}."
        );
    }

    private const double OfferAgain = 0.5;

    private static BrakeHit? DawnOxygen(RationQuestion q, Meal meal, double kg) =>
        meal == Meal.Morning && q.DawnLowMgL is { } low ? ByOxygen("dawn oxygen", low, q, "This morning's") : null;

    private static BrakeHit? TonightsOxygen(RationQuestion q, Meal meal, double kg) =>
        meal == Meal.Afternoon && q.ForecastLowMgL is { } low
            ? ByOxygen("tonight's oxygen", low, q, "Tonight's forecast")
            : null;

    // What the verdict on the pond leaves of a meal. Half once: where the oxygen itself has braked already, nothing brakes by half again.
    private static BrakeHit? Verdict(RationQuestion q, Meal meal, double kg)
    {
        if (q.Held.Count == 0)
            return null;
        var worst = q.Held.MinBy(f => f.FeedFactor)!;
        if (worst.FeedFactor > 0 && (DawnOxygen(q, meal, kg) is not null || TonightsOxygen(q, meal, kg) is not null))
            return null;
        var reason = char.ToUpperInvariant(worst.Reason[0]) + worst.Reason[1..];
        return new(
            worst.Rule,
            worst.FeedFactor,
            $"{reason}: {(worst.FeedFactor == 0 ? "no feed until it is past" : "half")}."
        );
    }

    private static BrakeHit? WaterCap(RationQuestion q, Meal meal, double kg)
    {
        if (q.ByVolume || kg <= 0)
            return null;
        var cap = FeedCap.For(q.InstalledKWHa, q.Species);
        var mostKg = cap.KgHaDay * q.AreaHa * q.ShareOfPond / 2;
        return kg <= mostKg
            ? null
            : Hit(
                "what the water can take",
                mostKg / kg,
                $"{QuantityText.Write(cap.KgHaDay, Measures.AreaLoad, q.Hand)} a day is the most at {QuantityText.Write(q.InstalledKWHa, Measures.PowerByArea, q.Hand)} of aerators ({cap.LimitedBy})."
            );
    }

    private static BrakeHit? ByOxygen(string name, double low, RationQuestion q, string whose) =>
        low < q.Limits.DoActMgL
            ? Hit(
                name,
                0,
                $"{whose} low {O(q, low)} is under the act level {O(q, q.Limits.DoActMgL)}: no feed at this meal."
            )
        : low < q.Limits.DoWatchMgL
            ? Hit(name, 0.5, $"{whose} low {O(q, low)} is under the watch level {O(q, q.Limits.DoWatchMgL)}: half.")
        : null;

    private static BrakeHit Hit(string name, double factor, FormattableString reason) =>
        new(name, factor, FormattableString.Invariant(reason));

    private static string T(RationQuestion q, double c) => QuantityText.Write(c, Measures.Temperature, q.Hand);

    private static string O(RationQuestion q, double mgL) => QuantityText.Write(mgL, Measures.Oxygen, q.Hand);

    private static string Lower(string name) => name.ToLowerInvariant();
}
