using Dorsk.Core.Hatchery;
using Dorsk.Core.People;
using Dorsk.Core.Plans;
using Dorsk.Core.Species;
using Dorsk.Farm.Ask;
using Dorsk.Web.People;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace Dorsk.Web.Pages;

/// <summary>A kept plan of the hatchery, worked out.</summary>
/// <param name="Line">Its line in the log.</param>
/// <param name="Species">The fish.</param>
/// <param name="Kept">What was asked.</param>
/// <param name="Plan">What it comes to.</param>
/// <param name="Table">How the eggs develop.</param>
/// <param name="Way">How they are spawned and hatched.</param>
public sealed record HatchPlanShown(
    long Line,
    FishSpecies Species,
    HatchPlanned Kept,
    BackPlan Plan,
    EggTable Table,
    BroodWay Way
)
{
    /// <summary>Water of tanks for the larvae, m³.</summary>
    public (double Least, double Usual) TanksM3 => Plan.TanksM3(Species);

    /// <summary>Kinds of feed, in order.</summary>
    public IReadOnlyList<string> Feeds => BackPlan.FeedKinds(Species, Kept.Asked.LengthMm);

    /// <summary>Days in which vessels hold its eggs and sac fry: from, to.</summary>
    public (DateOnly From, DateOnly To) InVessels =>
        (
            Plan.Days.First(d => d.What.StartsWith("eggs", StringComparison.Ordinal)).On,
            Plan.Days.First(d => d.What.StartsWith("first feed", StringComparison.Ordinal)).On
        );
}

/// <summary>Plans back from the fingerlings wanted, the hatchery year on one line, vessels that two plans want at once.</summary>
[Needs(Permission.Look)]
public sealed class HatchPlansModel(Questions questions, Here here) : PageModel
{
    public IReadOnlyList<HatchPlanShown> Plans { get; private set; } = [];

    /// <summary>Vessels of the hatchery in use, by the word of the plans.</summary>
    public int VesselsThere { get; private set; }

    /// <summary>First day of the year that is drawn.</summary>
    public DateOnly From { get; private set; }

    /// <summary>Days that are drawn.</summary>
    public int Days { get; private set; } = 365;

    public IActionResult OnGet()
    {
        if (here.Farm is null)
            return Redirect("/slip/farm");
        var story = questions.Hatchery(here.Now);
        Plans = [.. story.Plans.Select(p => Shown(p.Line, p.Plan)).OfType<HatchPlanShown>()];
        VesselsThere = story.Vessels.Count(v => v.Vessel is { Gone: false, Kind: not VesselKind.Nest });
        if (Plans.Count > 0)
        {
            From = Plans.Min(p => p.Plan.Days[0].On).AddDays(-7);
            Days = Math.Max(60, Plans.Max(p => p.Plan.Days[^1].On).DayNumber - From.DayNumber + 7);
        }
        return Page();
    }

    private HatchPlanShown? Shown(long line, HatchPlanned kept)
    {
        var species = here.AllSpecies.FirstOrDefault(s => s.Key == kept.SpeciesKey);
        return species is null || EggTable.For(species) is not { } table
            ? null
            : new(
                line,
                species,
                kept,
                BackPlan.Of(kept.Asked, table, NurseryDensity.For(species)),
                table,
                BroodWay.Of(table)
            );
    }

    /// <summary>Place of a day on the line of the year, 0 to 720.</summary>
    public double X(DateOnly day) => 720.0 * Math.Clamp(day.DayNumber - From.DayNumber, 0, Days) / Days;

    /// <summary>Plans whose eggs stand in the vessels at the same time and want more than there are.</summary>
    public IReadOnlyList<string> Overlaps =>
        [
            .. Plans
                .SelectMany((a, i) => Plans.Skip(i + 1).Select(b => (a, b)))
                .Where(x => x.a.InVessels.From <= x.b.InVessels.To && x.b.InVessels.From <= x.a.InVessels.To)
                .Select(x => (x.a, x.b, Wants: x.a.Way.VesselsFor(x.a.Plan.Eggs) + x.b.Way.VesselsFor(x.b.Plan.Eggs)))
                .Where(x => x.Wants > VesselsThere)
                .Select(x =>
                    $"{x.a.Species.Name} and {x.b.Species.Name} want {here.Count(x.Wants)} vessels together from {here.Day(Later(x.a.InVessels.From, x.b.InVessels.From))}; {here.Count(VesselsThere)} are there"
                ),
        ];

    private static DateOnly Later(DateOnly a, DateOnly b) => a > b ? a : b;

    /// <summary>Months on the line.</summary>
    public IEnumerable<(double X, string Name)> Months()
    {
        for (var m = new DateOnly(From.Year, From.Month, 1).AddMonths(1); m < From.AddDays(Days); m = m.AddMonths(1))
            yield return (X(m), m.ToString("MMM", System.Globalization.CultureInfo.InvariantCulture));
    }
}
