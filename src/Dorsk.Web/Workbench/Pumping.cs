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
        yield return s.Quantity("flow", "The pump gives", Measures.Flow, pump?.FlowM3H ?? 50)
            .WithHint(
                pump?.FlowM3H is null
                    ? s.Pond is null
                        ? ""
                        : "this pond has no pump in its equipment: an example"
                    : "this pond's pump"
            );
        yield return s.Quantity("power", "and draws", Measures.Power, pump?.PowerKW ?? 3);
        yield return s.Quantity(
                "price",
                "Price of a kWh",
                Measures.Price,
                s.Pond?.PreparationLine?.Plan.Prices.KWh ?? 0.3
            )
            .WithHint("the farm's own");
    }
}
