namespace Dorsk.Core.Water;

/// <summary>What a test kit's figure stands for. Limits and doses are on nitrogen; a kit that reports the whole ion shows more.</summary>
/// <param name="Key">Stable key.</param>
/// <param name="Name">As it stands on the kit.</param>
/// <param name="NitrogenShare">Nitrogen in it by mass, from the molar masses.</param>
public sealed record KitBasis(string Key, string Name, double NitrogenShare)
{
    private const double N = 14.007;
    private static readonly KitBasis AsN = new("N", "nitrogen (N)", 1);

    /// <summary>How kits report ammonia.</summary>
    public static readonly IReadOnlyList<KitBasis> Ammonia =
    [
        AsN,
        new("NH3", "NH₃", N / 17.031),
        new("NH4", "NH₄", N / 18.039),
    ];

    /// <summary>How kits report nitrite.</summary>
    public static readonly IReadOnlyList<KitBasis> Nitrite = [AsN, new("NO2", "NO₂", N / 46.005)];
}
