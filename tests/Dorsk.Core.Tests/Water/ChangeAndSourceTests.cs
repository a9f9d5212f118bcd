using Dorsk.Core.Judging;
using Dorsk.Core.Ponds;
using Dorsk.Core.Units;
using Dorsk.Core.Water;

namespace Dorsk.Core.Tests.Water;

/// <summary>Exchange against a high pH, rotten feed, screens while draining, covers of pools, sources of water.</summary>
public class ChangeAndSourceTests
{
    private static readonly DateOnly Day = new(2027, 1, 21);

    [Fact]
    public void A_high_pH_falls_step_by_step_and_the_steps_say_when_to_stop()
    {
        var old = (9.8, 60.0, 28.0, 0.0);
        var fresh = (7.2, 90.0, 24.0, 0.0);
        var steps = PhExchange.Until(1000, 0.2, 2, old, fresh, 9)!;
        Assert.True(steps[^1].Ph <= 9 && steps.SkipLast(1).All(s => s.Ph > 9));
        Assert.All(steps.Zip(steps.Skip(1)), x => Assert.True(x.Second.Ph < x.First.Ph));
        Assert.Equal(Math.Pow(0.8, steps.Count), steps[^1].OldLeft, 9);
        Assert.Equal((2 * (steps.Count - 1), 200.0 * steps.Count), (steps[^1].Day, Math.Round(steps[^1].TotalM3, 6)));
        // Alkalinity and carbon are kept: the last pH is that of one mix of all that was changed.
        var left = steps[^1].OldLeft;
        Assert.Equal(Mixing.PhOf((left, 9.8, 60, 28, 0), (1 - left, 7.2, 90, 24, 0)), steps[^1].Ph, 9);
        Assert.Empty(PhExchange.Until(1000, 0.2, 1, (8.8, 60, 28, 0), fresh, 9)!);
        Assert.Null(PhExchange.Until(1000, 0.2, 1, old, (9.5, 60, 28, 0), 9));
    }

    [Fact]
    public void Rotten_feed_is_its_nitrogen_and_more_than_half_to_change_is_a_refill()
    {
        // 2 kg of 40 % protein are 128 g of nitrogen: 6.4 mg/L in 20 m³, with 0.5 that is there 6.9.
        var x = RottenFeed.Of(20, 2, 40, 0.5, (27, 7.6, 0), 0.3);
        Assert.Equal(6.9, x.TanMgL, 9);
        Assert.Equal(UnionisedAmmonia.MgNL(6.9, 27, 7.6, 0), x.Nh3MgL, 9);
        Assert.Equal(120, x.OxygenMgL, 9);
        Assert.Equal(x.Nh3MgL <= 0.3 ? 0 : 1 - (0.3 / x.Nh3MgL), x.ShareToChange, 9);
        Assert.Equal(Status.Steady, RottenFeed.Of(2000, 2, 40, 0.1, (27, 7.6, 0), 0.3).Judgement.Status);
        Assert.Equal(Status.ActNow, RottenFeed.Of(20, 8, 40, 0.5, (27, 8.2, 0), 0.3).Judgement.Status);
    }

    [Theory]
    [InlineData(0, 0, Status.Steady)]
    [InlineData(100, 0, Status.ActNow)]
    [InlineData(100, 2, Status.ActNow)]
    [InlineData(100, 5, Status.Steady)]
    public void Fish_wait_only_where_they_fit(double kg, double m3, Status status) =>
        Assert.Equal(status, RottenFeed.Waits(kg, m3, 30).Status);

    [Theory]
    [InlineData(36, 1, true, 30)]
    [InlineData(36, 1, false, 60)]
    [InlineData(360, 1, false, 20)]
    [InlineData(360, 1, true, 10)]
    [InlineData(3600, 1, false, 0)]
    public void A_screen_is_looked_at_by_the_speed_in_it(double flowM3H, double m2, bool fouls, int minutes) =>
        Assert.Equal(minutes, ScreenWatch.EveryMin(ScreenWatch.SpeedMs(flowM3H, m2), fouls));

    [Fact]
    public void A_cover_pays_by_the_cleaning_it_saves()
    {
        // 25 min every 2 days are 76.1 h, every 4 days half: 38 h at 25 less 120 a year.
        var x = PoolCover.Of(25, 2, 4, 25, 600, 5);
        Assert.Equal(365.25 / 2 * 25 / 60, x.OpenHoursYear, 9);
        Assert.Equal(x.OpenHoursYear / 2, x.CoveredHoursYear, 9);
        Assert.Equal((x.OpenHoursYear / 2 * 25) - 120, x.SavedYear, 9);
        Assert.True(PoolCover.Of(5, 7, 8, 25, 600, 2).SavedYear < 0);
    }

    [Fact]
    public void One_source_is_none_and_an_old_test_no_longer_speaks()
    {
        static SourceTested Test(string name, bool second = false) =>
            new(name, SourceKind.Well, second, 5, [(Parameter.Ph, 7.2)]);
        Judgement Of(params (DateOnly, SourceTested)[] tests) => SourceBook.Judge(SourceBook.Newest(tests), Day);
        Assert.Contains("no source", Of().Reason, StringComparison.Ordinal);
        Assert.Contains(
            "one source",
            Of((Day, Test("a")), (Day.AddDays(-9), Test("A "))).Reason,
            StringComparison.Ordinal
        );
        Assert.Contains(
            "again: b",
            Of((Day, Test("a")), (Day.AddDays(-366), Test("b", true))).Reason,
            StringComparison.Ordinal
        );
        Assert.Equal(
            Status.Steady,
            Of((Day, Test("a")), (Day.AddDays(-366), Test("b", true)), (Day.AddDays(-5), Test("b", true))).Status
        );
        Assert.Equal(
            ["Name", "Flow", "ph"],
            new SourceTested(" ", SourceKind.Well, false, 0, []).Check(Hand.Metric).Select(r => r.Field)
        );
        Assert.Equal(
            "ph",
            new SourceTested("x", SourceKind.Well, false, null, [(Parameter.Ph, 20)]).Check(Hand.Metric).Single().Field
        );
    }
}
