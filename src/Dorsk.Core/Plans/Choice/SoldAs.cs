namespace Dorsk.Core.Plans;

/// <summary>The form in which a buyer takes fish.</summary>
public enum SoldAs
{
    /// <summary>Live, at the pond or from a tank.</summary>
    Live,

    /// <summary>Whole on ice.</summary>
    Chilled,

    /// <summary>Gutted on ice.</summary>
    Gutted,

    /// <summary>Whole and frozen.</summary>
    Frozen,

    /// <summary>Fillet, or tails of crustaceans.</summary>
    Fillet,
}

/// <summary>What of a live kilogram can be sold in a form.</summary>
public static class SoldForms
{
    /// <summary>Where the shares come from.</summary>
    public const string Source =
        "Usual yields of the trade: bled and iced 98 %, gutted 88 %, frozen with glaze off 96 %, fillet 38 % of a fish, tails 50 % of a crustacean; starting values, weigh your own";

    /// <summary>Kilograms that can be sold from a live kilogram, above 0 up to 1.</summary>
    /// <param name="form">The form.</param>
    /// <param name="crustacean">Whether it is a crustacean.</param>
    public static double Yield(this SoldAs form, bool crustacean) =>
        form switch
        {
            SoldAs.Chilled => 0.98,
            SoldAs.Gutted => crustacean ? 0.98 : 0.88,
            SoldAs.Frozen => 0.96,
            SoldAs.Fillet => crustacean ? 0.5 : 0.38,
            _ => 1,
        };

    /// <summary>In words.</summary>
    /// <param name="form">The form.</param>
    public static string Word(this SoldAs form) =>
        form switch
        {
            SoldAs.Chilled => "whole on ice",
            SoldAs.Gutted => "gutted on ice",
            SoldAs.Frozen => "whole, frozen",
            SoldAs.Fillet => "fillet or tails",
            _ => "live",
        };
}

/// <summary>A fish in its market: what can be sold, at what price nothing is left, and against which imported price.</summary>
/// <param name="Form">How it is sold.</param>
/// <param name="SellableKgYear">Kilograms sold in a year in that form.</param>
/// <param name="BreakEven">Price of a sold kilogram at which nothing is left, with processing and promotion; null without a harvest.</param>
/// <param name="Imported">Price of an imported kilogram in the same form; null when nobody asked.</param>
public sealed record FishMarket(SoldAs Form, double SellableKgYear, double? BreakEven, double? Imported)
{
    /// <summary>What to do before buyers know the fish; each is work, and costs what was typed for processing and promotion.</summary>
    public static readonly IReadOnlyList<string> TasksOfANewFish =
    [
        "tastings with three cooks or shops before stocking",
        "somebody licensed to gut, fillet and pack, with a price in writing",
        "label, name and recipe card",
        "a stall or delivery round each week of the first year",
    ];

    /// <summary>Works it out.</summary>
    /// <param name="fish">The fish as planned.</param>
    public static FishMarket Of(SpeciesWeighed fish)
    {
        var (c, site) = (fish.Candidate, fish.Site);
        var sold = fish.KgYear * c.Form.Yield(fish.Crustacean);
        return new(
            c.Form,
            sold,
            sold <= 0 || fish.ThresholdPrice is not { } live
                ? null
                : ((live * fish.KgYear) + (c.Known == Had.No ? site.PromotionYear : 0)) / sold
                    + (c.Form == SoldAs.Live ? 0 : site.ProcessingKg),
            c.Imported
        );
    }

    /// <summary>Cost of a year for getting the fish ready for buyers: processing of what is sold, and promotion where it is new.</summary>
    /// <param name="c">The fish.</param>
    /// <param name="site">The site.</param>
    /// <param name="soldKg">Kilograms sold in a year, 0 or more.</param>
    public static double CostYear(SpeciesCandidate c, SpeciesSite site, double soldKg) =>
        (c.Form == SoldAs.Live ? 0 : site.ProcessingKg * soldKg) + (c.Known == Had.No ? site.PromotionYear : 0);
}
