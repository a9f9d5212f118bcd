using System.Globalization;
using Dorsk.Core.Ponds;
using Dorsk.Core.Units;

namespace Dorsk.Web.Slips;

/// <summary>Aerators that differ from each other: a few lines for each, so that no timer is written over that nobody touched.</summary>
internal static class AeratorRows
{
    private const int Most = 40;

    /// <summary>Lines for each that is fitted, and for one more.</summary>
    public static IEnumerable<SlipField> Fields(SlipContext c, IReadOnlyList<Aerator> fitted)
    {
        foreach (var (a, i) in fitted.Append(null).Take(Most).Select((a, i) => (a, i + 1)))
        {
            yield return c.Heading(a is null ? "One more" : $"Aerator {a.Code}");
            yield return c.Words("Code" + i, "Name", a?.Code ?? "")
                .WithHint(a is null ? "empty: no more" : "empty: it is gone");
            yield return c.Choice(
                "Kind" + i,
                "Kind",
                (a?.Kind ?? AeratorKind.All[1]).Name,
                AeratorKind.All.Select(k => (k.Name, TableText.In(k.Name, c.Here.Hand))).ToList()
            );
            yield return c.Quantity("Power" + i, "Rated power", Measures.Power, a?.ShaftKW);
            yield return c.Hour("On" + i, "On at", Hour(a?.On)).WithHint("empty: no timer");
            yield return c.Hour("Off" + i, "Off at", Hour(a?.Off));
            foreach (var field in Machine(c, a, i))
                yield return field;
        }
    }

    // What drives it, where it pushes, how it is geared: filled in when it is known.
    private static IEnumerable<SlipField> Machine(SlipContext c, Aerator? a, int i)
    {
        yield return c.Choice("Source" + i, "Driven by", (a?.Source ?? PowerSource.Mains).ToString(), Sources);
        yield return c.Yes("Standby" + i, "Waits in the shed", a?.Standby == true ? "true" : "")
            .WithHint("an alarm names it when all others run");
        yield return c.Whole("Heading" + i, "Pushes towards", (long?)a?.HeadingDeg)
            .WithHint("degrees from north: 90 is east; may be empty");
        yield return c.Whole("Ramp" + i, "Minutes to full speed", (long?)a?.RampMin)
            .WithHint("about five for large paddles, to spare the gears");
        yield return c.Whole("Rpm" + i, "Motor, turns a minute", (long?)a?.MotorRpm).WithHint("from its plate");
        yield return c.Quantity("Gear" + i, "All gears together", Measures.Factor, a?.GearRatio)
            .WithHint("turns of the motor for one of the shaft; two gearboxes multiply, 10 × 6 = 60");
    }

    private static readonly (string, string)[] Sources =
    [
        (nameof(PowerSource.Mains), "mains"),
        (nameof(PowerSource.Engine), "engine of its own"),
        (nameof(PowerSource.Tractor), "tractor"),
        (nameof(PowerSource.Solar), "sun and battery"),
    ];

    /// <summary>What drives a machine, in words.</summary>
    public static string Word(PowerSource source) => Sources.First(s => s.Item1 == source.ToString()).Item2;

    /// <summary>Whether the form was filled in line by line.</summary>
    public static bool Shown(SlipForm form) => form.Has("Code1");

    /// <summary>Reads them; a line without a name is left out.</summary>
    public static Filled Read(SlipForm form, SlipContext c)
    {
        var rows = Enumerable.Range(1, Most).Where(i => !form.Empty("Code" + i)).ToList();
        var fitted = rows.ConvertAll(i => One(form, i));
        foreach (
            var i in rows.Where(i =>
                rows.Exists(o =>
                    o < i
                    && string.Equals(form.Text("Code" + o), form.Text("Code" + i), StringComparison.OrdinalIgnoreCase)
                )
            )
        )
            form.Refuse("Code" + i, "Another aerator has this name.");
        return new(
            form.When(),
            [new AeratorsFitted(c.PondId, fitted)],
            $"{c.Story!.Pond.Code} {fitted.Count} aerators, {fitted.Count(a => a.On is not null)} on timer",
            []
        );
    }

    private static Aerator One(SlipForm form, int i)
    {
        var kind = form.Choice(
            "Kind" + i,
            AeratorKind.All.Select(k => (k.Name, k)).ToList(),
            "kind",
            AeratorKind.All[1]
        );
        var (on, off) = (Hour(form, "On" + i), Hour(form, "Off" + i));
        if (on is null != off is null)
            form.Refuse(
                (on is null ? "On" : "Off") + i,
                "A timer has both hours. Type this one too, or leave both empty."
            );
        else if (on is not null && on == off)
            form.Refuse("Off" + i, "On and off at the same minute would never run. For all day type 12:00 to 11:59.");
        return Driven(form, i, new(form.Text("Code" + i), kind, form.Quantity("Power" + i, Measures.Power), on, off));
    }

    private static Aerator Driven(SlipForm form, int i, Aerator plain)
    {
        double? Number(string field) => form.MaybeWhole(field + i, "figure");
        return plain with
        {
            Source = form.Choice(
                "Source" + i,
                Enum.GetValues<PowerSource>().Select(s => (s.ToString(), s)).ToList(),
                "source of power",
                PowerSource.Mains
            ),
            Standby = form.Yes("Standby" + i),
            HeadingDeg = Number("Heading"),
            RampMin = Number("Ramp"),
            MotorRpm = Number("Rpm"),
            GearRatio = form.MaybeQuantity("Gear" + i, Measures.Factor),
        };
    }

    private static TimeOnly? Hour(SlipForm form, string field)
    {
        if (form.Empty(field))
            return null;
        if (SlipForm.TryHour(form.Text(field), out var hour))
            return hour;
        form.Refuse(field, "Type the hour, such as 20:00.");
        return null;
    }

    private static string Hour(TimeOnly? t) => t?.ToString("HH:mm", CultureInfo.InvariantCulture) ?? "";
}
