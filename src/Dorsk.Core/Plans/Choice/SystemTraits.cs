namespace Dorsk.Core.Plans;

/// <summary>What it is like to keep fish in a system, in words; side by side, none simply best.</summary>
/// <param name="Name">The system.</param>
/// <param name="Capital">Money to begin.</param>
/// <param name="Labour">Work.</param>
/// <param name="Power">Power, and what its loss means.</param>
/// <param name="Sight">How well fish are seen.</param>
/// <param name="Control">What can be held steady.</param>
/// <param name="WayOut">What is left when farming stops.</param>
public sealed record SystemTraits(
    string Name,
    string Capital,
    string Labour,
    string Power,
    string Sight,
    string Control,
    string WayOut
)
{
    /// <summary>Where it comes from.</summary>
    public const string Source =
        "Usual practice of the trade; figures for your own prices: Ways to build on the workbench";

    /// <summary>All of them.</summary>
    public static readonly IReadOnlyList<SystemTraits> All =
    [
        new(
            "earthen pond",
            "low for its water; land is tied up",
            "rounds, banks, a crew on net days",
            "air at night; hours to act",
            "seldom: estimates and samples",
            "little: weather and bloom rule",
            "a hole to fill, or a dam that stays useful"
        ),
        new(
            "lined pond",
            "middle; the liner is bought again",
            "as a pond, and washing between cycles",
            "air at night; fewer hours",
            "seldom",
            "some: no soil, no leaks; waste must go",
            "liner and frame can be sold or stored"
        ),
        new(
            "concrete tank",
            "high, once",
            "daily cleaning and water",
            "air always; minutes to act",
            "good",
            "good",
            "must be broken up"
        ),
        new(
            "lined tank on a frame",
            "middle",
            "daily cleaning and water",
            "air always; minutes to act",
            "good",
            "good",
            "taken down and stored"
        ),
        new(
            "cage in open water",
            "low to middle, and a permit",
            "nets, by boat, in all weathers",
            "little or none",
            "little below the top",
            "none: the water is not yours",
            "taken out; theft and storms are the risk"
        ),
        new(
            "raceway",
            "middle to high; needs a spring or river",
            "screens and feeding",
            "little while water flows",
            "good",
            "good while the source holds",
            "channels stay in the ground"
        ),
        new(
            "indoor unit",
            "high for its water",
            "skilled, every day of the year",
            "always; minutes to act, a second supply",
            "full",
            "full: heat, light, filter",
            "kit can be sold; the building stays"
        ),
    ];
}
