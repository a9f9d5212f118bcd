using Dorsk.Core.Judging;
using Dorsk.Core.Machines;
using Dorsk.Core.Units;

namespace Dorsk.Core.Tests.Machines;

/// <summary>Tests of equipment: what passes by the table, what is due, what failed, what has no spare.</summary>
public class VitalTests
{
    private static readonly DateOnly Today = new(2027, 1, 21);

    private static VitalState State(
        string kind,
        int? daysAgo,
        double? figure = null,
        bool passed = true,
        int spares = 1
    ) =>
        new(
            1,
            new(1, kind, "it", null, VitalKind.Find(kind)!.EveryDays ?? 30, spares, "", false),
            daysAgo is { } ago ? (Today.AddDays(-ago), new(1, null, figure, passed, "")) : null
        );

    [Theory]
    [InlineData("generator", 7, 0.0, 10.0)]
    [InlineData("generator-fuel", 7, 24.0, 72.0)]
    [InlineData("oxygen-on-power-failure", 7, 0.0, 30.0)]
    [InlineData("earth-leakage-rcd", 30, null, null)]
    [InlineData("aerator-number-kept-spare", 7, 1.0, null)]
    [InlineData("screens-at-inlet-and-outlet", 1, null, null)]
    [InlineData("oxygen-cylinder-or-tank", 1, null, null)]
    [InlineData("alarm-dialler-text", 7, 0.0, 60.0)]
    [InlineData("seine-nets", null, null, null)]
    public void Kinds_are_read_from_the_table(string key, int? days, double? low, double? high)
    {
        var kind = VitalKind.Find(key)!;
        Assert.Equal((days, low, high), (kind.EveryDays, kind.Low, kind.High));
        Assert.NotEmpty(kind.Check);
        Assert.DoesNotContain(VitalKind.All, k =>
            k.Name.Contains("meter", StringComparison.Ordinal) && k.Key != "thermometer"
        );
        Assert.Equal(VitalKind.All.Count, VitalKind.All.Select(k => k.Key).Distinct().Count());
    }

    [Theory]
    [InlineData("generator", 7.0, true, true)]
    [InlineData("generator", 10.0, true, true)]
    [InlineData("generator", 10.5, true, false)]
    [InlineData("generator", 7.0, false, false)]
    [InlineData("generator", null, true, false)]
    [InlineData("generator-fuel", 12.0, true, false)]
    [InlineData("generator-fuel", 30.0, true, true)]
    [InlineData("earth-leakage-rcd", null, true, true)]
    [InlineData("earth-leakage-rcd", null, false, false)]
    public void A_test_passes_by_its_figure_and_by_what_was_seen(string key, double? figure, bool seen, bool passes) =>
        Assert.Equal(passes, VitalKind.Find(key)!.IsPassed(figure, seen));

    [Fact]
    public void What_was_never_tested_failed_or_is_long_overdue_is_said()
    {
        Assert.Equal(
            [Status.Watch, Status.Steady, Status.Watch, Status.ActNow, Status.ActNow, Status.Steady],
            new[]
            {
                State("generator", null),
                State("generator", 3, 7),
                State("generator", 7, 7),
                State("generator", 22, 7),
                State("generator", 1, 40),
                State("earth-leakage-rcd", 10),
            }.Select(s => s.On(Today).Status)
        );
        Assert.Contains(
            "no spare lies ready",
            State("blower", 1, null, false, 0).On(Today).Reason,
            StringComparison.Ordinal
        );
        Assert.Equal(Today.AddDays(4), State("generator", 3, 7).DueOn(Today));
        VitalKept kept = new(1, "generator", "diesel", null, 7, 0, "", false);
        Assert.Equal(
            ["Kind", "Name", "Every", "Spares"],
            new[]
            {
                kept with
                {
                    Kind = "x",
                },
                kept with
                {
                    Name = " ",
                },
                kept with
                {
                    EveryDays = 0,
                },
                kept with
                {
                    Spares = -1,
                },
            }.Select(k => Assert.Single(k.Check()).Field)
        );
        VitalChecked test = new(1, null, 7, true, "");
        Assert.Equal(
            ["Vital", "Vital", "Figure", "Text"],
            new[]
            {
                test.Check(null, Hand.Metric),
                test.Check(kept with { Gone = true }, Hand.Metric),
                (test with { Figure = null }).Check(kept, Hand.Metric),
                (test with { Passed = false }).Check(kept, Hand.Metric),
            }.Select(r => Assert.Single(r).Field)
        );
    }
}
