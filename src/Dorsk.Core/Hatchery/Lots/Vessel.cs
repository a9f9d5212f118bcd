using Dorsk.Core.Judging;
using Dorsk.Core.Units;

namespace Dorsk.Core.Hatchery;

/// <summary>What eggs and fry are held in.</summary>
public enum VesselKind
{
    /// <summary>A box or drum on the bottom of a spawning pond.</summary>
    Nest,

    /// <summary>A hatching trough with paddles or air, eggs in baskets.</summary>
    Trough,

    /// <summary>An upwelling jar.</summary>
    Jar,

    /// <summary>A tank.</summary>
    Tank,

    /// <summary>A shallow pool for young fry.</summary>
    Pool,
}

/// <summary>What a vessel held before.</summary>
public enum HeldBefore
{
    /// <summary>Nothing: it is new.</summary>
    New,

    /// <summary>Water, fish or food.</summary>
    Food,

    /// <summary>Nobody knows.</summary>
    Unknown,

    /// <summary>Poison: pesticide, fuel, paint, solvent.</summary>
    Poison,
}

/// <summary>A vessel of the hatchery, or a nest in a spawning pond.</summary>
/// <param name="VesselId">Number given by the books; 0 for a new one.</param>
/// <param name="Kind">What it is.</param>
/// <param name="Name">Its name on the vessel.</param>
/// <param name="WaterM3">Water in it, m³; 0 for a nest.</param>
/// <param name="FlowM3H">Water through it, m³/h; 0 where it stands still.</param>
/// <param name="PondId">The pond a nest stands in; null for the others.</param>
/// <param name="Before">What it held before.</param>
/// <param name="Gone">Whether it is no longer used.</param>
public sealed record VesselDescribed(
    long VesselId,
    VesselKind Kind,
    string Name,
    double WaterM3,
    double FlowM3H,
    long? PondId,
    HeldBefore Before,
    bool Gone
) : Fact
{
    /// <summary>Depth of the water: over a nest's floor, or in the vessel, m.</summary>
    public double DepthM { get; init; }

    /// <summary>Baskets for egg masses that it holds; 0 for none.</summary>
    public int Baskets { get; init; }

    /// <summary>To the nearest other nest, m; null for the others.</summary>
    public double? SpacingM { get; init; }

    /// <summary>Whether a nest's mouth looks to the middle of the pond.</summary>
    public bool MouthToCentre { get; init; }

    /// <summary>Where the nest stands in the pond: share of its length and of its width, 0 to 1; null where nobody said.</summary>
    public (double Along, double Across)? Spot { get; init; }

    // Starting values of the trade for nests in ponds.
    private const double LeastSpacingM = 3,
        ShallowM = 0.4,
        DeepM = 1;

    /// <summary>Depth of a pool for young fry, m: 25 to 30 cm.</summary>
    public static readonly (double Low, double High) FryDepthM = (0.25, 0.3);

    /// <summary>Minutes in which the flow brings as much water as stands in it; null without flow.</summary>
    public double? TurnoverMin => FlowM3H > 0 && WaterM3 > 0 ? 60 * WaterM3 / FlowM3H : null;

    /// <summary>Objections, named by the field of the slip.</summary>
    /// <param name="taken">Whether another vessel bears the name.</param>
    public IEnumerable<Remark> Check(bool taken)
    {
        if (Name.Length is 0 or > 40)
            yield return Remark.Refuse("Name", "1 to 40 letters.");
        else if (taken)
            yield return Remark.Refuse("Name", "Another vessel has this name. Give it one of its own.");
        if (Before == HeldBefore.Poison)
            yield return Remark.Refuse(
                "Before",
                "Never a vessel that held poison, however well it was washed: what soaked in kills eggs and fry."
            );
        foreach (var remark in Kind == VesselKind.Nest ? OfNest() : OfWater())
            yield return remark;
    }

    private IEnumerable<Remark> OfWater()
    {
        if (WaterM3 is not (> 0 and <= 10_000))
            yield return Remark.Refuse("Water", h => $"{Limit.Range(0, 10_000, Measures.Volume, h)}, above 0.");
        if (FlowM3H is not (>= 0 and <= 10_000))
            yield return Remark.Refuse("Flow", h => $"{Limit.Range(0, 10_000, Measures.Flow, h)}.");
        if (DepthM is not (>= 0 and <= 10))
            yield return Remark.Refuse("Depth", h => $"{Limit.Range(0, 10, Measures.Length, h)}.");
        if (Baskets is < 0 or > 100)
            yield return Remark.Refuse("Baskets", "0 to 100.");
        if (Before == HeldBefore.Unknown)
            yield return Remark.Ask("Before", "Nobody knows what it held. Is a clean one at hand?");
    }

    private IEnumerable<Remark> OfNest()
    {
        if (PondId is null)
            yield return Remark.Refuse("Pond", "A nest stands in a pond: choose it.");
        if (DepthM is not (>= 0 and <= 10))
            yield return Remark.Refuse("Depth", h => $"{Limit.Range(0, 10, Measures.Length, h)}.");
        if (SpacingM is not (null or (> 0 and <= 1000)))
            yield return Remark.Refuse("Spacing", h => $"{Limit.Range(0, 1000, Measures.Length, h)}, above 0.");
        if (Before == HeldBefore.Unknown)
            yield return Remark.Refuse(
                "Before",
                "Take one of which you know what it held: a nest cannot be washed clean."
            );
    }

    /// <summary>How a nest stands, as the trade would have it; empty for the others.</summary>
    /// <param name="hand">How figures are printed.</param>
    public IEnumerable<Judgement> Standing(Hand hand)
    {
        if (Kind != VesselKind.Nest)
            yield break;
        if (SpacingM < LeastSpacingM)
            yield return new(
                Status.Watch,
                $"nearer than {Limit.Of(LeastSpacingM, Measures.Length, hand)} to the next: the males fight"
            );
        if (DepthM > 0 && (DepthM < ShallowM || DepthM > DeepM))
            yield return new(
                Status.Watch,
                $"stands best in {Limit.Range(ShallowM, DeepM, Measures.Length, hand)} of water"
            );
        if (!MouthToCentre)
            yield return new(Status.Watch, "turn the mouth to the middle of the pond");
    }
}
