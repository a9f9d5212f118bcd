using Dorsk.Core.Judging;
using Dorsk.Core.Units;
using Dorsk.Core.Water;

namespace Dorsk.Core.Verdict.Rules;

/// <summary>Oxygen as a share of saturation in the light: too little for the hour foretells a hard night, too much a heavy bloom and gas in the fish.</summary>
internal static class Saturation
{
    public static readonly Rule Rule = new("saturation", Judge);

    private const double LowPct = 75,
        HighPct = 175;
    private static readonly TimeSpan GasShows = TimeSpan.FromDays(3),
        SameWater = TimeSpan.FromHours(6);

    /// <summary>The highest oxygen of the last three days that is over what fish bear without gas bubbles, % of saturation; null where none was.</summary>
    public static double? GassyPct(PondState s)
    {
        var over = s.Since(Parameter.Oxygen, GasShows)
            .Select(read =>
                s.Readings[Parameter.Temperature].Nearest(read.At, SameWater) is { } temp ? Pct(s, read.Si, temp.Si) : 0
            )
            .Where(pct => pct > HighPct)
            .ToList();
        return over.Count > 0 ? over.Max() : null;
    }

    private static readonly TimeSpan MorningOver = TimeSpan.FromHours(6);

    private static IEnumerable<Finding> Judge(PondState s)
    {
        if (
            s.Last(Parameter.Oxygen, Speaks.Hours) is not { } last
            || s.Last(Parameter.Temperature, TimeSpan.FromDays(1)) is not { } temp
        )
            yield break;
        var pct = Pct(s, last.Si, temp.Si);
        var grounds = Because(s, last, temp, SalinityPpt(s));
        var inAfternoon = last.At > s.Sun.Rise + MorningOver && last.At < s.Sun.Set;
        if (pct > HighPct)
            yield return FoundLow(s, pct, grounds);
        else if (!s.InTank && inAfternoon && pct < LowPct)
            yield return new(
                Rule.Name,
                Status.Watch,
                $"{s.Hand.Count(pct)} % of saturation in the afternoon is low for the hour, with {QuantityText.Write(s.FedTodayKg, Measures.Mass, s.Hand)} fed today and {QuantityText.Write(s.Standing.Sum(f => f.BiomassKg), Measures.Mass, s.Hand)} of fish: the night begins with little"
            )
            {
                Of = Parameter.Oxygen,
                Do = "Air from now on, no more feed today, read again at dusk.",
                Why = grounds,
            };
    }

    private static double SalinityPpt(PondState s) => s.Last(Parameter.Salinity, Speaks.Months)?.Si ?? 0;

    private static double Pct(PondState s, double mgL, double tempC) =>
        100
        * mgL
        / OxygenSaturation.MgL(Math.Clamp(tempC, 0, 40), SalinityPpt(s), OxygenSaturation.PressureKPa(s.AltitudeM));

    private static Grounds Because(PondState s, Timed last, Timed temp, double salinityPpt) =>
        Grounds.Of(
            "Oxygen by what this water holds at saturation at its temperature, salinity and height.",
            OxygenSaturation.Source,
            new Input("oxygen", last.Si, Measures.Oxygen, "read at " + s.Hour(last.At)),
            new Input("temperature", temp.Si, Measures.Temperature, "measured"),
            new Input("salinity", salinityPpt, Measures.Salinity, salinityPpt == 0 ? "taken as fresh" : "measured"),
            new Input("fed today", s.FedTodayKg, Measures.Mass, "feedings of today"),
            new Input("biomass", s.Standing.Sum(f => f.BiomassKg), Measures.Mass, "standing estimate")
        );

    private static Finding FoundLow(PondState s, double pct, Grounds grounds) =>
        new(
            Rule.Name,
            Status.Watch,
            $"{s.Hand.Count(pct)} % of saturation: a heavy bloom by day takes as much by night"
        )
        {
            Of = Parameter.Oxygen,
            Do = "Stir it by day, air ready for the night; look for gas bubbles in gills and eyes of fry.",
            Why = grounds,
        };
}
