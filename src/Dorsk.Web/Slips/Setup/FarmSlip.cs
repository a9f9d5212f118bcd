using Dorsk.Core.People;
using Dorsk.Core.Ponds;
using Dorsk.Core.Time;
using Dorsk.Core.Units;

namespace Dorsk.Web.Slips;

/// <summary>The first slip: the farm.</summary>
internal sealed class FarmSlip : ISlip
{
    // By what people look for: the town. Some browsers still say the old names.
    private static readonly List<(string, string)> Zones =
    [
        .. FarmZone
            .Known.Concat(Core.Ponds.Country.OldNames.Where(z => FarmZone.Find(z) is not null))
            .Distinct()
            .Select(z => (z, FarmZone.Word(z)))
            .OrderBy(z => z.Item2, StringComparer.Ordinal),
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

    public string Caution =>
        "Without a place the night of the town of the time zone is taken, and without an elevation the air of the sea shore: good enough to begin with.";

    public IReadOnlyList<SlipField> Fields(SlipContext c)
    {
        var f = c.Here.Farm;
        string Degrees(double? d) => d is { } degrees && f is { PlaceGuessed: false } ? c.Here.Typed(degrees, 4) : "";
        return
        [
            c.Words("Name", "Name of the farm", f?.Name ?? "").WithHint(f is null ? "empty: My farm" : ""),
            .. Country(c),
            .. Writing(c, f?.Hand),
            c.Fold("Where it lies, and its money"),
            c.Words("PlaceName", "Place", f?.PlaceName ?? "").WithHint("valley, town or creek, in your words"),
            c.Quantity("Latitude", "Latitude", Measures.Plain, Degrees(f?.Place.LatitudeDeg))
                .WithHint("degrees, south with a minus: -29.4; empty: the town of the time zone"),
            c.Quantity("Longitude", "Longitude", Measures.Plain, Degrees(f?.Place.LongitudeDeg))
                .WithHint("degrees, west with a minus: 152.6"),
            c.Quantity(
                    "Altitude",
                    "Elevation",
                    Measures.Altitude,
                    f is null or { AltitudeGuessed: true } ? "" : Lines.Plain(c, f.AltitudeM, Measures.Altitude)
                )
                .WithHint("thin air holds less oxygen; empty: that of the sea shore"),
            c.Words("Currency", "Currency", f?.Currency ?? "")
                .WithHint("three letters, such as AUD; empty: the country's"),
            c.Quantity(
                    "KWhPrice",
                    "Price of a kWh",
                    Measures.EnergyPrice,
                    f?.KWhPrice is { } price ? c.Here.Typed(price, Measures.EnergyPrice) : ""
                )
                .WithHint("in that currency; empty: only kWh are shown"),
        ];
    }

    // A farm that is described already has its zone; a new one may leave it to its country, or to the clock of the browser.
    private static IEnumerable<SlipField> Country(SlipContext c)
    {
        if (c.Here.Farm is null)
            yield return c.Choice(
                    "Country",
                    "Country",
                    c.Here.Region is { } region && Core.Ponds.Country.Find(region) is { } known ? known.Code : "",
                    [("", "that of the time zone"), .. Core.Ponds.Country.All.Select(k => (k.Code, k.Name))]
                )
                .WithHint("brings units, decimal sign and currency");
        var none = c.Here.Farm is null ? "that of the country" : "choose";
        yield return c.Choice("Zone", "Time zone", c.Here.Farm?.ZoneId ?? "", [("", none), .. Zones]);
    }

    private static IEnumerable<SlipField> Writing(SlipContext c, Hand? hand)
    {
        (string, string)[] usual = hand is null ? [("", "usual in the country")] : [];
        return
        [
            c.Choice(
                "Units",
                "Units",
                hand?.System.ToString() ?? "",
                [.. usual, ("Metric", "Metric: ha, kg, °C"), ("Us", "US: acres, lb, °F")]
            ),
            c.Choice(
                    "Areas",
                    "Areas in",
                    hand?.Square == true ? "Square" : "Large",
                    Areas.Select(a => (a.Key, a.Name)).ToList()
                )
                .WithHint("small waters are always said in the small unit"),
            c.Choice(
                "Sign",
                "Decimal sign",
                hand?.Sign.ToString() ?? "",
                [.. usual, ("Point", "1.5 (point)"), ("Comma", "1,5 (comma)")]
            ),
        ];
    }

    private static Hand ReadHand(SlipForm form, Hand usual) =>
        new(
            form.Empty("Units")
                ? usual.System
                : form.Choice(
                    "Units",
                    [("Metric", UnitSystem.Metric), ("Us", UnitSystem.Us)],
                    "units",
                    UnitSystem.Metric
                ),
            form.Empty("Sign")
                ? usual.Sign
                : form.Choice(
                    "Sign",
                    [("Point", DecimalSign.Point), ("Comma", DecimalSign.Comma)],
                    "decimal sign",
                    DecimalSign.Point
                ),
            form.Choice("Areas", Areas.Select(a => (a.Key, a.Square)).ToList(), "unit of areas", false)
        );

    public Filled Read(SlipForm form, SlipContext c)
    {
        var (zone, country) = WhereAbouts(form);
        var hand = ReadHand(form, country?.Hand ?? Hand.Metric);
        var (place, guessed) = ReadPlace(form, zone, hand);
        var noAltitude = form.Empty("Altitude");
        var currency = form.Text("Currency").ToUpperInvariant();
        var fact = new FarmDescribed(
            form.Empty("Name") && c.Here.Farm is null ? "My farm" : form.Text("Name"),
            form.Text("PlaceName"),
            place,
            noAltitude ? 0 : ReadIn(form, "Altitude", Measures.Altitude, hand),
            zone,
            hand,
            currency.Length == 0 ? country?.Currency ?? "" : currency,
            form.MaybeQuantity("KWhPrice", Measures.EnergyPrice)
        )
        {
            PlaceGuessed = guessed,
            AltitudeGuessed = noAltitude,
        };
        return new(c.Here.Now, [fact], fact.Name, []);
    }

    // The zone that was chosen, else the only one of the country.
    private static (string Zone, Country? Country) WhereAbouts(SlipForm form)
    {
        var country = Core.Ponds.Country.Find(form.Text("Country"));
        if (!form.Empty("Zone"))
            return (form.Text("Zone"), country ?? Core.Ponds.Country.OfZone(form.Text("Zone"))?.Country);
        if (country is { Zones: [var only] })
            return (only.Zone, country);
        form.Refuse(
            "Zone",
            country is null
                ? "Choose the country, or the time zone."
                : $"{country.Name} has {country.Zones.Count} time zones: choose the one of the nearest town."
        );
        return ("", country);
    }

    private static (Place Place, bool Guessed) ReadPlace(SlipForm form, string zone, Hand hand)
    {
        if (form.Empty("Latitude") && form.Empty("Longitude"))
        {
            if (Core.Ponds.Country.OfZone(zone) is { } known)
                return (known.Town, true);
            // A zone that is missing has its remark already.
            if (zone.Length > 0)
                form.Refuse(
                    "Latitude",
                    "This time zone belongs to no town: type latitude and longitude, such as -29.4 and 152.6."
                );
            return (new(0, 0), true);
        }
        return (
            new(ReadIn(form, "Latitude", Measures.Plain, hand), ReadIn(form, "Longitude", Measures.Plain, hand)),
            false
        );
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
