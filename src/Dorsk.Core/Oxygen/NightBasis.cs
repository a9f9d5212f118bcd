using Dorsk.Core.Species;
using Dorsk.Core.Water;

namespace Dorsk.Core.Oxygen;

/// <summary>What the forecast of a night is made from.</summary>
/// <param name="Water">The water, with aerators and their timers.</param>
/// <param name="Start">The latest reading.</param>
/// <param name="Decline">What the pond takes in the dark.</param>
/// <param name="Limits">Limits of the most tender fish.</param>
public sealed record NightBasis(NightWater Water, Timed Start, Decline Decline, WaterLimits Limits);
