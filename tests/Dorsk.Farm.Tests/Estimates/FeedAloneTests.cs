using Dorsk.Core.Feeding;
using Dorsk.Core.Growth;
using Dorsk.Core.Stock;
using Dorsk.Core.Water;

namespace Dorsk.Farm.Tests.Estimates;

/// <summary>Biomass by the feed alone, and the cold that stops feeding.</summary>
public class FeedAloneTests
{
    private static DateTimeOffset Day(int n) => TestFarm.Start.AddDays(n);

    [Fact]
    public void Feed_alone_takes_off_what_died_and_left_and_goes_by_the_stage()
    {
        using var farm = new TestFarm();
        var feed = farm.Must(new FeedNamed(0, "grower", 3, 36, null), Day(0));
        var batch = farm.Must(
            new FishStocked(farm.PondId, "silver_perch", "hatchery", 1000, 100, CountBasis.Counted, "test", 500),
            Day(1)
        );
        farm.Must(new FeedingGiven(farm.PondId, feed, 10), Day(2));
        farm.Must(new FeedingGiven(farm.PondId, feed, 20), Day(9));
        double Kg(double more = 0)
        {
            farm.Clock.Now = Day(20);
            var story = farm.Story;
            var b = story.Batches.Single();
            return story.Stock.ByFeedKg(b, story.Stock.On(batch, story.Zone.DayOf(Day(20)))!, more);
        }
        var fcr = DailyGain.Fcr(Core.Species.FishSpecies.Of("silver_perch"), 100);
        Assert.Equal(100 + (30 / fcr), Kg(), 0.01 * 30 / fcr);
        Assert.True(Kg(0.2) < Kg() && Kg() < Kg(-0.2));
        var before = Kg();
        // Fifty dead of 100 to 125 g, of whom half were found, are ten kilograms less or somewhat more; a hundred taken out are just their eleven.
        farm.Must(new FishLost(farm.PondId, batch, 50, Account.Dead, "") { FoundShare = 0.5 }, Day(12));
        Assert.InRange(before - Kg(), 10, 12.5);
        var after = Kg();
        farm.Must(
            new FishHarvested(farm.PondId, batch, 100, 11, CountBasis.Counted, Account.Harvested, false, ""),
            Day(14)
        );
        Assert.Equal(after - 11, Kg(), 1e-6);
    }

    [Fact]
    public void Too_cold_names_the_day_on_which_feeding_likely_begins_again()
    {
        using var farm = new TestFarm();
        var batch = farm.Must(
            new FishStocked(farm.PondId, "silver_perch", "hatchery", 1000, 100, CountBasis.Counted, "test", 500),
            Day(1)
        );
        // A cold winter of the south: ten degrees in July.
        for (var n = 120; n < 200; n += 5)
            farm.Must(new ReadingTaken(farm.PondId, [new(Parameter.Temperature, 10)]), Day(n));
        farm.Clock.Now = Day(199);
        var story = farm.Story;
        var day = story.Zone.DayOf(Day(199));
        var plan = story.Ration.Of(story.Batches.Single(b => b.Id == batch), day, null)!;
        var hit = plan.Hits.Single(h => h.Name == "too cold");
        var warm = Enumerable
            .Range(1, 365)
            .Select(day.AddDays)
            .First(d => story.Temperature.On(d).TempC >= Core.Species.FishSpecies.Of("silver_perch").FeedMinC);
        Assert.EndsWith($"warm enough about {warm:d MMM yyyy}, likely.", hit.Reason, StringComparison.Ordinal);
    }
}
