using Dorsk.Core.Acclimate;
using Dorsk.Core.People;
using Dorsk.Core.Plans;
using Dorsk.Core.Stock;
using Dorsk.Core.Units;
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

    /// <summary>Hatcheries the farm bought from, the one to prefer first.</summary>
    public IReadOnlyList<HatcheryRecord> Hatcheries { get; private set; } = [];

    /// <summary>What to ask the hatchery for; null until its salinity is typed.</summary>
    public SalinityRequest? Salinity { get; private set; }

    /// <summary>What is wrong with the salinity that was typed, or null.</summary>
    public string? SalinityProblem { get; private set; }

    /// <summary>The salinity as typed.</summary>
    public string Typed { get; private set; } = "";

    /// <summary>What the hatchery answered.</summary>
    public HatcheryAnswer Answer { get; private set; }

    /// <summary>Its answers, in words.</summary>
    public static readonly (HatcheryAnswer Key, string Word)[] Answers =
    [
        (HatcheryAnswer.NotAsked, "not asked yet"),
        (HatcheryAnswer.Does, "yes"),
        (HatcheryAnswer.DoesNot, "no, the order is too small"),
    ];

    /// <summary>All else of the address, so that asking changes nothing of the plan.</summary>
    public IEnumerable<(string Key, string Value)> Kept =>
        Request.Query.Where(q => q.Key is not ("hatchery" or "answer")).Select(q => (q.Key, q.Value.ToString()));

    public IActionResult OnGet(
        [FromQuery] string? pond,
        [FromQuery] long? plan,
        [FromQuery] string? hatchery,
        [FromQuery] string? answer
    )
    {
        if (here.Farm is null)
            return Redirect("/slip/farm");
        if (!Stocking.Open(pond, plan, Request.Query))
            return NotFound();
        Hatcheries = questions.Hatcheries();
        (Typed, Answer) = (
            hatchery ?? "",
            Enum.TryParse<HatcheryAnswer>(answer, out var a) && Enum.IsDefined(a) ? a : 0
        );
        if (Stocking.Answer is { } worked && Typed.Trim().Length > 0)
            Ask(worked.Question);
        return Page();
    }

    private void Ask(StockingQuestion q)
    {
        if (QuantityText.Read(Typed, Measures.Salinity, here.Hand).Si is { } ppt and >= 0 and <= 60)
            Salinity = SalinityRequest.For(q.Species, q.FromG, ppt, q.Water.SalinityPpt, Answer);
        else
            SalinityProblem = "Salinity in the hatchery: 0 to 60 ppt.";
    }
}
