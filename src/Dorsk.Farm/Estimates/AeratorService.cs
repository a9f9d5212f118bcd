using Dorsk.Core.Judging;

namespace Dorsk.Farm.Estimates;

/// <summary>Which aerators of a pond are due for service.</summary>
/// <param name="facts">The facts.</param>
public sealed class AeratorService(PondFacts facts)
{
    private const double SoonShare = 0.9;

    /// <summary>Whether an aerator is due for service, by the hours it ran since the last one.</summary>
    public Judgement Of(string code, DateTimeOffset now)
    {
        if (facts.Air.Service(code) is not { } last)
            return new(Status.Unknown, "never written down");
        var hours = facts.AeratorHours(last.At, now).FirstOrDefault(h => h.Code == code)?.Hours ?? 0;
        var said = FormattableString.Invariant($"{hours:N0} of {last.Fact.NextAfterH:N0} h");
        if (hours >= last.Fact.NextAfterH)
            return new(Status.Watch, $"due, {said}");
        return new(Status.Steady, hours >= SoonShare * last.Fact.NextAfterH ? $"soon, {said}" : said);
    }

    /// <summary>Aerators whose hours since their last service are up. Those that were never serviced are not named every day.</summary>
    public IReadOnlyList<(string Code, string Reason)> DueAt(DateTimeOffset now) =>
        facts.Air.Lines.Count == 0
            ? []
            :
            [
                .. facts
                    .AeratorsAt(now)
                    .Where(a => facts.Air.Service(a.Code) is not null)
                    .Select(a => (a.Code, Service: Of(a.Code, now)))
                    .Where(a => a.Service.Status == Status.Watch)
                    .Select(a => (a.Code, a.Service.Reason)),
            ];
}
