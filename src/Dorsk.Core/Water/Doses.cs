namespace Dorsk.Core.Water;

/// <summary>A salt that brings chloride.</summary>
/// <param name="Name">Plain name.</param>
/// <param name="Formula">Formula.</param>
/// <param name="ChlorideShare">Chloride by mass, 0 to 1.</param>
public sealed record ChlorideSalt(string Name, string Formula, double ChlorideShare)
{
    /// <summary>All of them.</summary>
    public static readonly IReadOnlyList<ChlorideSalt> All =
    [
        new("salt", "NaCl", 35.45 / 58.44),
        new("calcium chloride, dry", "CaCl2", 2 * 35.45 / 110.978),
        new("calcium chloride dihydrate", "CaCl2.2H2O", 2 * 35.45 / 147.008),
    ];

    /// <summary>A salt by formula, or null.</summary>
    public static ChlorideSalt? Find(string formula) => All.FirstOrDefault(s => s.Formula == formula);
}

/// <summary>A dose as it is given: product in all, and in how many daily steps.</summary>
/// <param name="GM3">Product in all, g/m³.</param>
/// <param name="Kg">Product in all, kg.</param>
/// <param name="Days">Daily steps; 0 when nothing is needed.</param>
/// <param name="StepKg">Product a day, kg.</param>
public sealed record Dose(double GM3, double Kg, int Days, double StepKg);

/// <summary>Doses by stoichiometry: no carbon dioxide taken up or lost, all of it dissolved.</summary>
public static class Doses
{
    /// <summary>Product for a wanted alkalinity, g/m³; 0 when it is there already.</summary>
    /// <param name="product">The product.</param>
    /// <param name="purityPct">Its purity or neutralising value against the pure product, percent.</param>
    /// <param name="nowMgL">Alkalinity now, mg/L as CaCO₃.</param>
    /// <param name="wantedMgL">Wanted, mg/L as CaCO₃.</param>
    public static double AlkalinityGM3(AlkalinityProduct product, double purityPct, double nowMgL, double wantedMgL) =>
        Math.Max(0, wantedMgL - nowMgL) * product.GPerM3PerMgL / (purityPct / 100);

    /// <summary>Chloride to add against nitrite, mg/L: ratio × nitrite-N less what is there.</summary>
    /// <param name="nitriteNMgL">Nitrite, mg N/L; 0 or more.</param>
    /// <param name="ratio">Chloride wanted by nitrite nitrogen; usually 6 to 20.</param>
    /// <param name="chlorideNowMgL">Chloride there, mg/L; 0 or more.</param>
    public static double ChlorideToAddMgL(double nitriteNMgL, double ratio, double chlorideNowMgL) =>
        Math.Max(0, (ratio * nitriteNMgL) - chlorideNowMgL);

    /// <summary>Salt that fresh-water fish bear as one step, g/m³: about 1 ppt.</summary>
    public const double SaltStepGM3 = 1000;

    /// <summary>Salt for a chloride, g/m³.</summary>
    /// <param name="salt">The salt.</param>
    /// <param name="purityPct">Its purity, percent; above 0.</param>
    /// <param name="chlorideMgL">Chloride to add, mg/L; 0 or more.</param>
    public static double SaltGM3(ChlorideSalt salt, double purityPct, double chlorideMgL) =>
        chlorideMgL / salt.ChlorideShare / (purityPct / 100);

    /// <summary>Carbon source that lets bacteria take up 1 g of ammonia nitrogen, g (Avnimelech 1999): C:N of microbes by efficiency and carbon share.</summary>
    /// <param name="microbeCn">C:N of microbes by mass, about 4.</param>
    /// <param name="efficiency">Share of the carbon built in, about 0.4.</param>
    /// <param name="carbonShare">Carbon in the source by mass: molasses about 0.3, flour and sugar 0.4 to 0.42.</param>
    public static double CarbonSourcePerTanN(double microbeCn, double efficiency, double carbonShare) =>
        microbeCn / (efficiency * carbonShare);

    /// <summary>Ammonia nitrogen that a feed leaves in the water, kg/day: 0.155 × protein × feed × share excreted.</summary>
    /// <param name="feedKgDay">Feed a day, kg; 0 or more.</param>
    /// <param name="proteinPct">Protein in it, percent.</param>
    /// <param name="excretedPct">Share of its nitrogen that is excreted, percent.</param>
    public static double TanFromFeedKgDay(double feedKgDay, double proteinPct, double excretedPct) =>
        0.155 * proteinPct / 100 * feedKgDay * excretedPct / 100;

    /// <summary>Parts a dose into daily steps no larger than the water with fish bears.</summary>
    /// <param name="gM3">The whole dose, g/m³.</param>
    /// <param name="stepGM3">Largest step, g/m³, or null for any.</param>
    /// <param name="volumeM3">Water volume, m³.</param>
    public static Dose InSteps(double gM3, double? stepGM3, double volumeM3)
    {
        var days =
            gM3 <= 0 ? 0
            : stepGM3 is > 0 and { } step ? (int)Math.Ceiling(Math.Round(gM3 / step, 9))
            : 1;
        var kg = gM3 * volumeM3 / 1000;
        return new(gM3, kg, days, days == 0 ? 0 : kg / days);
    }
}
