using Dorsk.Core.Judging;

namespace Dorsk.Core.Plans;

/// <summary>A copy of the season with other days, kept to be compared; the latest line of a copy counts. It holds only what differs from the plans, so it follows what happens.</summary>
/// <param name="CopyId">Number given by the books; 0 for a new one.</param>
/// <param name="Name">What people call it.</param>
/// <param name="Moves">Its moved days, as a query string.</param>
/// <param name="Dropped">Whether it was given up.</param>
public sealed record SeasonKept(long CopyId, string Name, string Moves, bool Dropped) : Fact
{
    /// <summary>Objections, named by the field of the page.</summary>
    public IEnumerable<Remark> Check()
    {
        if (Name.Trim().Length is 0 or > 60)
            yield return Remark.Refuse("Name", "A name of 1 to 60 letters, such as late harvest of P4.");
        if (Moves.Length == 0 && !Dropped)
            yield return Remark.Refuse("Name", "Nothing is moved yet: a copy holds at least one other day.");
        if (Moves.Length > 4000)
            yield return Remark.Refuse("Name", "This copy moves too many days. Keep some of them in the plans first.");
    }
}
