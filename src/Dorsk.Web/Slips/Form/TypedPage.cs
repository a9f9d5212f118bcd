using Dorsk.Core.Judging;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace Dorsk.Web.Slips;

/// <summary>A page whose lines stand in the address and are worked out as they are typed.</summary>
public abstract class TypedPage : PageModel
{
    /// <summary>Its lines.</summary>
    public IReadOnlyList<SlipField> Fields { get; protected set; } = [];

    /// <summary>What was typed, as it was typed.</summary>
    public Dictionary<string, string> Typed { get; protected set; } = [];

    /// <summary>What is said at the lines.</summary>
    public IReadOnlyList<Remark> Remarks { get; protected set; } = [];

    /// <summary>What was understood, at the lines.</summary>
    public IReadOnlyDictionary<string, string> Echoes { get; protected set; } = new Dictionary<string, string>();

    /// <summary>What an address says of the lines: what was typed once it was sent, so that an emptied line stays empty; before, what each begins with.</summary>
    protected Dictionary<string, string> FromAddress(IQueryCollection query, bool sent) =>
        Fields
            .Where(f => f.Name.Length > 0)
            .ToDictionary(
                f => f.Name,
                f =>
                    query.TryGetValue(f.Name, out var v) ? v.ToString()
                    : sent ? ""
                    : f.Initial
            );
}
