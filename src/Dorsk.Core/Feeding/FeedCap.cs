using System.Globalization;
using Dorsk.Core.Species;

namespace Dorsk.Core.Feeding;

/// <summary>The greatest daily feed a pond's water can take, kg/ha/day, by installed aeration (table of feed limits by aeration).</summary>
public static class FeedCap
{
    // Static ponds only, in rising order of power: tanks and exchanged ponds are limited by other things.
    private static readonly IReadOnlyList<(double FromKWHa, double KgHa, string By, string Source)> Steps =
        Csv.Embedded("feed_limit_by_aeration.csv")
            .Where(r => r["system"].StartsWith("static pond", StringComparison.Ordinal))
            .Select(r => (N(r["installed_kw_per_ha_low"]), N(r["feed_start_kg_ha_day"]), r["limit_by"], r["source"]))
            .OrderBy(s => s.Item1)
            .ToList();

    // What a still pond's mud and plankton take up of the nitrogen of feed, kg of feed/ha/day: Hargreaves 1998; Boyd 1998.
    private const double NitrogenKgHa = 170;

    /// <summary>The cap and what it is for.</summary>
    /// <param name="installedKWHa">Shaft power of aerators per area, kW/ha.</param>
    /// <param name="species">Its feed cap factor is applied.</param>
    public static (double KgHaDay, string LimitedBy, string Source) For(double installedKWHa, FishSpecies species)
    {
        var step = Steps.Last(s => s.FromKWHa <= Math.Max(0, installedKWHa));
        var kgHa = step.KgHa * species.FeedCapFactor;
        // The factor is one of oxygen: nitrogen binds all fish alike, those that breathe air too.
        var most = Math.Max(NitrogenKgHa, step.KgHa);
        return kgHa > most ? (most, "nitrogen", step.Source) : (kgHa, step.By, step.Source);
    }

    private static double N(string text) => double.Parse(text, CultureInfo.InvariantCulture);
}
