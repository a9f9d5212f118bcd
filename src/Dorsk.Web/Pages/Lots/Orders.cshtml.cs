using Dorsk.Core.Harvest;
using Dorsk.Core.People;
using Dorsk.Farm.Ask;
using Dorsk.Web.People;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace Dorsk.Web.Pages;

/// <summary>Orders in the queue against what is there and what the season will have.</summary>
[Needs(Permission.Look)]
public sealed class OrdersModel(Questions questions, Here here) : PageModel
{
    /// <summary>Orders that wait, in order of their days.</summary>
    public IReadOnlyList<QueuedOrder> Queue { get; private set; } = [];

    /// <summary>Line of the log of each order.</summary>
    public IReadOnlyDictionary<long, long> Lines { get; private set; } = new Dictionary<long, long>();

    /// <summary>Orders that were delivered or called off.</summary>
    public IReadOnlyList<(FishOrdered Order, double DeliveredKg)> Done { get; private set; } = [];

    public IReadOnlyDictionary<long, string> Buyers { get; private set; } = new Dictionary<long, string>();

    /// <summary>What is there and will be, in order of its days.</summary>
    public IReadOnlyList<FishAvailable> Available { get; private set; } = [];

    public IActionResult OnGet()
    {
        if (here.Farm is null)
            return Redirect("/slip/farm");
        var orders = questions.Orders();
        Available = [.. InStore().Concat(Ahead()).OrderBy(a => a.From)];
        Queue = OrderQueue.Of(orders.Select(o => (o.Order, o.DeliveredKg)), Available);
        Lines = orders.ToDictionary(o => o.Order.OrderId, o => o.Line);
        Done =
        [
            .. orders
                .Where(o => Queue.All(q => q.Order.OrderId != o.Order.OrderId))
                .Select(o => (o.Order, o.DeliveredKg)),
        ];
        Buyers = questions.Buyers().ToDictionary(b => b.BuyerId, b => b.Name);
        return Page();
    }

    /// <summary>Name of a fish.</summary>
    public string Fish(string key) => here.AllSpecies.FirstOrDefault(s => s.Key == key)?.Name ?? key;

    private IEnumerable<FishAvailable> InStore() =>
        questions
            .Lots()
            .Where(l => l.Lot.LeftKg > 0.05)
            .Select(l => new FishAvailable(
                here.Zone.DayOf(l.Lot.At),
                l.Story.Batches.FirstOrDefault(b => b.Id == l.Lot.Harvest.BatchId)?.Species.Key ?? "",
                1000 * l.Lot.Harvest.MassKg / Math.Max(1, l.Lot.Harvest.Count),
                l.Lot.LeftKg
            ));

    private IEnumerable<FishAvailable> Ahead()
    {
        if (questions.Season(here.Now)?.Planned is not { } season)
            yield break;
        foreach (var e in season.Events.Where(e => e.Sells && e.Kg > 0))
            if (season.Cohorts.FirstOrDefault(c => c.Gives(e)) is { } cohort)
                yield return new(e.On, cohort.Species.Key, e.MeanG.Value, e.Kg);
    }
}
