using Dorsk.Core.People;
using Dorsk.Core.Ponds;
using Dorsk.Core.Units;
using Dorsk.Farm;
using Dorsk.Farm.Ask;
using Dorsk.Farm.Log;
using Dorsk.Web.People;
using Dorsk.Web.Slips;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace Dorsk.Web.Pages;

/// <summary>Where each pond lies on the plan, in figures.</summary>
[Needs(Permission.Setup)]
public sealed class PlanModel(Questions questions, Door door, Here here) : PageModel
{
    private Dictionary<string, string> typed = [];

    public IReadOnlyList<PondOnPlan> Ponds => questions.Plan().Ponds.OrderBy(p => p.Pond.Id).ToList();

    public string? Said { get; private set; }

    public string Wrong { get; private set; } = "";

    public string Problem { get; private set; } = "";

    public IActionResult OnGet() => here.Farm is null ? Redirect("/slip/farm") : Page();

    public IActionResult OnPost(string? pond, string? east, string? north, string? turn)
    {
        if (Ponds.FirstOrDefault(p => p.Pond.Code == pond) is not { } p)
            return NotFound();
        typed = new() { ["east"] = east ?? "", ["north"] = north ?? "", ["turn"] = turn ?? "" };
        var form = new SlipForm(typed, here);
        var place = new PondPlaced(p.Pond.Id, form.Quantity("east", Measures.Length), form.Quantity("north", Measures.Length), form.Empty("turn") ? 0 : form.Quantity("turn", Measures.Plain));
        var remarks = form.Remarks.Count > 0 ? form.Remarks : door.Enter(Entry.Of(Guid.NewGuid(), here.Author, here.Now, place, $"{p.Pond.Code} lies {east} east, {north} north, turned {turn}")).Remarks;
        if (remarks.Count > 0)
            (Wrong, Problem, Response.StatusCode) = (p.Pond.Code, string.Join(" ", remarks.Select(r => r.Text)), StatusCodes.Status422UnprocessableEntity);
        else
            Said = $"{p.Pond.Code} has its place.";
        return Page();
    }

    public IEnumerable<(string Name, string Word, string Value)> Fields(PondOnPlan p)
    {
        string Figure(string name, double si) => p.Pond.Code == Wrong ? typed[name] : p.Placed ? here.Typed(si, Measures.Length) : "";
        return [("east", "metres east", Figure("east", p.EastM)), ("north", "metres north", Figure("north", p.NorthM)), ("turn", "turn in degrees", p.Pond.Code == Wrong ? typed["turn"] : p.Placed && p.Outline.Count > 0 ? Math.Round(Turn(p)).ToString(System.Globalization.CultureInfo.InvariantCulture) : "")];
    }

    private static double Turn(PondOnPlan p) => Math.Atan2(p.Outline[1].NorthM - p.Outline[0].NorthM, p.Outline[1].EastM - p.Outline[0].EastM) * 180 / Math.PI;
}
