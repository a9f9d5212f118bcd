using Dorsk.Core.Harvest;
using Dorsk.Core.Health;
using Dorsk.Core.Water;
using Dorsk.Farm.Estimates;
using Dorsk.Farm.Fish;
using Dorsk.Farm.Health;
using Dorsk.Farm.Log;

namespace Dorsk.Farm.Ask;

/// <summary>A lot with its pond, for lists.</summary>
/// <param name="Lot">The harvest and its sales.</param>
/// <param name="Story">The pond.</param>
/// <param name="Species">Name of the fish.</param>
public sealed record LotNow(HarvestLot Lot, PondStory Story, string Species)
{
    /// <summary>Its number on labels and papers: pond, day, line of the log.</summary>
    public string Code =>
        string.Create(
            System.Globalization.CultureInfo.InvariantCulture,
            $"{Story.Pond.Code}-{Story.Zone.DayOf(Lot.At):yyMMdd}-{Lot.Line}"
        );
}

/// <summary>A kind of feed that was given in a pond.</summary>
/// <param name="FeedId">Its number.</param>
/// <param name="Name">Its name.</param>
/// <param name="Kg">How much, kg.</param>
/// <param name="First">First day.</param>
/// <param name="Last">Last day.</param>
/// <param name="Lots">Lots of it that the store gave out between those days: one of them, or several, were eaten here.</param>
public sealed record FedInStay(
    long FeedId,
    string Name,
    double Kg,
    DateOnly First,
    DateOnly Last,
    IReadOnlyList<string> Lots
);

/// <summary>Where the fish of a batch stood, and what was done to them there until they were taken out.</summary>
/// <param name="Pond">Code of the pond.</param>
/// <param name="From">When they came.</param>
/// <param name="To">When they were taken out, or left for the next pond.</param>
/// <param name="Feeds">Feeds given in that pond in that time.</param>
/// <param name="Treatments">Treatments there in that time.</param>
public sealed record LotStay(
    string Pond,
    DateTimeOffset From,
    DateTimeOffset To,
    IReadOnlyList<FedInStay> Feeds,
    IReadOnlyList<TreatmentLine> Treatments
)
{
    /// <summary>A withdrawal of a treatment there that held them when they were taken out; null for none.</summary>
    public Withdrawal? Held { get; init; }
}

/// <summary>A lot, traced from its eggs or delivery to its buyers.</summary>
/// <param name="Now">The lot.</param>
/// <param name="Origins">Where the batch came from: when, how many, from whom.</param>
/// <param name="Stays">Ponds it stood in, in order of time.</param>
/// <param name="Oxygen">Last oxygen before they were taken out, within a day; null where none was read.</param>
/// <param name="Temperature">Last temperature before they were taken out, within a day; null where none was read.</param>
public sealed record LotTrace(
    LotNow Now,
    IReadOnlyList<(DateTimeOffset At, int Count, string Origin, string Seller, string SellersLot)> Origins,
    IReadOnlyList<LotStay> Stays,
    Timed? Oxygen,
    Timed? Temperature
);

public sealed partial class Questions
{
    private static readonly TimeSpan AtHarvest = TimeSpan.FromDays(1);

    /// <summary>Price of a kilogram of a kind of feed by its number, in the currency; null where nobody said.</summary>
    public Func<long, double?> FeedPrices() =>
        Feeds().ToDictionary(f => f.Id, f => f.PriceMinorPerKg / 100.0).GetValueOrDefault;

    /// <summary>Buyers, by name.</summary>
    public IReadOnlyList<BuyerDescribed> Buyers()
    {
        using var c = file.Open();
        return SaleQuestions.Buyers(c, AsOf.Now(DateTimeOffset.MaxValue));
    }

    /// <summary>Prices, in order of time.</summary>
    public IReadOnlyList<PriceListed> Prices()
    {
        using var c = file.Open();
        return SaleQuestions.Prices(c, AsOf.Now(DateTimeOffset.MaxValue));
    }

    /// <summary>Harvests with their sales, of one pond or of all, the newest first.</summary>
    /// <param name="pond">The pond, or null.</param>
    public IReadOnlyList<LotNow> Lots(PondStory? pond = null)
    {
        List<HarvestLot> lots;
        using (var c = file.Open())
            lots = SaleQuestions.Lots(c, AsOf.Now(DateTimeOffset.MaxValue), pond?.Pond.Id);
        var stories = (pond is null ? Stories(_ => true) : [pond]).ToDictionary(s => s.Pond.Id);
        return
        [
            .. lots.Where(l => stories.ContainsKey(l.Harvest.PondId))
                .OrderByDescending(l => l.At)
                .Select(l => new LotNow(
                    l,
                    stories[l.Harvest.PondId],
                    stories[l.Harvest.PondId].Batches.FirstOrDefault(b => b.Id == l.Harvest.BatchId)?.Species.Name ?? ""
                )),
        ];
    }

    /// <summary>A lot traced back and forward; null when there is none of that line.</summary>
    /// <param name="line">Line of its harvest.</param>
    public LotTrace? Trace(long line) => Lots().FirstOrDefault(l => l.Lot.Line == line) is { } lot ? Trace(lot) : null;

    /// <summary>A lot traced back and forward.</summary>
    /// <param name="lot">The lot.</param>
    public LotTrace Trace(LotNow lot)
    {
        var (batch, at) = (lot.Lot.Harvest.BatchId, lot.Lot.At);
        var stays = Stories(_ => true)
            .SelectMany(s => s.Batches.Where(b => b.Id == batch && b.ArrivedAt <= at).Select(b => StayOf(s, b, at)))
            .OrderBy(s => s.From)
            .ToList();
        Timed? Last(Parameter parameter) =>
            lot.Story.ReadingsOf[parameter].Between(at - AtHarvest, at).Select(t => (Timed?)t).LastOrDefault();
        return new(lot, Origins(batch), stays, Last(Parameter.Oxygen), Last(Parameter.Temperature));
    }

    private LotStay StayOf(PondStory story, BatchStory batch, DateTimeOffset at)
    {
        var to = batch.EmptiedAt < at ? batch.EmptiedAt.Value : at;
        return new(
            story.Pond.Code,
            batch.ArrivedAt,
            to,
            FedIn(story, batch.ArrivedAt, to),
            [.. story.Health.Had(batch.Id, at)]
        )
        {
            Held = story.Health.WithdrawalOfTaken(batch.Id, at),
        };
    }

    private List<FedInStay> FedIn(PondStory story, DateTimeOffset from, DateTimeOffset to)
    {
        var names = Feeds().ToDictionary(f => f.Id, f => f.Name);
        using var c = file.Open();
        var store = Moves(c, memory.Look(c));
        return
        [
            .. story
                .Feedings.Where(f => f.At >= from && f.At <= to)
                .GroupBy(f => f.FeedId)
                .Select(g =>
                {
                    var (first, last) = (g.First().At, g.Last().At);
                    return new FedInStay(
                        g.Key,
                        names.GetValueOrDefault(g.Key, ""),
                        g.Sum(f => f.Kg),
                        story.Zone.DayOf(first),
                        story.Zone.DayOf(last),
                        store.LotsGivenOut(g.Key, first, last)
                    );
                }),
        ];
    }

    private List<(DateTimeOffset, int, string, string, string)> Origins(long batch) =>
        [
            .. Stockings(DateTimeOffset.MaxValue)
                .Where(s => s.Batch == batch)
                .Select(s =>
                {
                    var delivery = Deliveries(s.Fact.PondId)
                        .Where(d => d.Fact.DeliveryId == s.Fact.DeliveryId && s.Fact.DeliveryId is not null)
                        .Select(d => d.Fact)
                        .FirstOrDefault();
                    return (s.At, s.Fact.Count, s.Fact.Origin, delivery?.Seller ?? "", delivery?.Lot ?? "");
                }),
        ];
}
