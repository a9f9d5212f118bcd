using Dorsk.Core.Water;

namespace Dorsk.Core.Acclimate;

/// <summary>A water as it was measured, in a bag or at a place of the pond.</summary>
/// <param name="TempC">Temperature, °C.</param>
/// <param name="Ph">pH.</param>
/// <param name="SalinityPpt">Salinity, ppt.</param>
/// <param name="TanMgL">Total ammonia, mg N/L; null when not measured.</param>
/// <param name="DoMgL">Oxygen, mg/L; null when not measured.</param>
/// <param name="AlkalinityMgL">Alkalinity, mg/L as CaCO₃; null when not measured.</param>
public sealed record AccWater(
    double TempC,
    double Ph,
    double SalinityPpt,
    double? TanMgL,
    double? DoMgL,
    double? AlkalinityMgL
)
{
    /// <summary>Un-ionised ammonia, mg N/L; null without total ammonia.</summary>
    public double? Nh3MgL => TanMgL is { } tan ? UnionisedAmmonia.MgNL(tan, TempC, Ph, SalinityPpt) : null;

    /// <summary>What was measured, as readings.</summary>
    public IReadOnlyList<(Parameter Parameter, double Si)> Readings =>
        [
            (Parameter.Temperature, TempC),
            (Parameter.Ph, Ph),
            (Parameter.Salinity, SalinityPpt),
            .. Read(Parameter.Tan, TanMgL),
            .. Read(Parameter.Oxygen, DoMgL),
            .. Read(Parameter.Alkalinity, AlkalinityMgL),
        ];

    private static IEnumerable<(Parameter, double)> Read(Parameter parameter, double? si) =>
        si is { } value ? [(parameter, value)] : [];

    /// <summary>Several places of one pond together: means of what was measured.</summary>
    public static AccWater Mean(IReadOnlyList<AccWater> places)
    {
        double? Of(Func<AccWater, double?> what) =>
            places.Select(what).OfType<double>().ToList() is { Count: > 0 } some ? some.Average() : null;
        return new(
            places.Average(p => p.TempC),
            places.Average(p => p.Ph),
            places.Average(p => p.SalinityPpt),
            Of(p => p.TanMgL),
            Of(p => p.DoMgL),
            Of(p => p.AlkalinityMgL)
        );
    }
}

/// <summary>One step of mixing pond water into a bag.</summary>
/// <param name="Minutes">Since it was begun.</param>
/// <param name="PondShare">Share that is pond water, 0 to 1.</param>
/// <param name="Ph">pH; the higher of the bounds where an alkalinity was not measured.</param>
/// <param name="Nh3MgL">Un-ionised ammonia, mg N/L, with it; and the lower bound.</param>
/// <param name="Nh3LowMgL">With the lower of the bounds; the same when all was measured.</param>
public readonly record struct MixStep(double Minutes, double PondShare, double Ph, double Nh3MgL, double Nh3LowMgL);

/// <summary>
/// Pond water poured into a bag in equal parts, the first at once, each raising the share of pond water by the same step until all is
/// pond water. Alkalinity, carbon, salinity, heat and total ammonia mix by volume and pH follows; carbon dioxide gasses out of an open bag with a
/// half-time, so pH climbs, and the bag's own ammonia turns poisonous while the fish are still in it. That is why a bag with much
/// ammonia is floated closed and the fish let out at once.
/// </summary>
public static class MixCurve
{
    /// <summary>Where it comes from.</summary>
    public const string Source =
        "Mass balance of alkalinity and carbon (Cai & Wang 1998); Emerson and others 1975, Hampson 1977; carbon dioxide leaves an open bag by half in 20 minutes and a closed one not at all, a setting";

    /// <summary>Alkalinity where none was measured lies between these, mg/L as CaCO₃.</summary>
    public const double AlkalinityLow = 20,
        AlkalinityHigh = 200;

    /// <summary>Equal parts in which pond water is poured in.</summary>
    public const int Parts = 10;

    // Carbon dioxide of water in balance with air, mg/L; steps of the integration in a minute: halving them changes the highest ammonia by under 0.1 %.
    private const double HalfTimeMinutes = 20,
        AirCo2MgL = 0.6;
    private const int StepsPerMinute = 6;

    /// <summary>An open bag into which pond water is poured, minute by minute; empty where total ammonia of the bag was not measured.</summary>
    /// <param name="bag">The bag.</param>
    /// <param name="pond">The pond.</param>
    /// <param name="minutes">Minutes until the last part has had its time; 10 to 600.</param>
    public static IReadOnlyList<MixStep> Run(AccWater bag, AccWater pond, int minutes)
    {
        if (bag.TanMgL is null)
            return [];
        var bounds =
            from b in bag.AlkalinityMgL is { } known ? [known] : new[] { AlkalinityLow, AlkalinityHigh }
            from p in pond.AlkalinityMgL is { } knownPond ? [knownPond] : new[] { AlkalinityLow, AlkalinityHigh }
            select Open(bag, pond, b, p, minutes);
        var runs = bounds.ToList();
        return
        [
            .. Enumerable
                .Range(0, minutes + 1)
                .Select(i => runs.MaxBy(r => r[i].Nh3MgL)![i] with { Nh3LowMgL = runs.Min(r => r[i].Nh3MgL) }),
        ];
    }

    /// <summary>The same bag floated closed: nothing comes in, no carbon dioxide leaves, so pH stays, and only its water takes on the pond's temperature. Empty without total ammonia.</summary>
    /// <param name="bag">The bag.</param>
    /// <param name="pond">The pond.</param>
    /// <param name="minutes">Minutes drawn.</param>
    public static IReadOnlyList<MixStep> Closed(AccWater bag, AccWater pond, int minutes) =>
        bag.TanMgL is not { } tan
            ? []
            :
            [
                .. Enumerable
                    .Range(0, minutes + 1)
                    .Select(i =>
                    {
                        var temp = AcclimationPlan.FloatedC(bag.TempC, pond.TempC, i);
                        var nh3 = UnionisedAmmonia.MgNL(tan, temp, bag.Ph, bag.SalinityPpt);
                        return new MixStep(i, 0, bag.Ph, nh3, nh3);
                    }),
            ];

    /// <summary>Minutes of a curve spent above a level, by straight lines between its points.</summary>
    /// <param name="curve">The curve, in order of time.</param>
    /// <param name="levelMgL">The level, mg/L.</param>
    public static double MinutesOver(IReadOnlyList<MixStep> curve, double levelMgL) =>
        curve
            .Zip(curve.Skip(1))
            .Sum(p =>
            {
                var (a, b) = (p.First.Nh3MgL - levelMgL, p.Second.Nh3MgL - levelMgL);
                var share =
                    a > 0 && b > 0 ? 1
                    : a <= 0 && b <= 0 ? 0
                    : Math.Max(a, b) / Math.Abs(a - b);
                return share * (p.Second.Minutes - p.First.Minutes);
            });

    private static List<MixStep> Open(AccWater bag, AccWater pond, double bagAlk, double pondAlk, int minutes)
    {
        var steps = new List<MixStep>(minutes + 1);
        var carbon = Carbonate.CarbonMmolL(bag.Ph, bagAlk, bag.TempC, bag.SalinityPpt);
        var pondCarbon = Carbonate.CarbonMmolL(pond.Ph, pondAlk, pond.TempC, pond.SalinityPpt);
        var (poured, share) = (0, 0.0);
        double Mix(double b, double p) => b + (share * (p - b));
        for (var i = 0; i <= minutes; i++)
        {
            // As it is before the part of this minute: between two parts ammonia only climbs, so the highest is never missed.
            steps.Add(Now(i));
            for (; poured < Parts && poured * minutes <= i * Parts; poured++)
            {
                // The rest of the bag gives way to this part, carbon with it.
                var next = (poured + 1.0) / Parts;
                carbon += (next - share) / (1 - share) * (pondCarbon - carbon);
                share = next;
            }
            for (var k = 0; k < StepsPerMinute; k++)
            {
                var half = carbon - (Leaving(carbon) / 2);
                carbon -= Leaving(half);
            }
        }
        return steps;

        MixStep Now(int minute)
        {
            var (alk, temp, salinity) = (
                Mix(bagAlk, pondAlk),
                Mix(bag.TempC, pond.TempC),
                Mix(bag.SalinityPpt, pond.SalinityPpt)
            );
            var ph = Carbonate.Ph(alk, carbon, temp, salinity);
            var nh3 = UnionisedAmmonia.MgNL(Mix(bag.TanMgL!.Value, pond.TanMgL ?? 0), temp, ph, salinity);
            return new(minute, share, ph, nh3, nh3);
        }

        // Carbon that the air takes in one step, mmol/L; never past balance with it.
        double Leaving(double c)
        {
            var (alk, temp, salinity) = (
                Mix(bagAlk, pondAlk),
                Mix(bag.TempC, pond.TempC),
                Mix(bag.SalinityPpt, pond.SalinityPpt)
            );
            return Math.Max(
                    0,
                    Carbonate.CarbonDioxideMgL(Carbonate.Ph(alk, c, temp, salinity), alk, temp, salinity) - AirCo2MgL
                )
                * Math.Log(2)
                / HalfTimeMinutes
                / StepsPerMinute
                / 44.01;
        }
    }
}
