using Dorsk.Core.Judging;

namespace Dorsk.Core.Stock;

/// <summary>A kill of fish written up, so that the next one does not come the same way.</summary>
/// <param name="PondId">The pond.</param>
/// <param name="Began">When it began, as far as is known.</param>
/// <param name="Lost">Fish lost; those on the books stand under deaths.</param>
/// <param name="Cause">What it is put down to.</param>
/// <param name="Course">How it went.</param>
/// <param name="Change">What is done otherwise since.</param>
public sealed record KillWritten(
    long PondId,
    DateTimeOffset Began,
    int Lost,
    string Cause,
    string Course,
    string Change
) : Fact
{
    private const int LongestDays = 60;

    /// <summary>Objections, named by the field of the slip.</summary>
    /// <param name="ended">When it was over: the time of the entry.</param>
    public IEnumerable<Remark> Check(DateTimeOffset ended)
    {
        if (Began > ended)
            yield return Remark.Refuse("Began", "It began before it was over: an earlier time than the one above.");
        else if (ended - Began > TimeSpan.FromDays(LongestDays))
            yield return Remark.Refuse("Began", "At most sixty days before: write a longer loss up as several.");
        if (Lost is < 1 or > StockRules.MostFish)
            yield return Remark.Refuse("Lost", $"1 to {StockRules.MostFish:#,0} fish.");
        if (Cause.Trim().Length is 0 or > 120)
            yield return Remark.Refuse("Cause", "1 to 120 letters: such as oxygen, after the bloom died.");
        if (Course.Length > 600)
            yield return Remark.Refuse("Course", "At most 600 letters.");
        if (Change.Trim().Length is 0 or > 300)
            yield return Remark.Refuse("Change", "1 to 300 letters: what is done otherwise from now on.");
    }
}
