using Dorsk.Core.Ponds;
using Dorsk.Core.Units;
using Dorsk.Web.Slips;

namespace Dorsk.Web.Workbench;

/// <summary>Lines about a pump: the pond's own where it has one.</summary>
internal static class Pumping
{
    public static IEnumerable<SlipField> Fields(BenchStart s)
    {
        var pump = s.Pond?.Equipment.FirstOrDefault(e => e.Kind == EquipmentKind.Pump);
        yield return new(
            "flow",
            "The pump gives",
            FieldKind.Quantity,
            s.Of(pump?.FlowM3H, 50, Measures.Flow),
            Measures.Flow,
            pump?.FlowM3H is null
                ? s.Pond is null
                    ? ""
                    : "this pond has no pump in its equipment: an example"
                : "this pond's pump"
        );
        yield return new(
            "power",
            "and draws",
            FieldKind.Quantity,
            s.Of(pump?.PowerKW, 3, Measures.Power),
            Measures.Power
        );
        yield return new(
            "price",
            "Price of a kWh",
            FieldKind.Quantity,
            s.Plain(s.Pond?.PreparationLine?.Plan.Prices.KWh ?? 0.3, Measures.Price),
            Measures.Price,
            "the farm's own"
        );
    }
}
