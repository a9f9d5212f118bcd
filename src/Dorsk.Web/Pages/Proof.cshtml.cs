using System.Globalization;
using Dorsk.Core.Oxygen;
using Dorsk.Core.People;
using Dorsk.Farm.Ask;
using Dorsk.Web.People;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace Dorsk.Web.Pages;

/// <summary>How the forecasts of past nights came out on this farm.</summary>
[Needs(Permission.Look)]
public sealed class ProofModel(Questions questions, Here here) : PageModel
{
    /// <summary>Nights of each pond that the sums take in.</summary>
    public const int Last = 30;

    /// <summary>The methods, in the order in which they are chosen.</summary>
    public static readonly IReadOnlyList<DeclineMethod> Methods = [DeclineMethod.OwnNights, DeclineMethod.TwoReadings, DeclineMethod.Balance];

    public IReadOnlyList<PondProof> Ponds { get; private set; } = [];

    public PondProof? Pond { get; private set; }

    public ForecastScore? All => ForecastScore.Of(Ponds.SelectMany(p => p.Nights.TakeLast(Last)));

    public IActionResult OnGet(string? pond)
    {
        if (here.Farm is null)
            return Redirect("/slip/farm");
        Ponds = questions.Proof(here.Now);
        Pond = Ponds.FirstOrDefault(p => p.Code == pond) ?? (Ponds.Count > 0 && string.IsNullOrEmpty(pond) ? Ponds.MaxBy(p => ForecastScore.Of(p.Nights, Last)!.ErrorMgL) : null);
        return Page();
    }

    public string Signed(double mgL) => (mgL >= 0 ? "+" : "−") + here.Figure(Math.Abs(mgL), 2);

    public string Word(DeclineMethod method) => method switch { DeclineMethod.OwnNights => "own nights", DeclineMethod.TwoReadings => "two readings", _ => "fish, plankton, mud" };
}
