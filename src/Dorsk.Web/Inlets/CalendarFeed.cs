using System.Text;
using Dorsk.Core.People;
using Dorsk.Core.Season;
using Dorsk.Core.Units;
using Dorsk.Farm.Ask;
using Dorsk.Farm.Estimates;
using Dorsk.Farm.State;
using Dorsk.Web.People;
using Ical.Net;
using Ical.Net.CalendarComponents;
using Ical.Net.DataTypes;
using Ical.Net.Serialization;

namespace Dorsk.Web.Inlets;

/// <summary>A person's jobs, and the likely days of target weights, as a calendar (iCalendar, RFC 5545) at a secret address, for the calendar on their phone. Whoever has the address can read it and nothing else.</summary>
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
        if (Permissions.May(person.Role, Permission.Look))
            foreach (var story in questions.Stories(_ => true))
                calendar.Events.AddRange(TargetsOf(story, questions.Farm()!.Hand, clock.GetUtcNow()));
        return Results.Text(new CalendarSerializer().SerializeToString(calendar) ?? "", "text/calendar", Encoding.UTF8);
    }

    // Whole days, without a reminder: a likely day is no job.
    private static IEnumerable<CalendarEvent> TargetsOf(PondStory story, Hand hand, DateTimeOffset now)
    {
        var today = story.Zone.DayOf(now);
        foreach (var batch in story.Standing)
        {
            var told = story.Growth.TargetOf(batch, today);
            if (told.Likely is not { } day)
                continue;
            var latest = told.Latest is { } late ? Hand.Day(late) : "a year and a half from now or later";
            var weight = QuantityText.Write(told.TargetG, Measures.FishWeight, hand);
            yield return new()
            {
                Uid = $"target-{batch.Id}-{story.Pond.Id}@dorsk",
                DtStamp = new CalDateTime(now.UtcDateTime, "UTC"),
                Start = new CalDateTime(day),
                Summary = $"{story.Pond.Code}: {batch.Species.Name} about {weight}",
                Description =
                    $"Likely day; 80 % interval {(told.Earliest is { } early ? Hand.Day(early) : "now")} to {latest}. It moves with every sample.",
                Location = story.Pond.Code,
                Transparency = TransparencyType.Transparent,
            };
        }
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
