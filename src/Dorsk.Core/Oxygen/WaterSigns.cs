using Dorsk.Core.Judging;

namespace Dorsk.Core.Oxygen;

/// <summary>A sign that can be seen without a meter.</summary>
/// <param name="Key">Its key.</param>
/// <param name="Words">What is seen.</param>
/// <param name="Points">How much it tells, 1 to 4; 4 tells enough by itself.</param>
public sealed record WaterSign(string Key, string Words, int Points);

/// <summary>
/// How likely it is that oxygen is low, by what is seen: fish, water, weather, hour. It is no measurement and never says that all is
/// well. Every look into sick fish begins here.
/// </summary>
public static class WaterSigns
{
    /// <summary>Where it comes from.</summary>
    public const string Source =
        "Usual signs of the trade (Boyd and Tucker 1998, signs before a kill); points are judged";

    private const int Certain = 4,
        High = 5,
        Raised = 2;

    /// <summary>All signs, those of the fish first.</summary>
    public static readonly IReadOnlyList<WaterSign> All =
    [
        new("gasp", "fish gasp or hang at the surface", 4),
        new("inlet", "fish crowd at the inlet or at the aerator", 4),
        new("large", "the large ones died, at dawn", 4),
        new("out", "shrimp, crayfish or snails climb out", 3),
        new("feed", "they left their feed", 2),
        new("clear", "green water turned clear or brown at once", 3),
        new("dark", "water dark green or black, Secchi under a hand's length", 2),
        new("smell", "it smells of rot", 2),
        new("film", "a still film or scum on the water", 1),
        new("cloud", "two cloudy days or more", 2),
        new("storm", "a storm or a cold rain on a warm pond", 2),
        new("still", "hot and no wind", 1),
        new("hour", "between midnight and an hour after sunrise", 1),
        new("air", "no air, fall or flow is running", 1),
        new("heavy", "much feed, or manure or fertiliser in the last days", 1),
    ];

    /// <summary>What may safely be done at once, in order.</summary>
    public static readonly IReadOnlyList<string> FirstActions =
    [
        "Run air now, at the surface, where fish can get out of the stream; do not stir black mud up.",
        "No feed until fish are calm and oxygen was read.",
        "Let fresh water in if there is any, up to half, as cool as the pond or a little cooler.",
        "Look again in half an hour, and through the night until an hour after sunrise.",
        "Get a meter or a test: without one nobody knows. No medicine before oxygen, pH, ammonia and nitrite were read.",
        "Two people by the water at night; no tractor shaft without its guard; no wires in wet hands.",
    ];

    /// <summary>The risk in words.</summary>
    /// <param name="seen">Keys of signs that are seen.</param>
    public static Judgement Weigh(IReadOnlyCollection<string> seen)
    {
        var signs = All.Where(s => seen.Contains(s.Key)).ToList();
        var points = signs.Sum(s => s.Points);
        var said = string.Join(", ", signs.OrderByDescending(s => s.Points).Take(3).Select(s => s.Words));
        return signs.Exists(s => s.Points >= Certain) || points >= High
                ? new(
                    Status.ActNow,
                    $"Not measured; oxygen is likely low: {said}. Act as if it were under the act level"
                )
            : points >= Raised
                ? new(
                    Status.Watch,
                    $"Not measured; oxygen may fall tonight: {said}. Run air from midnight and look before sunrise"
                )
            : new(
                Status.Unknown,
                signs.Count == 0
                    ? "Not measured, and no sign was seen: that is no reading. Read oxygen before sunrise"
                    : $"Not measured; {said} alone tells little. Read oxygen before sunrise"
            );
    }
}
