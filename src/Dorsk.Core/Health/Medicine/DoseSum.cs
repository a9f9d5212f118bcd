using Dorsk.Core.Judging;

namespace Dorsk.Core.Health;

/// <summary>What a dose is worked out for.</summary>
/// <param name="VolumeM3">Water now, m³; 0 when not known.</param>
/// <param name="AreaM2">Water surface, m².</param>
/// <param name="BiomassKg">Fish, kg, with their interval; null where none stand.</param>
public sealed record Dosed(double VolumeM3, double AreaM2, Interval? BiomassKg);

/// <summary>Product for one dose, g: for the least of what is dosed and the least of the label up to the most of both.</summary>
/// <param name="LowG">Least dose of the label for the likely amount of water or fish.</param>
/// <param name="HighG">Highest dose of the label for the same.</param>
/// <param name="ForFewG">Highest dose of the label if there are as few kilograms as the interval allows: never more than this.</param>
/// <param name="ForManyG">Least dose of the label if there are as many: less would be too little.</param>
public sealed record DoseGrams(double LowG, double HighG, double ForFewG, double ForManyG);

/// <summary>Arithmetic of doses. Everything is SI: a bath in mg/L is g/m³, whatever was typed.</summary>
public static class DoseSum
{
    /// <summary>Where it comes from.</summary>
    public const string Source = "Arithmetic of the label: dose × water, area or fish ÷ strength";

    /// <summary>Product of one dose, a day's where it is fed; null where what it is dosed by is not known.</summary>
    /// <param name="product">The product.</param>
    /// <param name="dosed">The water and the fish.</param>
    public static DoseGrams? Grams(ProductDescribed product, Dosed dosed)
    {
        var (low, likely, high) = Amount(product, dosed);
        if (!(likely > 0))
            return null;
        double G(double dose, double amount) => dose * amount * GramsPer(product) / product.Strength;
        return new(
            G(product.DoseLow, likely),
            G(product.DoseHigh, likely),
            G(product.DoseHigh, low),
            G(product.DoseLow, high)
        );
    }

    /// <summary>The dose that an amount comes to, of active matter in the unit of the basis; null where what it is dosed by is not known.</summary>
    /// <param name="product">The product.</param>
    /// <param name="grams">Product, g, for one dose or one day.</param>
    /// <param name="dosed">The water and the fish.</param>
    public static double? DoseOf(ProductDescribed product, double grams, Dosed dosed) =>
        Amount(product, dosed).Likely is > 0 and var amount
            ? grams * product.Strength / GramsPer(product) / amount
            : null;

    /// <summary>Product to mix into a kilogram of feed, g: the day's grams by the day's ration.</summary>
    /// <param name="dayG">Product a day, g; 0 or more.</param>
    /// <param name="rationKg">Feed a day, kg; above 0.</param>
    public static double GramsPerKgFeed(double dayG, double rationKg) => dayG / rationKg;

    /// <summary>The same amount in millilitres; null for what is no liquid.</summary>
    /// <param name="product">The product.</param>
    /// <param name="grams">Product, g.</param>
    public static double? Millilitres(ProductDescribed product, double grams) =>
        product.DensityGMl is { } density ? grams / density : null;

    /// <summary>The same amount in packs; null where nobody said what one holds.</summary>
    /// <param name="product">The product.</param>
    /// <param name="grams">Product, g.</param>
    public static double? Packs(ProductDescribed product, double grams) =>
        product.PackG is { } pack ? grams / pack : null;

    /// <summary>What a typed amount is likely to have been meant as, when it misses the label by a tenfold, a thousandfold or a pound or gallon; null when no unit explains it.</summary>
    /// <param name="times">The dose by the label's middle dose; above 0.</param>
    public static string? LikelySlip(double times)
    {
        foreach (var (factor, words) in Slips)
            if (Near(times, factor) || Near(times, 1 / factor))
                return words;
        return null;
    }

    // Wide enough for a label's range, narrow enough that the factors stay apart.
    private const double Around = 1.8;

    private static readonly (double Factor, string Words)[] Slips =
    [
        (1000, "a thousandfold: grams for kilograms, or millilitres for litres"),
        (100, "a hundredfold: per cent for a share"),
        (10, "tenfold: a point in the wrong place"),
        (28.35, "ounces for grams"),
        (264, "gallons for cubic metres"),
        (3.785, "gallons for litres"),
    ];

    private static bool Near(double times, double factor) => times > factor / Around && times < factor * Around;

    private static (double Low, double Likely, double High) Amount(ProductDescribed product, Dosed dosed) =>
        product.Basis switch
        {
            DoseBasis.WaterMgL => (dosed.VolumeM3, dosed.VolumeM3, dosed.VolumeM3),
            DoseBasis.AreaGM2 => (dosed.AreaM2, dosed.AreaM2, dosed.AreaM2),
            _ => dosed.BiomassKg is { } kg ? (kg.Low, kg.Value, kg.High) : (0, 0, 0),
        };

    // mg/L × m³ is grams; g/m² × m² is grams; mg/kg × kg is milligrams; units by units a gram are grams.
    private static double GramsPer(ProductDescribed product) => product.Basis == DoseBasis.FeedMgKg ? 0.001 : 1;
}
