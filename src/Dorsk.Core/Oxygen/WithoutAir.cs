using Dorsk.Core.Judging;
using Dorsk.Core.Species;
using Dorsk.Core.Units;
using Dorsk.Core.Water;

namespace Dorsk.Core.Oxygen;

/// <summary>How long the fish of a water have when all air stops now.</summary>
/// <param name="StartMgL">Oxygen now, mg/L.</param>
/// <param name="MinutesToWatch">Minutes to the watch level; null when it is not reached by the coming noon.</param>
/// <param name="MinutesToAct">Minutes to the act level.</param>
/// <param name="MinutesToLethal">Minutes to what kills.</param>
/// <param name="LoadKgM3">Fish by volume, kg/m³.</param>
/// <param name="Why">Grounds.</param>
public sealed record WithoutAir(
    double StartMgL,
    double? MinutesToWatch,
    double? MinutesToAct,
    double? MinutesToLethal,
    double LoadKgM3,
    Grounds Why
)
{
    /// <summary>Fish by volume above which a tank wants an oxygen valve that opens without power, kg/m³ (starting value of the trade, 30 to 40).</summary>
    public const double ValveAboveKgM3 = 30;

    /// <summary>Whether it wants an oxygen valve that opens without power.</summary>
    public bool WantsValve => LoadKgM3 > ValveAboveKgM3;

    /// <summary>Minutes in which somebody must be there: half of what is left to the act level.</summary>
    public double? BeThereIn => MinutesToAct / 2;

    /// <summary>A pond: the night's own respiration, surface and light, without any aerator.</summary>
    /// <param name="water">The water; its aerators are left out.</param>
    /// <param name="decline">What it takes.</param>
    /// <param name="start">Oxygen now.</param>
    /// <param name="until">Not looked further than this.</param>
    /// <param name="limits">Limits of the fish.</param>
    /// <param name="lethalMgL">What kills, mg/L.</param>
    /// <param name="loadKgM3">Fish by volume.</param>
    public static WithoutAir OfPond(
        NightWater water,
        Decline decline,
        Timed start,
        DateTimeOffset until,
        WaterLimits limits,
        double lethalMgL,
        double loadKgM3
    )
    {
        var curve = NightCurve.Run(water with { Aerators = [] }, Math.Max(0, decline.MgLH), start, until);
        double? To(double level)
        {
            if (start.Si <= level)
                return 0;
            // Straight between the ten-minute points.
            for (var i = 1; i < curve.Count; i++)
                if (curve[i].Si <= level)
                    return (curve[i - 1].At - start.At).TotalMinutes
                        + (
                            (curve[i - 1].Si - level)
                            / (curve[i - 1].Si - curve[i].Si)
                            * (curve[i].At - curve[i - 1].At).TotalMinutes
                        );
            return null;
        }
        return new(
            start.Si,
            To(limits.DoWatchMgL),
            To(limits.DoActMgL),
            To(lethalMgL),
            loadKgM3,
            Because(decline, start, limits, lethalMgL)
        );
    }

    private static Grounds Because(Decline decline, Timed start, WaterLimits limits, double lethalMgL) =>
        Grounds.Of(
            "The night run on from the latest oxygen without any aerator: what the pond takes, as learned, against surface and light.",
            decline.Why.Source,
            new Input("oxygen", start.Si, Measures.Oxygen, "latest"),
            new Input("the water takes, each hour", decline.MgLH, Measures.Concentration, decline.Why.Method),
            new Input("act level", limits.DoActMgL, Measures.Oxygen, limits.Source),
            new Input("kills", lethalMgL, Measures.Oxygen, "species table")
        );

    /// <summary>A tank: what its fish take, and nothing that comes in: 60 (DO − level) / (kg/m³ × mg O₂/kg/h ÷ 1000).</summary>
    /// <param name="fish">Species, mean weight (g) and biomass (kg) of each batch.</param>
    /// <param name="volumeM3">Water, m³; above 0.</param>
    /// <param name="tempC">Temperature, °C.</param>
    /// <param name="doMgL">Oxygen now, mg/L.</param>
    /// <param name="limits">Limits of the fish.</param>
    /// <param name="lethalMgL">What kills, mg/L.</param>
    public static WithoutAir OfTank(
        IReadOnlyList<(FishSpecies Species, double MeanG, double Kg)> fish,
        double volumeM3,
        double tempC,
        double doMgL,
        WaterLimits limits,
        double lethalMgL
    )
    {
        var load = fish.Sum(f => f.Kg) / volumeM3;
        var mgLH = fish.Sum(f => Respiration.Fish(f.MeanG, tempC, f.Species) * f.Kg * 1000) / volumeM3 / 1000;
        double? To(double level) =>
            doMgL <= level ? 0
            : mgLH > 0 ? 60 * (doMgL - level) / mgLH
            : null;
        return new(
            doMgL,
            To(limits.DoWatchMgL),
            To(limits.DoActMgL),
            To(lethalMgL),
            load,
            Because(tempC, doMgL, limits, load, mgLH)
        );
    }

    private static Grounds Because(double tempC, double doMgL, WaterLimits limits, double load, double mgLH) =>
        Grounds
            .Of(
                "Minutes = 60 (oxygen − level) / (fish by volume × what they breathe): a full tank has minutes, and nothing comes in without air or flow.",
                "Boyd, Romaire & Johnston 1978; mass balance",
                new Input("oxygen", doMgL, Measures.Oxygen, "latest"),
                new Input("fish by volume", load, Measures.VolumeLoad, "standing estimate"),
                new Input("they take, each hour", mgLH, Measures.Concentration, "worked out"),
                new Input("temperature", tempC, Measures.Temperature, "latest"),
                new Input("act level", limits.DoActMgL, Measures.Oxygen, limits.Source)
            )
            .Limited("Fish that were fed within hours take up to half as much again.");
}
