using Dorsk.Core.Judging;

namespace Dorsk.Core.Harvest;

/// <summary>What a day of fishing is planned from.</summary>
/// <param name="Kg">Fish to take, kg; above 0.</param>
/// <param name="MeanG">Their mean weight, g; above 0.</param>
/// <param name="BuyerAt">When the buyer wants them, by the farm's clock.</param>
/// <param name="RoadH">Hours on the road.</param>
/// <param name="FastH">Hours without feed before they are fished.</param>
/// <param name="DrawH">Hours of draining before the net goes in; 0 where the pond stays full.</param>
/// <param name="Pulls">Pulls of the net; 1 or more.</param>
/// <param name="PullMin">Minutes of a pull till the fish are crowded.</param>
/// <param name="KgAnHour">What the crew weighs and carries in an hour, kg.</param>
/// <param name="BasketKg">What a basket would hold full, kg.</param>
/// <param name="CrateKg">What a crate on ice holds, kg of fish.</param>
public sealed record HarvestAsked(
    double Kg,
    double MeanG,
    DateTime BuyerAt,
    double RoadH,
    double FastH,
    double DrawH,
    int Pulls,
    double PullMin,
    double KgAnHour,
    double BasketKg,
    double CrateKg
)
{
    /// <summary>Whether they go alive, in tanks; else on ice.</summary>
    public bool Alive { get; init; }

    /// <summary>Kilograms that a litre of hauling tank carries over that road; 0 where the table has none.</summary>
    public double HaulKgL { get; init; }

    /// <summary>Litres of one hauling tank.</summary>
    public double TankL { get; init; } = 1000;

    /// <summary>Salt in the hauling water, g/L.</summary>
    public double SaltGL { get; init; }

    /// <summary>Water temperature, °C.</summary>
    public double WaterC { get; init; } = 20;

    /// <summary>Air by the crates, °C.</summary>
    public double AirC { get; init; } = 25;

    /// <summary>Hours that crates stand on ice until they are sold.</summary>
    public double HoldH { get; init; }

    /// <summary>Whether the crates are insulated.</summary>
    public bool Insulated { get; init; }

    /// <summary>Whether vehicles pull the net.</summary>
    public bool ByVehicle { get; init; }
}

/// <summary>A step of the day.</summary>
/// <param name="At">When it begins, by the farm's clock.</param>
/// <param name="What">What is done.</param>
/// <param name="Who">Whose part it is.</param>
/// <param name="Watch">What to mind; may be empty.</param>
public readonly record struct DayStep(DateTime At, string What, string Who, string Watch);

/// <summary>Something to book before the day.</summary>
/// <param name="What">What.</param>
/// <param name="Amount">How much, in the unit said by the measure it is printed in.</param>
/// <param name="Unit">Kg, pieces or people.</param>
/// <param name="Why">How it was worked out.</param>
public readonly record struct Booking(string What, double Amount, BookingUnit Unit, string Why);

/// <summary>What a booking is counted in.</summary>
public enum BookingUnit
{
    /// <summary>Kilograms.</summary>
    Kg,

    /// <summary>Pieces.</summary>
    Pieces,

    /// <summary>People.</summary>
    People,
}

/// <summary>A day of fishing, counted back from the hour the buyer wants the fish.</summary>
/// <param name="Steps">Its steps in order of time.</param>
/// <param name="Bookings">What to book.</param>
/// <param name="Baskets">Loads of baskets, each half full at most.</param>
/// <param name="Trips">Tanks or trips of the hauler; 0 for fish on ice.</param>
public sealed record HarvestDay(IReadOnlyList<DayStep> Steps, IReadOnlyList<Booking> Bookings, int Baskets, int Trips)
{
    /// <summary>Where the rules come from.</summary>
    public const string Source =
        "Times added back from the buyer's hour; baskets half full (extension leaflets); ice: FAO 436; loads: Berka 1986; crew sizes are starting values";

    /// <summary>Baskets are filled so far at most: more crushes fish and breaks backs.</summary>
    public const double BasketShare = 0.5;

    private const double WarnMin = 30,
        SetNetMin = 45,
        LoadMin = 30,
        IceLossPct = 20,
        ChilledC = 1;
    private const int HandOnLines = 6,
        VehicleOnLines = 4,
        OnTheBank = 4;

    /// <summary>Plans it.</summary>
    public static HarvestDay Of(HarvestAsked a)
    {
        var baskets = (int)Math.Ceiling(a.Kg / (a.BasketKg * BasketShare));
        var trips = a.Alive && a.HaulKgL > 0 ? (int)Math.Ceiling(a.Kg / (a.HaulKgL * a.TankL)) : 0;
        return new(StepsOf(a, trips), BookingsOf(a, baskets, trips), baskets, trips);
    }

    /// <summary>Minutes that weighing the fish of one pull takes.</summary>
    public static double EmptyMin(HarvestAsked a) => 60 * a.Kg / a.Pulls / a.KgAnHour;

    private static List<DayStep> StepsOf(HarvestAsked a, int trips)
    {
        var leaves = a.BuyerAt.AddHours(-a.RoadH);
        var loads = leaves.AddMinutes(-LoadMin);
        var first = loads.AddMinutes(-a.Pulls * (a.PullMin + EmptyMin(a)));
        var net = first.AddMinutes(-SetNetMin);
        return
        [
            .. Before(a, first, net)
                .Concat(Pulling(a, first))
                .Concat(Leaving(a, trips, loads, leaves))
                .OrderBy(s => s.At),
        ];
    }

    private static IEnumerable<DayStep> Before(HarvestAsked a, DateTime first, DateTime net)
    {
        yield return new(
            first.AddHours(-a.FastH),
            "last feed before this hour",
            "feeder",
            "full guts foul flesh and water"
        );
        if (a.DrawH > 0)
            yield return new(
                net.AddHours(-a.DrawH),
                "outlet opened: catching net and screen first, then the gate",
                "two at the outlet",
                "rake the screen before it clogs; nobody in front of an open culvert; fish never stranded"
            );
        yield return new(
            net.AddMinutes(-WarnMin),
            "oxygen read where the net will stand; crew told its parts",
            "crew leader",
            "under the watch level nothing is crowded"
        );
        yield return new(
            net,
            "net laid out, lead line checked for holes and snags",
            "all on the lines",
            "stop signal agreed: one arm up, everyone stands"
        );
    }

    private static IEnumerable<DayStep> Pulling(HarvestAsked a, DateTime first)
    {
        for (var pull = 0; pull < a.Pulls; pull++)
        {
            var begins = first.AddMinutes(pull * (a.PullMin + EmptyMin(a)));
            yield return new(
                begins,
                $"pull {pull + 1}",
                a.ByVehicle ? "drivers on both banks, two at the lead line" : "both lines, two at the lead line",
                "lead line on the floor: not in the mud, not lifted at the bank; net lifted over probes"
            );
            yield return new(
                begins.AddMinutes(a.PullMin),
                $"pull {pull + 1} crowded: baskets weighed and carried",
                "bank and scale",
                "baskets half full; read oxygen in the net every ten minutes"
            );
        }
    }

    private static IEnumerable<DayStep> Leaving(HarvestAsked a, int trips, DateTime loads, DateTime leaves)
    {
        yield return new(
            loads,
            a.Alive ? $"tanks loaded ({trips})" : "last crates iced, ice over and under",
            "truck",
            a.Alive ? "oxygen on before the first fish" : "time from water to ice under half an hour a basket"
        );
        yield return new(leaves, "truck leaves", "driver", "papers and lot labels on board");
        yield return new(a.BuyerAt, "at the buyer", "driver", "temperature read and written down");
    }

    private static List<Booking> BookingsOf(HarvestAsked a, int baskets, int trips)
    {
        List<Booking> all =
        [
            new(
                "people",
                (a.ByVehicle ? VehicleOnLines : HandOnLines) + OnTheBank,
                BookingUnit.People,
                "lines, lead line, scale, bank, truck"
            ),
        ];
        if (a.Alive)
        {
            all.Add(new("hauling tanks", trips, BookingUnit.Pieces, "mass by what a litre carries over these hours"));
            if (a.SaltGL > 0)
                all.Add(new("salt", a.SaltGL * trips * a.TankL / 1000, BookingUnit.Kg, "for the hauling water"));
            all.Add(
                new("oxygen bottles", 2 * Math.Max(1, trips), BookingUnit.Pieces, "one for each tank and one spare")
            );
        }
        else
            all.AddRange(OnIce(a));
        all.Add(new("baskets", Math.Min(baskets, 20), BookingUnit.Pieces, "carried in turns, half full"));
        return all;
    }

    private static IEnumerable<Booking> OnIce(HarvestAsked a)
    {
        var crates = (int)Math.Ceiling(a.Kg / a.CrateKg);
        var chill = IceNeed.Chill(a.Kg, a.WaterC, ChilledC, 0, IceLossPct).ChillKg;
        var hold = IceNeed.HoldKg(
            crates,
            a.RoadH + a.HoldH,
            a.AirC,
            a.Insulated ? IceNeed.InsulatedWC : IceNeed.BareWC
        );
        yield return new("crates", crates, BookingUnit.Pieces, "mass by what a crate holds");
        yield return new(
            "ice",
            chill + hold,
            BookingUnit.Kg,
            "to chill, with a fifth lost, and to hold through road and standing"
        );
        yield return new("ice, the other school", a.Kg * IceNeed.OneToOne, BookingUnit.Kg, "as much ice as fish");
    }

    /// <summary>How it was worked out.</summary>
    public static Grounds Why(HarvestAsked a) =>
        Grounds.Of(
            "Every step begins as long before the buyer's hour as it and all after it take.",
            Source,
            new Input("fish", a.Kg, Units.Measures.Mass, "asked"),
            new Input("hours in transport", a.RoadH, Units.Measures.Factor, "typed"),
            new Input("hours of fast", a.FastH, Units.Measures.Factor, "table of fasts"),
            new Input("hours of draining", a.DrawH, Units.Measures.Factor, "worked out")
        );
}
