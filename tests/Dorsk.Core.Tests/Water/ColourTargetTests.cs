using Dorsk.Core.Judging;
using Dorsk.Core.Ponds;
using Dorsk.Core.Season;
using Dorsk.Core.Species;
using Dorsk.Core.Time;
using Dorsk.Core.Units;
using Dorsk.Core.Verdict;
using Dorsk.Core.Water;

namespace Dorsk.Core.Tests.Water;

/// <summary>The colour that is wanted in one body of water, and the share of a planned change.</summary>
public class ColourTargetTests
{
    private static readonly DateTimeOffset Now = new(2027, 1, 21, 4, 0, 0, TimeSpan.Zero);

    private static PondState State(bool tank, int? target, int seen, params (Parameter Parameter, Timed Read)[] more) =>
        new()
        {
            Now = Now,
            Zone = FarmZone.Utc,
            Hand = Hand.Metric,
            InTank = tank,
            DepthM = 1.2,
            AltitudeM = 60,
            Sun = (Now.AddHours(-1), Now.AddHours(12)),
            Fish = [new(FishSpecies.Of("silver_perch"), LifeStage.Growing, 200, 500)],
            Readings = ReadingBook.Empty.With([(Parameter.Colour, new Timed(Now.AddHours(-1), seen)), .. more]),
            ColourTarget = target,
        };

    private static List<Finding> Colours(bool tank, int? target, int seen) =>
        [.. PondVerdict.Of(State(tank, target, seen)).Findings.Where(f => f.Of == Parameter.Colour)];

    [Fact]
    public void The_same_colour_is_wanted_in_one_pond_and_pointed_out_in_the_next()
    {
        // Clear: in a pond without a wish it is a thin bloom, where it is wanted it is well.
        Assert.Single(Colours(false, null, 1));
        Assert.Empty(Colours(false, 1, 1));
        // Green: well by itself, and pointed out where clear water is wanted.
        Assert.Empty(Colours(false, null, 3));
        var green = Assert.Single(Colours(true, 1, 3));
        Assert.Equal(Status.Watch, green.Status);
        Assert.Equal("green, and clear, the floor is seen is wanted here", green.Reason);
        Assert.Contains("Longer shade", green.Do, StringComparison.Ordinal);
        Assert.Contains("Shorter shade", Assert.Single(Colours(true, 6, 2)).Do, StringComparison.Ordinal);
    }

    [Fact]
    public void A_wish_never_hides_a_danger()
    {
        foreach (var target in ColourTarget.Steps)
        {
            Assert.Equal(Status.ActNow, Assert.Single(Colours(false, target, 9)).Status);
            foreach (var bad in new[] { 4, 7, 8 })
                Assert.True(Assert.Single(Colours(false, target, bad)).Status >= Status.Watch);
        }
        Assert.Equal("Colour", Assert.Single(ColourTarget.Check(4)).Field);
        Assert.Single(ColourTarget.Check(0));
        Assert.Empty(ColourTarget.Check(null));
    }

    [Theory]
    [InlineData(null, 4)]
    [InlineData(1, 2)]
    [InlineData(2, 2)]
    [InlineData(3, 2)]
    [InlineData(5, 0)]
    [InlineData(6, 0)]
    public void Hours_of_the_cover_follow_the_wanted_colour(int? target, int tasks)
    {
        var cover = UsualDuties
            .For(PondKind.Tank, false, false, target)
            .Where(d => d.What.Contains("cover", StringComparison.Ordinal))
            .ToList();
        Assert.Equal(tasks, cover.Count);
        if (target is { } t && ColourTarget.CoverHours(t) is { } hours)
            Assert.Equal([hours.From, hours.To], cover.Select(d => d.At).Order());
    }

    [Fact]
    public void A_pH_that_is_well_at_dawn_is_held_against_what_the_afternoons_were()
    {
        (Parameter, Timed) Ph(int daysAgo, double hours, double ph) =>
            (Parameter.Ph, new Timed(Now.AddDays(-daysAgo).AddHours(hours), ph));
        var before = new[] { Ph(2, 0, 7.9), Ph(2, 9, 9.1), Ph(1, 0, 8.0), Ph(1, 9, 9.0) };
        List<Finding> Found(double dawn) =>
            [
                .. PondVerdict
                    .Of(State(false, null, 3, [.. before, Ph(0, -0.5, dawn)]))
                    .Findings.Where(f =>
                        f.Of == Parameter.Ph && f.Reason.Contains("by the afternoon", StringComparison.Ordinal)
                    ),
            ];
        var high = FishSpecies.Of("silver_perch") is var perch ? WaterLimits.For(perch, LifeStage.Growing).PhHigh : 0;
        // The middle rise of the two days is 1.0 or 1.2, the upper of two.
        var ahead = Assert.Single(Found(high - 0.5));
        Assert.True(ahead.ShutsGate);
        Assert.Contains($"about {high + 0.7:0.0} by the afternoon", ahead.Reason, StringComparison.Ordinal);
        Assert.Empty(Found(high - 1.3));
    }

    [Fact]
    public void A_planned_change_says_its_water_its_pumping_and_what_stays_of_the_old()
    {
        // 30 % of 1,000 m³ are 300 m³: ten hours of 30 m³/h at 2 kW are 20 kWh; of what is left, seven tenths stay.
        var change = PlannedChange.Of(30, 1000, 0.8, (30, 2), 0.25);
        Assert.Equal((300, 20, 5), (change.M3, change.KWh!.Value, change.Cost!.Value));
        Assert.Equal(0.56, change.OldLeft, 6);
        Assert.Matches(
            @"^30 % is 300\sm³, AUD 5\.00 of pumping; then 56 % of the water of 30 days ago is left$",
            change.Words(Hand.Metric, "AUD")
        );
        Assert.Null(PlannedChange.Of(30, 1000, 1, null, 0.25).Cost);
        Assert.Contains(
            "20.0 kWh",
            PlannedChange.Of(30, 1000, 1, (30, 2), null).Words(Hand.Metric, ""),
            StringComparison.Ordinal
        );
    }

    [Fact]
    public void A_value_says_how_deep_it_was_read_and_whether_the_animals_live_there()
    {
        string Words(Parameter p, double? depth, bool floor) =>
            ReadDepth.Words(p, new Timed(Now, 5) { DepthM = depth }, 1.5, floor, Hand.Metric);
        Assert.Equal("", Words(Parameter.Oxygen, null, false));
        Assert.EndsWith(ReadDepth.SurfaceOnly, Words(Parameter.Oxygen, null, true), StringComparison.Ordinal);
        Assert.StartsWith("at 0.3", Words(Parameter.Oxygen, 0.3, true), StringComparison.Ordinal);
        Assert.DoesNotContain("surface only", Words(Parameter.Oxygen, 1.4, true), StringComparison.Ordinal);
        Assert.Equal("", Words(Parameter.Ph, null, true));
    }
}
