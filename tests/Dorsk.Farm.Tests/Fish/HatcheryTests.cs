using Dorsk.Core.Hatchery;
using Dorsk.Core.Judging;
using Dorsk.Core.People;
using Dorsk.Core.Season;
using Dorsk.Core.Stock;
using Dorsk.Farm.Log;

namespace Dorsk.Farm.Tests.Fish;

/// <summary>The hatchery behind the door: a lot from its eggs to the pond, what may be taken back, the jobs it makes.</summary>
public class HatcheryTests
{
    private static readonly DateTimeOffset At = TestFarm.Start.AddDays(40);

    private static long Tank(TestFarm farm, string name) =>
        farm.Must(
            new VesselDescribed(0, VesselKind.Tank, name, 0.5, 0.6, null, HeldBefore.New, false) { DepthM = 0.28 },
            At.AddDays(-1)
        );

    private static long Eggs(TestFarm farm, long tank) =>
        farm.Must(
            new EggsTaken(0, "silver_perch", tank, null, "", 100_000, CountBasis.ByVolume, EggColour.Yellow, false)
            {
                TroughC = 24.5,
            },
            At
        );

    private static LotStanding Lot(TestFarm farm, long lot) => farm.Questions.Hatchery(farm.Clock.Now).Ledger.Lot(lot)!;

    [Fact]
    public void A_lot_goes_from_its_eggs_to_the_pond_and_its_books_with_it()
    {
        using var farm = new TestFarm();
        var tank = Tank(farm, "H1");
        var lot = Eggs(farm, tank);
        var counted = farm.Must(new LotCounted(lot, LotStage.Larvae, 70_000, CountBasis.ByVolume, ""), At.AddDays(2));
        Assert.Equal((LotStage.Larvae, 70_000L), (Lot(farm, lot).Stage, Lot(farm, lot).Count));
        // Fry into a pond leave the lot; the pond's own ledger takes them over.
        var stocked = new FishStocked(
            farm.PondId,
            "silver_perch",
            "own",
            60_000,
            0.01,
            CountBasis.ByVolume,
            "now",
            null
        )
        {
            HatchLotId = lot,
        };
        Assert.Contains(farm.Try(stocked with { SpeciesKey = "jade_perch" }, At.AddDays(6)).Remarks, r =>
            r.Field == "HatchLot" && r.Kind == Objection.Refuse
        );
        var batch = farm.Must(stocked, At.AddDays(6));
        Assert.Equal(10_000, Lot(farm, lot).Count);
        var ledger = farm.Questions.Hatchery(farm.Clock.Now).Ledger;
        Assert.Equal(60_000, ledger.Balance(LotAccount.Ponds, [lot]));
        Assert.Equal(60_000, farm.Questions.Story("P1")!.Batches.Single(b => b.Id == batch).Stands);
        // Neither the eggs nor the vessel can be taken back while later lines stand on them; a count can, and the books follow.
        Assert.False(farm.Try(null, At, lot).Accepted);
        Assert.False(farm.Try(null, At, tank).Accepted);
        Assert.True(farm.Try(null, At.AddDays(2), counted).Accepted);
        Assert.Equal(40_000, Lot(farm, lot).Count);
        // The stocking taken back: its fry are in the lot again.
        Assert.True(farm.Try(null, At.AddDays(6), batch).Accepted);
        Assert.Equal(100_000, Lot(farm, lot).Count);
    }

    [Fact]
    public void A_line_entered_late_changes_the_difference_and_never_the_count()
    {
        using var farm = new TestFarm();
        var lot = Eggs(farm, Tank(farm, "H1"));
        farm.Must(new LotCounted(lot, LotStage.Larvae, 70_000, CountBasis.ByVolume, ""), At.AddDays(2));
        farm.Must(new LotLeft(lot, 5_000, LotExit.Dead, ""), At.AddDays(1));
        Assert.Equal(70_000, Lot(farm, lot).Count);
        Assert.Equal(30_000, farm.Questions.Hatchery(farm.Clock.Now).Ledger.Balance(LotAccount.Dead, [lot]));
        var part = farm.Must(
            new LotMoved(0, lot, Tank(farm, "H2"), 20_000)
            {
                FromC = 24,
                ToC = 24,
                Treatment = "thin",
            },
            At.AddDays(3)
        );
        Assert.Equal(
            (50_000L, 20_000L, "thin"),
            (Lot(farm, lot).Count, Lot(farm, part).Count, Lot(farm, part).Treatment)
        );
        farm.Must(new LotLooked(part, 25, 7, null, null, EggColour.NotSeen, null, null), At.AddDays(4));
        Assert.False(farm.Try(null, At.AddDays(3), part).Accepted);
    }

    [Fact]
    public void The_bell_the_clock_and_the_plan_are_jobs_and_a_missed_meal_is_seen()
    {
        using var farm = new TestFarm();
        farm.Must(new PersonNamed("Manager", Role.Manager), TestFarm.Start);
        var lot = Eggs(farm, Tank(farm, "H1"));
        farm.Must(new LotCounted(lot, LotStage.Larvae, 70_000, CountBasis.ByVolume, ""), At.AddDays(2));
        // The next hour of the clock is a job from the day before its early end.
        farm.Clock.Now = At.AddDays(2).AddHours(1);
        var next = farm.Questions.Hatchery(farm.Clock.Now).Lots[0].Next!.Value;
        farm.Clock.Now = next.At.AddHours(-20);
        Assert.Contains(farm.Questions.Today(farm.Clock.Now)!.Jobs, j =>
            j.Key.StartsWith("lot-hour", StringComparison.Ordinal) && j.From < next.Earliest && j.Due >= next.At
        );
        farm.Clock.Now = new(2027, 1, 1, 0, 0, 0, TimeSpan.Zero);
        var first = At.AddDays(5);
        farm.Must(new FryFed(lot, "liquid feed", 5, 3, ""), first);
        farm.Must(new FryFed(lot, "liquid feed", 5, 3, ""), first.AddHours(3));
        farm.Clock.Now = first.AddHours(7);
        List<Job> Bell() =>
            [
                .. farm
                    .Questions.Today(farm.Clock.Now)!
                    .Jobs.Where(j => j.Key.StartsWith("fry-feed", StringComparison.Ordinal)),
            ];
        var bell = Bell();
        Assert.Equal(1, bell.Count(j => j.State == JobState.Done));
        Assert.True(bell.Exists(j => j.State == JobState.Late), "a missed meal stands there");
        Assert.Contains(bell, j => j.State == JobState.Open);
        Assert.Contains(bell, j => j.Who == Role.NightWatch);
        // A meal of that hour, written down later, answers it.
        farm.Must(new FryFed(lot, "liquid feed", 5, 3, ""), first.AddHours(6));
        Assert.Equal(2, Bell().Count(j => j.State == JobState.Done));
        // A feeder answers the meals of its hours and no others: the missed one before it stays, and those while it ran are not missed when it is gone.
        var late = Bell().Count(j => j.State == JobState.Late);
        var set = farm.Clock.Now;
        farm.Must(new FryFeederSet(lot, 5, 0.4, 0.41), set);
        Assert.Equal(late, Bell().Count(j => j.State == JobState.Late));
        Assert.DoesNotContain(Bell(), j => j.State == JobState.Open && j.Due > set + BellMeal.Slack);
        farm.Clock.Now = set.AddHours(20);
        // What stands ahead is of the hours in which nobody will have weighed it for a day.
        Assert.All(Bell(), j => Assert.True(j.State == JobState.Open && j.Due > set + FryFeeder.Weighed));
        Assert.Contains(farm.Questions.Today(farm.Clock.Now)!.Jobs, j =>
            j.Key.StartsWith("lot-feeder", StringComparison.Ordinal)
        );
        farm.Must(new FryFeederSet(lot, 0, 0, null), farm.Clock.Now);
        Assert.DoesNotContain(Bell(), j => j.State == JobState.Late);
        Assert.Contains(Bell(), j => j.State == JobState.Open);
        // All gone from the vessel: it is silent.
        farm.Must(new LotLeft(lot, 70_000, LotExit.Sent, "Creek farm"), farm.Clock.Now);
        Assert.Empty(Bell());
    }

    [Fact]
    public void A_plan_is_kept_and_each_of_its_days_is_a_job()
    {
        using var farm = new TestFarm();
        farm.Must(new PersonNamed("Manager", Role.Manager), TestFarm.Start);
        farm.Stock(day: 1);
        var on = DateOnly.FromDateTime(farm.Clock.Now.UtcDateTime).AddDays(120);
        var asked = new HatchAsked(
            20_000,
            on,
            40,
            1.5,
            (3, 2),
            new(0.5, 0.8),
            new(0.4, 0.8),
            new(0.5, 0.8),
            new(0.4, 0.7),
            24.5
        );
        var line = farm.Must(new HatchPlanned(0, "silver_perch", asked, false), farm.Clock.Now);
        var day = farm.Questions.Today(farm.Clock.Now)!.Day;
        var jobs = JobsAhead.Of(day, 150).Where(j => j.Key.StartsWith("hatch-plan", StringComparison.Ordinal)).ToList();
        var plan = BackPlan.Of(
            asked,
            EggTable.For(Core.Species.FishSpecies.Of("silver_perch"))!,
            Core.Plans.NurseryDensity.For(Core.Species.FishSpecies.Of("silver_perch"))
        );
        Assert.Equal(plan.Days.Select(d => d.On), jobs.Select(j => day.Zone.DayOf(j.Due)));
        Assert.Equal(jobs.Count, jobs.Select(j => j.Key).Distinct().Count());
        // Given up, its jobs go.
        farm.Must(new HatchPlanned(0, "silver_perch", asked, true), farm.Clock.Now, line);
        Assert.Empty(farm.Questions.Today(farm.Clock.Now)!.Day.Hatchery.Days);
    }

    [Fact]
    public void Nests_are_due_when_the_water_has_settled_and_a_pair_is_left_alone()
    {
        using var farm = new TestFarm();
        farm.Must(new PersonNamed("Manager", Role.Manager), TestFarm.Start);
        farm.Stock(day: 1);
        var nest = farm.Must(
            new VesselDescribed(0, VesselKind.Nest, "1", 0, 0, farm.PondId, HeldBefore.Food, false) { DepthM = 0.6 },
            At
        );
        var species = Core.Species.FishSpecies.Of("silver_perch");
        var c = (SpawnWater.RangeOf(species).Low + SpawnWater.RangeOf(species).High) / 2;
        bool Due() =>
            farm
                .Questions.Today(farm.Clock.Now)!
                .Jobs.Any(j => j.Key.StartsWith("nests", StringComparison.Ordinal) && j.State != JobState.Done);
        for (var day = 0; day < 5; day++)
        {
            farm.Clock.Now = At.AddDays(day).AddHours(1);
            Assert.False(Due());
            farm.Must(
                new Core.Water.ReadingTaken(farm.PondId, [new(Core.Water.Parameter.Temperature, c)]),
                At.AddDays(day)
            );
        }
        Assert.True(Due());
        farm.Must(new NestChecked(nest, farm.PondId, NestSeen.Pair), farm.Clock.Now);
        Assert.False(Due());
        farm.Clock.Now = farm.Clock.Now.AddHours(10);
        var again = farm.Door.Enter(
            Entry.Of(
                Guid.NewGuid(),
                "Manager",
                farm.Clock.Now,
                new NestChecked(nest, farm.PondId, NestSeen.Empty),
                "",
                []
            )
        );
        Assert.Contains(again.Remarks, r => r.Field == "Hour" && r.Kind == Objection.Ask);
    }

    [Fact]
    public void Live_food_is_refused_where_the_farm_says_never_and_asked_about_elsewhere()
    {
        using var farm = new TestFarm();
        var live = new ForageGiven(farm.PondId, "minnows", "creek", 2, ForageState.Live);
        Receipt Enter() => farm.Door.Enter(Entry.Of(Guid.NewGuid(), "Manager", farm.Clock.Now, live, "", []));
        Assert.Equal(Objection.Ask, Assert.Single(Enter().Remarks).Kind);
        farm.Must(new ForageRule(true), farm.Clock.Now);
        Assert.Equal(Objection.Refuse, Assert.Single(Enter().Remarks).Kind);
    }
}
