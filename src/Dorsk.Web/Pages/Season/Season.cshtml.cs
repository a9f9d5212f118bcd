using System.Globalization;
using Dorsk.Core.Judging;
using Dorsk.Core.People;
using Dorsk.Core.Plans;
using Dorsk.Core.Season;
using Dorsk.Farm;
using Dorsk.Farm.Ask;
using Dorsk.Farm.Log;
using Dorsk.Web.Parts;
using Dorsk.Web.People;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;
using Microsoft.AspNetCore.WebUtilities;

namespace Dorsk.Web.Pages;

/// <summary>The season: what stands and will stand in every pond, what comes and leaves, feed and fish for sale by month, what does not fit; days are moved and worked out again, kept as plans or as a copy.</summary>
[Needs(Permission.Look)]
public sealed class SeasonModel(Door door, Questions questions, Here here) : PageModel
{
    private const int MonthsBack = 6;

    public SeasonNow Now { get; private set; } = null!;

    /// <summary>The season with the moved days.</summary>
    public SeasonAhead Season { get; private set; } = null!;

    public SeasonPicture Picture { get; private set; } = null!;

    /// <summary>Moved days, as they stand in the address.</summary>
    public IReadOnlyList<SeasonMove> Moves { get; private set; } = [];

    /// <summary>What was typed for a day that cannot be, with what is wrong.</summary>
    public IReadOnlyDictionary<string, (string Typed, string Problem)> Wrong { get; private set; } =
        new Dictionary<string, (string, string)>();

    public IReadOnlyList<SeasonKept> Copies { get; private set; } = [];

    /// <summary>The copy that is shown, when the moved days are those of one.</summary>
    public SeasonKept? Copy => Copies.FirstOrDefault(c => c.Moves == MovesText);

    /// <summary>Objections to what was to be kept.</summary>
    public IReadOnlyList<Remark> Remarks { get; private set; } = [];

    public string Name { get; private set; } = "";

    public DateOnly From { get; private set; }

    public string MovesText =>
        string.Join('&', Moves.Select(m => FormattableString.Invariant($"{m.Key}={m.On:yyyy-MM-dd}")));

    /// <summary>The address of the season from a month on, with the moved days.</summary>
    public string Address(DateOnly from) =>
        "/season?"
        + string.Join(
            '&',
            new[] { FormattableString.Invariant($"from={from:yyyy-MM}"), MovesText }.Where(t => t.Length > 0)
        );

    public IActionResult OnGet() =>
        Load(name => Request.Query[name].ToString(), Request.Query.Keys) ? Page() : Redirect("/slip/farm");

    public IActionResult OnGetPart() =>
        Load(name => Request.Query[name].ToString(), Request.Query.Keys) ? Partial("_Season", this) : NotFound();

    /// <summary>Puts the moved days into the plans.</summary>
    [Needs(Permission.Manage)]
    public IActionResult OnPostPlan([FromForm] string? moves, [FromForm] Guid entry)
    {
        if (!Sent(moves))
            return Redirect("/slip/farm");
        var facts = SeasonMove.Facts(Now.Planned.Input, Season.Input);
        if (facts.Count == 0)
            return LocalRedirect("/season");
        var receipt = door.Enter(
            new(
                entry == Guid.Empty ? Guid.NewGuid() : entry,
                here.Author,
                [.. facts.Select(f => new NewLine(here.Now, f, Typed(f), null))],
                []
            )
        );
        return receipt.Accepted ? LocalRedirect("/season") : Refused(receipt.Remarks);
    }

    /// <summary>Keeps the moved days as a copy.</summary>
    [Needs(Permission.Manage)]
    public IActionResult OnPostKeep([FromForm] string? moves, [FromForm] string? name, [FromForm] Guid entry)
    {
        if (!Sent(moves))
            return Redirect("/slip/farm");
        Name = name ?? "";
        var receipt = door.Enter(
            Entry.Of(
                entry == Guid.Empty ? Guid.NewGuid() : entry,
                here.Author,
                here.Now,
                new SeasonKept(0, Name.Trim(), MovesText, false),
                $"season kept as “{Name.Trim()}”"
            )
        );
        return receipt.Accepted ? LocalRedirect("/season?" + MovesText) : Refused(receipt.Remarks);
    }

    /// <summary>Gives a copy up.</summary>
    [Needs(Permission.Manage)]
    public IActionResult OnPostDrop([FromForm] long copy)
    {
        if (questions.SeasonCopies().FirstOrDefault(c => c.CopyId == copy) is not { } kept)
            return NotFound();
        door.Enter(
                Entry.Of(
                    Guid.NewGuid(),
                    here.Author,
                    here.Now,
                    kept with
                    {
                        Dropped = true,
                    },
                    $"season “{kept.Name}” given up"
                )
            )
            .OrThrow();
        return LocalRedirect("/season");
    }

    private bool Sent(string? moves)
    {
        var query = QueryHelpers.ParseQuery(moves);
        return Load(name => query.TryGetValue(name, out var v) ? v.ToString() : "", query.Keys);
    }

    private PageResult Refused(IReadOnlyList<Remark> remarks)
    {
        Remarks = remarks;
        Response.StatusCode = StatusCodes.Status422UnprocessableEntity;
        return Page();
    }

    private bool Load(Func<string, string> text, IEnumerable<string> names)
    {
        if (questions.Season(here.Now) is not { } now)
            return false;
        Now = now;
        var first = new DateOnly(here.Today.Year, here.Today.Month, 1).AddMonths(-MonthsBack);
        From =
            DateOnly.TryParseExact(
                text("from") + "-01",
                "yyyy-MM-dd",
                CultureInfo.InvariantCulture,
                DateTimeStyles.None,
                out var month
            )
            && month.Year >= 2000
            && month <= here.Today.AddDays(SeasonInput.Days)
                ? month
                : first;
        Read(text, names);
        Season =
            Moves.Count == 0
                ? now.Planned
                : SeasonAhead.Of(Moves.Aggregate(now.Planned.Input, (input, m) => m.In(input) ?? input), now.Planned);
        Picture = new(now, Season, From, here);
        Copies = questions.SeasonCopies();
        return true;
    }

    // Every planned day stands in the form; only those that differ are moved.
    private void Read(Func<string, string> text, IEnumerable<string> names)
    {
        var moves = new List<SeasonMove>();
        var wrong = new Dictionary<string, (string, string)>();
        var planned = Now
            .Planned.Events.Where(e => e.Key.Length > 0)
            .GroupBy(e => e.Key)
            .ToDictionary(g => g.Key, g => g.First().On);
        foreach (var key in names.Where(SeasonMove.IsKey).Take(400))
        {
            var typed = text(key).Trim();
            if (
                !DateOnly.TryParseExact(
                    typed,
                    "yyyy-MM-dd",
                    CultureInfo.InvariantCulture,
                    DateTimeStyles.None,
                    out var on
                )
            )
            {
                if (planned.ContainsKey(key))
                    wrong[key] = (
                        typed,
                        typed.Length == 0
                            ? "Type the date; the plan’s own day is used meanwhile."
                            : $"“{typed}” is not a date. Type it like {here.Today:yyyy-MM-dd}."
                    );
            }
            else if (on < here.Today || on > here.Today.AddDays(SeasonInput.Days))
                wrong[key] = (
                    typed,
                    $"A day from today on, {SeasonInput.Days} days ahead at most: the forecast reaches no further."
                );
            else if (!planned.TryGetValue(key, out var old) || old != on)
                moves.Add(new(key, on));
        }
        Moves = [.. moves.Where(m => m.In(Now.Planned.Input) is not null).OrderBy(m => m.Key, StringComparer.Ordinal)];
        Wrong = wrong;
    }

    private string Typed(Fact fact) =>
        fact switch
        {
            HarvestPlanned h => FormattableString.Invariant(
                $"{Code(h.PondId)} {(h.Count is { } n ? $"{n} fish out" : "harvest")} on {h.On:yyyy-MM-dd}"
            ),
            CyclePlanned c => FormattableString.Invariant(
                $"{Code(c.PondId)} fish on {c.StockOn:yyyy-MM-dd}{(c.HarvestOn is { } o ? $", out {o:yyyy-MM-dd}" : "")}"
            ),
            _ => "",
        };

    /// <summary>Code of a pond.</summary>
    public string Code(long pondId) => Now.Stories.FirstOrDefault(s => s.Pond.Id == pondId)?.Pond.Code ?? "";
}
