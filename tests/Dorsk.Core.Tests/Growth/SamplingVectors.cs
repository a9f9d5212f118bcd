using Dorsk.Core.Judging;

namespace Dorsk.Core.Tests.Growth;

public class SamplingVectors
{
    [Fact]
    public void Single_fish()
    {
        foreach (var r in Vectors.Rows("sampling_individual"))
        {
            var mean = SampleStatistics.Individual(r.Many("weights_g").ToList(), r["confidence_pct"] / 100);
            r.Agree("mean_g", mean.Mean);
            r.Agree("sd_g", mean.Sd!.Value, 1e-6, 1e-8);
            r.Agree("ci_low_g", mean.Range!.Value.Low);
            r.Agree("ci_high_g", mean.Range!.Value.High);
        }
    }

    [Fact]
    public void Bulk_casts()
    {
        foreach (var r in Vectors.Rows("sampling_bulk"))
        {
            var casts = r.Many("cast_counts").Zip(r.Many("cast_masses_kg"), (n, m) => ((int)n, m * 1000)).ToList();
            var mean = SampleStatistics.Bulk(casts, r["confidence_pct"] / 100);
            r.Agree("mean_g", mean.Mean);
            r.Agree("se_g", mean.StandardError!.Value);
            r.Agree("ci_low_g", mean.Range!.Value.Low);
            r.Agree("ci_high_g", mean.Range!.Value.High);
        }
    }

    [Fact]
    public void Fish_to_weigh()
    {
        foreach (var r in Vectors.Rows("sampling_size"))
        {
            Assert.Equal(
                (int)r["n_normal"],
                SampleStatistics.FishForNormal(r["cv_pct"], r["relative_error_pct"], r["confidence_pct"] / 100)
            );
            Assert.Equal(
                (int)r["n_student_t"],
                SampleStatistics.FishFor(r["cv_pct"], r["relative_error_pct"], r["confidence_pct"] / 100)
            );
        }
    }
}
