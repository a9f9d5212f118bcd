using Dorsk.Core.Judging;
using Dorsk.Core.Water;

namespace Dorsk.Farm.Estimates;

/// <summary>Where the water of a pond is going.</summary>
/// <param name="facts">The facts.</param>
public sealed class WaterTrends(PondFacts facts)
{
    private const int FeedDays = 7;

    /// <summary>What the last two weeks of readings say in sentences, the gravest first.</summary>
    public IReadOnlyList<Judgement> At(DateTimeOffset now, Parameter? only = null)
    {
        bool Wanted(Parameter p) => only is null || p == only;
        var today = facts.Zone.DayOf(now);
        var first = today.AddDays(-WaterTrend.Days);
        var hand = facts.Farm.Hand;
        var said = Parameter
            .All.Where(p => !p.OfFarm && p.Steps.Count == 0 && p != Parameter.GaugeLevel && Wanted(p))
            .SelectMany(p =>
                WaterTrend.Of(p, facts.DaysOf(p, true, first, today), facts.DaysOf(p, false, first, today), hand)
            )
            .ToList();
        Judgement?[] joined =
        [
            !facts.Pond.ByVolume && Wanted(Parameter.Secchi)
                ? WaterTrend.Cleared(Means(Parameter.Secchi, first, now), hand)
                : null,
            Wanted(Parameter.Nitrite) || Wanted(Parameter.Tan) || Wanted(Parameter.Nitrate)
                ? WaterTrend.Nitrification(
                    Means(Parameter.Tan, first, now),
                    Means(Parameter.Nitrite, first, now),
                    Means(Parameter.Nitrate, first, now)
                )
                : null,
            Wanted(Parameter.Oxygen) ? BloomRiskAt(now) : null,
        ];
        return [.. said.Concat(joined.OfType<Judgement>()).OrderByDescending(j => j.Status)];
    }

    /// <summary>The risk that the bloom dies or takes a night too much, joined from its signs; null in tanks, without fish, or when fewer than two signs stand.</summary>
    public Judgement? BloomRiskAt(DateTimeOffset now)
    {
        if (facts.Pond.ByVolume || !facts.Standing.Any() || facts.SaturationMgL(now) is not { } saturation)
            return null;
        var today = facts.Zone.DayOf(now);
        var first = today.AddDays(-WaterTrend.Days);
        var fedKg = Enumerable.Range(0, FeedDays).Average(i => facts.FedOn(today.AddDays(-i)));
        var secchi =
            facts.LastOf(Parameter.Secchi) is { } s && now - s.At < PondFacts.SecchiSpeaks ? s.Si : (double?)null;
        return BloomRisk.Of(
            facts.DaysOf(Parameter.Oxygen, true, first, today),
            facts.DaysOf(Parameter.Oxygen, false, first, today),
            saturation,
            fedKg / facts.Pond.Shape.FullAreaM2 * 10_000,
            secchi,
            facts.Farm.Hand
        );
    }

    private List<DayValue> Means(Parameter p, DateOnly first, DateTimeOffset now) =>
        [
            .. facts
                .ReadingsOf[p]
                .Between(facts.Zone.At(first, TimeOnly.MinValue), now)
                .GroupBy(t => facts.Zone.DayOf(t.At))
                .Select(g => new DayValue(g.Key, g.Average(t => t.Si))),
        ];
}
