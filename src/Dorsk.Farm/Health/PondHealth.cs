using Dorsk.Core.Health;
using Dorsk.Core.Stock;

namespace Dorsk.Farm.Health;

/// <summary>A treatment with its product and what was written of its bath.</summary>
/// <param name="Line">Its line in the log.</param>
/// <param name="At">When it was begun.</param>
/// <param name="By">Who wrote it.</param>
/// <param name="Given">The treatment.</param>
/// <param name="Product">The product, as its label was described then.</param>
/// <param name="Bath">What was written of its bath, in order.</param>
public sealed record TreatmentLine(
    long Line,
    DateTimeOffset At,
    string By,
    TreatmentGiven Given,
    ProductDescribed Product,
    IReadOnlyList<(DateTimeOffset At, string By, BathNoted Fact)> Bath
);

/// <summary>An investigation as it stands.</summary>
/// <param name="Line">Line of its last state.</param>
/// <param name="BeganAt">When it was begun.</param>
/// <param name="At">When it was last written to.</param>
/// <param name="By">Who wrote last.</param>
/// <param name="Look">What is known.</param>
public sealed record LookLine(long Line, DateTimeOffset BeganAt, DateTimeOffset At, string By, HealthLook Look);

/// <summary>What the log has of the health of one pond.</summary>
/// <param name="Treatments">Treatments, in order of time.</param>
/// <param name="Looks">Investigations as they stand, in order of beginning.</param>
/// <param name="Hold">The hold that stands, or null.</param>
/// <param name="Hunters">Hunters that were seen, in order of time.</param>
/// <param name="Barriers">What was done to its barriers, in order of time.</param>
public sealed record PondHealth(
    IReadOnlyList<TreatmentLine> Treatments,
    IReadOnlyList<LookLine> Looks,
    PondHold? Hold,
    IReadOnlyList<(long Line, DateTimeOffset At, HunterSeen Seen)> Hunters,
    IReadOnlyList<(DateTimeOffset At, BarrierChecked Fact)> Barriers
)
{
    /// <summary>Nothing was ever written.</summary>
    public static readonly PondHealth None = new([], [], null, [], []);
}
