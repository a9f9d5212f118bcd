using Dorsk.Core.Judging;
using Dorsk.Core.Units;
using Dorsk.Core.Water;

namespace Dorsk.Core.Verdict.Rules;

/// <summary>Three mornings, each lower than the one before: the pond takes more every night.</summary>
internal static class FallingDawns
{
    public static readonly Rule Rule = new("falling dawns", Judge);

    private const int Mornings = 3;
    private const double EachMgL = 0.2,
        InAllMgL = 0.8;

    private static IEnumerable<Finding> Judge(PondState s)
    {
        var dawns = s.Dawns.Where(d => d.Day > s.Today.AddDays(-6)).TakeLast(Mornings + 1).ToList();
        var falling = dawns
            .Zip(dawns.Skip(1))
            .Reverse()
            .TakeWhile(p => p.Second.Day == p.First.Day.AddDays(1) && p.First.Si - p.Second.Si >= EachMgL)
            .Count();
        if (dawns.Count == 0 || dawns[^1].Day < s.Today.AddDays(-1) || falling < Mornings - 1)
            yield break;
        var run = dawns.TakeLast(falling + 1).ToList();
        var fell = run[0].Si - run[^1].Si;
        if (fell < InAllMgL)
            yield break;
        var next = run[^1].Si - (fell / falling);
        var already = run[^1].Si < s.Limits.DoActMgL;
        var grave = next < s.Limits.DoActMgL;
        var act = s.Say(s.Limits.DoActMgL, Parameter.Oxygen);
        var means =
            already ? $": under the act level {act}"
            : grave ? $": the next is likely under the act level {act}"
            : "";
        yield return Found(s, run, grave, means);
    }

    private static Finding Found(PondState s, List<DayValue> run, bool grave, string means) =>
        new(
            Rule.Name,
            grave ? Status.ActNow : Status.Watch,
            $"dawn oxygen fell on {run.Count} mornings, {string.Join(", ", run.Select(d => s.Hand.Figure(d.Si, 1)))} {Units.Measures.Oxygen.In(s.Hand).Symbol}{means}{(s.Lately.Count > 0 ? "; " + string.Join(", ", s.Lately) : "")}"
        )
        {
            Of = Parameter.Oxygen,
            Do = "Less feed, no fertiliser, more air from dusk on, a sample of the fish.",
            Why = Grounds.Of(
                "Mornings that follow each other, each at least 0.2 mg/L lower, 0.8 in all; the next is taken to fall as much as they did on average.",
                "Starting values",
                [.. run.Select(d => new Input(Hand.Day(d.Day), d.Si, Measures.Oxygen, "lowest of the morning"))]
            ),
            Rings = grave,
            FeedFactor = 0.5,
        };
}
