using Dorsk.Core.Judging;
using Dorsk.Core.Plans;
using Dorsk.Core.Ponds;
using Dorsk.Farm.Ask;
using Dorsk.Farm.Estimates;
using Dorsk.Web.Slips;
using Dorsk.Web.Workbench;

namespace Dorsk.Web.Plans;

/// <summary>A plan beside what is already in the books: fish that stand, preparations, other plans; and fingerlings parted over ponds.</summary>
public static class PlanCalendar
{
    /// <summary>What stands in the calendar of the plan's pond against it.</summary>
    public static IReadOnlyList<Judgement> Conflicts(
        StockingAnswer plan,
        PondStory? pond,
        Questions questions,
        Here here,
        long? planId
    )
    {
        var found = new List<Judgement>();
        if (pond is null)
            return found;
        var on = plan.Question.StockOn;
        if (on < here.Today)
            found.Add(new(Status.Watch, "The day they come lies in the past"));
        foreach (var b in pond.NowAt(here.Now).Batches)
            if (b.Target.Likely is not { } ready || ready >= on)
                found.Add(
                    new(
                        Status.Watch,
                        $"{pond.Pond.Code} still holds {here.Count(b.Batch.Stands)} {b.Batch.Species.Name.ToLowerInvariant()}, {(b.Target.Likely is { } r ? $"ready about {here.Day(r)}" : "not ready within the forecast")}: plan the share of the water, or another pond"
                    )
                );
        if (pond.Readiness.PreparationAt(here.Now) is { } prep && prep.Plan.StockOn > on)
            found.Add(
                new(
                    Status.ActNow,
                    $"The preparation of {pond.Pond.Code} is ready on {here.Day(prep.Plan.StockOn)}, after they come"
                )
            );
        else if (pond.Readiness.PreparationAt(here.Now) is null && !pond.Standing.Any() && !pond.Pond.ByVolume)
            found.Add(new(Status.Watch, $"No preparation of {pond.Pond.Code} is planned yet"));
        var to = plan.Window.Latest ?? plan.Season.Days[^1].Day;
        foreach (
            var (_, kept) in questions
                .StockingPlans()
                .Where(p => p.Kept.PondId == pond.Pond.Id && p.Kept.PlanId != planId)
        )
            if (
                Of(kept, questions, here) is { } other
                && other.Question.StockOn <= to
                && (other.Window.Likely ?? other.Season.Days[^1].Day) >= on
            )
                found.Add(new(Status.Watch, $"The plan “{kept.Name}” has fish in {pond.Pond.Code} at the same time"));
        return found;
    }

    /// <summary>A kept plan worked out with what is known now; null when it can no longer be read.</summary>
    public static StockingAnswer? Of(StockingPlanKept kept, Questions questions, Here here)
    {
        var pond =
            kept.PondId is { } id && questions.Ponds().FirstOrDefault(p => p.Id == id) is { } known
                ? questions.Story(known.Code)
                : null;
        var start = new BenchStart(here, pond);
        var typed = StockingForm.Typed(kept.Asked, StockingForm.Fields(start, "", ""), here);
        return StockingForm.Read(new BenchForm(new SlipForm(typed, here)), pond) is { } asked
            ? StockingAnswer.Of(asked.Plan)
            : null;
    }

    /// <summary>Fingerlings on hand over the farm's empty ponds of the plan's system, each by its own limit; what no pond carries is left over.</summary>
    public static IReadOnlyList<(Pond Pond, StockingAnswer Answer, int Share)> Part(
        StockingQuestion plan,
        int onHand,
        Questions questions,
        Here here
    )
    {
        var able = AblePonds(plan, questions, here);
        var room = able.Sum(a => (double)a.Answer.Stock);
        return
        [
            .. able.Select(a =>
                (
                    a.Pond,
                    a.Answer,
                    room <= 0 ? 0 : (int)Math.Min(a.Answer.Stock, Math.Floor(onHand * a.Answer.Stock / room))
                )
            ),
        ];
    }

    private static List<(Pond Pond, StockingAnswer Answer)> AblePonds(
        StockingQuestion plan,
        Questions questions,
        Here here
    ) =>
        questions
            .Stories(p => RearingSystems.Of(p.Kind) == plan.Water.System && p.Use != "settling")
            .Where(s => !s.Standing.Any())
            .Select(s =>
            {
                var air = s.AeratorsAt(here.Now);
                var water = plan.Water with
                {
                    AreaM2 = s.Pond.Shape.FullAreaM2,
                    VolumeM3 = s.Pond.Shape.FullVolumeM3,
                    ShaftKW = air.Sum(a => a.ShaftKW),
                    Aerators = air.Count > 0 ? air[0].Kind : plan.Water.Aerators,
                };
                return (
                    s.Pond,
                    Answer: StockingAnswer.Of(plan with { Water = water, Own = null, TempC = s.Temperature.Curve })
                );
            })
            .ToList();
}
