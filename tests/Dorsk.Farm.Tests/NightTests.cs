using Dorsk.Core.Oxygen;
using Dorsk.Core.Ponds;
using Dorsk.Core.Water;

namespace Dorsk.Farm.Tests;

/// <summary>The dawn low tonight: which method runs when, and what timers do.</summary>
public class NightTests
{
    private static readonly DateTimeOffset Dusk = new(2026, 12, 10, 18, 0, 0, TimeSpan.FromHours(10));

    [Fact]
    public void A_night_is_told_from_any_reading_of_forty_hours_and_the_wider_the_older_it_is()
    {
        using var farm = new TestFarm();
        Assert.Equal("No fish stand here.", farm.Story.Night.At(Dusk).WhyNot);
        farm.Stock(3000, 200, day: 335);
        Assert.Contains("never read", farm.Story.Night.At(Dusk).WhyNot, StringComparison.Ordinal);
        Read(farm, Dusk.AddHours(-23), 9);
        DawnLowForecast Told(DateTimeOffset at) => farm.Story.Night.At(at).Forecast!;
        double Width(DawnLowForecast f) => f.Low.High - f.Low.Low;
        var fresh = Told(Dusk.AddHours(-22));
        // The same reading, a night later: no evening was ever read before it, so the day it lived through is in the doubt.
        var old = Told(Dusk);
        Assert.DoesNotContain(fresh.Why.Caveats, c => c.Contains("Read it at dusk", StringComparison.Ordinal));
        Assert.Contains(old.Why.Caveats, c => c.Contains("Read it at dusk", StringComparison.Ordinal));
        Assert.True(Width(old) > Width(fresh) + 1);
        Assert.Contains("over 40 h old", farm.Story.Night.At(Dusk.AddHours(18)).WhyNot, StringComparison.Ordinal);
    }

    [Fact]
    public void An_evening_that_nobody_read_is_taken_from_the_evenings_before_and_said_so()
    {
        using var farm = new TestFarm();
        farm.Stock(3000, 200, day: 335);
        for (var i = 4; i >= 1; i--)
        {
            Read(farm, Dusk.AddDays(-i), 10);
            Read(farm, Dusk.AddDays(-i).AddHours(11), 4);
        }
        var unread = farm.Story.Night.At(Dusk).Forecast!;
        Assert.Contains(unread.Why.Caveats, c => c.Contains("at sunset is taken", StringComparison.Ordinal));
        // Evenings as the last ones end in a morning as the last ones.
        Assert.InRange(unread.Low.Value, 3, 5);
        // A reading is asked for where it would narrow what is not settled, and by how much is said.
        Assert.True(unread.WantsDusk && unread.IfReadMgL < unread.Low.High - unread.Low.Value);
        Read(farm, Dusk, 10);
        var read = farm.Story.Night.At(Dusk).Forecast!;
        Assert.True(read.Low.High - read.Low.Low < unread.Low.High - unread.Low.Low);
        Assert.False(read.WantsDusk);
    }

    [Fact]
    public void With_one_reading_only_the_balance_can_run()
    {
        using var farm = new TestFarm();
        farm.Stock(3000, 200, day: 335);
        Read(farm, Dusk, 9, secchiM: 0.3);
        var f = farm.Story.Night.At(Dusk).Forecast!;
        Assert.Equal(DeclineMethod.Balance, f.Method);
        Assert.Null(farm.Story.Night.At(Dusk, DeclineMethod.OwnNights).Forecast);
        Assert.Null(farm.Story.Night.At(Dusk, DeclineMethod.TwoReadings).Forecast);
        Assert.InRange(f.LowAt.ToOffset(TimeSpan.FromHours(10)).Hour, 4, 7);
        Assert.Empty(f.Why.Caveats);
    }

    [Fact]
    public void Two_readings_in_the_dark_come_before_the_balance()
    {
        using var farm = new TestFarm();
        farm.Stock(3000, 200, day: 335);
        Read(farm, Dusk.AddHours(1.5), 8);
        Read(farm, Dusk.AddHours(4), 7);
        var f = farm.Story.Night.At(Dusk.AddHours(4)).Forecast!;
        Assert.Equal(DeclineMethod.TwoReadings, f.Method);
        // 0.4 mg/L an hour carried on for about seven hours, eased a little by the air.
        Assert.InRange(f.Low.Value, 3.8, 5.0);
    }

    [Fact]
    public void Own_nights_come_first_and_tell_the_pond_from_the_books()
    {
        using var farm = new TestFarm();
        farm.Stock(3000, 200, day: 335);
        for (var i = 5; i >= 1; i--)
        {
            Read(farm, Dusk.AddDays(-i), 10);
            Read(farm, Dusk.AddDays(-i).AddHours(11), 4);
        }
        Read(farm, Dusk, 10);
        var f = farm.Story.Night.At(Dusk).Forecast!;
        Assert.Equal(DeclineMethod.OwnNights, f.Method);
        Assert.InRange(f.Low.Value, 3.5, 4.3);
        Assert.True(f.Low.Holds(4));
    }

    [Fact]
    public void A_timer_lifts_the_low_whatever_the_method()
    {
        using var farm = new TestFarm();
        farm.Stock(4000, 250, day: 335);
        Read(farm, Dusk, 8, secchiM: 0.25);
        var still = farm.Story.Night.At(Dusk).Forecast!;
        farm.Must(
            new AeratorsFitted(
                farm.PondId,
                [
                    new Aerator("A1", AeratorKind.All[1], 0.55, new(20, 0), new(6, 30)),
                    new Aerator("A2", AeratorKind.All[1], 0.55, new(20, 0), new(6, 30)),
                ]
            ),
            Dusk.AddHours(-1)
        );
        var aired = farm.Story.Night.At(Dusk).Forecast!;
        Assert.True(aired.Low.Value > still.Low.Value + 0.5, $"{still.Low.Value:0.0} to {aired.Low.Value:0.0}");
        Assert.True(aired.ChanceUnderAct < still.ChanceUnderAct);
    }

    private static void Read(TestFarm farm, DateTimeOffset at, double mgL, double? secchiM = null)
    {
        List<Value> values = [new(Parameter.Oxygen, mgL), new(Parameter.Temperature, 28)];
        if (secchiM is { } s)
            values.Add(new(Parameter.Secchi, s));
        farm.Must(new ReadingTaken(farm.PondId, values), at);
    }
}
