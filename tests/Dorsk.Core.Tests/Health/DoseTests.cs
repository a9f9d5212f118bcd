using Dorsk.Core.Health;
using Dorsk.Core.Judging;
using Dorsk.Core.Units;

namespace Dorsk.Core.Tests.Health;

/// <summary>Arithmetic of doses by hand, by both systems of units, and typed a factor wrong.</summary>
public class DoseTests
{
    private static ProductDescribed Label(DoseBasis basis, double strength, double low, double high) =>
        new(1, "made up", ProductKind.Parasite, "something", ActiveMatter.Other, strength, basis, low, high)
        {
            PackG = 1000,
            DensityGMl = 1.1,
            FeedDays = basis is DoseBasis.FeedMgKg or DoseBasis.FeedIuKg ? 10 : null,
        };

    // Basis, strength, dose, water m³, area m², fish kg, product by hand, g.
    public static TheoryData<DoseBasis, double, double, double, double, double, double> ByHand =>
        new()
        {
            { DoseBasis.WaterMgL, 1, 1, 1000, 0, 0, 1000 },
            { DoseBasis.WaterMgL, 1, 2, 3000, 0, 0, 6000 },
            { DoseBasis.WaterMgL, 0.37, 25, 10, 0, 0, 675.676 }, // 250 g of formaldehyde in 37 % formalin
            { DoseBasis.WaterMgL, 0.254, 0.25, 4000, 0, 0, 3937.008 }, // 1 kg of copper in bluestone
            { DoseBasis.WaterMgL, 0.25, 1, 500, 0, 0, 2000 },
            { DoseBasis.WaterMgL, 1, 2.5, 0.4, 0, 0, 1 },
            { DoseBasis.WaterMgL, 1, 5000, 2, 0, 0, 10_000 }, // 5 ppt of salt
            { DoseBasis.WaterMgL, 0.95, 2, 1, 0, 0, 2.105 },
            { DoseBasis.WaterMgL, 0.5, 0.5, 12_000, 0, 0, 12_000 },
            { DoseBasis.AreaGM2, 1, 10, 0, 2000, 0, 20_000 },
            { DoseBasis.AreaGM2, 0.5, 1.5, 0, 800, 0, 2400 },
            { DoseBasis.AreaGM2, 1, 0.2, 0, 4046.856, 0, 809.371 }, // an acre
            { DoseBasis.FeedMgKg, 1, 75, 0, 0, 1000, 75 },
            { DoseBasis.FeedMgKg, 0.5, 55, 0, 0, 2000, 220 },
            { DoseBasis.FeedMgKg, 0.44, 55, 0, 0, 453.592, 56.699 }, // 1,000 lb of fish
            { DoseBasis.FeedMgKg, 0.1, 10, 0, 0, 1800, 180 },
            { DoseBasis.FeedMgKg, 0.02, 15, 0, 0, 250, 187.5 },
            { DoseBasis.FeedMgKg, 1, 250, 0, 0, 12, 3 },
            { DoseBasis.FeedIuKg, 20_000, 100, 0, 0, 500, 2.5 },
            { DoseBasis.FeedIuKg, 1_000_000, 2000, 0, 0, 1500, 3 },
        };

    [Theory, MemberData(nameof(ByHand))]
    public void A_dose_by_hand(
        DoseBasis basis,
        double strength,
        double dose,
        double m3,
        double m2,
        double kg,
        double grams
    )
    {
        var label = Label(basis, strength, dose, dose);
        var dosed = new Dosed(m3, m2, kg > 0 ? new Interval(kg, 0.8 * kg, 1.3 * kg, 0.9) : null);
        var found = DoseSum.Grams(label, dosed)!;
        Assert.Equal(grams, found.LowG, 3);
        Assert.Equal(found.LowG, found.HighG, 9);
        // The other way round, and in the measures of the pack.
        Assert.Equal(dose, DoseSum.DoseOf(label, found.LowG, dosed)!.Value, 9);
        Assert.Equal(found.LowG / 1000, DoseSum.Packs(label, found.LowG)!.Value, 9);
        Assert.Equal(found.LowG / 1.1, DoseSum.Millilitres(label, found.LowG)!.Value, 9);
        if (kg > 0)
            Assert.True(found.ForFewG < found.HighG && found.ForManyG > found.LowG);
    }

    [Fact]
    public void Nothing_is_dosed_by_what_is_not_known()
    {
        var none = new Dosed(0, 0, null);
        foreach (var basis in Enum.GetValues<DoseBasis>())
        {
            Assert.Null(DoseSum.Grams(Label(basis, 1, 1, 2), none));
            Assert.Null(DoseSum.DoseOf(Label(basis, 1, 1, 2), 100, none));
        }
    }

    [Fact]
    public void Farms_that_write_pounds_and_gallons_come_to_the_same_product()
    {
        var chance = new Random(21);
        double Typed(string text, Measure measure, Hand hand) => QuantityText.Read(text, measure, hand).Si!.Value;
        for (var i = 0; i < 500; i++)
        {
            var m3 = Math.Round(Math.Exp(chance.NextDouble() * 10), 2) + 0.5;
            var mgL = Math.Round(0.1 + (chance.NextDouble() * 50), 2);
            var metric = Typed(FormattableString.Invariant($"{m3} m3"), Measures.Volume, Hand.Metric);
            var us = Typed(
                FormattableString.Invariant($"{m3 / 0.003785411784:0.######} gal"),
                Measures.Volume,
                Hand.Us
            );
            var ppm = Typed(FormattableString.Invariant($"{mgL} ppm"), Measures.Concentration, Hand.Us);
            var label = Label(DoseBasis.WaterMgL, 0.1 + (0.9 * chance.NextDouble()), mgL, mgL);
            var (a, b) = (
                DoseSum.Grams(label, new(metric, 0, null))!.LowG,
                DoseSum.Grams(label with { DoseLow = ppm, DoseHigh = ppm }, new(us, 0, null))!.LowG
            );
            Assert.Equal(a, b, a * 1e-6);
            // And read back as it is printed in each.
            foreach (var hand in new[] { Hand.Metric, Hand.Us })
            {
                var printed = Typed(DoseWords.Amount(a, hand), Measures.Mass, hand) * 1000;
                Assert.InRange(printed / a, 0.9, 1.1);
            }
        }
    }

    [Theory]
    [InlineData(10, "tenfold")]
    [InlineData(0.1, "tenfold")]
    [InlineData(1000, "thousandfold")]
    [InlineData(0.001, "thousandfold")]
    [InlineData(28.35, "ounces")]
    [InlineData(3.785, "gallons")]
    [InlineData(1, null)]
    public void A_dose_in_the_wrong_unit_is_named(double times, string? word)
    {
        var said = DoseSum.LikelySlip(times);
        if (word is null)
            Assert.Null(said);
        else
            Assert.Contains(word, said);
    }

    [Fact]
    public void Degree_days_over_a_cold_spell_are_those_summed_by_hand()
    {
        // 500 degree-days after a treatment of three days; 20 °C, then ten days at 6, one at -1, then 20 again.
        var first = new DateOnly(2027, 4, 1);
        double Temp(DateOnly day) =>
            (day.DayNumber - first.DayNumber) switch
            {
                < 13 => 20,
                < 23 => 6,
                23 => -1,
                _ => 20,
            };
        var label = Label(DoseBasis.FeedMgKg, 1, 10, 20) with { WithdrawalDegreeDays = 500 };
        var given = new TreatmentGiven(1, 1, 100, 3, "made up", "");
        // Last dose on day 2. Days 3 to 12: 200. Days 13 to 22: 60. Day 23: 0. From day 24 on 20 each: 12 days make 240 = 500 on day 35.
        var withdrawal = Withdrawal.Of(label, given, first, first.AddDays(22), Temp)!;
        Assert.Equal(first.AddDays(2), withdrawal.LastDay);
        Assert.Equal(first.AddDays(36), withdrawal.Until);
        Assert.Equal(260, withdrawal.DegreeDaysSoFar, 9);
        Assert.True(withdrawal.HoldsOn(first, first) && withdrawal.HoldsOn(first.AddDays(35), first));
        Assert.False(withdrawal.HoldsOn(first.AddDays(36), first));
        // Where the label counts days too, the longer holds.
        Assert.Equal(
            first.AddDays(2 + 60 + 1),
            Withdrawal.Of(label with { WithdrawalDays = 60 }, given, first, first, Temp)!.Until
        );
        Assert.Null(Withdrawal.Of(label with { WithdrawalDegreeDays = 0 }, given, first, first, Temp));
        // In water at nought it does not end within years.
        Assert.True(Withdrawal.Of(label, given, first, first, _ => 0)!.Until > first.AddYears(2));
    }

    [Fact]
    public void A_bath_has_its_clock_its_oxygen_watch_and_its_stop()
    {
        var start = new DateTimeOffset(2027, 1, 21, 8, 0, 0, TimeSpan.Zero);
        BathRun Run(params (double Minute, BathEvent Event, double? Do)[] lines) =>
            new(
                30,
                4,
                [.. lines.Select(l => (start.AddMinutes(l.Minute), "hand", new BathNoted(1, 1, l.Event, l.Do, "")))]
            );
        var none = Run();
        Assert.True(
            none.Takes(BathEvent.TestBegun) && !none.Takes(BathEvent.Ended) && !none.Takes(BathEvent.TestPassed)
        );
        Assert.Contains(new BathNoted(1, 1, BathEvent.Dosed, null, "").Check(none, start), r =>
            r.Kind == Objection.Ask
        );
        var tested = Run((0, BathEvent.TestBegun, null));
        Assert.Equal(20, tested.TestLeft(start.AddMinutes(10)), 9);
        Assert.Contains(new BathNoted(1, 1, BathEvent.TestPassed, null, "").Check(tested, start.AddMinutes(10)), r =>
            r.Kind == Objection.Ask
        );
        var dosed = Run((0, BathEvent.TestBegun, null), (30, BathEvent.TestPassed, null), (40, BathEvent.Dosed, null));
        Assert.Empty(new BathNoted(1, 1, BathEvent.Oxygen, 6, "").Check(dosed, start.AddMinutes(45)));
        Assert.Equal(25, dosed.LeftAt(start.AddMinutes(45))!.Value, 9);
        Assert.Equal(5, dosed.ReadLeftAt(start.AddMinutes(45))!.Value, 9);
        Assert.Null(dosed.MustStop(start.AddMinutes(45), Hand.Metric));
        Assert.Contains("over", dosed.MustStop(start.AddMinutes(71), Hand.Metric));
        var low = Run((0, BathEvent.Dosed, null), (5, BathEvent.Oxygen, 3.9));
        Assert.Contains("watch level", low.MustStop(start.AddMinutes(6), Hand.Metric));
        var calm = Run((0, BathEvent.Dosed, null), (5, BathEvent.Oxygen, 3.9), (9, BathEvent.Oxygen, 5));
        Assert.Null(calm.MustStop(start.AddMinutes(10), Hand.Metric));
        Assert.NotNull(
            Run((0, BathEvent.Dosed, null), (5, BathEvent.Uneasy, null)).MustStop(start.AddMinutes(6), Hand.Metric)
        );
        var ended = Run((0, BathEvent.Dosed, null), (30, BathEvent.Ended, null));
        Assert.True(ended.IsOver && ended.LeftAt(start.AddMinutes(40)) is null);
        Assert.Contains(new BathNoted(1, 1, BathEvent.Oxygen, 6, "").Check(ended, start.AddMinutes(40)), r =>
            r.Kind == Objection.Refuse
        );
    }
}
