using Dorsk.Core.Health;
using Dorsk.Core.Judging;
using Dorsk.Core.Oxygen;
using Dorsk.Core.Species;
using Dorsk.Core.Time;
using Dorsk.Core.Units;
using Dorsk.Core.Verdict;
using Dorsk.Core.Water;

namespace Dorsk.Core.Tests.Health;

/// <summary>What a water bars: the medicine lock, copper, oxidisers, formalin, bad nights, antibiotic against living filters.</summary>
public class BarTests
{
    private static readonly DateTimeOffset Now = new(2027, 1, 21, 9, 0, 0, TimeSpan.Zero);
    private const string Panel = "do 1 7; temp 1 24; ph 1 7.6; tan 2 0.2; nitrite 2 0.02";

    private static PondState State(string read, string species = "silver_perch", bool tank = false) =>
        new()
        {
            Now = Now,
            Zone = FarmZone.Utc,
            Hand = Hand.Metric,
            InTank = tank,
            DepthM = 1.5,
            AltitudeM = 0,
            Sun = (Now.AddHours(-4), Now.AddHours(10)),
            Fish = [new(FishSpecies.Of(species), LifeStage.Growing, 300, 1000)],
            Readings = ReadingBook.Of(
                read.Split("; ", StringSplitOptions.RemoveEmptyEntries)
                    .Select(r => r.Split(' '))
                    .Select(r => (Parameter.ByKey(r[0]), new Timed(Now.AddHours(-N(r[1])), N(r[2]))))
            ),
        };

    private static double N(string text) => double.Parse(text, System.Globalization.CultureInfo.InvariantCulture);

    private static ProductDescribed Product(ProductKind kind, ActiveMatter matter = ActiveMatter.Other) =>
        new(1, "made up", kind, "something", matter, 1, DoseBasis.WaterMgL, 1, 25) { BathMinutes = 60 };

    private static List<Remark> Against(
        ProductDescribed product,
        PondState state,
        Func<TreatmentGiven, TreatmentGiven>? as_ = null,
        DateOnly? probiotic = null
    )
    {
        // 1 mg/L in 1,000 m³.
        var given = new TreatmentGiven(1, 1, 1000, 1, "found in gills", "");
        return
        [
            .. (as_?.Invoke(given) ?? given).Check(
                product,
                new(state, new(1000, 700, new(300, 250, 350, 0.9)), probiotic),
                Hand.Metric
            ),
        ];
    }

    private static bool Refuses(IEnumerable<Remark> remarks, string word) =>
        remarks.Any(r => r.Kind == Objection.Refuse && r.Text.Contains(word, StringComparison.OrdinalIgnoreCase));

    private static bool Asks(IEnumerable<Remark> remarks, string word) =>
        remarks.Any(r => r.Kind == Objection.Ask && r.Text.Contains(word, StringComparison.OrdinalIgnoreCase));

    [Fact]
    public void No_medicine_before_todays_water_was_read()
    {
        foreach (var kind in Enum.GetValues<ProductKind>())
        {
            var product = Product(kind);
            Assert.Equal(product.IsMedicine, Refuses(Against(product, State("")), "water first"));
            Assert.False(Refuses(Against(product, State(Panel)), "water first"));
        }
        var parasite = Product(ProductKind.Parasite);
        Assert.True(Refuses(Against(parasite, State(Panel.Replace("nitrite 2", "nitrite 30"))), "nitrite"));
        Assert.False(
            Refuses(Against(parasite, State(""), g => g with { PassedReason = "vet on site" }), "water first")
        );
    }

    [Fact]
    public void Oxygen_at_the_act_level_and_a_crashed_pH_come_first()
    {
        var parasite = Product(ProductKind.Parasite);
        Assert.True(Refuses(Against(parasite, State(Panel.Replace("do 1 7", "do 1 2.5"))), "air first"));
        Assert.True(Asks(Against(parasite, State(Panel.Replace("ph 1 7.6", "ph 1 5.5"))), "crashed"));
        Assert.True(Asks(Against(parasite, State(Panel + "; ph 168 8.8")), "crashed"));
        Assert.Empty(Against(parasite, State(Panel)));
    }

    [Fact]
    public void Copper_hangs_on_alkalinity_oxygen_and_who_swims_there()
    {
        var copper = Product(ProductKind.Algaecide, ActiveMatter.Copper);
        Assert.True(Refuses(Against(copper, State("do 1 7")), "not read within a week"));
        Assert.True(Refuses(Against(copper, State("do 1 7; alkalinity 24 49")), "copper kills fish"));
        Assert.DoesNotContain(Against(copper, State("do 1 7; alkalinity 24 50")), r => r.Kind == Objection.Refuse);
        Assert.True(Refuses(Against(copper, State("do 1 3.9; alkalinity 24 80")), "air first"));
        Assert.True(Refuses(Against(copper, State("alkalinity 24 80")), "none was read today"));
        Assert.True(Refuses(Against(copper, State("do 1 7; alkalinity 24 200", "redclaw")), "crayfish"));
    }

    [Fact]
    public void Nothing_takes_oxygen_before_a_bad_night()
    {
        var copper = Product(ProductKind.Algaecide, ActiveMatter.Copper);
        foreach (var (low, refused) in new[] { (3.9, true), (4.1, false) })
        {
            var state = State("do 1 7; alkalinity 24 80") with { Tonight = Tonight(low) };
            Assert.Equal(refused, Refuses(Against(copper, state), "tonight's low"));
        }
    }

    [Fact]
    public void Formalin_takes_a_fifth_of_itself_in_oxygen()
    {
        var formalin = Product(ProductKind.Parasite, ActiveMatter.Formalin);
        // 25 mg/L takes 5 mg/L: 7 would fall to 2. 10 mg/L leaves 5.
        Assert.True(Refuses(Against(formalin, State(Panel), g => g with { AmountG = 25_000 }), "would fall to 2.0"));
        Assert.Empty(Against(formalin, State(Panel), g => g with { AmountG = 10_000 }));
    }

    [Fact]
    public void An_oxidiser_wants_the_demand_of_the_water()
    {
        var permanganate = Product(ProductKind.Disinfectant, ActiveMatter.Permanganate);
        Assert.True(Refuses(Against(permanganate, State(Panel)), "demand"));
        Assert.Empty(Against(permanganate, State(Panel), g => g with { DemandMgL = 1.5 }));
    }

    [Fact]
    public void Antibiotic_is_asked_about_every_time_and_never_meets_a_living_filter_unasked()
    {
        var antibiotic = Product(ProductKind.Antibiotic) with { NeedsVet = true };
        Assert.True(Refuses(Against(antibiotic, State(Panel)), "prescription"));
        var vet = Against(antibiotic, State(Panel), g => g with { Vet = "the vet" });
        Assert.True(Asks(vet, "routine"));
        Assert.False(Asks(vet, "filter"));
        Assert.True(Asks(Against(antibiotic, State(Panel, tank: true), g => g with { Vet = "the vet" }), "filter"));
        Assert.True(
            Asks(Against(antibiotic, State(Panel), g => g with { Vet = "v" }, new(2027, 1, 15)), "living bacteria")
        );
    }

    [Fact]
    public void Other_means_come_before_oil_films_pest_killers_and_algae_killers()
    {
        var oil = Product(ProductKind.Pesticide);
        Assert.True(Asks(Against(oil, State(Panel)), "other means tried first"));
        Assert.True(Refuses(Against(oil, State(Panel, "redclaw")), "shrimp"));
        Assert.True(Refuses(Against(oil, State(Panel, "african_catfish")), "come up for air"));
        Assert.True(Refuses(Against(oil, State("temp 1 24")), "none was read today"));
        Assert.True(Asks(Against(Product(ProductKind.Algaecide), State(Panel)), "weed taken out by hand"));
        Assert.False(Asks(Against(Product(ProductKind.Parasite), State(Panel)), "other means"));
    }

    [Theory]
    [InlineData(0, true, "", false, "")]
    [InlineData(3, false, "", true, "3 died")]
    [InlineData(3, true, "", true, "a liner keeps no disease out")]
    [InlineData(0, false, "silver perch came on 3 Jan", true, "silver perch came")]
    public void A_claim_that_nothing_is_wrong_is_doubted_by_what_the_log_has(
        int dead,
        bool tank,
        string came,
        bool doubted,
        string word
    )
    {
        var look = new HealthLook(1, 1, [], "", HealthLook.Nothing, "");
        var asked = look.Check(null, [], new(dead, tank, came)).ToList();
        Assert.Equal(doubted, Asks(asked, "Nothing wrong?"));
        Assert.All(asked, r => Assert.Contains(word, r.Text, StringComparison.Ordinal));
        Assert.Empty((look with { Cause = HealthLook.Unknown }).Check(null, [], new(dead, tank, came)));
    }

    [Fact]
    public void A_dose_over_the_label_is_refused_and_one_in_the_wrong_unit_is_named()
    {
        var parasite = Product(ProductKind.Parasite) with { DoseLow = 1, DoseHigh = 2 };
        Assert.True(Refuses(Against(parasite, State(Panel), g => g with { AmountG = 2300 }), "never over the label"));
        Assert.True(Refuses(Against(parasite, State(Panel), g => g with { AmountG = 1_500_000 }), "thousandfold"));
        Assert.True(Refuses(Against(parasite, State(Panel), g => g with { AmountG = 15_000 }), "tenfold"));
        Assert.True(
            Asks(Against(parasite, State(Panel), g => g with { AmountG = 15_000, Vet = "the vet" }), "the vet ask")
        );
        Assert.True(Asks(Against(parasite, State(Panel), g => g with { AmountG = 150 }), "tenfold"));
        Assert.Empty(Against(parasite, State(Panel), g => g with { AmountG = 2000 }));
    }

    private static DawnLowForecast Tonight(double low) =>
        new(
            new(low, low - 1, low + 1, 0.8),
            Now.AddHours(20),
            null,
            null,
            0.1,
            new(Status.Watch, ""),
            DeclineMethod.OwnNights,
            [],
            Grounds.Of("", "")
        );
}
