using Dorsk.Core.People;
using Dorsk.Core.Stock;
using Dorsk.Farm;
using Dorsk.Farm.Ask;
using Dorsk.Web.People;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace Dorsk.Web.Pages;

/// <summary>What a stocking plan asks to be bought, on one sheet to print.</summary>
[Needs(Permission.Look)]
public sealed class OrderModel(Questions questions, Door door, Here here) : PageModel
{
    /// <summary>The plan, as its own page works it out.</summary>
    public StockingModel Stocking { get; } = new(questions, door, here);

    /// <summary>Address of the plan.</summary>
    public string PlanAddress => "/plans/stocking" + Request.QueryString;

    /// <summary>Hours without feed before the road.</summary>
    public (double Low, double High) Fast => HaulLoad.FastH(Stocking.Answer!.Question.FromG);

    public IActionResult OnGet([FromQuery] string? pond, [FromQuery] long? plan)
    {
        if (here.Farm is null)
            return Redirect("/slip/farm");
        return Stocking.Open(pond, plan, Request.Query) ? Page() : NotFound();
    }
}
