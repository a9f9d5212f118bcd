using Dorsk.Core.Judging;
using Dorsk.Core.Units;

namespace Dorsk.Core.Season;

/// <summary>The one sentence over the day.</summary>
/// <param name="Title">What lies ahead.</param>
/// <param name="Note">What is known of it, and how many ponds need work.</param>
public sealed record Headline(string Title, string Note)
{
    private const double CalmMs = 1.5,
        FreshMs = 4,
        CloudyEighths = 5,
        ClearEighths = 2;

    /// <summary>By the hour: the night ahead, or the morning after it.</summary>
    public static Headline Of(FarmDay d)
    {
        var act = d.Stocked.Count(p => p.Judgement.Status == Status.ActNow);
        var watch = d.Stocked.Count(p => p.Judgement.Status == Status.Watch);
        var isMorning = d.Now > d.Sunrise && d.Zone.LocalAt(d.Now).Hour < 12;
        var work = (d.Stocked.Count, act, watch) switch
        {
            (0, _, _) => "No fish stand on this farm yet.",
            (_, > 0, _) =>
                $"{(act == 1 ? "One pond needs" : $"{act} ponds need")} work{(isMorning ? "" : " before the night is over")}.",
            (_, _, > 0) => $"Nothing to act on; {(watch == 1 ? "one pond" : $"{watch} ponds")} to watch.",
            _ => "Nothing to act on.",
        };
        return new(d.Zone.LocalAt(d.Now).Hour is >= 4 and < 12 ? Morning(d) : Night(d), $"{Weather(d)} {work}".Trim());
    }

    private static string Morning(FarmDay d)
    {
        var read = d.Stocked.Count(p => p.Readings.Any(m => m.At >= d.Sunrise.AddMinutes(-105)));
        if (d.Stocked.Count == 0)
            return "Good morning";
        if (read == 0)
            return "Morning: no pond is read yet";
        return read < d.Stocked.Count
            ? $"Morning: {read} of {d.Stocked.Count} ponds are read"
            : "Morning: every pond is read";
    }

    private static string Night(FarmDay d)
    {
        var wind = d.WindMs switch
        {
            null => "",
            < CalmMs => "calm",
            < FreshMs => "light wind",
            _ => "windy",
        };
        var sky = d.CloudEighths switch
        {
            null => "",
            >= CloudyEighths => "cloudy",
            <= ClearEighths => "clear",
            _ => "half-clouded",
        };
        var words = string.Join(", ", new[] { wind, sky }.Where(s => s.Length > 0));
        return words.Length == 0 ? "The night ahead" : char.ToUpperInvariant(words[0]) + words[1..] + " night ahead";
    }

    private static string Weather(FarmDay d)
    {
        if (d.WindMs is null && d.CloudEighths is null && d.AirC is null)
            return "No weather was written today.";
        List<string> said = [];
        if (d.WindMs is { } w)
            said.Add("wind " + d.Say(w, Measures.Wind));
        if (d.CloudEighths is { } c)
            said.Add(FormattableString.Invariant($"cloud {c:0}/8"));
        if (d.AirC is { } a)
            said.Add("air " + d.Say(a, Measures.Temperature));
        var text = string.Join(", ", said);
        return char.ToUpperInvariant(text[0]) + text[1..] + " as written today.";
    }
}
