using Dorsk.Core.Judging;

namespace Dorsk.Core.Season;

/// <summary>What happens to a pond's fish.</summary>
public enum SeasonEventKind
{
    /// <summary>Fish come.</summary>
    Stock,

    /// <summary>Fish are weighed.</summary>
    Sample,

    /// <summary>Some leave, the others stay.</summary>
    Grade,

    /// <summary>All are harvested.</summary>
    Harvest,

    /// <summary>All move to other ponds.</summary>
    MoveOut,
}

/// <summary>Something on a day to come.</summary>
/// <param name="Key">Key by which its day is moved; empty for a sample.</param>
/// <param name="PondId">Where.</param>
/// <param name="Kind">What.</param>
/// <param name="On">Farm day.</param>
/// <param name="Planned">Whether somebody planned it; else it is the day their weight is likely reached.</param>
/// <param name="Count">Fish that come or leave.</param>
/// <param name="MeanG">Their weight then, g, with its 80 % interval.</param>
/// <param name="Earliest">First day of the window in which they reach their weight, or null.</param>
/// <param name="Latest">Its last day, or null when it lies beyond the horizon.</param>
/// <param name="OtherPondId">Where they come from or go to, or null.</param>
public sealed record SeasonEvent(
    string Key,
    long PondId,
    SeasonEventKind Kind,
    DateOnly On,
    bool Planned,
    double Count,
    Interval MeanG,
    DateOnly? Earliest = null,
    DateOnly? Latest = null,
    long? OtherPondId = null
)
{
    /// <summary>Their mass, kg.</summary>
    public double Kg => Count * MeanG.Value / 1000;

    /// <summary>Whether fish are sold on it.</summary>
    public bool Sells => Kind is SeasonEventKind.Harvest || (Kind == SeasonEventKind.Grade && OtherPondId is null);
}
