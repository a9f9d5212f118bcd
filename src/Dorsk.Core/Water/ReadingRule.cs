using Dorsk.Core.Judging;
using Dorsk.Core.Units;

namespace Dorsk.Core.Water;

/// <summary>What a reading is held against: the last of its kind, and the saturation of this water.</summary>
/// <param name="Last">Latest earlier value of the same parameter, or null.</param>
/// <param name="At">When the new one was read.</param>
/// <param name="SaturationMgL">Oxygen at saturation in this water, mg/L, or null when its temperature is not known.</param>
/// <param name="BrimM">Full depth of the pond, m, or null.</param>
public sealed record ReadingContext(Timed? Last, DateTimeOffset At, double? SaturationMgL, double? BrimM)
{
    /// <summary>The same thing read by another instrument within the hour, or null.</summary>
    public OtherReading? Other { get; init; }

    /// <summary>Whether it was read from a paper strip.</summary>
    public bool IsStrip { get; init; }
}

/// <summary>Is a typed value plausible? Outside the hard range it is refused; unusual or a jump, it is asked about. Good for the fish is another question.</summary>
public static class ReadingRule
{
    // Half again and more is one colour of most cards.
    private const double StripFactor = 1.7;

    /// <summary>Words of the question about a value that is rare in itself.</summary>
    public const string Unusual = "is unusual";

    /// <summary>Objections to one value; empty when it is plausible.</summary>
    public static IEnumerable<Remark> Check(Value value, ReadingContext context, Hand hand)
    {
        var p = value.Parameter;
        string Print(double si) => QuantityText.Write(si, p.Measure, hand);
        if (!double.IsFinite(value.Si) || value.Si < p.HardLow || value.Si > p.HardHigh)
        {
            yield return Remark.Refuse(p.Key, Messages.OutOfRange(p, value.Si, hand));
            yield break;
        }
        if (p == Parameter.GaugeLevel && context.BrimM is { } brim && value.Si > brim * 1.1)
            yield return Remark.Refuse(
                p.Key,
                $"{Print(value.Si)} is over the brim of this pond at {Print(brim)}. Read the staff again, or correct the pond's depth first."
            );
        if (p == Parameter.Oxygen && context.SaturationMgL is { } saturation && value.Si > 2 * saturation)
            yield return Remark.Ask(
                p.Key,
                $"{Print(value.Si)} is over twice what this water holds at saturation ({Print(saturation)}). Is it meant?"
            );
        else if (p == Parameter.Oxygen && value.Si < 0.3)
            yield return Remark.Ask(
                p.Key,
                $"{Print(value.Si)} is almost no oxygen. Check the meter in air. Is it meant?"
            );
        else if (value.Si < p.UsualLow || value.Si > p.UsualHigh)
            yield return Remark.Ask(
                p.Key,
                $"{Print(value.Si)} {Unusual}: mostly {Print(p.UsualLow)} to {Print(p.UsualHigh)}. Is it meant?"
            );
        else if (
            p.JumpPerDay is { } jump
            && context.Last is { } last
            && (context.At - last.At).Duration() <= TimeSpan.FromHours(24)
            && Math.Abs(value.Si - last.Si) > jump
        )
            yield return Remark.Ask(
                p.Key,
                $"{Print(value.Si)} after {Print(last.Si)} less than a day before is a large change. Is it meant?"
            );
        else if (
            context.Other is { } other
            && Math.Abs(value.Si - other.Si) > (p.Apart ?? 0.3 * Math.Max(value.Si, other.Si))
        )
            yield return Remark.Ask(
                p.Key,
                $"{other.Instrument} read {Print(other.Si)} within the hour; {Print(value.Si)} is too far from it for both to be right. Read again with both; the one that is off wants calibrating. Is it meant?"
            );
        else if (
            context.IsStrip
            && context.Last is { } before
            && (value.Si > StripFactor * before.Si || value.Si < before.Si / StripFactor)
        )
            yield return Remark.Ask(
                p.Key,
                $"The strip says {Print(value.Si)}, the last reading was {Print(before.Si)}. Strips are easily misread: dip a second one, hold it against the card in daylight after the time on the box. Is it meant?"
            );
    }
}
