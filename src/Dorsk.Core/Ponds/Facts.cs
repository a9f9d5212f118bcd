using Dorsk.Core.Judging;
using Dorsk.Core.Time;
using Dorsk.Core.Units;

namespace Dorsk.Core.Ponds;

/// <summary>The farm and how it writes; valid from its instant.</summary>
/// <param name="Name">Name of the farm.</param>
/// <param name="PlaceName">Where it is, in words.</param>
/// <param name="Place">Latitude and longitude, degrees.</param>
/// <param name="AltitudeM">Elevation, m.</param>
/// <param name="ZoneId">IANA name or fixed offset of its clock.</param>
/// <param name="Hand">Units and decimal sign.</param>
/// <param name="Currency">Three letters, for example AUD.</param>
/// <param name="KWhPrice">Price of bought energy in that currency, for a kWh; null when nobody said.</param>
public sealed record FarmDescribed(
    string Name,
    string PlaceName,
    Place Place,
    double AltitudeM,
    string ZoneId,
    Hand Hand,
    string Currency,
    double? KWhPrice = null
) : Fact
{
    /// <summary>Whether nobody said where it lies: the town of its time zone stands for it.</summary>
    public bool PlaceGuessed { get; init; }

    /// <summary>Whether nobody said how high it lies: the level of the sea stands for it.</summary>
    public bool AltitudeGuessed { get; init; }
}

/// <summary>A pond as built or changed.</summary>
/// <param name="Pond">The pond; Id 0 for a new one.</param>
public sealed record PondBuilt(Pond Pond) : Fact;

/// <summary>Aerators of a pond with their timers, all of them at once; valid from its instant.</summary>
/// <param name="PondId">The pond.</param>
/// <param name="Aerators">What is fitted.</param>
public sealed record AeratorsFitted(long PondId, IReadOnlyList<Aerator> Aerators) : Fact;

/// <summary>Work or a finding at a pond that is not a figure of water or fish.</summary>
/// <param name="PondId">The pond.</param>
/// <param name="Work">What: limed, filling, declared ready, taste test passed, note.</param>
/// <param name="Text">In words; may be empty.</param>
/// <param name="AmountKg">Amount, kg, where there is one.</param>
public sealed record PondWorked(long PondId, PondWork Work, string Text, double? AmountKg) : Fact
{
    /// <summary>Water changed, let in or topped up, m³, or null.</summary>
    public double? VolumeM3 { get; init; }

    /// <summary>Size of a patch on a liner, m², or null.</summary>
    public double? PatchM2 { get; init; }
}

/// <summary>Kinds of work and findings at a pond.</summary>
public enum PondWork
{
    /// <summary>Lime was spread.</summary>
    Limed,

    /// <summary>Filling began.</summary>
    Filling,

    /// <summary>Declared ready to stock.</summary>
    DeclaredReady,

    /// <summary>A taste test was passed.</summary>
    TastePassed,

    /// <summary>A taste test failed: the cause is written beside it.</summary>
    TasteFailed,

    /// <summary>Inlet and outlet screens were fitted.</summary>
    ScreensFitted,

    /// <summary>Somebody looked for wild fish, eggs and tadpoles and found none.</summary>
    NoWildFish,

    /// <summary>A hole in the liner was mended.</summary>
    LinerMended,

    /// <summary>Drained, and what was in it caught.</summary>
    Drained,

    /// <summary>The bottom dried until it cracked.</summary>
    DriedOut,

    /// <summary>Mud taken out, holes plugged, banks or net mended.</summary>
    BottomMended,

    /// <summary>Liner, tank or net washed.</summary>
    LinerWashed,

    /// <summary>Treated against wild fish by a label.</summary>
    PestTreated,

    /// <summary>A few fish lived in the treated water.</summary>
    BioassayPassed,

    /// <summary>A leak test was passed.</summary>
    HeldWater,

    /// <summary>Filled to the wanted depth.</summary>
    Filled,

    /// <summary>A dose of fertiliser or meal was given.</summary>
    Fertilised,

    /// <summary>Salt was given.</summary>
    Salted,

    /// <summary>Floating plants were opened.</summary>
    CoverOpened,

    /// <summary>Manure was spread on the dry floor.</summary>
    Manured,

    /// <summary>A plankton sample showed animal plankton enough for fry.</summary>
    FoodSeen,

    /// <summary>A part of the water was changed.</summary>
    WaterChanged,

    /// <summary>Topped up for what leaked and dried away.</summary>
    ToppedUp,

    /// <summary>It leaks.</summary>
    LeakFound,

    /// <summary>Something is broken: gate, pipe, bank, net.</summary>
    ToMend,

    /// <summary>What was broken is mended.</summary>
    Mended,

    /// <summary>Leaves, timber and bamboo were taken out.</summary>
    DebrisOut,

    /// <summary>Killed fish were collected and buried.</summary>
    KilledFishOut,

    /// <summary>Flushed with new water after a treatment.</summary>
    Flushed,

    /// <summary>The starting pool for fry was built.</summary>
    PoolBuilt,

    /// <summary>A bank lies bare.</summary>
    BankBare,

    /// <summary>Grass was sown or planted on the bank.</summary>
    BankSown,

    /// <summary>Anything else worth writing down.</summary>
    Note,
}
