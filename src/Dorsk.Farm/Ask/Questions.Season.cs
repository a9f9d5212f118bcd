using Dorsk.Core.Plans;
using Dorsk.Core.Ponds;
using Dorsk.Core.Season;
using Dorsk.Farm.Estimates;
using Dorsk.Farm.Log;
using Dorsk.Farm.Ponds;
using Dorsk.Farm.Season;
using Microsoft.Data.Sqlite;

namespace Dorsk.Farm.Ask;

public sealed partial class Questions
{
    private readonly Lock oneSeason = new();
    private KnownSeason? season;

    private sealed record KnownSeason(Memory.Seen Seen, DateOnly Day, IReadOnlyList<PondStory> Of, SeasonNow Season);

    /// <summary>The season as it is planned; null before the farm is described. Worked out once a day and again when the books move.</summary>
    public SeasonNow? Season(DateTimeOffset now)
    {
        using var c = file.Open();
        return FarmQuestions.Farm(c, AsOf.Now(DateTimeOffset.MaxValue)) is { } farm
            ? Season(c, farm, memory.Look(c), now)
            : null;
    }

    /// <summary>Copies of the season that are kept, the newest first.</summary>
    public IReadOnlyList<SeasonKept> SeasonCopies()
    {
        using var c = file.Open();
        return SeasonPlanQuestions.Copies(c, AsOf.Now(DateTimeOffset.MaxValue));
    }

    private SeasonNow Season(SqliteConnection c, FarmDescribed farm, Memory.Seen seen, DateTimeOffset now)
    {
        // Today and the page of the season may ask at the same time: one works it out.
        lock (oneSeason)
            return SeasonAlone(c, farm, seen, now);
    }

    private SeasonNow SeasonAlone(SqliteConnection c, FarmDescribed farm, Memory.Seen seen, DateTimeOffset now)
    {
        var today = (Core.Time.FarmZone.Find(farm.ZoneId) ?? Core.Time.FarmZone.Utc).DayOf(now);
        var stories = Stories(c);
        if (
            season is { } known
            && known.Day == today
            && known.Seen.Restored == seen.Restored
            && known.Seen.Matters == seen.Matters
            && known.Of.SequenceEqual(stories)
        )
            return known.Season;
        IReadOnlyList<PondStory> of = [.. stories];
        var store = Moves(c, seen).At(now).FindAll(f => f.Kind.Kind == Core.Feeding.StoreKind.Feed);
        var parts = EachPond(
            stories,
            s => s.Pond,
            s =>
                (
                    s.Pond.Id,
                    Pond: s.Season.PondAt(now),
                    Batches: s.Season.BatchesAt(today).ToList(),
                    Harvests: FishPlans.OpenHarvests(s).Select(h => h.Fact).ToList(),
                    Cycles: FishPlans.OpenCycles(s).Select(p => p.Fact).ToList()
                )
        );
        stories = stories.FindAll(s => parts.Exists(p => p.Id == s.Pond.Id));
        var input = new SeasonInput(
            today,
            [.. parts.Select(p => p.Pond)],
            [.. parts.SelectMany(p => p.Batches)],
            [.. parts.SelectMany(p => p.Harvests)],
            [.. parts.SelectMany(p => p.Cycles)],
            [
                .. store.Select(f => new SeasonFeed(
                    f.FeedId,
                    f.Name,
                    f.Kind.PelletMm,
                    f.LeftKg,
                    f.Kind.LeadDays,
                    f.Kind.BagKg
                )),
            ],
            farm.Hand
        );
        var fresh = new SeasonNow(stories, SeasonAhead.Of(input, season?.Season.Planned));
        season = new(seen, today, of, fresh);
        return fresh;
    }
}

/// <summary>The season as it is planned, with the ponds it was worked out from.</summary>
/// <param name="Stories">Ponds in use.</param>
/// <param name="Planned">The season ahead.</param>
public sealed record SeasonNow(IReadOnlyList<PondStory> Stories, SeasonAhead Planned);
