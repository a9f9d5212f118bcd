namespace Dorsk.Web.Tests;

/// <summary>A clock that is wrong: time goes on from the newest known state, and it is said.</summary>
public class ClockTests
{
    private static readonly DateTimeOffset Right = new(2027, 1, 21, 7, 40, 0, TimeSpan.Zero);
    private readonly Machine machine = new() { Now = Right };

    private FarmClock Clock => field ??= new(null, null, machine);

    [Theory]
    [InlineData(-10)]
    [InlineData(-20_000)]
    public void A_clock_that_falls_back_goes_on_from_the_newest_known_state(int days)
    {
        Assert.Equal(Right, Clock.GetUtcNow());
        Assert.Null(Clock.Trouble);
        machine.Now = Right.AddDays(days);
        machine.Pass(90);
        Assert.Equal(Right.AddSeconds(90), Clock.GetUtcNow());
        Assert.Contains("days behind the newest record", Clock.Trouble!, StringComparison.Ordinal);
        machine.Now = Right.AddSeconds(90);
        machine.Pass(30);
        Assert.Equal(Right.AddSeconds(120), Clock.GetUtcNow());
        Assert.Null(Clock.Trouble);
    }

    [Fact]
    public void A_start_with_a_flat_battery_goes_on_from_the_newest_line()
    {
        machine.Now = DateTimeOffset.UnixEpoch;
        Clock.NotBefore(Right);
        machine.Pass(600);
        Assert.Equal(Right.AddMinutes(10), Clock.GetUtcNow());
        Assert.NotNull(Clock.Trouble);
    }

    [Fact]
    public void A_clock_set_right_by_moments_is_no_trouble_and_one_that_ran_ahead_can_be_vouched_for()
    {
        Assert.Equal(Right, Clock.GetUtcNow());
        machine.Now = Right.AddSeconds(-40);
        Assert.Equal(Right.AddSeconds(-40), Clock.GetUtcNow());
        Assert.Null(Clock.Trouble);
        machine.Now = Right.AddYears(10);
        Assert.Equal(2037, Clock.GetUtcNow().Year);
        machine.Now = Right;
        Assert.Equal(2037, Clock.GetUtcNow().Year);
        Clock.Vouch();
        Assert.Equal(Right, Clock.GetUtcNow());
        Assert.Null(Clock.Trouble);
    }

    [Theory]
    [InlineData("soon", null)]
    [InlineData("0001-01-01", null)]
    [InlineData(null, "-1")]
    [InlineData(null, "fast")]
    public void A_wrong_switch_is_said(string? start, string? rate) =>
        Assert.Throws<ArgumentException>(() => new FarmClock(start, rate));

    [Fact]
    public void In_the_hour_that_comes_twice_what_is_typed_has_happened()
    {
        var zone = Core.Time.FarmZone.Find("Europe/Berlin")!;
        // 31 Oct 2027: 03:00 summer time becomes 02:00; both 02:30 are half an hour and an hour and a half after midnight UTC.
        var (first, second) = (
            new DateTimeOffset(2027, 10, 31, 0, 30, 0, TimeSpan.Zero),
            new DateTimeOffset(2027, 10, 31, 1, 30, 0, TimeSpan.Zero)
        );
        foreach (var now in new[] { first, first.AddMinutes(20), second, second.AddMinutes(20) })
        {
            var meant = zone.At(zone.LocalAt(now), notAfter: now);
            Assert.True(meant <= now);
            Assert.Equal(now, meant);
        }
    }

    private sealed class Machine : TimeProvider
    {
        private long ticks;

        public DateTimeOffset Now { get; set; }

        public void Pass(double seconds)
        {
            ticks += (long)(seconds * TimestampFrequency);
            Now = Now.AddSeconds(seconds);
        }

        public override DateTimeOffset GetUtcNow() => Now;

        public override long GetTimestamp() => ticks;
    }
}
