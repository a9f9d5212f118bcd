using Dorsk.Core.Units;

namespace Dorsk.Core.Health;

/// <summary>Words of doses.</summary>
public static class DoseWords
{
    /// <summary>Unit of a dose: labels are written in these everywhere.</summary>
    public static string Unit(DoseBasis basis) =>
        basis switch
        {
            DoseBasis.WaterMgL => "mg/L",
            DoseBasis.AreaGM2 => "g/m²",
            DoseBasis.FeedMgKg => "mg/kg of fish a day",
            _ => "IU/kg of fish a day",
        };

    /// <summary>What a kind of product is called.</summary>
    public static string Kind(ProductKind kind) =>
        kind switch
        {
            ProductKind.Parasite => "against parasites or fungus",
            ProductKind.Disinfectant => "oxidiser or disinfectant",
            ProductKind.Algaecide => "algae or weed killer",
            ProductKind.Pesticide => "pest killer or oil film",
            ProductKind.Plant => "plant brew",
            _ => kind.ToString().ToLowerInvariant(),
        };

    /// <summary>An amount of product as the farm weighs.</summary>
    /// <param name="grams">Product, g; 0 or more.</param>
    /// <param name="hand">How figures are printed.</param>
    public static string Amount(double grams, Hand hand) => QuantityText.Write(grams / 1000, Measures.Mass, hand);
}
