namespace Dorsk.Core.Hatchery;

/// <summary>Number of fish by marking some and catching again.</summary>
/// <param name="Fish">Likely number.</param>
/// <param name="Low">Low end of its 95 % interval.</param>
/// <param name="High">High end.</param>
public readonly record struct MarkReturn(double Fish, double Low, double High)
{
    /// <summary>Where the method comes from.</summary>
    public const string Source = "Chapman 1951; variance of Seber 1970, in logarithms";

    private const double Z = 1.96;

    /// <summary>Works it out.</summary>
    /// <param name="marked">Marked and put back; above 0.</param>
    /// <param name="caught">Caught later; above 0.</param>
    /// <param name="again">Marked among them; 0 to both.</param>
    public static MarkReturn Of(int marked, int caught, int again)
    {
        double m = marked,
            c = caught,
            r = again;
        var fish = ((m + 1) * (c + 1) / (r + 1)) - 1;
        var variance = (m + 1) * (c + 1) * (m - r) * (c - r) / ((r + 1) * (r + 1) * (r + 2));
        var factor = Math.Exp(Z * Math.Sqrt(variance) / Math.Max(1, fish));
        // Never fewer than were seen.
        return new(fish, Math.Max(m + c - r, fish / factor), fish * factor);
    }
}
