using Dorsk.Core.Judging;
using Dorsk.Core.People;

namespace Dorsk.Core.Tests.People;

/// <summary>Tasks are watched, done under eyes, then alone; each step is signed for by somebody who can.</summary>
public class TrainingTests
{
    private static readonly PersonNamed Boss = new("Manager", Role.Manager, 1),
        Hand = new("Pond hand", Role.PondHand, 2),
        Night = new("Night watch", Role.NightWatch, 3),
        Left = new("Old hand", Role.Gone, 4);
    private static readonly PersonNamed[] All = [Boss, Hand, Night, Left];

    private static Objection? Of(TaskSigned line, params TaskSigned[] known) =>
        line.Check(known, All).Select(r => (Objection?)r.Kind).Max();

    private static TaskSigned By(long person, TaskStep step, long? teacher = 1, string task = "seine") =>
        new(person, task, step, teacher);

    [Fact]
    public void Nobody_begins_alone_and_who_teaches_can_do_it()
    {
        var (watched, eyes, alone) = (By(2, TaskStep.Watched), By(2, TaskStep.UnderEyes), By(2, TaskStep.Alone));
        Assert.Null(Of(watched));
        Assert.Equal(Objection.Refuse, Of(eyes));
        Assert.Null(Of(eyes, watched));
        Assert.Equal(Objection.Refuse, Of(alone, watched));
        // Once under eyes is asked about, twice is not.
        Assert.Equal(Objection.Ask, Of(alone, watched, eyes));
        Assert.Null(Of(alone, watched, eyes, eyes));
        // Another task counts nothing.
        Assert.Equal(Objection.Refuse, Of(alone, By(2, TaskStep.UnderEyes, 1, "cast")));
        // A hand teaches what they are signed for.
        Assert.Equal(Objection.Refuse, Of(By(3, TaskStep.Watched, 2), watched, eyes));
        Assert.Null(Of(By(3, TaskStep.Watched, 2), watched, eyes, alone));
        Assert.Equal(Objection.Refuse, Of(By(2, TaskStep.Watched, 2)));
        Assert.Equal(Objection.Refuse, Of(By(2, TaskStep.Watched, null)));
        Assert.Null(Of(By(1, TaskStep.Alone, null)));
        Assert.Equal(Objection.Refuse, Of(By(4, TaskStep.Watched)));
        Assert.Equal(Objection.Refuse, Of(By(2, TaskStep.Watched, 4)));
        Assert.Equal(Objection.Refuse, Of(By(2, TaskStep.Watched, 1, "juggling")));
    }

    [Fact]
    public void Work_alone_by_the_water_is_asked_about_once_the_farm_signs_for_tasks()
    {
        Assert.Empty(Training.Alone([], All, "Pond hand"));
        TaskSigned[] some = [By(2, TaskStep.Watched)];
        Assert.Equal(Objection.Ask, Training.Alone(some, All, "Pond hand").Single().Kind);
        Assert.Empty(Training.Alone([By(2, TaskStep.Alone, 1, "alone")], All, "Pond hand"));
        Assert.Empty(Training.Alone(some, All, "Manager"));
        Assert.Empty(Training.NobodyFor([], All));
        Assert.Contains(Training.NobodyFor(some, All), t => t.Key == "seine");
        Assert.DoesNotContain(Training.NobodyFor([By(3, TaskStep.Alone)], All), t => t.Key == "seine");
        Assert.All(Training.NobodyFor(some, All), t => Assert.True(t.Harms));
    }
}
