using Dorsk.Core.Growth;
using Dorsk.Core.Species;

namespace Dorsk.Core.Feeding;

/// <summary>Feed a batch will want on a day to come.</summary>
/// <param name="Day">Farm day.</param>
/// <param name="MeanG">Mean weight then, g.</param>
/// <param name="Count">Fish then.</param>
/// <param name="Kg">Feed, kg.</param>
public readonly record struct FeedWanted(DateOnly Day, double MeanG, double Count, double Kg);

/// <summary>What a kind of feed is wanted for.</summary>
/// <param name="Kg">Wanted each day from today on, kg.</param>
/// <param name="From">The first day.</param>
public sealed record KindDemand(DateOnly From, IReadOnlyList<double> Kg)
{
    /// <summary>The first day on which the store no longer covers what is wanted; null when it lasts the whole time.</summary>
    /// <param name="leftKg">Left today, kg.</param>
    public DateOnly? RunsOut(double leftKg)
    {
        for (var i = 0; i < Kg.Count; i++)
            if ((leftKg -= Kg[i]) < -1e-6)
                return From.AddDays(i);
        return null;
    }

    /// <summary>Wanted over some days, kg.</summary>
    public double Over(int fromDay, int days) => Kg.Skip(fromDay).Take(days).Sum();
}

/// <summary>When to order a kind of feed, and how much.</summary>
/// <param name="RunsOut">The first day it does not cover, or null.</param>
/// <param name="OrderBy">Last day to order: that day less lead time and safety; null when it lasts.</param>
/// <param name="Kg">Proposed load, kg, in whole bags where the bag is known.</param>
public sealed record OrderProposal(DateOnly? RunsOut, DateOnly? OrderBy, double Kg)
{
    /// <summary>From order to delivery where the kind says nothing, days; kept safe before it runs out, days; a load is for so many days. Starting values of the trade.</summary>
    public const double UsualLeadDays = 6,
        SafeDays = 4;

    /// <summary>A load is for so many days.</summary>
    public const int LoadDays = 30;

    /// <summary>Nobody orders further ahead, days.</summary>
    public const int AheadDays = 180;

    /// <summary>Works out when and how much.</summary>
    /// <param name="demand">What is wanted.</param>
    /// <param name="leftKg">Left, kg.</param>
    /// <param name="leadDays">From order to delivery, days, or null for the usual.</param>
    /// <param name="bagKg">A bag, kg, or null.</param>
    public static OrderProposal Of(KindDemand demand, double leftKg, double? leadDays, double? bagKg)
    {
        if (demand.RunsOut(leftKg) is not { } end || end.DayNumber - demand.From.DayNumber >= AheadDays)
            return new(null, null, 0);
        var kg = demand.Over(end.DayNumber - demand.From.DayNumber, LoadDays);
        return new(
            end,
            end.AddDays(-(int)Math.Ceiling((leadDays ?? UsualLeadDays) + SafeDays)),
            bagKg is { } bag ? Math.Ceiling(kg / bag) * bag : Math.Ceiling(kg)
        );
    }
}

/// <summary>Feed of the days to come: the gain of the growth forecast by feed per gain, never less than keeps fish over winter.</summary>
public static class FeedAhead
{
    /// <summary>Feed a batch wants from the first day of its forecast on.</summary>
    /// <param name="ahead">Its growth forecast.</param>
    /// <param name="countOn">Fish that are fed on a day.</param>
    /// <param name="species">The species.</param>
    /// <param name="temperatureC">Expected water of a day, °C.</param>
    /// <param name="until">Day they are taken out; not fed on it.</param>
    public static IReadOnlyList<FeedWanted> Of(
        IReadOnlyList<WeightAhead> ahead,
        Func<DateOnly, double> countOn,
        FishSpecies species,
        Func<DateOnly, double> temperatureC,
        DateOnly until
    )
    {
        List<FeedWanted> wanted = [];
        for (var i = 0; i + 1 < ahead.Count && ahead[i].Day < until; i++)
        {
            var (day, w) = (ahead[i].Day, ahead[i].MeanG.Value);
            var count = countOn(day);
            var tempC = temperatureC(day);
            var keeps = tempC >= species.FeedMinC ? SchoolRation.MaintenanceShareOfBody * w : 0;
            var each = Math.Max(keeps, (ahead[i + 1].MeanG.Value - w) * DailyGain.Fcr(species, w));
            // Where they are not fed every day, a week wants so much less.
            var share = FeedDays.ShareOfWeek(FeedingRhythm.For(species, w, tempC)?.DaysPerWeek ?? 7);
            wanted.Add(new(day, w, count, count / 1000 * each * share));
        }
        return wanted;
    }

    /// <summary>Parts what batches want over the kinds in the store: each day the kind nearest to the size that fish of that weight take.</summary>
    /// <param name="batches">Each batch's species and what it wants.</param>
    /// <param name="kinds">Number and pellet, mm, of each kind.</param>
    /// <param name="from">The first day.</param>
    /// <param name="days">How many days.</param>
    public static IReadOnlyDictionary<long, KindDemand> ByKind(
        IEnumerable<(FishSpecies Species, IReadOnlyList<FeedWanted> Wanted)> batches,
        IReadOnlyList<(long Id, double PelletMm)> kinds,
        DateOnly from,
        int days
    )
    {
        var sums = kinds.ToDictionary(k => k.Id, _ => new double[days]);
        if (kinds.Count == 0)
            return new Dictionary<long, KindDemand>();
        // A size has one nearest kind: looked for once.
        var nearest = new Dictionary<FeedSize, double[]>(ReferenceEqualityComparer.Instance);
        foreach (var (species, wanted) in batches)
        foreach (var w in wanted)
        {
            var day = w.Day.DayNumber - from.DayNumber;
            if (day < 0 || day >= days || FeedSize.At(species, w.MeanG) is not { } size)
                continue;
            if (!nearest.TryGetValue(size, out var sum))
                nearest[size] = sum = sums[KindFor(size, kinds)];
            sum[day] += w.Kg;
        }
        return sums.ToDictionary(s => s.Key, s => new KindDemand(from, s.Value));
    }

    /// <summary>The kind nearest to what fish of a weight take; null without kinds or where the table says nothing.</summary>
    /// <param name="species">The species.</param>
    /// <param name="meanG">Mean weight, g; above 0.</param>
    /// <param name="kinds">Feeds of the farm.</param>
    public static long? KindFor(FishSpecies species, double meanG, IReadOnlyList<(long Id, double PelletMm)> kinds) =>
        kinds.Count == 0 || FeedSize.At(species, meanG) is not { } size ? null : KindFor(size, kinds);

    private static long KindFor(FeedSize size, IReadOnlyList<(long Id, double PelletMm)> kinds) =>
        kinds.MinBy(k => size.Misses(k.PelletMm)).Id;
}
