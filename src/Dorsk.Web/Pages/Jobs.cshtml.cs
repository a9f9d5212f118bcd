using Dorsk.Core.People;
using Dorsk.Core.Season;
using Dorsk.Farm.Ask;
using Dorsk.Farm.State;
using Dorsk.Web.Inlets;
using Dorsk.Web.People;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace Dorsk.Web.Pages;

/// <summary>Jobs of today and of the weeks to come, by day or by pond, and the secret address of one's calendar.</summary>
[Needs(Permission.Look)]
public sealed class JobsModel(Questions questions, CalendarKeys keys, Here here) : PageModel
{
    public IReadOnlyList<IGrouping<string, Job>> Groups { get; private set; } = [];

    public bool ByPond { get; private set; }

    public string? Address { get; private set; }

    public IActionResult OnGet([FromQuery] string? by) => Load(by);

    /// <summary>A new secret address of one's own calendar.</summary>
    public IActionResult OnPostCalendar([FromQuery] string? by)
    {
        Address = $"{Request.Scheme}://{Request.Host}/calendar/{keys.Renew(here.Person!.PersonId)}.ics";
        return Load(by);
    }

    private IActionResult Load(string? by)
    {
        if (here.Farm is null || questions.Today(here.Now) is not { } today)
            return Redirect("/slip/farm");
        ByPond = by == "pond";
        var jobs = JobsAhead.ToDo(today.Day, CalendarFeed.Days);
        Groups =
        [
            .. ByPond
                ? jobs.GroupBy(j => j.PondCode.Length > 0 ? j.PondCode : "The farm")
                : jobs.GroupBy(j => here.Day(here.Zone.DayOf(j.Due))),
        ];
        return Page();
    }
}
