using Dorsk.Core.Feeding;
using Dorsk.Core.Ponds;
using Dorsk.Core.Stock;
using Dorsk.Core.Water;

namespace Dorsk.Practice;

public sealed partial class DemoFarm
{
    private const double OrderDays = 52;

    // What is decided and what befalls: stockings, harvests, feed loads, the bloom, the lime.
    private void Script(DateOnly day, List<Told> notes)
    {
        growerPerDay = (0.85 * growerPerDay) + (0.15 * growerToday);
        growerToday = 0;
        foreach (var batch in DemoScript.Batches.Where(b => b.Out == day))
            Harvest(day, batch, notes);
        foreach (var batch in DemoScript.Batches.Where(b => b.Day == day))
            Stock(day, batch, notes);
        if (day.Day == 1)
            Deliver(day, notes);
        ponds["P4"].Richness = day >= DemoScript.BloomOfP4[0] ? 1.5 : 0.9;
        if (day == new DateOnly(2027, 1, 19))
            notes.Add(new(Zone.At(day, new(10, 0)), "Manager", "P1 taste test passed", k => new PondWorked(k.Pond("P1"), PondWork.TastePassed, "clean, three tasters", null)));
        PrepareP6(day, notes);
    }

    private void Stock(DateOnly day, DemoBatch batch, List<Told> notes)
    {
        var first = day == DemoScript.FirstDay;
        ponds[batch.Pond].Fish = new(batch.Count * batch.CountTruth, batch.MeanG, batch.Growth, batch.Species == "jade_perch" ? 28.5 : 27, 0.00016);
        told[batch.Name] = batch.Count;
        if (!first)
            notes.Add(new(Zone.At(day, new(7, 0)), "Manager", $"{batch.Pond} ready", k => new PondWorked(k.Pond(batch.Pond), PondWork.DeclaredReady, "", null)));
        var text = FormattableString.Invariant($"{batch.Pond} stocked {batch.Count} x {batch.MeanG} g");
        notes.Add(new(Zone.At(day, new(8, 30)), "Manager", text, k => new FishStocked(k.Pond(batch.Pond), batch.Species, first ? "stood here before the books began" : "Wattlebend hatchery", batch.Count, batch.MeanG,
            first ? CountBasis.Assumed : CountBasis.ByWeight, first ? "stood here before the books began" : "", batch.TargetG), "batch " + batch.Name));
    }

    private void Harvest(DateOnly day, DemoBatch batch, List<Told> notes)
    {
        var fish = ponds[batch.Pond].Fish!;
        var caught = (int)Math.Round(fish.Count);
        var kg = Math.Round(fish.Kg, 0);
        ponds[batch.Pond].Fish = null;
        var reason = caught > told[batch.Name] ? "short count at stocking" : "birds and dead not found";
        notes.Add(new(Zone.At(day, new(6, 0)), "Manager", FormattableString.Invariant($"{batch.Pond} harvested {caught} fish {kg} kg, emptied"),
            k => new FishHarvested(k.Pond(batch.Pond), k.Batch(batch.Name), caught, kg, CountBasis.ByWeight, Account.Harvested, true, reason)));
    }

    // A load a month by the use of late; January's order was short, so that the grower lasts six days more when the story opens.
    private void Deliver(DateOnly day, List<Told> notes)
    {
        var days = day == new DateOnly(2027, 1, 1) ? 29.5 : OrderDays;
        foreach (var (feed, least) in new[] { ("crumble", 250.0), ("starter", 900.0), ("grower", 4500.0) })
        {
            var daily = feed == "grower" ? growerPerDay : 0;
            var wanted = Math.Max(least, days * daily) - storeKg.GetValueOrDefault(feed);
            // A cheap lot of short date, taken for January.
            var cheap = feed == "starter" && day == new DateOnly(2027, 1, 1);
            var kg = Math.Ceiling((cheap ? 175 : wanted) / 25) * 25;
            if (kg <= 0)
                continue;
            storeKg[feed] = storeKg.GetValueOrDefault(feed) + kg;
            var expiry = cheap ? new DateOnly(2027, 2, 2) : day.AddDays(150);
            notes.Add(new(Zone.At(day, new(9, 0)), "Manager", FormattableString.Invariant($"{feed} {kg} kg delivered"), k => new FeedReceived(k.Feed(feed), FormattableString.Invariant($"{feed[..2].ToUpperInvariant()}{day:yyMM}"), kg, expiry)));
        }
    }

    private void PrepareP6(DateOnly day, List<Told> notes)
    {
        var pond = ponds["P6"];
        Value Level(double m) => new(Parameter.GaugeLevel, m, null, "staff gauge");
        if (day == new DateOnly(2026, 12, 6))
        {
            pond.LevelM = 0;
            notes.Add(new(Zone.At(day, new(15, 0)), "Pond hand", "P6 level 0, drained", k => new ReadingTaken(k.Pond("P6"), [Level(0)])));
        }
        if (day == DemoScript.P6Limed)
            notes.Add(new(Zone.At(day, new(10, 0)), "Pond hand", "P6 limed 850 kg", k => new PondWorked(k.Pond("P6"), PondWork.Limed, "agricultural limestone", 850)));
        if (day >= new DateOnly(2027, 1, 18))
        {
            if (pond.LevelM == 0)
                notes.Add(new(Zone.At(day, new(8, 0)), "Pond hand", "P6 filling through the screen", k => new PondWorked(k.Pond("P6"), PondWork.Filling, "screen fitted", null)));
            pond.LevelM = Math.Round(0.155 * (day.DayNumber - new DateOnly(2027, 1, 17).DayNumber), 2);
            var level = pond.LevelM;
            notes.Add(new(Zone.At(day, new(16, 30)), "Pond hand", FormattableString.Invariant($"P6 level {pond.LevelM:0.00}"), k => new ReadingTaken(k.Pond("P6"), [Level(level)])));
        }
    }
}
