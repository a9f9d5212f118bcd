using Dorsk.Core.Judging;
using Dorsk.Core.Water;

namespace Dorsk.Farm.Ask;

public sealed partial class PondStory
{
    private const int AfternoonFrom = 12,
        AfternoonTo = 20;

    /// <summary>Values of a parameter by day: of the morning (lowest before nine) or of the afternoon (highest from noon to eight).</summary>
    public IReadOnlyList<DayValue> DaysOf(Parameter parameter, bool morning, DateOnly from, DateOnly to) =>
        Between(parameter, Zone.At(from, TimeOnly.MinValue), Zone.At(to.AddDays(1), TimeOnly.MinValue))
            .Select(t => (Local: Zone.LocalAt(t.At), Day: Zone.DayOf(t.At), t.Si))
            .Where(t =>
                t.Day >= from
                && t.Day <= to
                && (morning ? t.Local.Hour < DawnBeforeHour : t.Local.Hour is >= AfternoonFrom and < AfternoonTo)
            )
            .GroupBy(t => t.Day)
            .Select(g => new DayValue(g.Key, morning ? g.Min(t => t.Si) : g.Max(t => t.Si)))
            .OrderBy(d => d.Day)
            .ToList();

    /// <summary>What the last two weeks of readings say in sentences, the gravest first.</summary>
    public IReadOnlyList<Judgement> TrendsAt(DateTimeOffset now, Parameter? only = null)
    {
        var (today, first) = (Zone.DayOf(now), Zone.DayOf(now).AddDays(-WaterTrend.Days));
        IReadOnlyList<DayValue> All(Parameter p) =>
            ReadingsOf[p]
                .Where(t => t.At <= now && Zone.DayOf(t.At) >= first)
                .GroupBy(t => Zone.DayOf(t.At))
                .Select(g => new DayValue(g.Key, g.Average(t => t.Si)))
                .OrderBy(d => d.Day)
                .ToList();
        var said = Parameter
            .All.Where(p => !p.OfFarm && p.Steps.Count == 0 && p != Parameter.GaugeLevel && (only is null || p == only))
            .SelectMany(p => WaterTrend.Of(p, DaysOf(p, true, first, today), DaysOf(p, false, first, today), Farm.Hand))
            .ToList();
        if (
            !Pond.ByVolume
            && (only is null || only == Parameter.Secchi)
            && WaterTrend.Cleared(All(Parameter.Secchi), Farm.Hand) is { } cleared
        )
            said.Add(cleared);
        if (
            (only is null || only == Parameter.Nitrite || only == Parameter.Tan)
            && WaterTrend.Stalled(All(Parameter.Tan), All(Parameter.Nitrite)) is { } stalled
        )
            said.Add(stalled);
        if ((only is null || only == Parameter.Oxygen) && BloomRiskAt(now) is { } risk)
            said.Add(risk);
        return said.OrderByDescending(j => j.Status).ToList();
    }

    /// <summary>The risk that the bloom dies or takes a night too much, joined from its signs; null in tanks, without fish, or when fewer than two signs stand.</summary>
    public Judgement? BloomRiskAt(DateTimeOffset now)
    {
        if (Pond.ByVolume || !Standing.Any() || SaturationMgL(now) is not { } saturation)
            return null;
        var (today, first) = (Zone.DayOf(now), Zone.DayOf(now).AddDays(-WaterTrend.Days));
        var feed = Enumerable.Range(0, 7).Average(i => FedOn(today.AddDays(-i))) / Pond.Shape.FullAreaM2 * 10_000;
        var secchi = LastOf(Parameter.Secchi) is { } s && now - s.At < SecchiSpeaks ? s.Si : (double?)null;
        return BloomRisk.Of(
            DaysOf(Parameter.Oxygen, true, first, today),
            DaysOf(Parameter.Oxygen, false, first, today),
            saturation,
            feed,
            secchi,
            Farm.Hand
        );
    }
}
