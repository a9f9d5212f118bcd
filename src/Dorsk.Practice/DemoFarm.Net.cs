using Dorsk.Core.Harvest;
using Dorsk.Core.Plans;

namespace Dorsk.Practice;

/// <summary>Net days of the story: baskets of a crop as they were weighed, what is arranged for the next one, orders, a review.</summary>
public sealed partial class DemoFarm
{
    private const double TareKg = 1.9,
        EachKg = 24;

    private static readonly DateOnly PlannedOut = new(2027, 1, 26);

    // Baskets of two pulls; every sixth is counted, and the air in the net was read.
    private static IEnumerable<Told> NetDayOf(DateOnly day, DemoBatch batch, double kg, double meanG)
    {
        if (day < TradeFrom || kg < 40)
            yield break;
        var net = "net " + batch.Name;
        // Done before the harvest is written down at six.
        Told At(int minute, string words, Func<Keys, Core.Judging.Fact> fact, string? founds = null) =>
            By(day, 4 + (minute / 60), minute % 60, "Pond hand", $"{batch.Pond} {words}", fact, founds);
        Told Noted(int minute, string words, NetEvent what, double? mgL = null, double? crowdKg = null) =>
            At(minute, words, k => new NetNoted(k.Of[net], k.Pond(batch.Pond), what, 1, mgL, crowdKg, ""));
        yield return At(0, "net day", k => Begun(k, batch, kg, meanG), net);
        yield return Noted(35, "oxygen in the net", NetEvent.Read, 5.6, Math.Round(kg * 0.6));
        foreach (var (minute, pull, grossKg, count) in BasketsOf(kg, meanG))
            yield return At(minute, FormattableString.Invariant($"basket {grossKg:0.0}"), k => new BasketWeighed(
                k.Of[net],
                k.Pond(batch.Pond),
                pull,
                NetFate.OnIce,
                grossKg,
                TareKg
            )
            {
                Count = count,
            });
        yield return Noted(90, "pull 1 over", NetEvent.PullDone);
        foreach (var minute in new[] { 64, 88, 112 })
            yield return Noted(minute, "on ice", NetEvent.Iced);
        yield return At(118, "net day closed", k => Closed(k.Of[net], k.Pond(batch.Pond)));
    }

    private static NetDayClosed Closed(long net, long pond) =>
        new(net, pond, true, "three fish crushed under the first basket") { DamagedOf20 = 1 };

    private static NetDayBegun Begun(Keys k, DemoBatch batch, double kg, double meanG) =>
        new(
            0,
            k.Pond(batch.Pond),
            k.Batch(batch.Name),
            Math.Max(6, kg * 0.04),
            20,
            kg * 0.93,
            kg * 1.09,
            meanG,
            "manager at the scale; pond hand and three neighbours on the lines"
        );

    private static IEnumerable<(int Minute, int Pull, double GrossKg, int? Count)> BasketsOf(double kg, double meanG)
    {
        var baskets = (int)Math.Ceiling(kg / EachKg);
        var first = (int)Math.Ceiling(baskets * 0.85);
        for (var i = 0; i < baskets; i++)
        {
            var fish = i == baskets - 1 ? kg - (EachKg * (baskets - 1)) : EachKg;
            var minute = i < first ? 40 + (i * 48 / first) : 92 + ((i - first) * 18 / (baskets - first));
            yield return (
                minute,
                i < first ? 1 : 2,
                Math.Round(fish + TareKg, 1),
                i % 6 == 2 ? (int)Math.Round(1000 * fish / meanG) : null
            );
        }
    }

    // Written down a week after a crop, for the next one of the pond.
    private static IEnumerable<Told> ReviewOf(DateOnly day)
    {
        var crop = DemoScript.Batches.Last(b => b.Pond == "P6" && b.Out is not null);
        return day != crop.Out!.Value.AddDays(7)
            ? []
            :
            [
                By(day, 16, 0, "Manager", "P6 review", k => new CycleReviewed(
                    k.Pond("P6"),
                    k.Batch(crop.Name),
                    "earthy taste after the bloom of the last month; ten days lost",
                    "less feed in the last month, taste four weeks before the net"
                )),
            ];
    }

    private static IEnumerable<Told> ArrangedOf(DateOnly day)
    {
        if (day != PlannedOut.AddDays(-6))
            return [];
        (Arranged Thing, ArrangedState State, string Who)[] said =
        [
            (Arranged.Buyer, ArrangedState.Booked, "Reedmouth plant, 10:00"),
            (Arranged.Truck, ArrangedState.Booked, "plant's truck at 08:00"),
            (Arranged.Ice, ArrangedState.Booked, "ice plant, the evening before"),
            (Arranged.Permit, ArrangedState.NotNeeded, "drains to the settling pond"),
        ];
        return said.Select(a =>
            By(day, 14, 0, "Manager", $"P1 {HarvestArranged.Name(a.Thing)}", k => new HarvestArranged(
                k.Pond("P1"),
                PlannedOut,
                a.Thing,
                a.State,
                a.Who
            ))
        );
    }

    private static IEnumerable<Told> OrdersOf(DateOnly day)
    {
        if (day != PlannedOut.AddDays(-9))
            return [];
        (string Buyer, double Kg, double FromG, int InDays)[] orders =
        [
            ("Reedmouth plant", 1500, 500, 9),
            ("Saturday market", 80, 400, 12),
            ("Reedmouth plant", 2500, 500, 60),
        ];
        return orders.Select(o =>
            By(day, 11, 0, "Manager", $"order {o.Kg:0} kg", k => new FishOrdered(
                0,
                k.Of["buyer " + o.Buyer],
                "silver_perch",
                FishForm.WholeOnIce,
                o.FromG,
                o.Kg,
                day.AddDays(o.InDays),
                false,
                ""
            ))
        );
    }
}
