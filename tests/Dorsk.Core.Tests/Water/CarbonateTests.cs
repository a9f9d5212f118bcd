using Dorsk.Core.Oxygen;
using Dorsk.Core.Ponds;
using Dorsk.Core.Water;

namespace Dorsk.Core.Tests.Water;

/// <summary>pH, alkalinity and carbon turned into one another, two waters mixed, and oxygen lifted by aerators.</summary>
public class CarbonateTests
{
    // Boyd's table of multipliers for fresh water: mg/L of CO₂ for 1 mg/L of alkalinity. pH 6.0 2.146 at 20 °C, 1.969 at 25; pH 7.0 0.215 and 0.197; pH 8.0 0.0215 and 0.0197.
    [Theory]
    [InlineData(6.0, 20, 2.146)]
    [InlineData(6.0, 25, 1.969)]
    [InlineData(7.0, 20, 0.215)]
    [InlineData(7.0, 25, 0.197)]
    [InlineData(8.0, 25, 0.0197)]
    public void Carbon_dioxide_of_fresh_water_is_that_of_the_trades_table(double ph, double tempC, double each) =>
        Assert.InRange(Carbonate.CarbonDioxideMgL(ph, 100, tempC, 0) / 100 / each, 0.97, 1.03);

    [Fact]
    public void Ph_comes_back_from_alkalinity_and_carbon()
    {
        var chance = new Random(11);
        for (var i = 0; i < 2000; i++)
        {
            double ph = 5.5 + (4.5 * chance.NextDouble()),
                alk = 5 + (295 * chance.NextDouble()),
                t = 40 * chance.NextDouble(),
                s = 40 * chance.NextDouble();
            var carbon = Carbonate.CarbonMmolL(ph, alk, t, s);
            if (carbon > 0)
                Assert.Equal(ph, Carbonate.Ph(alk, carbon, t, s), 9);
            if (carbon > 0.001)
                Assert.Equal(ph, Carbonate.PhAt(Carbonate.CarbonDioxideMgL(ph, alk, t, s), alk, t, s), 6);
        }
    }

    [Fact]
    public void A_mix_lies_between_its_waters_and_like_waters_stay_as_they_are()
    {
        var a = (10.0, 7.0, 150.0, 24.0, 0.0);
        Assert.Equal(7.0, Mixing.PhOf(a, a with { Item1 = 3 }), 9);
        var pond = (10.0, 8.6, 60.0, 24.0, 0.0);
        var mixed = Mixing.PhOf(a, pond);
        Assert.InRange(mixed, 7.0, 8.6);
        // The bag's carbon dioxide outweighs the pond's want of it: far under the mean of the two.
        Assert.True(mixed < 7.4);
        // The same with more and more of the pond's water: never back.
        var steps = Enumerable.Range(0, 40).Select(i => Mixing.PhOf(a, pond with { Item1 = 2.0 * i })).ToList();
        Assert.Equal(steps.Order(), steps);
    }

    [Fact]
    public void Air_lifts_oxygen_as_it_would_hour_by_hour_and_what_holds_a_level_holds_it()
    {
        var kind = AeratorKind.All[0];
        var water = new AeratedWater(1000, 0.2, 27, 7.9);
        var lift = AirLift.For(kind, 2, water, 2, 4);
        var c = 2.0;
        var hours = 0.0;
        for (; c < 4 && hours < 100; hours += 0.0005)
            c += 0.0005 * ((1000 * Exchange.OtrKgH(kind.SaeKgKWh * 2, c, 7.9, 27, kind.Alpha, kind.Beta) / 1000) - 0.2);
        Assert.Equal(hours, lift.Hours!.Value, 0.005);
        Assert.Equal(0, lift.Course.HoursUpTo(5, 4));
        Assert.Equal(lift.Hours.Value, lift.Course.HoursUpTo(2, lift.Course.After(2, lift.Hours.Value))!.Value, 9);
        var holds = AirLift.HoldsKW(kind, water, 4)!.Value;
        Assert.Equal(4, AirLift.For(kind, holds, water, 2, 3.9).Course.EquilibriumMgL, 9);
        Assert.Null(AirLift.For(kind, holds, water, 2, 4.01).Hours);
        Assert.Null(AirLift.HoldsKW(kind, water, 8));
    }
}
