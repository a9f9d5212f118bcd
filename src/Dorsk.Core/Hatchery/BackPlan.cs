using Dorsk.Core.Plans;

namespace Dorsk.Core.Hatchery;

/// <summary>A share that lies between two ends.</summary>
/// <param name="Low">Low end, above 0 to 1.</param>
/// <param name="High">High end, at most 1.</param>
public readonly record struct ShareRange(double Low, double High)
{
    /// <summary>Its middle.</summary>
    public double Usual => (Low + High) / 2;
}

/// <summary>What is asked of a hatchery.</summary>
/// <param name="Fingerlings">Fingerlings wanted; above 0.</param>
/// <param name="On">Farm day on which they are wanted.</param>
/// <param name="LengthMm">Their length, mm.</param>
/// <param name="FemaleKg">Weight of a female, kg; above 0.</param>
/// <param name="Sexes">Females and males that stand together: 3 and 2 is three females to two males.</param>
/// <param name="Spawning">Share of the females that spawn.</param>
/// <param name="Hatching">Share of the eggs that hatch.</param>
/// <param name="Feeding">Share of those hatched that come to their first feed.</param>
/// <param name="Nursery">Share of the fry that live to the length wanted.</param>
/// <param name="WaterC">Water of the hatchery, °C.</param>
public sealed record HatchAsked(
    int Fingerlings,
    DateOnly On,
    double LengthMm,
    double FemaleKg,
    (int Females, int Males) Sexes,
    ShareRange Spawning,
    ShareRange Hatching,
    ShareRange Feeding,
    ShareRange Nursery,
    double WaterC
);

/// <summary>A plan back from the fingerlings wanted to the breeders, safe at the low end of every stage.</summary>
/// <param name="Fry">Fry to stock into the nursery.</param>
/// <param name="Larvae">Larvae that must hatch.</param>
/// <param name="Eggs">Eggs.</param>
/// <param name="SpawningFemales">Females that must spawn.</param>
/// <param name="Females">Females to hold, with those that do not spawn.</param>
/// <param name="Males">Males for them.</param>
/// <param name="NurseryM2">Nursery ponds: least, usual, most by the density for that length, m²; null where the tables have none.</param>
/// <param name="Fertile">Fingerlings it gives at the low and at the high end.</param>
/// <param name="Days">What happens when, counted back, in order.</param>
public sealed record BackPlan(
    long Fry,
    long Larvae,
    long Eggs,
    int SpawningFemales,
    int Females,
    int Males,
    (double Least, double Usual, double Most)? NurseryM2,
    (long Low, long High) Fertile,
    IReadOnlyList<(DateOnly On, string What)> Days
)
{
    /// <summary>Where the method comes from.</summary>
    public const string Source =
        "Each stage by the low end of its survival, so that the fingerlings come when all goes badly; the high end shows what comes when all goes well. Nests two weeks before, nursery filled as the table says (starting values)";

    private const int NestDays = 14,
        LiveFoodDays = 10,
        Spare = 1;
    private const double LarvaG = 0.005;

    // Nothing takes longer: water hardly above the base would bring days before the calendar.
    private const double LongestDays = 400;

    /// <summary>Females to weigh in, kg.</summary>
    public double FemalesKg(HatchAsked asked) => Females * asked.FemaleKg;

    /// <summary>Water of tanks for the larvae until they go out, m³: least at the most that experts hold, and usual.</summary>
    /// <param name="species">The fish.</param>
    public (double Least, double Usual) TanksM3(Species.FishSpecies species)
    {
        var (usual, most) = FryTank.PerLitre(species, LarvaG);
        return (Larvae / most / 1000, Larvae / usual / 1000);
    }

    /// <summary>Kinds of feed from the first meal to the length wanted: live food first, then dry feed by size.</summary>
    /// <param name="species">The fish.</param>
    /// <param name="lengthMm">Length wanted, mm; above 0.</param>
    public static IReadOnlyList<string> FeedKinds(Species.FishSpecies species, double lengthMm) =>
        [
            .. Feeding.FirstFeeds.For(species) is { } first ? [first.FirstFood] : Array.Empty<string>(),
            .. Feeding
                .FeedSize.For(species)
                .Where(f => f.FromG < Species.BodyLength.WeightG(species, lengthMm / 10))
                .Select(f => f.Form)
                .Distinct(),
        ];

    /// <summary>Plans it.</summary>
    /// <param name="asked">What is asked.</param>
    /// <param name="eggs">How its eggs develop.</param>
    /// <param name="nursery">How fry stand in a nursery pond; null where the tables have none.</param>
    public static BackPlan Of(HatchAsked asked, EggTable eggs, NurseryDensity? nursery)
    {
        var fry = Up(asked.Fingerlings / asked.Nursery.Low);
        var larvae = Up(fry / asked.Feeding.Low);
        var wanted = Up(larvae / asked.Hatching.Low);
        var spawning = (int)Math.Min(int.MaxValue / 4, Up(wanted / (eggs.EggsPerKg.Low * asked.FemaleKg)));
        // A spare where only a share of them spawns.
        var females =
            (int)Math.Min(int.MaxValue / 4, Up(spawning / asked.Spawning.Low)) + (asked.Spawning.Low < 1 ? Spare : 0);
        return new(
            fry,
            larvae,
            wanted,
            spawning,
            females,
            MalesFor(females, asked.Sexes),
            nursery is null ? null : Area(fry, nursery.LarvaeFor(asked.LengthMm)),
            (
                Forward(females, asked, asked.Spawning.Low, eggs.EggsPerKg.Low, s => s.Low),
                Forward(females, asked, asked.Spawning.High, eggs.EggsPerKg.High, s => s.High)
            ),
            DaysOf(asked, eggs, nursery)
        );
    }

    /// <summary>Males for a number of females, whole.</summary>
    /// <param name="females">Females; 0 or more.</param>
    /// <param name="sexes">Females and males that stand together.</param>
    public static int MalesFor(int females, (int Females, int Males) sexes) =>
        (int)Math.Min(int.MaxValue / 2, Math.Ceiling((double)females * sexes.Males / sexes.Females));

    private static long Up(double n) => (long)Math.Ceiling(Math.Min(n, 1e15) - 1e-9);

    // What so many females give when every stage goes as a share says, whole fish at each.
    private static long Forward(
        int females,
        HatchAsked asked,
        double spawn,
        double eggsPerKg,
        Func<ShareRange, double> end
    )
    {
        long Down(double n) => (long)Math.Floor(n + 1e-6);
        var eggs = Down(Down(females * spawn) * asked.FemaleKg * eggsPerKg);
        return Down(Down(Down(eggs * end(asked.Hatching)) * end(asked.Feeding)) * end(asked.Nursery));
    }

    private static (double, double, double) Area(long fry, (double Low, double Usual, double High) perM2) =>
        (fry / perM2.High, fry / perM2.Usual, fry / perM2.Low);

    // Everything that is not a powder or another dry feed has to be grown.
    private static bool IsLive(string food) =>
        !food.Contains("powder", StringComparison.Ordinal) && !food.Contains("dry", StringComparison.Ordinal);

    private static List<(DateOnly, string)> DaysOf(HatchAsked asked, EggTable eggs, NurseryDensity? nursery)
    {
        var days = new List<(DateOnly On, string What)> { (asked.On, "fingerlings are harvested") };
        var stocked = asked.On.AddDays(-(int)Math.Ceiling(nursery?.Days.To ?? 0));
        if (nursery is not null)
        {
            days.Add((stocked, "fry into the nursery, at night or at dawn"));
            days.Add(
                (
                    stocked.AddDays(-(int)Math.Ceiling(nursery.FillDays.To)),
                    "nursery filled, shallow, and its plankton begun"
                )
            );
        }
        if (nursery is not null && IsLive(nursery.FirstFood))
            days.Add((stocked.AddDays(-LiveFoodDays), $"live food begun for the first feed: {nursery.FirstFood}"));
        days.Add((stocked, "first feed: round the clock, shifts named"));
        var hatch = stocked.AddDays(-(int)Math.Min(LongestDays, Math.Ceiling(eggs.FirstFeedDaysAt(asked.WaterC))));
        days.Add((hatch, "hatch: troughs, air and pipes ready the day before"));
        var taken = hatch.AddDays(-(int)Math.Min(LongestDays, Math.Ceiling(eggs.HoursAt(asked.WaterC) / 24)));
        days.Add((taken, "eggs taken, last day that serves"));
        days.Add((taken.AddDays(-NestDays), "breeders into spawning water, nests or cages set"));
        return [.. days.OrderBy(d => d.On)];
    }
}
