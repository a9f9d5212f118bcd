using Dorsk.Core.Feeding;
using Dorsk.Core.Plans;
using Dorsk.Core.Ponds;
using Dorsk.Core.Prepare;
using Dorsk.Core.Stock;
using Dorsk.Core.Water;

namespace Dorsk.Practice;

public sealed partial class DemoFarm
{
    // What is decided and what befalls: stockings, harvests, feed loads, the bloom, the lime.
    private void Script(DateOnly day, List<Told> notes)
    {
        foreach (var feed in new[] { "crumble", "starter", "grower" })
            usedPerDay[feed] = (0.85 * usedPerDay.GetValueOrDefault(feed)) + (0.15 * usedToday.GetValueOrDefault(feed));
        usedToday.Clear();
        foreach (var batch in DemoScript.Batches.Where(b => b.Out == day))
            Harvest(day, batch, notes);
        foreach (var batch in DemoScript.Batches.Where(b => b.Day == day))
            Stock(day, batch, notes);
        Deliver(day, notes);
        ponds["P4"].Richness = day >= DemoScript.BloomOfP4[0] ? 1.5 : 0.9;
        if (day == new DateOnly(2027, 1, 19))
            notes.Add(
                new(Zone.At(day, new(10, 0)), "Manager", "P1 taste test passed", k => new PondWorked(
                    k.Pond("P1"),
                    PondWork.TastePassed,
                    "clean, three tasters",
                    null
                ))
            );
        PrepareP6(day, notes);
        notes.AddRange(HealthOf(day));
        notes.AddRange(TradeOf(day));
        notes.AddRange(PeopleOf(day));
        notes.AddRange(ArrangedOf(day));
        notes.AddRange(OrdersOf(day));
        notes.AddRange(ReviewOf(day));
        notes.AddRange(HatcheryOf(day));
        if (day == DemoScript.SeasonPlanned)
            PlanSeason(notes);
    }

    private static void PlanSeason(List<Told> notes)
    {
        var at = Zone.At(DemoScript.SeasonPlanned, new(9, 0));
        notes.AddRange(
            DemoScript.ToLeave.Select(x => new Told(
                at,
                "Manager",
                FormattableString.Invariant(
                    $"{x.Batch[..2]} {(x.Count is { } n ? $"{n} fish" : "all fish")} out on {x.On:yyyy-MM-dd}"
                ),
                k => new HarvestPlanned(0, k.Pond(x.Batch[..2]), k.Batch(x.Batch), x.On, x.Count, null, false)
            ))
        );
        notes.AddRange(CyclesToCome(at));
    }

    private static IEnumerable<Told> CyclesToCome(DateTimeOffset at) =>
        DemoScript.ToCome.Select(x => new Told(
            at,
            "Manager",
            FormattableString.Invariant($"{x.Pond} {x.Count} fish on {x.On:yyyy-MM-dd}"),
            k => new CyclePlanned(
                0,
                k.Pond(x.Pond),
                x.Species,
                x.On,
                x.Count,
                x.MeanG,
                500,
                x.From.Length > 0 ? k.Pond(x.From) : null,
                null,
                false
            )
        ));

    private void Stock(DateOnly day, DemoBatch batch, List<Told> notes)
    {
        var first = day == DemoScript.FirstDay;
        ponds[batch.Pond].Fish = new(
            batch.Count * batch.CountTruth,
            batch.MeanG,
            batch.Growth,
            batch.Species == "jade_perch" ? 28.5 : 27,
            0.00016
        );
        told[batch.Name] = batch.Count;
        if (!first)
            notes.Add(
                new(Zone.At(day, new(7, 0)), "Manager", $"{batch.Pond} ready", k => new PondWorked(
                    k.Pond(batch.Pond),
                    PondWork.DeclaredReady,
                    "",
                    null
                ))
            );
        var text = FormattableString.Invariant($"{batch.Pond} stocked {batch.Count} x {batch.MeanG} g");
        notes.Add(Stocked(day, batch, first, text));
    }

    private static Told Stocked(DateOnly day, DemoBatch batch, bool first, string text) =>
        new(
            Zone.At(day, new(8, 30)),
            "Manager",
            text,
            k => new FishStocked(
                k.Pond(batch.Pond),
                batch.Species,
                first ? "stood here before the books began" : "Wattlebend hatchery",
                batch.Count,
                batch.MeanG,
                first ? CountBasis.Assumed : CountBasis.ByWeight,
                first ? "stood here before the books began" : batch.Why,
                batch.TargetG
            ),
            "batch " + batch.Name
        );

    private void Harvest(DateOnly day, DemoBatch batch, List<Told> notes)
    {
        var fish = ponds[batch.Pond].Fish!;
        var caught = (int)Math.Round(fish.Count);
        var kg = Math.Round(fish.Kg, 0);
        ponds[batch.Pond].Fish = null;
        var reason = caught > told[batch.Name] ? "short count at stocking" : "birds and dead not found";
        notes.Add(
            new(
                Zone.At(day, new(6, 0)),
                "Manager",
                FormattableString.Invariant($"{batch.Pond} harvested {caught} fish {kg} kg, emptied"),
                k => new FishHarvested(
                    k.Pond(batch.Pond),
                    k.Batch(batch.Name),
                    caught,
                    kg,
                    CountBasis.ByWeight,
                    Account.Harvested,
                    true,
                    reason
                ),
                "harvest " + batch.Name
            )
        );
        notes.AddRange(SalesOf(day, batch, kg));
        notes.AddRange(NetDayOf(day, batch, kg, 1000 * kg / caught));
    }

    // Feed is ordered when it runs low, for forty days, less before the holidays. January's order was short and the next load is late: the grower lasts six days
    // more when the story opens, and a cheap lot of starter has a short date.
    private void Deliver(DateOnly day, List<Told> notes)
    {
        var january = new DateOnly(2027, 1, 1);
        var days = day >= new DateOnly(2026, 12, 1) ? 18 : 40; // the mill shares out its bags before the holidays
        if (day > january)
            return;
        foreach (var (feed, least) in new[] { ("crumble", 40.0), ("starter", 80.0), ("grower", 300.0) })
        {
            var daily = usedPerDay.GetValueOrDefault(feed);
            var left = storeKg.GetValueOrDefault(feed);
            var cheap = day == january && feed == "starter";
            if (day != january && left > Math.Max(least, 12 * daily))
                continue;
            var wanted =
                cheap ? 175
                : day == january && feed == "grower" ? (27.8 * daily) - left
                : Math.Max(3 * least, days * daily) - left;
            var kg = Math.Ceiling(wanted / 25) * 25;
            if (kg <= 0)
                continue;
            storeKg[feed] = left + kg;
            var expiry = cheap ? new DateOnly(2027, 2, 2) : day.AddDays(210);
            notes.Add(Delivered(day, feed, kg, expiry));
        }
    }

    private static Told Delivered(DateOnly day, string feed, double kg, DateOnly expiry) =>
        new(
            Zone.At(day, new(6, 0)),
            "Manager",
            FormattableString.Invariant($"{feed} {kg} kg delivered"),
            k => new FeedReceived(
                k.Feed(feed),
                FormattableString.Invariant($"{feed[..2].ToUpperInvariant()}{day:yyMM}"),
                kg,
                expiry
            )
        );

    private void PrepareP6(DateOnly day, List<Told> notes)
    {
        var pond = ponds["P6"];
        void Work(DateOnly on, int hour, PondWork work, string text) =>
            notes.Add(
                new(Zone.At(on, new(hour, 0)), "Pond hand", $"P6 {work}", k => new PondWorked(
                    k.Pond("P6"),
                    work,
                    text,
                    null
                ))
            );
        if (day == new DateOnly(2026, 12, 6))
        {
            pond.LevelM = 0;
            notes.Add(
                new(Zone.At(day, new(15, 0)), "Pond hand", "P6 level 0, drained", k => new ReadingTaken(
                    k.Pond("P6"),
                    [Level(0)]
                ))
            );
            Work(day, 15, PondWork.Drained, "through the screen, a bucket of gudgeon");
            notes.Add(PlanOfP6(day));
        }
        if (day == new DateOnly(2026, 12, 24))
            Work(day, 10, PondWork.DriedOut, "cracked a hand deep");
        if (day == new DateOnly(2026, 12, 28))
            Work(day, 9, PondWork.DebrisOut, "leaves along the west bank, old bamboo at the inlet");
        if (day == new DateOnly(2027, 1, 12))
            Work(day, 15, PondWork.BottomMended, "mud out at the drain, two burrows plugged");
        if (day == new DateOnly(2027, 1, 17))
            Work(day, 16, PondWork.ScreensFitted, "");
        if (day == DemoScript.P6Limed)
            notes.Add(
                new(Zone.At(day, new(10, 0)), "Pond hand", "P6 limed 850 kg", k => new PondWorked(
                    k.Pond("P6"),
                    PondWork.Limed,
                    "agricultural limestone",
                    850
                ))
            );
        if (day >= new DateOnly(2027, 1, 18))
            FillP6(day, pond, notes);
    }

    private static void FillP6(DateOnly day, SimulatedPond pond, List<Told> notes)
    {
        if (pond.LevelM == 0)
            notes.Add(
                new(Zone.At(day, new(8, 0)), "Pond hand", "P6 filling through the screen", k => new PondWorked(
                    k.Pond("P6"),
                    PondWork.Filling,
                    "screen fitted",
                    null
                ))
            );
        pond.LevelM = Math.Round(0.155 * (day.DayNumber - new DateOnly(2027, 1, 17).DayNumber), 2);
        var level = pond.LevelM;
        notes.Add(
            new(
                Zone.At(day, new(16, 30)),
                "Pond hand",
                FormattableString.Invariant($"P6 level {pond.LevelM:0.00}"),
                k => new ReadingTaken(k.Pond("P6"), [Level(level)])
            )
        );
    }

    private static Value Level(double m) => new(Parameter.GaugeLevel, m, null, "staff gauge");

    private static Told PlanOfP6(DateOnly day) =>
        new(Zone.At(day, new(17, 0)), "Manager", "P6 preparation, fish on 2027-01-25", k => new PreparationPlanned(
            k.Pond("P6"),
            DemoScript.P6FishOn,
            "silver_perch",
            14,
            LimeSchool.ByAlkalinity,
            null,
            SoilTexture.HeavyLoamOrClay,
            15,
            90,
            PestSchool.DryAndScreen,
            null,
            10,
            FertiliserSchool.None,
            false,
            new(25, 9.5, 38, 22, 0.34)
        ));
}
