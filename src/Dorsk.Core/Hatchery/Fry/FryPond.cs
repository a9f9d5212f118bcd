using Dorsk.Core.Judging;
using Dorsk.Core.Plans;
using Dorsk.Core.Species;
using Dorsk.Core.Units;
using Dorsk.Core.Water;

namespace Dorsk.Core.Hatchery;

/// <summary>A fry pond on one day.</summary>
/// <param name="Species">The fish.</param>
/// <param name="StockedOn">Farm day on which the fry came.</param>
/// <param name="Today">The farm day.</param>
/// <param name="MeanG">Mean weight by the estimate, g.</param>
/// <param name="Count">Fish by the estimate.</param>
/// <param name="AreaM2">Surface, m².</param>
/// <param name="VolumeM3">Water, m³.</param>
/// <param name="TempC">Water, °C; null where nobody read it.</param>
/// <param name="Took">How they came to the last meal, 0 to 4; null where nobody watched.</param>
public sealed record FryPondState(
    FishSpecies Species,
    DateOnly StockedOn,
    DateOnly Today,
    double MeanG,
    double Count,
    double AreaM2,
    double VolumeM3,
    double? TempC,
    int? Took
)
{
    /// <summary>Mean weight at stocking, g; 0 where it is not known.</summary>
    public double StartG { get; init; }

    /// <summary>Days since the fry came, from 0.</summary>
    public int Day => Today.DayNumber - StockedOn.DayNumber;

    /// <summary>Week since the fry came, from 1.</summary>
    public int Week => (Day / 7) + 1;
}

/// <summary>The end of natural food in a fry pond: by days, and by the size at which they eat each other.</summary>
/// <param name="From">First day on which they may be taken.</param>
/// <param name="By">Last day that serves.</param>
/// <param name="Judgement">How it stands today.</param>
public sealed record NaturalFoodEnd(DateOnly From, DateOnly By, Judgement Judgement);

/// <summary>Care of a fry pond by its week.</summary>
public static class FryPond
{
    /// <summary>Where the rules come from.</summary>
    public const string Source =
        "Days and length by the nursery table; texture by week, meals by day, screens by fry size: practice of fry ponds, starting values";

    private const double TakenAlong = 0.8,
        ColdC = 15,
        HotC = 26,
        ScreenShare = 0.8;
    private const int FineWeeks = 4,
        CrumbleWeeks = 8,
        NewDays = 14;

    /// <summary>Whether a pond of fish is one of fry still: under the weight at the table's length, or within its days.</summary>
    /// <param name="s">The pond.</param>
    /// <param name="nursery">How fry stand; null where the table has none.</param>
    public static bool Is(FryPondState s, NurseryDensity? nursery) =>
        s.MeanG < 1 || (nursery is not null && s.MeanG < nursery.WeightG(nursery.AtMm) && s.Day <= nursery.Days.To);

    /// <summary>When natural food ends; null where the table has no such fish.</summary>
    /// <param name="s">The pond.</param>
    /// <param name="nursery">How fry stand; null where the table has none.</param>
    /// <param name="hand">How figures are printed.</param>
    public static NaturalFoodEnd? End(FryPondState s, NurseryDensity? nursery, Hand hand)
    {
        if (nursery is null)
            return null;
        var (from, by) = (s.StockedOn.AddDays((int)nursery.Days.From), s.StockedOn.AddDays((int)nursery.Days.To));
        var full = nursery.WeightG(nursery.AtMm);
        var eat = FryTank.EatEachOther(s.Species) ? " They eat each other from here on." : "";
        var size =
            $"{QuantityText.Write(s.MeanG, Measures.FishWeight, hand)} of {QuantityText.Write(full, Measures.FishWeight, hand)}, day {s.Day} of {nursery.Days.From:0} to {nursery.Days.To:0}";
        return new(
            from,
            by,
            s.Today > by || s.MeanG >= full
                    ? new(
                        Status.ActNow,
                        $"{size}: the natural food is at its end. Harvest now, or wean them to dry feed.{eat}"
                    )
                : s.Today >= from || s.MeanG >= TakenAlong * full
                    ? new(Status.Watch, $"{size}: plan the harvest within days.{eat}")
                : new(Status.Steady, $"{size}: natural food carries them")
        );
    }

    /// <summary>Lines of care of the day.</summary>
    /// <param name="s">The pond.</param>
    /// <param name="hand">How figures are printed.</param>
    /// <param name="harvest">Whether the harvest is near: fry are gathered for it.</param>
    public static IReadOnlyList<FryCare> Care(FryPondState s, Hand hand, bool harvest) =>
        [
            new("Feed", Texture(s), false),
            new(
                "Meals",
                s.Day < NewDays ? "3 to 4 times a day, what they clear" : "2 to 3 times a day, what they clear",
                s.Took is 0 or 1
            ),
            new(
                "Surplus",
                s.Day < NewDays
                    ? "a slight surplus is right for new fry; stop when feed sinks uneaten"
                    : "no surplus: what sinks takes oxygen",
                false
            ),
            new(
                "Level",
                s.Took is 0 or 1
                    ? "they stopped feeding: stop filling until they feed again"
                    : "fill slowly, a hand a day, as they grow; stop when they stop feeding",
                s.Took is 0 or 1
            ),
            new(
                "Screens",
                $"slots of {QuantityText.Write(SlotMm(s) / 1000, Measures.Pellet, hand)} at most; rake them before draining",
                false
            ),
            new(
                "Watch for",
                "thread algae, backswimmers, beetles, tadpoles: take them out before they meet fry",
                false
            ),
            new("Harvest", HarvestWords(s), harvest),
            new(
                "Gather",
                harvest
                    ? "on the day before, shade the inflow end and let a little water run: fry gather there, out of the muck; dip them from there"
                    : "for the harvest: shade over the inflow end and a little water, and fry gather there, out of the muck",
                harvest
            ),
        ];

    private static string Texture(FryPondState s) =>
        s.Week <= FineWeeks ? $"week {s.Week}: fine floating meal"
        : s.Week <= CrumbleWeeks ? $"week {s.Week}: crumble"
        : $"week {s.Week}: small pellet";

    private static string HarvestWords(FryPondState s) =>
        s.TempC switch
        {
            null => "in mild hours with a bag net; read the temperature first",
            > HotC => "too warm by day: in the cool of the morning, quickly, bag net",
            < ColdC => "cold: slow fish, mild hours of the afternoon, bag net",
            _ => "mild: bag net, moved quickly",
        };

    /// <summary>Widest slot of a screen that holds the fry back, mm: somewhat under the gap that a fish of this weight slips through.</summary>
    public static double SlotMm(FryPondState s) =>
        ScreenShare * BodyLength.HeldByMm(s.Species, Math.Max(0.001, s.MeanG));

    /// <summary>How a reading stands to the narrower limits of fry.</summary>
    /// <param name="parameter">What was read.</param>
    /// <param name="si">The value, SI.</param>
    /// <param name="species">The fish.</param>
    /// <param name="hand">How figures are printed.</param>
    public static Judgement Judge(Parameter parameter, double si, FishSpecies species, Hand hand) =>
        WaterJudge.Judge(parameter, si, Limits(species), hand);

    /// <summary>Limits of fry.</summary>
    /// <param name="species">The fish.</param>
    public static WaterLimits Limits(FishSpecies species) => WaterLimits.For(species, LifeStage.Fry);

    /// <summary>How thick they stand: fry a m² and fry a litre, never carried from one to the other kind of water.</summary>
    /// <param name="s">The pond.</param>
    public static (double PerM2, double PerLitre) Density(FryPondState s) =>
        (s.Count / Math.Max(1, s.AreaM2), s.Count / Math.Max(1, s.VolumeM3) / 1000);
}

/// <summary>Whether fry are ready for the next water.</summary>
public static class FryReady
{
    private const int HeldDays = 3;
    private const double LeastMm = 8,
        MarkG = 5;

    /// <summary>Where the rule comes from.</summary>
    public const string Source =
        "Days of feeding and length before fry go to a pond; least weight that bears a mark: starting values";

    /// <summary>Fry for the nursery pond: days since their first feed and their length.</summary>
    /// <param name="fedDays">Days since the first feed.</param>
    /// <param name="lengthMm">Length, mm; null where nobody measured.</param>
    /// <param name="early">Whether this species goes out before it feeds, as larvae.</param>
    public static Judgement ForPond(double fedDays, double? lengthMm, bool early)
    {
        if (early)
            return new(Status.Steady, "this fish goes to the pond as larvae of a few days, when rotifers rise");
        if (fedDays < HeldDays)
            return new(Status.Watch, $"fed for {fedDays:0} days, {HeldDays} at least before a pond");
        return lengthMm < LeastMm
            ? new(Status.Watch, "too short for a pond still")
            : new(Status.Steady, "ready for the nursery pond");
    }

    /// <summary>Least weight that bears a mark or a fin clip, g.</summary>
    public static double LeastMarkG => MarkG;

    /// <summary>Where half-grown fish go by the tank places that are free.</summary>
    /// <param name="fish">Fish to place.</param>
    /// <param name="places">Places in tanks with dry feed.</param>
    public static (long Kept, long SentOn) HalfGrown(long fish, long places)
    {
        var kept = Math.Clamp(places, 0, fish);
        return (kept, fish - kept);
    }
}
