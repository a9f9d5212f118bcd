using Dorsk.Core.Feeding;
using Dorsk.Core.Judging;
using Dorsk.Core.Oxygen;
using Dorsk.Core.Plans;
using Dorsk.Core.Ponds;
using Dorsk.Core.Species;
using Dorsk.Core.Units;

namespace Dorsk.Core.Tests.Plans;

/// <summary>How many to stock: figures by hand, what must hold for any input, and the season behind it.</summary>
public class StockingPlanTests
{
    private static readonly FishSpecies Perch = FishSpecies.Of("silver_perch");
    private static readonly AeratorKind Paddle = AeratorKind.All[0];
    private static readonly DateOnly November = new(2026, 11, 1);

    // A subtropical year of the south: 26 °C in January, 14 in July.
    private static double Year(DateOnly d) => 20 + (6 * Math.Cos(2 * Math.PI * (d.DayOfYear - 20) / 365.25));

    private static PlanWater Pond(double kw) => new(RearingSystem.Earthen, 4000, 5200, kw, Paddle, 0, 30, 0);

    private static StockingQuestion Ask(double kw = 2.2) =>
        new(Perch, Pond(kw), 10, 500, 80, 1, November, Year, null, null, new(0.35, 1.6, 12, 0.3, 2000), Hand.Metric);

    [Theory]
    [InlineData(Sexes.NotSaid, 400, Status.Watch, "mixed sex or one sex")]
    [InlineData(Sexes.Mixed, 400, Status.Watch, "growth stalls at about 250")]
    [InlineData(Sexes.Mixed, 200, Status.Steady, "five to six months")]
    [InlineData(Sexes.One, 400, Status.Steady, "of the other sex")]
    public void A_fish_that_breeds_in_the_pond_is_asked_its_sexes_and_has_two_numbers(
        Sexes sexes,
        double targetG,
        Status status,
        string says
    )
    {
        // No air: mass binds, so that the young's two fifths of it are two fifths of the fish.
        var q = Ask(0) with { Species = FishSpecies.Of("nile_tilapia"), TargetG = targetG, Sexes = sexes };
        var both = PondBreeding.Of(q)!;
        Assert.Equal(status, both.Says.Status);
        Assert.Contains(says, both.Says.Reason, StringComparison.Ordinal);
        Assert.InRange(both.Mixed.Stock, (0.6 * both.OneSex.Stock) - 2, (0.6 * both.OneSex.Stock) + 2);
        // The plan itself goes by what was said, and says what stands against it.
        var plan = StockingAnswer.Of(q);
        Assert.Equal(sexes == Sexes.Mixed ? both.Mixed.Stock : both.OneSex.Stock, plan.Stock);
        Assert.Equal(status >= Status.Watch, plan.Warnings.Any(w => w.Reason == both.Says.Reason));
        // In a cage eggs fall through; a perch does not breed on its way.
        Assert.Null(PondBreeding.Of(q with { Water = q.Water with { System = RearingSystem.Cage } }));
        Assert.Null(PondBreeding.Of(q with { Species = Perch }));
    }

    [Theory]
    [InlineData("nile_tilapia", false, "semi-intensive, fed")]
    [InlineData("nile_tilapia", true, "semi-intensive, fed")]
    [InlineData("channel_catfish", false, "no aeration")]
    [InlineData("common_carp", false, "pellets")]
    [InlineData("milkfish", true, "deep water fed")]
    [InlineData("giant_prawn", true, "temperate with substrate")]
    public void A_fed_pond_is_never_planned_by_fish_that_live_of_the_water(string species, bool air, string wanted)
    {
        var schools = DensitySchool.For(FishSpecies.Of(species), RearingSystem.Earthen);
        var fitting = DensitySchool.Fitting(schools, air)!;
        Assert.True(fitting.IsFed, fitting.Name);
        Assert.Contains(schools, s => s.Name == wanted && s.IsFed);
        Assert.All(
            schools.Where(s =>
                s.Name.Contains("extensive,", StringComparison.Ordinal)
                && !s.Name.Contains("semi", StringComparison.Ordinal)
            ),
            s => Assert.False(s.IsFed)
        );
        // None that fits feed and air is thinner.
        Assert.DoesNotContain(schools, s =>
            s.IsFed && (s.Aerated == air || s.SomeAir) && s.Kg.Usual < fitting.Kg.Usual
        );
    }

    [Fact]
    public void The_farms_own_density_and_capacity_go_before_the_trades_and_ranges_stay_ranges()
    {
        var q = Ask();
        var own = q with
        {
            School = DensitySchool.Own(RearingSystem.Earthen, 0.5, q.TargetG, true),
            OwnCapacityKg = 1000,
        };
        StockingLimit By(string name) => StockingAnswer.Of(own).Limits.First(l => l.Name == name);
        Assert.Equal(0.5 * own.Water.AreaM2 * own.Survival, By(StockingLimits.BySchool).AtHarvest, 6);
        Assert.Equal(1000 * own.Water.AreaM2 / 10_000 * 1000 / own.TargetG, By(StockingLimits.ByCapacity).AtHarvest, 6);
        Assert.Contains("The farm's own figure", By(StockingLimits.ByCapacity).Why.Source, StringComparison.Ordinal);
        foreach (var s in DensitySchool.For(q.Species, RearingSystem.Earthen))
        {
            var (low, usual, high) = s.StockFor(q);
            Assert.Equal(s.Number.Low / s.Number.Usual, low / usual, 9);
            Assert.Equal(s.Number.High / s.Number.Usual, high / usual, 9);
        }
    }

    [Fact]
    public void Each_way_by_hand_and_the_smallest_binds()
    {
        var a = StockingAnswer.Of(Ask());
        StockingLimit By(string name) => a.Limits.Single(l => l.Name == name);
        // The school of the table for aerated ponds: 1.2 a m² at 500 g, 80 of a hundred live: 1.2 × 4000 × 0.8.
        Assert.Equal(1.2 * 4000 * 0.8, By(StockingLimits.BySchool).AtHarvest, 6);
        // What the water carries: aerated kg/ha × 0.4 ha / 0.5 kg.
        Assert.Equal(Perch.CapacityAeratedKgHa * 0.4 / 0.5, By(StockingLimits.ByCapacity).AtHarvest, 6);
        // Feed: 2.2 kW on 0.4 ha is 5.5 kW/ha, 110 kg/ha and day.
        var hungriest = a.Season.Days.Max(d => d.FeedG * d.PerHarvested);
        Assert.Equal(FeedCap.For(5.5, Perch).KgHaDay * 0.4 * 1000 / hungriest, By(StockingLimits.ByFeed).AtHarvest, 6);
        Assert.Equal(a.Limits.Min(l => l.AtHarvest), a.Binding.AtHarvest);
        Assert.Equal((int)a.Binding.AtHarvest, a.AtHarvest);
        // Never rounded up: as many as live to no more than the limit.
        Assert.True(a.Stock * 0.8 <= a.AtHarvest && (a.Stock + 1) * 0.8 > a.AtHarvest);
        Assert.DoesNotContain(a.Warnings, w => w.Status == Status.ActNow);
        var over = StockingAnswer.Of(Ask() with { Own = a.Stock * 2 });
        Assert.Contains(over.Warnings, w =>
            w.Status == Status.ActNow && w.Reason.Contains("100 % over", StringComparison.Ordinal)
        );
        Assert.Equal(over.Harvested - over.AtHarvest, over.Over);
    }

    [Fact]
    public void A_plan_through_water_that_kills_lets_none_stand_and_says_when_and_what_to_do()
    {
        // Trout in a subtropical year, over 25 °C in December; tilapia in a year that falls to 8 °C.
        var trout = StockingAnswer.Of(
            Ask() with
            {
                Species = FishSpecies.Of("rainbow_trout"),
                TempC = d => Year(d) + 2,
            }
        );
        var tilapia = StockingAnswer.Of(
            Ask() with
            {
                Species = FishSpecies.Of("nile_tilapia"),
                TempC = d => Year(d) - 6,
                StockOn = new(2027, 2, 1),
            }
        );
        foreach (var a in new[] { trout, tilapia })
        {
            var (on, tempC) = a.Season.Killed!.Value;
            Assert.Equal(a.Question.TempC(on), tempC);
            Assert.InRange(
                a.Question.TempC(on.AddDays(-1)),
                a.Question.Species.LethalLowC,
                a.Question.Species.LethalHighC
            );
            Assert.Equal((null, on), (a.Season.ReachedOn, a.Season.Days[^1].Day));
            Assert.Equal((0, 0, StockingLimits.ByTemperature), (a.Stock, a.AtHarvest, a.Binding.Name));
            Assert.Equal(Status.ActNow, a.Warnings[0].Status);
            Assert.Contains("which kills", a.Warnings[0].Reason, StringComparison.Ordinal);
        }
        Assert.Contains("rainbow trout (25.0", trout.Warnings[0].Reason, StringComparison.Ordinal);
        Assert.Null(StockingAnswer.Of(Ask()).Season.Killed);
        // The last day of stocking is looked for before the water kills.
        Assert.Null(PlanSeason.LatestStart(trout.Question, new(2027, 3, 1), November));
    }

    [Fact]
    public void A_night_at_the_limit_ends_at_the_act_level()
    {
        var q = Ask();
        var season = PlanSeason.Run(q);
        var limit = StockingLimits.Night(q, season, 2.2);
        // The worst night run again step by step: exactly so many fish end at the act level after the dark hours.
        var d = season.Days.Single(x => x.Day == limit.BindsOn);
        double act = WaterLimits.For(Perch, WaterLimits.StageOf(Perch, d.MeanG)).DoActMgL,
            full = Core.Water.OxygenSaturation.MgL(d.TempC, 0, Core.Water.OxygenSaturation.PressureKPa(30)),
            c = 1.15 * full;
        var fish = limit.AtHarvest * d.PerHarvested * d.MeanG * Respiration.Fish(d.MeanG, d.TempC, Perch) / 5200 / 1000;
        var loss = fish + Respiration.Plankton(30, d.TempC) + (Respiration.MudGM2H / 1.3);
        var surface = Math.Max(0.3, Exchange.Kl20MDay(1.5)) * Math.Pow(1.024, d.TempC - 20) / 24 / 1.3;
        const double h = 0.0005;
        for (var t = 0.0; t < 12.5 - (h / 2); t += h)
            c +=
                h
                * (
                    (surface * (full - c))
                    + (
                        1000
                        * Exchange.OtrKgH(Paddle.SaeKgKWh * 2.2, c, full, d.TempC, Paddle.Alpha, Paddle.Beta)
                        / 5200
                    )
                    - loss
                );
        Assert.Equal(act, c, 0.01);
    }

    [Fact]
    public void An_ordinary_pond_without_air_carries_about_what_the_trade_says()
    {
        // The tables: 1,000 to 2,500 kg/ha without air; the nights of a summer of 29 °C, with fish near market size in it, should not contradict them.
        var q = Ask(0) with { TempC = d => Year(d) + 3, StockOn = new(2026, 2, 20) };
        Assert.InRange(StockingLimits.Night(q, PlanSeason.Run(q), 0).AtHarvest * 0.5 / 0.4, 1000, 3500);
    }

    [Fact]
    public void More_air_never_lowers_the_limit_and_says_what_binds_then()
    {
        var air = StockingAnswer.Of(Ask()).Air;
        // Where the night binds, air lets more fish stand, and its hours and money stand against them.
        var worth = StockingAnswer.Of(Ask()).AirWorth;
        Assert.True(worth[^1].MoreKg > 0 && worth[1].MoreKg >= 0);
        Assert.True(worth[^1].Hours > 0 && worth[^1].KWh > 0 && worth[^1].Cost > 0);
        Assert.Equal(air.Select(x => x.AtHarvest).Order(), air.Select(x => x.AtHarvest));
        Assert.True(air[0].AtHarvest < air[^1].AtHarvest);
        Assert.All(air, x => Assert.NotEmpty(x.Binds));
        // A pond without air and one with: the plan says so in words that name the way.
        Assert.NotEqual(0, air[0].AtHarvest);
    }

    [Fact]
    public void The_season_adds_up_and_the_window_holds_the_middle()
    {
        var a = StockingAnswer.Of(Ask());
        Assert.Equal(a.FeedKg, a.Months.Sum(m => m.FeedKg), 6);
        Assert.Equal(a.Margin, a.Months.Sum(m => m.In - m.Out), 4);
        Assert.Equal(a.Cost, a.BreakEven!.Value * a.HarvestKg, 6);
        Assert.True(a.Window.Earliest < a.Window.Likely && a.Window.Likely < a.Window.Latest);
        Assert.Equal(500, a.EndG, 9);
        Assert.Equal(1, a.Season.Days[^1].PerHarvested, 9);
        Assert.Equal(1 / 0.8, a.Season.Days[0].PerHarvested, 9);
        Assert.True(a.WorstCase < a.Margin);
        Assert.All(a.Sensitivity, s =>
            Assert.True(s.Worse <= s.Better || s.What.Contains("°C", StringComparison.Ordinal), s.What)
        );
        // The last start that is in time is in time; a day later is not.
        var by = a.Window.Likely!.Value.AddDays(40);
        var start = PlanSeason.LatestStart(Ask(), by, November.AddDays(-400))!.Value;
        Assert.True(PlanSeason.Run(Ask() with { StockOn = start }).ReachedOn <= by);
        Assert.False(PlanSeason.Run(Ask() with { StockOn = start.AddDays(1) }).ReachedOn <= by);
        Assert.Null(PlanSeason.LatestStart(Ask(), November.AddDays(30), November));
    }

    // Ten thousand take two minutes; an ordinary run takes fewer.
    private static readonly int Inputs = int.Parse(
        Environment.GetEnvironmentVariable("DORSK_STOCKING") ?? "2000",
        System.Globalization.CultureInfo.InvariantCulture
    );

    [Fact]
    public void Any_input_gives_a_number_that_can_be_and_a_reason_when_it_is_none()
    {
        var chance = new Random(2027);
        double Between(double low, double high) => low + ((high - low) * chance.NextDouble());
        for (var i = 0; i < Inputs; i++)
        {
            var species = FishSpecies.All[chance.Next(FishSpecies.All.Count)];
            var system = (RearingSystem)chance.Next(6);
            var from = Math.Exp(Between(Math.Log(0.01), Math.Log(200)));
            double mean = Between(2, 32),
                swing = Between(0, 12),
                area = Math.Exp(Between(0, 13));
            var q = new StockingQuestion(
                species,
                new(
                    system,
                    area,
                    area * Between(0.3, 4),
                    chance.Next(3) == 0 ? 0 : Math.Exp(Between(-3, 5)),
                    AeratorKind.All[chance.Next(AeratorKind.All.Count)],
                    chance.Next(2) * Between(0, 1000),
                    Between(-300, 4000),
                    Between(0, 40)
                ),
                from,
                from * Between(1.01, 100),
                Between(1, 100),
                Between(0.05, 1),
                November.AddDays(chance.Next(700)),
                d => mean + (swing * Math.Cos(2 * Math.PI * d.DayOfYear / 365.25)),
                null,
                chance.Next(3) == 0 ? chance.Next(1_000_000) : null,
                new(Between(0, 2), Between(0, 3), Between(0, 30), Between(0, 1), Between(0, 1e5)),
                Hand.Metric
            );
            var a = StockingAnswer.Of(q);
            double[] figures =
            [
                a.AtHarvest,
                a.Stock,
                a.Harvested,
                a.HarvestKg,
                a.FeedKg,
                a.EnergyKWh,
                a.Cost,
                a.Income,
                a.EndG,
                .. a.Months.SelectMany(m => new[] { m.FeedKg, m.Out, m.In }),
                .. a.Limits.Select(l => Math.Min(l.AtHarvest, 1e12)),
            ];
            Assert.All(figures, f => Assert.True(double.IsFinite(f) && f >= 0, $"{f} of {q}"));
            if (i % 20 == 0)
                Assert.All(
                    [
                        .. a.Air.Select(x => (double)x.AtHarvest),
                        .. a.Sensitivity.SelectMany(s => new[] { s.Worse, s.Better }),
                        a.WorstCase,
                    ],
                    f => Assert.True(double.IsFinite(f))
                );
            if (a.AtHarvest == 0)
                Assert.Contains(a.Warnings, w => w.Status == Status.ActNow && w.Reason.Length > 40);
            if (q.Own is null)
                Assert.True(a.Stock * q.Survival <= a.Binding.AtHarvest + 1e-6);
        }
    }

    [Theory]
    // Lengths by K: silver perch 10 g 8.7 cm, 500 g 32 cm; channel catfish of 1 kg is 48 cm: 18 % of it is swallowed.
    [InlineData("channel_catfish", 1000, "silver_perch", 10, Status.ActNow)]
    [InlineData("channel_catfish", 300, "silver_perch", 400, Status.Steady)]
    [InlineData("silver_carp", 3000, "silver_perch", 5, Status.Steady)]
    [InlineData("barramundi", 60, "barramundi", 10, Status.ActNow)]
    [InlineData("barramundi", 60, "barramundi", 55, Status.Steady)]
    public void One_fish_swallows_another_or_not(string a, double aG, string b, double bG, Status expected)
    {
        Assert.Equal(expected, Gape.Weigh(FishSpecies.Of(a), aG, FishSpecies.Of(b), bG, Hand.Metric).Status);
        Assert.Equal(expected, Gape.Weigh(FishSpecies.Of(b), bG, FishSpecies.Of(a), aG, Hand.Us).Status);
        Assert.Equal(aG, BodyLength.WeightG(FishSpecies.Of(a), BodyLength.Cm(FishSpecies.Of(a), aG)), 6);
    }

    [Fact]
    public void An_own_conversion_scales_the_feed_and_nothing_else()
    {
        var q = new StockingQuestion(
            FishSpecies.Of("silver_perch"),
            new(RearingSystem.Earthen, 4000, 5200, 2.2, Core.Ponds.AeratorKind.All[0], 0, 30, 0),
            10,
            500,
            80,
            1,
            new(2026, 11, 1),
            _ => 25,
            null,
            3000,
            new(0.35, 1.6, 12, 0.3, 2000),
            Core.Units.Hand.Metric
        );
        var (table, own) = (StockingAnswer.Of(q), StockingAnswer.Of(q with { OwnFcr = 2 * q.Species.FcrGrowOut }));
        Assert.Equal(2 * table.FeedKg, own.FeedKg, 6);
        Assert.Equal(table.HarvestKg, own.HarvestKg, 9);
        Assert.Equal(table.Season.ReachedOn, own.Season.ReachedOn);
        Assert.Equal("fcr", (q with { OwnFcr = 9 }).Check().Single().Field);
    }
}
