using Dorsk.Core.People;
using Dorsk.Core.Season;
using Dorsk.Farm.Ask;
using Dorsk.Farm.Estimates;
using Dorsk.Web.DaySheets;
using Dorsk.Web.People;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace Dorsk.Web.Pages;

/// <summary>One column of a month's sheet.</summary>
/// <param name="Word">A pond, or a figure.</param>
/// <param name="Address">Where its own month is; empty where there is none.</param>
/// <param name="Column">How it is written.</param>
/// <param name="Years">This year's month, then those of the years before that have anything.</param>
public sealed record MonthShown(
    string Word,
    string Address,
    DayColumn Column,
    IReadOnlyList<(int Year, MonthColumn Month)> Years
);

/// <summary>A month, its days over each other: one figure of all ponds, or all figures of one pond, with the years beside each other.</summary>
[Needs(Permission.Look)]
public sealed class MonthModel(Questions questions, Here here) : PageModel
{
    private const int YearsBack = 2;

    /// <summary>First day of the month.</summary>
    public DateOnly Month { get; private set; }

    public bool IsNow => Month.Year == here.Today.Year && Month.Month == here.Today.Month;

    /// <summary>Code of the pond whose figures are shown; null for all ponds.</summary>
    public string? Pond { get; private set; }

    /// <summary>The figure that is shown of all ponds.</summary>
    public DayColumn What { get; private set; } = DayColumn.All[0];

    /// <summary>Codes of ponds in walking order.</summary>
    public IReadOnlyList<string> Ponds { get; private set; } = [];

    public IReadOnlyList<MonthShown> Columns { get; private set; } = [];

    public IActionResult OnGet(string? month, string? pond, string? what)
    {
        if (here.Farm is null)
            return Redirect("/slip/farm");
        Month = DayText.Month(month, here.Today);
        What = DayColumn.All.FirstOrDefault(c => c.Key == what) ?? What;
        var stories = questions.Stories(p => p.Use != "settling").ToDictionary(s => s.Pond.Id);
        var walked = questions.Ponds().Where(p => stories.ContainsKey(p.Id)).Select(p => stories[p.Id]).ToList();
        Ponds = [.. walked.Select(s => s.Pond.Code)];
        if (!string.IsNullOrEmpty(pond) && !Ponds.Contains(pond))
            return NotFound();
        Pond = string.IsNullOrEmpty(pond) ? null : pond;
        Columns = walked.Find(s => s.Pond.Code == Pond) is { } story
            ? [.. DayColumn.All.Select(c => new MonthShown(c.Word, "", c, Years(story, c)))]
            : [.. walked.Select(s => new MonthShown(s.Pond.Code, Address(Month, s.Pond.Code), What, Years(s, What)))];
        return Page();
    }

    /// <summary>Address of a month.</summary>
    /// <param name="month">The month.</param>
    /// <param name="pond">The pond; null for all.</param>
    public string Address(DateOnly month, string? pond) =>
        $"/month?month={DayText.OfMonth(month)}&"
        + (pond is null ? "what=" + What.Key : "pond=" + Uri.EscapeDataString(pond));

    private List<(int Year, MonthColumn Month)> Years(PondStory story, DayColumn column) =>
        [
            .. Enumerable
                .Range(0, YearsBack + 1)
                .Select(back => Month.AddYears(-back))
                .Select(m => (m.Year, MonthColumn.Of(m, day => column.Of(DayFigures.Of(story, day)))))
                .Where(y => y.Year == Month.Year || y.Item2.Written > 0),
        ];
}
