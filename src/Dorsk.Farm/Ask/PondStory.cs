using Dorsk.Core.Growth;
using Dorsk.Core.Ponds;
using Dorsk.Core.Time;
using Dorsk.Core.Water;
using Dorsk.Farm.Log;
using Dorsk.Farm.Sql;
using Microsoft.Data.Sqlite;

namespace Dorsk.Farm.Ask;

/// <summary>Everything the books know of one pond, as of two times, with the estimates that follow from it. Nothing in it changes.</summary>
public sealed partial class PondStory
{
    // The dawn low is looked for among readings before this hour.
    private const int DawnBeforeHour = 9;

    // Pages ask for today and for tomorrow in turn: the last few days that were asked for are kept.
    private const int DaysKept = 3;
    private readonly Dictionary<long, LinkedList<(DateOnly To, IReadOnlyList<Standing> Days)>> standings = [];
    private readonly Lock estimating = new();
    private readonly Dictionary<DateOnly, double> fedKg;
    private readonly Dictionary<DateOnly, double> dawnLows;
    private readonly IReadOnlyList<AeratorsFrom> fittings;

    private PondStory(
        FarmDescribed farm,
        FarmZone zone,
        Pond pond,
        ILookup<Parameter, Timed> readings,
        ILookup<Parameter, Timed> weather,
        IReadOnlyList<AeratorsFrom> fittings,
        IReadOnlyList<Fed> feedings,
        IReadOnlyList<BatchStory> batches,
        IReadOnlyList<(DateTimeOffset At, PondWork Work, string Text, double? Kg)> works
    )
    {
        (Farm, Zone, Pond, AllReadings, Weather, this.fittings, Feedings, Batches, Works) = (
            farm,
            zone,
            pond,
            readings,
            weather,
            fittings,
            feedings,
            batches,
            works
        );
        // Top and bottom are two series: what fish swim in, charts and forecasts are of the upper water.
        bool Shown(Parameter parameter, Timed t) => !Core.Verdict.PondState.IsLayered(parameter) || IsNearSurface(t);
        readings = ReadingsOf = readings.All(g => g.All(t => Shown(g.Key, t)))
            ? readings
            : readings
                .SelectMany(g => g.Where(t => Shown(g.Key, t)).Select(t => (g.Key, Value: t)))
                .ToLookup(x => x.Key, x => x.Value);
        fedKg = feedings.GroupBy(f => zone.DayOf(f.At)).ToDictionary(g => g.Key, g => g.Sum(f => f.Kg));
        Temperature = new(
            readings[Parameter.Temperature].Select(t => (zone.DayOf(t.At), t.Si)),
            farm.Place.LatitudeDeg
        );
        dawnLows = readings[Parameter.Oxygen]
            .Where(t => zone.LocalAt(t.At).Hour < DawnBeforeHour)
            .GroupBy(t => zone.DayOf(t.At))
            .ToDictionary(g => g.Key, g => g.Min(t => t.Si));
    }

    internal static PondStory Of(
        FarmDescribed farm,
        FarmZone zone,
        Pond pond,
        ILookup<Parameter, Timed> readings,
        ILookup<Parameter, Timed> weather,
        IReadOnlyList<AeratorsFrom> fittings,
        IReadOnlyList<Fed> feedings,
        IReadOnlyList<BatchStory> batches,
        IReadOnlyList<(DateTimeOffset At, PondWork Work, string Text, double? Kg)> works
    ) => new(farm, zone, pond, readings, weather, fittings, feedings, batches, works);

    /// <summary>The farm.</summary>
    public FarmDescribed Farm { get; }

    /// <summary>Its clock face.</summary>
    public FarmZone Zone { get; }

    /// <summary>The pond.</summary>
    public Pond Pond { get; }

    /// <summary>Readings by parameter in order of time, of the whole depth.</summary>
    public ILookup<Parameter, Timed> AllReadings { get; }

    /// <summary>The same; oxygen and temperature of the upper water only.</summary>
    public ILookup<Parameter, Timed> ReadingsOf { get; }

    /// <summary>Readings of a parameter from one instant to another, both included; found without walking all of them.</summary>
    public IEnumerable<Timed> Between(Parameter parameter, DateTimeOffset from, DateTimeOffset to)
    {
        var all = ReadingsOf[parameter] as IList<Timed> ?? [.. ReadingsOf[parameter]];
        var (low, high) = (0, all.Count);
        while (low < high)
            (low, high) = all[(low + high) / 2].At < from ? (((low + high) / 2) + 1, high) : (low, (low + high) / 2);
        for (; low < all.Count && all[low].At <= to; low++)
            yield return all[low];
    }

    /// <summary>Those of them that people took.</summary>
    public ILookup<Parameter, Timed> ByHand { get; private init; } =
        Array.Empty<Timed>().ToLookup(_ => Parameter.Oxygen);

    /// <summary>Weather readings of the farm.</summary>
    public ILookup<Parameter, Timed> Weather { get; }

    /// <summary>Daily water temperature.</summary>
    public TemperatureRecord Temperature { get; }

    /// <summary>What people decided about its rations and saw at its meals.</summary>
    public PondRations Rations { get; private init; } = PondRations.None;

    /// <summary>Its feeder as last weighed, with its line; null when it is fed by hand.</summary>
    public (long Line, Core.Feeding.FeederKept Kept)? Feeder { get; private init; }

    /// <summary>Feedings in order of time, kg, less what was left and taken out.</summary>
    public IReadOnlyList<Fed> Feedings { get; }

    /// <summary>Batches that ever stood here, oldest first.</summary>
    public IReadOnlyList<BatchStory> Batches { get; }

    /// <summary>Work and findings, newest first.</summary>
    public IReadOnlyList<(DateTimeOffset At, PondWork Work, string Text, double? Kg)> Works { get; }

    /// <summary>Pumps, screens, liner and the like.</summary>
    public IReadOnlyList<Equipment> Equipment { get; private init; } = [];

    /// <summary>Age of the liner, or null when there is none or nobody said when it was laid.</summary>
    public LinerAge? LinerAt(DateTimeOffset now) =>
        Equipment.FirstOrDefault(e => e.Kind == EquipmentKind.Liner) is not { } liner
            ? null
            : LinerAge.Of(
                liner,
                Zone.DayOf(now),
                Batches.Where(b => b.EmptiedAt is not null).Select(b => Zone.DayOf(b.EmptiedAt!.Value)),
                Works.Where(w => w.Work == PondWork.LinerMended).Select(w => Zone.DayOf(w.At))
            );

    /// <summary>Batches with fish on the books.</summary>
    public IEnumerable<BatchStory> Standing => Batches.Where(b => b.Stands > 0);

    /// <summary>Aerators fitted at an instant.</summary>
    public IReadOnlyList<Aerator> AeratorsAt(DateTimeOffset at) =>
        fittings.LastOrDefault(f => f.From <= at)?.Aerators ?? [];

    /// <summary>How they were switched, ran and were looked after.</summary>
    public Core.Air.AirRecord Air { get; private init; } = Core.Air.AirRecord.None;

    /// <summary>Hours and energy of each aerator over a span: by its panel where one reports, by hand orders and timers elsewhere.</summary>
    public IReadOnlyList<AeratorHours> AeratorHours(DateTimeOffset from, DateTimeOffset to) =>
        Core.Ponds.AeratorHours.Of([.. fittings.Select(f => (f.From, f.Aerators))], from, to, Zone, Air.Ran);

    /// <summary>Gauge level at an instant, m, and whether it was read; full when never read.</summary>
    public (double LevelM, bool Read) LevelAt(DateTimeOffset at)
    {
        var read = ReadingsOf[Parameter.GaugeLevel].LastOrDefault(t => t.At <= at);
        return read == default ? (Pond.Shape.FullDepthM, false) : (Math.Min(read.Si, Pond.Shape.FullDepthM), true);
    }

    /// <summary>Feed given on a farm day, kg.</summary>
    public double FedOn(DateOnly day) => fedKg.GetValueOrDefault(day);

    /// <summary>Lowest oxygen read on a morning, mg/L, or null.</summary>
    public double? DawnLowOn(DateOnly day) => dawnLows.TryGetValue(day, out var low) ? low : null;

    /// <summary>The same, where somebody read within an hour and a half of sunrise or before it: a morning that can be held against its forecast.</summary>
    public double? DawnReadOn(DateOnly day)
    {
        var sunrise = SunOn(day).Sunrise;
        return ReadingsOf[Parameter.Oxygen].Any(t => (t.At - sunrise).Duration() <= TimeSpan.FromHours(1.5))
            ? DawnLowOn(day)
            : null;
    }

    /// <summary>Standing estimates of a batch from arrival to a day.</summary>
    public IReadOnlyList<Standing> Standings(long batchId, DateOnly to)
    {
        lock (estimating)
        {
            if (!standings.TryGetValue(batchId, out var known))
                standings[batchId] = known = new();
            foreach (var kept in known)
                if (kept.To == to)
                    return kept.Days;
            var days = StandingEstimate.Run(History(Batches.First(b => b.Id == batchId)), to);
            known.AddFirst((to, days));
            if (known.Count > DaysKept)
                known.RemoveLast();
            return days;
        }
    }

    /// <summary>Standing of a batch on a day, or null before it arrived or where it never was.</summary>
    public Standing? StandingOn(long batchId, DateOnly day) =>
        Batches.Any(b => b.Id == batchId && Zone.DayOf(b.ArrivedAt) <= day) ? Standings(batchId, day)[^1] : null;

    // The door lets clocks differ by minutes: fish may be written down just before midnight as having come just after it.
    private Standing? StandingNear(BatchStory batch, DateOnly day) =>
        StandingOn(batch.Id, day) ?? (Zone.DayOf(batch.ArrivedAt) == day.AddDays(1) ? StandsOn(batch, day) : null);

    /// <summary>Standing of a batch on a day; on the day of its arrival where that lies later, as it does when a clock was turned back.</summary>
    public Standing StandsOn(BatchStory batch, DateOnly day) =>
        Standings(batch.Id, Zone.DayOf(batch.ArrivedAt) is var arrived && arrived > day ? arrived : day)[^1];

    /// <summary>What feed and weight say of its number on a day, beside each other.</summary>
    /// <param name="batch">The batch.</param>
    /// <param name="day">The farm day.</param>
    /// <param name="byEye">Whether they are fed what they take; null: as the pond's school says.</param>
    public Witness WitnessOf(BatchStory batch, DateOnly day, bool? byEye = null) =>
        Witness.Of(
            History(batch),
            Standings(batch.Id, day),
            byEye ?? Rations.School == Core.Feeding.RationSchool.Satiation
        );

    /// <summary>Feed given to a batch on a day, kg: all of it when it is alone, else by its share of weight as last weighed.</summary>
    public double FedTo(BatchStory batch, DateOnly day)
    {
        var fed = FedOn(day);
        if (fed == 0)
            return 0;
        var there = Batches
            .Where(b => Zone.DayOf(b.ArrivedAt) <= day && (b.EmptiedAt is not { } closed || Zone.DayOf(closed) >= day))
            .ToList();
        return there.Count <= 1
            ? (there.Contains(batch) ? fed : 0)
            : fed * RoughKg(batch, day) / Math.Max(1e-9, there.Sum(b => RoughKg(b, day)));
    }

    /// <summary>Reads all of a pond in one snapshot: a line entered meanwhile is in all of it or in nothing.</summary>
    internal static PondStory? Load(
        SqliteConnection c,
        AsOf asOf,
        long pondId,
        ILookup<Parameter, Timed>? weather = null
    ) => Sqlite.InOneSnapshot(c, () => Read(c, asOf, pondId, weather));

    private static PondStory? Read(SqliteConnection c, AsOf asOf, long pondId, ILookup<Parameter, Timed>? weather)
    {
        if (
            FarmQuestions.Farm(c, asOf.Known) is not { } farm
            || FarmQuestions.Pond(c, asOf.Known, pondId) is not { } pond
        )
            return null;
        var zone = FarmZone.Find(farm.ZoneId) ?? FarmZone.Utc;
        var feedings = Sqlite.Rows(
            c,
            $"""
            SELECT l.line, l.happened, f.feed, f.mass_kg - f.left_kg
            FROM log l CROSS JOIN feeding f USING (line) WHERE l.pond = $pond AND {Lines.Count} ORDER BY l.happened, l.line
            """,
            r => new Fed(r.GetInt64(0), r.Instant(1), r.GetInt64(2), r.GetDouble(3)),
            Lines.With(asOf, ("pond", pondId))
        );
        var byHand = Readings.ByHand(c, asOf, pondId);
        var species = SettingsQuestions.For(c, asOf, pondId);
        return new(
            farm,
            zone,
            pond,
            Readings.WithProbes(c, asOf, pondId, byHand, zone),
            weather ?? Readings.All(c, asOf, null, zone),
            FarmQuestions.Aerators(c, asOf, pondId),
            feedings,
            BatchQuestions.In(c, asOf, pondId, zone, species),
            FishQuestions.Works(c, asOf, pondId)
        )
        {
            Equipment = FarmQuestions.Equipment(c, asOf, pondId),
            PreparationLine = PrepareQuestions.Last(c, asOf, pondId),
            Air = AirQuestions.Of(c, asOf, pondId),
            ByHand = byHand,
            Rations = RationQuestions.Of(c, asOf, pondId, zone),
            Plans = SeasonPlanQuestions.Of(c, asOf, pondId),
            KnownSpecies = species,
            Feeder = RationQuestions.FeederOf(c, asOf, pondId),
        };
    }

    private BatchHistory History(BatchStory b) =>
        new(
            b.Species,
            Zone.DayOf(b.ArrivedAt),
            b.ArrivedCount,
            b.ArrivedMeanG,
            b.OneByOne,
            Pond.ByVolume,
            b.Changes,
            b.Samples.Select(s => new WeightSample(Zone.DayOf(s.At), s.Mean)).ToList(),
            day => Temperature.On(day).TempC,
            day => FedTo(b, day),
            DawnLowOn
        );

    private double RoughKg(BatchStory b, DateOnly day) =>
        b.History.StandsOn(day)
        * (b.Samples.LastOrDefault(s => Zone.DayOf(s.At) <= day).Mean?.Mean ?? b.ArrivedMeanG)
        / 1000;
}
