using Dorsk.Core.Judging;
using Dorsk.Core.Ponds;
using Dorsk.Core.Prepare;
using Dorsk.Core.Units;
using Dorsk.Core.Water;

namespace Dorsk.Core.Tests.Water;

public class DoseVectors
{
    [Fact]
    public void Alkalinity()
    {
        foreach (var r in Vectors.Rows("dosing_alkalinity"))
        {
            var dose = Doses.InSteps(
                Doses.AlkalinityGM3(
                    AlkalinityProduct.Find(r.Text("product"))!,
                    r["purity_pct"],
                    r["alkalinity_now_mg_l_caco3"],
                    r["alkalinity_wanted_mg_l_caco3"]
                ),
                null,
                r["volume_m3"]
            );
            r.Agree("dose_g_m3", dose.GM3, 1e-3);
            r.Agree("dose_kg", dose.Kg, 1e-3);
        }
    }

    [Fact]
    public void Salt_against_nitrite()
    {
        foreach (var r in Vectors.Rows("dosing_salt_nitrite"))
        {
            var chloride = Doses.ChlorideToAddMgL(
                r["nitrite_n_mg_l"],
                r["cl_to_nitrite_n_ratio"],
                r["chloride_now_mg_l"]
            );
            r.Agree("chloride_to_add_mg_l", chloride);
            r.Agree("dose_g_m3", Doses.SaltGM3(ChlorideSalt.Find(r.Text("salt"))!, r["purity_pct"], chloride), 1e-3);
        }
    }

    [Fact]
    public void Carbon_for_bacteria()
    {
        foreach (var r in Vectors.Rows("dosing_carbon_tan"))
        {
            var per = Doses.CarbonSourcePerTanN(
                r["microbe_cn_ratio"],
                r["conversion_efficiency"],
                r["source_carbon_share"]
            );
            r.Agree("g_source_per_g_tan_n", per);
            r.Agree(
                "source_kg",
                per * Math.Max(0, r["tan_now_mg_n_l"] - r["tan_wanted_mg_n_l"]) * r["volume_m3"] / 1000
            );
        }
        foreach (var r in Vectors.Rows("dosing_carbon_feed"))
        {
            var tan = Doses.TanFromFeedKgDay(r["feed_kg_day"], r["protein_pct"], r["n_excreted_pct"]);
            r.Agree("tan_kg_n_day", tan);
            r.Agree(
                "source_kg_day",
                tan
                    * Doses.CarbonSourcePerTanN(
                        r["microbe_cn_ratio"],
                        r["conversion_efficiency"],
                        r["source_carbon_share"]
                    )
            );
        }
    }

    [Fact]
    public void Water_changed_in_parts_or_flowing_through()
    {
        foreach (var r in Vectors.Rows("dosing_water_exchange"))
        {
            var left = WaterExchange.Left(r["conc_now"], r["conc_inflow"], r["conc_wanted"])!.Value;
            var times = (int)r["batches"];
            r.Agree("single_batch_fraction", WaterExchange.EachOf(left, 1));
            r.Agree("fraction_each_batch", WaterExchange.EachOf(left, times));
            r.Agree("flow_through_volumes", WaterExchange.FlowThroughVolumes(left));
            Assert.Equal(
                1 - left,
                WaterExchange.Together(Enumerable.Repeat(WaterExchange.EachOf(left, times), times)),
                9
            );
        }
        Assert.Null(WaterExchange.Left(10, 6, 5));
        Assert.Null(WaterExchange.Left(5, 5, 4));
    }

    [Fact]
    public void Draining_with_a_falling_head()
    {
        foreach (var r in Vectors.Rows("drain_time"))
        {
            var (start, slope) = (r["water_height_start_m"], r["side_slope_h_per_v"]);
            var shape = new SlopedRectangle(
                r["bottom_length_m"] + (2 * slope * start),
                r["bottom_width_m"] + (2 * slope * start),
                start,
                slope
            );
            var d = Draining.Through(
                shape,
                start,
                r["water_height_end_m"],
                r["outlet_below_floor_m"],
                r["pipe_diameter_m"],
                (int)r["pipes"],
                r["discharge_coef"]
            );
            r.Agree("drain_time_h", d.Hours);
            r.Agree("volume_drained_m3", d.VolumeM3);
            r.Agree("flow_start_m3_h", d.FlowStartM3H);
            r.Agree("flow_end_m3_h", d.FlowEndM3H, absolute: 1e-6);
        }
    }

    [Fact]
    public void Fertiliser_of_two_products()
    {
        foreach (var r in Vectors.Rows("dosing_fertiliser"))
        {
            var f = Fertiliser.Dose(
                r["area_ha"],
                r["n_wanted_kg_ha"],
                r["p2o5_wanted_kg_ha"],
                r["product_a_n_pct"],
                r["product_a_p2o5_pct"],
                r["product_b_n_pct"]
            );
            r.Agree("product_a_kg", f.AKg);
            r.Agree("product_b_kg", f.BKg);
            r.Agree("n_surplus_kg_ha", f.SurplusNKgHa);
        }
    }

    [Fact]
    public void Steps_never_pass_what_the_water_bears_and_add_up()
    {
        foreach (var g in new[] { 0, 1, 49.9, 50, 50.1, 120, 999 })
        {
            var dose = Doses.InSteps(g, 50, 6000);
            Assert.True(dose.StepKg * 1000 / 6000 <= 50 + 1e-9);
            Assert.Equal(dose.Kg, dose.StepKg * dose.Days, 9);
        }
        Assert.Equal(3, Doses.InSteps(120, 50, 1).Days);
        Assert.Equal(1, Doses.InSteps(120, null, 1).Days);
    }

    [Theory]
    [InlineData(0.03, 0.004, 0.02, 4, 3.5, Status.Steady)]
    [InlineData(0.05, 0, 0.02, 4, 7.5, Status.Watch)]
    [InlineData(0.06, 0.01, 0.018, 4, 13, Status.ActNow)]
    public void Leaks(double drop, double rain, double evaporation, double days, double mmDay, Status status)
    {
        var leak = LeakTest.Of(drop, rain, evaporation, days, 4000);
        Assert.Equal(mmDay, leak.SeepageMmDay, 9);
        Assert.Equal(status, leak.Verdict(Hand.Metric).Status);
        Assert.Equal(mmDay / 1000 * 4000, leak.M3Day, 9);
    }

    [Fact]
    public void Two_waters()
    {
        Assert.Equal(22, Mixing.Of(new(3, 20), new(1, 28)));
        Assert.Equal(1, Mixing.ForValue(new(3, 20), 28, 22)!.Value, 9);
        Assert.Null(Mixing.ForValue(new(3, 20), 28, 30));
    }
}
