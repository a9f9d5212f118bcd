using Dorsk.Core.People;
using Dorsk.Core.Ponds;
using Dorsk.Core.Season;
using Dorsk.Core.Units;
using Dorsk.Core.Water;
using Dorsk.Farm.Ask;
using Dorsk.Farm.Estimates;
using Dorsk.Farm.Log;
using Dorsk.Web.DaySheets;
using Dorsk.Web.People;
using Dorsk.Web.Slips;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace Dorsk.Web.Pages;

/// <summary>One pond on the sheet of a day.</summary>
/// <param name="Code">The pond.</param>
/// <param name="Fish">What stands in it, in words; empty without fish.</param>
/// <param name="Figures">What was read, counted and fed.</param>
/// <param name="RationKg">Feed planned for the day, kg; null where no fish are fed.</param>
/// <param name="Works">Fertiliser, water changed, treatments, notes.</param>
/// <param name="Due">What is due at it, on today's sheet.</param>
public sealed record DayRow(
    string Code,
    string Fish,
    DayFigures Figures,
    double? RationKg,
    IReadOnlyList<string> Works,
    IReadOnlyList<string> Due
);

/// <summary>Everything of one day on one sheet, in walking order: to look at, or to print and write on.</summary>
[Needs(Permission.Look)]
public sealed class DayModel(Questions questions, Here here) : PageModel
{
    private const int DaysAhead = 31,
        PlannedHour = 10;

    public DateOnly Day { get; private set; }

    public bool IsToday => Day == here.Today;

    /// <summary>Whether it is printed without figures, to be written on; then it may be of a day to come.</summary>
    public bool IsBlank { get; private set; }

    public IReadOnlyList<DayRow> Rows { get; private set; } = [];

    /// <summary>Due on the farm as a whole.</summary>
    public IReadOnlyList<string> Due { get; private set; } = [];

    /// <summary>Weather of the day, in words.</summary>
    public IReadOnlyList<string> Weather { get; private set; } = [];

    public IActionResult OnGet(string? day, bool? blank)
    {
        if (here.Farm is null)
            return Redirect("/slip/farm");
        IsBlank = blank == true;
        Day = DayText.Day(day, here.Today, IsBlank ? here.Today.AddDays(DaysAhead) : here.Today);
        var today = IsToday ? questions.Today(here.Now) : null;
        var open = (today?.Jobs ?? []).Where(j => j.State is JobState.Open or JobState.Late).ToList();
        var stories = questions.Stories(_ => true).ToDictionary(s => s.Pond.Id);
        Rows =
        [
            .. questions
                .Ponds()
                .Where(p => p.Use != "settling" && stories.ContainsKey(p.Id))
                .Select(p => Row(stories[p.Id], today?.Ponds.FirstOrDefault(n => n.Story.Pond.Id == p.Id), open)),
        ];
        Due = [.. open.Where(j => j.PondId is null).Select(j => j.What)];
        Weather = IsBlank ? [] : WeatherOf();
        return Page();
    }

    private List<string> WeatherOf()
    {
        var (from, to) = (here.Zone.At(Day, TimeOnly.MinValue), here.Zone.At(Day.AddDays(1), TimeOnly.MinValue));
        var book = questions.Weather();
        return
        [
            .. Parameter
                .All.Where(p => p.OfFarm)
                .Select(p => (Parameter: p, Read: book[p].Between(from, to)))
                .Where(x => x.Read.Count > 0)
                .Select(x => $"{x.Parameter.Name} {here.Say(x.Read[^1].Si, x.Parameter)}"),
        ];
    }

    private DayRow Row(PondStory s, PondNow? now, List<Job> open)
    {
        var then = now ?? Then(s);
        return new(
            s.Pond.Code,
            then is { Batches: [.., var b] }
                ? $"{here.Count(Math.Floor(b.Stands.Count.Value))} × {here.Say(b.Stands.MeanG.Value, Measures.FishWeight)}"
                : "",
            IsBlank ? default : DayFigures.Of(s, Day),
            then is { Batches.Count: > 0 } ? then.RationKg : null,
            IsBlank ? [] : [.. WorksOf(s)],
            [
                .. open.Where(j => j.PondId == s.Pond.Id)
                    .Select(j => j.What.Replace(s.Pond.Code + ": ", "", StringComparison.Ordinal)),
            ]
        );
    }

    // As it stood that morning: what happened later plays no part in what was planned.
    private PondNow? Then(PondStory s)
    {
        var at = here.Zone.At(Day, new(PlannedHour, 0));
        return Day < here.Today
            ? questions.StoryAsOf(s.Pond.Code, new AsOf(at, DateTimeOffset.MaxValue))?.NowAt(at)
            : null;
    }

    private IEnumerable<string> WorksOf(PondStory s) =>
        s
            .Works.Where(w => s.Zone.DayOf(w.At) == Day)
            .Select(w => (w.At, Text: Said(w)))
            .Concat(
                s.Health.Treatments.Where(t => s.Zone.DayOf(t.At) == Day)
                    .Select(t => (t.At, Text: $"{t.Product.Name}, {here.Say(t.Given.AmountG / 1000, Measures.Mass)}"))
            )
            .OrderBy(w => w.At)
            .Select(w => w.Text);

    private string Said((DateTimeOffset At, PondWork Work, string Text, double? Kg) w)
    {
        var word = w.Work == PondWork.Note ? "" : WorkSlip.Word(w.Work);
        var kg = w.Kg is { } mass ? here.Say(mass, Measures.Mass) : "";
        return string.Join(", ", new[] { word, kg, w.Text }.Where(t => t.Length > 0));
    }
}
