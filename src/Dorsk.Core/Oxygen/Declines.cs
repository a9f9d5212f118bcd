using Dorsk.Core.Judging;
using Dorsk.Core.Species;
using Dorsk.Core.Units;
using Dorsk.Core.Water;

namespace Dorsk.Core.Oxygen;

/// <summary>Ways to learn tonight's respiration where a pond has no nights of its own yet; the first that can run is used.</summary>
public static class Declines
{
    private const double BalanceSd = 0.45;
    private static readonly TimeSpan ReadingsApart = TimeSpan.FromHours(1.5);

    /// <summary>From two readings of tonight taken in the dark at least an hour and a half apart; null without them.</summary>
    public static Decline? TwoReadings(IReadOnlyList<Timed> tonightInDark, NightWater tonight)
    {
        if (tonightInDark.Count < 2 || tonightInDark[^1].At - tonightInDark[0].At < ReadingsApart)
            return null;
        var (first, last) = (tonightInDark[0], tonightInDark[^1]);
        if (NightCurve.RespirationBetween(tonight, first, last) is not { } r)
            return null;
        // Two readings of ± 0.2 mg/L each, spread over the hours between them; and evenings, with their wind and full bellies, are not the whole night.
        var sd = Math.Sqrt(
            Math.Pow(Math.Sqrt(2) * 0.2 / (last.At - first.At).TotalHours, 2)
                + Math.Pow(NightSettings.EveningIsNotTheNight * r, 2)
        );
        return new(
            DeclineMethod.TwoReadings,
            r,
            sd,
            Grounds.Of(
                "From two readings after sunset: the fall between them is carried on to dawn.",
                "Boyd's projection; reading error ± 0.2 mg/L",
                new Input("first reading", first.Si, Measures.Oxygen, "measured"),
                new Input("second reading", last.Si, Measures.Oxygen, "measured"),
                new Input("hours between", (last.At - first.At).TotalHours, Measures.Plain, "measured")
            )
        );
    }

    /// <summary>Two beliefs in the same night as one, each by its precision; grounds and doubt of the start are those of the first.</summary>
    public static Decline Both(Decline own, Decline two)
    {
        var (a, b) = (1 / (own.Sd * own.Sd), 1 / (two.Sd * two.Sd));
        return own with
        {
            MgLH = ((a * own.MgLH) + (b * two.MgLH)) / (a + b),
            Sd = Math.Sqrt(1 / (a + b)),
            Why = own.Why with { Inputs = [.. own.Why.Inputs, .. two.Why.Inputs] },
        };
    }

    /// <summary>From the published equations; runs on any pond.</summary>
    /// <param name="stock">Species, mean weight (g) and biomass (kg) of what stands.</param>
    /// <param name="secchiM">Secchi depth, m; null when never read.</param>
    /// <param name="earthen">Whether the floor is mud.</param>
    /// <param name="tonight">The water.</param>
    public static Decline Balance(
        IReadOnlyList<(FishSpecies Species, double MeanG, double Kg)> stock,
        double? secchiM,
        bool earthen,
        NightWater tonight
    )
    {
        const double usualSecchiCm = 35;
        var fish = stock.Sum(s =>
            Respiration.Fish(s.MeanG, tonight.TempC, s.Species) * s.Kg * 1000 / tonight.VolumeM3 / 1000
        );
        var secchiCm = (secchiM * 100) ?? usualSecchiCm;
        var plankton = earthen || secchiM is not null ? Respiration.Plankton(secchiCm, tonight.TempC) : 0;
        var mud = earthen ? Respiration.MudGM2H / tonight.MeanDepthM : 0;
        var total = fish + plankton + mud;
        var why = Because(secchiM, tonight, fish, plankton, mud);
        if (secchiM is null && earthen)
            why = why.Doubting("No Secchi depth was read: a usual bloom of 35 cm is assumed.");
        else if (secchiM is not null && !Respiration.PlanktonInRange(secchiCm, tonight.TempC))
            why = why.Doubting(
                "Secchi depth or temperature lies outside 20–80 cm and 20–32 °C, where the plankton equation was made; it was held to the edge."
            );
        return new(DeclineMethod.Balance, total, BalanceSd * total, why);
    }

    private static Grounds Because(double? secchiM, NightWater tonight, double fish, double plankton, double mud) =>
        Grounds.Of(
            "From the oxygen use of the fish, the plankton (by Secchi depth) and the mud, by published equations.",
            "Boyd, Romaire & Johnston 1978; Boyd & Romaire 1978; Schroeder 1975; Banks & Herrera 1977",
            new Input("fish, per hour", fish, Measures.Concentration, "estimated"),
            new Input(
                "plankton, per hour",
                plankton,
                Measures.Concentration,
                secchiM is null ? "assumed Secchi 35 cm" : "from Secchi depth"
            ),
            new Input("mud, per hour", mud, Measures.Concentration, "starting value"),
            new Input("water temperature", tonight.TempC, Measures.Temperature, "measured")
        );
}
