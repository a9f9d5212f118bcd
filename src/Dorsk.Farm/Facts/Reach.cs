namespace Dorsk.Farm.Facts;

/// <summary>Which answers a line changes when it is entered, corrected or taken back.</summary>
[Flags]
public enum Reach
{
    /// <summary>None: what Dorsk itself issued, and alarms.</summary>
    Nothing = 0,

    /// <summary>Pages of the farm as a whole, such as jobs and the season; no pond.</summary>
    Pages = 1,

    /// <summary>The ponds that the fact names; no pond when it names none.</summary>
    Named = 64 | Pages,

    /// <summary>The ponds that the fact names; the whole farm when it names none.</summary>
    Ponds = 2 | Named,

    /// <summary>Every pond in which its batch ever stood.</summary>
    Batch = 4 | Ponds,

    /// <summary>The feed store.</summary>
    Store = 8 | Pages,

    /// <summary>Every pond.</summary>
    Farm = 16 | Pages,

    /// <summary>Values of a probe in its pond: read anew within a budget, as they come every few minutes.</summary>
    Probe = 32,
}
