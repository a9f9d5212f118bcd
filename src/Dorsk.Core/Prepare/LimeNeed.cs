using System.Globalization;
using Dorsk.Core.Judging;
using Dorsk.Core.Species;
using Dorsk.Core.Units;

namespace Dorsk.Core.Prepare;

/// <summary>Texture of the bottom.</summary>
public enum SoilTexture
{
    /// <summary>Heavy loam or clay.</summary>
    HeavyLoamOrClay,

    /// <summary>Sandy loam.</summary>
    SandyLoam,

    /// <summary>Sand.</summary>
    Sand,
}

/// <summary>Lime for a pond's bottom.</summary>
/// <param name="Kg">Product, kg.</param>
/// <param name="Why">Its grounds.</param>
/// <param name="Caution">What the figure needs beside it; may be empty.</param>
public sealed record LimeNeed(double Kg, Grounds Why, string Caution)
{
    /// <summary>Quick lime that kills germs and pests on a wet bottom, kg/ha: starting value.</summary>
    public const double DisinfectKgHa = 1500;

    /// <summary>Mud pH under which an acid-sulphate soil is likely.</summary>
    public const double AcidSulphatePh = 4;

    private static readonly IReadOnlyList<IReadOnlyDictionary<string, string>> Soil = Csv.Embedded(
        "lime_requirement_soil.csv"
    );
    private static readonly IReadOnlyList<IReadOnlyDictionary<string, string>> Water = Csv.Embedded(
        "lime_by_alkalinity.csv"
    );

    /// <summary>Agricultural limestone by the pH and texture of the mud (Boyd 1990).</summary>
    /// <param name="mudPh">pH of the mud, 0 to 14.</param>
    /// <param name="texture">Texture.</param>
    /// <param name="areaM2">Bottom, taken as the water surface, m².</param>
    /// <param name="valuePct">Neutralising value times fineness, percent of pure fine limestone.</param>
    public static LimeNeed BySoil(double mudPh, SoilTexture texture, double areaM2, double valuePct)
    {
        var row = Soil.First(r =>
            mudPh >= N(r, "mud_ph_from") && (mudPh < N(r, "mud_ph_below") || N(r, "mud_ph_below") >= 14)
        );
        var kgHa = N(
            row,
            texture switch
            {
                SoilTexture.HeavyLoamOrClay => "heavy_clay_loam_kg_ha",
                SoilTexture.SandyLoam => "sandy_loam_kg_ha",
                _ => "sand_kg_ha",
            }
        );
        return Of(
            kgHa,
            areaM2,
            valuePct,
            "Limestone for this pH and texture of the mud, by the table, over the pond's area, by the neutralising value and fineness of the bag.",
            "Boyd 1990, lime requirement of pond muds; starting value",
            row["caution"],
            new Input("pH of the mud", mudPh, Measures.Ph, "typed"),
            Input.Said("texture", Words(texture), "typed")
        );
    }

    /// <summary>Agricultural limestone by the alkalinity of the water.</summary>
    /// <param name="alkalinityMgL">Alkalinity, mg/L as CaCO₃.</param>
    /// <param name="areaM2">Water surface, m².</param>
    /// <param name="valuePct">Neutralising value times fineness, percent.</param>
    public static LimeNeed ByAlkalinity(double alkalinityMgL, double areaM2, double valuePct)
    {
        var row = Water.First(r =>
            alkalinityMgL < N(r, "alkalinity_below_mg_l") || N(r, "alkalinity_below_mg_l") >= 1000
        );
        return Of(
            N(row, "limestone_start_kg_ha"),
            areaM2,
            valuePct,
            "Limestone for this alkalinity of the water, by the table. It dissolves slowly and no further over about 50 mg/L. Measure again after four weeks.",
            "Boyd and Tucker 1998; starting value of medium confidence",
            row["note"],
            new Input("alkalinity", alkalinityMgL, Measures.CoarseConcentration, "typed or last reading")
        );
    }

    /// <summary>Quick lime against germs and pests on the wet, empty bottom.</summary>
    /// <param name="areaM2">Bottom, m².</param>
    public static LimeNeed Disinfect(double areaM2) =>
        Of(
            DisinfectKgHa,
            areaM2,
            100,
            "Quick lime over the wet, empty bottom and into every puddle; of hydrated lime 1.32 times as much.",
            "Trade: 1,000 to 2,000 kg CaO per hectare; starting value",
            "Caustic: goggles, mask, gloves, upwind, no animals near. Boils with water. Wait seven days and until pH is under 8.5."
        );

    /// <summary>Lime by the farm's own rule.</summary>
    /// <param name="kgHa">Product for a hectare, kg; above 0.</param>
    /// <param name="areaM2">Bottom, m².</param>
    /// <param name="known">Whose rule it is.</param>
    public static LimeNeed ByOwnRule(double kgHa, double areaM2, string known) =>
        Of(
            kgHa,
            areaM2,
            100,
            "The farm's own figure over the pond's area, as product: no table is mixed in.",
            known,
            "",
            new Input("lime", kgHa, Measures.AreaLoad, known)
        );

    /// <summary>The texture in words.</summary>
    public static string Words(SoilTexture texture) =>
        texture switch
        {
            SoilTexture.HeavyLoamOrClay => "heavy loam or clay",
            SoilTexture.SandyLoam => "sandy loam",
            _ => "sand",
        };

    private static LimeNeed Of(
        double kgHa,
        double areaM2,
        double valuePct,
        string method,
        string source,
        string caution,
        params Input[] inputs
    ) =>
        new(
            kgHa * areaM2 / 10_000 / (valuePct / 100),
            Grounds.Of(
                method,
                source,
                [
                    .. inputs,
                    new Input("by the table", kgHa, Measures.AreaLoad, "starting value"),
                    new Input("area", areaM2, Measures.Area, "pond register"),
                    new Input("neutralising value with fineness", valuePct, Measures.Share, "setting"),
                ]
            ),
            caution
        );

    private static double N(IReadOnlyDictionary<string, string> row, string column) =>
        double.Parse(row[column], CultureInfo.InvariantCulture);
}
