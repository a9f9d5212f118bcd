using Dorsk.Core.Water;

namespace Dorsk.Core.Acclimate;

/// <summary>A water as it was measured, in a bag or at a place of the pond.</summary>
/// <param name="TempC">Temperature, °C.</param>
/// <param name="Ph">pH.</param>
/// <param name="SalinityPpt">Salinity, ppt.</param>
/// <param name="TanMgL">Total ammonia, mg N/L; null when not measured.</param>
/// <param name="DoMgL">Oxygen, mg/L; null when not measured.</param>
/// <param name="AlkalinityMgL">Alkalinity, mg/L as CaCO₃; null when not measured.</param>
public sealed record AccWater(double TempC, double Ph, double SalinityPpt, double? TanMgL, double? DoMgL, double? AlkalinityMgL)
{
    /// <summary>Un-ionised ammonia, mg N/L; null without total ammonia.</summary>
    public double? Nh3MgL => TanMgL is { } tan ? UnionisedAmmonia.MgNL(tan, TempC, Ph, SalinityPpt) : null;

    /// <summary>Several places of one pond together: means of what was measured.</summary>
    public static AccWater Mean(IReadOnlyList<AccWater> places)
    {
        double? Of(Func<AccWater, double?> what) => places.Select(what).OfType<double>().ToList() is { Count: > 0 } some ? some.Average() : null;
        return new(places.Average(p => p.TempC), places.Average(p => p.Ph), places.Average(p => p.SalinityPpt), Of(p => p.TanMgL), Of(p => p.DoMgL), Of(p => p.AlkalinityMgL));
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
/// Pond water poured slowly into an open bag. Alkalinity, carbon and total ammonia mix by volume and pH follows; carbon dioxide gasses out
/// of the open bag with a half-time, so pH climbs, and the bag's own ammonia turns poisonous while the fish are still in it. That is why a bag with much
/// ammonia is floated closed and the fish let out at once.
/// </summary>
public static class MixCurve
{
    /// <summary>Where it comes from.</summary>
    public const string Source = "Mass balance of alkalinity and carbon (Cai & Wang 1998); Emerson and others 1975, Hampson 1977; carbon dioxide leaves an open bag by half in 20 minutes, a setting";

    /// <summary>Alkalinity where none was measured lies between these, mg/L as CaCO₃.</summary>
    public const double AlkalinityLow = 20, AlkalinityHigh = 200;

    private const double HalfTimeMinutes = 20, AirCo2MgL = 0.6;

    /// <summary>The curve, minute by minute; empty where total ammonia of the bag was not measured.</summary>
    /// <param name="bag">The bag.</param>
    /// <param name="pond">The pond.</param>
    /// <param name="minutes">Minutes until it is all but pond water; 1 to 600.</param>
    public static IReadOnlyList<MixStep> Run(AccWater bag, AccWater pond, int minutes)
    {
        if (bag.TanMgL is null)
            return [];
        var bounds = from b in bag.AlkalinityMgL is { } known ? [known] : new[] { AlkalinityLow, AlkalinityHigh }
                     from p in pond.AlkalinityMgL is { } knownPond ? [knownPond] : new[] { AlkalinityLow, AlkalinityHigh }
                     select One(bag, pond, b, p, minutes);
        var runs = bounds.ToList();
        return [.. Enumerable.Range(0, minutes + 1).Select(i => runs.MaxBy(r => r[i].Nh3MgL)![i] with { Nh3LowMgL = runs.Min(r => r[i].Nh3MgL) })];
    }

    private static List<MixStep> One(AccWater bag, AccWater pond, double bagAlk, double pondAlk, int minutes)
    {
        var steps = new List<MixStep>(minutes + 1);
        var carbon = Carbonate.CarbonMmolL(bag.Ph, bagAlk, bag.TempC, bag.SalinityPpt);
        var pondCarbon = Carbonate.CarbonMmolL(pond.Ph, pondAlk, pond.TempC, pond.SalinityPpt);
        var share = 0.0;
        for (var i = 0; i <= minutes; i++)
        {
            double Mix(double b, double p) => b + (share * (p - b));
            var (alk, temp, salinity, tan) = (Mix(bagAlk, pondAlk), Mix(bag.TempC, pond.TempC), Mix(bag.SalinityPpt, pond.SalinityPpt), Mix(bag.TanMgL!.Value, pond.TanMgL ?? 0));
            var ph = Carbonate.Ph(alk, carbon, temp, salinity);
            var nh3 = UnionisedAmmonia.MgNL(tan, temp, ph, salinity);
            steps.Add(new(i, share, ph, nh3, nh3));
            // Poured evenly: each minute brings in as much pond water as the last.
            var next = (double)(i + 1) / minutes;
            var poured = share < 1 ? (Math.Min(1, next) - share) / (1 - share) : 0;
            carbon += poured * (pondCarbon - carbon);
            share = Math.Min(1, next);
            // What the air takes, never past balance with it.
            var co2 = Carbonate.CarbonDioxideMgL(Carbonate.Ph(alk, carbon, temp, salinity), alk, temp, salinity);
            carbon -= Math.Max(0, co2 - AirCo2MgL) * (1 - Math.Pow(0.5, 1 / HalfTimeMinutes)) / 44.01;
        }
        return steps;
    }
}
