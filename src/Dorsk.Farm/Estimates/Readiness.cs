using Dorsk.Core.Judging;
using Dorsk.Core.Ponds;
using Dorsk.Core.Prepare;
using Dorsk.Core.Species;
using Dorsk.Core.Verdict;
using Dorsk.Core.Water;
using Dorsk.Farm.Prepare;

namespace Dorsk.Farm.Estimates;

/// <summary>A preparation under way.</summary>
/// <param name="Line">The plan as it was written.</param>
/// <param name="Plan">Its steps with their days.</param>
public sealed record PreparationNow(PreparationLine Line, PrepPlan Plan);

/// <summary>How far a pond is on its way to be stocked.</summary>
/// <param name="facts">The facts.</param>
/// <param name="verdict">The verdict on its water.</param>
/// <param name="trends">Where its water is going.</param>
public sealed class Readiness(PondFacts facts, WaterVerdict verdict, WaterTrends trends)
{
    // These stand among the gate's own lines, which say too when nobody read them.
    private static readonly string[] AskedByGate = [PondVerdict.Temperature, PondVerdict.Ph, PondVerdict.Nh3];
    private static readonly TimeSpan OneDay = TimeSpan.FromDays(1),
        TwoDays = TimeSpan.FromDays(2),
        TwoWeeks = TimeSpan.FromDays(14),
        Near = TimeSpan.FromHours(3);
    private const int DawnsAsked = 3,
        FoodSpeaksDays = 7;

    /// <summary>The preparation under way at an instant; null without a plan, or when fish came since.</summary>
    /// <param name="now">The instant.</param>
    /// <param name="asSoonAs">Whether to count forward from today, as if no day were wanted.</param>
    public PreparationNow? PreparationAt(DateTimeOffset now, bool asSoonAs = false)
    {
        if (facts.PreparationLine is not { } line || line.At > now)
            return null;
        if (facts.Batches.Any(b => b.ArrivedAt > line.At && b.ArrivedAt <= now))
            return null;
        var steps = PrepSteps.For(line.Plan, facts.PrepPond);
        var wanted = asSoonAs ? null : line.Plan.StockOn;
        var zone = facts.Zone;
        return new(line, PrepPlan.Of(steps, zone.DayOf(line.At), wanted, Done(line, steps, now), zone.DayOf(now)));
    }

    /// <summary>Why no fertiliser goes in today; null when nothing that was read stands against it.</summary>
    public Judgement? FertiliserBrakeAt(DateTimeOffset now, FishSpecies species)
    {
        double? Lately(Parameter p, int days) => facts.ReadingsOf[p].LastWithin(now, TimeSpan.FromDays(days))?.Si;
        var today = facts.Zone.DayOf(now);
        return FertiliserBrake.Of(
            new(
                facts.TemperatureAhead(today),
                Lately(Parameter.Secchi, 7),
                facts.LastDawns(today),
                StandingStock.WatchMgL(species, LifeStage.Fingerling),
                Lately(Parameter.Alkalinity, 60),
                Lately(Parameter.Ph, 3),
                Ammonium: true
            )
            {
                BloomRisk = trends.BloomRiskAt(now),
            },
            facts.Farm.Hand
        );
    }

    /// <summary>The ready-to-stock gate at an instant, for fingerlings of a species.</summary>
    public IReadOnlyList<GateLine> GateFor(FishSpecies species, DateTimeOffset at)
    {
        var against = AgainstAt(at, species);
        var gate = ReadyGate.For(QuestionAt(at, species) with { Against = against }, facts.Farm.Hand);
        var more = against
            .Where(f => !AskedByGate.Contains(f.Rule))
            .Select(f => new GateLine(
                f.Rule,
                f.Status == Status.ActNow ? Condition.NotMet : Condition.Unknown,
                f.Reason,
                f.Do
            ));
        return [.. gate, .. more];
    }

    // What the verdict says now, of pH also at its lowest and highest hour of two days, and of warmth when it was last read.
    private List<Finding> AgainstAt(DateTimeOffset at, FishSpecies species)
    {
        IEnumerable<Finding> Then(DateTimeOffset then, string? rule) =>
            verdict
                .AgainstArrivals(then, species, Math.Max(1, species.FingerlingHighG), 0)
                .Where(f => rule is null || f.Rule == rule);
        var ph = Since(Parameter.Ph, TwoDays, at);
        List<Finding> all = [.. Then(at, null)];
        if (ph.Count > 0)
            all.AddRange([
                .. Then(ph.MinBy(t => t.Si).At, PondVerdict.Ph),
                .. Then(ph.MaxBy(t => t.Si).At, PondVerdict.Ph),
            ]);
        if (Since(Parameter.Temperature, OneDay, at) is [.., var warmth])
            all.AddRange(Then(warmth.At, PondVerdict.Temperature));
        return [.. all.GroupBy(f => f.Rule).Select(g => g.MaxBy(f => f.Status)!)];
    }

    // Readings count since the pond was last emptied.
    private List<Timed> Since(Parameter p, TimeSpan span, DateTimeOffset at)
    {
        var emptied = facts.EmptiedBefore(at);
        return [.. facts.ReadingsOf[p].Between(at - span, at).Where(t => t.At > at - span && t.At > emptied)];
    }

    private GateQuestion QuestionAt(DateTimeOffset at, FishSpecies species)
    {
        // Work counts since the pond was last emptied.
        var emptied = facts.EmptiedBefore(at);
        bool Worked(PondWork work) => facts.Works.Any(w => w.Work == work && w.At > emptied && w.At <= at);
        var (level, read) = facts.LevelAt(at);
        var limed = facts.Works.Where(w => w.Work == PondWork.Limed && w.At > emptied && w.At <= at).ToList();
        var prep = PreparationAt(at);
        return new(
            read ? level : null,
            facts.Pond.Shape.FullDepthM,
            DawnsSince(emptied, at),
            Since(Parameter.Temperature, OneDay, at) is [.., var warmth] ? warmth.Si : null,
            Since(Parameter.Ph, TwoDays, at).ConvertAll(p => p.Si),
            Since(Parameter.Tan, TwoDays, at) is [.., var tan] ? Nh3Of(tan) : null,
            limed.Count > 0 ? (at - limed.Max(w => w.At)).TotalDays : null,
            Worked(PondWork.ScreensFitted),
            Worked(PondWork.NoWildFish),
            facts.Pond.ByVolume
        )
        {
            WatchMgL = StandingStock.WatchMgL(species, LifeStage.Fingerling),
            HeldWater = Worked(PondWork.HeldWater),
            Poisoned = Worked(PondWork.PestTreated),
            Tested = Worked(PondWork.BioassayPassed),
            CoverPct = Since(Parameter.WeedCover, TwoWeeks, at) is [.., var cover] ? cover.Si : null,
            OpenSteps = OpenSteps(prep),
            FoodSeen = facts.Works.Any(w =>
                w.Work == PondWork.FoodSeen && w.At > emptied && w.At <= at && w.At > at.AddDays(-FoodSpeaksDays)
            ),
            FoodSecchiM = prep?.Line.Plan.Fertiliser is { } f and not FertiliserSchool.None
                ? (true, Since(Parameter.Secchi, PondFacts.SecchiSpeaks, at) is [.., var s] ? s.Si : null)
                : (false, null),
        };
    }

    private List<double> DawnsSince(DateTimeOffset emptied, DateTimeOffset at)
    {
        var today = facts.Zone.DayOf(at);
        return
        [
            .. Enumerable
                .Range(0, DawnsAsked)
                .Select(i => today.AddDays(-i))
                .Where(d => facts.Zone.At(d, new(12, 0)) > emptied)
                .Select(facts.DawnLowOn)
                .OfType<double>(),
        ];
    }

    // Un-ionised ammonia of a reading of TAN, with the pH and temperature that were read near to it.
    private double? Nh3Of(Timed tan) =>
        facts.ReadingsOf[Parameter.Ph].Nearest(tan.At, Near) is { } ph
        && facts.ReadingsOf[Parameter.Temperature].Nearest(tan.At, Near) is { } temp
            ? UnionisedAmmonia.MgNL(tan.Si, temp.Si, ph.Si, facts.LastOf(Parameter.Salinity)?.Si ?? 0)
            : null;

    private static List<string> OpenSteps(PreparationNow? prep) =>
        prep is null
            ? []
            :
            [
                .. prep
                    .Plan.OpenBeforeStocking.Where(s => s.Step.Work != PondWork.DeclaredReady)
                    .Select(s => s.Step.What),
            ];

    private Dictionary<string, StepDone> Done(PreparationLine line, IReadOnlyList<PrepStep> steps, DateTimeOffset now)
    {
        var emptied = facts.EmptiedBefore(now);
        var done = line
            .Left.Where(l => l.At <= now)
            .GroupBy(l => l.Key)
            .ToDictionary(g => g.Key, g => new StepDone(facts.Zone.DayOf(g.Last().At), Left: true, g.Last().Reason));
        // The first work of a kind answers the first step that asks for it, the second the second.
        foreach (var kind in steps.Where(s => s.Key != PrepPlan.Stock).GroupBy(s => s.Work))
        {
            var works = facts.Works.Where(w => w.Work == kind.Key && w.At > emptied && w.At <= now).OrderBy(w => w.At);
            foreach (var (step, work) in kind.Where(s => !done.ContainsKey(s.Key)).Zip(works))
                done[step.Key] = new(facts.Zone.DayOf(work.At));
        }
        return done;
    }
}
