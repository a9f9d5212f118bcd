using Dorsk.Core.Units;

namespace Dorsk.Core.Judging;

/// <summary>How serious an objection to what was typed is.</summary>
public enum Objection
{
    /// <summary>Cannot be entered as typed.</summary>
    Refuse,

    /// <summary>Can be entered once the person has said that it is meant.</summary>
    Ask,
}

/// <summary>A message that belongs at a field.</summary>
/// <param name="Field">The slip's field, as the fact names it; empty for the slip as a whole.</param>
/// <param name="Kind">Refuse or ask.</param>
/// <param name="Text">What, limit, what to do.</param>
public sealed record Remark(string Field, Objection Kind, string Text)
{
    /// <summary>The same in the farm's units, where its limits have units; null where it has none.</summary>
    private Func<Hand, string>? InUnits { get; init; }

    /// <summary>The remark as the farm reads it.</summary>
    public Remark For(Hand hand) => InUnits is { } words ? new(Field, Kind, words(hand)) : this;

    /// <summary>A refusal whose limits have units.</summary>
    /// <param name="field">The field.</param>
    /// <param name="text">What, limit, what to do, in the farm's units.</param>
    public static Remark Refuse(string field, Func<Hand, string> text) =>
        new(field, Objection.Refuse, text(Hand.Metric)) { InUnits = text };

    /// <summary>A refusal.</summary>
    public static Remark Refuse(string field, string text) => new(field, Objection.Refuse, text);

    /// <summary>A question.</summary>
    public static Remark Ask(string field, string text) => new(field, Objection.Ask, text);
}
