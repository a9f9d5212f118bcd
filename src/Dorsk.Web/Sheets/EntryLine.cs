using System.Globalization;
using Dorsk.Core.Sheets;
using Dorsk.Core.Units;
using Dorsk.Web.Slips;

namespace Dorsk.Web.Sheets;

/// <summary>One line of a sheet as a person would have typed it into the slip.</summary>
/// <param name="Typed">What stands in each field that the sheet says.</param>
/// <param name="Problems">What could not be read.</param>
public sealed record EntryLine(IReadOnlyDictionary<string, string> Typed, IReadOnlyList<CellProblem> Problems)
{
    // A sheet without a time means the morning round more often than midnight; the page says so.
    private const string UsualHour = "06:00";
    private static readonly string[] Nothing = ["", "-", "–", "n/a", "na", "nil", "null", "#n/a"];
    private static readonly string[] Yes = ["yes", "y", "true", "x", "1"],
        No = ["no", "n", "false", "0"];

    // So that a tenth stays a tenth after it went through another unit.
    private const int Decimals = 10;

    /// <summary>Reads the cells of one line.</summary>
    /// <param name="cells">Cells from the left.</param>
    /// <param name="map">What they mean.</param>
    /// <param name="hand">How the farm writes: the slip reads figures so.</param>
    public static EntryLine Read(IReadOnlyList<string> cells, EntryMap map, Hand hand)
    {
        var problems = new List<CellProblem>();
        var typed = new Dictionary<string, string>();
        foreach (var f in map.Fields.Where(f => f.IsSaid))
        {
            // What is the same in all lines is typed on the page, as the farm writes.
            var text = f.Column is { } c ? (c < cells.Count ? cells[c].Trim().Trim('\u00a0') : "") : f.Always;
            var how = f.Column is null ? map with { Sign = hand.Sign } : map;
            if (f.Field.Kind == FieldKind.Day)
                Day(text, f.Field.Name, map.Order, typed);
            else if (Nothing.Contains(text.ToLowerInvariant()))
                typed.TryAdd(f.Field.Name, "");
            else if (Cell(text, f, how, hand, out var read) is { } problem)
                problems.Add(new(f.Column ?? -1, problem));
            else
                typed[f.Field.Name] = read;
        }
        if (typed.GetValueOrDefault("Hour", "").Length == 0)
            typed["Hour"] = UsualHour;
        return new(typed, problems);
    }

    // What is no day is left as it stands: the slip says what is wrong with it.
    private static void Day(string text, string field, DayOrder order, Dictionary<string, string> typed)
    {
        var (day, hour) = SheetWhen.Part(text);
        typed[field] = SheetWhen.TryDay(day, order, out var read)
            ? read.ToString("yyyy-MM-dd", CultureInfo.InvariantCulture)
            : day;
        if (field == "Day" && SheetWhen.TryHour(hour.TrimEnd('Z'), out var h))
            typed["Hour"] = h.ToString("HH:mm", CultureInfo.InvariantCulture);
    }

    private static string? Cell(string text, EntryField f, EntryMap map, Hand hand, out string read)
    {
        read = text;
        switch (f.Field.Kind)
        {
            case FieldKind.Quantity:
                return Quantity(text, f, map.Sign, hand, out read);
            case FieldKind.Whole:
                var whole = NumberText.ReadWhole(text, map.Sign);
                read = whole.Value is { } n ? QuantityText.Plain(n, Decimals, hand.Sign) : text;
                return whole.Problem;
            case FieldKind.Hour:
                read = SheetWhen.TryHour(text, out var hour)
                    ? hour.ToString("HH:mm", CultureInfo.InvariantCulture)
                    : text;
                return null;
            case FieldKind.Yes:
                read = Yes.Contains(text.ToLowerInvariant()) ? "true" : "";
                return read.Length > 0 || No.Contains(text.ToLowerInvariant()) ? null : $"“{text}”: write yes or no.";
            case FieldKind.Choice:
                return Choice(text, f.Field, out read);
            default:
                return null;
        }
    }

    // A unit in the cell counts; a plain figure is in the unit of its column.
    private static string? Quantity(string text, EntryField f, DecimalSign sign, Hand hand, out string read)
    {
        read = text;
        var measure = f.Field.Measure ?? Measures.Plain;
        var plain = NumberText.Read(text, sign);
        var si = plain.Value is { } value
            ? f.Unit?.ToSi(value) ?? value
            : QuantityText.Read(text, measure, hand with { Sign = sign }).Si;
        if (si is not { } known)
            // Lengths and counts per kilogram stand for a weight: the slip reads them itself.
            return f.Field.Name == "MeanWeight" ? null : plain.Problem;
        read = QuantityText.Plain(measure.In(hand).FromSi(known), Decimals, hand.Sign);
        return null;
    }

    /// <summary>The value of the choice that a cell names: by its value, its words, or the start of them.</summary>
    private static string? Choice(string text, SlipField field, out string read)
    {
        var options = field.Options ?? [];
        bool Same(string a) => string.Equals(a, text, StringComparison.OrdinalIgnoreCase);
        // Its very words go before its value, and its value before words that only begin so.
        Func<(string Value, string Text), bool>[] ways =
        [
            o => Same(o.Text),
            o => o.Value.Length > 0 && Same(o.Value),
            o => o.Value.Length > 0 && Starts(o.Text, text),
        ];
        var hits = ways.SelectMany(way => options.Where(way)).ToList();
        read = hits.Count > 0 ? hits[0].Value : "";
        return hits.Count > 0
            ? null
            : $"“{text}” is none of: {string.Join(", ", options.Select(o => o.Text).Take(12))}.";
    }

    private static bool Starts(string option, string text) =>
        text.Length > 2 && option.StartsWith(text, StringComparison.OrdinalIgnoreCase);
}
