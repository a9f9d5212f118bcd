namespace Dorsk.Core.Oxygen;

/// <summary>Something that fails on a farm.</summary>
public enum Fault
{
    /// <summary>The power.</summary>
    Power,

    /// <summary>The well or its pump: no new water.</summary>
    Well,

    /// <summary>The blower or aerators of a tank or pond.</summary>
    Aerator,

    /// <summary>Bottled or liquid oxygen.</summary>
    Oxygen,

    /// <summary>The generator does not start.</summary>
    Generator,
}

/// <summary>What comes first when several things fail at once.</summary>
/// <param name="Do">What to do.</param>
/// <param name="Why">Why it stands where it stands.</param>
public sealed record FaultStep(string Do, string Why)
{
    private static readonly (Func<IReadOnlySet<Fault>, bool> When, FaultStep Step)[] Table =
    [
        (
            f => f.Contains(Fault.Oxygen) && (f.Contains(Fault.Power) || f.Contains(Fault.Aerator)),
            new(
                "Battery or engine aerators, buckets of well-aired water, and fewer fish in the fullest tank: now, every hand",
                "without power and without oxygen a full tank has minutes"
            )
        ),
        (
            f => !f.Contains(Fault.Oxygen) && (f.Contains(Fault.Power) || f.Contains(Fault.Aerator)),
            new(
                "Oxygen on in tanks, by hand where no valve opened; the fullest tank first",
                "it needs no power, and tanks have minutes where ponds have hours"
            )
        ),
        (
            f => f.Contains(Fault.Power) && !f.Contains(Fault.Generator),
            new(
                "The generator, outside, off the mains; one aerator in every water before a second in any",
                "air before water: fish live for hours without new water and for minutes without oxygen"
            )
        ),
        (
            f => f.Contains(Fault.Generator),
            new(
                "Tractor and engine machines to the water with the fewest minutes; a neighbour's generator is called for",
                "the generator is looked at by one person while the others aerate"
            )
        ),
        (
            f => f.Contains(Fault.Aerator) && !f.Contains(Fault.Power),
            new(
                "A machine from a pond that is steady, or the emergency machine; then find out why it stopped",
                "moving one takes minutes, mending one takes hours"
            )
        ),
        (_ => true, new("No feed anywhere", "fed fish use up to twice the oxygen, and their ammonia stays")),
        (
            f => f.Contains(Fault.Well) && f.Contains(Fault.Power),
            new(
                "Only now the well: its pump on the generator when every water has air",
                "a pump draws three times its power while it starts and can stop a loaded generator"
            )
        ),
        (
            f => f.Contains(Fault.Well),
            new(
                "Close the drains, turn water round inside instead of through, and read ammonia, pH and temperature every two hours",
                "what is in the tank must last; ammonia becomes the limit after the oxygen"
            )
        ),
        (
            f => f.Contains(Fault.Well),
            new(
                "The second source through a screen, tested for temperature and chlorine first",
                "new water that kills is worse than none"
            )
        ),
    ];

    /// <summary>What to do, the first first.</summary>
    /// <param name="failed">What failed; one or more.</param>
    public static IReadOnlyList<FaultStep> For(IReadOnlySet<Fault> failed) =>
        failed.Count == 0 ? [] : [.. Table.Where(t => t.When(failed)).Select(t => t.Step)];
}
