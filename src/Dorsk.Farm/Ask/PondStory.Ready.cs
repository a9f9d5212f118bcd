using Dorsk.Core.Judging;
using Dorsk.Core.Ponds;
using Dorsk.Core.Prepare;
using Dorsk.Core.Species;
using Dorsk.Core.Water;

namespace Dorsk.Farm.Ask;

public sealed partial class PondStory
{
    private static readonly string[] AskedByGate = ["temperature", "pH", "un-ionised ammonia"];
    private static readonly TimeSpan TwoDays = TimeSpan.FromDays(2);

    /// <summary>Species the pond is likely meant for: the one its preparation names, else the one that stood here last, else the first of the table's perches.</summary>
    public FishSpecies LikelySpecies =>
        PreparationLine is { } p
        && Batches.All(b => b.ArrivedAt < p.At)
        && FishSpecies.Find(p.Plan.SpeciesKey) is { } planned
            ? planned
        : Batches.Count > 0 ? Batches[^1].Species
        : FishSpecies.Of("silver_perch");

    /// <summary>The ready-to-stock gate at an instant, for fingerlings of a species.</summary>
    public IReadOnlyList<GateLine> ReadyFor(FishSpecies species, DateTimeOffset at)
    {
        var limits = WaterLimits.For(species, LifeStage.Fingerling);
        var today = Zone.DayOf(at);
        var (level, read) = LevelAt(at);
        // Work counts since the pond was last emptied.
        var emptied = EmptiedBefore(at);
        var prep = PreparationAt(at);
        bool Worked(PondWork work) => Works.Any(w => w.Work == work && w.At > emptied && w.At <= at);
        var limed = Works
            .Where(w => w.Work == PondWork.Limed && w.At > emptied && w.At <= at)
            .Select(w => (DateTimeOffset?)w.At)
            .Max();
        IReadOnlyList<Timed> Since(Parameter p, TimeSpan span) =>
            ReadingsOf[p].Where(t => t.At <= at && t.At > at - span && t.At > emptied).ToList();
        var temp = Since(Parameter.Temperature, TimeSpan.FromDays(1));
        var tan = Since(Parameter.Tan, TwoDays);
        double? nh3 =
            tan.Count > 0
            && Nearest(Parameter.Ph, tan[^1].At) is { } ph
            && Nearest(Parameter.Temperature, tan[^1].At) is { } t
                ? UnionisedAmmonia.MgNL(tan[^1].Si, t.Si, ph.Si, LastOf(Parameter.Salinity)?.Si ?? 0)
                : null;
        var lows = Enumerable
            .Range(0, 3)
            .Select(i => today.AddDays(-i))
            .Where(d => Zone.At(d, new(12, 0)) > emptied)
            .Select(DawnLowOn)
            .OfType<double>()
            .ToList();
        var gate = ReadyGate.For(
            new(
                read ? level : null,
                Pond.Shape.FullDepthM,
                lows,
                temp.Count > 0 ? temp[^1].Si : null,
                Since(Parameter.Ph, TwoDays).Select(p => p.Si).ToList(),
                nh3,
                limed is { } l ? (at - l).TotalDays : null,
                Worked(PondWork.ScreensFitted),
                Worked(PondWork.NoWildFish),
                Pond.ByVolume
            )
            {
                HeldWater = Worked(PondWork.HeldWater),
                Poisoned = Worked(PondWork.PestTreated),
                Tested = Worked(PondWork.BioassayPassed),
                OpenSteps = prep?.Plan.OpenBeforeStocking.Where(s => s.Step.Work != PondWork.DeclaredReady)
                    .Select(s => s.Step.What)
                    .ToList()
                    ?? [],
                FoodSeen = Works.Any(w =>
                    w.Work == PondWork.FoodSeen && w.At > emptied && w.At <= at && w.At > at.AddDays(-7)
                ),
                FoodSecchiM = prep?.Line.Plan.Fertiliser is { } f and not FertiliserSchool.None
                    ? (true, Since(Parameter.Secchi, TimeSpan.FromDays(7)) is [.., var s] ? s.Si : null)
                    : (false, null),
            },
            limits,
            Farm.Hand
        );
        // What the gate asks by itself is not said twice.
        var more = AgainstArrivals(at, species, Math.Max(1, species.FingerlingHighG), 0)
            .Where(f => !AskedByGate.Contains(f.Rule));
        return
        [
            .. gate,
            .. more.Select(f => new GateLine(
                f.Rule,
                f.Status == Status.ActNow ? Condition.NotMet : Condition.Unknown,
                f.Reason,
                f.Do
            )),
        ];
    }
}
