using Dorsk.Core.Hatchery;
using Dorsk.Core.Judging;
using Dorsk.Core.People;
using Dorsk.Core.Plans;
using Dorsk.Core.Species;
using Dorsk.Core.Time;
using Dorsk.Core.Units;

namespace Dorsk.Core.Tests.Hatchery;

/// <summary>Care of eggs, fry and breeders: water, bell, tanks, fry ponds, nests, the register, the way of each species.</summary>
public class HatcheryCareTests
{
    private static readonly FishSpecies Perch = FishSpecies.Of("silver_perch"),
        Catfish = FishSpecies.Of("channel_catfish"),
        Barramundi = FishSpecies.Of("barramundi");
    private static readonly Hand Hand = Hand.Metric;

    private static LotLooked Look(
        double? tempC = null,
        double? mgL = null,
        EggColour colour = EggColour.NotSeen,
        EggStage? seen = null,
        double? fungus = null,
        int? deformed = null,
        FryBehaviour behaviour = FryBehaviour.NotSeen
    ) => new(1, tempC, mgL, null, seen, colour, fungus, deformed) { Behaviour = behaviour };

    private static VesselDescribed Vessel(double litres = 500, double flowM3H = 0.6) =>
        new(1, VesselKind.Trough, "H1", litres / 1000, flowM3H, null, HeldBefore.New, false);

    private static string Worst(LotStage stage, LotLooked look, VesselDescribed? vessel = null) =>
        new LotWater(Catfish, EggTable.For(Catfish)!, Hand).Of(stage, look, vessel)[0].Reason;

    [Fact]
    public void The_trough_is_judged_on_both_sides_by_the_limits_of_eggs()
    {
        // 29.5 °C deforms, 26 is its band, 24 breeds fungus; eggs want 6 mg/L by the species' own row, more than their group.
        Assert.Contains("deformed", Worst(LotStage.Eggs, Look(30)), StringComparison.Ordinal);
        Assert.Contains("fungus", Worst(LotStage.Eggs, Look(25.5)), StringComparison.Ordinal);
        Assert.Contains("act level 6.0", Worst(LotStage.Eggs, Look(27, 5.8)), StringComparison.Ordinal);
        Assert.Contains("oxygen 5.8", Worst(LotStage.Fry, Look(null, 5.8)), StringComparison.Ordinal);
        Assert.Contains("3 of 20", Worst(LotStage.Larvae, Look(deformed: 3)), StringComparison.Ordinal);
        Assert.Contains("40 %", Worst(LotStage.Eggs, Look(27, fungus: 40)), StringComparison.Ordinal);
        Assert.Contains("150 minutes", Worst(LotStage.Eggs, Look(27, 7), Vessel(1500)), StringComparison.Ordinal);
        Assert.Equal(50, Vessel().TurnoverMin!.Value, 6);
        Assert.Contains(
            "crowded",
            Worst(LotStage.Fry, Look(behaviour: FryBehaviour.Hanging)),
            StringComparison.Ordinal
        );
    }

    [Fact]
    public void Colour_and_stage_are_held_against_the_clock_and_lost_hours_told()
    {
        Assert.Null(LotWater.Fits(EggStage.Fresh, Look(colour: EggColour.Yellow)));
        Assert.Contains(
            "yellow",
            LotWater.Fits(EggStage.Eyed, Look(colour: EggColour.Yellow))!.Reason,
            StringComparison.Ordinal
        );
        Assert.Equal(Status.ActNow, LotWater.Fits(EggStage.Eyed, Look(colour: EggColour.White))!.Status);
        Assert.Contains(
            "behind",
            LotWater.Fits(EggStage.Hatching, Look(seen: EggStage.Embryo))!.Reason,
            StringComparison.Ordinal
        );
        var at = new DateTimeOffset(2027, 1, 1, 0, 0, 0, TimeSpan.Zero);
        var water = new LotWater(Catfish, EggTable.For(Catfish)!, Hand);
        Assert.Null(water.OutOfBand([(at, 27)], at.AddHours(9)));
        // Three hours at 29, two at 24.
        var cost = water.OutOfBand(
            [(at, 27), (at.AddHours(2), 29), (at.AddHours(5), 24), (at.AddHours(7), 27)],
            at.AddHours(9)
        );
        Assert.Matches("3.0 h too warm.*2.0 h too cool", cost!);
    }

    [Fact]
    public void Eggs_are_tempered_over_three_degrees_and_nests_never_held_poison()
    {
        Assert.Equal(0, EggsTaken.TemperMinutes(25, 22));
        Assert.Equal(40, EggsTaken.TemperMinutes(25, 21));
        var eggs = LotLedgerTests.Eggs(100) with { FromC = 29, TroughC = 24, TemperedMin = 10 };
        Assert.Equal("Tempered", Assert.Single(eggs.Check(Vessel(), Hand)).Field);
        Assert.Empty((eggs with { TemperedMin = 50 }).Check(Vessel(), Hand));
        Assert.Equal("Vessel", Assert.Single((eggs with { TemperedMin = 50 }).Check(null, Hand)).Field);
        var nest = new VesselDescribed(0, VesselKind.Nest, "7", 0, 0, 3, HeldBefore.Poison, false) { DepthM = 0.7 };
        Assert.Contains(nest.Check(false), r => r.Field == "Before" && r.Kind == Objection.Refuse);
        Assert.Contains((nest with { Before = HeldBefore.Unknown }).Check(false), r => r.Kind == Objection.Refuse);
        Assert.Empty((nest with { Before = HeldBefore.Food }).Check(false));
        var close = nest with { SpacingM = 2, DepthM = 1.4 };
        Assert.Equal(3, close.Standing(Hand).Count());
        Assert.Contains(
            new NestChecked(7, 3, NestSeen.Empty).Check(
                nest with
                {
                    VesselId = 7,
                },
                new(2027, 1, 1, 0, 0, 0, TimeSpan.Zero),
                new(2027, 1, 1, 19, 0, 0, TimeSpan.Zero)
            ),
            r => r.Kind == Objection.Ask
        );
        Assert.Empty(
            new NestChecked(7, 3, NestSeen.Empty).Check(
                nest with
                {
                    VesselId = 7,
                },
                new(2027, 1, 1, 0, 0, 0, TimeSpan.Zero),
                new(2027, 1, 1, 20, 0, 0, TimeSpan.Zero)
            )
        );
        var moved = new LotMoved(1, 1, 2, null) { FromC = 26, ToC = 24.5 };
        var lot = new LotStanding(1, eggs, default, LotStage.Larvae, 100, 1, null, "");
        Assert.Equal("ToC", Assert.Single(moved.Check(lot, Vessel() with { VesselId = 2 }, Hand)).Field);
    }

    [Fact]
    public void The_bell_keeps_its_distance_through_the_night_in_which_clocks_change_and_stops_by_itself()
    {
        var zone = FarmZone.Find("America/Chicago")!;
        // The clocks go forward on 14 March 2027 at 02:00.
        var first = zone.At(new DateOnly(2027, 3, 13), new(18, 0));
        foreach (var meals in new[] { 8, 9, 10 })
        {
            var all = FeedBell.Between(5, first, meals, [], (first, first.AddDays(60)), at =>
                zone.LocalAt(at).Hour is < 6 or >= 20
            );
            Assert.Equal(FeedBell.Days * meals, all.Count);
            var steps = all.Zip(all.Skip(1)).Select(p => (p.Second.At - p.First.At).TotalHours);
            Assert.All(steps, h => Assert.Equal(24.0 / meals, h, 6));
            Assert.Equal(all.Count, all.Select(FeedBell.Key).Distinct().Count());
            Assert.Equal(meals, all.Count(m => m.At < first.AddDays(1)));
            Assert.Contains(all.Take(meals), m => m.Who == Role.NightWatch);
            Assert.Contains(all.Take(meals), m => m.Who == Role.PondHand);
        }
        // A meal answers the bell it lies nearest to; the others were missed.
        var fed = FeedBell.Between(
            5,
            first,
            8,
            [first.AddHours(1), first.AddHours(3.2)],
            (first, first.AddHours(8.9)),
            _ => false
        );
        Assert.Equal([true, true, false], fed.Select(m => m.FedAt is not null));
        Assert.InRange(FeedBell.MealsADay(Catfish, 27), 8, 10);
        Assert.InRange(FeedBell.MealsADay(Perch, 25), 8, 10);
    }

    [Fact]
    public void Fry_in_tanks_are_cared_for_by_their_age()
    {
        var now = new DateTimeOffset(2027, 1, 20, 12, 0, 0, TimeSpan.Zero);
        FryCare Of(
            double ageDays,
            string what,
            DateTimeOffset? siphoned = null,
            bool covered = true,
            double depth = 0.28
        ) =>
            FryTank
                .Of(new(Perch, now.AddDays(-ageDays), now, siphoned, covered, depth, FryBehaviour.NotSeen), Hand)
                .Single(c => c.What == what);
        Assert.Contains("straight down", Of(13, "Inflow").How, StringComparison.Ordinal);
        Assert.DoesNotContain("straight down", Of(15, "Inflow").How, StringComparison.Ordinal);
        Assert.All([2.0, 40], age =>
            Assert.Contains("thin trickle day and night", Of(age, "Inflow").How, StringComparison.Ordinal)
        );
        Assert.Equal(
            (1, 3, 2),
            (FryTank.SiphonEvery(5, true), FryTank.SiphonEvery(30, true), FryTank.SiphonEvery(30, false))
        );
        Assert.True(Of(5, "Siphon the floor", now.AddDays(-1)).Due);
        Assert.False(Of(30, "Siphon the floor", now.AddDays(-2)).Due);
        Assert.True(Of(5, "Level", depth: 0.6).Due);
        Assert.True(Of(5, "Shade", covered: false).Due);
        FryCare Film(FishSpecies fish, FryBehaviour seen) =>
            FryTank.Of(new(fish, now.AddDays(-15), now, null, true, 0.28, seen), Hand).Single(c => c.What == "Surface");
        Assert.True(Film(Perch, FryBehaviour.UnderFilm).Due);
        Assert.False(Film(Perch, FryBehaviour.Spread).Due);
        var feeds = new[] { 2.0, 6, 15, 28, 40, 70 }.Select(age => Of(age, "Feed").How).ToList();
        Assert.Equal(6, feeds.Distinct().Count());
        Assert.Contains("pellet", feeds[^1], StringComparison.Ordinal);
        // Split by volume: whole fry, none lost, in proportion.
        Assert.Equal([2001L, 1000L], FryTank.Split(3001, [2, 1]));
        var random = new Random(2);
        for (var i = 0; i < 200; i++)
        {
            var volumes = Enumerable.Range(0, random.Next(1, 5)).Select(_ => 0.1 + random.NextDouble()).ToList();
            var count = random.Next(0, 100_000);
            var parts = FryTank.Split(count, volumes);
            Assert.Equal(count, parts.Sum());
            Assert.All(parts.Zip(volumes), p =>
                Assert.InRange(p.First - (count * p.Second / volumes.Sum()), -1, volumes.Count)
            );
        }
        DateOnly D(int day) => new(2027, 1, day);
        Assert.Equal(Status.ActNow, FryTank.Cannibals([(D(1), 2), (D(2), 3), (D(3), 9), (D(4), 12)], Hand).Status);
        Assert.Equal(Status.Steady, FryTank.Cannibals([(D(1), 12), (D(2), 9), (D(3), 3), (D(4), 2)], Hand).Status);
        Assert.True(FryTank.PerLitre(Perch, 0.01).High > FryTank.PerLitre(Perch, 1).High);
        Assert.True(FryTank.PerLitre(Barramundi, 1).High < FryTank.PerLitre(FishSpecies.Of("common_carp"), 1).High);
    }

    private static FryPondState Pond(int day, double meanG, int? took = null, FishSpecies? species = null) =>
        new(
            species ?? Barramundi,
            new(2027, 1, 1),
            new DateOnly(2027, 1, 1).AddDays(day),
            meanG,
            40_000,
            500,
            400,
            24,
            took
        );

    [Fact]
    public void The_end_of_natural_food_is_called_by_days_and_by_weight_before_they_eat_each_other()
    {
        var nursery = NurseryDensity.For(Barramundi)!;
        Status At(int day, double g) => FryPond.End(Pond(day, g), nursery, Hand)!.Judgement.Status;
        Assert.Equal(Status.Steady, At(8, 0.02));
        Assert.Equal(Status.Watch, At((int)nursery.Days.From, 0.02));
        Assert.Equal(Status.ActNow, At((int)nursery.Days.To + 1, 0.02));
        Assert.Equal(Status.ActNow, At(8, nursery.WeightG(nursery.AtMm)));
        Assert.Contains(
            "eat each other",
            FryPond.End(Pond(20, 0.2), nursery, Hand)!.Judgement.Reason,
            StringComparison.Ordinal
        );
        Assert.False(FryPond.Is(Pond(90, 20), nursery));
        var fed = FryPond.Care(Pond(5, 0.05), Hand, false);
        Assert.DoesNotContain(fed, c => c.Due);
        // Near the harvest they are gathered under shade.
        Assert.Contains(FryPond.Care(Pond(20, 0.2), Hand, true), c => c is { What: "Gather", Due: true });
        Assert.Contains(FryPond.Care(Pond(5, 0.05, took: 0), Hand, false), c => c is { What: "Level", Due: true });
        Assert.Contains("fine floating", fed[0].How, StringComparison.Ordinal);
        string Line(FryPondState s, string what) => FryPond.Care(s, Hand, false).Single(c => c.What == what).How;
        Assert.StartsWith("3 to 4 times", Line(Pond(13, 0.1), "Meals"), StringComparison.Ordinal);
        Assert.StartsWith("2 to 3 times", Line(Pond(14, 0.1), "Meals"), StringComparison.Ordinal);
        Assert.Contains("slight surplus", Line(Pond(3, 0.1), "Surplus"), StringComparison.Ordinal);
        Assert.Contains("no surplus", Line(Pond(20, 0.1), "Surplus"), StringComparison.Ordinal);
        Assert.StartsWith("mild", Line(Pond(20, 0.1), "Harvest"), StringComparison.Ordinal);
        Assert.StartsWith("too warm", Line(Pond(20, 0.1) with { TempC = 29 }, "Harvest"), StringComparison.Ordinal);
        Assert.StartsWith("cold", Line(Pond(20, 0.1) with { TempC = 12 }, "Harvest"), StringComparison.Ordinal);
        Assert.Contains("crumble", FryPond.Care(Pond(40, 0.5), Hand, false)[0].How, StringComparison.Ordinal);
        Assert.Contains("pellet", FryPond.Care(Pond(60, 2), Hand, false)[0].How, StringComparison.Ordinal);
        // A screen holds what it is made for: the slot lies under the gap the fish slips through.
        foreach (var g in new[] { 0.01, 0.1, 1, 5 })
            Assert.True(FryPond.SlotMm(Pond(1, g)) < BodyLength.HeldByMm(Barramundi, g));
        Assert.Equal((80, 0.1), FryPond.Density(Pond(1, 1)));
        Assert.Equal((300, 700), FryReady.HalfGrown(1000, 300));
        Assert.Equal((1000, 0), FryReady.HalfGrown(1000, 5000));
        Assert.Equal(Status.Watch, FryReady.ForPond(1, 12, early: false).Status);
        Assert.Equal(Status.Watch, FryReady.ForPond(9, 6, early: false).Status);
        Assert.Equal(Status.Steady, FryReady.ForPond(9, 12, early: false).Status);
        Assert.Equal(Status.Steady, FryReady.ForPond(0, null, early: true).Status);
    }

    private static BroodDescribed Group(
        int count,
        BroodSex sex,
        double kg,
        string strain,
        int year,
        BroodOrigin origin = BroodOrigin.Bought
    ) => new(0, 1, $"{strain} {sex} {year}", count, sex, SexSure.ByShape, origin, strain, year, kg);

    [Fact]
    public void Breeders_are_judged_by_load_sexes_waters_weights_age_and_kin()
    {
        var sound = new BroodPond(
            1,
            "B1",
            1200,
            Perch,
            [Group(30, BroodSex.Female, 1.5, "Creek", 2023), Group(20, BroodSex.Male, 1.4, "Hill", 2022)]
        );
        Assert.All(BroodCare.Of(sound, 2, 2027, Hand), f => Assert.Equal(Status.Steady, f.Status));
        Assert.Equal((30 * 1.5 + 28) / 0.12, sound.KgPerHa, 6);
        string Says(BroodPond pond, int waters = 2) =>
            string.Join(
                " | ",
                BroodCare.Of(pond, waters, 2027, Hand).Where(f => f.Status > Status.Steady).Select(f => f.Reason)
            );
        Assert.Contains("one water", Says(sound, 1), StringComparison.Ordinal);
        Assert.Contains("part them", Says(sound with { AreaM2 = 400 }), StringComparison.Ordinal);
        Assert.Contains(
            "20 males are wanted",
            Says(
                sound with
                {
                    Kept = [Group(30, BroodSex.Female, 1.5, "Creek", 2023), Group(4, BroodSex.Male, 1.4, "Hill", 2022)],
                }
            ),
            StringComparison.Ordinal
        );
        Assert.Contains(
            "brothers",
            Says(
                sound with
                {
                    Kept =
                    [
                        Group(30, BroodSex.Female, 1.5, "Creek", 2023),
                        Group(20, BroodSex.Male, 1.4, "creek", 2023),
                    ],
                }
            ),
            StringComparison.Ordinal
        );
        Assert.Contains(
            "10 years",
            Says(
                sound with
                {
                    Kept = [Group(3, BroodSex.Female, 1.5, "Creek", 2015), Group(2, BroodSex.Male, 1.4, "Hill", 2022)],
                }
            ),
            StringComparison.Ordinal
        );
        Assert.Contains(
            "useful weights",
            Says(
                sound with
                {
                    Kept = [Group(3, BroodSex.Female, 0.2, "Creek", 2023), Group(2, BroodSex.Male, 1.4, "Hill", 2022)],
                }
            ),
            StringComparison.Ordinal
        );
        Assert.Contains(
            "wild",
            Says(
                sound with
                {
                    Kept =
                    [
                        Group(3, BroodSex.Female, 1.5, "", 2023, BroodOrigin.Wild),
                        Group(2, BroodSex.Male, 1.4, "Hill", 2022),
                    ],
                }
            ),
            StringComparison.Ordinal
        );
        Assert.Contains(Group(1, BroodSex.Female, 1, "x", 2023, BroodOrigin.Wild).Check(false, new(2027, 1, 1)), r =>
            r.Field == "Origin" && r.Kind == Objection.Ask
        );
        Assert.Contains(
            (Group(1, BroodSex.Unknown, 1, "x", 2023) with { Sure = SexSure.Seen }).Check(false, new(2027, 1, 1)),
            r => r.Field == "Sure"
        );
        var sick = new BroodInspected(1, 1, false, true, false, true, null);
        Assert.False(sick.Accepted);
        Assert.Equal("sores, parasites in the gills", sick.Faults);
        Assert.True(new BroodInspected(1, 1, false, false, false, false, null).Accepted);
    }

    [Fact]
    public void Breeders_eat_by_the_water_and_forage_carries_its_disease_flag()
    {
        var (low, _) = SpawnWater.RangeOf(Perch);
        var rations = new[] { Perch.FeedMinC - 1, Perch.FeedMinC + 1, (Perch.FeedMinC + low) / 2, low + 1 }
            .Select(c => BroodCare.Ration(Perch, c, false).Pct)
            .ToList();
        Assert.Equal([0, 0.5, 1, 2], rations);
        Assert.Contains("5 to 10 minutes", BroodCare.Ration(Perch, low, spawning: true).How, StringComparison.Ordinal);
        Assert.Equal(Status.Steady, BroodCare.Feed(40, true).Status);
        Assert.Contains("sinks", BroodCare.Feed(40, false).Reason, StringComparison.Ordinal);
        Assert.Contains("at least 35", BroodCare.Feed(28, true).Reason, StringComparison.Ordinal);
        ForageGiven Given(ForageState state) => new(1, "minnows", "creek", 2, state);
        Assert.Equal(Objection.Ask, Assert.Single(Given(ForageState.Live).Check(false)).Kind);
        Assert.Equal(Objection.Refuse, Assert.Single(Given(ForageState.Raw).Check(never: true)).Kind);
        Assert.Empty(Given(ForageState.Cooked).Check(true));
        Assert.Equal(
            [Status.ActNow, Status.ActNow, Status.Watch, Status.Steady, Status.Steady],
            Enum.GetValues<ForageState>().Select(s => Given(s).Risk.Status)
        );
        Assert.NotEqual(BroodCare.Signs(true).Count, BroodCare.Signs(false).Count);
    }

    [Fact]
    public void Water_has_settled_after_five_days_in_range_and_nests_are_looked_into_by_the_calendar()
    {
        DateOnly D(int day) => new DateOnly(2027, 4, 1).AddDays(day);
        List<(DateOnly, double)> Days(params double[] c) => [.. c.Select((t, i) => (D(i), t))];
        Assert.Equal(D(5), SpawnWater.SettledOn(Days(19, 22, 23, 23, 24, 24, 25), (21, 28)));
        // A sharp fall begins anew, and so does a day without a reading.
        Assert.Null(SpawnWater.SettledOn(Days(22, 25, 25, 22.5, 23, 24), (21, 28)));
        Assert.Null(SpawnWater.SettledOn([.. Days(22, 23, 23, 24).Append((D(5), 24)).Append((D(6), 24.0))], (21, 28)));
        Assert.Equal(
            [true, false, true, true, true],
            new[] { 0, 1, 2, 7, 8 }.Select(n => SpawnWater.ChecksOn(D(0), D(n)))
        );
        Assert.Null(SpawnWater.ChecksOn(D(0), D(61)));
        Assert.Equal(D(-14), SpawnWater.NestsOutBy(D(0)));
    }

    [Fact]
    public void Every_species_has_its_way_and_a_plan_in_other_units_is_the_same()
    {
        foreach (var table in EggTable.All)
        {
            var way = BroodWay.Of(table);
            Assert.NotEmpty(way.Steps);
            Assert.True(way.EggsPerVessel == 0 || way.VesselsFor(way.EggsPerVessel * 2.5) == 3);
        }
        string Of(string key) => BroodWay.Of(EggTable.For(FishSpecies.Of(key))!).Name;
        Assert.StartsWith("nests", Of("channel_catfish"), StringComparison.Ordinal);
        Assert.StartsWith("mouth", Of("nile_tilapia"), StringComparison.Ordinal);
        Assert.StartsWith("carried", Of("giant_prawn"), StringComparison.Ordinal);
        Assert.Equal(17, BroodWay.Of(EggTable.For(Catfish)!).NestsFor(25));
        // A plan typed in inches, pounds and °F reads back as the same SI figures.
        double Us(string text, Measure m) => QuantityText.Read(text, m, Hand.Us).Si!.Value;
        var si = new HatchAsked(
            20_000,
            new(2027, 9, 1),
            50.8,
            1.814369,
            (3, 2),
            new(0.5, 0.8),
            new(0.4, 0.8),
            new(0.5, 0.8),
            new(0.4, 0.7),
            26.6667
        );
        var us = si with
        {
            LengthMm = 1000 * Us("2 in", Measures.ShortLength),
            FemaleKg = Us("4 lb", Measures.Mass),
            WaterC = Us("80 F", Measures.Temperature),
        };
        var (a, b) = (
            BackPlan.Of(si, EggTable.For(Catfish)!, NurseryDensity.For(Catfish)),
            BackPlan.Of(us, EggTable.For(Catfish)!, NurseryDensity.For(Catfish))
        );
        Assert.Equal((a.Fry, a.Eggs, a.Females, a.Males), (b.Fry, b.Eggs, b.Females, b.Males));
        Assert.Equal(a.NurseryM2!.Value.Usual, b.NurseryM2!.Value.Usual, 1);
        Assert.Equal(a.Days, b.Days);
        var buy = MakeOrBuy.Of((10_000, 40_000), 8000, 0.1, 0.8);
        Assert.Equal((0.2, 0.8, 0.125), (buy.Own.Low, buy.Own.High, buy.Bought));
        Assert.Contains("bought ones are cheaper", buy.Judgement.Reason, StringComparison.Ordinal);
        Assert.Contains(
            "own ones are cheaper even",
            MakeOrBuy.Of((10_000, 40_000), 800, 0.1, 0.8).Judgement.Reason,
            StringComparison.Ordinal
        );
        Assert.Equal(Status.Watch, MakeOrBuy.Of((10_000, 40_000), 2000, 0.1, 0.8).Judgement.Status);
    }

    [Fact]
    public void A_water_keeps_its_own_figure_of_fry_and_a_mark_and_return_finds_the_number()
    {
        var (tank, pool, pond) = (
            FryPlaces.Of(Perch, FryWater.Tank, 1, 0.01),
            FryPlaces.Of(Perch, FryWater.Pool, 1, 0.01),
            FryPlaces.Of(Perch, FryWater.Pond, 1, 0.01)
        );
        Assert.True(tank.High > pool.High && pool.High > pond.High);
        Assert.Equal((2000, 5000), (pool.Low, pool.High));
        Assert.Equal(40, pond.High);
        Assert.Equal(0, FryPlaces.Of(Perch, FryWater.Pool, 0, 0.01).High);
        // By hand: 201 · 151 / 13 − 1.
        Assert.Equal((201.0 * 151 / 13) - 1, MarkReturn.Of(200, 150, 12).Fish, 6);
        var random = new Random(8);
        var inside = Enumerable
            .Range(0, 500)
            .Count(_ =>
            {
                const int Fish = 2000,
                    Marked = 200,
                    Caught = 300;
                var again = 0;
                for (var (left, marks, i) = (Fish, Marked, 0); i < Caught; i++, left--)
                    if (random.Next(left) < marks)
                    {
                        again++;
                        marks--;
                    }
                var r = MarkReturn.Of(Marked, Caught, again);
                return r.Low <= Fish && Fish <= r.High;
            });
        Assert.InRange(inside / 500.0, 0.92, 0.98);
        // 1,000 fish, 60 % live: 800 eat. 1 to 2 g at 1.2 · 10, 2 to 5 g at 1.5 · 2.
        var cost = WeaningCost.Of(1000, 0.6, (1, 2, 1.5, 5), (10, 1.2), (2, 1.5));
        Assert.Equal(0.8 * ((1 * 12) + (3 * 3)), cost.All, 6);
        Assert.Equal(cost.All / 600, cost.PerFish, 9);
        Assert.Equal(0.8 * 0.5 * (12 - 3), cost.SavedByEarlier, 6);
    }

    [Fact]
    public void A_lot_rings_on_both_sides_for_three_hours_after_its_reading()
    {
        var at = new DateTimeOffset(2027, 1, 20, 12, 0, 0, TimeSpan.Zero);
        LotState Lot(double tempC, double mgL, double hours) =>
            new(
                new(1, LotLedgerTests.Eggs(1000), at.AddHours(-9), LotStage.Eggs, 1000, 1, null, ""),
                Catfish,
                EggTable.For(Catfish)!,
                Vessel(),
                [(at, Look(tempC, mgL))],
                [],
                null,
                at.AddHours(hours)
            );
        Assert.Null(Lot(27, 7.5, 1).Rings(Hand));
        Assert.Equal(Status.ActNow, Lot(30, 7.5, 1).Rings(Hand)!.Status);
        Assert.Contains("fungus", Lot(25, 7.5, 1).Rings(Hand)!.Reason, StringComparison.Ordinal);
        Assert.Contains("oxygen", Lot(27, 3, 1).Rings(Hand)!.Reason, StringComparison.Ordinal);
        Assert.Null(Lot(30, 7.5, 4).Rings(Hand));
        Assert.Contains(Lot(27, 7, 30).Findings(Hand), f => f.Status == Status.Unknown);
        // The clock of the lot: the next hour lies ahead, and no meal is rung for eggs.
        Assert.True(Lot(27, 7, 1).Next!.Value.At > at);
        Assert.Empty(Lot(27, 7, 1).Meals((at, at.AddDays(30)), _ => false));
    }

    [Fact]
    public void Fry_in_ponds_are_judged_by_their_own_narrower_limits()
    {
        var (fry, grown) = (FryPond.Limits(Perch), WaterLimits.For(Perch, LifeStage.Growing));
        Assert.True(fry.DoWatchMgL > grown.DoWatchMgL && fry.TempLowC > grown.TempLowC);
        var between = (fry.DoWatchMgL + grown.DoWatchMgL) / 2;
        Assert.Equal(Status.Watch, FryPond.Judge(Core.Water.Parameter.Oxygen, between, Perch, Hand).Status);
        Assert.Equal(Status.Steady, Core.Water.WaterJudge.Oxygen(between, grown, Hand).Status);
        var cool = (fry.TempLowC + grown.TempLowC) / 2;
        Assert.Equal(Status.Watch, FryPond.Judge(Core.Water.Parameter.Temperature, cool, Perch, Hand).Status);
        Assert.Equal(
            Status.Steady,
            FryPond.Judge(Core.Water.Parameter.Temperature, fry.TempLowC + 1, Perch, Hand).Status
        );
    }
}
