using Dorsk.Core.Air;
using Dorsk.Core.Feeding;
using Dorsk.Core.Ponds;
using Dorsk.Core.Prepare;
using Dorsk.Core.Species;
using Dorsk.Core.Stock;
using Dorsk.Core.Time;
using Dorsk.Core.Verdict;
using Dorsk.Core.Water;
using Dorsk.Farm.Feed;
using Dorsk.Farm.Fish;
using Dorsk.Farm.Prepare;
using Dorsk.Farm.Season;

namespace Dorsk.Farm.Estimates;

/// <summary>What is known of one pond, as of two times, ordered so that estimates find it: rows of the log, and figures by day that follow from them. Nothing in it changes.</summary>
public partial class PondFacts
{
    // The dawn low is looked for among readings before this hour.
    private protected const int DawnBeforeHour = 9;
    private readonly ByDay<Timed> dawnLows;
    private readonly ByDay<Timed> warmth;
    private readonly ByDay<Fed> fed;
    private readonly PondRows rows;

    /// <summary>Orders the rows of a pond.</summary>
    /// <param name="rows">The rows.</param>
    /// <param name="before">The facts as they were before the last rows came: days that did not move are taken from it; null for none.</param>
    protected PondFacts(PondRows rows, PondFacts? before)
    {
        this.rows = rows;
        // Days hang on the farm's clock.
        var same = before is not null && before.Zone.Id == rows.Zone.Id ? before : null;
        // Top and bottom are two series: what fish swim in, charts and forecasts are of the upper water.
        var asDeep = before?.Pond.Shape.FullDepthM == rows.Pond.Shape.FullDepthM ? before : null;
        ReadingsOf = rows.AllReadings.Where(
            (p, t) => !PondState.IsLayered(p) || IsNearSurface(t),
            asDeep?.AllReadings ?? ReadingBook.Empty,
            asDeep?.ReadingsOf ?? ReadingBook.Empty
        );
        DateOnly? DayOf(Timed t) => Zone.DayOf(t.At);
        warmth = ByDay<Timed>.Of(ReadingsOf[Parameter.Temperature], DayOf, d => d.Average(t => t.Si), same?.warmth);
        dawnLows = ByDay<Timed>.Of(
            ReadingsOf[Parameter.Oxygen],
            t => IsOfMorning(t) ? DayOf(t) : null,
            d => d.Min(t => t.Si),
            same?.Farm.Place == rows.Farm.Place ? same.dawnLows : null
        );
        fed = ByDay<Fed>.Of(rows.Feedings, f => Zone.DayOf(f.At), d => d.Sum(f => f.Kg), same?.fed);
        var isAsBefore = ReferenceEquals(warmth, same?.warmth) && same!.Farm.Place == rows.Farm.Place;
        Temperature = isAsBefore
            ? same!.Temperature
            : new(warmth.Days.Select(d => (d.Key, d.Value)), rows.Farm.Place.LatitudeDeg);
    }

    /// <summary>The rows themselves.</summary>
    internal PondRows Rows => rows;

    /// <summary>The farm.</summary>
    public FarmDescribed Farm => rows.Farm;

    /// <summary>Its clock.</summary>
    public FarmZone Zone => rows.Zone;

    /// <summary>The pond.</summary>
    public Pond Pond => rows.Pond;

    /// <summary>Readings by parameter, of the whole depth.</summary>
    public ReadingBook AllReadings => rows.AllReadings;

    /// <summary>The same; oxygen and temperature of the upper water only.</summary>
    public ReadingBook ReadingsOf { get; }

    /// <summary>Those that people took.</summary>
    public ReadingBook ByHand => rows.ByHand;

    /// <summary>Weather readings of the farm.</summary>
    public ReadingBook Weather => rows.Weather;

    /// <summary>Daily water temperature.</summary>
    public TemperatureRecord Temperature { get; }

    /// <summary>What people decided about its rations and saw at its meals.</summary>
    public PondRations Rations => rows.Rations;

    /// <summary>Its feeder as last weighed, with its line; null when it is fed by hand.</summary>
    public (long Line, FeederKept Kept)? Feeder => rows.Feeder;

    /// <summary>Feedings in order of time, kg, less what was left and taken out.</summary>
    public IReadOnlyList<Fed> Feedings => rows.Feedings;

    /// <summary>Batches that ever stood here, oldest first.</summary>
    public IReadOnlyList<BatchStory> Batches => rows.Batches;

    /// <summary>Fish that are held apart here.</summary>
    public HeldWater Held => rows.Held;

    /// <summary>Batches with fish on the books.</summary>
    public IEnumerable<BatchStory> Standing => Batches.Where(b => b.Stands > 0);

    /// <summary>Work and findings, newest first.</summary>
    public IReadOnlyList<(DateTimeOffset At, PondWork Work, string Text, double? Kg)> Works => rows.Works;

    /// <summary>The last plan of making this pond ready, or null.</summary>
    public PreparationLine? PreparationLine => rows.PreparationLine;

    /// <summary>Pumps, screens, liner and the like.</summary>
    public IReadOnlyList<Equipment> Equipment => rows.Equipment;

    /// <summary>How its aerators were switched, ran and were looked after.</summary>
    public AirRecord Air => rows.Air;

    /// <summary>Its plans for fish to leave and to come.</summary>
    public PondPlans Plans => rows.Plans;

    /// <summary>Net days that are open, and what was arranged for harvests.</summary>
    public PondNet Net => Rows.Net;

    /// <summary>Species as the farm and this pond know them.</summary>
    public Func<string, FishSpecies> KnownSpecies => rows.KnownSpecies;

    /// <summary>Feed given on a farm day, kg.</summary>
    public double FedOn(DateOnly day) => fed.On(day) ?? 0;

    /// <summary>Lowest oxygen read on a morning, mg/L, or null.</summary>
    public double? DawnLowOn(DateOnly day) => dawnLows.On(day);

    /// <summary>Lowest oxygen of the last four mornings that were read, oldest first, mg/L.</summary>
    public IReadOnlyList<double> LastDawns(DateOnly today) =>
        [.. Enumerable.Range(-3, 4).Select(i => DawnLowOn(today.AddDays(i))).OfType<double>()];

    /// <summary>Aerators fitted at an instant.</summary>
    public IReadOnlyList<Aerator> AeratorsAt(DateTimeOffset at) =>
        rows.Fittings.LastOrDefault(f => f.From <= at)?.Aerators ?? [];

    /// <summary>Hours and energy of each aerator over a span: by its panel where one reports, by hand orders and timers elsewhere.</summary>
    public IReadOnlyList<AeratorHours> AeratorHours(DateTimeOffset from, DateTimeOffset to) =>
        Core.Ponds.AeratorHours.Of([.. rows.Fittings.Select(f => (f.From, f.Aerators))], from, to, Zone, Air.Ran);

    /// <summary>Age of the liner, or null when there is none or nobody said when it was laid.</summary>
    public LinerAge? LinerAt(DateTimeOffset now) =>
        Equipment.FirstOrDefault(e => e.Kind == EquipmentKind.Liner) is not { } liner
            ? null
            : LinerAge.Of(
                liner,
                Zone.DayOf(now),
                Batches.Where(b => b.EmptiedAt is not null).Select(b => Zone.DayOf(b.EmptiedAt!.Value)),
                rows.Patches.Select(w => (Zone.DayOf(w.At), w.M2))
            );

    /// <summary>What this pond carries of a species, kg: by area with or without air for ponds, by volume for tanks.</summary>
    public double CapacityKg(FishSpecies species)
    {
        if (Pond.ByVolume)
            return species.CapacityTankKgM3 * Pond.Shape.FullVolumeM3;
        var isAerated = rows.Fittings is [.., { Aerators.Count: > 0 }];
        return (isAerated ? species.CapacityAeratedKgHa : species.CapacityNoAirKgHa) * Pond.Shape.FullAreaM2 / 10_000;
    }

    /// <summary>Feed given by month and kind, kg.</summary>
    public IReadOnlyList<(DateOnly Month, long FeedId, double Kg)> FedByMonth =>
        [
            .. Feedings
                .Select(f => (Fed: f, Local: Zone.LocalAt(f.At)))
                .GroupBy(x => (Month: new DateOnly(x.Local.Year, x.Local.Month, 1), x.Fed.FeedId))
                .Select(g => (g.Key.Month, g.Key.FeedId, g.Sum(x => x.Fed.Kg))),
        ];

    /// <summary>When the last fish left before an instant; the beginning of time when none ever stood here.</summary>
    internal DateTimeOffset EmptiedBefore(DateTimeOffset at) =>
        Batches.Select(b => b.EmptiedAt).Where(c => c <= at).DefaultIfEmpty(null).Max() ?? DateTimeOffset.MinValue;

    /// <summary>Since when the pond stands empty, and what its last fish put on a day, kg; null with fish in it or before its first ones.</summary>
    public (DateTimeOffset Since, double KgDay)? IdleAt(DateTimeOffset now)
    {
        if (Batches.Count == 0 || Batches.Any(b => b.EmptiedAt is null || b.EmptiedAt > now))
            return null;
        var last = Batches.MaxBy(b => b.EmptiedAt)!;
        // What went out weighed, by harvest or into another pond, less what came in.
        var grown =
            last.Changes.Sum(x => -x.Count * (x.MeanG ?? 0) / 1000) - (last.ArrivedCount * last.ArrivedMeanG / 1000);
        return (
            last.EmptiedAt!.Value,
            Math.Max(0, grown / Math.Max(1, (last.EmptiedAt.Value - last.ArrivedAt).TotalDays))
        );
    }

    /// <summary>What making this pond ready must know of it.</summary>
    public PrepPond PrepPond
    {
        get
        {
            var pump = Equipment.FirstOrDefault(e => e.Kind == EquipmentKind.Pump);
            return new(Pond.Kind, Pond.Shape.FullAreaM2, Pond.Shape.FullVolumeM3, pump?.FlowM3H, pump?.PowerKW)
            {
                Shape = Pond.Shape,
                Hand = Farm.Hand,
            };
        }
    }

    /// <summary>Species the pond is likely meant for: the one its preparation names, else the one that stood here last, else the first of the table's perches.</summary>
    public FishSpecies LikelySpecies
    {
        get
        {
            if (
                PreparationLine is { } p
                && Batches.All(b => b.ArrivedAt < p.At)
                && FishSpecies.Find(p.Plan.SpeciesKey) is not null
            )
                return KnownSpecies(p.Plan.SpeciesKey);
            return Batches.Count > 0 ? Batches[^1].Species : KnownSpecies("silver_perch");
        }
    }
}
