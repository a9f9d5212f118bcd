using System.Globalization;
using Dorsk.Core.Time;

namespace Dorsk.Core.Tests.Units;

public class SunVectors
{
    [Fact]
    public void Sun_times_within_ten_seconds()
    {
        foreach (var r in Vectors.Rows("sun_times"))
        {
            var date = DateOnly.ParseExact(r.Text("local_date"), "yyyy-MM-dd", CultureInfo.InvariantCulture);
            var sun = SunTimes.On(new(r["lat_deg"], r["lon_deg"]), date, r["utc_offset_h"]);
            Near(r, "civil_dawn_utc", sun.CivilDawn);
            Near(r, "sunrise_utc", sun.Sunrise);
            Near(r, "solar_noon_utc", sun.SolarNoon);
            Near(r, "sunset_utc", sun.Sunset);
            Near(r, "civil_dusk_utc", sun.CivilDusk);
        }
    }

    [Fact]
    public void Radiation_of_a_day()
    {
        foreach (var r in Vectors.Rows("sun_radiation"))
        {
            var day = DateOnly.ParseExact(r.Text("date"), "yyyy-MM-dd", CultureInfo.InvariantCulture);
            r.Agree("ra_mj_m2_day", Radiation.AboveAirMJM2(r["lat_deg"], day));
            r.Agree("fao56_daylight_h", Radiation.DaylightHours(r["lat_deg"], day));
            r.Agree("clear_sky_rso_mj_m2_day", Radiation.ClearSkyMJM2(r["lat_deg"], day, r["elevation_m"]));
        }
    }

    // FAO-56, example 20: Lyon, July, 26.6 and 14.8 °C: 5.0 mm a day of reference, 1.05 of it from open water.
    [Fact]
    public void Evaporation_without_a_pan() =>
        Assert.Equal(5.0, 1000 / 1.05 * Core.Ponds.Evaporation.MDay(45.72, new(2023, 7, 15), 26.6, 14.8), 1);

    [Fact]
    public void A_night_is_named_by_its_evening()
    {
        var zone = FarmZone.Find("Etc/GMT-10")!;
        var evening = new DateOnly(2027, 1, 21);
        Assert.Equal(evening, Night.Of(zone.At(new DateTime(2027, 1, 21, 12, 0, 0)), zone).Evening);
        Assert.Equal(evening, Night.Of(zone.At(new DateTime(2027, 1, 22, 11, 59, 0)), zone).Evening);
        Assert.Equal(10, zone.OffsetHoursAt(DateTimeOffset.UnixEpoch));
    }

    [Fact]
    public void The_hour_skipped_in_spring_is_the_next_one()
    {
        var zone = FarmZone.Find("Australia/Sydney")!;
        Assert.Equal(zone.At(new DateTime(2026, 10, 4, 3, 30, 0)), zone.At(new DateTime(2026, 10, 4, 2, 30, 0)));
    }

    private static void Near(Row r, string column, DateTimeOffset? actual)
    {
        var text = r.Text(column);
        Assert.Equal(text.Length == 0, actual is null);
        if (actual is { } at)
            Assert.True(
                (at - DateTimeOffset.Parse(text, CultureInfo.InvariantCulture)).Duration() < TimeSpan.FromSeconds(10),
                $"{r.File} line {r.Line} {column}: {text}, got {at:O}"
            );
    }
}
