namespace Dorsk.Core.Feeding;

/// <summary>One's own recipe: kilograms of each part, and what the mix holds.</summary>
/// <param name="Kg">Kilograms of each part for the wanted mass, in order.</param>
/// <param name="DryPct">Dry matter, percent.</param>
/// <param name="Holds">What it holds at label dryness.</param>
/// <param name="CostPerKg">Cost of a kg as mixed.</param>
public sealed record OwnMix(IReadOnlyList<double> Kg, double DryPct, MixHolds Holds, double CostPerKg)
{
    /// <summary>Works it out; shares that do not sum to a hundred are scaled.</summary>
    /// <param name="parts">Ingredient, share and price a kg as it lies there.</param>
    /// <param name="massKg">Mass to be mixed, kg.</param>
    public static OwnMix Of(IReadOnlyList<(Ingredient Of, double Share, double PriceKg)> parts, double massKg)
    {
        var all = parts.Sum(p => p.Share);
        double Sum(Func<Ingredient, double> of) => parts.Sum(p => p.Share / all * of(p.Of));
        var dry = Sum(i => i.DryMatterPct);
        var label = MixDemand.LabelDry * 100 / dry;
        return new(
            [.. parts.Select(p => p.Share / all * massKg)],
            dry,
            new(
                Sum(i => i.ProteinPct) * label,
                Sum(i => i.FatPct) * label,
                Sum(i => i.FibrePct) * label,
                Sum(i => i.AshPct) * label,
                Sum(i => i.EnergyMJKg) * label
            ),
            parts.Sum(p => p.Share / all * p.PriceKg)
        );
    }
}
