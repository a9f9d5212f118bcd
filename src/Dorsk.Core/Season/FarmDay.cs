using Dorsk.Core.Judging;
using Dorsk.Core.Oxygen;
using Dorsk.Core.Prepare;
using Dorsk.Core.Species;
using Dorsk.Core.Time;
using Dorsk.Core.Units;

namespace Dorsk.Core.Season;

/// <summary>A reading or feeding that answers a job: when, and who wrote it.</summary>
/// <param name="At">When.</param>
/// <param name="By">Who.</param>
public readonly record struct Mark(DateTimeOffset At, string By);

/// <summary>One pond on one day, as far as jobs and needs care.</summary>
/// <param name="PondId">Its number.</param>
/// <param name="Code">Its code.</param>
/// <param name="Stocked">Whether fish stand here.</param>
/// <param name="Judgement">How it stands.</param>
/// <param name="Unread">Whether that is because nobody read it in time.</param>
/// <param name="Readings">Oxygen readings of today and yesterday evening, in order.</param>
/// <param name="Tonight">Forecast of the night, or null.</param>
/// <param name="Air">More air for tonight, or null.</param>
/// <param name="Limits">Limits of its fish, or null.</param>
/// <param name="SampleDue">Farm day of the next sample, or null.</param>
/// <param name="LastWeighed">Farm day of the last sample or stocking.</param>
/// <param name="Sampled">Samples of today.</param>
/// <param name="MeanG">Average weight, g.</param>
/// <param name="BiomassKg">Biomass, kg.</param>
/// <param name="SecchiM">Last Secchi depth within a week, m, or null.</param>
/// <param name="Meals">Meals of today after brakes, kg, with what held them; morning first.</param>
/// <param name="Fed">Feedings of today.</param>
/// <param name="Target">Likely day of the wanted weight, or null.</param>
/// <param name="TasteOn">Farm day of the last passed taste test, or null.</param>
/// <param name="NextThing">What an empty pond waits for, in words.</param>
public sealed record PondDay(
    long PondId,
    string Code,
    bool Stocked,
    Judgement Judgement,
    bool Unread,
    IReadOnlyList<Mark> Readings,
    DawnLowForecast? Tonight,
    AirPlan? Air,
    WaterLimits? Limits,
    DateOnly? SampleDue,
    DateOnly? LastWeighed,
    IReadOnlyList<Mark> Sampled,
    double MeanG,
    double BiomassKg,
    double? SecchiM,
    IReadOnlyList<(double Kg, string Held)> Meals,
    IReadOnlyList<Mark> Fed,
    DateOnly? Target,
    DateOnly? TasteOn,
    string NextThing
)
{
    /// <summary>The preparation under way: its steps, and the job key of each; null without one.</summary>
    public PrepPlan? Preparation { get; init; }

    /// <summary>When the first of its fish came; null without any.</summary>
    public DateTimeOffset? FishSince { get; init; }

    /// <summary>Number of the preparation's line, the last part of its jobs' keys.</summary>
    public long PreparationLine { get; init; }

    /// <summary>Aerators whose hours since the last service are up, with the hours in words.</summary>
    public IReadOnlyList<(string Code, string Reason)> ToService { get; init; } = [];

    /// <summary>Steps of the changes of feed ahead: day, what, why.</summary>
    public IReadOnlyList<(DateOnly On, string What, string Reason)> Changes { get; init; } = [];

    /// <summary>Its feeder, or null when it is fed by hand.</summary>
    public Feeding.FeederKept? Feeder { get; init; }

    /// <summary>When somebody last watched a meal and told how fish came to it; null when nobody did.</summary>
    public DateOnly? WatchedOn { get; init; }

    /// <summary>Planned for this pond: key of the day, day, what in words, the slip that answers it.</summary>
    public IReadOnlyList<(string Key, DateOnly On, string What, string Slip)> Planned { get; init; } = [];

    /// <summary>Whether somebody planned a day on which its fish leave.</summary>
    public bool LeavePlanned => Planned.Any(p => p.Slip is "harvest" or "move");

    /// <summary>Why it is watched by night: heat, crowding, a bloom that may die, in words.</summary>
    public IReadOnlyList<string> NightReasons { get; init; } = [];

    /// <summary>Whether its bloom died and green has not come back.</summary>
    public bool BloomDied { get; init; }

    /// <summary>When each value of its water was last read.</summary>
    public IReadOnlyDictionary<Water.Parameter, DateTimeOffset> LastRead { get; init; } =
        new Dictionary<Water.Parameter, DateTimeOffset>();

    /// <summary>What is broken or leaks and was not mended, in words; null where nothing is.</summary>
    public string? Broken { get; init; }

    /// <summary>Where a bank lies bare, in words; null where none does.</summary>
    public string? BareBank { get; init; }

    /// <summary>An idle liner that lies dry: for how many days, and the water that would cover it, m³; null where none does.</summary>
    public (int Days, double WantM3)? DryLiner { get; init; }

    /// <summary>When leaves, timber or bamboo were last taken out, and what; null when never.</summary>
    public (DateTimeOffset At, string Text)? DebrisOut { get; init; }

    /// <summary>Water in it now, m³.</summary>
    public double VolumeM3 { get; init; }

    /// <summary>Whether it is a split pond, whose mover stops at night.</summary>
    public bool IsSplit { get; init; }

    /// <summary>Mean weight from which its aerators run round the clock, g, while the fish have it and some timer does not; else null.</summary>
    public double? AllDayFromG { get; init; }

    /// <summary>Depth of the water, m; 0 where it is not known.</summary>
    public double DepthM { get; init; }

    /// <summary>Last salinity, ppt, or null.</summary>
    public double? SalinityPpt { get; init; }

    /// <summary>Salt given and not read since it mixed: from when it can be read, and why; null when there is none.</summary>
    public (DateTimeOffset From, string Why)? SaltUnread { get; init; }

    /// <summary>What its planned changes of water come to, in words, by the number of their recurring task.</summary>
    public IReadOnlyDictionary<long, string> WaterChanges { get; init; } = new Dictionary<long, string>();

    /// <summary>Share of the surface under weed, %, as last seen within a fortnight; null when nobody looked.</summary>
    public double? CoverPct { get; init; }

    /// <summary>Sick fish, treatments, hold.</summary>
    public HealthDay Health { get; init; } = new();

    /// <summary>Why no fertiliser goes in today, or null.</summary>
    public Judgement? Brake { get; init; }
}

/// <summary>A kind of feed on one day.</summary>
/// <param name="FeedId">Its number.</param>
/// <param name="Name">Its name.</param>
/// <param name="LeftKg">Left, kg.</param>
/// <param name="PerDayKg">Given a day over the last week, kg.</param>
/// <param name="NextExpiry">First expiry in the store, or null.</param>
public sealed record FeedDay(long FeedId, string Name, double LeftKg, double PerDayKg, DateOnly? NextExpiry)
{
    /// <summary>Last day of its permit, where it is a restricted feed, and what replaces it.</summary>
    public (DateOnly To, string? Fallback)? Permit { get; init; }

    /// <summary>When to order at the demand that is forecast; null: as the last week was fed.</summary>
    public Feeding.OrderProposal? Order { get; init; }
}

/// <summary>The farm on one day: what rules of jobs and needs may see.</summary>
/// <param name="Now">By the farm clock.</param>
/// <param name="Zone">Its clock face.</param>
/// <param name="Sunrise">Today's.</param>
/// <param name="Sunset">Today's.</param>
/// <param name="Ponds">In walking order.</param>
/// <param name="Feeds">The store.</param>
/// <param name="WindMs">Wind as last typed today, m/s, or null.</param>
/// <param name="CloudEighths">Cloud as last typed today, or null.</param>
/// <param name="AirC">Air as last typed today, °C, or null.</param>
/// <param name="Closed">Jobs that people ticked or left, by key.</param>
/// <param name="Hand">How figures are printed.</param>
public sealed record FarmDay(
    DateTimeOffset Now,
    FarmZone Zone,
    DateTimeOffset Sunrise,
    DateTimeOffset Sunset,
    IReadOnlyList<PondDay> Ponds,
    IReadOnlyList<FeedDay> Feeds,
    double? WindMs,
    double? CloudEighths,
    double? AirC,
    IReadOnlyDictionary<string, ClosedJob> Closed,
    Hand Hand
)
{
    /// <summary>Instruments whose calibration is due: number, name, last day.</summary>
    public IReadOnlyList<(long Id, string Name, DateOnly? Last)> ToCalibrate { get; init; } = [];

    /// <summary>Batches held apart.</summary>
    public IReadOnlyList<Stock.Quarantine> Held { get; init; } = [];

    /// <summary>Bought batches that came in the last days and were never held apart.</summary>
    public IReadOnlyList<Stock.LotToHold> ToHold { get; init; } = [];

    /// <summary>Equipment that fish live by.</summary>
    public IReadOnlyList<Machines.VitalState> Vitals { get; init; } = [];

    /// <summary>Rain of the last day, m, and when it was read; null when none was read.</summary>
    public (DateTimeOffset At, double Si)? Rain { get; init; }

    /// <summary>Lots, plans, nests and fry ponds of the hatchery.</summary>
    public HatchDay Hatchery { get; init; } = new();

    /// <summary>Recurring tasks.</summary>
    public IReadOnlyList<DutyKept> Duties { get; init; } = [];

    /// <summary>The farm day.</summary>
    public DateOnly Today => Zone.DayOf(Now);

    /// <summary>Ponds with fish.</summary>
    public IReadOnlyList<PondDay> Stocked => Ponds.Where(p => p.Stocked).ToList();

    /// <summary>Whether an instant falls to the night watch: by its hour, before today's sunrise or after today's sunset.</summary>
    /// <param name="at">The instant.</param>
    public bool IsNight(DateTimeOffset at)
    {
        TimeSpan Of(DateTimeOffset x) => Zone.LocalAt(x).TimeOfDay;
        return Of(at) < Of(Sunrise) || Of(at) > Of(Sunset);
    }

    internal string Hour(DateTimeOffset at) =>
        Zone.LocalAt(at).ToString("HH:mm", System.Globalization.CultureInfo.InvariantCulture);

    // Figures a farmer would round are rounded: no tenths from a hundred on.
    internal string Say(double si, Measure measure) =>
        QuantityText.Write(si, measure.In(Hand).FromSi(si) >= 100 ? measure with { Decimals = 0 } : measure, Hand);

    internal static string Day(DateOnly day) =>
        day.ToString("ddd d MMM", System.Globalization.CultureInfo.InvariantCulture);
}

/// <summary>How a job was closed by hand.</summary>
/// <param name="Line">The log line.</param>
/// <param name="Outcome">Done or skipped.</param>
/// <param name="Reason">Why.</param>
/// <param name="Mark">When and who.</param>
public sealed record ClosedJob(long Line, JobOutcome Outcome, string Reason, Mark Mark);
