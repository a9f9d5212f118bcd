using Dorsk.Core.Hatchery;
using Dorsk.Core.Plans;
using Dorsk.Core.Season;
using Dorsk.Core.Species;
using Dorsk.Core.Units;
using Dorsk.Farm.Estimates;
using Dorsk.Farm.Fish;
using Dorsk.Farm.Log;
using Dorsk.Farm.Ponds;
using Microsoft.Data.Sqlite;

namespace Dorsk.Farm.Ask;

/// <summary>The hatchery gathered for the rules of jobs.</summary>
internal static class HatchDays
{
    public static HatchDay Of(SqliteConnection c, AsOf asOf, IReadOnlyList<PondNow> ponds, DateTimeOffset now)
    {
        var species = SettingsQuestions.For(c, asOf.Known, null);
        var story = HatchQuestions.Story(c, asOf, species, now, onlyStanding: true);
        return new()
        {
            Lots = [.. story.Standing],
            Days = [.. story.Plans.SelectMany(p => DaysOf(p.Plan, species(p.Plan.SpeciesKey)))],
            NestsDue = [.. ponds.SelectMany(p => Nests(p, story, p.Story.Zone.DayOf(now)))],
            FryPonds =
            [
                .. ponds
                    .Select(p => (p.Story.Pond, End: FryPonds.End(p, now)))
                    .Where(x => x.End is not null)
                    .Select(x => (x.Pond.Id, x.Pond.Code, x.End!)),
            ],
        };
    }

    private static IEnumerable<(long, DateOnly, string)> DaysOf(HatchPlanned plan, FishSpecies species) =>
        EggTable.For(species) is { } table
            ? BackPlan.Of(plan.Asked, table, NurseryDensity.For(species)).Days.Select(d => (plan.PlanId, d.On, d.What))
            : [];

    private static IEnumerable<(long, string, int, string)> Nests(PondNow p, HatchStory story, DateOnly today)
    {
        var nests = story.Vessels.Count(v =>
            v.Vessel is { Gone: false, Kind: VesselKind.Nest } n && n.PondId == p.Story.Pond.Id
        );
        if (nests == 0 || FryPonds.SpawnSettledOn(p.Story, today) is not { } settled)
            yield break;
        var looked = story.NestLooks.Any(n => n.Fact.PondId == p.Story.Pond.Id && p.Story.Zone.DayOf(n.At) == today);
        if (!looked && SpawnWater.ChecksOn(settled, today) == true)
            yield return (
                p.Story.Pond.Id,
                p.Story.Pond.Code,
                nests,
                $"the water settled on {Hand.Day(settled)}; every second day, daily at the peak; males guard and bite: a stick first, a glove"
            );
    }
}

/// <summary>Fry ponds and spawning ponds by what their stories hold.</summary>
public static class FryPonds
{
    private const int SeasonBackDays = 60;

    /// <summary>A pond of fry as its care sees it; null where no fry stand in it.</summary>
    /// <param name="p">The pond now.</param>
    /// <param name="now">The instant.</param>
    public static FryPondState? State(PondNow p, DateTimeOffset now)
    {
        if (p.Batches.Count == 0)
            return null;
        var main = p.Batches[^1];
        var story = p.Story;
        var state = new FryPondState(
            main.Batch.Species,
            story.Zone.DayOf(main.Batch.ArrivedAt),
            story.Zone.DayOf(now),
            main.Stands.MeanG.Value,
            main.Stands.Count.Value,
            story.Pond.Shape.AreaM2(story.LevelAt(now).LevelM),
            story.Pond.Shape.VolumeM3(story.LevelAt(now).LevelM),
            story.LastOf(Core.Water.Parameter.Temperature)?.Si,
            story.Rations.Scored.Count > 0 ? story.Rations.Scored[^1].Score : null
        )
        {
            StartG = main.Batch.ArrivedMeanG,
        };
        return FryPond.Is(state, NurseryDensity.For(main.Batch.Species)) ? state : null;
    }

    /// <summary>The end of natural food of a pond; null where no fry stand in it.</summary>
    /// <param name="p">The pond now.</param>
    /// <param name="now">The instant.</param>
    public static NaturalFoodEnd? End(PondNow p, DateTimeOffset now) =>
        State(p, now) is { } state ? FryPond.End(state, NurseryDensity.For(state.Species), p.Story.Farm.Hand) : null;

    /// <summary>The day on which a pond's water settled at the spawning temperature of its fish, this season; null while it has not.</summary>
    /// <param name="story">The pond.</param>
    /// <param name="today">The farm day.</param>
    public static DateOnly? SpawnSettledOn(PondStory story, DateOnly today)
    {
        var days = story
            .ReadingsOf[Core.Water.Parameter.Temperature]
            .Select(t => (Day: story.Zone.DayOf(t.At), t.Si))
            .Where(t => t.Day > today.AddDays(-SeasonBackDays) && t.Day <= today)
            .GroupBy(t => t.Day)
            .Select(g => (g.Key, g.Average(t => t.Si)))
            .OrderBy(g => g.Key)
            .ToList();
        return SpawnWater.SettledOn(days, SpawnWater.RangeOf(story.LikelySpecies));
    }
}
