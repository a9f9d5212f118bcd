using Dorsk.Core.Oxygen;
using Dorsk.Core.Ponds;
using Dorsk.Core.Species;
using Dorsk.Core.Stock;
using Dorsk.Core.Verdict;
using Dorsk.Core.Water;

namespace Dorsk.Farm.Estimates;

/// <summary>Puts the state of a pond before the rules of the verdict.</summary>
/// <param name="facts">The facts.</param>
/// <param name="stock">What stands.</param>
/// <param name="night">The oxygen of its night.</param>
/// <param name="trends">Where its water is going.</param>
public sealed class WaterVerdict(PondFacts facts, StandingStock stock, NightOutlook night, WaterTrends trends)
{
    // What the round writes of the fish.
    private const string Seen = "fish ";
    private const int DawnsBack = 6;
    private const double MoreFeed = 1.25;
    private static readonly TimeSpan Fertilised = TimeSpan.FromDays(7);
    private static readonly TimeSpan PlanSlack = TimeSpan.FromHours(1),
        DuskBegins = TimeSpan.FromHours(3),
        DawnBegins = TimeSpan.FromHours(2);

    /// <summary>The verdict on the pond at an instant.</summary>
    /// <param name="now">The instant.</param>
    /// <param name="tonight">Tonight's forecast, or null.</param>
    public PondVerdict At(DateTimeOffset now, DawnLowForecast? tonight) =>
        PondVerdict.Of(StateAt(now, FishOn(facts.Zone.DayOf(now))) with { Tonight = tonight });

    private List<FishHere> FishOn(DateOnly day) =>
        [
            .. facts
                .Standing.Select(b => (b.Species, Stands: stock.At(b, day)))
                .Select(x => Fish(x.Species, x.Stands.MeanG.Value, x.Stands.Count.Value)),
        ];

    /// <summary>What in this water stands against fish that are to come into it, and against how many there will be.</summary>
    /// <param name="now">The instant.</param>
    /// <param name="species">Their species.</param>
    /// <param name="meanG">Their mean weight, g.</param>
    /// <param name="count">How many; 0 where only the water is asked about.</param>
    /// <param name="typed">Values read now that are not recorded yet, SI.</param>
    public IReadOnlyList<Finding> AgainstArrivals(
        DateTimeOffset now,
        FishSpecies species,
        double meanG,
        double count,
        IReadOnlyList<(Parameter Parameter, double Si)>? typed = null
    ) => PondVerdict.AgainstArrivals(StateFor(now, Fish(species, meanG, count), typed ?? []));

    // The pond with the fish that are to come in place of those that stand.
    private PondState StateFor(DateTimeOffset now, FishHere fish, IReadOnlyList<(Parameter Parameter, double Si)> typed)
    {
        var stocked = facts.Standing.Any();
        var since = stocked ? DateTimeOffset.MinValue : facts.EmptiedBefore(now);
        var state = StateAt(now, [fish]);
        // What was read before the pond was last emptied is of other water.
        var read = since == DateTimeOffset.MinValue ? state.Readings : state.Readings.Where((_, t) => t.At > since);
        return state with
        {
            Readings = read.With(typed.Select(t => (t.Parameter, new Timed(now, t.Si)))),
            Looks = [.. state.Looks.Where(l => l.At > since)],
            Dead = stocked ? state.Dead : [],
            Standing = FishOn(facts.Zone.DayOf(now)),
            CapacityKg =
                fish.Count > 0 ? facts.CapacityKg(fish.Species) - stock.BiomassKgOn(facts.Zone.DayOf(now)) : null,
            Tonight = stocked ? night.At(now).Forecast : null,
            Unread = null,
        };
    }

    /// <summary>When somebody last read the water, looked at the fish or counted the dead; null when nobody ever did.</summary>
    public DateTimeOffset? LastLookAt(DateTimeOffset now)
    {
        var read = Parameter
            .All.Where(p =>
                !p.OfFarm && p != Parameter.Oxygen && p != Parameter.Temperature && p != Parameter.GaugeLevel
            )
            .Select(p => facts.AllReadings[p].LastAt(now)?.At);
        return read.Concat(Looks().Where(w => w.At <= now).Select(w => (DateTimeOffset?)w.At)).Max();
    }

    private static FishHere Fish(FishSpecies species, double meanG, double count) =>
        new(species, WaterLimits.StageOf(species, meanG), meanG, count);

    private IEnumerable<(DateTimeOffset At, string Look)> Looks() =>
        facts
            .Works.Reverse()
            .Where(w => w.Work == PondWork.Note && w.Text.StartsWith(Seen, StringComparison.Ordinal))
            .Select(w => (w.At, w.Text[Seen.Length..]));

    /// <summary>The pond's state at an instant, with the fish that stand.</summary>
    public PondState StateNow(DateTimeOffset now) => StateAt(now, FishOn(facts.Zone.DayOf(now)));

    private PondState StateAt(DateTimeOffset now, List<FishHere> fish)
    {
        var day = facts.Zone.DayOf(now);
        var state = new PondState
        {
            Now = now,
            Zone = facts.Zone,
            Hand = facts.Farm.Hand,
            InTank = facts.Pond.ByVolume,
            ColourTarget = facts.Pond.ColourTarget,
            DepthM = facts.Pond.Shape.FullDepthM,
            AltitudeM = facts.Farm.AltitudeM,
            Sun = facts.SunOn(day),
            Fish = fish,
            Readings = facts.AllReadings,
            Dawns = facts.DaysOf(Parameter.Oxygen, true, day.AddDays(-DawnsBack), day),
            BloomRisk = trends.BloomRiskAt(now),
            Looks = [.. Looks()],
            Dead = DeadTo(now),
            Held = facts.Held,
            Hold = facts.Rows.Health.Hold,
            Withdrawals = [.. HealthOutlook.Running(facts, day).Select(w => (w.Words(facts.Farm.Hand), w.Until))],
            HuntersByKind = HealthOutlook.Hunters(facts, now, fish),
            CapacityKg = fish.Count > 0 ? facts.CapacityKg(fish[0].Species) : null,
            Unread = fish.Count > 0 ? UnreadAt(now) : null,
            Lately = Lately(now),
            FedTodayKg = facts.FedOn(day),
            Screens = Screens(),
            VolumeM3 = facts.Pond.Shape.VolumeM3(facts.LevelAt(now).LevelM),
            SaltGiven = SaltGiven(now),
        };
        return fish.Count == 0 ? state : state with { Crowd = NetOutlook.Crowd(facts, state) };
    }

    private (DateTimeOffset, double)? SaltGiven(DateTimeOffset now) =>
        facts.Works.FirstOrDefault(w => w.Work == PondWork.Salted && w.At <= now) is { Kg: { } kg } salted
            ? (salted.At, kg)
            : null;

    private List<(string, double)> Screens() =>
        [
            .. facts
                .Equipment.Where(e => e.MeshMm is > 0 && e.Kind.HoldsFish())
                .Select(e => (e.Kind == EquipmentKind.InletScreen ? "inlet screen" : "outlet screen", e.MeshMm!.Value)),
        ];

    // What feeds a bloom: fertiliser within a week, and clearly more feed in three days than in the week before.
    private List<string> Lately(DateTimeOffset now)
    {
        var said = new List<string>();
        var today = facts.Zone.DayOf(now);
        if (
            facts.Works.FirstOrDefault(w => w.Work == PondWork.Fertilised && w.At <= now && now - w.At < Fertilised) is
            { Work: PondWork.Fertilised } w
        )
            said.Add($"fertilised on {Core.Units.Hand.Day(facts.Zone.DayOf(w.At))}");
        var lately = Enumerable.Range(1, 3).Average(i => facts.FedOn(today.AddDays(-i)));
        var before = Enumerable.Range(4, 7).Average(i => facts.FedOn(today.AddDays(-i)));
        if (before > 0 && lately > MoreFeed * before)
            said.Add($"{facts.Farm.Hand.Count((100 * lately / before) - 100)} % more feed than the week before");
        return said;
    }

    private List<(DateOnly, int)> DeadTo(DateTimeOffset now) =>
        [
            .. facts
                .Standing.SelectMany(b => b.Losses)
                .Where(l => l.Fact.To == Account.Dead && l.At <= now)
                .GroupBy(l => facts.Zone.DayOf(l.At))
                .OrderBy(g => g.Key)
                .Select(g => (g.Key, g.Sum(l => l.Fact.Count))),
        ];

    // By hand, a pond is read at dawn and at dusk; an hour after the planned round it counts as unread.
    private string? UnreadAt(DateTimeOffset now)
    {
        if (facts.LastOf(Parameter.Oxygen) is not { } last)
            return "Oxygen was never read here";
        var (sunrise, sunset) = facts.SunOn(facts.Zone.DayOf(now));
        if (now < sunset + PlanSlack && now >= sunrise + PlanSlack)
            return last.At < sunrise - DawnBegins ? "The dawn reading is missing" : null;
        var dusk = now >= sunset + PlanSlack ? sunset : sunset.AddDays(-1);
        return last.At < dusk - DuskBegins ? "The dusk reading is missing" : null;
    }
}
