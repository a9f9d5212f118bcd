using Dorsk.Core.Judging;
using Dorsk.Core.Water;

namespace Dorsk.Web.Slips;

/// <summary>Values read at a pond.</summary>
internal sealed class ReadingSlip : ISlip
{
    public string Key => "reading";

    public string Title => "Reading";

    public string Button => "Keep this reading";

    public bool OfPond => true;

    public string FactKind => nameof(ReadingTaken);

    public string Section => "water";

    public string Caution => "Alone at night by the water: tell somebody, wear a vest.";

    public IReadOnlyList<SlipField> Fields(SlipContext c) => [.. Lines.When(c), .. Readings.Fields(c, Parameter.All.Where(p => !p.OfFarm))];

    public Filled Read(SlipForm form, SlipContext c) => Readings.Read(form, c, Parameter.All.Where(p => !p.OfFarm), c.PondId, c.Story!.Pond.Code);
}

/// <summary>Weather of the farm, typed by hand.</summary>
internal sealed class WeatherSlip : ISlip
{
    public string Key => "weather";

    public string Title => "Weather";

    public string Button => "Keep the weather";

    public bool OfPond => false;

    public string FactKind => nameof(ReadingTaken);

    public string Section => "";

    public IReadOnlyList<SlipField> Fields(SlipContext c) => [.. Lines.When(c), .. Readings.Fields(c, Parameter.All.Where(p => p.OfFarm))];

    public Filled Read(SlipForm form, SlipContext c) => Readings.Read(form, c, Parameter.All.Where(p => p.OfFarm), null, "weather");
}

/// <summary>Lines for parameters, shared by pond and weather.</summary>
internal static class Readings
{
    public static IEnumerable<SlipField> Fields(SlipContext c, IEnumerable<Parameter> parameters)
    {
        var old = c.Old<ReadingTaken>();
        foreach (var p in parameters)
        {
            var value = old?.Values.FirstOrDefault(v => v.Parameter == p);
            yield return new(p.Key, Upper(p.Name), FieldKind.Quantity, Lines.Plain(c, value?.Si, p.Measure), p.Measure, Hint(c, p));
        }
    }

    public static Filled Read(SlipForm form, SlipContext c, IEnumerable<Parameter> parameters, long? pond, string where)
    {
        var values = parameters.Select(p => (p, Si: form.MaybeQuantity(p.Key, p.Measure))).Where(v => v.Si is not null).Select(v => new Value(v.p, v.Si!.Value)).ToList();
        if (values.Count == 0 && form.Remarks.Count == 0)
            form.Refuse("", "Nothing was read yet. Type at least one value.");
        var typed = where + " " + string.Join(' ', values.Select(v => $"{v.Parameter.Key} {form.Text(v.Parameter.Key)}"));
        return new(form.When(), [new ReadingTaken(pond, values)], typed, []);
    }

    private static string Hint(SlipContext c, Parameter p)
    {
        var last = c.Story?.LastOf(p);
        var usual = $"usual {c.Here.Say(p.UsualLow, p.Measure)} to {c.Here.Say(p.UsualHigh, p.Measure)}";
        return last is { } l ? $"last {c.Here.Say(l.Si, p.Measure)}, {c.Here.Hour(l.At)}; {usual}" : usual;
    }

    private static string Upper(string name) => name == "pH" ? name : char.ToUpperInvariant(name[0]) + name[1..];
}
