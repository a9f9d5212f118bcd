using Dorsk.Core.Season;

namespace Dorsk.Web.Parts;

/// <summary>Where a job is done.</summary>
public static class JobLink
{
    /// <summary>Address of the page or slip that a job leads to.</summary>
    public static string Of(Job job) =>
        job.Slip switch
        {
            "round" => "/round",
            "instruments" => "/setup/instruments",
            "vital-test" => $"/slip/vital-test?Vital={job.Key.Split(':')[1]}",
            var slip when job.PondCode.Length == 0 => $"/slip/{slip}",
            var slip => $"/ponds/{job.PondCode}/slip/{slip}",
        };
}
