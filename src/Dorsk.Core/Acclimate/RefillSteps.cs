using Dorsk.Core.Species;
using Dorsk.Core.Water;

namespace Dorsk.Core.Acclimate;

/// <summary>How fast new water may run in over fish: the greatest flow for each figure that differs.</summary>
/// <param name="Ways">Flow for temperature, pH and salinity, m³/h; infinite where both waters agree.</param>
/// <param name="TempCPerH">Change in temperature that the stage bears, °C an hour.</param>
/// <param name="Source">Where the steps come from.</param>
public sealed record RefillSteps(IReadOnlyList<(string What, double MostM3H)> Ways, double TempCPerH, string Source)
{
    private const double PhPerHour = 1,
        FryPhPerHour = 0.5;

    /// <summary>The flow that decides, m³/h.</summary>
    public (string What, double MostM3H) Binding => Ways.MinBy(w => w.MostM3H);

    /// <summary>Works the flows out.</summary>
    /// <param name="species">The fish.</param>
    /// <param name="meanG">Mean weight, g; above 0.</param>
    /// <param name="volumeM3">Water, m³; above 0.</param>
    /// <param name="share">Share to be renewed, above 0, below 1.</param>
    /// <param name="pond">Temperature, °C, pH and salinity, ppt, of the pond.</param>
    /// <param name="fresh">The same of the new water.</param>
    public static RefillSteps For(
        FishSpecies species,
        double meanG,
        double volumeM3,
        double share,
        (double TempC, double Ph, double Ppt) pond,
        (double TempC, double Ph, double Ppt) fresh
    )
    {
        var stage = WaterLimits.StageOf(species, meanG);
        var limits = WaterLimits.For(species, stage);
        var salt = SalinityRate.For(species, meanG);
        return new(
            [
                (
                    "temperature",
                    WaterExchange.MostFlowM3H(volumeM3, fresh.TempC - pond.TempC, limits.MaxTempChangeCPerH)
                ),
                (
                    "pH",
                    WaterExchange.MostFlowM3H(
                        volumeM3,
                        fresh.Ph - pond.Ph,
                        stage == LifeStage.Fry ? FryPhPerHour : PhPerHour
                    )
                ),
                ("salinity", Salinity(salt, volumeM3, share, pond.Ppt, fresh.Ppt)),
            ],
            limits.MaxTempChangeCPerH,
            $"{limits.Source}; {salt.Source}"
        );
    }

    // The share leads to a salinity; the way there takes its hours, unless the step is borne at once.
    private static double Salinity(SalinityRate salt, double volumeM3, double share, double now, double fresh)
    {
        var goal = now + ((fresh - now) * share);
        var hours = salt.Hours(now, goal);
        return hours <= 0 || Math.Abs(goal - now) <= salt.DirectPpt(now, goal)
            ? double.PositiveInfinity
            : volumeM3 * -Math.Log(1 - share) / hours;
    }
}
