using System.Globalization;
using Dorsk.Core.Judging;
using Dorsk.Core.Species;
using Dorsk.Core.Units;

namespace Dorsk.Web.Slips;

/// <summary>What a person typed, read line by line. Every misreading becomes a remark at its field; nothing typed is lost.</summary>
public sealed class SlipForm(IReadOnlyDictionary<string, string> typed, Here here)
{
    private readonly List<Remark> remarks = [];
    private readonly Dictionary<string, string> echoes = [];

    /// <summary>What could not be read.</summary>
    public IReadOnlyList<Remark> Remarks => remarks;

    /// <summary>What was understood where another unit was typed.</summary>
    public IReadOnlyDictionary<string, string> Echoes => echoes;

    /// <summary>The farm and how it writes.</summary>
    public Here Here => here;

    /// <summary>The text in a field, trimmed.</summary>
    public string Text(string field) => typed.GetValueOrDefault(field, "").Trim();

    /// <summary>Whether the form had this field at all.</summary>
    public bool Has(string field) => typed.ContainsKey(field);

    /// <summary>Whether a field was left empty.</summary>
    public bool Empty(string field) => Text(field).Length == 0;

    /// <summary>A tick.</summary>
    public bool Yes(string field) => Text(field) is "true" or "on" or "yes";

    /// <summary>Adds a refusal at a field.</summary>
    public void Refuse(string field, string text) => remarks.Add(Remark.Refuse(field, text));

    /// <summary>Adds a refusal of a rule, in the farm's units.</summary>
    public void Refuse(Remark remark) => Refuse(remark.Field, remark.For(here.Hand).Text);

    /// <summary>A species of the farm's list, with the farm's own figures; the first one with a remark when it is none of them.</summary>
    public FishSpecies Fish(string field) =>
        Choice(field, [.. here.AllSpecies.Select(s => (s.Key, s))], "species", here.AllSpecies[0]);

    /// <summary>The same where none may be chosen.</summary>
    public FishSpecies? MaybeFish(string field) => Empty(field) ? null : Fish(field);

    /// <summary>A wanted quantity in SI; NaN with a remark when it cannot be read.</summary>
    public double Quantity(string field, Measure measure) =>
        Empty(field) ? Missing(field, $"Type the {measure.Name} here.") : MaybeQuantity(field, measure) ?? double.NaN;

    /// <summary>A quantity in SI, or null when the field is empty or unreadable (then with a remark).</summary>
    public double? MaybeQuantity(string field, Measure measure)
    {
        if (Empty(field))
            return null;
        var read = QuantityText.Read(Text(field), measure, here.Hand);
        if (read.Problem is { } problem)
            Refuse(field, problem);
        if (read.Echo is { } echo)
            echoes[field] = "= " + echo;
        return read.Si;
    }

    /// <summary>A wanted mean weight of fish, g: a weight, how many make a kilogram or a pound, or their length, which the species' build brings to a weight.</summary>
    /// <param name="field">The field.</param>
    /// <param name="species">Whose length it is.</param>
    public double MeanWeight(string field, FishSpecies species)
    {
        if (QuantityText.Read(Text(field), Measures.FishWeight, here.Hand).Si is not null)
            return Quantity(field, Measures.FishWeight);
        var length = QuantityText.Read(Text(field), Measures.ShortLength, here.Hand).Si;
        if (length is not > 0)
            return Quantity(field, Measures.FishWeight);
        var grams = BodyLength.WeightG(species, length.Value * 100);
        echoes[field] = $"about {here.Say(grams, Measures.FishWeight)}, by length";
        return grams;
    }

    /// <summary>A wanted whole number; 0 with a remark when it cannot be read.</summary>
    public int Whole(string field, string what)
    {
        if (Empty(field))
            return (int)Missing(field, $"Type the {what} here.", 0);
        var read = NumberText.ReadWhole(Text(field), here.Hand.Sign);
        if (read.Value is not { } value)
            return (int)Missing(field, read.Problem!, 0);
        if (Text(field).Any(c => !char.IsAsciiDigit(c)))
            echoes[field] = "= " + here.Count(value);
        if (value % 1 != 0)
            return (int)Missing(field, $"“{Text(field)}”: {what} are whole. Type a whole number.", 0);
        return value is >= int.MinValue and <= int.MaxValue
            ? (int)value
            : (int)Missing(field, $"“{Text(field)}” is too large for a {what}. Check the figure.", 0);
    }

    /// <summary>A whole number, or null when the field is empty.</summary>
    public int? MaybeWhole(string field, string what) => Empty(field) ? null : Whole(field, what);

    /// <summary>Yes or no of something that must be looked at: nothing is chosen beforehand.</summary>
    public bool Looked(string field)
    {
        if (Text(field) is "no" or "false")
            return false;
        if (!Yes(field))
            Refuse(field, "Look, then choose yes or no: nothing is taken for granted here.");
        return true;
    }

    /// <summary>The instant of a date and an hour field on the farm's clock.</summary>
    public DateTimeOffset When(string dayField = "Day", string hourField = "Hour")
    {
        var day = Day(dayField);
        if (!TryHour(Text(hourField), out var hour))
            Refuse(
                hourField,
                Empty(hourField)
                    ? "Type the hour, such as 06:10."
                    : $"“{Text(hourField)}” is not an hour. Type it like 06:10."
            );
        return here.Zone.At(day.ToDateTime(hour), notAfter: here.Now);
    }

    /// <summary>An hour as people type it: 06:10, 6:10, 6.10, 0610.</summary>
    public static bool TryHour(string text, out TimeOnly hour) =>
        TimeOnly.TryParseExact(
            text.Replace('.', ':'),
            ["HH:mm", "H:mm", "HHmm", "Hmm"],
            CultureInfo.InvariantCulture,
            DateTimeStyles.None,
            out hour
        );

    /// <summary>A date.</summary>
    public DateOnly Day(string field)
    {
        string[] known = ["yyyy-MM-dd", "d MMM yyyy", "d MMMM yyyy", "d.M.yyyy"];
        if (
            DateOnly.TryParseExact(Text(field), known, CultureInfo.InvariantCulture, DateTimeStyles.None, out var day)
            && day.Year is >= 2000 and <= 2200
        )
            return day;
        Refuse(
            field,
            Empty(field)
                ? "Type the date."
                : $"“{Text(field)}” is not a date from 2000 on. Type it like 2026-11-01 or 1 Nov 2026."
        );
        return here.Today;
    }

    /// <summary>A choice that must be one of a list.</summary>
    public T Choice<T>(string field, IReadOnlyList<(string Value, T Item)> options, string what, T otherwise)
    {
        foreach (var (value, item) in options)
            if (value == Text(field))
                return item;
        Refuse(field, $"Choose the {what} from the list.");
        return otherwise;
    }

    private double Missing(string field, string text, double otherwise = double.NaN)
    {
        Refuse(field, text);
        return otherwise;
    }
}
