using Dorsk.Core.Units;
using Dorsk.Core.Water;

namespace Dorsk.Core.Verdict;

/// <summary>How deep a value was read, in words, with a mark where the animals live deeper than anybody read.</summary>
public static class ReadDepth
{
    /// <summary>The mark on a value of the upper water in a pond whose animals live at the floor.</summary>
    public const string SurfaceOnly = "surface only: these animals live at the floor, read there";

    /// <summary>Depth and mark; empty where nobody said the depth and none is needed.</summary>
    /// <param name="parameter">What was read.</param>
    /// <param name="read">The value.</param>
    /// <param name="fullDepthM">Full depth of the pond, m.</param>
    /// <param name="atTheFloor">Whether animals of the floor stand in it.</param>
    /// <param name="hand">Units and signs.</param>
    public static string Words(Parameter parameter, Timed read, double fullDepthM, bool atTheFloor, Hand hand)
    {
        string?[] parts =
        [
            read.DepthM is { } depth ? "at " + QuantityText.Write(depth, Measures.Length, hand) : null,
            atTheFloor && PondState.IsLayered(parameter) && PondState.IsNearSurface(read, fullDepthM)
                ? SurfaceOnly
                : null,
        ];
        return string.Join(", ", parts.OfType<string>());
    }
}
