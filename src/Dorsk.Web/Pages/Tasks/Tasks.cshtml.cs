using Dorsk.Core.People;
using Dorsk.Farm.Ask;
using Dorsk.Web.People;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace Dorsk.Web.Pages;

/// <summary>Who has signed for which task: watched, done under eyes, alone.</summary>
[Needs(Permission.Look)]
public sealed class TasksModel(Questions questions, Here here) : PageModel
{
    /// <summary>Those who work on the farm.</summary>
    public IReadOnlyList<PersonNamed> People { get; private set; } = [];

    /// <summary>Steps signed, in order of time.</summary>
    public IReadOnlyList<(long Line, DateTimeOffset At, TaskSigned Fact)> Signed { get; private set; } = [];

    /// <summary>Tasks that can do harm and that no hand is signed for.</summary>
    public IReadOnlyList<FarmTask> NobodyFor { get; private set; } = [];

    /// <summary>Rosters of today and the days to come.</summary>
    public IReadOnlyList<RosterShown> Rosters { get; private set; } = [];

    /// <summary>The page.</summary>
    public IActionResult OnGet()
    {
        if (here.Farm is null)
            return Redirect("/slip/farm");
        People = [.. questions.People().Where(p => p.Role is not (Role.Gone or Role.Viewer))];
        Signed = questions.TasksSigned();
        Rosters = RosterShown.Ahead(questions, here);
        NobodyFor = Training.NobodyFor([.. Signed.Select(s => s.Fact)], People);
        return Page();
    }

    /// <summary>The newest line of the furthest step of a person; null where nothing is signed.</summary>
    public (long Line, DateTimeOffset At, TaskSigned Fact)? Furthest(PersonNamed person, FarmTask task) =>
        Signed
            .Where(s => s.Fact.PersonId == person.PersonId && s.Fact.Task == task.Key)
            .OrderBy(s => s.Fact.Step)
            .Select(s => ((long, DateTimeOffset, TaskSigned)?)s)
            .LastOrDefault();
}
