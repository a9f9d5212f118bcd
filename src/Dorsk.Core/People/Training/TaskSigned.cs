using Dorsk.Core.Judging;

namespace Dorsk.Core.People;

/// <summary>How far somebody has come with a task.</summary>
public enum TaskStep
{
    /// <summary>Watched somebody do it.</summary>
    Watched,

    /// <summary>Did it under the eyes of somebody who can.</summary>
    UnderEyes,

    /// <summary>Does it alone.</summary>
    Alone,
}

/// <summary>A step of learning a task, signed for.</summary>
/// <param name="PersonId">Who learns.</param>
/// <param name="Task">Key of the task.</param>
/// <param name="Step">The step.</param>
/// <param name="TeacherId">Who showed it or looked on; null where a Manager signs for themselves.</param>
public sealed record TaskSigned(long PersonId, string Task, TaskStep Step, long? TeacherId) : Fact
{
    private const int UsualTimes = 2;

    /// <summary>Objections, named by the field of the slip.</summary>
    /// <param name="known">What was signed before.</param>
    /// <param name="people">People of the farm.</param>
    public IEnumerable<Remark> Check(IReadOnlyList<TaskSigned> known, IReadOnlyList<PersonNamed> people)
    {
        var person = people.FirstOrDefault(p => p.PersonId == PersonId);
        if (person is null or { Role: Role.Gone or Role.Viewer })
            yield return Remark.Refuse("Person", "Choose somebody who works on the farm.");
        if (FarmTask.Find(Task) is null)
            yield return Remark.Refuse("Task", "Choose a task of the list.");
        foreach (var remark in OfTeacher(known, people, person))
            yield return remark;
        var own = known.Where(s => s.PersonId == PersonId && s.Task == Task).ToList();
        if (person?.Role == Role.Manager)
            yield break;
        if (Step > TaskStep.Watched && own.TrueForAll(s => s.Step < Step - 1))
            yield return Remark.Refuse(
                "Step",
                Step == TaskStep.Alone ? "Under eyes first: nobody begins alone." : "They watch it first."
            );
        else if (Step == TaskStep.Alone && own.Count(s => s.Step == TaskStep.UnderEyes) < UsualTimes)
            yield return Remark.Ask("Step", "They have done it once under eyes; twice is usual. Are they sure of it?");
    }

    private IEnumerable<Remark> OfTeacher(
        IReadOnlyList<TaskSigned> known,
        IReadOnlyList<PersonNamed> people,
        PersonNamed? person
    )
    {
        if (TeacherId is null || TeacherId == PersonId)
        {
            if (person?.Role != Role.Manager)
                yield return Remark.Refuse("Teacher", "Somebody else shows it or looks on: choose who.");
            yield break;
        }
        var teacher = people.FirstOrDefault(p => p.PersonId == TeacherId);
        if (teacher is null or { Role: Role.Gone })
            yield return Remark.Refuse("Teacher", "Choose somebody of the farm.");
        else if (teacher.Role != Role.Manager && Training.StandsAt(known, teacher.PersonId, Task) != TaskStep.Alone)
            yield return Remark.Refuse("Teacher", "They are not signed for doing it alone themselves.");
    }
}

/// <summary>Who may do what.</summary>
public static class Training
{
    /// <summary>How far somebody has come with a task; null where nothing is signed.</summary>
    /// <param name="signed">All that is signed.</param>
    /// <param name="personId">The person.</param>
    /// <param name="task">Key of the task.</param>
    public static TaskStep? StandsAt(IEnumerable<TaskSigned> signed, long personId, string task) =>
        signed
            .Where(s => s.PersonId == personId && s.Task == task)
            .Select(s => (TaskStep?)s.Step)
            .DefaultIfEmpty(null)
            .Max();

    /// <summary>Tasks that can do harm and that nobody but Managers is signed for alone; empty while the farm signs for nothing.</summary>
    /// <param name="signed">All that is signed.</param>
    /// <param name="people">People of the farm.</param>
    public static IReadOnlyList<FarmTask> NobodyFor(IReadOnlyList<TaskSigned> signed, IReadOnlyList<PersonNamed> people)
    {
        var hands = people.Where(p => p.Role is Role.PondHand or Role.NightWatch).ToList();
        return signed.Count == 0 || hands.Count == 0
            ? []
            :
            [
                .. FarmTask.All.Where(t =>
                    t.Harms && hands.TrueForAll(h => StandsAt(signed, h.PersonId, t.Key) != TaskStep.Alone)
                ),
            ];
    }

    /// <summary>Whether somebody who works alone by the water is signed for it; asked about where the farm signs for tasks.</summary>
    /// <param name="signed">All that is signed.</param>
    /// <param name="people">People of the farm.</param>
    /// <param name="who">Name of who goes.</param>
    public static IEnumerable<Remark> Alone(
        IReadOnlyList<TaskSigned> signed,
        IReadOnlyList<PersonNamed> people,
        string who
    )
    {
        if (signed.Count == 0 || people.FirstOrDefault(p => p.Name == who) is not { Role: not Role.Manager } person)
            yield break;
        if (StandsAt(signed, person.PersonId, "alone") != TaskStep.Alone)
            yield return Remark.Ask("Who", $"{who} is not signed for work alone by the water. Is somebody near?");
    }
}
