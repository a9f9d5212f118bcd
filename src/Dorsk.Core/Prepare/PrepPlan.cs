namespace Dorsk.Core.Prepare;

/// <summary>What has become of a step.</summary>
/// <param name="Day">When it was done or left out.</param>
/// <param name="Left">True when it was left out.</param>
/// <param name="Note">The reason it was left out.</param>
public sealed record StepDone(DateOnly Day, bool Left = false, string Note = "");

/// <summary>A preparation with days: counted back from the stocking day, pushed on by whatever is late.</summary>
/// <param name="Steps">Steps in their order, the last of them stocking.</param>
/// <param name="WantedOn">The stocking day that was wanted, or null when counted forward.</param>
/// <param name="HeldBy">The open step that everything waits for when the stocking day slips; null otherwise.</param>
public sealed record PrepPlan(IReadOnlyList<DatedStep> Steps, DateOnly? WantedOn, DatedStep? HeldBy)
{
    /// <summary>Key of the last step.</summary>
    public const string Stock = "stock";

    /// <summary>The day fish can come.</summary>
    public DateOnly StockOn => Steps.First(s => s.Step.Key == Stock).Day;

    /// <summary>Days by which the stocking day slips past the wanted one.</summary>
    public int SlipsDays => WantedOn is { } wanted ? Math.Max(0, StockOn.DayNumber - wanted.DayNumber) : 0;

    /// <summary>Steps that are neither done nor left out, stocking itself not among them.</summary>
    public IReadOnlyList<DatedStep> Open =>
        Steps.Where(s => s.Step.Key != Stock && (s.State is StepState.Open or StepState.Late)).ToList();

    /// <summary>Those of them that stocking waits for; later doses of fertiliser go on beside the fish.</summary>
    public IReadOnlyList<DatedStep> OpenBeforeStocking
    {
        get
        {
            var awaited = new HashSet<string> { Stock };
            foreach (var s in Steps.Reverse().Where(s => awaited.Contains(s.Step.Key)))
                awaited.UnionWith(s.Step.After.Select(a => a.Key));
            return Open.Where(s => awaited.Contains(s.Step.Key)).ToList();
        }
    }

    /// <summary>What is still to be bought, by product.</summary>
    public IReadOnlyList<Supply> Shopping =>
        Open.SelectMany(s => s.Step.Supplies)
            .GroupBy(s => s.Product)
            .Select(g =>
                g.First() with
                {
                    Amount = g.Any(s => s.Amount is null) ? null : g.Sum(s => s.Amount),
                    Range = g.Any(s => s.Range is not null)
                        ? (g.Sum(s => s.Range?.Low ?? s.Amount ?? 0), g.Sum(s => s.Range?.High ?? s.Amount ?? 0))
                        : null,
                }
            )
            .ToList();

    /// <summary>Gives every step its day.</summary>
    /// <param name="steps">Steps; each names only steps before it.</param>
    /// <param name="madeOn">Day the plan was made.</param>
    /// <param name="stockOn">Wanted stocking day, or null.</param>
    /// <param name="done">What was done, by key.</param>
    /// <param name="today">Today: nothing open lies before it.</param>
    public static PrepPlan Of(
        IReadOnlyList<PrepStep> steps,
        DateOnly madeOn,
        DateOnly? stockOn,
        IReadOnlyDictionary<string, StepDone> done,
        DateOnly today
    )
    {
        var first = Days(steps, madeOn, stockOn, new Dictionary<string, StepDone>());
        var from = today > madeOn ? today : madeOn;
        var now = Days(steps, from, stockOn, done);
        // Late is what had its day before today by what was done so far, as if today were not the bound.
        var unbound = Days(steps, madeOn, stockOn, done);
        var dated = Dated(steps, done, today, first, now, unbound);
        var plan = new PrepPlan(dated, stockOn, null);
        var awaited = plan.OpenBeforeStocking;
        return plan.SlipsDays == 0 || awaited.Count == 0
            ? plan
            : plan with
            {
                HeldBy = awaited.FirstOrDefault(s => s.State == StepState.Late) ?? awaited[0],
            };
    }

    private static List<DatedStep> Dated(
        IReadOnlyList<PrepStep> steps,
        IReadOnlyDictionary<string, StepDone> done,
        DateOnly today,
        Dictionary<string, DateOnly> first,
        Dictionary<string, DateOnly> now,
        Dictionary<string, DateOnly> unbound
    ) =>
        steps
            .Select(s =>
                done.TryGetValue(s.Key, out var d)
                    ? new DatedStep(s, d.Day, first[s.Key], d.Left ? StepState.Left : StepState.Done, d.Note)
                    : new DatedStep(
                        s,
                        now[s.Key],
                        first[s.Key],
                        unbound[s.Key] < today ? StepState.Late : StepState.Open,
                        ""
                    )
            )
            .ToList();

    // As late as the stocking day allows, but never before what it waits for.
    private static Dictionary<string, DateOnly> Days(
        IReadOnlyList<PrepStep> steps,
        DateOnly from,
        DateOnly? stockOn,
        IReadOnlyDictionary<string, StepDone> done
    )
    {
        var early = new Dictionary<string, DateOnly>();
        foreach (var s in steps)
            early[s.Key] = done.TryGetValue(s.Key, out var d)
                ? d.Day
                : s.After.Select(a => early[a.Key].AddDays(Wait(a.Key, a.Days, done))).Append(from).Max();
        if (stockOn is not { } day)
            return early;
        // A stocking day that cannot be kept gives way, and with it every last day before it.
        var late = new Dictionary<string, DateOnly> { [PrepPlan.Stock] = Max(day, early[PrepPlan.Stock]) };
        foreach (var s in steps.Reverse())
        {
            if (!late.TryGetValue(s.Key, out var latest))
                continue;
            foreach (var (key, days) in s.After)
                late[key] = Min(late.GetValueOrDefault(key, DateOnly.MaxValue), latest.AddDays(-Wait(key, days, done)));
        }
        var result = new Dictionary<string, DateOnly>();
        foreach (var s in steps)
            // What nothing waits for, such as the later doses, follows what it waits for.
            result[s.Key] =
                done.TryGetValue(s.Key, out var d) ? d.Day
                : late.TryGetValue(s.Key, out var latest) ? Max(early[s.Key], latest)
                : s.After.Select(a => result[a.Key].AddDays(a.Days)).Append(from).Max();
        return result;
    }

    // A step that was left out needs no waiting after it.
    private static int Wait(string key, int days, IReadOnlyDictionary<string, StepDone> done) =>
        done.TryGetValue(key, out var d) && d.Left ? 0 : days;

    private static DateOnly Min(DateOnly a, DateOnly b) => a < b ? a : b;

    private static DateOnly Max(DateOnly a, DateOnly b) => a > b ? a : b;
}
