using Dorsk.Core.Hatchery;
using Dorsk.Core.Judging;
using Dorsk.Core.Stock;
using Dorsk.Core.Units;

namespace Dorsk.Core.Tests.Hatchery;

/// <summary>The books of eggs, larvae and fry: nothing comes or goes in any order; survival with its interval; treatments held against each other.</summary>
public class LotLedgerTests
{
    private static readonly DateTimeOffset Start = new(2027, 1, 1, 6, 0, 0, TimeSpan.Zero);

    internal static EggsTaken Eggs(int count, long lot = 0, string treatment = "") =>
        new(lot, "silver_perch", 1, null, "", count, CountBasis.ByVolume, EggColour.Yellow, false)
        {
            TroughC = 24.5,
            Treatment = treatment,
        };

    private static FishStocked Stocked(long lot, int count) =>
        new(9, "silver_perch", "own", count, 0.01, CountBasis.ByVolume, "", null) { HatchLotId = lot };

    // Any order of what people write, the impossible too: the books must bear it.
    private static object Draw(Random random, List<long> lots)
    {
        var lot = lots[random.Next(lots.Count)];
        var n = random.Next(0, 60_000);
        return random.Next(7) switch
        {
            0 => Eggs(n + 1),
            1 => new LotCounted(lot, (LotStage)random.Next(3), n, CountBasis.ByVolume, ""),
            2 => new LotMoved(0, lot, random.Next(1, 5), n + 1),
            3 => new LotMoved(lot, lot, random.Next(1, 5), null),
            4 => new LotLeft(lot, (n / 10) + 1, (LotExit)random.Next(3), "x"),
            5 => Stocked(lot, (n / 4) + 1),
            _ => new LotCounted(lot, LotStage.Fry, n, CountBasis.Counted, ""),
        };
    }

    [Fact]
    public void Eggs_larvae_and_fry_are_conserved_in_any_order_of_counts_splits_moves_leavings_and_voids()
    {
        var random = new Random(11);
        for (var round = 0; round < 300; round++)
        {
            var written = new List<(long Line, DateTimeOffset At, object Fact)> { (1, Start, Eggs(100_000)) };
            var lots = new List<long> { 1 };
            for (var line = 2; line < 40; line++)
            {
                var fact = Draw(random, lots);
                written.Add((line, Start.AddHours(random.Next(1, 500)), fact));
                if (fact is EggsTaken or LotMoved { Count: not null })
                    lots.Add(line);
            }
            Conserved(written);
            // Some lines are taken back: the rest stands as if they had never been written.
            Conserved([.. written.Where(_ => random.Next(5) > 0)]);
        }
    }

    private static void Conserved(List<(long Line, DateTimeOffset At, object Fact)> written)
    {
        var ledger = LotLedger.Settle(written);
        foreach (var m in ledger.Movements)
            Assert.Equal(0, m.Postings.Sum(p => p.Count));
        LotAccount[] stand = [LotAccount.Eggs, LotAccount.Larvae, LotAccount.Fry];
        foreach (var lot in ledger.Lots)
        {
            Assert.True(lot.Count >= 0);
            Assert.Equal(lot.Count, stand.Sum(a => ledger.Balance(a, [lot.LotId])));
            // Only the account of its stage holds anything.
            Assert.All(stand.Where(a => (int)a != (int)lot.Stage + 1), a =>
                Assert.Equal(0, ledger.Balance(a, [lot.LotId]))
            );
        }
        var all = ledger.Lots.Select(l => l.LotId).ToList();
        Assert.Equal(0, Enum.GetValues<LotAccount>().Sum(a => ledger.Balance(a, all)));
        Assert.Equal(
            -written.Where(w => w.Fact is EggsTaken).Sum(w => (long)((EggsTaken)w.Fact).Count),
            ledger.Balance(LotAccount.Parents, all)
        );
    }

    private static LotLedger Story() =>
        LotLedger.Settle([
            (1, Start, Eggs(100_000)),
            (
                2,
                Start.AddHours(40),
                new LotCounted(1, LotStage.Larvae, 80_000, CountBasis.ByVolume, "") { PlusMinusPct = 10 }
            ),
            (3, Start.AddDays(3), new LotMoved(0, 1, 2, 30_000)),
            (4, Start.AddDays(6), new LotCounted(1, LotStage.Fry, 40_000, CountBasis.ByVolume, "")),
            (5, Start.AddDays(6), new LotLeft(1, 5_000, LotExit.Sent, "Creek farm")),
            (6, Start.AddDays(7), Stocked(1, 33_000)),
            (7, Start.AddDays(7), new LotCounted(1, LotStage.Fry, 0, CountBasis.Counted, "")),
        ]);

    [Fact]
    public void The_balance_of_eggs_and_the_chain_of_survival_by_hand()
    {
        var ledger = Story();
        Assert.Equal((0, 30_000), (ledger.Lot(1)!.Count, ledger.Lot(3)!.Count));
        Assert.Equal(1, ledger.Lot(3)!.ParentId);
        Assert.Equal([1L, 3L], ledger.Family(1).Select(l => l.LotId));
        // 100,000 eggs: 20,000 did not hatch, 10,000 of the 50,000 left did not come to feed, 5,000 sent, 33,000 in ponds, 2,000 not found.
        long Of(LotAccount a) => ledger.Balance(a, [1]);
        Assert.Equal(
            (30_000, 5_000, 33_000, 2_000),
            (Of(LotAccount.Dead), Of(LotAccount.Sent), Of(LotAccount.Ponds), Of(LotAccount.Difference))
        );
        var points = SurvivalChain.PointsOf(ledger, 1);
        var chain = SurvivalChain.Of(points);
        Assert.Equal(80, chain[0].Share.Value, 6);
        // What was parted from it alive is no death: 40,000 of 50,000.
        Assert.Equal(80, chain[1].Share.Value, 6);
        // The doubt of both counts adds up: 15 % and 10 %.
        var half = Math.Sqrt(Math.Pow(Math.Log(1.15), 2) + Math.Pow(Math.Log(1.1), 2));
        Assert.Equal(80 * Math.Exp(half), chain[0].Share.High, 6);
        Assert.Equal(2, chain.Count);
        var whole = SurvivalChain.Whole(chain)!;
        Assert.Equal(("eggs to feeding fry", 64.0), (whole.Name, Math.Round(whole.Share.Value, 6)));
        Assert.All(chain, l =>
            Assert.True(l.Share.Low <= l.Share.Value && l.Share.Value <= l.Share.High && !l.IsFault)
        );
    }

    [Fact]
    public void More_than_all_is_asked_and_named_and_a_count_never_goes_back_a_stage()
    {
        var lot = Story().Lot(3)!;
        Assert.Equal(LotStage.Larvae, lot.Stage);
        var more = new LotCounted(3, LotStage.Fry, 31_000, CountBasis.Counted, "");
        Assert.Equal(Objection.Ask, Assert.Single(more.Check(lot, Hand.Metric)).Kind);
        Assert.Equal(
            "Stage",
            Assert.Single(new LotCounted(3, LotStage.Eggs, 9, CountBasis.Counted, "").Check(lot, Hand.Metric)).Field
        );
        Assert.Contains(new LotLeft(3, 30_001, LotExit.Dead, "").Check(lot, Hand.Metric), r =>
            r.Kind == Objection.Refuse
        );
        Assert.Contains(new LotLeft(3, 5, LotExit.Sent, "").Check(lot, Hand.Metric), r => r.Field == "Where");
        var ledger = LotLedger.Settle([
            (1, Start, Eggs(1000)),
            (2, Start.AddHours(9), new LotCounted(1, LotStage.Larvae, 1100, CountBasis.Counted, "")),
        ]);
        Assert.Equal(-100, ledger.Balance(LotAccount.Difference, [1]));
        Assert.True(SurvivalChain.Whole(SurvivalChain.Of(SurvivalChain.PointsOf(ledger, 1)))!.IsFault);
    }

    [Fact]
    public void Treatments_differ_only_where_their_intervals_say_so()
    {
        static (string, Interval) Lot(string treatment, double pct) =>
            (treatment, new(pct, pct * 0.95, pct * 1.05, 0.95));
        Assert.Null(LotComparison.Of([Lot("live", 40), Lot("live", 50)]));
        var unsure = LotComparison.Of([Lot("live", 40), Lot("dry", 60)])!;
        Assert.Contains("no difference can be seen", unsure.Words, StringComparison.Ordinal);
        var sure = LotComparison.Of([
            .. Enumerable.Range(0, 6).Select(i => Lot("live", 60 + i)),
            .. Enumerable.Range(0, 6).Select(i => Lot("dry", 30 + i)),
        ])!;
        Assert.Equal("live lives better than dry", sure.Words);
        Assert.InRange(sure.Means[0].Survival.Value, 60, 66);
        // Lots drawn from one world are told apart in few cases only.
        var random = new Random(4);
        var told = Enumerable
            .Range(0, 400)
            .Count(_ =>
                !LotComparison
                    .Of(
                        Enumerable
                            .Range(0, 10)
                            .Select(i =>
                                Lot(
                                    i % 2 == 0 ? "a" : "b",
                                    50 * Math.Exp(0.3 * (random.NextDouble() - random.NextDouble()))
                                )
                            )
                    )!
                    .Words.StartsWith("no", StringComparison.Ordinal)
            );
        Assert.InRange(told / 400.0, 0, 0.09);
    }
}
