using Dorsk.Core.Growth;
using Dorsk.Core.Judging;
using Dorsk.Core.Species;

namespace Dorsk.Core.Tests.Growth;

/// <summary>A loss of guessed size: the number moves at once, its interval holds the truth, and later samples with feed narrow it.</summary>
public class GuessedLossTests
{
    private static readonly FishSpecies Perch = FishSpecies.Of("silver_perch");
    private static readonly DateOnly First = new(2026, 9, 1);
    private const int Days = 150,
        LossDay = 80,
        SampleDays = 20;
    private static readonly int[] Samples = [.. Enumerable.Range(1, Days / SampleDays).Select(i => i * SampleDays)];

    private sealed record Farm(BatchHistory Batch, IReadOnlyList<double> Truth);

    private static double Normal(Random r) =>
        Math.Sqrt(-2 * Math.Log(1 - r.NextDouble())) * Math.Cos(2 * Math.PI * r.NextDouble());

    // A batch whose stocking count, conversion, unseen losses and samples err, and people who think that 20 to 30 % are gone.
    private static Farm Drawn(int seed, bool told)
    {
        var chance = new Random(seed);
        const int Stocked = 5000;
        var fish = Stocked * (1 + (0.04 * Normal(chance)));
        var conversion = Math.Exp(0.2 * Normal(chance));
        var rate = Math.Exp(0.2 * Normal(chance));
        var lost = Math.Clamp(0.25 + (0.045 * Normal(chance)), 0.05, 0.5);
        var (fed, truth, samples) = (new Dictionary<DateOnly, double>(), new List<double>(), new List<WeightSample>());
        var g = 30.0;
        for (var i = 0; i <= Days; i++)
        {
            var day = First.AddDays(i);
            if (i == LossDay)
                fish *= 1 - lost;
            fish *= 1 - 0.0002;
            truth.Add(fish);
            if (Samples.Contains(i))
                samples.Add(Sampled(day, g, chance));
            var gain = DailyGain.FullG(g, 25, Perch, rate);
            fed[day] = gain * fish / 1000 * DailyGain.Fcr(Perch, g) * conversion * Math.Exp(0.05 * Normal(chance));
            g += gain;
        }
        CountChange[] changes = told ? [new(First.AddDays(LossDay), 0, false, null) { Guessed = (0.2, 0.3) }] : [];
        return new(
            new(
                Perch,
                First,
                Stocked,
                30,
                false,
                false,
                changes,
                samples,
                _ => 25,
                d => fed.GetValueOrDefault(d),
                _ => null
            ),
            truth
        );
    }

    private static WeightSample Sampled(DateOnly day, double g, Random chance)
    {
        var weights = Enumerable.Range(0, 4).Select(_ => (30, 30 * g * (1 + (0.02 * Normal(chance)))));
        return new(day, SampleStatistics.Bulk([.. weights]));
    }

    [Fact]
    public void The_interval_holds_the_truth_before_and_after_the_next_samples()
    {
        var days = new[] { LossDay + 1, LossDay + SampleDays + 1, LossDay + (2 * SampleDays) + 1 };
        var inside = new int[days.Length];
        var width = new double[days.Length];
        var error = new double[days.Length];
        const int Seeds = 200;
        for (var seed = 0; seed < Seeds; seed++)
        {
            var farm = Drawn(seed, told: true);
            var standing = StandingEstimate.Run(farm.Batch, First.AddDays(Days));
            for (var i = 0; i < days.Length; i++)
            {
                var (count, truth) = (standing[days[i]].Count, farm.Truth[days[i]]);
                inside[i] += count.Low <= truth && truth <= count.High ? 1 : 0;
                width[i] += (count.High - count.Low) / count.Value / Seeds;
                error[i] += Math.Abs((count.Value / truth) - 1) / Seeds;
            }
        }
        var said = string.Join(
            "; ",
            days.Select((d, i) => $"day {d}: {inside[i]} inside, width {width[i]:0.000}, error {error[i]:0.000}")
        );
        Assert.True(inside.All(n => n is >= 170 and <= 190), said);
        Assert.True(width[2] < 0.95 * width[0] && error[2] <= error[0], said);
    }

    [Fact]
    public void It_moves_number_biomass_and_ration_at_once_and_a_count_ends_its_doubt()
    {
        var (told, silent) = (Drawn(1, true), Drawn(1, false));
        var (a, b) = (
            StandingEstimate.Run(told.Batch, First.AddDays(LossDay))[^1],
            StandingEstimate.Run(silent.Batch, First.AddDays(LossDay))[^1]
        );
        Assert.Equal(0.75, a.Count.Value / b.Count.Value, 3);
        Assert.Equal(0.75, a.BiomassKg.Value / b.BiomassKg.Value, 3);
        Assert.True((a.Count.High - a.Count.Low) / a.Count.Value > 1.2 * (b.Count.High - b.Count.Low) / b.Count.Value);
        var counted = told.Batch with
        {
            Changes =
            [
                .. told.Batch.Changes,
                new(First.AddDays(LossDay + 1), 3700, false, null) { CountedOneByOne = true },
            ],
        };
        var after = StandingEstimate.Run(counted, First.AddDays(LossDay + 1))[^1];
        Assert.Equal(3700, after.Count.Value, 0);
        Assert.True(after.Count.High - after.Count.Low < 0.05 * 3700);
    }
}
