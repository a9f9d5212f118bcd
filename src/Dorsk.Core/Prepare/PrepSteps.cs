using Dorsk.Core.Judging;
using Dorsk.Core.Ponds;
using Dorsk.Core.Units;

namespace Dorsk.Core.Prepare;

/// <summary>What preparation must know of the pond itself.</summary>
/// <param name="Kind">Kind of pond.</param>
/// <param name="AreaM2">Water surface when full, m².</param>
/// <param name="VolumeM3">Volume when full, m³.</param>
/// <param name="PumpM3H">Its pump, m³/h, or null.</param>
/// <param name="PumpKW">What the pump draws, kW, or null.</param>
public sealed record PrepPond(PondKind Kind, double AreaM2, double VolumeM3, double? PumpM3H, double? PumpKW)
{
    /// <summary>Whether its bottom is soil.</summary>
    public bool Earthen => Kind is PondKind.Earthen or PondKind.Split;

    /// <summary>Hours of pumping until it is full, or null without a pump.</summary>
    public double? FillHours => PumpM3H is > 0 and { } flow ? VolumeM3 / flow : null;
}

/// <summary>The steps of a preparation by the chosen schools, with amounts for this pond. Waiting times are starting values of the trade.</summary>
public static class PrepSteps
{
    /// <summary>Where steps and waiting times come from.</summary>
    public const string Source =
        "Trade practice after Boyd and Tucker 1998: drying 5 to 14 days, a week after lime, three days' stand, food ten days to a fortnight after the first dose; starting values";

    private const double MealFirstKgHa = 225,
        MealWeeklyKgHa = 75,
        ManureKgHa = 490,
        DoseKgHa = 8,
        DapN = 18,
        DapP2O5 = 46,
        UreaN = 46;
    private const int Doses = 6,
        LimeToStockDays = 7,
        StandDays = 3,
        CoverDays = 7,
        LeakDays = 3,
        MineralDays = 10,
        MealDays = 14,
        ManureDays = 7;

    /// <summary>Steps in their order.</summary>
    /// <param name="plan">The chosen schools.</param>
    /// <param name="pond">The pond.</param>
    public static IReadOnlyList<PrepStep> For(PreparationPlanned plan, PrepPond pond) =>
        pond.Kind is PondKind.Cage or PondKind.Hapa ? Net()
        : pond.Earthen ? Earthen(plan, pond)
        : Hard(pond, plan.Prices);

    private static List<PrepStep> Earthen(PreparationPlanned plan, PrepPond pond)
    {
        var steps = new List<PrepStep>
        {
            New(
                "drain",
                PondWork.Drained,
                "Drain, and catch every fish left",
                "wild fish, eels and crabs eat fingerlings; a screen on the drain keeps them in sight",
                "Keep the screen clear: a blocked one bursts. Nobody alone in deep mud.",
                None
            ),
        };
        string Last() => steps[^1].Key;
        if (plan.DryDays > 0)
            steps.Add(
                New(
                    "dry",
                    PondWork.DriedOut,
                    "Bottom dry and cracked",
                    $"{plan.DryDays} days of drying: air burns up old mud and kills eggs and germs",
                    "",
                    None,
                    (Last(), plan.DryDays)
                )
            );
        steps.Add(
            New(
                "bottom",
                PondWork.BottomMended,
                "Take out mud, leaves and timber; plug holes, mend banks, smooth the floor to the drain",
                "mud and rotting matter take oxygen; holes let eels in and water out",
                "",
                None,
                (Last(), 2)
            )
        );
        if (Lime(plan, pond) is { } lime)
            steps.Add(lime with { After = [(Last(), 1)] });
        steps.Add(
            New(
                "screens",
                PondWork.ScreensFitted,
                "Fit inlet and outlet screens",
                "before the first drop: the inlet brings wild fish and their eggs",
                "",
                None,
                (Last(), 1)
            )
        );
        if (plan.Fertiliser is FertiliserSchool.Meal or FertiliserSchool.Mixed)
            steps.Add(
                New(
                    "meal",
                    PondWork.Fertilised,
                    "Spread meal on the floor",
                    "it feeds the animal plankton that fry eat",
                    "Stop at Secchi 30 cm; it takes oxygen at night.",
                    [Meal(MealFirstKgHa, plan, pond)],
                    (Last(), 1)
                )
            );
        if (plan.Fertiliser == FertiliserSchool.Manure)
            steps.Add(
                New(
                    "manure",
                    PondWork.Manured,
                    "Spread dry poultry manure thinly on the dry floor",
                    "it feeds the animal plankton; never in heaps, never with fish in the pond",
                    "Germs: gloves, wash, no open cuts, none near harvest; never human waste. Some places forbid it, and buyers ask.",
                    [Manure(plan, pond)],
                    (Last(), 1)
                )
            );
        steps.Add(
            New(
                "filling",
                PondWork.Filling,
                "Let the first water in, about a third",
                steps[^1].Key == "manure"
                    ? $"{ManureDays} days after the manure: flooded fresh it takes all oxygen"
                    : "tested for leaks before it is full; a poison needs less of itself",
                "",
                None,
                (Last(), steps[^1].Key == "manure" ? ManureDays : 1)
            )
        );
        steps.Add(
            New(
                "leak",
                PondWork.HeldWater,
                "Leak test: mark the level, read it again",
                $"{LeakDays} days at part fill; under 5 mm a day after rain and evaporation is tight",
                "",
                None,
                (Last(), LeakDays)
            )
        );
        if (plan.Pests == PestSchool.Poison)
        {
            steps.Add(
                New(
                    "poison",
                    PondWork.PestTreated,
                    "Treat against wild fish, by the label",
                    "only a product licensed here, by a person licensed for it; write down which one",
                    "Follow its label and local rules. Gloves, mask, no outflow. It harms people and wild water.",
                    [Poison(plan, pond)],
                    (Last(), 1)
                )
            );
            steps.Add(
                New(
                    "bioassay",
                    PondWork.BioassayPassed,
                    "A few fish live two days in a net in it",
                    $"{plan.PoisonDays} days after the treatment, by the label: the poison is gone only when fish say so",
                    "",
                    None,
                    (Last(), plan.PoisonDays)
                )
            );
        }
        steps.Add(
            New(
                "full",
                PondWork.Filled,
                "Fill to the full depth",
                pond.FillHours is { } h
                    ? FormattableString.Invariant($"{h:0} hours of pumping; fry ponds rise in stages with their food")
                    : "in stages for fry, as their food grows",
                "",
                Pumping(plan.Prices, pond),
                (Last(), Math.Max(1, (int)Math.Ceiling((pond.FillHours ?? 48) / 24)))
            )
        );
        var doses = Series(plan, pond, Last());
        steps.AddRange(doses);
        if (plan.Cover)
            steps.Add(
                New(
                    "cover",
                    PondWork.CoverOpened,
                    "Open the floating plants and run air",
                    "a full cover shuts out light and starves the water of oxygen",
                    "",
                    None,
                    ("full", 1)
                )
            );
        steps.Add(
            New(
                "nowild",
                PondWork.NoWildFish,
                "Look for wild fish, eggs and tadpoles",
                "a small seine round the edge by torchlight",
                "",
                None,
                ("full", 1)
            )
        );
        var food =
            doses.Count > 0 && plan.Fertiliser is FertiliserSchool.Mineral or FertiliserSchool.Manure
                ? (doses[0].Key, MineralDays)
            : plan.Fertiliser is FertiliserSchool.Meal or FertiliserSchool.Mixed ? ("meal", MealDays)
            : ("full", 1);
        (string, int)[] ready =
        [
            ("full", StandDays),
            ("nowild", 1),
            food,
            .. steps.Any(s => s.Key == "lime") ? new[] { ("lime", LimeToStockDays) } : [],
            .. plan.Cover ? new[] { ("cover", CoverDays) } : [],
        ];
        return [.. steps, .. End(ready)];
    }

    private static List<PrepStep> Hard(PrepPond pond, PreparationPrices prices) =>
        [
            New(
                "drain",
                PondWork.Drained,
                "Drain, and catch every fish left",
                "",
                "Keep the screen clear: a blocked one bursts.",
                None
            ),
            New(
                "wash",
                PondWork.LinerWashed,
                "Wash with plain water under pressure, no soap",
                "slime carries germs over to the next fish; soap kills them",
                "Wet liners are slippery.",
                None,
                ("drain", 1)
            ),
            New(
                "mend",
                PondWork.BottomMended,
                "Look for holes and cracks, mend them; leave some water on an idle liner",
                "sun ruins a dry liner",
                "",
                None,
                ("wash", 1)
            ),
            New(
                "screens",
                PondWork.ScreensFitted,
                "Fit inlet and outlet screens",
                "finer than the smallest fish",
                "",
                None,
                ("wash", 1)
            ),
            New(
                "full",
                PondWork.Filled,
                "Fill, and start the air",
                pond.FillHours is { } h
                    ? FormattableString.Invariant(
                        $"{h:0.#} hours of pumping; chlorine in town water must be taken out first"
                    )
                    : "chlorine in town water must be taken out first",
                "",
                Pumping(prices, pond),
                ("mend", 1),
                ("screens", 1)
            ),
            .. End([("full", StandDays)]),
        ];

    private static List<PrepStep> Net() =>
        [
            New(
                "wash",
                PondWork.LinerWashed,
                "Take the net out, brush it, dry it in the sun",
                "fouling shuts the mesh and carries germs",
                "",
                None
            ),
            New(
                "mend",
                PondWork.BottomMended,
                "Mend every hole, check ropes, floats and the cover net",
                "one hole empties a cage",
                "",
                None,
                ("wash", 2)
            ),
            New("full", PondWork.Filled, "Hang it, and let it settle", "", "", None, ("mend", 1)),
            .. End([("full", 1)]),
        ];

    private static IEnumerable<PrepStep> End((string, int)[] after) =>
        [
            New(
                "ready",
                PondWork.DeclaredReady,
                "Check every condition, then declare it ready",
                "two good mornings of oxygen, pH, ammonia, temperature",
                "",
                None,
                after
            ),
            New(PrepPlan.Stock, PondWork.DeclaredReady, "Stock", "", "", None, ("ready", 1)),
        ];

    private static PrepStep? Lime(PreparationPlanned plan, PrepPond pond)
    {
        var need = plan.Lime switch
        {
            LimeSchool.BySoil => LimeNeed.BySoil(plan.MudPh!.Value, plan.Texture, pond.AreaM2, plan.LimeValuePct),
            LimeSchool.ByAlkalinity => LimeNeed.ByAlkalinity(plan.AlkalinityMgL!.Value, pond.AreaM2, plan.LimeValuePct),
            LimeSchool.Disinfect => LimeNeed.Disinfect(pond.AreaM2),
            _ => null,
        };
        return need is not { Kg: > 0 }
            ? null
            : New(
                "lime",
                PondWork.Limed,
                plan.Lime == LimeSchool.Disinfect
                    ? "Spread quick lime on the wet floor"
                    : "Spread limestone evenly over the floor",
                $"{LimeToStockDays} days and pH under 8.5 before fish; never with ammonium fertiliser",
                "Goggles, mask, upwind. " + need.Caution,
                [
                    new(
                        plan.Lime == LimeSchool.Disinfect ? "quick lime" : "agricultural limestone",
                        need.Kg,
                        plan.Prices.BagKg,
                        plan.Prices.LimeBag,
                        need.Why
                    ),
                ]
            );
    }

    // First with the full water, five more at weekly steps; each held against the brake on its morning.
    private static List<PrepStep> Series(PreparationPlanned plan, PrepPond pond, string after)
    {
        if (plan.Fertiliser == FertiliserSchool.None)
            return [];
        var start = plan.Fertiliser == FertiliserSchool.Meal ? 2 : 1;
        return Enumerable
            .Range(start, Doses + 1 - start)
            .Select(i =>
                New(
                    FormattableString.Invariant($"dose-{i}"),
                    PondWork.Fertilised,
                    FormattableString.Invariant($"Fertilise, dose {i} of {Doses}"),
                    "weekly, only if the morning's brake lets it: Secchi, dawn oxygen, temperature, pH",
                    "Dissolve it first; gloves. Not with fresh lime.",
                    plan.Fertiliser == FertiliserSchool.Meal ? [Meal(MealWeeklyKgHa, plan, pond)] : Mineral(plan, pond),
                    i == start ? (after, start == 1 ? 0 : 7) : (FormattableString.Invariant($"dose-{i - 1}"), 7)
                )
            )
            .ToList();
    }

    private static Supply[] Mineral(PreparationPlanned plan, PrepPond pond)
    {
        var dose = Fertiliser.Dose(pond.AreaM2 / 10_000, DoseKgHa, DoseKgHa, DapN, DapP2O5, UreaN);
        var why = Grounds.Of(
            "Sized on phosphate with diammonium phosphate 18-46-0, nitrogen topped up with urea 46-0-0. Other bags: the fertiliser calculator.",
            "8 kg N and 8 kg P₂O₅ per hectare and dose, Boyd 1990; starting value",
            new Input("nitrogen", DoseKgHa, Measures.AreaLoad, "starting value"),
            new Input("phosphate", DoseKgHa, Measures.AreaLoad, "starting value"),
            new Input("area", pond.AreaM2, Measures.Area, "pond register")
        );
        return
        [
            new("diammonium phosphate 18-46-0", dose.AKg, plan.Prices.BagKg, plan.Prices.FertiliserBag, why),
            new("urea 46-0-0", dose.BKg, plan.Prices.BagKg, plan.Prices.FertiliserBag, why),
        ];
    }

    private static Supply Meal(double kgHa, PreparationPlanned plan, PrepPond pond) =>
        new(
            "alfalfa or cottonseed meal",
            kgHa * pond.AreaM2 / 10_000,
            plan.Prices.BagKg,
            plan.Prices.MealBag,
            Grounds.Of(
                "Meal over the pond's area.",
                "200 to 250 kg/ha at filling, 50 to 100 a week in fry ponds; starting values",
                new Input("meal", kgHa, Measures.AreaLoad, "starting value"),
                new Input("area", pond.AreaM2, Measures.Area, "pond register")
            )
        );

    private static Supply Manure(PreparationPlanned plan, PrepPond pond) =>
        new(
            "dry poultry manure",
            ManureKgHa * pond.AreaM2 / 10_000,
            plan.Prices.BagKg,
            plan.Prices.MealBag,
            Grounds.Of(
                "A fortnight of dry matter over the pond's area, once. More is given only by Secchi and dawn oxygen.",
                "20 to 50 kg of dry matter a hectare and day (Schroeder 1980; Egna and Boyd 1997), here 35; starting value",
                new Input("manure", ManureKgHa, Measures.AreaLoad, "starting value"),
                new Input("area", pond.AreaM2, Measures.Area, "pond register")
            )
        );

    private static Supply Poison(PreparationPlanned plan, PrepPond pond) =>
        new(
            "fish poison licensed here",
            plan.PoisonGM3 * pond.VolumeM3 / 3 / 1000,
            null,
            null,
            Grounds.Of(
                "The label's figure over the water of the part-filled pond, about a third of the full volume. Work it out again from the gauge on the day.",
                "The label",
                new Input("label, g/m³", plan.PoisonGM3, Measures.Plain, "typed"),
                new Input("water, a third of", pond.VolumeM3, Measures.Volume, "pond register")
            )
        );

    private static Supply[] Pumping(PreparationPrices prices, PrepPond pond) =>
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

    private static readonly Supply[] None = [];

    private static PrepStep New(
        string key,
        PondWork work,
        string what,
        string reason,
        string caution,
        Supply[] supplies,
        params (string Key, int Days)[] after
    ) => new(key, work, what, reason, caution, supplies, after);
}
