using Dorsk.Core.Judging;
using Dorsk.Core.Units;

namespace Dorsk.Core.Air;

/// <summary>Whether aerators do what they were told, and how they stand against their plates.</summary>
public static class AirFaults
{
    private const double OverShare = 1.1,
        FarOverShare = 1.3,
        LightShare = 0.4,
        NearShare = 0.95;

    /// <summary>What is wrong with one aerator; null when nothing is.</summary>
    /// <param name="code">Its code.</param>
    /// <param name="record">Its pond's record.</param>
    /// <param name="now">Now.</param>
    /// <param name="patience">How long a panel may take to answer.</param>
    public static Judgement? Of(string code, AirRecord record, DateTimeOffset now, TimeSpan patience)
    {
        if (record.Command(code) is not { } told || now - told.At <= patience)
            return null;
        var ago = FormattableString.Invariant($"{Math.Max(1, (now - told.At).TotalMinutes):0} min ago");
        if (record.Report(code) is not { } said)
            return new(
                told.Fact.On ? Status.ActNow : Status.Watch,
                $"{code} was told to {(told.Fact.On ? "start" : "stop")} {ago}, and its panel has never answered"
            );
        // Without mains nothing can run: that rings as lost power.
        if (!said.Fact.Mains)
            return null;
        if (told.Fact.On && !said.Fact.Running)
            return new(
                Status.ActNow,
                $"{code} was told to run {ago} and stands still: tripped, or switched off at the motor"
            );
        if (!told.Fact.On && said.Fact.Running)
            return new(
                Status.Watch,
                $"{code} was told to stop {ago} and runs: switched on at the motor, or a stuck contactor"
            );
        return said.Fact.Running && record.Tests(code).LastOrDefault().Fact?.Plate is { } plate
            ? AgainstPlate(code, said.Fact, plate)
            : null;
    }

    private static Judgement? AgainstPlate(string code, AeratorReported said, Plate plate)
    {
        Judgement?[] both =
        [
            said.CurrentA is { } a ? Current(code, a, plate.CurrentA) : null,
            said.TempC is { } t && plate.TempC is { } most ? Heat(code, t, most) : null,
        ];
        return both.OfType<Judgement>().MaxBy(j => j.Status);
    }

    // A motor that runs hot burns out within the hour; near its limit it is looked at.
    private static Judgement? Heat(string code, double tempC, double mostC)
    {
        Judgement Say(Status status, string so) =>
            new(status, FormattableString.Invariant($"{code} is {tempC:0} °C hot, {mostC:0} °C allowed: {so}"));
        return tempC > mostC ? Say(Status.ActNow, "stop it before the motor burns, and start another; do not touch it")
            : tempC > mostC - NearC ? Say(Status.Watch, "shade and clean its fins; look at load, bearings and voltage")
            : null;
    }

    private const double NearC = 8;

    private static Judgement? Current(string code, double a, double rated)
    {
        Judgement Say(Status status, string draws, string so) =>
            new(status, FormattableString.Invariant($"{code} {draws} {a:0.0} A, rated {rated:0.0}: {so}"));
        if (a > FarOverShare * rated)
            return Say(Status.ActNow, "draws", "stop it before the motor burns, and start another");
        if (a > OverShare * rated)
            return Say(Status.Watch, "draws", "too deep, a bearing, low voltage or a blocked paddle");
        return a < LightShare * rated
            ? Say(Status.Watch, "draws only", "a broken belt, a lost paddle, or it stands out of the water")
            : null;
    }

    /// <summary>How one step of taking a machine into use stands against its plate, and what comes next.</summary>
    public static (Judgement Judgement, Grounds Why) Test(AeratorTested t, Hand hand)
    {
        string Q(double si, Measure m) => QuantityText.Write(si, m, hand);
        List<(string What, double Value, double? Most, Measure Measure)> all =
        [
            ("current", t.CurrentA, t.Plate.CurrentA, Measures.Current),
            ("pressure", t.PressureKPa ?? double.NaN, t.Plate.PressureKPa, Measures.Pressure),
            ("temperature", t.TempC ?? double.NaN, t.Plate.TempC, Measures.Temperature),
        ];
        var known = all.Where(x => x.Most is not null && double.IsFinite(x.Value)).ToList();
        // Degrees have no natural nought: nearness is judged on what lies above a warm day.
        double Share((string What, double Value, double? Most, Measure Measure) x) =>
            x.Measure == Measures.Temperature
                ? (x.Value - 25) / Math.Max(1, x.Most!.Value - 25)
                : x.Value / x.Most!.Value;
        var worst = known.MaxBy(Share);
        var said = $"{worst.What} {Q(worst.Value, worst.Measure)} of {Q(worst.Most!.Value, worst.Measure)} allowed";
        var judgement =
            Share(worst) > 1
                ? new Judgement(
                    Status.ActNow,
                    $"Stop, hold, and go back a step: {said}. Let it cool and find the cause before it goes on"
                )
            : Share(worst) > NearShare ? new Judgement(Status.Watch, $"Hold: at its limit, no further step: {said}")
            : Unread(t, all, hand)
                ?? new Judgement(Status.Steady, $"The next step may come after ten steady minutes: {said}");
        return (judgement, Because(known));
    }

    // A limit that nobody read is no limit that was kept.
    private static Judgement? Unread(
        AeratorTested t,
        List<(string What, double Value, double? Most, Measure Measure)> all,
        Hand hand
    )
    {
        foreach (var (what, value, most, measure) in all)
            if (most is { } limit && !double.IsFinite(value))
                return new(
                    Status.Watch,
                    $"Hold: its {what} was not read ({QuantityText.Write(limit, measure, hand)} is allowed). Read it before the next step"
                );
        var isPressed = t.PressureKPa is not null || t.Plate.PressureKPa is not null;
        return isPressed && t.TempC is null
            ? new(
                Status.Watch,
                "Hold: its temperature was not read. A blower burns out by heat first: read it, and type what the plate allows"
            )
            : null;
    }

    /// <summary>What stands against a further step so soon, or after such a step; asked, not refused: what was done is recorded.</summary>
    /// <param name="before">The step before, with its time; null where it is the first.</param>
    /// <param name="at">Time of this one.</param>
    /// <param name="hand">How figures are printed.</param>
    public static IEnumerable<Remark> AfterStep(
        (DateTimeOffset At, AeratorTested Fact)? before,
        DateTimeOffset at,
        Hand hand
    )
    {
        if (before is not { } last || at < last.At || at - last.At > SameDay)
            yield break;
        if (at - last.At < Steady)
            yield return Remark.Ask(
                "Step",
                $"Only {hand.Count((at - last.At).TotalMinutes)} minutes since the step before: it runs ten steady minutes first. Recorded all the same?"
            );
        if (Test(last.Fact, hand).Judgement is { Status: Status.ActNow } over)
            yield return Remark.Ask(
                "Step",
                $"The step before was over its limit ({over.Reason}). Was it taken back and the cause found?"
            );
    }

    private static readonly TimeSpan Steady = TimeSpan.FromMinutes(10),
        SameDay = TimeSpan.FromHours(12);

    private static Grounds Because(List<(string What, double Value, double? Most, Measure Measure)> known) =>
        Grounds.Of(
            "Each step is held against the plate; the one nearest its limit decides. Over it: back a step. Above 95 %: no further. Else let it run ten minutes, read again, then open the next valve or line.",
            "Usual way of taking blowers into use; limits are the plate's or the manual's",
            [
                .. known.Select(x => new Input(x.What, x.Value, x.Measure, "measured")),
                .. known.Select(x => new Input($"{x.What} allowed", x.Most!.Value, x.Measure, "plate, typed")),
            ]
        );
}
