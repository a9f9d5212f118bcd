using System.Globalization;
using Dorsk.Core.Species;

namespace Dorsk.Core.Feeding;

/// <summary>What a farm can grow for its fish.</summary>
public enum GrownKind
{
    /// <summary>Duckweed in a spare pond.</summary>
    Duckweed,

    /// <summary>Larvae of the soldier fly in trays.</summary>
    Larvae,
}

/// <summary>Feed grown on the farm beside a complete feed: how much it takes, wet and dry, and the pond or trays that keep it coming.</summary>
/// <param name="DryKg">Dry matter a day, kg.</param>
/// <param name="WetKg">As harvested a day, kg.</param>
/// <param name="AreaM2">Area that sustains it, m²: from, usual, to.</param>
/// <param name="SharePct">Share of the ration's dry matter it replaces, percent.</param>
/// <param name="MostPct">Most that it should replace, percent.</param>
/// <param name="ProteinKg">Protein in it a day, kg.</param>
public sealed record GrownFeed(
    double DryKg,
    double WetKg,
    (double Low, double Usual, double High) AreaM2,
    double SharePct,
    double MostPct,
    double ProteinKg
)
{
    // Dry matter as harvested, and protein of the dry matter (chitin's nitrogen left out for larvae: N × 4.76), of the table.
    private const double DuckweedDryPct = 6,
        DuckweedProteinPct = 30,
        LarvaeDryPct = 36,
        LarvaeProteinPct = 32;

    private static readonly ILookup<(string, string), Dictionary<string, string>> Table = Csv.Embedded(
            "duckweed_and_insects.csv"
        )
        .Select(r => new Dictionary<string, string>(r))
        .ToLookup(r => (r["item"], r["quantity"]));

    /// <summary>Where the figures come from.</summary>
    public const string Source =
        "Leng 1999; Skillicorn and others 1993; Hassan and Edwards 1992; Dortmans and others 2017; starting values";

    /// <summary>Below this water or air temperature none grows, °C.</summary>
    public static double StopsC(GrownKind kind) => kind == GrownKind.Duckweed ? 10 : 16;

    /// <summary>Works it out.</summary>
    /// <param name="kind">What is grown.</param>
    /// <param name="rationKg">Ration of complete feed a day, kg, at 90 % dry matter.</param>
    /// <param name="sharePct">Share of it to be replaced, percent, 0 to 100.</param>
    /// <param name="carnivore">Whether the fish eat fish.</param>
    public static GrownFeed Of(GrownKind kind, double rationKg, double sharePct, bool carnivore)
    {
        var duckweed = kind == GrownKind.Duckweed;
        var dry = rationKg * MixDemand.LabelDry * sharePct / 100;
        var area = Row(
            duckweed ? "duckweed" : "soldier fly",
            duckweed ? "area for 1 kg dry/day" : "tray area for 1 kg dry/day"
        );
        var most = duckweed
            ? Ingredient.Of("duckweed, dried meal, well fed", carnivore)
            : Ingredient.Of("soldier fly larvae, dried full fat", carnivore);
        return new(
            dry,
            dry * 100 / (duckweed ? DuckweedDryPct : LarvaeDryPct),
            (dry * area.Low, dry * area.Usual, dry * area.High),
            sharePct,
            most.MostPct,
            dry * (duckweed ? DuckweedProteinPct : LarvaeProteinPct) / 100
        );
    }

    /// <summary>Months to market when a share of the ration is weed: from, usual, to. A kilogram of dry weed makes less fish than a kilogram of dry complete feed.</summary>
    /// <param name="months">Months on complete feed alone, above 0.</param>
    /// <param name="fcr">Feed conversion ratio of the complete feed, above 0.</param>
    /// <param name="sharePct">Share of the ration's dry matter that is weed, percent, 0 to 100.</param>
    public static (double Low, double Usual, double High) MonthsOnWeed(double months, double fcr, double sharePct)
    {
        var weed = Row("duckweed", "sole-feed conversion, dry");
        // Never quicker than on complete feed.
        double At(double weedFcr) =>
            months / ((1 - (sharePct / 100)) + (sharePct / 100 * Math.Min(1, fcr * MixDemand.LabelDry / weedFcr)));
        return (At(weed.Low), At(weed.Usual), At(weed.High));
    }

    /// <summary>Days until weed that is eaten faster than it grows is gone; null when it grows as fast.</summary>
    /// <param name="standingKg">Standing now, kg fresh.</param>
    /// <param name="growthKgDay">Growth a day, kg fresh.</param>
    /// <param name="eatenKgDay">Eaten a day, kg fresh.</param>
    public static double? DaysLeft(double standingKg, double growthKgDay, double eatenKgDay) =>
        eatenKgDay > growthKgDay ? standingKg / (eatenKgDay - growthKgDay) : null;

    /// <summary>Growth of a mat, kg fresh a day for its area: from, usual, to.</summary>
    /// <param name="areaM2">Area, m²; 0 or more.</param>
    public static (double Low, double Usual, double High) WeedGrowthKg(double areaM2)
    {
        var g = Row("duckweed", "fresh harvest");
        return (g.Low * areaM2 / 1000, g.Usual * areaM2 / 1000, g.High * areaM2 / 1000);
    }

    private static (double Low, double Usual, double High) Row(string item, string quantity)
    {
        var r = Table[(item, quantity)].First();
        return (N(r["low"]), N(r["start"]), N(r["high"]));
    }

    private static double N(string text) => double.Parse(text, CultureInfo.InvariantCulture);
}
