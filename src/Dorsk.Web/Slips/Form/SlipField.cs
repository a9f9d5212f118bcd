using Dorsk.Core.Units;

namespace Dorsk.Web.Slips;

/// <summary>How a line of a slip is filled in.</summary>
public enum FieldKind
{
    /// <summary>A figure with a unit.</summary>
    Quantity,

    /// <summary>A whole number.</summary>
    Whole,

    /// <summary>Words.</summary>
    Words,

    /// <summary>Codes in an order, with blanks between; the options are all there are.</summary>
    Order,

    /// <summary>One of a list.</summary>
    Choice,

    /// <summary>Yes or no.</summary>
    Yes,

    /// <summary>A date.</summary>
    Day,

    /// <summary>An hour.</summary>
    Hour,

    /// <summary>A heading between lines.</summary>
    Heading,

    /// <summary>A photo, kept by its hash; taken with scripts only.</summary>
    Photo,

    /// <summary>The lines from here on are folded away until they are wanted.</summary>
    Fold,
}

/// <summary>One line of a slip.</summary>
/// <param name="Name">Name in the form and in remarks.</param>
/// <param name="Label">What the person reads.</param>
/// <param name="Kind">How it is filled in.</param>
/// <param name="Initial">What stands in it at first.</param>
/// <param name="Measure">The quantity, for figures.</param>
/// <param name="Hint">Usual range, or what to type.</param>
/// <param name="Options">Choices: value and words.</param>
public sealed record SlipField(
    string Name,
    string Label,
    FieldKind Kind,
    string Initial = "",
    Measure? Measure = null,
    string Hint = "",
    IReadOnlyList<(string Value, string Text)>? Options = null
);
