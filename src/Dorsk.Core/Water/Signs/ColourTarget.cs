using Dorsk.Core.Judging;

namespace Dorsk.Core.Water;

/// <summary>A colour of the water that a farm wants in one body of water, and how a colour that was seen stands to it.</summary>
public static class ColourTarget
{
    // Clear, light green, green, brown-green, brown. Deep green takes the night's oxygen; clay, milk and black are wanted nowhere.
    private const int Clear = 1,
        Green = 3,
        BrownGreen = 5;

    /// <summary>Steps of the scale of colours that may be wanted.</summary>
    public static IReadOnlyList<int> Steps { get; } = [Clear, 2, Green, BrownGreen, 6];

    /// <summary>Objections to a wanted colour.</summary>
    /// <param name="target">The wanted step; null: none is wanted.</param>
    public static IEnumerable<Remark> Check(int? target)
    {
        if (target is { } step && !Steps.Contains(step))
            yield return Remark.Refuse("Colour", "Choose a colour of the list, or none.");
    }

    /// <summary>How a colour stands to the one that is wanted; null where its own meaning is the graver.</summary>
    /// <param name="target">The wanted step.</param>
    /// <param name="seen">The step that was seen.</param>
    /// <param name="own">What that step means in this kind of water.</param>
    public static Judgement? Judge(int target, int seen, ColourMeaning own)
    {
        if (!Steps.Contains(seen))
            return null;
        var (wanted, was) = (Parameter.Colour.StepAt(target), Parameter.Colour.StepAt(seen));
        if (seen == target)
            return new(Status.Steady, $"{was}: the colour wanted here");
        return own.Status > Status.Watch ? null : new(Status.Watch, $"{was}, and {wanted} is wanted here");
    }

    /// <summary>What brings the water towards the wanted colour.</summary>
    /// <param name="target">The wanted step.</param>
    /// <param name="seen">The step that was seen.</param>
    public static string Towards(int target, int seen) =>
        seen > target
            ? "Longer shade over midday, less feed, a part of the water changed."
            : "Shorter shade or none; fertiliser only where its gate lets it in.";

    /// <summary>Hours of the day over which a cover is closed, the farm's clock; null: it stays open. Starting values of the trade.</summary>
    /// <param name="target">The wanted step.</param>
    public static (TimeOnly From, TimeOnly To)? CoverHours(int target) =>
        target switch
        {
            Clear => (new(9, 30), new(15, 30)),
            <= Green => (new(11, 0), new(13, 30)),
            _ => null,
        };
}
