using Dorsk.Core.Judging;
using Dorsk.Core.People;
using Dorsk.Core.Season;
using Dorsk.Core.Verdict;
using Dorsk.Farm.Ask;
using Dorsk.Farm.Estimates;
using Dorsk.Web.People;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace Dorsk.Web.Pages;

/// <summary>A pond as the health page shows it.</summary>
/// <param name="Now">The pond.</param>
/// <param name="Wrong">What is wrong with its fish or its water, the gravest first.</param>
/// <param name="Dead">Dead of the last days.</param>
public sealed record SickPond(PondNow Now, IReadOnlyList<Finding> Wrong, IReadOnlyList<DeadOn> Dead);

/// <summary>Health of all ponds: what is wrong, the dead beside each other, investigations, treatments, holds, what is due.</summary>
[Needs(Permission.Look)]
public sealed class HealthModel(Questions questions, Here here) : PageModel
{
    private const int Days = 14;

    public IReadOnlyList<SickPond> Ponds { get; private set; } = [];

    /// <summary>Most dead of a pond on a day: the scale of all small drawings.</summary>
    public double Most { get; private set; }

    public IReadOnlyList<Job> Due { get; private set; } = [];

    /// <summary>Fish doctors and advisers who can be asked, with their lines.</summary>
    public IReadOnlyList<(long Line, AdviserDescribed Adviser)> Advisers { get; private set; } = [];

    public IActionResult OnGet()
    {
        if (questions.Today(here.Now) is not { } today)
            return Redirect("/slip/farm");
        Advisers = [.. questions.Advisers().Where(a => !a.Adviser.Dropped)];
        Ponds =
        [
            .. today
                .Ponds.Where(p => p.Batches.Count > 0 || p.Story.Health.Open.Count > 0)
                .Select(p => new SickPond(
                    p,
                    [.. p.Verdict.Findings.Where(f => f.Status >= Status.Watch)],
                    p.Story.Health.Dead(here.Today, Days)
                ))
                .OrderByDescending(p => Weight(p))
                .ThenByDescending(p => p.Dead.Sum(d => d.Likely)),
        ];
        Most = Ponds.SelectMany(p => p.Dead).Select(d => d.Likely).DefaultIfEmpty(0).Max();
        Due =
        [
            .. today.Jobs.Where(j =>
                j.Key.StartsWith("health-", StringComparison.Ordinal) && j.State is JobState.Open or JobState.Late
            ),
        ];
        return Page();
    }

    private static int Weight(SickPond p) =>
        (p.Wrong.Count > 0 && p.Wrong[0].Status == Status.ActNow ? 100 : 0)
        + (p.Now.Story.Health.IsSick ? 50 : 0)
        + (p.Wrong.Count > 0 ? 10 : 0);
}
