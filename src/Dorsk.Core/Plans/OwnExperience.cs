using Dorsk.Core.Judging;
using Dorsk.Core.Units;

namespace Dorsk.Core.Plans;

/// <summary>What a farm has itself brought to harvest: a plan far beyond it rests on the water, air and skill of others.</summary>
/// <param name="Cycles">Closed cycles of the farm in this kind of water, of any fish.</param>
/// <param name="HighestKg">The largest yield of one of them, kg/ha, or kg/m³ where the water is planned by volume; null without one.</param>
public sealed record OwnExperience(int Cycles, double? HighestKg)
{
    /// <summary>Share of the limit that a first cycle takes at most: a starting value; the rest is what is learnt at the price of fish.</summary>
    public const double FirstShare = 0.6;

    /// <summary>So much more than ever before a cycle takes at most: a starting value.</summary>
    public const double StepUp = 1.5;

    /// <summary>Where these come from.</summary>
    public const string Source =
        "Extension leaflets: begin low, raise the density by steps as each season is carried; the shares are starting values";

    /// <summary>As many fish as this farm's own experience speaks for, at most the limit's; whole, never rounded up.</summary>
    /// <param name="plan">The plan.</param>
    public int Prudent(StockingAnswer plan)
    {
        var limit = plan.AtHarvest / plan.Question.Survival;
        var q = plan.Question;
        var own = HighestKg is { } kg
            ? StepUp * kg * q.Water.Size * q.ShareOfWater / (q.TargetG / 1000) / q.Survival
            : FirstShare * limit;
        return (int)Math.Floor(Math.Min(limit, own) + 1e-9);
    }

    /// <summary>What to say to a plan; null where the farm has carried nearly as much before.</summary>
    /// <param name="plan">The plan.</param>
    public Judgement? Against(StockingAnswer plan)
    {
        var prudent = Prudent(plan);
        if (plan.Stock <= prudent)
            return null;
        var hand = plan.Question.Hand;
        var load = plan.Question.Water.System.ByVolume() ? Measures.VolumeLoad : Measures.AreaLoad;
        var planned = plan.HarvestKg / plan.Question.Water.Size / plan.Question.ShareOfWater;
        return new(
            Status.Watch,
            HighestKg is { } kg
                ? $"no cycle of this farm has carried more than {QuantityText.Write(kg, load, hand)}, this plan wants {QuantityText.Write(planned, load, hand)}: what others carry rests on their water, air and skill; {hand.Count(prudent)} fish are a step of a half"
                : $"a first cycle in this kind of water: too many fish and too much feed end most of them; {hand.Count(prudent)} fish, {hand.Count(100 * FirstShare)} % of the limit, leave room to learn"
        );
    }
}
