namespace Dorsk.Core.Ponds;

/// <summary>What an empty pond waits for.</summary>
public enum EmptyState
{
    /// <summary>Declared ready.</summary>
    Ready,

    /// <summary>Being prepared.</summary>
    Prepared,

    /// <summary>Nothing is done with it.</summary>
    Resting,

    /// <summary>It leaks.</summary>
    Leaking,

    /// <summary>Something is broken.</summary>
    ToMend,
}

/// <summary>Whether an empty pond can be used.</summary>
/// <param name="State">State.</param>
/// <param name="Since">Since when, where it is known.</param>
/// <param name="Words">In words.</param>
public sealed record EmptyPond(EmptyState State, DateTimeOffset? Since, string Words)
{
    private static readonly PondWork[] Mends = [PondWork.Mended, PondWork.BottomMended, PondWork.LinerMended];

    /// <summary>Whether fish places of this pond count as free.</summary>
    public bool IsUsable => State is not (EmptyState.Leaking or EmptyState.ToMend);

    /// <summary>By what was written down, what stands against use first.</summary>
    /// <param name="works">Works and findings, the newest first.</param>
    /// <param name="preparing">Whether a preparation is under way.</param>
    /// <param name="emptiedAt">When the last fish left: what was declared ready before was ready for them.</param>
    public static EmptyPond Of(
        IReadOnlyList<(DateTimeOffset At, PondWork Work, string Text, double? Kg)> works,
        bool preparing,
        DateTimeOffset emptiedAt
    )
    {
        var leak = works.FirstOrDefault(w => w.Work is PondWork.LeakFound or PondWork.HeldWater);
        if (leak.Work == PondWork.LeakFound && works.Count > 0)
            return new(EmptyState.Leaking, leak.At, Said("leaking", leak.Text));
        var broken = works.FirstOrDefault(w => w.Work == PondWork.ToMend || Mends.Contains(w.Work));
        if (broken.Work == PondWork.ToMend && works.Count > 0)
            return new(EmptyState.ToMend, broken.At, Said("waits for mending", broken.Text));
        var ready = works.FirstOrDefault(w => w.Work is PondWork.DeclaredReady or PondWork.Drained);
        if (ready.Work == PondWork.DeclaredReady && works.Count > 0 && ready.At > emptiedAt)
            return new(EmptyState.Ready, ready.At, "ready to stock");
        return preparing
            ? new(EmptyState.Prepared, null, "being prepared")
            : new(EmptyState.Resting, works.Count > 0 ? works[0].At : null, "resting");
    }

    private static string Said(string word, string text) => text.Length > 0 ? $"{word}: {text}" : word;
}
