using Dorsk.Core.Judging;
using Dorsk.Core.Plans;
using Dorsk.Core.Units;
using Dorsk.Web.Slips;

namespace Dorsk.Web.Workbench;

/// <summary>Water and floor for a planned tonnage, with trays over one another.</summary>
internal sealed class RoomCalculator : ICalculator
{
    private static readonly (string Key, string Name)[] Kinds =
    [
        ("pond", "ponds, by area"),
        ("tank", "tanks or cages, by volume"),
        ("tray", "stacked trays, by floor of each tray"),
    ];

    private static readonly Measure TrayLoad = Measures.AreaLoad.BySquare! with { Decimals = 1, UsDecimals = 2 };

    public string Key => "room";

    public string Title => "Room for a tonnage";

    public string Lead => "water and floor for the fish of a year; trays counted tier by tier";

    public IReadOnlyList<SlipField> Fields(BenchStart s) =>
        [
            s.Quantity("wanted", "Fish planned for a year", Measures.Mass, 5000),
            s.Quantity(
                "harvests",
                "Harvests per year from the same water",
                Measures.Plain with
                {
                    Decimals = 1,
                },
                "1.5"
            ),
            s.Choice("kind", "Kept in", "pond", Kinds.Select(k => (k.Key, k.Name)).ToList()),
            s.Quantity("area", "Load in ponds", Measures.AreaLoad, 5000).WithHint("carrying capacity: stocking plan"),
            s.Quantity("volume", "Load in tanks or cages", Measures.VolumeLoad, 30),
            s.Quantity("tray", "Load on a tray", TrayLoad, 40_000),
            s.Quantity("depth", "Depth of water", Measures.Length, 1.3),
            s.Whole("tiers", "Tiers over one another", "1").WithHint("trays only"),
            s.Quantity("other", "Floor that is no water", Measures.Share, "35").WithHint("aisles, banks, filters"),
        ];

    public Worked? Work(BenchForm f)
    {
        var (kg, harvests) = (f.Q("wanted", Measures.Mass, 1, 1e8), f.Q("harvests", Measures.Plain, 0.1, 24));
        var kind = f.Form.Choice("kind", Kinds.Select(k => (k.Key, k.Key)).ToList(), "kind", "pond");
        var load = kind switch
        {
            "tank" => f.Q("volume", Measures.VolumeLoad, 0.1, 500),
            "tray" => f.Q("tray", TrayLoad, 100, 2_000_000) / 10_000,
            _ => f.Q("area", Measures.AreaLoad, 10, 100_000) / 10_000,
        };
        var tiers = f.Whole("tiers", "tiers", 1, 20);
        var (depth, other) = (f.Q("depth", Measures.Length, 0.02, 10), f.Q("other", Measures.Share, 0, 90));
        if (f.Sound && kind != "tray" && tiers > 1)
            f.Form.Refuse("tiers", "Only trays stand over one another: 1 tier, or choose trays.");
        if (!f.Sound)
            return null;
        return Answer(f, FarmRoom.Of(kg, harvests, load, kind == "tank", depth, tiers, other / 100), tiers);
    }

    private static Worked Answer(BenchForm f, FarmRoom room, int tiers)
    {
        var why = Grounds.Of(
            FarmRoom.Source + ".",
            "Arithmetic; the load is the farm's own figure or the stocking plan's",
            new Input("standing at once", room.StandingKg, Measures.Mass, "worked out")
        );
        List<Figure> figures =
        [
            new(tiers > 1 ? "Floor" : "Land or floor", f.Say(room.FloorM2, Measures.Area), why, Main: true),
            new("Water", f.Say(room.WaterM3, Measures.Volume), why),
            new("Surface of the water", f.Say(room.WaterM2, Measures.Area), why),
            new("Standing when fullest", f.Say(room.StandingKg, Measures.Mass), why),
        ];
        if (tiers > 1)
            figures.Add(new("Without stacking", f.Say(room.FloorM2 * tiers, Measures.Area), why));
        return new(
            figures,
            "The fullest week decides: several batches a year stand beside each other only in part.",
            null,
            tiers > 1
                ?
                [
                    "Stacked water is heavy: a tonne each cubic metre. Racks and floor by a licensed engineer; never above where people work.",
                ]
                : ["Leave room for a pond that rests, one for quarantine, and the way round with a truck."]
        );
    }
}
