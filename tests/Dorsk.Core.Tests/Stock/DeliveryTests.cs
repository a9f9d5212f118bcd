using Dorsk.Core.Judging;
using Dorsk.Core.Species;
using Dorsk.Core.Stock;
using Dorsk.Core.Time;
using Dorsk.Core.Units;

namespace Dorsk.Core.Tests.Stock;

/// <summary>What comes onto the farm: the look over a delivery, and how long fish are held apart, wherever they go.</summary>
public class DeliveryTests
{
    private static readonly FishReceived Good = new(
        1,
        "silver_perch",
        "Upstream hatchery",
        "S-12",
        SeedSource.Hatchery,
        5000,
        2,
        10,
        true,
        true,
        true,
        true,
        900,
        DeliveryVerdict.Accepted,
        ""
    );

    private static IReadOnlyList<Judgement> Against(FishReceived f) => DeliveryLook.Against(f, Hand.Metric);

    [Fact]
    public void A_delivery_speaks_for_itself()
    {
        Assert.Empty(Against(Good));
        Assert.Empty(Good.Check(Hand.Metric));
        Assert.Equal(Status.ActNow, Against(Good with { Dead = 400 })[0].Status);
        Assert.Equal(
            4,
            Against(Good with { Dead = 100, Papers = false, Even = false, Source = SeedSource.Wild }).Count
        );
        Assert.Contains((Good with { Lively = false }).Check(Hand.Metric), r => r.Field == "Verdict");
        Assert.DoesNotContain(
            (Good with { Lively = false, Verdict = DeliveryVerdict.Refused, Note = "gasping" }).Check(Hand.Metric),
            r => r.Field is "Verdict" or "Note"
        );
        Assert.Equal(
            ["Count", "Dead", "MeanWeight", "Note", "Seller"],
            new[]
            {
                Good with
                {
                    Count = 0,
                    Dead = 0,
                },
                Good with
                {
                    Dead = 5001,
                    Verdict = DeliveryVerdict.Refused,
                    Note = "dead",
                },
                Good with
                {
                    MeanG = 0,
                },
                Good with
                {
                    Verdict = DeliveryVerdict.AcceptedWithNote,
                },
                Good with
                {
                    Seller = "",
                },
            }
                .SelectMany(f => f.Check(Hand.Metric))
                .Select(r => r.Field)
                .Order()
        );
    }

    [Fact]
    public void Size_bags_water_and_the_way_speak_too()
    {
        (FishReceived Of, Status Status, string Says)[] cases =
        [
            (Good with { MeanG = 0.2 }, Status.Watch, "Of fry size"),
            (Good with { MeanG = 0.0004 }, Status.ActNow, "belong in a hatchery"),
            (Good with { MeanG = 1.5, Stage = SeedStage.Larger }, Status.Watch, "of fingerling weight"),
            (Good with { Bags = 20, SlackBags = 1 }, Status.Watch, "1 of 20 bags slack"),
            (Good with { Bags = 20, SlackBags = 3 }, Status.ActNow, "3 of 20 bags slack"),
            (Good with { FoulWater = true }, Status.Watch, "smells foul"),
            (Good with { BasinMinutes = 12 }, Status.ActNow, "without air"),
            (Good with { BasinMinutes = 45, BasinAir = true }, Status.Watch, "with air"),
        ];
        foreach (var (delivery, status, says) in cases)
        {
            var found = Assert.Single(Against(delivery));
            Assert.Equal(status, found.Status);
            Assert.Contains(says, found.Reason, StringComparison.Ordinal);
        }
        Assert.Empty(Against(Good with { BasinMinutes = 12, BasinAir = true, Bags = 20, SlackBags = 0 }));
        FishReceived[] wrong =
        [
            Good with
            {
                StageDay = 10,
            },
            Good with
            {
                Stage = SeedStage.PostLarvae,
                StageDay = 90,
            },
            Good with
            {
                SlackBags = 1,
            },
            Good with
            {
                LengthM = 5,
            },
            Good with
            {
                BasinMinutes = -1,
            },
        ];
        Assert.Equal(
            ["StageDay", "StageDay", "SlackBags", "Length", "BasinMinutes"],
            wrong.Select(f => Assert.Single(f.Check(Hand.Metric)).Field)
        );
    }

    [Theory]
    [InlineData("silver_perch", 26, SeedSource.Hatchery, 21)]
    [InlineData("silver_perch", 26, SeedSource.Dealer, 30)]
    [InlineData("silver_perch", 18, SeedSource.Hatchery, 28)]
    [InlineData("rainbow_trout", 12, SeedSource.Wild, 60)]
    [InlineData("silver_perch", 12, SeedSource.OwnFarm, 7)]
    [InlineData("whiteleg_shrimp", 28, SeedSource.Hatchery, 2)]
    [InlineData("whiteleg_shrimp", 28, SeedSource.OwnFarm, 2)]
    public void Days_of_isolation_follow_water_and_origin(string species, double tempC, SeedSource source, int days) =>
        Assert.Equal(days, Quarantine.UsualDays(FishSpecies.Of(species), tempC, source).Days);

    private static readonly DateTimeOffset Midday = new(2027, 1, 1, 2, 0, 0, TimeSpan.Zero);

    private static (DateTimeOffset, QuarantineNoted) Note(
        int day,
        QuarantineEvent what,
        int? days = null,
        long pond = 1
    ) => (Midday.AddDays(day), new(pond, 7, what, days, true, "said"));

    [Fact]
    public void The_hold_goes_with_the_fish_and_free_fish_that_join_begin_it_anew()
    {
        var zone = FarmZone.Find("Etc/GMT-10")!;
        (DateTimeOffset, FishMoved) Move(int day, long from, long to) =>
            (Midday.AddDays(day), new(from, to, 7, 10, 5, CountBasis.Counted));
        Dictionary<long, int> Held((DateTimeOffset, QuarantineNoted)[] notes, (DateTimeOffset, FishMoved)[] moves) =>
            Quarantine
                .Follow(notes, moves, zone)
                .ToDictionary(q => q.PondId, q => q.Until.DayNumber - zone.DayOf(Midday).DayNumber);
        Assert.Equal(new() { [1] = 21 }, Held([Note(0, QuarantineEvent.Begun, 21)], []));
        // Some are moved into an empty pond: held there as long, and the first place lets only its own go.
        var moved = Held(
            [Note(0, QuarantineEvent.Begun, 21), Note(30, QuarantineEvent.Passed)],
            [Move(5, 1, 2), Move(8, 2, 3)]
        );
        Assert.Equal(new() { [2] = 21, [3] = 21 }, moved);
        // Fish of the batch from elsewhere, never held, join on day 10.
        Assert.Equal(new() { [1] = 31 }, Held([Note(0, QuarantineEvent.Begun, 21)], [Move(10, 4, 1)]));
        // Passed before they move: free.
        Assert.Empty(Held([Note(0, QuarantineEvent.Begun, 7), Note(8, QuarantineEvent.Passed)], [Move(9, 1, 2)]));
    }

    [Fact]
    public void All_lots_of_one_water_pass_together_after_calm_looks_without_marks()
    {
        var day = new DateOnly(2027, 2, 1);
        Quarantine Lot(long batch, int until, bool calm = true) =>
            new(batch, 1, day.AddDays(-21), day.AddDays(until), [(day, calm)]);
        string? Against(IReadOnlyList<Quarantine> lots, params (int DaysAgo, HealthMark Mark, int Fish)[] marks) =>
            new HeldWater(
                lots,
                [.. marks.Select(m => (day.AddDays(-m.DaysAgo), new MarkCount(m.Mark, m.Fish)))]
            ).AgainstPassing(7, day);
        Assert.Null(Against([Lot(7, 0)]));
        Assert.Null(Against([Lot(7, 0), Lot(8, -1)], (8, HealthMark.Sores, 2), (1, HealthMark.Bent, 3)));
        (string? Said, string Wanted)[] against =
        [
            (Against([Lot(7, 1)]), "They are held until"),
            (Against([Lot(7, 0), Lot(8, 5)]), "Another lot in the same water"),
            (Against([Lot(7, 0, calm: false)]), "The last looks were not calm"),
            (Against([Lot(7, 0), Lot(8, 0, calm: false)]), "Of another lot"),
            (Against([Lot(7, 0)], (3, HealthMark.Sores, 2)), "sores on 2 fish"),
        ];
        Assert.All(against, a => Assert.Contains(a.Wanted, a.Said, StringComparison.Ordinal));
    }

    [Fact]
    public void The_kind_of_stock_says_what_it_means_for_grading_and_spawning()
    {
        Assert.Equal("", StockType.Unsaid.Word() + StockType.Unsaid.Means());
        Assert.All(Enum.GetValues<StockType>().Where(t => t != StockType.Unsaid), t =>
            Assert.True(t.Word().Length > 0 && t.Means().Length > 20)
        );
        Assert.Contains("do not breed", StockType.Hybrid.Means(), StringComparison.Ordinal);
    }

    [Fact]
    public void Fish_held_apart_without_air_or_rest_are_asked_about()
    {
        var begun = new QuarantineNoted(1, 2, QuarantineEvent.Begun, 21, true, "");
        Assert.Empty(begun.Check(HeldWater.None, new(2027, 1, 21)));
        Assert.Equal(
            ["Air", "Rest"],
            (begun with { NoAir = true, NoRest = true }).Check(HeldWater.None, new(2027, 1, 21)).Select(r => r.Field)
        );
    }
}
