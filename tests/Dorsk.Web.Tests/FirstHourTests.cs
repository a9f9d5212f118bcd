using System.Globalization;
using Dorsk.Core.Judging;
using Dorsk.Core.Ponds;
using Dorsk.Core.Stock;
using Dorsk.Core.Units;
using Dorsk.Web.Slips;

namespace Dorsk.Web.Tests;

/// <summary>What a stranger types in the first hour, and what the slips make of it.</summary>
public class FirstHourTests
{
    private static Filled Fill(string slip, string pond, params (string Name, string Value)[] typed) =>
        Read(slip, pond, typed).Filled;

    private static (Filled Filled, IReadOnlyList<Remark> Remarks) Read(
        string slip,
        string pond,
        params (string Name, string Value)[] typed
    ) => SlipReading.Of(slip, pond, typed);

    private static Pond Built(params (string Name, string Value)[] typed) =>
        ((PondBuilt)Fill("pond", "", [("Code", "Z9"), ("Day", "2027-01-21"), .. typed]).Facts!.Single()).Pond;

    [Theory]
    [InlineData("Earthen", "0.5", "1.5")]
    [InlineData("Raceway", "0.02", "1.2")]
    public void A_pond_by_its_surface_has_that_surface(string kind, string hectares, string depth)
    {
        var pond = Built(("Kind", kind), ("Area", hectares), ("Depth", depth));
        Assert.Equal(double.Parse(hectares, CultureInfo.InvariantCulture) * 10_000, pond.Shape.FullAreaM2, 3);
        var rectangle = Assert.IsType<SlopedRectangle>(pond.Shape);
        Assert.Equal(2, rectangle.LengthM / rectangle.WidthM, 6);
        Assert.Equal(kind == "Earthen" ? 2 : 0, rectangle.Slope);
    }

    [Fact]
    public void A_kind_and_what_is_typed_bring_the_shape()
    {
        Assert.Equal(78.54, Built(("Kind", "Tank"), ("Diameter", "10"), ("Depth", "1.2")).Shape.FullAreaM2, 2);
        Assert.Equal(50, Built(("Kind", "Tank"), ("Area", "50 m2"), ("Depth", "1.2")).Shape.FullAreaM2, 6);
        Assert.IsType<RoundTank>(Built(("Kind", "Tank"), ("Area", "50 m2"), ("Depth", "1.2")).Shape);
        Assert.Equal(800, Built(("Length", "40"), ("Width", "20"), ("Depth", "1.2")).Shape.FullAreaM2, 6);
        Assert.IsType<OutlinePond>(Built(("Corners", "0 0; 40 0; 40 25; 0 25"), ("Depth", "1.2")).Shape);
        Assert.Contains(Read("pond", "", ("Code", "Z9"), ("Day", "2027-01-21"), ("Depth", "1.2")).Remarks, r =>
            r.Field == "Area"
        );
    }

    [Theory]
    [InlineData("200/kg", 5)]
    [InlineData("40/lb", 453.59237 / 40)]
    [InlineData("5", 5)]
    public void Fingerlings_come_by_count_or_weight(string typed, double grams) =>
        Assert.Equal(grams, Stocked(typed).MeanG, 6);

    [Fact]
    public void Fingerlings_come_by_length_and_the_weight_is_that_of_their_build()
    {
        Assert.Equal(Stocked("3 in").MeanG, Stocked("7.62 cm").MeanG, 6);
        Assert.Equal(Stocked("76.2 mm").MeanG, Stocked("7.62 cm").MeanG, 6);
        // Twice the length is eight times the weight.
        Assert.Equal(8, Stocked("10 cm").MeanG / Stocked("5 cm").MeanG, 6);
        Assert.InRange(Stocked("15 cm").MeanG, 25, 80);
    }

    private static FishStocked Stocked(string weight) =>
        (FishStocked)
            Fill(
                "stock",
                "P1",
                ("Day", "2027-01-21"),
                ("Hour", "10:00"),
                ("Species", "silver_perch"),
                ("Count", "1,000"),
                ("MeanWeight", weight),
                ("TakenOver", "true")
            )
                .Facts!.Single();

    [Fact]
    public void A_farm_begins_with_a_time_zone_alone()
    {
        var farm = Farm(("Zone", "Europe/Berlin"));
        Assert.Equal(("My farm", "EUR"), (farm.Name, farm.Currency));
        Assert.Equal(new Hand(UnitSystem.Metric, DecimalSign.Comma), farm.Hand);
        Assert.True(farm is { PlaceGuessed: true, AltitudeGuessed: true });
        Assert.Equal(52.5, farm.Place.LatitudeDeg);
    }

    [Fact]
    public void A_country_of_one_zone_is_enough_and_what_is_typed_goes_before_it()
    {
        Assert.Equal("Africa/Lagos", Farm(("Country", "NG")).ZoneId);
        var farm = Farm(
            ("Country", "NG"),
            ("Units", "Us"),
            ("Sign", "Comma"),
            ("Currency", "usd"),
            ("Altitude", "100 m")
        );
        Assert.Equal((UnitSystem.Us, DecimalSign.Comma, "USD"), (farm.Hand.System, farm.Hand.Sign, farm.Currency));
        Assert.Equal((100, false), (farm.AltitudeM, farm.AltitudeGuessed));
        var (_, remarks) = Read("farm", "", ("Country", "BR"), ("Areas", "Large"));
        Assert.Contains("16 time zones", Assert.Single(remarks).Text, StringComparison.Ordinal);
        Assert.Equal("Zone", Assert.Single(Read("farm", "", ("Areas", "Large")).Remarks).Field);
        Assert.Contains(Read("farm", "", ("Zone", "Etc/GMT-10")).Remarks, r => r.Field == "Latitude");
    }

    private static FarmDescribed Farm(params (string Name, string Value)[] typed) =>
        (FarmDescribed)Fill("farm", "", [.. typed, ("Areas", "Large")]).Facts!.Single();
}
