using Dorsk.Core.Judging;
using Dorsk.Farm;
using Dorsk.Farm.Ask;
using Dorsk.Farm.Estimates;
using Dorsk.Farm.Log;
using Dorsk.Web.Find;
using Dorsk.Web.People;
using Dorsk.Web.Slips;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace Dorsk.Web.Pages;

/// <summary>Any slip: shows its lines, works figures out as they are typed, and takes it to the door.</summary>
[NeedsOfSlip]
public sealed class SlipModel(Door door, Questions questions, Here here) : PageModel
{
    private SlipContext context = null!;

    public ISlip Slip { get; private set; } = null!;

    public string Code { get; private set; } = "";

    public long? Corrects { get; private set; }

    public Guid EntryId { get; private set; } = Guid.NewGuid();

    public string? CannotStart { get; private set; }

    public IReadOnlyList<SlipField> Fields { get; private set; } = [];

    public Dictionary<string, string> Typed { get; private set; } = [];

    public IReadOnlyList<Remark> Remarks { get; private set; } = [];

    public IReadOnlyDictionary<string, string> Echoes { get; private set; } = new Dictionary<string, string>();

    public IReadOnlyList<Computed> Computed { get; private set; } = [];

    /// <summary>The pond as it stands, shown beside its slip; not while a line is corrected.</summary>
    public PondNow? Beside => context.Story is { } story ? questions.Now(story, here.Now) : null;

    public string Heading => Code.Length > 0 ? $"{Code}: {Slip.Title.ToLowerInvariant()}" : Slip.Title;

    public string BackUrl => Code.Length > 0 ? $"/ponds/{Code}" : Slip.After;

    /// <summary>The place of the menu it belongs to: where it leads back to.</summary>
    public string Place => FarmMap.GroupOf(BackUrl);

    public string LiveUrl => $"{Request.Path}?handler=live{(Corrects is { } line ? $"&corrects={line}" : "")}";

    /// <summary>Questions that count as answered when this very form is sent again.</summary>
    public IEnumerable<string> AnsweredIfKept =>
        Remarks.Any(r => r.Kind == Objection.Refuse)
            ? []
            : Remarks.Where(r => r.Kind == Objection.Ask).Select(r => r.Text);

    public IActionResult OnGet([FromRoute] string key, [FromRoute] string? code, [FromQuery] long? corrects)
    {
        if (!Open(key, code, corrects))
            return NotFound();
        if (MayNot)
            return StatusCode(StatusCodes.Status403Forbidden);
        // A link may fill lines in; whoever follows it still reads and keeps them.
        foreach (var field in Fields.Where(f => f.Name.Length > 0 && Request.Query.ContainsKey(f.Name)))
            Typed[field.Name] = Request.Query[field.Name].ToString();
        return here.Farm is null && Slip.Key != "farm" ? Redirect("/slip/farm") : Page();
    }

    public IActionResult OnPost([FromRoute] string key, [FromRoute] string? code, [FromQuery] long? corrects)
    {
        if (!Open(key, code, corrects))
            return NotFound();
        if (MayNot)
            return StatusCode(StatusCodes.Status403Forbidden);
        if (here.Farm is null && Slip.Key != "farm")
            return Redirect("/slip/farm");
        EntryId = Guid.TryParse(Request.Form["EntryId"], out var id) ? id : Guid.NewGuid();
        Typed = Request.Form.ToDictionary(p => p.Key, p => p.Value.ToString());
        // An unticked box sends nothing; what was ticked before must not come back.
        foreach (var tick in Fields.Where(f => f.Kind == FieldKind.Yes && !Typed.ContainsKey(f.Name)))
            Typed[tick.Name] = "";
        if (CannotStart is not null)
            return Page();
        if (Typed.ContainsKey("TakeBack") && Corrects is { } line)
            return Done(Enter(line));
        var (form, filled) = Fill();
        if (form.Remarks.Count > 0)
        {
            Remarks = form.Remarks;
            return Page();
        }
        return Done(door.Enter(EntryOf(filled)), filled.Section);
    }

    private Receipt Enter(long line) =>
        door.Enter(
            new Entry(
                EntryId,
                here.Author,
                [new NewLine(context.Corrects!.Value.Row.Happened, null, "taken back", line)],
                []
            )
        );

    /// <summary>What the slip works out while it is being typed; nothing is entered.</summary>
    public IActionResult OnPostLive([FromRoute] string key, [FromRoute] string? code, [FromQuery] long? corrects)
    {
        if (!Open(key, code, corrects) || CannotStart is not null)
            return NotFound();
        Typed = Request.Form.ToDictionary(p => p.Key, p => p.Value.ToString());
        var (form, filled) = Fill();
        return new JsonResult(new { echoes = form.Echoes, computed = filled.Computed });
    }

    private bool MayNot => context.Corrects is { } old && !here.MayCorrect(old.Row);

    private bool Open(string key, string? code, long? corrects)
    {
        if (AllSlips.Find(key) is not { } slip || slip.OfPond != code is not null)
            return false;
        Slip = slip;
        var story = code is null ? null : questions.Story(code);
        if (slip.OfPond && story is null)
            return false;
        Code = story?.Pond.Code ?? "";
        (LogRow, Fact)? old = null;
        if (corrects is { } line)
        {
            if (
                questions.Line(line) is not { } row
                || questions.FactOf(line) is not { } fact
                || row.Kind != slip.FactKind
                || (row.PondId is { } p && story is not null && p != story.Pond.Id)
            )
                return false;
            Corrects = line;
            old = (row, fact);
        }
        context = new(here, questions, story, old);
        CannotStart = here.Farm is null && slip.Key != "farm" ? "Describe your farm first." : slip.CannotStart(context);
        Fields = CannotStart is null ? slip.Fields(context) : [];
        return true;
    }

    private (SlipForm, Filled) Fill()
    {
        var form = new SlipForm(Typed, here);
        var filled = Slip.Read(form, context);
        Echoes = form.Echoes;
        Computed = filled.Computed;
        return (form, filled);
    }

    private Entry EntryOf(Filled filled) =>
        new(
            EntryId,
            here.Author,
            filled
                .Facts!.Select((f, i) => new NewLine(filled.Happened, f, filled.AsTyped, i == 0 ? Corrects : null))
                .ToList(),
            Request.Form["Meant"].OfType<string>().ToList()
        );

    private IActionResult Done(Receipt receipt, string? section = null)
    {
        if (!receipt.Accepted)
        {
            Remarks = receipt.Remarks;
            return Page();
        }
        var back =
            Slip.Key == "pond" ? $"/ponds/{Typed.GetValueOrDefault("Code", "").Trim().ToUpperInvariant()}/stock"
            : Slip.OfPond && Slip.Section.Length > 0
                ? $"/ponds/{Code}/{(Slip.Key == "work" && questions.Story(Code)?.Readiness.PreparationAt(here.Now) is not null ? "prepare" : section ?? Slip.Section)}"
            : Slip.After;
        return LocalRedirect($"{back}?line={receipt.Lines[0]}{(receipt.Repeated ? "&again=1" : "")}");
    }
}
