using System.Globalization;
using System.Text.Json;
using Dorsk.Core.Judging;
using Dorsk.Core.People;
using Dorsk.Core.Units;
using Dorsk.Core.Water;
using Dorsk.Farm.Ask;
using Dorsk.Farm.Estimates;
using Dorsk.Web.Parts;
using Dorsk.Web.People;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace Dorsk.Web.Pages;

/// <summary>The course of one value in one pond: mornings and afternoons apart, its band, years over each other.</summary>
[Needs(Permission.Look)]
public sealed class CourseModel(Questions questions, Here here) : PageModel
{
    /// <summary>Spans to choose from.</summary>
    public static readonly (int Days, string Word)[] Spans =
    [
        (3, "three days"),
        (14, "two weeks"),
        (30, "a month"),
        (120, "four months"),
        (400, "a year"),
        (3660, "all"),
    ];

    public PondStory Story { get; private set; } = null!;

    public Parameter Parameter { get; private set; } = Parameter.Oxygen;

    public int Days { get; private set; } = 120;

    public bool Years { get; private set; }

    /// <summary>What was ever read here, and what is looked at.</summary>
    public IReadOnlyList<Parameter> Read { get; private set; } = [];

    public (double? Low, double? High) Band { get; private set; }

    public IReadOnlyList<Judgement> Trends { get; private set; } = [];

    public IReadOnlyList<(string Month, double? Low, double? High, int Days)> Months { get; private set; } = [];

    public int Count { get; private set; }

    /// <summary>This year's months beside those of the years before.</summary>
    public IReadOnlyList<YearDifference> Differences { get; private set; } = [];

    /// <summary>How a difference is printed: degrees of difference have no freezing point.</summary>
    public Measure StepMeasure => Parameter == Parameter.Temperature ? Measures.TemperatureStep : Parameter.Measure;

    /// <summary>Ammonia, nitrite and nitrate on one time scale; null for other values.</summary>
    public NitrogenPicture? Nitrogen { get; private set; }

    private static readonly Parameter[] OfNitrogen = [Parameter.Tan, Parameter.Nitrite, Parameter.Nitrate];

    /// <summary>Up to so many days the chart shows hours.</summary>
    public const int FineDays = 45;

    /// <summary>Whether a probe measured in this time.</summary>
    public bool HasProbe { get; private set; }

    public string Chart { get; private set; } = "";

    public IActionResult OnGet(string code, string? parameter, int days = 120, bool years = false)
    {
        if (questions.Story(code) is not { } story || Parameter.Find(parameter ?? "do") is not { OfFarm: false } p)
            return NotFound();
        (Story, Parameter, Years) = (story, p, years);
        Days =
            years ? Spans[^1].Days
            : Spans.Any(s => s.Days == days) ? days
            : 120;
        Read = Parameter.All.Where(x => !x.OfFarm && (x == p || story.ReadingsOf[x].Count > 0)).ToList();
        Band =
            story.Stock.LimitsOn(here.Today) is not { } limits || (p == Parameter.Secchi && story.Pond.ByVolume)
                ? (null, null)
                : WaterJudge.Band(p, limits);
        Trends = story.Trends.At(here.Now, p);
        var from = here.Today.AddDays(-Days);
        var (dawn, noon) = (story.DaysOf(p, true, from, here.Today), story.DaysOf(p, false, from, here.Today));
        var probe = years
            ? []
            : questions.ProbeCourse(story.Pond.Id, p, here.Zone.At(from, TimeOnly.MinValue), here.Now).Points;
        (Count, HasProbe) = (dawn.Count + noon.Count + probe.Count, probe.Count > 0);
        Months = MonthsOf(dawn, noon);
        Differences =
            p.Steps.Count > 0
                ? []
                : YearDifference.Of(story.DaysOf(p, true, DateOnly.MinValue.AddYears(1), here.Today), here.Today);
        if (OfNitrogen.Contains(p))
            Nitrogen = new(OfNitrogen.Select(x => (x, Means(x, from))), from, here.Today);
        Chart = Drawn(dawn, noon, probe);
        return Page();
    }

    private IReadOnlyList<DayValue> Means(Parameter p, DateOnly from) =>
        [
            .. Story
                .ReadingsOf[p]
                .Where(t => here.Zone.DayOf(t.At) >= from && t.At <= here.Now)
                .GroupBy(t => here.Zone.DayOf(t.At))
                .Select(g => new DayValue(g.Key, g.Average(t => t.Si))),
        ];

    private static List<(string Month, double? Low, double? High, int Days)> MonthsOf(
        IReadOnlyList<DayValue> dawn,
        IReadOnlyList<DayValue> noon
    ) =>
        dawn.Select(d => (d, Morning: true))
            .Concat(noon.Select(d => (d, Morning: false)))
            .GroupBy(x => new DateOnly(x.d.Day.Year, x.d.Day.Month, 1))
            .OrderByDescending(g => g.Key)
            .Take(14)
            .Select(g =>
                (
                    g.Key.ToString("MMM yyyy", CultureInfo.InvariantCulture),
                    g.Where(x => x.Morning).Select(x => (double?)x.d.Si).Min(),
                    g.Where(x => !x.Morning).Select(x => (double?)x.d.Si).Max(),
                    g.Select(x => x.d.Day).Distinct().Count()
                )
            )
            .ToList();

    private string Drawn(
        IReadOnlyList<DayValue> dawn,
        IReadOnlyList<DayValue> noon,
        IReadOnlyList<(DateTimeOffset At, double Mean, double Low, double High)> probe
    )
    {
        var (p, unit, from) = (Parameter, Parameter.Measure.In(here.Hand), here.Today.AddDays(-Days));
        object Point(DayValue d) =>
            new
            {
                t = (Years ? new DateOnly(2024, d.Day.Month, d.Day.Day) : d.Day).ToString(
                    "yyyy-MM-dd",
                    CultureInfo.InvariantCulture
                ),
                y = d.Day.Year,
                v = Math.Round(unit.FromSi(d.Si), 4),
            };
        var hand =
            HasProbe && Days <= FineDays
                ? Story.ByHand[p].Where(t => here.Zone.DayOf(t.At) >= from && t.At <= here.Now)
                : [];
        double R(double si) => Math.Round(unit.FromSi(si), 3);
        return JsonSerializer.Serialize(
            new
            {
                unit = unit.Symbol,
                years = Years,
                fine = HasProbe && Days <= FineDays,
                low = Band.Low is { } l ? unit.FromSi(l) : (double?)null,
                high = Band.High is { } h ? unit.FromSi(h) : (double?)null,
                probe = probe.Select(x => new object[] { Charts.L(here, x.At), R(x.Mean), R(x.Low), R(x.High) }),
                hand = hand.Select(t => new { t = Charts.L(here, t.At), v = R(t.Si) }),
                dawn = dawn.Select(Point),
                noon = noon.Select(Point),
                steps = p.Steps,
            }
        );
    }
}
