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

    private const int RemindMinutes = 15;

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
        // A job that stands twice is two entries: each has a name of its own.
        var seen = new Dictionary<string, int>();
        foreach (var job in JobsAhead.CalendarOf(today.Day, person.Role, Days))
        {
            var nth = seen[job.Key] = seen.GetValueOrDefault(job.Key) + 1;
            calendar.Events.Add(EventOf(job, nth == 1 ? job.Key : $"{job.Key}-{nth}", clock.GetUtcNow()));
        }
        return Results.Text(new CalendarSerializer().SerializeToString(calendar) ?? "", "text/calendar", Encoding.UTF8);
    }

    private static CalendarEvent EventOf(Job job, string name, DateTimeOffset now) =>
        new()
        {
            Uid = name + "@dorsk",
            DtStamp = new CalDateTime(now.UtcDateTime, "UTC"),
            Start = new CalDateTime(job.From.UtcDateTime, "UTC"),
            End = new CalDateTime((job.Due > job.From ? job.Due : job.From.AddMinutes(15)).UtcDateTime, "UTC"),
            Summary = job.What,
            Description = job.Reason,
            Location = job.PondCode,
            Alarms =
            {
                new Alarm
                {
                    Action = AlarmAction.Display,
                    Description = job.What,
                    Trigger = new Trigger(Duration.FromMinutes(-RemindMinutes)),
                },
            },
        };
}
