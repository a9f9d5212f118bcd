using System.Globalization;
using Dorsk.Core.Judging;
using Dorsk.Core.Units;

namespace Dorsk.Core.Hatchery;

/// <summary>A feeder over a vessel of fry, as it is set, with a dose that was weighed.</summary>
/// <param name="LotId">The lot.</param>
/// <param name="EveryMin">Minutes from one dose to the next, 1 to 240; 0: taken off.</param>
/// <param name="DoseG">Dose it is set to, g; above 0.</param>
/// <param name="WeighedG">A dose as it was weighed, g; null where nobody weighed one.</param>
public sealed record FryFeederSet(long LotId, int EveryMin, double DoseG, double? WeighedG) : Fact
{
    /// <summary>Objections, named by the field of the slip.</summary>
    /// <param name="lot">The lot before; null when there is none.</param>
    /// <param name="hand">How figures are printed.</param>
    public IEnumerable<Remark> Check(LotStanding? lot, Hand hand)
    {
        if (lot is null)
            yield return Remark.Refuse("Lot", "There was no such lot at that hour. Choose one of the list.");
        else if (lot.Stage == LotStage.Eggs)
            yield return Remark.Refuse("Lot", "Eggs take no feed: count the larvae first.");
        if (EveryMin is < 0 or > 240)
            yield return Remark.Refuse("Every", "1 to 240 minutes, or 0 when it is taken off.");
        if (EveryMin > 0 && DoseG is not (> 0 and <= 10_000))
            yield return Remark.Refuse("Dose", h => $"{Limit.Range(0, 10_000, Measures.FishWeight, h)}, above 0.");
        if (WeighedG is not (null or (>= 0 and <= 100_000)))
            yield return Remark.Refuse("Weighed", h => $"{Limit.Range(0, 100_000, Measures.FishWeight, h)}.");
        if (EveryMin > 0 && FryFeeder.Dose(this, hand) is { Status: Status.ActNow } far)
            yield return Remark.Ask("Weighed", $"{far.Reason}. Save it as it is?");
    }

    /// <summary>Feed of a day, g: the weighed dose, or the one it is set to.</summary>
    public double DayG => EveryMin > 0 ? (WeighedG ?? DoseG) * 1440 / EveryMin : 0;
}

/// <summary>How a feeder of fry does.</summary>
public static class FryFeeder
{
    /// <summary>Where the rules come from.</summary>
    public const string Source =
        "Fry want a little about every five minutes; a feeder's dose is weighed every day, and is right within a tenth (starting values)";

    private const double Near = 0.1,
        Far = 0.25;
    private const int OftenMin = 15;

    /// <summary>So long a weighed dose speaks for the feeder.</summary>
    public static readonly TimeSpan Weighed = TimeSpan.FromHours(26);

    /// <summary>How the weighed dose stands to the one it is set to.</summary>
    /// <param name="f">The feeder.</param>
    /// <param name="hand">How figures are printed.</param>
    public static Judgement Dose(FryFeederSet f, Hand hand)
    {
        if (f.WeighedG is not { } g)
            return new(Status.Unknown, "no dose was weighed: catch one in a cup and weigh it");
        var off = (g / f.DoseG) - 1;
        var words =
            $"a dose weighs {QuantityText.Write(g, Measures.FishWeight, hand)}, set to {QuantityText.Write(f.DoseG, Measures.FishWeight, hand)}";
        return Math.Abs(off) switch
        {
            > Far => new(Status.ActNow, $"{words}: clean it and set it anew"),
            > Near => new(Status.Watch, $"{words}: set it anew"),
            _ => new(Status.Steady, words),
        };
    }

    /// <summary>How often it feeds.</summary>
    /// <param name="f">The feeder.</param>
    public static Judgement Often(FryFeederSet f) =>
        f.EveryMin > OftenMin
            ? new(Status.Watch, $"a dose every {f.EveryMin} minutes: fry want a little about every five")
            : new(Status.Steady, $"a dose every {f.EveryMin} minutes");

    /// <summary>The slip on which its dose is weighed again, as it is set now.</summary>
    /// <param name="f">The feeder.</param>
    /// <param name="hand">How figures are typed.</param>
    public static string Slip(FryFeederSet f, Hand hand) =>
        string.Create(
            CultureInfo.InvariantCulture,
            $"fry-feeder?Lot={f.LotId}&Every={f.EveryMin}&Dose={Uri.EscapeDataString(QuantityText.TypedAlone(f.DoseG, Measures.FishWeight, hand))}"
        );

    /// <summary>Whether it stands in for the bell: often enough, its dose right, and weighed within a day.</summary>
    /// <param name="f">The feeder.</param>
    /// <param name="at">When the dose was weighed.</param>
    /// <param name="now">The instant.</param>
    public static bool StandsIn(FryFeederSet f, DateTimeOffset at, DateTimeOffset now) =>
        f is { EveryMin: > 0 and <= OftenMin, WeighedG: not null }
        && Dose(f, Hand.Metric).Status < Status.ActNow
        && now - at <= Weighed;
}
