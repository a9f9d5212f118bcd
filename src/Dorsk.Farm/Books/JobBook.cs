using Dorsk.Core.Judging;
using Dorsk.Core.Season;
using Dorsk.Farm.Ask;
using Dorsk.Farm.Sql;

namespace Dorsk.Farm.Books;

/// <summary>Jobs that people ticked or left.</summary>
internal sealed class JobBook : IBook
{
    public bool Keeps(Fact fact) => fact is JobClosed;

    public long? PondOf(Fact fact) => ((JobClosed)fact).PondId;

    public IEnumerable<Remark> Check(Desk desk, Fact fact)
    {
        var closed = (JobClosed)fact;
        foreach (var remark in closed.Check())
            yield return remark;
        if (DayQuestions.Closed(desk.Connection, desk.AsOf.Known, desk.Happened.AddDays(-40)).TryGetValue(closed.Key, out var already))
            yield return Remark.Refuse("", $"{already.Mark.By} has closed this job already.");
    }

    public void Write(Desk desk, Fact fact)
    {
        var j = (JobClosed)fact;
        Sqlite.Run(desk.Connection, "INSERT INTO job_closed VALUES ($line, $key, $pond, $outcome, $reason)", ("line", desk.Line), ("key", j.Key), ("pond", j.PondId), ("outcome", j.Outcome), ("reason", j.Reason.Trim()));
    }
}
