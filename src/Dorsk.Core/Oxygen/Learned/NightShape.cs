using Dorsk.Core.Water;

namespace Dorsk.Core.Oxygen;

/// <summary>The shape of a pond's nights: full fish and stirred water take more in the evening than before sunrise.</summary>
public static class NightShape
{
    // A pond's own nights speak as they come, more where oxygen falls further than readings err.
    private const double ReadingsErrMgL = 1,
        Most = 0.8;

    /// <summary>How much more than on the mean a pond takes at sunset, as a share.</summary>
    /// <param name="past">Nights of the past; those with a reading in the middle speak.</param>
    public static double Of(IReadOnlyList<PastNight> past)
    {
        var spoken = past.Where(n => n.Middle is not null).Select(n => One(n, n.Middle!.Value)).ToList();
        var weight = NightSettings.EveningExcessNights + spoken.Sum(s => s.Weight);
        return Math.Clamp(
            ((NightSettings.EveningExcessNights * NightSettings.EveningExcess) + spoken.Sum(s => s.Weight * s.Excess))
                / weight,
            -Most,
            Most
        );
    }

    // The means of two parts of a straight line lie half its length apart, wherever it is cut.
    private static (double Excess, double Weight) One(PastNight night, Timed middle)
    {
        var before = NightCurve.Between(night.Water, night.Dusk, middle.At);
        var after = NightCurve.Between(night.Water, middle, night.Dawn.At);
        var first = (before.StillMgL - middle.Si) / before.TakenH;
        var second = (after.StillMgL - night.Dawn.Si) / after.TakenH;
        var mean = (first + second) / 2;
        if (mean <= 0)
            return (0, 0);
        var fall = mean * (before.TakenH + after.TakenH) / ReadingsErrMgL;
        return (Math.Clamp((first - second) / mean, -1, 1), fall * fall / (1 + (fall * fall)));
    }
}
