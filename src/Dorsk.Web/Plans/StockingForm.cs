using System.Globalization;
using Dorsk.Core.Judging;
using Dorsk.Core.Plans;
using Dorsk.Core.Ponds;
using Dorsk.Core.Species;
using Dorsk.Core.Units;
using Dorsk.Core.Water;
using Dorsk.Farm.Estimates;
using Dorsk.Web.Slips;
using Dorsk.Web.Workbench;
using Microsoft.AspNetCore.WebUtilities;

namespace Dorsk.Web.Plans;

/// <summary>What a filled form asks for beside the plan itself.</summary>
/// <param name="Plan">The plan.</param>
/// <param name="WantedKg">Harvest wanted, kg, or null.</param>
/// <param name="WantedBy">Day by which it is wanted, or null.</param>
/// <param name="Beside">Fish that share the water.</param>
/// <param name="OnHand">Fingerlings on hand to be parted over ponds, or null.</param>
/// <param name="ByMonths">Whether the temperatures were typed.</param>
/// <param name="Road">How the fingerlings travel.</param>
/// <param name="LeadDays">Days from order to delivery as the hatchery says, or null.</param>
public sealed record StockingAsked(
    StockingQuestion Plan,
    double? WantedKg,
    DateOnly? WantedBy,
    IReadOnlyList<SharedFish> Beside,
    int? OnHand,
    bool ByMonths,
    OrderRoad Road,
    int? LeadDays
);

/// <summary>Lines of the stocking plan: from a pond as it stands, or from an example; and how they are kept in SI.</summary>
public static class StockingForm
{
    // Trade practice: a bag is a good quarter water, the rest oxygen.
    private const double BagWaterShare = 0.28;
    private static readonly RearingSystem[] Systems = Enum.GetValues<RearingSystem>();
    private static readonly string[] BesideNames = ["beside", "beside2"];

    /// <summary>The lines, with what stands in them at first.</summary>
    public static IReadOnlyList<SlipField> Fields(BenchStart s, string species, string system)
    {
        var pond = s.Pond?.Pond;
        var likely = s.Here.AllSpecies.FirstOrDefault(x => x.Key == species)
            ?? s.Pond?.LikelySpecies
            ?? s.Here.AllSpecies[0];
        var body =
            Enum.TryParse<RearingSystem>(system, out var chosen) ? chosen
            : pond is null ? RearingSystem.Earthen
            : RearingSystems.Of(pond.Kind);
        return
        [
            s.Fish("species", "Fish", likely.Key),
            s.Quantity("from", "Weight at stocking", Measures.FishWeight, 10),
            s.Quantity("target", "Target weight", Measures.FishWeight, Math.Max(20, likely.MarketLowG * 1.2)),
            s.Quantity("survival", "Survival to harvest, %", Measures.Plain, likely.SurvivalGrowOutPct)
                .WithHint("the farm's own record is best"),
            s.Quantity("fcr", "Feed conversion ratio (FCR)", Measures.Factor)
                .WithHint("empty: by the species and size; your own closed cycles stand beside the answer"),
            s.Day("on", "Stocking date", s.Here.Today.AddDays(30)),
            s.Whole("own", "Your own number").WithHint("empty: as many as the limits let"),
            .. SexesField(s, likely, body),
            s.Heading("Water"),
            .. WaterFields(s, body),
            s.Fold(""),
            s.Choice(
                "school",
                "Stocking density by",
                "",
                [
                    ("", "the one that fits feed and air"),
                    .. DensitySchool.For(likely, body).Select(x => (x.Name, x.Name)).DistinctBy(x => x.Item1),
                ]
            ),
            s.Quantity(
                    "owndensity",
                    "Your own density",
                    body.ByVolume() ? Measures.FishPerVolume : Measures.FishPerArea
                )
                .WithHint("at stocking; stands in place of the density above"),
            s.Quantity(
                    "owncapacity",
                    "Your own carrying capacity",
                    body.ByVolume() ? Measures.VolumeLoad : Measures.AreaLoad
                )
                .WithHint("empty: the species table"),
            s.Quantity("share", "Share of the water that is theirs", Measures.Share, "100")
                .WithHint("less beside other fish"),
            .. Beside(s, "beside", "Other fish in it"),
            .. Beside(s, "beside2", "A third fish in it"),
            s.Quantity("wantedkg", "Target harvest", Measures.Mass).WithHint("counted back"),
            s.Day("by", "Target date"),
            s.Whole("lead", "From order to delivery").WithHint("days; the hatchery says"),
            s.Whole("onhand", "Fingerlings on hand").WithHint("parted over the farm's empty ponds"),
            s.Words("months", "Water by month, January first")
                .WithHint("twelve figures; empty: own readings, or a guess by latitude"),
            .. CostsAndRoad(s),
        ];
    }

    private static readonly (string Key, string Word)[] SexesSaid =
    [
        (nameof(Sexes.NotSaid), "not said"),
        (nameof(Sexes.Mixed), "mixed sex"),
        (nameof(Sexes.One), "one sex"),
    ];

    // Asked of fish that breed in the pond they grow in, and of no others.
    private static IEnumerable<SlipField> SexesField(BenchStart s, FishSpecies species, RearingSystem body) =>
        PondBreeding.Breeds(species, body, species.MarketHighG)
            ? [s.Choice("sexes", "Fingerlings are of", nameof(Sexes.NotSaid), SexesSaid)]
            : [];

    private static Sexes ReadSexes(BenchForm f) =>
        SexesSaid.Any(x => x.Key == f.Form.Text("sexes")) ? Enum.Parse<Sexes>(f.Form.Text("sexes")) : Sexes.NotSaid;

    private static IEnumerable<SlipField> CostsAndRoad(BenchStart s) =>
        [
            s.Quantity("pfish", "A fingerling costs", Measures.Price, OwnPrices.Fingerling(s))
                .WithHint("empty: left out of the cost"),
            s.Quantity("pfeed", "Price of feed", Measures.MassPrice, OwnPrices.FeedKg(s))
                .WithHint("that of the store; empty: left out of the cost"),
            s.Quantity("pkg", "Farm-gate price", Measures.MassPrice)
                .WithHint("empty: only the break-even price is told"),
            s.Quantity("pkwh", "A kWh costs", Measures.Price, OwnPrices.KWh(s))
                .WithHint("that of your farm; empty: left out of the cost"),
            s.Quantity("pother", "Other costs of the cycle", Measures.Price, "")
                .WithHint("labour, water, the pond's share; empty: left out"),
            s.Quantity("roadh", "Hours of transport", Measures.Plain with { Decimals = 1, UsDecimals = 1 }, "8")
                .WithHint("packed to opened; for the order"),
            s.Quantity("roadc", "Water temperature in transport", Measures.Temperature, 20),
            s.Quantity("bagw", "Water in a bag", Measures.SmallVolume, 0.01),
            s.Quantity("roadsalt", "Salt in the transport water", Measures.Salinity, "0")
                .WithHint("0 to 5; by what the fish bear"),
            s.Quantity("feedbag", "A bag of the feed holds", Measures.Mass, 25)
                .WithHint("as printed on it; for the order"),
        ];

    /// <summary>Reads what was typed; null with remarks when it cannot be.</summary>
    public static StockingAsked? Read(BenchForm f, PondStory? pond)
    {
        var species = f.Form.Fish("species");
        // A pond may have limits of its own.
        species = pond?.KnownSpecies(species.Key) ?? species;
        var water = Water(f, pond);
        var (from, target, survival) = (
            f.Q("from", Measures.FishWeight, 0.001, 20_000),
            f.Q("target", Measures.FishWeight, 0.01, 50_000),
            f.Q("survival", Measures.Plain, 0.1, 100)
        );
        var share = f.Q("share", Measures.Share, 1, 100) / 100;
        int? own = f.Form.Empty("own") ? null : f.Whole("own", "fish", 0, 10_000_000),
            onHand = f.Form.Empty("onhand") ? null : f.Whole("onhand", "fish", 1, 10_000_000),
            lead = f.Form.Empty("lead") ? null : f.Whole("lead", "days", 0, 400);
        var (prices, road) = (Prices(f), Road(f));
        var beside = Beside(f, share);
        var on = f.Form.Day("on");
        DateOnly? by = f.Form.Empty("by") ? null : f.Form.Day("by");
        var wanted = f.MaybeQ("wantedkg", Measures.Mass, 0.1, 1e8);
        var temps = Months(f);
        if (!f.Sound)
            return null;
        var school = School(f, species, water, target);
        var plan = new StockingQuestion(
            species,
            water,
            from,
            target,
            survival,
            share,
            on,
            Year(f, temps, pond),
            school,
            own,
            prices,
            f.Here.Hand
        )
        {
            OwnCapacityKg = f.MaybeQ(
                "owncapacity",
                water.System.ByVolume() ? Measures.VolumeLoad : Measures.AreaLoad,
                0.01,
                1e6
            ),
            OwnFcr = f.MaybeQ("fcr", Measures.Factor, 0.3, 6),
            Sexes = ReadSexes(f),
        };
        foreach (var remark in plan.Check())
            f.Form.Refuse(remark);
        return f.Sound ? new(plan, wanted, by, beside, onHand, temps is not null, road, lead) : null;
    }

    // A price that nobody said is no invented one: it is left out, and named.
    private static PlanPrices Prices(BenchForm f)
    {
        var missing = new List<string>();
        double Or(string field, Measure measure, double most, string what)
        {
            if (f.Form.Empty(field))
                missing.Add(what);
            return f.MaybeQ(field, measure, 0, most) ?? 0;
        }
        return new(
            Or("pfish", Measures.Price, 1e7, "fingerlings"),
            Or("pfeed", Measures.MassPrice, 1e7, "feed"),
            f.MaybeQ("pkg", Measures.MassPrice, 0, 1e8) ?? 0,
            Or("pkwh", Measures.Price, 1e6, "power"),
            Or("pother", Measures.Price, 1e12, "other costs")
        )
        {
            NotSaid = missing,
            IsSalePriceSaid = !f.Form.Empty("pkg"),
        };
    }

    private static OrderRoad Road(BenchForm f) =>
        new OrderRoad(
            f.MaybeQ("roadh", Measures.Plain, 0.25, 72) ?? 8,
            f.MaybeQ("roadc", Measures.Temperature, 1, 35) ?? 20,
            1000 * (f.MaybeQ("bagw", Measures.SmallVolume, 0.0005, 0.2) ?? 0.01),
            BagWaterShare,
            f.MaybeQ("roadsalt", Measures.Salinity, 0, 10) ?? 0,
            f.MaybeQ("feedbag", Measures.Mass, 0.1, 2000) ?? 25
        );

    // What the farm itself says goes before any school.
    private static DensitySchool? School(BenchForm f, FishSpecies species, PlanWater water, double targetG) =>
        f.MaybeQ("owndensity", water.System.ByVolume() ? Measures.FishPerVolume : Measures.FishPerArea, 0.0001, 100_000)
            is { } own
            ? DensitySchool.Own(water.System, own, targetG, water.ShaftKW > 0)
            : DensitySchool.For(species, water.System).FirstOrDefault(s => s.Name == f.Form.Text("school"));

    private static IEnumerable<SlipField> Beside(BenchStart s, string name, string label) =>
        [
            s.Fish(name, label, "", "none"),
            new(name + "g", "Their weight when these come", FieldKind.Quantity, "", Measures.FishWeight),
            new(
                name + "share",
                "Their share of the water",
                FieldKind.Quantity,
                "",
                Measures.Share,
                "empty: what the first leaves"
            ),
        ];

    // Without a share of its own a fish takes what the first leaves, in equal parts.
    private static List<SharedFish> Beside(BenchForm f, double share)
    {
        var names = BesideNames.Where(n => !f.Form.Empty(n)).ToList();
        var fish = new List<SharedFish>();
        foreach (var name in names)
        {
            var species = f.Form.Fish(name);
            var own = f.MaybeQ(name + "share", Measures.Share, 0, 100) / 100;
            if (f.MaybeQ(name + "g", Measures.FishWeight, 0.001, 50_000) is { } g)
                fish.Add(
                    new(
                        species,
                        g,
                        Math.Max(g * 1.5, species.MarketLowG * 1.2),
                        own ?? Math.Max(0, 1 - share) / names.Count
                    )
                );
            else if (f.Sound)
                f.Form.Refuse(name + "g", "Type their weight: it tells who can swallow whom.");
        }
        return fish;
    }

    /// <summary>Lines of a body of water: the pond's, or an example's.</summary>
    internal static IReadOnlyList<SlipField> WaterFields(BenchStart s, RearingSystem body)
    {
        var pond = s.Pond?.Pond;
        var fitted = s.Pond?.AeratorsAt(s.Here.Now) ?? [];
        return
        [
            s.Choice("system", "Kept in", body.ToString(), Systems.Select(x => (x.ToString(), x.Word())).ToList()),
            s.Quantity("area", "Water surface", Measures.Area, pond?.Shape.FullAreaM2 ?? 4000),
            s.Quantity(
                "volume",
                "Water when full",
                Measures.Volume,
                QuantityText.TypedRounded(pond?.Shape.FullVolumeM3 ?? 5000, Measures.Volume, s.Here.Hand)
            ),
            s.Quantity(
                    "kw",
                    "Aerators, shaft power together",
                    Measures.Power,
                    pond is null ? 2.2 : fitted.Sum(a => a.ShaftKW)
                )
                .WithHint("0: none"),
            s.Choice(
                "kind",
                "Kind of aerator",
                fitted.Count > 0 ? fitted[0].Kind.Name : AeratorKind.All[0].Name,
                AeratorKind.All.Select(k => (k.Name, TableText.In(k.Name, s.Here.Hand))).ToList()
            ),
            s.Quantity("flow", "Fresh water running through", Measures.Flow, "0").WithHint("raceways and tanks"),
            .. body == RearingSystem.Cage
                ?
                [
                    s.Quantity("current", "Current at the cage, cm a second", Measures.Plain, "")
                        .WithHint("slack water; empty: not asked"),
                ]
                : Array.Empty<SlipField>(),
        ];
    }

    /// <summary>Reads a body of water.</summary>
    internal static PlanWater Water(BenchForm f, PondStory? pond)
    {
        var system = f.Form.Choice(
            "system",
            Systems.Select(s => (s.ToString(), s)).ToList(),
            "water",
            RearingSystem.Earthen
        );
        var kind = f.Form.Choice("kind", AeratorKind.All.Select(k => (k.Name, k)).ToList(), "kind", AeratorKind.All[0]);
        var (area, volume) = (f.Q("area", Measures.Area, 0.5, 1e8), f.Q("volume", Measures.Volume, 0.1, 1e9));
        var current = system == RearingSystem.Cage ? f.MaybeQ("current", Measures.Plain, 0, 300) : null;
        return new(
            system,
            area,
            volume,
            f.Q("kw", Measures.Power, 0, 1e5),
            kind,
            current is { } cmS ? CageFlow.M3H(area, volume, cmS / 100) : f.Q("flow", Measures.Flow, 0, 1e6),
            f.Here.Farm?.AltitudeM ?? 0,
            pond?.LastOf(Parameter.Salinity)?.Si ?? 0
        );
    }

    /// <summary>The year's water: by months as typed, else the pond's own readings, else a guess by latitude.</summary>
    internal static Func<DateOnly, double> Year(BenchForm f, double[]? months, PondStory? pond) =>
        months is { } t
            ? d => ByMonth(t, d)
            : (pond?.Temperature ?? new TemperatureRecord([], f.Here.Farm!.Place.LatitudeDeg)).Curve;

    /// <summary>What was typed as it is kept: quantities in SI, by the name of their line.</summary>
    public static string Keep(IReadOnlyList<SlipField> fields, IReadOnlyDictionary<string, string> typed, Here here)
    {
        string Si(SlipField f, string text) =>
            f.Measure is { } m && text.Length > 0 && QuantityText.Read(text, m, here.Hand).Si is { } si
                ? Round(si)
                : text;
        return QueryString
            .Create(
                fields
                    .Where(f => f.Name.Length > 0 && typed.GetValueOrDefault(f.Name, "").Length > 0)
                    .Select(f =>
                        KeyValuePair.Create<string, string?>(
                            f.Name,
                            f.Name == "months"
                                ? string.Join(
                                    ' ',
                                    Parts(typed[f.Name]).Select(p => Si(f with { Measure = Measures.Temperature }, p))
                                )
                                : Si(f, typed[f.Name].Trim())
                        )
                    )
            )
            .Value!.TrimStart('?');
    }

    /// <summary>A kept plan as it would be typed here.</summary>
    public static Dictionary<string, string> Typed(string asked, IReadOnlyList<SlipField> fields, Here here)
    {
        var kept = QueryHelpers.ParseQuery(asked);
        string Typed(Measure m, string si) =>
            double.TryParse(si, NumberStyles.Float, CultureInfo.InvariantCulture, out var v)
                ? here.Typed(v, m with { Decimals = Math.Max(3, m.Decimals), UsDecimals = Math.Max(3, m.UsDecimals) })
                : si;
        return fields
            .Where(f => f.Name.Length > 0)
            .ToDictionary(f => f.Name, f => kept.TryGetValue(f.Name, out var v) ? Again(f, v.ToString()) : "");

        string Again(SlipField field, string si)
        {
            if (field.Name == "months")
                return string.Join(' ', Parts(si).Select(p => Typed(Measures.Temperature, p)));
            return field.Measure is { } m ? Typed(m, si) : si;
        }
    }

    private static string Round(double si) => si.ToString("G12", CultureInfo.InvariantCulture);

    private static string[] Parts(string text) => text.Split([' ', ';'], StringSplitOptions.RemoveEmptyEntries);

    /// <summary>Water by month as it was typed; null when it was not, or cannot be read.</summary>
    internal static double[]? Months(BenchForm f)
    {
        if (f.Form.Empty("months"))
            return null;
        var read = Parts(f.Form.Text("months"))
            .Take(13)
            .Select(p => QuantityText.Read(p, Measures.Temperature, f.Here.Hand).Si)
            .ToList();
        if (read.Count == 12 && read.All(t => t is >= -2 and <= 45))
            return [.. read.Select(t => t!.Value)];
        f.Form.Refuse(
            "months",
            $"Twelve water temperatures with blanks between them, January first, each {Limit.Range(-2, 45, Measures.Temperature, f.Here.Hand)}."
        );
        return null;
    }

    /// <summary>Temperature of a day: monthly means stand in the middle of their month; straight between.</summary>
    internal static double ByMonth(double[] months, DateOnly day)
    {
        var at = day.Month - 1 + ((day.Day - 0.5) / DateTime.DaysInMonth(day.Year, day.Month)) - 0.5;
        var first = (int)Math.Floor(at);
        var part = at - first;
        return (months[(first + 12) % 12] * (1 - part)) + (months[(first + 13) % 12] * part);
    }
}
