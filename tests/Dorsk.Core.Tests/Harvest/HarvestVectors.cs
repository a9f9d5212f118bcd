using Dorsk.Core.Harvest;

namespace Dorsk.Core.Tests.Harvest;

/// <summary>Sizes over a bar, seines and ice against the tables computed from published equations.</summary>
public class HarvestVectors
{
    [Fact]
    public void Share_over_a_bar()
    {
        foreach (var r in Vectors.Rows("sampling_bar_fraction"))
        {
            var (mean, cv, bar) = (r["mean_size"], r["cv_pct"], r["bar_size"]);
            r.Agree("fraction_above_lognormal", BarShare.Number(mean, cv, bar));
            r.Agree("mass_share_above_lognormal", BarShare.Mass(mean, cv, bar));
            // The spread in cells says the same to a thousandth, in number and mass.
            var spread = SizeSpread.Of(1000, mean, cv);
            r.Agree("fraction_above_lognormal", spread.ShareOver(bar), 1e-3, 2e-4);
            r.Agree("mass_share_above_lognormal", spread.Over(bar).Kg / spread.MassKg, 1e-3, 2e-4);
        }
    }

    [Fact]
    public void Size_of_a_seine()
    {
        foreach (var r in Vectors.Rows("seine_size"))
        {
            r.Agree("seine_length_m", Seine.LengthM(r["pond_width_m"], r["length_factor"]));
            r.Agree("seine_height_m", Seine.HeightM(r["max_depth_m"], r["height_factor"]));
            r.Agree("semicircle_length_m", Seine.SemicircleM(r["pond_width_m"]));
        }
    }

    [Fact]
    public void Ice_to_chill()
    {
        foreach (var r in Vectors.Rows("ice_chill"))
        {
            var ice = IceNeed.Chill(
                r["fish_kg"],
                r["temp_start_c"],
                r["temp_end_c"],
                r["water_kg"],
                r["loss_allowance_pct"]
            );
            r.Agree("heat_kj", ice.HeatKJ);
            r.Agree("ice_latent_only_kg", ice.LatentOnlyKg);
            r.Agree("ice_with_melt_warming_kg", ice.WithMeltKg);
            r.Agree("ice_with_allowance_kg", ice.ChillKg);
            r.Agree("ice_per_kg_fish", ice.WithMeltKg / r["fish_kg"]);
        }
    }
}
