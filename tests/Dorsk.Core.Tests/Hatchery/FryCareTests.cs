using Dorsk.Core.Feeding;
using Dorsk.Core.Growth;
using Dorsk.Core.Hatchery;
using Dorsk.Core.Judging;
using Dorsk.Core.Plans;
using Dorsk.Core.Species;
using Dorsk.Core.Stock;
using Dorsk.Core.Units;

namespace Dorsk.Core.Tests.Hatchery;

/// <summary>The way of spawning, room of eggs, feed and feeders of fry, their pace, light, and trials for open water.</summary>
public class FryCareTests
{
    private static readonly FishSpecies Perch = FishSpecies.Of("silver_perch"),
        Catfish = FishSpecies.Of("channel_catfish");
    private static readonly Hand Hand = Hand.Metric;

    [Theory]
    [InlineData(5_000, 1, SpawnSkill.Beginner, "natural spawning")]
    [InlineData(60_000, 8, SpawnSkill.Practised, "pond spawning")]
    [InlineData(40_000, 6, SpawnSkill.Practised, "chosen pairs")]
    [InlineData(60_000, 8, SpawnSkill.Beginner, null)]
    [InlineData(60_000, 2, SpawnSkill.Expert, null)]
    public void The_way_of_spawning_goes_by_number_work_and_skill(
        int wanted,
        double hours,
        SpawnSkill skill,
        string? way
    )
    {
        var best = SpawnWay.Best(wanted, hours, skill);
        if (way is null)
            Assert.Null(best);
        else
            Assert.StartsWith(way, best!.Name, StringComparison.Ordinal);
        // What is chosen never takes more hours or skill than there are.
        Assert.True(best is null || (best.HoursADay(wanted) <= hours && best.Skill <= skill));
    }

    private static LotStanding Eggs(int count, bool parents, int? masses)
    {
        var taken = new EggsTaken(1, "silver_perch", 7, null, "red", count, CountBasis.Counted, EggColour.Yellow, false)
        {
            TroughC = 24,
            WithParents = parents,
            Masses = masses,
        };
        return LotLedger.Settle([(1, DateTimeOffset.UnixEpoch, taken)]).Lot(1)!;
    }

    private static VesselDescribed In(VesselKind kind, double litres, int baskets = 0) =>
        new(7, kind, "H1", litres / 1000, 0.6, null, HeldBefore.New, false) { Baskets = baskets };

    [Fact]
    public void Eggs_have_room_baskets_moving_water_and_no_parents()
    {
        string[] Said(LotStanding lot, VesselDescribed vessel) =>
            [.. EggRoom.Of(lot, vessel, Hand).Select(j => j.Reason)];
        Assert.Empty(Said(Eggs(200_000, false, 16), In(VesselKind.Trough, 400, 8)));
        Assert.Contains(
            "9 baskets wanted",
            Said(Eggs(200_000, false, 17), In(VesselKind.Trough, 400, 8))[0],
            StringComparison.Ordinal
        );
        Assert.Contains(
            "still with their parents",
            Said(Eggs(1000, true, null), In(VesselKind.Tank, 500))[0],
            StringComparison.Ordinal
        );
        // A thousand a litre of a tank, five thousand of a jar.
        Assert.Empty(Said(Eggs(500_000, false, null), In(VesselKind.Tank, 500)));
        Assert.Contains(
            "larger clean one",
            Said(Eggs(500_001, false, null), In(VesselKind.Tank, 500))[0],
            StringComparison.Ordinal
        );
        Assert.Empty(Said(Eggs(300_000, false, null), In(VesselKind.Jar, 60)));
        Assert.Equal((13, 2), (EggRoom.BasketsFor(25), EggRoom.TroughsFor(25, 8)));
        var (least, most) = EggRoom.FlowM3H(0.4);
        Assert.Equal(
            60,
            In(VesselKind.Trough, 400) with { FlowM3H = least } is { TurnoverMin: { } slow } ? slow : 0,
            9
        );
        Assert.Equal(
            30,
            In(VesselKind.Trough, 400) with { FlowM3H = most } is { TurnoverMin: { } quick } ? quick : 0,
            9
        );
        Assert.Equal(
            [null, Status.Steady, Status.ActNow, Status.ActNow, Status.Watch],
            Enum.GetValues<TroughMixing>().Select(m => EggRoom.Means(m)?.Status)
        );
    }

    private static FryFed Meal(FryFeedForm form, double? protein) =>
        new(1, "feed", 5, 3, "") { Form = form, ProteinPct = protein };

    [Fact]
    public void Feed_of_fry_fits_their_age_in_form_and_strength()
    {
        Status Of(double age, FryFeedForm form) => FryFeedForms.Judge(Catfish, age, Meal(form, null)).Single().Status;
        Assert.Equal(Status.Steady, Of(2, FryFeedForm.Liquid));
        Assert.Equal(Status.ActNow, Of(2, FryFeedForm.Powder));
        Assert.Equal(Status.Steady, Of(10, FryFeedForm.Powder));
        Assert.Equal(Status.ActNow, Of(34, FryFeedForm.Crumble));
        Assert.Equal(Status.Steady, Of(36, FryFeedForm.Crumble));
        Assert.Equal(Status.Watch, Of(60, FryFeedForm.Powder));
        Assert.Empty(FryFeedForms.Judge(Catfish, 10, Meal(FryFeedForm.Live, null)));
        var wants = FeedSize.At(Catfish, 0.02)!.ProteinPct.Low;
        Assert.Single(FryFeedForms.Judge(Catfish, 10, Meal(FryFeedForm.NotSaid, wants - 1)));
        Assert.Empty(FryFeedForms.Judge(Catfish, 10, Meal(FryFeedForm.NotSaid, wants)));
    }

    [Fact]
    public void A_feeder_stands_in_for_the_bell_while_its_dose_is_right_and_was_weighed()
    {
        var now = DateTimeOffset.UnixEpoch;
        FryFeederSet Set(int every, double? weighed) => new(1, every, 0.4, weighed);
        bool In(FryFeederSet f, double hoursAgo) => FryFeeder.StandsIn(f, now.AddHours(-hoursAgo), now);
        Assert.True(In(Set(5, 0.42), 20));
        Assert.False(In(Set(5, 0.42), 27));
        Assert.False(In(Set(5, null), 1));
        Assert.False(In(Set(30, 0.4), 1));
        Assert.False(In(Set(0, 0.4), 1));
        Assert.False(In(Set(5, 0.2), 1));
        Assert.Equal(
            [Status.Unknown, Status.Steady, Status.Watch, Status.ActNow],
            new double?[] { null, 0.43, 0.46, 0.55 }.Select(g => FryFeeder.Dose(Set(5, g), Hand).Status)
        );
        Assert.StartsWith(
            "fry-feeder?Lot=1&Every=10&Dose=0.4",
            FryFeeder.Slip(Set(10, null), Hand),
            StringComparison.Ordinal
        );
        // 288 doses of 0.4 g.
        Assert.Equal(115.2, Set(5, null).DayG, 9);
        Assert.Equal(Status.Watch, FryFeeder.Often(Set(20, 0.4)).Status);
    }

    [Theory]
    [InlineData(0.1, Status.Steady)]
    [InlineData(0.075, Status.Watch)]
    [InlineData(0.05, Status.ActNow)]
    public void Fry_are_held_against_their_weight_of_the_day(double meanG, Status expected)
    {
        // From 0.01 g to 1 g in forty days: after twenty they weigh 0.1 g.
        var on = new DateOnly(2027, 3, 1);
        var pond = new FryPondState(Perch, on, on.AddDays(20), meanG, 10_000, 500, 400, 24, 3) { StartG = 0.01 };
        var pace = FryPace.Of(pond, new FryTarget(1, on.AddDays(40), 1), NurseryDensity.For(Perch), Hand)!;
        Assert.Equal(0.1, pace.ExpectedG, 9);
        Assert.Equal(expected, pace.Judgement.Status);
        var days = Math.Ceiling(Math.Log(1 / meanG) / (Math.Log(meanG / 0.01) / 20) - 1e-9);
        Assert.Equal(on.AddDays(20 + (int)days), pace.ReachedOn);
        // Without a target of the farm, the length and the last day of the table.
        var table = NurseryDensity.For(Perch)!;
        Assert.Equal(table.WeightG(table.AtMm), FryPace.Of(pond, null, table, Hand)!.WeightG);
        Assert.Null(FryPace.Of(pond with { StartG = 0 }, null, table, Hand));
    }

    [Fact]
    public void In_the_cold_months_growth_stands_nearly_still()
    {
        foreach (var fish in new[] { Perch, Catfish })
        {
            var warm = TemperatureResponse.F(fish.GrowthOptC, fish);
            Assert.InRange(TemperatureResponse.F(fish.GrowthMinC + 1, fish) / warm, 0, 0.1);
            Assert.Equal(0, TemperatureResponse.F(fish.GrowthMinC - 1, fish));
        }
    }

    [Fact]
    public void Fish_that_took_live_prey_within_a_day_may_go_out_and_few_fish_tell_little()
    {
        ReleaseTrial Trial(int tried, int took, double hours = 24) =>
            new("silver_perch", "dam", tried, took, hours, 0, 0, 0);
        // Wilson: 38 of 40 is 83.5 to 98.6 %.
        var (share, low, high) = Trial(40, 38).TookShare!.Value;
        Assert.Equal((0.95, 0.835, 0.986), (share, Math.Round(low, 3), Math.Round(high, 3)));
        Assert.Equal(Status.Steady, Trial(40, 38).Answer(Hand)!.Status);
        Assert.Equal(Status.Watch, Trial(40, 38, 48).Answer(Hand)!.Status);
        Assert.Equal(Status.Watch, Trial(4, 3).Answer(Hand)!.Status);
        Assert.Equal(Status.ActNow, Trial(40, 8).Answer(Hand)!.Status);
        Assert.Null(Trial(0, 0).Answer(Hand));
        Assert.NotEmpty(Trial(0, 0).Check());
        Assert.NotEmpty(Trial(10, 11).Check());
        Assert.Empty(Trial(10, 10).Check());
    }

    [Fact]
    public void Light_is_a_treatment_and_a_feed_is_changed_over_the_days_that_are_chosen()
    {
        Assert.Equal("", LotComparison.LightOf([]));
        Assert.StartsWith("dim", LotComparison.LightOf([60, 120]), StringComparison.Ordinal);
        Assert.StartsWith("bright", LotComparison.LightOf([600]), StringComparison.Ordinal);
        var from = new DateOnly(2027, 3, 1);
        Assert.Equal(
            [(from, 25), (from.AddDays(3), 50), (from.AddDays(6), 75), (from.AddDays(9), 100)],
            FeedChange.StepsOf(from, 9).Select(s => (s.From, s.NewPct))
        );
    }

    [Fact]
    public void A_plan_says_its_baskets_tanks_feeds_and_when_live_food_is_begun()
    {
        var asked = new HatchAsked(
            20_000,
            new(2027, 6, 1),
            40,
            1.5,
            (3, 2),
            new(0.5, 0.8),
            new(0.4, 0.8),
            new(0.5, 0.8),
            new(0.4, 0.7),
            24.5
        );
        var plan = BackPlan.Of(asked, EggTable.For(Perch)!, NurseryDensity.For(Perch));
        var fed = plan.Days.Single(d => d.What.StartsWith("first feed", StringComparison.Ordinal)).On;
        Assert.Contains(plan.Days, d =>
            d.On == fed.AddDays(-10) && d.What.Contains("rotifers", StringComparison.Ordinal)
        );
        // 100,000 larvae at 20 a litre.
        Assert.Equal(plan.Larvae / 20_000.0, plan.TanksM3(Perch).Usual, 9);
        Assert.StartsWith("rotifers", BackPlan.FeedKinds(Perch, 40)[0], StringComparison.Ordinal);
        Assert.True(BackPlan.FeedKinds(Perch, 120).Count >= BackPlan.FeedKinds(Perch, 40).Count);
        Assert.Equal(11, BroodWay.Of(EggTable.For(Catfish)!).BasketsFor(21));
        Assert.Equal(0, BroodWay.Of(EggTable.For(Perch)!).BasketsFor(21));
        // Powder is bought, not grown.
        var catfish = BackPlan.Of(asked, EggTable.For(Catfish)!, NurseryDensity.For(Catfish));
        Assert.DoesNotContain(catfish.Days, d => d.What.StartsWith("live food", StringComparison.Ordinal));
    }
}
