using Dorsk.Core.Judging;
using Dorsk.Farm;
using Dorsk.Farm.Ask;
using Dorsk.Farm.Log;
using Dorsk.Farm.Sql;
using Dorsk.Practice;

namespace Dorsk.Web.Demo;

/// <summary>Writes the demo farm's history through the door, one simulated day at a time, entered at its simulated hour.</summary>
public static class DemoHistory
{
    private static readonly DateOnly ForecastsFrom = DemoFarm.Zone.DayOf(DemoFarm.OpensAt).AddDays(-45);

    /// <summary>Fills an empty file.</summary>
    /// <param name="file">The file; migrations are run.</param>
    /// <param name="farm">The story.</param>
    /// <param name="onDay">Told of each day that is in, for a progress line.</param>
    public static Keys Write(FarmFile file, DemoFarm farm, Action<DateOnly>? onDay = null)
    {
        file.Prepare();
        var clock = new StoryClock();
        var door = new Door(file, clock) { IsLive = false };
        var keys = new Dictionary<string, long>();
        var forecasts = new NightlyForecasts(door, new Questions(file), clock);
        foreach (var told in farm.Founding())
            Enter(door, clock, keys, told.At, [told]);
        foreach (var (day, told) in farm.Days())
        {
            var evening = Min(DemoFarm.Zone.At(day, new(21, 0)), DemoFarm.OpensAt);
            foreach (var group in told.GroupBy(t => t.Author).OrderByDescending(g => g.Key == "Manager" ? 0 : 1))
            foreach (var part in InParts(group))
                Enter(door, clock, keys, evening, part);
            // The nights that the page of proof shows were told in their evening, as they would have been.
            if (day >= ForecastsFrom)
                forecasts.IssueDue();
            onDay?.Invoke(day);
        }
        return new Keys(keys);
    }

    // What founds a number must be in before others can speak of it.
    private static IEnumerable<List<Told>> InParts(IEnumerable<Told> told)
    {
        var part = new List<Told>();
        foreach (var t in told)
        {
            part.Add(t);
            if (t.Founds is null)
                continue;
            yield return part;
            part = [];
        }
        if (part.Count > 0)
            yield return part;
    }

    private static void Enter(
        Door door,
        StoryClock clock,
        Dictionary<string, long> keys,
        DateTimeOffset entered,
        List<Told> told
    )
    {
        clock.Now = entered;
        var known = new Keys(keys);
        var entry = new Entry(
            Guid.NewGuid(),
            told[0].Author,
            told.Select(t => new NewLine(t.At, t.Fact(known), t.Text, null)).ToList(),
            []
        );
        var receipt = door.Enter(entry);
        if (!receipt.Accepted && receipt.Remarks.All(r => r.Kind == Objection.Ask))
            receipt = Confirmed(door, entry, receipt);
        if (!receipt.Accepted)
            throw new InvalidOperationException(
                $"The demo's day {entered:O} was refused: {string.Join(" | ", receipt.Remarks.Select(r => r.Text))}"
            );
        foreach (var (t, line) in told.Zip(receipt.Lines).Where(p => p.First.Founds is not null))
            keys[t.Founds!] = line;
    }

    private static Receipt Confirmed(Door door, Entry entry, Receipt receipt) =>
        door.Enter(entry with { Id = Guid.NewGuid(), Meant = receipt.Remarks.Select(r => r.Text).ToList() });

    private static DateTimeOffset Min(DateTimeOffset a, DateTimeOffset b) => a < b ? a : b;

    private sealed class StoryClock : TimeProvider
    {
        public DateTimeOffset Now { get; set; }

        public override DateTimeOffset GetUtcNow() => Now;
    }
}
