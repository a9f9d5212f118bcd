namespace Dorsk.Core.Prepare;

/// <summary>Two fertilisers for a wanted nitrogen and phosphate: the first sized on phosphate (on nitrogen when it has none), the second tops nitrogen up.</summary>
/// <param name="AKg">First product, kg.</param>
/// <param name="BKg">Second product, kg.</param>
/// <param name="SurplusNKgHa">Nitrogen that comes with the phosphate beyond what is wanted, kg/ha.</param>
public sealed record Fertiliser(double AKg, double BKg, double SurplusNKgHa)
{
    /// <summary>Phosphorus in phosphate: P = P₂O₅ / 2.2913.</summary>
    public const double P2O5PerP = 2.2913;

    /// <summary>Works one dose out.</summary>
    /// <param name="areaHa">Area, ha.</param>
    /// <param name="nKgHa">Nitrogen wanted, kg/ha.</param>
    /// <param name="p2o5KgHa">Phosphate (P₂O₅, not P) wanted, kg/ha.</param>
    /// <param name="aN">Nitrogen of the first product, percent.</param>
    /// <param name="aP2O5">Phosphate of the first product, percent P₂O₅.</param>
    /// <param name="bN">Nitrogen of the second, percent; 0 when there is none.</param>
    public static Fertiliser Dose(double areaHa, double nKgHa, double p2o5KgHa, double aN, double aP2O5, double bN)
    {
        var a =
            aP2O5 > 0 ? p2o5KgHa / (aP2O5 / 100)
            : aN > 0 ? nKgHa / (aN / 100)
            : 0;
        var fromA = a * aN / 100;
        var b = bN > 0 ? Math.Max(0, nKgHa - fromA) / (bN / 100) : 0;
        return new(a * areaHa, b * areaHa, Math.Max(0, fromA - nKgHa));
    }
}
