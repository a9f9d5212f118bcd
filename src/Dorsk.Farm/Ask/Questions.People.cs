using Dorsk.Core.People;
using Dorsk.Farm.Log;
using Dorsk.Farm.People;

namespace Dorsk.Farm.Ask;

public sealed partial class Questions
{
    /// <summary>Steps of tasks that are signed for, in order of time, with the line of each.</summary>
    public IReadOnlyList<(long Line, DateTimeOffset At, TaskSigned Fact)> TasksSigned()
    {
        using var c = file.Open();
        return PeopleFacts.Signed.Sound(c, AsOf.Now(DateTimeOffset.MaxValue)).ConvertAll(s => (s.Line, s.At, s.Fact));
    }

    /// <summary>Throws of a cast net for practice, in order of time.</summary>
    public IReadOnlyList<(long Line, DateTimeOffset At, CastPractised Fact)> CastsPractised()
    {
        using var c = file.Open();
        return PeopleFacts.Casts.Sound(c, AsOf.Now(DateTimeOffset.MaxValue)).ConvertAll(s => (s.Line, s.At, s.Fact));
    }

    /// <summary>Rosters that stand for a day or a later one, each with its line.</summary>
    /// <param name="from">The first day.</param>
    public IReadOnlyList<(long Line, RosterSet Roster)> Rosters(DateOnly from)
    {
        using var c = file.Open();
        return [.. RosterBook.Standing(c, AsOf.Now(DateTimeOffset.MaxValue)).Where(r => r.Roster.Day >= from)];
    }

    /// <summary>Fish doctors and advisers who can be asked, with the line of each, by name.</summary>
    public IReadOnlyList<(long Line, AdviserDescribed Adviser)> Advisers()
    {
        using var c = file.Open();
        return
        [
            .. AdviserBook
                .Advisers.Newest(c, AsOf.Now(DateTimeOffset.MaxValue), a => a.AdviserId)
                .OrderBy(a => a.Fact.Name, StringComparer.OrdinalIgnoreCase)
                .Select(a => (a.Line, a.Fact)),
        ];
    }

    /// <summary>What advisers said of a pond's fish, the newest first, with who said it.</summary>
    /// <param name="pondId">The pond.</param>
    public IReadOnlyList<(long Line, DateTimeOffset At, string By, string Adviser, AdviceKept Fact)> Advice(long pondId)
    {
        using var c = file.Open();
        var names = AdviserBook.Known(c, AsOf.Now(DateTimeOffset.MaxValue)).ToDictionary(a => a.AdviserId, a => a.Name);
        return
        [
            .. AdviserBook
                .Advice.Sound(c, AsOf.Now(DateTimeOffset.MaxValue))
                .Where(a => a.Fact.PondId == pondId)
                .OrderByDescending(a => a.At)
                .Select(a => (a.Line, a.At, a.Author, names.GetValueOrDefault(a.Fact.AdviserId, ""), a.Fact)),
        ];
    }
}
