using Dorsk.Core.Feeding;
using Dorsk.Core.Growth;
using Dorsk.Core.Harvest;
using Dorsk.Core.Judging;
using Dorsk.Core.Ponds;
using Dorsk.Core.Prepare;
using Dorsk.Core.Stock;
using Dorsk.Core.Verdict;
using Dorsk.Core.Water;
using Dorsk.Farm.Fish;

namespace Dorsk.Farm.Estimates;

/// <summary>Everything the log knows of one pond, as of two times, with the estimates that follow from it, each by its subject. Nothing in it changes.</summary>
public sealed class PondStory : PondFacts
{
    private const int HarvestNearDays = 14;

    /// <summary>Estimates from the rows of a pond.</summary>
    /// <param name="rows">The rows.</param>
    /// <param name="before">The story before the last rows came; null for none.</param>
    public PondStory(PondRows rows, PondStory? before = null)
        : base(rows, before)
    {
        Stock = new(this);
        Growth = new(this, Stock);
        Cycles = new(this, Stock, Growth);
        Night = new(this, Stock);
        Trends = new(this);
        Water = new(this, Stock, Night, Trends);
        Ration = new(this, Stock, Growth, Water);
        Readiness = new(this, Water, Trends);
        Season = new(this, Stock, Growth, Readiness);
        Service = new(this);
        Upkeep = new(this);
        Health = new(this, Stock, Water, Night);
        Sizes = new(this, Stock);
    }

    /// <summary>How many fish stand and what they weigh.</summary>
    public StandingStock Stock { get; }

    /// <summary>How they grow.</summary>
    public GrowthOutlook Growth { get; }

    /// <summary>What its cycles came to.</summary>
    public CycleReport Cycles { get; }

    /// <summary>The oxygen of its night.</summary>
    public NightOutlook Night { get; }

    /// <summary>Where its water is going.</summary>
    public WaterTrends Trends { get; }

    /// <summary>The verdict on its water.</summary>
    public WaterVerdict Water { get; }

    /// <summary>What its fish are to be fed.</summary>
    public PondRation Ration { get; }

    /// <summary>How far it is on its way to be stocked.</summary>
    public Readiness Readiness { get; }

    /// <summary>The pond as the season sees it.</summary>
    public SeasonOutlook Season { get; }

    /// <summary>Which aerators are due for service.</summary>
    public AeratorService Service { get; }

    /// <summary>What the pond itself needs.</summary>
    public PondUpkeep Upkeep { get; }

    /// <summary>How its fish are spread over sizes.</summary>
    public SizeOutlook Sizes { get; }

    /// <summary>Sick fish, treatments and what holds them here.</summary>
    public HealthOutlook Health { get; }

    /// <summary>The pond as it stands at an instant.</summary>
    public PondNow NowAt(DateTimeOffset now)
    {
        var today = Zone.DayOf(now);
        var tonight = Night.At(now);
        var verdict = Water.At(now, tonight.Forecast);
        var low = tonight.Forecast?.Lowest.MgL;
        var held = verdict.Holding.ToList();
        var batches = Standing.Select(b => BatchOn(b, today, low, held)).ToList();
        var (next, at) = NextThing(now, batches, tonight, verdict.Judgement);
        return new(this, batches, LastOf(Parameter.Oxygen), LastOf(Parameter.Temperature), tonight, verdict, next, at);
    }

    /// <summary>The conditions before fish of a batch are taken out; none where it does not stand.</summary>
    /// <param name="batch">The batch.</param>
    /// <param name="at">When.</param>
    /// <param name="to">Where they go.</param>
    /// <param name="forecastG">Mean weight that is forecast for that day, g; null: as estimated.</param>
    /// <param name="asked">When it is asked; null: at that hour.</param>
    public IReadOnlyList<GateLine> HarvestGate(
        BatchStory batch,
        DateTimeOffset at,
        Account to,
        double? forecastG = null,
        DateTimeOffset? asked = null
    )
    {
        if (Stock.Near(batch, Zone.DayOf(at)) is not { } stands)
            return [];
        DateOnly? DayOf(DateTimeOffset? when) => when is { } w ? Zone.DayOf(w) : null;
        var question = new HarvestQuestion(
            batch.Species,
            forecastG ?? stands.MeanG.Value,
            Zone.LocalAt(at),
            Zone.DayOf(batch.ArrivedAt),
            DayOf(LastWork(PondWork.TastePassed, at)),
            DayOf(batch.Samples.Where(s => s.At <= at).Select(s => (DateTimeOffset?)s.At).LastOrDefault()),
            Feedings
                .Where(f => f.At <= at && f.At > at.AddDays(-DaysFed))
                .Select(f => (DateTime?)Zone.LocalAt(f.At))
                .LastOrDefault(),
            LastOf(Parameter.Temperature)?.Si,
            Held.Of(batch.Id),
            Water.At(at, null).Findings
        )
        {
            AskedAt = asked is { } now ? Zone.LocalAt(now) : null,
            Withdrawal = Health.WithdrawalOn(Zone.DayOf(at)),
            Hold = Health.Hold,
            FailedOn = DayOf(LastWork(PondWork.TasteFailed, at)),
            ShareOverMarket = Sizes
                .Of(batch, Zone.DayOf(at))
                ?.GrownTo(forecastG ?? stands.MeanG.Value)
                .ShareOver(batch.Species.MarketLowG),
        };
        return Core.Harvest.HarvestGate.For(question, to, Farm.Hand);
    }

    /// <summary>Day of the taste test that speaks for fish of a batch taken out at an instant; null for none.</summary>
    /// <param name="batch">The batch.</param>
    /// <param name="at">When.</param>
    public DateOnly? TastedFor(long batch, DateTimeOffset at) =>
        Batches.FirstOrDefault(b => b.Id == batch) is { } found
        && LastWork(PondWork.TastePassed, at) is { } tasted
        && !(LastWork(PondWork.TasteFailed, at) > tasted)
            ? Core.Harvest.HarvestGate.TasteFor(Zone.DayOf(tasted), Zone.DayOf(found.ArrivedAt), Zone.DayOf(at))
            : null;

    private const int DaysFed = 7;

    /// <summary>Farm day on which a work was last written down; null when it never was.</summary>
    public DateOnly? LastWorked(PondWork work, DateTimeOffset at) =>
        LastWork(work, at) is { } last ? Zone.DayOf(last) : null;

    /// <summary>When a work was last written down; null when it never was.</summary>
    internal DateTimeOffset? LastWork(PondWork work, DateTimeOffset at) =>
        Works.Where(w => w.Work == work && w.At <= at).Select(w => (DateTimeOffset?)w.At).FirstOrDefault();

    /// <summary>Running totals of the feed since the first of the standing fish came; null in an empty pond.</summary>
    public FeedTotals? FeedTotalsOn(DateOnly today) =>
        Standing.OrderBy(b => b.ArrivedAt).FirstOrDefault() is { } first
            ? FeedTotals.Of(
                [.. Feedings.Where(f => f.At >= first.ArrivedAt).Select(f => (Zone.DayOf(f.At), f.Kg, f.By))],
                Zone.DayOf(first.ArrivedAt),
                Standing.SelectMany(b => b.Harvests).Select(h => Zone.DayOf(h.At)),
                today
            )
            : null;

    /// <summary>Why a meal of a kind of feed is not to be given, each once, in words; none where it may be. A ration that somebody set by hand has been thought about.</summary>
    /// <param name="at">When it is given.</param>
    /// <param name="feed">Name, size in mm and protein in percent of the feed.</param>
    public IReadOnlyList<string> AgainstMeal(DateTimeOffset at, (string Name, double PelletMm, double ProteinPct) feed)
    {
        var batches = NowAt(at).Batches;
        if (batches.Count == 0)
            return [];
        var half = Zone.LocalAt(at).Hour < 12 ? Meal.Morning : Meal.Afternoon;
        var fits = batches.Select(b =>
            FeedFits.Against(
                b.Batch.Species,
                b.Stands.MeanG.Value,
                feed.Name,
                feed.PelletMm,
                feed.ProteinPct,
                Farm.Hand
            )
        );
        // Where one batch may be fed and another not, they share the water and the meal.
        var held = batches.All(b => b.Ration.Overruled is null)
            ? batches.SelectMany(b => b.Ration.Meals.First(m => m.Meal == half).Hits).Where(h => h.Factor <= 0)
            : [];
        return
        [
            .. held.Select(h => h.Reason).Distinct(),
            .. fits.All(f => f is not null) ? fits.OfType<string>().Take(1) : [],
        ];
    }

    private BatchNow BatchOn(BatchStory b, DateOnly today, double? low, IReadOnlyList<Finding> held)
    {
        var stands = Stock.At(b, today);
        var weights = Growth.AheadOf(b, today);
        return new(
            b,
            stands,
            Growth.WhyStanding(b, stands),
            Ration.Of(b, today, low, held)!,
            GrowthForecast.DateOf(b.TargetG, weights)
        )
        {
            Ahead = weights,
        };
    }

    private (string, DateTimeOffset?) NextThing(
        DateTimeOffset now,
        List<BatchNow> batches,
        Tonight tonight,
        Judgement judgement
    )
    {
        if (batches.Count == 0)
            return EmptyPond(now);
        if (tonight.Forecast is { Judgement.Status: Status.ActNow } f)
        {
            return tonight.Air is { } air
                ? ($"Run {air.Codes}", air.From)
                : ("Bring more air, hold feed, read again in the dark", f.UnderActAt);
        }
        if (judgement.Status == Status.ActNow)
            return (judgement.Reason, null);
        var day = Zone.DayOf(now);
        var due = batches.Min(b => Growth.SampleDue(b.Batch));
        if (due <= day.AddDays(1))
            return ("Sample due", Zone.At(due, new(6, 30)));
        if (tonight.Forecast is null)
            return (tonight.WhyNot, null);
        return batches.Any(b => b.Target.Likely is { } d && d <= day.AddDays(HarvestNearDays))
            ? ("Near the target weight: plan the harvest", null)
            : ("Sample", Zone.At(due, new(6, 30)));
    }

    /// <summary>What the pond waits for while no fish stand in it.</summary>
    /// <param name="now">Now.</param>
    public EmptyPond Empty(DateTimeOffset now) =>
        Core.Ponds.EmptyPond.Of(
            Works,
            Readiness.PreparationAt(now)?.Plan is { OpenBeforeStocking.Count: > 0 },
            EmptiedBefore(now)
        );

    private (string, DateTimeOffset?) EmptyPond(DateTimeOffset now)
    {
        if (Pond.Use == "settling")
            return ("Settling: nothing to do", null);
        if (Empty(now) is { IsUsable: false } broken)
            return (char.ToUpperInvariant(broken.Words[0]) + broken.Words[1..], null);
        if (Works.Count > 0 && Works[0].Work == PondWork.DeclaredReady)
            return ("Ready: stock it", null);
        if (Readiness.PreparationAt(now)?.Plan is { OpenBeforeStocking: [var next, ..] })
            return (next.Step.What, Zone.At(next.Day, new(7, 0)));
        if (!IsPartFilled(DateTimeOffset.MaxValue))
            return ("Empty: prepare and stock", null);
        var level = LevelAt(DateTimeOffset.MaxValue).LevelM;
        return (FormattableString.Invariant($"Filling: {level:0.00} of {Pond.Shape.FullDepthM:0.00} m"), null);
    }
}
