namespace Dorsk.Core.Oxygen;

/// <summary>What is lacking in a water.</summary>
public enum AirLack
{
    /// <summary>The whole pond is low before dawn.</summary>
    AllAtDawn,

    /// <summary>Only the floor is low; the top has plenty by day.</summary>
    Floor,

    /// <summary>Carbon dioxide, or gas over saturation.</summary>
    Gas,

    /// <summary>Fish gasp now.</summary>
    Now,

    /// <summary>A full tank.</summary>
    Tank,
}

/// <summary>A way of giving air, weighed for what is lacking.</summary>
/// <param name="Means">The machine or way.</param>
/// <param name="Why">Why it stands here.</param>
/// <param name="Wired">Whether a wired pump stands in the water.</param>
public sealed record AirChoice(string Means, string Why, bool Wired = false)
{
    /// <summary>Where it comes from.</summary>
    public const string Source = "Uses in the table of aerators (Boyd and Ahmad 1987; Boyd 1998); the order is judged";

    private const double SmallM2 = 1000,
        DeepM = 2;

    /// <summary>Ways for a water, the best first.</summary>
    /// <param name="lack">What is lacking.</param>
    /// <param name="areaM2">Surface, m².</param>
    /// <param name="depthM">Depth, m.</param>
    /// <param name="power">Whether there is power.</param>
    /// <param name="salt">Whether the water is salt.</param>
    public static IReadOnlyList<AirChoice> For(AirLack lack, double areaM2, double depthM, bool power, bool salt)
    {
        IEnumerable<AirChoice> all = lack switch
        {
            AirLack.Now => Now(power),
            AirLack.Tank => Tank(power),
            AirLack.Floor => Floor(depthM, power),
            AirLack.Gas => Gas(power),
            _ => Dawn(areaM2, depthM, power),
        };
        return [.. all.Where(c => !salt || !c.Wired)];
    }

    private static IEnumerable<AirChoice> Now(bool power)
    {
        if (power)
            yield return new(
                "every paddlewheel or aspirator of the farm, near the fish",
                "throws most water through air at once"
            );
        yield return new("tractor paddle", "needs no mains and gives as much as many small machines");
        yield return new(
            "a pump that throws well-aired water along the surface",
            "what is at hand when nothing else is"
        );
    }

    private static IEnumerable<AirChoice> Tank(bool power)
    {
        if (power)
        {
            yield return new(
                "blower with diffusers or airlifts",
                "quiet, no shaft among the fish, moves the water too"
            );
            yield return new(
                "oxygen through a fine diffuser, ready for the day the blower stops",
                "a full tank has minutes"
            );
        }
        else
            yield return new(
                "oxygen from bottles with a valve that opens by itself",
                "nothing else lasts without power"
            );
        yield return new("inflow that falls or sprays", "free where the water comes down a hill");
    }

    private static IEnumerable<AirChoice> Floor(double depthM, bool power)
    {
        if (power)
        {
            yield return new(
                "slow mixing by day, when the top is over saturation",
                "brings oxygen down that is there already, for a tenth of the power"
            );
            if (depthM >= DeepM)
                yield return new("propeller-aspirator set to the depth", "drives a stream downwards");
            yield return new(
                "airlifts or coarse diffusers, never started over black mud at night",
                "lift floor water; at night they spread what has no oxygen"
            );
        }
        else
            yield return new(
                "less depth, or let floor water out at the drain",
                "the layer that lacks oxygen is the lowest"
            );
    }

    private static IEnumerable<AirChoice> Gas(bool power)
    {
        yield return new(
            "splash board, cascade or packed column at the inflow",
            "drives carbon dioxide and excess gas out where it comes in"
        );
        if (power)
            yield return new("paddlewheel by day", "wide contact with air; diffusers drive little out");
    }

    private static IEnumerable<AirChoice> Dawn(double areaM2, double depthM, bool power)
    {
        if (!power)
        {
            yield return new(
                "a fall over stones at the inlet, or tractor paddle",
                "works without mains; stock what lives without air"
            );
            yield break;
        }
        if (areaM2 <= SmallM2)
        {
            yield return new("small paddlewheel", "enough for a small pond, near the dock");
            yield return new(
                "a fall over stones, or a pump aimed along the surface",
                "does for a start; work out what it gives under fall of water",
                true
            );
        }
        else
            yield return new(
                "paddlewheels that drive the water round the bank",
                "most oxygen for a kilowatt-hour, and they mix"
            );
        if (depthM >= DeepM)
            yield return new("propeller-aspirators", "in deeper water they mix further down");
    }
}
