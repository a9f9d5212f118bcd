using Dorsk.Core.Ponds;

namespace Dorsk.Core.Oxygen;

/// <summary>Water that is aerated.</summary>
/// <param name="VolumeM3">How much, m³; above 0.</param>
/// <param name="LossMgLH">What it takes without air, mg/L/h; 0 or more.</param>
/// <param name="TempC">Its temperature, °C.</param>
/// <param name="SaturationMgL">Saturation here, mg/L.</param>
public readonly record struct AeratedWater(double VolumeM3, double LossMgLH, double TempC, double SaturationMgL);

/// <summary>What aerators do for a water whose fish, plankton and mud take oxygen at a steady pace.</summary>
/// <param name="GivesKgH">Oxygen they give now, kg/h; less than nought above saturation.</param>
/// <param name="Course">Oxygen from here on.</param>
/// <param name="Hours">Hours until the wanted level, or null when it is never reached.</param>
public sealed record AirLift(double GivesKgH, ConstantDecline Course, double? Hours)
{
    /// <summary>Where it comes from.</summary>
    public const string Source =
        "OTR = SOTR (βCs − C)/9.09 × 1.024^(T−20) × α (Boyd 1998, Aquacultural Engineering 18); saturation after Benson & Krause 1984";

    /// <summary>Works it out. Wind is left out, as on a still night.</summary>
    /// <param name="kind">Kind of aerator.</param>
    /// <param name="shaftKW">Their shaft power together, kW.</param>
    /// <param name="water">The water.</param>
    /// <param name="doMgL">Oxygen now, mg/L.</param>
    /// <param name="wantedMgL">Oxygen wanted, mg/L.</param>
    public static AirLift For(AeratorKind kind, double shaftKW, AeratedWater water, double doMgL, double wantedMgL)
    {
        double Gives(double at) =>
            Exchange.OtrKgH(kind.SaeKgKWh * shaftKW, at, water.SaturationMgL, water.TempC, kind.Alpha, kind.Beta);
        // Transfer falls in proportion as oxygen nears saturation: one rate, per hour.
        var towards = kind.Beta * water.SaturationMgL;
        var course = new ConstantDecline(water.LossMgLH, 1000 * Gives(towards - 1) / water.VolumeM3, towards);
        return new(Gives(doMgL), course, course.HoursUpTo(doMgL, wantedMgL));
    }

    /// <summary>Shaft power that holds a level, kW; null at or above what air can give.</summary>
    /// <param name="kind">Kind of aerator.</param>
    /// <param name="water">The water.</param>
    /// <param name="levelMgL">The level, mg/L.</param>
    public static double? HoldsKW(AeratorKind kind, AeratedWater water, double levelMgL) =>
        Exchange.OtrKgH(kind.SaeKgKWh, levelMgL, water.SaturationMgL, water.TempC, kind.Alpha, kind.Beta)
            is var perKW
                and > 0
            ? water.LossMgLH * water.VolumeM3 / 1000 / perKW
            : null;
}
