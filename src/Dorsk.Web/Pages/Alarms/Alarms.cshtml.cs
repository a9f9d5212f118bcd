using Dorsk.Core.Alarms;
using Dorsk.Core.Judging;
using Dorsk.Core.People;
using Dorsk.Farm;
using Dorsk.Farm.Ask;
using Dorsk.Farm.Log;
using Dorsk.Web.Alarms;
using Dorsk.Web.People;
using Dorsk.Web.Slips;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace Dorsk.Web.Pages;

/// <summary>Alarms that ring, who answered, what is over; the drill; who is called and when.</summary>
[Needs(Permission.Look)]
public sealed class AlarmsModel(Questions questions, Door door, AlarmPost post, Here here) : PageModel
{
    private const int Past = 40;

    public IReadOnlyList<Alarm> Open { get; private set; } = [];

    public IReadOnlyList<Alarm> Over { get; private set; } = [];

    public CallListSet? List { get; private set; }

    /// <summary>What stands in the lines of the call list.</summary>
    public Dictionary<string, string> Typed { get; private set; } = [];

    public IReadOnlyList<Remark> Remarks { get; private set; } = [];

    /// <summary>What is wrong with the mail, in words; null when it works.</summary>
    public string? MailTrouble => !post.IsSet ? "No mail server is named: nobody is called by mail. Start the farm with --smtp host:port." : post.Trouble is { } t ? $"The last mail could not be sent: {t}" : null;

    public IActionResult OnGet() => here.Farm is null ? Redirect("/slip/farm") : Show();

    /// <summary>Answers an alarm: somebody goes.</summary>
    [Needs(Permission.Switch)]
    public IActionResult OnPostAnswer([FromForm] long alarm)
    {
        if (questions.Alarms(here.Now).FirstOrDefault(a => a.Id == alarm) is not { } rings)
            return NotFound();
        var receipt = door.Enter(Entry.Of(Guid.NewGuid(), here.Author, here.Now, new AlarmAnswered(alarm, rings.PondId), "alarm answered"));
        if (receipt.Accepted)
            return LocalRedirect("/alarms");
        Remarks = receipt.Remarks;
        return Show();
    }

    /// <summary>Rings for practice: the same way as a true one; or ends the drill.</summary>
    [Needs(Permission.Switch)]
    public IActionResult OnPostDrill([FromForm] long? end)
    {
        Fact fact = end is { } id ? new AlarmEnded(id, null) : new AlarmRaised(0, null, AlarmCause.Drill, Status.ActNow, $"Drill, called by {here.Author}: nothing is wrong. Answer it, say aloud what you would do first, and note how long it took.");
        if (end is { } drill && questions.Alarms(here.Now).All(a => a.Id != drill || a.Cause != AlarmCause.Drill || !a.Open))
            return NotFound();
        Remarks = door.Enter(Entry.Of(Guid.NewGuid(), here.Author, here.Now, fact, end is null ? "alarm drill" : "drill over")).Remarks;
        return Remarks.Count == 0 ? LocalRedirect("/alarms") : Show();
    }

    /// <summary>Keeps the call list.</summary>
    [Needs(Permission.Setup)]
    public IActionResult OnPostList([FromForm] string? people, [FromForm] string? after, [FromForm] string? quietfrom, [FromForm] string? quietto)
    {
        Typed = new() { ["people"] = people ?? "", ["after"] = after ?? "", ["quietfrom"] = quietfrom ?? "", ["quietto"] = quietto ?? "" };
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
        var steps = form.Text("people").Split('\n', StringSplitOptions.TrimEntries | StringSplitOptions.RemoveEmptyEntries).Select(l => l.Split(',', 2, StringSplitOptions.TrimEntries)).Select(p => new CallStep(p[0], p.Length > 1 ? p[1] : "")).ToList();
        var list = new CallListSet(steps, form.Whole("after", "minutes"), Hour("quietfrom"), Hour("quietto"));
        Remarks = form.Remarks.Count > 0 ? form.Remarks : door.Enter(Entry.Of(Guid.NewGuid(), here.Author, here.Now, list, $"call list: {string.Join(", ", steps.Select(s => s.Name))}")).Remarks;
        return Remarks.Count == 0 ? LocalRedirect("/alarms") : Show();
    }

    /// <summary>A pond's code.</summary>
    public string Code(long? pond) => questions.Ponds().FirstOrDefault(p => p.Id == pond)?.Code ?? "";

    private PageResult Show()
    {
        var all = questions.Alarms(here.Now);
        (Open, Over) = ([.. all.Where(a => a.Open).OrderByDescending(a => a.Level).ThenBy(a => a.LouderAt)], [.. all.Where(a => !a.Open).Take(Past)]);
        List = questions.CallList();
        if (Typed.Count == 0)
            Typed = new() { ["people"] = string.Join('\n', (List?.Steps ?? []).Select(s => $"{s.Name}, {s.Address}")), ["after"] = (List?.AfterMinutes ?? 10).ToString(System.Globalization.CultureInfo.InvariantCulture), ["quietfrom"] = List?.QuietFrom?.ToString("HH:mm", System.Globalization.CultureInfo.InvariantCulture) ?? "", ["quietto"] = List?.QuietTo?.ToString("HH:mm", System.Globalization.CultureInfo.InvariantCulture) ?? "" };
        if (Remarks.Count > 0)
            Response.StatusCode = StatusCodes.Status422UnprocessableEntity;
        return Page();
    }
}
