using Dorsk.Core.Growth;

namespace Dorsk.Core.Tests.Growth;

public class GrowthVectors
{
    [Fact]
    public void Yan_Hunt_temperature_response()
    {
        foreach (var r in Vectors.Rows("growth_temperature_response"))
            r.Agree("f_temp", TemperatureResponse.F(r["temp_c"], r["t_min_c"], r["t_opt_c"], r["t_max_c"]));
    }

    [Fact]
    public void Cube_root_growth()
    {
        foreach (var r in Vectors.Rows("growth_cube_root"))
            r.Agree("weight_g", GrowthLaws.After(r["w0_g"], r["growth_coef_g13_day"], r["sum_f_temp_days"]));
    }

    [Fact]
    public void Tgc_and_sgr()
    {
        foreach (var r in Vectors.Rows("growth_tgc_sgr"))
        {
            r.Agree("tgc_per_1000", GrowthLaws.Tgc(r["w1_g"], r["w2_g"], r["degree_days"]));
            r.Agree("sgr_pct_day", GrowthLaws.SgrPctDay(r["w1_g"], r["w2_g"], r["days"]));
            r.Agree(
                "forward_weight_tgc_g",
                GrowthLaws.AfterTgc(r["w1_g"], r["tgc_per_1000"], r["temp_c"] * r["forward_days"]),
                1e-6
            );
            r.Agree("forward_weight_sgr_g", GrowthLaws.AfterSgr(r["w1_g"], r["sgr_pct_day"], r["forward_days"]));
        }
    }

    [Fact]
    public void Feed_conversion()
    {
        foreach (var r in Vectors.Rows("growth_fcr"))
        {
            if (r.Maybe("fcr_economic") is not null)
                r.Agree(
                    "fcr_economic",
                    GrowthLaws.EconomicFcr(r["feed_kg"], r["start_biomass_kg"], r["end_biomass_kg"])!.Value
                );
            if (r.Maybe("fcr_biological") is not null)
                r.Agree(
                    "fcr_biological",
                    GrowthLaws
                        .BiologicalFcr(
                            r["feed_kg"],
                            r["start_biomass_kg"],
                            r["end_biomass_kg"],
                            r["dead_count"] * r["dead_mean_weight_g"] / 1000
                        )!
                        .Value
                );
        }
    }
}
