using Dorsk.Core.Water;

namespace Dorsk.Core.Tests.Water;

public class WaterVectors
{
    [Fact]
    public void Benson_Krause_saturation()
    {
        foreach (var r in Vectors.Rows("do_saturation"))
            r.Agree("do_sat_mg_l", OxygenSaturation.MgL(r["temp_c"], r["salinity_ppt"], r["pressure_kpa"]));
    }

    [Fact]
    public void Pressure_by_altitude()
    {
        foreach (var r in Vectors.Rows("altitude_pressure"))
        {
            r.Agree("pressure_kpa", OxygenSaturation.PressureKPa(r["altitude_m"]));
            r.Agree(
                "do_sat_mg_l",
                OxygenSaturation.MgL(r["temp_c"], r["salinity_ppt"], OxygenSaturation.PressureKPa(r["altitude_m"]))
            );
        }
    }

    [Fact]
    public void Emerson_ammonia_in_fresh_water()
    {
        foreach (var r in Vectors.Rows("ammonia_fresh"))
        {
            r.Agree("nh3_fraction", UnionisedAmmonia.Share(r["temp_c"], r["ph"]));
            r.Agree("nh3_n_mg_l", UnionisedAmmonia.MgNL(r["tan_mg_n_l"], r["temp_c"], r["ph"]));
        }
    }

    [Fact]
    public void Hampson_ammonia_in_salt_water()
    {
        foreach (var r in Vectors.Rows("ammonia_saline").Where(r => r["salinity_ppt"] >= 5))
            r.Agree("nh3_n_mg_l", UnionisedAmmonia.MgNL(r["tan_mg_n_l"], r["temp_c"], r["ph_nbs"], r["salinity_ppt"]));
    }

    [Fact]
    public void Blend_between_fresh_and_salt()
    {
        foreach (var r in Vectors.Rows("ammonia_forms_near_zero"))
            r.Agree("nh3_fraction_blend", UnionisedAmmonia.Share(r["temp_c"], r["ph"], r["salinity_ppt"]));
    }
}
