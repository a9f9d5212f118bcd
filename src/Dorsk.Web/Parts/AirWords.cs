using Dorsk.Core.Air;
using Dorsk.Core.Judging;
using Dorsk.Core.Ponds;
using Dorsk.Farm.Estimates;

namespace Dorsk.Web.Parts;

/// <summary>How one aerator stands, in words.</summary>
/// <param name="Text">For example: runs, 2.3 A.</param>
/// <param name="Status">Steady; Watch where it does not do what it was told; Unknown where nobody reports.</param>
/// <param name="Runs">Whether it runs, as far as is known.</param>
/// <param name="ByHand">Whether a hand order is in force.</param>
public sealed record AirWords(string Text, Status Status, bool Runs, bool ByHand)
{
    /// <summary>Says it.</summary>
    /// <param name="s">The pond.</param>
    /// <param name="a">The aerator.</param>
    /// <param name="hasPanel">Whether a panel switches it.</param>
    /// <param name="here">The farm.</param>
    public static AirWords Of(PondStory s, Aerator a, bool hasPanel, Here here)
    {
        var (hand, told, said) = (s.Air.Hand(a.Code, here.Now), s.Air.Command(a.Code), s.Air.Report(a.Code));
        var by = hand is { } h
            ? $"{(h.Fact.Order == AirOrder.On ? "on" : "off")} by hand, {h.By} {here.Soon(h.At)}{(h.Fact.Until is { } until ? $", until {here.Soon(until)}" : "")}"
            : "";
        if (said is { } r && hasPanel)
        {
            var state =
                !r.Fact.Mains ? "no mains"
                : r.Fact.Running
                    ? $"runs{(r.Fact.CurrentA is { } amps ? ", " + here.Say(amps, Dorsk.Core.Units.Measures.Current) : "")}{(r.Fact.TempC is { } hot ? ", " + here.Say(hot, Dorsk.Core.Units.Measures.Temperature) : "")}"
                : "stands";
            var wrong = told is { } t && t.Fact.On != r.Fact.Running;
            return Reported(told, by, r, state, wrong);
        }
        var runs = hand is { } order
            ? order.Fact.Order == AirOrder.On
            : a.RunsAt(TimeOnly.FromDateTime(here.Zone.LocalAt(here.Now)));
        var words =
            by.Length > 0 ? by
            : runs ? "on, by its timer"
            : "off";
        return new(
            hasPanel ? words + (told is null ? "" : "; its panel has not answered") : words,
            Status.Unknown,
            runs,
            by.Length > 0
        );
    }

    private static AirWords Reported(
        (DateTimeOffset At, AeratorCommanded Fact)? told,
        string by,
        (DateTimeOffset At, AeratorReported Fact) r,
        string state,
        bool wrong
    ) =>
        new(
            state
                + (wrong ? $", told to {(told!.Value.Fact.On ? "run" : "stop")}" : "")
                + (by.Length > 0 ? "; " + by : ""),
            wrong || !r.Fact.Mains ? Status.Watch : Status.Steady,
            r.Fact.Running,
            by.Length > 0
        );
}
