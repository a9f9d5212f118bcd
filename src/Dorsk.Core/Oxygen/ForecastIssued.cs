using Dorsk.Core.Judging;
using Dorsk.Core.Time;

namespace Dorsk.Core.Oxygen;

/// <summary>A forecast of a dawn low as it was told, kept so that it can be held against what came.</summary>
/// <param name="PondId">The pond.</param>
/// <param name="Night">The night.</param>
/// <param name="Method">How respiration was learned.</param>
/// <param name="Low">The dawn low, mg/L, with its 80 % interval.</param>
/// <param name="LowAt">When it was to come.</param>
/// <param name="ChanceUnderAct">Chance told of a low under the act level.</param>
/// <param name="StartAt">The reading it started from.</param>
/// <param name="Shown">Whether it was the one that was shown; the other methods are kept beside it, so that each is scored.</param>
public sealed record ForecastIssued(
    long PondId,
    Night Night,
    DeclineMethod Method,
    Interval Low,
    DateTimeOffset LowAt,
    double ChanceUnderAct,
    DateTimeOffset StartAt,
    bool Shown = true
) : Fact;

/// <summary>A night whose forecast and outcome are both known.</summary>
/// <param name="Night">The night.</param>
/// <param name="Issued">What was forecast at dusk.</param>
/// <param name="CameMgL">The lowest reading of the morning, mg/L.</param>
public sealed record NightOutcome(Night Night, ForecastIssued Issued, double CameMgL)
{
    /// <summary>Told less came, mg/L.</summary>
    public double ErrorMgL => Issued.Low.Value - CameMgL;
}

/// <summary>How forecasts came out.</summary>
/// <param name="Nights">Nights added up.</param>
/// <param name="BiasMgL">Mean of forecast less measured, mg/L; above nought the forecasts promised too much.</param>
/// <param name="ErrorMgL">Mean absolute error, mg/L.</param>
/// <param name="Inside">Nights that came inside their 80 % interval.</param>
public sealed record ForecastScore(int Nights, double BiasMgL, double ErrorMgL, int Inside)
{
    /// <summary>Adds the last nights up; null without any.</summary>
    /// <param name="nights">Nights, oldest first.</param>
    /// <param name="last">At most so many of them, from the end.</param>
    public static ForecastScore? Of(IEnumerable<NightOutcome> nights, int last = int.MaxValue)
    {
        var counted = nights.TakeLast(last).ToList();
        return counted.Count == 0
            ? null
            : new(
                counted.Count,
                counted.Average(n => n.ErrorMgL),
                counted.Average(n => Math.Abs(n.ErrorMgL)),
                counted.Count(n => n.Issued.Low.Holds(n.CameMgL))
            );
    }

    /// <summary>Which way the forecasts lean, in words; within a tenth of a mg/L they lean to neither.</summary>
    public string Leaning =>
        Math.Abs(BiasMgL) < 0.1 ? "neither too hopeful nor too gloomy"
        : BiasMgL > 0 ? "a little too hopeful"
        : "a little too gloomy";

    /// <summary>Grounds of such a score.</summary>
    public Grounds Why() =>
        Grounds.Of(
            "Each evening the first forecast after sunset is kept; each morning it is held against the lowest oxygen read in it, to three hours after sunrise. Bias is forecast less measured; the error is its size whatever the sign.",
            "Forecasts kept in the log, readings of the mornings",
            new Input("nights", Nights, Units.Measures.Plain, "with a forecast and a reading near sunrise"),
            new Input("inside their 8-in-10 range", Inside, Units.Measures.Plain, "nights")
        );
}
