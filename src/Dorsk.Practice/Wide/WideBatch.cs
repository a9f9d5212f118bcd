using Dorsk.Core.Feeding;
using Dorsk.Core.Judging;
using Dorsk.Core.Ponds;
using Dorsk.Core.Species;
using Dorsk.Core.Stock;
using Dorsk.Core.Time;
using Dorsk.Core.Water;

namespace Dorsk.Practice;

/// <summary>One batch of a wide world, told as its people would write it, with the truth beside it. Same world and seed, same story.</summary>
public sealed class WideBatch
{
    private const long PondId = 1,
        BatchId = 2,
        FeedId = 3;
    private static readonly string[] WarmKinds =
    [
        "silver_perch",
        "nile_tilapia",
        "channel_catfish",
        "common_carp",
        "barramundi",
        "hybrid_striped_bass",
    ];
    private static readonly string[] ColdKinds = ["rainbow_trout", "walleye", "yellow_perch"];
    private static readonly string[] ShrimpKinds = ["whiteleg_shrimp", "giant_prawn", "redclaw"];

    /// <summary>Days of truth kept after the last day that is told, fed on as before.</summary>
    public const int After = 240;

    private readonly Chance chance;
    private readonly WideFish fish;
    private readonly WidePeople people;
    private readonly FishSpecies species;
    private readonly List<(DateTimeOffset At, Fact Fact)> told = [];
    private readonly Dictionary<DateOnly, (double Count, double MeanG)> truth = [];
    private readonly double meanC,
        swingC,
        peakDay,
        deathPerDay,
        dawnMgL;
    private double count,
        meanG,
        bookCount,
        weatherC,
        drift;
    private int foundToTell;

    /// <summary>Draws a batch and lives its days.</summary>
    /// <param name="world">Whose equations.</param>
    /// <param name="seed">Any number.</param>
    public WideBatch(WideWorld world, int seed)
    {
        chance = new((seed * 2) + (int)world + 7_000_003);
        double Between(double low, double high) => low + ((high - low) * chance.Uniform());
        Kind = (WideKind)(int)(3 * chance.Uniform());
        var keys = new[] { WarmKinds, ColdKinds, ShrimpKinds }[(int)Kind];
        species = FishSpecies.Of(keys[(int)(keys.Length * chance.Uniform())]);
        var market = Math.Max(species.MarketLowG, 2 * species.FingerlingHighG);
        meanG = Kind == WideKind.Shrimp ? Between(0.02, 0.12) * market : Between(0.02, 0.3) * market;
        var toldG = meanG * (1 + (0.05 * chance.Normal()));
        fish = new(world, species, meanG, market, chance);
        people = new(species, toldG, Kind == WideKind.Shrimp, chance);
        meanC = species.GrowthOptC - Between(0, 6);
        (swingC, peakDay, var latitude) = Climate(chance, meanC);
        Farm = DemoFarm.Farm with { Place = new(latitude, DemoFarm.Farm.Place.LongitudeDeg) };
        var days = (int)(Kind == WideKind.Shrimp ? Between(60, 150) : Between(80, 330));
        var from = new DateOnly(2025, 1, 1).AddDays((int)Between(0, 365));
        // Nobody stocks into water in which nothing grows.
        for (var tried = 0; tried < 36 && fish.Warmth(UsualC(from.AddDays(20))) < 0.35; tried++)
            from = from.AddDays(10);
        Days = (from, from.AddDays(days));
        deathPerDay = -Math.Log(Between(0.6, 0.97)) / days;
        dawnMgL = (Kind == WideKind.Cold ? 1.5 : 0) + (chance.Uniform() < 0.4 ? Between(3, 5) : Between(5.5, 7));
        var stockedTold = (int)(Between(2000, 20_000) / 10) * 10;
        count = stockedTold * (1 + (people.CountSd * chance.Normal()));
        bookCount = stockedTold;
        told.Add(
            (
                Zone.At(from, new(8, 0)),
                new FishStocked(
                    PondId,
                    species.Key,
                    "hatchery",
                    stockedTold,
                    Math.Round(toldG, 4),
                    CountBasis.ByWeight,
                    "",
                    null
                )
            )
        );
        Happens(days);
        for (var day = from; day <= Days.To.AddDays(After); day = day.AddDays(1))
            Live(day);
    }

    private static FarmZone Zone => DemoFarm.Zone;

    // Colder places lie further from the equator and are more seasonal, each pond in its own way; some waters hardly change. Warmest in
    // January or in July; what the farm says of its latitude is wrong on one farm of six.
    private static (double SwingC, double PeakDay, double LatitudeDeg) Climate(Chance chance, double meanC)
    {
        double Between(double low, double high) => low + ((high - low) * chance.Uniform());
        var south = chance.Uniform() < 0.5;
        var latitude = Math.Clamp(Math.Sqrt(Math.Max(20, (29 - meanC) * 150)) + (5 * chance.Normal()), 3, 58);
        var swingC = chance.Uniform() < 0.15 ? Between(0.3, 1) : latitude * Between(0.12, 0.3);
        var peakDay = (south ? 20 : 205) + Between(-15, 30);
        if (chance.Uniform() < 1 / 6.0)
            latitude = Math.Clamp(latitude + (18 * chance.Normal()), 0, 60);
        return (swingC, peakDay, south ? -latitude : latitude);
    }

    /// <summary>The farm as it describes itself.</summary>
    public FarmDescribed Farm { get; }

    /// <summary>The pond.</summary>
    public Pond Pond { get; } =
        new(PondId, "W1", "", PondKind.Earthen, new SlopedRectangle(70, 50, 1.5, 2), "grow-out");

    /// <summary>What kind of animal.</summary>
    public WideKind Kind { get; }

    /// <summary>First and last day that is told.</summary>
    public (DateOnly From, DateOnly To) Days { get; }

    /// <summary>What its people wrote down, in order of time.</summary>
    public IReadOnlyList<(DateTimeOffset At, Fact Fact)> Told => told;

    /// <summary>Day of a die-off that was written down, or null.</summary>
    public DateOnly? DieOffTold { get; private set; }

    /// <summary>Days of samples.</summary>
    public List<DateOnly> Sampled { get; } = [];

    /// <summary>True number and mean weight (g) on the evening of a day, to <see cref="After"/> days beyond the last.</summary>
    public (double Count, double MeanG) TruthOn(DateOnly day) => truth[day];

    private (int Age, double Share, bool Told)? loss;

    // A die-off that is written down, one that nobody sees, or thieves.
    private void Happens(int days)
    {
        var which = chance.Uniform();
        var age = (int)(days * (0.2 + (0.6 * chance.Uniform())));
        var share = 0.1 + (0.4 * chance.Uniform());
        (double Below, double Share, bool Told)[] kinds =
        [
            (0.2, share, true),
            (0.27, share * 0.7, false),
            (0.34, 0.05 + (share / 2), false),
        ];
        foreach (var kind in kinds.Where(k => which < k.Below).Take(1))
            loss = (age, kind.Share, kind.Told);
    }

    private double UsualC(DateOnly day) => meanC + (swingC * Math.Cos(2 * Math.PI * (day.DayOfYear - peakDay) / 365));

    private void Live(DateOnly day)
    {
        var age = day.DayNumber - Days.From.DayNumber;
        weatherC = (0.85 * weatherC) + (0.6 * chance.Normal());
        drift = (0.98 * drift) + (0.02 * chance.Normal());
        var tempC = UsualC(day) + weatherC;
        var dawn = Math.Max(0.5, dawnMgL + (0.8 * chance.Normal()));
        if (day <= Days.To)
            Read(day, age, tempC, dawn);
        Lose(day, age);
        if (age > 5 && age % people.SampleEvery == 0 && day <= Days.To)
            Weigh(day);
        var appetiteKg = fish.AppetiteG(meanG, tempC) * count / 1000;
        var fedKg = people.FeedKg(day, appetiteKg, bookCount, tempC);
        if (fedKg > 0.0005 && day <= Days.To)
            told.Add((Zone.At(day, new(9, 0)), new FeedingGiven(PondId, FeedId, Math.Round(fedKg, 4))));
        var share = appetiteKg > 0 ? Math.Min(1.05, fedKg / appetiteKg) : 0;
        var need = Kind == WideKind.Cold ? 1.5 : 0;
        meanG += fish.GainG(meanG, tempC, share, Math.Clamp((dawn - need - 0.7) / 2.5, 0.1, 1)) * Math.Exp(drift);
        truth[day] = (count, meanG);
    }

    private void Read(DateOnly day, int age, double tempC, double dawn)
    {
        var values = new List<Value>();
        if (age % people.TempEvery == 0)
            values.Add(new(Parameter.Temperature, Math.Round(tempC + (0.3 * chance.Normal()), 1)));
        if (people.ReadsOxygen && chance.Uniform() < 0.8)
            values.Add(new(Parameter.Oxygen, Math.Round(dawn + (0.2 * chance.Normal()), 1)));
        if (values.Count > 0)
            told.Add((Zone.At(day, new(6, 0)), new ReadingTaken(PondId, values)));
    }

    private void Lose(DateOnly day, int age)
    {
        var dead = count * deathPerDay * Math.Exp(0.5 * chance.Normal());
        count -= dead;
        foundToTell += chance.Poisson(dead * people.FoundShare);
        if (age % 3 == 0 && foundToTell > 0 && day <= Days.To)
        {
            told.Add((Zone.At(day, new(7, 0)), new FishLost(PondId, BatchId, foundToTell, Account.Dead, "")));
            bookCount -= foundToTell;
            foundToTell = 0;
        }
        if (loss is { } l && l.Age == age)
            DieOff(day, l.Share, l.Told);
    }

    // Of a die-off most float up; half the people say what share they think they found.
    private void DieOff(DateOnly day, double lostShare, bool isTold)
    {
        var gone = count * lostShare;
        count -= gone;
        if (!isTold)
            return;
        var share = 0.5 + (0.5 * chance.Uniform());
        var found = (int)(gone * share);
        double? said = chance.Uniform() < 0.5 ? Math.Clamp(share + (0.1 * chance.Normal()), 0.3, 1) : null;
        var lost = new FishLost(PondId, BatchId, found, Account.Dead, "die-off") { FoundShare = said };
        told.Add((Zone.At(day, new(8, 30)), lost));
        bookCount -= found;
        DieOffTold = day;
    }

    private void Weigh(DateOnly day)
    {
        var bias = 1 + people.CastBias + (0.02 * chance.Normal());
        var cv = species.WeightCvPct / 100;
        var casts = Enumerable
            .Range(0, people.Casts)
            .Select(_ =>
            {
                var n = Math.Max(5, people.FishPerCast + (int)(4 * chance.Normal()));
                return (n, n * meanG * bias * (1 + (cv / Math.Sqrt(n) * chance.Normal())));
            })
            .ToList();
        told.Add((Zone.At(day, new(7, 30)), new FishSampled(PondId, BatchId, false, casts)));
        Sampled.Add(day);
        people.Weighed(casts.Sum(c => c.Item2) / casts.Sum(c => c.n));
    }
}
