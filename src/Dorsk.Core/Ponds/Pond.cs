namespace Dorsk.Core.Ponds;

/// <summary>A pond as the farm describes it.</summary>
/// <param name="Id">Number given by the books; 0 before it is entered.</param>
/// <param name="Code">Short code such as P4, unique on the farm.</param>
/// <param name="Name">What people call it; may be empty.</param>
/// <param name="Kind">Earthen, lined or tank.</param>
/// <param name="Shape">Its body.</param>
/// <param name="Use">What it is for: grow-out, nursery, broodstock, settling.</param>
public sealed record Pond(long Id, string Code, string Name, PondKind Kind, PondShape Shape, string Use)
{
    /// <summary>Whether fish are planned per volume (tanks) and not per area.</summary>
    public bool ByVolume => Kind == PondKind.Tank;
}
