namespace Dorsk.Core.Water;

/// <summary>A tide between a high and a low water, as a half wave of a cosine; heights in m over chart datum, hours from high water. A planning figure: the tide table and the weather rule.</summary>
/// <param name="HighM">Height of high water, m.</param>
/// <param name="LowM">Height of low water, m; under <paramref name="HighM"/>.</param>
/// <param name="HalfH">Hours from high to low water, 3 to 13; about 6.2 where there are two tides a day.</param>
public sealed record Tide(double HighM, double LowM, double HalfH)
{
    /// <summary>Hours from one high water to the next where there are two a day.</summary>
    public const double UsualHalfH = 6.21;

    private double Mean => (HighM + LowM) / 2;

    private double Amplitude => (HighM - LowM) / 2;

    /// <summary>Height some hours from high water, m.</summary>
    /// <param name="hours">Hours before (negative) or after it, within the half wave.</param>
    public double HeightM(double hours) => Mean + (Amplitude * Math.Cos(Math.PI * hours / HalfH));

    /// <summary>For how long before and after high water it stands over a level, h each way; null when it never does, the whole wave when it always does.</summary>
    /// <param name="levelM">The level: sill of the gate, or intake of the pump, m over chart datum.</param>
    public double? OverH(double levelM)
    {
        if (levelM >= HighM)
            return null;
        return levelM <= LowM ? HalfH : HalfH / Math.PI * Math.Acos((levelM - Mean) / Amplitude);
    }
}
