using Dorsk.Core.Units;

namespace Dorsk.Core.Safety;

/// <summary>Which hazards are met at which work: one list for slips, jobs and calculators, so that no caution is said at one door and forgotten at the next.</summary>
public static class SafeWork
{
    private const string Current = "electricity and water",
        Shaft = "aerator shaft, PTO",
        Lime = "quick and hydrated lime",
        Poison = "fish poisons (rotenone, saponin, chlorine)",
        Gas = "hydrogen sulphide",
        Bottles = "carbon dioxide, oxygen bottles",
        Exhaust = "generator exhaust",
        Mud = "deep mud, culverts, drains",
        Ice = "ice on ponds",
        Alone = "lone night work",
        Lifting = "lifting baskets",
        Spines = "spines and teeth",
        FishDisease = "disease from fish to people",
        Scum = "cyanobacteria scum",
        Residue = "medicine residue",
        Mould = "feed mould",
        Manure = "raw manure, human waste",
        Insects = "insects as feed",
        Invasive = "invasive fish",
        Effluent = "effluent",
        Boats = "boats",
        Birds = "birds and protected animals",
        Ozone = "ozone and ultraviolet",
        Slaughter = "fish welfare at slaughter",
        Knives = "knives hooks and ice",
        Acid = "chlorine and acid",
        Formalin = "formalin",
        Oxidiser = "potassium permanganate, peroxide",
        Copper = "copper sulphate";

    // By the name of the slip or calculator that the work ends in, or of the rule that makes the job.
    private static readonly IReadOnlyList<(string Work, string[] Met)> Table =
    [
        ("aerators", [Current, Shaft]),
        ("machines", [Current, Shaft]),
        ("equipment", [Current, Exhaust, Birds]),
        ("air-control", [Current, Shaft]),
        ("air-test", [Current, Shaft]),
        ("air-service", [Current, Shaft]),
        ("feeder", [Current]),
        ("vital-test", [Exhaust, Gas, Ozone, Bottles]),
        ("work", [Lime, Poison, Mud, Manure, Effluent, Copper]),
        ("prepare", [Lime, Poison, Manure, Mud, Effluent]),
        ("stock", [Invasive, Knives, Lifting]),
        ("receive", [Knives, Lifting, Bottles, Invasive]),
        ("move", [Lifting, Spines]),
        ("sample", [Spines, Lifting]),
        ("harvest", [Lifting, Knives, Spines, Mud, Slaughter, Residue]),
        ("plan-harvest", [Residue, Effluent]),
        ("deaths", [FishDisease, Spines]),
        ("kill", [FishDisease, Scum]),
        ("treatment", [Formalin, Oxidiser, Copper, Acid, Residue]),
        ("hold", [FishDisease]),
        ("predator", [Birds, Alone]),
        ("quarantine", [FishDisease, Acid, Formalin, Oxidiser, Residue]),
        ("reading", [Alone]),
        ("lone", [Alone, Ice, Mud, Boats]),
        ("walk", [Alone]),
        ("load", [Mould, Lifting]),
        ("store-count", [Mould]),
        ("grown-feed", [Insects, Mould]),
        ("Limed", [Lime]),
        ("PestTreated", [Poison]),
        ("Manured", [Manure]),
        ("Drained", [Mud, Effluent]),
        ("BottomMended", [Mud, Gas]),
        ("Mended", [Mud]),
        ("KilledFishOut", [FishDisease]),
        ("feeding", [Mould]),
    ];

    /// <summary>What whoever works by the water in the dark is told.</summary>
    public static Hazard AtNight { get; } = Hazard.Of(Alone);

    private static readonly Dictionary<string, string[]> ByWork = Table.ToDictionary(t => t.Work, t => t.Met);

    /// <summary>Hazards of a work; none where the list names none.</summary>
    /// <param name="work">Name of the slip, the calculator or the rule of the job.</param>
    /// <param name="dark">Whether it is done between sunset and sunrise.</param>
    public static IReadOnlyList<Hazard> Of(string work, bool dark = false)
    {
        var met = ByWork.GetValueOrDefault(work) ?? [];
        return [.. (dark ? met.Prepend(Alone) : met).Distinct().Select(Hazard.Of)];
    }

    /// <summary>What to do about hazards, in the farm's units, one sentence each.</summary>
    /// <param name="hazards">The hazards.</param>
    /// <param name="hand">Units and signs.</param>
    public static string Words(IReadOnlyList<Hazard> hazards, Hand hand) =>
        string.Join(' ', hazards.Select(h => TableText.In(h.Line, hand) + "."));

    /// <summary>Works at which a hazard is met.</summary>
    /// <param name="hazard">The hazard.</param>
    public static IReadOnlyList<string> Where(Hazard hazard) =>
        [.. Table.Where(t => t.Met.Contains(hazard.Name)).Select(t => t.Work)];
}
