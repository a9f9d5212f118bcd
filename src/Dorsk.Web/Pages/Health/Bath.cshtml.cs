using Dorsk.Core.Health;
using Dorsk.Core.Judging;
using Dorsk.Core.People;
using Dorsk.Core.Units;
using Dorsk.Farm;
using Dorsk.Farm.Ask;
using Dorsk.Farm.Health;
using Dorsk.Farm.Log;
using Dorsk.Web.People;
using Dorsk.Web.Slips;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace Dorsk.Web.Pages;

/// <summary>A bath under way: a few fish first, then the clock, oxygen every few minutes, and when to stop. All phones show the same.</summary>
[Needs(Permission.Look)]
public sealed class BathModel(Questions questions, Door door, Here here) : PageModel
{
    private static readonly TimeSpan LongestWait = TimeSpan.FromHours(12);

    public TreatmentLine Treatment { get; private set; } = null!;

    public BathRun Run { get; private set; } = null!;

    public string Code { get; private set; } = "";

    public IReadOnlyList<Remark> Remarks { get; private set; } = [];

    public Dictionary<string, string> Typed { get; private set; } = [];

    public IActionResult OnGet(long line) => Open(line) ? Page() : NotFound();

    /// <summary>The part that changes, for a page that looks again.</summary>
    public IActionResult OnGetPart(long line) => Open(line) ? Partial("_BathRun", this) : NotFound();

    /// <summary>Writes one line of it. The entry's number makes sending twice harmless.</summary>
    [Needs(Permission.Write)]
    public IActionResult OnPostNote(
        long line,
        [FromForm] Guid entry,
        [FromForm] string? what,
        [FromForm] double? ago,
        [FromForm] bool part
    )
    {
        if (!Open(line))
            return NotFound();
        Typed = Request
            .Form.Keys.Where(k => k.Length is > 0 and < 20)
            .ToDictionary(k => k, k => Request.Form[k].ToString());
        var form = new SlipForm(Typed, here);
        var kind = Enum.TryParse<BathEvent>(what, out var e) && Enum.IsDefined(e) ? e : BathEvent.Uneasy;
        var oxygen = kind == BathEvent.Oxygen ? form.MaybeQuantity("do", Measures.Oxygen) : null;
        Remarks = form.Remarks;
        if (Remarks.Count == 0)
        {
            var at = here.TappedAt(ago, LongestWait);
            var receipt = door.Enter(
                Entry.Of(
                    entry == Guid.Empty ? Guid.NewGuid() : entry,
                    here.Author,
                    at < Treatment.At ? Treatment.At : at,
                    new BathNoted(line, Treatment.Given.PondId, kind, oxygen, form.Text("text")),
                    $"{Code} bath: {kind}",
                    Request.Form["meant"].OfType<string>().ToList()
                )
            );
            Remarks = receipt.Remarks;
            if (receipt.Accepted)
            {
                Typed = [];
                if (!part)
                    return LocalRedirect($"/fish-health/bath/{line}");
            }
            Open(line);
        }
        return part ? Partial("_BathRun", this) : Page();
    }

    private bool Open(long line)
    {
        if (
            here.Farm is null
            || questions.Treatment(line) is not { Product.BathMinutes: { } minutes } treatment
            || questions.Ponds().FirstOrDefault(p => p.Id == treatment.Given.PondId) is not { } pond
        )
            return false;
        Treatment = treatment;
        Code = pond.Code;
        var watch = questions.Story(Code)?.Stock.LimitsOn(here.Today)?.DoWatchMgL ?? 0;
        Run = new(minutes, watch, treatment.Bath);
        return true;
    }
}
