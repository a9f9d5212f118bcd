using Dorsk.Core.Judging;

namespace Dorsk.Core.Water;

/// <summary>Whether a probe can be believed: silent, stuck, jumping, or drifting against the hand meter.</summary>
public static class ProbeHealth
{
    /// <summary>Where it comes from.</summary>
    public const string Source = "Usual faults of probes; spans and steps are starting values, judged";

    // Silent after so long; the same figure for so long; no water changes so much in so short a time; hand and probe read within this of each other; a lasting difference.
    private static readonly TimeSpan Silent = TimeSpan.FromHours(2),
        Stuck = TimeSpan.FromHours(3),
        Between = TimeSpan.FromMinutes(40),
        Together = TimeSpan.FromMinutes(20);
    private const double SameShare = 1e-6,
        JumpMgL = 4,
        JumpC = 4,
        DriftMgL = 0.7,
        DriftC = 1;
    private const int FewestStuck = 6,
        Pairs = 3;

    private static readonly Dictionary<Parameter, double> Jumps = new()
    {
        [Parameter.Oxygen] = JumpMgL,
        [Parameter.Temperature] = JumpC,
        [Parameter.Ph] = 1,
    };

    /// <summary>What is wrong with it, the worst first; empty when nothing is.</summary>
    /// <param name="parameter">What it reads.</param>
    /// <param name="probe">Its values of the last days, oldest first.</param>
    /// <param name="byHand">Readings by hand of the same thing in the same pond.</param>
    /// <param name="now">Now.</param>
    public static IReadOnlyList<Judgement> Of(
        Parameter parameter,
        IReadOnlyList<Timed> probe,
        IReadOnlyList<Timed> byHand,
        DateTimeOffset now
    )
    {
        if (probe.Count == 0)
            return [Watch($"{parameter.Name}: never heard")];
        if ((now - probe[^1].At) is var silent && silent > Silent)
            return [Watch($"{parameter.Name}: silent for {silent.TotalHours:0.#} h")];
        List<Judgement?> found =
        [
            StuckAt(parameter, probe),
            Jumped(parameter, probe, now),
            Drift(parameter, probe, byHand) is { } drift
                ? Watch(
                    $"{parameter.Name}: {Math.Abs(drift):0.0} {(drift > 0 ? "above" : "under")} the hand meter in the last {Pairs} readings taken together: clean it, calibrate both"
                )
                : null,
        ];
        return [.. found.OfType<Judgement>()];
    }

    private static Judgement Watch(FormattableString reason) => new(Status.Watch, FormattableString.Invariant(reason));

    private static Judgement? StuckAt(Parameter parameter, IReadOnlyList<Timed> probe)
    {
        var last = probe[^1];
        var same = probe
            .Reverse()
            .TakeWhile(p => Math.Abs(p.Si - last.Si) <= SameShare * Math.Max(1, Math.Abs(p.Si)))
            .ToList();
        var span = same[0].At - same[^1].At;
        return same.Count >= FewestStuck && span >= Stuck
            ? Watch($"{parameter.Name}: stuck at {last.Si:0.##} for {span.TotalHours:0.#} h")
            : null;
    }

    private static Judgement? Jumped(Parameter parameter, IReadOnlyList<Timed> probe, DateTimeOffset now)
    {
        var step = Jumps.GetValueOrDefault(parameter, double.PositiveInfinity);
        var (before, after) = probe
            .Zip(probe.Skip(1))
            .LastOrDefault(p =>
                p.Second.At > now.AddHours(-24)
                && p.Second.At - p.First.At <= Between
                && Math.Abs(p.Second.Si - p.First.Si) > step
            );
        return after == default
            ? null
            : Watch(
                $"{parameter.Name}: jumped from {before.Si:0.##} to {after.Si:0.##} in {(after.At - before.At).TotalMinutes:0} min"
            );
    }

    /// <summary>Mean of probe less hand over the last readings taken together, where all of them are off to the same side by enough to matter; null otherwise.</summary>
    public static double? Drift(Parameter parameter, IReadOnlyList<Timed> probe, IReadOnlyList<Timed> byHand)
    {
        var pairs = byHand
            .Select(h => (Hand: h, Probe: probe.MinBy(p => (p.At - h.At).Duration())))
            .Where(x => (x.Probe.At - x.Hand.At).Duration() <= Together)
            .TakeLast(Pairs)
            .Select(x => x.Probe.Si - x.Hand.Si)
            .ToList();
        var matters =
            parameter == Parameter.Temperature ? DriftC
            : parameter == Parameter.Oxygen ? DriftMgL
            : parameter.Apart ?? DriftMgL;
        return
            pairs.Count == Pairs
            && (pairs.TrueForAll(d => d > 0) || pairs.TrueForAll(d => d < 0))
            && Math.Abs(pairs.Average()) > matters
            ? pairs.Average()
            : null;
    }
}
