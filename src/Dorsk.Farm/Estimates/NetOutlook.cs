using Dorsk.Core.Harvest;
using Dorsk.Core.Verdict;
using Dorsk.Core.Water;

namespace Dorsk.Farm.Estimates;

/// <summary>The air of fish that are crowded in a net.</summary>
public static class NetOutlook
{
    // Pond water that nobody read today, and water colder or warmer than anybody read.
    private const double PlainFlowMgL = 6,
        PlainC = 24;
    private static readonly TimeSpan Speaks = TimeSpan.FromHours(6);

    /// <summary>The crowd of an open net day in its water.</summary>
    /// <param name="facts">The pond.</param>
    /// <param name="state">Its state.</param>
    /// <param name="tally">The net day.</param>
    /// <param name="doMgL">Oxygen among the fish, mg/L; null where nobody read it.</param>
    /// <param name="kg">Fish in the net, kg; above 0.</param>
    public static CrowdedNet Of(PondFacts facts, PondState state, NetTally tally, double? doMgL, double kg)
    {
        // Of one batch among several its own fish are in the net; they are judged by the most tender that stand here.
        var fish = state.Tender;
        return new(
            fish.Species,
            tally.Begun.MeanG,
            kg,
            Math.Max(0.05, tally.Begun.WaterM3 - (kg / 1000)),
            facts.LastOf(Parameter.Temperature)?.Si ?? PlainC,
            doMgL,
            state.Limits.DoActMgL,
            tally.Begun.FlowM3H,
            state.Last(Parameter.Oxygen, Speaks)?.Si ?? PlainFlowMgL
        );
    }

    /// <summary>What is in the net when nobody guessed: what is expected and was not taken, at most a pull of three.</summary>
    public static double LikelyKg(NetTally tally) => Math.Max(1, LeftKg(tally) / 3);

    /// <summary>What is expected and was not taken yet, kg; 0 or more.</summary>
    public static double LeftKg(NetTally tally) =>
        Math.Max(0, ((tally.Begun.LowKg + tally.Begun.HighKg) / 2) - tally.Taken.Kg);

    /// <summary>Fish crowded in the net of an open net day; null where none are.</summary>
    internal static CrowdInNet? Crowd(PondFacts facts, PondState state)
    {
        foreach (var tally in facts.Rows.Net.Open)
            if (tally.Crowd(state.Now) is { } read)
            {
                var kg = read.Noted.CrowdKg ?? LikelyKg(tally);
                var net = Of(facts, state, tally, read.Noted.DoMgL, kg);
                return new(read.At, read.Noted.DoMgL!.Value, kg, NetAir.Minutes(net) ?? 0);
            }
        return null;
    }
}
