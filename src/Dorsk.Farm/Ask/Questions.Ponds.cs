using System.Collections.Concurrent;
using Dorsk.Core.Ponds;
using Dorsk.Farm.Estimates;
using Dorsk.Farm.Log;
using Dorsk.Farm.Ponds;
using Dorsk.Farm.Sql;
using Microsoft.Data.Sqlite;

namespace Dorsk.Farm.Ask;

/// <summary>One pond as the watch and the pages find it: as it stands, or why it cannot be worked out.</summary>
/// <param name="Pond">The pond.</param>
/// <param name="Now">As it stands; null when that cannot be worked out.</param>
/// <param name="Why">Why not, in words; empty when it can.</param>
public sealed record PondLook(Pond Pond, PondNow? Now, string Why);

/// <summary>A pond whose records cannot be worked out. It costs that pond only.</summary>
/// <param name="pond">The pond.</param>
/// <param name="problem">What failed.</param>
public sealed class PondBrokenException(Pond pond, Exception problem) : Exception(problem.Message, problem)
{
    /// <summary>The pond.</summary>
    public Pond Pond { get; } = pond;
}

public sealed partial class Questions
{
    // Pages that are dear to work out wait a moment for what only probes have changed; cheap ones do not.
    private static readonly TimeSpan Cheap = TimeSpan.FromMilliseconds(40);
    private readonly ConcurrentDictionary<
        long,
        (Memory.OfPond Last, DateTimeOffset Minute, PondBrokenException Why)
    > broken = new();
    private readonly ReadingBudget budget = new();
    private volatile IReadOnlyDictionary<long, (Memory.OfPond Last, string Why)> distrusted =
        new Dictionary<long, (Memory.OfPond, string)>();
    private volatile KnownPonds? inUse;

    private sealed record KnownPonds(long Restored, long Matters, IReadOnlyList<Pond> Ponds);

    private sealed record KnownStory(Memory.OfPond Last, long Stamp, PondStory Story);

    private sealed record KnownToday(
        Memory.Seen Seen,
        DateTimeOffset Minute,
        Today Today,
        long Stamp,
        TimeSpan MayStand
    );

    private DateTimeOffset UpTo => upTo?.Invoke() ?? DateTimeOffset.MaxValue;

    /// <summary>Every pond in use that can be worked out, as it stands now.</summary>
    public IReadOnlyList<PondNow> PondsNow(DateTimeOffset now) => [.. Looks(now).Select(l => l.Now).OfType<PondNow>()];

    /// <summary>Ponds in use that cannot be worked out, each with the reason.</summary>
    public IReadOnlyList<PondLook> Broken(DateTimeOffset now) => [.. Looks(now).Where(l => l.Now is null)];

    /// <summary>Every pond in use: as it stands, or why that cannot be worked out. One that fails costs no other.</summary>
    public IReadOnlyList<PondLook> Looks(DateTimeOffset now)
    {
        using var c = file.Open();
        return Looks(c, now);
    }

    /// <summary>The stories of those ponds in use that can be worked out.</summary>
    /// <param name="wanted">Which ponds.</param>
    public IReadOnlyList<PondStory> Stories(Func<Pond, bool> wanted)
    {
        using var c = file.Open();
        return Told(c, FarmQuestions.InUse(c, AsOf.Now(DateTimeOffset.MaxValue)).Where(wanted));
    }

    private List<PondLook> Looks(SqliteConnection c, DateTimeOffset now)
    {
        var ponds = InUse(c);
        FirstLook(c, ponds, s => Now(s, now));
        return [.. ponds.Select(p => Look(c, p, now))];
    }

    private IReadOnlyList<Pond> InUse(SqliteConnection c)
    {
        var seen = memory.Look(c);
        if (inUse is { } known && known.Restored == seen.Restored && known.Matters == seen.Matters)
            return known.Ponds;
        var ponds = FarmQuestions.InUse(c, AsOf.Now(DateTimeOffset.MaxValue));
        inUse = new(seen.Restored, seen.Matters, ponds);
        return ponds;
    }

    private PondLook Look(SqliteConnection c, Pond pond, DateTimeOffset now)
    {
        // What failed is tried again a minute later, or when a line of the pond is new: trying costs more than saying it.
        var last = memory.Of(pond.Id);
        if (
            broken.TryGetValue(pond.Id, out var known)
            && (known.Last with { Probe = last.Probe }) == last
            && (known.Minute == Minute(now) || known.Minute == DateTimeOffset.MaxValue)
        )
            return new(pond, null, known.Why.Message);
        try
        {
            if (Story(c, pond.Id) is { } story)
                return new(pond, Now(story, now), "");
            return new(pond, null, "nothing is known of it");
        }
        catch (PondBrokenException why)
        {
            broken[pond.Id] = (last, Minute(now), why);
            return new(pond, null, why.Message);
        }
    }

    private List<PondStory> Told(SqliteConnection c, IEnumerable<Pond> ponds)
    {
        var stories = new List<PondStory>();
        foreach (var pond in ponds)
            try
            {
                if (Story(c, pond.Id) is { } story)
                    stories.Add(story);
            }
            catch (PondBrokenException)
            {
                // Said by the alarm of that pond, by its own page and by the list of ponds.
            }
        return stories;
    }

    // At the first look all are read side by side, each over a connection of its own, with what is wanted of each at once.
    private void FirstLook(SqliteConnection c, IReadOnlyList<Pond> ponds, Action<PondStory>? atOnce = null)
    {
        memory.Look(c);
        if (ponds.Count(p => !stories.ContainsKey(p.Id)) > 1)
            Parallel.ForEach(ponds, p =>
            {
                using var own = file.Open();
                foreach (var story in Told(own, [p]))
                    try
                    {
                        atOnce?.Invoke(story);
                    }
                    catch (PondBrokenException)
                    {
                        // Found again, and said, by the walk that follows.
                    }
            });
    }

    private List<PondStory> Stories(SqliteConnection c, Action<PondStory>? atOnce = null)
    {
        var ponds = InUse(c);
        FirstLook(c, ponds, atOnce);
        return Told(c, ponds);
    }

    // Asks each pond by itself and leaves out those that fail; they are broken for a minute.
    private List<TOut> EachPond<TIn, TOut>(IEnumerable<TIn> all, Func<TIn, Pond> pondOf, Func<TIn, TOut> ask)
    {
        var answers = new List<TOut>();
        foreach (var one in all)
            try
            {
                answers.Add(OfPond(pondOf(one), () => ask(one)));
            }
            catch (PondBrokenException why)
            {
                broken[why.Pond.Id] = (memory.Of(why.Pond.Id), DateTimeOffset.MaxValue, why);
            }
        return answers;
    }

    // A failure of the data file is the farm's; every other is the pond's.
    private static T OfPond<T>(Pond pond, Func<T> work)
    {
        try
        {
            return work();
        }
        catch (Exception problem) when (problem is not PondBrokenException && BooksTrouble.Words(problem) is null)
        {
            throw new PondBrokenException(pond, problem);
        }
    }

    /// <summary>What the look through the file found wrong, by pond: such a pond is not worked out until a line of it is new, even where its rows could be read.</summary>
    /// <param name="whyByLine">What is wrong with lines of the log.</param>
    public void Distrust(IReadOnlyDictionary<long, string> whyByLine)
    {
        using var c = file.Open();
        memory.Look(c);
        distrusted = whyByLine
            .Select(w => (LogLines.Line(c, w.Key)?.PondId, w.Value))
            .Where(w => w.Item1 is not null)
            .GroupBy(w => w.Item1!.Value)
            .ToDictionary(g => g.Key, g => (memory.Of(g.Key), g.First().Value));
    }

    private PondStory? Story(SqliteConnection c, long pondId)
    {
        var seen = memory.Look(c);
        var last = memory.Of(pondId);
        if (
            distrusted.TryGetValue(pondId, out var bad)
            && bad.Last with { Probe = last.Probe } == last
            && FarmQuestions.Pond(c, AsOf.Now(DateTimeOffset.MaxValue), pondId) is { } spoilt
        )
            throw new PondBrokenException(spoilt, new InvalidDataException(bad.Why));
        if (
            stories.TryGetValue(pondId, out var known)
            && (known.Last == last || (known.Last with { Probe = last.Probe } == last && !budget.Take(known.Stamp)))
        )
            return known.Story;
        if (FarmQuestions.Pond(c, AsOf.Now(DateTimeOffset.MaxValue), pondId) is not { } pond)
            return null;
        var story = OfPond(pond, () =>
            Sqlite.InOneSnapshot(c, () => Read(c, pondId, known?.Last.Restored == last.Restored ? known.Story : null))
        );
        if (story is not null)
            stories[pondId] = new(last, TimeProvider.System.GetTimestamp(), story);
        return story;
    }

    // Where lines of a clock that ran ahead are set aside, what counts depends on the hour: all is read.
    private PondStory? Read(SqliteConnection c, long pondId, PondStory? before)
    {
        var seen = memory.Look(c);
        var upTo = UpTo;
        var weather = Weather(c, seen);
        var rows =
            before is null || upTo != DateTimeOffset.MaxValue
                ? PondReader.Read(c, AsOf.Now(upTo), pondId, weather)
                : PondReader.Renew(c, before.Rows, memory.Since(pondId, before.Rows.Line), weather);
        return rows is null ? null : new(rows, before);
    }
}
