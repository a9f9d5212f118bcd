using Dorsk.Core.Ponds;

namespace Dorsk.Practice;

/// <summary>What nobody on the farm can see of a pond.</summary>
/// <param name="BloomCeiling">Chlorophyll the nutrients can carry, mg/m³.</param>
/// <param name="PlanktonUse">Oxygen use of plankton, mg per mg chlorophyll and hour at 20 °C.</param>
/// <param name="MudUse">Oxygen use of the floor, g/m²/h at 20 °C.</param>
/// <param name="FishAppetite">Oxygen use of these fish against the usual.</param>
/// <param name="AeratorKgKWh">What the aerators really give at 20 °C without oxygen in the water, kg per kWh.</param>
/// <param name="FlowPerH">Share of the water changed per hour by a trickle of aerated water (tanks).</param>
/// <param name="ShareFound">Share of the dead that is found.</param>
/// <param name="UnseenPerDay">Share that vanishes unseen each day.</param>
public sealed record HiddenPond(
    double BloomCeiling,
    double PlanktonUse,
    double MudUse,
    double FishAppetite,
    double AeratorKgKWh,
    double FlowPerH,
    double ShareFound,
    double UnseenPerDay
)
{
    /// <summary>Draws the hidden parameters of a pond: plankton respiration differs by a third between ponds.</summary>
    internal static HiddenPond Draw(Chance chance, PondKind kind) =>
        kind == PondKind.Tank
            ? new(8, 0.004, 0.01, Spread(chance, 1, 0.08), 2.6, 1.2, 0.9, 0.00003)
            : new(
                Spread(chance, 85, 0.2),
                Spread(chance, 0.0030, 0.30),
                Spread(chance, 0.05, 0.3),
                Spread(chance, 1, 0.1),
                Spread(chance, 1.5, 0.12),
                0,
                0.4 + (0.2 * chance.Uniform()),
                0.00012
            );

    private static double Spread(Chance chance, double mean, double cv) =>
        mean * Math.Exp((cv * chance.Normal()) - (cv * cv / 2));
}
