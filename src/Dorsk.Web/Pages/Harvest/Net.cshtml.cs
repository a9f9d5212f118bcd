using Dorsk.Core.Harvest;
using Dorsk.Core.People;
using Dorsk.Farm.Ask;
using Dorsk.Farm.Estimates;
using Dorsk.Web.People;
using Dorsk.Web.Round;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace Dorsk.Web.Pages;

/// <summary>The tally of a net day: on the phone while it is open, and as a sheet once it is closed.</summary>
[Needs(Permission.Look)]
public sealed class NetModel(Questions questions, Here here) : PageModel
{
    public PondStory Pond { get; private set; } = null!;

    /// <summary>The tally that is shown; null where no net day was ever begun here.</summary>
    public NetTally? Tally { get; private set; }

    /// <summary>All net days of the pond, the newest first.</summary>
    public IReadOnlyList<NetTally> All { get; private set; } = [];

    public NetCard? Card { get; private set; }

    /// <summary>What another pull is worth by the prices that hold, in the currency; null where nothing can be told.</summary>
    public double? NextPullMoney { get; private set; }

    public IActionResult OnGet(string code, [FromQuery] long? day) =>
        Open(code, day, isPage: true) ? Page() : NotFound();

    /// <summary>The card alone, for phones that have the page open.</summary>
    public IActionResult OnGetCard(string code, [FromQuery] long? day) =>
        Open(code, day) && Card is not null ? new JsonResult(Card) : NotFound();

    /// <summary>The sheet alone.</summary>
    public IActionResult OnGetPart(string code, [FromQuery] long? day) =>
        Open(code, day) && Tally is not null ? Partial("_NetTally", this) : NotFound();

    private bool Open(string code, long? day, bool isPage = false)
    {
        if (here.Farm is null || questions.Story(code) is not { } story)
            return false;
        Pond = story;
        // Phones ask for one day every few seconds: only the whole page reads those before it.
        if (day is null || isPage)
            All = questions.NetDays(story);
        Tally = TallyOf(story, day);
        if (Tally is not { } tally)
            return day is null;
        if (tally.IsOpen && here.May(Permission.Write))
            Card = NetCard.Of(story, tally, here);
        NextPullMoney = MoneyOf(tally);
        return true;
    }

    private NetTally? TallyOf(PondStory story, long? day)
    {
        if (day is { } id)
            return questions.NetDay(id) is { } found && found.Begun.PondId == story.Pond.Id ? found : null;
        return All.FirstOrDefault(t => t.IsOpen) ?? (All.Count > 0 ? All[0] : null);
    }

    private double? MoneyOf(NetTally tally)
    {
        if (
            tally.NextPull is not { } next
            || Pond.Batches.FirstOrDefault(b => b.Id == tally.Begun.BatchId) is not { } batch
        )
            return null;
        var meanG = tally.MeanG(tally.Baskets);
        return PriceList.For(questions.Prices(), null, batch.Species.Key, FishForm.WholeOnIce, meanG) is { } price
            ? next.Value * meanG / 1000 * price.MinorPerKg / 100
            : null;
    }
}
