using Dorsk.Core.Hatchery;
using Dorsk.Core.Judging;
using Dorsk.Core.People;
using Dorsk.Core.Plans;
using Dorsk.Core.Species;
using Dorsk.Core.Units;
using Dorsk.Core.Water;
using Dorsk.Farm.Ask;
using Dorsk.Farm.Estimates;
using Dorsk.Web.People;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace Dorsk.Web.Pages;

/// <summary>A fry pond: the end of its natural food, care by its week, the morning and afternoon sheet.</summary>
[Needs(Permission.Look)]
public sealed class FryPondModel(Questions questions, Here here) : PageModel
{
    private const int SheetDays = 10;
    private static readonly TimeOnly Noon = new(12, 0);

    public PondNow Now { get; private set; } = null!;

    public FryPondState State { get; private set; } = null!;

    public NaturalFoodEnd? End { get; private set; }

    /// <summary>The farm's own target; null where it has none.</summary>
    public FryTarget? Target { get; private set; }

    /// <summary>The fry against their target; null where there is none.</summary>
    public FryPace? Pace { get; private set; }

    /// <summary>Why they are due that weight.</summary>
    public Grounds PaceWhy =>
        Grounds.Of(
            "The weight at stocking and the target, a steady share a day between them.",
            FryPace.Source,
            new Input("weight at stocking", State.StartG, Measures.FishWeight, "stocking"),
            new Input(
                "target",
                Pace?.WeightG ?? 0,
                Measures.FishWeight,
                Target is null ? "nursery table" : "the farm's"
            )
        );

    public NurseryDensity? Nursery { get; private set; }

    public WaterLimits Limits { get; private set; } = null!;

    /// <summary>The sheet: day, oxygen and temperature of the morning and of the afternoon.</summary>
    public IReadOnlyList<(
        DateOnly Day,
        Timed? DoMorning,
        Timed? DoAfternoon,
        Timed? TempMorning,
        Timed? TempAfternoon
    )> Sheet { get; private set; } = [];

    public IActionResult OnGet(string code)
    {
        if (here.Farm is null)
            return Redirect("/slip/farm");
        var now = questions
            .Today(here.Now)
            ?.Ponds.FirstOrDefault(p => p.Story.Pond.Code.Equals(code, StringComparison.OrdinalIgnoreCase));
        if (now is null || FryPonds.State(now, here.Now) is not { } state)
            return NotFound();
        (Now, State) = (now, state);
        Nursery = NurseryDensity.For(state.Species);
        End = FryPonds.End(now, here.Now);
        // A target of an earlier filling is none of these fry's.
        Target = questions.FryTargetOf(now.Story.Pond.Id) is { } t && t.On > state.StockedOn ? t : null;
        Pace = FryPace.Of(state, Target, Nursery, here.Hand);
        Limits = FryPond.Limits(state.Species);
        Sheet = [.. Enumerable.Range(0, SheetDays).Select(i => RowOf(now.Story, here.Today.AddDays(-i)))];
        return Page();
    }

    private (DateOnly, Timed?, Timed?, Timed?, Timed?) RowOf(PondStory story, DateOnly day)
    {
        Timed? Of(Parameter p, TimeOnly from, TimeOnly to)
        {
            var found = story.ReadingsOf[p].Between(here.Zone.At(day, from), here.Zone.At(day, to));
            return found.Count == 0 ? null
                : p == Parameter.Oxygen && from < Noon ? found.MinBy(t => t.Si)
                : found[^1];
        }
        var (dawn, end) = (TimeOnly.MinValue, new TimeOnly(23, 59));
        return (
            day,
            Of(Parameter.Oxygen, dawn, Noon),
            Of(Parameter.Oxygen, Noon, end),
            Of(Parameter.Temperature, dawn, Noon),
            Of(Parameter.Temperature, Noon, end)
        );
    }

    /// <summary>How a reading stands to the limits of fry.</summary>
    public Status Judged(Parameter parameter, double si) =>
        FryPond.Judge(parameter, si, State.Species, here.Hand).Status;
}
