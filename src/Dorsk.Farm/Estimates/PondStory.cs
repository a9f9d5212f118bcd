using Dorsk.Core.Growth;
using Dorsk.Core.Judging;
using Dorsk.Core.Ponds;
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

    /// <summary>The pond as it stands at an instant.</summary>
    public PondNow NowAt(DateTimeOffset now)
    {
        var today = Zone.DayOf(now);
        var tonight = Night.At(now);
        var verdict = Water.At(now, tonight.Forecast);
        var low = tonight.Forecast?.Low.Value;
        var held = verdict.Holding.ToList();
        var batches = Standing.Select(b => BatchOn(b, today, low, held)).ToList();
        var (next, at) = NextThing(now, batches, tonight, verdict.Judgement);
        return new(this, batches, LastOf(Parameter.Oxygen), LastOf(Parameter.Temperature), tonight, verdict, next, at);
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
                ? ($"Run {string.Join(" and ", air.More.Select(a => a.Code))}", air.From)
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
            ? ("Near the wanted weight: plan the harvest", null)
            : ("Sample", Zone.At(due, new(6, 30)));
    }

    private (string, DateTimeOffset?) EmptyPond(DateTimeOffset now)
    {
        if (Pond.Use == "settling")
            return ("Settling: nothing to do", null);
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
