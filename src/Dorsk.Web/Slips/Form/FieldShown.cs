using Dorsk.Core.Judging;

namespace Dorsk.Web.Slips;

/// <summary>One line as it is shown: what stands in it, what is wrong with it, how it was understood.</summary>
public sealed record FieldShown(SlipField Field, string Value, IReadOnlyList<Remark> Wrong, string? Echo);
