using Dorsk.Core.Air;
using Dorsk.Core.Judging;
using Dorsk.Core.Ponds;
using Dorsk.Farm.Estimates;
using Dorsk.Farm.Ponds;

namespace Dorsk.Web.Pages;

/// <summary>The air of one pond.</summary>
/// <param name="Code">The pond.</param>
/// <param name="KWHa">Shaft power by area, kW/ha; null for tanks.</param>
/// <param name="Panel">Whether a panel switches its aerators.</param>
/// <param name="Control">How they switch by themselves.</param>
/// <param name="Gathers">Whether its animals come to one machine; null without fish.</param>
/// <param name="Flow">Whether the water runs round; null until places and headings are known.</param>
public sealed record PondAir(
    string Code,
    double? KWHa,
    bool Panel,
    AirControlSet? Control,
    Judgement? Gathers,
    FlowRound? Flow
)
{
    /// <summary>Looks at a pond.</summary>
    public static PondAir Of(PondStory s, bool panel, Plan plan, Here here)
    {
        var fitted = s.AeratorsAt(here.Now).Where(a => !a.Standby).ToList();
        var batch = s.Standing.LastOrDefault();
        return new(
            s.Pond.Code,
            s.Pond.ByVolume ? null : fitted.Sum(a => a.ShaftKW) / s.Pond.Shape.FullAreaM2 * 10_000,
            panel,
            s.Air.Control,
            batch is null
                ? null
                : AirGathering.Of(
                    batch.Species,
                    here.Today.DayNumber - s.Zone.DayOf(batch.ArrivedAt).DayNumber,
                    fitted.Count
                ),
            FlowOf(s, fitted, plan)
        );
    }

    private static FlowRound? FlowOf(PondStory s, List<Aerator> fitted, Plan plan)
    {
        if (plan.Ponds.FirstOrDefault(p => p.Pond.Id == s.Pond.Id) is not { } lies)
            return null;
        var pushing = plan
            .Marks.Where(m => m.PondId == s.Pond.Id && m.Mark.Kind == MarkKind.Aerator)
            .Join(
                fitted.Where(a => a.HeadingDeg is not null),
                m => m.Mark.Code,
                a => a.Code,
                (m, a) =>
                    new Pushing(
                        a.Code,
                        m.Mark.EastM - lies.EastM,
                        m.Mark.NorthM - lies.NorthM,
                        a.HeadingDeg!.Value,
                        a.ShaftKW
                    )
            )
            .ToList();
        return pushing.Count == 0
            ? null
            : FlowRound.Of(pushing, [.. lies.Outline.Select(c => (c.EastM - lies.EastM, c.NorthM - lies.NorthM))]);
    }
}
