using Dorsk.Core.Judging;
using Dorsk.Core.Species;
using Dorsk.Core.Units;

namespace Dorsk.Core.Water;

/// <summary>Is a reading good for these fish? Limits by species and life stage; bands and steps as settled for the farm.</summary>
public static class WaterJudge
{
    /// <summary>pH beyond its band by this much is Act now.</summary>
    private const double PhActBeyond = 0.5;

    // The step of the scale from which on a film is not well: foam that stays.
    private const double StandingFoam = 3,
        BadFilm = 4;

    private const double ChlorideWanted = 10,
        ChlorideLeast = 6;

    /// <summary>Secchi depth under which a bloom is heavy, m; the water makes a hard night.</summary>
    public const double HeavyBloomM = 0.30;

    /// <summary>Secchi depth under which a bloom is dangerous, m.</summary>
    public const double DangerousBloomM = 0.20;

    /// <summary>Secchi depth over which a bloom is thin, m.</summary>
    public const double ThinBloomM = 0.60;

    /// <summary>Judges one value against the limits of the fish it is for.</summary>
    /// <param name="parameter">What was read.</param>
    /// <param name="si">Value, SI.</param>
    /// <param name="limits">Limits of the species and stage.</param>
    /// <param name="hand">How figures are printed in the reason.</param>
    public static Judgement Judge(Parameter parameter, double si, WaterLimits limits, Hand hand)
    {
        string P(double v) => QuantityText.Write(v, parameter.Measure, hand);
        if (parameter == Parameter.Oxygen)
            return Oxygen(si, limits, hand);
        if (parameter == Parameter.Temperature)
            return si < limits.TempLowC || si > limits.TempHighC
                ? Say(Status.Watch, $"{P(si)} is outside {P(limits.TempLowC)} to {P(limits.TempHighC)}")
                : Fine(P(si));
        if (parameter == Parameter.Ph)
            return si < limits.PhLow - PhActBeyond || si > limits.PhHigh + PhActBeyond
                    ? Say(Status.ActNow, $"pH {P(si)} is far outside {P(limits.PhLow)} to {P(limits.PhHigh)}")
                : si < limits.PhLow || si > limits.PhHigh
                    ? Say(Status.Watch, $"pH {P(si)} is outside {P(limits.PhLow)} to {P(limits.PhHigh)}")
                : Fine($"pH {P(si)}");
        if (parameter == Parameter.Secchi)
            return si switch
            {
                < DangerousBloomM => Say(
                    Status.ActNow,
                    $"Secchi {P(si)} is under {P(DangerousBloomM)}: a dangerous bloom"
                ),
                < HeavyBloomM => Say(Status.Watch, $"Secchi {P(si)} is under {P(HeavyBloomM)}: a heavy bloom"),
                > ThinBloomM => Say(Status.Watch, $"Secchi {P(si)} is over {P(ThinBloomM)}: a thin bloom"),
                _ => Fine($"Secchi {P(si)}"),
            };
        if (parameter == Parameter.CarbonDioxide && si > limits.CarbonDioxideMgL)
            return Say(
                si > 2 * limits.CarbonDioxideMgL ? Status.ActNow : Status.Watch,
                $"carbon dioxide {P(si)} is over {P(limits.CarbonDioxideMgL)}: it hinders breathing. Stir and aerate, at dawn most of all"
            );
        if (parameter == Parameter.Nitrate || parameter == Parameter.Turbidity)
            return si > parameter.UsualHigh
                ? Say(Status.Watch, $"{parameter.Name} {P(si)} is over {P(parameter.UsualHigh)}")
                : Fine(P(si));
        if (parameter == Parameter.Colour)
        {
            var meaning = ColourMeaning.Of(si, false);
            return Say(meaning.Status, $"{parameter.StepAt(si)}: {meaning.Means}");
        }
        if (parameter == Parameter.Film)
            return si >= StandingFoam && si < BadFilm
                    ? Say(Status.Watch, $"{parameter.StepAt(si)}: much is dissolved in the water")
                : si >= BadFilm
                    ? Say(
                        Status.Watch,
                        $"{parameter.StepAt(si)}: blue-green scum can poison people, dogs and cattle; keep out of it, read oxygen in the dark"
                    )
                : Fine(parameter.StepAt(si));
        if (parameter == Parameter.Nitrite && si > limits.NitriteMgL)
            return Say(Status.Watch, $"nitrite {P(si)} is over {P(limits.NitriteMgL)} for water of low chloride");
        return parameter == Parameter.Alkalinity && si < limits.AlkalinityMinMgL
            ? Say(Status.Watch, $"alkalinity {P(si)} is under {P(limits.AlkalinityMinMgL)}")
            : Fine(P(si));
    }

    /// <summary>How oxygen stands to the act and the watch level.</summary>
    /// <param name="mgL">Oxygen, mg/L.</param>
    /// <param name="limits">Limits of the fish.</param>
    /// <param name="hand">How figures are printed.</param>
    /// <param name="aboveMgL">How far above a level it still counts as under it, mg/L: an alarm ends a little above where it began.</param>
    public static Judgement Oxygen(double mgL, WaterLimits limits, Hand hand, double aboveMgL = 0)
    {
        string P(double v) => QuantityText.Write(v, Parameter.Oxygen.Measure, hand);
        if (mgL < limits.DoActMgL + aboveMgL)
            return Say(Status.ActNow, $"{P(mgL)} is under the act level {P(limits.DoActMgL)}");
        return mgL < limits.DoWatchMgL + aboveMgL
            ? Say(Status.Watch, $"{P(mgL)} is under the watch level {P(limits.DoWatchMgL)}")
            : Say(Status.Steady, $"{P(mgL)} is above the watch level {P(limits.DoWatchMgL)}");
    }

    /// <summary>Lower and upper end in which a value is good for these fish; null where there is none.</summary>
    public static (double? Low, double? High) Band(Parameter parameter, WaterLimits limits) =>
        Bands.TryGetValue(parameter, out var band) ? band(limits) : (null, null);

    private static readonly Dictionary<Parameter, Func<WaterLimits, (double? Low, double? High)>> Bands = new()
    {
        [Parameter.Oxygen] = l => (l.DoWatchMgL, null),
        [Parameter.Temperature] = l => (l.TempLowC, l.TempHighC),
        [Parameter.Ph] = l => (l.PhLow, l.PhHigh),
        [Parameter.Secchi] = _ => (HeavyBloomM, ThinBloomM),
        [Parameter.Nitrite] = l => (null, l.NitriteMgL),
        [Parameter.Alkalinity] = l => (l.AlkalinityMinMgL, null),
        [Parameter.CarbonDioxide] = l => (null, l.CarbonDioxideMgL),
        [Parameter.Nitrate] = _ => (null, Parameter.Nitrate.UsualHigh),
        [Parameter.Turbidity] = _ => (null, Parameter.Turbidity.UsualHigh),
    };

    /// <summary>Judges nitrite by the chloride that keeps it out of the gills: ten times its nitrogen is wanted, six the least.</summary>
    /// <param name="nitriteMgL">Nitrite, mg N/L.</param>
    /// <param name="chlorideMgL">Chloride, mg/L, or null when it was not read.</param>
    /// <param name="limits">Limits of the species and stage.</param>
    /// <param name="hand">How figures are printed.</param>
    public static Judgement JudgeNitrite(double nitriteMgL, double? chlorideMgL, WaterLimits limits, Hand hand)
    {
        if (chlorideMgL is not { } chloride || nitriteMgL <= limits.NitriteMgL)
            return Judge(Parameter.Nitrite, nitriteMgL, limits, hand);
        var ratio = chloride / nitriteMgL;
        var text = FormattableString.Invariant(
            $"chloride is {ratio:0.#} times the nitrite nitrogen; {ChlorideWanted:0} times is wanted, {ChlorideLeast:0} the least"
        );
        return new(
            ratio < ChlorideLeast ? Status.ActNow
                : ratio < ChlorideWanted ? Status.Watch
                : Status.Steady,
            text
        );
    }

    /// <summary>Judges total ammonia by its un-ionised part at the pH and temperature of the hour.</summary>
    /// <param name="tanMgL">Total ammonia, mg N/L; 0 or more.</param>
    /// <param name="tempC">Water temperature, °C.</param>
    /// <param name="ph">pH.</param>
    /// <param name="salinityPpt">Salinity, ppt; 0 or more.</param>
    /// <param name="limits">Limits of the fish.</param>
    /// <param name="hand">How figures are printed.</param>
    public static (Judgement Judgement, double Nh3MgL, Grounds Why) JudgeAmmonia(
        double tanMgL,
        double tempC,
        double ph,
        double salinityPpt,
        WaterLimits limits,
        Hand hand
    )
    {
        var nh3 = UnionisedAmmonia.MgNL(tanMgL, tempC, ph, salinityPpt);
        var status =
            nh3 > limits.Nh3PeakMgL ? Status.ActNow
            : nh3 > limits.Nh3ConstantMgL ? Status.Watch
            : Status.Steady;
        var text =
            $"un-ionised ammonia {hand.Figure(nh3, 3)} mg N/L; bearable for days {hand.Short(limits.Nh3ConstantMgL, 3)}, at most {hand.Short(limits.Nh3PeakMgL, 3)}";
        var why = Grounds
            .Of(
                "The share of total ammonia that is un-ionised, from pH, temperature and salinity of the same hour. It is worst in the afternoon, when pH and temperature are highest.",
                UnionisedAmmonia.Source,
                new Input("total ammonia as N", tanMgL, Measures.Concentration, "measured"),
                new Input("water temperature", tempC, Measures.Temperature, "measured"),
                new Input("pH", ph, Measures.Ph, "measured"),
                new Input("salinity", salinityPpt, Measures.Salinity, salinityPpt == 0 ? "taken as fresh" : "measured")
            )
            .Limited(limits.Source);
        return (new(status, text), nh3, why);
    }

    private static Judgement Say(Status status, string reason) => new(status, reason);

    private static Judgement Fine(string figure) => new(Status.Steady, $"{figure} is inside its limits");
}
