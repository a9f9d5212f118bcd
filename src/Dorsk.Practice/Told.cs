using Dorsk.Core.Judging;

namespace Dorsk.Practice;

/// <summary>Numbers the books gave to ponds, batches and feeds, by the names the story uses.</summary>
/// <param name="Of">Number by name, such as <c>pond P4</c> or <c>batch P4b</c>.</param>
public sealed record Keys(IReadOnlyDictionary<string, long> Of)
{
    /// <summary>Number of a pond by its code.</summary>
    public long Pond(string code) => Of["pond " + code];

    /// <summary>Number of a batch by its name in the story.</summary>
    public long Batch(string name) => Of["batch " + name];

    /// <summary>Number of a feed by its name in the story.</summary>
    public long Feed(string name) => Of["feed " + name];
}

/// <summary>Something a person tells the books.</summary>
/// <param name="At">When it happened.</param>
/// <param name="Author">Role that writes it.</param>
/// <param name="Text">As it would be typed.</param>
/// <param name="Fact">The fact, once the numbers are known.</param>
/// <param name="Founds">Name under which the number it founds is to be kept, or null.</param>
public sealed record Told(DateTimeOffset At, string Author, string Text, Func<Keys, Fact> Fact, string? Founds = null);
