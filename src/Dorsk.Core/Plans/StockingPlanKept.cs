using Dorsk.Core.Judging;

namespace Dorsk.Core.Plans;

/// <summary>A stocking plan that was kept to be compared and followed; the latest line of a plan counts. It holds what was asked, in SI, so that it is worked out again with what is known by then.</summary>
/// <param name="PlanId">Number given by the books; 0 for a new one.</param>
/// <param name="PondId">The pond it started from, or null.</param>
/// <param name="Name">What people call it.</param>
/// <param name="Asked">Lines of the plan by name, quantities in SI, as a query string.</param>
/// <param name="Dropped">Whether it was given up.</param>
public sealed record StockingPlanKept(long PlanId, long? PondId, string Name, string Asked, bool Dropped) : Fact
{
    /// <summary>Objections, named by the field of the page.</summary>
    public IEnumerable<Remark> Check()
    {
        if (Name.Trim().Length is 0 or > 60)
            yield return Remark.Refuse("Name", "A name of 1 to 60 letters, such as P6 autumn.");
        if (Asked.Length > 4000)
            yield return Remark.Refuse("Name", "This plan holds too much text. Shorten what was typed in words.");
    }
}
