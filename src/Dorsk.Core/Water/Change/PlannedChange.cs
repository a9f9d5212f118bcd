using Dorsk.Core.Judging;
using Dorsk.Core.Units;

namespace Dorsk.Core.Water;

/// <summary>What a planned change of water comes to.</summary>
/// <param name="SharePct">Share of the water, %.</param>
/// <param name="M3">Water changed, m³.</param>
/// <param name="KWh">Energy of the pump, kWh; null where no pump with flow and power is listed.</param>
/// <param name="Cost">What that energy costs in the farm's money; null where pump or price is not known.</param>
/// <param name="OldLeft">Share of the water of thirty days ago that is left after it, 0 to 1.</param>
public sealed record PlannedChange(double SharePct, double M3, double? KWh, double? Cost, double OldLeft)
{
    /// <summary>Works a change out.</summary>
    /// <param name="sharePct">Share of the water, %; above 0, at most 100.</param>
    /// <param name="volumeM3">Water in the pond, m³.</param>
    /// <param name="oldLeft">Share of the water of thirty days ago that is there now, 0 to 1.</param>
    /// <param name="pump">Flow, m³/h, and power, kW, of the pond's pump; null where it has none.</param>
    /// <param name="kWhPrice">Price of a kWh in the farm's money, or null.</param>
    public static PlannedChange Of(
        double sharePct,
        double volumeM3,
        double oldLeft,
        (double FlowM3H, double KW)? pump,
        double? kWhPrice
    )
    {
        var m3 = volumeM3 * sharePct / 100;
        double? kWh = pump is { FlowM3H: > 0 } p ? m3 / p.FlowM3H * p.KW : null;
        return new(sharePct, m3, kWh, kWh * kWhPrice, oldLeft * (1 - (sharePct / 100)));
    }

    /// <summary>The change in one sentence.</summary>
    /// <param name="hand">Units and signs.</param>
    /// <param name="currency">The farm's money.</param>
    public string Words(Hand hand, string currency)
    {
        var energy =
            Cost is { } cost ? $", {currency} {hand.Figure(cost, 2)} of pumping"
            : KWh is { } kWh ? $", {hand.Figure(kWh, 1)} kWh of pumping"
            : "";
        return $"{hand.Figure(SharePct, 0)} % is {QuantityText.Write(M3, Measures.Volume, hand)}{energy}; then {hand.Figure(100 * OldLeft, 0)} % of the water of 30 days ago is left";
    }

    /// <summary>How it was worked out.</summary>
    /// <param name="volumeM3">Water in the pond, m³.</param>
    /// <param name="hand">Units and signs.</param>
    public Grounds Why(double volumeM3, Hand hand) =>
        Grounds.Of(
            "Share of the water that stands in the pond at its gauge level. Energy is the hours that the pump needs for it by its power. Old water is what the changes of thirty days left, less this one, fully mixed.",
            "Mass balance",
            new Input("water in the pond", volumeM3, Measures.Volume, "gauge level and shape"),
            new Input("share", SharePct, Measures.Share, "recurring task"),
            Input.Said(
                "pumping",
                KWh is { } kWh ? $"{hand.Figure(kWh, 1)} kWh" : "not known",
                KWh is null ? "no pump with flow and power is listed" : "flow and power of the pond's pump"
            ),
            new Input("old water left after it", 100 * OldLeft, Measures.Share, "changes of thirty days, recorded")
        );
}
