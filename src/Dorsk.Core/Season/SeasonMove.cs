using System.Globalization;
using Dorsk.Core.Judging;

namespace Dorsk.Core.Season;

/// <summary>A day of the season moved to another: the last day of a batch (<c>h12-3</c>), a taking (<c>t4</c>), a stocking (<c>s5</c>) or the end of a planned cycle (<c>e5</c>).</summary>
/// <param name="Key">What is moved.</param>
/// <param name="On">To which farm day.</param>
public sealed record SeasonMove(string Key, DateOnly On)
{
    /// <summary>Whether a name could be the key of a day.</summary>
    public static bool IsKey(string name) =>
        name.Length is > 1 and < 40
        && name[0] is 'h' or 't' or 's' or 'e'
        && (
            name[0] == 'h'
                ? name[1..].Split('-') is [var batch, var pond] && Number(batch) is not null && Number(pond) is not null
                : Number(name[1..]) is not null
        );

    /// <summary>The season with this day moved; null when there is nothing of that key.</summary>
    public SeasonInput? In(SeasonInput input)
    {
        if (!IsKey(Key))
            return null;
        if (Key[0] == 'h')
        {
            var (batch, pond) = (Number(Key[1..].Split('-')[0])!.Value, Number(Key.Split('-')[1])!.Value);
            if (!input.Batches.Any(b => b.BatchId == batch && b.PondId == pond))
                return null;
            var old = input.Harvests.LastOrDefault(h => h.BatchId == batch && h.PondId == pond && h.Count is null);
            return WithHarvest(input, batch, pond, old);
        }
        var id = Number(Key[1..])!.Value;
        if (Key[0] == 't')
            return input.Harvests.FirstOrDefault(h => h.PlanId == id && h.Count is not null) is { } taking
                ? input with
                {
                    Harvests = [.. input.Harvests.Select(h => h == taking ? h with { On = On } : h)],
                }
                : null;
        if (input.Cycles.FirstOrDefault(c => c.PlanId == id) is not { } cycle)
            return null;
        // A harvest day that the fish would not live to see gives way.
        var moved = MovedCycle(cycle);
        return input with { Cycles = [.. input.Cycles.Select(c => c == cycle ? moved : c)] };
    }

    private SeasonInput WithHarvest(SeasonInput input, long batch, long pond, Plans.HarvestPlanned? old) =>
        input with
        {
            Harvests =
            [
                .. input.Harvests.Where(h => h != old),
                old is null ? new(0, pond, batch, On, null, null, false) : old with { On = On },
            ],
        };

    private Plans.CyclePlanned MovedCycle(Plans.CyclePlanned cycle) =>
        Key[0] == 'e'
            ? cycle with
            {
                HarvestOn = On,
            }
            : cycle with
            {
                StockOn = On,
                HarvestOn = cycle.HarvestOn <= On ? null : cycle.HarvestOn,
            };

    /// <summary>What a moved season plans otherwise than the season as it is planned: the facts to be entered.</summary>
    public static IReadOnlyList<Fact> Facts(SeasonInput planned, SeasonInput moved) =>
        [.. moved.Harvests.Except(planned.Harvests).Cast<Fact>(), .. moved.Cycles.Except(planned.Cycles)];

    private static long? Number(string text) =>
        long.TryParse(text, NumberStyles.None, CultureInfo.InvariantCulture, out var n) ? n : null;
}
