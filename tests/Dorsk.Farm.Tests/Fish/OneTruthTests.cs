using Dorsk.Core.Judging;
using Dorsk.Core.Ponds;
using Dorsk.Core.Prepare;
using Dorsk.Core.Species;
using Dorsk.Core.Stock;
using Dorsk.Farm.Fish;

namespace Dorsk.Farm.Tests.Fish;

/// <summary>The number of fish that the estimate starts from is the one on the books, whatever was moved, counted, lost, entered late or taken back.</summary>
public sealed class OneTruthTests : IDisposable
{
    private static readonly DateTimeOffset Start = TestFarm.Start;
    private readonly TestFarm farm = new();
    private readonly long p2;

    public OneTruthTests() => p2 = Pond("P2");

    private long Pond(string code) =>
        farm.Must(
            new PondBuilt(new Pond(0, code, "", PondKind.Earthen, new SlopedRectangle(40, 25, 1.4, 2), "grow-out")),
            Start
        );

    private BatchStory In(string code, long batch) => farm.Questions.Story(code)!.Batches.Single(b => b.Id == batch);

    private double Estimated(string code, long batch, DateTimeOffset at)
    {
        var story = farm.Questions.Story(code)!;
        return story.Stock.At(In(code, batch), story.Zone.DayOf(at)).Count.Value;
    }

    [Fact]
    public void Over_random_moves_counts_deaths_voids_and_late_lines_the_estimate_starts_from_the_ledger()
    {
        for (var seed = 1; seed <= 8; seed++)
        {
            using var random = new TestFarm();
            Run(random, new Random(seed), seed);
        }
    }

    private static void Run(TestFarm farm, Random chance, int seed)
    {
        long Build(string code) =>
            farm.Must(
                new PondBuilt(new Pond(0, code, "", PondKind.Earthen, new SlopedRectangle(40, 25, 1.4, 2), "grow-out")),
                Start
            );
        (string Code, long Id)[] ponds = [("P1", farm.PondId), ("P2", Build("P2")), ("P3", Build("P3"))];
        var batch = farm.Stock(1500);
        var done = new List<(long Line, DateTimeOffset At, FishFact Fact)>();
        for (var i = 0; i < 60; i++)
        {
            // Every third line is written days after it happened.
            var at = Start.AddDays(3 + (i / 3) - (chance.Next(3) == 0 ? chance.Next(3) : 0)).AddHours(chance.Next(24));
            var held = ponds.Where(p => Ledger.Balance(farm.Movements(batch), batch, Account.Pond, p.Id) > 0).ToArray();
            var pond = (
                held.Length > 0 && chance.Next(5) > 0 ? held[chance.Next(held.Length)] : ponds[chance.Next(3)]
            ).Id;
            FishFact fact = chance.Next(7) switch
            {
                0 or 1 or 2 => new FishMoved(
                    pond,
                    ponds[chance.Next(3)].Id,
                    batch,
                    50 * chance.Next(1, 6),
                    60,
                    CountBasis.ByWeight
                ),
                3 => new FishRecounted(pond, batch, 10 * chance.Next(0, 80), CountBasis.Counted, "birds"),
                4 => new FishLost(pond, batch, chance.Next(1, 60), Account.Dead, "") { FoundShare = 1 },
                5 => new FishLost(pond, batch, chance.Next(1, 20), Account.Eaten, ""),
                _ => new FishHarvested(
                    pond,
                    batch,
                    chance.Next(1, 100),
                    6,
                    CountBasis.Counted,
                    Account.SoldAlive,
                    false,
                    "counted again"
                ),
            };
            if (farm.Try(fact, at) is { Accepted: true } receipt)
                done.Add((receipt.Lines[0], at, fact));
            if (
                done.Count > 0
                && chance.Next(6) == 0
                && done[chance.Next(done.Count)] is var (line, when, _)
                && farm.Try(null, when, line).Accepted
            )
                done.RemoveAll(d => d.Line == line);
            foreach (var (code, id) in ponds)
                Same(farm, code, id, batch, $"seed {seed}, step {i}, {code}");
        }
        Assert.True(done.Count > 8, $"{done.Count} lines stand");
        // What was counted stands as counted just then, whatever came late.
        var movements = farm.Movements(batch);
        foreach (var (_, at, fact) in done.Where(d => d.Fact is FishRecounted && done.Count(o => o.At == d.At) == 1))
            Assert.Equal(
                ((FishRecounted)fact).Count,
                Ledger.Balance(movements.Where(m => m.Happened <= at), batch, Account.Pond, fact.PondId)
            );
    }

    private static void Same(TestFarm farm, string code, long pond, long batch, string where)
    {
        var movements = farm.Movements(batch);
        var story = farm.Questions.Story(code)!;
        var here = story.Batches.SingleOrDefault(b => b.Id == batch);
        Assert.Equal(
            movements.Any(m => m.Postings.Any(p => p.PondId == pond && p.Account == Account.Pond)),
            here is not null
        );
        if (here is null)
            return;
        Assert.True(Ledger.Balance(movements, batch, Account.Pond, pond) == here.Stands, where);
        for (var day = 0; day < 30; day++)
        {
            var date = story.Zone.DayOf(Start.AddDays(day));
            if (date < story.Zone.DayOf(here.ArrivedAt))
                continue;
            var booked = Ledger.Balance(
                movements.Where(m => story.Zone.DayOf(m.Happened) <= date),
                batch,
                Account.Pond,
                pond
            );
            Assert.True(
                booked == here.History.StandsOn(date),
                $"{where}, {date}: books {booked}, estimate {here.History.StandsOn(date)}"
            );
        }
    }

    [Fact]
    public void Two_equal_loads_count_twice()
    {
        var batch = farm.Stock(500);
        farm.Must(new FishMoved(farm.PondId, p2, batch, 250, 60, CountBasis.Counted), Start.AddDays(20));
        farm.Must(new FishMoved(farm.PondId, p2, batch, 250, 60, CountBasis.Counted), Start.AddDays(20));
        Assert.Equal(500, In("P2", batch).Stands);
        Assert.Equal(500, Estimated("P2", batch, Start.AddDays(20)), 6);
    }

    [Fact]
    public void A_count_holds_against_a_line_that_comes_late_and_its_own_void()
    {
        var batch = farm.Stock(1000);
        var count = farm.Must(
            new FishRecounted(farm.PondId, batch, 900, CountBasis.Counted, "birds"),
            Start.AddDays(30)
        );
        var late = farm.Must(new FishLost(farm.PondId, batch, 50, Account.Dead, ""), Start.AddDays(29));
        Assert.Equal(
            (900, 50),
            (farm.Stands(batch), Ledger.Balance(farm.Movements(batch), batch, Account.Unexplained))
        );
        Assert.Equal(900, Estimated("P1", batch, Start.AddDays(30)), 6);
        Assert.True(farm.Try(null, Start.AddDays(30), count).Accepted);
        Assert.Equal(950, farm.Stands(batch));
        Assert.True(farm.Try(null, Start.AddDays(29), late).Accepted);
        Assert.Equal(1000, farm.Stands(batch));
    }

    [Fact]
    public void On_one_day_what_came_after_the_count_comes_off_it()
    {
        var batch = farm.Stock(1000);
        farm.Must(
            new FishRecounted(farm.PondId, batch, 900, CountBasis.Counted, "birds"),
            Start.AddDays(30).AddHours(-2)
        );
        farm.Must(new FishLost(farm.PondId, batch, 100, Account.Eaten, ""), Start.AddDays(30).AddHours(5));
        Assert.Equal(800, farm.Stands(batch));
        Assert.Equal(800, Estimated("P1", batch, Start.AddDays(30)), 6);
    }

    [Theory]
    [InlineData(1.0, 2000)]
    [InlineData(0.8, 1750)]
    [InlineData(null, 1667)] // of a die-off three quarters are taken to be found
    public void A_counted_kill_is_taken_off_once(double? found, int left)
    {
        var batch = farm.Stock(3000);
        farm.Must(
            new FishLost(farm.PondId, batch, 1000, Account.Dead, "oxygen") { FoundShare = found },
            Start.AddDays(1).AddHours(1)
        );
        Assert.Equal(left, Estimated("P1", batch, Start.AddDays(1)), 0);
        Assert.False(
            farm.Try(
                new FishLost(farm.PondId, batch, 1, Account.Dead, "") { FoundShare = 1.2 },
                Start.AddDays(2)
            ).Accepted
        );
    }

    [Fact]
    public void A_pond_emptied_by_moving_is_empty_at_every_door()
    {
        var batch = farm.Stock(500);
        var emptied = Start.AddDays(60);
        farm.Must(new PondWorked(farm.PondId, PondWork.ScreensFitted, "", null), Start.AddDays(2));
        farm.Must(new PondWorked(farm.PondId, PondWork.DeclaredReady, "", null), Start.AddDays(2));
        farm.Must(new FishMoved(farm.PondId, p2, batch, 500, 90, CountBasis.Counted), emptied);
        Assert.Equal(emptied, In("P1", batch).EmptiedAt);
        Assert.Equal(0, Estimated("P1", batch, emptied));
        Assert.Equal(emptied, farm.Story.IdleAt(emptied.AddDays(5))!.Value.Since);
        var screens = farm
            .Story.Readiness.GateFor(FishSpecies.Of("silver_perch"), emptied.AddDays(120))
            .Single(l => l.Name == "screens");
        Assert.Equal(Condition.Unknown, screens.State);
        var refused = farm.Try(
            new FishStocked(farm.PondId, "silver_perch", "x", 100, 20, CountBasis.Counted, "", null),
            emptied.AddDays(120)
        );
        Assert.Contains("not declared ready", Assert.Single(refused.Remarks).Text, StringComparison.Ordinal);
        var cycle = farm.Questions.Cycles(farm.Story, emptied.AddDays(200)).Single();
        Assert.Equal((59, true), (cycle.Result.Days, cycle.Result.Closed));
    }

    [Fact]
    public void A_total_loss_closes_its_books_and_survival_follows_the_batch_through_its_ponds()
    {
        var batch = farm.Stock(1000);
        farm.Must(new FishMoved(farm.PondId, p2, batch, 600, 90, CountBasis.Counted), Start.AddDays(40));
        farm.Must(new FishLost(farm.PondId, batch, 400, Account.Dead, "oxygen") { FoundShare = 1 }, Start.AddDays(50));
        Assert.Equal(Start.AddDays(50), In("P1", batch).EmptiedAt);
        farm.Must(
            new FishHarvested(p2, batch, 540, 200, CountBasis.Counted, Account.Harvested, true, "birds"),
            Start.AddDays(200)
        );
        var here = farm.Questions.Cycles(farm.Story, Start.AddDays(210)).Single();
        Assert.Equal((60.0, 54.0, true), (here.Result.SurvivalPct, here.Chain!.Pct, here.Chain.Final));
        Assert.Null(here.Chain.Doubt);
    }

    public void Dispose() => farm.Dispose();
}
