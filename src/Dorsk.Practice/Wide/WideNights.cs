using Dorsk.Core.Judging;
using Dorsk.Core.Ponds;
using Dorsk.Core.Stock;
using Dorsk.Core.Time;

namespace Dorsk.Practice;

/// <summary>One night of a wide pond, as nobody on the bank knows it.</summary>
/// <param name="Evening">Farm day of its evening.</param>
/// <param name="AskedAt">When the forecast is asked for: three quarters of an hour after sunset.</param>
/// <param name="TrueLowMgL">Lowest oxygen from midnight to two hours after sunrise, mg/L.</param>
/// <param name="AtDuskMgL">Oxygen when it is asked, mg/L.</param>
/// <param name="Steps">Oxygen from then on, every ten minutes.</param>
public sealed record WideNight(
    DateOnly Evening,
    DateTimeOffset AskedAt,
    double TrueLowMgL,
    double AtDuskMgL,
    IReadOnlyList<(DateTimeOffset At, double MgL)> Steps
)
{
    /// <summary>When oxygen first passes under a level after the forecast was asked for; null when it never does, or stands there already.</summary>
    public DateTimeOffset? CrossedAt(double levelMgL) =>
        AtDuskMgL < levelMgL
            ? null
            : Steps.Where(s => s.MgL < levelMgL).Select(s => (DateTimeOffset?)s.At).FirstOrDefault();
}

/// <summary>The nights of one pond of a wide world, told as its people would write them. Same world and seed, same nights.</summary>
public sealed class WideNights
{
    private const int DaysLived = 60,
        DaysToTeach = 6;
    private static readonly TimeSpan Asked = TimeSpan.FromMinutes(45),
        Step = TimeSpan.FromMinutes(10);

    private readonly Chance chance;
    private readonly WideSeason season;
    private readonly WideWater water;
    private readonly WideReaders readers;
    private readonly List<(DateTimeOffset At, Fact Fact)> told = [];
    private readonly List<WideNight> nights = [];
    private readonly double moodSd,
        moodStays,
        bloomSd,
        deaths;
    private readonly DateTimeOffset begin;
    private double mood,
        bloom;
    private int deadDays = -1;
    private string failed = "";
    private IReadOnlyList<Aerator> running = [];

    /// <summary>Draws a pond and lives its days.</summary>
    /// <param name="world">Whose equations.</param>
    /// <param name="seed">Any number.</param>
    public WideNights(WideWorld world, int seed)
    {
        chance = new((seed * 2) + (int)world + 13_000_027);
        double Between(double low, double high) => low + ((high - low) * chance.Uniform());
        season = new(chance);
        var depthM = Between(0.8, 2.2);
        var areaM2 = Between(800, 8000);
        Pond = new(
            1,
            "N1",
            "",
            PondKind.Earthen,
            new SlopedRectangle(Math.Sqrt(areaM2 * 1.3), Math.Sqrt(areaM2 / 1.3), depthM * 1.15, 1.5),
            "grow-out"
        );
        water = new(world, Pond.Shape.VolumeM3(Pond.Shape.FullDepthM) / Pond.Shape.FullAreaM2, chance);
        moodSd = Between(0.03, 0.2);
        moodStays = Between(0.2, 0.9);
        bloomSd = Between(0.01, 0.06);
        deaths = chance.Uniform() < 0.3 ? 0.03 : 0.003;
        // Most ponds that use much have air.
        var aired = chance.Uniform() < 0.35 + (0.8 * water.UseMgLH);
        Plan = new(aired ? areaM2 * Between(2, 9) / 10_000 : 0, chance);
        readers = new(chance, told);
        var from = new DateOnly(2025, 1, 1).AddDays((int)Between(0, 365));
        // Only seasons in which somebody feeds: nobody watches oxygen under ice.
        for (var tried = 0; tried < 36 && season.UsualC(from.AddDays(30)) < 15; tried++)
            from = from.AddDays(10);
        begin = Zone.At(from, new(12, 0));
        Farm = DemoFarm.Farm with { Place = season.Place with { LatitudeDeg = Said(season.Place.LatitudeDeg) } };
        water.Begin(season.UsualC(from));
        told.Add((begin, new FishStocked(1, "silver_perch", "hatchery", 4000, 120, CountBasis.Counted, "", null)));
        Live(from);
    }

    /// <summary>The farm's clock.</summary>
    public static FarmZone Zone => DemoFarm.Zone;

    /// <summary>The farm as it describes itself.</summary>
    public FarmDescribed Farm { get; }

    /// <summary>The pond.</summary>
    public Pond Pond { get; }

    /// <summary>What its people wrote down, in order of time.</summary>
    public IReadOnlyList<(DateTimeOffset At, Fact Fact)> Told => told;

    /// <summary>Its nights, without the first few, which only teach.</summary>
    public IReadOnlyList<WideNight> Nights => nights;

    /// <summary>Whether a probe hangs in it.</summary>
    public bool HasProbe => readers.HasProbe;

    private WideAir Plan { get; }

    private double Said(double latitudeDeg) =>
        chance.Uniform() < 1 / 6.0 ? Math.Clamp(latitudeDeg + (12 * chance.Normal()), -60, 60) : latitudeDeg;

    private void Live(DateOnly from)
    {
        List<(DateTimeOffset At, double MgL)> steps = [];
        var (meanMade, sinceMealH) = (1.0, 0.0);
        var day = from;
        var sun = SunTimes.On(season.Place, day, 10);
        for (var at = begin; day < from.AddDays(DaysLived); at += Step)
        {
            var local = Zone.LocalAt(at);
            var hour = local.TimeOfDay.TotalHours;
            if (at == begin || local.TimeOfDay == TimeSpan.Zero)
            {
                day = DateOnly.FromDateTime(local);
                sun = SunTimes.On(season.Place, day, 10);
                NewDay();
                meanMade = Enumerable.Range(0, 48).Average(i => water.Lit(season.Clear(at.AddMinutes(30 * i))));
            }
            sinceMealH = local.TimeOfDay == new TimeSpan(16, 0, 0) ? 0 : sinceMealH + Step.TotalHours;
            var sky = season.At(at, day, hour);
            readers.Look(at, sun, hour, water, sky.WindMs);
            if (Within(at, sun.Sunset!.Value + TimeSpan.FromMinutes(20)))
                running = Plan.Evening(at, readers.LastMgL, told);
            water.Step(sky, meanMade, sinceMealH, AirKgM3H(TimeOnly.FromDateTime(local)));
            if (Within(at, sun.Sunset.Value + Asked))
                steps = [];
            steps.Add((at + Step, water.DoMgL));
            if (Within(at, sun.Sunrise!.Value + TimeSpan.FromHours(2)) && day > from.AddDays(DaysToTeach))
                Keep(day, steps);
        }
    }

    private static bool Within(DateTimeOffset at, DateTimeOffset instant) => instant >= at && instant < at + Step;

    private void Keep(DateOnly morning, List<(DateTimeOffset At, double MgL)> steps)
    {
        var midnight = Zone.At(morning, TimeOnly.MinValue);
        nights.Add(
            new(
                morning.AddDays(-1),
                steps[0].At,
                steps.Where(s => s.At >= midnight).Min(s => s.MgL),
                steps[0].MgL,
                steps
            )
        );
    }

    private double AirKgM3H(TimeOnly hour) =>
        running.Where(a => a.Code != failed && a.RunsAt(hour)).Sum(a => a.SotrKgH)
        / Pond.Shape.VolumeM3(Pond.Shape.FullDepthM);

    // A bloom that dies makes little and takes more for some days.
    private void NewDay()
    {
        season.NextDay();
        mood = (moodStays * mood) + (Math.Sqrt(1 - (moodStays * moodStays)) * moodSd * chance.Normal());
        bloom = (0.97 * bloom) + (bloomSd * chance.Normal());
        if (deadDays < 0 && chance.Uniform() < deaths)
            deadDays = 0;
        var (made, used) = deadDays switch
        {
            < 0 => (1, 1),
            < 3 => (0.35, 1.35),
            _ => (0.5 + (0.07 * deadDays), 1),
        };
        if (deadDays >= 0)
            deadDays = deadDays >= 8 ? -1 : deadDays + 1;
        water.Bloom = (made * Math.Exp(bloom), used * Math.Exp(bloom + mood));
        failed = chance.Uniform() < 0.03 ? "A1" : "";
    }
}
