using System.Text;
using Dorsk.Core.People;
using Dorsk.Core.Season;
using Dorsk.Farm.Ask;
using Dorsk.Farm.State;
using Dorsk.Web.People;
using Ical.Net;
using Ical.Net.CalendarComponents;
using Ical.Net.DataTypes;
using Ical.Net.Serialization;

namespace Dorsk.Web.Inlets;

/// <summary>A person's jobs as a calendar (iCalendar, RFC 5545) at a secret address, for the calendar on their phone. Whoever has the address can read it and nothing else.</summary>
public static class CalendarFeed
{
    /// <summary>How far ahead it tells, days.</summary>
    public const int Days = 60;

    public static void MapCalendars(this WebApplication app) =>
        app.MapGet("/calendar/{key}.ics", Tell).WithMetadata(new OpenAttribute());

    private static IResult Tell(string key, CalendarKeys keys, Questions questions, FarmClock clock)
    {
        if (
            keys.PersonOf(key) is not { } id
            || questions.People().FirstOrDefault(p => p.PersonId == id && p.Role != Role.Gone) is not { } person
            || questions.Today(clock.GetUtcNow()) is not { } today
        )
            return Results.NotFound();
        var calendar = new Calendar { ProductId = "-//Dorsk//jobs//EN" };
        calendar.AddProperty("X-WR-CALNAME", $"{questions.Farm()!.Name}: {person.Name}");
        foreach (var job in JobsAhead.CalendarOf(today.Day, person.Role, Days))
            calendar.Events.Add(
                new CalendarEvent
                {
                    Uid = job.Key + "@dorsk",
                    DtStamp = new CalDateTime(clock.GetUtcNow().UtcDateTime, "UTC"),
                    Start = new CalDateTime(job.From.UtcDateTime, "UTC"),
                    End = new CalDateTime((job.Due > job.From ? job.Due : job.From.AddMinutes(15)).UtcDateTime, "UTC"),
                    Summary = job.What,
                    Description = job.Reason,
                    Location = job.PondCode,
                }
            );
        return Results.Text(new CalendarSerializer().SerializeToString(calendar) ?? "", "text/calendar", Encoding.UTF8);
    }
}
