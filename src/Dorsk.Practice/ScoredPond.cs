using Dorsk.Core.Feeding;
using Dorsk.Core.Judging;
using Dorsk.Core.Ponds;
using Dorsk.Core.Stock;
using Dorsk.Core.Time;
using Dorsk.Core.Water;

namespace Dorsk.Practice;

/// <summary>A night of a scored pond, as nobody on the bank knows it.</summary>
/// <param name="Evening">Farm day of its evening.</param>
/// <param name="DuskAt">When the dusk reading was taken.</param>
/// <param name="LateAt">When somebody went out again and read in the dark, or null.</param>
/// <param name="TrueLowMgL">The lowest oxygen that came, to sunrise + 2 h.</param>
/// <param name="OracleLowMgL">What one would have said at dusk who knew the pond's true state and parameters, and of the weather only its mean.</param>
public sealed record ScoredNight(
    DateOnly Evening,
    DateTimeOffset DuskAt,
    DateTimeOffset? LateAt,
    double TrueLowMgL,
    double OracleLowMgL
)
{
    /// <summary>The lowest oxygen of each hour from dusk on, to sunrise + 2 h, by the hour's beginning.</summary>
    public IReadOnlyList<(DateTimeOffset From, double LowMgL)> Hours { get; init; } = [];

    /// <summary>True oxygen at dusk, mg/L.</summary>
    public double AtDuskMgL { get; init; }

    /// <summary>Beginning of the hour in which oxygen first passes under a level; null when it never does.</summary>
    public DateTimeOffset? CrossedAt(double levelMgL) =>
        Hours.Where(h => h.LowMgL < levelMgL).Select(h => (DateTimeOffset?)h.From).FirstOrDefault();
}

/// <summary>What is done to a scored batch, so that the witnesses can be tried on it.</summary>
/// <param name="ByBooks">Fed a ration for the fish the books say; else by eye, to what they eat.</param>
/// <param name="FishPerSample">Fish weighed at each sample.</param>
/// <param name="TakenShare">Share of the fish taken unseen, all in one night between the third sample and the fourth.</param>
public sealed record ScoredTrial(bool ByBooks, int FishPerSample, double TakenShare)
{
    /// <summary>Whether its people keep air: an automatic runs enough aerators on nights in which oxygen falls under 5.5 mg/L, so that few mornings hold the feed.</summary>
    public bool KeepsAir { get; init; }

    internal const double StartMgL = 5.5,
        EnoughKWHa = 14;
}

/// <summary>
/// One pond with one batch, drawn by the fixed recipe (<see cref="ScoredRecipe"/>) and told as its people would write it: what the
/// estimators are scored on. The truth is kept beside it. Same seed, same story.
/// </summary>
public sealed class ScoredPond
{
    /// <summary>Number of the pond, the batch and the feed in the facts.</summary>
    public const long PondId = 1,
        BatchId = 2,
        FeedId = 3;

    private readonly ScoredRecipe recipe;
    private readonly Chance chance;
    private readonly SimulatedWeather weather;
    private readonly SimulatedPond sim;
    private readonly HiddenPond hidden;
    private readonly List<(DateTimeOffset At, Fact Fact)> told = [];
    private readonly List<ScoredNight> nights = [];
    private readonly Dictionary<DateOnly, (double Count, double MeanG)> truth = [];
    private readonly ScoredTrial? trial;
    private readonly int takenAtAge;
    private readonly IReadOnlyList<Aerator> allNight;
    private double meterDrift,
        dawnLow = 8,
        toldStands,
        sampleError = 1;

    /// <summary>Days between samples.</summary>
    public const int SampleEveryDays = 28;

    /// <summary>Draws the pond and lives its days.</summary>
    /// <param name="seed">Any number.</param>
    /// <param name="trial">What is done to its fish; null for the recipe's own care. Trials keep no nights.</param>
    public ScoredPond(int seed, ScoredTrial? trial = null)
    {
        chance = new Chance(seed);
        this.trial = trial;
        takenAtAge = (3 * SampleEveryDays) + 1 + new Random(seed).Next(SampleEveryDays - 2);
        recipe = ScoredRecipe.Draw(chance);
        weather = new(DemoFarm.Farm.Place, new Chance(seed + 1_000_003), ScoredRecipe.Swing);
        hidden = recipe.Hidden;
        sim = new(recipe.Pond, hidden, Zone) { Aerators = recipe.Aerators, Fish = recipe.Fish() };
        toldStands = recipe.ToldCount;
        allNight =
        [
            new(
                "all",
                AeratorKind.Find(DemoScript.Paddle)!,
                ScoredTrial.EnoughKWHa * recipe.Pond.Shape.FullAreaM2 / 10_000,
                new TimeOnly(17, 0),
                new TimeOnly(9, 0)
            ),
        ];
        told.Add(
            (
                Zone.At(recipe.From, new(8, 30)),
                new FishStocked(
                    PondId,
                    recipe.SpeciesKey,
                    "hatchery",
                    recipe.ToldCount,
                    Math.Round(recipe.MeanG, 1),
                    CountBasis.ByWeight,
                    "",
                    null
                )
            )
        );
        for (var day = recipe.From; day <= recipe.To; day = day.AddDays(1))
            Live(day);
    }

    private static FarmZone Zone => DemoFarm.Zone;

    /// <summary>How many days the pond of a seed lives.</summary>
    public static int DaysOf(int seed)
    {
        var drawn = ScoredRecipe.Draw(new Chance(seed));
        return drawn.To.DayNumber - drawn.From.DayNumber;
    }

    /// <summary>The pond as the farm knows it.</summary>
    public Pond Pond => recipe.Pond;

    /// <summary>Its aerators with their timers.</summary>
    public IReadOnlyList<Aerator> Aerators => recipe.Aerators;

    /// <summary>First and last farm day.</summary>
    public (DateOnly From, DateOnly To) Days => (recipe.From, recipe.To);

    /// <summary>What its people wrote down, in order of time.</summary>
    public IReadOnlyList<(DateTimeOffset At, Fact Fact)> Told => told;

    /// <summary>Its nights, without the first four, which only teach.</summary>
    public IReadOnlyList<ScoredNight> Nights => nights;

    /// <summary>True number and mean weight (g) on the evening of a day.</summary>
    public (double Count, double MeanG) TruthOn(DateOnly day) => truth[day];

    private void Live(DateOnly day)
    {
        weather.NextDay(day);
        // A meter drifts, and is set right again about once a month.
        meterDrift = chance.Uniform() < 1 / 30.0 ? 0 : meterDrift + (ScoredRecipe.DriftSdPerDay * chance.Normal());
        var sun = SunTimes.On(DemoFarm.Farm.Place, day, 10);
        var dusk =
            trial is null && day.DayNumber - recipe.From.DayNumber >= 4 ? sun.Sunset!.Value : DateTimeOffset.MaxValue;
        ScoredNight? night = null;
        for (var hour = 0; hour < 24; hour++)
        {
            var from = Zone.At(day, new(hour, 0));
            if (hour == 19)
                Nightfall();
            Meal(from, hour);
            if (trial is { KeepsAir: true })
                sim.Aerators = hour is < 8 or > 17 && sim.DoMgL < ScoredTrial.StartMgL ? allNight : recipe.Aerators;
            if (from <= dusk && from.AddHours(1) > dusk)
                night = new(day, from, null, 99, Oracle(from, sun.Sunrise!.Value.AddDays(1).AddHours(2)))
                {
                    AtDuskMgL = sim.DoMgL,
                };
            if (hour == sun.Sunset!.Value.ToOffset(TimeSpan.FromHours(10)).Hour)
                Read(from, true);
            if (hour == 22 && night is not null && chance.Uniform() < ScoredRecipe.LateRounds)
            {
                Read(from, false);
                night = night with { LateAt = from };
            }
            var low = sim.Hour(from, weather, chance);
            if (nights.Count > 0 && from < sun.Sunrise!.Value.AddHours(2))
                nights[^1] = nights[^1] with
                {
                    TrueLowMgL = Math.Min(nights[^1].TrueLowMgL, low),
                    Hours = [.. nights[^1].Hours, (from, low)],
                };
            if (night is not null && from >= night.DuskAt)
                night = night with
                {
                    TrueLowMgL = Math.Min(night.TrueLowMgL, low),
                    Hours = [.. night.Hours, (from, low)],
                };
            if (hour == sun.Sunrise!.Value.ToOffset(TimeSpan.FromHours(10)).Hour)
            {
                dawnLow = sim.DoMgL;
                Read(from.AddHours(1), false);
            }
            if (hour == 9)
                Morning(day, from);
        }
        if (night is not null && day < recipe.To)
            nights.Add(night);
        truth[day] = (sim.Fish!.Count, sim.Fish.MeanG);
    }

    private double mood;

    private void Nightfall()
    {
        weather.Nightfall();
        mood =
            (ScoredRecipe.MoodStays * mood)
            + (
                Math.Sqrt(1 - (ScoredRecipe.MoodStays * ScoredRecipe.MoodStays)) * ScoredRecipe.MoodSd * chance.Normal()
            );
        sim.Mood = Math.Exp(mood);
    }

    // Meals by eye, held after a bad dawn, as in the demo.
    private double fedToday;

    private void Meal(DateTimeOffset at, int hour)
    {
        if (hour is not (7 or 16))
            return;
        var fish = sim.Fish!;
        var standKg = trial is { ByBooks: true } ? toldStands * fish.MeanG * sampleError / 1000 : fish.Kg;
        var kg =
            fish.AppetiteShare(sim.TempC)
            * standKg
            / 2
            * (
                dawnLow < 3 ? 0
                : dawnLow < 4 ? 0.5
                : 1
            )
            * recipe.Hunger
            * (1 + (0.08 * chance.Normal()));
        if (sim.TempC < 12 || kg < 0.02)
            return;
        fedToday += kg;
        sim.Feed();
        told.Add((at, new FeedingGiven(PondId, FeedId, Math.Round(kg, 2))));
    }

    private void Read(DateTimeOffset at, bool dusk)
    {
        List<Value> values =
        [
            new(
                Parameter.Oxygen,
                Math.Max(0.1, Math.Round(sim.DoMgL + meterDrift + (ScoredRecipe.NoiseSd * chance.Normal()), 1))
            ),
            new(Parameter.Temperature, Math.Round(sim.TempC + (0.2 * chance.Normal()), 1)),
        ];
        if (dusk && chance.Uniform() < 0.3)
            values.Add(new(Parameter.Secchi, Math.Round(sim.SecchiM * (1 + (0.08 * chance.Normal())), 2)));
        told.Add((at, new ReadingTaken(PondId, values)));
        if (dusk)
            told.Add(
                (
                    at,
                    new ReadingTaken(
                        null,
                        [
                            new(
                                Parameter.Wind,
                                Math.Round(Math.Max(0, weather.At(at, Zone).WindMs * (1 + (0.2 * chance.Normal()))), 1)
                            ),
                        ]
                    )
                )
            );
    }

    private void Morning(DateOnly day, DateTimeOffset at)
    {
        var fish = sim.Fish!;
        var dead = fish.Day(sim.TempC, fedToday, dawnLow, hidden.UnseenPerDay, chance);
        fedToday = 0;
        var found = Enumerable.Range(0, dead).Count(_ => chance.Uniform() < hidden.ShareFound);
        toldStands -= found;
        var age = day.DayNumber - recipe.From.DayNumber;
        if (trial is not null && age == takenAtAge)
            fish.Take(fish.Count * trial.TakenShare);
        if (found > 0)
            told.Add((at, new FishLost(PondId, BatchId, found, Account.Dead, "")));
        if (age > 10 && age % SampleEveryDays == 0)
            told.Add((at.AddMinutes(30), Sample(fish)));
    }

    // Nets take the bold: one bias for all casts of a morning.
    private FishSampled Sample(SimulatedFish fish)
    {
        var bias = 1 + (0.02 * chance.Normal());
        var casts = Enumerable
            .Range(0, 3)
            .Select(_ =>
            {
                var n = trial is null ? 20 + chance.Poisson(18) : trial.FishPerSample / 3;
                return (n, n * fish.MeanG * bias * (1 + (0.22 / Math.Sqrt(n) * chance.Normal())));
            })
            .ToList();
        sampleError = casts.Sum(c => c.Item2) / casts.Sum(c => c.n) / fish.MeanG;
        return new(PondId, BatchId, false, casts);
    }

    private double Oracle(DateTimeOffset from, DateTimeOffset until)
    {
        var (pond, sky, low) = (sim.Copy(), weather.Expected(), sim.DoMgL);
        pond.Mood = 1;
        for (var at = from; at < until; at = at.AddHours(1))
        {
            if (Zone.LocalAt(at).Hour == 0)
                sky.NextDay(Zone.DayOf(at));
            low = Math.Min(low, pond.Hour(at, sky, Chance.Still));
        }
        return low;
    }
}
