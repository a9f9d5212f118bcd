using Dorsk.Core.Feeding;
using Dorsk.Core.Judging;
using Dorsk.Core.Stock;
using Dorsk.Core.Units;

namespace Dorsk.Core.Tests.Stock;

/// <summary>Every objection to a movement of fish at its edge: on one side it is said, on the other it is not.</summary>
public class StockRulesTests
{
    private static readonly DateTimeOffset Stocked = new(2026, 11, 1, 7, 0, 0, TimeSpan.Zero);
    private static readonly BatchOnBooks Batch = new(9, "silver_perch", Stocked, 1000, null);
    private static readonly DateTimeOffset Later = Stocked.AddDays(60);

    private static readonly FishStocked Stocking = new(
        1,
        "silver_perch",
        "hatchery",
        800,
        20,
        CountBasis.ByWeight,
        "",
        500
    );
    private static readonly FishHarvested Harvest = new(
        1,
        9,
        900,
        90,
        CountBasis.Counted,
        Account.Harvested,
        false,
        ""
    );

    private static string Said(IEnumerable<Remark> remarks) =>
        string.Join(" ", remarks.Select(r => $"{r.Kind} {r.Field}").Order(StringComparer.Ordinal));

    [Theory]
    [InlineData(800, 20, 500.0, "")]
    [InlineData(0, 20, 500.0, "Refuse Count")]
    [InlineData(10_000_000, 20, 500.0, "")]
    [InlineData(10_000_001, 20, 500.0, "Refuse Count")]
    [InlineData(800, 0, 500.0, "Refuse MeanWeight")]
    [InlineData(800, double.NaN, 500.0, "Refuse MeanWeight")]
    [InlineData(800, 400, null, "")]
    [InlineData(800, 401, null, "Ask MeanWeight")]
    [InlineData(800, 20, 20.0, "Refuse Target")]
    [InlineData(800, 20, 20.1, "")]
    public void Stocking_fish(int count, double meanG, double? target, string says) =>
        Assert.Equal(
            says,
            Said(
                StockRules.Check(
                    Stocking with
                    {
                        Count = count,
                        MeanG = meanG,
                        TargetG = target,
                    },
                    declaredReady: true,
                    [],
                    Hand.Metric
                )
            )
        );

    [Theory]
    [InlineData(true, "", "", "")]
    [InlineData(false, "", "", "Refuse NotReadyReason")]
    [InlineData(false, "", "on the road", "")]
    [InlineData(true, "pH 9.3", "", "Refuse NotReadyReason")]
    [InlineData(true, "pH 9.3", "falls by noon", "")]
    public void The_gate(bool declared, string notMet, string reason, string says)
    {
        var remarks = StockRules
            .Check(Stocking with { NotReadyReason = reason }, declared, notMet.Length > 0 ? [notMet] : [], Hand.Metric)
            .ToList();
        Assert.Equal(says, Said(remarks));
        Assert.All(remarks, r =>
            Assert.Contains(notMet.Length > 0 ? notMet : "not declared ready", r.Text, StringComparison.Ordinal)
        );
    }

    [Theory]
    [InlineData(1, Account.Dead, "")]
    [InlineData(200, Account.Dead, "")]
    [InlineData(201, Account.Dead, "Ask Count")]
    [InlineData(1001, Account.Eaten, "Ask Count")]
    [InlineData(0, Account.Dead, "Refuse Count")]
    [InlineData(5, Account.Harvested, "Refuse To")]
    public void Losing_fish(int count, Account to, string says) =>
        Assert.Equal(says, Said(StockRules.Check(new FishLost(1, 9, count, to, ""), Batch, Later, Hand.Metric)));

    [Theory]
    [InlineData(900, 90, false, "", null, "")]
    [InlineData(1000, 100, true, "", null, "")]
    [InlineData(900, 90, true, "", null, "Refuse DifferenceReason")]
    [InlineData(900, 90, true, "birds", null, "")]
    [InlineData(1001, 100, false, "short count", null, "Ask Count")]
    [InlineData(1001, 100, false, "", null, "Ask Count Refuse DifferenceReason")]
    [InlineData(900, 0, false, "", null, "Refuse Mass")]
    [InlineData(900, 90, false, "", 50.0, "")]
    [InlineData(900, 90.1, false, "", 50.0, "Ask Mass")]
    [InlineData(900, 90, false, "", 201.0, "Ask Mass")]
    public void Harvesting_fish(int count, double kg, bool final, string reason, double? expectedG, string says) =>
        Assert.Equal(
            says,
            Said(
                StockRules.Check(
                    Harvest with
                    {
                        Count = count,
                        MassKg = kg,
                        Final = final,
                        DifferenceReason = reason,
                    },
                    Batch,
                    Later,
                    expectedG,
                    Hand.Metric
                )
            )
        );

    [Theory]
    [InlineData(30, 3000, 100.0, "")]
    [InlineData(30, 4800, 100.0, "")]
    [InlineData(30, 4801, 100.0, "Ask Weighings")]
    [InlineData(30, 1874, 100.0, "Ask Weighings")]
    [InlineData(0, 3000, null, "Refuse Weighings")]
    [InlineData(30, 0, null, "Refuse Weighings")]
    [InlineData(1001, 90_000, null, "Ask Weighings")]
    public void Sampling_fish(int count, double massG, double? expectedG, string says) =>
        Assert.Equal(
            says,
            Said(StockRules.Check(new FishSampled(1, 9, false, [(count, massG)]), Batch, Later, expectedG, Hand.Metric))
        );

    [Theory]
    [InlineData(1, 2, 100, "")]
    [InlineData(1, 1, 100, "Refuse ToPond")]
    [InlineData(1, 2, 1001, "Ask Count")]
    [InlineData(1, 2, 0, "Refuse Count")]
    public void Moving_fish(long from, long to, int count, string says) =>
        Assert.Equal(
            says,
            Said(
                StockRules.Check(new FishMoved(from, to, 9, count, 100, CountBasis.Counted), Batch, Later, Hand.Metric)
            )
        );

    [Fact]
    public void Figures_in_messages_are_written_in_the_farms_way()
    {
        var comma = new Dorsk.Core.Units.Hand(Dorsk.Core.Units.UnitSystem.Metric, Dorsk.Core.Units.DecimalSign.Comma);
        string Text(Dorsk.Core.Units.Hand hand) =>
            StockRules.Check(new FishLost(1, 9, 1500, Account.Dead, ""), Batch, Later, hand).First().Text;
        Assert.Contains("1,500", Text(Hand.Metric), StringComparison.Ordinal);
        Assert.Contains("1.500", Text(comma), StringComparison.Ordinal);
    }

    [Fact]
    public void Nothing_happens_to_a_batch_before_it_came_or_after_its_books_were_closed()
    {
        var closed = Batch with { ClosedAt = Stocked.AddDays(90) };
        Assert.Equal(
            "Refuse When",
            Said(StockRules.Check(new FishLost(1, 9, 1, Account.Dead, ""), closed, Stocked.AddMinutes(-1), Hand.Metric))
        );
        Assert.Equal("", Said(StockRules.Check(new FishLost(1, 9, 1, Account.Dead, ""), closed, Stocked, Hand.Metric)));
        Assert.Equal(
            "",
            Said(StockRules.Check(new FishLost(1, 9, 1, Account.Dead, ""), closed, Stocked.AddDays(90), Hand.Metric))
        );
        Assert.Equal(
            "Refuse When",
            Said(
                StockRules.Check(
                    new FishLost(1, 9, 1, Account.Dead, ""),
                    closed,
                    Stocked.AddDays(90).AddMinutes(1),
                    Hand.Metric
                )
            )
        );
    }

    [Theory]
    [InlineData(80, 1000, 200, "")]
    [InlineData(80.1, 1000, 200, "Ask Mass")]
    [InlineData(250, 1000, 5, "")]
    [InlineData(251, 1000, 5, "Ask Mass")]
    [InlineData(5, 0, 0, "Ask Mass")]
    [InlineData(0, 1000, 200, "Refuse Mass")]
    [InlineData(double.PositiveInfinity, 1000, 200, "Refuse Mass")]
    public void Feeding(double kg, double standingKg, double meanG, string says) =>
        Assert.Equal(says, Said(FeedingRule.Check(kg, standingKg, meanG, Hand.Metric)));

    [Fact]
    public void Objections_speak_the_farms_units()
    {
        var text = StockRules.Check(Harvest, Batch, Later, 30, Hand.Us).Single().Text;
        Assert.Contains("lb", text, StringComparison.Ordinal);
        Assert.DoesNotContain(" g ", text, StringComparison.Ordinal);
    }
}
