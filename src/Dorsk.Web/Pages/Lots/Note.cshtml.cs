using Dorsk.Core.Harvest;
using Dorsk.Core.People;
using Dorsk.Farm.Ask;
using Dorsk.Web.People;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace Dorsk.Web.Pages;

/// <summary>The dispatch note of a sale: what goes with the fish to their buyer.</summary>
[Needs(Permission.Look)]
public sealed class DispatchModel(Questions questions, Here here) : PageModel
{
    public LotTrace Trace { get; private set; } = null!;

    public (long Line, DateTimeOffset At, string By, FishSold Fact) Sale { get; private set; }

    /// <summary>Who gets them; empty for own use.</summary>
    public string Buyer { get; private set; } = "";

    public IActionResult OnGet(long line, long sale)
    {
        if (here.Farm is null || questions.Trace(line) is not { } trace)
            return NotFound();
        Trace = trace;
        Sale = trace.Now.Lot.Sales.FirstOrDefault(s => s.Line == sale);
        if (Sale.Fact is not { Use: LotUse.Sold })
            return NotFound();
        Buyer = questions.Buyers().FirstOrDefault(b => b.BuyerId == Sale.Fact.BuyerId)?.Name ?? "";
        return Page();
    }
}
