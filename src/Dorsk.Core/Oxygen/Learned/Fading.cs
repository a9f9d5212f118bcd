namespace Dorsk.Core.Oxygen;

/// <summary>A mean in which each night back weighs a fixed share of the one after it.</summary>
/// <param name="stays">What is left of a weight after one night, over 0 and under 1.</param>
internal sealed class Fading(double stays)
{
    private double sum,
        weight;

    /// <summary>Whether anything was added.</summary>
    public bool IsKnown => weight > 0;

    /// <summary>The mean.</summary>
    public double Mean => sum / weight;

    /// <summary>Adds a value of the night.</summary>
    public void Add(double value) => (sum, weight) = (sum + value, weight + 1);

    /// <summary>Lets a night pass.</summary>
    public void Night() => (sum, weight) = (sum * stays, weight * stays);
}
