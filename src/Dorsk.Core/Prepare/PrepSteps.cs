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
    /// <summary>Its body; null where only area and volume are known.</summary>
    public PondShape? Shape { get; init; }

    /// <summary>How figures are printed in steps.</summary>
    public Hand Hand { get; init; } = Hand.Metric;

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

    internal const int StandDays = 3;

    /// <summary>Steps in their order.</summary>
    /// <param name="plan">The chosen schools.</param>
    /// <param name="pond">The pond.</param>
    public static IReadOnlyList<PrepStep> For(PreparationPlanned plan, PrepPond pond) =>
        pond.Kind is PondKind.Cage or PondKind.Hapa ? Net()
        : pond.Earthen ? new EarthenSteps(plan, pond).InOrder()
        : Hard(pond, plan.Prices);

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
                PrepSupplies.Pumping(prices, pond),
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

    internal static IEnumerable<PrepStep> End((string, int)[] after) =>
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

    internal static readonly Supply[] None = [];

    internal static PrepStep New(
        string key,
        PondWork work,
        string what,
        string reason,
        string caution,
        Supply[] supplies,
        params (string Key, int Days)[] after
    ) => new(key, work, what, reason, caution, supplies, after);
}
