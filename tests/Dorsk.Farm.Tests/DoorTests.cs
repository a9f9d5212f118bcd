using Dorsk.Core.Feeding;
using Dorsk.Core.Ponds;
using Dorsk.Core.Stock;
using Dorsk.Core.Water;
using Dorsk.Farm.Log;
using Dorsk.Farm.Sql;
using Microsoft.Data.Sqlite;

namespace Dorsk.Farm.Tests;

public class DoorTests
{
    [Fact]
    public void Sent_twice_it_is_entered_once()
    {
        using var farm = new TestFarm();
        var entry = Entry.Of(
            Guid.NewGuid(),
            "Pond hand",
            TestFarm.Start.AddDays(1),
            new ReadingTaken(farm.PondId, [new(Parameter.Oxygen, 5)]),
            "do 5"
        );
        var first = farm.Door.Enter(entry);
        var second = farm.Door.Enter(entry);
        Assert.Equal(first.Lines, second.Lines);
        Assert.True(second.Repeated && !first.Repeated);
        Assert.Single(farm.Story.ReadingsOf[Parameter.Oxygen]);
    }

    [Fact]
    public void A_preview_says_the_same_and_writes_nothing()
    {
        using var farm = new TestFarm();
        var batch = farm.Stock();
        var entry = Entry.Of(
            Guid.NewGuid(),
            "Manager",
            TestFarm.Start.AddDays(2),
            new FishLost(farm.PondId, batch, 2000, Account.Dead, "")
        );
        var before = farm.Questions.LastLine();
        var previewed = farm.Door.Preview(entry);
        Assert.Equal(previewed.Remarks, farm.Door.Enter(entry).Remarks);
        Assert.True(farm.Door.Preview(entry with { Meant = previewed.Remarks.Select(r => r.Text).ToList() }).Accepted);
        Assert.Equal(before, farm.Questions.LastLine());
    }

    [Fact]
    public void One_bad_line_keeps_the_whole_entry_out()
    {
        using var farm = new TestFarm();
        var before = farm.Questions.LastLine();
        var receipt = farm.Door.Enter(
            new Entry(
                Guid.NewGuid(),
                "Manager",
                [
                    new(TestFarm.Start.AddDays(1), new ReadingTaken(farm.PondId, [new(Parameter.Oxygen, 5)]), "", null),
                    new(
                        TestFarm.Start.AddDays(1),
                        new ReadingTaken(farm.PondId, [new(Parameter.Temperature, 84)]),
                        "",
                        null
                    ),
                ],
                []
            )
        );
        Assert.Contains("84 °F", Assert.Single(receipt.Remarks).Text, StringComparison.Ordinal);
        Assert.Equal(before, farm.Questions.LastLine());
    }

    [Fact]
    public void Oxygen_without_its_temperature_is_asked_about()
    {
        using var farm = new TestFarm();
        var at = TestFarm.Start.AddDays(10);
        Receipt Read(double days, params Value[] values) =>
            farm.Try(new ReadingTaken(farm.PondId, values), at.AddDays(days));
        farm.Clock.Now = at.AddDays(20);
        // Where no temperature was ever read, nobody is nagged for it.
        Assert.True(Read(0, new Value(Parameter.Oxygen, 6)).Accepted);
        Assert.True(Read(1, new(Parameter.Oxygen, 6), new(Parameter.Temperature, 25)).Accepted);
        Assert.True(Read(1.5, new Value(Parameter.Oxygen, 6.1)).Accepted);
        // Asked once: nobody says yes here.
        var alone = new ReadingTaken(farm.PondId, [new Value(Parameter.Oxygen, 6.2)]);
        var asked = farm.Door.Enter(Entry.Of(Guid.NewGuid(), "Manager", at.AddDays(3), alone));
        Assert.Equal((false, "temp"), (asked.Accepted, asked.Remarks.Single().Field));
        Assert.Equal(Core.Judging.Objection.Ask, asked.Remarks.Single().Kind);
        Assert.True(Read(3, new(Parameter.Oxygen, 6.2), new(Parameter.Temperature, 25)).Accepted);
    }

    [Fact]
    public void The_future_is_refused()
    {
        using var farm = new TestFarm();
        Assert.Equal(
            "When",
            farm.Try(new ReadingTaken(farm.PondId, [new(Parameter.Oxygen, 5)]), farm.Clock.Now.AddDays(1))
                .Remarks.Single()
                .Field
        );
    }

    [Fact]
    public void A_correction_counts_from_when_it_was_entered()
    {
        using var farm = new TestFarm();
        var day = TestFarm.Start.AddDays(10);
        farm.Clock.Now = day.AddDays(1);
        var line = farm.Must(new ReadingTaken(farm.PondId, [new(Parameter.Oxygen, 5)]), day);
        farm.Clock.Now = day.AddDays(5);
        farm.Must(new ReadingTaken(farm.PondId, [new(Parameter.Oxygen, 7)]), day, corrects: line);
        double Known(DateTimeOffset upTo) =>
            farm.Questions.StoryAsOf("P1", new AsOf(day.AddDays(9), upTo))!.ReadingsOf[Parameter.Oxygen].Single().Si;
        Assert.Equal(5, Known(day.AddDays(4)));
        Assert.Equal(7, Known(day.AddDays(6)));
        Assert.Empty(
            farm.Questions.StoryAsOf("P1", new AsOf(day.AddDays(-1), DateTimeOffset.MaxValue))!.ReadingsOf[
                Parameter.Oxygen
            ]
        );
        Assert.Contains(
            "already corrected",
            farm.Try(new ReadingTaken(farm.PondId, [new(Parameter.Oxygen, 6)]), day, corrects: line)
                .Remarks.Single()
                .Text,
            StringComparison.Ordinal
        );
    }

    [Fact]
    public void A_line_cannot_be_corrected_with_another_kind_and_a_void_not_be_voided()
    {
        using var farm = new TestFarm();
        var line = farm.Must(new ReadingTaken(farm.PondId, [new(Parameter.Oxygen, 5)]), TestFarm.Start.AddDays(1));
        Assert.False(
            farm.Try(new PondWorked(farm.PondId, PondWork.Note, "x", null), TestFarm.Start.AddDays(1), line).Accepted
        );
        var taken = farm.Try(null, TestFarm.Start.AddDays(1), line).Lines[0];
        Assert.Empty(farm.Story.ReadingsOf[Parameter.Oxygen]);
        Assert.False(farm.Try(null, TestFarm.Start.AddDays(1), taken).Accepted);
    }

    [Fact]
    public void Facts_are_never_changed_or_deleted()
    {
        using var farm = new TestFarm();
        var batch = farm.Stock();
        farm.Must(new ReadingTaken(farm.PondId, [new(Parameter.Oxygen, 5)]), TestFarm.Start.AddDays(1));
        farm.Must(new FishSampled(farm.PondId, batch, false, [(30, 1500)]), TestFarm.Start.AddDays(2));
        var feed = farm.Must(new FeedNamed(0, "grower", 4, 35, null), TestFarm.Start);
        farm.Must(new FeedingGiven(farm.PondId, feed, 1), TestFarm.Start.AddDays(2));
        using var c = farm.File.Open();
        var tables = Sqlite.Rows(
            c,
            "SELECT name FROM sqlite_master WHERE type = 'table' AND name NOT LIKE 'sqlite%' AND name NOT IN ('schema_step', 'credential', 'restored', 'sheet_map', 'device_key', 'calendar_key', 'probe_roll', 'heartbeat', 'made_as', 'clock_right', 'session')",
            r => r.GetString(0)
        );
        Assert.True(tables.Count >= 19);
        foreach (var table in tables)
        {
            Assert.Equal(
                2,
                Sqlite.Number(
                    c,
                    "SELECT count(*) FROM sqlite_master WHERE type = 'trigger' AND tbl_name = $t",
                    ("t", table)
                )
            );
            if (Sqlite.Number(c, $"SELECT count(*) FROM {table}") == 0)
                continue;
            var column = Sqlite.Rows(c, $"SELECT name FROM pragma_table_info('{table}')", r => r.GetString(0))[^1];
            Assert.Throws<SqliteException>(() => Sqlite.Run(c, $"UPDATE {table} SET {column} = {column}"));
            Assert.Throws<SqliteException>(() => Sqlite.Run(c, $"DELETE FROM {table}"));
        }
    }

    [Fact]
    public void The_file_keeps_what_was_entered()
    {
        using var farm = new TestFarm();
        using var c = farm.File.Open();
        Assert.Equal(2, Sqlite.Number(c, "PRAGMA synchronous"));
        Assert.Equal(1, Sqlite.Number(c, "PRAGMA foreign_keys"));
        Assert.Equal("wal", Sqlite.Rows(c, "PRAGMA journal_mode", r => r.GetString(0)).Single());
        var loose = Sqlite.Rows(
            c,
            "SELECT name FROM pragma_table_list WHERE schema = 'main' AND type = 'table' AND strict = 0 AND name NOT LIKE 'sqlite%'",
            r => r.GetString(0)
        );
        Assert.Equal(["schema_step"], loose);
    }

    [Fact]
    public void A_newer_file_is_not_touched()
    {
        using var farm = new TestFarm();
        using (var c = farm.File.Open())
            Sqlite.Run(
                c,
                "INSERT INTO schema_step (ScriptName, Applied) VALUES ('9999_from_tomorrow.sql', '2027-01-01')"
            );
        Assert.Contains(
            "newer Dorsk",
            Assert.Throws<InvalidOperationException>(farm.File.Prepare).Message,
            StringComparison.Ordinal
        );
    }
}
