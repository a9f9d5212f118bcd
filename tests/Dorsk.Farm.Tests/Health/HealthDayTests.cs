using Dorsk.Core.Health;
using Dorsk.Core.Judging;
using Dorsk.Core.People;
using Dorsk.Core.Ponds;
using Dorsk.Core.Stock;
using Dorsk.Core.Units;
using Dorsk.Core.Water;

namespace Dorsk.Farm.Tests.Health;

/// <summary>What sick fish, holds, treatments and pests put on the day's list, and what a batch has borne.</summary>
public class HealthDayTests
{
    private static DateTimeOffset Day(double day) => TestFarm.Start.AddDays(day);

    private static List<string> Jobs(TestFarm farm, double day)
    {
        farm.Clock.Now = Day(day);
        return
        [
            .. farm
                .Questions.Today(farm.Clock.Now)!
                .Jobs.Where(j => j.Key.StartsWith("health-", StringComparison.Ordinal))
                .Select(j => j.What),
        ];
    }

    private static long Enter(TestFarm farm, Fact fact, double day)
    {
        farm.Clock.Now = Day(day);
        return farm.Must(fact, Day(day));
    }

    private static TestFarm Farm(double meanG)
    {
        var farm = new TestFarm();
        farm.Must(new PersonNamed("Manager", Role.Manager), Day(0));
        farm.Stock(meanG: meanG);
        return farm;
    }

    [Fact]
    public void A_hold_an_open_look_and_a_treatment_are_jobs_of_the_day_until_they_end()
    {
        using var farm = Farm(300);
        Assert.Empty(Jobs(farm, 5.2));
        farm.Must(new PondHeld(farm.PondId, true, "white spots"), Day(5));
        var look = farm.Must(new HealthLook(0, farm.PondId, [("spots", true)], "", "", ""), Day(5));
        var product = farm.Must(
            new ProductDescribed(
                0,
                "Premix",
                ProductKind.Probiotic,
                "spores",
                ActiveMatter.Other,
                1,
                DoseBasis.FeedMgKg,
                1,
                900
            )
            {
                FeedDays = 3,
            },
            Day(5)
        );
        farm.Must(new TreatmentGiven(farm.PondId, product, 20, 3, "gut", ""), Day(5.1));
        var jobs = string.Join("; ", Jobs(farm, 6.1));
        Assert.Contains("nets, boots and wheels", jobs);
        Assert.Contains("look at the sick fish again", jobs);
        Assert.Contains("Premix, day 2 of 3: 20", jobs);
        Assert.True(farm.Story.Health.IsSick);
        farm.Clock.Now = Day(7);
        farm.Must(new PondHeld(farm.PondId, false, "two weeks without a death"), Day(7));
        farm.Must(new HealthLook(look, farm.PondId, [("spots", true)], "", "ich", ""), Day(7));
        Assert.Empty(Jobs(farm, 8.2));
        Assert.False(farm.Story.Health.IsSick);
        Assert.Equal("white spot (ich)", farm.Story.Health.Closed[0].Look.CauseWords);
        Assert.False(farm.Try(new HealthLook(look, farm.PondId, [], "", "", ""), Day(8)).Accepted);
    }

    [Fact]
    public void Biting_insects_and_tadpoles_are_taken_out_before_they_meet_fry_and_wild_fish_before_they_eat()
    {
        using var fry = Farm(0.5);
        fry.Must(new HunterSeen(fry.PondId, "insect", 30, "", ""), Day(5));
        fry.Must(new HunterSeen(fry.PondId, "frog", 200, "", ""), Day(5));
        Assert.Contains(Jobs(fry, 5.3), j =>
            j.Contains("backswimmer", StringComparison.Ordinal) && j.Contains("tadpole", StringComparison.Ordinal)
        );
        Assert.Empty(Jobs(fry, 9));
        using var shrimp = new TestFarm();
        shrimp.Must(new PersonNamed("Manager", Role.Manager), Day(0));
        shrimp.Must(
            new FishStocked(shrimp.PondId, "whiteleg_shrimp", "hatchery", 5000, 5, CountBasis.ByWeight, "test", null),
            Day(1)
        );
        shrimp.Must(new HunterSeen(shrimp.PondId, "wild_fish", 12, "sample net", ""), Day(5));
        Assert.Contains(Jobs(shrimp, 5.3), j => j.Contains("take wild or eating fish out", StringComparison.Ordinal));
        using var large = Farm(300);
        large.Must(new HunterSeen(large.PondId, "wild_fish", 12, "sample net", ""), Day(5));
        large.Must(new HunterSeen(large.PondId, "insect", 30, "", ""), Day(5));
        Assert.Empty(Jobs(large, 5.3));
    }

    [Fact]
    public void Barriers_are_put_up_looked_over_in_time_mended_and_missed_where_predators_come()
    {
        using var farm = Farm(200);
        BarrierChecked Net(BarrierWork work, long? cost = null) => new(farm.PondId, "net", work, cost, "");
        Enter(farm, new HunterSeen(farm.PondId, "cormorant", 4, "", ""), 4);
        Assert.Contains(farm.Story.Health.Unguarded(Day(5)), u =>
            u.Hunter.Key == "cormorant" && u.Help.Any(b => b.Key == "net")
        );
        farm.Clock.Now = Day(5);
        Assert.False(farm.Try(Net(BarrierWork.Sound), Day(5)).Accepted);
        Enter(farm, Net(BarrierWork.PutUp, 120_000), 5);
        Assert.Empty(farm.Story.Health.Unguarded(Day(5.1)));
        Assert.Empty(Jobs(farm, 11));
        Assert.Equal(["P1: check the net over the whole pond"], Jobs(farm, 12.2));
        Enter(farm, Net(BarrierWork.Broken), 12.3);
        Assert.NotEmpty(farm.Story.Health.Unguarded(Day(12.4)));
        Assert.Equal(["P1: mend the net over the whole pond"], Jobs(farm, 13.2));
        Enter(farm, Net(BarrierWork.Mended, 4_000), 13.3);
        Assert.Empty(Jobs(farm, 13.4));
        Assert.Equal(124_000, Assert.Single(farm.Story.Health.Barriers).CostMinor);
        // Nobody was seen for a month: nothing is missed any more.
        Enter(farm, Net(BarrierWork.TakenDown), 14);
        Assert.NotEmpty(farm.Story.Health.Unguarded(Day(15)));
        Assert.Empty(farm.Story.Health.Unguarded(Day(35)));
        Assert.All(BarrierKind.All, b => Assert.All(b.Against, k => Assert.NotNull(Hunter.Find(k))));
        Assert.All(BarrierKind.All, b => Assert.All(b.Leapers, k => Assert.NotNull(Core.Species.FishSpecies.Find(k))));
        Assert.All(Hunter.All, h => Assert.True(BarrierKind.Helping(h.Key).Any() || h.Barrier.Length > 0));
    }

    [Theory]
    [InlineData("nile_tilapia", PondKind.Tank, true)]
    [InlineData("silver_perch", PondKind.Tank, false)]
    [InlineData("nile_tilapia", PondKind.Earthen, false)]
    public void Fish_that_leap_want_a_cover_on_their_tank(string species, PondKind kind, bool wanted)
    {
        using var farm = new TestFarm();
        Enter(farm, new PersonNamed("Manager", Role.Manager), 0);
        var pond = Enter(
            farm,
            new PondBuilt(new Pond(0, "T9", "", kind, new SlopedRectangle(10, 5, 1.2, 0), "grow-out")),
            0
        );
        Enter(farm, new FishStocked(pond, species, "hatchery", 300, 40, CountBasis.ByWeight, "test", null), 1);
        Assert.Equal(wanted, Jobs(farm, 2.3).Contains("T9: cover the tank"));
        Enter(farm, new BarrierChecked(pond, "cover", BarrierWork.PutUp, null, ""), 2.4);
        Assert.Empty(Jobs(farm, 2.5));
    }

    [Fact]
    public void After_very_high_oxygen_gas_bubbles_are_looked_for_three_days_long()
    {
        using var farm = Farm(60);
        Enter(farm, new ReadingTaken(farm.PondId, [new(Parameter.Oxygen, 17), new(Parameter.Temperature, 29)]), 5.6);
        Assert.Contains(Jobs(farm, 6), j => j.Contains("gas bubbles", StringComparison.Ordinal));
        Assert.Contains(Jobs(farm, 8.5), j => j.Contains("gas bubbles", StringComparison.Ordinal));
        Assert.Empty(Jobs(farm, 8.8));
        Enter(farm, new ReadingTaken(farm.PondId, [new(Parameter.Oxygen, 11), new(Parameter.Temperature, 29)]), 9.6);
        Assert.Empty(Jobs(farm, 10));
    }

    [Fact]
    public void Tadpoles_use_oxygen_that_can_be_added_up()
    {
        // 20,000 tadpoles of 0.2 mg an hour use 48 g in twelve hours: 0.048 mg/L of 1,000 m³. Birds breathe air.
        Assert.Equal(0.048, Hunter.Find("frog")!.NightMgL(20_000, 1000)!.Value, 9);
        Assert.Null(Hunter.Find("heron")!.NightMgL(3, 1000));
    }

    [Fact]
    public void Sizes_that_part_among_fish_that_eat_each_other_call_for_grading()
    {
        using var farm = new TestFarm();
        farm.Must(new PersonNamed("Manager", Role.Manager), Day(0));
        farm.Must(
            new FishStocked(farm.PondId, "barramundi", "hatchery", 1000, 20, CountBasis.ByWeight, "test", null),
            Day(1)
        );
        var batch = farm.Story.Batches[0].Id;
        FishSampled Sample(double apart) =>
            new(
                farm.PondId,
                batch,
                true,
                [.. Enumerable.Range(0, 30).Select(i => (1, 24 * (i % 2 == 0 ? 1 + apart : 1 - apart)))]
            );
        farm.Clock.Now = Day(6);
        farm.Must(Sample(0.2), Day(5));
        Assert.Empty(Jobs(farm, 6));
        farm.Must(Sample(0.4), Day(6));
        Assert.Contains(Jobs(farm, 6.3), j => j.Contains("grade", StringComparison.Ordinal));
        Assert.Empty(Jobs(farm, 20));
    }

    [Fact]
    public void What_a_batch_has_borne_is_counted_and_tired_fish_are_asked_about()
    {
        using var farm = Farm(300);
        var batch = farm.Story.Batches[0].Id;
        for (var day = 40; day < 44; day++)
            farm.Must(
                new ReadingTaken(farm.PondId, [new(Parameter.Oxygen, 2), new(Parameter.Temperature, 36)]),
                Day(day).AddHours(5 - 10)
            );
        FishSampled Sample() => new(farm.PondId, batch, false, [(20, 6400)]);
        farm.Must(Sample(), Day(44));
        var borne = farm.Story.Health.ConditionOf(batch, Day(45));
        Assert.Equal((4, 0, 1, 4, 0), (borne.NightsLow, borne.Moves, borne.Nettings, borne.DaysOut, borne.Treatments));
        Assert.Equal(5.5, borne.Burden, 9);
        Assert.Equal("4 nights under the act level, 1 netting, 4 days too warm or too cold", borne.Words(Hand.Metric));
        // Somebody at the pond is asked before these are netted again; a month of rest later nobody is.
        Log.Receipt Enter(double day)
        {
            farm.Clock.Now = Day(day);
            return farm.Door.Enter(Log.Entry.Of(Guid.NewGuid(), "Manager", Day(day), Sample(), "t", []));
        }
        Assert.Contains(Enter(45).Remarks, r =>
            r.Kind == Objection.Ask && r.Text.Contains("bore much", StringComparison.Ordinal)
        );
        Assert.DoesNotContain(Enter(80).Remarks, r => r.Text.Contains("bore much", StringComparison.Ordinal));
    }

    [Fact]
    public void A_guessed_loss_moves_the_estimate_and_the_books_follow_with_a_count()
    {
        using var farm = Farm(300);
        var batch = farm.Story.Batches[0].Id;
        var before = farm.Story.Stock.On(batch, new(2026, 2, 1))!.Count.Value;
        farm.Must(
            new LossGuessed(farm.PondId, batch, 0.2, 0.3, new(2026, 1, 30), "birds"),
            new(2026, 1, 31, 0, 0, 0, TimeSpan.Zero)
        );
        var after = farm.Story.Stock.On(batch, new(2026, 2, 1))!;
        Assert.Equal(0.75 * before, after.Count.Value, 1);
        Assert.True(after.Count.Low < 0.71 * before && after.Count.High > 0.79 * before);
        Assert.Equal(1000, farm.Story.Batches[0].Stands);
        farm.Must(
            new FishRecounted(farm.PondId, batch, 740, CountBasis.Counted, "birds"),
            new(2026, 2, 2, 0, 0, 0, TimeSpan.Zero)
        );
        Assert.Equal(740, farm.Story.Stock.On(batch, new(2026, 2, 2))!.Count.Value, 0);
    }
}
