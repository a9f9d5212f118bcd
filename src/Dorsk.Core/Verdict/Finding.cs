using Dorsk.Core.Judging;
using Dorsk.Core.Water;

namespace Dorsk.Core.Verdict;

/// <summary>What one rule found in a pond.</summary>
/// <param name="Rule">Name of the rule.</param>
/// <param name="Status">How grave it is.</param>
/// <param name="Reason">The figure, the limit, what it means.</param>
public sealed record Finding(string Rule, Status Status, string Reason)
{
    /// <summary>What was read; null where it is no reading.</summary>
    public Parameter? Of { get; init; }

    /// <summary>What to do first; empty when nothing is to be done.</summary>
    public string Do { get; init; } = "";

    /// <summary>How it was judged.</summary>
    public required Grounds Why { get; init; }

    /// <summary>The figure that was judged, SI, where it is not what was read.</summary>
    public double? Si { get; init; }

    /// <summary>What helps and is dosed on the workbench, the first first.</summary>
    public IReadOnlyList<Remedy> Helps { get; init; } = [];

    /// <summary>Whether the watch rings for it, and calls people when it says Act now.</summary>
    public bool Rings { get; init; }

    /// <summary>What it leaves of a meal, 0 to 1.</summary>
    public double FeedFactor { get; init; } = 1;

    /// <summary>Whether no fish may go into this water while it stands.</summary>
    public bool ShutsGate { get; init; }

    /// <summary>Whether it is that the water is too warm.</summary>
    public bool Hot { get; init; }

    /// <summary>As a judgement.</summary>
    public Judgement Judgement => new(Status, Reason);
}
