using Dorsk.Core.Judging;
using MathNet.Numerics.Distributions;

namespace Dorsk.Core.Hatchery;

/// <summary>A stage of eggs and fry, in their order.</summary>
public enum EggStage
{
    /// <summary>Taken, cleaving.</summary>
    Fresh,

    /// <summary>The body shows.</summary>
    Embryo,

    /// <summary>Eyes show.</summary>
    Eyed,

    /// <summary>Hatching.</summary>
    Hatching,

    /// <summary>Sac fry.</summary>
    SacFry,

    /// <summary>Swim up.</summary>
    SwimUp,

    /// <summary>Take their first feed.</summary>
    FirstFeed,
}

/// <summary>An hour of the clock with its 80 % range.</summary>
/// <param name="Stage">What begins.</param>
/// <param name="At">Likely.</param>
/// <param name="Earliest">Early end.</param>
/// <param name="Latest">Late end.</param>
public readonly record struct EggHour(
    EggStage Stage,
    DateTimeOffset At,
    DateTimeOffset Earliest,
    DateTimeOffset Latest
);

/// <summary>What the clock of an egg lot goes by.</summary>
/// <param name="Table">The species.</param>
/// <param name="TakenAt">When they were taken.</param>
/// <param name="Temperatures">Water of their trough since then, in order of time, °C; at least one.</param>
/// <param name="Now">The instant.</param>
public sealed record EggLot(
    EggTable Table,
    DateTimeOffset TakenAt,
    IReadOnlyList<(DateTimeOffset At, double TempC)> Temperatures,
    DateTimeOffset Now
)
{
    /// <summary>When somebody first saw their eyes; null while nobody did.</summary>
    public DateTimeOffset? EyedSeen { get; init; }

    /// <summary>When somebody first saw them hatch; null while nobody did.</summary>
    public DateTimeOffset? HatchSeen { get; init; }
}

/// <summary>
/// The clock of an egg lot: degree-days above the species' base from its own record, and the record's last day carried on. What is not known of the
/// lot (its females, the true base, the water to come) widens the range; that it has not hatched yet, and eyes that were seen, narrow it.
/// </summary>
public sealed class EggClock
{
    /// <summary>Where the method comes from.</summary>
    public const string Source =
        "Degree-days above a base: Embody 1934 and later; shares of the stages, and the doubt of a lot (9 %) and of the water to come (0.6 °C), are starting values";

    /// <summary>Level of the ranges.</summary>
    public const double Level = 0.8;

    // Shares of the way from taking to hatch, and from hatch to the first feed.
    private const double EmbryoShare = 0.25,
        EyedShare = 0.55,
        FirstHatchShare = 0.96,
        LastHatchShare = 1.06,
        SwimUpShare = 0.85;

    private const double DoubtOfLot = 0.09,
        DoubtOfEyed = 0.05,
        DoubtAheadC = 0.6,
        DoubtOfFeed = 0.12,
        LeastRateC = 0.2;
    private static readonly TimeSpan LastDay = TimeSpan.FromDays(1);
    private static readonly double Z = Normal.InvCDF(0, 1, (1 + Level) / 2);

    private readonly EggLot lot;
    private readonly double wantsMu,
        wantsSigma,
        aheadC;

    /// <summary>Sets the clock of a lot.</summary>
    /// <param name="lot">The lot.</param>
    /// <exception cref="ArgumentException">A lot without a temperature.</exception>
    public EggClock(EggLot lot)
    {
        if (lot.Temperatures.Count == 0)
            throw new ArgumentException("A clock needs at least one temperature.", nameof(lot));
        this.lot = lot;
        DegreeDays = Sum(lot.TakenAt, lot.Now, lot.Table.BaseC);
        aheadC = Mean(lot.Now - LastDay, lot.Now);
        (wantsMu, wantsSigma) = (Math.Log(lot.Table.HatchDegreeDays), DoubtOfLot);
        if (lot.EyedSeen is { } eyed && eyed > lot.TakenAt && Sum(lot.TakenAt, eyed, lot.Table.BaseC) is > 0 and var at)
            (wantsMu, wantsSigma) = Joined((wantsMu, wantsSigma), (Math.Log(at / EyedShare), DoubtOfEyed));
    }

    /// <summary>Degree-days above the base so far.</summary>
    public double DegreeDays { get; }

    /// <summary>Degree-days to hatch as this lot likely wants them.</summary>
    public double WantedDegreeDays => Math.Exp(wantsMu);

    /// <summary>Share of the way to hatch, 0 to 1.</summary>
    public double Share => Math.Clamp(DegreeDays / WantedDegreeDays, 0, 1);

    /// <summary>The stage that is expected now.</summary>
    public EggStage Expected
    {
        get
        {
            if (lot.HatchSeen is not null || DegreeDays > WantedDegreeDays * LastHatchShare)
                return Hours.Last(h => h.Stage <= EggStage.SacFry || h.At <= lot.Now).Stage;
            return Share switch
            {
                < EmbryoShare => EggStage.Fresh,
                < EyedShare => EggStage.Embryo,
                < FirstHatchShare => EggStage.Eyed,
                _ => EggStage.Hatching,
            };
        }
    }

    /// <summary>The hours of every stage, in order.</summary>
    public IReadOnlyList<EggHour> Hours => hours ??= [.. HoursOf()];

    private IReadOnlyList<EggHour>? hours;

    private IEnumerable<EggHour> HoursOf()
    {
        yield return ByShare(EggStage.Embryo, EmbryoShare);
        yield return ByShare(EggStage.Eyed, EyedShare);
        yield return ByShare(EggStage.Hatching, FirstHatchShare);
        var sac = lot.HatchSeen is { } seen ? Exactly(EggStage.SacFry, seen) : ByShare(EggStage.SacFry, LastHatchShare);
        yield return sac;
        yield return AfterHatch(EggStage.SwimUp, sac, SwimUpShare);
        yield return AfterHatch(EggStage.FirstFeed, sac, 1);
    }

    private static EggHour Exactly(EggStage stage, DateTimeOffset at) => new(stage, at, at, at);

    // Over a share of the way: what is behind is read off the record, what is ahead goes on as the last day.
    private EggHour ByShare(EggStage stage, double share)
    {
        var mid = WantedDegreeDays * share;
        if (DegreeDays >= mid)
            return Exactly(stage, Reached(mid));
        var (low, likely, high) = StillWanted(share);
        var rate = Rate(aheadC);
        var days = (likely - DegreeDays) / rate;
        // The water to come: a mean over the days ahead that may lie off by its doubt.
        var drift = Z * days * DoubtAheadC / rate;
        double Off(double end) => Math.Sqrt(Math.Pow((end - likely) / rate, 2) + (drift * drift));
        return new(
            stage,
            lot.Now.AddDays(days),
            lot.Now.AddDays(Math.Max(0, days - Off(low))),
            lot.Now.AddDays(days + Off(high))
        );
    }

    // Lognormal, cut at what has passed without hatching.
    private (double Low, double Likely, double High) StillWanted(double share)
    {
        var mu = wantsMu + Math.Log(share);
        var gone = DegreeDays <= 0 ? 0 : Normal.CDF(mu, wantsSigma, Math.Log(DegreeDays));
        double At(double p) => Math.Exp(Normal.InvCDF(mu, wantsSigma, Math.Min(1 - 1e-9, gone + ((1 - gone) * p))));
        return (At((1 - Level) / 2), At(0.5), At((1 + Level) / 2));
    }

    private EggHour AfterHatch(EggStage stage, EggHour hatch, double share)
    {
        var wanted = share * lot.Table.FirstFeedDegreeDays;
        var from = hatch.At > lot.Now ? lot.Now : hatch.At;
        var done = hatch.At > lot.Now ? 0 : Sum(from, lot.Now, 0);
        var rate = Math.Max(LeastRateC, aheadC);
        var days = (wanted - done) / rate;
        var at = (hatch.At > lot.Now ? hatch.At : lot.Now).AddDays(days);
        var off = Z * (wanted / rate) * Math.Sqrt((DoubtOfFeed * DoubtOfFeed) + Math.Pow(DoubtAheadC / rate, 2));
        var before = Math.Sqrt(Math.Pow((hatch.At - hatch.Earliest).TotalDays, 2) + (off * off));
        var after = Math.Sqrt(Math.Pow((hatch.Latest - hatch.At).TotalDays, 2) + (off * off));
        return new(stage, at, at.AddDays(-before), at.AddDays(after));
    }

    private double Rate(double tempC) => Math.Max(LeastRateC, tempC - lot.Table.BaseC);

    private static (double Mu, double Sigma) Joined((double Mu, double Sigma) a, (double Mu, double Sigma) b)
    {
        var (wa, wb) = (1 / (a.Sigma * a.Sigma), 1 / (b.Sigma * b.Sigma));
        return (((a.Mu * wa) + (b.Mu * wb)) / (wa + wb), Math.Sqrt(1 / (wa + wb)));
    }

    // A reading holds until the next; the first also for what was before it.
    private IEnumerable<(DateTimeOffset From, DateTimeOffset To, double TempC)> Spans(
        DateTimeOffset from,
        DateTimeOffset to
    )
    {
        for (var i = 0; i < lot.Temperatures.Count; i++)
        {
            var begins = i == 0 ? DateTimeOffset.MinValue : lot.Temperatures[i].At;
            var ends = i + 1 < lot.Temperatures.Count ? lot.Temperatures[i + 1].At : DateTimeOffset.MaxValue;
            var (a, b) = (begins > from ? begins : from, ends < to ? ends : to);
            if (a < b)
                yield return (a, b, lot.Temperatures[i].TempC);
        }
    }

    private double Sum(DateTimeOffset from, DateTimeOffset to, double baseC) =>
        Spans(from, to).Sum(s => Math.Max(0, s.TempC - baseC) * (s.To - s.From).TotalDays);

    private double Mean(DateTimeOffset from, DateTimeOffset to)
    {
        var spans = Spans(from > lot.TakenAt ? from : lot.TakenAt, to).ToList();
        var days = spans.Sum(s => (s.To - s.From).TotalDays);
        return days > 0 ? spans.Sum(s => s.TempC * (s.To - s.From).TotalDays) / days : lot.Temperatures[^1].TempC;
    }

    private DateTimeOffset Reached(double degreeDays)
    {
        var sum = 0.0;
        foreach (var (from, to, temp) in Spans(lot.TakenAt, lot.Now))
        {
            var gain = Math.Max(0, temp - lot.Table.BaseC) * (to - from).TotalDays;
            if (sum + gain >= degreeDays && gain > 0)
                return from.AddDays((to - from).TotalDays * (degreeDays - sum) / gain);
            sum += gain;
        }
        return lot.Now;
    }

    /// <summary>What the water of the trough does to them now.</summary>
    /// <param name="table">The species.</param>
    /// <param name="tempC">Water, °C.</param>
    public static Judgement Band(EggTable table, double tempC)
    {
        if (tempC > table.DeformedAboveC)
            return new(Status.ActNow, "so warm that many fry hatch deformed and weak");
        if (tempC > table.Band.HighC)
            return new(Status.Watch, "warmer than its band: weak and deformed fry");
        if (tempC < table.Band.LowC - ColdC)
            return new(Status.ActNow, "far under its band: eggs die, fungus takes the rest");
        return tempC < table.Band.LowC
            ? new(Status.Watch, "cooler than its band: slow, and fungus grows faster than the eggs")
            : new(Status.Steady, "in its band");
    }

    // Starting value.
    private const double ColdC = 3;
}
