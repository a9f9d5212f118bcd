using Dorsk.Core.Feeding;
using Dorsk.Core.Growth;
using Dorsk.Core.Judging;
using Dorsk.Core.Ponds;
using Dorsk.Core.Species;
using Dorsk.Core.Time;
using Dorsk.Core.Water;

namespace Dorsk.Farm.Ask;

public sealed partial class PondStory
{
    private static readonly TimeSpan PlanSlack = TimeSpan.FromHours(1),
        DuskBegins = TimeSpan.FromHours(3),
        DawnBegins = TimeSpan.FromHours(2);
    private static readonly TimeSpan SecchiSpeaks = TimeSpan.FromDays(7),
        ChemistrySpeaks = TimeSpan.FromDays(14);
    private static readonly TimeSpan OldReading = TimeSpan.FromHours(14);

    /// <summary>What this pond carries of a species, kg: by area with or without air for ponds, by volume for tanks.</summary>
    public double CapacityKg(FishSpecies species) =>
        Pond.ByVolume
            ? species.CapacityTankKgM3 * Pond.Shape.FullVolumeM3
            : (
                fittings.Count > 0 && fittings[^1].Aerators.Count > 0
                    ? species.CapacityAeratedKgHa
                    : species.CapacityNoAirKgHa
            )
                * Pond.Shape.FullAreaM2
                / 10_000;

    /// <summary>The pond as it stands at an instant.</summary>
    public PondNow NowAt(DateTimeOffset now)
    {
        var today = Zone.DayOf(now);
        var tonight = TonightAt(now);
        var low = tonight.Forecast?.Low.Value;
        var verdict = VerdictAt(now, tonight.Forecast);
        var held = verdict.Holding.ToList();
        var batches = Standing
            .Select(b =>
            {
                var stands = StandsOn(b, today);
                var weights = AheadOf(b, today);
                return new BatchNow(
                    b,
                    stands,
                    WhyStanding(b, stands),
                    RationOf(b, today, low, held)!,
                    GrowthForecast.DateOf(b.TargetG, weights)
                )
                {
                    Ahead = weights,
                };
            })
            .ToList();
        var oxygen = LastOf(Parameter.Oxygen);
        var (next, at) = NextThing(now, batches, tonight, verdict.Judgement);
        return new(this, batches, oxygen, LastOf(Parameter.Temperature), tonight, verdict, next, at);
    }

    /// <summary>Growth as planned for a batch, from its arrival to a day, g.</summary>
    public IReadOnlyList<(DateOnly Day, double MeanG)> PlanOf(BatchStory batch, DateOnly to) =>
        GrowthPlan.Run(batch.Species, batch.ArrivedMeanG, Zone.DayOf(batch.ArrivedAt), to, Temperature.Curve);

    /// <summary>Expected temperature of a day to come, °C.</summary>
    public double TemperatureAhead(DateOnly day) => Temperature.On(day).TempC;

    /// <summary>Last reading of a parameter, or null.</summary>
    public Timed? LastOf(Parameter parameter)
    {
        var last = ReadingsOf[parameter].LastOrDefault();
        return last == default ? null : last;
    }

    /// <summary>Whether the gauge stood clearly under the brim when it was last read.</summary>
    public bool IsPartFilled(DateTimeOffset at) => LevelAt(at).LevelM < 0.95 * Pond.Shape.FullDepthM;

    /// <summary>Whether a heavy bloom was read lately; a Secchi depth speaks for days.</summary>
    public bool HasHeavyBloom(DateTimeOffset now) =>
        !Pond.ByVolume
        && LastOf(Parameter.Secchi) is { } s
        && now - s.At < SecchiSpeaks
        && s.Si < WaterJudge.HeavyBloomM;

    /// <summary>Whether a reading is too old to speak for now.</summary>
    public static bool IsOld(Timed reading, DateTimeOffset now) => now - reading.At > OldReading;

    private Timed? Nearest(Parameter parameter, DateTimeOffset at)
    {
        var near = ReadingsOf[parameter]
            .Where(t => (t.At - at).Duration() < TimeSpan.FromHours(3))
            .DefaultIfEmpty()
            .MinBy(t => (t.At - at).Duration());
        return near == default ? null : near;
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
        var due = batches.Select(b => (b, Due: SampleDue(b.Batch))).MinBy(x => x.Due);
        if (due.Due <= day.AddDays(1))
            return ("Sample due", Zone.At(due.Due, new(6, 30)));
        if (tonight.Forecast is null)
            return (tonight.WhyNot, null);
        return batches.Any(b => b.Target.Likely is { } d && d <= day.AddDays(14))
            ? ("Near the wanted weight: plan the harvest", null)
            : ("Sample", Zone.At(due.Due, new(6, 30)));
    }

    internal DateOnly SampleDue(BatchStory b) => SamplingOf(b).Due;

    /// <summary>When a batch is weighed next and how many fish.</summary>
    public SamplingPlan SamplingOf(BatchStory b, double wantedPct = SamplingPlan.UsualPct)
    {
        var last = b.Samples.Count > 0 ? b.Samples[^1] : default;
        return SamplingPlan.Of(
            b.Species,
            Zone.DayOf(last.Mean is null ? b.ArrivedAt : last.At),
            last.Mean is not null,
            last.Mean?.Mean ?? b.ArrivedMeanG,
            b.Samples.LastOrDefault(s => s.Single).Mean?.CvPct,
            wantedPct
        );
    }

    private (string, DateTimeOffset?) EmptyPond(DateTimeOffset now)
    {
        if (Pond.Use == "settling")
            return ("Settling: nothing to do", null);
        if (Works.Count > 0 && Works[0].Work == PondWork.DeclaredReady)
            return ("Ready: stock it", null);
        if (PreparationAt(now)?.Plan is { OpenBeforeStocking: [var next, ..] } plan)
            return (next.Step.What, Zone.At(next.Day, new(7, 0)));
        var level = LevelAt(DateTimeOffset.MaxValue).LevelM;
        return IsPartFilled(DateTimeOffset.MaxValue)
            ? (FormattableString.Invariant($"Filling: {level:0.00} of {Pond.Shape.FullDepthM:0.00} m"), null)
            : ("Empty: prepare and stock", null);
    }
}
