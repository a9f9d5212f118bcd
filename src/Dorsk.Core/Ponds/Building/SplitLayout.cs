using Dorsk.Core.Judging;
using Dorsk.Core.Units;

namespace Dorsk.Core.Ponds;

/// <summary>A split pond laid out: fish in a small part, open water that treats the waste in the rest, two channels with screens and a slow mover between them.</summary>
/// <param name="FishM2">Surface of the fish part, m².</param>
/// <param name="OpenM2">Surface of the open part, m².</param>
/// <param name="FlowM3H">Flow that renews the fish part in time, m³/h.</param>
/// <param name="ChannelM2">Cross-section of a channel, m².</param>
/// <param name="ChannelWidthM">Width of a channel at the depth of the water, m.</param>
/// <param name="ScreenM2">Screen in each channel, m², bars and fouling counted.</param>
/// <param name="Judgement">Whether the share is a usual one.</param>
public sealed record SplitLayout(
    double FishM2,
    double OpenM2,
    double FlowM3H,
    double ChannelM2,
    double ChannelWidthM,
    double ScreenM2,
    Judgement Judgement
)
{
    /// <summary>Where the figures come from.</summary>
    public const string Source =
        "Split ponds after Tucker and Kingsbury 2010: 15 to 20 % for the fish, renewed in about an hour by day; water in channels at 0.15 m/s and through screens at 0.06 m/s; half a screen is wire and fouling; starting values";

    private const double ChannelMs = 0.15,
        ScreenMs = 0.06,
        OpenShare = 0.5,
        UsualLow = 0.12,
        UsualHigh = 0.25,
        Hour = 3600;

    /// <summary>Lays one out.</summary>
    /// <param name="areaM2">Whole surface, m²; above 0.</param>
    /// <param name="depthM">Mean depth, m; above 0.</param>
    /// <param name="fishShare">Share of the surface for the fish, above 0 to below 1.</param>
    /// <param name="renewHours">Hours in which the water of the fish part is renewed; above 0.</param>
    public static SplitLayout Of(double areaM2, double depthM, double fishShare, double renewHours)
    {
        var fish = areaM2 * fishShare;
        var flow = fish * depthM / renewHours;
        var channel = flow / Hour / ChannelMs;
        return new(
            fish,
            areaM2 - fish,
            flow,
            channel,
            channel / depthM,
            flow / Hour / ScreenMs / OpenShare,
            fishShare < UsualLow ? new(Status.Watch, "a small fish part: oxygen lasts for minutes when power fails")
                : fishShare > UsualHigh
                    ? new(Status.Watch, "a large fish part leaves little open water to treat the waste")
                : new(Status.Steady, "a usual share for the fish")
        );
    }
}

/// <summary>A slow paddle that moves water between the parts of a pond: its speed through two gearboxes and the water it moves.</summary>
/// <param name="ShaftRpm">Turns a minute of the paddle.</param>
/// <param name="TipMs">Speed of the paddle's tip, m/s.</param>
/// <param name="FlowM3H">Water it moves, m³/h.</param>
/// <param name="HoursRound">Hours to move the pond once round; infinite for a paddle that moves nothing.</param>
public sealed record PaddleMover(double ShaftRpm, double TipMs, double FlowM3H, double HoursRound)
{
    /// <summary>How it is worked out.</summary>
    public const string Source =
        "Speed by the product of the ratios; flow by the dipped area of the paddle, its mean speed and a slip of half; slow movers run at 1 to 5 turns a minute, tips under 1.5 m/s; starting values";

    private const double Slip = 0.5,
        FastMs = 1.5;

    /// <summary>Works it out.</summary>
    /// <param name="motorRpm">Turns a minute of the motor.</param>
    /// <param name="firstRatio">Ratio of the first gearbox, 1 or more.</param>
    /// <param name="secondRatio">Ratio of the second, 1 or more; 1: none.</param>
    /// <param name="radiusM">Radius of the paddle, m.</param>
    /// <param name="widthM">Width of the paddle, m.</param>
    /// <param name="dipM">How deep it dips, m; up to the radius.</param>
    /// <param name="volumeM3">Water of the pond, m³.</param>
    public static PaddleMover Of(
        double motorRpm,
        double firstRatio,
        double secondRatio,
        double radiusM,
        double widthM,
        double dipM,
        double volumeM3
    )
    {
        var rpm = motorRpm / firstRatio / secondRatio;
        double Speed(double r) => 2 * Math.PI * r * rpm / 60;
        var flow = dipM * widthM * Speed(radiusM - (dipM / 2)) * Slip * 3600;
        return new(rpm, Speed(radiusM), flow, volumeM3 / flow);
    }

    /// <summary>Whether it is slow enough to move water and not to beat it.</summary>
    /// <param name="hand">How figures are printed.</param>
    public Judgement Judge(Hand hand) =>
        TipMs > FastMs
            ? new(
                Status.Watch,
                $"the tip runs at {QuantityText.Write(TipMs, Measures.Wind with { Decimals = 2, UsDecimals = 1 }, hand)}: it beats the water and overloads the gears; a larger ratio"
            )
            : new(Status.Steady, "slow enough to move water without beating it");
}
