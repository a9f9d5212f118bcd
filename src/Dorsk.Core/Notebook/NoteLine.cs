using Dorsk.Core.Units;
using Dorsk.Core.Water;

namespace Dorsk.Core.Notebook;

/// <summary>Something that a note tells.</summary>
public abstract record NoteFact;

/// <summary>A value read in the water.</summary>
/// <param name="Parameter">What was read.</param>
/// <param name="Si">Value, SI.</param>
public sealed record NoteReading(Parameter Parameter, double Si) : NoteFact;

/// <summary>Feed given.</summary>
/// <param name="Kg">Mass, kg; above 0.</param>
/// <param name="FeedId">Kind of feed; null where the note names none.</param>
/// <param name="Score">How the fish came to it, 0 to 4; null where the note does not say.</param>
public sealed record NoteFed(double Kg, long? FeedId, int? Score) : NoteFact;

/// <summary>Dead fish found.</summary>
/// <param name="Count">How many; above 0.</param>
/// <param name="Cause">What was seen; may be empty.</param>
public sealed record NoteDead(int Count, string Cause) : NoteFact;

/// <summary>Fish weighed together.</summary>
/// <param name="Count">How many; above 0.</param>
/// <param name="Kg">All of them, kg; above 0.</param>
public sealed record NoteSample(int Count, double Kg) : NoteFact;

/// <summary>Where a line stopped making sense.</summary>
/// <param name="At">Place of the word in the line, from 0.</param>
/// <param name="Word">The word; empty at the end of the line.</param>
/// <param name="Why">What was expected, in a sentence.</param>
public sealed record NoteStop(int At, string Word, string Why);

/// <summary>What a note tells of one pond.</summary>
/// <param name="PondId">The pond.</param>
/// <param name="Code">Its code.</param>
/// <param name="Facts">What is told, in order; at least one.</param>
public sealed record NotePart(long PondId, string Code, IReadOnlyList<NoteFact> Facts);

/// <summary>One line of the notebook, read. Where it stopped nothing of it is recorded.</summary>
/// <param name="Text">The line as it was written.</param>
/// <param name="Writer">Name before the text of a pasted message; empty where there is none.</param>
/// <param name="At">Local date and hour that it speaks of.</param>
/// <param name="Corrects">Line of the log that it corrects; null for a new one.</param>
/// <param name="Parts">What is told, pond by pond; empty where it stopped.</param>
/// <param name="Stop">Where it stopped making sense; null where all of it was understood.</param>
public sealed record NoteLine(
    string Text,
    string Writer,
    DateTime At,
    long? Corrects,
    IReadOnlyList<NotePart> Parts,
    NoteStop? Stop
);

/// <summary>A pond as notes may name it.</summary>
/// <param name="Id">Its number.</param>
/// <param name="Code">Its code.</param>
/// <param name="Name">Its name; may be empty.</param>
public readonly record struct NotePond(long Id, string Code, string Name);

/// <summary>What a note may speak of.</summary>
/// <param name="Hand">Units and decimal sign of the farm.</param>
/// <param name="Now">Local date and hour.</param>
/// <param name="Ponds">Ponds in use.</param>
/// <param name="Feeds">Kinds of feed, number and name.</param>
public sealed record NoteFarm(
    Hand Hand,
    DateTime Now,
    IReadOnlyList<NotePond> Ponds,
    IReadOnlyList<(long Id, string Name)> Feeds
);
