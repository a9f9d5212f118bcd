using Dorsk.Core.Health;

namespace Dorsk.Practice;

/// <summary>Products in the demo farm's cupboard: made up, with labels such as the trade has.</summary>
internal static class DemoProducts
{
    public static IReadOnlyList<ProductDescribed> All { get; } =
    [
        new(0, "Pond salt", ProductKind.Salt, "sodium chloride", ActiveMatter.Other, 1, DoseBasis.WaterMgL, 500, 5000)
        {
            BathMinutes = 30,
            PackG = 25_000,
            How = "dissolved in a tub of this water, poured in along the inlet",
        },
        new(
            0,
            "Pond bacteria",
            ProductKind.Probiotic,
            "bacillus spores",
            ActiveMatter.Other,
            1,
            DoseBasis.WaterMgL,
            0.2,
            1
        )
        {
            PackG = 1000,
            How = "steeped for an hour in warm pond water, spread over the surface in the morning",
        },
        new(
            0,
            "Fluke premix",
            ProductKind.Parasite,
            "praziquantel",
            ActiveMatter.Other,
            0.5,
            DoseBasis.FeedMgKg,
            40,
            60
        )
        {
            FeedDays = 3,
            WithdrawalDegreeDays = 500,
            NeedsVet = true,
            PackG = 500,
            How = "mixed into the day's feed with a little oil",
        },
        new(
            0,
            "Formalin 37",
            ProductKind.Parasite,
            "formaldehyde",
            ActiveMatter.Formalin,
            0.37,
            DoseBasis.WaterMgL,
            15,
            25
        )
        {
            WithdrawalDays = 1,
            NeedsVet = true,
            PackG = 5450,
            DensityGMl = 1.09,
            How = "diluted a hundredfold, spread with the wind from behind",
        },
        new(
            0,
            "Bluestone",
            ProductKind.Algaecide,
            "copper, as sulphate",
            ActiveMatter.Copper,
            0.25,
            DoseBasis.WaterMgL,
            0.2,
            0.5
        )
        {
            PackG = 25_000,
            How = "dissolved in a plastic tub, spread over a quarter of the pond a day",
        },
        new(
            0,
            "Oxytet premix",
            ProductKind.Antibiotic,
            "oxytetracycline",
            ActiveMatter.Other,
            0.4,
            DoseBasis.FeedMgKg,
            55,
            80
        )
        {
            FeedDays = 10,
            WithdrawalDegreeDays = 500,
            NeedsVet = true,
            PackG = 1000,
            How = "mixed into the day's feed with a little oil",
        },
    ];
}
