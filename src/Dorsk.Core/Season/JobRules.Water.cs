using Dorsk.Core.People;
using Dorsk.Core.Units;
using Dorsk.Core.Water;

namespace Dorsk.Core.Season;

/// <summary>Jobs that the weather and the surface of the water ask for, and tests that close themselves.</summary>
public static partial class JobRules
{
    // Starting values of the trade, judged.
    private const double RakeFromPct = 25,
        RakeBeforeDrainPct = 5,
        RainShare = 0.02,
        HotAirC = 35;
    private const int DrainAheadDays = 7;

    private static IEnumerable<Job> Rake(FarmDay d)
    {
        foreach (var p in d.Ponds.Where(p => p.CoverPct is > 0))
        {
            var drains = p
                .Planned.Where(x => x.Slip is "harvest" && x.On.DayNumber - d.Today.DayNumber <= DrainAheadDays)
                .Select(x => (DateOnly?)x.On)
                .FirstOrDefault();
            var cover = p.CoverPct!.Value;
            if (cover < RakeFromPct && (drains is null || cover < RakeBeforeDrainPct))
                continue;
            yield return OfToday(
                d,
                p,
                "rake",
                (8, 18),
                "rake weed and thread algae",
                drains is { } on
                    ? $"{d.Say(cover, Measures.Share)} covered, and it is harvested on {FarmDay.Day(on)}: weed blocks the seine and the drain"
                    : $"{d.Say(cover, Measures.Share)} of the surface is covered; a part a day, so that it does not rot in the water",
                "reading"
            );
        }
    }

    // What was found broken stays a job until it is mended: the water behind it may go overnight.
    private static IEnumerable<Job> Mend(FarmDay d) =>
        d
            .Ponds.Where(p => p.Broken is not null)
            .Select(p =>
                OfToday(
                    d,
                    p,
                    "mend",
                    (7, 18),
                    $"mend it ({p.Broken})",
                    p.Stocked
                        ? $"{d.Say(p.VolumeM3, Measures.Volume)} of water with {d.Say(p.BiomassKg, Measures.Mass)} of fish lie behind it"
                        : $"{d.Say(p.VolumeM3, Measures.Volume)} of water lie behind it; no fish go in before it is mended",
                    "work?Work=Mended"
                )
            );

    // Rain thins salt and buffer at once: read before the pH moves.
    private static IEnumerable<Job> AfterRain(FarmDay d)
    {
        if (d.Rain is not { } rain)
            yield break;
        foreach (var p in d.Stocked.Where(p => p.DepthM > 0 && rain.Si / p.DepthM >= RainShare))
        {
            var read = p.LastRead.GetValueOrDefault(Parameter.Ph);
            var done = read > rain.At;
            var share = rain.Si / (p.DepthM + rain.Si);
            yield return new(
                Key("after-rain", p.Code, d.Today),
                p.PondId,
                p.Code,
                rain.At,
                rain.At.AddHours(4),
                $"{p.Code}: pH, salinity and alkalinity after the rain",
                $"{QuantityText.Write(rain.Si, Measures.Rain, d.Hand)} of rain is {d.Hand.Figure(100 * share, 1)} % of the water"
                    + (
                        p.SalinityPpt is > 0.5
                            ? $"; salinity {d.Say(p.SalinityPpt.Value, Measures.Salinity)} falls to about {d.Say(p.SalinityPpt.Value * (1 - share), Measures.Salinity)}"
                            : ""
                    ),
                Role.PondHand,
                "reading",
                done ? JobState.Done : JobState.Open,
                done ? new Mark(read, "") : null
            );
        }
    }

    // Salt lies on the floor until it is stirred: a second reading, after mixing, tells what fish meet.
    private static IEnumerable<Job> AfterSalt(FarmDay d) =>
        d
            .Ponds.Where(p => p.SaltUnread is not null)
            .Select(p => new Job(
                Key("after-salt", p.Code, d.Today),
                p.PondId,
                p.Code,
                p.SaltUnread!.Value.From,
                p.SaltUnread.Value.From.AddHours(4),
                $"{p.Code}: salinity or chloride again, now that the salt has mixed",
                p.SaltUnread.Value.Why,
                Role.PondHand,
                "reading",
                JobState.Open
            ));

    // A change of water that is due in days comes today when heat or rain moves the water.
    private static IEnumerable<Job> ExchangeEarly(FarmDay d)
    {
        var heat = d.AirC is >= HotAirC;
        foreach (
            var duty in d.Duties.Where(x =>
                x.PondId is not null && x.What.StartsWith(UsualDuties.ChangeWater, StringComparison.OrdinalIgnoreCase)
            )
        )
        {
            if (
                d.Stocked.FirstOrDefault(p => p.PondId == duty.PondId) is not { } pond
                || duty.LastOn(d.Today) == d.Today
                || duty.NextAfter(d.Today) is not { } next
            )
                continue;
            var rained = d.Rain is { } rain && pond.DepthM > 0 && rain.Si / pond.DepthM >= RainShare;
            if (!heat && !rained)
                continue;
            var moves = rained ? "the rain" : $"{d.Say(d.AirC!.Value, Measures.Temperature)} in the air";
            yield return Early(d, pond, $"it is due on {FarmDay.Day(next)}; {moves} moves salinity and pH before that");
        }
    }

    private static Job Early(FarmDay d, PondDay pond, string reason) =>
        OfToday(
            d,
            pond,
            "exchange-early",
            (6, 18),
            "look whether the change of water comes forward",
            reason + ". Read both, then change a part in the cool hours",
            "reading"
        );

    private static readonly (string Word, Parameter Parameter)[] Tests =
    [
        ("pH", Parameter.Ph),
        ("alkalinity", Parameter.Alkalinity),
        ("hardness", Parameter.Hardness),
        ("ammonia", Parameter.Tan),
        ("nitrite", Parameter.Nitrite),
        ("nitrate", Parameter.Nitrate),
        ("salinity", Parameter.Salinity),
        ("chloride", Parameter.Chloride),
    ];

    /// <summary>What a recurring task asks to be tested, by its words; empty when it is no test of the water.</summary>
    /// <param name="what">The task, such as test pH and ammonia.</param>
    public static IReadOnlyList<Parameter> TestsIn(string what) =>
        what.StartsWith("test ", StringComparison.OrdinalIgnoreCase)
            ? [.. Tests.Where(t => what.Contains(t.Word, StringComparison.OrdinalIgnoreCase)).Select(t => t.Parameter)]
            : [];

    // A test is done when all it asks for was read since it fell due, in its pond or in all that hold fish.
    private static Mark? Tested(FarmDay d, DutyKept duty, DateOnly day)
    {
        var asked = TestsIn(duty.What);
        var ponds = d.Stocked.Where(p => duty.PondId is null || p.PondId == duty.PondId).ToList();
        if (asked.Count == 0 || ponds.Count == 0)
            return null;
        var since = d.Zone.At(day, TimeOnly.MinValue);
        var read = ponds.SelectMany(p => asked.Select(a => p.LastRead.GetValueOrDefault(a))).ToList();
        return read.TrueForAll(at => at >= since) ? new Mark(read.Max(), "") : null;
    }
}
