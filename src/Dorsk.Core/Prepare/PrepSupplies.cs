using Dorsk.Core.Judging;
using Dorsk.Core.Units;

namespace Dorsk.Core.Prepare;

/// <summary>What steps of a preparation take, with amounts for the pond and their grounds.</summary>
internal static class PrepSupplies
{
    private const double ManureKgHa = 490,
        MealWeekHighKgHa = 100,
        PuddleShare = 0.05,
        DoseKgHa = 8,
        DapN = 18,
        DapP2O5 = 46,
        UreaN = 46;

    public static Supply[] Mineral(PreparationPlanned plan, PrepPond pond)
    {
        var (n, p) = (plan.Own.NitrogenKgHa ?? DoseKgHa, plan.Own.PhosphateKgHa ?? DoseKgHa);
        var dose = Fertiliser.Dose(pond.AreaM2 / 10_000, n, p, DapN, DapP2O5, UreaN);
        var why = Grounds.Of(
            "Sized on phosphate with diammonium phosphate 18-46-0, nitrogen topped up with urea 46-0-0. Other bags: the fertiliser calculator.",
            "8 kg N and 8 kg P₂O₅ per hectare and dose, Boyd 1990; starting value",
            new Input(
                "nitrogen",
                n,
                Measures.AreaLoad,
                plan.Own.NitrogenKgHa is null ? "starting value" : plan.Own.Known
            ),
            new Input(
                "phosphate",
                p,
                Measures.AreaLoad,
                plan.Own.PhosphateKgHa is null ? "starting value" : plan.Own.Known
            ),
            new Input("area", pond.AreaM2, Measures.Area, "pond register")
        );
        return
        [
            new("diammonium phosphate 18-46-0", dose.AKg, plan.Prices.BagKg, plan.Prices.FertiliserBag, why),
            new("urea 46-0-0", dose.BKg, plan.Prices.BagKg, plan.Prices.FertiliserBag, why),
        ];
    }

    /// <summary>Meal over the pond's area.</summary>
    /// <param name="kgHa">Load, kg/ha.</param>
    /// <param name="plan">The chosen ways.</param>
    /// <param name="pond">The pond.</param>
    public static Supply Meal(double kgHa, PreparationPlanned plan, PrepPond pond) =>
        OverArea(
            "alfalfa or cottonseed meal",
            new("meal", kgHa, Measures.AreaLoad, plan.Own.MealKgHa == kgHa ? plan.Own.Known : "starting value"),
            plan,
            pond,
            "Meal over the pond's area.",
            "200 to 250 kg/ha at filling, 50 to 100 a week in fry ponds; starting values",
            plan.Own.MealKgHa == kgHa ? null
                : kgHa > MealWeekHighKgHa ? (200, 250)
                : (50, MealWeekHighKgHa)
        );

    public static Supply Manure(PreparationPlanned plan, PrepPond pond) =>
        OverArea(
            "dry poultry manure",
            new(
                "manure",
                plan.Own.ManureKgHa ?? ManureKgHa,
                Measures.AreaLoad,
                plan.Own.ManureKgHa is null ? "starting value" : plan.Own.Known
            ),
            plan,
            pond,
            "A fortnight of dry matter over the pond's area, once. More is given only by Secchi and dawn oxygen.",
            "20 to 50 kg of dry matter a hectare and day (Schroeder 1980; Egna and Boyd 1997), here 35; starting value",
            plan.Own.ManureKgHa is null ? (280, 700) : null
        );

    private static Supply OverArea(
        string product,
        Input kgHa,
        PreparationPlanned plan,
        PrepPond pond,
        string method,
        string source,
        (double Low, double High)? rangeKgHa
    ) =>
        new(
            product,
            kgHa.Si!.Value * pond.AreaM2 / 10_000,
            plan.Prices.BagKg,
            plan.Prices.MealBag,
            Grounds.Of(method, source, kgHa, new Input("area", pond.AreaM2, Measures.Area, "pond register"))
        )
        {
            Range = rangeKgHa is { } r ? (r.Low * pond.AreaM2 / 10_000, r.High * pond.AreaM2 / 10_000) : null,
        };

    public static Supply Poison(PreparationPlanned plan, PrepPond pond) =>
        new(
            "fish poison licensed here",
            plan.PoisonGM3 * pond.VolumeM3 / 3 / 1000,
            null,
            null,
            Grounds.Of(
                "The label's figure over the water of the part-filled pond, about a third of the full volume. Work it out again from the gauge on the day.",
                "The label",
                new Input("label", plan.PoisonGM3, Measures.Oxygen, "typed; g/m³ and ppm are the same"),
                new Input("water, a third of", pond.VolumeM3, Measures.Volume, "pond register")
            )
        );

    /// <summary>Plant root by its label over the part-filled pond.</summary>
    /// <param name="plan">The chosen ways.</param>
    /// <param name="pond">The pond.</param>
    public static Supply Root(PreparationPlanned plan, PrepPond pond) =>
        Poison(plan, pond) with
        {
            Product = "plant root licensed here, dry",
        };

    /// <summary>Quick lime into puddles: a twentieth of the floor at the rate of a disinfection.</summary>
    /// <param name="plan">The chosen ways.</param>
    /// <param name="pond">The pond.</param>
    public static Supply Puddles(PreparationPlanned plan, PrepPond pond)
    {
        var wet = PuddleShare * pond.AreaM2;
        var need = LimeNeed.Disinfect(wet);
        return new("quick lime", need.Kg, plan.Prices.BagKg, plan.Prices.LimeBag, need.Why);
    }

    public static Supply[] Pumping(PreparationPrices prices, PrepPond pond) =>
        pond.FillHours is { } hours && pond.PumpKW is { } kw ? [Current(prices, hours, kw)] : [];

    private static Supply Current(PreparationPrices prices, double hours, double kw) =>
        new(
            "electricity for filling",
            hours * kw,
            1,
            prices.KWh,
            Grounds.Of(
                "Volume by the pump's flow, times what it draws.",
                "Pond register",
                new Input("hours", hours, Measures.Plain, "worked out"),
                new Input("draws", kw, Measures.Power, "equipment")
            ),
            IsEnergy: true
        );
}
