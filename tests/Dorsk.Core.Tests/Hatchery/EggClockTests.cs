using Dorsk.Core.Hatchery;
using Dorsk.Core.Judging;
using Dorsk.Core.Plans;
using Dorsk.Core.Species;
using MathNet.Numerics.Distributions;

namespace Dorsk.Core.Tests.Hatchery;

/// <summary>The clock of egg lots against the table and against simulated lots it was not drawn from; the plan back from fingerlings run forward again.</summary>
public class EggClockTests
{
    private static readonly DateTimeOffset Taken = new(2027, 4, 1, 8, 0, 0, TimeSpan.Zero);

    private static EggClock Clock(EggTable table, double tempC, double hours, DateTimeOffset? eyed = null) =>
        new(new EggLot(table, Taken, [(Taken, tempC)], Taken.AddHours(hours)) { EyedSeen = eyed });

    private static EggHour Of(EggClock clock, EggStage stage) => clock.Hours.Single(h => h.Stage == stage);

    [Fact]
    public void A_steady_temperature_gives_the_hours_of_the_table_at_both_its_temperatures()
    {
        Assert.True(EggTable.All.Count >= 20);
        foreach (var table in EggTable.All)
        {
            Assert.NotNull(FishSpecies.Find(table.SpeciesKey));
            foreach (var (c, hours) in new[] { table.At.First, table.At.Second })
            {
                Assert.InRange(table.HoursAt(c) / hours, 0.97, 1.03);
                Assert.Equal(hours, table.HoursByHours(c), 6);
            }
            // The clock says the same: hatch lies between the first and the last of them.
            var clock = Clock(table, table.At.First.C, 1);
            var told = (Of(clock, EggStage.Hatching).At - Taken).TotalHours;
            Assert.InRange(told / table.At.First.Hours, 0.92, 1.0);
            Assert.InRange((Of(clock, EggStage.SacFry).At - Taken).TotalHours / table.At.First.Hours, 1.0, 1.1);
            Assert.True(table.Band.LowC < table.Band.HighC && table.Band.HighC <= table.DeformedAboveC);
        }
        Assert.Equal(double.PositiveInfinity, EggTable.For(FishSpecies.Of("rainbow_trout"))!.HoursAt(2));
    }

    [Fact]
    public void The_stages_follow_each_other_and_the_range_narrows()
    {
        foreach (var table in EggTable.All)
        {
            var (c, hours) = table.At.Second;
            var widths = new List<double>();
            foreach (var share in new[] { 0.1, 0.5, 0.9 })
            {
                var clock = Clock(table, c, hours * share);
                Assert.Equal(clock.Hours.Select(h => h.At).Order(), clock.Hours.Select(h => h.At));
                Assert.All(clock.Hours, h => Assert.True(h.Earliest <= h.At && h.At <= h.Latest));
                var hatch = Of(clock, EggStage.SacFry);
                widths.Add((hatch.Latest - hatch.Earliest).TotalHours);
            }
            Assert.True(widths[0] > widths[1] && widths[1] > widths[2], table.SpeciesKey);
            Assert.Equal(EggStage.Fresh, Clock(table, c, hours * 0.1).Expected);
            Assert.Equal(EggStage.Embryo, Clock(table, c, hours * 0.4).Expected);
            Assert.Equal(EggStage.Eyed, Clock(table, c, hours * 0.7).Expected);
            Assert.Equal(
                EggStage.FirstFeed,
                Clock(table, c, (hours * 1.07) + (25 * table.FirstFeedDaysAt(c))).Expected
            );
        }
    }

    [Fact]
    public void Eyes_that_were_seen_early_bring_the_hatch_forward()
    {
        var table = EggTable.For(FishSpecies.Of("channel_catfish"))!;
        var hours = table.HoursAt(26);
        var plain = Clock(table, 26, hours * 0.5);
        var early = Clock(table, 26, hours * 0.5, Taken.AddHours(hours * 0.48));
        Assert.True(Of(early, EggStage.Hatching).At < Of(plain, EggStage.Hatching).At);
        double Width(EggClock c) => (Of(c, EggStage.Hatching).Latest - Of(c, EggStage.Hatching).Earliest).TotalHours;
        Assert.True(Width(early) < Width(plain));
    }

    // Own recipe: bases, degree-days and water unlike the table's; the truth hatches half of its eggs at its own sum.
    private static (bool Inside, double ErrorDays) Lot(EggTable table, Random random)
    {
        var trueBase = table.BaseC + Normal.Sample(random, 0, 1);
        var mid = (table.Band.LowC + table.Band.HighC) / 2;
        // At mid band it takes as long as the table says, but for what females and water make of it.
        var wants = table.HoursAt(mid) / 24 * (mid - trueBase) * Math.Exp(Normal.Sample(random, 0, 0.085));
        var around = mid + Normal.Sample(random, 0, 0.7);
        var (record, sum, drift) = (new List<(DateTimeOffset, double)>(), 0.0, 0.0);
        var at = Taken;
        while (sum < wants)
        {
            drift = (0.99 * drift) + Normal.Sample(random, 0, 0.1);
            var temp = around + drift + (0.4 * Math.Sin(2 * Math.PI * at.Hour / 24));
            record.Add((at, temp));
            sum += Math.Max(0, temp - trueBase) / 24;
            at = at.AddHours(1);
        }
        var now = at.AddDays(-3);
        var clock = new EggClock(new(table, Taken, [.. record.Where(r => r.Item1 <= now)], now));
        var (first, last) = (Of(clock, EggStage.Hatching), Of(clock, EggStage.SacFry));
        var told = first.At + ((last.At - first.At) / 2);
        var low = first.Earliest + ((last.Earliest - first.Earliest) / 2);
        var high = first.Latest + ((last.Latest - first.Latest) / 2);
        return (at >= low && at <= high, (told - at).TotalDays);
    }

    [Fact]
    public void The_range_told_three_days_before_holds_four_hatches_of_five()
    {
        var random = new Random(20270401);
        var slow = EggTable.All.Where(t => t.HoursAt((t.Band.LowC + t.Band.HighC) / 2) > 24 * 5).ToList();
        Assert.True(slow.Count >= 5);
        var lots = Enumerable.Range(0, 1000).Select(i => Lot(slow[i % slow.Count], random)).ToList();
        Assert.InRange(lots.Count(l => l.Inside) / 1000.0, 0.74, 0.86);
        Assert.InRange(lots.Average(l => l.ErrorDays), -0.6, 0.6);
        // The 200 of the acceptance are the first of them.
        Assert.InRange(lots.Take(200).Count(l => l.Inside) / 200.0, 0.72, 0.88);
    }

    [Fact]
    public void Each_side_of_the_band_says_what_it_costs()
    {
        foreach (var table in EggTable.All)
        {
            Assert.Equal(Status.Steady, EggClock.Band(table, (table.Band.LowC + table.Band.HighC) / 2).Status);
            Assert.Contains(
                "deformed",
                EggClock.Band(table, table.DeformedAboveC + 0.1).Reason,
                StringComparison.Ordinal
            );
            Assert.Contains("fungus", EggClock.Band(table, table.Band.LowC - 0.1).Reason, StringComparison.Ordinal);
            Assert.Equal(Status.ActNow, EggClock.Band(table, table.Band.LowC - 4).Status);
        }
    }

    [Fact]
    public void Three_females_to_two_males_give_seventeen_males_for_twenty_five_females()
    {
        Assert.Equal(17, BackPlan.MalesFor(25, (3, 2)));
        Assert.Equal(0, BackPlan.MalesFor(0, (3, 2)));
    }

    [Fact]
    public void The_plan_run_forward_gives_at_least_the_fingerlings_wanted()
    {
        var random = new Random(5);
        ShareRange Draw(double least)
        {
            var low = least + (random.NextDouble() * (0.95 - least));
            return new(low, low + (random.NextDouble() * (1 - low)));
        }
        foreach (var table in EggTable.All)
            for (var i = 0; i < 50; i++)
            {
                var asked = new HatchAsked(
                    random.Next(1, 500_000),
                    new(2027, 10, 1),
                    random.Next(20, 120),
                    0.2 + (random.NextDouble() * 8),
                    (random.Next(1, 6), random.Next(1, 4)),
                    Draw(0.3),
                    Draw(0.1),
                    Draw(0.2),
                    Draw(0.1),
                    (table.Band.LowC + table.Band.HighC) / 2
                );
                var plan = BackPlan.Of(asked, table, NurseryDensity.For(FishSpecies.Of(table.SpeciesKey)));
                Assert.True(plan.Fertile.Low >= asked.Fingerlings, $"{table.SpeciesKey} {asked}");
                Assert.True(plan.Fertile.High >= plan.Fertile.Low);
                Assert.True(plan.Eggs >= plan.Larvae && plan.Larvae >= plan.Fry && plan.Fry >= asked.Fingerlings);
                Assert.True(plan.Females >= plan.SpawningFemales && plan.Males >= 1);
                Assert.Equal(asked.On, plan.Days[^1].On);
                if (plan.NurseryM2 is { } area)
                    Assert.True(area.Least <= area.Usual && area.Usual <= area.Most);
            }
    }

    [Fact]
    public void The_largest_wish_in_the_coldest_water_still_has_whole_numbers_and_days()
    {
        foreach (var table in EggTable.All)
        {
            var asked = new HatchAsked(
                100_000_000,
                new(2000, 1, 1),
                8,
                0.01,
                (1, 100),
                new(0.01, 0.01),
                new(0.01, 0.01),
                new(0.01, 0.01),
                new(0.01, 0.01),
                table.BaseC + 1e-6
            );
            var plan = BackPlan.Of(asked, table, NurseryDensity.For(FishSpecies.Of(table.SpeciesKey)));
            Assert.True(plan.Females > 0 && plan.Males > 0 && plan.Eggs > 0 && plan.Fertile.Low >= 0);
            Assert.True(plan.Days[0].On.Year > 1990);
            Assert.Contains(
                new HatchPlanned(0, table.SpeciesKey, asked, false).Check(table, Core.Units.Hand.Metric),
                r => r.Field == "Water"
            );
        }
    }
}
