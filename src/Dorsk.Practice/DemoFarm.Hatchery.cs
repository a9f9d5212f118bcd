using Dorsk.Core.Hatchery;
using Dorsk.Core.Ponds;
using Dorsk.Core.Stock;
using Dorsk.Core.Water;

namespace Dorsk.Practice;

/// <summary>
/// The hatchery of the story: breeders of B1 in groups, tanks in the shed, two lots of eggs, one of feeding fry, a fry pond in its fourth week.
/// One mistake can be found: on the last morning the water of tank H2 stood too warm for hours.
/// </summary>
public sealed partial class DemoFarm
{
    private const string Perch = "silver_perch",
        FryPondCode = "F1";

    private static readonly DateOnly HatcheryBegins = new(2026, 12, 10),
        FirstSpawn = new(2026, 12, 24),
        IntoFryPond = new(2026, 12, 30),
        SecondSpawn = new(2027, 1, 9),
        LastSpawn = new(2027, 1, 20);

    // A chance of its own: what the hatchery reads changes nothing in the ponds.
    private readonly Chance hatchChance = new(2701);

    private List<Told> HatcheryOf(DateOnly day)
    {
        if (day < HatcheryBegins)
            return [];
        List<Told> told = [];
        if (day == HatcheryBegins)
            told.AddRange([
                .. Equipped(day),
                .. FryPondBuilt(day),
                PlannedHatch(day),
                .. Breeders(day),
                .. LookedOver(day),
            ]);
        told.AddRange(FirstLot(day));
        told.AddRange(SecondLot(day));
        told.AddRange(LastLots(day));
        told.AddRange(FryPond(day));
        return told;
    }

    private static IEnumerable<Told> Equipped(DateOnly day)
    {
        (string Name, VesselKind Kind, double Litres, double FlowM3H)[] vessels =
        [
            ("H1", VesselKind.Tank, 500, 0.7),
            ("H2", VesselKind.Tank, 500, 0.6),
            ("H3", VesselKind.Tank, 1200, 1.2),
            ("H4", VesselKind.Pool, 2500, 1.5),
        ];
        foreach (var v in vessels)
            yield return By(
                day,
                8,
                0,
                "Manager",
                "vessel " + v.Name,
                _ => new VesselDescribed(0, v.Kind, v.Name, v.Litres / 1000, v.FlowM3H, null, HeldBefore.Food, false)
                {
                    DepthM = v.Kind == VesselKind.Pool ? 0.3 : 0.28,
                },
                "vessel " + v.Name
            );
    }

    private static IEnumerable<Told> FryPondBuilt(DateOnly day)
    {
        yield return By(
            day,
            8,
            30,
            "Manager",
            "F1 Fry pond",
            _ => new PondBuilt(
                new(0, FryPondCode, "Fry pond", PondKind.Earthen, new SlopedRectangle(25, 20, 1.0, 2), "nursery")
            ),
            "pond " + FryPondCode
        );
        yield return By(day, 8, 31, "Manager", "F1 lies 60 m east, 96 m north", k => new PondPlaced(
            k.Pond(FryPondCode),
            4,
            98,
            -12
        ));
    }

    private static Told PlannedHatch(DateOnly day) =>
        By(day, 9, 0, "Manager", "hatchery plan 40,000 silver perch", _ => new HatchPlanned(
            0,
            Perch,
            new(
                40_000,
                new(2027, 4, 20),
                40,
                1.5,
                (1, 1),
                new(0.5, 0.8),
                new(0.4, 0.8),
                new(0.5, 0.8),
                new(0.4, 0.7),
                24.5
            ),
            false
        ));

    // Sixty fish in four groups; the older females carry gill parasites and are not spawned.
    private static IEnumerable<Told> Breeders(DateOnly day)
    {
        (string Tag, int Count, BroodSex Sex, string Strain, int Year, double Kg, BroodOrigin Origin)[] groups =
        [
            ("blue tags", 20, BroodSex.Female, "Creek line", 2021, 1.9, BroodOrigin.Bought),
            ("red tags", 14, BroodSex.Female, "Hill line", 2023, 1.5, BroodOrigin.Bought),
            ("white tags", 16, BroodSex.Male, "Hill line", 2023, 1.4, BroodOrigin.Own),
            ("no tags", 10, BroodSex.Unknown, "Creek line", 2024, 1.1, BroodOrigin.Own),
        ];
        foreach (var g in groups)
            yield return By(
                day,
                10,
                0,
                "Manager",
                "breeders " + g.Tag,
                k => new BroodDescribed(
                    0,
                    k.Pond("B1"),
                    g.Tag,
                    g.Count,
                    g.Sex,
                    g.Sex == BroodSex.Unknown ? SexSure.Guess : SexSure.ByShape,
                    g.Origin,
                    g.Strain,
                    g.Year,
                    g.Kg
                )
                {
                    Signs = g.Sex == BroodSex.Unknown ? "" : "belly and vent",
                },
                "brood " + g.Tag
            );
    }

    private static IEnumerable<Told> LookedOver(DateOnly day)
    {
        foreach (var (tag, gills) in new[] { ("blue tags", true), ("red tags", false), ("white tags", false) })
            yield return By(day, 10, 30, "Manager", tag + " looked over", k => new BroodInspected(
                k.Of["brood " + tag],
                k.Pond("B1"),
                false,
                false,
                false,
                gills,
                null
            ));
    }

    private static Told Eggs(
        DateOnly day,
        (int Hour, int Minute) at,
        string lot,
        string vessel,
        int count,
        string treatment
    ) =>
        By(
            day,
            at.Hour,
            at.Minute,
            "Pond hand",
            $"eggs {lot}",
            k => new EggsTaken(
                0,
                Perch,
                k.Of["vessel " + vessel],
                null,
                "red tags and white tags",
                count,
                CountBasis.ByVolume,
                EggColour.Yellow,
                false
            )
            {
                FertilePct = 88,
                TroughC = 24.4,
                FromC = 25.1,
                Treatment = treatment,
            },
            "lot " + lot
        );

    private Told Looked(DateOnly day, (int Hour, int Minute) at, string lot, double tempC, EggStage? seen = null) =>
        By(
            day,
            at.Hour,
            at.Minute,
            at.Hour is < 6 or >= 20 ? "Night watch" : "Pond hand",
            $"lot {lot} look",
            k => new LotLooked(
                k.Of["lot " + lot],
                Math.Round(tempC + (0.1 * hatchChance.Normal()), 1),
                Math.Round(7.1 + (0.2 * hatchChance.Normal()), 1),
                null,
                seen,
                EggColour.NotSeen,
                null,
                null
            )
        );

    private static Told Counted(
        DateOnly day,
        (int Hour, int Minute) at,
        string lot,
        LotStage stage,
        int count,
        double within
    ) =>
        By(day, at.Hour, at.Minute, "Manager", $"lot {lot} counted {count}", k => new LotCounted(
            k.Of["lot " + lot],
            stage,
            count,
            CountBasis.ByVolume,
            count == 0 ? "the last ones went down the drain" : ""
        )
        {
            PlusMinusPct = count == 0 ? null : within,
        });

    private IEnumerable<Told> FirstLot(DateOnly day)
    {
        const string Lot = "A";
        if (day == FirstSpawn)
            yield return Eggs(day, (19, 30), Lot, "H2", 112_000, "to the pond at five days");
        if (day > FirstSpawn && day < IntoFryPond)
            foreach (var hour in new[] { 6, 14, 20 })
                yield return Looked(
                    day,
                    (hour, 10),
                    Lot,
                    24.6,
                    day == FirstSpawn.AddDays(1) && hour == 14 ? EggStage.Eyed
                        : day == FirstSpawn.AddDays(2) && hour == 6 ? EggStage.SacFry
                        : null
                );
        if (day == FirstSpawn.AddDays(2))
            yield return Counted(day, (9, 0), Lot, LotStage.Larvae, 81_000, 12);
        if (day == IntoFryPond)
            foreach (var told in ToFryPond(day, Lot))
                yield return told;
    }

    private static IEnumerable<Told> ToFryPond(DateOnly day, string lot)
    {
        yield return Counted(day, (4, 40), lot, LotStage.Fry, 56_500, 9);
        yield return By(day, 4, 50, "Manager", "F1 ready", k => new PondWorked(
            k.Pond(FryPondCode),
            PondWork.DeclaredReady,
            "rotifers rise",
            null
        ));
        yield return FryStocked(day);
        yield return By(day, 7, 30, "Manager", "lot A 4000 sent", k => new LotLeft(
            k.Of["lot A"],
            4000,
            LotExit.Sent,
            "a neighbour's dam"
        ));
        yield return Counted(day, (8, 0), lot, LotStage.Fry, 0, 0);
    }

    private static Told FryStocked(DateOnly day) =>
        By(
            day,
            5,
            5,
            "Manager",
            "F1 stocked 50000 fry",
            k => new FishStocked(
                k.Pond(FryPondCode),
                Perch,
                "Wattlebend hatchery, own lot",
                50_000,
                0.004,
                CountBasis.ByVolume,
                "",
                2
            )
            {
                HatchLotId = k.Of["lot A"],
            },
            "batch F1a"
        );

    // Fed round the clock since the sixteenth; on the last night two meals were missed.
    private IEnumerable<Told> SecondLot(DateOnly day)
    {
        const string Lot = "B";
        if (day == SecondSpawn)
            yield return Eggs(day, (20, 0), Lot, "H3", 78_000, "fed in the tank");
        if (day > SecondSpawn)
            foreach (var hour in new[] { 6, 13, 20 })
                yield return Looked(
                    day,
                    (hour, 20),
                    Lot,
                    25,
                    day == SecondSpawn.AddDays(2) && hour == 6 ? EggStage.SacFry
                        : day == SecondSpawn.AddDays(6) && hour == 6 ? EggStage.SwimUp
                        : null
                );
        if (day == SecondSpawn.AddDays(2))
            yield return Counted(day, (9, 0), Lot, LotStage.Larvae, 52_000, 12);
        if (day == SecondSpawn.AddDays(7))
            yield return Counted(day, (9, 0), Lot, LotStage.Fry, 37_000, 10);
        if (day == SecondSpawn.AddDays(9))
            yield return By(day, 10, 0, "Pond hand", "lot B dead 400", k => new LotLeft(
                k.Of["lot B"],
                400,
                LotExit.Dead,
                "on the floor"
            ));
        foreach (var told in FedRoundTheClock(day))
            yield return told;
    }

    private static IEnumerable<Told> FedRoundTheClock(DateOnly day)
    {
        if (day < SecondSpawn.AddDays(6))
            yield break;
        // Every third hour from the first feed, at 06:30.
        for (var hour = day == SecondSpawn.AddDays(6) ? 6 : 0; hour < 24; hour += 3)
            if (!(day == DemoScript.LastDay && (hour is 0 or 3)))
                yield return FedFry(day, hour, day.DayNumber - SecondSpawn.DayNumber);
    }

    private static Told FedFry(DateOnly day, int hour, int age) =>
        By(
            day,
            Math.Min(hour, 20),
            hour > 20 ? 50 : 35,
            hour is < 6 or >= 20 ? "Night watch" : "Pond hand",
            "lot B fed",
            k => new FryFed(
                k.Of["lot B"],
                age < 10 ? "liquid feed" : "powder",
                age,
                hour == 12 ? 3 : null,
                hour == 12 ? "all round the edge" : ""
            )
            {
                Form = age < 10 ? FryFeedForm.Liquid : FryFeedForm.Powder,
                ProteinPct = 52,
            }
        );

    private IEnumerable<Told> LastLots(DateOnly day)
    {
        if (day == LastSpawn)
            yield return Eggs(day, (18, 0), "C", "H1", 96_000, "fed in the tank");
        if (day != DemoScript.LastDay)
            yield break;
        yield return Eggs(day, (5, 30), "D", "H2", 88_000, "to the pond at five days");
        foreach (var (hour, c) in new[] { (0, 24.6), (6, 24.5), (12, 24.8), (17, 24.7) })
            yield return Looked(day, (hour, 15), "C", c, hour == 12 ? EggStage.Eyed : null);
        // The mixing valve of H2 stuck: too warm from nine to one, seen only at one.
        foreach (var (hour, c) in new[] { (8, 24.6), (9, 28.6), (13, 25.2), (17, 24.6) })
            yield return Looked(day, (hour, 5), "D", c);
    }

    private IEnumerable<Told> FryPond(DateOnly day)
    {
        if (day < IntoFryPond.AddDays(-2))
            yield break;
        foreach (var (hour, mgL, c) in new[] { (5, 5.9, 24.1), (16, 8.8, 27.2) })
        {
            List<Value> values =
            [
                new(Parameter.Oxygen, Math.Round(mgL + (0.25 * hatchChance.Normal()), 1), 0.4, "hand meter"),
                new(Parameter.Temperature, Math.Round(c + (0.4 * hatchChance.Normal()), 1), 0.4, "hand meter"),
            ];
            yield return By(day, hour, 40, "Pond hand", "F1 oxygen and temperature", k => new ReadingTaken(
                k.Pond(FryPondCode),
                values
            ));
        }
        foreach (var told in FryPondFish(day, day.DayNumber - IntoFryPond.DayNumber))
            yield return told;
    }

    private static IEnumerable<Told> FryPondFish(DateOnly day, int age)
    {
        if (age >= 10)
            foreach (var hour in new[] { 7, 11, 15 })
                yield return By(day, hour, 50, "Pond hand", "F1 fed crumble", k => new Core.Feeding.FeedingGiven(
                    k.Pond(FryPondCode),
                    k.Feed("crumble"),
                    Math.Round(0.03 + (0.012 * age), 2)
                ));
        if (age == 17)
            yield return By(day, 6, 45, "Manager", "F1 sample", k => new FishSampled(
                k.Pond(FryPondCode),
                k.Batch("F1a"),
                false,
                [(62, 6), (58, 6), (71, 7)]
            ));
    }
}
