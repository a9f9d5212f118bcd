using Dorsk.Core.People;
using Dorsk.Core.Units;
using Dorsk.Core.Water;

namespace Dorsk.Core.Season;

/// <summary>Jobs of the pond itself: bare banks, dry liners, water that rotted wood had coloured.</summary>
public static partial class JobRules
{
    private const int LookAgainDays = 2,
        LookAgainLateDays = 10;

    // Rain takes a bare bank into the water; grass holds it.
    private static IEnumerable<Job> SowBank(FarmDay d) =>
        d
            .Ponds.Where(p => p.BareBank is not null)
            .Select(p =>
                OfToday(
                    d,
                    p,
                    "sow",
                    (8, 18),
                    $"sow grass on the bare bank ({p.BareBank})",
                    "rain takes bare earth into the water; no trees, their roots leak; keep it cut away from liner edges",
                    "work?Work=BankSown"
                )
            );

    // Sun ruins a liner that lies dry.
    private static IEnumerable<Job> CoverLiner(FarmDay d) =>
        d
            .Ponds.Where(p => p.DryLiner is not null)
            .Select(p =>
                OfToday(
                    d,
                    p,
                    "liner",
                    (8, 18),
                    $"let {d.Say(p.DryLiner!.Value.WantM3, Measures.Volume)} of water over the liner",
                    $"it has lain dry for {p.DryLiner.Value.Days} days: sun and wind ruin it; {d.Say(DryLinerM, Measures.ShortLength)} of water protect it",
                    "work?Work=Filling"
                ) with
                {
                    WaitsDays = p.DryLiner.Value.Days,
                }
            );

    /// <summary>Water that protects an idle liner from the sun, m.</summary>
    public const double DryLinerM = 0.2;

    private static IEnumerable<Job> LookAgain(FarmDay d)
    {
        foreach (var p in d.Ponds)
        {
            if (p.DebrisOut is not { } debris)
                continue;
            var due = d.Zone.DayOf(debris.At).AddDays(LookAgainDays);
            var read = p.LastRead.GetValueOrDefault(Parameter.Ph);
            if (
                d.Today < due
                || d.Today > due.AddDays(LookAgainLateDays)
                || (d.Zone.DayOf(read) >= due && d.Zone.DayOf(read) < d.Today)
            )
                continue;
            var done = d.Zone.DayOf(read) == d.Today;
            yield return new(
                Key("look-again", p.Code, d.Today),
                p.PondId,
                p.Code,
                d.Zone.At(d.Today, new(15, 0)),
                d.Zone.At(d.Today, new(18, 0)),
                $"{p.Code}: pH and colour again",
                $"{debris.Text} came out on {FarmDay.Day(d.Zone.DayOf(debris.At))}: what rotted had coloured the water and pulled pH down",
                Role.PondHand,
                "reading",
                done ? JobState.Done : JobState.Open,
                done ? new Mark(read, "") : null
            );
        }
    }

    private const int PermitAheadDays = 30;

    // A restricted feed without its permit is a fine, or fish that cannot be sold.
    private static IEnumerable<Job> Permits(FarmDay d) =>
        d
            .Feeds.Where(f => f.Permit is { } p && p.To.DayNumber - d.Today.DayNumber <= PermitAheadDays)
            .Select(f => new Job(
                FormattableString.Invariant($"permit:{f.FeedId}:{f.Permit!.Value.To:yyyy-MM-dd}"),
                null,
                "",
                d.Zone.At(d.Today, new(8, 0)),
                d.Zone.At(f.Permit.Value.To, new(17, 0)),
                $"Renew the permit for {f.Name}",
                $"it ends on {FarmDay.Day(f.Permit.Value.To)}; {(f.Permit.Value.Fallback is { } other ? $"{other} replaces it then" : "no feed is named that replaces it")}",
                Role.Manager,
                "feed",
                JobState.Open
            ));

    // A cover keeps heavy rain out: it thins salt and buffer and chills the top.
    private const double HeavyRainM = 0.02;

    private static IEnumerable<Job> CoverInRain(FarmDay d)
    {
        if (d.Rain is not { Si: >= HeavyRainM } rain)
            yield break;
        foreach (
            var duty in d
                .Duties.Where(x =>
                    x.PondId is not null && x.What.StartsWith(UsualDuties.CoverOver, StringComparison.OrdinalIgnoreCase)
                )
                .DistinctBy(x => x.PondId)
        )
            if (d.Ponds.FirstOrDefault(p => p.PondId == duty.PondId) is { } pond)
                yield return new(
                    Key("cover-rain", pond.Code, d.Today),
                    pond.PondId,
                    pond.Code,
                    rain.At,
                    rain.At.AddHours(2),
                    $"{pond.Code}: cover it against the rain",
                    $"{QuantityText.Write(rain.Si, Measures.Rain, d.Hand)} fell: open it when the rain is over",
                    Role.PondHand,
                    "",
                    JobState.Open
                );
    }
}
