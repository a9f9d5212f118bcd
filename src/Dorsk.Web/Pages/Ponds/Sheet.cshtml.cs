using System.Globalization;
using Dorsk.Core.Growth;
using Dorsk.Core.Judging;
using Dorsk.Core.People;
using Dorsk.Core.Stock;
using Dorsk.Farm;
using Dorsk.Farm.Ask;
using Dorsk.Farm.Estimates;
using Dorsk.Farm.Fish;
using Dorsk.Farm.Log;
using Dorsk.Web.People;
using Dorsk.Web.Slips;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace Dorsk.Web.Pages;

/// <summary>The sample sheet at the pond: fish or casts one after the other, mean and interval after each, and the word when it is enough.</summary>
[Needs(Permission.Write)]
public sealed class SampleSheetModel(Questions questions, Door door, Here here) : PageModel
{
    public PondStory Story { get; private set; } = null!;

    public BatchStory Batch { get; private set; } = null!;

    public Standing Expected { get; private set; } = null!;

    public SamplingPlan Plan { get; private set; } = null!;

    public RunningSample Running { get; private set; } = new(null, SamplingPlan.UsualPct, false, null);

    public FishSampled Sample { get; private set; } = new(0, 0, true, []);

    public IReadOnlyDictionary<string, string> Typed { get; private set; } = new Dictionary<string, string>();

    public IReadOnlyList<Remark> Remarks { get; private set; } = [];

    public bool Single => Typed.GetValueOrDefault("Kind") != "casts";

    public IActionResult OnGet(string code) => Open(code) ? Page() : NotFound();

    /// <summary>The sample so far; nothing is entered.</summary>
    public IActionResult OnPostRunning(string code)
    {
        if (!Open(code))
            return NotFound();
        Read();
        return Request.Form["part"] == "true" ? Partial("_SampleRunning", this) : Page();
    }

    /// <summary>Keeps the sample.</summary>
    public IActionResult OnPostKeep(string code)
    {
        if (!Open(code))
            return NotFound();
        var form = Read();
        if (Sample.Weighings.Count == 0 && form.Remarks.Count == 0)
            form.Refuse("Rows", "Weigh at least one fish or one sample.");
        Remarks = form.Remarks;
        if (Remarks.Count == 0)
        {
            var entry = Guid.TryParse(form.Text("EntryId"), out var id) && id != Guid.Empty ? id : Guid.NewGuid();
            var meant = Request.Form["Meant"].OfType<string>().ToList();
            var typed = FormattableString.Invariant(
                $"{Story.Pond.Code} sample of {Sample.Weighings.Sum(w => w.Count)} fish, {Running.Mean!.Mean:0.#} g"
            );
            var receipt = door.Enter(new Entry(entry, here.Author, [new(here.Now, Sample, typed, null)], meant));
            if (receipt.Accepted)
                return LocalRedirect($"/ponds/{Story.Pond.Code}/growth?line={receipt.Lines[0]}");
            Remarks = receipt.Remarks;
        }
        Response.StatusCode = StatusCodes.Status422UnprocessableEntity;
        return Page();
    }

    private SlipForm Read()
    {
        Typed = Request.Form.ToDictionary(f => f.Key, f => f.Value.ToString());
        var form = new SlipForm(Typed, here);
        var wanted = form.Choice(
            "Wanted",
            Wants.Select(w => (w.ToString(CultureInfo.InvariantCulture), w)).ToList(),
            "precision",
            (int)SamplingPlan.UsualPct
        );
        var (weighings, lengths) = SampleText.Read(form, "Rows", Single);
        var marks = Enum.GetValues<HealthMark>()
            .Select(m => new MarkCount(m, form.Empty("m-" + m) ? 0 : form.Whole("m-" + m, "fish")))
            .ToList();
        Sample = new(Story.Pond.Id, Batch.Id, Single, weighings) { LengthsM = lengths, Marks = marks };
        Running = Single
            ? RunningSample.OfFish([.. weighings.Select(w => w.MassG)], wanted)
            : RunningSample.OfCasts(weighings, wanted);
        Plan = Story.Growth.SamplingOf(Batch, wanted);
        Remarks = form.Remarks;
        return form;
    }

    /// <summary>Half-widths that can be wanted, percent.</summary>
    public static IReadOnlyList<int> Wants { get; } = [3, 5, 7, 10];

    private bool Open(string code)
    {
        if (here.Farm is null || questions.Story(code) is not { } story || !story.Standing.Any())
            return false;
        Story = story;
        var asked = Request.HasFormContentType ? Request.Form["Batch"].ToString() : Request.Query["batch"].ToString();
        Batch = story.Standing.FirstOrDefault(b => b.Id.ToString(CultureInfo.InvariantCulture) == asked)
            ?? story.Standing.Last();
        (Expected, Plan) = (story.Stock.On(Batch.Id, here.Today)!, story.Growth.SamplingOf(Batch));
        return true;
    }
}
