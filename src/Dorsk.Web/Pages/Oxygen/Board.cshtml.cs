using Dorsk.Core.Air;
using Dorsk.Core.Judging;
using Dorsk.Core.Oxygen;
using Dorsk.Core.People;
using Dorsk.Core.Ponds;
using Dorsk.Core.Time;
using Dorsk.Farm;
using Dorsk.Farm.Ask;
using Dorsk.Farm.Estimates;
using Dorsk.Farm.Log;
using Dorsk.Web.Parts;
using Dorsk.Web.People;
using Dorsk.Web.Slips;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace Dorsk.Web.Pages;

/// <summary>One row of the night board: a pond with its strip, and what other timers would do to its night.</summary>
/// <param name="Now">The pond.</param>
/// <param name="Strip">Its drawing.</param>
/// <param name="Open">Whether it is opened, with its timers.</param>
/// <param name="Timers">Aerators with the timers that stand in the form: tried ones, else the advised, else those set.</param>
/// <param name="Tried">The night with them, or null when they are those set.</param>
/// <param name="Problem">What was wrong with the timers typed.</param>
/// <param name="Panel">Whether a panel switches its aerators.</param>
public sealed record NightRow(
    PondNow Now,
    NightStrip Strip,
    bool Open,
    IReadOnlyList<Aerator> Timers,
    DawnLowForecast? Tried,
    string? Problem,
    bool Panel
)
{
    /// <summary>Bought energy of timers over one night, kWh.</summary>
    public static double KWh(IEnumerable<Aerator> aerators) =>
        aerators
            .Where(a => a is { On: not null, Off: not null })
            .Sum(a =>
                a.ShaftKW
                / a.Kind.MotorEfficiency
                * ((a.Off!.Value - a.On!.Value).TotalHours is var h && h < 0 ? h + 24 : h)
            );
}

/// <summary>All ponds on the night, noon to noon: measured, forecast with its band, aerators, meals; in the order of hours left.</summary>
[Needs(Permission.Look)]
public sealed class NightBoardModel(Questions questions, Door door, AirKeeping keeping, Here here) : PageModel
{
    public IReadOnlyList<NightRow> Rows { get; private set; } = [];

    public Night Night { get; private set; }

    /// <summary>Who watches this night; null where no roster stands.</summary>
    public RosterShown? Watch =>
        RosterShown
            .Ahead(questions, here)
            .FirstOrDefault(r => r.Set.Kind == RosterKind.Night && r.Set.Day == Night.Evening);

    /// <summary>Number of the newest line: the page asks again when it has moved.</summary>
    public long LastLine { get; private set; }

    public IReadOnlyList<(string Text, DateTimeOffset At)> Trouble { get; private set; } = [];

    public IActionResult OnGet([FromQuery] string? open) =>
        here.Farm is null ? Redirect("/slip/farm")
        : Load(open, null) ? Page()
        : NotFound();

    /// <summary>All rows, for a page that has heard that the log has moved.</summary>
    public IActionResult OnGetPart([FromQuery] string? open) =>
        here.Farm is not null && Load(open, null) ? Partial("_NightRows", this) : NotFound();

    /// <summary>One row with the timers that are tried; worked out here, entered nowhere.</summary>
    public IActionResult OnGetRow([FromQuery] string? pond) =>
        here.Farm is not null && Load(pond, pond) && Rows.FirstOrDefault(r => r.Now.Story.Pond.Code == pond) is { } row
            ? Partial("_NightRow", row)
            : NotFound();

    /// <summary>Sets the timers that were tried.</summary>
    [Needs(Permission.Switch)]
    public IActionResult OnPostSet([FromForm] string? pond)
    {
        if (here.Farm is null || questions.Ponds().All(p => p.Code != pond))
            return NotFound();
        var story = questions.Story(pond!)!;
        var (timers, problem) = Typed(
            story.AeratorsAt(here.Now),
            n => Request.Form[n].ToString(),
            n => Request.Form.ContainsKey(n)
        );
        if (problem is null)
        {
            var text = string.Join(
                ", ",
                timers
                    .Where(a => a.On is not null)
                    .Select(a => FormattableString.Invariant($"{a.Code} {a.On:HH\\:mm} to {a.Off:HH\\:mm}"))
            );
            var receipt = door.Enter(
                Entry.Of(
                    Guid.NewGuid(),
                    here.Author,
                    here.Now,
                    new AeratorsFitted(story.Pond.Id, timers),
                    $"{pond} timers: {(text.Length > 0 ? text : "none")}"
                )
            );
            if (receipt.Accepted)
                return LocalRedirect("/oxygen?open=" + pond);
            problem = string.Join(" ", receipt.Remarks.Select(r => r.Text));
        }
        Load(pond, null);
        Rows =
        [
            .. Rows.Select(r =>
                r.Now.Story.Pond.Code == pond ? r with { Open = true, Timers = timers, Problem = problem } : r
            ),
        ];
        Response.StatusCode = StatusCodes.Status422UnprocessableEntity;
        return Page();
    }

    /// <summary>Starts or stops an aerator by hand, or gives it back to its timer.</summary>
    [Needs(Permission.Switch)]
    public IActionResult OnPostSwitch([FromForm] string? pond, [FromForm] string? order)
    {
        if (
            here.Farm is null
            || order?.Split(':') is not [var code, var word]
            || !Enum.TryParse<AirOrder>(word, out var wanted)
            || !Enum.IsDefined(wanted)
        )
            return NotFound();
        if (keeping.Switch(pond ?? "", here.Author, code, wanted, null) is not { } why)
            return LocalRedirect($"/oxygen?open={Uri.EscapeDataString(pond!)}#row-{Uri.EscapeDataString(pond!)}");
        if (questions.Ponds().All(p => p.Code != pond))
            return NotFound();
        Load(pond, null);
        Rows = [.. Rows.Select(r => r.Now.Story.Pond.Code == pond ? r with { Problem = why } : r)];
        Response.StatusCode = StatusCodes.Status422UnprocessableEntity;
        return Page();
    }

    private bool Load(string? open, string? trying)
    {
        Night = Night.Of(here.Now, here.Zone);
        LastLine = questions.LastLine();
        var ponds = questions
            .PondsNow(here.Now)
            .Where(p => p.Batches.Count > 0)
            .OrderBy(p => HoursLeft.Order(p.Judgement.Status, p.Tonight.Forecast))
            .ToList();
        var highest = NightStrip.Highest(ponds, Night, here);
        var panels = keeping.Panels();
        var (place, offset) = (here.Farm!.Place, here.Zone.OffsetHoursAt(Night.Start(here.Zone)));
        var sun = (SunTimes.On(place, Night.Evening, offset), SunTimes.On(place, Night.Evening.AddDays(1), offset));
        Rows =
        [
            .. ponds.Select(
                (p, i) =>
                {
                    var code = p.Story.Pond.Code;
                    var opened = code == open || (open is null && i < 2 && p.Judgement.Status >= Status.Watch);
                    var set = p.Story.AeratorsAt(here.Now);
                    var advised = p.Tonight.Air is { } air
                        ? [.. set.Select(a => air.More.FirstOrDefault(m => m.Code == a.Code) ?? a)]
                        : set;
                    var (timers, problem) =
                        code == trying
                            ? Typed(set, n => Request.Query[n].ToString(), n => Request.Query.ContainsKey(n))
                            : (advised, null);
                    var tried =
                        opened && problem is null && !timers.SequenceEqual(set)
                            ? p.Story.Night.At(here.Now, aerators: timers).Forecast
                            : null;
                    return new NightRow(
                        p,
                        new NightStrip(
                            p,
                            new(Night, highest, sun),
                            here,
                            p.Judgement.Status == Status.ActNow && opened ? 230
                                : opened ? 140
                                : 26,
                            timers,
                            tried
                        ),
                        opened,
                        timers,
                        tried,
                        problem,
                        panels.ContainsKey(p.Story.Pond.Id)
                    );
                }
            ),
        ];
        return true;
    }

    // A timer is two hours, such as A1-on and A1-off; both empty: it stands idle. What was not sent stays as it is set.
    private static (IReadOnlyList<Aerator> Timers, string? Problem) Typed(
        IReadOnlyList<Aerator> set,
        Func<string, string> text,
        Func<string, bool> sent
    )
    {
        string? problem = null;
        var timers = set.Select(a =>
            {
                if (!sent(a.Code + "-on") && !sent(a.Code + "-off"))
                    return a;
                var (from, to) = (text(a.Code + "-on").Trim(), text(a.Code + "-off").Trim());
                if (from.Length == 0 && to.Length == 0)
                    return a with { On = null, Off = null };
                if (SlipForm.TryHour(from, out var on) && SlipForm.TryHour(to, out var off) && on != off)
                    return a with { On = on, Off = off };
                problem ??= $"{a.Code}: two hours such as 21:00 and 06:30, not the same; both empty for idle.";
                return a;
            })
            .ToList();
        return (timers, problem);
    }
}
