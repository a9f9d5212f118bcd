using Dorsk.Farm.Log;

namespace Dorsk.Farm.Estimates;

/// <summary>Kinds of facts of which a line was entered after another.</summary>
/// <param name="Here">That touch the pond; <see cref="LogRow.TakenBack"/> where one of them was taken back.</param>
/// <param name="Everywhere">That touch every pond.</param>
internal readonly record struct Moved(IReadOnlyList<string> Here, IReadOnlyList<string> Everywhere);
