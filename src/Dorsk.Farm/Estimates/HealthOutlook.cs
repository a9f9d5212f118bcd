using Dorsk.Core.Growth;
using Dorsk.Core.Health;
using Dorsk.Core.Judging;
using Dorsk.Core.Plans;
using Dorsk.Core.Ponds;
using Dorsk.Core.Season;
using Dorsk.Core.Stock;
using Dorsk.Core.Units;
using Dorsk.Core.Verdict;
using Dorsk.Core.Water;
using Dorsk.Farm.Fish;
using Dorsk.Farm.Health;

namespace Dorsk.Farm.Estimates;

/// <summary>A day's dead in a pond.</summary>
/// <param name="Day">Farm day.</param>
/// <param name="Found">Fish found.</param>
/// <param name="Likely">Fish that likely died, by the share that is found.</param>
public readonly record struct DeadOn(DateOnly Day, int Found, double Likely);

/// <summary>Sick fish, treatments and what holds them, from the facts of a pond.</summary>
/// <param name="facts">The facts.</param>
/// <param name="stock">What stands.</param>
/// <param name="water">The verdict on its water.</param>
/// <param name="night">The oxygen of its night.</param>
public sealed class HealthOutlook(PondFacts facts, StandingStock stock, WaterVerdict water, NightOutlook night)
{
    private const int NettedDays = 3,
        TreatedDays = 7,
        ProbioticDays = 28;
    private const double SaltStepPpt = Doses.SaltStepGM3 / 1000;
    private static readonly TimeSpan StockedSpan = TimeSpan.FromDays(2),
        StormSpan = TimeSpan.FromDays(3);

    /// <summary>Investigations that are open, the newest first.</summary>
    public IReadOnlyList<LookLine> Open => [.. facts.Rows.Health.Looks.Where(l => !l.Look.IsClosed).Reverse()];

    /// <summary>Investigations that are closed, the newest first.</summary>
    public IReadOnlyList<LookLine> Closed => [.. facts.Rows.Health.Looks.Where(l => l.Look.IsClosed).Reverse()];

    /// <summary>Treatments, the newest first.</summary>
    public IReadOnlyList<TreatmentLine> Treatments => [.. facts.Rows.Health.Treatments.Reverse()];

    /// <summary>The hold that stands, or null.</summary>
    public PondHold? Hold => facts.Rows.Health.Hold;

    /// <summary>Hunters that were seen, the newest first.</summary>
    public IReadOnlyList<(long Line, DateTimeOffset At, HunterSeen Seen)> HuntersSeen =>
        [.. facts.Rows.Health.Hunters.Reverse()];

    /// <summary>Barriers that stand, the one due first before the others.</summary>
    public IReadOnlyList<StandingBarrier> Barriers { get; } =
        StandingBarrier.Of(facts.Rows.Health.Barriers.Select(b => (facts.Zone.DayOf(b.At), b.Fact)));

    /// <summary>Predators of the last month that no sound barrier keeps off, with the barriers that would.</summary>
    public IEnumerable<(Hunter Hunter, IReadOnlyList<BarrierKind> Help)> Unguarded(DateTimeOffset now) =>
        StandingBarrier.Open(
            facts
                .Rows.Health.Hunters.Where(h => h.At <= now && h.At > now.AddDays(-BatchCondition.Days))
                .Select(h => h.Seen.Kind),
            Barriers
        );

    /// <summary>Withdrawals that hold the fish of a pond on a day.</summary>
    internal static IEnumerable<Withdrawal> Running(PondFacts facts, DateOnly day)
    {
        // Treated fish that have left took their residues along; those that came since are other fish.
        var emptied = facts.EmptiedBefore(DateTimeOffset.MaxValue);
        foreach (var t in facts.Rows.Health.Treatments)
        {
            var first = facts.Zone.DayOf(t.At);
            if (t.At <= emptied && !facts.Standing.Any())
                continue;
            if (facts.Standing.Any() && facts.Standing.All(b => b.ArrivedAt > t.At))
                continue;
            if (
                Withdrawal.Of(t.Product, t.Given, first, day, facts.TemperatureAhead) is { } withdrawal
                && withdrawal.HoldsOn(day, first)
            )
                yield return withdrawal;
        }
    }

    /// <summary>Treatments that fish of a batch had here up to an instant, in order of time.</summary>
    /// <param name="batch">The batch.</param>
    /// <param name="at">When they were taken out.</param>
    public IEnumerable<TreatmentLine> Had(long batch, DateTimeOffset at) =>
        facts.Batches.FirstOrDefault(b => b.Id == batch) is { } found
            ? facts.Rows.Health.Treatments.Where(t =>
                t.At >= found.ArrivedAt && t.At <= at && !(t.At > found.EmptiedAt)
            )
            : [];

    /// <summary>The withdrawal that held fish of a batch when they were taken out, the longest; null for none.</summary>
    /// <param name="batch">The batch.</param>
    /// <param name="at">When they were taken out.</param>
    public Withdrawal? WithdrawalOfTaken(long batch, DateTimeOffset at)
    {
        var day = facts.Zone.DayOf(at);
        return Had(batch, at)
            .Select(t => (First: facts.Zone.DayOf(t.At), t))
            .Select(x => (x.First, W: Withdrawal.Of(x.t.Product, x.t.Given, x.First, day, facts.TemperatureAhead)))
            .Where(x => x.W is { } w && w.HoldsOn(day, x.First))
            .Select(x => x.W!)
            .MaxBy(w => w.Until);
    }

    /// <summary>The withdrawal that holds the fish on a day, the longest; null where none does.</summary>
    public Withdrawal? WithdrawalOn(DateOnly day) => Running(facts, day).MaxBy(w => w.Until);

    /// <summary>Treatments that are given or whose bath runs on a day.</summary>
    public IEnumerable<TreatmentLine> GivenOn(DateOnly day) =>
        facts.Rows.Health.Treatments.Where(t =>
            facts.Zone.DayOf(t.At) is var first && first <= day && day < first.AddDays(t.Given.Days)
        );

    /// <summary>Hunters of the last days as the verdict sees them.</summary>
    internal static IReadOnlyList<SeenHunter> Hunters(PondFacts facts, DateTimeOffset now, List<FishHere> fish)
    {
        if (fish.Count == 0)
            return [];
        var meanG = fish.Min(f => f.MeanG);
        return
        [
            .. facts
                .Rows.Health.Hunters.Where(h => h.At <= now && now - h.At < Speaks.Day)
                .Select(h => (h.At, h.Seen.Count, Kind: Hunter.Find(h.Seen.Kind)))
                .Where(h => h.Kind is not null)
                .Select(h =>
                {
                    var (low, high) = h.Kind!.TakesADay(h.Count, meanG);
                    return new SeenHunter(
                        h.At,
                        $"{facts.Farm.Hand.Count(h.Count)} × {h.Kind.Name}",
                        low,
                        high,
                        h.Kind.Barrier
                    );
                }),
        ];
    }

    /// <summary>The pond as a treatment meets it.</summary>
    public TreatedWater Treated(DateTimeOffset at) =>
        new(
            water.StateNow(at) with
            {
                Tonight = night.At(at).Forecast,
            },
            DosedAt(at),
            facts
                .Rows.Health.Treatments.Where(t =>
                    t.Product.Kind == ProductKind.Probiotic && t.At <= at && t.At > at.AddDays(-ProbioticDays)
                )
                .Select(t => (DateOnly?)facts.Zone.DayOf(t.At))
                .LastOrDefault()
        );

    /// <summary>Water and fish that a dose is worked out for.</summary>
    public Dosed DosedAt(DateTimeOffset at)
    {
        var level = facts.LevelAt(at).LevelM;
        return new(facts.Pond.Shape.VolumeM3(level), facts.Pond.Shape.AreaM2(level), BiomassOn(facts.Zone.DayOf(at)));
    }

    /// <summary>Biomass of all that stands with its interval, kg; null in an empty pond.</summary>
    private Interval? BiomassOn(DateOnly day)
    {
        var all = facts.Standing.Select(b => stock.At(b, day).BiomassKg).ToList();
        return all.Count == 0
            ? null
            : new(all.Sum(b => b.Value), all.Sum(b => b.Low), all.Sum(b => b.High), StandingSettings.Level);
    }

    /// <summary>Dead of the last days, one entry a day, the oldest first.</summary>
    /// <param name="today">The last day.</param>
    /// <param name="days">How many.</param>
    public IReadOnlyList<DeadOn> Dead(DateOnly today, int days)
    {
        var found = facts
            .Batches.SelectMany(b => b.Losses.Select(l => (Batch: b, Loss: l)))
            .Where(x => x.Loss.Fact.To == Account.Dead)
            .ToLookup(x => facts.Zone.DayOf(x.Loss.At));
        return
        [
            .. Enumerable
                .Range(0, days)
                .Select(i => today.AddDays(i - days + 1))
                .Select(day => new DeadOn(
                    day,
                    found[day].Sum(x => x.Loss.Fact.Count),
                    found[day].Sum(x => x.Loss.Fact.Count / Share(x.Batch, x.Loss.Fact))
                )),
        ];
    }

    private double Share(BatchStory batch, FishLost loss) =>
        loss.FoundShare ?? StandingSettings.UsuallyFound(facts.Pond.ByVolume, batch.Species);

    /// <summary>What was done and what the sky did before fish fell ill.</summary>
    /// <param name="now">Now.</param>
    public LastWeek LastWeek(DateTimeOffset now) =>
        new(Netted(now), Stocked(now), FedUp(facts.Zone.DayOf(now)), TreatedLately(now), Storm(now));

    /// <summary>The search for the cause of an investigation with all that readings and log tell now.</summary>
    /// <param name="signs">Signs that were looked for.</param>
    /// <param name="now">Now.</param>
    public (HealthSearch Search, IReadOnlyList<ReadSign> Told) SearchAt(
        IEnumerable<(string Sign, bool Seen)> signs,
        DateTimeOffset now
    )
    {
        var told = WaterPanel.Signs(water.StateNow(now)).Concat(LastWeek(now).Signs(now)).ToList();
        var all = told.ToDictionary(t => t.Key, t => t.Seen);
        foreach (var (sign, seen) in signs)
            all[sign] = seen;
        var here = facts.Standing.Select(b => b.Species).ToList();
        return (
            new(
                new(
                    facts.Pond.ByVolume,
                    here.Count == 0 || here.Exists(s => !s.AtTheFloor),
                    here.Exists(s => s.AtTheFloor),
                    SortingOut.IsFry(SmallestG(facts.Zone.DayOf(now)))
                ),
                all
            ),
            told
        );
    }

    /// <summary>The steps of the water panel.</summary>
    public IReadOnlyList<PanelStep> Panel(DateTimeOffset now) => WaterPanel.Steps(water.StateNow(now));

    /// <summary>What is at hand for first aid.</summary>
    public AtHand AtHand(DateTimeOffset now)
    {
        var state = water.StateNow(now);
        var hour = TimeOnly.FromDateTime(facts.Zone.LocalAt(now));
        return new(
            state.VolumeM3,
            facts.Equipment.FirstOrDefault(e => e.Kind == EquipmentKind.Pump)?.FlowM3H,
            [.. facts.AeratorsAt(now).Where(a => !(facts.Air.Ran(a.Code, now) ?? a.RunsAt(hour))).Select(a => a.Code)],
            state.Fish.Count > 0 && state.Fish.All(f => f.Species.SalinityHighPpt >= SaltStepPpt),
            state.Last(Parameter.Nitrite, Speaks.Day)?.Si,
            state.Last(Parameter.Chloride, Speaks.Months)?.Si
        );
    }

    /// <summary>Whether it is walked last: on hold, or with an investigation open.</summary>
    public bool IsSick => Hold is not null || Open.Count > 0;

    /// <summary>What jobs of the day hang on.</summary>
    /// <param name="now">Now.</param>
    public HealthDay DayAt(DateTimeOffset now)
    {
        var today = facts.Zone.DayOf(now);
        return new()
        {
            LookedAt = Open.Count > 0 ? Open[0].At : null,
            HeldFrom = Hold?.From,
            Given = [.. DosesOf(today)],
            SpreadPct = Spread(now),
            TakeOut = TakeOut(now),
            GassyPct = facts.Standing.Any() ? HardDays.GassyPct(water.StateNow(now)) : null,
            BarriersDue =
            [
                .. Barriers
                    .Where(b => b.IsBroken || b.Due <= today)
                    .Select(b => (b.Kind.Name, b.LookedOver, b.IsBroken)),
            ],
            Leaping = Leaping(),
        };
    }

    private IEnumerable<(long Line, string Name, int Day, int Days, string Amount)> DosesOf(DateOnly today) =>
        GivenOn(today)
            .Select(t =>
                (
                    t.Line,
                    t.Product.Name,
                    today.DayNumber - facts.Zone.DayOf(t.At).DayNumber + 1,
                    t.Given.Days,
                    DoseWords.Amount(t.Given.AmountG, facts.Farm.Hand)
                )
            );

    // Only while the sample is fresh and nobody graded since.
    private double? Spread(DateTimeOffset now) =>
        facts
            .Standing.SelectMany(b => b.Samples.Select(s => (b.Species, Sample: s)))
            .Where(x => x.Sample.At > now.AddDays(-SortingOut.SampleDays) && x.Sample.At <= now)
            .Where(x => SortingOut.CallsForGrading(Gape.EatsFish(x.Species), x.Sample.Mean.CvPct ?? 0))
            .Select(x => (double?)x.Sample.Mean.CvPct)
            .LastOrDefault();

    private double? SmallestG(DateOnly day) => facts.Standing.Min(b => (double?)stock.At(b, day).MeanG.Value);

    private string TakeOut(DateTimeOffset now)
    {
        var smallestG = SmallestG(facts.Zone.DayOf(now));
        var hasShrimp = facts.Standing.Any(b => b.Species.AtTheFloor);
        return string.Join(
            " and ",
            facts
                .Rows.Health.Hunters.Where(h => h.At > now.AddDays(-SortingOut.SeenDays) && h.At <= now)
                .Where(h => SortingOut.IsTakenOut(h.Seen.Kind, smallestG, hasShrimp))
                .Select(h => Hunter.Find(h.Seen.Kind)!.Name)
                .Distinct()
        );
    }

    // Fish that leap out of a tank without a cover.
    private string Leaping() =>
        facts.Pond.Kind is PondKind.Tank or PondKind.Raceway
        && !Barriers.Any(b => b is { IsBroken: false, Kind.Leapers.Count: > 0 })
            ? facts.Standing.Select(b => b.Species).FirstOrDefault(BarrierKind.Leaps)?.Name ?? ""
            : "";

    /// <summary>The place for a claim that nothing is wrong.</summary>
    public ClaimPlace ClaimAt(DateTimeOffset now) =>
        new(
            Dead(facts.Zone.DayOf(now), 7).Sum(d => d.Found),
            facts.Pond.Kind is PondKind.Tank or PondKind.Raceway or PondKind.Lined,
            facts.Standing.FirstOrDefault(b => b.ArrivedAt > now.AddDays(-BatchCondition.Days) && b.ArrivedAt <= now)
                is { } came
                ? $"{came.Species.Name.ToLowerInvariant()} came on {Hand.Day(facts.Zone.DayOf(came.ArrivedAt))}"
                : ""
        );

    /// <summary>What a batch has borne in the last month.</summary>
    /// <param name="batchId">The batch.</param>
    /// <param name="at">Up to when.</param>
    public BatchCondition ConditionOf(long batchId, DateTimeOffset at)
    {
        if (facts.Batches.FirstOrDefault(b => b.Id == batchId) is not { } batch)
            return new(0, 0, 0, 0, 0);
        var from = at.AddDays(-BatchCondition.Days);
        var today = facts.Zone.DayOf(at);
        var first = facts.Zone.DayOf(from > batch.ArrivedAt ? from : batch.ArrivedAt);
        var days = Enumerable
            .Range(0, Math.Max(0, today.DayNumber - first.DayNumber + 1))
            .Select(first.AddDays)
            .ToList();
        var limits = stock.LimitsOn(today);
        bool IsOut(DateOnly day) =>
            limits is not null
            && facts.Temperature.On(day) is { Basis: TemperatureBasis.Measured, TempC: var tempC }
            && HardDays.IsOut(tempC, limits);
        return new(
            days.Count(d => limits is not null && facts.DawnLowOn(d) is { } low && HardDays.IsLow(low, limits)),
            batch.Changes.Count(c =>
                c is { Dead: false, MeanG: not null } && c.Day >= first && c.Day <= today && c.CountedOneByOne is null
            )
                - batch.Harvests.Count(h => h.At >= from && h.At <= at)
                + (batch.ArrivedAt >= from && batch.ArrivedAt <= at ? 1 : 0),
            batch.Samples.Count(s => s.At >= from && s.At <= at)
                + batch.Harvests.Count(h => h.At >= from && h.At <= at),
            days.Count(IsOut),
            facts.Rows.Health.Treatments.Count(t => t.At >= from && t.At <= at && t.Product.IsMedicine)
        );
    }

    private string Netted(DateTimeOffset now)
    {
        var from = now.AddDays(-NettedDays);
        var last = facts
            .Standing.SelectMany(b =>
                b.Samples.Select(s => (s.At, What: "sampled"))
                    .Concat(b.Harvests.Select(h => (h.At, What: "harvested in part")))
            )
            .Where(x => x.At > from && x.At <= now)
            .OrderBy(x => x.At)
            .LastOrDefault();
        return last.What is null ? "" : $"{last.What} on {Hand.Day(facts.Zone.DayOf(last.At))}";
    }

    private string Stocked(DateTimeOffset now) =>
        facts.Standing.FirstOrDefault(b => b.ArrivedAt > now - StockedSpan && b.ArrivedAt <= now) is { } came
            ? $"{came.Species.Name.ToLowerInvariant()} came on {Hand.Day(facts.Zone.DayOf(came.ArrivedAt))}"
            : "";

    private string FedUp(DateOnly today)
    {
        var lately = Enumerable.Range(1, 3).Average(i => facts.FedOn(today.AddDays(-i)));
        var before = Enumerable.Range(4, 7).Average(i => facts.FedOn(today.AddDays(-i)));
        var more = before > 0 ? (lately / before) - 1 : 0;
        return more >= Core.Health.LastWeek.FeedUpShare
            ? $"{facts.Farm.Hand.Count(100 * more)} % more feed than the week before"
            : "";
    }

    private string TreatedLately(DateTimeOffset now) =>
        facts.Rows.Health.Treatments.LastOrDefault(t =>
            t.At <= now && t.At > now.AddDays(-TreatedDays) && t.Product.GoesIntoWater
        )
            is { } last
            ? $"{last.Product.Name} on {Hand.Day(facts.Zone.DayOf(last.At))}"
            : "";

    private string Storm(DateTimeOffset now)
    {
        var rainM = facts.Weather[Parameter.Rain].Between(now - StormSpan, now).Sum(t => t.Si);
        return rainM >= Core.Health.LastWeek.HeavyRainM
            ? $"{QuantityText.Write(rainM, Measures.Rain, facts.Farm.Hand)} of rain in three days"
            : "";
    }
}
