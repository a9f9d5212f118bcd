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
    /// <summary>The list.</summary>
    public static readonly IReadOnlyList<Brake> InOrder =
    [
        new("too cold", TooCold),
        new("too hot", TooHot),
        new("fast", Fast),
        new("sample first", SampleFirst),
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
                $"Water {T(q, q.TempC)} is under {T(q, q.Species.FeedMinC)}, where {Lower(q.Species.Name)} stop eating: no feed."
            );

    private static BrakeHit? TooHot(RationQuestion q, Meal meal, double kg) =>
        q.TempC <= q.Limits.TempHighC
            ? null
            : Hit(
                "too hot",
                0.5,
                $"Water {T(q, q.TempC)} is over {T(q, q.Limits.TempHighC)}: half, in the cool morning once oxygen has risen."
            );

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

    // Fish are weighed with empty guts in the cool of the morning.
    private static BrakeHit? SampleFirst(RationQuestion q, Meal meal, double kg) =>
        meal == Meal.Morning && q.SampledOn == q.Day
            ? Hit(
                "sample first",
                0,
                $"A sample is due this morning: weigh them with empty guts, feed in the afternoon."
            )
            : null;

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
                $"{QuantityText.Write(cap.KgHaDay, Measures.AreaLoad, q.Hand)} a day is the most at {q.InstalledKWHa:0.#} kW/ha of aerators ({cap.LimitedBy})."
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
