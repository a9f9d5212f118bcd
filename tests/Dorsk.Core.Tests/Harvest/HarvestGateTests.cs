using Dorsk.Core.Harvest;
using Dorsk.Core.Judging;
using Dorsk.Core.Prepare;
using Dorsk.Core.Species;
using Dorsk.Core.Stock;
using Dorsk.Core.Units;

namespace Dorsk.Core.Tests.Harvest;

/// <summary>The conditions before fish are taken out.</summary>
public class HarvestGateTests
{
    private static readonly DateOnly Day = new(2027, 1, 21);
    private static readonly HarvestQuestion Good = new(
        FishSpecies.Of("silver_perch"),
        500,
        Day.ToDateTime(new(6, 0)),
        Day.AddDays(-300),
        Day.AddDays(-3),
        Day.AddDays(-10),
        Day.AddDays(-2).ToDateTime(new(16, 0)),
        27,
        null,
        []
    );

    private static Dictionary<string, Condition> Of(HarvestQuestion q, Account to = Account.Harvested) =>
        HarvestGate.For(q, to, Hand.Metric).ToDictionary(l => l.Name, l => l.State);

    [Fact]
    public void A_harvest_is_held_against_taste_fast_size_and_water()
    {
        Assert.All(Of(Good).Values, s => Assert.Equal(Condition.Met, s));
        (HarvestQuestion Q, string Line, Condition State)[] cases =
        [
            (Good with { TastedOn = Day.AddDays(-15) }, "taste", Condition.Unknown),
            (Good with { TastedOn = Day.AddDays(-400) }, "taste", Condition.Unknown),
            (Good with { TastedOn = null }, "taste", Condition.Unknown),
            (Good with { FailedOn = Day.AddDays(-1) }, "taste", Condition.NotMet),
            (Good with { FailedOn = Day.AddDays(-5) }, "taste", Condition.Met),
            (Good with { FailedOn = Day.AddDays(-400), TastedOn = null }, "taste", Condition.Unknown),
            (Good with { LastFed = Day.AddDays(-1).ToDateTime(new(16, 0)) }, "fast", Condition.NotMet),
            (Good with { LastFed = null }, "fast", Condition.Met),
            (Good with { AskedAt = Good.At.AddDays(-5) }, "fast", Condition.Unknown),
            (Good with { AskedAt = Good.At.AddHours(-1) }, "fast", Condition.Met),
            (Good with { MeanG = 300 }, "size", Condition.NotMet),
            (Good with { SampledOn = Day.AddDays(-40) }, "size", Condition.Unknown),
            (Good with { At = Day.ToDateTime(new(15, 0)) }, "cool hour", Condition.NotMet),
            (Good with { Held = new(1, 1, Day.AddDays(-2), Day.AddDays(19), []) }, "quarantine", Condition.NotMet),
            (
                Good with
                {
                    Findings =
                    [
                        new("oxygen now", Status.ActNow, "2 mg/L") { ShutsGate = true, Why = Grounds.Of("", "") },
                    ],
                },
                "water",
                Condition.NotMet
            ),
        ];
        foreach (var (q, line, state) in cases)
            Assert.Equal((line, state), (line, Of(q)[line]));
        Assert.Contains(
            "earlier crop",
            HarvestGate
                .For(Good with { TastedOn = Day.AddDays(-400) }, Account.Harvested, Hand.Metric)
                .First(l => l.Name == "taste")
                .Reason,
            StringComparison.Ordinal
        );
        // Fish that are moved off to grow are not tasted; in cool water the hour is no matter.
        Assert.DoesNotContain("taste", Of(Good, Account.MovedOff).Keys);
        Assert.DoesNotContain("taste", Of(Good with { MeanG = 20 }, Account.SoldAlive).Keys);
        Assert.Contains("taste", Of(Good, Account.SoldAlive).Keys);
        Assert.DoesNotContain("cool hour", Of(Good with { TempC = 15 }).Keys);
        Assert.Equal(
            [null, Day.AddDays(-3), null],
            new[]
            {
                HarvestGate.TasteFor(Day.AddDays(1), Day.AddDays(-300), Day),
                HarvestGate.TasteFor(Day.AddDays(-3), Day.AddDays(-300), Day),
                HarvestGate.TasteFor(null, Day.AddDays(-300), Day),
            }
        );
    }
}
