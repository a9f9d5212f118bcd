using Dorsk.Core.Judging;

namespace Dorsk.Farm.Books;

/// <summary>A book keeps one room's facts: it reads what the rule must see, and writes what was decided.</summary>
internal interface IBook
{
    /// <summary>Whether this fact belongs here.</summary>
    bool Keeps(Fact fact);

    /// <summary>The pond a fact belongs to, or null for the farm as a whole.</summary>
    long? PondOf(Fact fact);

    /// <summary>Objections of the rules.</summary>
    IEnumerable<Remark> Check(Desk desk, Fact fact);

    /// <summary>Writes the fact's rows under the desk's line.</summary>
    void Write(Desk desk, Fact fact);
}
