using Dorsk.Core.Ponds;
using Dorsk.Core.Units;
using static Dorsk.Core.Prepare.PrepSteps;

namespace Dorsk.Core.Prepare;

/// <summary>The steps of a pond with a bottom of soil: bottom, first food, water, pests, doses, last looks.</summary>
/// <param name="plan">The chosen schools.</param>
/// <param name="pond">The pond.</param>
internal sealed class EarthenSteps(PreparationPlanned plan, PrepPond pond)
{
    private const double MealFirstKgHa = 225,
        MealWeeklyKgHa = 75;
    private const int Doses = 6,
        LimeToStockDays = 7,
        WeekDays = 7,
        CoverDays = 7,
        LeakDays = 3,
        MineralDays = 10,
        MealDays = 14,
        ManureDays = 7;

    private readonly List<PrepStep> steps = [];

    private bool WithMeal => plan.Fertiliser is FertiliserSchool.Meal or FertiliserSchool.Mixed;

    private string Last => steps[^1].Key;

    /// <summary>All steps, each after those it waits for.</summary>
    public IReadOnlyList<PrepStep> InOrder()
    {
        Bottom();
        Screens();
        FirstFood();
        FirstWater();
        if (plan.Pests == PestSchool.Poison)
            AgainstWildFish();
        else if (plan.Pests == PestSchool.PlantRoot)
            WithPlantRoot();
        Fill();
        var doses = Series(Last);
        steps.AddRange(doses);
        LastLooks();
        return [.. steps, .. End(Ready(doses))];
    }

    private void Bottom()
    {
        steps.Add(
            New(
                "drain",
                PondWork.Drained,
                "Drain, and catch every fish left",
                "wild fish, eels and crabs eat fingerlings; a screen on the drain keeps them in sight",
                "Keep the screen clear: a blocked one bursts. Two people with sticks and boots: snakes, eels and crabs sit in old ponds. Nobody alone in deep mud or a drained basin: black mud gives off gas that kills at a breath.",
                None
            )
        );
        if (plan.DryDays > 0)
            Add(
                "dry",
                PondWork.DriedOut,
                "Bottom dry and cracked",
                $"{plan.DryDays} days of drying: air burns up old mud and kills eggs and germs",
                days: plan.DryDays
            );
        Add(
            "bottom",
            PondWork.BottomMended,
            "Take out mud; plug holes, mend banks, smooth the floor to the drain",
            "mud takes oxygen; holes let eels in and water out",
            days: 2
        );
        Debris();
        if (Lime() is { } lime)
            steps.Add(lime with { After = [(Last, 1)] });
    }

    private void Debris()
    {
        Add(
            "debris",
            PondWork.DebrisOut,
            "Take out leaves, timber and bamboo",
            "they rot, colour the water and pull pH down; write down what lay where, and look at pH and colour again two days after filling",
            days: 0
        );
        if (plan.Pests == PestSchool.LimedPuddles)
            Add(
                "puddles",
                PondWork.PestTreated,
                "Quick lime into every puddle that does not dry",
                "kills what survives the drying; the mildest way after drying and screens",
                1,
                "Caustic: goggles, mask, gloves, upwind. Boils with water.",
                PrepSupplies.Puddles(plan, pond)
            );
    }

    private void Screens() =>
        Add(
            "screens",
            PondWork.ScreensFitted,
            "Fit inlet and outlet screens",
            "before the first drop: the inlet brings wild fish and their eggs",
            days: 1
        );

    private void FirstFood()
    {
        if (WithMeal)
            Add(
                "meal",
                PondWork.Fertilised,
                "Spread meal on the floor",
                "it feeds the animal plankton that fry eat",
                1,
                $"Stop at a Secchi depth of {QuantityText.Write(0.3, Measures.ShortLength, pond.Hand)}; it takes oxygen at night.",
                PrepSupplies.Meal(plan.Own.MealKgHa ?? MealFirstKgHa, plan, pond)
            );
        if (plan.Fertiliser == FertiliserSchool.Manure)
            Add(
                "manure",
                PondWork.Manured,
                "Spread dry poultry manure thinly on the dry floor",
                "it feeds the animal plankton; never in heaps, never with fish in the pond",
                1,
                "Germs: gloves, wash, no open cuts, none near harvest; never human waste. Some places forbid it, and buyers ask.",
                PrepSupplies.Manure(plan, pond)
            );
        StartPool();
    }

    private void StartPool()
    {
        if (plan.Own.StartPool)
            Add(
                "pool",
                PondWork.PoolBuilt,
                "Build the starting pool for tiny fry",
                StartingPool.For(pond).Words(pond.Hand),
                1
            );
    }

    private void FirstWater()
    {
        var manured = steps.Exists(s => s.Key == "manure");
        var wait = plan.Own.ManureDays ?? ManureDays;
        Add(
            "filling",
            PondWork.Filling,
            "Let the first water in, about a third",
            manured
                ? $"{wait} days after the manure{(plan.Own.ManureDays is null ? "; some wait 2 or 3" : $", {plan.Own.Known}")}: flooded fresh it takes all oxygen"
                : "tested for leaks before it is full; a poison needs less of itself",
            1
        );
        // The wait counts from the manure, whatever is done between.
        if (manured)
            steps[^1] = steps[^1] with
            {
                After = [.. steps[^1].After.Where(a => a.Key != "manure"), ("manure", Math.Max(1, wait))],
            };
        Add(
            "leak",
            PondWork.HeldWater,
            "Leak test: mark the level, read it again",
            $"{LeakDays} days at part fill; under {QuantityText.Write(0.005, Measures.Seepage, pond.Hand)} after rain and evaporation is tight",
            LeakDays
        );
    }

    private void AgainstWildFish()
    {
        Add(
            "poison",
            PondWork.PestTreated,
            "Treat against wild fish, by the label",
            "only a product licensed here, by a person licensed for it; write down which one",
            1,
            "Follow its label and local rules. Gloves, mask, no outflow, none into drains or drinking water; killed fish are buried, not eaten. Never fuel oil or diesel. Prefer what breaks down within days: what lingers in mud meets the next fish.",
            PrepSupplies.Poison(plan, pond)
        );
        Add(
            "bioassay",
            PondWork.BioassayPassed,
            "A few fish live two days in a net in it",
            $"{plan.PoisonDays} days after the treatment, by the label: the poison is gone only when fish say so",
            plan.PoisonDays
        );
    }

    // Soaked, sprayed, collected, flushed: the pond stays shut to fish until it is flushed and a few fish have lived in it.
    private void WithPlantRoot()
    {
        Add(
            "poison",
            PondWork.PestTreated,
            "Plant root against wild fish: crushed, soaked overnight, sprayed evenly at sunrise",
            "by its label and licence; it breaks down within days in warm water; write down product and lot",
            1,
            "Licensed product and person only. Mask, gloves, no outflow, none into drains or drinking water. Never fuel oil or diesel.",
            PrepSupplies.Root(plan, pond)
        );
        Add(
            "killed",
            PondWork.KilledFishOut,
            "Collect the killed fish and bury them",
            "the same day and the next morning: rotting they take the oxygen; not eaten, not fed",
            1,
            "Gloves; bury away from water."
        );
        Add(
            "flush",
            PondWork.Flushed,
            "Flush",
            $"after the {plan.PoisonDays} days of its label: {QuantityText.Write(pond.VolumeM3 / 3, Measures.Volume, pond.Hand)} in and as much out, once the water of the part-filled pond; no fish before",
            plan.PoisonDays
        );
        Add(
            "bioassay",
            PondWork.BioassayPassed,
            "A few fish live two days in a net in it",
            "only they say that the poison is gone",
            2
        );
    }

    // In levels that rise with the food, each with its depth and the water it takes.
    private void Rise()
    {
        if (pond.Shape is not { } shape)
            return;
        foreach (var level in FillStages.Of(shape, plan.Own.Stages).SkipLast(1))
            Add(
                FormattableString.Invariant($"rise-{level.Number}"),
                PondWork.Filling,
                $"Let it rise to {QuantityText.Write(level.DepthM, Measures.Length, pond.Hand)}",
                $"{QuantityText.Write(level.AddM3, Measures.Volume, pond.Hand)} more; shallow water warms, and food grows before it is thinned",
                FillStages.DaysBetween
            );
    }

    private void Fill()
    {
        Rise();
        Add(
            "full",
            PondWork.Filled,
            "Fill to the full depth",
            pond.FillHours is { } h
                ? FormattableString.Invariant($"{h:0} hours of pumping; fry ponds rise in stages with their food")
                : "in stages for fry, as their food grows",
            Math.Max(plan.Own.Stages > 1 ? FillStages.DaysBetween : 1, (int)Math.Ceiling((pond.FillHours ?? 48) / 24)),
            "",
            PrepSupplies.Pumping(plan.Prices, pond)
        );
    }

    private void LastLooks()
    {
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
    }

    // What the last check waits for.
    private (string, int)[] Ready(List<PrepStep> doses)
    {
        var food =
            doses.Count > 0 && plan.Fertiliser is FertiliserSchool.Mineral or FertiliserSchool.Manure
                ? (doses[0].Key, MineralDays)
            : WithMeal ? ("meal", MealDays)
            : ("full", 1);
        return
        [
            ("full", StandDays),
            ("nowild", 1),
            food,
            .. steps.Any(s => s.Key == "lime") ? new[] { ("lime", plan.Own.LimeDays ?? LimeToStockDays) } : [],
            .. plan.Cover ? new[] { ("cover", CoverDays) } : [],
        ];
    }

    // A step that waits some days for the one before it.
    private void Add(
        string key,
        PondWork work,
        string what,
        string reason,
        int days,
        string caution = "",
        params Supply[] supplies
    ) => steps.Add(New(key, work, what, reason, caution, supplies, (Last, days)));

    private PrepStep? Lime()
    {
        var need = plan.Lime switch
        {
            not LimeSchool.None when plan.Own.LimeKgHa is { } own => LimeNeed.ByOwnRule(
                own,
                pond.AreaM2,
                plan.Own.Known
            ),
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
                $"{plan.Own.LimeDays ?? LimeToStockDays} days and pH under 8.5 before fish; never with ammonium fertiliser",
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
    private List<PrepStep> Series(string after)
    {
        if (plan.Fertiliser == FertiliserSchool.None)
            return [];
        var start = plan.Fertiliser == FertiliserSchool.Meal ? 2 : 1;
        var every = plan.Own.DoseEveryDays ?? WeekDays;
        return Enumerable
            .Range(start, Doses + 1 - start)
            .Select(i =>
                New(
                    FormattableString.Invariant($"dose-{i}"),
                    PondWork.Fertilised,
                    FormattableString.Invariant($"Fertilise, dose {i} of {Doses}"),
                    "only if nothing that was read this morning stands against it: Secchi, dawn oxygen, temperature, pH",
                    "Dissolve it first; gloves. Not with fresh lime.",
                    plan.Fertiliser == FertiliserSchool.Meal
                        ? [PrepSupplies.Meal(MealWeeklyKgHa, plan, pond)]
                        : PrepSupplies.Mineral(plan, pond),
                    i == start ? (after, start == 1 ? 0 : every) : (FormattableString.Invariant($"dose-{i - 1}"), every)
                )
            )
            .ToList();
    }
}
