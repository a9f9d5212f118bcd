using Dorsk.Core.Ponds;
using Dorsk.Core.Species;

namespace Dorsk.Practice;

/// <summary>
/// How the ponds of a scored set are drawn. The recipe is fixed: it is changed only in a commit of its own, never together with an
/// estimator, so that nobody tunes the yardstick to the cloth.
/// </summary>
/// <param name="Pond">The pond as the farm knows it.</param>
/// <param name="Hidden">What it does not know.</param>
/// <param name="Aerators">Aerators with their timers.</param>
/// <param name="SpeciesKey">The species.</param>
/// <param name="ToldCount">Fish told to the books.</param>
/// <param name="TrueCount">Fish that were put in.</param>
/// <param name="MeanG">True mean weight at stocking, g.</param>
/// <param name="Growth">Hidden growth coefficient.</param>
/// <param name="Hunger">What these people feed against the appetite.</param>
/// <param name="From">First day.</param>
/// <param name="To">Last day.</param>
internal sealed record ScoredRecipe(
    Pond Pond,
    HiddenPond Hidden,
    IReadOnlyList<Aerator> Aerators,
    string SpeciesKey,
    int ToldCount,
    double TrueCount,
    double MeanG,
    double Growth,
    double Hunger,
    DateOnly From,
    DateOnly To
)
{
    /// <summary>SD of one reading of oxygen, mg/L.</summary>
    public const double NoiseSd = 0.2;

    /// <summary>SD of the meter's drift from day to day, mg/L.</summary>
    public const double DriftSdPerDay = 0.03;

    /// <summary>Share of the nights on which somebody reads once more at ten in the evening.</summary>
    public const double LateRounds = 0.3;

    /// <summary>SD of the plankton's breathing from night to night, in logs, and how much of it hangs on into the next.</summary>
    public const double MoodSd = 0.2,
        MoodStays = 0.5;

    /// <summary>Cloud that comes and goes for days, nights between dead calm and fresh.</summary>
    public static readonly WeatherSwing Swing = new(1.4, 0.36, 1.1, 1.1, 0.85);

    private const int FewestDays = 60,
        MostDays = 240;

    /// <summary>The fish as they truly are.</summary>
    public SimulatedFish Fish() => new(TrueCount, MeanG, Growth, 27, 0.00016);

    public static ScoredRecipe Draw(Chance chance)
    {
        double Between(double low, double high) => low + ((high - low) * chance.Uniform());
        double Spread(double mean, double cv) => mean * Math.Exp((cv * chance.Normal()) - (cv * cv / 2));
        var areaM2 = Between(1000, 6000);
        var pond = new Pond(
            ScoredPond.PondId,
            "X1",
            "",
            PondKind.Earthen,
            new SlopedRectangle(Math.Sqrt(areaM2 * 1.25), Math.Sqrt(areaM2 / 1.25), Between(1.1, 1.8), 2),
            "grow-out"
        );
        var hidden = HiddenPond.Draw(chance, PondKind.Earthen) with
        {
            PlanktonUse = Spread(0.0027, 0.35),
            BloomCeiling = Spread(105, 0.35),
        };
        var kwHa = chance.Uniform() < 0.35 ? 0 : Between(3, 9);
        var number = kwHa == 0 ? 0 : (int)Math.Max(1, Math.Round(kwHa * areaM2 / 10_000 / 0.75));
        var onTimer = (int)Math.Round(number * Between(0.3, 1));
        var aerators = DrawAerators(number, onTimer);
        var days = (int)Between(FewestDays, MostDays);
        var from = new DateOnly(2026, 9, 1).AddDays((int)Between(0, 90));
        var meanG = Between(8, 250);
        var growth = Math.Clamp(Spread(FishSpecies.Of("silver_perch").GrowthG13PerDay, 0.13), 0.045, 0.1);
        // Planned so that the pond is well filled in the end: what stands then, kg/ha, by whether there is air.
        var endG = Math.Pow(Math.Cbrt(meanG) + (0.055 / 3 * days * 0.75), 3);
        var told = (int)(Between(0.35, 1.0) * (number == 0 ? 1300 : 3600) * areaM2 / 10_000 * 1000 / endG / 10) * 10;
        return new(
            pond,
            hidden,
            aerators,
            "silver_perch",
            told,
            told * (1 + (0.025 * chance.Normal())),
            meanG,
            growth,
            Between(0.75, 1.05),
            from,
            from.AddDays(days)
        );
    }

    private static List<Aerator> DrawAerators(int number, int onTimer) =>
        Enumerable
            .Range(1, number)
            .Select(i => new Aerator(
                "A" + i,
                AeratorKind.Find(DemoScript.Paddle)!,
                0.75,
                i <= onTimer ? new TimeOnly(21, 0) : null,
                i <= onTimer ? new TimeOnly(6, 30) : null
            ))
            .ToList();
}
