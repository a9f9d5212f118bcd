using Dorsk.Core.Species;

namespace Dorsk.Core.Stock;

/// <summary>Which cast net samples the fish of a pond, and what a throw of it brings.</summary>
/// <param name="MeshMm">The widest mesh, knot to knot, mm, through which no fish of half their mean weight slips.</param>
/// <param name="RadiusM">Least radius, m: the net must close before fish have fled to the floor.</param>
/// <param name="FishAThrow">Fish that a throw brings where they stand evenly and the net opens whole.</param>
public sealed record CastNet(double MeshMm, double RadiusM, double FishAThrow)
{
    /// <summary>Where the rules come from.</summary>
    public const string Source =
        "Mesh by body shape (Fulton), pulled open one and a half times as wide; radius at least one and a half times the depth; least radius and finest mesh are starting values of the trade";

    /// <summary>Whether a cast net of so fine a mesh sinks and opens; else a lift net samples them.</summary>
    public bool Opens => MeshMm >= FinestMm;

    private const double FinestMm = 4,
        RadiusOfDepth = 1.5,
        LeastRadiusM = 1.8;

    /// <summary>Works it out.</summary>
    /// <param name="species">The fish.</param>
    /// <param name="meanG">Their mean weight, g; above 0.</param>
    /// <param name="fish">How many stand.</param>
    /// <param name="areaM2">Water surface, m²; above 0.</param>
    /// <param name="depthM">Depth where it is thrown, m.</param>
    public static CastNet Of(FishSpecies species, double meanG, double fish, double areaM2, double depthM)
    {
        var radius = Math.Max(LeastRadiusM, RadiusOfDepth * depthM);
        return new(
            SampleNet.WidestMm(species, meanG / SampleNet.Near),
            radius,
            fish * Math.Min(1, Math.PI * radius * radius / areaM2)
        );
    }

    /// <summary>Throws for so many fish, by the share of the throws that open; null where a throw brings none.</summary>
    /// <param name="wanted">Fish wanted.</param>
    /// <param name="openShare">Share of the throws that open whole, 0 to 1.</param>
    public int? Throws(int wanted, double openShare) =>
        FishAThrow * openShare > 0 ? (int)Math.Min(1e6, Math.Ceiling(wanted / (FishAThrow * openShare))) : null;
}
