namespace Dorsk.Practice;

/// <summary>Weather of a wide pond at an instant.</summary>
/// <param name="Sun">Light at the ground against a clear sky with the sun overhead, 0 to 1.</param>
/// <param name="AirC">Air, °C.</param>
/// <param name="WindMs">Wind, m/s.</param>
internal readonly record struct WideSky(double Sun, double AirC, double WindMs);

/// <summary>
/// Two layers of water with a hidden truth, by equations that no forecast uses and that differ from world to world: light by Smith 1936 or
/// Webb 1974, respiration that does or does not slacken where oxygen runs low, gas exchange straight in the wind or by its square.
/// </summary>
internal sealed class WideWater
{
    private readonly WideWorld world;
    private readonly double q10,
        halfLight,
        dayBalance,
        mealShare,
        airShare,
        lowerShare,
        lowerUse,
        aeratorShare;

    public WideWater(WideWorld world, double depthM, Chance chance)
    {
        double Between(double low, double high) => low + ((high - low) * chance.Uniform());
        this.world = world;
        DepthM = depthM;
        UseMgLH = 0.1 * Math.Pow(5.5, chance.Uniform());
        q10 = Between(1.5, 2.6);
        halfLight = Between(0.15, 0.5);
        dayBalance = Between(0.75, 1.05);
        mealShare = Between(0, 0.7);
        airShare = Between(0.5, 1.6);
        var isLayered = chance.Uniform() < 0.3;
        lowerShare = isLayered ? Between(0.15, 0.4) : 0;
        lowerUse = Between(0.5, 1.4);
        aeratorShare = Between(0.5, 1.3);
    }

    /// <summary>Volume by surface, m.</summary>
    public double DepthM { get; }

    /// <summary>Oxygen use of water, mud and fish together at 25 °C, mg/L/h.</summary>
    public double UseMgLH { get; }

    /// <summary>Oxygen near the surface, where people read, mg/L.</summary>
    public double DoMgL { get; private set; } = 7;

    /// <summary>Temperature, °C.</summary>
    public double TempC { get; private set; } = 20;

    /// <summary>Factors of the day on what the bloom makes and what all together use.</summary>
    public (double Made, double Used) Bloom { get; set; } = (1, 1);

    private double lowerMgL = 5;

    /// <summary>Begins with the warmth of the season.</summary>
    public void Begin(double tempC) => TempC = tempC;

    /// <summary>Lets ten minutes pass.</summary>
    /// <param name="sky">Weather.</param>
    /// <param name="meanMade">Mean over the day of what the light of a clear day makes, as a share of the most.</param>
    /// <param name="sinceMealH">Hours since the last meal.</param>
    /// <param name="airKgM3H">Oxygen that running aerators are said to give in standard water, kg per m³ and hour.</param>
    public void Step(WideSky sky, double meanMade, double sinceMealH, double airKgM3H)
    {
        const double h = 1 / 6.0;
        TempC += (sky.AirC + (6 * sky.Sun) - TempC) / (22 * DepthM) * h;
        var warm = Math.Pow(q10, (TempC - 25) / 10);
        var full = UseMgLH * warm;
        var made = Bloom.Made * full * dayBalance / meanMade * Lit(sky.Sun);
        var slack = world == WideWorld.Gompertz ? DoMgL / (DoMgL + 0.35) : Math.Min(1, DoMgL / 0.5);
        var meal = 1 + (mealShare * (Math.Exp(-sinceMealH / 5) - 0.25));
        var saturation = Saturation(TempC);
        var blown = world == WideWorld.Gompertz ? 0.25 + (0.045 * sky.WindMs * sky.WindMs) : 0.15 + (0.3 * sky.WindMs);
        var surface = airShare * blown / 24 / DepthM * (saturation - DoMgL) * (DoMgL > 1.4 * saturation ? 3 : 1);
        var air = airKgM3H * 1000 * aeratorShare * 0.9 * Math.Pow(1.024, TempC - 20) * (saturation - DoMgL) / 9.09;
        var (upper, lower) = (made - (full * meal * slack * Bloom.Used) + surface + air, -full * lowerUse);
        var across = Turned(sky, airKgM3H) * (lowerMgL - DoMgL);
        DoMgL = Math.Clamp(DoMgL + ((upper + (across * lowerShare / (1 - lowerShare))) * h), 0.05, 25);
        lowerMgL = Math.Clamp(lowerMgL + ((lower - across) * h), 0, 20);
    }

    // Sun lays warm water on cold; wind, aerators and the cool of the night turn it over.
    private double Turned(WideSky sky, double airKgM3H)
    {
        if (lowerShare == 0)
            return 0;
        var isCalm = sky.Sun > 0.15 && sky.WindMs < 4 && airKgM3H == 0;
        return isCalm ? 0.01 : 0.05 + (0.04 * sky.WindMs) + (airKgM3H > 0 ? 0.6 : 0);
    }

    /// <summary>What light makes, as a share of the most.</summary>
    public double Lit(double sun) =>
        world == WideWorld.Gompertz
            ? 1 - Math.Exp(-sun / halfLight)
            : sun / Math.Sqrt((halfLight * halfLight) + (sun * sun));

    private static double Saturation(double tempC) => 468 / (31.6 + tempC);
}
