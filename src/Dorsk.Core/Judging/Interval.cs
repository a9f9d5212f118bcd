namespace Dorsk.Core.Judging;

/// <summary>A value with the range it is believed to lie in.</summary>
/// <param name="Value">Best figure, in the unit named by the member that holds it.</param>
/// <param name="Low">Lower end.</param>
/// <param name="High">Upper end.</param>
/// <param name="Level">Share of cases in which the truth should lie inside, 0 to 1.</param>
public readonly record struct Interval(double Value, double Low, double High, double Level)
{
    /// <summary>Whether a figure lies inside, ends included.</summary>
    public bool Holds(double figure) => figure >= Low && figure <= High;
}
