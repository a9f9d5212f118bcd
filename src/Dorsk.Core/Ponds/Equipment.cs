using Dorsk.Core.Judging;

namespace Dorsk.Core.Ponds;

/// <summary>Kinds of equipment at a pond, beside its aerators.</summary>
public enum EquipmentKind
{
    /// <summary>Pump.</summary>
    Pump,

    /// <summary>Probe.</summary>
    Probe,

    /// <summary>Feeder.</summary>
    Feeder,

    /// <summary>Generator.</summary>
    Generator,

    /// <summary>Screen at the inlet.</summary>
    InletScreen,

    /// <summary>Screen at the outlet.</summary>
    OutletScreen,

    /// <summary>Bird net.</summary>
    BirdNet,

    /// <summary>Liner.</summary>
    Liner,
}

/// <summary>What equipment is for.</summary>
public static class EquipmentKinds
{
    /// <summary>Whether its mesh keeps fish in.</summary>
    /// <param name="kind">The kind.</param>
    public static bool HoldsFish(this EquipmentKind kind) =>
        kind is EquipmentKind.InletScreen or EquipmentKind.OutletScreen;
}

/// <summary>One piece of equipment; figures that its kind does not have are null.</summary>
/// <param name="Kind">What it is.</param>
/// <param name="Name">What people call it; may be empty.</param>
/// <param name="PowerKW">Bought power, kW: pumps, generators, feeders.</param>
/// <param name="FlowM3H">Flow of a pump, m³/h.</param>
/// <param name="MeshMm">Opening of a screen or net, mm.</param>
/// <param name="ThicknessUm">Thickness of a liner, micrometres.</param>
/// <param name="Uv">Whether a liner is made to stand sunlight.</param>
/// <param name="Laid">Day a liner was laid.</param>
/// <param name="LifeCycles">Cycles a liner was bought for.</param>
/// <param name="OffcutM2">Offcuts of a liner kept for patches when it was laid, m².</param>
/// <param name="Slot">What the slot of a screen is made of; empty when nobody said.</param>
public sealed record Equipment(
    EquipmentKind Kind,
    string Name,
    double? PowerKW = null,
    double? FlowM3H = null,
    double? MeshMm = null,
    double? ThicknessUm = null,
    bool Uv = false,
    DateOnly? Laid = null,
    int? LifeCycles = null,
    double? OffcutM2 = null,
    string Slot = ""
);

/// <summary>All equipment of a pond beside its aerators; valid from its instant.</summary>
/// <param name="PondId">The pond.</param>
/// <param name="Items">What is there.</param>
public sealed record EquipmentFitted(long PondId, IReadOnlyList<Equipment> Items) : Fact;

/// <summary>A pond laid up or taken back into use. Nothing of it is deleted.</summary>
/// <param name="PondId">The pond.</param>
/// <param name="Archived">True: laid up.</param>
/// <param name="Reason">Why.</param>
public sealed record PondArchived(long PondId, bool Archived, string Reason) : Fact;

/// <summary>A liner's age.</summary>
/// <param name="Days">Days since it was laid.</param>
/// <param name="Cycles">Cycles that ended on it.</param>
/// <param name="Patches">Mends written down since.</param>
/// <param name="OffcutM2">Offcuts left for patches, m²; null when nobody said what was kept.</param>
/// <param name="Verdict">Whether it is near the end of what it was bought for.</param>
public sealed record LinerAge(int Days, int Cycles, int Patches, double? OffcutM2, Judgement Verdict)
{
    /// <summary>Adds it up.</summary>
    /// <param name="liner">The liner, with the day it was laid.</param>
    /// <param name="today">Today.</param>
    /// <param name="cyclesEnded">Days on which cycles of this pond ended.</param>
    /// <param name="mended">Days on which a mend was written down, with the size of the patch, m², where it was said.</param>
    public static LinerAge? Of(
        Equipment liner,
        DateOnly today,
        IEnumerable<DateOnly> cyclesEnded,
        IEnumerable<(DateOnly Day, double? PatchM2)> mended
    )
    {
        if (liner.Laid is not { } laid)
            return null;
        var (cycles, since) = (cyclesEnded.Count(d => d >= laid), mended.Where(m => m.Day >= laid).ToList());
        var left = liner.OffcutM2 - since.Sum(m => m.PatchM2 ?? UsualPatchM2);
        return new(
            today.DayNumber - laid.DayNumber,
            cycles,
            since.Count,
            left is { } m2 ? Math.Max(0, m2) : null,
            left < LeastOffcutM2 && cycles < (liner.LifeCycles ?? int.MaxValue)
                ? new(Status.Watch, "offcuts are nearly used up: keep a piece of the same sheet for the next hole")
                : Judge(cycles, liner.LifeCycles)
        );
    }

    // A patch reaches a hand beyond the hole on every side.
    private const double UsualPatchM2 = 0.1,
        LeastOffcutM2 = 0.5;

    private static Judgement Judge(int cycles, int? boughtFor)
    {
        if (boughtFor is not { } life)
            return new(Status.Unknown, "Nobody said how many cycles it was bought for");
        if (cycles >= life)
            return new(
                Status.ActNow,
                $"{cycles} cycles on a liner bought for {life}: test it for leaks before every filling"
            );
        return cycles == life - 1
            ? new(Status.Watch, $"The next cycle is the last of the {life} it was bought for")
            : new(Status.Steady, $"{cycles} of {life} cycles used");
    }
}
