using Dorsk.Core.Stock;
using FsCheck;
using FsCheck.Fluent;
using FsCheck.Xunit;

namespace Dorsk.Farm.Tests.Fish;

public class LedgerTests
{
    [Property(MaxTest = 25)]
    public Property Random_histories_balance_and_a_void_restores_exactly(PositiveInt seed)
    {
        using var farm = new TestFarm();
        var random = new Random(seed.Get);
        var batch = farm.Stock(random.Next(200, 2000));
        var lines = new List<(long Line, DateTimeOffset At)>();
        for (var i = 0; i < 12; i++)
        {
            var at = TestFarm.Start.AddDays(2 + random.Next(200));
            var before = Snapshot(farm, batch);
            FishFact fact =
                random.Next(3) == 0
                    ? new FishHarvested(
                        farm.PondId,
                        batch,
                        random.Next(1, 120),
                        5,
                        CountBasis.Counted,
                        Account.Harvested,
                        false,
                        "test"
                    )
                    : new FishLost(
                        farm.PondId,
                        batch,
                        random.Next(1, 60),
                        random.Next(2) == 0 ? Account.Dead : Account.Eaten,
                        ""
                    );
            var receipt = farm.Try(fact, at);
            if (receipt.Accepted && random.Next(3) == 0)
            {
                if (farm.Try(null, at, receipt.Lines[0]).Accepted)
                    Assert.Equal(before, Snapshot(farm, batch));
            }
            else if (receipt.Accepted)
                lines.Add((receipt.Lines[0], at));
            else
                Assert.Equal(before, Snapshot(farm, batch));
        }
        var movements = farm.Movements(batch);
        return (
            Ledger.Balances(movements.SelectMany(m => m.Postings))
            && Ledger.FirstShort(movements) is null
            && farm.Stands(batch) >= 0
        ).ToProperty();
    }

    [Fact]
    public void More_than_stands_is_asked_and_comes_from_unexplained()
    {
        using var farm = new TestFarm();
        var batch = farm.Stock(500);
        farm.Must(
            new FishHarvested(farm.PondId, batch, 520, 78, CountBasis.Counted, Account.Harvested, true, "short count"),
            TestFarm.Start.AddDays(100)
        );
        Assert.Equal(0, farm.Stands(batch));
        Assert.Equal(-20, Ledger.Balance(farm.Movements(batch), batch, Account.Unexplained));
    }

    [Fact]
    public void Closed_books_stay_closed()
    {
        using var farm = new TestFarm();
        var batch = farm.Stock(500);
        var close = farm.Must(
            new FishHarvested(farm.PondId, batch, 450, 78, CountBasis.Counted, Account.Harvested, true, "birds"),
            TestFarm.Start.AddDays(100)
        );
        var late = farm.Try(new FishLost(farm.PondId, batch, 5, Account.Dead, ""), TestFarm.Start.AddDays(50));
        Assert.Contains($"line {close}", Assert.Single(late.Remarks).Text, StringComparison.Ordinal);
        Assert.False(
            farm.Try(new FishLost(farm.PondId, batch, 5, Account.Dead, ""), TestFarm.Start.AddDays(101)).Accepted
        );
        Assert.True(farm.Try(null, TestFarm.Start.AddDays(100), close).Accepted);
        Assert.True(
            farm.Try(new FishLost(farm.PondId, batch, 5, Account.Dead, ""), TestFarm.Start.AddDays(50)).Accepted
        );
    }

    [Fact]
    public void A_move_keeps_the_batch_itself()
    {
        using var farm = new TestFarm();
        var other = farm.Must(
            new Core.Ponds.PondBuilt(
                new Core.Ponds.Pond(
                    0,
                    "P2",
                    "",
                    Core.Ponds.PondKind.Earthen,
                    new Core.Ponds.SlopedRectangle(40, 25, 1.4, 2),
                    "grow-out"
                )
            ),
            TestFarm.Start
        );
        var batch = farm.Stock(500);
        farm.Must(new FishMoved(farm.PondId, other, batch, 200, 60, CountBasis.Counted), TestFarm.Start.AddDays(20));
        Assert.Equal(300, farm.Stands(batch));
        var there = Assert.Single(farm.Questions.Story("P2")!.Batches);
        Assert.Equal((batch, 200, 60.0), (there.Id, there.Stands, there.ArrivedMeanG));
    }

    private static string Snapshot(TestFarm farm, long batch) =>
        string.Join(',', Enum.GetValues<Account>().Select(a => Ledger.Balance(farm.Movements(batch), batch, a)));
}
