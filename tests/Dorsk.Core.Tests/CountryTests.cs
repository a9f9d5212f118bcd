using Dorsk.Core.Ponds;
using Dorsk.Core.Stock;
using Dorsk.Core.Time;
using Dorsk.Core.Units;

namespace Dorsk.Core.Tests;

/// <summary>What a country and a time zone bring to a new farm.</summary>
public class CountryTests
{
    [Theory]
    [InlineData("US", "USD", UnitSystem.Us, DecimalSign.Point)]
    [InlineData("AU", "AUD", UnitSystem.Metric, DecimalSign.Point)]
    [InlineData("DE", "EUR", UnitSystem.Metric, DecimalSign.Comma)]
    [InlineData("BR", "BRL", UnitSystem.Metric, DecimalSign.Comma)]
    [InlineData("VN", "VND", UnitSystem.Metric, DecimalSign.Comma)]
    [InlineData("IN", "INR", UnitSystem.Metric, DecimalSign.Point)]
    [InlineData("NG", "NGN", UnitSystem.Metric, DecimalSign.Point)]
    public void It_writes_as_people_there_do(string code, string currency, UnitSystem units, DecimalSign sign)
    {
        var country = Country.Find(code)!;
        Assert.Equal((currency, units, sign), (country.Currency, country.Hand.System, country.Hand.Sign));
    }

    [Fact]
    public void A_zone_lies_where_its_town_lies_and_old_names_are_known()
    {
        var (country, town) = Country.OfZone("Australia/Brisbane")!.Value;
        Assert.Equal("AU", country.Code);
        Assert.Equal((-27.47, 153.03), (town.LatitudeDeg, town.LongitudeDeg));
        Assert.Equal(Country.OfZone("Asia/Kolkata")!.Value.Town, Country.OfZone("Asia/Calcutta")!.Value.Town);
        Assert.Null(Country.OfZone("Etc/GMT-10"));
        Assert.Null(Country.Find("ZZ"));
    }

    [Fact]
    public void The_sun_of_each_town_and_the_clock_of_its_zone_agree()
    {
        var instant = new DateTimeOffset(2026, 3, 20, 12, 0, 0, TimeSpan.Zero);
        List<string> apart = [];
        foreach (var country in Country.All)
        foreach (var (zone, town) in country.Zones)
        {
            var known = FarmZone.Find(zone);
            Assert.NotNull(known);
            // Clocks run up to three and a half hours beside the sun (western China, the Aleutians with daylight saving).
            var beside = known.OffsetHoursAt(instant) - town.LongitudeDeg / 15;
            if (Math.Abs(beside - 24 * Math.Round(beside / 24)) > 3.5)
                apart.Add($"{zone} {beside:0.0} h");
        }
        Assert.Equal([], apart);
    }

    [Theory]
    [InlineData("30,000", DecimalSign.Point, 30_000)]
    [InlineData("30.000", DecimalSign.Point, 30_000)]
    [InlineData("30.000", DecimalSign.Comma, 30_000)]
    [InlineData("30,000", DecimalSign.Comma, 30_000)]
    [InlineData("1,250,000", DecimalSign.Point, 1_250_000)]
    [InlineData("12 500", DecimalSign.Comma, 12_500)]
    [InlineData("-1.250", DecimalSign.Comma, -1_250)]
    [InlineData("12.5", DecimalSign.Point, 12.5)]
    [InlineData("0,125", DecimalSign.Comma, 0.125)]
    public void A_whole_number_is_read_as_any_farm_prints_it(string typed, DecimalSign sign, double read) =>
        Assert.Equal(read, NumberText.ReadWhole(typed, sign).Value);

    [Theory]
    [InlineData("30,00")]
    [InlineData("1,2345")]
    [InlineData("1,000.000.0")]
    [InlineData("many")]
    public void What_is_no_number_is_none(string typed)
    {
        var read = NumberText.ReadWhole(typed, DecimalSign.Point);
        Assert.True(read.Value is null || read.Value % 1 == 0, $"{typed} read as {read.Value}");
        Assert.True(read.Value is null or 30, $"{typed} read as {read.Value}");
    }

    [Fact]
    public void Fish_that_were_there_before_are_asked_for_no_reason()
    {
        var stocked = new FishStocked(1, "silver_perch", "", 500, 20, CountBasis.Assumed, "", null);
        Assert.NotEmpty(StockRules.Check(stocked, false, ["no dawn oxygen"], Hand.Metric));
        Assert.Empty(StockRules.Check(stocked with { TakenOver = true }, false, ["no dawn oxygen"], Hand.Metric));
    }
}
