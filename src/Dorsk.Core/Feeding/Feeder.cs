using Dorsk.Core.Judging;
using Dorsk.Core.Units;

namespace Dorsk.Core.Feeding;

/// <summary>How a feeder doses.</summary>
public enum FeederDose
{
    /// <summary>It runs for minutes: belt, blower, auger.</summary>
    Minute,

    /// <summary>It turns or empties a cup: drum, cup, screw by the turn.</summary>
    Turn,
}

/// <summary>A feeder of a pond as somebody weighed it; the latest line counts.</summary>
/// <param name="PondId">The pond; one feeder programme each.</param>
/// <param name="Name">What people call it.</param>
/// <param name="Dose">How it doses.</param>
/// <param name="GramsEach">What a minute or a turn gives, g, weighed.</param>
/// <param name="WeighedOn">Farm day on which that was weighed.</param>
/// <param name="Meals">Meals a day it is set to, 1 to 288.</param>
/// <param name="Gone">Whether it was taken away: fed by hand again.</param>
public sealed record FeederKept(
    long PondId,
    string Name,
    FeederDose Dose,
    double GramsEach,
    DateOnly WeighedOn,
    int Meals,
    bool Gone
) : Fact
{
    /// <summary>A dose drifts with the pellet and the damp: weighed again after so many days. Starting value of the trade.</summary>
    public const int WeighDays = 14;

    /// <summary>A machine sees no appetite: somebody watches a meal every so many days. Starting value of the trade.</summary>
    public const int WatchDays = 3;

    /// <summary>Objections, named by the field of the slip.</summary>
    /// <param name="today">Farm day.</param>
    public IEnumerable<Remark> Check(DateOnly today)
    {
        if (Name.Trim().Length is 0 or > 40)
            yield return Remark.Refuse("Name", "A name of 1 to 40 letters, such as belt at the jetty.");
        if (GramsEach is not (>= 0.1 and <= 100_000))
            yield return Remark.Refuse("Each", h =>
                $"{Limit.Range(0.1, 100_000, Measures.FishWeight, h)}: catch what it gives in a minute or a turn, and weigh it."
            );
        if (WeighedOn > today || WeighedOn < today.AddDays(-1000))
            yield return Remark.Refuse("WeighedOn", "The day it was weighed, not after today.");
        if (Meals is < 1 or > MealTimes.Most)
            yield return Remark.Refuse("Meals", "1 to 288 meals a day: every five minutes at most.");
    }

    /// <summary>The programme of a day: hour, how many minutes or turns, and what they give, kg. Held meals are left out.</summary>
    /// <param name="ration">The ration after its brakes.</param>
    public IReadOnlyList<(TimeOnly At, double Times, double Kg)> Programme(RationPlan ration) =>
        [
            .. MealTimes
                .Of(ration, Meals)
                .Where(m => m.Kg > 0)
                .Select(m =>
                    (
                        m.At,
                        Times: Dose == FeederDose.Turn
                            ? Math.Round(m.Kg * 1000 / GramsEach)
                            : Math.Round(m.Kg * 1000 / GramsEach * 2) / 2,
                        m.Kg
                    )
                )
                .Where(m => m.Times > 0)
                .Select(m => (m.At, m.Times, m.Times * GramsEach / 1000)),
        ];

    /// <summary>Why the programme cannot be run; null when it can: a feeder that runs from meal to meal is too small, or was weighed wrongly.</summary>
    /// <param name="ration">The ration after its restrictions.</param>
    public string? CannotKeepUp(RationPlan ration)
    {
        var programme = Programme(ration);
        if (Dose != FeederDose.Minute || programme.Count == 0)
            return null;
        var gap = programme.Count > 1 ? (programme[1].At - programme[0].At).TotalMinutes : MostMinutes;
        var longest = programme.Max(p => p.Times);
        return longest > Math.Min(gap, MostMinutes)
            ? FormattableString.Invariant(
                $"A meal would run {longest:0} minutes, {(longest > gap ? "past the next one" : "longer than fish eat")}: weigh again what it gives in a minute, set more meals, or use a larger feeder."
            )
            : null;
    }

    // Fish that are fed longer leave feed.
    private const double MostMinutes = 120;

    /// <summary>Farm day on which its dose is weighed again.</summary>
    public DateOnly WeighAgain => WeighedOn.AddDays(WeighDays);
}
