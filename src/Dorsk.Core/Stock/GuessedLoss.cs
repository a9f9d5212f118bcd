using Dorsk.Core.Judging;
using Dorsk.Core.Units;

namespace Dorsk.Core.Stock;

/// <summary>A loss that nobody counted, as a range: it moves the estimate at once, and the books only when fish are counted or the batch is closed.</summary>
/// <param name="PondId">The pond.</param>
/// <param name="BatchId">The batch.</param>
/// <param name="LowShare">Least that is lost, as a share of those that stood, 0 to under 1.</param>
/// <param name="HighShare">Most that is lost, as a share.</param>
/// <param name="Began">Farm day on which it began; it is over when the line happened.</param>
/// <param name="Cause">What it is put down to.</param>
public sealed record LossGuessed(
    long PondId,
    long BatchId,
    double LowShare,
    double HighShare,
    DateOnly Began,
    string Cause
) : Fact
{
    private const int LongestDays = 120;
    private const double MostShare = 0.98,
        WideShare = 0.5;

    /// <summary>Objections, named by the field of the slip.</summary>
    /// <param name="batch">The batch on the books.</param>
    /// <param name="day">Farm day on which it was over.</param>
    /// <param name="arrived">Farm day on which the batch came.</param>
    /// <param name="hand">How figures are printed.</param>
    public IEnumerable<Remark> Check(BatchOnBooks batch, DateOnly day, DateOnly arrived, Hand hand)
    {
        if (batch.Stands <= 0)
            yield return Remark.Refuse("Batch", "No fish of this batch stand here any more.");
        if (LowShare is not (>= 0 and <= MostShare))
            yield return Remark.Refuse("Low", "0 to 98 %.");
        if (HighShare is not (> 0 and <= MostShare))
            yield return Remark.Refuse(
                "High",
                "Above 0, up to 98 %. When all are dead, empty the pond with a count of 0."
            );
        else if (HighShare < LowShare)
            yield return Remark.Refuse("High", "The most is not under the least.");
        else if (HighShare - LowShare < 0.02)
            yield return Remark.Ask(
                "High",
                "So narrow a guess is a count. Were they counted? Then use deaths or an inventory count."
            );
        else if (HighShare >= WideShare)
            yield return Remark.Ask(
                "High",
                $"Half of {hand.Count(batch.Stands)} fish or more may be gone. Is it meant? Count them as soon as you can."
            );
        if (Began > day)
            yield return Remark.Refuse("Began", "It began before it was over: not after the date above.");
        else if (day.DayNumber - Began.DayNumber > LongestDays)
            yield return Remark.Refuse("Began", $"At most {LongestDays} days before: write a longer loss as several.");
        if (Began < arrived)
            yield return Remark.Refuse("Began", "The batch was not here yet.");
        if (Cause.Trim().Length is 0 or > 120)
            yield return Remark.Refuse("Cause", "1 to 120 letters: birds, disease, theft, poachers, an escape.");
    }
}
