using Dorsk.Core.Judging;

namespace Dorsk.Core.Growth;

/// <summary>What one witness says of the last spans, against the spans before.</summary>
/// <param name="Change">Change as a share: −0.3 is three tenths less.</param>
/// <param name="Sds">The same in SDs of what such a change is without any loss.</param>
/// <param name="ShowsLoss">The smallest loss that this witness shows in four cases of five, as a share of the fish.</param>
public sealed record WitnessVoice(double Change, double Sds, double ShowsLoss)
{
    /// <summary>So many SDs count as parted.</summary>
    public const double Parted = 2.1;

    /// <summary>Whether it parts from the books.</summary>
    public bool Parts => Math.Abs(Sds) >= Parted;
}

/// <summary>
/// Feed as a second witness of the number. Each span between samples has its feed per gain (conversion) and, where fish are fed by
/// what they take, its appetite; both are held against the batch's own spans before. When fish are gone that nobody saw go, both fall.
/// </summary>
/// <param name="Spans">Spans between samples, in order.</param>
/// <param name="Conversion">Feed per gain, or null before three spans.</param>
/// <param name="Appetite">Appetite, or null before three spans.</param>
/// <param name="ByEye">Whether they are fed what they take.</param>
public sealed record Witness(
    IReadOnlyList<WitnessSpan> Spans,
    WitnessVoice? Conversion,
    WitnessVoice? Appetite,
    bool ByEye
)
{
    // Spans differ by so much without any loss (logs; found on simulated ponds), and that counts as so many spans.
    private const double ConversionSpread = 0.05,
        AppetiteSpread = 0.09,
        SpreadCounts = 4;
    private const int FewestFreeDays = 6;
    private const double FourInFive = 0.84;

    /// <summary>Whether one of them parts from the books.</summary>
    public bool Parts => Conversion is { Parts: true } || Appetite is { Parts: true };

    /// <summary>The smallest loss that these records show in four cases of five, as a share of the fish; null before three spans, and where a ration feeds the fish on the books.</summary>
    public double? ShowsLoss => ByEye ? Appetite?.ShowsLoss : null;

    /// <summary>What they say, in words.</summary>
    public Judgement Verdict =>
        this switch
        {
            { Appetite: null, Conversion: null } => new(
                Status.Unknown,
                "Feed can be held against the books once three spans between samples are known"
            ),
            { Appetite: { Parts: true, Change: < 0 } a } => new(
                Status.Watch,
                FormattableString.Invariant(
                    $"They eat {-100 * a.Change:0} % less than fish of this size took here before in like water: fewer fish than the books say, fish off their feed, or feed not written down"
                )
            ),
            { Appetite: { Parts: true } a } => new(
                Status.Watch,
                FormattableString.Invariant(
                    $"They are given {100 * a.Change:0} % more than fish of this size took here before in like water: feed left to rot, or more fish than the books say"
                )
            ),
            { Conversion: { Parts: true, Change: < 0 } c } => new(
                Status.Watch,
                FormattableString.Invariant(
                    $"A kg of gain takes {-100 * c.Change:0} % less feed than before: fewer fish than the books say share it, natural food, or feed not written down"
                )
            ),
            { Conversion: { Parts: true } c } => new(
                Status.Watch,
                FormattableString.Invariant(
                    $"A kg of gain takes {100 * c.Change:0} % more feed than before: feed left to rot, sick fish, poorer feed, or more fish than the books say"
                )
            ),
            _ => new(Status.Steady, "Feed, samples and books agree"),
        };

    /// <summary>What size of loss these records can and cannot show, in words.</summary>
    public string Sees =>
        !ByEye
            ? "These fish get a ration for the number on the books: when fish are gone the rest eat the more, and neither feed nor samples show it. Only an inventory count does."
        : ShowsLoss is { } share
            ? FormattableString.Invariant(
                $"In four cases of five these records show a loss of {100 * share:0} % of the fish or more; a smaller one they cannot show."
            )
        : "No loss can be seen in these records yet.";

    /// <summary>Hears the witnesses of a batch.</summary>
    /// <param name="batch">The batch.</param>
    /// <param name="days">Its standing estimates from stocking on.</param>
    /// <param name="byEye">Whether they are fed what they take: a ration worked out for the fish on the books says nothing of appetite.</param>
    public static Witness Of(BatchHistory batch, IReadOnlyList<Standing> days, bool byEye)
    {
        var last = days[^1].Day;
        var ends = batch
            .Samples.Select(s => s.Day)
            .Where(d => d <= last)
            .Distinct()
            .Prepend(batch.StockedOn)
            .Distinct()
            .ToList();
        var spans = ends.Zip(ends.Skip(1), (from, to) => Span(batch, days, from, to)).ToList();
        return new(
            spans,
            Hear(spans, s => s.LogConversion, s => s.ConversionSd, ConversionSpread),
            byEye ? Hear(spans, s => s.LogAppetite, _ => 0, AppetiteSpread) : null,
            byEye
        );
    }

    private static WitnessSpan Span(BatchHistory batch, IReadOnlyList<Standing> days, DateOnly from, DateOnly to)
    {
        var (first, end) = (
            days[from.DayNumber - batch.StockedOn.DayNumber],
            days[to.DayNumber - batch.StockedOn.DayNumber]
        );
        var span = days.Skip(from.DayNumber - batch.StockedOn.DayNumber).Take(to.DayNumber - from.DayNumber).ToList();
        var fed = span.Sum(d => batch.FedKg(d.Day));
        var (startG, endG) = (first.MeanG.Value, end.MeanG.Value);
        var gain = endG - startG;
        var count = span.Average(d => d.Count.Value);
        // The gain is a difference of two weights: the smaller it is, the less it says.
        var sdGain = Math.Sqrt(Math.Pow(endG * end.State.SdLogG, 2) + Math.Pow(startG * first.State.SdLogG, 2));
        var tells = gain > 2 * sdGain && fed > 0 && count > 0;
        return new(
            from,
            to,
            startG,
            endG,
            span.Sum(d => batch.TemperatureC(d.Day)),
            fed,
            count,
            tells ? Math.Log(fed * 1000 / (gain * count)) : null,
            tells ? sdGain / gain : 0,
            AppetiteOf(batch, span)
        );
    }

    private static double? AppetiteOf(BatchHistory batch, List<Standing> span)
    {
        double fed = 0,
            wanted = 0;
        var free = 0;
        foreach (var day in span)
        {
            var given = batch.FedKg(day.Day);
            if (given <= 0 || day.FullGainG <= 0 || day.Oxygen < 1)
                continue;
            var tempC = batch.TemperatureC(day.Day);
            fed += given;
            wanted +=
                Habit.Shape(day.MeanG.Value, tempC, batch.Species)
                * day.State.RateAt(tempC, batch.Species)
                / day.State.RateFactor
                * day.Count.Value;
            free++;
        }
        return free < FewestFreeDays || wanted <= 0 ? null : Math.Log(fed / wanted);
    }

    // The last span, or the last two together, whichever parts more; both against all before.
    private static WitnessVoice? Hear(
        List<WitnessSpan> spans,
        Func<WitnessSpan, double?> log,
        Func<WitnessSpan, double> sd,
        double spread
    )
    {
        var said = spans.Where(s => log(s) is not null).Select(s => (Log: log(s)!.Value, Sd: sd(s))).ToList();
        if (spans.Count == 0 || log(spans[^1]) is null)
            return null;
        return new[] { 1, 2 }
            .Where(n => said.Count - n >= 2)
            .Select(n =>
            {
                var (before, now) = (said.SkipLast(n).ToList(), said.TakeLast(n).ToList());
                var usual = Mean(before);
                var own = before.Sum(b => Math.Max(0, Math.Pow(b.Log - usual.Log, 2) - (b.Sd * b.Sd)));
                var between = ((SpreadCounts * spread * spread) + own) / (SpreadCounts + before.Count - 1);
                var doubt = Math.Sqrt(
                    (between * ((1.0 / before.Count) + (1.0 / n))) + (usual.Sd * usual.Sd) + Math.Pow(Mean(now).Sd, 2)
                );
                var change = Mean(now).Log - usual.Log;
                return new WitnessVoice(
                    Math.Exp(change) - 1,
                    change / doubt,
                    1 - Math.Exp(-(WitnessVoice.Parted + FourInFive) * doubt)
                );
            })
            .MaxBy(v => Math.Abs(v.Sds));
    }

    private static (double Log, double Sd) Mean(List<(double Log, double Sd)> said) =>
        (said.Average(s => s.Log), Math.Sqrt(said.Sum(s => s.Sd * s.Sd)) / said.Count);
}
