using Dorsk.Core.Units;
using FsCheck;
using FsCheck.Fluent;
using FsCheck.Xunit;

namespace Dorsk.Core.Tests.Units;

public class QuantityTextTests
{
    private static readonly Hand Comma = new(UnitSystem.Metric, DecimalSign.Comma);

    [Theory]
    [InlineData("84F", 28.8889)]
    [InlineData("84 °F", 28.8889)]
    [InlineData("28.4", 28.4)]
    [InlineData("-2", -2)]
    [InlineData("28,4", 28.4)]
    public void Temperatures(string typed, double c) =>
        Assert.Equal(c, QuantityText.Read(typed, Measures.Temperature, Hand.Metric).Si!.Value, 4);

    [Theory]
    [InlineData("2.5 ac", 10117.141)]
    [InlineData("0.45", 4500)]
    [InlineData("4500 m2", 4500)]
    [InlineData("4,500.5 m²", 4500.5)]
    public void Areas(string typed, double m2) =>
        Assert.Equal(m2, QuantityText.Read(typed, Measures.Area, Hand.Metric).Si!.Value, 3);

    [Theory]
    [InlineData("40/kg", 25)]
    [InlineData("40 / kg", 25)]
    [InlineData("12 per lb", 37.79936)]
    [InlineData("1000/kg", 1)]
    [InlineData("25 g", 25)]
    [InlineData("1/2 lb", 226.79619)]
    public void Weights_of_fish_by_how_many_make_a_kilogram(string typed, double g) =>
        Assert.Equal(g, QuantityText.Read(typed, Measures.FishWeight, Hand.Metric).Si!.Value, 4);

    [Fact]
    public void A_count_for_a_kilogram_is_echoed_and_is_of_fish_only()
    {
        Assert.Equal("25.0\u2009g", QuantityText.Read("40/kg", Measures.FishWeight, Hand.Metric).Echo);
        Assert.Equal(0.8, QuantityText.Read("1250,0/kg", Measures.FishWeight, Comma).Si);
        Assert.Null(QuantityText.Read("40/kg", Measures.Mass, Hand.Metric).Si);
        Assert.Null(QuantityText.Read("0/kg", Measures.FishWeight, Hand.Metric).Si);
    }

    [Theory]
    [InlineData("18 in", 0.4572)]
    [InlineData("3/16 in", 0.0047625)]
    [InlineData("1 3/16\"", 0.0301625)]
    [InlineData("1-1/2 in", 0.0381)]
    [InlineData("5 ft 3 in", 1.6002)]
    [InlineData("5'3 1/2\"", 1.6129)]
    [InlineData("5ft", 1.524)]
    [InlineData("140 cm", 1.4)]
    [InlineData("1.4m", 1.4)]
    public void Lengths(string typed, double m) =>
        Assert.Equal(m, QuantityText.Read(typed, Measures.Length, Hand.Metric).Si!.Value, 7);

    [Fact]
    public void A_difference_of_temperatures_has_no_32() =>
        Assert.Equal(5, QuantityText.Read("9F", Measures.TemperatureStep, Hand.Metric).Si!.Value, 9);

    [Fact]
    public void Ppm_is_mg_per_litre_and_ppt_is_not()
    {
        Assert.Equal(3.1, QuantityText.Read("3.1 ppm", Measures.Oxygen, Hand.Metric).Si);
        Assert.Contains(
            "not a unit of dissolved oxygen",
            QuantityText.Read("3.1 ppt", Measures.Oxygen, Hand.Metric).Problem,
            StringComparison.Ordinal
        );
    }

    [Fact]
    public void Pounds_per_gallon_horsepower_and_gallons_per_minute()
    {
        Assert.Equal(119.826, QuantityText.Read("1 lb/gal", Measures.VolumeLoad, Hand.Metric).Si!.Value, 3);
        Assert.Equal(0.7457, QuantityText.Read("1 hp", Measures.Power, Hand.Metric).Si!.Value, 4);
        Assert.Equal(22.7125, QuantityText.Read("100 gal/min", Measures.Flow, Hand.Metric).Si!.Value, 4);
    }

    [Theory]
    [InlineData("1,500")]
    [InlineData("12,345")]
    public void A_comma_before_three_digits_is_asked_on_a_farm_that_writes_points(string typed) =>
        Assert.Contains(
            "two ways",
            QuantityText.Read(typed, Measures.Mass, Hand.Metric).Problem,
            StringComparison.Ordinal
        );

    [Fact]
    public void And_the_other_way_round()
    {
        Assert.Contains("two ways", QuantityText.Read("1.500", Measures.Mass, Comma).Problem, StringComparison.Ordinal);
        Assert.Equal(1.5, QuantityText.Read("1,5", Measures.Mass, Comma).Si);
        Assert.Equal(1234567.5, QuantityText.Read("1.234.567,5", Measures.Mass, Comma).Si);
    }

    [Theory]
    [InlineData("")]
    [InlineData("abc")]
    [InlineData("12abc")]
    [InlineData("1,23,4")]
    [InlineData("12 34")]
    [InlineData("3/0")]
    [InlineData("1.2.3")]
    [InlineData("--5")]
    [InlineData("1e9")]
    [InlineData("1,")]
    public void What_is_not_a_figure_gets_a_sentence(string typed)
    {
        var read = QuantityText.Read(typed, Measures.Length, Hand.Metric);
        Assert.Null(read.Si);
        Assert.False(string.IsNullOrEmpty(read.Problem));
    }

    [Fact]
    public void Another_unit_is_echoed() =>
        Assert.Equal("28.9\u2009°C", QuantityText.Read("84F", Measures.Temperature, Hand.Metric).Echo);

    [Property(MaxTest = 300)]
    public Property What_is_printed_reads_back(NormalFloat value, bool us, bool comma)
    {
        var hand = new Hand(us ? UnitSystem.Us : UnitSystem.Metric, comma ? DecimalSign.Comma : DecimalSign.Point);
        var si = Math.Clamp(Math.Abs(value.Get) % 900, 0.01, 900);
        return new[] { Measures.Temperature, Measures.Length, Measures.Oxygen, Measures.VolumeLoad }
            .All(m =>
            {
                var shown = m.In(hand.System).FromSi(si);
                // Four or more shown digits with parted thousands are read as they are printed; a lone doubtful sign is asked, not guessed.
                var read = QuantityText.Read(QuantityText.Write(si, m, hand), m, hand);
                return read.Si is { } back
                    ? Math.Abs(m.In(hand.System).FromSi(back) - shown)
                        <= 0.5001 * Math.Pow(10, -m.DecimalsIn(hand.System)) + 1e-9
                    : read.Problem!.Contains("two ways", StringComparison.Ordinal);
            })
            .ToProperty();
    }
}
