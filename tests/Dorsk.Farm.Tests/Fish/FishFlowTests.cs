using Dorsk.Core.Acclimate;
using Dorsk.Core.Judging;
using Dorsk.Core.Ponds;
using Dorsk.Core.Stock;

namespace Dorsk.Farm.Tests.Fish;

/// <summary>Splits, merges, counts and quarantines through the books: fish are conserved, masses combine, held fish meet no others.</summary>
public class FishFlowTests
{
    private static readonly DateTimeOffset Start = TestFarm.Start;

    private static long Pond(TestFarm farm, string code) =>
        farm.Must(
            new PondBuilt(new Pond(0, code, "", PondKind.Earthen, new SlopedRectangle(40, 25, 1.4, 2), "grow-out")),
            Start
        );

    [Fact]
    public void Over_any_sequence_of_splits_merges_counts_and_voids_no_fish_is_made_or_lost()
    {
        for (var seed = 1; seed <= 12; seed++)
        {
            using var farm = new TestFarm();
            var chance = new Random(seed);
            long[] ponds = [farm.PondId, Pond(farm, "P2"), Pond(farm, "P3")];
            long[] batches =
            [
                farm.Stock(1500),
                farm.Must(
                    new FishStocked(ponds[1], "silver_perch", "second", 900, 25, CountBasis.Counted, "test", null),
                    Start.AddDays(1)
                ),
            ];
            var done = new List<(long Line, DateTimeOffset At)>();
            for (var i = 0; i < 90; i++)
            {
                var (pond, batch, at) = (ponds[chance.Next(3)], batches[chance.Next(2)], Start.AddDays(3 + (i / 3)));
                FishFact fact = chance.Next(6) switch
                {
                    0 or 1 or 2 => new FishMoved(
                        pond,
                        ponds[chance.Next(3)],
                        batch,
                        chance.Next(1, 400),
                        chance.Next(20, 90),
                        CountBasis.ByWeight
                    ),
                    3 => new FishRecounted(pond, batch, chance.Next(0, 800), CountBasis.Counted, "birds"),
                    4 => new FishLost(pond, batch, chance.Next(1, 50), Account.Dead, ""),
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
                if (farm.Try(fact, at) is { Accepted: true } r)
                    done.Add((r.Lines[0], at));
                if (done.Count > 0 && chance.Next(4) == 0)
                {
                    var (line, when) = done[chance.Next(done.Count)];
                    if (farm.Try(null, when, line).Accepted)
                        done.RemoveAll(d => d.Line == line);
                }
            }
            Assert.True(done.Count > 5, $"{done.Count} kept");
            var movements = batches.SelectMany(b => farm.Movements(b)).ToList();
            Assert.True(Ledger.Balances(movements.SelectMany(m => m.Postings)));
            Assert.All(batches, b => Assert.Null(Ledger.FirstShort(farm.Movements(b))));
            var flow = FishFlow.Of(movements);
            var standing = ponds.Sum(p => flow.Stands(new(Account.Pond, p)));
            var gone = flow.Places.Where(p => p.Account is not (Account.Pond or Account.Supplier)).Sum(flow.Stands);
            Assert.Equal(2400, standing + gone);
            Assert.All(ponds, p => Assert.True(flow.Stands(new(Account.Pond, p)) >= 0));
            // Each pond's own book says the same as the flow.
            var now = Start.AddDays(40);
            foreach (var (code, id) in new[] { "P1", "P2", "P3" }.Zip(ponds))
                Assert.Equal(
                    flow.Stands(new(Account.Pond, id)),
                    farm.Questions.Cycles(farm.Questions.Story(code)!, now).Sum(c => c.Result.LeftInPond)
                );
        }
    }

    [Fact]
    public void Each_ponds_book_holds_what_befell_the_batch_there_and_masses_combine()
    {
        using var farm = new TestFarm();
        var other = Pond(farm, "P2");
        var batch = farm.Stock(1000);
        farm.Must(new FishMoved(farm.PondId, other, batch, 300, 60, CountBasis.Counted), Start.AddDays(20));
        farm.Must(new FishMoved(farm.PondId, other, batch, 100, 80, CountBasis.Counted), Start.AddDays(30));
        farm.Must(new FishLost(other, batch, 40, Account.Eaten, ""), Start.AddDays(31));
        farm.Must(
            new FishHarvested(other, batch, 350, 70, CountBasis.Counted, Account.Harvested, true, "birds"),
            Start.AddDays(60)
        );
        var here = farm.Questions.Cycles(farm.Questions.Story("P1")!, Start.AddDays(61)).Single().Result;
        var there = farm.Questions.Cycles(farm.Questions.Story("P2")!, Start.AddDays(61)).Single().Result;
        Assert.Equal((1000, 400, 600, 0), (here.Stocked, here.MovedOut, here.LeftInPond, here.Out.Values.Sum()));
        Assert.Equal((400, 0, 0, 10), (there.Stocked, there.MovedOut, there.LeftInPond, there.UnexplainedCount));
        Assert.Equal(87.5, there.SurvivalPct);
        // 300 × 60 g and 100 × 80 g came: 26 kg; 70 kg went.
        Assert.Equal((70.0, 44.0), (there.CaughtKg, there.GainKg));
    }

    [Fact]
    public void A_count_of_all_sets_the_estimate_and_names_its_difference()
    {
        using var farm = new TestFarm();
        var batch = farm.Stock(1000);
        Assert.Contains(
            "Give the difference a name",
            farm.Try(new FishRecounted(farm.PondId, batch, 930, CountBasis.Counted, ""), Start.AddDays(90))
                .Remarks[0]
                .Text,
            StringComparison.Ordinal
        );
        farm.Must(new FishRecounted(farm.PondId, batch, 930, CountBasis.Counted, "birds"), Start.AddDays(90));
        Assert.Equal(
            (930, 70),
            (farm.Stands(batch), Ledger.Balance(farm.Movements(batch), batch, Account.Unexplained))
        );
        var story = farm.Questions.Story("P1")!;
        var stands = story.Stock.On(batch, story.Zone.DayOf(Start.AddDays(90)))!.Count;
        Assert.Equal(930, stands.Value, 9);
        Assert.InRange(stands.High - stands.Low, 1, 60);
        farm.Must(new FishRecounted(farm.PondId, batch, 945, CountBasis.Counted, "some hid"), Start.AddDays(91));
        Assert.Equal(
            (945, 55),
            (farm.Stands(batch), Ledger.Balance(farm.Movements(batch), batch, Account.Unexplained))
        );
    }

    [Fact]
    public void Fish_held_apart_meet_no_others_until_they_pass_or_somebody_says_why()
    {
        using var farm = new TestFarm();
        var other = Pond(farm, "P2");
        var batch = farm.Stock(1000);
        var others = farm.Must(
            new FishStocked(other, "silver_perch", "own", 500, 60, CountBasis.Counted, "test", null),
            Start.AddDays(1)
        );
        QuarantineNoted Line(QuarantineEvent e, int? days = null, bool calm = true, string text = "") =>
            new(farm.PondId, batch, e, days, calm, text);
        DateTimeOffset Day(int d) => Start.AddDays(d);
        var move = new FishMoved(farm.PondId, other, batch, 100, 60, CountBasis.Counted);
        Assert.False(farm.Try(Line(QuarantineEvent.Looked), Day(2)).Accepted);
        Assert.False(farm.Try(Line(QuarantineEvent.Begun), Day(2)).Accepted);
        farm.Must(Line(QuarantineEvent.Begun, 14), Day(2));
        Assert.Contains("held apart until", farm.Try(move, Day(5)).Remarks[0].Text, StringComparison.Ordinal);
        Assert.False(farm.Try(new FishMoved(other, farm.PondId, others, 10, 60, CountBasis.Counted), Day(5)).Accepted);
        Assert.False(farm.Try(Line(QuarantineEvent.Passed), Day(6)).Accepted);
        farm.Must(Line(QuarantineEvent.Looked, calm: false), Day(15));
        farm.Must(Line(QuarantineEvent.Extended, 3), Day(15));
        Assert.Equal(
            19,
            Assert.Single(farm.Questions.Quarantines(Day(16))).Until.DayNumber
                - farm.Questions.Story("P1")!.Zone.DayOf(Start).DayNumber
        );
        Assert.False(farm.Try(Line(QuarantineEvent.Passed), Day(20)).Accepted);
        farm.Must(Line(QuarantineEvent.Looked), Day(20));
        farm.Must(Line(QuarantineEvent.Passed), Day(20).AddHours(1));
        Assert.Empty(farm.Questions.Quarantines(Day(21)));
        farm.Must(move, Day(21));
        // And before their time, with a reason.
        farm.Must(Line(QuarantineEvent.Begun, 14), Day(22));
        Assert.False(farm.Try(Line(QuarantineEvent.Overruled), Day(23)).Accepted);
        farm.Must(Line(QuarantineEvent.Overruled, text: "own stock after all"), Day(23));
        farm.Must(move with { Count = 50 }, Day(24));
    }

    [Fact]
    public void A_quarantine_does_not_leak_by_an_empty_pond_a_new_lot_a_sale_or_a_neighbour()
    {
        using var farm = new TestFarm();
        long empty = Pond(farm, "P2"),
            stocked = Pond(farm, "P3");
        DateTimeOffset Day(int d) => Start.AddDays(d);
        FishStocked Lot(long pond, string from) =>
            new(pond, "silver_perch", from, 300, 50, CountBasis.Counted, "t", null);
        var batch = farm.Stock(1000);
        farm.Must(Lot(stocked, "own"), Day(1));
        farm.Must(new QuarantineNoted(farm.PondId, batch, QuarantineEvent.Begun, 21, true, ""), Day(2));
        // A second lot on the same day is one intake; a later one would make the wait worth nothing.
        farm.Must(Lot(farm.PondId, "same truck"), Day(2).AddHours(3));
        Assert.Contains(
            "held apart here since",
            farm.Try(Lot(farm.PondId, "late"), Day(5)).Remarks[0].Text,
            StringComparison.Ordinal
        );
        // Through an empty pond and on: the hold went with them.
        farm.Must(new FishMoved(farm.PondId, empty, batch, 400, 55, CountBasis.Counted), Day(6));
        Assert.Equal([farm.PondId, empty], farm.Questions.Quarantines(Day(7)).Select(q => q.PondId).Order());
        Assert.False(farm.Try(new FishMoved(empty, stocked, batch, 50, 55, CountBasis.Counted), Day(7)).Accepted);
        FishHarvested Out(Account to) => new(empty, batch, 10, 0.5, CountBasis.Counted, to, false, "");
        Assert.False(farm.Try(Out(Account.SoldAlive), Day(8)).Accepted);
        farm.Must(Out(Account.Harvested), Day(8));
        // Sores on a sample of the week keep them, whatever the looks say.
        farm.Must(new QuarantineNoted(empty, batch, QuarantineEvent.Looked, null, true, ""), Day(23));
        farm.Must(
            new FishSampled(empty, batch, true, [(1, 55), (1, 60)]) { Marks = [new(HealthMark.Sores, 1)] },
            Day(22)
        );
        var passed = new QuarantineNoted(empty, batch, QuarantineEvent.Passed, null, true, "");
        Assert.Contains("sores on 1 fish", farm.Try(passed, Day(23)).Remarks[0].Text, StringComparison.Ordinal);
        farm.Must(passed with { Event = QuarantineEvent.Overruled, Text = "vet: healed" }, Day(24));
        farm.Must(Out(Account.SoldAlive), Day(25));
        // What stands in the pond shuts it to others, and says so.
        var verdict = farm.Questions.Story("P1")!.Water.At(Day(7), null);
        Assert.Contains(verdict.Findings, f => f is { Rule: "quarantine", ShutsGate: true, Status: Status.Watch });
    }

    [Fact]
    public void Bought_fish_join_others_without_isolation_only_with_a_reason_that_the_batch_keeps()
    {
        using var farm = new TestFarm();
        farm.Stock();
        var at = Start.AddDays(3);
        long Came(SeedSource source) =>
            farm.Must(
                new FishReceived(
                    farm.PondId,
                    "silver_perch",
                    "Upstream",
                    "S-9",
                    source,
                    200,
                    40,
                    0,
                    true,
                    true,
                    true,
                    true,
                    null,
                    DeliveryVerdict.Accepted,
                    ""
                ),
                at
            );
        FishStocked From(long delivery, string reason) =>
            new(farm.PondId, "silver_perch", "Upstream", 200, 40, CountBasis.ByWeight, reason, null)
            {
                DeliveryId = delivery,
            };
        var bought = Came(SeedSource.Dealer);
        foreach (var none in new[] { "", "  " })
        {
            var refused = farm.Try(From(bought, none), at.AddHours(1));
            Assert.Contains(refused.Remarks, r =>
                r is { Field: "NotReadyReason", Kind: Objection.Refuse }
                && r.Text.Contains("were not held apart (usual:", StringComparison.Ordinal)
            );
        }
        farm.Must(From(bought, "no spare tank this month"), at.AddHours(1));
        Assert.Equal("no spare tank this month", farm.Story.Batches[^1].NotReadyReason);
        // The farm's own fish carry nothing that the others have not.
        Assert.DoesNotContain(farm.Try(From(Came(SeedSource.OwnFarm), ""), at.AddHours(2)).Remarks, r =>
            r.Text.Contains("held apart", StringComparison.Ordinal)
        );
    }

    [Fact]
    public void A_batch_keeps_its_delivery_and_a_refused_one_is_never_stocked()
    {
        using var farm = new TestFarm();
        FishReceived Came(DeliveryVerdict verdict, int dead, long id = 0) =>
            new(
                farm.PondId,
                "silver_perch",
                "Upstream",
                "S-12",
                SeedSource.Dealer,
                1000,
                2,
                dead,
                true,
                true,
                true,
                true,
                null,
                verdict,
                "note"
            )
            {
                DeliveryId = id,
            };
        var at = Start.AddDays(1);
        var refused = farm.Must(Came(DeliveryVerdict.Refused, 500), at);
        var taken = farm.Must(Came(DeliveryVerdict.Accepted, 10), at.AddHours(1));
        FishStocked From(long? delivery, int count = 990) =>
            new(farm.PondId, "silver_perch", "Upstream", count, 2, CountBasis.ByWeight, "test", null)
            {
                DeliveryId = delivery,
            };
        Assert.Equal("Delivery", Assert.Single(farm.Try(From(refused, 400), at.AddHours(2)).Remarks).Field);
        Assert.Equal("Delivery", Assert.Single(farm.Try(From(99), at.AddHours(2)).Remarks).Field);
        Assert.Equal(
            "Delivery",
            Assert.Single(farm.Try(From(taken) with { SpeciesKey = "nile_tilapia" }, at.AddHours(2)).Remarks).Field
        );
        // More than came alive is asked about.
        Assert.Contains(
            "990 came alive",
            farm.Door.Enter(EntryOf(From(taken, 1200), at.AddHours(2))).Remarks[0].Text,
            StringComparison.Ordinal
        );
        var batch = farm.Must(From(taken), at.AddHours(2));
        // Its figures may be corrected and the batch follows; it cannot go, nor become refused.
        var corrected = farm.Must(Came(DeliveryVerdict.Accepted, 30, taken), at.AddHours(1), taken);
        Assert.Equal((taken, 30), (farm.Story.Batches[0].Delivery!.DeliveryId, farm.Story.Batches[0].Delivery!.Dead));
        Assert.False(farm.Try(Came(DeliveryVerdict.Refused, 30, taken), at.AddHours(1), corrected).Accepted);
        Assert.False(farm.Try(null, at.AddHours(3), corrected).Accepted);
        // Bought fish wait for their quarantine to begin; into others they go only when it is meant.
        Assert.Equal((batch, 30), NotHeld(farm, at.AddHours(4)));
        farm.Must(new QuarantineNoted(farm.PondId, batch, QuarantineEvent.Begun, 30, true, ""), at.AddHours(5));
        Assert.Null(NotHeld(farm, at.AddHours(6)));
    }

    private static Log.Entry EntryOf(Fact fact, DateTimeOffset at) =>
        new(Guid.NewGuid(), "Manager", [new(at, fact, "", null)], []);

    private static (long, int)? NotHeld(TestFarm farm, DateTimeOffset now)
    {
        using var c = farm.File.Open();
        var lots = Farm.Fish.QuarantineQuestions.NotHeld(
            c,
            Log.AsOf.Now(DateTimeOffset.MaxValue),
            farm.Story.Zone,
            now,
            _ => 26
        );
        return lots.Count == 0 ? null : (lots[0].BatchId, lots[0].Days);
    }

    [Fact]
    public void Fish_that_can_be_swallowed_are_asked_about_before_they_meet()
    {
        using var farm = new TestFarm();
        var other = Pond(farm, "P2");
        var small = farm.Stock(1000, 8);
        farm.Must(
            new FishStocked(other, "barramundi", "hatchery", 200, 300, CountBasis.Counted, "test", null),
            Start.AddDays(2)
        );
        var move = new FishMoved(farm.PondId, other, small, 100, 8, CountBasis.Counted);
        var first = farm.Door.Enter(
            new Dorsk.Farm.Log.Entry(Guid.NewGuid(), "Manager", [new(Start.AddDays(3), move, "", null)], [])
        );
        Assert.Contains(first.Remarks, r =>
            r is { Kind: Objection.Ask, Field: "ToPond" }
            && r.Text.Contains("can be swallowed", StringComparison.Ordinal)
        );
        farm.Must(move, Start.AddDays(3));
        // Alone, or grown as large, nobody is asked.
        Assert.Empty(
            farm.Door.Enter(
                new Dorsk.Farm.Log.Entry(
                    Guid.NewGuid(),
                    "Manager",
                    [
                        new(
                            Start.AddDays(3),
                            new FishMoved(farm.PondId, Pond(farm, "P3"), small, 100, 8, CountBasis.Counted),
                            "",
                            null
                        ),
                    ],
                    []
                )
            ).Remarks
        );
    }

    [Fact]
    public void An_acclimation_is_read_back_as_it_was_written_and_ends_once()
    {
        using var farm = new TestFarm();
        var water = new AccWater(25, 7.9, 0, null, 6.5, 80);
        var run = farm.Must(
            new AcclimationBegun(
                farm.PondId,
                "silver_perch",
                2,
                500,
                "hatchery",
                water with
                {
                    TanMgL = 4,
                    TempC = 22,
                },
                [water, water with { DoMgL = null }],
                6,
                AccSchool.FloatAndRelease
            ),
            Start.AddDays(1)
        );
        AcclimationNoted Note(AccEvent e, string step = "", double? t = null, string text = "") =>
            new(run, farm.PondId, e, step, t, null, null, null, null, text);
        farm.Must(Note(AccEvent.StepDone, "place"), Start.AddDays(1).AddMinutes(5));
        Assert.False(farm.Try(Note(AccEvent.StepDone, "place"), Start.AddDays(1).AddMinutes(6)).Accepted);
        farm.Must(Note(AccEvent.Measured, t: 23.4), Start.AddDays(1).AddMinutes(9));
        var back = Assert.Single(farm.Questions.Acclimations(farm.PondId));
        Assert.Equal(
            (4.0, 22.0, 2, (double?)null, "over"),
            (
                back.Begun.Bag.TanMgL!.Value,
                back.Begun.Bag.TempC,
                back.Begun.Places.Count,
                back.Begun.Places[1].DoMgL,
                back.Current!.Key
            )
        );
        Assert.Single(back.Measured);
        farm.Must(Note(AccEvent.Stopped, text: "storm"), Start.AddDays(1).AddMinutes(12));
        Assert.Contains(
            "is over",
            farm.Try(Note(AccEvent.Released), Start.AddDays(1).AddMinutes(13)).Remarks[0].Text,
            StringComparison.Ordinal
        );
    }
}
