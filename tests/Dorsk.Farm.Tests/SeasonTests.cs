using Dorsk.Core.Feeding;
using Dorsk.Core.Plans;
using Dorsk.Core.Ponds;
using Dorsk.Core.Season;
using Dorsk.Core.Stock;
using Dorsk.Core.Water;

namespace Dorsk.Farm.Tests;

/// <summary>Plans of the season through the door: what answers them, what moves them, and what the day knows of them.</summary>
public sealed class SeasonTests : IDisposable
{
    private readonly TestFarm farm = new();
    private readonly long batch,
        second;
    private static readonly DateOnly Today = new(2026, 5, 1);
    private static readonly DateTimeOffset Noon = new(2026, 5, 1, 2, 0, 0, TimeSpan.Zero);

    public SeasonTests()
    {
        farm.Clock.Now = Noon;
        batch = farm.Stock(1000, 300);
        second = farm.Must(
            new PondBuilt(new Pond(0, "P2", "", PondKind.Earthen, new SlopedRectangle(40, 25, 1.4, 2), "grow-out")),
            TestFarm.Start
        );
    }

    private SeasonAhead Season => farm.Questions.Season(farm.Clock.Now)!.Planned;

    private SeasonEvent? Find(string key) => Season.Events.FirstOrDefault(e => e.Key == key);

    private string Last => SeasonAhead.KeyOf(batch, farm.PondId);

    [Fact]
    public void A_plan_stands_until_a_harvest_answers_it_and_the_latest_line_counts()
    {
        Assert.False(Find(Last)!.Planned);
        farm.Must(new HarvestPlanned(0, farm.PondId, batch, Today.AddDays(90), null, null, false), Noon);
        var part = farm.Must(new HarvestPlanned(0, farm.PondId, batch, Today.AddDays(30), 300, null, false), Noon);
        Assert.Equal((true, Today.AddDays(90)), (Find(Last)!.Planned, Find(Last)!.On));
        // Moved, and moved back by taking the later line back.
        var moved = farm.Must(new HarvestPlanned(part, farm.PondId, batch, Today.AddDays(40), 300, null, false), Noon);
        Assert.Equal(Today.AddDays(40), Find($"t{part}")!.On);
        Assert.True(farm.Try(null, Noon, moved).Accepted);
        Assert.Equal(Today.AddDays(30), Find($"t{part}")!.On);
        // The heaviest three hundred go and answer that plan; the last day stays.
        farm.Clock.Now = Noon.AddDays(30);
        farm.Must(
            new FishHarvested(farm.PondId, batch, 290, 140, CountBasis.ByWeight, Account.Harvested, false, ""),
            farm.Clock.Now
        );
        Assert.Null(Find($"t{part}"));
        Assert.Equal(Today.AddDays(90), Find(Last)!.On);
        farm.Must(
            new FishHarvested(farm.PondId, batch, 690, 400, CountBasis.ByWeight, Account.Harvested, true, "otters"),
            farm.Clock.Now.AddMinutes(5)
        );
        Assert.DoesNotContain(Season.Events, e => e.PondId == farm.PondId);
        Assert.Equal(
            ["Batch", "On", "On", "Count", "To"],
            new[]
            {
                new HarvestPlanned(0, farm.PondId, batch, Today.AddDays(80), null, null, false),
                new(0, second, batch, Today.AddDays(-1), null, null, false),
                new(0, second, batch, Today.AddDays(900), null, null, false),
                new(0, second, batch, Today.AddDays(80), 0, null, false),
                new(0, second, batch, Today.AddDays(80), 5, second, false),
            }.Select(f => farm.Try(f, farm.Clock.Now).Remarks[0].Field)
        );
    }

    [Fact]
    public void Fish_that_come_answer_the_plan_and_those_of_the_farm_come_as_they_weigh()
    {
        var cycle = farm.Must(
            new CyclePlanned(0, second, "silver_perch", Today.AddDays(20), 400, 20, 500, farm.PondId, null, false),
            Noon
        );
        var came = Find($"s{cycle}")!;
        var there = Season.Cohorts.First(c => c.Stands);
        Assert.Equal((there.MeanG(Today.AddDays(20)).Value, 400.0), (came.MeanG.Value, came.Count));
        // The pond they come from fasts for the road, and knows the job.
        farm.Must(new ReadingTaken(farm.PondId, [new(Parameter.Oxygen, 7), new(Parameter.Temperature, 24)]), Noon);
        IEnumerable<string> Held(int day) =>
            farm
                .Story.Ration.Of(farm.Story.Batches[0], Today.AddDays(day), 7)!
                .Meals.SelectMany(m => m.Hits)
                .Select(h => h.Name);
        Assert.DoesNotContain("fast", Held(17));
        Assert.Equal(["fast", "fast"], Held(19).Where(n => n == "fast"));
        farm.Clock.Now = Noon.AddDays(20);
        Assert.Contains(farm.Questions.Today(farm.Clock.Now)!.Jobs, j =>
            j.Key == $"plan:s{cycle}:{Today.AddDays(20):yyyy-MM-dd}" && j.PondCode == "P1" && j.Slip == "move"
        );
        farm.Must(new FishMoved(farm.PondId, second, batch, 400, 330, CountBasis.Counted), farm.Clock.Now);
        Assert.Null(Find($"s{cycle}"));
        Assert.Equal(
            ["Species", "StockOn", "MeanG", "TargetG", "From", "HarvestOn"],
            new[]
            {
                new CyclePlanned(0, second, "unicorn", Today.AddDays(40), 400, 20, 500, null, null, false),
                new(0, second, "silver_perch", Today, 400, 20, 500, null, null, false),
                new(0, second, "silver_perch", Today.AddDays(40), 400, double.NaN, 500, null, null, false),
                new(0, second, "silver_perch", Today.AddDays(40), 400, 20, 19, null, null, false),
                new(0, second, "silver_perch", Today.AddDays(40), 400, 20, 500, second, null, false),
                new(0, second, "silver_perch", Today.AddDays(40), 400, 20, 500, null, Today.AddDays(40), false),
            }.Select(f => farm.Try(f, farm.Clock.Now).Remarks[0].Field)
        );
    }

    [Fact]
    public void The_store_is_held_against_what_is_planned_and_the_ribbon_against_the_ledger()
    {
        var feed = farm.Must(new FeedNamed(0, "grower", 4, 35, 215), Noon);
        farm.Must(new FeedReceived(feed, "A", 60, null), Noon);
        double Wanted() => Season.Demand[feed].Kg.Sum();
        farm.Must(new HarvestPlanned(0, farm.PondId, batch, Today.AddDays(20), null, null, false), Noon);
        var soon = Wanted();
        var cycle = farm.Must(
            new CyclePlanned(0, second, "silver_perch", Today.AddDays(30), 800, 60, 500, null, null, false),
            Noon
        );
        // 770 to 800 fish that put on 440 g each, at the feed per gain of their stages.
        Assert.InRange(Wanted() - soon, 770 * 0.44 * 1.2, 800 * 0.44 * 2.2);
        farm.Must(
            new CyclePlanned(cycle, second, "silver_perch", Today.AddDays(30), 800, 60, 500, null, null, true),
            Noon
        );
        Assert.Equal(soon, Wanted(), 9);
        Assert.Equal(
            soon,
            farm.Questions.Season(farm.Clock.Now)!
                .Stories.Sum(s => s.Standing.Sum(b => Season.FeedOf(b.Id, s.Pond.Id).Sum(w => w.Kg))),
            9
        );
        // What stood is the standing estimate of those days, and nothing on the day all had left.
        farm.Must(
            new FishHarvested(farm.PondId, batch, 980, 300, CountBasis.ByWeight, Account.Harvested, true, "birds"),
            Noon
        );
        var stood = farm.Story.Season.StoodTo(Today);
        Assert.Equal(0, stood[^1].Kg.Value);
        var day = stood.First(d => d.Day > Today.AddDays(-60));
        Assert.Equal(farm.Story.Stock.Days(batch, Today).First(s => s.Day == day.Day).BiomassKg.Value, day.Kg.Value, 9);
    }

    public void Dispose() => farm.Dispose();
}
