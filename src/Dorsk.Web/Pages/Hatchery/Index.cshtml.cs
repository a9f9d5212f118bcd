using Dorsk.Core.Hatchery;
using Dorsk.Core.Judging;
using Dorsk.Core.People;
using Dorsk.Core.Season;
using Dorsk.Farm.Ask;
using Dorsk.Farm.Fish;
using Dorsk.Web.Parts;
using Dorsk.Web.People;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace Dorsk.Web.Pages;

/// <summary>The hatchery now: lots and fry ponds on one time line, what is due this shift, vessels, the egg balance, survival by treatment.</summary>
[Needs(Permission.Look)]
public sealed class HatcheryModel(Questions questions, Here here) : PageModel
{
    private static readonly TimeSpan Shift = TimeSpan.FromHours(8);

    private static readonly string[] Rules =
    [
        "fry-feed",
        "lot-read",
        "lot-siphon",
        "lot-hour",
        "hatch-plan",
        "nests",
        "fry-end",
        "lot-feeder",
    ];

    public HatchStory Story { get; private set; } = null!;

    public IReadOnlyList<LotState> Lots { get; private set; } = [];

    public IReadOnlyList<(string Code, FryPondState State, NaturalFoodEnd? End)> Ponds { get; private set; } = [];

    public HatchStrip Strip { get; private set; } = null!;

    /// <summary>Jobs of the hatchery that are late or fall into this shift.</summary>
    public IReadOnlyList<Job> Due { get; private set; } = [];

    /// <summary>Meals of the bell in the last day: rung, and missed.</summary>
    public (int Rung, int Missed) Bell { get; private set; }

    public LotComparison? Compared { get; private set; }

    /// <summary>Survival by the light the lots stood in; null where not two lights were read.</summary>
    public LotComparison? ByLight { get; private set; }

    /// <summary>Trials for open water, the newest first.</summary>
    public IReadOnlyList<(long Line, DateTimeOffset At, ReleaseTrial Fact)> Releases { get; private set; } = [];

    /// <summary>Why treatments compare so.</summary>
    public static Grounds ComparedWhy { get; } =
        Grounds.Of(
            "Whole survival of each lot by its counts, treatments held against each other.",
            LotComparison.Source
        );

    public IActionResult OnGet()
    {
        if (here.Farm is null)
            return Redirect("/slip/farm");
        Story = questions.Hatchery(here.Now);
        Lots = [.. Story.Standing];
        var today = questions.Today(here.Now);
        Ponds =
        [
            .. (today?.Ponds ?? [])
                .Select(p => (p.Story.Pond.Code, State: FryPonds.State(p, here.Now), End: FryPonds.End(p, here.Now)))
                .Where(p => p.State is not null)
                .Select(p => (p.Code, p.State!, p.End)),
        ];
        Strip = new(here, Lots, Ponds.Select(p => (p.Code, p.State.StockedOn, p.End)));
        var jobs = (today?.Jobs ?? []).Where(j => Rules.Contains(j.Key.Split(':')[0])).ToList();
        Due = [.. jobs.Where(j => j.State is JobState.Open or JobState.Late && j.From <= here.Now + Shift)];
        var meals = Lots.SelectMany(l => l.Meals((here.Now.AddHours(-24), here.Now), _ => false)).ToList();
        Bell = (meals.Count, meals.Count(m => m.IsMissed(here.Now)));
        Compared = Survival(l => l.Lot.Treatment);
        ByLight = Survival(l => LotComparison.LightOf([.. l.Looks.Select(x => x.Look.LightLux).OfType<double>()]));
        Releases = questions.Releases();
        return Page();
    }

    private LotComparison? Survival(Func<LotState, string> treatment) =>
        LotComparison.Of(
            Story
                .Lots.Select(l =>
                    (
                        Treatment: treatment(l),
                        Whole: SurvivalChain.Whole(SurvivalChain.Of(SurvivalChain.PointsOf(Story.Ledger, l.Lot.LotId)))
                    )
                )
                .Where(l => l.Whole is { IsFault: false })
                .Select(l => (l.Treatment, l.Whole!.Share))
        );

    /// <summary>How the temperature of a lot stands to its band.</summary>
    public static Judgement? Temperature(LotState lot) =>
        lot.Last?.TempC is { } c && lot.Lot.Stage == LotStage.Eggs ? EggClock.Band(lot.Table, c) : null;

    /// <summary>Animals of all lots in an account; what was collected counts positive.</summary>
    public long Balance(LotAccount account) =>
        Math.Abs(Story.Ledger.Balance(account, [.. Story.Ledger.Lots.Select(l => l.LotId)]));
}
