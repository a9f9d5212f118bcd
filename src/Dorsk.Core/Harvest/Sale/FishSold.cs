using Dorsk.Core.Judging;
using Dorsk.Core.Stock;
using Dorsk.Core.Units;

namespace Dorsk.Core.Harvest;

/// <summary>What becomes of fish that were harvested.</summary>
public enum LotUse
{
    /// <summary>Sold.</summary>
    Sold,

    /// <summary>Own use: eaten, given to the crew, sampled.</summary>
    OwnUse,

    /// <summary>Spoiled and thrown away.</summary>
    Spoiled,
}

/// <summary>Fish of one harvest that are there to be sold.</summary>
/// <param name="Harvest">The harvest.</param>
/// <param name="At">When they were taken out.</param>
/// <param name="LeftKg">Live weight not yet sold, used or thrown away, kg.</param>
/// <param name="TasteOn">Day of the taste test that speaks for them; null for none.</param>
/// <param name="Residue">A withdrawal that held them on the day they were taken out, in words; null for none.</param>
public sealed record LotLeft(
    FishHarvested Harvest,
    DateTimeOffset At,
    double LeftKg,
    DateOnly? TasteOn,
    string? Residue
);

/// <summary>Fish of one harvest sold, used or thrown away.</summary>
/// <param name="PondId">The pond they came from.</param>
/// <param name="HarvestLine">Line of the harvest: their lot.</param>
/// <param name="Use">What became of them.</param>
/// <param name="BuyerId">Who bought them; null where they were not sold.</param>
/// <param name="Form">How they were sold.</param>
/// <param name="GrossKg">Weighed with crates, kg.</param>
/// <param name="Crates">Crates; 0 when weighed without.</param>
/// <param name="TareKg">Weight of one empty crate, kg.</param>
public sealed record FishSold(
    long PondId,
    long HarvestLine,
    LotUse Use,
    long? BuyerId,
    FishForm Form,
    double GrossKg,
    int Crates,
    double TareKg
) : Fact
{
    /// <summary>Share of the live weight that is left in this form, above 0 to 1.</summary>
    public double Yield { get; init; } = 1;

    /// <summary>Price of a kilogram as sold, in the smallest unit of the currency; null where nobody said.</summary>
    public long? MinorPerKg { get; init; }

    /// <summary>Discount, %.</summary>
    public double DiscountPct { get; init; }

    /// <summary>Temperature of the fish when they left, °C; null where nobody read it.</summary>
    public double? TempC { get; init; }

    /// <summary>The order it delivers; null for none.</summary>
    public long? OrderId { get; init; }

    /// <summary>Remark; may be empty.</summary>
    public string Note { get; init; } = "";

    /// <summary>Weight without crates, kg.</summary>
    public double NetKg => GrossKg - (Crates * TareKg);

    /// <summary>Live weight it takes from the harvest, kg.</summary>
    public double LiveKg => NetKg / Yield;

    /// <summary>Money, in the smallest unit of the currency, rounded; null without a price.</summary>
    public long? MoneyMinor =>
        MinorPerKg is { } price ? (long)Math.Round(NetKg * price * (1 - (DiscountPct / 100))) : null;

    private const double MostKg = 200_000,
        WarmC = 4,
        LeastYield = 0.1,
        ScaleKg = 0.05;

    /// <summary>Objections, named by the field of the slip.</summary>
    /// <param name="lot">The lot without this sale; null when there is none of that line.</param>
    /// <param name="soldAt">When it was sold.</param>
    /// <param name="hand">How figures are printed.</param>
    public IEnumerable<Remark> Check(LotLeft? lot, DateTimeOffset soldAt, Hand hand)
    {
        if (lot is null)
            return [Remark.Refuse("Lot", "Choose a harvest of this pond with something left.")];
        return Weights(lot, hand).Concat(Money()).Concat(Safe(lot, soldAt, hand));
    }

    private IEnumerable<Remark> Weights(LotLeft lot, Hand hand)
    {
        if (GrossKg is not (> 0 and <= MostKg))
            yield return Remark.Refuse("Gross", h => $"{Limit.Range(0, MostKg, Measures.Mass, h)}, above 0.");
        if (Crates is < 0 or > 10_000)
            yield return Remark.Refuse("Crates", "0 to 10,000.");
        if (TareKg is not (>= 0 and <= 500))
            yield return Remark.Refuse("Tare", h => $"{Limit.Range(0, 500, Measures.Mass, h)}.");
        if (Yield is not (>= LeastYield and <= 1))
        {
            yield return Remark.Refuse("Yield", "10 to 100 %: of the live weight.");
            yield break;
        }
        if (GrossKg > 0 && NetKg <= 0)
            yield return Remark.Refuse(
                "Tare",
                $"The crates weigh {Say(Crates * TareKg, hand)}, as much as all together. Weigh one empty crate again."
            );
        else if (LiveKg > lot.LeftKg + ScaleKg)
            yield return Remark.Refuse(
                "Gross",
                $"That takes {Say(LiveKg, hand)} of live fish; {Say(lot.LeftKg, hand)} of this harvest are not sold yet. Correct the harvest first if it was more."
            );
        if (lot.Harvest.To == Account.SoldAlive && Form != FishForm.Live && Use == LotUse.Sold)
            yield return Remark.Ask("Form", "These fish were taken out to be sold alive. Were they sold dead?");
    }

    private IEnumerable<Remark> Money()
    {
        if (DiscountPct is not (>= 0 and <= 100))
            yield return Remark.Refuse("Discount", "0 to 100 %.");
        if (Use != LotUse.Sold)
            yield break;
        if (BuyerId is null)
            yield return Remark.Refuse("Buyer", "Choose who buys, or describe the buyer first.");
        if (MinorPerKg is < 0 or > 100_000_000)
            yield return Remark.Refuse("Price", "0 or more.");
        else if (MinorPerKg is null)
            yield return Remark.Ask("Price", "No price: is it not known yet?");
    }

    /// <summary>How far the price of a kilogram lies under what its feed alone cost, in the smallest unit of the currency; 0 where it does not.</summary>
    /// <param name="feedMinorPerKg">Feed money in a kilogram of live weight; 0 or more.</param>
    public double UnderFeedCost(double feedMinorPerKg) =>
        MinorPerKg is { } price ? Math.Max(0, (feedMinorPerKg / Yield) - (price * (1 - (DiscountPct / 100)))) : 0;

    private IEnumerable<Remark> Safe(LotLeft lot, DateTimeOffset soldAt, Hand hand)
    {
        if (soldAt < lot.At)
            yield return Remark.Refuse("Hour", "That is before they were taken out.");
        if (Note.Length > 200)
            yield return Remark.Refuse("Note", "At most 200 letters.");
        if (Use == LotUse.Spoiled)
            yield break;
        if (lot.Residue is { } residue)
            yield return Remark.Refuse(
                "Lot",
                $"{residue}. They were taken out inside it: nobody eats them, and nobody can pass it. Throw them away, and tell whoever has some."
            );
        if (Use == LotUse.Sold && Form != FishForm.Live && lot.TasteOn is null)
            yield return Remark.Ask("Lot", "No taste test speaks for this harvest. Did the buyer taste them?");
        if (Use == LotUse.Sold && Form != FishForm.Live && TempC > WarmC)
            yield return Remark.Ask(
                "Temp",
                $"{QuantityText.Write(TempC.Value, Measures.Temperature, hand)} is too warm for fish on ice ({QuantityText.Write(WarmC, Measures.Temperature, hand)} at most). Do they leave like that?"
            );
        if (TempC is not (null or (>= -40 and <= 40)))
            yield return Remark.Refuse("Temp", h => $"{Limit.Range(-40, 40, Measures.Temperature, h)}, or empty.");
    }

    private static string Say(double kg, Hand hand) => QuantityText.Write(kg, Measures.Mass, hand);
}
