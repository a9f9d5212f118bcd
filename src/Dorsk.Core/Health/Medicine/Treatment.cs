using Dorsk.Core.Judging;
using Dorsk.Core.Units;

namespace Dorsk.Core.Health;

/// <summary>A treatment of a pond.</summary>
/// <param name="PondId">The pond: what swims in it is treated, all of it.</param>
/// <param name="ProductId">The product.</param>
/// <param name="AmountG">Product of one dose, or of one day's feed, g.</param>
/// <param name="Days">Days on which it is given, from this one on; 1 for one dose.</param>
/// <param name="Reason">Why, in words.</param>
/// <param name="Vet">Who prescribed or advised it; may be empty.</param>
public sealed record TreatmentGiven(long PondId, long ProductId, double AmountG, int Days, string Reason, string Vet)
    : Fact
{
    /// <summary>Why it is given before today's water was read: a manager's word that is kept; empty when it was read.</summary>
    public string PassedReason { get; init; } = "";

    /// <summary>Demand of the water that was tested before an oxidiser, mg/L; null when it was not.</summary>
    public double? DemandMgL { get; init; }

    private const int LongestDays = 200;

    /// <summary>Objections, named by the field of the slip.</summary>
    /// <param name="product">The product.</param>
    /// <param name="water">What the pond says to it.</param>
    /// <param name="hand">How figures are printed.</param>
    public IEnumerable<Remark> Check(ProductDescribed product, TreatedWater water, Hand hand)
    {
        if (AmountG is not (> 0 and <= 1e8))
        {
            yield return Remark.Refuse("Amount", "How much of the product: above 0.");
            yield break;
        }
        if (Days is < 1 or > LongestDays)
            yield return Remark.Refuse("Days", $"1 to {LongestDays} days.");
        if (Reason.Trim().Length is 0 or > 300)
            yield return Remark.Refuse("Reason", "1 to 300 letters: what was found, and what it is given against.");
        if (Vet.Length > 80)
            yield return Remark.Refuse("Vet", "At most 80 letters.");
        if (PassedReason.Length > 300)
            yield return Remark.Refuse("PassedReason", "At most 300 letters.");
        if (DemandMgL is < 0 or > 1000)
            yield return Remark.Refuse("Demand", "0 to 1,000 mg/L.");
        if (product.NeedsVet && Vet.Trim().Length == 0)
            yield return Remark.Refuse("Vet", "This product needs a vet's prescription: type whose.");
        foreach (var remark in Amounts(product, water.Dosed, hand))
            yield return remark;
        foreach (var remark in TreatmentBars.Against(this, product, water, hand))
            yield return remark;
    }

    private IEnumerable<Remark> Amounts(ProductDescribed product, Dosed dosed, Hand hand)
    {
        if (DoseSum.DoseOf(product, AmountG, dosed) is not { } dose)
        {
            yield return Remark.Ask(
                "Amount",
                "What it is dosed by is not known here (water level, or fish on the books): the dose cannot be checked. Was it worked out by the label?"
            );
            yield break;
        }
        var label =
            $"{hand.Short(product.DoseLow, 3)} to {hand.Short(product.DoseHigh, 3)} {DoseWords.Unit(product.Basis)}";
        var slip = DoseSum.LikelySlip(dose / ((product.DoseLow + product.DoseHigh) / 2)) is { } likely
            ? $" It looks like {likely}."
            : "";
        var said =
            $"{DoseWords.Amount(AmountG, hand)} is {hand.Short(dose, 3)} {DoseWords.Unit(product.Basis)} here; the label says {label}.{slip}";
        if (dose > product.DoseHigh * Slack && Vet.Trim().Length == 0)
            yield return Remark.Refuse(
                "Amount",
                $"{said} Never over the label: mend the amount, or name the vet who asks for more."
            );
        else if (dose > product.DoseHigh * Slack)
            yield return Remark.Ask("Amount", $"{said} Does {Vet.Trim()} ask for so much?");
        else if (dose < product.DoseLow / Slack)
            yield return Remark.Ask("Amount", $"{said} Too little cures nothing and breeds resistance. Is it meant?");
    }

    // Scales and gauges are not finer than this.
    private const double Slack = 1.1;
}
