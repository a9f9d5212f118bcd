using Dorsk.Core.Safety;

namespace Dorsk.Core.Season;

/// <summary>What can hurt whoever does a job: by the slip that answers it, the kind of work, and whether it is dark.</summary>
public static class JobSafety
{
    private static readonly TimeSpan BeforeDawn = TimeSpan.FromHours(3),
        Dusk = TimeSpan.FromMinutes(30);

    /// <summary>Hazards of a job; none once it is done or left.</summary>
    /// <param name="job">The job.</param>
    /// <param name="day">The farm on that day.</param>
    public static IReadOnlyList<Hazard> Of(Job job, FarmDay day)
    {
        if (job.State is JobState.Done or JobState.Skipped)
            return [];
        var parts = job.Slip.Split('?');
        var work =
            parts is ["work", var query] ? query.Split('=')[^1]
            : parts[0].Length > 0 ? parts[0]
            : job.Key.Split(':')[0];
        // By day a reading is no lone work by night.
        var met = SafeWork.Of(work, IsDark(job, day));
        return IsDark(job, day) ? met : [.. met.Where(h => h != SafeWork.AtNight)];
    }

    // Outdoors only: by the hour at which it begins before dawn, or at which it must be done after dusk; a window that opens at midnight is the whole day's.
    private static bool IsDark(Job job, FarmDay day)
    {
        if (job.PondId is null && job.Slip != "round")
            return false;
        TimeSpan Hour(DateTimeOffset at) => day.Zone.LocalAt(at).TimeOfDay;
        var (from, due, rise, set) = (Hour(job.From), Hour(job.Due), Hour(day.Sunrise), Hour(day.Sunset) + Dusk);
        return due > set || due < rise || (from < rise && from >= rise - BeforeDawn);
    }
}
