using Dorsk.Core.Feeding;
using Dorsk.Core.Judging;
using Dorsk.Core.Notebook;
using Dorsk.Core.Stock;
using Dorsk.Core.Units;
using Dorsk.Core.Water;
using Dorsk.Farm.Ask;
using Dorsk.Farm.Estimates;
using Dorsk.Farm.Log;

namespace Dorsk.Web.Notes;

/// <summary>Turns a line of the notebook that was understood into lines for the door, and into words for the look before.</summary>
internal sealed class NoteEntry(Questions questions, Here here)
{
    /// <summary>The reader, with what notes of this farm may speak of.</summary>
    /// <param name="written">When the notes were written: their hours and weekdays count from then.</param>
    public NoteReader Reader(DateTimeOffset written) =>
        new(
            new(
                here.Hand,
                here.Zone.LocalAt(written),
                [.. questions.Ponds().Select(p => new NotePond(p.Id, p.Code, p.Name))],
                [.. here.Feeds.Select(f => (f.Id, f.Name))]
            )
        );

    /// <summary>When it happened.</summary>
    public DateTimeOffset At(NoteLine note) =>
        here.Zone.At(DateOnly.FromDateTime(note.At), TimeOnly.FromDateTime(note.At));

    /// <summary>Lines for the door, and what the farm has against them.</summary>
    /// <param name="note">A line that was understood.</param>
    public (IReadOnlyList<NewLine> Lines, IReadOnlyList<Remark> Remarks) Lines(NoteLine note)
    {
        List<Remark> remarks = [];
        var facts = note.Parts.SelectMany(p => FactsOf(p, remarks)).ToList();
        if (note.Corrects is { } line)
        {
            if (questions.Line(line) is not { } old || !here.MayCorrect(old))
                remarks.Add(Remark.Refuse("", "There is no such line of the log, or it is not yours to correct."));
            if (facts.Count != 1)
                remarks.Add(Remark.Refuse("", "A line that corrects another tells one thing."));
        }
        var typed = Questions.NoteTyped + note.Text;
        return ([.. facts.Select((f, i) => new NewLine(At(note), f, typed, i == 0 ? note.Corrects : null))], remarks);
    }

    private List<Fact> FactsOf(NotePart part, List<Remark> remarks)
    {
        var story = questions.Story(part.Code)!;
        var instruments = questions.Instruments().Select(i => i.Kept).ToList();
        var values = part
            .Facts.OfType<NoteReading>()
            .Select(r => new Value(r.Parameter, r.Si, null, InstrumentKept.Usual(instruments, r.Parameter)))
            .ToList();
        List<Fact> facts = values.Count > 0 ? [new ReadingTaken(part.PondId, values)] : [];
        foreach (var fed in part.Facts.OfType<NoteFed>())
            facts.Add(new FeedingGiven(part.PondId, fed.FeedId ?? FeedOf(story, remarks), fed.Kg, fed.Score));
        foreach (var dead in part.Facts.OfType<NoteDead>())
            facts.Add(new FishLost(part.PondId, BatchOf(story, remarks), dead.Count, Account.Dead, dead.Cause));
        foreach (var s in part.Facts.OfType<NoteSample>())
            facts.Add(new FishSampled(part.PondId, BatchOf(story, remarks), false, [(s.Count, 1000 * s.Kg)]));
        return facts;
    }

    private long FeedOf(PondStory story, List<Remark> remarks)
    {
        if (story.Ration.FeedFor(here.Now, here.Feeds) is { } feed)
            return feed;
        remarks.Add(Remark.Refuse("", $"{story.Pond.Code}: say which feed."));
        return 0;
    }

    // One batch is meant; of two nobody says which.
    private static long BatchOf(PondStory story, List<Remark> remarks)
    {
        var batches = story.Standing.ToList();
        if (batches.Count == 1)
            return batches[0].Id;
        remarks.Add(
            Remark.Refuse(
                "",
                batches.Count == 0
                    ? $"{story.Pond.Code} holds no fish."
                    : $"{story.Pond.Code} holds {batches.Count} batches: enter it on its slip, where the batch is chosen."
            )
        );
        return 0;
    }

    /// <summary>What was understood, in words.</summary>
    /// <param name="part">What is told of a pond.</param>
    public string Say(NotePart part) => $"{part.Code}: {string.Join(", ", part.Facts.Select(Say))}";

    private string Say(NoteFact fact) =>
        fact switch
        {
            NoteReading r => $"{r.Parameter.Name} {here.Say(r.Si, r.Parameter)}",
            NoteFed f =>
                $"fed {here.Say(f.Kg, Measures.Mass)}{(f.FeedId is { } id ? " of " + here.Feeds.First(k => k.Id == id).Name : "")}{(f.Score is { } s ? $", score {s}" : "")}",
            NoteDead d => $"{here.Count(d.Count)} dead{(d.Cause.Length > 0 ? $" ({d.Cause})" : "")}",
            NoteSample s => $"{here.Count(s.Count)} fish weigh {here.Say(s.Kg, Measures.Mass)}",
            _ => "",
        };
}
