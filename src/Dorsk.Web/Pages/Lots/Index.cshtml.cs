using Dorsk.Core.Harvest;
using Dorsk.Core.People;
using Dorsk.Farm.Ask;
using Dorsk.Web.People;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace Dorsk.Web.Pages;

/// <summary>Every harvest as a lot: what was sold, used, spoiled and is left; buyers and prices.</summary>
[Needs(Permission.Look)]
public sealed class LotsModel(Questions questions, Here here) : PageModel
{
    /// <summary>Lots, the newest first; only those that a treatment reached, where one is asked for.</summary>
    public IReadOnlyList<LotNow> Lots { get; private set; } = [];

    public IReadOnlyList<BuyerDescribed> Buyers { get; private set; } = [];

    /// <summary>Prices that hold now.</summary>
    public IReadOnlyList<PriceListed> Prices { get; private set; } = [];

    /// <summary>The treatment whose lots are asked for; null for all lots.</summary>
    public Farm.Health.TreatmentLine? Treatment { get; private set; }

    /// <summary>The feed whose lots are asked for; null for all lots.</summary>
    public Farm.Feed.FeedKind? Feed { get; private set; }

    /// <summary>Lot of that feed that is asked for; empty for all of it.</summary>
    public string Bag { get; private set; } = "";

    public IActionResult OnGet([FromQuery] long? treatment, [FromQuery] long? feed, [FromQuery] string? bag)
    {
        if (here.Farm is null)
            return Redirect("/slip/farm");
        Treatment = treatment is { } line ? questions.Treatment(line) : null;
        Feed = feed is { } id ? questions.Feeds().FirstOrDefault(f => f.Id == id) : null;
        if ((treatment is not null && Treatment is null) || (feed is not null && Feed is null))
            return NotFound();
        Bag = Feed is null ? "" : bag ?? "";
        Buyers = questions.Buyers();
        Prices =
        [
            .. questions
                .Prices()
                .GroupBy(p => (p.BuyerId, p.SpeciesKey, p.Form, p.FromG))
                .Select(g => g.Last())
                .Where(p => p.MinorPerKg is not null),
        ];
        Lots = Treatment is null && Feed is null ? questions.Lots() : [.. questions.Lots().Where(Reached)];
        return Page();
    }

    // The batch ate the feed, or bore the treatment, before it was taken out: in whatever pond it stood then.
    private bool Reached(LotNow lot) =>
        questions
            .Trace(lot)
            .Stays.Any(s =>
                (Treatment is { } t && s.Treatments.Any(x => x.Line == t.Line))
                || (Feed is { } f && s.Feeds.Any(x => x.FeedId == f.Id && (Bag.Length == 0 || x.Lots.Contains(Bag))))
            );
}
