using Dorsk.Core.Judging;

namespace Dorsk.Farm.Ask;

public sealed partial class PondStory
{
    private const double SoonShare = 0.9;

    /// <summary>Whether an aerator is due for service, by the hours it ran since the last one.</summary>
    public Judgement ServiceOf(string code, DateTimeOffset now)
    {
        if (Air.Service(code) is not { } last)
            return new(Status.Unknown, "never written down");
        var hours = AeratorHours(last.At, now).FirstOrDefault(h => h.Code == code)?.Hours ?? 0;
        var said = FormattableString.Invariant($"{hours:N0} of {last.Fact.NextAfterH:N0} h");
        return hours >= last.Fact.NextAfterH ? new(Status.Watch, $"due, {said}")
            : hours >= SoonShare * last.Fact.NextAfterH ? new(Status.Steady, $"soon, {said}")
            : new(Status.Steady, said);
    }

    /// <summary>Aerators whose hours since their last service are up. Those that were never serviced are not named every day.</summary>
    public IReadOnlyList<(string Code, string Reason)> ServiceDueAt(DateTimeOffset now) =>
        Air.Lines.Count == 0
            ? []
            :
            [
                .. AeratorsAt(now)
                    .Where(a => Air.Service(a.Code) is not null)
                    .Select(a => (a.Code, Service: ServiceOf(a.Code, now)))
                    .Where(a => a.Service.Status == Status.Watch)
                    .Select(a => (a.Code, a.Service.Reason)),
            ];
}
