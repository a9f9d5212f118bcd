namespace Dorsk.Core.Plans;

/// <summary>A pilot before full size: one season in a small part, costed as learning and not as profit.</summary>
/// <param name="Fish">Fish to stock, whole.</param>
/// <param name="Share">Share of one such pond or tank, above 0 up to 1.</param>
/// <param name="Cost">Money of the season that is gone if all fish die: fish, feed, power and other costs of that share.</param>
/// <param name="Months">How long it takes.</param>
public sealed record FirstTrial(int Fish, double Share, double Cost, double Months)
{
    /// <summary>Where it comes from.</summary>
    public const string Source =
        "Usual advice of the trade: a tenth of the full size, no more than one pond, and no less than 200 fish so that weights and deaths mean something; judged";

    private const double TenthOfFull = 0.1;
    private const int Fewest = 200;

    /// <summary>The trial for a plan; null when the water lets none live.</summary>
    /// <param name="fish">The fish as planned.</param>
    public static FirstTrial? Of(SpeciesWeighed fish)
    {
        var (plan, waters) = (fish.Plan, fish.Waters);
        if (plan.Stock <= 0 || waters is not { } full)
            return null;
        var tenth = TenthOfFull * full * plan.Stock;
        var stock = (int)Math.Min(plan.Stock, Math.Max(Fewest, Math.Round(tenth)));
        var share = (double)stock / plan.Stock;
        return new(stock, share, plan.Cost * share, fish.MonthsToMarket ?? 0);
    }
}
