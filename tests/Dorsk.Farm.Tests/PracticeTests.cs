using Dorsk.Core.Ponds;
using Dorsk.Core.Stock;
using Dorsk.Core.Water;
using Dorsk.Practice;

namespace Dorsk.Farm.Tests;

/// <summary>The simulated ponds that everything is scored on: plausible, seeded, and told with the mistakes that the recipe says.</summary>
public class PracticeTests
{
    private static readonly List<ScoredPond> Ponds = Enumerable
        .Range(900_000, 12)
        .Select(seed => new ScoredPond(seed))
        .ToList();

    private static IEnumerable<(DateTimeOffset At, double MgL)> Oxygen(ScoredPond p) =>
        p
            .Told.Where(t => t.Fact is ReadingTaken { PondId: not null })
            .SelectMany(t =>
                ((ReadingTaken)t.Fact).Values.Where(v => v.Parameter == Parameter.Oxygen).Select(v => (t.At, v.Si))
            );

    [Fact]
    public void Mornings_are_low_evenings_high_and_nothing_is_beyond_nature()
    {
        foreach (var pond in Ponds)
        {
            var readings = Oxygen(pond).ToList();
            Assert.All(readings, r => Assert.InRange(r.MgL, 0.1, 24));
            var zone = DemoFarm.Zone;
            var dawn = readings.Where(r => zone.LocalAt(r.At).Hour < 9).Average(r => r.MgL);
            var dusk = readings.Where(r => zone.LocalAt(r.At).Hour is > 15 and < 20).Average(r => r.MgL);
            Assert.True(dusk > dawn + 1, $"dawn {dawn:0.0}, dusk {dusk:0.0}");
        }
    }

    [Fact]
    public void Ponds_differ_and_nights_differ()
    {
        var means = Ponds.Select(p => p.Nights.Average(n => n.TrueLowMgL)).ToList();
        Assert.True(Spread(means) > 0.5, "one pond is like another");
        Assert.All(Ponds, p =>
            Assert.True(Spread(p.Nights.Select(n => n.TrueLowMgL).ToList()) > 0.3, "one night is like another")
        );
        // The oracle is good, and cannot be perfect: the weather of the night is not told it.
        var errors = Ponds.SelectMany(p => p.Nights).Average(n => Math.Abs(n.OracleLowMgL - n.TrueLowMgL));
        Assert.InRange(errors, 0.2, 0.8);
    }

    [Fact]
    public void Fish_grow_and_fewer_are_found_dead_than_die()
    {
        foreach (var pond in Ponds)
        {
            var (first, last) = (pond.TruthOn(pond.Days.From), pond.TruthOn(pond.Days.To));
            Assert.True(last.MeanG > first.MeanG);
            Assert.True(last.Count <= first.Count);
            var found = pond.Told.Select(t => t.Fact).OfType<FishLost>().Sum(l => l.Count);
            Assert.True(found <= first.Count - last.Count + 1, "more were found than died");
        }
        var gone = Ponds.Sum(p => p.TruthOn(p.Days.From).Count - p.TruthOn(p.Days.To).Count);
        var seen = Ponds.Sum(p => p.Told.Select(t => t.Fact).OfType<FishLost>().Sum(l => l.Count));
        Assert.InRange(seen / gone, 0.15, 0.65);
    }

    [Fact]
    public void Nobody_tells_what_has_not_happened_yet_and_samples_come_every_four_weeks()
    {
        foreach (var pond in Ponds)
        {
            // The stocking stands first, although the pond was read that morning before the fish came.
            var later = pond.Told.Skip(1).Select(t => t.At).ToList();
            Assert.Equal(later.Order(), later);
            var samples = pond.Told.Where(t => t.Fact is FishSampled).Select(t => t.At).ToList();
            Assert.All(samples.Zip(samples.Skip(1)), s => Assert.Equal(28, (s.Second - s.First).TotalDays, 1));
            Assert.All(pond.Nights, n => Assert.True(n.LateAt is null || n.LateAt > n.DuskAt));
        }
    }

    [Fact]
    public void The_demo_draws_every_pond_once_on_its_plan()
    {
        var told = new DemoFarm(1).Founding().ToList();
        var codes = told.Where(t => t.Founds?.StartsWith("pond ", StringComparison.Ordinal) == true)
            .Select(t => t.Founds![5..])
            .ToList();
        var keys = new Keys(
            codes.Select((c, i) => ("pond " + c, (long)i + 1)).ToDictionary(k => k.Item1, k => k.Item2)
        );
        var places = told.Where(t => t.Text.Contains(" lies ", StringComparison.Ordinal))
            .Select(t => (PondPlaced)t.Fact(keys))
            .ToList();
        Assert.Equal(codes.Count, places.Select(p => p.PondId).Distinct().Count());
        Assert.Equal(13, codes.Count);
    }

    private static double Spread(List<double> values) =>
        Math.Sqrt(values.Average(v => Math.Pow(v - values.Average(), 2)));
}
