using Dorsk.Core.People;
using Dorsk.Core.Ponds;
using Dorsk.Core.Season;
using Dorsk.Farm.Ask;
using Dorsk.Web.People;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace Dorsk.Web.Pages;

/// <summary>The farm's recurring tasks, and what is usual for its bodies of water.</summary>
[Needs(Permission.Look)]
public sealed class DutiesModel(Questions questions, Here here) : PageModel
{
    public IReadOnlyList<(long Line, DutyKept Kept)> All { get; private set; } = [];

    /// <summary>Codes of ponds in use, by number.</summary>
    public IReadOnlyDictionary<long, Pond> Ponds { get; private set; } = new Dictionary<long, Pond>();

    public IActionResult OnGet()
    {
        if (here.Farm is null)
            return Redirect("/slip/farm");
        All = questions.Duties();
        Ponds = questions.Ponds().ToDictionary(p => p.Id);
        Fry =
        [
            .. questions
                .Looks(here.Now)
                .Where(l => l.Now is { } now && now.Batches.Any(b => b.Stands.MeanG.Value < FryG))
                .Select(l => l.Now!.Story.Pond.Id),
        ];
        return Page();
    }

    /// <summary>What a change of water of the list comes to now; null where the task changes none.</summary>
    public (Core.Water.PlannedChange Change, double VolumeM3)? Change(DutyKept duty) =>
        duty.PondId is { } id && Ponds.GetValueOrDefault(id) is { } pond && questions.Story(pond.Code) is { } story
            ? questions.WaterChange(duty, story, here.Now)
            : null;

    /// <summary>Tasks of a week, all recurring tasks together.</summary>
    public double PerWeek => All.Sum(d => 7.0 / d.Kept.EveryDays);

    // Ponds with fry, by number.
    private HashSet<long> Fry { get; set; } = [];

    private const double FryG = 1;

    private bool Covered(long pond) =>
        All.Any(d =>
            d.Kept.PondId == pond && d.Kept.What.StartsWith(UsualDuties.CoverOver, StringComparison.OrdinalIgnoreCase)
        );

    /// <summary>Usual recurring tasks that the farm does not have: for itself, then by kind of body with the ponds of that kind that lack it.</summary>
    public IEnumerable<(UsualDuty Duty, IReadOnlyList<Pond> For)> Usual()
    {
        bool Has(long? pond, string what) =>
            All.Any(d => d.Kept.PondId == pond && string.Equals(d.Kept.What, what, StringComparison.OrdinalIgnoreCase));
        foreach (var duty in UsualDuties.OfFarm.Where(u => !Has(null, u.What)))
            yield return (duty, []);
        foreach (
            var (duty, ponds) in Ponds
                .Values.GroupBy(p => (p.Kind, Fry: Fry.Contains(p.Id), Covered: Covered(p.Id), p.ColourTarget))
                .SelectMany(g =>
                    UsualDuties
                        .For(g.Key.Kind, g.Key.Fry, g.Key.Covered, g.Key.ColourTarget)
                        .Select(u => (u, g.Where(p => !Has(p.Id, u.What)).ToList()))
                )
        )
            if (ponds.Count > 0)
                yield return (duty, ponds);
    }

    /// <summary>Address of the slip, filled in.</summary>
    public static string Slip(UsualDuty u, Pond? pond) =>
        FormattableString.Invariant(
            $"/slip/duty?What={Uri.EscapeDataString(u.What)}&Every={u.EveryDays}&At={u.At:HH:mm}&Reason={Uri.EscapeDataString(u.Reason)}{(pond is null ? "" : $"&Pond={pond.Id}")}"
        );
}
