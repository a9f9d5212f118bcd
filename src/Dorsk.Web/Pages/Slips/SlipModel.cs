using Dorsk.Core.Judging;
using Dorsk.Farm;
using Dorsk.Farm.Ask;
using Dorsk.Farm.Estimates;
using Dorsk.Farm.Log;
using Dorsk.Web.Find;
using Dorsk.Web.People;
using Dorsk.Web.Phone;
using Dorsk.Web.Slips;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace Dorsk.Web.Pages;

/// <summary>Any slip: shows its lines, works figures out as they are typed, and takes it to the door.</summary>
[NeedsOfSlip]
public sealed class SlipModel(Door door, Questions questions, Here here) : PageModel
{
    private SlipContext context = null!;
    private string? section;

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

    /// <summary>Day and hour now, as the slip's fields have them: a phone tells by it whether somebody typed another.</summary>
    public string NowAsTyped
    {
        get
        {
            var (day, hour) = KeptEntry.At(here, 0);
            return $"{day} {hour}";
        }
    }

    /// <summary>How far the farm's clock face is before universal time, ms.</summary>
    public long ZoneMs => (long)(here.Zone.LocalAt(here.Now) - here.Now.UtcDateTime).TotalMilliseconds;

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
        if (Shut(key, code, corrects) is { } shut)
            return shut;
        TakeTyped();
        return Write() is { Accepted: true } receipt ? LocalRedirect(After(receipt)) : Page();
    }

    /// <summary>The same for a phone's outbox: answers whether it stands in the log, and where the page goes then.</summary>
    public IActionResult OnPostKeep([FromRoute] string key, [FromRoute] string? code, [FromQuery] long? corrects)
    {
        if (Shut(key, code, corrects) is { } shut)
            return shut;
        TakeTyped();
        // Where the hour was left as the phone showed it, it is now less what the entry waited: no clock of a phone dates it.
        if (KeptEntry.WaitedS(Request.Form) is { } waitedS)
            (Typed["Day"], Typed["Hour"]) = KeptEntry.At(here, waitedS);
        var receipt = Write();
        return new JsonResult(
            receipt is { Accepted: true }
                ? new KeptAnswer(true, "", [], After(receipt))
                : new KeptAnswer(
                    false,
                    CannotStart ?? string.Join(' ', Remarks.Select(r => r.Text)),
                    [.. AnsweredIfKept],
                    ""
                )
        );
    }

    // Why the slip takes nothing here and now; null where it does.
    private IActionResult? Shut(string key, string? code, long? corrects)
    {
        if (!Open(key, code, corrects))
            return NotFound();
        if (MayNot)
            return StatusCode(StatusCodes.Status403Forbidden);
        return here.Farm is null && Slip.Key != "farm" ? Redirect("/slip/farm") : null;
    }

    private void TakeTyped()
    {
        EntryId = Guid.TryParse(Request.Form["EntryId"], out var id) ? id : Guid.NewGuid();
        Typed = Request.Form.ToDictionary(p => p.Key, p => p.Value.ToString());
        // An unticked box sends nothing; what was ticked before must not come back.
        foreach (var tick in Fields.Where(f => f.Kind == FieldKind.Yes && !Typed.ContainsKey(f.Name)))
            Typed[tick.Name] = "";
    }

    // Takes what was typed to the door. Null where it could not be read: the remarks then say what.
    private Receipt? Write()
    {
        if (CannotStart is not null)
            return null;
        Receipt receipt;
        if (Typed.ContainsKey("TakeBack") && Corrects is { } line)
            receipt = Enter(line);
        else
        {
            var (form, filled) = Fill();
            Remarks = form.Remarks;
            if (Remarks.Count > 0)
                return null;
            section = filled.Section;
            receipt = door.Enter(EntryOf(filled));
        }
        Remarks = receipt.Accepted ? [] : receipt.Remarks;
        return receipt;
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

    private string After(Receipt receipt)
    {
        var back =
            Slip.Key == "pond" ? $"/ponds/{Typed.GetValueOrDefault("Code", "").Trim().ToUpperInvariant()}/stock"
            : Slip.OfPond && Slip.Section.Length > 0
                ? $"/ponds/{Code}/{(Slip.Key == "work" && questions.Story(Code)?.Readiness.PreparationAt(here.Now) is not null ? "prepare" : section ?? Slip.Section)}"
            : Slip.After;
        return $"{back}?line={receipt.Lines[0]}{(receipt.Repeated ? "&again=1" : "")}";
    }
}
