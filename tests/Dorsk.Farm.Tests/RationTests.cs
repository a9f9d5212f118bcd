using Dorsk.Core.Feeding;
using Dorsk.Core.Water;
using Dorsk.Farm.Log;

namespace Dorsk.Farm.Tests;

/// <summary>Rations through the door: the pond's school, a watched meal, a wish with its reason, and what was known when.</summary>
public sealed class RationTests : IDisposable
{
    private readonly TestFarm farm = new();
    private readonly long feed, batch;

    public RationTests()
    {
        farm.Clock.Now = At(20, 12);
        feed = farm.Must(new FeedNamed(0, "Grower", 4, 35, 215), TestFarm.Start);
        batch = farm.Stock(1000, 200);
        farm.Must(new ReadingTaken(farm.PondId, [new(Parameter.Oxygen, 6), new(Parameter.Temperature, 26)]), At(20, 6));
    }

    private static DateTimeOffset At(int day, double hour) => new DateTimeOffset(2026, 1, day, 0, 0, 0, TimeSpan.FromHours(10)).AddHours(hour);

    private RationPlan Plan(int day = 20) => farm.Story.RationOf(farm.Story.Batches[0], new(2026, 1, day), 6)!;

    [Fact]
    public void The_school_of_the_pond_is_followed_from_its_instant_and_a_watched_meal_feeds_the_next_day()
    {
        var byGain = Plan().FullKg;
        Assert.Equal(RationSchool.ExpectedGain, Plan().By);
        farm.Must(new RationSchoolSet(farm.PondId, RationSchool.Satiation), At(19, 8));
        Assert.Equal((RationSchool.ExpectedGain, byGain), (Plan().By, Plan().FullKg));
        // Two meals of the day before, 2 and 1.5 kg of which half a kilo was left; brisk and violent: together 4, a tenth more.
        farm.Must(new FeedingGiven(farm.PondId, feed, 2, 3, 15), At(19, 8));
        farm.Must(new FeedingGiven(farm.PondId, feed, 2, 4, 9, 0.5), At(19, 16));
        Assert.Equal((3.5, 3.85), (farm.Story.FedOn(new(2026, 1, 19)), Math.Round(Plan().FullKg, 9)));
        Assert.Equal(RationSchool.Satiation, Plan().By);
        // Today's own meals do not feed today's ration.
        farm.Must(new FeedingGiven(farm.PondId, feed, 3, 0), At(20, 8));
        Assert.Equal(3.85, Plan().FullKg, 9);
        Assert.Equal(0, Plan(21).FullKg);
        // No load was ever written down: the store is empty, not negative, and what was given has a name.
        var store = farm.Questions.FeedStore(farm.Clock.Now).Single().Ledger;
        Assert.Equal((0.0, 7.0), (store.LeftKg, Math.Round(store.Differences.Sum(d => d.Kg), 9)));
        Assert.All(store.Differences, d => Assert.Equal(Core.Feeding.StoreLedger.BeyondBooks, d.Name));
        Assert.Equal(RationSchool.ExpectedGain, farm.Questions.StoryAsOf("P1", new AsOf(At(19, 7), DateTimeOffset.MaxValue))!.Rations.School);
    }

    [Fact]
    public void A_wish_stands_for_its_day_with_reason_and_name_and_can_be_taken_back()
    {
        var planned = Plan().PlannedKg;
        farm.Must(new RationOverruled(farm.PondId, batch, new(2026, 1, 20), 1.2, "seining tomorrow"), At(20, 7));
        Assert.Equal((1.2, "seining tomorrow", "Manager"), (Math.Round(Plan().PlannedKg, 9), Plan().Overruled!.Value.Reason, Plan().Overruled!.Value.By));
        Assert.Null(Plan(21).Overruled);
        Assert.Equal(["kg", "reason", "kg"], new[] { new RationOverruled(farm.PondId, batch, new(2026, 1, 20), double.NaN, "x"), new(farm.PondId, batch, new(2026, 1, 20), 3, ""), new(farm.PondId, batch + 1, new(2026, 1, 20), 3, "x") }.Select(o => farm.Try(o, At(20, 7)).Remarks[0].Field));
        farm.Must(new RationOverruled(farm.PondId, batch, new(2026, 1, 20), null, ""), At(20, 8));
        Assert.Equal(planned, Plan().PlannedKg, 9);
    }

    [Fact]
    public void Ammonia_over_its_limit_stops_feed_today_and_tomorrow()
    {
        farm.Must(new ReadingTaken(farm.PondId, [new(Parameter.Tan, 3), new(Parameter.Ph, 9.3), new(Parameter.Temperature, 27)]), At(20, 9));
        var now = farm.Questions.Now(farm.Story, farm.Clock.Now);
        Assert.Equal(0, now.RationKg);
        Assert.Contains(now.Batches[0].Ration.Hits, h => h.Name == "bad water");
        Assert.Equal(0, farm.Story.RationTomorrow(farm.Story.Batches[0], farm.Clock.Now)!.PlannedKg);
    }

    public void Dispose() => farm.Dispose();
}
