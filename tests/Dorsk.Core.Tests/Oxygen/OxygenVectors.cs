using Dorsk.Core.Oxygen;
using Dorsk.Core.Water;

namespace Dorsk.Core.Tests.Oxygen;

public class OxygenVectors
{
    [Fact]
    public void Boyd_fish_respiration()
    {
        foreach (var r in Vectors.Rows("respiration_fish").Where(r => r["fish_weight_g"] <= 797.5))
            r.Agree("respiration_mg_g_h", Respiration.FishEquation(r["fish_weight_g"], r["temp_c"]));
    }

    [Fact]
    public void Above_its_turning_point_the_fish_equation_is_held() =>
        Assert.Equal(Respiration.FishEquation(797.5, 25), Respiration.FishEquation(3000, 25));

    [Fact]
    public void Auburn_plankton_respiration()
    {
        foreach (var r in Vectors.Rows("respiration_plankton"))
            r.Agree("respiration_floored_mg_l_h", Respiration.PlanktonEquation(r["secchi_cm"], r["temp_c"]));
    }

    [Fact]
    public void Banks_Herrera_exchange()
    {
        foreach (var r in Vectors.Rows("reaeration_wind"))
        {
            r.Agree("kl20_m_day", Exchange.Kl20MDay(r["wind_10m_m_s"]));
            r.Agree("k_per_h", Exchange.RatePerH(r["wind_10m_m_s"], r["temp_c"], r["depth_m"]));
        }
    }

    [Fact]
    public void Boyd_aerator_transfer()
    {
        foreach (var r in Vectors.Rows("aerator_transfer"))
            r.Agree(
                "otr_field_kg_h",
                Exchange.OtrKgH(r["sotr_kg_h"], r["do_mg_l"], r["do_sat_mg_l"], r["temp_c"], r["alpha"], r["beta"])
            );
    }

    [Fact]
    public void Constant_decline()
    {
        foreach (var r in Vectors.Rows("do_decline"))
        {
            var decline = new ConstantDecline(r["total_resp_mg_l_h"], r["k_per_h"], r["do_sat_mg_l"]);
            Hours(r, decline.HoursTo(r["do_start_mg_l"], r["do_critical_mg_l"]));
        }
    }

    [Fact]
    public void Constant_decline_with_an_aerator()
    {
        foreach (var r in Vectors.Rows("do_decline_aerated"))
        {
            var surface = Exchange.RatePerH(r["wind_10m_m_s"], r["temp_c"], r["depth_m"]);
            var aerator = r["aerator_k_per_h"];
            var rate = surface + aerator;
            var towards = (surface + (aerator * r["beta"])) * r["do_sat_mg_l"] / rate;
            var decline = new ConstantDecline(r["total_resp_mg_l_h"], rate, towards);
            r.Agree("do_equilibrium_mg_l", decline.EquilibriumMgL);
            Hours(r, decline.HoursTo(r["do_start_mg_l"], r["do_critical_mg_l"]));
        }
    }

    [Fact]
    public void Whole_nights_from_practical_inputs()
    {
        foreach (var r in Vectors.Rows("do_night").Where(r => r["fish_weight_g"] <= 797.5))
        {
            var fish =
                Respiration.FishEquation(r["fish_weight_g"], r["temp_c"])
                * r["fish_biomass_kg_ha"]
                / 10
                / r["depth_m"]
                / 1000;
            var loss =
                fish
                + Respiration.PlanktonEquation(r["secchi_cm"], r["temp_c"])
                + (r["sediment_resp_g_m2_h"] / r["depth_m"]);
            var saturation = OxygenSaturation.MgL(r["temp_c"], 0, r["pressure_kpa"]);
            var decline = new ConstantDecline(
                loss,
                Exchange.RatePerH(r["wind_10m_m_s"], r["temp_c"], r["depth_m"]),
                saturation
            );
            r.Agree("fish_resp_mg_l_h", fish / 1.0, 1e-6);
            r.Agree("do_dawn_raw_mg_l", decline.After(r["do_dusk_mg_l"], r["night_h"]), 1e-6, 1e-8);
        }
    }

    private static void Hours(Row r, double? hours)
    {
        Assert.Equal(r.Maybe("hours_to_critical_h") is null, hours is null);
        if (hours is { } h)
            r.Agree("hours_to_critical_h", h);
    }
}
