using Dorsk.Core.Judging;

namespace Dorsk.Core.Water;

/// <summary>What a colour of the water means in one kind of water: brown is right in a tank with floc, and says little in a pond.</summary>
/// <param name="Step">Step of the colour scale, 1 the clearest.</param>
/// <param name="Status">How it is judged.</param>
/// <param name="Means">What it says.</param>
/// <param name="Renew">Whether a part of the water is to be renewed.</param>
public sealed record ColourMeaning(int Step, Status Status, string Means, bool Renew)
{
    /// <summary>Where it comes from.</summary>
    public const string Source = "Colours of pond and floc water as extension leaflets tell them; starting values";

    // The upper water is let off by so much when the eye asks for it, m.
    private const double FallLowM = 0.10,
        FallHighM = 0.15;

    private static readonly IReadOnlyList<ColourMeaning> Ponds =
    [
        new(1, Status.Watch, "no bloom: weeds will grow from the floor and birds see the fish", false),
        new(2, Status.Steady, "a young bloom", false),
        new(3, Status.Steady, "a good bloom", false),
        new(4, Status.Watch, "a thick bloom that takes much oxygen by night", true),
        new(5, Status.Steady, "a mixed bloom", false),
        new(6, Status.Steady, "brown algae or leaf stain", false),
        new(7, Status.Watch, "clay in the water: little light, fish do not find their feed", false),
        new(8, Status.Watch, "a bloom that dies, or animals that eat it", true),
        new(9, Status.ActNow, "the floor or left feed rots", true),
    ];

    private static readonly IReadOnlyList<ColourMeaning> Tanks =
    [
        new(1, Status.Steady, "clear", false),
        new(2, Status.Steady, "light green", false),
        new(3, Status.Steady, "green; shade keeps it from growing thick", false),
        new(4, Status.Watch, "thick algae: the pH climbs by day and the oxygen falls by night", true),
        new(5, Status.Steady, "algae giving way to floc", false),
        new(6, Status.Steady, "floc, as it should be", false),
        new(7, Status.Watch, "solids that nothing takes out", true),
        new(8, Status.Watch, "bacteria that bloom after too much feed", true),
        new(9, Status.ActNow, "left feed rots", true),
    ];

    /// <summary>What a step means.</summary>
    /// <param name="si">Step of <see cref="Parameter.Colour"/>, 1 to 9.</param>
    /// <param name="inTank">In a tank or raceway; else in a pond.</param>
    public static ColourMeaning Of(double si, bool inTank)
    {
        var all = inTank ? Tanks : Ponds;
        return all[Math.Clamp((int)Math.Round(si), 1, all.Count) - 1];
    }

    /// <summary>How far the level is let down to renew the upper water, and what share of the water that is at most.</summary>
    /// <param name="depthM">Depth of the water, m, above 0.</param>
    public static (double LowM, double HighM, double MostShare) Fall(double depthM) =>
        (FallLowM, FallHighM, Math.Min(1, FallHighM / depthM));
}
