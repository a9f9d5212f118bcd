using Dorsk.Core.Judging;
using Dorsk.Core.Species;
using Dorsk.Core.Units;
using Dorsk.Core.Water;

namespace Dorsk.Core.Verdict.Rules;

/// <summary>Oxygen that falls so fast that it is under the act level within two hours. Only values of one instrument at one depth tell a fall.</summary>
public static class OxygenFall
{
    internal static readonly Rule Rule = new("oxygen falls", Judge);

    private static readonly TimeSpan Over = TimeSpan.FromHours(2.5),
        LeastApart = TimeSpan.FromMinutes(10),
        Soon = TimeSpan.FromHours(2);
    private static readonly TimeSpan Fresh = TimeSpan.FromHours(3);
    private const double FastMgLH = 0.6;

    private static IEnumerable<Finding> Judge(PondState s)
    {
        if (
            Of([.. s.Since(Parameter.Oxygen, Fresh + Over).Where(s.IsNearSurface)], s.Limits) is not { } fall
            || s.Now - fall.Last.At > Fresh
        )
            yield break;
        yield return new(
            Rule.Name,
            Status.ActNow,
            $"oxygen falls {s.Say(fall.MgLH, Parameter.Oxygen)} an hour: under the act level {s.Say(s.Limits.DoActMgL, Parameter.Oxygen)} about {s.Hour(fall.UnderActAt)}"
        )
        {
            Of = Parameter.Oxygen,
            Do = "Start idle aerators now, hold feed, read again in 30 min.",
            Why = Grounds.Of(
                "The last two values of one instrument, ten minutes to two and a half hours apart.",
                "Starting value: 0.6 mg/L an hour",
                new Input("before", fall.Before.Si, Measures.Oxygen, "read at " + s.Hour(fall.Before.At)),
                new Input("last", fall.Last.Si, Measures.Oxygen, "read at " + s.Hour(fall.Last.At))
            ),
            Helps = [Remedy.Air],
            Rings = true,
            ShutsGate = true,
        };
    }

    /// <summary>The fall that the last values show, when it reaches the act level soon; else null.</summary>
    /// <param name="oxygen">Values, oldest first.</param>
    /// <param name="limits">Limits of the fish.</param>
    public static (Timed Before, Timed Last, double MgLH, DateTimeOffset UnderActAt)? Of(
        IReadOnlyList<Timed> oxygen,
        WaterLimits limits
    )
    {
        if (oxygen.Count == 0)
            return null;
        var last = oxygen[^1];
        var before = oxygen.LastOrDefault(t =>
            t.By == last.By && t.DepthM == last.DepthM && last.At - t.At >= LeastApart && last.At - t.At <= Over
        );
        if (before == default || last.Si < limits.DoActMgL)
            return null;
        var rate = (before.Si - last.Si) / (last.At - before.At).TotalHours;
        if (rate < FastMgLH || (last.Si - limits.DoActMgL) / rate > Soon.TotalHours)
            return null;
        return (before, last, rate, last.At.AddHours((last.Si - limits.DoActMgL) / rate));
    }
}
