namespace Dorsk.Core.Judging;

/// <summary>One input of a computed figure: what, how much, and how it is known.</summary>
/// <param name="Name">Plain words.</param>
/// <param name="Si">Value in SI, or null when <paramref name="Words"/> says it.</param>
/// <param name="Measure">How to print the value.</param>
/// <param name="Known">measured, typed, setting, starting value, estimated or assumed, with its date or source where there is one.</param>
/// <param name="Words">The value in words when it is not a figure.</param>
public sealed record Input(string Name, double? Si, Units.Measure? Measure, string Known, string? Words = null)
{
    /// <summary>An input said in words.</summary>
    public static Input Said(string name, string words, string known) => new(name, null, null, known, words);
}

/// <summary>Why a figure is what it is: the answer behind every computed number on a screen.</summary>
/// <param name="Method">How it was worked out, one or two plain sentences.</param>
/// <param name="Inputs">What went in.</param>
/// <param name="Limits">The limits that were applied and what would change them.</param>
/// <param name="Source">Publication, table or setting the method comes from.</param>
/// <param name="Caveats">Doubts that travel with the answer; they are not errors.</param>
public sealed record Grounds(
    string Method,
    IReadOnlyList<Input> Inputs,
    IReadOnlyList<string> Limits,
    string Source,
    IReadOnlyList<string> Caveats
)
{
    /// <summary>Grounds without limits or caveats.</summary>
    public static Grounds Of(string method, string source, params Input[] inputs) =>
        new(method, inputs, [], source, []);

    /// <summary>The same grounds with one more caveat.</summary>
    public Grounds Doubting(string caveat) => this with { Caveats = [.. Caveats, caveat] };

    /// <summary>The same grounds with one more limit.</summary>
    public Grounds Limited(string limit) => this with { Limits = [.. Limits, limit] };
}
