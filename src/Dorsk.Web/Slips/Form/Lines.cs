using System.Globalization;
using Dorsk.Core.Units;

namespace Dorsk.Web.Slips;

/// <summary>Lines that many slips share.</summary>
internal static class Lines
{
    public static IEnumerable<SlipField> When(SlipContext c, TimeOnly? hour = null)
    {
        var local = c.Here.Zone.LocalAt(c.Corrects?.Row.Happened ?? c.Here.Now);
        yield return c.Day("Day", "Date", DateOnly.FromDateTime(local));
        yield return c.Hour(
            "Hour",
            "Time",
            (c.Corrects is null && hour is { } h ? h : TimeOnly.FromDateTime(local)).ToString(
                "HH:mm",
                CultureInfo.InvariantCulture
            )
        );
    }

    /// <summary>A figure as it would be typed; empty where there is none.</summary>
    public static string Plain(SlipContext c, double? si, Measure measure) =>
        si is { } value ? c.Here.Typed(value, measure) : "";

    /// <summary>Batches that can be chosen: those that stand, or the one that is corrected.</summary>
    public static SlipField Batch(SlipContext c, long? old) =>
        c.Choice(
            "Batch",
            "Batch",
            (
                old
                ?? c.Story!.Standing.LastOrDefault()?.Id
                ?? (c.Story!.Batches.Count > 0 ? c.Story.Batches[^1].Id : null)
            )?.ToString(CultureInfo.InvariantCulture) ?? "",
            c.Story!.Batches.OrderByDescending(b => b.ArrivedAt)
                .Select(b =>
                    (
                        b.Id.ToString(CultureInfo.InvariantCulture),
                        $"{b.Species.Name}, {c.Here.Day(c.Story.Zone.DayOf(b.ArrivedAt))}{(b.EmptiedAt is null ? "" : " (closed)")}"
                    )
                )
                .ToList()
        );

    public static long ReadBatch(SlipForm form, SlipContext c) =>
        form.Choice(
            "Batch",
            c.Story!.Batches.Select(b => (b.Id.ToString(CultureInfo.InvariantCulture), b.Id)).ToList(),
            "batch",
            0L
        );

    public static string? NoFish(SlipContext c) =>
        c.Story!.Batches.Count == 0 ? "No fish were ever stocked in this pond. Stock it first." : null;
}
