using Dorsk.Core.Judging;
using Dorsk.Core.Season;
using Dorsk.Farm.Ask;
using Dorsk.Farm.Sql;

namespace Dorsk.Farm.Books;

/// <summary>Jobs that people ticked or left, and the standing ones.</summary>
internal sealed class JobBook : IBook
{
    public bool Keeps(Fact fact) => fact is JobClosed or DutyKept;

    public long? PondOf(Fact fact) => fact is DutyKept d ? d.PondId : ((JobClosed)fact).PondId;

    public IEnumerable<Remark> Check(Desk desk, Fact fact)
    {
        if (fact is DutyKept duty)
        {
            foreach (var remark in duty.Check())
                yield return remark;
            if (duty.PondId is { } pond && FarmQuestions.Pond(desk.Connection, desk.AsOf.Known, pond) is null)
                yield return Remark.Refuse("Pond", "There is no such pond. Choose one of the list.");
            yield break;
        }
        var closed = (JobClosed)fact;
        foreach (var remark in closed.Check())
            yield return remark;
        if (DayQuestions.Closed(desk.Connection, desk.AsOf.Known, desk.Happened.AddDays(-40)).TryGetValue(closed.Key, out var already))
            yield return Remark.Refuse("", $"{already.Mark.By} has closed this job already.");
    }

    public void Write(Desk desk, Fact fact)
    {
        if (fact is DutyKept d)
        {
            Sqlite.Run(desk.Connection, "INSERT INTO duty VALUES ($line, $duty, $pond, $what, $reason, $every, $from, $at, $who, $until)", ("line", desk.Line), ("duty", d.DutyId > 0 ? d.DutyId : desk.Line), ("pond", d.PondId), ("what", d.What.Trim()), ("reason", d.Reason.Trim()),
                ("every", d.EveryDays), ("from", d.From), ("at", d.At.ToString("HH:mm", System.Globalization.CultureInfo.InvariantCulture)), ("who", d.Who), ("until", d.Until));
            return;
        }
        var j = (JobClosed)fact;
        Sqlite.Run(desk.Connection, "INSERT INTO job_closed VALUES ($line, $key, $pond, $outcome, $reason)", ("line", desk.Line), ("key", j.Key), ("pond", j.PondId), ("outcome", j.Outcome), ("reason", j.Reason.Trim()));
    }
}
