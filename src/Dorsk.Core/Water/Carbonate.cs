namespace Dorsk.Core.Water;

/// <summary>
/// Alkalinity, dissolved inorganic carbon, carbon dioxide and pH of one water. Alkalinity and carbon are kept when waters mix and pH
/// is not, so the pH of a mix is worked out from them. Constants of Cai &amp; Wang 1998 (Limnology and Oceanography 43), salinity 0 to 40,
/// which in fresh water are those of Plummer &amp; Busenberg 1982 within 0.01; water itself after Harned &amp; Owen 1958. Borate, humic and
/// phosphate alkalinity are left out: in pond water they count for little.
/// </summary>
public static class Carbonate
{
    /// <summary>Where the constants come from.</summary>
    public const string Source = "Cai & Wang 1998, Limnology and Oceanography 43; Harned & Owen 1958";

    // mg/L as CaCO₃ that make one milliequivalent a litre; mg of CO₂ and of carbon in a millimole.
    private const double MgPerMeq = 50.04,
        MgCo2PerMmol = 44.01,
        PhLow = 2,
        PhHigh = 13;

    /// <summary>Carbon dioxide, mg/L, from pH and alkalinity.</summary>
    /// <param name="ph">pH, 4 to 11.</param>
    /// <param name="alkalinityMgL">Alkalinity, mg/L as CaCO₃; 0 or more.</param>
    /// <param name="tempC">Water temperature, °C, 0 to 45.</param>
    /// <param name="salinityPpt">Salinity, 0 to 40.</param>
    public static double CarbonDioxideMgL(double ph, double alkalinityMgL, double tempC, double salinityPpt)
    {
        var k = new Constants(tempC, salinityPpt);
        return MgCo2PerMmol * CarbonMmolL(ph, alkalinityMgL, tempC, salinityPpt) * k.Co2Share(H(ph));
    }

    /// <summary>Dissolved inorganic carbon, mmol/L; 0 where the alkalinity is less than that of the water itself at this pH.</summary>
    /// <param name="ph">pH.</param>
    /// <param name="alkalinityMgL">Alkalinity, mg/L as CaCO₃; 0 or more.</param>
    /// <param name="tempC">Water temperature, °C.</param>
    /// <param name="salinityPpt">Salinity, ppt; 0 or more.</param>
    public static double CarbonMmolL(double ph, double alkalinityMgL, double tempC, double salinityPpt)
    {
        var (k, h) = (new Constants(tempC, salinityPpt), H(ph));
        return Math.Max(0, ((alkalinityMgL / MgPerMeq) - k.WaterMeqL(h)) / k.ChargePerCarbon(h));
    }

    /// <summary>pH from alkalinity and carbon. For a given carbon, alkalinity rises with pH all the way, so there is one.</summary>
    /// <param name="alkalinityMgL">Alkalinity, mg/L as CaCO₃.</param>
    /// <param name="carbonMmolL">Dissolved inorganic carbon, mmol/L.</param>
    /// <param name="tempC">Water temperature, °C.</param>
    /// <param name="salinityPpt">Salinity, 0 to 40.</param>
    /// <returns>pH between 2 and 13.</returns>
    public static double Ph(double alkalinityMgL, double carbonMmolL, double tempC, double salinityPpt)
    {
        var k = new Constants(tempC, salinityPpt);
        double low = PhLow,
            high = PhHigh,
            wanted = alkalinityMgL / MgPerMeq;
        for (var i = 0; i < 60; i++)
        {
            var h = H((low + high) / 2);
            (low, high) =
                (carbonMmolL * k.ChargePerCarbon(h)) + k.WaterMeqL(h) < wanted
                    ? ((low + high) / 2, high)
                    : (low, (low + high) / 2);
        }
        return (low + high) / 2;
    }

    /// <summary>pH at which a water of this alkalinity holds so much carbon dioxide: what is left once it was stirred.</summary>
    /// <param name="co2MgL">Carbon dioxide, mg/L; above 0.</param>
    /// <param name="alkalinityMgL">Alkalinity, mg/L as CaCO₃.</param>
    /// <param name="tempC">Water temperature, °C.</param>
    /// <param name="salinityPpt">Salinity, 0 to 40.</param>
    public static double PhAt(double co2MgL, double alkalinityMgL, double tempC, double salinityPpt)
    {
        // With less carbon dioxide the pH is higher.
        double low = PhLow,
            high = PhHigh;
        for (var i = 0; i < 60; i++)
            (low, high) =
                CarbonDioxideMgL((low + high) / 2, alkalinityMgL, tempC, salinityPpt) > co2MgL
                    ? ((low + high) / 2, high)
                    : (low, (low + high) / 2);
        return (low + high) / 2;
    }

    private static double H(double ph) => Math.Pow(10, -ph);

    // Both constants of carbonic acid and that of water, mol/L.
    private readonly struct Constants
    {
        private readonly double k1,
            k2,
            kw;

        public Constants(double tempC, double salinityPpt)
        {
            double t = tempC + 273.15,
                root = Math.Sqrt(salinityPpt),
                f1 = (200.1 / t) + 0.3220,
                f2 = (-129.24 / t) + 1.4381;
            k1 = H((3404.71 / t) + (0.032786 * t) - 14.8435 - (0.071692 * f1 * root) + (0.0021487 * salinityPpt));
            k2 = H((2902.39 / t) + (0.02379 * t) - 6.4980 - (0.3191 * f2 * root) + (0.0198 * salinityPpt));
            kw = H((4470.99 / t) - 6.0875 + (0.01706 * t));
        }

        private double Whole(double h) => (h * h) + (k1 * h) + (k1 * k2);

        public double Co2Share(double h) => h * h / Whole(h);

        public double ChargePerCarbon(double h) => ((k1 * h) + (2 * k1 * k2)) / Whole(h);

        public double WaterMeqL(double h) => 1000 * ((kw / h) - h);
    }
}
