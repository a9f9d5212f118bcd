using Dorsk.Core.Alarms;
using Dorsk.Core.Judging;
using Dorsk.Core.People;
using Dorsk.Farm;
using Dorsk.Farm.Ask;
using Dorsk.Farm.Log;
using Dorsk.Farm.State;
using Dorsk.Web.Alarms;
using Dorsk.Web.People;
using Dorsk.Web.Slips;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace Dorsk.Web.Pages;

/// <summary>Alarms that ring, who answered, what is over; the drill; who is called and when.</summary>
[Needs(Permission.Look)]
public sealed class AlarmsModel(
    Questions questions,
    Door door,
    AlarmMemory memory,
    AlarmPost post,
    Heartbeat heartbeat,
    HeartbeatPost outside,
    FarmClock clock,
    ClockRight right,
    StartOptions options,
    Here here
) : PageModel
{
    private const int Past = 40;

    public IReadOnlyList<Alarm> Open { get; private set; } = [];

    public IReadOnlyList<Alarm> Over { get; private set; } = [];

    public CallListSet? List { get; private set; }

    /// <summary>What stands in the lines of the call list.</summary>
    public Dictionary<string, string> Typed { get; private set; } = [];

    public IReadOnlyList<Remark> Remarks { get; private set; } = [];

    /// <summary>What is wrong with the messages, in words; null when everybody is reached.</summary>
    public string? PostTrouble
    {
        get
        {
            if (post.Trouble is { } trouble)
                return $"The last message could not be sent: {trouble}";
            var silent = (List?.Steps ?? [])
                .Where(s => !post.Reaches(new(s, "", "") { Hook = List!.Hook }))
                .Select(s => s.Name)
                .ToList();
            return silent.Count == 0
                ? null
                : $"No message reaches {string.Join(", ", silent)}: somebody must telephone. For mail start the farm with --smtp host:port; for text messages name a message program below.";
        }
    }

    public IActionResult OnGet() => here.Farm is null ? Redirect("/slip/farm") : Show();

    /// <summary>Answers an alarm: somebody goes.</summary>
    [Needs(Permission.Switch)]
    public IActionResult OnPostAnswer([FromForm] long alarm)
    {
        if (memory.Alarms(here.Now).FirstOrDefault(a => a.Id == alarm) is not { } rings)
            return NotFound();
        // An answer counts even while nothing can be recorded: nobody else is called then.
        if (memory.Note(alarm, here.Author, id => new AlarmAnswered(id, rings.PondId)) is not { } problem)
            return LocalRedirect("/alarms");
        Remarks = [Remark.Refuse("", problem)];
        return Show();
    }

    /// <summary>Rings for practice: the same way as a true one; or ends the drill.</summary>
    [Needs(Permission.Switch)]
    public IActionResult OnPostDrill([FromForm] long? end)
    {
        Fact fact = end is { } id
            ? new AlarmEnded(id, null)
            : new AlarmRaised(
                0,
                null,
                AlarmCause.Drill,
                Status.ActNow,
                $"Drill, called by {here.Author}: nothing is wrong. Answer it, say aloud what you would do first, and note how long it took."
            );
        if (
            end is { } drill
            && memory.Alarms(here.Now).All(a => a.Id != drill || a.Cause != AlarmCause.Drill || !a.Open)
        )
            return NotFound();
        Remarks = door.Enter(
            Entry.Of(Guid.NewGuid(), here.Author, here.Now, fact, end is null ? "alarm drill" : "drill over")
        ).Remarks;
        return Remarks.Count == 0 ? LocalRedirect("/alarms") : Show();
    }

    /// <summary>A Manager has looked: the machine's clock is right, and lines ahead of it came from a clock that ran ahead.</summary>
    [Needs(Permission.Setup)]
    public IActionResult OnPostClock()
    {
        right.Vouch();
        clock.Vouch();
        return LocalRedirect("/alarms");
    }

    /// <summary>What is wrong with the clock; null while it is right.</summary>
    public string? ClockTrouble => clock.Trouble;

    /// <summary>Whether, when and at how many ponds the watch looked last.</summary>
    public string Watch
    {
        get
        {
            if (heartbeat.Last is not { } last)
                return heartbeat.State == WatchState.Starting
                    ? "The watch starts: its first look is due within moments."
                    : "The watch has not looked since the start of the program.";
            if (heartbeat.State == WatchState.Silent)
                return $"The watch last looked at {here.Hour(last.At)} and has been silent since.";
            var failed = last.Failed > 0 ? $", {here.Count(last.Failed)} of them could not be worked out" : "";
            return $"The watch looked at {here.Hour(last.At)}: {here.Count(last.Ponds)} ponds{failed}. It looks every {here.Figure(options.AlarmLook.TotalSeconds, 0)} seconds.";
        }
    }

    /// <summary>How an outside watcher hears of it.</summary>
    public string Outside =>
        options.Heartbeat is not { } address ? "No outside watcher is named."
        : outside.Trouble is { } trouble ? $"The outside watcher at {address.Host} could not be told: {trouble}"
        : $"The outside watcher at {address.Host} hears every {here.Figure(options.HeartbeatEvery.TotalSeconds, 0)} seconds that the watch looked.";

    /// <summary>Keeps the call list.</summary>
    [Needs(Permission.Setup)]
    public IActionResult OnPostList(
        [FromForm] string? people,
        [FromForm] string? after,
        [FromForm] string? quietfrom,
        [FromForm] string? quietto,
        [FromForm] string? hook
    )
    {
        Typed = new()
        {
            ["people"] = people ?? "",
            ["hook"] = hook ?? "",
            ["after"] = after ?? "",
            ["quietfrom"] = quietfrom ?? "",
            ["quietto"] = quietto ?? "",
        };
        var form = new SlipForm(Typed, here);
        TimeOnly? Hour(string field)
        {
            if (form.Empty(field))
                return null;
            if (SlipForm.TryHour(form.Text(field), out var t))
                return t;
            form.Refuse(field, "An hour such as 22:00, or empty.");
            return null;
        }
        var steps = form.Text("people")
            .Split('\n', StringSplitOptions.TrimEntries | StringSplitOptions.RemoveEmptyEntries)
            .Select(CallStep.Of)
            .ToList();
        var list = new CallListSet(steps, form.Whole("after", "minutes"), Hour("quietfrom"), Hour("quietto"))
        {
            Hook = form.Text("hook"),
        };
        Remarks =
            form.Remarks.Count > 0
                ? form.Remarks
                : door.Enter(
                    Entry.Of(
                        Guid.NewGuid(),
                        here.Author,
                        here.Now,
                        list,
                        $"call list: {string.Join(", ", steps.Select(s => s.Name))}"
                    )
                ).Remarks;
        return Remarks.Count == 0 ? LocalRedirect("/alarms") : Show();
    }

    /// <summary>Who works alone now.</summary>
    public IReadOnlyList<Core.Safety.OutAlone> Alone => questions.Alone(here.Now);

    /// <summary>A pond's code.</summary>
    public string Code(long? pond) => questions.Ponds().FirstOrDefault(p => p.Id == pond)?.Code ?? "";

    private PageResult Show()
    {
        var all = memory.Alarms(here.Now);
        (Open, Over) = (
            [.. all.Where(a => a.Open).OrderByDescending(a => a.Level).ThenBy(a => a.LouderAt)],
            [.. all.Where(a => !a.Open).Take(Past)]
        );
        List = questions.CallList();
        if (Typed.Count == 0)
            Typed = new()
            {
                ["people"] = string.Join('\n', (List?.Steps ?? []).Select(s => s.Line)),
                ["hook"] = List?.Hook ?? "",
                ["after"] = (List?.AfterMinutes ?? 10).ToString(System.Globalization.CultureInfo.InvariantCulture),
                ["quietfrom"] = List?.QuietFrom?.ToString("HH:mm", System.Globalization.CultureInfo.InvariantCulture)
                    ?? "",
                ["quietto"] = List?.QuietTo?.ToString("HH:mm", System.Globalization.CultureInfo.InvariantCulture) ?? "",
            };
        if (Remarks.Count > 0)
            Response.StatusCode = StatusCodes.Status422UnprocessableEntity;
        return Page();
    }
}
