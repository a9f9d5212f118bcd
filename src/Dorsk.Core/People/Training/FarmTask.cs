namespace Dorsk.Core.People;

/// <summary>A step of a task on its card.</summary>
/// <param name="Picture">Which of the drawings of the project shows it.</param>
/// <param name="Words">In few words.</param>
public readonly record struct TaskCardStep(string Picture, string Words);

/// <summary>A task of the farm that is learnt: watched, done under eyes, then alone.</summary>
/// <param name="Key">Short name in addresses and books.</param>
/// <param name="Name">In words.</param>
/// <param name="Harms">Whether somebody, or a pond, can be lost by it.</param>
/// <param name="Steps">Its card, in order.</param>
public sealed record FarmTask(string Key, string Name, bool Harms, IReadOnlyList<TaskCardStep> Steps)
{
    /// <summary>The tasks, the daily ones first.</summary>
    public static IReadOnlyList<FarmTask> All { get; } =
    [
        new(
            "oxygen",
            "Read oxygen and temperature",
            true,
            [
                new("meter", "Check the meter in wet air"),
                new("pond", "Same place, same depth"),
                new("clock", "Wait until it stands still"),
                new("note", "Write it down at once"),
                new("phone", "Low: air on, call"),
            ]
        ),
        new(
            "aerator",
            "Start and stop an aerator",
            true,
            [
                new("eye", "Look: cable dry, nobody in the water"),
                new("switch", "Dry hands, switch on the bank"),
                new("wheel", "It turns, water moves"),
                new("stop", "Power off before you touch it"),
            ]
        ),
        new(
            "feeding",
            "Feed a pond",
            false,
            [
                new("meter", "Oxygen first"),
                new("scoop", "Weigh the feed"),
                new("eye", "Watch them eat"),
                new("stop", "They stop, you stop"),
                new("note", "Write what was given"),
            ]
        ),
        new(
            "deaths",
            "Collect dead fish",
            false,
            [
                new("glove", "Gloves"),
                new("net", "All of them, every day"),
                new("note", "Count, look, write"),
                new("stop", "Never into another pond"),
                new("wash", "Wash hands and net"),
            ]
        ),
        new(
            "cast",
            "Throw a cast net",
            false,
            [
                new("boots", "Stand firm, not alone at night"),
                new("net", "Mesh to the fish, practise on land"),
                new("glove", "Wet hands, few fish at a time"),
                new("scoop", "Weigh quickly, put back"),
            ]
        ),
        new(
            "seine",
            "A place at the seine",
            true,
            [
                new("people", "Two ends, line, boat, pump, tally"),
                new("boots", "Lead line on the ground"),
                new("meter", "Oxygen in the net"),
                new("clock", "Not longer than the plan"),
                new("stop", "One voice says stop"),
            ]
        ),
        new(
            "move",
            "Move and release fish",
            false,
            [
                new("meter", "Both waters: temperature, oxygen"),
                new("people", "Two lift a heavy tub"),
                new("clock", "Slowly from one water to the other"),
                new("pond", "Let them swim out by themselves"),
            ]
        ),
        new(
            "chemicals",
            "Lime, salt and treatments",
            true,
            [
                new("note", "Read the label"),
                new("mask", "Mask, glasses, gloves"),
                new("scoop", "Weigh the dose"),
                new("eye", "Wind from behind you"),
                new("wash", "Wash; wash eyes 15 minutes"),
            ]
        ),
        new(
            "night",
            "Night watch",
            true,
            [
                new("clock", "Every round at its hour"),
                new("meter", "Read, do not guess"),
                new("wheel", "All aerators turn"),
                new("phone", "In doubt, call"),
            ]
        ),
        new(
            "alone",
            "Work alone by the water",
            true,
            [
                new("phone", "Say where and how long"),
                new("boots", "Life vest, no waders in deep water"),
                new("clock", "Check in before time is up"),
                new("stop", "Never in the water alone"),
            ]
        ),
    ];

    /// <summary>A task by its key; null where there is none.</summary>
    /// <param name="key">The key.</param>
    public static FarmTask? Find(string key) => All.FirstOrDefault(t => t.Key == key);
}
