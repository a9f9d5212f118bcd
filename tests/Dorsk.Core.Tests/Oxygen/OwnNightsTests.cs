using Dorsk.Core.Oxygen;
using Dorsk.Core.Ponds;
using Dorsk.Core.Time;
using Dorsk.Core.Water;

namespace Dorsk.Core.Tests.Oxygen;

/// <summary>What a pond's own nights say of the coming one.</summary>
public class OwnNightsTests
{
    private static readonly FarmZone Zone = FarmZone.Find("Australia/Brisbane")!;
    private static readonly DateTimeOffset Sunset = new(2026, 12, 10, 18, 40, 0, TimeSpan.FromHours(10));
    private static readonly DateTimeOffset Sunrise = Sunset.AddHours(10);
    private static readonly TimeSpan ToDawn = TimeSpan.FromHours(11);

    private static NightWater Water(int nightsAgo, IReadOnlyList<Aerator>? aerators = null, double excess = 0) =>
        new(3000, 1.4, 26, 8, 1.5, aerators ?? [], new Place(-27, 153), Zone)
        {
            Dark = (Sunset.AddDays(-nightsAgo), Sunrise.AddDays(-nightsAgo)),
            EveningExcess = excess,
        };

    private static PastNight Night(int ago, double dusk, double dawn) =>
        new(ago, new(Sunset.AddDays(-ago), dusk), new(Sunrise.AddDays(-ago), dawn), Water(ago));

    private static OwnNights Learned(IEnumerable<PastNight> nights) => OwnNights.Of([.. nights], [])!;

    private static (double Dawn, double Sd) Told(OwnNights own, double dusk, DayRead day, NightWater? water = null)
    {
        var tonight = (water ?? Water(0)) with { EveningExcess = own.EveningExcess };
        var start = new Timed(Sunset, dusk);
        var decline = own.Tonight(tonight, start, Sunset + ToDawn, day, Decline.ReadingSd);
        var (still, taken) = NightCurve.Between(tonight, start, Sunset + ToDawn);
        return (
            still - (decline.MgLH * taken),
            Math.Sqrt(Math.Pow(decline.Sd * taken, 2) + Math.Pow(decline.StartSd, 2))
        );
    }

    [Fact]
    public void Nights_that_are_all_alike_come_again_and_are_told_more_surely_than_those_that_are_not()
    {
        var even = Learned(Enumerable.Range(1, 15).Select(i => Night(i, 9, 4)));
        var uneven = Learned(Enumerable.Range(1, 15).Select(i => Night(i, 9, i % 2 == 0 ? 3 : 5)));
        var (dawn, sd) = Told(even, 9, DayRead.Evening);
        Assert.InRange(dawn, 3.7, 4.1);
        Assert.True(sd < 0.7 * Told(uneven, 9, DayRead.Evening).Sd);
        Assert.Null(OwnNights.Of([Night(1, 9, 4)], []));
    }

    [Fact]
    public void What_is_not_read_is_told_less_surely()
    {
        var own = Learned(Enumerable.Range(1, 10).Select(i => Night(i, 9 + (i % 3 * 0.5), 4 + (i % 3 * 0.4))));
        var sds = new[] { DayRead.Evening, DayRead.Day, DayRead.Not }.Select(d => Told(own, 9, d).Sd).ToList();
        Assert.True(sds[0] < sds[1] && sds[0] < sds[2]);
        // The mornings that were read go on counting where the evenings were not.
        var higher = OwnNights.Of([Night(4, 9, 4), Night(3, 9, 4)], [new(2, 6), new(1, 6)])!;
        Assert.InRange(Told(higher, 9, DayRead.Not).Dawn, 5.5, 6.5);
    }

    [Fact]
    public void A_high_evening_is_carried_to_dawn_only_where_this_pond_does_so()
    {
        // Here the dawn is 4 whatever the evening was; there it goes with it.
        var flat = Learned(Enumerable.Range(1, 20).Select(i => Night(i, 8 + (i % 5 * 1.5), 4)));
        var follows = Learned(Enumerable.Range(1, 20).Select(i => Night(i, 8 + (i % 5 * 1.5), 3 + (i % 5 * 1.5))));
        Assert.InRange(Told(flat, 16, DayRead.Evening).Dawn, 3, 6.5);
        Assert.InRange(Told(follows, 16, DayRead.Evening).Dawn, 9, 12.5);
    }

    [Fact]
    public void Machines_that_were_not_on_before_lift_the_dawn_read_or_not()
    {
        var own = Learned(Enumerable.Range(1, 10).Select(i => Night(i, 9, 3)));
        Aerator[] set = [new("A1", AeratorKind.All[1], 2, new(20, 0), new(7, 0))];
        foreach (var day in new[] { DayRead.Evening, DayRead.Not })
            Assert.True(Told(own, 9, day, Water(0, set)).Dawn > Told(own, 9, day).Dawn + 0.5);
        // What the water takes is the same, whatever is set: more air never makes the evening before it look worse.
        double Use(NightWater water) =>
            own.Tonight(water, new(Sunset, 9), Sunset + ToDawn, DayRead.Evening, Decline.ReadingSd).MgLH;
        Assert.Equal(Use(Water(0)), Use(Water(0, set)), 9);
    }

    [Theory]
    [InlineData(0.4)]
    [InlineData(-0.3)]
    public void The_shape_of_a_night_is_learned_from_readings_in_the_middle_of_it(double excess)
    {
        var nights = Enumerable
            .Range(1, 15)
            .Select(ago =>
            {
                var (water, from) = (Water(ago, excess: excess), new Timed(Sunset.AddDays(-ago), 9));
                Timed At(double hours)
                {
                    var (still, taken) = NightCurve.Between(water, from, from.At.AddHours(hours));
                    return new(from.At.AddHours(hours), still - (0.45 * taken));
                }
                return new PastNight(ago, from, At(10), Water(ago)) { Middle = At(5) };
            })
            .ToList();
        Assert.InRange(NightShape.Of(nights), excess - 0.12, excess + 0.12);
        // The mean of the night is the same, whatever its shape.
        Assert.Equal(
            NightCurve.Between(Water(0), new(Sunset, 9), Sunrise).TakenH,
            NightCurve.Between(Water(0, excess: excess), new(Sunset, 9), Sunrise).TakenH,
            0.35
        );
    }

    [Fact]
    public void Two_beliefs_in_one_night_lie_between_and_are_surer()
    {
        Decline Of(double mgLH, double sd) => new(DeclineMethod.OwnNights, mgLH, sd, Judging.Grounds.Of("m", "s"));
        var both = Declines.Both(Of(0.3, 0.05), Of(0.5, 0.1));
        Assert.Equal(0.34, both.MgLH, 9);
        Assert.Equal(0.0447, both.Sd, 4);
        // What turns a night comes at any of its hours: of the doubt more is left than of the night.
        Assert.Equal(0.1, Of(0.3, 0.05).For(0.25).Sd, 9);
    }
}
