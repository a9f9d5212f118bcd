using Dorsk.Core.Acclimate;
using Dorsk.Core.Judging;
using Dorsk.Core.People;
using Dorsk.Core.Units;
using Dorsk.Farm;
using Dorsk.Farm.Ask;
using Dorsk.Farm.Log;
using Dorsk.Web.People;
using Dorsk.Web.Slips;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace Dorsk.Web.Pages;

/// <summary>An acclimation under way: the step that is on, what is left of it, what was measured against the plan. All phones show the same, as it stands in the books.</summary>
[Needs(Permission.Look)]
public sealed class AcclimateRunModel(Questions questions, Door door, Here here) : PageModel
{
    // What a phone kept without signal happened when it was tapped, within this.
    private static readonly TimeSpan LongestWait = TimeSpan.FromHours(12);

    public AccRun Run { get; private set; } = null!;

    public string Pond { get; private set; } = "";

    public IReadOnlyList<Remark> Remarks { get; private set; } = [];

    public Dictionary<string, string> Typed { get; private set; } = [];

    public IActionResult OnGet(long id) => Open(id) ? Page() : NotFound();

    /// <summary>The part that changes, for a page that looks again.</summary>
    public IActionResult OnGetPart(long id) => Open(id) ? Partial("_AccRun", this) : NotFound();

    /// <summary>Writes one line of it. The entry's number makes sending twice harmless.</summary>
    [Needs(Permission.Write)]
    public IActionResult OnPostNote(
        long id,
        [FromForm] Guid entry,
        [FromForm] string? what,
        [FromForm] double? ago,
        [FromForm] bool part
    )
    {
        if (!Open(id))
            return NotFound();
        Typed = Request
            .Form.Keys.Where(k => k.Length is > 0 and < 20)
            .ToDictionary(k => k, k => Request.Form[k].ToString());
        var form = new SlipForm(Typed, here);
        var fact = Noted(id, what, form);
        Remarks = form.Remarks;
        if (Remarks.Count == 0)
        {
            var at = here.TappedAt(ago, LongestWait);
            var receipt = door.Enter(
                Entry.Of(
                    entry == Guid.Empty ? Guid.NewGuid() : entry,
                    here.Author,
                    at < Run.BegunAt ? Run.BegunAt : at,
                    fact,
                    $"{Pond} acclimation: {fact.Event} {fact.Step} {fact.Text}".Trim(),
                    Request.Form["meant"].OfType<string>().ToList()
                )
            );
            Remarks = receipt.Remarks;
            if (receipt.Accepted)
            {
                Typed = [];
                if (!part)
                    return LocalRedirect($"/acclimate/{id}");
            }
            Open(id);
        }
        return part ? Partial("_AccRun", this) : Page();
    }

    private AcclimationNoted Noted(long id, string? what, SlipForm form)
    {
        var step = form.Text("step");
        var kind = Enum.TryParse<AccEvent>(what, out var e) && Enum.IsDefined(e) ? e : AccEvent.Note;
        var measured = kind == AccEvent.Measured;
        double? Read(string field, Measure measure) => measured ? form.MaybeQuantity(field, measure) : null;
        int? count = kind == AccEvent.Lost ? form.Whole("count", "fish") : null;
        return new(
            id,
            Run.Begun.PondId,
            kind,
            step.Length <= 20 ? step : "",
            Read("temp", Measures.Temperature),
            Read("ph", Measures.Ph),
            Read("salinity", Measures.Salinity),
            Read("do", Measures.Oxygen),
            count,
            form.Text("text")
        )
        {
            TanMgL = Read("tan", Measures.Concentration),
        };
    }

    private bool Open(long id)
    {
        if (here.Farm is null || questions.Acclimations(null).FirstOrDefault(r => r.RunId == id) is not { } run)
            return false;
        Run = run;
        Pond = questions.Ponds().FirstOrDefault(p => p.Id == run.Begun.PondId)?.Code ?? "";
        return true;
    }
}
