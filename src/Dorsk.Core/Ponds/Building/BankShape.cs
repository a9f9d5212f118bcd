using Dorsk.Core.Judging;

namespace Dorsk.Core.Ponds;

/// <summary>The banks of a rectangular pond: how far they run in, what is left of the bottom, and how high the crest stands.</summary>
/// <param name="RunM">How far each bank runs in under water, m.</param>
/// <param name="BottomLengthM">Length of the bottom, m.</param>
/// <param name="BottomWidthM">Width of the bottom, m.</param>
/// <param name="CrestM">Height of the crest over the full water, m.</param>
/// <param name="Judgement">How the crest stands to the highest flood.</param>
public sealed record BankShape(
    double RunM,
    double BottomLengthM,
    double BottomWidthM,
    double CrestM,
    Judgement Judgement
)
{
    /// <summary>Where slopes come from.</summary>
    public const string Source =
        "Side slopes by soil in pond building (Boyd and Tucker 1998); freeboard and a margin over the highest flood are starting values";

    private const double FreeboardM = 0.3,
        OverFloodM = 0.5;

    /// <summary>Soils with their usual side slope, horizontal by vertical.</summary>
    public static readonly IReadOnlyList<(string Soil, double Slope)> Soils =
    [
        ("clay, dug by hand", 1.5),
        ("clay, built by machine", 2),
        ("loam", 2.5),
        ("sandy loam", 3),
    ];

    /// <summary>Works it out; null where the slopes meet before the bottom.</summary>
    /// <param name="lengthM">Length of the full water, m.</param>
    /// <param name="widthM">Width of the full water, m.</param>
    /// <param name="depthM">Depth, m.</param>
    /// <param name="slope">Horizontal by vertical.</param>
    /// <param name="floodM">Highest flood or run-off over the full water anybody remembers, m; 0 or below where it never came so high.</param>
    public static BankShape? Of(double lengthM, double widthM, double depthM, double slope, double floodM)
    {
        var run = slope * depthM;
        if (2 * run >= Math.Min(lengthM, widthM))
            return null;
        var crest = Math.Max(FreeboardM, floodM > 0 ? floodM + OverFloodM : 0);
        return new(
            run,
            lengthM - (2 * run),
            widthM - (2 * run),
            crest,
            floodM > 0
                ? new(
                    Status.Watch,
                    "the bank is raised over the highest flood: water from outside brings disease and takes fish along"
                )
                : new(Status.Steady, "no flood reaches the water: the usual freeboard is enough")
        );
    }
}
