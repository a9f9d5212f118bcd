using System.Globalization;
using Dorsk.Core.People;

namespace Dorsk.Web.Slips;

/// <summary>A step of learning a task, signed for.</summary>
internal sealed class TaskSlip : ISlip
{
    private static readonly (TaskStep Step, string Word)[] Steps =
    [
        (TaskStep.Watched, "watched it"),
        (TaskStep.UnderEyes, "did it under eyes"),
        (TaskStep.Alone, "does it alone"),
    ];

    public string Key => "task-signed";

    public Permission Needs => Permission.Manage;

    public string Title => "Sign for a task";

    public string Button => "Sign";

    public bool OfPond => false;

    public string FactKind => nameof(TaskSigned);

    public string Section => "";

    public string After => "/tasks";

    /// <summary>A step in words.</summary>
    public static string Word(TaskStep? step) => step is { } s ? Steps.First(x => x.Step == s).Word : "not yet";

    public IReadOnlyList<SlipField> Fields(SlipContext c)
    {
        var f = c.Old<TaskSigned>();
        return
        [
            .. Lines.When(c),
            c.Choice("Person", "Who", Text(f?.PersonId), [("", "choose"), .. People(c)]),
            c.Choice("Task", "Task", f?.Task ?? "", [("", "choose"), .. FarmTask.All.Select(t => (t.Key, t.Name))]),
            c.Choice("Step", "Step", f?.Step ?? TaskStep.Watched, HatchWord.Options(Steps)),
            c.Choice(
                "Teacher",
                "Shown or seen by",
                Text(f is null ? c.Here.Person?.PersonId : f.TeacherId),
                [("", "themselves, a Manager"), .. People(c)]
            ),
        ];
    }

    public Filled Read(SlipForm form, SlipContext c)
    {
        var fact = new TaskSigned(
            Person(form, c, "Person") ?? 0,
            form.Text("Task"),
            HatchWord.Read(form, "Step", Steps, "step"),
            Person(form, c, "Teacher")
        );
        return new(form.When(), [fact], $"{fact.Task} {Word(fact.Step)}", []);
    }

    internal static long? Person(SlipForm form, SlipContext c, string field) =>
        form.Empty(field)
            ? null
            : form.Choice<long?>(
                field,
                [.. c.Questions.People().Select(p => (Text(p.PersonId), (long?)p.PersonId))],
                "person",
                null
            );

    internal static IEnumerable<(string, string)> People(SlipContext c) =>
        c
            .Questions.People()
            .Where(p => p.Role is not (Role.Gone or Role.Viewer))
            .Select(p => (Text(p.PersonId), p.Name));

    internal static string Text(long? id) => id?.ToString(CultureInfo.InvariantCulture) ?? "";
}
