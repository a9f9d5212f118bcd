namespace Dorsk.Core.Season;

/// <summary>Jobs of the recurring tasks.</summary>
public static partial class JobRules
{
    // The last time it fell due, until it is closed: one that was missed does not pile up.
    private static IEnumerable<Job> Standing(FarmDay d)
    {
        foreach (var duty in d.Duties)
        {
            if (
                duty.LastOn(d.Today) is not { } day
                || (d.Closed.TryGetValue(duty.JobKey(day), out var closed) && d.Zone.DayOf(closed.Mark.At) < d.Today)
            )
                continue;
            var code = duty.PondId is { } id ? d.Ponds.FirstOrDefault(p => p.PondId == id)?.Code : "";
            // A pond that was laid up asks for nothing.
            if (code is null)
                continue;
            var late = d.Today.DayNumber - day.DayNumber;
            var job = RecurringJob(d, duty, day, code, late);
            yield return Tested(d, duty, day) is { } at
                ? job with
                {
                    State = JobState.Done,
                    By = at,
                    Note = "by the readings",
                }
                : job;
        }
    }

    // Late first, then what a change of water comes to, then why it is done at all.
    private static string ReasonOf(FarmDay d, DutyKept duty, DateOnly day, int late)
    {
        string?[] parts =
        [
            late > 0 ? $"it was for {FarmDay.Day(day)}" : null,
            d.Ponds.FirstOrDefault(p => p.PondId == duty.PondId)?.WaterChanges.GetValueOrDefault(duty.DutyId),
            duty.Reason.Length > 0 ? duty.Reason : null,
        ];
        return string.Join(": ", parts.OfType<string>());
    }

    private static Job RecurringJob(FarmDay d, DutyKept duty, DateOnly day, string code, int late) =>
        new(
            duty.JobKey(day),
            duty.PondId,
            code,
            d.Zone.At(d.Today, TimeOnly.MinValue),
            d.Zone.At(d.Today, duty.At),
            code.Length > 0 ? $"{code}: {duty.What}" : duty.What,
            ReasonOf(d, duty, day, late),
            duty.Who,
            "",
            late > 0 ? JobState.Late : JobState.Open
        )
        {
            WaitsDays = late,
        };
}
