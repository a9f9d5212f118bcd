using Dorsk.Core.Judging;
using Dorsk.Core.People;
using Dorsk.Core.Ponds;
using Dorsk.Farm.Ask;
using Dorsk.Web.Find;
using Dorsk.Web.People;
using Dorsk.Web.Slips;
using Dorsk.Web.Workbench;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace Dorsk.Web.Pages;

/// <summary>Calculators. What is typed stands in the address, so that it can be kept and printed; nothing is entered.</summary>
[Needs(Permission.Look)]
public sealed class WorkbenchModel(Questions questions, Here here) : PageModel
{
    public ICalculator? Calculator { get; private set; }

    public string PondCode { get; private set; } = "";

    public IReadOnlyList<Pond> Ponds => questions.Ponds();

    public IReadOnlyList<SlipField> Fields { get; private set; } = [];

    public Dictionary<string, string> Typed { get; private set; } = [];

    public IReadOnlyList<Remark> Remarks { get; private set; } = [];

    public IReadOnlyDictionary<string, string> Echoes { get; private set; } = new Dictionary<string, string>();

    public Worked? Worked { get; private set; }

    /// <summary>Prices that stand as the example brought them: nobody of this farm said them.</summary>
    public IReadOnlyList<string> MadeUpPrices =>
        [
            .. Fields
                .Where(f =>
                    f.Measure is { IsMoney: true }
                    && f.Initial.Length > 0
                    && Typed.GetValueOrDefault(f.Name) == f.Initial
                )
                .Select(f => f.Label)
                .Distinct(),
        ];

    /// <summary>All calculators in groups, those used last first.</summary>
    public Shelf Shelf =>
        Shelf.For(
            [
                .. AllCalculators.Groups.Select(g =>
                    (
                        g.Title,
                        (IReadOnlyList<MapEntry>)
                            [.. g.Of.Select(c => new MapEntry(g.Title, c.Title, $"/workbench/{c.Key}", c.Lead))]
                    )
                ),
            ],
            Lately.Of(Request, "/workbench/")
        );

    public IActionResult OnGet([FromRoute] string? key, [FromQuery] string? pond)
    {
        if (here.Farm is null)
            return Redirect("/slip/farm");
        return Open(key, pond) ? Page() : NotFound();
    }

    /// <summary>The answer alone, for a page that is being typed in.</summary>
    public IActionResult OnGetPart([FromRoute] string? key, [FromQuery] string? pond) =>
        here.Farm is not null && Open(key, pond) && Calculator is not null ? Partial("_Worked", this) : NotFound();

    private bool Open(string? key, string? pond)
    {
        if (key is null)
            return true;
        Calculator = AllCalculators.Find(key);
        var story = string.IsNullOrEmpty(pond) ? null : questions.Story(pond);
        if (Calculator is null || (story is null && !string.IsNullOrEmpty(pond)))
            return false;
        PondCode = story?.Pond.Code ?? "";
        Fields = Calculator.Fields(new BenchStart(here, story));
        var sent = Fields.Any(f => f.Name.Length > 0 && Request.Query.ContainsKey(f.Name));
        foreach (var f in Fields.Where(f => f.Name.Length > 0))
            Typed[f.Name] =
                Request.Query.TryGetValue(f.Name, out var value) ? value.ToString()
                : sent ? ""
                : f.Initial;
        var form = new SlipForm(Typed, here);
        Worked = Calculator.Work(
            new BenchForm(form, story?.Pond.Shape is SlopedRectangle ? null : story?.Pond.Shape) { Pond = story }
        );
        (Remarks, Echoes) = (form.Remarks, form.Echoes);
        if (Remarks.Count > 0)
            Worked = null;
        return true;
    }
}
