using Dorsk.Core.Harvest;
using Dorsk.Core.People;
using Dorsk.Core.Plans;
using Dorsk.Core.Prepare;
using Dorsk.Core.Stock;
using Dorsk.Farm.Ask;
using Dorsk.Farm.Estimates;
using Dorsk.Web.Harvest;
using Dorsk.Web.People;
using Dorsk.Web.Slips;
using Dorsk.Web.Workbench;
using Microsoft.AspNetCore.Mvc;

namespace Dorsk.Web.Pages;

/// <summary>A day of fishing: what will come up, the conditions, the hours counted back from the buyer's, what to book, and the crew card.</summary>
[Needs(Permission.Look)]
public sealed class HarvestDayModel(Questions questions, Here here) : TypedPage
{
    public PondStory Pond { get; private set; } = null!;

    /// <summary>The batch that is fished; null in a pond without fish.</summary>
    public BatchNow? Batch { get; private set; }

    /// <summary>All that stands.</summary>
    public IReadOnlyList<BatchNow> All { get; private set; } = [];

    public HarvestTyped? Asked { get; private set; }

    public HarvestDay? Day { get; private set; }

    /// <summary>Rosters of net days of this pond that are to come.</summary>
    public IReadOnlyList<RosterShown> Rosters { get; private set; } = [];

    /// <summary>The conditions at the hour of the first pull.</summary>
    public IReadOnlyList<GateLine> Gate { get; private set; } = [];

    /// <summary>Days on which they could be taken instead, and what each brings.</summary>
    public IReadOnlyList<WaitRow> Waits { get; private set; } = [];

    /// <summary>Every batch of the pond on that day, the oldest first, where there are several.</summary>
    public IReadOnlyList<(BatchNow Batch, SizeSpread Spread)> Layers { get; private set; } = [];

    /// <summary>Water temperatures at which these fish are taken out for this purpose.</summary>
    public HarvestWindow Window { get; private set; }

    /// <summary>Spans of the next twelve months inside it, by the usual year.</summary>
    public IReadOnlyList<(DateOnly From, DateOnly To)> Windows { get; private set; } = [];

    public IActionResult OnGet(string code, [FromQuery] long? batch) => Open(code, batch) ? Page() : NotFound();

    /// <summary>The answer alone, for a page that is being typed in.</summary>
    public IActionResult OnGetPart(string code, [FromQuery] long? batch) =>
        Open(code, batch) && Batch is not null ? Partial("_HarvestDay", this) : NotFound();

    private bool Open(string code, long? batch)
    {
        if (here.Farm is null || questions.Story(code) is not { } story)
            return false;
        Pond = story;
        All = questions.Now(story, here.Now).Batches;
        Batch =
            batch is { } id ? All.FirstOrDefault(b => b.Batch.Id == id)
            : All is [.., var last] ? last
            : null;
        if (Batch is not { } chosen)
            return batch is null;
        Fields = HarvestForm.Fields(new BenchStart(here, story), chosen, PlannedOn(story, chosen));
        Typed = FromAddress(Request.Query, Request.Query.ContainsKey("on"));
        var form = new SlipForm(Typed, here);
        Asked = HarvestForm.Read(new BenchForm(form) { Pond = story }, chosen);
        (Remarks, Echoes) = (form.Remarks, form.Echoes);
        if (Asked is not { } asked)
            return true;
        Work(story, chosen, asked);
        return true;
    }

    private void Work(PondStory story, BatchNow chosen, HarvestTyped asked)
    {
        Day = HarvestDay.Of(asked.Day);
        Rosters = [.. RosterShown.Ahead(questions, here).Where(r => r.Set.PondId == story.Pond.Id)];
        var first = Day.Steps.First(s => s.What == "pull 1").At;
        Gate =
        [
            .. story.HarvestGate(
                chosen.Batch,
                here.Zone.At(DateOnly.FromDateTime(first), TimeOnly.FromDateTime(first)),
                asked.To,
                asked.MeanG,
                here.Now
            ),
            .. HarvestArranged.Gate(
                story.Net.Arranged,
                asked.On,
                asked.To,
                asked.Down is not null,
                Rosters.Select(r => r.Set).FirstOrDefault(r => r.Day == asked.On)
            ),
        ];
        Waits = WaitsOf(chosen, asked);
        Layers = All.Count < 2 ? [] : [.. LayersOn(story, asked.On)];
        Window = HarvestWindow.Of(chosen.Batch.Species, PurposeOf(chosen, asked));
        Windows = Window.Spans(
            Enumerable.Range(0, 365).Select(i => here.Today.AddDays(i)).Select(d => (d, story.TemperatureAhead(d)))
        );
    }

    // Live or on ice at the prices that hold for all buyers, and the feed that was given last.
    private IReadOnlyList<WaitRow> WaitsOf(BatchNow batch, HarvestTyped asked)
    {
        var prices = questions.Prices();
        var form = asked.Day.Alive ? FishForm.Live : FishForm.WholeOnIce;
        var feedId = Pond.Feedings.Select(f => (long?)f.FeedId).LastOrDefault();
        return Waiting.Of(
            batch.Batch.Species,
            (Pond.Pond.ByVolume, Pond.CapacityKg(batch.Batch.Species)),
            asked.On,
            asked.Spread,
            batch.Ahead,
            g => PriceList.For(prices, null, batch.Batch.Species.Key, form, g)?.MinorPerKg,
            questions.Feeds().FirstOrDefault(f => f.Id == feedId)?.PriceMinorPerKg
        );
    }

    private DateOnly? PlannedOn(PondStory story, BatchNow batch) =>
        story
            .Plans.Harvests.Where(h => h.Fact.BatchId == batch.Batch.Id && h.Fact.On >= here.Today)
            .Min(h => (DateOnly?)h.Fact.On);

    private static HarvestPurpose PurposeOf(BatchNow batch, HarvestTyped asked) =>
        asked.To != Account.SoldAlive ? HarvestPurpose.Ice
        : asked.MeanG < batch.Batch.Species.MarketLowG ? HarvestPurpose.Fingerlings
        : HarvestPurpose.Live;

    private IEnumerable<(BatchNow, SizeSpread)> LayersOn(PondStory story, DateOnly on)
    {
        foreach (var b in All.OrderBy(b => b.Batch.ArrivedAt))
            if (story.Sizes.Of(b.Batch, here.Today) is { Count: > 0 } spread)
                yield return (b, spread.GrownTo(HarvestForm.MeanOn(b, on)));
    }
}
