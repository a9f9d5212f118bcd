using Dorsk.Core.Judging;
using Dorsk.Core.Species;

namespace Dorsk.Core.Acclimate;

/// <summary>What the hatchery answered when it was asked to bring young animals to the farm's salinity.</summary>
public enum HatcheryAnswer
{
    /// <summary>Nobody asked yet.</summary>
    NotAsked,

    /// <summary>It does.</summary>
    Does,

    /// <summary>It does not, as often with small orders.</summary>
    DoesNot,
}

/// <summary>The salinity to ask the hatchery for, and what is done on the farm when it cannot.</summary>
/// <param name="Wanted">Whether the difference is more than they bear at once.</param>
/// <param name="HoursOnFarm">Hours in a tank with air on the farm if the hatchery does not, h.</param>
/// <param name="Judgement">What is to be done.</param>
public sealed record SalinityRequest(bool Wanted, double HoursOnFarm, Judgement Judgement)
{
    /// <summary>Works it out.</summary>
    /// <param name="species">The fish.</param>
    /// <param name="meanG">Weight of one, g.</param>
    /// <param name="hatcheryPpt">Salinity in the hatchery, ppt.</param>
    /// <param name="farmPpt">Salinity of the pond, ppt.</param>
    /// <param name="answer">What the hatchery said.</param>
    public static SalinityRequest For(
        FishSpecies species,
        double meanG,
        double hatcheryPpt,
        double farmPpt,
        HatcheryAnswer answer
    )
    {
        var rate = SalinityRate.For(species, meanG);
        var direct = rate.DirectPpt(hatcheryPpt, farmPpt);
        if (Math.Abs(hatcheryPpt - farmPpt) <= direct)
            return new(
                false,
                0,
                new(Status.Steady, FormattableString.Invariant($"within the {direct:0.#} ppt that they bear at once"))
            );
        return Answered(rate.Hours(hatcheryPpt, farmPpt), hatcheryPpt, farmPpt, answer);
    }

    private static SalinityRequest Answered(double hours, double hatcheryPpt, double farmPpt, HatcheryAnswer answer)
    {
        var (from, to, takes) = (
            FormattableString.Invariant($"{hatcheryPpt:0.#}"),
            FormattableString.Invariant($"{farmPpt:0.#} ppt"),
            FormattableString.Invariant($"{hours:0.#} hours in a tank with air")
        );
        if (answer == HatcheryAnswer.Does)
            return new(true, 0, new(Status.Steady, $"they come at {to}: measure it in the first bag"));
        var says =
            answer == HatcheryAnswer.DoesNot
                ? $"on the farm, {from} to {to}: {takes}: tank, salt and somebody through the night are booked before they are ordered"
                : $"ask the hatchery to bring them to {to}, days before; if it cannot: {from} to {to}, {takes}";
        return new(true, hours, new(Status.Watch, says));
    }
}
