using Dorsk.Core.Judging;

namespace Dorsk.Core.Air;

/// <summary>An aerator as it lies in a pond and pushes.</summary>
/// <param name="Code">Its code.</param>
/// <param name="EastM">Metres east of the pond's middle.</param>
/// <param name="NorthM">Metres north of it.</param>
/// <param name="HeadingDeg">Where it pushes the water, degrees from north over east.</param>
/// <param name="ShaftKW">Shaft power, kW.</param>
public readonly record struct Pushing(string Code, double EastM, double NorthM, double HeadingDeg, double ShaftKW);

/// <summary>Whether the aerators of a pond drive its water round in one way, and which corners they leave still.</summary>
/// <param name="Against">Aerators that push against the way of most.</param>
/// <param name="Inward">Aerators that push neither way round: at the bank or through the middle.</param>
/// <param name="DeadCorners">Corners no stream reaches, as metres east and north.</param>
/// <param name="Judgement">In a sentence.</param>
public sealed record FlowRound(
    IReadOnlyList<string> Against,
    IReadOnlyList<string> Inward,
    IReadOnlyList<(double EastM, double NorthM)> DeadCorners,
    Judgement Judgement
)
{
    /// <summary>Where it comes from.</summary>
    public const string Source =
        "Usual layout of paddlewheels along the bank; a stream of 40 m for each root of a kilowatt and 15 m beside it are starting values, judged";

    private const double ReachM = 40,
        BesideM = 15,
        LeastRound = 0.35;

    /// <summary>Looks at the layout.</summary>
    /// <param name="machines">Aerators with a place and a heading; at least one.</param>
    /// <param name="corners">Corners of the pond about its middle, m; may be empty for a round tank.</param>
    public static FlowRound Of(IReadOnlyList<Pushing> machines, IReadOnlyList<(double EastM, double NorthM)> corners)
    {
        var turns = machines.Select(m => (m.Code, Turn: TurnOf(m))).ToList();
        var sum = turns.Sum(t => t.Turn);
        // As many one way as the other: the first says which.
        var way = Math.Sign(Math.Abs(sum) > 1e-9 ? sum : turns[0].Turn);
        List<string> against = [.. turns.Where(t => t.Turn * way < -LeastRound).Select(t => t.Code)],
            inward = [.. turns.Where(t => Math.Abs(t.Turn) <= LeastRound).Select(t => t.Code)];
        var dead = corners.Where(c => !machines.Any(m => Reaches(m, c))).ToList();
        return new(against, inward, dead, Say(against, inward, dead.Count));
    }

    private static Judgement Say(List<string> against, List<string> inward, int dead)
    {
        List<string> said = [];
        if (against.Count > 0)
            said.Add($"{string.Join(", ", against)} push against the others");
        if (inward.Count > 0)
            said.Add($"{string.Join(", ", inward)} push at the bank or through the middle");
        if (dead > 0)
            said.Add($"{dead} corner{(dead == 1 ? "" : "s")} lie still: mud and waste gather there");
        return said.Count == 0
            ? new(Status.Steady, "the water runs round in one way and reaches every corner")
            : new(Status.Watch, string.Join("; ", said));
    }

    // 1 straight along the bank one way round, -1 the other way, 0 in or out; in the middle of the pond there is no way round.
    private static double TurnOf(Pushing m)
    {
        var outM = Math.Sqrt((m.EastM * m.EastM) + (m.NorthM * m.NorthM));
        if (outM < 0.5)
            return 0;
        var (east, north) = Way(m.HeadingDeg);
        return ((m.EastM * north) - (m.NorthM * east)) / outM;
    }

    private static (double East, double North) Way(double headingDeg) => Math.SinCos(headingDeg * Math.PI / 180);

    private static bool Reaches(Pushing m, (double EastM, double NorthM) corner)
    {
        var (east, north) = Way(m.HeadingDeg);
        var (de, dn) = (corner.EastM - m.EastM, corner.NorthM - m.NorthM);
        var along = Math.Clamp((de * east) + (dn * north), 0, ReachM * Math.Sqrt(m.ShaftKW));
        var (me, mn) = (de - (along * east), dn - (along * north));
        return Math.Sqrt((me * me) + (mn * mn)) <= BesideM;
    }
}
