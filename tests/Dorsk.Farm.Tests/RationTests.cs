using Dorsk.Core.Feeding;
using Dorsk.Core.Species;
using Dorsk.Core.Water;
using Dorsk.Farm.Log;

namespace Dorsk.Farm.Tests;

/// <summary>Rations through the door: the pond's school, a watched meal, a wish with its reason, and what was known when.</summary>
public sealed class RationTests : IDisposable
{
    private readonly TestFarm farm = new();
    private readonly long feed,
        batch;

    public RationTests()
    {
        farm.Clock.Now = At(20, 12);
        feed = farm.Must(new FeedNamed(0, "Grower", 4, 35, 215), TestFarm.Start);
        batch = farm.Stock(1000, 200);
        farm.Must(new ReadingTaken(farm.PondId, [new(Parameter.Oxygen, 6), new(Parameter.Temperature, 26)]), At(20, 6));
    }

    private static DateTimeOffset At(int day, double hour) =>
        new DateTimeOffset(2026, 1, day, 0, 0, 0, TimeSpan.FromHours(10)).AddHours(hour);

    private RationPlan Plan(int day = 20) => farm.Story.Ration.Of(farm.Story.Batches[0], new(2026, 1, day), 6)!;

    [Fact]
    public void The_school_of_the_pond_is_followed_from_its_instant_and_a_watched_meal_feeds_the_next_day()
    {
        var byGain = Plan().FullKg;
        Assert.Equal(RationSchool.ExpectedGain, Plan().By);
        farm.Must(new RationSchoolSet(farm.PondId, RationSchool.Satiation), At(19, 8));
        Assert.Equal((RationSchool.ExpectedGain, byGain), (Plan().By, Plan().FullKg));
        // Two meals of the day before, 2 kg each of which 0.1 kg was left; brisk and violent: together 4, a tenth more.
        farm.Must(new FeedingGiven(farm.PondId, feed, 2, 3, 15), At(19, 8));
        farm.Must(new FeedingGiven(farm.PondId, feed, 2, 4, 9, 0.1), At(19, 16));
        Assert.Equal((3.9, 4.29), (farm.Story.FedOn(new(2026, 1, 19)), Math.Round(Plan().FullKg, 9)));
        Assert.Equal(RationSchool.Satiation, Plan().By);
        // Today's own meals do not feed today's ration.
        farm.Must(new FeedingGiven(farm.PondId, feed, 3, 0), At(20, 8));
        Assert.Equal(4.29, Plan().FullKg, 9);
        Assert.Equal(0, Plan(21).FullKg);
        // No load was ever written down: the store is empty, not negative, and what was given has a name.
        var store = farm.Questions.FeedStore(farm.Clock.Now).Single().Ledger;
        Assert.Equal((0.0, 7.0), (store.LeftKg, Math.Round(store.Differences.Sum(d => d.Kg), 9)));
        Assert.All(store.Differences, d => Assert.Equal(Core.Feeding.StoreLedger.BeyondBooks, d.Name));
        Assert.Equal(
            RationSchool.ExpectedGain,
            farm.Questions.StoryAsOf("P1", new AsOf(At(19, 7), DateTimeOffset.MaxValue))!.Rations.School
        );
    }

    [Fact]
    public void A_meal_against_a_restriction_is_asked_about_at_the_door()
    {
        string[] Asked(Core.Judging.Fact fact, DateTimeOffset at) =>
            [
                .. farm
                    .Door.Preview(Entry.Of(Guid.NewGuid(), "Pond hand", at, fact))
                    .Remarks.Where(r => r.Kind == Core.Judging.Objection.Ask)
                    .Select(r => r.Text),
            ];
        var meal = new FeedingGiven(farm.PondId, feed, 1);
        Assert.Empty(Asked(meal, At(20, 11)));
        // Fry crumble and a lean pellet do not suit fish of 200 g.
        var crumble = farm.Must(new FeedNamed(0, "Crumble", 0.5, 45, null), At(20, 1));
        Assert.Contains(
            "too fine",
            Assert.Single(Asked(meal with { FeedId = crumble }, At(20, 11))),
            StringComparison.Ordinal
        );
        // Fish that gasp get nothing, at whatever door the meal comes in.
        farm.Must(new Core.Ponds.PondWorked(farm.PondId, Core.Ponds.PondWork.Note, "fish gasping", null), At(20, 10));
        Assert.Contains("Was it fed all the same?", Assert.Single(Asked(meal, At(20, 11))), StringComparison.Ordinal);
        // A ration set by hand with its reason has been thought about; an older day is written down as it was.
        farm.Must(new RationOverruled(farm.PondId, batch, new(2026, 1, 20), 2, "vet: medicated feed"), At(20, 10.5));
        Assert.Empty(Asked(meal, At(20, 11)));
        Assert.Empty(Asked(meal with { FeedId = crumble }, At(18, 11)));
        // Off feed before they are fished, and the harvest asks for what is missing.
        var harvest = new Core.Stock.FishHarvested(
            farm.PondId,
            batch,
            10,
            2,
            Core.Stock.CountBasis.Counted,
            Core.Stock.Account.Harvested,
            false,
            ""
        );
        farm.Must(meal, At(20, 11));
        var asked = Asked(harvest, At(20, 12));
        Assert.Contains(asked, a => a.StartsWith("taste: no test", StringComparison.Ordinal));
        Assert.Contains(asked, a => a.StartsWith("fast: fed 1 h ago, 36 h", StringComparison.Ordinal));
        Assert.Contains(asked, a => a.StartsWith("water:", StringComparison.Ordinal));
    }

    [Fact]
    public void The_farms_own_table_holds_from_its_instant_and_a_feeder_follows_the_ration()
    {
        farm.Must(new RationSchoolSet(farm.PondId, RationSchool.Table), At(19, 8));
        var trade = Plan().FullKg;
        farm.Must(
            new FeedTableSet(
                "silver_perch",
                [new(0, 1, 2, 42, 4, 26), new(150, 3, 3.5, 38, 2, 26), new(400, 4, 6, 33, 1.2, 26)]
            ),
            At(20, 9)
        );
        // Between 150 and 400 g on a line of logarithms, in water of just that temperature.
        var stands = farm.Story.Stock.On(batch, new(2026, 1, 20))!;
        var share = Math.Log(stands.MeanG.Value / 150) / Math.Log(400 / 150.0);
        Assert.Equal(stands.BiomassKg.Value * 0.02 * Math.Pow(0.6, share), Plan().FullKg, 2);
        Assert.Equal((3.0, 3.5), FeedSize.At(farm.Story.Batches[0].Species, 200)!.SizeMm);
        Assert.Equal(
            trade,
            farm.Questions.StoryAsOf("P1", new AsOf(At(20, 8), DateTimeOffset.MaxValue))!
                .Ration.Of(
                    farm.Questions.StoryAsOf("P1", new AsOf(At(20, 8), DateTimeOffset.MaxValue))!.Batches[0],
                    new(2026, 1, 20),
                    6
                )!
                .FullKg,
            9
        );
        Assert.Equal(
            ["From1", "High0", "Ration0", "Temp0"],
            farm.Try(new FeedTableSet("silver_perch", [new(10, 3, 2, 40, 0, 90), new(10, 1, 2, 40, 2, 26)]), At(20, 10))
                .Remarks.Select(r => r.Field)
                .Order()
        );
        farm.Must(new FeedTableSet("silver_perch", []), At(20, 11));
        Assert.Equal(trade, Plan().FullKg, 9);

        // 25 g a minute over four meals, to the half minute; weighed 20 days ago, watched by nobody.
        farm.Must(new FeederKept(farm.PondId, "belt", FeederDose.Minute, 25, new(2026, 1, 1), 4, false), At(20, 11));
        var programme = farm.Story.Feeder!.Value.Kept.Programme(Plan());
        Assert.Equal([7, 10, 13, 16], programme.Select(m => m.At.Hour));
        Assert.All(programme, m => Assert.Equal(Plan().PlannedKg / 4, m.Kg, 0.0126));
        var jobs = farm.Questions.Today(farm.Clock.Now)!.Jobs;
        Assert.Equal(
            ["feeder", "watch-meal"],
            jobs.Where(j => j.What.Contains("belt", StringComparison.Ordinal)).Select(j => j.Key.Split(':')[0]).Order()
        );
        farm.Must(new FeedingGiven(farm.PondId, feed, 1, 3), At(20, 11.5));
        farm.Must(new FeederKept(farm.PondId, "belt", FeederDose.Minute, 24, new(2026, 1, 20), 4, false), At(20, 11.5));
        Assert.DoesNotContain(farm.Questions.Today(farm.Clock.Now)!.Jobs, j =>
            j.What.Contains("belt", StringComparison.Ordinal)
        );
        farm.Must(new FeederKept(farm.PondId, "belt", FeederDose.Minute, 24, new(2026, 1, 20), 4, true), At(20, 11.8));
        Assert.Null(farm.Story.Feeder);
        Assert.Equal(
            ["Each", "Meals", "Name", "WeighedOn"],
            farm.Try(
                    new FeederKept(farm.PondId, "", FeederDose.Turn, double.NaN, new(2027, 1, 1), 289, false),
                    At(20, 11)
                )
                .Remarks.Select(r => r.Field)
                .Order()
        );
    }

    [Fact]
    public void A_wish_stands_for_its_day_with_reason_and_name_and_can_be_taken_back()
    {
        var planned = Plan().PlannedKg;
        farm.Must(new RationOverruled(farm.PondId, batch, new(2026, 1, 20), 1.2, "seining tomorrow"), At(20, 7));
        Assert.Equal(
            (1.2, "seining tomorrow", "Manager"),
            (Math.Round(Plan().PlannedKg, 9), Plan().Overruled!.Value.Reason, Plan().Overruled!.Value.By)
        );
        Assert.Null(Plan(21).Overruled);
        Assert.Equal(
            ["kg", "reason", "kg"],
            new[]
            {
                new RationOverruled(farm.PondId, batch, new(2026, 1, 20), double.NaN, "x"),
                new(farm.PondId, batch, new(2026, 1, 20), 3, ""),
                new(farm.PondId, batch + 1, new(2026, 1, 20), 3, "x"),
            }.Select(o => farm.Try(o, At(20, 7)).Remarks[0].Field)
        );
        farm.Must(new RationOverruled(farm.PondId, batch, new(2026, 1, 20), null, ""), At(20, 8));
        Assert.Equal(planned, Plan().PlannedKg, 9);
    }

    [Fact]
    public void Ammonia_over_its_limit_stops_feed_today_and_tomorrow()
    {
        farm.Must(
            new ReadingTaken(
                farm.PondId,
                [new(Parameter.Tan, 3), new(Parameter.Ph, 9.3), new(Parameter.Temperature, 27)]
            ),
            At(20, 9)
        );
        var now = farm.Questions.Now(farm.Story, farm.Clock.Now);
        Assert.Equal(0, now.RationKg);
        Assert.Contains(now.Batches[0].Ration.Hits, h => h.Name == "un-ionised ammonia");
        Assert.Equal(0, farm.Story.Ration.Tomorrow(farm.Story.Batches[0], farm.Clock.Now)!.PlannedKg);
    }

    public void Dispose() => farm.Dispose();
}
