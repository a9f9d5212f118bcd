namespace Dorsk.Core.Growth;

/// <summary>What fish that went out, or came in, with a weight of their own do to the mean of those that stand: number and mass are conserved.</summary>
public static class WeighedOut
{
    /// <summary>Where the method comes from.</summary>
    public const string Source =
        "Mass balance: (N·m − n·t)/(N − n); a difference within twice the doubt of the estimate is no grading";

    private const double Doubts = 2,
        LeastLeft = 0.02,
        MostShift = 0.5,
        OwnDoubt = 0.3;

    /// <summary>By how much the log mean of those that stand changes, with its SD; nothing where the weight tells nothing.</summary>
    /// <param name="stands">Fish that stand before, estimated; 0 or more.</param>
    /// <param name="meanG">Their mean weight, g; above 0.</param>
    /// <param name="sdLog">Doubt of that weight, in logs.</param>
    /// <param name="change">What came or went.</param>
    public static (double Shift, double Sd) Of(double stands, double meanG, double sdLog, CountChange change)
    {
        var after = stands + change.Count;
        if (
            change is not { Dead: false, MeanG: { } ownG, CountedOneByOne: null, Guessed: null }
            || after < LeastLeft * stands
            || after <= 0
        )
            return default;
        // Fish that go out as heavy as the rest, as far as is known, were not graded; those that come in are what they are.
        if (change.Count < 0 && Math.Abs(Math.Log(ownG / meanG)) < Doubts * sdLog)
            return default;
        var mean = ((stands * meanG) + (change.Count * ownG)) / after;
        var shift = Math.Clamp(Math.Log(Math.Max(1e-9, mean / meanG)), -MostShift, MostShift);
        return (shift, OwnDoubt * Math.Abs(shift));
    }
}
