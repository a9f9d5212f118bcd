using Dorsk.Core.Acclimate;
using Dorsk.Core.Air;
using Dorsk.Core.Alarms;
using Dorsk.Core.Feeding;
using Dorsk.Core.Harvest;
using Dorsk.Core.Health;
using Dorsk.Core.Judging;
using Dorsk.Core.Machines;
using Dorsk.Core.Oxygen;
using Dorsk.Core.People;
using Dorsk.Core.Plans;
using Dorsk.Core.Ponds;
using Dorsk.Core.Prepare;
using Dorsk.Core.Safety;
using Dorsk.Core.Season;
using Dorsk.Core.Species;
using Dorsk.Core.Stock;
using Dorsk.Core.Units;
using Dorsk.Core.Water;

namespace Dorsk.Farm.Tests.Facts;

/// <summary>A farm with something of everything, and for each kind of fact one that may be entered on it, with a correction of it.</summary>
internal sealed partial class FactFarm : IDisposable
{
    private static readonly Plate Plate = new(8, 40, 90);
    private readonly TestFarm farm = new();

    public FactFarm()
    {
        P1 = farm.PondId;
        P2 = Built("P2");
        P3 = Built("P3");
        farm.Must(new PersonNamed("Manager", Role.Manager), Day(0));
        farm.Must(new AeratorsFitted(P1, [new("A1", AeratorKind.All[0], 1.5, null, null)]), Day(0));
        farm.Must(
            new InstrumentKept(0, "test strip", InstrumentKind.Strip, [Parameter.Nitrite], "", null, null, ""),
            Day(0)
        );
        Batch = farm.Stock(day: 1);
        Feed = farm.Must(new FeedNamed(0, "grower", 4, 35, 150), Day(0));
        farm.Must(new FeedReceived(Feed, "L1", 500, new DateOnly(2027, 6, 1)), Day(1));
        Device = farm.Must(new DeviceKept(0, "Buoy P1", DeviceUse.Probe, P1, 0.5, false), Day(0));
        Alarm = farm.Must(new AlarmRaised(0, P1, AlarmCause.LowOxygen, Status.ActNow, "oxygen 2"), Now);
        Run = farm.Must(Acclimation(24), Now);
        Salt = farm.Must(Labelled("Salt", 10), Day(0));
        Taken = farm.Must(new FishHarvested(P1, Batch, 20, 1.3, CountBasis.Counted, Account.Harvested, false, ""), Now);
        AdviserNo = farm.Must(new AdviserDescribed(0, "Ruth", AdviserKind.FishDoctor, "555 0100", "", false), Day(0));
        BuyerNo = farm.Must(new BuyerDescribed(0, "Plant", BuyerKind.Plant, false), Now);
        Treated = farm.Must(new TreatmentGiven(P1, Salt, 50_000, 1, "after netting", ""), Now);
        Vital = farm.Must(new VitalKept(0, "generator", "old diesel", null, 7, 1, "shed", false), Day(0));
    }

    public TestFarm Farm => farm;

    public long P1 { get; }

    private long AdviserNo { get; }

    public long P2 { get; }

    public long P3 { get; }

    public long Batch { get; }

    public long Feed { get; }

    public long Device { get; }

    public long Alarm { get; }

    public long Run { get; }

    public long Vital { get; }

    public long Salt { get; }

    public long Treated { get; }

    public long Taken { get; }

    public long BuyerNo { get; }

    private long net;

    // Begun when it is first asked for, where none is open: a net in the water stands in the way of another.
    public long Net
    {
        get
        {
            if (net == 0 && farm.Questions.Story("P1")!.Net.Open is [var open, ..])
                net = open.Begun.NetId;
            return net > 0
                ? net
                : net = farm.Must(
                    new NetDayBegun(0, P1, Batch, 30, 0, 50, 90, 65, "two on the lines") { Reason = "ordered" },
                    Now
                );
        }
    }

    private long WithBasket()
    {
        var open = Net;
        farm.Must(new BasketWeighed(open, P1, 1, NetFate.Returned, 10, 1), Now);
        return open;
    }

    /// <summary>A salt bath of the register.</summary>
    public static ProductDescribed Labelled(string name, double minutes) =>
        new(0, name, ProductKind.Salt, "sodium chloride", ActiveMatter.Other, 1, DoseBasis.WaterMgL, 5, 5000)
        {
            BathMinutes = minutes,
            PackG = 25_000,
            DensityGMl = 1.2,
            How = "dissolved in a tub",
        };

    public static DateTimeOffset Now { get; } = TestFarm.Start.AddDays(60);

    /// <summary>A pond's code.</summary>
    public string Code(long? pond) =>
        pond == P1 ? "P1"
        : pond == P2 ? "P2"
        : "P3";

    private static DateOnly Today { get; } = new(2026, 3, 2);

    private static DateTimeOffset Day(int day) => TestFarm.Start.AddDays(day);

    private long Built(string code) =>
        farm.Must(
            new PondBuilt(new Pond(0, code, "", PondKind.Earthen, new SlopedRectangle(40, 25, 1.4, 2), "grow-out")),
            Day(0)
        );

    private AcclimationBegun Acclimation(double bagC) =>
        new(
            P1,
            "silver_perch",
            5,
            200,
            "hatchery",
            new(bagC, 7, 0, 1, 6, 80),
            [new(22, 7.8, 0, null, 7, 90)],
            3,
            AccSchool.FloatAndRelease
        );

    private PreparationPlanned Preparation(int days) =>
        new(
            P3,
            Today.AddDays(40),
            "silver_perch",
            days,
            LimeSchool.BySoil,
            6.5,
            SoilTexture.SandyLoam,
            40,
            90,
            PestSchool.DryAndScreen,
            1,
            7,
            FertiliserSchool.None,
            true,
            new(25, 10, 20, 30, 0.3)
        );

    private static ForecastIssued Forecast(long pond, double low) =>
        new(
            pond,
            new(Today),
            DeclineMethod.OwnNights,
            new(low, low - 1, low + 1, 0.8),
            Now.AddHours(8),
            0.2,
            Now,
            true
        );

    /// <summary>A fact of the kind and a correction of it.</summary>
    public (Fact Fact, Fact Other) Of(string kind) =>
        kind switch
        {
            nameof(FarmDescribed) => (
                new FarmDescribed("Other", "made up", new(-30, 150), 90, "Etc/GMT-10", Hand.Us, "USD", 0.2),
                new FarmDescribed("Third", "", new(41.85, -87.65), 0, "America/Chicago", Hand.Metric, "AUD")
                {
                    PlaceGuessed = true,
                    AltitudeGuessed = true,
                }
            ),
            nameof(PondBuilt) => (
                new PondBuilt(Drawn("P8")),
                new PondBuilt(Drawn("P9") with { Shape = new RoundTank(5, 1.2), ColourTarget = 3 })
            ),
            nameof(AeratorsFitted) => (
                new AeratorsFitted(
                    P2,
                    [
                        new("B1", AeratorKind.All[0], 1.5, new(22, 0), new(6, 30))
                        {
                            Source = PowerSource.Engine,
                            Standby = true,
                            HeadingDeg = 90,
                            MotorRpm = 1450,
                            GearRatio = 60,
                            RampMin = 5,
                        },
                    ]
                ),
                new AeratorsFitted(
                    P2,
                    [new("B1", AeratorKind.All[1], 2, null, null), new("B2", AeratorKind.All[0], 1, null, null)]
                )
            ),
            nameof(EquipmentFitted) => (
                new EquipmentFitted(
                    P2,
                    [new(EquipmentKind.Pump, "pump", 2.2, 40), new(EquipmentKind.InletScreen, "", null, null, 1.5)]
                ),
                new EquipmentFitted(P2, [new(EquipmentKind.Pump, "other", 3, 50)])
            ),
            nameof(PondArchived) => (new PondArchived(P3, true, "leaks"), new PondArchived(P3, true, "leaks badly")),
            nameof(PondWorked) => (
                new PondWorked(P1, PondWork.Limed, "lime", 20),
                new PondWorked(P1, PondWork.WaterChanged, "into the reed bed", null) { VolumeM3 = 120 }
            ),
            nameof(PondPlaced) => (new PondPlaced(P1, 10, 20, 30), new PondPlaced(P1, 11, 21, 31)),
            nameof(LandmarkDrawn) => (
                new LandmarkDrawn("creek", "Creek", [(0, 0), (10.5, 3)]),
                new LandmarkDrawn("track", "Track", [(1, 0), (9, 3)])
            ),
            nameof(MarksSet) => (
                new MarksSet(P1, [new(MarkKind.Inlet, "I1", 1, 2)]),
                new MarksSet(P1, [new(MarkKind.Drain, "D1", 3, 4), new(MarkKind.Inlet, "I1", 1, 2)])
            ),
            nameof(PersonNamed) => (new PersonNamed("Hand", Role.PondHand), new PersonNamed("Hand two", Role.Manager)),
            nameof(SpeciesValueSet) => (
                new SpeciesValueSet("silver_perch", "market_low", 450),
                new SpeciesValueSet("silver_perch", "market_low", 460)
            ),
            nameof(OwnSpecies) => (
                new OwnSpecies("Golden perch", "silver_perch", "Macquaria ambigua", "a leaflet"),
                new OwnSpecies("Golden perch", "silver_perch", "Macquaria ambigua", "our own ponds")
            ),
            nameof(LimitSet) => (
                new LimitSet(P1, "silver_perch", LifeStage.Growing, "do_act", 3.4),
                new LimitSet(P1, "silver_perch", LifeStage.Growing, "do_act", 3.5)
            ),
            nameof(FeedTableSet) => (
                new FeedTableSet("silver_perch", Table(4)),
                new FeedTableSet("silver_perch", Table(5))
            ),
            nameof(ReadingTaken) => (
                new ReadingTaken(P1, [new(Parameter.Nitrite, 0.5, 0.5, "test strip") { Step = (0.25, 0.75) }]),
                new ReadingTaken(P1, [new(Parameter.Oxygen, 6), new(Parameter.Temperature, 24)])
            ),
            nameof(InstrumentKept) => (
                new InstrumentKept(
                    0,
                    "meter",
                    InstrumentKind.Meter,
                    [Parameter.Oxygen, Parameter.Ph],
                    "0.1",
                    Today.AddDays(-9),
                    30,
                    "Manager"
                ),
                new InstrumentKept(0, "strip", InstrumentKind.Strip, [Parameter.Ph], "", null, null, "")
            ),
            nameof(ForecastIssued) => (Forecast(P1, 4), Forecast(P1, 5)),
            nameof(DeviceKept) => (
                new DeviceKept(0, "Panel P1", DeviceUse.Panel, P1, null, false),
                new DeviceKept(0, "Panel two", DeviceUse.Panel, P2, null, false)
            ),
            nameof(ProbeSeriesReceived) => (
                new ProbeSeriesReceived(
                    Device,
                    P1,
                    [new(Parameter.Oxygen, Now.AddMinutes(-10), 5.1), new(Parameter.Oxygen, Now.AddMinutes(-5), 5.2)]
                ),
                new ProbeSeriesReceived(Device, P1, [new(Parameter.Oxygen, Now.AddMinutes(-4), 5.3)])
            ),
            nameof(AirControlSet) => (
                new AirControlSet(P1, true, 4.5, 6, 10) { AllDayFromG = 200 },
                new AirControlSet(P1, false, 5, 7, 12)
            ),
            nameof(AeratorSwitched) => (
                new AeratorSwitched(P1, "A1", AirOrder.On, Now.AddHours(3)),
                new AeratorSwitched(P1, "A1", AirOrder.Off, null)
            ),
            nameof(AeratorCommanded) => (
                new AeratorCommanded(P1, "A1", true, "by hand"),
                new AeratorCommanded(P1, "A1", false, "timer")
            ),
            nameof(AeratorReported) => (
                new AeratorReported(P1, "A1", true, 6.5, true) { TempC = 64 },
                new AeratorReported(P1, "A1", false, null, false)
            ),
            nameof(AeratorServiced) => (
                new AeratorServiced(P1, "A1", 800, "oil"),
                new AeratorServiced(P1, "A1", 900, "belt")
            ),
            nameof(AeratorTested) => (
                new AeratorTested(P1, "A1", "all lines", Plate, 7, 30, 60),
                new AeratorTested(P1, "A1", "first line", Plate, 5, null, null)
            ),
            nameof(FeedNamed) => (
                new FeedNamed(0, "starter", 2, 45, 250)
                {
                    FatPct = 12,
                    EnergyMJKg = 15,
                    Floats = true,
                    BagKg = 20,
                    LeadDays = 5,
                },
                new FeedNamed(0, "starter two", 2.5, 44, null) { Kind = StoreKind.Feed }
            ),
            nameof(FeedReceived) => (
                new FeedReceived(Feed, "L2", 300, Today.AddDays(90)) { PriceMinorPerKg = 140, FreightMinor = 900 },
                new FeedReceived(Feed, "L3", 200, null)
            ),
            nameof(StoreTaken) => (
                new StoreTaken(Feed, "L1", 5, StoreCause.Spoiled, "wet"),
                new StoreTaken(Feed, "", 6, StoreCause.Expired, "old")
            ),
            nameof(StoreCounted) => (new StoreCounted(Feed, 480, "short bags"), new StoreCounted(Feed, 470, "rats")),
            nameof(FeedingGiven) => (new FeedingGiven(P1, Feed, 1.5, 3, 12, 0.2), new FeedingGiven(P1, Feed, 1.2)),
            nameof(FeederKept) => (
                new FeederKept(P1, "F1", FeederDose.Minute, 12, Today, 6, false),
                new FeederKept(P1, "F1", FeederDose.Turn, 13, Today, 7, false)
            ),
            nameof(RationSchoolSet) => (
                new RationSchoolSet(P1, RationSchool.Table),
                new RationSchoolSet(P1, RationSchool.Satiation)
            ),
            nameof(RationOverruled) => (
                new RationOverruled(P1, Batch, Today, 2, "new fish"),
                new RationOverruled(P1, Batch, Today, 3, "hungry")
            ),
            nameof(FishStocked) => (
                new FishStocked(P2, "silver_perch", "hatchery", 500, 20, CountBasis.Counted, "test", 400),
                new FishStocked(P2, "silver_perch", "other hatchery", 600, 22, CountBasis.ByWeight, "", null)
                {
                    TakenOver = true,
                }
            ),
            nameof(FishLost) => (
                new FishLost(P1, Batch, 4, Account.Dead, "birds")
                {
                    FoundShare = 0.8,
                    Sizes = "large ones",
                    Place = "lee corner",
                    Look = "open mouths",
                    MassKg = 1.2,
                    Disposal = "composted",
                    Photo = new string('a', 64),
                },
                new FishLost(P1, Batch, 5, Account.Escaped, "hole")
            ),
            nameof(LossGuessed) => (
                new LossGuessed(P1, Batch, 0.2, 0.3, Today.AddDays(-9), "disease"),
                new LossGuessed(P1, Batch, 0.1, 0.35, Today.AddDays(-8), "birds")
            ),
            nameof(ProductDescribed) => (
                new ProductDescribed(
                    0,
                    "Medicated premix",
                    ProductKind.Antibiotic,
                    "oxytetracycline",
                    ActiveMatter.Other,
                    0.5,
                    DoseBasis.FeedMgKg,
                    55,
                    80
                )
                {
                    FeedDays = 10,
                    WithdrawalDays = 21,
                    WithdrawalDegreeDays = 400,
                    NeedsVet = true,
                },
                Labelled("Pond salt", 20)
            ),
            nameof(TreatmentGiven) => (
                new TreatmentGiven(P1, Salt, 60_000, 1, "scraped fish", "vet") { DemandMgL = 1, PassedReason = "none" },
                new TreatmentGiven(P1, Salt, 70_000, 2, "scraped fish", "")
            ),
            nameof(BathNoted) => (
                new BathNoted(Treated, P1, BathEvent.TestBegun, null, "ten fish"),
                new BathNoted(Treated, P1, BathEvent.Oxygen, 6.5, "")
            ),
            nameof(HealthLook) => (
                new HealthLook(0, P1, [("spots", true), ("flash", false)], "thin", "", ""),
                new HealthLook(0, P1, [("spots", true)], "", "ich", "the vet was asked")
            ),
            nameof(PondHeld) => (new PondHeld(P2, true, "white spots"), new PondHeld(P2, true, "white spots seen")),
            nameof(HunterSeen) => (
                new HunterSeen(P1, "cormorant", 4, "north bank", "net mended"),
                new HunterSeen(P1, "heron", 2, "", "")
            ),
            nameof(BarrierChecked) => (
                new BarrierChecked(P1, "net", BarrierWork.PutUp, 90_000, "north bank first"),
                new BarrierChecked(P1, "lines", BarrierWork.PutUp, null, "")
            ),
            nameof(FishMoved) => (
                new FishMoved(P1, P2, Batch, 300, 60, CountBasis.Counted),
                new FishMoved(P1, P3, Batch, 200, 61, CountBasis.ByWeight)
            ),
            nameof(SourceTested) => (
                new SourceTested(
                    "well 1",
                    SourceKind.Well,
                    false,
                    12.5,
                    [(Parameter.Ph, 7.2), (Parameter.Oxygen, 3.5)]
                ),
                new SourceTested("creek", SourceKind.River, true, null, [(Parameter.Ph, 7.6)])
            ),
            nameof(PondBuiltBy) => (
                new PondBuiltBy(P1, "Ann", new(2024, 5, 1), 12_500.5, new(2029, 5, 1), "liner by the farm"),
                new PondBuiltBy(P1, "Bob", new(2024, 5, 2), null, null, "")
            ),
            nameof(LoneWork) => (new LoneWork("Night watch", 30, "P1 to P3"), new LoneWork("Night watch", 0, "")),
            nameof(WalkSet) => (new WalkSet([P2, P1]), new WalkSet([P1, P3])),
            nameof(KillWritten) => (
                new KillWritten(P1, Now.AddHours(-9), 40, "oxygen", "gasping at four", "a second aerator"),
                new KillWritten(P1, Now.AddHours(-8), 60, "power", "", "a generator")
            ),
            nameof(FishRecounted) => (
                new FishRecounted(P1, Batch, 950, CountBasis.Counted, "birds"),
                new FishRecounted(P1, Batch, 940, CountBasis.LiftedNet, "birds again")
            ),
            nameof(QuarantineNoted) => (
                new QuarantineNoted(P1, Batch, QuarantineEvent.Begun, 21, true, "new fish"),
                new QuarantineNoted(P1, Batch, QuarantineEvent.Begun, 28, true, "newer fish")
            ),
            nameof(FishSampled) => (
                new FishSampled(P1, Batch, true, [(1, 60), (1, 70)])
                {
                    LengthsM = [0.15, null],
                    Marks = [new(HealthMark.Sores, 1)],
                },
                new FishSampled(P1, Batch, false, [(30, 2000), (25, 1700)])
            ),
            nameof(BuyerDescribed) => (
                new BuyerDescribed(0, "Market", BuyerKind.Market, false),
                new BuyerDescribed(0, "Market stall", BuyerKind.Shop, true)
            ),
            nameof(PriceListed) => (
                new PriceListed(BuyerNo, "silver_perch", FishForm.Gutted, 400, 1250),
                new PriceListed(null, "silver_perch", FishForm.Live, 0, null)
            ),
            nameof(FishSold) => (
                new FishSold(P1, Taken, LotUse.Sold, BuyerNo, FishForm.Gutted, 0.9, 1, 0.1)
                {
                    Yield = 0.9,
                    MinorPerKg = 1200,
                    DiscountPct = 5,
                    TempC = 1.5,
                    Note = "first",
                },
                new FishSold(P1, Taken, LotUse.Spoiled, null, FishForm.WholeOnIce, 0.4, 0, 0)
            ),
            nameof(FishOrdered) => (
                new FishOrdered(
                    0,
                    BuyerNo,
                    "silver_perch",
                    FishForm.WholeOnIce,
                    400,
                    120,
                    DateOnly.FromDateTime(Now.UtcDateTime).AddDays(9),
                    false,
                    "early"
                ),
                new FishOrdered(
                    0,
                    BuyerNo,
                    "silver_perch",
                    FishForm.Live,
                    20,
                    10,
                    DateOnly.FromDateTime(Now.UtcDateTime).AddDays(2),
                    true,
                    ""
                )
                {
                    Count = 500,
                    CustomerM2 = 92.9,
                }
            ),
            nameof(NetDayBegun) => (
                new NetDayBegun(0, P1, Batch, 30, 12, 50, 90, 65, "two on the lines") { Reason = "frost" },
                new NetDayBegun(0, P1, Batch, 20, 0, 40, 80, 60, "") { Reason = "ordered" }
            ),
            nameof(BasketWeighed) => (
                new BasketWeighed(Net, P1, 1, NetFate.OnIce, 17.9, 1.9) { Count = 240, ClassFromG = 400 },
                new BasketWeighed(Net, P1, 2, NetFate.Returned, 12, 2)
            ),
            nameof(NetNoted) => (
                new NetNoted(Net, P1, NetEvent.Read, 1, 5.5, 40, ""),
                new NetNoted(Net, P1, NetEvent.PullDone, 2, null, null, NetNoted.Ways[0])
            ),
            nameof(NetDayClosed) => (
                new NetDayClosed(WithBasket(), P1, false, "done by ten") { DamagedOf20 = 1 },
                new NetDayClosed(Net, P1, true, "")
            ),
            nameof(HarvestArranged) => (
                new HarvestArranged(
                    P1,
                    DateOnly.FromDateTime(Now.UtcDateTime).AddDays(5),
                    Arranged.Ice,
                    ArrangedState.Booked,
                    "1 t"
                ),
                new HarvestArranged(
                    P1,
                    DateOnly.FromDateTime(Now.UtcDateTime).AddDays(6),
                    Arranged.Crew,
                    ArrangedState.FellThrough,
                    ""
                )
            ),
            nameof(CycleReviewed) => (
                new CycleReviewed(P1, Batch, "fewer than counted", "count at stocking"),
                new CycleReviewed(P1, Batch, "", "cover against birds")
            ),
            nameof(FishHarvested) => (
                new FishHarvested(P1, Batch, 100, 6.5, CountBasis.ByWeight, Account.Harvested, false, ""),
                new FishHarvested(P1, Batch, 980, 65, CountBasis.Counted, Account.SoldAlive, true, "")
            ),
            nameof(FishReceived) => (
                new FishReceived(
                    P2,
                    "silver_perch",
                    "hatchery",
                    "H1",
                    SeedSource.Hatchery,
                    500,
                    20,
                    3,
                    true,
                    true,
                    true,
                    true,
                    90,
                    DeliveryVerdict.Accepted,
                    "fine"
                ),
                new FishReceived(
                    P2,
                    "silver_perch",
                    "other",
                    "H2",
                    SeedSource.Wild,
                    400,
                    21,
                    5,
                    true,
                    false,
                    true,
                    false,
                    null,
                    DeliveryVerdict.Refused,
                    "bad"
                )
            ),
            nameof(AcclimationBegun) => (
                Acclimation(25),
                Acclimation(26) with
                {
                    Own = new OwnRates("the hatchery", 1.5, null, 0.5),
                }
            ),
            nameof(AcclimationNoted) => (
                new AcclimationNoted(Run, P1, AccEvent.Measured, "", 23, 7.2, 0, 6, null, "first") { TanMgL = 1.2 },
                new AcclimationNoted(Run, P1, AccEvent.Measured, "", 23.5, 7.3, 0, 6.5, null, "second")
            ),
            nameof(PreparationPlanned) => (Preparation(7), Preparation(10)),
            nameof(HarvestPlanned) => (
                new HarvestPlanned(0, P1, Batch, Today.AddDays(30), 200, P2, false),
                new HarvestPlanned(0, P1, Batch, Today.AddDays(31), 300, P3, false)
            ),
            nameof(CyclePlanned) => (
                new CyclePlanned(0, P2, "silver_perch", Today.AddDays(30), 300, 60, 400, P1, Today.AddDays(200), false),
                new CyclePlanned(0, P2, "silver_perch", Today.AddDays(31), 250, 61, 410, P3, null, false)
            ),
            nameof(SeasonKept) => (
                new SeasonKept(0, "copy", "h1=2026-05-01", false),
                new SeasonKept(0, "copy two", "h1=2026-05-09", false)
            ),
            nameof(StockingPlanKept) => (
                new StockingPlanKept(0, P1, "plan", "a=1", false),
                new StockingPlanKept(0, P1, "plan two", "a=2", false)
            ),
            nameof(JobClosed) => (
                new JobClosed("round:1:2026-03-02", P1, JobOutcome.Done, ""),
                new JobClosed("round:1:2026-03-02", P1, JobOutcome.Skipped, "rain")
            ),
            nameof(DutyKept) => (
                new DutyKept(0, P1, "clean screens", "they clog", 7, Today, new(8, 0), Role.PondHand, null),
                new DutyKept(0, P1, "mow", "snakes", 14, Today, new(9, 30), Role.PondHand, Today.AddDays(90))
                {
                    SharePct = 12.5,
                }
            ),
            nameof(VitalKept) => (
                new VitalKept(0, "generator", "diesel", null, 7, 0, "", false),
                new VitalKept(0, "blower", "blower", P1, 14, 2, "shed", false)
            ),
            nameof(VitalChecked) => (
                new VitalChecked(Vital, null, 7, true, ""),
                new VitalChecked(Vital, null, 40, false, "flat battery")
            ),
            nameof(AlarmRaised) => (
                new AlarmRaised(0, P1, AlarmCause.LowOxygen, Status.Watch, "oxygen 3"),
                new AlarmRaised(0, P1, AlarmCause.LowOxygen, Status.ActNow, "oxygen 2.1")
            ),
            nameof(AlarmAnswered) => (new AlarmAnswered(Alarm, P1), new AlarmAnswered(Alarm, P1)),
            nameof(AlarmEnded) => (new AlarmEnded(Alarm, P1), new AlarmEnded(Alarm, P1)),
            nameof(AlarmTold) => (
                new AlarmTold(Alarm, P1, 1, Status.ActNow, "hand@farm.invalid"),
                new AlarmTold(Alarm, P1, 2, Status.Watch, "manager@farm.invalid")
            ),
            nameof(CallListSet) => (
                new CallListSet(
                    [
                        new("Hand", "hand@farm.invalid") { Phone = "0491 570 006" },
                        new("Manager", "") { Phone = "+61 491 570 156" },
                    ],
                    10,
                    new(22, 0),
                    new(5, 0)
                )
                {
                    Hook = "https://messages.test/farm",
                },
                new CallListSet([new("Manager", "m@farm.invalid")], 15, null, null)
            ),
            _ => Hatchery(kind)
                ?? throw new NotSupportedException($"Give {kind} an example here: a fact and a correction of it."),
        };

    private static Pond Drawn(string code) =>
        new(
            0,
            code,
            "new",
            PondKind.Earthen,
            new OutlinePond(new Outline([(-20, -10), (20, -10), (20, 10), (-20, 10)]), 1.3, 2),
            "grow-out"
        );

    private static FeedTableRow[] Table(double ration) =>
        [new(1, 0.5, 1, 45, ration, 24), new(50, 2, 3, 40, ration - 1, 24)];

    public void Dispose() => farm.Dispose();
}
