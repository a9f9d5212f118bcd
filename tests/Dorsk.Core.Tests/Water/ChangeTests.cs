using Dorsk.Core.Water;
using FsCheck;
using FsCheck.Fluent;
using FsCheck.Xunit;

namespace Dorsk.Core.Tests.Water;

/// <summary>Water changed, let in and added up: mass is kept, steps are borne, tides stand over a sill.</summary>
public class ChangeTests
{
    private static readonly DateOnly Today = new(2027, 1, 21);

    [Fact]
    public void What_is_changed_and_topped_up_is_added_up_over_the_days()
    {
        var moved = WaterMoved.Of(
            [
                (Today.AddDays(-40), 500, true, "old"),
                (Today.AddDays(-10), 200, true, "reeds"),
                (Today.AddDays(-6), 100, true, "reeds"),
                (Today.AddDays(-3), 60, false, ""),
                (Today, 100, true, "reeds"),
                (Today.AddDays(1), 999, true, "ahead"),
            ],
            1000,
            Today
        );
        Assert.Equal((200.0, 400.0, 2.0), (moved.WeekM3, moved.MonthM3, moved.ToppedPerDayM3));
        Assert.Equal(0.8 * 0.9 * 0.9, moved.OldLeft, 9);
        Assert.Equal((200 / 7.0 / 1000, 0.002), (moved.ShareADay, moved.ToppedShareADay));
        Assert.Equal(Today, moved.Lines[0].Day);
        Assert.Equal(5, moved.Lines.Count);
    }

    // Whatever the waters: a day of steady flow at the most that is borne changes nothing faster than that in its first hour.
    [Property(MaxTest = 100)]
    public Property The_flow_keeps_the_first_hour_inside_what_is_borne(PositiveInt seed)
    {
        var r = new Random(seed.Get);
        var (volume, difference, perHour) = (
            10 + (5000 * r.NextDouble()),
            (20 * r.NextDouble()) - 10,
            0.5 + (4 * r.NextDouble())
        );
        var flow = WaterExchange.MostFlowM3H(volume, difference, perHour);
        var after = difference * (1 - Math.Exp(-flow / volume));
        var share = 0.05 + (0.9 * r.NextDouble());
        var left = Math.Exp(-WaterExchange.HoursTo(volume, flow, share) * flow / volume);
        return (Math.Abs(after) <= perHour + 1e-9 && Math.Abs(left - (1 - share)) < 1e-9).Label($"{flow} {after}");
    }

    [Property(MaxTest = 100)]
    public Property Salt_is_kept_whichever_way(PositiveInt seed)
    {
        var r = new Random(seed.Get);
        var (volume, now, wanted, fresh) = (
            1 + (1000 * r.NextDouble()),
            40 * r.NextDouble(),
            40 * r.NextDouble(),
            2 * r.NextDouble()
        );
        if (wanted >= now)
        {
            var kg = SaltBalance.SaltKg(volume, now, wanted, 0.9);
            return (Math.Abs((volume * now) + (0.9 * kg) - (volume * wanted)) < 1e-6).Label("raised");
        }
        var add = SaltBalance.ToAddM3(volume, now, wanted, fresh);
        var right =
            wanted <= fresh
                ? add is null || Math.Abs(wanted - fresh) < 1e-9
                : Math.Abs((volume * now) + (add!.Value * fresh) - ((volume + add.Value) * wanted)) < 1e-6;
        return right.Label($"{now} to {wanted} with {fresh}: {add}");
    }

    [Fact]
    public void Days_of_exchange_leave_the_product_of_what_each_leaves()
    {
        var steps = ExchangeStep.Over(1000, 0.2, 3, 10);
        Assert.Equal([0, 3, 6, 9], steps.Select(s => s.Day));
        Assert.Equal((800.0, 0.4096), (steps[^1].TotalM3, Math.Round(steps[^1].OldLeft, 9)));
    }

    [Theory]
    [InlineData(2.5, null)]
    [InlineData(2.4, null)]
    [InlineData(1.4, 3.105)]
    [InlineData(1.9, 2.07)]
    [InlineData(0.4, 6.21)]
    [InlineData(-1, 6.21)]
    public void A_tide_stands_over_a_sill_for_so_long_each_way(double sill, double? hours)
    {
        var tide = new Tide(2.4, 0.4, Tide.UsualHalfH);
        Assert.Equal(hours, tide.OverH(sill) is { } h ? Math.Round(h, 3) : null);
        Assert.Equal((2.4, 0.4), (tide.HeightM(0), Math.Round(tide.HeightM(6.21), 9)));
        if (tide.OverH(sill) is { } over and < 6)
            Assert.Equal(sill, tide.HeightM(over), 9);
    }
}
