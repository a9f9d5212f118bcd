namespace Dorsk.Core.Water;

/// <summary>
/// The poisonous share of total ammonia. Fresh water (S ≤ 0.5 ppt): Emerson and others 1975; saline (S ≥ 5): Hampson 1977;
/// between them the weight passes from one form to the other straight with salinity.
/// </summary>
public static class UnionisedAmmonia
{
    private const double FreshToPpt = 0.5;
    private const double SalineFromPpt = 5;

    /// <summary>Where the method comes from.</summary>
    public const string Source = "Emerson and others 1975, J. Fish. Res. Board Can. 32; Hampson 1977 for salt water";

    /// <summary>Share of total ammonia that is NH₃, 0 to 1.</summary>
    /// <param name="tempC">Water temperature, 0–50 °C.</param>
    /// <param name="ph">pH (NBS scale).</param>
    /// <param name="salinityPpt">Salinity, ppt.</param>
    public static double Share(double tempC, double ph, double salinityPpt = 0) =>
        1 / (1 + Math.Pow(10, PKa(tempC, salinityPpt) - ph));

    /// <summary>Un-ionised ammonia, mg NH₃-N/L.</summary>
    /// <param name="tanMgL">Total ammonia as nitrogen, mg N/L.</param>
    /// <param name="tempC">Water temperature, °C.</param>
    /// <param name="ph">pH at the same hour: the same TAN can be 30 times worse in the afternoon.</param>
    /// <param name="salinityPpt">Salinity, ppt.</param>
    public static double MgNL(double tanMgL, double tempC, double ph, double salinityPpt = 0) =>
        tanMgL * Share(tempC, ph, salinityPpt);

    /// <summary>Acid constant of ammonium.</summary>
    /// <param name="tempC">Water temperature, °C.</param>
    /// <param name="salinityPpt">Salinity, ppt; 0 or more.</param>
    public static double PKa(double tempC, double salinityPpt)
    {
        var fresh = 0.09018 + (2729.92 / (tempC + 273.15));
        if (salinityPpt <= FreshToPpt)
            return fresh;
        var saline = SalinePKa(tempC, salinityPpt);
        if (salinityPpt >= SalineFromPpt)
            return saline;
        return fresh + ((saline - fresh) * (salinityPpt - FreshToPpt) / (SalineFromPpt - FreshToPpt));
    }

    private static double SalinePKa(double tempC, double salinityPpt)
    {
        var k = tempC + 273.15;
        var ionic = 19.9273 * salinityPpt / (1000 - (1.005109 * salinityPpt));
        return 9.245 + (0.116 * ionic) + (0.0324 * (298 - k)) + (0.0415 / k);
    }
}
