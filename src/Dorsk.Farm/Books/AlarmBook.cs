using System.Globalization;
using Dorsk.Core.Alarms;
using Dorsk.Core.Judging;
using Dorsk.Farm.Ask;
using Dorsk.Farm.Sql;

namespace Dorsk.Farm.Books;

/// <summary>Alarms, answers to them, and the call list.</summary>
internal sealed class AlarmBook : IBook
{
    public bool Keeps(Fact fact) => fact is AlarmRaised or AlarmAnswered or AlarmEnded or AlarmTold or CallListSet;

    public long? PondOf(Fact fact) => fact switch { AlarmRaised f => f.PondId, AlarmAnswered f => f.PondId, AlarmEnded f => f.PondId, AlarmTold f => f.PondId, _ => null };

    public IEnumerable<Remark> Check(Desk desk, Fact fact)
    {
        if (fact is CallListSet list)
            return list.Check();
        if (fact is AlarmRaised { Text: var text })
            return text.Length is 0 or > AlarmText.Longest ? [Remark.Refuse("text", $"1 to {AlarmText.Longest} letters.")] : [];
        var id = fact switch { AlarmAnswered f => f.AlarmId, AlarmEnded f => f.AlarmId, _ => ((AlarmTold)fact).AlarmId };
        return AlarmQuestions.All(desk.Connection, desk.AsOf.Known, desk.Happened.AddDays(-30)).TryGetValue(id, out var alarm) ? fact is AlarmAnswered && alarm.Answered is { } by ? [Remark.Refuse("", $"{by.By} has answered it already.")] : [] : [Remark.Refuse("", "There is no such alarm of the last month.")];
    }

    public void Write(Desk desk, Fact fact)
    {
        var c = desk.Connection;
        switch (fact)
        {
            case AlarmRaised f:
                Sqlite.Run(c, "INSERT INTO alarm_raised VALUES ($line, $alarm, $pond, $cause, $level, $text)", ("line", desk.Line), ("alarm", f.AlarmId > 0 ? f.AlarmId : desk.Line), ("pond", f.PondId), ("cause", f.Cause), ("level", f.Level), ("text", f.Text));
                break;
            case AlarmAnswered f:
                Sqlite.Run(c, "INSERT INTO alarm_answered VALUES ($line, $alarm, $pond)", ("line", desk.Line), ("alarm", f.AlarmId), ("pond", f.PondId));
                break;
            case AlarmEnded f:
                Sqlite.Run(c, "INSERT INTO alarm_ended VALUES ($line, $alarm, $pond)", ("line", desk.Line), ("alarm", f.AlarmId), ("pond", f.PondId));
                break;
            case AlarmTold f:
                Sqlite.Run(c, "INSERT INTO alarm_told VALUES ($line, $alarm, $pond, $step, $level, $address)", ("line", desk.Line), ("alarm", f.AlarmId), ("pond", f.PondId), ("step", f.Step), ("level", f.Level), ("address", f.Address));
                break;
            case CallListSet f:
                string? Hour(TimeOnly? t) => t?.ToString("HH:mm", CultureInfo.InvariantCulture);
                Sqlite.Run(c, "INSERT INTO call_list VALUES ($line, $after, $from, $to)", ("line", desk.Line), ("after", f.AfterMinutes), ("from", Hour(f.QuietFrom)), ("to", Hour(f.QuietTo)));
                foreach (var (s, n) in f.Steps.Select((s, n) => (s, n)))
                    Sqlite.Run(c, "INSERT INTO call_step VALUES ($line, $n, $name, $address)", ("line", desk.Line), ("n", n), ("name", s.Name.Trim()), ("address", s.Address));
                break;
        }
    }
}
