using Dorsk.Core.Time;
using Dorsk.Core.Units;

namespace Dorsk.Core.Tests.Units;

/// <summary>Amounts in the unit of their size, areas as the farm says them, table words in its units, every zone.</summary>
public class FittingTests
{
    private static readonly Hand Square = new(UnitSystem.Metric, DecimalSign.Point, true);
    private static readonly Hand UsSquare = new(UnitSystem.Us, DecimalSign.Point, true);

    public static TheoryData<Measure, double, string, string> Printed =>
        new()
        {
            { Measures.Area, 93, "93 m²", "1,001 ft²" },
            { Measures.Area, 4800, "0.48 ha", "1.19 ac" },
            { Measures.Area, 12, "12 m²", "129 ft²" },
            { Measures.Volume, 0.94, "940 L", "248 gal" },
            { Measures.Volume, 1250, "1,250 m³", "330,215 gal" },
            { Measures.Volume, 0.002, "2 L", "0.528 gal" },
            { Measures.Mass, 0.0123, "12 g", "0.43 oz" },
            { Measures.Mass, 31.6, "31.6 kg", "69.7 lb" },
            { Measures.FishWeight, 0.5, "0.5 g", "0.018 oz (907/lb)" },
            { Measures.FishWeight, 50, "50.0 g", "1.8 oz (9/lb)" },
            { Measures.FishWeight, 500, "500 g", "1.10 lb" },
            { Measures.MassPrice, 12, "12.00 /kg", "5.44 /lb" },
            { Measures.PowerByArea, 5, "5.0 kW/ha", "2.7 hp/ac" },
            { Measures.PowerByVolume, 1, "1.0 W/m³", "1.7 hp/ac-ft" },
            { Measures.Pellet, 0.004, "4.0 mm", "0.16 in" },
            { Measures.DayGain, 0.8, "0.80 g/day", "0.028 oz/day" },
        };

    [Theory, MemberData(nameof(Printed))]
    public void Nothing_is_rounded_to_nothing(Measure measure, double si, string metric, string us)
    {
        Assert.Equal(
            metric.Replace(" ", "\u2009", StringComparison.Ordinal),
            QuantityText.Write(si, measure, Hand.Metric)
        );
        var said = us.Split(" (")[0].Replace(" ", "\u2009", StringComparison.Ordinal);
        Assert.StartsWith(said, QuantityText.Write(si, measure, Hand.Us), StringComparison.Ordinal);
    }

    [Fact]
    public void What_is_prefilled_reads_back_the_same_in_every_hand()
    {
        var chance = new Random(7);
        foreach (var hand in new[] { Hand.Metric, Hand.Us, Square, UsSquare, new(UnitSystem.Us, DecimalSign.Comma) })
        foreach (
            var measure in new[]
            {
                Measures.Area,
                Measures.Volume,
                Measures.Mass,
                Measures.FishWeight,
                Measures.Pellet,
                Measures.MassPrice,
                Measures.AreaLoad,
                Measures.FishPerArea,
            }
        )
            for (var i = 0; i < 60; i++)
            {
                var si = Math.Pow(10, (chance.NextDouble() * 8) - 3);
                foreach (
                    var typed in new[]
                    {
                        QuantityText.Typed(si, measure, hand),
                        QuantityText.TypedAlone(si, measure, hand),
                    }
                )
                {
                    var read = QuantityText.Read(typed, measure, hand);
                    Assert.True(
                        read.Si is { } back && Math.Abs(back - si) <= 0.001 * si,
                        $"{measure.Name} {si} as {typed}: {read.Si} {read.Problem}"
                    );
                }
            }
    }

    [Fact]
    public void Areas_are_said_as_the_farm_says_them_and_typed_so()
    {
        Assert.Equal("4,800\u2009m²", QuantityText.Write(4800, Measures.Area, Square));
        Assert.Equal("51,667\u2009ft²", QuantityText.Write(4800, Measures.Area, UsSquare));
        Assert.Equal(144, QuantityText.Read("144", Measures.Area, Square).Si);
        Assert.Equal(1_440_000, QuantityText.Read("144", Measures.Area, Hand.Metric).Si);
        Assert.Equal(4800, QuantityText.Read("0.48 ha", Measures.Area, Square).Si!.Value, 6);
        Assert.Equal("0.500\u2009kg/m²", QuantityText.Write(5000, Measures.AreaLoad, Square));
        Assert.Equal(Measures.FishPerArea.BySquare!.Us, Measures.FishPerArea.In(UsSquare));
    }

    [Theory]
    [InlineData("5-20 kW/ha, some exchange", "2.7-10.9 hp/ac, some exchange")]
    [InlineData("diffused air, shallow pond under 1.5 m", "diffused air, shallow pond under 4.9 ft")]
    [InlineData("fine bubble 2-4 m", "fine bubble 6.6-13.1 ft")]
    [InlineData("feed within 60-80 kg/ha/day", "feed within 54-71 lb/ac/day")]
    [InlineData("water 4.0 °C colder than usual", "water 7.2\u2009°F colder than usual")]
    [InlineData("a lift above 20-25 kg; 1 mg/L", "a lift above 44-55 lb; 1 mg/L")]
    [InlineData("wind turns a 30 m pond; 12 minutes", "wind turns a 98 ft pond; 12 minutes")]
    public void Words_of_a_table_are_said_in_the_farms_units(string table, string us)
    {
        Assert.Equal(us, TableText.In(table, Hand.Us));
        Assert.Equal(table, TableText.In(table, Hand.Metric));
    }

    [Fact]
    public void Every_zone_that_the_machine_knows_can_be_taken_and_fixed_offsets_too()
    {
        Assert.True(FarmZone.Known.Count > 300);
        foreach (
            var id in new[]
            {
                "America/Bogota",
                "Asia/Kathmandu",
                "Pacific/Tongatapu",
                "Etc/GMT-10",
                "Etc/GMT+3",
                "UTC",
            }
        )
            Assert.Contains(id, FarmZone.Known);
        Assert.All(FarmZone.Known, id => Assert.NotNull(FarmZone.Find(id)));
        Assert.Equal("UTC+10, no daylight saving", FarmZone.Word("Etc/GMT-10"));
        Assert.Equal("UTC-3, no daylight saving", FarmZone.Word("Etc/GMT+3"));
        Assert.Equal("New York (America)", FarmZone.Word("America/New_York"));
        Assert.Equal(FarmZone.Known.Count, FarmZone.Known.Distinct().Count());
    }

    [Theory]
    [InlineData(6590.583, false, '.', "6591")]
    [InlineData(6590.583, true, '.', "1741048")] // 6590.583 m³ / 3.785411784 L
    [InlineData(42.1278, false, ',', "42,13")]
    [InlineData(0, false, '.', "0")]
    public void What_was_worked_out_is_filled_in_with_four_figures(double m3, bool us, char sign, string says) =>
        Assert.Equal(
            says,
            QuantityText.TypedRounded(
                m3,
                Measures.Volume,
                new(us ? UnitSystem.Us : UnitSystem.Metric, sign == ',' ? DecimalSign.Comma : DecimalSign.Point)
            )
        );
}
