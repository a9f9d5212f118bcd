using Dorsk.Core.Judging;

namespace Dorsk.Core.Water;

/// <summary>Kinds of source.</summary>
public enum SourceKind
{
    /// <summary>Well or bore.</summary>
    Well,

    /// <summary>Spring.</summary>
    Spring,

    /// <summary>River or creek.</summary>
    River,

    /// <summary>Dam, lake or storage pond.</summary>
    Dam,

    /// <summary>The tide.</summary>
    Tide,

    /// <summary>Town water.</summary>
    Town,
}

/// <summary>A source of water tested: the newest test of a name is what is known of it.</summary>
/// <param name="Name">What people call it.</param>
/// <param name="Kind">What it is.</param>
/// <param name="IsSecond">Whether it is there for the day on which the first fails.</param>
/// <param name="FlowM3H">Flow, m³/h, or null where it was not measured.</param>
/// <param name="Values">What was read, SI.</param>
public sealed record SourceTested(
    string Name,
    SourceKind Kind,
    bool IsSecond,
    double? FlowM3H,
    IReadOnlyList<(Parameter Parameter, double Si)> Values
) : Fact
{
    /// <summary>Objections, by the field of the slip.</summary>
    /// <param name="hand">How figures are printed.</param>
    public IEnumerable<Remark> Check(Units.Hand hand)
    {
        if (Name.Trim().Length is 0 or > 60)
            yield return Remark.Refuse("Name", "A name of 1 to 60 letters, such as well 1.");
        if (FlowM3H is not (null or (> 0 and <= 1e6)))
            yield return Remark.Refuse("Flow", "More than 0, or empty where it was not measured.");
        if (Values.Count == 0)
            yield return Remark.Refuse("ph", "Read at least one value: an untested source is no source.");
        foreach (var (p, si) in Values.Where(v => !(v.Si >= v.Parameter.HardLow && v.Si <= v.Parameter.HardHigh)))
            yield return Remark.Refuse(p.Key, Messages.OutOfRange(p, si, hand));
    }
}

/// <summary>How the farm stands for sources: one is none.</summary>
public static class SourceBook
{
    /// <summary>A test speaks for so long; neighbours and seasons change a source. Judged.</summary>
    public const int TestDays = 365;

    /// <summary>The newest test of each name, the first source before the second.</summary>
    /// <param name="tests">All tests with their days.</param>
    public static IReadOnlyList<(DateOnly On, SourceTested Test)> Newest(
        IEnumerable<(DateOnly On, SourceTested Test)> tests
    ) =>
        [
            .. tests
                .GroupBy(t => t.Test.Name.Trim(), StringComparer.OrdinalIgnoreCase)
                .Select(g => g.MaxBy(t => t.On))
                .OrderBy(t => t.Test.IsSecond)
                .ThenBy(t => t.Test.Name, StringComparer.Ordinal),
        ];

    /// <summary>Whether there is a second source, and whether the tests still speak.</summary>
    /// <param name="sources">The newest test of each.</param>
    /// <param name="today">Today.</param>
    public static Judgement Judge(IReadOnlyList<(DateOnly On, SourceTested Test)> sources, DateOnly today)
    {
        if (sources.Count == 0)
            return new(Status.Watch, "no source is tested yet");
        if (sources.Count < 2)
            return new(
                Status.Watch,
                "there is one source: a pump fails when it is needed most; register a second and test it"
            );
        var old = sources.Where(s => today.DayNumber - s.On.DayNumber > TestDays).Select(s => s.Test.Name).ToList();
        return old.Count > 0
            ? new(Status.Watch, $"test again: {string.Join(", ", old)}")
            : new(Status.Steady, "two sources, both tested within a year");
    }
}
