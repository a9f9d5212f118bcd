using Dorsk.Core.Judging;

namespace Dorsk.Core.Safety;

/// <summary>Somebody works alone by the water and says by when they will be heard again; or that they are back. The latest line of a person counts.</summary>
/// <param name="Who">Name of the person.</param>
/// <param name="Minutes">Minutes until the next check-in, 5 to 240; 0: back, no longer alone.</param>
/// <param name="Place">Where they go, so that others know where to look.</param>
public sealed record LoneWork(string Who, int Minutes, string Place) : Fact
{
    /// <summary>Least and most minutes to a check-in: starting values of the trade.</summary>
    public const int Least = 5,
        Most = 240;

    /// <summary>Objections, named by the field of the slip.</summary>
    public IEnumerable<Remark> Check()
    {
        if (Who.Trim().Length is 0 or > 60)
            yield return Remark.Refuse("Who", "Say who works alone, in 1 to 60 letters.");
        if (Minutes != 0 && Minutes is < Least or > Most)
            yield return Remark.Refuse("Minutes", $"{Least} to {Most} minutes, or back.");
        if (Minutes > 0 && Place.Trim().Length == 0)
            yield return Remark.Refuse("Place", "Say where: others must know where to look.");
        if (Place.Length > 200)
            yield return Remark.Refuse("Place", "At most 200 letters.");
    }
}

/// <summary>Somebody who is out alone.</summary>
/// <param name="Line">Line of the last check-in.</param>
/// <param name="Who">Name.</param>
/// <param name="Place">Where.</param>
/// <param name="HeardAt">When they last checked in.</param>
/// <param name="DueAt">When they are to be heard again.</param>
public sealed record OutAlone(long Line, string Who, string Place, DateTimeOffset HeardAt, DateTimeOffset DueAt)
{
    /// <summary>Whether the time of the check-in has passed.</summary>
    public bool IsOverdue(DateTimeOffset now) => now > DueAt;

    /// <summary>Those who are out, by when they are due, from all that was said. Only a check-in ends it, never time alone: somebody who is not heard may lie in the pond.</summary>
    /// <param name="said">Lines in order of time.</param>
    /// <param name="now">Now.</param>
    public static IReadOnlyList<OutAlone> Of(
        IEnumerable<(long Line, DateTimeOffset At, LoneWork Fact)> said,
        DateTimeOffset now
    ) =>
        [
            .. said.Where(s => s.At <= now)
                .GroupBy(s => s.Fact.Who.Trim(), StringComparer.OrdinalIgnoreCase)
                .Select(g => g.Last())
                .Where(s => s.Fact.Minutes > 0)
                .Select(s => new OutAlone(s.Line, s.Fact.Who, s.Fact.Place, s.At, s.At.AddMinutes(s.Fact.Minutes)))
                .OrderBy(o => o.DueAt),
        ];
}
