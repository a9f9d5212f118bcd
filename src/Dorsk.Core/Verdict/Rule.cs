namespace Dorsk.Core.Verdict;

/// <summary>One rule of the verdict.</summary>
/// <param name="Name">Its name.</param>
/// <param name="Judge">What it finds in a pond; nothing where it has nothing to say.</param>
public sealed record Rule(string Name, Func<PondState, IEnumerable<Finding>> Judge);
