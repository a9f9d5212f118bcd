using Dorsk.Core.Judging;
using Dorsk.Core.Units;

namespace Dorsk.Core.Machines;

/// <summary>A piece of equipment that fish live by; the latest line counts.</summary>
/// <param name="VitalId">Number given by the books; 0 for a new one.</param>
/// <param name="Kind">Key of its kind.</param>
/// <param name="Name">What people call it.</param>
/// <param name="PondId">The pond it serves, or null for the farm.</param>
/// <param name="EveryDays">Days from one test to the next, 1 to 366.</param>
/// <param name="Spares">Spares that lie ready, 0 to 1,000.</param>
/// <param name="SpareWhere">Where they lie; may be empty.</param>
/// <param name="Gone">Whether the farm has it no longer.</param>
public sealed record VitalKept(
    long VitalId,
    string Kind,
    string Name,
    long? PondId,
    int EveryDays,
    int Spares,
    string SpareWhere,
    bool Gone
) : Fact
{
    private const int MostName = 60,
        MostSpares = 1000;

    /// <summary>Objections, named by the field of the slip.</summary>
    public IEnumerable<Remark> Check()
    {
        if (VitalKind.Find(Kind) is null)
            yield return Remark.Refuse("Kind", "Choose what it is from the list.");
        if (Name.Trim().Length is 0 or > MostName)
            yield return Remark.Refuse("Name", "A name of 1 to 60 letters, such as diesel at the shed.");
        if (EveryDays is < 1 or > 366)
            yield return Remark.Refuse("Every", "1 to 366 days.");
        if (Spares is < 0 or > MostSpares)
            yield return Remark.Refuse("Spares", "0 to 1,000 that lie ready.");
        if (SpareWhere.Length > 120)
            yield return Remark.Refuse("SpareWhere", "At most 120 letters.");
    }
}

/// <summary>A test of such a piece, and how it went.</summary>
/// <param name="VitalId">Which.</param>
/// <param name="PondId">Its pond, or null.</param>
/// <param name="Figure">The figure that was read, in the unit of its kind, or null.</param>
/// <param name="Passed">Whether it did what it must otherwise.</param>
/// <param name="Text">In words; may be empty.</param>
public sealed record VitalChecked(long VitalId, long? PondId, double? Figure, bool Passed, string Text) : Fact
{
    private const double MostFigure = 1e6;

    /// <summary>Objections, named by the field of the slip.</summary>
    /// <param name="kept">The piece; null when there is none of that number.</param>
    /// <param name="hand">How figures are printed.</param>
    public IEnumerable<Remark> Check(VitalKept? kept, Hand hand)
    {
        if (kept is not { Gone: false })
        {
            yield return Remark.Refuse("Vital", "Choose a piece from the list.");
            yield break;
        }
        if (VitalKind.Find(kept.Kind) is { HasFigure: true } kind && Figure is null)
            yield return Remark.Refuse("Figure", $"Read it and type the figure: {kind.Passes(hand)} passes.");
        if (Figure is { } f && !(Math.Abs(f) <= MostFigure))
            yield return Remark.Refuse("Figure", "A figure up to a million.");
        if (!Passed && string.IsNullOrWhiteSpace(Text))
            yield return Remark.Refuse("Text", "Say what failed: whoever mends it will ask.");
        if (Text.Length > 300)
            yield return Remark.Refuse("Text", "At most 300 letters.");
    }
}
