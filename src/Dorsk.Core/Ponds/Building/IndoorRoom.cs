using Dorsk.Core.Judging;

namespace Dorsk.Core.Ponds;

/// <summary>Walls of a building that fish are kept in.</summary>
/// <param name="Key">Its key.</param>
/// <param name="Name">In words.</param>
/// <param name="UWm2K">Heat it lets through, W/m² and °C.</param>
public sealed record RoomWall(string Key, string Name, double UWm2K)
{
    /// <summary>Usual walls; from building tables, starting values.</summary>
    public static readonly IReadOnlyList<RoomWall> All =
    [
        new("sheet", "single sheet or film", 6),
        new("brick", "brick or block, bare", 2.2),
        new("foam50", "5 cm of foam", 0.55),
        new("foam100", "10 cm of foam", 0.3),
    ];
}

/// <summary>What it takes to keep an indoor unit warm on its coldest night, and what that costs.</summary>
/// <param name="WallsKW">Through walls and roof, kW.</param>
/// <param name="AirKW">With the air that is changed, kW.</param>
/// <param name="WaterKW">New water warmed, and what dries from the surface, kW.</param>
public sealed record IndoorRoom(double WallsKW, double AirKW, double WaterKW)
{
    /// <summary>How it is worked out.</summary>
    public const string Source =
        "Area by U by the difference; 0.34 Wh/m³ and °C of changed air; 1.163 kWh/m³ and °C of new water; a warm surface in still air dries about 0.1 kg/m² and hour, 0.68 kWh/kg; starting values";

    private const double AirWhM3 = 0.34,
        WaterKWhM3 = 1.163,
        DriesKgM2H = 0.1,
        DryKWhKg = 0.68;

    /// <summary>All together, kW.</summary>
    public double KW => WallsKW + AirKW + WaterKW;

    /// <summary>Works it out.</summary>
    /// <param name="body">Length, width and mean height, m; above 0.</param>
    /// <param name="wall">Walls and roof.</param>
    /// <param name="waterM2">Open surface of the tanks, m².</param>
    /// <param name="newWater">New water a day, m³, and its temperature, °C.</param>
    /// <param name="air">Air inside, which is that of the water, and outside, °C.</param>
    /// <param name="changesHour">How often the air is changed in an hour, 0 or more.</param>
    public static IndoorRoom Of(
        (double LengthM, double WidthM, double HeightM) body,
        RoomWall wall,
        double waterM2,
        (double M3Day, double C) newWater,
        (double InsideC, double OutsideC) air,
        double changesHour
    )
    {
        var colder = Math.Max(0, air.InsideC - air.OutsideC);
        var skin = (body.LengthM * body.WidthM) + (2 * (body.LengthM + body.WidthM) * body.HeightM);
        return new(
            skin * wall.UWm2K * colder / 1000,
            body.LengthM * body.WidthM * body.HeightM * changesHour * AirWhM3 * colder / 1000,
            (newWater.M3Day / 24 * WaterKWhM3 * Math.Max(0, air.InsideC - newWater.C))
                + (waterM2 * DriesKgM2H * DryKWhKg)
        );
    }

    /// <summary>How the building stands by what was looked at.</summary>
    /// <param name="answers">Structure, floor, vapour barrier, drain and power: whether each is well.</param>
    public static IReadOnlyList<Judgement> Inspect(IReadOnlyDictionary<string, bool?> answers) =>
        [
            .. Points.Select(p =>
                answers.GetValueOrDefault(p.Key) switch
                {
                    true => new Judgement(Status.Steady, $"{p.Name}: well"),
                    false => new(Status.ActNow, $"{p.Name}: {p.Do}"),
                    _ => new(Status.Unknown, $"{p.Name}: not looked at"),
                }
            ),
        ];

    /// <summary>What to look at in a building before fish come: key, point, what to do where it is not well.</summary>
    public static readonly IReadOnlyList<(string Key, string Name, string Do)> Points =
    [
        (
            "frame",
            "frame against rust and rot",
            "damp air eats steel and wood: galvanised, stainless or treated, or another building"
        ),
        (
            "floor",
            "floor bears the weight of the water",
            "water is heavy: an engineer works out the slab before a tank stands on it"
        ),
        ("vapour", "vapour barrier on the warm side", "without one the insulation soaks and drips"),
        ("drain", "floor falls to a drain", "water that stands breeds germs and slips people"),
        (
            "power",
            "power with earth leakage breakers, and a second supply",
            "a licensed electrician before anything is plugged in"
        ),
    ];
}
