using Dorsk.Core.Judging;
using Dorsk.Core.Units;

namespace Dorsk.Core.Acclimate;

/// <summary>An acclimation was begun: what was measured, and the school that is followed.</summary>
/// <param name="PondId">The pond they go to.</param>
/// <param name="SpeciesKey">The fish.</param>
/// <param name="MeanG">Weight, g.</param>
/// <param name="Fish">How many came.</param>
/// <param name="Origin">Where from.</param>
/// <param name="Bag">The bag.</param>
/// <param name="Places">The pond at its places.</param>
/// <param name="HoursInBag">Hours since they were packed.</param>
/// <param name="School">The school.</param>
public sealed record AcclimationBegun(
    long PondId,
    string SpeciesKey,
    double MeanG,
    int Fish,
    string Origin,
    AccWater Bag,
    IReadOnlyList<AccWater> Places,
    double HoursInBag,
    AccSchool School
) : Fact
{
    /// <summary>The farm's own rates that are followed; null: the trade's.</summary>
    public OwnRates? Own { get; init; }
}

/// <summary>What happens in an acclimation.</summary>
public enum AccEvent
{
    /// <summary>A step is over.</summary>
    StepDone,

    /// <summary>Water was measured.</summary>
    Measured,

    /// <summary>Held: the clock stands.</summary>
    Paused,

    /// <summary>Going on.</summary>
    Resumed,

    /// <summary>Fish were lost.</summary>
    Lost,

    /// <summary>A note, or who is there.</summary>
    Note,

    /// <summary>Over: they are in the pond.</summary>
    Released,

    /// <summary>Broken off.</summary>
    Stopped,
}

/// <summary>One line of an acclimation that is under way.</summary>
/// <param name="RunId">Line that began it.</param>
/// <param name="PondId">Its pond.</param>
/// <param name="Event">What happened.</param>
/// <param name="Step">Key of the step that is over; else empty.</param>
/// <param name="TempC">Measured, or null.</param>
/// <param name="Ph">Measured, or null.</param>
/// <param name="SalinityPpt">Measured, or null.</param>
/// <param name="DoMgL">Measured, or null.</param>
/// <param name="Count">Fish lost, or null.</param>
/// <param name="Text">In words; may be empty.</param>
public sealed record AcclimationNoted(
    long RunId,
    long PondId,
    AccEvent Event,
    string Step,
    double? TempC,
    double? Ph,
    double? SalinityPpt,
    double? DoMgL,
    int? Count,
    string Text
) : Fact
{
    /// <summary>Total ammonia measured, mg N/L, or null.</summary>
    public double? TanMgL { get; init; }

    /// <summary>Objections, named by the field of the page.</summary>
    /// <param name="run">The acclimation.</param>
    /// <param name="at">When this happens.</param>
    public IEnumerable<Remark> Check(AccRun run, DateTimeOffset at)
    {
        if (Event == AccEvent.StepDone && Step == "over" && run.Current is { Key: "over" } step && run.LeftAt(at) >= 1)
            yield return Remark.Ask(
                "step",
                FormattableString.Invariant(
                    $"The {step.Minutes:0} minutes of this step are not over. Do two thermometers agree, one in the bag and one in the pond?"
                )
            );
        if (
            Event == AccEvent.StepDone
            && run.Current is { Key: "out", Presence.Length: > 0 } milestone
            && Text.Trim().Length == 0
        )
            yield return Remark.Ask(
                "step",
                $"There should be: {milestone.Presence}. Nobody is named. Type who was there, or go on without."
            );
        if (run.Ended)
            yield return Remark.Refuse(
                "",
                "This acclimation is over: somebody ended it. Nothing more is written to it."
            );
        if (Event == AccEvent.Measured && (TempC ?? Ph ?? SalinityPpt ?? DoMgL ?? TanMgL) is null)
            yield return Remark.Refuse("temp", "Type at least one figure.");
        foreach (var outside in OutOfRange())
            yield return outside;
        if (Event == AccEvent.Lost && Count is not (>= 1 and <= 10_000_000))
            yield return Remark.Refuse("count", "How many were lost? 1 or more.");
        if (Event is AccEvent.Note or AccEvent.Stopped && string.IsNullOrWhiteSpace(Text))
            yield return Remark.Refuse(
                "text",
                Event == AccEvent.Stopped ? "Say why it is broken off: it is kept." : "A note needs words."
            );
        if (Text.Length > 300)
            yield return Remark.Refuse("text", "At most 300 letters.");
        if (Event == AccEvent.StepDone && Step != run.Current?.Key)
            yield return StepOver(run);
    }

    private IEnumerable<Remark> OutOfRange()
    {
        if (TempC is < 0 or > 45)
            yield return Remark.Refuse("temp", h => $"{Limit.Range(0, 45, Measures.Temperature, h)}.");
        if (Ph is < 3 or > 12)
            yield return Remark.Refuse("ph", "3 to 12.");
        if (SalinityPpt is < 0 or > 60)
            yield return Remark.Refuse("salinity", "0 to 60 ppt.");
        if (DoMgL is < 0 or > 60)
            yield return Remark.Refuse("do", "0 to 60 mg/L.");
        if (TanMgL is < 0 or > 200)
            yield return Remark.Refuse("tan", "0 to 200 mg N/L.");
    }

    private static Remark StepOver(AccRun run) =>
        Remark.Refuse("", $"Somebody else has ended this step already. Now: {run.Current?.What ?? "over"}.");
}

/// <summary>A line of a run with its instant.</summary>
/// <param name="Line">Log line.</param>
/// <param name="At">When.</param>
/// <param name="By">Who.</param>
/// <param name="Fact">What.</param>
public sealed record AccLine(long Line, DateTimeOffset At, string By, AcclimationNoted Fact);

/// <summary>An acclimation under way, as its lines tell it: the same on every phone, after a reload, after a night without signal.</summary>
/// <param name="RunId">Line that began it.</param>
/// <param name="BegunAt">When.</param>
/// <param name="Begun">What it began with.</param>
/// <param name="Plan">Its plan.</param>
/// <param name="Lines">What happened, in order.</param>
public sealed record AccRun(
    long RunId,
    DateTimeOffset BegunAt,
    AcclimationBegun Begun,
    AcclimationPlan Plan,
    IReadOnlyList<AccLine> Lines
)
{
    private IEnumerable<AccLine> Done => Lines.Where(l => l.Fact.Event == AccEvent.StepDone);

    /// <summary>Whether it is over.</summary>
    public bool Ended => Lines.Any(l => l.Fact.Event is AccEvent.Released or AccEvent.Stopped);

    /// <summary>Whether they were let into the pond.</summary>
    public bool Released => Lines.Any(l => l.Fact.Event == AccEvent.Released);

    /// <summary>Steps that are over.</summary>
    public int StepsDone => Done.Select(l => l.Fact.Step).Distinct().Count();

    /// <summary>The step under way; null when all are over.</summary>
    public AccStep? Current => Ended ? null : Plan.Steps.FirstOrDefault(s => Done.All(d => d.Fact.Step != s.Key));

    /// <summary>When the step under way began.</summary>
    public DateTimeOffset CurrentFrom => Done.Any() ? Done.Max(d => d.At) : BegunAt;

    /// <summary>Whether the clock is held.</summary>
    public bool Held =>
        Lines.LastOrDefault(l => l.Fact.Event is AccEvent.Paused or AccEvent.Resumed)?.Fact.Event == AccEvent.Paused;

    /// <summary>Minutes of a span that were not held.</summary>
    public double Running(DateTimeOffset from, DateTimeOffset to)
    {
        var held = TimeSpan.Zero;
        DateTimeOffset? since = null;
        foreach (var l in Lines.Where(l => l.Fact.Event is AccEvent.Paused or AccEvent.Resumed))
        {
            if (l.Fact.Event == AccEvent.Paused)
                since ??= l.At;
            else if (since is { } s)
            {
                held += Overlap(s, l.At);
                since = null;
            }
        }
        if (since is { } open)
            held += Overlap(open, to);
        return Math.Max(0, (to - from - held).TotalMinutes);

        TimeSpan Overlap(DateTimeOffset a, DateTimeOffset b) =>
            (b < to ? b : to) - (a > from ? a : from) is var span && span > TimeSpan.Zero ? span : TimeSpan.Zero;
    }

    /// <summary>Minutes left of the step under way; below nought when it is over its time; null for a step without a time.</summary>
    public double? LeftAt(DateTimeOffset now) =>
        Current is { Minutes: > 0 } step ? step.Minutes - Running(CurrentFrom, now) : null;

    /// <summary>Steps that were ended before their time, with the minutes they ran.</summary>
    public IEnumerable<(AccLine Line, AccStep Step, double RanMinutes)> EndedEarly
    {
        get
        {
            var from = BegunAt;
            foreach (var done in Done)
            {
                var ran = Running(from, done.At);
                if (Plan.Steps.FirstOrDefault(s => s.Key == done.Fact.Step) is { } step && ran < step.Minutes - 0.5)
                    yield return (done, step, ran);
                from = done.At;
            }
        }
    }

    /// <summary>What is noted when fish were not let swim out.</summary>
    public const string Shaken = "shaken or poured out";

    /// <summary>Whether somebody noted that they were shaken or poured out.</summary>
    public bool Rough => Lines.Any(l => l.Fact.Event == AccEvent.Note && l.Fact.Text == Shaken);

    /// <summary>What the ammonia of the last measurement asks for; null until it was measured.</summary>
    /// <param name="hand">How figures are printed.</param>
    public Judgement? Ammonia(Units.Hand hand)
    {
        double? Last(Func<AcclimationNoted, double?> of) =>
            Lines.Select(l => of(l.Fact)).LastOrDefault(v => v is not null);
        return Last(f => f.TanMgL) is { } tan
            ? AccAmmonia.Of(
                tan,
                Last(f => f.TempC) ?? Begun.Bag.TempC,
                Last(f => f.Ph) ?? Begun.Bag.Ph,
                Last(f => f.SalinityPpt) ?? Begun.Bag.SalinityPpt,
                Plan.FryLevelMgL,
                hand
            )
            : null;
    }

    /// <summary>Fish lost so far.</summary>
    public int Lost =>
        (int)
            Math.Min(int.MaxValue, Lines.Where(l => l.Fact.Event == AccEvent.Lost).Sum(l => (long)(l.Fact.Count ?? 0)));

    /// <summary>When the bringing-over began; null before.</summary>
    public DateTimeOffset? OverFrom =>
        Plan.Steps.TakeWhile(s => s.Key != "over").All(s => Done.Any(d => d.Fact.Step == s.Key))
            ? Plan.Steps.TakeWhile(s => s.Key != "over")
                .SelectMany(s => Done.Where(d => d.Fact.Step == s.Key))
                .Select(d => (DateTimeOffset?)d.At)
                .Max()
                ?? BegunAt
            : null;

    /// <summary>Measurements with what was planned for their minute, and how they run.</summary>
    public IReadOnlyList<(
        AccLine Line,
        double Minutes,
        (double TempC, double Ph, double SalinityPpt) Planned,
        Pace Pace,
        string By
    )> Measured
    {
        get
        {
            if (OverFrom is not { } from)
                return [];
            var (b, p) = (Begun.Bag, Plan.Question.Pond);
            return
            [
                .. Lines
                    .Where(l => l.Fact.Event == AccEvent.Measured && l.At >= from)
                    .Select(l =>
                    {
                        var minutes = Running(from, l.At);
                        var planned = Plan.At(minutes);
                        // By the value that has most of its way to go.
                        (
                            string Name,
                            double? Value,
                            double Planned,
                            double From,
                            double To,
                            double Slack,
                            double Way
                        )[] lines =
                        [
                            (
                                "salinity",
                                l.Fact.SalinityPpt,
                                planned.SalinityPpt,
                                b.SalinityPpt,
                                p.SalinityPpt,
                                0.5,
                                Math.Abs(b.SalinityPpt - p.SalinityPpt) / 3
                            ),
                            (
                                "temperature",
                                l.Fact.TempC,
                                planned.TempC,
                                b.TempC,
                                p.TempC,
                                0.7,
                                Math.Abs(b.TempC - p.TempC) / 3
                            ),
                            ("pH", l.Fact.Ph, planned.Ph, b.Ph, p.Ph, 0.3, Math.Abs(b.Ph - p.Ph)),
                        ];
                        var worst = lines
                            .Where(x => x.Value is not null)
                            .OrderByDescending(x => x.Way)
                            .Select(x =>
                                (x.Name, Pace: AcclimationPlan.PaceOf(x.Value!.Value, x.Planned, x.From, x.To, x.Slack))
                            )
                            .OrderByDescending(x =>
                                x.Pace == Pace.TooFast ? 2
                                : x.Pace == Pace.TooSlow ? 1
                                : 0
                            )
                            .FirstOrDefault();
                        return (l, minutes, planned, worst.Name is null ? Pace.OnPlan : worst.Pace, worst.Name ?? "");
                    }),
            ];
        }
    }

    /// <summary>How it went, in a word: the share of measurements that ran with the plan, percent; null without any.</summary>
    public double? OnPlanPct =>
        Measured is { Count: > 0 } m ? 100.0 * m.Count(x => x.Pace == Pace.OnPlan) / m.Count : null;
}
