using System.Globalization;
using System.Text.RegularExpressions;
using Dorsk.Core.Units;
using Dorsk.Core.Water;
using Dorsk.Farm.Estimates;

namespace Dorsk.Web.Slips;

/// <summary>Values read at a pond: the usual ones of this pond on top, the others folded away.</summary>
internal sealed class ReadingSlip : ISlip
{
    private const int Usual = 6,
        UsualDays = 60;

    public string Key => "reading";

    public string Title => "Reading";

    public string Button => "Save this reading";

    public bool OfPond => true;

    public string FactKind => nameof(ReadingTaken);

    public string Section => "water";

    public string Caution => "Alone at night by the water: tell somebody, wear a vest.";

    public IReadOnlyList<SlipField> Fields(SlipContext c)
    {
        var old = c.Old<ReadingTaken>();
        var order = InOrder(c.Story!, c.Here.Now, old);
        var values = Readings.Fields(c, order).ToList();
        return
        [
            .. Lines.When(c),
            .. values.Take(Usual),
            c.Fold("More values, instrument, depth"),
            .. values.Skip(Usual),
            .. Readings.How(c),
        ];
    }

    public Filled Read(SlipForm form, SlipContext c) =>
        Readings.Read(form, c, Parameter.All.Where(p => !p.OfFarm), c.PondId, c.Story!.Pond.Code);

    // What was read here most often of late, so that a round is typed from the top down.
    private static IEnumerable<Parameter> InOrder(PondStory story, DateTimeOffset now, ReadingTaken? old) =>
        Parameter
            .All.Where(p => !p.OfFarm)
            .OrderByDescending(p => old?.Values.Any(v => v.Parameter == p) == true)
            .ThenByDescending(p =>
                story.ReadingsOf[p].Count(t => t.At > now.AddDays(-UsualDays)) is var n && n > 0
                    ? 1 + Math.Min(n, 3)
                    : 0
            );
}

/// <summary>Weather of the farm, typed by hand.</summary>
internal sealed class WeatherSlip : ISlip
{
    public string Key => "weather";

    public string Title => "Weather";

    public string Button => "Save the weather";

    public bool OfPond => false;

    public string FactKind => nameof(ReadingTaken);

    public string Section => "";

    public string After => "/weather";

    public IReadOnlyList<SlipField> Fields(SlipContext c) =>
        [.. Lines.When(c), .. Readings.Fields(c, Parameter.All.Where(p => p.OfFarm))];

    public Filled Read(SlipForm form, SlipContext c) =>
        Readings.Read(form, c, Parameter.All.Where(p => p.OfFarm), null, "weather");
}

/// <summary>Lines for parameters, shared by pond and weather.</summary>
internal static partial class Readings
{
    public static IEnumerable<SlipField> Fields(SlipContext c, IEnumerable<Parameter> parameters)
    {
        var old = c.Old<ReadingTaken>();
        foreach (var p in parameters)
        {
            var value = old?.Values.FirstOrDefault(v => v.Parameter == p);
            if (p.Steps.Count > 0)
                yield return c.Choice(
                    p.Key,
                    Pages.Words.Sentence(p.Name),
                    value is null ? "" : value.Si.ToString("0", CultureInfo.InvariantCulture),
                    [
                        ("", "not looked at"),
                        .. p.Steps.Select((s, i) => ((i + 1).ToString(CultureInfo.InvariantCulture), s)),
                    ]
                );
            else
                yield return c.Quantity(
                        p.Key,
                        Pages.Words.Sentence(p.Name),
                        p.Measure,
                        value?.Step is { } step
                            ? $"{Lines.Plain(c, step.Low, p.Measure)}-{Lines.Plain(c, step.High, p.Measure)}"
                            : Lines.Plain(c, value?.Si, p.Measure)
                    )
                    .WithHint(Hint(c, p));
        }
    }

    /// <summary>With what and how deep, for all values of the slip.</summary>
    public static IEnumerable<SlipField> How(SlipContext c)
    {
        var old = c.Old<ReadingTaken>()?.Values;
        var list = c.Questions.Instruments().Select(i => i.Kept.Name).ToList();
        var one = old?.Select(v => v.Instrument).Distinct().ToList() is [{ Length: > 0 } name] ? name : "";
        if (one.Length > 0 && !list.Contains(one))
            list.Add(one);
        yield return c.Choice(
                "Instrument",
                "Read with",
                one,
                [("", "each with its usual instrument"), .. list.Select(n => (n, n))]
            )
            .WithHint(
                list.Count == 0
                    ? "list your instruments under Setup"
                    : "of a strip type both ends of the step, such as 20-40"
            );
        yield return c.Quantity("Depth", "At a depth of", Measures.Length, old is { Count: > 0 } ? old[0].DepthM : null)
            .WithHint("empty: where it is always read");
    }

    public static Filled Read(SlipForm form, SlipContext c, IEnumerable<Parameter> parameters, long? pond, string where)
    {
        var known = pond is null ? [] : c.Questions.Instruments().Select(i => i.Kept).ToList();
        var chosen = form.Text("Instrument");
        if (chosen.Length > 60)
            form.Refuse("Instrument", "Choose the instrument from the list.");
        var depth = pond is null ? null : form.MaybeQuantity("Depth", Measures.Length);
        var values = parameters.Select(p => One(form, p, By(known, chosen, p), depth)).OfType<Value>().ToList();
        if (values.Count == 0 && form.Remarks.Count == 0)
            form.Refuse("", "Nothing was read yet. Type at least one value.");
        var typed =
            where
            + " "
            + string.Join(' ', values.Select(v => $"{v.Parameter.Key} {form.Text(v.Parameter.Key)}"))
            + (chosen.Length > 0 ? " with " + chosen : "");
        return new(form.When(), [new ReadingTaken(pond, values)], typed, []);
    }

    // The one that was chosen; else the only one in the list that reads it.
    private static (string Name, bool Strip) By(List<InstrumentKept> known, string chosen, Parameter p)
    {
        var by = known.FirstOrDefault(i => i.Name == (chosen.Length > 0 ? chosen : InstrumentKept.Usual(known, p)));
        return by is null ? (chosen, false) : (by.Name, by.Kind == InstrumentKind.Strip);
    }

    private static Value? One(SlipForm form, Parameter p, (string Name, bool Strip) by, double? depth)
    {
        var text = form.Text(p.Key);
        if (p.Steps.Count > 0 && text.Length > 0)
            return new(
                p,
                form.Choice(
                    p.Key,
                    p.Steps.Select((_, i) => ((i + 1).ToString(CultureInfo.InvariantCulture), i + 1)).ToList(),
                    "step",
                    1
                ),
                depth,
                by.Name
            );
        if (by.Strip && Range().Match(text) is { Success: true } range)
        {
            var ends = new[] { 1, 2 }
                .Select(i => QuantityText.Read(range.Groups[i].Value, p.Measure, form.Here.Hand))
                .ToList();
            if (ends.All(e => e.Si is not null) && ends[0].Si < ends[1].Si)
                return new(p, (ends[0].Si!.Value + ends[1].Si!.Value) / 2, depth, by.Name)
                {
                    Step = (ends[0].Si!.Value, ends[1].Si!.Value),
                };
            form.Refuse(p.Key, $"“{text}”: type the lower and the upper end of the strip's step, such as 20-40.");
            return null;
        }
        return form.MaybeQuantity(p.Key, p.Measure) is { } si ? new(p, si, depth, by.Name) : null;
    }

    private static string Hint(SlipContext c, Parameter p)
    {
        var last = c.Story?.LastOf(p);
        var usual = $"usual {c.Here.Say(p.UsualLow, p.Measure)} to {c.Here.Say(p.UsualHigh, p.Measure)}";
        return last is { } l ? $"last {c.Here.Say(l.Si, p.Measure)}, {c.Here.Hour(l.At)}; {usual}" : usual;
    }

    [GeneratedRegex(@"^\s*([^-–]+?)\s*(?:-|–|to)\s*([^-–]+?)\s*$", RegexOptions.None, 100)]
    private static partial Regex Range();
}
