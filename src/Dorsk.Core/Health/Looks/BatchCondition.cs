using Dorsk.Core.Judging;
using Dorsk.Core.Units;

namespace Dorsk.Core.Health;

/// <summary>What a batch has borne in the last month: fish that bore much are not netted for a question that can wait.</summary>
/// <param name="NightsLow">Nights under the act level of oxygen.</param>
/// <param name="Moves">Moves.</param>
/// <param name="Nettings">Samples and part harvests.</param>
/// <param name="DaysOut">Days with water outside their band of temperature.</param>
/// <param name="Treatments">Treatments.</param>
public sealed record BatchCondition(int NightsLow, int Moves, int Nettings, int DaysOut, int Treatments)
{
    /// <summary>Days that count.</summary>
    public const int Days = 30;

    /// <summary>Where it comes from.</summary>
    public const string Source =
        "Stress adds up: cortisol and infections after repeated handling (Wedemeyer 1996); weights are starting values";

    private const int Tiring = 4;
    private const double DayOutWeight = 0.25;

    /// <summary>Weighted sum: a low night, a move and a treatment count one each and half for a netting.</summary>
    public double Burden => NightsLow + Moves + Treatments + (0.5 * Nettings) + (DayOutWeight * DaysOut);

    /// <summary>Whether they have borne so much that handling waits.</summary>
    public bool IsTired => Burden >= Tiring;

    /// <summary>It in one line; empty when they have borne nothing.</summary>
    /// <param name="hand">How figures are printed.</param>
    public string Words(Hand hand)
    {
        (int Count, string One, string Many)[] all =
        [
            (NightsLow, "night under the act level", "nights under the act level"),
            (Moves, "move", "moves"),
            (Nettings, "netting", "nettings"),
            (DaysOut, "day too warm or too cold", "days too warm or too cold"),
            (Treatments, "treatment", "treatments"),
        ];
        var said = all.Where(x => x.Count > 0)
            .Select(x => $"{hand.Count(x.Count)} {(x.Count == 1 ? x.One : x.Many)}")
            .ToList();
        return said.Count == 0 ? "" : string.Join(", ", said);
    }

    /// <summary>What stands against netting, grading or moving them now; null where nothing does.</summary>
    /// <param name="hand">How figures are printed.</param>
    public string? AgainstHandling(Hand hand) =>
        IsTired
            ? $"These fish bore much in the last {hand.Count(Days)} days: {Words(hand)}. A week of rest lowers what they lose."
            : null;

    /// <summary>How it was judged.</summary>
    /// <param name="hand">How figures are printed.</param>
    public Grounds Why(Hand hand) =>
        Grounds
            .Of(
                "What the log has of the last 30 days: each low night, move and treatment counts one, a netting a half, a day outside the band of temperature a quarter.",
                Source,
                new Input("together", Burden, Measures.Plain, "log")
            )
            .Limited($"tired from {hand.Count(Tiring)}");
}
