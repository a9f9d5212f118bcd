using Dorsk.Core.Judging;
using Dorsk.Core.Oxygen;
using Dorsk.Core.Species;
using Dorsk.Core.Stock;
using Dorsk.Core.Time;
using Dorsk.Core.Units;
using Dorsk.Core.Water;

namespace Dorsk.Core.Verdict;

/// <summary>Fish that stand in a pond, or are to come into it.</summary>
/// <param name="Species">Their species, as the farm and the pond know it.</param>
/// <param name="Stage">Their stage.</param>
/// <param name="MeanG">Mean weight, g.</param>
/// <param name="Count">How many.</param>
public sealed record FishHere(FishSpecies Species, LifeStage Stage, double MeanG, double Count)
{
    /// <summary>Limits of the water for them.</summary>
    public WaterLimits Limits => WaterLimits.For(Species, Stage);

    /// <summary>Their mass, kg.</summary>
    public double BiomassKg => Count * MeanG / 1000;
}

/// <summary>Hunters that were seen at a pond.</summary>
/// <param name="At">When.</param>
/// <param name="Words">How many of which kind.</param>
/// <param name="LowKg">What they take a day at least, kg.</param>
/// <param name="HighKg">What they take a day at most, kg.</param>
/// <param name="Do">What keeps them off.</param>
public sealed record SeenHunter(DateTimeOffset At, string Words, double LowKg, double HighKg, string Do);

/// <summary>Fish crowded in a net.</summary>
/// <param name="ReadAt">When the oxygen among them was read.</param>
/// <param name="DoMgL">That oxygen, mg/L.</param>
/// <param name="Kg">Their mass, kg.</param>
/// <param name="Minutes">Minutes from then until the act level; infinite where a pump holds it above.</param>
public sealed record CrowdInNet(DateTimeOffset ReadAt, double DoMgL, double Kg, double Minutes)
{
    /// <summary>Under so many minutes the net is opened at once: emptying a bag takes as long. Starting value.</summary>
    public const double ActMinutes = 10;

    /// <summary>Under so many minutes it is watched. Starting value.</summary>
    public const double WatchMinutes = 30;
}

/// <summary>A pond as of two times: all that a verdict on it is made from. Rules see nothing else.</summary>
public sealed record PondState
{
    /// <summary>The instant of the verdict.</summary>
    public required DateTimeOffset Now { get; init; }

    /// <summary>The farm's clock.</summary>
    public required FarmZone Zone { get; init; }

    /// <summary>How figures are printed in reasons.</summary>
    public required Hand Hand { get; init; }

    /// <summary>Whether it is a tank: no bloom, no mud, most of the dead are found.</summary>
    public required bool InTank { get; init; }

    /// <summary>Full depth, m.</summary>
    public required double DepthM { get; init; }

    /// <summary>Height above sea level, m.</summary>
    public required double AltitudeM { get; init; }

    /// <summary>Sunrise and sunset of the farm day.</summary>
    public required (DateTimeOffset Rise, DateTimeOffset Set) Sun { get; init; }

    /// <summary>The fish whose limits count; none in an empty pond.</summary>
    public required IReadOnlyList<FishHere> Fish { get; init; }

    /// <summary>The fish that stand here, of which the dead are counted; those whose limits count, where nobody said otherwise.</summary>
    public IReadOnlyList<FishHere> Standing
    {
        get => standing ?? Fish;
        init => standing = value;
    }

    private readonly IReadOnlyList<FishHere>? standing;

    /// <summary>Readings up to now, in order of time.</summary>
    public required ReadingBook Readings { get; init; }

    /// <summary>Lowest oxygen of the mornings of the last days, in order.</summary>
    public IReadOnlyList<DayValue> Dawns { get; init; } = [];

    /// <summary>Tonight's forecast, or null.</summary>
    public DawnLowForecast? Tonight { get; init; }

    /// <summary>The risk that the bloom dies, joined from its signs; null where there is none.</summary>
    public Judgement? BloomRisk { get; init; }

    /// <summary>What people saw of the fish, in order of time.</summary>
    public IReadOnlyList<(DateTimeOffset At, string Look)> Looks { get; init; } = [];

    /// <summary>Fish found dead, by farm day, in order.</summary>
    public IReadOnlyList<(DateOnly Day, int Count)> Dead { get; init; } = [];

    /// <summary>Fish that are held apart here.</summary>
    public HeldWater Held { get; init; } = HeldWater.None;

    /// <summary>The hold the pond is on; null for none.</summary>
    public PondHold? Hold { get; init; }

    /// <summary>Withdrawals of treatments that run, each in words with its first free day.</summary>
    public IReadOnlyList<(string Words, DateOnly Until)> Withdrawals { get; init; } = [];

    /// <summary>Hunters that were seen, with what they take a day, kg.</summary>
    public IReadOnlyList<SeenHunter> HuntersByKind { get; init; } = [];

    /// <summary>What the pond carries of these fish, kg; null where that is not known.</summary>
    public double? CapacityKg { get; init; }

    /// <summary>Fish crowded in a net, with the minutes of air they had when the oxygen among them was read; null where none are.</summary>
    public CrowdInNet? Crowd { get; init; }

    /// <summary>What may lie behind a change of the water: fertiliser, more feed, in words.</summary>
    public IReadOnlyList<string> Lately { get; init; } = [];

    /// <summary>Feed given today, kg.</summary>
    public double FedTodayKg { get; init; }

    /// <summary>Salt given last: when, and how much, kg; null when none was.</summary>
    public (DateTimeOffset At, double Kg)? SaltGiven { get; init; }

    /// <summary>Colour of the water that is wanted here, a step of the scale; null: what is usual for its kind.</summary>
    public int? ColourTarget { get; init; }

    /// <summary>Volume of the water now, m³; 0 where it is not known.</summary>
    public double VolumeM3 { get; init; }

    /// <summary>Screens and nets that hold the fish, with their openings, mm.</summary>
    public IReadOnlyList<(string Name, double MeshMm)> Screens { get; init; } = [];

    /// <summary>Why it counts as unread; null while it was read in time.</summary>
    public string? Unread { get; init; }

    /// <summary>The farm day.</summary>
    public DateOnly Today => Zone.DayOf(Now);

    /// <summary>The fish with the highest act level of oxygen.</summary>
    public FishHere Tender => Fish.MaxBy(f => f.Limits.DoActMgL)!;

    /// <summary>Limits of the most tender fish; of these each rule reads what it needs.</summary>
    public WaterLimits Limits => Tender.Limits;

    /// <summary>The last value that still speaks, or null.</summary>
    /// <param name="parameter">What was read.</param>
    /// <param name="speaks">For how long a value speaks.</param>
    public Timed? Last(Parameter parameter, TimeSpan speaks) =>
        LastOf(Since(parameter, speaks), t => !IsLayered(parameter) || IsNearSurface(t));

    /// <summary>The last value at the floor that still speaks, or null.</summary>
    public Timed? LastAtFloor(Parameter parameter, TimeSpan speaks) =>
        LastOf(Since(parameter, speaks), t => !IsNearSurface(t));

    private static Timed? LastOf(ArraySegment<Timed> read, Func<Timed, bool> counts)
    {
        for (var i = read.Count - 1; i >= 0; i--)
            if (counts(read[i]))
                return read[i];
        return null;
    }

    /// <summary>Values of a span up to now, oldest first; one just so old is left out.</summary>
    /// <param name="parameter">What was read.</param>
    /// <param name="span">How far back.</param>
    public ArraySegment<Timed> Since(Parameter parameter, TimeSpan span) =>
        Readings[parameter].Between(Now - span + TimeSpan.FromTicks(1), Now);

    /// <summary>Whether a value was read in the upper water: top and bottom are two series.</summary>
    public bool IsNearSurface(Timed t) => IsNearSurface(t, DepthM);

    /// <summary>Whether a value was read in the upper three fifths of a pond, or nobody said how deep.</summary>
    /// <param name="t">The value.</param>
    /// <param name="depthM">Full depth of the pond, m.</param>
    public static bool IsNearSurface(Timed t, double depthM) =>
        t.DepthM is not { } depth || depth <= UpperShare * depthM;

    /// <summary>Whether top and bottom of a pond differ so much in it that they are two series: oxygen and warmth do.</summary>
    public static bool IsLayered(Parameter parameter) =>
        parameter == Parameter.Oxygen || parameter == Parameter.Temperature;

    private const double UpperShare = 0.6;

    /// <summary>Prints a value of a parameter.</summary>
    public string Say(double si, Parameter parameter) => QuantityText.Write(si, parameter.Measure, Hand);

    /// <summary>Prints an hour of the farm's clock.</summary>
    public string Hour(DateTimeOffset at) =>
        Zone.LocalAt(at).ToString("HH:mm", System.Globalization.CultureInfo.InvariantCulture);
}
