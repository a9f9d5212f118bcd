using Dorsk.Core.Units;

namespace Dorsk.Core.Water;

/// <summary>What the reading slip says.</summary>
internal static class Messages
{
    /// <summary>Names the range, and the unit that was probably meant when the figure fits in another one.</summary>
    /// <param name="p">What was read.</param>
    /// <param name="si">The figure, SI.</param>
    /// <param name="hand">How figures are printed.</param>
    public static string OutOfRange(Parameter p, double si, Hand hand)
    {
        string Print(double v) => QuantityText.Write(v, p.Measure, hand);
        var shown = p.Measure.In(hand.System);
        var typed = double.IsFinite(si) ? Print(si) : "That";
        var text = $"{typed} is outside what can be entered, {Print(p.HardLow)} to {Print(p.HardHigh)}.";
        var other = p.Measure.Units.FirstOrDefault(u => u != shown && Fits(p, u.ToSi(shown.FromSi(si))));
        if (other is null)
            return text + " Read it again and type what the instrument shows.";
        var figure = QuantityText.Figure(shown.FromSi(si), shown.FromSi(si) % 1 == 0 ? 0 : 1, hand.Sign);
        return $"{text} Did you mean {figure} {other.Symbol}? Then type {figure}{other.Symbol.TrimStart('°')}.";
    }

    private static bool Fits(Parameter p, double si) => double.IsFinite(si) && si >= p.UsualLow && si <= p.UsualHigh;
}
