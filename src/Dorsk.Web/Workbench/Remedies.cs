using Dorsk.Core.Judging;
using Dorsk.Core.Species;
using Dorsk.Core.Units;
using Dorsk.Core.Water;
using Dorsk.Farm.Ask;

namespace Dorsk.Web.Workbench;

/// <summary>A remedy for water that is not well, worked out for this pond's volume.</summary>
/// <param name="Reason">What is wrong.</param>
/// <param name="Label">What helps.</param>
/// <param name="Calculator">The calculator that doses it.</param>
public sealed record Remedy(string Reason, string Label, string Calculator)
{
    private static readonly TimeSpan Fresh = TimeSpan.FromDays(14);

    /// <summary>Remedies for what stands outside its limits now, oldest habits last: air and water before powders.</summary>
    public static IReadOnlyList<Remedy> For(PondStory story, WaterLimits limits, DateTimeOffset now, Hand hand)
    {
        var remedies = new List<Remedy>();
        if (story.AmmoniaNow(now) is { Judgement: { Status: Status.Watch or Status.ActNow } judged })
            remedies.AddRange([new(judged.Reason, "Change water", "exchange"), new(judged.Reason, "Carbon for bacteria", "carbon")]);
        (Parameter Of, string Label, string Calculator)[] others = [(Parameter.Nitrite, "Salt against nitrite", "salt"), (Parameter.Alkalinity, "Raise alkalinity", "alkalinity")];
        foreach (var (parameter, label, calculator) in others)
            if (story.LastOf(parameter) is { } last && now - last.At < Fresh && WaterJudge.Judge(parameter, last.Si, limits, hand) is { Status: Status.Watch or Status.ActNow } judgement)
                remedies.Add(new(judgement.Reason, label, calculator));
        return remedies;
    }
}
