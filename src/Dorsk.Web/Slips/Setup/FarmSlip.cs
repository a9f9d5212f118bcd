using Dorsk.Core.People;
using Dorsk.Core.Ponds;
using Dorsk.Core.Time;
using Dorsk.Core.Units;

namespace Dorsk.Web.Slips;

/// <summary>The first slip: the farm.</summary>
internal sealed class FarmSlip : ISlip
{
    // By what people look for: the town.
    private static readonly List<(string, string)> Zones =
    [
        .. FarmZone.Known.Select(z => (z, FarmZone.Word(z))).OrderBy(z => z.Item2, StringComparer.Ordinal),
    ];

    private static readonly (string Key, string Name, bool Square)[] Areas =
    [
        ("Large", "hectares, or acres", false),
        ("Square", "square metres, or square feet", true),
    ];

    public string Key => "farm";

    public Permission Needs => Permission.Setup;

    public string Title => "Your farm";

    public string Button => "Save";

    public bool OfPond => false;

    public string FactKind => nameof(FarmDescribed);

    public string Section => "";

    public IReadOnlyList<SlipField> Fields(SlipContext c)
    {
        var f = c.Here.Farm;
        string Degrees(double? d) => d is { } degrees ? c.Here.Typed(degrees, 4) : "";
        return
        [
            c.Words("Name", "Name of the farm", f?.Name ?? ""),
            c.Words("PlaceName", "Place", f?.PlaceName ?? "").WithHint("valley, town or creek, in your words"),
            c.Quantity("Latitude", "Latitude", Measures.Plain, Degrees(f?.Place.LatitudeDeg))
                .WithHint("degrees, south with a minus: -29.4"),
            c.Quantity("Longitude", "Longitude", Measures.Plain, Degrees(f?.Place.LongitudeDeg))
                .WithHint("degrees, west with a minus: 152.6"),
            c.Quantity(
                    "Altitude",
                    "Elevation",
                    Measures.Altitude,
                    f is null ? "" : Lines.Plain(c, f.AltitudeM, Measures.Altitude)
                )
                .WithHint("thin air holds less oxygen"),
            c.Choice("Zone", "Time zone", f?.ZoneId ?? "", Zones),
            .. Writing(c, f?.Hand ?? Hand.Metric),
            c.Words("Currency", "Currency", f?.Currency ?? "").WithHint("three letters, such as AUD"),
            c.Quantity(
                    "KWhPrice",
                    "Price of a kWh",
                    Measures.EnergyPrice,
                    f?.KWhPrice is { } price ? c.Here.Typed(price, Measures.EnergyPrice) : ""
                )
                .WithHint("in that currency, such as 0.31; empty: only kWh are shown"),
        ];
    }

    private static IEnumerable<SlipField> Writing(SlipContext c, Hand hand) =>
        [
            c.Choice("Units", "Units", hand.System, [("Metric", "Metric: ha, kg, °C"), ("Us", "US: acres, lb, °F")]),
            c.Choice("Areas", "Areas in", hand.Square ? "Square" : "Large", Areas.Select(a => (a.Key, a.Name)).ToList())
                .WithHint("small waters are always said in the small unit"),
            c.Choice("Sign", "Decimal sign", hand.Sign, [("Point", "1.5 (point)"), ("Comma", "1,5 (comma)")]),
        ];

    private static Hand ReadHand(SlipForm form) =>
        new(
            form.Choice("Units", [("Metric", UnitSystem.Metric), ("Us", UnitSystem.Us)], "units", UnitSystem.Metric),
            form.Choice(
                "Sign",
                [("Point", DecimalSign.Point), ("Comma", DecimalSign.Comma)],
                "decimal sign",
                DecimalSign.Point
            ),
            form.Choice("Areas", Areas.Select(a => (a.Key, a.Square)).ToList(), "unit of areas", false)
        );

    public Filled Read(SlipForm form, SlipContext c)
    {
        var hand = ReadHand(form);
        var altitude = ReadIn(form, "Altitude", Measures.Altitude, hand);
        var fact = new FarmDescribed(
            form.Text("Name"),
            form.Text("PlaceName"),
            new(ReadIn(form, "Latitude", Measures.Plain, hand), ReadIn(form, "Longitude", Measures.Plain, hand)),
            altitude,
            form.Text("Zone"),
            hand,
            form.Text("Currency").ToUpperInvariant(),
            form.MaybeQuantity("KWhPrice", Measures.EnergyPrice)
        );
        return new(c.Here.Now, [fact], fact.Name, []);
    }

    // What stood in the field was written in the farm's old way; what is typed, perhaps in the way chosen on this slip.
    private static double ReadIn(SlipForm form, string field, Measure measure, Hand chosen)
    {
        var read = QuantityText.Read(form.Text(field), measure, chosen);
        if (
            read.Si is null
            && form.Here.Farm is not null
            && QuantityText.Read(form.Text(field), measure, form.Here.Hand).Si is { } before
        )
            return before;
        if (read.Problem is { } problem)
            form.Refuse(field, problem);
        return read.Si ?? double.NaN;
    }
}
