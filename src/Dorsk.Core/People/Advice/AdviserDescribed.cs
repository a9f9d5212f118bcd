using Dorsk.Core.Judging;

namespace Dorsk.Core.People;

/// <summary>What somebody outside the farm is asked about.</summary>
public enum AdviserKind
{
    /// <summary>A vet who knows fish.</summary>
    FishDoctor,

    /// <summary>An adviser of the extension service, a hatchery, a feed mill.</summary>
    Adviser,

    /// <summary>A laboratory for water or fish.</summary>
    Laboratory,

    /// <summary>An authority: permits, diseases that are reported.</summary>
    Authority,
}

/// <summary>Somebody near the farm who can be asked; the latest line counts.</summary>
/// <param name="AdviserId">Number given by the books; 0 for a new one.</param>
/// <param name="Name">Name.</param>
/// <param name="Kind">What they are asked about.</param>
/// <param name="Phone">Telephone.</param>
/// <param name="About">Where they are, what they know; may be empty.</param>
/// <param name="Dropped">Whether they are not asked any more.</param>
public sealed record AdviserDescribed(
    long AdviserId,
    string Name,
    AdviserKind Kind,
    string Phone,
    string About,
    bool Dropped
) : Fact
{
    private const int FewestDigits = 3;

    /// <summary>Objections, named by the field of the slip.</summary>
    /// <param name="others">Names of the others.</param>
    public IEnumerable<Remark> Check(IEnumerable<string> others)
    {
        if (Name.Trim().Length is 0 or > 80)
            yield return Remark.Refuse("Name", "A name of 1 to 80 letters.");
        else if (others.Any(o => string.Equals(o, Name.Trim(), StringComparison.OrdinalIgnoreCase)))
            yield return Remark.Refuse("Name", "Somebody of this name is in the book already: correct that line.");
        if (Phone.Count(char.IsAsciiDigit) < FewestDigits || Phone.Length > 40)
            yield return Remark.Refuse("Phone", "A telephone number, at most 40 letters: it is needed at night.");
        if (About.Length > 200)
            yield return Remark.Refuse("About", "At most 200 letters.");
    }
}

/// <summary>What an adviser said about a pond's fish, kept with the batch.</summary>
/// <param name="PondId">The pond.</param>
/// <param name="BatchId">The batch; 0 where none stood.</param>
/// <param name="AdviserId">Who said it.</param>
/// <param name="Text">What they said.</param>
public sealed record AdviceKept(long PondId, long BatchId, long AdviserId, string Text) : Fact
{
    /// <summary>Objections, named by the field of the slip.</summary>
    /// <param name="known">Whether the adviser is in the book.</param>
    public IEnumerable<Remark> Check(bool known)
    {
        if (!known)
            yield return Remark.Refuse("Adviser", "Choose who said it; enter them in the book of advisers first.");
        if (Text.Trim().Length is 0 or > 400)
            yield return Remark.Refuse("Text", "What they said, 1 to 400 letters.");
    }
}
