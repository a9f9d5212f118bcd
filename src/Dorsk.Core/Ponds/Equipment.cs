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
public sealed record Equipment(
    EquipmentKind Kind,
    string Name,
    double? PowerKW = null,
    double? FlowM3H = null,
    double? MeshMm = null,
    double? ThicknessUm = null,
    bool Uv = false,
    DateOnly? Laid = null,
    int? LifeCycles = null
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
/// <param name="Verdict">Whether it is near the end of what it was bought for.</param>
public sealed record LinerAge(int Days, int Cycles, int Patches, Judgement Verdict)
{
    /// <summary>Adds it up.</summary>
    /// <param name="liner">The liner, with the day it was laid.</param>
    /// <param name="today">Today.</param>
    /// <param name="cyclesEnded">Days on which cycles of this pond ended.</param>
    /// <param name="mended">Days on which a mend was written down.</param>
    public static LinerAge? Of(
        Equipment liner,
        DateOnly today,
        IEnumerable<DateOnly> cyclesEnded,
        IEnumerable<DateOnly> mended
    )
    {
        if (liner.Laid is not { } laid)
            return null;
        var (cycles, patches) = (cyclesEnded.Count(d => d >= laid), mended.Count(d => d >= laid));
        return new(today.DayNumber - laid.DayNumber, cycles, patches, Judge(cycles, liner.LifeCycles));
    }

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
