using Dorsk.Core.Judging;
using Dorsk.Core.Species;
using Dorsk.Core.Units;

namespace Dorsk.Core.Hatchery;

/// <summary>A line of the care of fry in a tank: what, how, whether it is due.</summary>
/// <param name="What">What is done.</param>
/// <param name="How">How, in figures.</param>
/// <param name="Due">Whether it is due now.</param>
public readonly record struct FryCare(string What, string How, bool Due);

/// <summary>What is known of a lot of fry in a tank, for its care.</summary>
/// <param name="Species">The fish.</param>
/// <param name="HatchedAt">When they hatched.</param>
/// <param name="Now">The instant.</param>
/// <param name="SiphonedAt">When the floor was last siphoned; null when never.</param>
/// <param name="Covered">Whether the tank is roofed, so that no leaves and little algae come in.</param>
/// <param name="DepthM">Depth of its water, m; 0 where it is not known.</param>
/// <param name="Behaviour">How they were last seen.</param>
public sealed record FryTankState(
    FishSpecies Species,
    DateTimeOffset HatchedAt,
    DateTimeOffset Now,
    DateTimeOffset? SiphonedAt,
    bool Covered,
    double DepthM,
    FryBehaviour Behaviour
)
{
    /// <summary>Days since they hatched.</summary>
    public double AgeDays => Math.Max(0, (Now - HatchedAt).TotalDays);
}

/// <summary>Care of fry in tanks by their age.</summary>
public static class FryTank
{
    /// <summary>Where the rules come from.</summary>
    public const string Source =
        "Hatchery practice: trickle straight down for a fortnight, level of 25 to 30 cm, siphon daily at first, feed by particle size and day (starting values)";

    /// <summary>Age up to which the inflow falls straight down in a thin trickle, days.</summary>
    public const double TrickleDays = 14;

    private const double SiphonDaily = 21,
        SurfaceSprayDays = 10,
        StrongUntilDay = 10,
        PelletFromG = 1;

    /// <summary>Days from one siphoning to the next: daily for young fry, every second day later, every third under a roof.</summary>
    /// <param name="ageDays">Days since the hatch.</param>
    /// <param name="covered">Whether the tank is roofed.</param>
    public static int SiphonEvery(double ageDays, bool covered) =>
        ageDays < SiphonDaily ? 1
        : covered ? 3
        : 2;

    /// <summary>The lines of care.</summary>
    /// <param name="s">The tank.</param>
    /// <param name="hand">How figures are printed.</param>
    public static IReadOnlyList<FryCare> Of(FryTankState s, Hand hand)
    {
        var every = SiphonEvery(s.AgeDays, s.Covered);
        var (low, high) = VesselDescribed.FryDepthM;
        var deep = s.DepthM > 0 && (s.DepthM < low || s.DepthM > high);
        return
        [
            new("Feed", FeedOf(s.Species, s.AgeDays, hand), false),
            new(
                "Inflow",
                s.AgeDays < TrickleDays
                    ? "a thin trickle day and night that falls straight down at the centre: a slant makes a current that kills larvae"
                    : "a thin trickle day and night until they are taken out; a slant is borne now",
                false
            ),
            new(
                "Siphon the floor",
                every == 1 ? "every day" : $"every {every} days",
                s.SiphonedAt is not { } at || (s.Now - at).TotalDays >= every
            ),
            new(
                "Level",
                $"{Limit.Range(low, high, Measures.Length, hand)} for young fry",
                deep && s.AgeDays < SiphonDaily
            ),
            new(
                "Surface",
                "a fine spray breaks the film for fry that cannot fill their swim bladder through it",
                s.Behaviour == FryBehaviour.UnderFilm
                    || (s.AgeDays is > 1 and < SurfaceSprayDays && EatEachOther(s.Species))
            ),
            new(
                "Shade",
                s.Covered ? "roofed: no algae to fear" : "shade from 10:00 to 15:00 holds algae back",
                !s.Covered
            ),
        ];
    }

    // Form by age and the strength of the suspension: thin for tiny mouths, stronger as they grow. Starting values.
    private static string FeedOf(FishSpecies species, double ageDays, Hand hand)
    {
        var first = Feeding.FirstFeeds.For(species)?.FirstFood ?? "powder";
        return FryFeedForms.CoarsestAt(ageDays) switch
        {
            FryFeedForm.Liquid => $"{first}; liquid feed in a thin suspension, cloudy for a minute, not longer",
            FryFeedForm.Powder when ageDays < StrongUntilDay =>
                $"{first}; suspension twice as strong, particles of 50 to 150 µm",
            FryFeedForm.Powder => "particles of 150 to 300 µm, beside what they ate before",
            FryFeedForm.Meal => "fine floating meal of 300 to 500 µm",
            FryFeedForm.Crumble => "crumble",
            _ => $"small pellet once they weigh {Limit.Of(PelletFromG, Measures.FishWeight, hand)}",
        };
    }

    /// <summary>Whether larger ones of this fish swallow smaller ones.</summary>
    /// <param name="species">The fish.</param>
    public static bool EatEachOther(FishSpecies species) =>
        SpeciesTable.Text(species, "cannibal_stage") is { Length: > 0 } and not "none";

    /// <summary>What a behaviour means; null where nobody looked.</summary>
    /// <param name="behaviour">How they were seen.</param>
    public static Judgement? Means(FryBehaviour behaviour) =>
        behaviour switch
        {
            FryBehaviour.Spread => new(Status.Steady, "spread through the water, feeding"),
            FryBehaviour.AtSurface => new(
                Status.Watch,
                "at the surface late in the day: they stand too thick before they are sick. Read oxygen, split them"
            ),
            FryBehaviour.Hanging => new(
                Status.ActNow,
                "hang all day though sound in body: crowded. Split them today; look for disease only if they go on in more room"
            ),
            FryBehaviour.UnderFilm => new(
                Status.ActNow,
                "cannot break the film of the surface: spray, skim the oil off"
            ),
            FryBehaviour.SwimUp => new(Status.Watch, "swim up and turn dark: the first feed is due now"),
            _ => null,
        };

    /// <summary>Most fry a litre of a tank as a shift keeps them fed: larvae, and at weaning. Never carried to a pond or a shallow pool.</summary>
    /// <param name="species">The fish.</param>
    /// <param name="meanG">Mean weight, g; above 0.</param>
    public static (double Low, double High) PerLitre(FishSpecies species, double meanG) =>
        meanG switch
        {
            < 0.05 => (20, 50),
            < 0.5 => (5, 15),
            < 2 => (1, EatEachOther(species) ? 3 : 5),
            _ => (0.3, 1),
        };

    /// <summary>Splits a number over waters of unlike size by their volume, whole animals, none lost.</summary>
    /// <param name="count">Animals; 0 or more.</param>
    /// <param name="volumesM3">Volumes, m³; each above 0, at least one.</param>
    public static IReadOnlyList<long> Split(long count, IReadOnlyList<double> volumesM3)
    {
        var all = volumesM3.Sum();
        var parts = volumesM3.Select(v => (long)Math.Floor(count * v / all)).ToList();
        // What rounding left over goes to the largest water.
        parts[volumesM3.ToList().IndexOf(volumesM3.Max())] += count - parts.Sum();
        return parts;
    }

    /// <summary>Number of days in which cannibals rise, by what was taken out each day; whether to grade now.</summary>
    /// <param name="days">Cannibals taken out, day by day, the last day last.</param>
    /// <param name="hand">How figures are printed.</param>
    public static Judgement Cannibals(IReadOnlyList<(DateOnly On, int Count)> days, Hand hand)
    {
        if (days.Count == 0)
            return new(Status.Unknown, "none taken out so far");
        var half = Math.Max(1, days.Count / 2);
        var (before, since) = (days.Take(days.Count - half).ToList(), days.TakeLast(half).ToList());
        var now = since.Average(d => d.Count);
        if (before.Count == 0)
            return new(Status.Watch, $"{hand.Count(Math.Round(now))} taken out: grade, and feed more often");
        var was = before.Average(d => d.Count);
        return now > was
            ? new(
                Status.ActNow,
                $"cannibals rise, from {hand.Figure(was, 1)} to {hand.Figure(now, 1)} a day: grade today, feed every few minutes"
            )
            : new(Status.Steady, $"cannibals fall, from {hand.Figure(was, 1)} to {hand.Figure(now, 1)} a day");
    }
}
