using Dorsk.Farm;
using Dorsk.Farm.Files;

namespace Dorsk.Web.Sheets;

/// <summary>A sheet whose lines were checked and wait for a person.</summary>
public interface ICheckedSheet : IDisposable
{
    /// <summary>What the check found.</summary>
    SheetFound Found { get; }

    /// <summary>Enters it. How many were entered, and what was refused as it went in.</summary>
    /// <param name="author">Who confirmed it.</param>
    /// <param name="withAsked">Whether what is unusual is meant; it is left out otherwise.</param>
    (int Entered, IReadOnlyList<SheetRemark> Refused) Enter(string author, bool withAsked);
}

/// <summary>Readings: they wait on a desk and go in as one entry.</summary>
public sealed class CheckedReadings(SheetDesk desk, SheetFound found, SheetDoor door) : ICheckedSheet
{
    /// <inheritdoc/>
    public SheetFound Found => found;

    /// <inheritdoc/>
    public (int Entered, IReadOnlyList<SheetRemark> Refused) Enter(string author, bool withAsked) =>
        (door.Enter(desk, author, withAsked), []);

    /// <inheritdoc/>
    public void Dispose() => desk.Dispose();
}
