using System.Globalization;
using Dorsk.Farm.Estimates;

namespace Dorsk.Web.Parts;

/// <summary>Dead of the last days as small bars: those found, and behind them those that likely died by the share that is found.</summary>
public sealed class DeathBars
{
    /// <summary>Height of the drawing.</summary>
    public const int Height = 26;

    private const int Pitch = 9,
        Bar = 7;

    /// <summary>Draws days side by side.</summary>
    /// <param name="days">The days, the oldest first.</param>
    /// <param name="most">Top of the scale; the same for ponds that are looked at together.</param>
    public DeathBars(IReadOnlyList<DeadOn> days, double most)
    {
        Width = days.Count * Pitch;
        var scale = most > 0 ? (Height - 2) / most : 0;
        Bars =
        [
            .. days.Select(
                (d, i) =>
                    (
                        N(i * Pitch),
                        N(Up(d.Likely, scale)),
                        N(Tall(d.Likely, scale)),
                        N(Up(d.Found, scale)),
                        N(Tall(d.Found, scale))
                    )
            ),
        ];
    }

    /// <summary>Width of the drawing.</summary>
    public int Width { get; }

    /// <summary>Width of a bar.</summary>
    public static int BarWidth => Bar;

    /// <summary>Of each day where it stands, and top and height of both bars.</summary>
    public IReadOnlyList<(string X, string LikelyY, string LikelyH, string FoundY, string FoundH)> Bars { get; }

    // One fish is seen as a bar too.
    private static double Tall(double fish, double scale) => fish > 0 ? Math.Max(1.5, fish * scale) : 0;

    private static double Up(double fish, double scale) => Height - 1 - Tall(fish, scale);

    private static string N(double value) => value.ToString("0.#", CultureInfo.InvariantCulture);
}
