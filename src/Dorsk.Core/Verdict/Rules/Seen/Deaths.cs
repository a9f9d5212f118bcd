using System.Globalization;
using Dorsk.Core.Judging;
using Dorsk.Core.Species;
using Dorsk.Core.Units;

namespace Dorsk.Core.Verdict.Rules;

/// <summary>Fish found dead in a day as a share of those that stand, by system and stage; one in a hundred is a duty to ask a vet.</summary>
internal static class Deaths
{
    public static readonly Rule Rule = new("deaths", Judge);

    private const double ReportPct = 1;
    private const int LeastFish = 3,
        Doubling = 3,
        AboveWeek = 3;

    private static readonly Dictionary<(string System, string Stage), (double Watch, double Act, string Source)> Table =
        Csv.Embedded("mortality_alarm.csv")
            .Where(r => r["watch_pct_day"].Length > 0)
            .ToDictionary(
                r => (r["system"], r["stage"]),
                r =>
                    (
                        N(r["watch_pct_day"]),
                        N(r["act_pct_day"]),
                        $"{r["source"]}; confidence {r["confidence"]}, {r["status"]}"
                    )
            );

    private static IEnumerable<Finding> Judge(PondState s)
    {
        var stands = s.Standing.Sum(f => f.Count);
        // Today's, or yesterday's before anybody has looked today.
        var last = s.Dead.LastOrDefault(d => d.Day <= s.Today && d.Day >= s.Today.AddDays(-1));
        if (last.Count < LeastFish || stands <= 0)
            yield break;
        var pct = 100 * last.Count / (stands + last.Count);
        var (watch, act, source) = LimitOf(s);
        var twice = Doubled(s, last.Day);
        var above = AboveItsWeek(s, last);
        var status =
            pct >= act || twice || above ? Status.ActNow
            : pct >= watch ? Status.Watch
            : Status.Steady;
        if (status == Status.Steady)
            yield break;
        yield return new(
            Rule.Name,
            status,
            $"{s.Hand.Count(last.Count)} found dead in a day, {s.Hand.Short(pct, 2)} % of those that stand{(twice ? ", twice as many on each of three days" : "")}{(above ? $", {s.Hand.Count(AboveWeek)} or more above the week's mean" : "")}"
        )
        {
            Do =
                pct >= ReportPct
                    ? "Read oxygen, ammonia, nitrite and pH first. One in a hundred in a day: call a vet; some diseases must be reported. Let no fish and no water out."
                    : "Read oxygen, ammonia, nitrite and pH first; look at gills and skin of five fish.",
            Why = Because(s, stands, last, watch, act, source),
            Rings = status == Status.ActNow,
            FeedFactor = status == Status.ActNow ? 0.5 : 1,
            ShutsGate = status == Status.ActNow,
        };
    }

    private static Grounds Because(
        PondState s,
        double stands,
        (DateOnly Day, int Count) last,
        double watch,
        double act,
        string source
    ) =>
        Grounds
            .Of(
                "Fish found dead in one day by those that stand; found ones are a part of those that died.",
                source,
                new Input("found dead", last.Count, Measures.Plain, "loss slip, " + Hand.Day(last.Day)),
                new Input("standing", stands, Measures.Plain, "standing estimate")
            )
            .Limited($"watch from {s.Hand.Short(watch, 2)} % a day, act from {s.Hand.Short(act, 2)} %");

    private static bool Doubled(PondState s, DateOnly day)
    {
        int On(int ago) => s.Dead.Where(d => d.Day == day.AddDays(-ago)).Sum(d => d.Count);
        return Enumerable.Range(0, Doubling - 1).All(i => On(i + 1) > 0 && On(i) >= 2 * On(i + 1));
    }

    // In a tank nearly all are found, so a few more than the week's mean tell.
    private static bool AboveItsWeek(PondState s, (DateOnly Day, int Count) last)
    {
        var week = s.Dead.Where(d => d.Day < last.Day && d.Day >= last.Day.AddDays(-7)).Sum(d => d.Count);
        return s.InTank
            && s.Standing.All(f => f.Stage == LifeStage.Growing)
            && week > 0
            && last.Count >= (week / 7.0) + AboveWeek;
    }

    private static (double Watch, double Act, string Source) LimitOf(PondState s)
    {
        var stage = s.Standing.Min(f => f.Stage);
        if (stage == LifeStage.Fry)
            return Table[("hatchery", "fry")];
        return Table[(s.InTank ? "tank" : "pond", stage == LifeStage.Fingerling ? "fingerling" : "grow-out")];
    }

    private static double N(string text) => double.Parse(text, CultureInfo.InvariantCulture);
}
