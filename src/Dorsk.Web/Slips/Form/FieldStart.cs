using System.Globalization;
using Dorsk.Core.Units;

namespace Dorsk.Web.Slips;

/// <summary>What the lines of a form start from.</summary>
public interface IFieldStart
{
    /// <summary>The farm.</summary>
    Here Here { get; }
}

/// <summary>Lines of a form, each by how it is filled in.</summary>
public static class FieldStart
{
    /// <summary>A heading between lines.</summary>
    public static SlipField Heading(this IFieldStart _, string label, string name = "") =>
        new(name, label, FieldKind.Heading);

    /// <summary>The lines from here on are folded away until they are wanted.</summary>
    public static SlipField Fold(this IFieldStart _, string label, string name = "") =>
        new(name, label, FieldKind.Fold);

    /// <summary>A species of the farm's list: those it stocks first, its own too.</summary>
    /// <param name="start">What it starts from.</param>
    /// <param name="name">Name in the form and in remarks.</param>
    /// <param name="label">What the person reads.</param>
    /// <param name="key">Key of the one that is chosen at first; one that is no longer listed stays as it is.</param>
    /// <param name="none">Words of a first choice that names none; null: one must be chosen.</param>
    public static SlipField Fish(this IFieldStart start, string name, string label, string key, string? none = null) =>
        new(
            name,
            label,
            FieldKind.Choice,
            key,
            Options:
            [
                .. none is null ? Array.Empty<(string, string)>() : [("", none)],
                .. start.Here.AllSpecies.Select(s => (s.Key, s.Name)),
            ]
        );

    /// <summary>A figure with a unit, which stands in it as it would be typed.</summary>
    /// <param name="start">What it starts from.</param>
    /// <param name="name">Name in the form and in remarks.</param>
    /// <param name="label">What the person reads.</param>
    /// <param name="measure">The quantity.</param>
    /// <param name="si">The figure, SI; null: the line is empty.</param>
    public static SlipField Quantity(
        this IFieldStart start,
        string name,
        string label,
        Measure measure,
        double? si = null
    ) => new(name, label, FieldKind.Quantity, si is { } value ? start.Here.TypedAlone(value, measure) : "", measure);

    /// <summary>A figure with a unit and what stands in it.</summary>
    public static SlipField Quantity(this IFieldStart _, string name, string label, Measure measure, string typed) =>
        new(name, label, FieldKind.Quantity, typed, measure);

    /// <summary>A whole number.</summary>
    public static SlipField Whole(this IFieldStart _, string name, string label, string typed = "") =>
        new(name, label, FieldKind.Whole, typed);

    /// <summary>A whole number.</summary>
    public static SlipField Whole(this IFieldStart _, string name, string label, long? number) =>
        new(name, label, FieldKind.Whole, number?.ToString(CultureInfo.InvariantCulture) ?? "");

    /// <summary>Free text.</summary>
    public static SlipField Words(this IFieldStart _, string name, string label, string typed = "") =>
        new(name, label, FieldKind.Words, typed);

    /// <summary>A farm day.</summary>
    public static SlipField Day(this IFieldStart _, string name, string label, DateOnly? day = null) =>
        new(name, label, FieldKind.Day, day?.ToString("yyyy-MM-dd", CultureInfo.InvariantCulture) ?? "");

    /// <summary>A farm day as it is typed.</summary>
    public static SlipField Day(this IFieldStart _, string name, string label, string typed) =>
        new(name, label, FieldKind.Day, typed);

    /// <summary>A time of day.</summary>
    public static SlipField Hour(this IFieldStart _, string name, string label, string typed = "") =>
        new(name, label, FieldKind.Hour, typed);

    /// <summary>Yes or no.</summary>
    public static SlipField Yes(this IFieldStart _, string name, string label, string typed = "") =>
        new(name, label, FieldKind.Yes, typed);

    /// <summary>Yes or no of something that must be looked at or tried first: nothing is chosen beforehand.</summary>
    /// <param name="start">What it starts from.</param>
    /// <param name="name">Name in the form and in remarks.</param>
    /// <param name="label">What the person reads.</param>
    /// <param name="old">What was said before, or null.</param>
    /// <param name="notYet">Word for nobody having looked.</param>
    public static SlipField Looked(
        this IFieldStart start,
        string name,
        string label,
        bool? old,
        string notYet = "not looked yet"
    ) =>
        start.Choice(
            name,
            label,
            old is { } said
                ? said
                    ? "yes"
                    : "no"
                : "",
            [("", notYet), ("yes", "yes"), ("no", "no")]
        );

    /// <summary>One of several, by value.</summary>
    public static SlipField Choice(
        this IFieldStart _,
        string name,
        string label,
        string value,
        IReadOnlyList<(string Value, string Text)> options
    ) => new(name, label, FieldKind.Choice, value, Options: options);

    /// <summary>One of several, by value.</summary>
    public static SlipField Choice<T>(
        this IFieldStart start,
        string name,
        string label,
        T value,
        IReadOnlyList<(string Value, string Text)> options
    )
        where T : struct, Enum => start.Choice(name, label, value.ToString(), options);

    /// <summary>The same line with a hint: usual range, or what to type.</summary>
    public static SlipField WithHint(this SlipField field, string hint) => field with { Hint = hint };

    /// <summary>The same line with its unit.</summary>
    public static SlipField In(this SlipField field, Measure measure) => field with { Measure = measure };
}
