using Dorsk.Core.Water;
using Dorsk.Farm.Estimates;

namespace Dorsk.Web.Pages;

/// <summary>Readings gathered by the instant they were taken, newest first.</summary>
public static class WaterRounds
{
    public static List<(DateTimeOffset At, Dictionary<Parameter, double> Values)> Of(PondStory story, int most) =>
        Parameter
            .All.SelectMany(p => story.AllReadings[p].TakeLast(most).Select(t => (t.At, p, t.Si)))
            .GroupBy(r => r.At)
            .OrderByDescending(g => g.Key)
            .Take(most)
            .Select(g => (g.Key, g.GroupBy(r => r.p).ToDictionary(x => x.Key, x => x.Last().Si)))
            .ToList();
}
