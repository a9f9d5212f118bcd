using Dorsk.Core.Judging;
using Dorsk.Core.Species;
using Dorsk.Core.Stock;
using Dorsk.Core.Time;
using Dorsk.Core.Units;
using Dorsk.Core.Verdict;
using Dorsk.Core.Water;

namespace Dorsk.Core.Tests.Verdict;

/// <summary>Meshes against the smallest fish: screens of a pond, nets of a sample.</summary>
public class ScreenTests
{
    private static readonly DateTimeOffset Now = new(2027, 1, 21, 5, 0, 0, TimeSpan.Zero);
    private static readonly FishSpecies Perch = FishSpecies.Of("silver_perch");

    private static FishHere Fish(double g) => new(Perch, WaterLimits.StageOf(Perch, g), g, 1000);

    private static Finding? Screen(double g, params (string, double)[] screens) =>
        PondVerdict
            .Of(
                new()
                {
                    Now = Now,
                    Zone = FarmZone.Utc,
                    Hand = Hand.Metric,
                    InTank = false,
                    DepthM = 1.5,
                    AltitudeM = 0,
                    Sun = (Now, Now.AddHours(12)),
                    Fish = [Fish(g)],
                    Readings = ReadingBook.Of([]),
                    Screens = screens,
                }
            )
            .Findings.FirstOrDefault(f => f.Rule == "screens");

    [Theory]
    [InlineData(2, 3, null)]
    [InlineData(2, 4.8, Status.Watch)]
    [InlineData(2, 6, Status.ActNow)]
    [InlineData(300, 12, null)]
    public void A_screen_holds_the_smallest_fish_or_the_gate_is_shut(double g, double meshMm, Status? status)
    {
        // 2 g at K 1.5: 5.1 cm, held by 5.1 mm; two deviations of 22 % less are 1.12 g: 4.2 cm, 4.2 mm.
        var found = Screen(g, ("outlet screen", meshMm));
        Assert.Equal(status, found?.Status);
        if (found is not null)
            Assert.True(
                found.ShutsGate && found.Reason.Contains("outlet screen", StringComparison.Ordinal) && !found.Rings
            );
    }

    [Fact]
    public void Each_screen_is_judged_for_itself_and_none_is_asked_where_none_is_known()
    {
        Assert.Null(Screen(0.5));
        Assert.Contains(
            "inlet",
            Screen(2, ("inlet screen", 8), ("outlet screen", 2))!.Reason,
            StringComparison.Ordinal
        );
    }

    [Fact]
    public void Length_comes_from_weight_by_condition_and_back()
    {
        Assert.Equal(Math.Cbrt(100 * 2 / 1.5), BodyLength.Cm(Perch, 2), 9);
        Assert.Equal(2, BodyLength.WeightG(Perch, BodyLength.Cm(Perch, 2)), 9);
        Assert.Equal(BodyLength.Cm(Perch, 2), BodyLength.HeldByMm(Perch, 2), 9);
        // 10 mm knot to knot opens 15 mm: fish shorter than 15 cm slip, 50.6 g.
        Assert.Equal(1.5 * 15 * 15 * 15 / 100, SampleNet.Slipped(Perch, 10)!.Value, 6);
        Assert.Null(SampleNet.Slipped(Perch, 200));
    }
}
