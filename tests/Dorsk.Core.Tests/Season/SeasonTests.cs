using Dorsk.Core.Feeding;
using Dorsk.Core.Growth;
using Dorsk.Core.Judging;
using Dorsk.Core.Plans;
using Dorsk.Core.Season;
using Dorsk.Core.Species;
using Dorsk.Core.Units;
using FsCheck;
using FsCheck.Fluent;
using FsCheck.Xunit;

namespace Dorsk.Core.Tests.Season;

/// <summary>The season ahead: no fish is lost on the way, what does not fit is found, and a moved day changes what it must.</summary>
public class SeasonTests
{
    private static readonly DateOnly Today = new(2027, 1, 21);
    private static readonly FishSpecies Perch = FishSpecies.Of("silver_perch");

    // Weights that grow a gram a day, known to a tenth.
    private static List<WeightAhead> Ahead(double meanG, DateOnly? from = null, double gainG = 1) =>
        [
            .. Enumerable
                .Range(0, SeasonInput.Days + 1)
                .Select(i => new WeightAhead(
                    (from ?? Today).AddDays(i),
                    new(meanG + (gainG * i), 0.9 * (meanG + (gainG * i)), 1.1 * (meanG + (gainG * i)), 0.8)
                )),
        ];

    private static SeasonPond Pond(
        long id,
        double carriesKg = 4000,
        int prepare = 20,
        DateOnly? ready = null,
        double loss = 0
    ) =>
        new(
            id,
            $"P{id}",
            _ => carriesKg,
            _ => 26,
            FishSpecies.Of,
            (_, from, g) => Ahead(g, from),
            _ => loss,
            prepare,
            ready
        );

    private static SeasonBatch Batch(
        long pond,
        long batch,
        double count,
        double meanG,
        double targetG = 500,
        double cv = 20
    ) =>
        new(
            pond,
            batch,
            Perch,
            targetG,
            new(count, 0.95 * count, 1.05 * count, 0.9),
            cv,
            Ahead(meanG),
            Today.AddDays(7)
        );

    private static SeasonInput Input(
        IReadOnlyList<SeasonPond> ponds,
        IReadOnlyList<SeasonBatch> batches,
        IReadOnlyList<HarvestPlanned>? harvests = null,
        IReadOnlyList<CyclePlanned>? cycles = null,
        IReadOnlyList<SeasonFeed>? feeds = null
    ) => new(Today, ponds, batches, harvests ?? [], cycles ?? [], feeds ?? [], Hand.Metric);

    private static SeasonInput Moved(SeasonInput input, string key, DateOnly on) => new SeasonMove(key, on).In(input)!;

    [Property(MaxTest = 200)]
    public Property Every_fish_that_stands_or_comes_leaves_once_or_is_there_at_the_end(PositiveInt seed)
    {
        var random = new Random(seed.Get);
        DateOnly Day() => Today.AddDays(random.Next(1, SeasonInput.Days));
        var ponds = Enumerable.Range(1, 5).Select(i => Pond(i)).ToList();
        var batches = Enumerable
            .Range(1, 3)
            .Select(i => Batch(i, 10 + i, random.Next(500, 5000), random.Next(5, 400)))
            .ToList();
        var harvests = Enumerable
            .Range(1, 4)
            .Select(i =>
            {
                var b = batches[random.Next(3)];
                return new HarvestPlanned(
                    i,
                    b.PondId,
                    b.BatchId,
                    Day(),
                    random.Next(3) == 0 ? null : random.Next(50, 400),
                    random.Next(3) == 0 ? 5 : null,
                    false
                );
            })
            .ToList();
        var cycles = Enumerable
            .Range(1, 4)
            .Select(i => new CyclePlanned(
                20 + i,
                random.Next(4, 6),
                Perch.Key,
                Day(),
                random.Next(100, 3000),
                20,
                500,
                random.Next(2) == 0 ? random.Next(1, 4) : null,
                null,
                false
            ))
            .ToList();
        var s = SeasonAhead.Of(Input(ponds, batches, harvests, cycles));
        foreach (var c in s.Cohorts)
        {
            var left = s
                .Events.Where(e =>
                    e.PondId == c.PondId
                    && e.Kind != SeasonEventKind.Stock
                    && (e.Key == c.Key || e.Key == c.OutKey || c.Taken.Any(t => t.Key == e.Key))
                )
                .Sum(e => e.Count);
            var there = c.Out is { } end && end <= s.Input.Last ? 0 : c.Left(s.Input.Last);
            if (Math.Abs(left + there - c.Count.Value) > 1e-6 * c.Count.Value)
                return false.Label($"{c.Key}: {c.Count.Value} came, {left} left, {there} there");
            // Nothing that was taken before all left is more than there was.
            if (c.Taken.Any(t => t.Count < 0) || c.Left(s.Input.Last) < 0)
                return false.Label($"{c.Key} below nothing");
        }
        // What comes from a pond of the farm left it that day, in the same number.
        return s
            .Events.Where(e =>
                e is { Kind: SeasonEventKind.Stock, OtherPondId: not null }
                && s.Cohorts.Any(c =>
                    c.PondId == e.OtherPondId && (c.OutKey == e.Key || c.Taken.Any(t => t.Key == e.Key))
                )
            )
            .All(e =>
                s.Events.Any(x =>
                    x.Key == e.Key
                    && x.PondId == e.OtherPondId
                    && x.On == e.On
                    && x.OtherPondId == e.PondId
                    && (x.Kind == SeasonEventKind.MoveOut ? x.Count >= e.Count : Math.Abs(x.Count - e.Count) < 1e-9)
                )
            )
            .ToProperty();
    }

    [Fact]
    public void The_market_takes_the_heaviest_and_the_mass_is_kept()
    {
        var (taken, stay) = Cohort.GradedG(400, 20, 0.25);
        Assert.Equal(400, (0.25 * taken) + (0.75 * stay), 6);
        // Against fish drawn one by one: the heaviest quarter of 200,000.
        var random = new Random(7);
        var drawn = Enumerable
            .Range(0, 200_000)
            .Select(_ =>
                400
                * (
                    1
                    + (
                        0.2
                        * Math.Sqrt(-2 * Math.Log(1 - random.NextDouble()))
                        * Math.Cos(2 * Math.PI * random.NextDouble())
                    )
                )
            )
            .OrderDescending()
            .ToList();
        Assert.InRange(taken / drawn.Take(50_000).Average(), 0.997, 1.003);
        Assert.InRange(stay / drawn.Skip(50_000).Average(), 0.997, 1.003);
        // The rest weigh less on the day, and grow on by the same cube root a day.
        var all = SeasonAhead.Of(Input([Pond(1)], [Batch(1, 11, 1000, 300)])).Cohorts[0];
        var rest = SeasonAhead
            .Of(Input([Pond(1)], [Batch(1, 11, 1000, 300)], [new(1, 1, 11, Today.AddDays(100), 250, null, false)]))
            .Cohorts[0];
        Assert.Equal(stay, rest.MeanG(Today.AddDays(100)).Value, 6);
        Assert.Equal(
            Math.Cbrt(all.MeanG(Today.AddDays(200)).Value) - Math.Cbrt(400),
            Math.Cbrt(rest.MeanG(Today.AddDays(200)).Value) - Math.Cbrt(stay),
            9
        );
        Assert.True(rest.Window.Likely > all.Window.Likely);
    }

    [Fact]
    public void Sizes_for_sale_part_the_whole_catch()
    {
        var random = new Random(3);
        var drawn = Enumerable
            .Range(0, 200_000)
            .Select(_ => MathNet.Numerics.Distributions.Normal.Sample(random, 0, 1))
            // A lognormal spread of 20 % about 500 g.
            .Select(z => 500 * Math.Exp((Math.Sqrt(Math.Log(1.04)) * z) - (Math.Log(1.04) / 2)))
            .ToList();
        var classes = SizeClass.Of(Perch);
        Assert.Equal(3, classes.Count);
        Assert.Equal(1, classes.Sum(k => k.ShareOfMass(500, 20)), 9);
        foreach (var k in classes)
            Assert.Equal(
                drawn.Where(g => g >= k.FromG && g < k.ToG).Sum() / drawn.Sum(),
                k.ShareOfMass(500, 20),
                0.006
            );
        var s = SeasonAhead.Of(
            Input(
                [Pond(1), Pond(2)],
                [Batch(1, 11, 1000, 300), Batch(2, 12, 2000, 12, targetG: 20)],
                [new(1, 1, 11, Today.AddDays(40), 250, null, false)]
            )
        );
        // A nursery's fish are moved on, not sold.
        Assert.Equal(
            s.Events.Where(e => e.PondId == 1 && e.Kind != SeasonEventKind.Sample).Sum(e => e.Kg),
            SupplyOfMonth.Of(s).Sum(x => x.Kg),
            6
        );
        Assert.Contains(s.Events, e => e is { PondId: 2, Kind: SeasonEventKind.MoveOut });
    }

    [Fact]
    public void What_does_not_fit_is_found_and_a_moved_day_solves_it()
    {
        SeasonConflict? Find(SeasonInput i, string key) =>
            SeasonAhead.Of(i).Conflicts.FirstOrDefault(c => c.Key.StartsWith(key, StringComparison.Ordinal));
        var day = Today.AddDays(60);
        var same = Input(
            [Pond(1), Pond(2)],
            [Batch(1, 11, 1000, 450), Batch(2, 12, 1000, 450)],
            [new(1, 1, 11, day, null, null, false), new(2, 2, 12, day, null, null, false)]
        );
        Assert.Matches("P1 510.kg and P2 510.kg", Find(same, "day:")!.Words);
        Assert.Null(Find(Moved(same, "h12-2", day.AddDays(1)), "day:"));

        // Emptied on day 60, 20 days of work: ready on day 80.
        var early = Input(
            [Pond(1)],
            [Batch(1, 11, 1000, 450)],
            [new(1, 1, 11, day, null, null, false)],
            [new(5, 1, Perch.Key, day.AddDays(19), 2000, 20, 500, null, null, false)]
        );
        Assert.Equal((Status.Watch, day.AddDays(19)), (Find(early, "ready:5")!.Level, Find(early, "ready:5")!.On));
        Assert.Null(Find(Moved(early, "s5", day.AddDays(20)), "ready:5"));
        Assert.Equal(Status.ActNow, Find(Moved(early, "h11-1", day.AddDays(30)), "ready:5")!.Level);

        var full = Input([Pond(1, carriesKg: 420)], [Batch(1, 11, 1000, 400)]);
        // One kg a day: over 420 kg from day 21; looked at every third day.
        Assert.InRange(Find(full, "full:1")!.On.DayNumber - Today.DayNumber, 21, 23);
        Assert.Null(
            Find(full with { Harvests = [new(1, 1, 11, Today.AddDays(18), 200, null, false)] }, "full:1") is { } f
            && f.On <= Today.AddDays(30)
                ? f
                : null
        );

        var small = Input([Pond(1)], [Batch(1, 11, 1000, 400)], [new(1, 1, 11, Today.AddDays(10), null, null, false)]);
        Assert.NotNull(Find(small, "small:"));
        Assert.Null(Find(Moved(small, "h11-1", Today.AddDays(80)), "small:"));

        var nursery = Input(
            [Pond(1), Pond(2, ready: Today)],
            [Batch(1, 11, 1000, 15, targetG: 20)],
            cycles: [new(5, 2, Perch.Key, day, 1500, 20, 500, 1, null, false)]
        );
        Assert.Contains("has 1,000 fish", Find(nursery, "source:5")!.Words, StringComparison.Ordinal);
        // They come as they weigh by then.
        Assert.Equal(75, SeasonAhead.Of(nursery).Events.First(e => e.Kind == SeasonEventKind.Stock).MeanG.Value, 6);
        Assert.NotNull(
            Find(
                Input([Pond(1)], [Batch(1, 11, 1000, 400)], [new(1, 1, 11, Today.AddDays(-3), null, null, false)]),
                "overdue:"
            )
        );
    }

    [Fact]
    public void A_later_harvest_wants_more_feed_and_shows_the_shortage()
    {
        var feed = new SeasonFeed(7, "grower", 4, 0, 5, 25);
        var input = Input(
            [Pond(1)],
            [Batch(1, 11, 1000, 440)],
            [new(1, 1, 11, Today.AddDays(30), null, null, false)],
            feeds: [feed]
        );
        // A gram a day, a thousand fish: FCR kg a day for thirty days.
        var wanted = SeasonAhead.Of(input).Demand[7].Kg.Sum();
        Assert.Equal(Enumerable.Range(0, 30).Sum(i => DailyGain.Fcr(Perch, 440 + i)), wanted, 6);
        input = input with { Feeds = [feed with { LeftKg = wanted + 1 }] };
        Assert.DoesNotContain(SeasonAhead.Of(input).Conflicts, c => c.Key == "feed:7");
        var later = SeasonAhead.Of(Moved(input, "h11-1", Today.AddDays(70)));
        var short_ = Assert.Single(later.Conflicts, c => c.Key == "feed:7");
        Assert.Equal(Today.AddDays(30), short_.On);
        // Five days for the road and four to be safe.
        Assert.Contains(
            FormattableString.Invariant($"by {Today.AddDays(21):ddd d MMM}"),
            short_.Words,
            StringComparison.Ordinal
        );
    }

    [Fact]
    public void Moved_days_become_the_facts_that_plan_them()
    {
        var input = Input(
            [Pond(1), Pond(2, ready: Today)],
            [Batch(1, 11, 1000, 300)],
            [new(3, 1, 11, Today.AddDays(50), 200, null, false)],
            [new(5, 2, Perch.Key, Today.AddDays(30), 500, 20, 500, null, Today.AddDays(200), false)]
        );
        SeasonMove[] moves =
        [
            new("h11-1", Today.AddDays(150)),
            new("t3", Today.AddDays(60)),
            new("s5", Today.AddDays(40)),
            new("e5", Today.AddDays(300)),
        ];
        var moved = moves.Aggregate(input, (i, m) => m.In(i)!);
        var facts = SeasonMove.Facts(input, moved);
        Assert.Equal(3, facts.Count);
        // Entered, they are the moved season: the same days and weights.
        var harvests = facts.OfType<HarvestPlanned>().ToList();
        var entered = input with
        {
            Harvests = [.. input.Harvests.Where(h => harvests.All(x => x.PlanId != h.PlanId)), .. harvests],
            Cycles = [.. facts.OfType<CyclePlanned>()],
        };
        Assert.Equal(
            SeasonAhead.Of(moved).Events.OrderBy(e => e.Key),
            SeasonAhead.Of(entered).Events.OrderBy(e => e.Key)
        );
        // Fish that would come after they were to leave lose that day; what does not exist cannot be moved.
        Assert.Null(Moved(input, "s5", Today.AddDays(250)).Cycles[0].HarvestOn);
        Assert.All(new[] { "h99-1", "t99", "s99", "e1", "h1", "x5", "s", "h1-", "s-5", "s5x" }, key =>
            Assert.Null(new SeasonMove(key, Today).In(input))
        );
    }

    [Theory]
    [InlineData(400, 26, 36, 0, Meal.Morning, false)] // fished on day 2 at six: 47 hours from the morning meal of day 0, 38 from its afternoon
    [InlineData(400, 26, 36, 0, Meal.Afternoon, false)]
    [InlineData(400, 26, 36, 1, Meal.Morning, true)]
    [InlineData(400, 26, 36, 2, Meal.Morning, true)]
    [InlineData(20, 26, 24, 1, Meal.Morning, true)]
    [InlineData(0.5, 26, 12, 1, Meal.Afternoon, false)]
    [InlineData(0.5, 26, 12, 1, Meal.Morning, false)]
    [InlineData(400, 8, 72, 0, Meal.Morning, true)]
    public void Fish_are_off_feed_before_they_are_fished(
        double meanG,
        double tempC,
        double hours,
        int day,
        Meal meal,
        bool held
    )
    {
        Assert.Equal(hours, FastBefore.Of(Perch, meanG, tempC).Hours);
        Assert.Equal(held, FastBefore.Holds(Today.AddDays(day), meal, Today.AddDays(2), hours));
    }
}
