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
                AeratorKind.All.Select(k => (k.Name, k.Name)).ToList()
            );
            yield return c.Quantity("Power" + i, "Rated power", Measures.Power, a?.ShaftKW);
            yield return c.Hour("On" + i, "On at", Hour(a?.On)).WithHint("empty: no timer");
            yield return c.Hour("Off" + i, "Off at", Hour(a?.Off));
        }
    }

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
        return new(form.Text("Code" + i), kind, form.Quantity("Power" + i, Measures.Power), on, off);
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
