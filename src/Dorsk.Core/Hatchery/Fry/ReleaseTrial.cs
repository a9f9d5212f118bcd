using Dorsk.Core.Judging;
using Dorsk.Core.Units;

namespace Dorsk.Core.Hatchery;

/// <summary>Fish raised on pellets, tried on live prey, and marked fish that were caught again in open water.</summary>
/// <param name="SpeciesKey">Species.</param>
/// <param name="Water">Which water they go to, or were let into.</param>
/// <param name="Tried">Fish given live prey; 0 where it was not tried.</param>
/// <param name="Took">Of them, took it within the hours.</param>
/// <param name="Hours">Hours of the trial.</param>
/// <param name="Marked">Marked and let go; 0 where none were.</param>
/// <param name="Caught">Caught later.</param>
/// <param name="Again">Marked among those.</param>
public sealed record ReleaseTrial(
    string SpeciesKey,
    string Water,
    int Tried,
    int Took,
    double Hours,
    int Marked,
    int Caught,
    int Again
) : Fact
{
    /// <summary>Where the method comes from.</summary>
    public const string Source =
        "Share that took live prey with its 95 % interval (Wilson 1927); a day for the trial, half of them at least (starting values)";

    private const double Z = 1.96,
        DayHours = 24,
        Half = 0.5;

    /// <summary>Objections, named by the field of the slip.</summary>
    public IEnumerable<Remark> Check()
    {
        if (Water.Length is 0 or > 80)
            yield return Remark.Refuse("Water", "1 to 80 letters: which water.");
        if (Tried is < 0 or > 100_000)
            yield return Remark.Refuse("Tried", "0 to 100,000.");
        if (Took < 0 || Took > Tried)
            yield return Remark.Refuse("Took", "At most as many as were tried.");
        if (Tried > 0 && Hours is not (> 0 and <= 240))
            yield return Remark.Refuse("Hours", "Above 0 to 240.");
        if (Marked is < 0 or > 1_000_000)
            yield return Remark.Refuse("Marked", "0 to 1,000,000.");
        if (Caught is < 0 or > 1_000_000)
            yield return Remark.Refuse("Caught", "0 to 1,000,000.");
        if (Again < 0 || Again > Caught || Again > Marked)
            yield return Remark.Refuse("Again", "At most as many as were marked, and as were caught.");
        if (Tried == 0 && Marked == 0)
            yield return Remark.Refuse("Tried", "Fill in the trial with live prey, or the marked fish.");
    }

    /// <summary>Share that took live prey: likely, low and high of its 95 % interval, 0 to 1; null where it was not tried.</summary>
    public (double Share, double Low, double High)? TookShare
    {
        get
        {
            if (Tried == 0)
                return null;
            double n = Tried,
                p = Took / n;
            var middle = (p + (Z * Z / (2 * n))) / (1 + (Z * Z / n));
            var half = Z / (1 + (Z * Z / n)) * Math.Sqrt((p * (1 - p) / n) + (Z * Z / (4 * n * n)));
            return (p, Math.Max(0, middle - half), Math.Min(1, middle + half));
        }
    }

    /// <summary>Number in the water by those caught again; null where nothing was caught.</summary>
    public MarkReturn? InWater => Marked > 0 && Caught > 0 ? MarkReturn.Of(Marked, Caught, Again) : null;

    /// <summary>Whether they may be stocked in open water as far as food goes; null where it was not tried.</summary>
    /// <param name="hand">How figures are printed.</param>
    public Judgement? Answer(Hand hand)
    {
        if (TookShare is not { } share)
            return null;
        var words =
            $"{hand.Figure(100 * share.Share, 0)} % took live prey in {hand.Figure(Hours, 0)} hours ({hand.Figure(100 * share.Low, 0)} to {hand.Figure(100 * share.High, 0)})";
        if (share.High < Half)
            return new(Status.ActNow, $"{words}: keep them on live food before they go out");
        if (Hours > DayHours)
            return new(Status.Watch, $"{words}: longer than a day; try them again");
        return share.Low >= Half
            ? new(Status.Steady, $"{words}: they feed themselves in open water")
            : new(Status.Watch, $"{words}: too few were tried to tell; try more");
    }
}
