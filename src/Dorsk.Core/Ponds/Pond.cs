using Dorsk.Core.Judging;
using Dorsk.Core.Units;

namespace Dorsk.Core.Ponds;

/// <summary>A pond as the farm describes it.</summary>
/// <param name="Id">Number given by the books; 0 before it is entered.</param>
/// <param name="Code">Short code such as P4, unique on the farm.</param>
/// <param name="Name">What people call it; may be empty.</param>
/// <param name="Kind">Earthen, lined, tank and so on.</param>
/// <param name="Shape">Its body.</param>
/// <param name="Use">What it is for: grow-out, nursery, broodstock, settling.</param>
/// <param name="Split">The zones of a split pond; null for others.</param>
public sealed record Pond(
    long Id,
    string Code,
    string Name,
    PondKind Kind,
    PondShape Shape,
    string Use,
    SplitZones? Split = null
)
{
    /// <summary>Depth at the corner where a net is landed, m; null when nobody measured it.</summary>
    public double? LandingDepthM { get; init; }

    /// <summary>Colour of the water that is wanted here, a step of the scale of colours; null: what is usual for its kind.</summary>
    public int? ColourTarget { get; init; }

    /// <summary>Whether fish are planned per volume (tanks, raceways, cages, hapas) and not per area.</summary>
    public bool ByVolume => Kind is PondKind.Tank or PondKind.Raceway or PondKind.Cage or PondKind.Hapa;
}

/// <summary>A split pond's two zones, joined by a slow paddle.</summary>
/// <param name="FishShare">Share of the area that holds fish, 0.05 to 0.5; 0.15 to 0.20 is usual.</param>
/// <param name="PaddleM3H">What the paddle moves, m³/h.</param>
public sealed record SplitZones(double FishShare, double PaddleM3H)
{
    /// <summary>Hours in which the paddle moves the fish zone's water once.</summary>
    /// <param name="fishZoneM3">Volume of the fish zone, m³.</param>
    public double HoursOnceRound(double fishZoneM3) => fishZoneM3 / PaddleM3H;

    /// <summary>Grounds of those hours.</summary>
    /// <param name="fullM3">Volume of the whole pond when full, m³.</param>
    public Grounds Why(double fullM3) =>
        Grounds.Of(
            "Volume of the fish zone by what the paddle moves; the zone takes its share of the whole volume.",
            "Geometry",
            new Input("whole pond when full", fullM3, Measures.Volume, "its body"),
            new Input("share of the fish zone", FishShare * 100, Measures.Share, "pond register"),
            new Input("paddle", PaddleM3H, Measures.Flow, "pond register")
        );
}
