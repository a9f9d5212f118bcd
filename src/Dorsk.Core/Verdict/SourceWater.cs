using Dorsk.Core.Judging;
using Dorsk.Core.Species;
using Dorsk.Core.Units;
using Dorsk.Core.Water;

namespace Dorsk.Core.Verdict;

/// <summary>One value of a source, judged for the fish that are to live in it.</summary>
/// <param name="Name">What was tested.</param>
/// <param name="Text">The value, printed.</param>
/// <param name="Judgement">Fit, to be treated, or unfit.</param>
/// <param name="Do">What puts it right.</param>
public sealed record SourceValue(string Name, string Text, Judgement Judgement, string Do);

/// <summary>Source water tested before anything is built or bought: fit or unfit value by value, and whether it lasts.</summary>
public static class SourceWater
{
    /// <summary>Where it comes from.</summary>
    public const string Source =
        "Limits of the species; iron, chlorine and gas by usual hatchery practice (Wedemeyer 1996; Boyd and Tucker 1998), starting values";

    private const double IronWatchMgL = 0.5,
        IronActMgL = 1,
        ChlorineActMgL = 0.01,
        GasWatchPct = 103,
        GasActPct = 110;

    /// <summary>Values of the parameters that were tested.</summary>
    /// <param name="values">Values, SI.</param>
    /// <param name="species">The fish.</param>
    /// <param name="hand">How figures are printed.</param>
    public static IReadOnlyList<SourceValue> Judge(
        IReadOnlyList<(Parameter Parameter, double Si)> values,
        FishSpecies species,
        Hand hand
    )
    {
        // Fry are the tenderest that will ever live in it.
        var limits = WaterLimits.For(species, LifeStage.Fry);
        return [.. values.Select(v => One(v.Parameter, v.Si, species, limits, hand))];
    }

    private static SourceValue One(Parameter p, double si, FishSpecies species, WaterLimits limits, Hand hand)
    {
        var text = QuantityText.Write(si, p.Measure, hand);
        if (p == Parameter.Oxygen)
            return new(
                p.Name,
                text,
                si < limits.DoTargetMgL ? new(Status.Watch, "low, as wells are") : new(Status.Steady, "fit"),
                si < limits.DoTargetMgL ? "Let it fall through air before it comes to fish." : ""
            );
        if (p == Parameter.Salinity)
        {
            var fits = si >= species.SalinityLowPpt && si <= species.SalinityHighPpt;
            return new(
                p.Name,
                text,
                fits
                    ? new(Status.Steady, "fit")
                    : new(Status.ActNow, si > species.SalinityHighPpt ? "too salt" : "too fresh"),
                fits ? "" : "Another source, another fish, or salt or fresh water at every filling."
            );
        }
        var judged = WaterJudge.Judge(p, si, limits, hand);
        var fit = judged.Status == Status.Steady;
        var unfit = judged.Status == Status.ActNow || (p == Parameter.Nitrite && judged.Status >= Status.Watch);
        return new(
            p.Name,
            text,
            new(unfit ? Status.ActNow : judged.Status, fit ? "fit" : judged.Reason),
            fit ? "" : Treat(p)
        );
    }

    private static readonly Dictionary<Parameter, string> Treatments = new()
    {
        [Parameter.Alkalinity] = "Lime or gypsum at every filling: work out the cost.",
        [Parameter.Hardness] = "Lime or gypsum at every filling: work out the cost.",
        [Parameter.Temperature] = "A storage pond before the fish, or fewer changes of water.",
        [Parameter.CarbonDioxide] = "Splash boards or a cascade drive it out.",
        [Parameter.Ph] = "Air and lime raise it; a storage pond lowers it. Test again after.",
    };

    private static string Treat(Parameter p) =>
        Treatments.GetValueOrDefault(p, "Test again in another month; find where it comes from before building.");

    /// <summary>Iron: it clogs gills and eggs as it rusts out.</summary>
    /// <param name="mgL">Iron, mg/L; 0 or more.</param>
    /// <param name="hand">How figures are printed.</param>
    public static SourceValue Iron(double mgL, Hand hand) =>
        Other(
            "iron",
            mgL,
            IronWatchMgL,
            IronActMgL,
            hand,
            "Air it and let it settle in a pond of its own before fish."
        );

    /// <summary>Free chlorine: none is borne.</summary>
    /// <param name="mgL">Free chlorine, mg/L; 0 or more.</param>
    /// <param name="hand">How figures are printed.</param>
    public static SourceValue Chlorine(double mgL, Hand hand) =>
        Other("chlorine", mgL, 0, ChlorineActMgL, hand, "Days of air, or thiosulfate by its label; test before fish.");

    /// <summary>Total gas pressure: bubbles in fry and eggs.</summary>
    /// <param name="pct">Total gas pressure, percent of saturation.</param>
    /// <param name="hand">How figures are printed.</param>
    public static SourceValue Gas(double pct, Hand hand) =>
        new(
            "total gas pressure",
            hand.Figure(pct, 0) + " %",
            pct > GasActPct ? new(Status.ActNow, "gas bubbles in fry and eggs")
                : pct > GasWatchPct ? new(Status.Watch, "too much for eggs and fry")
                : new(Status.Steady, "fit"),
            pct > GasWatchPct ? "A packed column or splash boards at the inlet." : ""
        );

    private static SourceValue Other(string name, double mgL, double watch, double act, Hand hand, string treat) =>
        new(
            name,
            hand.Figure(mgL, 2) + " mg/L",
            mgL > act ? new(Status.ActNow, "unfit as it comes")
                : mgL > watch ? new(Status.Watch, "to be treated")
                : new(Status.Steady, "fit"),
            mgL > watch ? treat : ""
        );

    /// <summary>Whether a source lasts: its flow in the driest month against what ponds need.</summary>
    /// <param name="flowM3Day">Flow in the driest month, m³/day.</param>
    /// <param name="volumeM3">Water of the ponds, m³.</param>
    /// <param name="areaM2">Their surface, m².</param>
    /// <param name="fillDays">Days in which they are to be filled.</param>
    /// <param name="lostMmDay">Evaporation and seepage, mm/day.</param>
    /// <param name="changedPct">Water changed a day, percent.</param>
    public static (double FillM3Day, double KeepM3Day, Judgement Judgement) Lasts(
        double flowM3Day,
        double volumeM3,
        double areaM2,
        double fillDays,
        double lostMmDay,
        double changedPct
    )
    {
        var keep = (areaM2 * lostMmDay / 1000) + (volumeM3 * changedPct / 100);
        var fill = (volumeM3 / fillDays) + (areaM2 * lostMmDay / 1000);
        return (
            fill,
            keep,
            flowM3Day < keep ? new(Status.ActNow, "it does not keep the ponds full in the driest month")
            : flowM3Day < fill ? new(Status.Watch, "it keeps them full, and fills them more slowly than wanted")
            : new(Status.Steady, "it fills and keeps them in the driest month")
        );
    }
}
