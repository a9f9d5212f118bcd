using Dorsk.Core.Judging;
using Dorsk.Core.Units;
using Dorsk.Core.Water;

namespace Dorsk.Core.Oxygen;

/// <summary>A night of the past with a reading at dusk and one at dawn.</summary>
/// <param name="NightsAgo">1 for last night.</param>
/// <param name="Dusk">Reading near sunset, mg/L.</param>
/// <param name="Dawn">Reading near sunrise, mg/L.</param>
/// <param name="Water">The water of that night, aerators and their timers as they were.</param>
public sealed record PastNight(int NightsAgo, Timed Dusk, Timed Dawn, NightWater Water)
{
    /// <summary>A reading in the middle of that night, or null.</summary>
    public Timed? Middle { get; init; }
}

/// <summary>A morning of the past that was read.</summary>
/// <param name="NightsAgo">1 for this morning.</param>
/// <param name="MgL">Lowest oxygen read, mg/L.</param>
public readonly record struct PastMorning(int NightsAgo, double MgL);

/// <summary>What is known of the day before the night that is told.</summary>
public enum DayRead
{
    /// <summary>Read in the evening.</summary>
    Evening,

    /// <summary>Read by day, but not in the evening.</summary>
    Day,

    /// <summary>Not read since the morning or longer.</summary>
    Not,
}

/// <summary>
/// What a pond's own nights say of the coming one: where its mornings lie, how this morning and this evening part from them, and what
/// its water takes in the dark, weighed as this pond's past nights came out. Weights that nothing is known of yet are those found on
/// simulated ponds (docs/proof.md says on which).
/// </summary>
public sealed class OwnNights
{
    /// <summary>Nights needed before a pond's own are trusted.</summary>
    public const int Needed = 2;

    private const double Q10 = 2,
        LeastMgLH = -0.5,
        MostMgLH = 6,
        StartAtMost = 0.8;

    // Weights of the projection, of this morning and of this evening against the usual ones.
    private static readonly double[] WhenEvening =
    [
        NightSettings.ProjectionWeight,
        NightSettings.MorningWeight,
        NightSettings.EveningWeight,
    ];

    private readonly Fading mornings = new(NightSettings.LevelStays),
        dusks = new(NightSettings.LevelStays),
        stills = new(NightSettings.LevelStays),
        takens = new(NightSettings.LevelStays),
        uses = new(NightSettings.UseStays);
    private readonly LearnedWeights weights = new(WhenEvening, NightSettings.Firmness);
    private PastNight? last;
    private double? lastMorning;
    private int nights;

    private OwnNights(double eveningExcess) => EveningExcess = eveningExcess;

    /// <summary>How much more this pond takes at sunset than on the mean of the night, as a share.</summary>
    public double EveningExcess { get; }

    /// <summary>Learns from the past; null with fewer than two nights that were read at both ends.</summary>
    /// <param name="past">Nights with a reading at dusk and one at dawn.</param>
    /// <param name="read">All mornings that were read.</param>
    public static OwnNights? Of(IReadOnlyList<PastNight> past, IReadOnlyList<PastMorning> read)
    {
        var byNight = past.ToDictionary(n => n.NightsAgo);
        var byMorning = read.ToDictionary(m => m.NightsAgo, m => m.MgL);
        foreach (var n in past)
            byMorning.TryAdd(n.NightsAgo, n.Dawn.Si);
        var own = new OwnNights(NightShape.Of(past));
        for (var ago = byMorning.Keys.DefaultIfEmpty(0).Max(); ago >= 1; ago--)
            own.Pass(byNight.GetValueOrDefault(ago), byMorning.TryGetValue(ago, out var came) ? came : null);
        return own.nights < Needed ? null : own;
    }

    private NightWater Shaped(NightWater water) => water with { EveningExcess = EveningExcess };

    private static double WarmthOf(NightWater water) => Math.Pow(Q10, (water.TempC - 20) / 10);

    private void Pass(PastNight? night, double? morning)
    {
        foreach (var level in (Fading[])[mornings, dusks, stills, takens, uses])
            level.Night();
        if (night is not null)
            Learn(night);
        if (morning is { } mgL)
            mornings.Add(mgL);
        lastMorning = morning;
    }

    private void Learn(PastNight night)
    {
        var (still, taken) = NightCurve.Between(Shaped(night.Water), night.Dusk, night.Dawn.At);
        var use = (still - night.Dawn.Si) / taken;
        if (use is < LeastMgLH or > MostMgLH)
            return;
        var warm = WarmthOf(night.Water);
        if (nights >= Needed && mornings.IsKnown)
            weights.Learn(Signs(still - (uses.Mean * warm * taken), night.Dusk.Si), night.Dawn.Si - mornings.Mean);
        nights++;
        last = night;
        uses.Add(use / warm);
        dusks.Add(night.Dusk.Si);
        stills.Add(still);
        takens.Add(taken * warm);
    }

    // What this pond takes is told as if its machines ran as on the last night that was read: what they are set to do tonight then counts in full.
    private NightWater AsLast(NightWater tonight)
    {
        var (then, ago) = (last!.Water, last.NightsAgo);
        return tonight with
        {
            Aerators = then.Aerators,
            Known = (code, at) => then.RunningAt(at.AddDays(-ago)).Any(a => a.Code == code),
        };
    }

    private double[] Signs(double projectedMgL, double duskMgL) =>
        [projectedMgL - mornings.Mean, (lastMorning ?? mornings.Mean) - mornings.Mean, duskMgL - dusks.Mean];

    /// <summary>The night that is told.</summary>
    /// <param name="tonight">Its water.</param>
    /// <param name="start">What it starts from, mg/L.</param>
    /// <param name="sunrise">When it ends.</param>
    /// <param name="day">What is known of the day.</param>
    /// <param name="startSdMgL">Doubt of the start, mg/L.</param>
    public Decline Tonight(NightWater tonight, Timed start, DateTimeOffset sunrise, DayRead day, double startSdMgL)
    {
        var (still, taken) = NightCurve.Between(AsLast(tonight), start, sunrise);
        var projected = still - (uses.Mean * WarmthOf(tonight) * taken);
        var signs = Signs(projected, start.Si);
        var dawn = Math.Max(
            0,
            mornings.Mean
                + day switch
                {
                    DayRead.Evening => weights.Of(signs),
                    DayRead.Day => (NightSettings.ByDayProjectionWeight * signs[0])
                        + (NightSettings.ByDayMorningWeight * signs[1]),
                    // What nobody read is as usual; what is known is whether the warmth changes.
                    _ => (
                        NightSettings.UnreadProjectionWeight * (projected - (stills.Mean - (uses.Mean * takens.Mean)))
                    ) + (NightSettings.UnreadMorningWeight * signs[1]),
                }
        );
        var sd = SdOf(start.Si - dawn, signs, (day, startSdMgL));
        var startSd = Math.Min(startSdMgL, StartAtMost * sd);
        var use = Math.Clamp((still - dawn) / taken, LeastMgLH, MostMgLH);
        return new(
            DeclineMethod.OwnNights,
            use,
            Math.Sqrt((sd * sd) - (startSd * startSd)) / taken,
            Because(tonight, use, projected, dawn, sd)
        )
        {
            StartSd = startSd,
            IfReadSd = SdOf(dusks.Mean - dawn, signs, (DayRead.Evening, startSdMgL)),
        };
    }

    private double SdOf(double fallMgL, double[] signs, (DayRead Day, double StartSdMgL) read)
    {
        var fall = NightSettings.SdOfFall * Math.Max(0, fallMgL);
        var sd =
            weights.SdOf(
                Math.Sqrt((NightSettings.SdMgL * NightSettings.SdMgL) + (fall * fall)),
                NightSettings.UsualNights
            ) * Math.Sqrt(1 + weights.DoubtOf(signs));
        if (read.Day == DayRead.Evening)
            return sd;
        var unread = NightSettings.EveningTells * read.StartSdMgL;
        return (read.Day == DayRead.Day ? NightSettings.ByDayTimes * sd : Math.Sqrt((sd * sd) + (unread * unread)))
            * (lastMorning is null ? NightSettings.NoMorningTimes : 1);
    }

    private Grounds Because(NightWater tonight, double use, double projected, double dawn, double sd) =>
        Grounds.Of(
            "From this pond's own last nights: where its mornings lie, how this morning and this evening differ from the usual ones, and what its water takes in the dark, weighed as its past nights came out. The night is carried so that it would meet that dawn with the aerators as on the last night; what they are set to do tonight comes on top.",
            "Own readings; Q₁₀ 2 for respiration (Boyd and others 1978); weights and doubt scored in docs/proof.md and docs/wide.md",
            new Input("nights used", nights, Measures.Plain, "measured"),
            new Input("usual morning", mornings.Mean, Measures.Oxygen, "measured, later ones weigh more"),
            new Input("by its nights' respiration alone", projected, Measures.Oxygen, "worked out"),
            new Input("expected at sunrise, aerators as last night", dawn, Measures.Oxygen, "worked out"),
            new Input("standard deviation at sunrise", sd, Measures.Oxygen, "from past misses of this pond"),
            new Input("respiration, per hour", use, Measures.Concentration, "estimated from the readings"),
            new Input("water temperature", tonight.TempC, Measures.Temperature, "measured")
        );
}
