using Dorsk.Core.Acclimate;
using Dorsk.Core.Judging;
using Dorsk.Core.Species;
using Dorsk.Core.Units;
using Dorsk.Core.Verdict;
using Dorsk.Core.Water;

namespace Dorsk.Core.Tests.Acclimate;

/// <summary>Acclimation: which school and why, the ammonia on the way, the run minute by minute.</summary>
public class AcclimationTests
{
    private static readonly FishSpecies Perch = FishSpecies.Of("silver_perch");
    private static readonly DateTimeOffset Start = new(2027, 1, 21, 6, 0, 0, TimeSpan.FromHours(10));
    private static readonly AccWater Bag = new(22, 6.8, 0, 4, 9, 80),
        Pond = new(25, 8.6, 0, 0.1, 6.5, 90);

    private static AcclimationPlan Plan(
        AccWater? bag = null,
        AccWater? pond = null,
        double g = 2,
        AccSchool? chosen = null,
        int places = 3
    ) =>
        AcclimationPlan.For(
            new(Perch, g, bag ?? Bag, [.. Enumerable.Repeat(pond ?? Pond, places)], 8, chosen, Hand.Metric)
        );

    [Fact]
    public void A_bag_full_of_ammonia_and_a_pond_of_high_ph_are_not_mixed_slowly()
    {
        var plan = Plan();
        Assert.Equal(AccSchool.FloatAndRelease, plan.Recommended);
        // The curve begins as the bag is and ends near the pond; in between it passes what both had.
        Assert.Equal(UnionisedAmmonia.MgNL(4, 22, 6.8, 0), plan.Curve[0].Nh3MgL, 9);
        Assert.Equal((0, 1), (plan.Curve[0].PondShare, plan.Curve[^1].PondShare));
        var top = plan.Curve.Max(c => c.Nh3MgL);
        Assert.True(top > 5 * Bag.Nh3MgL && top > Pond.Nh3MgL);
        Assert.Contains("let them out at once", plan.Reasons[0], StringComparison.Ordinal);
        // The farmer may choose otherwise, and still sees why not.
        var slow = Plan(chosen: AccSchool.TemperSlowly);
        Assert.Equal((AccSchool.TemperSlowly, AccSchool.FloatAndRelease), (slow.School, slow.Recommended));
        // Without ammonia in the bag nothing turns poisonous.
        Assert.True(Plan(Bag with { TanMgL = 0 }, Pond with { TanMgL = 0 }).Curve.All(c => c.Nh3MgL == 0));
        Assert.Empty(Plan(Bag with { TanMgL = null }).Curve);
    }

    [Fact]
    public void Ten_parts_in_an_hour_pass_the_fry_level_for_as_long_as_a_tight_integration_says_and_a_closed_bag_does_not()
    {
        var (bag, pond) = (new AccWater(26, 6.9, 0, 4, 9, 100), new AccWater(26, 8.6, 0, 0, 6.5, 100));
        var plan = Plan(bag, pond);
        // The mixing rule once more, by half seconds: parts at 0, 6 … 54 minutes, carbon dioxide above that of air leaves by half in 20 minutes.
        double carbon = Carbonate.CarbonMmolL(6.9, 100, 26, 0),
            pondCarbon = Carbonate.CarbonMmolL(8.6, 100, 26, 0),
            top = 0,
            over = 0,
            share = 0;
        const double dt = 1 / 120.0;
        for (var step = 0; step < 60 * 120; step++)
        {
            if (step % 720 == 0)
            {
                carbon += 0.1 / (1 - share) * (pondCarbon - carbon);
                share += 0.1;
            }
            var co2 = Carbonate.CarbonDioxideMgL(Carbonate.Ph(100, carbon, 26, 0), 100, 26, 0);
            carbon -= Math.Max(0, co2 - 0.6) / 44.01 * Math.Log(2) / 20 * dt;
            var nh3 = UnionisedAmmonia.MgNL(4 * (1 - share), 26, Carbonate.Ph(100, carbon, 26, 0), 0);
            (top, over) = (Math.Max(top, nh3), over + (nh3 > plan.FryLevelMgL ? dt : 0));
        }
        Assert.Equal(0.05, plan.FryLevelMgL);
        Assert.Equal(top, plan.Curve.Max(c => c.Nh3MgL), 0.01 * top);
        Assert.Equal(over, plan.MinutesOver, 1.0);
        Assert.True(top > 1.4 * plan.FryLevelMgL && over > 20, $"{top:0.000} for {over:0.0} min");
        Assert.Contains(
            FormattableString.Invariant($"bear for {plan.MinutesOver:0} minutes"),
            plan.Reasons[0],
            StringComparison.Ordinal
        );
        Assert.All(plan.Floated, c => Assert.True(c.Nh3MgL < plan.FryLevelMgL));
        Assert.Equal(UnionisedAmmonia.MgNL(4, 26, 6.9, 0), plan.Floated[^1].Nh3MgL, 9);
    }

    [Fact]
    public void Salinity_28_to_5_is_a_plan_in_hours_with_a_check_every_quarter()
    {
        var plan = AcclimationPlan.For(
            new(
                FishSpecies.Of("whiteleg_shrimp"),
                0.01,
                new(26, 7.8, 28, 1, 7, 120),
                [.. Enumerable.Repeat(new AccWater(26, 8, 5, 0.1, 6, 150), 3)],
                10,
                null,
                Hand.Metric
            )
        );
        // Postlarvae of twelve days and more: 28 to 20 at 3, to 10 at 2, to 5 at 1 an hour: 2 h 40 + 5 + 5.
        Assert.Equal(
            (AccSchool.SalinitySteps, 760.0),
            (plan.Recommended, plan.Steps.Single(s => s.Key == "over").Minutes)
        );
        Assert.Equal(52, plan.Checks.Count);
        Assert.Equal((15.0, 27.25), (plan.Checks[1].Minutes, plan.Checks[1].Planned.SalinityPpt));
        Assert.Equal((760.0, 5.0), (plan.Checks[^1].Minutes, Math.Round(plan.Checks[^1].Planned.SalinityPpt, 9)));
        Assert.All(plan.Checks.Zip(plan.Checks.Skip(1)), p =>
            Assert.True(p.First.Planned.SalinityPpt > p.Second.Planned.SalinityPpt)
        );
    }

    [Fact]
    public void With_the_air_shut_out_the_mix_is_the_mass_balance_and_unknown_alkalinity_widens_it()
    {
        // First minute: no carbon dioxide has left yet.
        Assert.Equal(Bag.Ph, Plan().Curve[0].Ph, 9);
        var open = Plan(Bag with { AlkalinityMgL = null }, Pond with { AlkalinityMgL = null }).Curve;
        var known = Plan().Curve;
        Assert.All(open.Skip(1), (s, i) =>
            Assert.True(s.Nh3LowMgL <= known[i + 1].Nh3MgL + 1e-12 && s.Nh3MgL >= known[i + 1].Nh3MgL - 1e-12)
        );
        Assert.Contains(open, s => s.Nh3MgL > 1.2 * s.Nh3LowMgL);
        // Gassing out raises pH over that of the mere mix.
        var half = known[30];
        Assert.True(half.Ph > Mixing.PhOf((0.5, Bag.Ph, 80, 22, 0), (0.5, Pond.Ph, 90, 25, 0)));
    }

    [Fact]
    public void Salt_is_brought_over_by_the_hour_and_fry_by_temperature_and_ph()
    {
        var shrimp = AcclimationPlan.For(
            new(
                FishSpecies.Of("whiteleg_shrimp"),
                0.01,
                new(26, 7.8, 30, 1, 7, 120),
                [.. Enumerable.Repeat(new AccWater(27, 8, 4, 0.1, 6, 150), 3)],
                10,
                null,
                Hand.Metric
            )
        );
        Assert.Equal(AccSchool.SalinitySteps, shrimp.Recommended);
        // The default: 30 to 20 at 2, to 10 at 1.6, to 5 at 1, to 4 at 0.7 an hour. Shrimp go down to 20 at 3 and to 10 at 2.
        var hours = 5 + (10 / 1.6) + 5 + (1 / 0.7);
        Assert.Equal(hours, SalinityRate.Default.Hours(30, 4), 9);
        Assert.Equal(
            Math.Ceiling(60 * ((10 / 3.0) + 5 + 5 + (1 / 0.7))),
            shrimp.Steps.Single(s => s.Key == "over").Minutes
        );
        Assert.Equal(
            [30, 28, 20, 18.4, 4, 4],
            new[] { 0, 1, 5, 6, hours, 40 }.Select(h => Math.Round(SalinityRate.Default.After(30, 4, h), 6))
        );
        // Fry, 6 °C and 0.9 of pH apart, no ammonia: 2 °C an hour against half a unit an hour; the longer counts.
        var fry = AcclimationPlan.For(
            new(
                Perch,
                0.3,
                new(20, 7, 0, 0.1, 8, 80),
                [.. Enumerable.Repeat(new AccWater(26, 7.9, 0, 0.05, 6.5, 80), 3)],
                4,
                null,
                Hand.Metric
            )
        );
        Assert.Equal(
            (AccSchool.TemperSlowly, 180.0),
            (fry.Recommended, fry.Steps.Single(s => s.Key == "over").Minutes)
        );
        Assert.Equal((22.0, 7.3), (Math.Round(fry.At(60).TempC, 6), Math.Round(fry.At(60).Ph, 6)));
        // Floating: half of the difference in ten minutes.
        Assert.Equal(23.5, Plan().At(10).TempC, 9);
    }

    [Fact]
    public void Salinity_over_any_way_is_even_and_never_overshoots()
    {
        var chance = new Random(3);
        for (var i = 0; i < 2000; i++)
        {
            var species = FishSpecies.All[chance.Next(FishSpecies.All.Count)];
            var rate = SalinityRate.For(species, chance.NextDouble());
            double from = 40 * chance.NextDouble(),
                to = 40 * chance.NextDouble(),
                hours = rate.Hours(from, to);
            Assert.Equal(to, rate.After(from, to, hours + 0.001), 6);
            var part = hours * chance.NextDouble();
            Assert.Equal(rate.After(from, to, hours), rate.After(rate.After(from, to, part), to, hours - part), 6);
            Assert.InRange(rate.After(from, to, part), Math.Min(from, to) - 1e-9, Math.Max(from, to) + 1e-9);
        }
    }

    [Fact]
    public void Temperature_is_brought_over_no_faster_than_the_stage_bears_floated_or_not()
    {
        // 14 to 28 °C: floated they would pass 12 degrees in half an hour. Fingerlings bear 3 an hour, fry under a gram 2.
        var cold = Bag with { TempC = 14, TanMgL = null, Ph = 7 };
        var warm = Pond with { TempC = 28, Ph = 7.2 };
        var plan = Plan(cold, warm);
        Assert.Equal(
            (AccSchool.FloatAndRelease, 280.0),
            (plan.School, plan.Steps.Single(s => s.Key == "over").Minutes)
        );
        Assert.Contains("3.0", plan.Reasons[^1], StringComparison.Ordinal);
        Assert.Contains("tub", plan.Steps.Single(s => s.Key == "over").What, StringComparison.Ordinal);
        Assert.Contains(plan.Stops, s => s.Reason.Contains("4.7 hours", StringComparison.Ordinal));
        Assert.Equal((14.0, 17.0, 28.0), (plan.At(0).TempC, plan.At(60).TempC, plan.At(400).TempC));
        Assert.Equal(420, Plan(cold, warm, g: 0.5).Steps.Single(s => s.Key == "over").Minutes);
        // In every plan, of every fish and way, an hour changes no more than the stage bears.
        foreach (var school in Enum.GetValues<AccSchool>())
        foreach (var species in FishSpecies.All)
        foreach (var g in new[] { 0.3, 5, 200.0 })
        foreach (var apart in new[] { -9.0, 4, 9 })
        {
            var p = AcclimationPlan.For(
                new(species, g, Bag, [Pond with { TempC = Bag.TempC + apart }], 8, school, Hand.Metric)
            );
            var over = p.Steps.Single(s => s.Key == "over").Minutes;
            if (Math.Abs(apart) <= p.Question.StepC)
                continue;
            for (var m = 0.0; m + 60 <= over; m += 15)
                Assert.InRange(Math.Abs(p.At(m + 60).TempC - p.At(m).TempC), 0, p.Question.StepC + 1e-9);
        }
    }

    [Fact]
    public void The_hour_of_release_is_judged_for_when_they_go_out_not_for_now()
    {
        var zone = Dorsk.Core.Time.FarmZone.Find("Etc/GMT-10")!;
        (DateTimeOffset, DateTimeOffset)[] suns =
        [
            .. Enumerable.Range(0, 3).Select(i => (Start.AddDays(i).AddHours(-1), Start.AddDays(i).AddHours(13))),
        ];
        string Says(double hours) => ReleaseHour.Later(Start.AddHours(hours), suns, zone, Hand.Metric).Reason;
        // Sunrise at five, sunset at seven: noon and the small hours are no hours to go out.
        Assert.Contains("Thu 19:30, a good hour", Says(13.5), StringComparison.Ordinal);
        Assert.Contains("Fri 06:00, a good hour", Says(24), StringComparison.Ordinal);
        Assert.Contains("Thu 12:00, in the heat", Says(6), StringComparison.Ordinal);
        Assert.Contains("until Thu 17:30, or begin 5.5 hours later", Says(6), StringComparison.Ordinal);
        Assert.Contains("until Fri 05:00, or begin 3 hours later", Says(20), StringComparison.Ordinal);
    }

    [Fact]
    public void Salinity_follows_the_species_and_the_way_and_ph_is_held_while_ammonia_is_much()
    {
        (string Species, double G, double From, double To, double Hours, double Direct)[] rows =
        [
            ("nile_tilapia", 20, 15, 0, 15 / 1000.0, 15),
            ("nile_tilapia", 20, 0, 15, 30, 10),
            ("barramundi", 5, 30, 0, 6, 10),
            ("rainbow_trout", 100, 0, 27, 90, 8),
            ("rainbow_trout", 5, 0, 27, 270, 3),
            ("barramundi", 0.2, 30, 0, 6, 5),
            ("silver_perch", 5, 0, 5, 5, 5),
            ("walleye", 5, 0, 4, 4, 3),
            ("whiteleg_shrimp", 0.01, 2, 0.5, 5, 0.5),
        ];
        Assert.All(rows, r =>
        {
            var rate = SalinityRate.For(FishSpecies.Of(r.Species), r.G);
            Assert.Equal((r.Hours, r.Direct), (Math.Round(rate.Hours(r.From, r.To), 9), rate.DirectPpt(r.From, r.To)));
        });
        Assert.Contains(
            "PL12",
            SalinityRate.For(FishSpecies.Of("whiteleg_shrimp"), 0.001).Gates(30, 12).First(),
            StringComparison.Ordinal
        );
        var plan = AcclimationPlan.For(
            new(
                FishSpecies.Of("whiteleg_shrimp"),
                0.01,
                new(26, 7.3, 28, 3, 7, 120),
                [.. Enumerable.Repeat(new AccWater(26, 8.4, 5, 0.1, 6, 150), 3)],
                10,
                null,
                Hand.Metric
            )
        );
        Assert.All(plan.Checks, c => Assert.True(c.Planned.Ph <= 7.5));
    }

    [Fact]
    public void Own_rates_stand_beside_the_trades_and_a_faster_one_is_pointed_out()
    {
        var trade = Plan(Bag with { TempC = 19, TanMgL = 0 });
        AcclimationPlan Own(AcclimationPlan of, double? c, double? ph = null, double? salt = null) =>
            AcclimationPlan.For(of.Question with { Own = new OwnRates("the hatchery", c, ph, salt) });
        double Over(AcclimationPlan p) => p.Steps.First(s => s.Key == "over").Minutes;
        bool Warned(AcclimationPlan p) =>
            p.Stops.Any(s => s.Reason.Contains("faster than the trade's", StringComparison.Ordinal));
        var step = trade.Question.StepC;
        Assert.Equal(Math.Ceiling(60 * 6 / step), Over(trade));
        var slow = Own(trade, step / 2);
        Assert.Equal(Math.Ceiling(2 * 60 * 6 / step), Over(slow));
        Assert.Matches(
            @"^By your own rates \(the hatchery\): [\d.]+ hours; by the trade's: [\d.]+ hours",
            slow.Reasons[0]
        );
        Assert.False(Warned(slow));
        Assert.True(Warned(Own(trade, step * 2)));
        // 8 ppt at half a ppt an hour are sixteen hours; what they bear at once stays the trade's.
        var salt = Plan(Bag with { TanMgL = 0 }, Pond with { SalinityPpt = 8, TempC = 22 });
        var own = Own(salt, null, salt: 0.5);
        Assert.Equal((AccSchool.SalinitySteps, 16 * 60), (own.School, Over(own)));
        Assert.Equal(1, own.At(120).SalinityPpt, 9);
        Assert.False(Warned(own));
        Assert.True(Warned(Own(salt, null, salt: 4)));
        Assert.Equal(Over(salt), Over(Own(salt, null, ph: 0.3)));
        Assert.Equal(["ownnote", "owntemp"], new OwnRates(" ", null, null, null).Check().Select(r => r.Field));
        Assert.Equal(["owntemp", "ownph", "ownsalt"], new OwnRates("x", 21, 0, 0).Check().Select(r => r.Field));
    }

    [Fact]
    public void Oxygen_in_the_tank_says_up_down_or_stop_and_a_step_ended_early_is_asked_and_marked()
    {
        Assert.Equal(
            [Status.ActNow, Status.Watch, Status.Steady, Status.Watch],
            new[] { 1.0, 6, 9, 16 }.Select(v => AccOxygen.Of(v, Hand.Metric).Status)
        );
        var begun = new AcclimationBegun(
            1,
            "silver_perch",
            2,
            100,
            "x",
            Bag,
            [Pond, Pond, Pond],
            8,
            AccSchool.FloatAndRelease
        );
        var plan = AcclimationPlan.For(new(Perch, 2, Bag, begun.Places, 8, AccSchool.FloatAndRelease, Hand.Metric));
        AcclimationNoted Done(string step) => new(9, 1, AccEvent.StepDone, step, null, null, null, null, null, "");
        var place = new AccLine(10, Start, "Hand", Done("place"));
        var run = new AccRun(9, Start, begun, plan, [place]);
        Assert.Equal(Objection.Ask, Assert.Single(Done("over").Check(run, Start.AddMinutes(2))).Kind);
        Assert.Empty(Done("over").Check(run, Start.AddMinutes(30)));
        var early = new AccRun(9, Start, begun, plan, [place, new(11, Start.AddMinutes(2), "Hand", Done("over"))]);
        Assert.Equal(("over", 2.0), early.EndedEarly.Select(e => (e.Step.Key, e.RanMinutes)).Single());
    }

    [Fact]
    public void What_stands_against_letting_them_out()
    {
        Assert.Empty(Plan().Stops);
        (AcclimationPlan Plan, string Says)[] bad =
        [
            (Plan(pond: Pond with { DoMgL = null }), "was not read"),
            (Plan(places: 1), "three places"),
            (Plan(Bag with { DoMgL = 2 }), "in the bag"),
        ];
        var verdict = new Finding("nitrite", Status.Watch, "nitrite 4.5 mg/L is over 1")
        {
            Do = "Salt.",
            Why = Grounds.Of("", ""),
        };
        var plan = AcclimationPlan.For(Plan().Question with { Against = [verdict] });
        Assert.Equal(
            new(Status.ActNow, "Not into this water: nitrite 4.5 mg/L is over 1. Salt"),
            Assert.Single(plan.Stops)
        );
        Assert.All(bad, x => Assert.Contains(x.Plan.Stops, s => s.Reason.Contains(x.Says, StringComparison.Ordinal)));
    }

    [Fact]
    public void The_run_is_what_its_lines_say_held_minutes_do_not_count_and_pace_is_told()
    {
        var begun = new AcclimationBegun(
            1,
            "silver_perch",
            0.3,
            5000,
            "hatchery",
            new(20, 7, 0, 0.1, 8, 80),
            [.. Enumerable.Repeat(new AccWater(26, 7.9, 0, 0.05, 6.5, 80), 3)],
            4,
            AccSchool.TemperSlowly
        );
        var plan = AcclimationPlan.For(
            new(Perch, begun.MeanG, begun.Bag, begun.Places, begun.HoursInBag, begun.School, Hand.Metric)
        );
        var lines = new List<AccLine>();
        AccRun Run() => new(9, Start, begun, plan, [.. lines]);
        AcclimationNoted Fact(
            AccEvent e,
            string step = "",
            double? t = null,
            double? ph = null,
            int? count = null,
            string text = ""
        ) => new(9, 1, e, step, t, ph, null, null, count, text);
        void At(double minute, AcclimationNoted f) =>
            lines.Add(new(lines.Count + 10, Start.AddMinutes(minute), "Manager", f));
        Assert.Equal("place", Run().Current!.Key);
        At(5, Fact(AccEvent.StepDone, "place"));
        Assert.Equal(("over", 180 - 25), (Run().Current!.Key, Run().LeftAt(Start.AddMinutes(30))!.Value));
        // Planned at 30 minutes: 21 °C. 21.4 is with it, 24 runs ahead.
        At(35, Fact(AccEvent.Measured, t: 21.4));
        At(36, Fact(AccEvent.Measured, t: 24));
        At(36.5, Fact(AccEvent.Measured, t: 20.1));
        Assert.Equal([Pace.OnPlan, Pace.TooFast, Pace.TooSlow], Run().Measured.Select(m => m.Pace));
        Assert.Equal(100.0 / 3, Run().OnPlanPct!.Value, 9);
        At(40, Fact(AccEvent.Paused));
        Assert.True(Run().Held);
        Assert.Equal(180 - 35, Run().LeftAt(Start.AddMinutes(90))!.Value, 9);
        At(60, Fact(AccEvent.Resumed));
        Assert.Equal(180 - 35 - 30, Run().LeftAt(Start.AddMinutes(90))!.Value, 9);
        At(70, Fact(AccEvent.Lost, count: 12));
        At(71, Fact(AccEvent.Lost, count: 3));
        Assert.Equal(15, Run().Lost);
        // A second phone ends the same step again: refused, with what is on now.
        At(200, Fact(AccEvent.StepDone, "over"));
        Assert.Contains(
            "already",
            Fact(AccEvent.StepDone, "over").Check(Run(), Start.AddMinutes(200)).Single().Text,
            StringComparison.Ordinal
        );
        Assert.True(Run().LeftAt(Start.AddMinutes(201)) is null);
        foreach (var s in new[] { "read", "out", "watch" })
            At(210, Fact(AccEvent.StepDone, s));
        Assert.Null(Run().Current);
        At(220, Fact(AccEvent.Released));
        Assert.True(Run().Ended && Run().Released);
        Assert.Contains(Fact(AccEvent.Note, text: "late").Check(Run(), Start.AddMinutes(200)), r =>
            r.Text.Contains("is over", StringComparison.Ordinal)
        );
        Assert.Equal(
            3,
            new[] { Fact(AccEvent.Measured), Fact(AccEvent.Lost), Fact(AccEvent.Note) }.Count(f =>
                f.Check(new AccRun(9, Start, begun, plan, []), Start).Any()
            )
        );
    }

    [Theory]
    // Hour of the day, water, oxygen before (30 min) and now, read how many minutes ago.
    [InlineData(18.0, 26, null, 8.0, 5, Status.Steady, "cools")]
    [InlineData(6.0, 24, 4.1, 4.6, 5, Status.Steady, "rising")]
    [InlineData(6.0, 24, 4.6, 4.6, 5, Status.Watch, "does not rise")]
    [InlineData(6.0, 24, null, 4.6, 5, Status.Watch, "read again in half an hour")]
    [InlineData(6.0, 24, 3.1, 3.4, 5, Status.ActNow, "under the watch level")]
    [InlineData(12.5, 26, 7.0, 8.0, 5, Status.Watch, "sun is high")]
    [InlineData(18.0, 31, 7.0, 8.0, 5, Status.Watch, "warm")]
    [InlineData(18.0, 26, 7.0, 8.0, 200, Status.Watch, "not read within the hour")]
    public void The_hour_is_judged_by_water_and_a_fresh_reading(
        double hour,
        double waterC,
        double? before,
        double now,
        double ageMin,
        Status expected,
        string says
    )
    {
        var midnight = Start.Date;
        DateTimeOffset At(double h) => new(midnight.AddHours(h), TimeSpan.FromHours(10));
        List<(DateTimeOffset, double)> oxygen =
        [
            .. before is { } b ? [(At(hour).AddMinutes(-30 - ageMin), b)] : Array.Empty<(DateTimeOffset, double)>(),
            (At(hour).AddMinutes(-ageMin), now),
        ];
        var judged = ReleaseHour.Now(
            new(At(hour), At(5.2), At(19), waterC, oxygen, WaterLimits.For(Perch, LifeStage.Fingerling), Hand.Metric)
        );
        Assert.Equal((expected, true), (judged.Status, judged.Reason.Contains(says, StringComparison.Ordinal)));
    }
}
