using Dorsk.Core.Judging;
using Dorsk.Core.Plans;
using Dorsk.Core.Species;
using Dorsk.Core.Units;

namespace Dorsk.Core.Hatchery;

/// <summary>A lot as it is known now: its books, its water, what was seen, its clock.</summary>
/// <param name="Lot">As it stands on the books.</param>
/// <param name="Species">The fish.</param>
/// <param name="Table">How its eggs develop.</param>
/// <param name="Vessel">Where it stands; null where it is not described.</param>
/// <param name="Looks">Looks at it, in order of time.</param>
/// <param name="Fed">Meals, in order of time.</param>
/// <param name="CountedHatched">When larvae were first counted; null while they were not.</param>
/// <param name="Now">The instant.</param>
public sealed record LotState(
    LotStanding Lot,
    FishSpecies Species,
    EggTable Table,
    VesselDescribed? Vessel,
    IReadOnlyList<(DateTimeOffset At, LotLooked Look)> Looks,
    IReadOnlyList<(DateTimeOffset At, FryFed Meal)> Fed,
    DateTimeOffset? CountedHatched,
    DateTimeOffset Now
)
{
    /// <summary>Settings of its feeder, in order of time.</summary>
    public IReadOnlyList<(DateTimeOffset At, FryFeederSet Set)> Feeders { get; init; } = [];

    /// <summary>The feeder as it was last set, and when; null where there is none.</summary>
    public (DateTimeOffset At, FryFeederSet Set)? Feeder => FeederAt(Now);

    private (DateTimeOffset At, FryFeederSet Set)? FeederAt(DateTimeOffset at) =>
        Feeders.Where(f => f.At <= at).Select(f => ((DateTimeOffset, FryFeederSet)?)f).LastOrDefault();

    // So long a reading of oxygen or a sight says something of the present.
    private static readonly TimeSpan Fresh = TimeSpan.FromHours(24);
    private static readonly TimeSpan StillRings = TimeSpan.FromHours(3);
    private EggClock? clock;

    /// <summary>Water of the lot in order of time, °C: from the taking on.</summary>
    public IReadOnlyList<(DateTimeOffset At, double TempC)> Record =>
        [
            (Lot.TakenAt, Lot.Taken.TroughC),
            .. Looks.Where(l => l.Look.TempC is not null).Select(l => (l.At, l.Look.TempC!.Value)),
        ];

    /// <summary>When somebody first saw them hatched, or counted larvae; null while nobody did.</summary>
    public DateTimeOffset? HatchedAt =>
        Looks
            .Where(l => l.Look.Seen >= EggStage.SacFry)
            .Select(l => (DateTimeOffset?)l.At)
            .Append(CountedHatched)
            .OfType<DateTimeOffset>()
            .OrderBy(at => at)
            .Select(at => (DateTimeOffset?)at)
            .FirstOrDefault();

    /// <summary>The clock.</summary>
    public EggClock Clock =>
        clock ??= new(
            new(Table, Lot.TakenAt, Record, Now) { EyedSeen = FirstSeen(EggStage.Eyed), HatchSeen = HatchedAt }
        );

    private DateTimeOffset? FirstSeen(EggStage stage) =>
        Looks.Where(l => l.Look.Seen == stage).Select(l => (DateTimeOffset?)l.At).FirstOrDefault();

    /// <summary>When their first feed is due: seen, given, or by the clock.</summary>
    public DateTimeOffset FirstFeedAt
    {
        get
        {
            var told = Clock.Hours.First(h => h.Stage == EggStage.FirstFeed).At;
            var seen = FirstSeen(EggStage.SwimUp) ?? FirstSeen(EggStage.FirstFeed);
            var given = Fed.Count > 0 ? Fed[0].At : (DateTimeOffset?)null;
            return new[] { seen, given }.OfType<DateTimeOffset>().DefaultIfEmpty(told).Min();
        }
    }

    /// <summary>The next hour of the clock that has not come; null when all have.</summary>
    public EggHour? Next => Clock.Hours.Where(h => h.At > Now).Select(h => (EggHour?)h).FirstOrDefault();

    /// <summary>The last value of each kind within a day; null while nobody looked.</summary>
    public LotLooked? Last
    {
        get
        {
            var fresh = Looks.Where(l => Now - l.At <= Fresh).Select(l => l.Look).ToList();
            if (fresh.Count == 0)
                return null;
            return fresh.Aggregate(
                (a, b) =>
                    b with
                    {
                        TempC = b.TempC ?? a.TempC,
                        DoMgL = b.DoMgL ?? a.DoMgL,
                        Ph = b.Ph ?? a.Ph,
                        Seen = b.Seen ?? a.Seen,
                        Colour = b.Colour == EggColour.NotSeen ? a.Colour : b.Colour,
                        FungusPct = b.FungusPct ?? a.FungusPct,
                        DeformedOf20 = b.DeformedOf20 ?? a.DeformedOf20,
                        Mixing = b.Mixing == TroughMixing.NotSeen ? a.Mixing : b.Mixing,
                        Behaviour = b.Behaviour == FryBehaviour.NotSeen ? a.Behaviour : b.Behaviour,
                    }
            );
        }
    }

    /// <summary>When the floor was last siphoned; null when never.</summary>
    public DateTimeOffset? SiphonedAt =>
        Looks.Where(l => l.Look.Siphoned).Select(l => (DateTimeOffset?)l.At).LastOrDefault();

    /// <summary>Findings, the worst first: water, sight, clock, and what was never read.</summary>
    /// <param name="hand">How figures are printed.</param>
    public IReadOnlyList<Judgement> Findings(Hand hand)
    {
        var water = new LotWater(Species, Table, hand);
        List<Judgement> found = [.. water.Of(Lot.Stage, Last, Vessel)];
        if (Last?.TempC is null)
            found.Add(new(Status.Unknown, "temperature not read for a day: the clock runs on the last one"));
        if (Last?.DoMgL is null)
            found.Add(new(Status.Unknown, "oxygen not read for a day"));
        if (Lot.Stage == LotStage.Eggs && Vessel is not null)
            found.AddRange(EggRoom.Of(Lot, Vessel, hand));
        if (Lot.Stage != LotStage.Eggs)
            found.AddRange(Feeding(hand));
        if (Lot.Stage == LotStage.Eggs && LotWater.Fits(Clock.Expected, Last) is { } fits)
            found.Add(fits);
        if (Lot.Stage == LotStage.Eggs && Clock.Expected >= EggStage.SacFry)
            found.Add(new(Status.Watch, "by the clock they have hatched: look, and count the larvae"));
        if (Lot.Stage != LotStage.Fry && water.OutOfBand(Record, Now) is { } cost)
            found.Add(new(Status.Watch, cost));
        return [.. found.OrderByDescending(f => f.Status)];
    }

    // The last meal by its form and strength, and the feeder by its dose.
    private IEnumerable<Judgement> Feeding(Hand hand)
    {
        if (Fed.Count > 0 && Now - Fed[^1].At <= Fresh)
            foreach (var j in FryFeedForms.Judge(Species, AgeDays, Fed[^1].Meal))
                yield return j;
        if (Feeder is not { Set.EveryMin: > 0 } f)
            yield break;
        yield return FryFeeder.Often(f.Set);
        yield return Now - f.At > FryFeeder.Weighed
            ? new(Status.Watch, "the feeder's dose was not weighed for a day: the bell rings again")
            : FryFeeder.Dose(f.Set, hand);
    }

    /// <summary>Days since the hatch that was seen, or since the taking.</summary>
    public double AgeDays => Math.Max(0, (Now - (HatchedAt ?? Lot.TakenAt)).TotalDays);

    /// <summary>Whether a feeder feeds in place of the bell.</summary>
    public bool FeederStandsIn => StandsInAt(Now);

    private bool StandsInAt(DateTimeOffset at) => FeederAt(at) is { } f && FryFeeder.StandsIn(f.Set, f.At, at);

    /// <summary>The worst that the last reading of temperature and of oxygen calls for; null where both are well or older than three hours.</summary>
    /// <param name="hand">How figures are printed.</param>
    public Judgement? Rings(Hand hand)
    {
        double? Of(Func<LotLooked, double?> value) =>
            Looks
                .Where(l => Now - l.At <= StillRings && value(l.Look) is not null)
                .Select(l => value(l.Look))
                .LastOrDefault();
        var read = new LotLooked(
            Lot.LotId,
            Of(l => l.TempC),
            Of(l => l.DoMgL),
            null,
            null,
            EggColour.NotSeen,
            null,
            null
        );
        return new LotWater(Species, Table, hand)
            .Of(Lot.Stage, read, null)
            .FirstOrDefault(f => f.Status >= Status.Watch);
    }

    /// <summary>The care of fry in a tank; empty while they are eggs.</summary>
    /// <param name="hand">How figures are printed.</param>
    public IReadOnlyList<FryCare> Care(Hand hand) =>
        Lot.Stage == LotStage.Eggs
            ? []
            : FryTank.Of(
                new(
                    Species,
                    HatchedAt ?? Lot.TakenAt,
                    Now,
                    SiphonedAt,
                    Vessel?.Kind is VesselKind.Trough or VesselKind.Tank,
                    Vessel?.DepthM ?? 0,
                    Last?.Behaviour ?? FryBehaviour.NotSeen
                ),
                hand
            );

    /// <summary>Whether they are ready for the nursery pond; null for eggs.</summary>
    public Judgement? ReadyForPond =>
        Lot.Stage == LotStage.Eggs
            ? null
            : FryReady.ForPond(
                Math.Max(0, (Now - FirstFeedAt).TotalDays),
                null,
                NurseryDensity.For(Species)?.Note.StartsWith("stock ", StringComparison.Ordinal) == true
            );

    /// <summary>Meals of the bell between two instants; empty for eggs and for a lot that has left. None while a feeder stands in; it says nothing of the meals before.</summary>
    /// <param name="window">Not before, and not after.</param>
    /// <param name="isNight">Whether an instant falls to the night watch.</param>
    public IReadOnlyList<BellMeal> Meals(
        (DateTimeOffset From, DateTimeOffset To) window,
        Func<DateTimeOffset, bool> isNight
    ) =>
        Lot.Stage == LotStage.Eggs || Lot.Count <= 0
            ? []
            :
            [
                .. FeedBell
                    .Between(
                        Lot.LotId,
                        FirstFeedAt,
                        FeedBell.MealsADay(Species, Record[^1].TempC),
                        [.. Fed.Select(f => f.At)],
                        window,
                        isNight
                    )
                    .Where(m => !StandsInAt(m.At)),
            ];

    /// <summary>How thick they stand, animals a litre; null where the vessel is not described.</summary>
    public double? PerLitre => Vessel is { WaterM3: > 0 } v ? Lot.Count / v.WaterM3 / 1000 : null;
}
