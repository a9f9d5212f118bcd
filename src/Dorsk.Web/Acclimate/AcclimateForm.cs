using System.Globalization;
using Dorsk.Core.Acclimate;
using Dorsk.Core.Stock;
using Dorsk.Core.Units;
using Dorsk.Core.Water;
using Dorsk.Web.Slips;
using Dorsk.Web.Workbench;

namespace Dorsk.Web.Acclimate;

/// <summary>Lines of an acclimation: the fish, the bag, the pond at three places.</summary>
public static class AcclimateForm
{
    private const int Places = 3;

    private static readonly (string Key, string Name, AccSchool? School)[] Schools =
    [
        ("", "the one that is advised", null),
        .. Enum.GetValues<AccSchool>().Select(s => (s.ToString(), Word(s), (AccSchool?)s)),
    ];

    /// <summary>A school in words.</summary>
    public static string Word(AccSchool school) =>
        school switch
        {
            AccSchool.FloatAndRelease => "bags closed, then let them out",
            AccSchool.SalinitySteps => "salinity by the hour in a tank",
            _ => "temper slowly",
        };

    /// <summary>The lines, the fish from the last delivery, the pond as it was last read.</summary>
    /// <param name="s">What it starts from.</param>
    /// <param name="delivery">The delivery that waits, or null.</param>
    /// <param name="own">Rates of the farm's own that were typed last, or null.</param>
    public static IReadOnlyList<SlipField> Fields(BenchStart s, FishReceived? delivery, OwnRates? own)
    {
        var pond = s.Pond!;
        string Last(Parameter p, double? example = null) =>
            s.Last(p) is { } v ? s.Plain(v, p.Measure)
            : example is { } e ? s.Plain(e, p.Measure)
            : "";
        List<SlipField> fields = FieldsOf(s, delivery, pond);
        for (var i = 1; i <= Places; i++)
            fields.AddRange([
                s.Heading(
                    i == 1 ? "Pond, where they go in"
                    : i == 2 ? "Pond, deep water"
                    : "Pond, the other side"
                ),
                s.Quantity($"t{i}", "Temperature", Measures.Temperature, i == 1 ? Last(Parameter.Temperature) : ""),
                s.Quantity($"p{i}", "pH", Measures.Ph, i == 1 ? Last(Parameter.Ph) : ""),
                s.Quantity($"o{i}", "Oxygen", Measures.Oxygen).WithHint(i == 1 ? "read now" : ""),
            ]);
        fields.AddRange([
            s.Heading("Pond, all places"),
            s.Quantity("sp", "Salinity", Measures.Salinity, Last(Parameter.Salinity, 0)),
            s.Quantity("np", "Total ammonia, as N", Measures.Concentration, Last(Parameter.Tan)),
            s.Quantity("ap", "Alkalinity", Measures.CoarseConcentration, Last(Parameter.Alkalinity)),
            s.Choice("school", "Method", "", Schools.Select(x => (x.Key, x.Name)).ToList()),
            s.Choice(
                "rates",
                "Rates of change",
                "",
                [
                    ("", "the trade's, by species and stage"),
                    ("own", own is null ? "own, typed below" : $"own: {own.Note}"),
                ]
            ),
            s.Heading("Own rates"),
            s.Words("ownnote", "Whose rule", own?.Note ?? "")
                .WithHint("such as the hatchery's; kept for the next time"),
            s.Quantity("owntemp", "Temperature, per hour", Measures.TemperatureStep, own?.TempCPerH),
            s.Quantity("ownph", "pH, per hour", Measures.Factor, own?.PhPerH),
            s.Quantity("ownsalt", "Salinity, per hour", Measures.Salinity, own?.SalinityPptPerH)
                .WithHint("empty: the trade's"),
        ]);
        return fields;
    }

    private static List<SlipField> FieldsOf(BenchStart s, FishReceived? delivery, Farm.Estimates.PondStory pond) =>
        [
            s.Fish("species", "Fish", delivery?.SpeciesKey ?? pond.LikelySpecies.Key),
            s.Whole(
                "fish",
                "How many",
                delivery is null ? "" : (delivery.Count - delivery.Dead).ToString(CultureInfo.InvariantCulture)
            ),
            s.Quantity("weight", "Average weight", Measures.FishWeight, delivery?.MeanG ?? 2),
            s.Words("origin", "From", delivery?.Seller ?? ""),
            s.Quantity("hours", "Hours since packed", Measures.Plain with { Decimals = 1, UsDecimals = 1 }, "6"),
            s.Heading("In the bag"),
            s.Quantity("tb", "Temperature", Measures.Temperature),
            s.Quantity("pb", "pH", Measures.Ph),
            s.Quantity("nb", "Total ammonia, as N", Measures.Concentration).WithHint("empty: not measured"),
            s.Quantity("ob", "Oxygen", Measures.Oxygen),
            s.Quantity("sb", "Salinity", Measures.Salinity, "0"),
            s.Quantity("ab", "Alkalinity", Measures.CoarseConcentration).WithHint("empty: both bounds are drawn"),
        ];

    /// <summary>Reads what was typed; null with remarks when it cannot be.</summary>
    public static (AccQuestion Question, int Fish, string Origin)? Read(BenchForm f)
    {
        var species = f.Form.Fish("species");
        var (fish, g, hours) = (
            f.Form.Empty("fish") ? 0 : f.Whole("fish", "fish", 1, StockRules.MostFish),
            f.Q("weight", Measures.FishWeight, 0.0005, 20_000),
            f.Q("hours", Measures.Plain, 0, 96)
        );
        var school = f.Form.Choice("school", Schools.Select(s => (s.Key, s.School)).ToList(), "school", null);
        double T(string n) => f.Q(n, Measures.Temperature, 0, 42);
        double P(string n) => f.Q(n, Measures.Ph, 4, 11);
        double S(string n) => f.Q(n, Measures.Salinity, 0, 45);
        double? O(string n) => f.MaybeQ(n, Measures.Oxygen, 0, 60);
        double? N(string n) => f.MaybeQ(n, Measures.Concentration, 0, 200);
        double? A(string n) => f.MaybeQ(n, Measures.CoarseConcentration, 0, 1000);
        var bag = new AccWater(T("tb"), P("pb"), S("sb"), N("nb"), O("ob"), A("ab"));
        var (salt, tan, alk) = (S("sp"), N("np"), A("ap"));
        // The first place is wanted; of the others only those that were read.
        var places = Enumerable
            .Range(1, Places)
            .Where(i => i == 1 || !f.Form.Empty($"t{i}") || !f.Form.Empty($"p{i}"))
            .Select(i => new AccWater(T($"t{i}"), P($"p{i}"), salt, tan, O($"o{i}"), alk))
            .ToList();
        if (f.Form.Text("origin").Length > 80)
            f.Form.Refuse("origin", "At most 80 letters.");
        var own = Own(f);
        return f.Sound
            ? (
                new AccQuestion(species, g, bag, places, hours, school, f.Here.Hand) { Own = own },
                fish,
                f.Form.Text("origin")
            )
            : null;
    }

    // Only where they are chosen: what stands in the lines from the last time changes nothing by itself.
    private static OwnRates? Own(BenchForm f)
    {
        if (f.Form.Text("rates") != "own")
            return null;
        double? Rate(string name, Measure measure) => f.Form.Empty(name) ? null : f.Form.Quantity(name, measure);
        var own = new OwnRates(
            f.Form.Text("ownnote"),
            Rate("owntemp", Measures.TemperatureStep),
            Rate("ownph", Measures.Factor),
            Rate("ownsalt", Measures.Salinity)
        );
        // A rate that could not be read has said so already.
        foreach (var remark in own.Check().Where(r => f.Form.Remarks.All(said => said.Field != r.Field)).ToList())
            f.Form.Refuse(remark);
        return own;
    }
}
