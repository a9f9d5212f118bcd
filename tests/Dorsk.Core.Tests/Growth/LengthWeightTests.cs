using Dorsk.Core.Growth;
using Dorsk.Core.Stock;

namespace Dorsk.Core.Tests.Growth;

/// <summary>Weights by length and numbers by throws, against fish that were made up with a known truth.</summary>
public class LengthWeightTests
{
    [Fact]
    public void The_power_is_found_and_a_single_fish_falls_into_its_interval_as_often_as_said()
    {
        var random = new Random(5);
        double Normal() =>
            Math.Sqrt(-2 * Math.Log(1 - random.NextDouble())) * Math.Cos(2 * Math.PI * random.NextDouble());
        double Truth(double cm) => 0.0135 * Math.Pow(cm, 3.05) * Math.Exp(0.08 * Normal());
        var held = 0;
        for (var run = 0; run < 20000; run++)
        {
            var fit = LengthWeight.Fit([
                .. Enumerable.Range(0, 15).Select(i => 10 + (1.5 * i)).Select(cm => (cm, Truth(cm))),
            ])!;
            held += fit.WeightG(23).Holds(Truth(23)) ? 1 : 0;
            if (run == 0)
                Assert.InRange(fit.B, 2.8, 3.3);
        }
        Assert.InRange(held / 20000.0, 0.79, 0.81);
        var exact = LengthWeight.Fit([.. new[] { 10.0, 14, 18, 22, 26 }.Select(cm => (cm, 0.02 * cm * cm * cm))])!;
        Assert.Equal(
            (3, 0.02, 20),
            (Math.Round(exact.B, 9), Math.Round(exact.A, 9), Math.Round(exact.LengthCm(160), 6))
        );
        Assert.Null(LengthWeight.Fit([(10, 20), (10, 21), (10, 22), (10, 20), (10, 19), (10, 20)]));
        Assert.Null(LengthWeight.Fit([(10, 20), (20, 160)]));
    }

    [Fact]
    public void Throws_over_a_pond_of_known_fish_hold_their_number()
    {
        var random = new Random(9);
        var held = 0;
        for (var run = 0; run < 500; run++)
        {
            // 3,000 fish on 1,000 m²; a net of 7 m² that holds half of what it closes in: binomial catches.
            var caught = Enumerable
                .Range(0, 12)
                .Select(_ => Enumerable.Range(0, 3000).Count(_ => random.NextDouble() < 7.0 / 1000 * 0.5))
                .ToList();
            held += FishCounting.ByThrows(caught, 7, 1000, 0.5).Range!.Value.Holds(3000) ? 1 : 0;
        }
        Assert.InRange(held / 500.0, 0.92, 0.98);
    }
}
