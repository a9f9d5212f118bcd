using Dorsk.Core.People;
using Dorsk.Core.Plans;
using Dorsk.Core.Ponds;
using Dorsk.Farm.Ask;
using Dorsk.Farm.Estimates;
using Dorsk.Web.People;
using Dorsk.Web.Plans;
using Dorsk.Web.Slips;
using Dorsk.Web.Workbench;
using Microsoft.AspNetCore.Mvc;

namespace Dorsk.Web.Pages;

/// <summary>Which fish, in what: up to four held against this site, by own weights; no winner is named.</summary>
[Needs(Permission.Look)]
public sealed class SpeciesChoiceModel(Questions questions, Here here) : TypedPage
{
    public PondStory? Pond { get; private set; }

    public IReadOnlyList<Pond> Ponds => questions.Ponds();

    public IReadOnlyList<SpeciesWeighed>? All { get; private set; }

    public OwnWeights Weights { get; private set; } = new(1, 1, 1, 1, 1, 1);

    public IActionResult OnGet([FromQuery] string? pond) =>
        here.Farm is null ? Redirect("/slip/farm")
        : Open(pond) ? Page()
        : NotFound();

    /// <summary>The answer alone, for a page that is being typed in.</summary>
    public IActionResult OnGetPart([FromQuery] string? pond) =>
        here.Farm is not null && Open(pond) ? Partial("_SpeciesChoice", this) : NotFound();

    private bool Open(string? code)
    {
        Pond = string.IsNullOrEmpty(code) ? null : questions.Story(code);
        if (Pond is null && !string.IsNullOrEmpty(code))
            return false;
        Fields = SpeciesForm.Fields(new BenchStart(here, Pond));
        var sent = Request.Query.ContainsKey("s1");
        Typed = FromAddress(Request.Query, sent);
        var form = new SlipForm(Typed, here);
        if (SpeciesForm.Read(new BenchForm(form), Pond) is { } read)
            (All, Weights) = read;
        (Remarks, Echoes) = (form.Remarks, form.Echoes);
        return true;
    }
}
