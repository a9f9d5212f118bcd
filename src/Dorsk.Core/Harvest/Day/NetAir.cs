using Dorsk.Core.Judging;
using Dorsk.Core.Oxygen;
using Dorsk.Core.Species;
using Dorsk.Core.Units;

namespace Dorsk.Core.Harvest;

/// <summary>Fish crowded in a net, with the water around them.</summary>
/// <param name="Species">The species.</param>
/// <param name="MeanG">Mean weight, g; above 0.</param>
/// <param name="Kg">Mass of the fish, kg; above 0.</param>
/// <param name="WaterM3">Water among them, m³; above 0.</param>
/// <param name="TempC">Water temperature, °C.</param>
/// <param name="DoMgL">Oxygen read there, mg/L; null when nobody read it.</param>
/// <param name="ActMgL">Act level of these fish, mg/L.</param>
/// <param name="FlowM3H">Water moved through by a pump, m³/h; 0 for none.</param>
/// <param name="FlowMgL">Oxygen of that water, mg/L.</param>
public sealed record CrowdedNet(
    FishSpecies Species,
    double MeanG,
    double Kg,
    double WaterM3,
    double TempC,
    double? DoMgL,
    double ActMgL,
    double FlowM3H,
    double FlowMgL
);

/// <summary>How long fish can stay crowded in a net: a mixed water in which they breathe and a pump brings new.</summary>
public static class NetAir
{
    /// <summary>Where the method comes from.</summary>
    public const string Source =
        "Respiration of fish: Boyd, Romaire and Johnston 1978; crowded and frightened they use about twice that (starting value); mixed water with a flow through";

    /// <summary>Crowded fish use so many times what calm ones use. Starting value.</summary>
    public const double Fright = 2;

    private const double MostM3H = 100_000;

    /// <summary>Oxygen that the crowd takes, g/h.</summary>
    public static double TakesGH(CrowdedNet net) =>
        net.Kg * Fright * Respiration.Fish(net.MeanG, net.TempC, net.Species);

    /// <summary>Minutes until the oxygen in the net is at the act level; infinite where the flow holds it above; null where nobody read the oxygen.</summary>
    public static double? Minutes(CrowdedNet net)
    {
        if (net.DoMgL is not { } now)
            return null;
        if (now <= net.ActMgL)
            return 0;
        var takes = TakesGH(net);
        if (net.FlowM3H <= 0)
            return 60 * net.WaterM3 * (now - net.ActMgL) / takes;
        // It tends to what the pump brings less what the fish take from it.
        var end = net.FlowMgL - (takes / net.FlowM3H);
        return end >= net.ActMgL
            ? double.PositiveInfinity
            : 60 * net.WaterM3 / net.FlowM3H * Math.Log((now - end) / (net.ActMgL - end));
    }

    /// <summary>Flow that makes it last so long, m³/h; 0 where none is needed; null where no flow does, or nobody read the oxygen.</summary>
    /// <param name="net">The net.</param>
    /// <param name="minutes">Minutes; above 0.</param>
    public static double? FlowFor(CrowdedNet net, double minutes)
    {
        double Lasts(double flow) => Minutes(net with { FlowM3H = flow }) ?? 0;
        if (net.DoMgL is null || Lasts(MostM3H) < minutes)
            return null;
        if (Lasts(0) >= minutes)
            return 0;
        var (low, high) = (0.0, MostM3H);
        for (var i = 0; i < 60; i++)
        {
            var mid = (low + high) / 2;
            (low, high) = Lasts(mid) >= minutes ? (low, mid) : (mid, high);
        }
        return high;
    }

    /// <summary>What it comes to: act under the time one pull needs, watch under an hour.</summary>
    /// <param name="net">The net.</param>
    /// <param name="neededMin">Minutes that emptying the net takes; above 0.</param>
    /// <param name="hand">How figures are printed.</param>
    public static Judgement Judge(CrowdedNet net, double neededMin, Hand hand)
    {
        if (Minutes(net) is not { } minutes)
            return new(Status.Unknown, "oxygen in the net is not known: read it before they are crowded");
        var lasts = double.IsInfinity(minutes)
            ? "the pump holds it above the act level"
            : $"{hand.Count(Math.Floor(minutes))} minutes until the act level {QuantityText.Write(net.ActMgL, Measures.Oxygen, hand)}";
        if (minutes < neededMin)
            return new(
                Status.ActNow,
                $"{lasts}, and emptying the net takes {hand.Count(Math.Ceiling(neededMin))}: fewer fish at once, or more water through it"
            );
        return new(minutes < 60 ? Status.Watch : Status.Steady, lasts);
    }
}
