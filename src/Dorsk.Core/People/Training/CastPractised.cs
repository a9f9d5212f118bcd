using Dorsk.Core.Judging;

namespace Dorsk.Core.People;

/// <summary>Throws of a cast net for practice, on land or in an empty pond.</summary>
/// <param name="PersonId">Who threw.</param>
/// <param name="Throws">Throws.</param>
/// <param name="Opened">Of those, how many opened whole.</param>
public sealed record CastPractised(long PersonId, int Throws, int Opened) : Fact
{
    private const int MostThrows = 500;

    /// <summary>Objections, named by the field of the slip.</summary>
    /// <param name="people">People of the farm.</param>
    public IEnumerable<Remark> Check(IReadOnlyList<PersonNamed> people)
    {
        if (people.FirstOrDefault(p => p.PersonId == PersonId) is null or { Role: Role.Gone or Role.Viewer })
            yield return Remark.Refuse("Person", "Choose somebody who works on the farm.");
        if (Throws is < 1 or > MostThrows)
            yield return Remark.Refuse("Throws", $"1 to {MostThrows} throws.");
        if (Opened < 0 || Opened > Throws)
            yield return Remark.Refuse("Opened", "At most as many as were thrown.");
    }
}

/// <summary>How well somebody throws the net.</summary>
/// <param name="Throws">Throws that were counted: the last ones.</param>
/// <param name="Opened">Of those, how many opened whole.</param>
public readonly record struct CastSkill(int Throws, int Opened)
{
    /// <summary>Where the line comes from.</summary>
    public const string Source = "Eight of the last ten open whole before fish are under it: a starting value";

    private const int Counted = 10;
    private const double ReadyShare = 0.8;

    /// <summary>Share that opened whole, 0 to 1; null before the first throw.</summary>
    public double? Share => Throws == 0 ? null : (double)Opened / Throws;

    /// <summary>Whether they throw over fish.</summary>
    public bool IsReady => Throws >= Counted && Share >= ReadyShare;

    /// <summary>Share of the throws of a farm that open whole, 0 to 1; before the first, that of those who are ready.</summary>
    /// <param name="all">All who practised.</param>
    public static double ShareOf(IReadOnlyList<CastSkill> all) =>
        all.Sum(s => s.Throws) is > 0 and var throws ? all.Sum(s => s.Opened) / (double)throws : ReadyShare;

    /// <summary>By the last lines that hold ten throws or more.</summary>
    /// <param name="practised">Lines of one person, in order of time.</param>
    public static CastSkill Of(IEnumerable<CastPractised> practised)
    {
        var (throws, opened) = (0, 0);
        foreach (var line in practised.Reverse().TakeWhile(_ => throws < Counted))
            (throws, opened) = (throws + line.Throws, opened + line.Opened);
        return new(throws, opened);
    }
}
