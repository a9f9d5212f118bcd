using Dorsk.Core.Judging;
using Dorsk.Core.Species;

namespace Dorsk.Core.Hatchery;

/// <summary>Form of the feed of fry.</summary>
public enum FryFeedForm
{
    /// <summary>Nobody said.</summary>
    NotSaid,

    /// <summary>Live food.</summary>
    Live,

    /// <summary>Liquid feed or a thin suspension.</summary>
    Liquid,

    /// <summary>Powder of at most 0.3 mm.</summary>
    Powder,

    /// <summary>Fine floating meal of 0.3 to 0.5 mm.</summary>
    Meal,

    /// <summary>Crumble.</summary>
    Crumble,

    /// <summary>Small pellet.</summary>
    Pellet,
}

/// <summary>Form and strength of feed by the age of fry in tanks.</summary>
public static class FryFeedForms
{
    private const double LarvaG = 0.02;

    // Last day since the hatch on which each of the forms is the coarsest that they take. Starting values.
    private static readonly (double UntilDay, FryFeedForm Coarsest)[] ByAge =
    [
        (4, FryFeedForm.Liquid),
        (21, FryFeedForm.Powder),
        (35, FryFeedForm.Meal),
        (56, FryFeedForm.Crumble),
        (double.PositiveInfinity, FryFeedForm.Pellet),
    ];

    /// <summary>The coarsest form that fry of an age take.</summary>
    /// <param name="ageDays">Days since the hatch; 0 or more.</param>
    public static FryFeedForm CoarsestAt(double ageDays) => ByAge.First(f => ageDays < f.UntilDay).Coarsest;

    /// <summary>A form in words.</summary>
    public static string Word(FryFeedForm form) =>
        form switch
        {
            FryFeedForm.Live => "live food",
            FryFeedForm.Liquid => "liquid feed, thin suspension",
            FryFeedForm.Powder => "powder",
            FryFeedForm.Meal => "fine floating meal",
            FryFeedForm.Crumble => "crumble",
            FryFeedForm.Pellet => "small pellet",
            _ => "not noted",
        };

    /// <summary>How a meal stands to the age of the fry: its form and its protein; empty where neither was said.</summary>
    /// <param name="species">The fish.</param>
    /// <param name="ageDays">Days since the hatch.</param>
    /// <param name="meal">The meal.</param>
    public static IEnumerable<Judgement> Judge(FishSpecies species, double ageDays, FryFed meal)
    {
        var coarsest = CoarsestAt(ageDays);
        if (meal.Form is not (FryFeedForm.NotSaid or FryFeedForm.Live))
            yield return meal.Form > coarsest
                ? new(
                    Status.ActNow,
                    $"{Word(meal.Form)} is too coarse for day {ageDays:0}: {Word(coarsest)} at most, or they starve beside it"
                )
            : coarsest - meal.Form > 1
                ? new(
                    Status.Watch,
                    $"{Word(meal.Form)} is finer than they need on day {ageDays:0}: go on to {Word(coarsest)}"
                )
            : new(Status.Steady, $"{Word(meal.Form)} fits day {ageDays:0}");
        if (
            meal.ProteinPct is { } pct
            && Feeding.FeedSize.At(species, LarvaG) is { } wants
            && pct < wants.ProteinPct.Low
        )
            yield return new(
                Status.Watch,
                $"{pct:0} % protein: first feeds of this fish have {wants.ProteinPct.Low:0} to {wants.ProteinPct.High:0} %"
            );
    }
}
