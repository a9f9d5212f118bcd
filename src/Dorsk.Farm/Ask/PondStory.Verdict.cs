using Dorsk.Core.Judging;
using Dorsk.Core.Oxygen;
using Dorsk.Core.Ponds;
using Dorsk.Core.Species;
using Dorsk.Core.Stock;
using Dorsk.Core.Verdict;
using Dorsk.Core.Water;

namespace Dorsk.Farm.Ask;

public sealed partial class PondStory
{
    // What the round writes of the fish.
    private const string Seen = "fish ";

    /// <summary>The verdict on the pond at an instant.</summary>
    /// <param name="now">The instant.</param>
    /// <param name="tonight">Tonight's forecast, or null.</param>
    public PondVerdict VerdictAt(DateTimeOffset now, DawnLowForecast? tonight)
    {
        var day = Zone.DayOf(now);
        List<FishHere> fish =
        [
            .. Standing
                .Select(b => (b.Species, Stands: StandsOn(b, day)))
                .Select(x => new FishHere(
                    x.Species,
                    WaterLimits.StageOf(x.Species, x.Stands.MeanG.Value),
                    x.Stands.MeanG.Value,
                    x.Stands.Count.Value
                )),
        ];
        return PondVerdict.Of(StateAt(now, fish) with { Tonight = tonight });
    }

    /// <summary>What in this water stands against fish that are to come into it, and against how many there will be.</summary>
    /// <param name="now">The instant.</param>
    /// <param name="species">Their species.</param>
    /// <param name="meanG">Their mean weight, g.</param>
    /// <param name="count">How many; 0 where only the water is asked about.</param>
    public IReadOnlyList<Finding> AgainstArrivals(DateTimeOffset now, FishSpecies species, double meanG, double count)
    {
        var since = Standing.Any() ? DateTimeOffset.MinValue : EmptiedBefore(now);
        var state = StateAt(now, [new(species, WaterLimits.StageOf(species, meanG), meanG, count)]);
        // What was read before the pond was last emptied is of other water.
        var fresh = state with
        {
            Readings =
                since == DateTimeOffset.MinValue
                    ? state.Readings
                    : state
                        .Readings.SelectMany(g => g.Where(t => t.At > since).Select(t => (g.Key, t)))
                        .ToLookup(x => x.Key, x => x.t),
            Looks = [.. state.Looks.Where(l => l.At > since)],
            Dead = Standing.Any() ? state.Dead : [],
            CapacityKg = count > 0 ? CapacityKg(species) - BiomassOn(Zone.DayOf(now)) : null,
            Tonight = Standing.Any() ? TonightAt(now).Forecast : null,
            Unread = null,
        };
        return PondVerdict.AgainstArrivals(fresh);
    }

    /// <summary>Whether a value was read in the upper water.</summary>
    public bool IsNearSurface(Timed t) => PondState.IsNearSurface(t, Pond.Shape.FullDepthM);

    /// <summary>When somebody last read the water, looked at the fish or counted the dead; null when nobody ever did.</summary>
    public DateTimeOffset? LastLookAt(DateTimeOffset now)
    {
        var read = Parameter
            .All.Where(p =>
                !p.OfFarm && p != Parameter.Oxygen && p != Parameter.Temperature && p != Parameter.GaugeLevel
            )
            .Select(p => AllReadings[p].LastOrDefault(t => t.At <= now))
            .Where(t => t != default)
            .Select(t => (DateTimeOffset?)t.At);
        var seen = Works
            .Where(w => w.At <= now && w.Work == PondWork.Note && w.Text.StartsWith(Seen, StringComparison.Ordinal))
            .Select(w => (DateTimeOffset?)w.At);
        return read.Concat(seen).Max();
    }

    /// <summary>Estimated biomass of all batches on a day, kg.</summary>
    public double BiomassOn(DateOnly day) => Standing.Sum(b => StandsOn(b, day).BiomassKg.Value);

    private PondState StateAt(DateTimeOffset now, List<FishHere> fish)
    {
        var day = Zone.DayOf(now);
        return new()
        {
            Now = now,
            Zone = Zone,
            Hand = Farm.Hand,
            InTank = Pond.ByVolume,
            DepthM = Pond.Shape.FullDepthM,
            AltitudeM = Farm.AltitudeM,
            Sun = SunOn(day),
            Fish = fish,
            Readings = AllReadings,
            Dawns = DaysOf(Parameter.Oxygen, true, day.AddDays(-6), day),
            BloomRisk = BloomRiskAt(now),
            Looks =
            [
                .. Works
                    .Reverse()
                    .Where(w => w.Work == PondWork.Note && w.Text.StartsWith(Seen, StringComparison.Ordinal))
                    .Select(w => (w.At, w.Text[Seen.Length..])),
            ],
            Dead =
            [
                .. Standing
                    .SelectMany(b => b.Losses)
                    .Where(l => l.Fact.To == Account.Dead && l.At <= now)
                    .GroupBy(l => Zone.DayOf(l.At))
                    .OrderBy(g => g.Key)
                    .Select(g => (g.Key, g.Sum(l => l.Fact.Count))),
            ],
            CapacityKg = fish.Count > 0 ? CapacityKg(fish[0].Species) : null,
            Unread = fish.Count > 0 ? UnreadAt(now) : null,
        };
    }

    // By hand, a pond is read at dawn and at dusk; an hour after the planned round it counts as unread.
    private string? UnreadAt(DateTimeOffset now)
    {
        if (LastOf(Parameter.Oxygen) is not { } last)
            return "Oxygen was never read here";
        var (sunrise, sunset) = SunOn(Zone.DayOf(now));
        var (dusk, before) =
            now >= sunset + PlanSlack ? (true, sunset - DuskBegins)
            : now >= sunrise + PlanSlack ? (false, sunrise - DawnBegins)
            : (true, sunset.AddDays(-1) - DuskBegins);
        return last.At < before ? $"The {(dusk ? "dusk" : "dawn")} reading is missing" : null;
    }
}
