using System.Globalization;
using Dorsk.Core.People;
using Dorsk.Core.Ponds;
using Dorsk.Core.Season;
using Dorsk.Core.Stock;
using Dorsk.Core.Water;
using Dorsk.Farm.Ask;
using Dorsk.Farm.Estimates;
using Dorsk.Web.People;
using Dorsk.Web.Slips;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace Dorsk.Web.Pages;

/// <summary>One pond on the sheet of a day.</summary>
/// <param name="Code">The pond.</param>
/// <param name="Fish">What stands in it, in words; empty without fish.</param>
/// <param name="Dawn">Lowest oxygen of the morning, and the temperature then.</param>
/// <param name="Afternoon">Highest oxygen from noon to eight, and the pH then.</param>
/// <param name="RationKg">Ration of today, kg; null on other days.</param>
/// <param name="FedKg">Feed given on the day, kg.</param>
/// <param name="Dead">Fish found dead.</param>
/// <param name="Works">Fertiliser, water changed, treatments, notes.</param>
/// <param name="Due">What is due at it, on today's sheet.</param>
public sealed record DayRow(
    string Code,
    string Fish,
    (double? MgL, double? TempC) Dawn,
    (double? MgL, double? Ph) Afternoon,
    double? RationKg,
    double FedKg,
    int Dead,
    IReadOnlyList<string> Works,
    IReadOnlyList<string> Due
);

/// <summary>Everything of one day on one sheet, in walking order: to look at, or to print and write on.</summary>
[Needs(Permission.Look)]
public sealed class DayModel(Questions questions, Here here) : PageModel
{
    public DateOnly Day { get; private set; }

    public bool IsToday => Day == here.Today;

    public IReadOnlyList<DayRow> Rows { get; private set; } = [];

    /// <summary>Due on the farm as a whole.</summary>
    public IReadOnlyList<string> Due { get; private set; } = [];

    /// <summary>Weather of the day, in words.</summary>
    public IReadOnlyList<string> Weather { get; private set; } = [];

    public IActionResult OnGet(string? day)
    {
        if (here.Farm is null)
            return Redirect("/slip/farm");
        Day = DateOnly.TryParseExact(day, "yyyy-MM-dd", CultureInfo.InvariantCulture, DateTimeStyles.None, out var d)
            ? d
            : here.Today;
        if (Day > here.Today)
            Day = here.Today;
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
        Weather = WeatherOf();
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
        double? On(Parameter p, bool morning) => s.DaysOf(p, morning, Day, Day) is [.., var last] ? last.Si : null;
        return new(
            s.Pond.Code,
            now is { Batches: [.., var b] }
                ? $"{here.Count(Math.Floor(b.Stands.Count.Value))} × {here.Say(b.Stands.MeanG.Value, Core.Units.Measures.FishWeight)}"
                : "",
            (On(Parameter.Oxygen, true), On(Parameter.Temperature, true)),
            (On(Parameter.Oxygen, false), On(Parameter.Ph, false)),
            now?.RationKg,
            s.FedOn(Day),
            s.Batches.SelectMany(b => b.Losses)
                .Where(l => l.Fact.To == Account.Dead && s.Zone.DayOf(l.At) == Day)
                .Sum(l => l.Fact.Count),
            [.. s.Works.Where(w => s.Zone.DayOf(w.At) == Day).Reverse().Select(w => Said(w))],
            [
                .. open.Where(j => j.PondId == s.Pond.Id)
                    .Select(j => j.What.Replace(s.Pond.Code + ": ", "", StringComparison.Ordinal)),
            ]
        );
    }

    private string Said((DateTimeOffset At, PondWork Work, string Text, double? Kg) w)
    {
        var word = w.Work == PondWork.Note ? "" : WorkSlip.Word(w.Work);
        var kg = w.Kg is { } mass ? here.Say(mass, Core.Units.Measures.Mass) : "";
        return string.Join(", ", new[] { word, kg, w.Text }.Where(t => t.Length > 0));
    }
}
