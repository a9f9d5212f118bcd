using Dorsk.Core.Hatchery;
using Dorsk.Core.Judging;
using Dorsk.Core.Notebook;
using Dorsk.Core.People;
using Dorsk.Core.Stock;

namespace Dorsk.Farm.Tests.Facts;

/// <summary>Facts of the hatchery.</summary>
internal sealed partial class FactFarm
{
    private long tank,
        jar,
        nest,
        lot,
        brood;

    // Each made when it is first asked for.
    private long Tank => tank > 0 ? tank : tank = farm.Must(Vessel("H1", VesselKind.Tank, 0.5, null), Day(1));

    private long Jar => jar > 0 ? jar : jar = farm.Must(Vessel("J1", VesselKind.Jar, 0.06, null), Day(1));

    private long Nest => nest > 0 ? nest : nest = farm.Must(Vessel("nest 1", VesselKind.Nest, 0, P2), Day(1));

    private long Lot => lot > 0 ? lot : lot = farm.Must(Eggs(50_000), Day(50));

    private long Brood => brood > 0 ? brood : brood = farm.Must(Breeder("red 1", 1), Day(1));

    private long Boss => farm.Questions.People().First(p => p.Role == Role.Manager).PersonId;

    private static VesselDescribed Vessel(string name, VesselKind kind, double m3, long? pond) =>
        new(0, kind, name, m3, m3, pond, HeldBefore.New, false) { DepthM = 0.6 };

    private EggsTaken Eggs(int count) =>
        new(0, "silver_perch", Tank, null, "red 1", count, CountBasis.ByVolume, EggColour.Yellow, false)
        {
            TroughC = 24.5,
        };

    private BroodDescribed Breeder(string tag, int count) =>
        new(0, P2, tag, count, BroodSex.Female, SexSure.ByShape, BroodOrigin.Bought, "Creek", 2022, 1.5);

    private static HatchPlanned Planned(int wanted, bool dropped) =>
        new(
            0,
            "silver_perch",
            new(
                wanted,
                Today.AddDays(90),
                40,
                1.5,
                (3, 2),
                new(0.5, 0.8),
                new(0.4, 0.8),
                new(0.5, 0.9),
                new(0.4, 0.7),
                24
            ),
            dropped
        );

    private LotMoved Parted(int count) =>
        new(0, Lot, Jar, count)
        {
            FromC = 24,
            ToC = 24.5,
            Treatment = "thin",
        };

    private (Fact, Fact)? Hatchery(string kind) =>
        kind switch
        {
            nameof(VesselDescribed) => (
                Vessel("nest 9", VesselKind.Nest, 0, P3) with
                {
                    SpacingM = 4,
                    MouthToCentre = true,
                    Spot = (0.2, 0.7),
                },
                Vessel("trough 9", VesselKind.Trough, 0.4, null) with
                {
                    Gone = true,
                    Baskets = 8,
                }
            ),
            nameof(EggsTaken) => (
                Eggs(70_000) with
                {
                    NestId = Nest,
                    FertilePct = 88,
                    FromC = 25,
                    TemperedMin = 5,
                    Treatment = "live food",
                    Masses = 12,
                },
                Eggs(80_000) with
                {
                    Broken = true,
                    WithParents = true,
                }
            ),
            nameof(LotLooked) => (
                new LotLooked(Lot, 24.4, 7.1, 7.8, EggStage.Eyed, EggColour.Pink, 3, 1)
                {
                    Siphoned = true,
                    ChangedPct = 20,
                    Behaviour = FryBehaviour.Spread,
                    Mixing = TroughMixing.StillCorner,
                    LightLux = 300,
                    Given = "leaf brew",
                },
                new LotLooked(Lot, null, 6.5, null, null, EggColour.NotSeen, null, null)
            ),
            nameof(LotCounted) => (
                new LotCounted(Lot, LotStage.Larvae, 40_000, CountBasis.ByVolume, "fungus") { PlusMinusPct = 9 },
                new LotCounted(Lot, LotStage.Larvae, 41_000, CountBasis.Assumed, "")
            ),
            nameof(LotMoved) => (Parted(900), Parted(800) with { Treatment = "" }),
            nameof(LotLeft) => (
                new LotLeft(Lot, 500, LotExit.Sent, "Creek farm"),
                new LotLeft(Lot, 300, LotExit.Dead, "")
            ),
            nameof(NoteKept) => (
                new NoteKept("P1 dead some", 8, "some", "a whole number is wanted here"),
                new NoteKept("P1 do", 5, "", "a figure is wanted here")
            ),
            nameof(TaskSigned) => (
                new TaskSigned(Boss, "seine", TaskStep.Alone, null),
                new TaskSigned(Boss, "oxygen", TaskStep.Watched, null)
            ),
            nameof(RosterSet) => (
                new RosterSet(RosterKind.NetDay, P2, Today.AddDays(30), [new("leader", Boss), new("tally", Boss)]),
                new RosterSet(RosterKind.NetDay, P3, Today.AddDays(31), [new("end1", Boss)])
            ),
            nameof(AdviserDescribed) => (
                new AdviserDescribed(0, "Water lab", AdviserKind.Laboratory, "555 0101", "in town", false),
                new AdviserDescribed(0, "Water laboratory", AdviserKind.Laboratory, "555 0102", "", true)
            ),
            nameof(AdviceKept) => (
                new AdviceKept(P1, Batch, AdviserNo, "a salt bath, then look again"),
                new AdviceKept(P1, Batch, AdviserNo, "no bath before the water is well")
            ),
            nameof(CastPractised) => (new CastPractised(Boss, 12, 9), new CastPractised(Boss, 12, 10)),
            nameof(FryFed) => Fed(),
            nameof(FryFeederSet) => Feeders(),
            nameof(FryTarget) => (new FryTarget(P2, Today.AddDays(30), 0.6), new FryTarget(P3, Today.AddDays(20), 1.2)),
            nameof(ReleaseTrial) => (
                new ReleaseTrial("silver_perch", "the dam", 40, 36, 24, 200, 150, 12),
                new ReleaseTrial("silver_perch", "the creek", 0, 0, 0, 300, 0, 0)
            ),
            nameof(BroodDescribed) => (
                Breeder("blue 1", 1) with
                {
                    Signs = "vent",
                    Hormone = "by the vet on 2 March",
                    Photo = "",
                },
                Breeder("blue 2", 4) with
                {
                    Retired = true,
                    HatchYear = null,
                }
            ),
            nameof(BroodInspected) => (
                new BroodInspected(Brood, P2, false, true, false, true, 1.6),
                new BroodInspected(Brood, P2, true, false, true, false, null)
            ),
            nameof(NestChecked) => (new NestChecked(Nest, P2, NestSeen.Pair), new NestChecked(Nest, P2, NestSeen.Eggs)),
            nameof(ForageGiven) => (
                new ForageGiven(P2, "minnows", "creek", 2, ForageState.Live),
                new ForageGiven(P2, "mussels", "bay", 3, ForageState.Cooked)
            ),
            nameof(ForageRule) => (new ForageRule(true), new ForageRule(false)),
            nameof(HatchPlanned) => (Planned(20_000, false), Planned(30_000, true)),
            _ => null,
        };

    private (Fact, Fact) Fed()
    {
        farm.Must(new LotCounted(Lot, LotStage.Larvae, 45_000, CountBasis.ByVolume, ""), Day(52));
        return (
            new FryFed(Lot, "powder", 12, 3, FryFed.Places[0]) { Form = FryFeedForm.Powder, ProteinPct = 50 },
            new FryFed(Lot, "liquid feed", 8.5, null, "")
        );
    }

    private (Fact, Fact) Feeders()
    {
        Fed();
        return (new FryFeederSet(Lot, 5, 0.4, 0.41), new FryFeederSet(Lot, 10, 0.8, null));
    }
}
