using Dorsk.Core.Judging;
using Dorsk.Core.Species;
using Dorsk.Core.Units;

namespace Dorsk.Core.Hatchery;

/// <summary>Breeders of the farm as the register has them.</summary>
/// <param name="PondId">The pond.</param>
/// <param name="PondCode">Its code.</param>
/// <param name="AreaM2">Its surface, m².</param>
/// <param name="Species">The fish.</param>
/// <param name="Kept">Fish and groups that are bred from.</param>
public sealed record BroodPond(
    long PondId,
    string PondCode,
    double AreaM2,
    FishSpecies Species,
    IReadOnlyList<BroodDescribed> Kept
)
{
    /// <summary>Fish of a sex.</summary>
    public int Of(BroodSex sex) => Kept.Where(b => b.Sex == sex).Sum(b => b.Count);

    /// <summary>Their mass, kg.</summary>
    public double Kg => Kept.Sum(b => b.Count * b.MeanKg);

    /// <summary>Load, kg/ha.</summary>
    public double KgPerHa => AreaM2 > 0 ? Kg / AreaM2 * 10_000 : 0;
}

/// <summary>Rules of broodstock.</summary>
public static class BroodCare
{
    /// <summary>Where the rules come from.</summary>
    public const string Source =
        "Load, weights of the useful window and ration by temperature: practice of pond hatcheries (Tucker and Robinson 1990; Steeby and Avery 2005), starting values";

    /// <summary>Usual and highest load of breeders in a pond, kg/ha.</summary>
    public static readonly (double Usual, double Highest) LoadKgHa = (900, 1350);

    // Starting values: breeders are useful from about twice the market weight to eight times of it, and until they are ten.
    private const double FromMarket = 1,
        ToMarket = 6;
    private const int OldYears = 10,
        YoungYears = 2;

    /// <summary>Findings on the breeders of a pond.</summary>
    /// <param name="pond">The pond.</param>
    /// <param name="waters">Waters over which the farm's breeders of this fish are parted.</param>
    /// <param name="year">The year.</param>
    /// <param name="hand">How figures are printed.</param>
    public static IReadOnlyList<Judgement> Of(BroodPond pond, int waters, int year, Hand hand)
    {
        List<Judgement> found = [Load(pond, hand), Sexes(pond, hand)];
        if (waters < 2)
            found.Add(
                new(
                    Status.Watch,
                    "all breeders stand in one water: one bad night ends the line. Part them over two waters at least"
                )
            );
        found.AddRange(Weights(pond, hand));
        if (pond.Kept.Any(b => b.HatchYear is { } y && year - y >= OldYears))
            found.Add(
                new(Status.Watch, $"some are {OldYears} years and older: fewer, weaker eggs. Raise their successors")
            );
        if (pond.Kept.Any(b => b.HatchYear is { } y && year - y < YoungYears))
            found.Add(new(Status.Watch, "some spawn for the first time: small and few eggs"));
        if (Related(pond.Kept) is { } related)
            found.Add(related);
        if (pond.Kept.Any(b => b.Origin == BroodOrigin.Wild))
            found.Add(
                new(Status.Watch, "wild-caught breeders: unreliable, may be diseased, slower young. Keep them apart")
            );
        return [.. found.OrderByDescending(f => f.Status)];
    }

    private static Judgement Load(BroodPond pond, Hand hand)
    {
        string Say(double kgHa) => QuantityText.Write(kgHa, Measures.AreaLoad, hand);
        var (usual, highest) = LoadKgHa;
        var text = $"{Say(pond.KgPerHa)} of breeders; usual up to {Say(usual)}, never over {Say(highest)}";
        return pond.KgPerHa > highest
                ? new(Status.ActNow, $"{text}: part them. Crowded breeders give fewer and smaller eggs")
            : pond.KgPerHa > usual ? new(Status.Watch, text)
            : new(Status.Steady, text);
    }

    private static Judgement Sexes(BroodPond pond, Hand hand)
    {
        var (females, males, untold) = (pond.Of(BroodSex.Female), pond.Of(BroodSex.Male), pond.Of(BroodSex.Unknown));
        var wanted = BackPlan.MalesFor(females, UsualSexes);
        var text = $"{hand.Count(females)} females, {hand.Count(males)} males, {hand.Count(untold)} not told";
        return females > 0 && males < wanted
            ? new(
                Status.Watch,
                $"{text}: {hand.Count(wanted)} males are wanted at {UsualSexes.Females} to {UsualSexes.Males}"
            )
            : new(Status.Steady, text);
    }

    /// <summary>Females and males that usually stand together.</summary>
    public static readonly (int Females, int Males) UsualSexes = (3, 2);

    private static IEnumerable<Judgement> Weights(BroodPond pond, Hand hand)
    {
        var (low, high) = Window(pond.Species);
        var outside = pond.Kept.Where(b => b.MeanKg < low || b.MeanKg > high).ToList();
        if (outside.Count > 0)
            yield return new(
                Status.Watch,
                $"{string.Join(", ", outside.Select(b => b.Tag).Take(4))}: outside the useful weights, {Limit.Range(low, high, Measures.Mass, hand)}"
            );
    }

    /// <summary>Weights at which breeders are useful, kg: lighter ones give few eggs, heavier ones are hard to handle and old.</summary>
    public static (double LowKg, double HighKg) Window(FishSpecies species) =>
        (FromMarket * species.MarketLowG / 1000, ToMarket * species.MarketLowG / 1000);

    // Own fish of one line and one year on both sides are brothers and sisters.
    private static Judgement? Related(IReadOnlyList<BroodDescribed> kept)
    {
        bool Same(BroodDescribed f, BroodDescribed m) =>
            f.Sex == BroodSex.Female
            && m.Sex == BroodSex.Male
            && f.Strain.Length > 0
            && f.HatchYear is not null
            && f.HatchYear == m.HatchYear
            && f.Strain.Equals(m.Strain, StringComparison.OrdinalIgnoreCase);
        return kept.Any(f => kept.Any(m => Same(f, m)))
            ? new(
                Status.Watch,
                "females and males of one line and year stand together: brothers and sisters. Bring in males of another line or year"
            )
            : null;
    }

    /// <summary>Ration of breeders by the water, percent of their weight a day, and days a week.</summary>
    /// <param name="species">The fish.</param>
    /// <param name="tempC">Water, °C.</param>
    /// <param name="spawning">Whether they have begun to spawn: then only what a short meal clears.</param>
    public static (double Pct, int DaysAWeek, string How) Ration(FishSpecies species, double tempC, bool spawning)
    {
        if (spawning)
            return (1, 4, "only what is cleared in 5 to 10 minutes: what is left fouls the nests");
        if (tempC < species.FeedMinC)
            return (0, 0, "too cold: none");
        var warm = (tempC - species.FeedMinC) / Math.Max(1, SpawnWater.RangeOf(species).Low - species.FeedMinC);
        return warm switch
        {
            < 0.34 => (0.5, 2, "on warm afternoons"),
            < 0.67 => (1, 3, "in the afternoon"),
            _ => (2, 6, "once a day, as much as they clear in 20 minutes; saving on their feed costs eggs"),
        };
    }

    /// <summary>Least protein of a breeder's feed, percent, by the feed table.</summary>
    public const double LeastProteinPct = 35;

    /// <summary>Whether a feed serves breeders.</summary>
    /// <param name="proteinPct">Its protein, percent; null where it is not known.</param>
    /// <param name="floats">Whether it floats; null where it is not known.</param>
    public static Judgement Feed(double? proteinPct, bool? floats)
    {
        string?[] wrong =
        [
            proteinPct is null ? "protein not known" : null,
            proteinPct < LeastProteinPct ? $"{proteinPct:0} % protein, at least {LeastProteinPct:0} % wanted" : null,
            floats == false ? "it sinks: nobody sees whether they eat" : null,
        ];
        var said = wrong.OfType<string>().ToList();
        return said.Count == 0
            ? new(Status.Steady, $"floats, {proteinPct:0} % protein: serves breeders")
            : new(proteinPct is null ? Status.Unknown : Status.Watch, string.Join("; ", said));
    }

    /// <summary>How the sex is told, in the spawning season and out of it.</summary>
    /// <param name="inSeason">Whether it is the spawning season.</param>
    public static IReadOnlyList<(string Part, string Female, string Male)> Signs(bool inSeason) =>
        inSeason
            ?
            [
                ("head", "narrower than the body", "broad, wider than the body in many kinds; dark"),
                ("body", "round, full", "lean, muscular flanks"),
                ("belly", "soft and swollen, shows the outline of the ovaries", "flat and firm"),
                (
                    "vent",
                    "swollen, reddish, a round opening behind a slit",
                    "a small pointed papilla; milt on light pressure"
                ),
            ]
            :
            [
                ("vent", "two openings behind the anus: a slit and a pore", "one opening on a small papilla"),
                (
                    "other signs",
                    "none that is sure: look again in the season",
                    "none that is sure: look again in the season"
                ),
            ];
}

/// <summary>When the water of a spawning pond has settled at spawning temperature, and when its nests are looked at.</summary>
public static class SpawnWater
{
    /// <summary>Where the rule comes from.</summary>
    public const string Source =
        "Five days in a row with a mean inside the species' spawning range and no sharp fall from one day to the next; a day without a reading begins anew (starting value)";

    private const int SettledDays = 5,
        NestsBeforeDays = 14,
        PeakFrom = 7,
        PeakTo = 21,
        SeasonDays = 60;
    private const double FallC = 2;

    /// <summary>Temperatures at which a species spawns, °C: from, to.</summary>
    public static (double Low, double High) RangeOf(FishSpecies species) =>
        SpeciesTable.Figure(species, "spawn_temp_low_c") is { } low
        && SpeciesTable.Figure(species, "spawn_temp_high_c") is { } high
            ? (low, high)
            : (0, 0);

    /// <summary>The first day on which the water had settled; null while it has not.</summary>
    /// <param name="days">Mean temperature of each day, in order, °C.</param>
    /// <param name="range">Spawning range of the species, °C.</param>
    public static DateOnly? SettledOn(IReadOnlyList<(DateOnly Day, double MeanC)> days, (double Low, double High) range)
    {
        var run = 0;
        for (var i = 0; i < days.Count; i++)
        {
            var next = i > 0 && days[i].Day == days[i - 1].Day.AddDays(1);
            var fell = next && days[i - 1].MeanC - days[i].MeanC > FallC;
            var inside = days[i].MeanC >= range.Low && days[i].MeanC <= range.High;
            run =
                !inside || fell ? 0
                : next ? run + 1
                : 1;
            if (run == SettledDays)
                return days[i].Day;
        }
        return null;
    }

    /// <summary>When nests are set out for a day on which the water is expected to settle.</summary>
    public static DateOnly NestsOutBy(DateOnly settles) => settles.AddDays(-NestsBeforeDays);

    /// <summary>Whether nests are looked at on a day: every second day from the day the water settled, daily at the peak; null once the season is over.</summary>
    /// <param name="settled">The day on which it settled.</param>
    /// <param name="day">The day.</param>
    public static bool? ChecksOn(DateOnly settled, DateOnly day)
    {
        var n = day.DayNumber - settled.DayNumber;
        if (n is < 0 or > SeasonDays)
            return null;
        return n is >= PeakFrom and <= PeakTo || n % 2 == 0;
    }
}
