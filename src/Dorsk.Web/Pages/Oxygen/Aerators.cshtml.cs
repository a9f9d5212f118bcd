using Dorsk.Core.Air;
using Dorsk.Core.Judging;
using Dorsk.Core.Oxygen;
using Dorsk.Core.People;
using Dorsk.Core.Ponds;
using Dorsk.Farm;
using Dorsk.Farm.Ask;
using Dorsk.Farm.Estimates;
using Dorsk.Web.Parts;
using Dorsk.Web.People;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace Dorsk.Web.Pages;

/// <summary>One aerator as the page shows it.</summary>
/// <param name="Story">Its pond.</param>
/// <param name="Aerator">The aerator.</param>
/// <param name="Ran">Hours and energy of the days that are added up.</param>
/// <param name="Air">How it stands.</param>
/// <param name="Service">When it is due for service.</param>
/// <param name="Tested">Its last step of being taken into use, judged against its plate; null without one.</param>
public sealed record AeratorRow(
    PondStory Story,
    Aerator Aerator,
    AeratorHours Ran,
    AirWords Air,
    Judgement Service,
    (AeratorTested Fact, Judgement Judgement, Grounds Why)? Tested
);

/// <summary>Every aerator of the farm: how it stands, its timer, the hours it ran, the energy, and its service.</summary>
[Needs(Permission.Look)]
public sealed class AeratorsModel(Questions questions, AirKeeping keeping, Here here) : PageModel
{
    /// <summary>Days that are added up.</summary>
    public const int Days = 30;

    public IReadOnlyList<AeratorRow> Rows { get; private set; } = [];

    /// <summary>Ponds with aerators.</summary>
    public IReadOnlyList<PondAir> Ponds { get; private set; } = [];

    /// <summary>Pumps of all ponds with their power: what they would take in a month if they never stopped.</summary>
    public IReadOnlyList<(string Pond, Equipment Pump, double MonthKWh)> Pumps { get; private set; } = [];

    /// <summary>How much air each month wants, by the pond with the most fish; empty without fish.</summary>
    public IReadOnlyList<AirNeed> Months { get; private set; } = [];

    private const double HoursOfMonth = 720;

    public IActionResult OnGet()
    {
        if (here.Farm is null)
            return Redirect("/slip/farm");
        var stories = questions.Stories(_ => true).Where(s => s.AeratorsAt(here.Now).Count > 0).ToList();
        var panels = keeping.Panels();
        Rows = RowsOf(stories, panels);
        var plan = questions.Plan();
        Ponds = [.. stories.Select(x => PondAir.Of(x, panels.ContainsKey(x.Pond.Id), plan, here))];
        Pumps =
        [
            .. questions
                .Stories(_ => true)
                .SelectMany(x =>
                    x.Equipment.Where(e => e.Kind == EquipmentKind.Pump && e.PowerKW is not null)
                        .Select(e => (x.Pond.Code, e, e.PowerKW!.Value * HoursOfMonth))
                ),
        ];
        Months = MonthsOf(stories);
        return Page();
    }

    private IReadOnlyList<AirNeed> MonthsOf(IReadOnlyList<PondStory> stories)
    {
        if (stories.Where(s => s.Standing.Any()).MaxBy(s => s.Stock.BiomassKgOn(here.Today)) is not { } s)
            return [];
        var batch = s.Standing.Last();
        return AirNeed.ByMonth(
            m => s.Temperature.Curve(new DateOnly(here.Today.Year, m, 15)),
            batch.Species,
            s.Stock.At(batch, here.Today).MeanG.Value,
            here.Farm!.AltitudeM
        );
    }

    private IReadOnlyList<AeratorRow> RowsOf(List<PondStory> stories, IReadOnlyDictionary<long, string> panels) =>
        [
            .. stories.SelectMany(s =>
                s.AeratorHours(here.Now.AddDays(-Days), here.Now)
                    .Join(
                        s.AeratorsAt(here.Now),
                        h => h.Code,
                        a => a.Code,
                        (h, a) =>
                            new AeratorRow(
                                s,
                                a,
                                h,
                                AirWords.Of(s, a, panels.ContainsKey(s.Pond.Id), here),
                                s.Service.Of(a.Code, here.Now),
                                Tested(s, a.Code)
                            )
                    )
            ),
        ];

    private (AeratorTested, Judgement, Grounds)? Tested(PondStory s, string code) =>
        s.Air.Tests(code).LastOrDefault().Fact is { } t && AirFaults.Test(t, here.Hand) is var (j, why)
            ? (t, j, why)
            : null;
}
