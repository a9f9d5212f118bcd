using Dorsk.Core.Harvest;
using Dorsk.Core.Health;
using Dorsk.Core.Plans;
using Dorsk.Core.Stock;
using Dorsk.Core.Water;
using Dorsk.Farm.Facts;
using Dorsk.Farm.Log;
using Dorsk.Farm.Tests.Facts;

namespace Dorsk.Farm.Tests.Health;

/// <summary>Residues and holds at every door through which fish leave; the doors are found by what they do to the ledger.</summary>
public class WithdrawalTests
{
    private static readonly Account[] Gone = [Account.Harvested, Account.SoldAlive, Account.MovedOff];

    public static TheoryData<string> Kinds => [.. FactKinds.All.Select(k => k.Name)];

    // Whether a fact takes fish of P1 off the farm or into another pond, or plans that: asked of the ledger on a farm without a treatment.
    private static bool TakesFishOut(string name)
    {
        using var farm = new FactFarm();
        var fact = farm.Of(name).Fact;
        // A plan, a net and its baskets, and a sale of what was taken out, lead fish off the farm without a posting.
        if (fact is HarvestPlanned { Dropped: false } or FishSold or NetDayBegun or BasketWeighed)
            return true;
        var before = Out(farm);
        farm.Farm.Try(fact, FactFarm.Now);
        return Out(farm) > before;
    }

    private static int Out(FactFarm farm)
    {
        var postings = farm.Farm.Movements(farm.Batch).SelectMany(m => m.Postings).ToList();
        return postings
            .Where(p => Gone.Contains(p.Account) || (p.Account == Account.Pond && p.PondId != farm.P1))
            .Sum(p => p.Count);
    }

    [Theory, MemberData(nameof(Kinds))]
    public void No_door_lets_treated_fish_out_before_their_time(string name)
    {
        var isDoor = TakesFishOut(name);
        using var farm = new FactFarm();
        // A net goes in before the treatment, where the fact needs one.
        _ = farm.Of(name);
        var product = farm.Farm.Must(FactFarm.Labelled("Bath", 10) with { WithdrawalDays = 400 }, FactFarm.Now);
        farm.Farm.Must(new TreatmentGiven(farm.P1, product, 50_000, 1, "made up", ""), FactFarm.Now);
        var receipt = farm.Farm.Try(farm.Of(name).Fact, FactFarm.Now.AddHours(1));
        if (isDoor)
        {
            Assert.False(receipt.Accepted, name);
            Assert.Contains(receipt.Remarks, r =>
                r.Text.Contains("withdrawal of Bath until", StringComparison.Ordinal)
            );
        }
        else
            Assert.DoesNotContain(receipt.Remarks, r => r.Text.Contains("withdrawal of", StringComparison.Ordinal));
    }

    [Fact]
    public void The_doors_are_there()
    {
        var doors = FactKinds.All.Select(k => k.Name).Where(TakesFishOut).Order().ToList();
        Assert.Equal(
            [
                nameof(BasketWeighed),
                nameof(FishHarvested),
                nameof(FishMoved),
                nameof(FishSold),
                nameof(HarvestPlanned),
                nameof(NetDayBegun),
            ],
            doors
        );
    }

    [Fact]
    public void It_ends_on_its_day_by_the_ponds_own_temperature_and_stands_in_verdict_and_gate()
    {
        using var farm = new TestFarm();
        var batch = farm.Stock(meanG: 400);
        DateTimeOffset Day(int day) => TestFarm.Start.AddDays(day);
        for (var day = 2; day < 40; day++)
            farm.Must(new ReadingTaken(farm.PondId, [new(Parameter.Temperature, day < 20 ? 25 : 10)]), Day(day));
        var product = farm.Must(FactFarm.Labelled("Bath", 10) with { WithdrawalDegreeDays = 400 }, Day(2));
        farm.Must(new TreatmentGiven(farm.PondId, product, 50_000, 1, "made up", ""), Day(10));
        // Days 11 to 19: 9 × 25 = 225. From day 20 on 10 each: 18 more days, the last of them day 37; free on day 38.
        FishHarvested Take(Account to) => new(farm.PondId, batch, 10, 4, CountBasis.Counted, to, false, "");
        farm.Clock.Now = Day(39);
        foreach (var to in Gone)
        {
            Assert.False(farm.Try(Take(to), Day(37)).Accepted);
            Assert.True(farm.Try(Take(to), Day(38)).Accepted);
        }
        var story = farm.Story;
        Assert.Contains(story.Water.At(Day(30), null).Findings, f => f.Rule == "withdrawal");
        var gate = story.HarvestGate(story.Batches[0], Day(30), Account.Harvested);
        Assert.Contains(gate, l => l is { Name: "withdrawal", State: Core.Prepare.Condition.NotMet });
        Assert.DoesNotContain(story.HarvestGate(story.Batches[0], Day(38), Account.Harvested), l =>
            l.Name == "withdrawal"
        );
        // A plan that stood before the treatment is named when the fish are treated.
        farm.Must(
            new HarvestPlanned(0, farm.PondId, batch, farm.Story.Zone.DayOf(Day(41)), null, null, false),
            Day(39)
        );
        var planned = farm.Door.Enter(
            Entry.Of(
                Guid.NewGuid(),
                "Manager",
                Day(39),
                new TreatmentGiven(farm.PondId, product, 50_000, 1, "made up", ""),
                "t",
                []
            )
        );
        Assert.Contains(planned.Remarks, r => r.Text.Contains("Fish are planned to leave", StringComparison.Ordinal));
        // A treatment written down late says who already has the fish.
        var late = farm.Door.Enter(
            Entry.Of(
                Guid.NewGuid(),
                "Manager",
                Day(38),
                new TreatmentGiven(farm.PondId, product, 50_000, 1, "made up", ""),
                "t",
                []
            )
        );
        Assert.Contains(late.Remarks, r => r.Text.Contains("tell whoever has them", StringComparison.Ordinal));
    }

    [Fact]
    public void No_other_slip_writes_a_treatment_past_dose_and_withdrawal()
    {
        using var farm = new FactFarm();
        farm.Farm.Must(farm.Of(nameof(QuarantineNoted)).Fact, FactFarm.Now);
        var past = new QuarantineNoted(farm.P1, farm.Batch, QuarantineEvent.Treated, null, true, "a bath by the vet");
        Assert.Contains(farm.Farm.Try(past, FactFarm.Now.AddHours(1)).Remarks, r =>
            r.Text.Contains("slip of its own", StringComparison.Ordinal)
        );
        // Nor does a poison against wild fish go unasked into water with fish in it.
        var poison = new Core.Ponds.PondWorked(farm.P1, Core.Ponds.PondWork.PestTreated, "tea seed", 5);
        var entry = Entry.Of(Guid.NewGuid(), "Manager", FactFarm.Now.AddHours(1), poison, "t", []);
        Assert.Contains(farm.Farm.Door.Enter(entry).Remarks, r =>
            r.Text.Contains("kills them too", StringComparison.Ordinal)
        );
    }

    [Fact]
    public void A_pond_on_hold_lets_nothing_in_or_out_until_somebody_ends_it()
    {
        using var farm = new FactFarm();
        farm.Farm.Must(new PondHeld(farm.P2, true, "white spots"), FactFarm.Now);
        FishMoved In() => new(farm.P1, farm.P2, farm.Batch, 30, 60, CountBasis.Counted);
        Assert.False(farm.Farm.Try(In(), FactFarm.Now.AddHours(1)).Accepted);
        Assert.False(farm.Farm.Try(farm.Of(nameof(FishStocked)).Fact, FactFarm.Now.AddHours(1)).Accepted);
        farm.Farm.Must(new PondHeld(farm.P1, true, "they may have it too"), FactFarm.Now);
        Assert.False(farm.Farm.Try(farm.Of(nameof(FishHarvested)).Fact, FactFarm.Now.AddHours(1)).Accepted);
        Assert.False(farm.Farm.Try(farm.Of(nameof(HarvestPlanned)).Fact, FactFarm.Now.AddHours(1)).Accepted);
        Assert.Contains(farm.Farm.Story.Water.At(FactFarm.Now.AddHours(1), null).Findings, f =>
            f is { Rule: "hold", ShutsGate: true }
        );
        foreach (var pond in new[] { farm.P1, farm.P2 })
            farm.Farm.Must(new PondHeld(pond, false, "the vet says so"), FactFarm.Now.AddHours(2));
        Assert.True(farm.Farm.Try(In(), FactFarm.Now.AddHours(3)).Accepted);
    }
}
