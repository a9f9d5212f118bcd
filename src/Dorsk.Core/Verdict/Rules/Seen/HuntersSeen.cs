using Dorsk.Core.Judging;
using Dorsk.Core.Units;
using Dorsk.Core.Water;

namespace Dorsk.Core.Verdict.Rules;

/// <summary>Birds and other hunters at a pond, as what they may take in a week.</summary>
internal static class HuntersSeen
{
    public static readonly Rule Rule = new("hunters", Judge);

    // A cormorant eats about so much a day; others are taken as one.
    private const double KgADay = 0.5,
        WatchShare = 0.01;

    private static IEnumerable<Finding> Judge(PondState s) => ByKind(s).Concat(ByCount(s));

    private static IEnumerable<Finding> ByKind(PondState s)
    {
        var seen = s.HuntersByKind.Where(h => h.At <= s.Now && s.Now - h.At < Speaks.Day && h.HighKg > 0).ToList();
        var biomassKg = s.Standing.Sum(f => f.BiomassKg);
        var (low, high) = (7 * seen.Sum(h => h.LowKg), 7 * seen.Sum(h => h.HighKg));
        if (biomassKg <= 0 || high < WatchShare * biomassKg)
            yield break;
        string Kg(double kg) => QuantityText.Write(kg, Measures.Mass, s.Hand);
        yield return new(
            Rule.Name,
            Status.Watch,
            $"{string.Join(", ", seen.Select(h => h.Words))}: {Kg(low)} to {Kg(high)} in a week if they stay, up to {s.Hand.Figure(100 * high / biomassKg, 1)} % of what stands"
        )
        {
            Do = string.Join("; ", seen.Select(h => h.Do).Distinct()) + ". Licences for protected animals first.",
            Why = Grounds.Of(
                "Hunters seen within thirty hours, each with what one of its kind takes a day, against the biomass.",
                "Daily food by kind; starting values",
                new Input("biomass", biomassKg, Measures.Mass, "standing estimate"),
                new Input("least in a week", low, Measures.Mass, "table of hunters"),
                new Input("most in a week", high, Measures.Mass, "table of hunters")
            ),
        };
    }

    private static IEnumerable<Finding> ByCount(PondState s)
    {
        if (s.Last(Parameter.Hunters, Speaks.Day) is not { Si: > 0 } last)
            yield break;
        var biomassKg = s.Standing.Sum(f => f.BiomassKg);
        var weekKg = 7 * KgADay * last.Si;
        if (biomassKg <= 0 || weekKg < WatchShare * biomassKg)
            yield break;
        yield return new(
            Rule.Name,
            Status.Watch,
            $"{s.Hand.Count(last.Si)} hunters at {s.Hour(last.At)} may take {QuantityText.Write(weekKg, Measures.Mass, s.Hand)} in a week, {s.Hand.Figure(100 * weekKg / biomassKg, 1)} % of what stands"
        )
        {
            Of = Parameter.Hunters,
            Do =
                "Net or lines over it, people at dawn; write what is eaten as deaths. Licences for protected animals first.",
            Why = Grounds.Of(
                "Hunters seen at once, each taken to eat half a kilogram a day, against the biomass.",
                "Daily food of cormorants; others differ",
                new Input("hunters", last.Si, Measures.Plain, "seen at " + s.Hour(last.At)),
                new Input("biomass", biomassKg, Measures.Mass, "standing estimate")
            ),
        };
    }
}
