using Dorsk.Core.Judging;
using Dorsk.Core.Units;
using Dorsk.Core.Water;

namespace Dorsk.Core.Prepare;

/// <summary>What a dose of fertiliser is held against; what was not read is null.</summary>
/// <param name="TempC">Water temperature, °C.</param>
/// <param name="SecchiM">Secchi depth, m.</param>
/// <param name="DawnsMgL">Dawn oxygen of the last mornings, oldest first, mg/L; may be empty.</param>
/// <param name="WatchMgL">Watch level of oxygen for the fish here, mg/L.</param>
/// <param name="AlkalinityMgL">Alkalinity, mg/L as CaCO₃.</param>
/// <param name="Ph">pH in the afternoon.</param>
/// <param name="Ammonium">Whether a bag holds ammonium or urea.</param>
public sealed record FertiliserQuestion(
    double TempC,
    double? SecchiM,
    IReadOnlyList<double> DawnsMgL,
    double? WatchMgL,
    double? AlkalinityMgL,
    double? Ph,
    bool Ammonium
)
{
    /// <summary>The risk that the bloom dies, as the trends tell it; null when there is none.</summary>
    public Judgement? BloomRisk { get; init; }
}

/// <summary>The fertiliser brake: reasons to skip a dose, the gravest first, all of them starting values of the trade.</summary>
public static class FertiliserBrake
{
    /// <summary>Where it comes from.</summary>
    public const string Source = "Fertiliser rules of the trade after Boyd 1990; starting values";

    private const double ColdC = 15,
        NearWatchMgL = 1.5,
        AlkalinityLowMgL = 20,
        PhHigh = 8.5;
    private const int FallingDays = 3;

    /// <summary>Why no dose is given now; null when nothing that was read stands against it.</summary>
    public static Judgement? Of(FertiliserQuestion q, Hand hand)
    {
        string Print(double si, Measure measure) => QuantityText.Write(si, measure, hand);
        if (IsFalling(q.DawnsMgL) && q.WatchMgL is { } watch && q.DawnsMgL[^1] < watch + NearWatchMgL)
            return Skip(
                $"dawn oxygen fell {FallingDays} mornings running, to {Print(q.DawnsMgL[^1], Measures.Oxygen)}, within {Print(NearWatchMgL, Measures.Oxygen)} of the watch level {Print(watch, Measures.Oxygen)}. More bloom would take more"
            );
        if (q.WatchMgL is { } level && q.DawnsMgL.Count > 0 && q.DawnsMgL[^1] < level)
            return Skip(
                $"dawn oxygen was {Print(q.DawnsMgL[^1], Measures.Oxygen)}, under the watch level {Print(level, Measures.Oxygen)}"
            );
        if (q.BloomRisk is { } risk)
            return Skip(risk.Reason.Split(". ")[0]);
        if (q.SecchiM is < WaterJudge.HeavyBloomM and { } secchi)
            return Skip(
                $"Secchi {Print(secchi, Measures.ShortLength)} is under {Print(WaterJudge.HeavyBloomM, Measures.ShortLength)}, the bloom is heavy enough"
            );
        if (q.TempC < ColdC)
            return Skip(
                $"under {Print(ColdC, Measures.Temperature)} the bloom does not take it up. Cool-water fry ponds are fertilised colder: a setting of the farm"
            );
        if (q.Ammonium && q.Ph is > PhHigh and { } ph)
            return Skip(
                $"at pH {Print(ph, Measures.Ph)} ammonium turns into ammonia that poisons. Wait for pH under {Print(PhHigh, Measures.Ph)}, or use a bag without nitrogen"
            );
        if (q.AlkalinityMgL is < AlkalinityLowMgL and { } alkalinity)
            return Skip(
                $"alkalinity {Print(alkalinity, Measures.CoarseConcentration)} is under {Print(AlkalinityLowMgL, Measures.CoarseConcentration)}: phosphate is lost to the mud. Lime first"
            );
        // A bloom that is fed blindly can take the oxygen of the night.
        return q.DawnsMgL.Count == 0 && q.WatchMgL is not null
            ? Skip("no dawn oxygen was read in the last days. Read it at sunrise; the dose goes in when it is well")
            : null;
    }

    /// <summary>Whether the last three mornings were each lower than the one before.</summary>
    public static bool IsFalling(IReadOnlyList<double> dawnsMgL) =>
        dawnsMgL.Count > FallingDays
        && Enumerable.Range(dawnsMgL.Count - FallingDays, FallingDays).All(i => dawnsMgL[i] < dawnsMgL[i - 1]);

    private static Judgement Skip(string reason) => new(Status.Watch, "No dose now: " + reason);
}
