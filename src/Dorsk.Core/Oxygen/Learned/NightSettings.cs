namespace Dorsk.Core.Oxygen;

/// <summary>Starting values of the dawn low by a pond's own nights, found on simulated ponds; docs/wide.md carries them with their scores.</summary>
public static class NightSettings
{
    /// <summary>Weight of a night against the one after it where the level of mornings and evenings is sought.</summary>
    public const double LevelStays = 0.6;

    /// <summary>The same for the respiration of the night, which changes more slowly than it can be read.</summary>
    public const double UseStays = 0.85;

    /// <summary>Weight of the projection by its own respiration, of this morning and of this evening, each against the usual.</summary>
    public const double ProjectionWeight = 0.55,
        MorningWeight = 0.26,
        EveningWeight = 0.18;

    /// <summary>Weights of the projection and of this morning where the pond was read by day only.</summary>
    public const double ByDayProjectionWeight = 0.45,
        ByDayMorningWeight = 0.70;

    /// <summary>Weights of what machines and warmth change, and of this morning, where nobody read since the morning.</summary>
    public const double UnreadProjectionWeight = 0.5,
        UnreadMorningWeight = 0.95;

    /// <summary>Squared evidence (mg/L)² that moves a weight half the way to what this pond says.</summary>
    public const double Firmness = 6;

    /// <summary>Usual SD of a night's low: a part that is always there, mg/L, and a share of the fall; and as how many nights it counts.</summary>
    public const double SdMgL = 0.28,
        SdOfFall = 0.12,
        UsualNights = 8;

    /// <summary>How much wider it is where the pond was read by day only, where nobody read this morning, and the share of the doubt of an unread evening that reaches the dawn.</summary>
    public const double ByDayTimes = 1.4,
        NoMorningTimes = 1.2,
        EveningTells = 0.75;

    /// <summary>How much more than on the mean water takes at sunset, as a share, and as how many nights that counts.</summary>
    public const double EveningExcess = 0.3,
        EveningExcessNights = 3;

    /// <summary>SD of a night's respiration about that of its evening, as a share.</summary>
    public const double EveningIsNotTheNight = 0.4;

    /// <summary>Chance from which a low is acted on where own nights and an evening reading tell it.</summary>
    public const double ActChance = 0.45;
}
