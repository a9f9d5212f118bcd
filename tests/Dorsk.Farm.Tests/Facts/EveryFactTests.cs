using Dorsk.Core.Judging;
using Dorsk.Core.People;
using Dorsk.Core.Ponds;
using Dorsk.Core.Stock;
using Dorsk.Core.Water;
using Dorsk.Farm.Ask;
using Dorsk.Farm.Facts;
using Dorsk.Farm.Files;
using Dorsk.Farm.Log;
using Dorsk.Farm.Sql;

namespace Dorsk.Farm.Tests.Facts;

/// <summary>What holds for every kind of fact, walked from the one list of kinds.</summary>
public class EveryFactTests
{
    // What a probe sent is taken back, not corrected: the place of a value is taken for good.
    private static readonly string[] NotCorrected = [nameof(ProbeSeriesReceived)];

    public static TheoryData<string> Kinds => [.. FactKinds.All.Select(k => k.Name)];

    [Fact]
    public void Every_fact_of_the_core_has_one_kind()
    {
        var facts = typeof(Fact)
            .Assembly.GetTypes()
            .Where(t => t.IsSubclassOf(typeof(Fact)) && !t.IsAbstract)
            .Select(t => t.Name)
            .Order();
        Assert.Equal(facts, FactKinds.All.Select(k => k.Name).Order());
        Assert.All(FactKinds.All, k => Assert.NotEqual(k.Name, k.Word));
        Assert.Equal(FactKinds.All.Count, FactKinds.All.Select(k => k.Table).Distinct().Count());
    }

    [Theory, MemberData(nameof(Kinds))]
    public void It_is_entered_read_back_corrected_and_taken_back(string name)
    {
        using var farm = new FactFarm();
        var kind = FactKinds.Find(name)!;
        var (fact, other) = farm.Of(name);
        var before = Everything(farm.Farm.File.Path);
        var entry = Entry.Of(Guid.NewGuid(), "Manager", FactFarm.Now, fact, "typed", Asked(farm, fact));
        var receipt = farm.Farm.Door.Enter(entry);
        Assert.True(receipt.Accepted, Text(receipt));
        var again = farm.Farm.Door.Enter(entry);
        Assert.True(again.Repeated);
        Assert.Equal(receipt.Lines, again.Lines);
        var line = receipt.Lines[0];
        Assert.Equal(WithOwn(fact, farm, kind, line), Read(farm, kind, line));
        Assert.Equal(name, farm.Farm.Questions.Line(line)!.Kind);
        Assert.NotEqual(before, Everything(farm.Farm.File.Path));

        if (!NotCorrected.Contains(name))
        {
            var corrected = farm.Farm.Must(other, FactFarm.Now, line);
            Assert.Equal(WithOwn(other, farm, kind, line), Read(farm, kind, corrected));
            Assert.False(farm.Farm.Try(fact, FactFarm.Now, line).Accepted, "a line is corrected once");
            line = corrected;
        }
        Assert.True(farm.Farm.Try(null, FactFarm.Now, line).Accepted);
        Assert.Equal(before, Everything(farm.Farm.File.Path));
    }

    [Theory, MemberData(nameof(Kinds))]
    public void Answers_are_fresh_in_every_pond_it_touches(string name)
    {
        using var farm = new FactFarm();
        var (fact, other) = farm.Of(name);
        Same(farm, "before");
        var line = farm.Farm.Must(fact, FactFarm.Now);
        Same(farm, "entered");
        if (!NotCorrected.Contains(name))
        {
            line = farm.Farm.Must(other, FactFarm.Now, line);
            Same(farm, "corrected");
        }
        Assert.True(farm.Farm.Try(null, FactFarm.Now, line).Accepted);
        Same(farm, "taken back");
    }

    [Fact]
    public void All_of_them_survive_export_backup_and_restore_and_stand_in_a_list()
    {
        using var farm = new FactFarm();
        foreach (var kind in FactKinds.All.Where(k => k.Name is not (nameof(PondArchived) or nameof(FishHarvested))))
            farm.Farm.Must(farm.Of(kind.Name).Fact, FactFarm.Now);
        farm.Farm.Must(farm.Of(nameof(FishHarvested)).Fact, FactFarm.Now.AddHours(1));
        farm.Farm.Must(farm.Of(nameof(PondArchived)).Fact, FactFarm.Now.AddHours(1));
        var all = Everything(farm.Farm.File.Path);
        Assert.All(FactKinds.Tables, t => Assert.Contains($"\"table\":\"{t}\"", all, StringComparison.Ordinal));

        var folder = Directory.CreateTempSubdirectory("dorsk-facts-").FullName;
        string At(string file) => Path.Combine(folder, file);
        Export.Write(farm.Farm.File, At("e.zip"));
        var other = FreshFile.At(At("other.db"));
        Export.Read(At("e.zip"), other);
        Assert.Equal(all, Everything(other.Path));
        Backup.Write(farm.Farm.File, At("b.zip"));
        Restore.Run(At("b.zip"), At("restored.db"), over: false);
        Assert.Equal(all, Everything(At("restored.db")));
        Assert.Empty(Integrity.Look(farm.Farm.File, pages: true));

        Assert.Empty(FactKinds.Tables.Except(Lists.Tables));
        var zone = Core.Time.FarmZone.Find("Etc/GMT-10")!;
        foreach (var name in Lists.Names.Where(n => n != "weather"))
        {
            var text = new StringWriter();
            Assert.True(Lists.Write(farm.Farm.File, name, zone, CsvStyle.All[0].Style, text));
            Assert.True(text.ToString().Split('\n').Length > 2, $"list {name} is empty");
        }
        FarmFile.CloseIdle();
        Directory.Delete(folder, true);
    }

    [Fact]
    public void Every_table_only_grows()
    {
        using var farm = new FactFarm();
        using var c = farm.Farm.File.Open();
        foreach (var table in FactKinds.Tables)
            Assert.Equal(
                2,
                Sqlite.Number(
                    c,
                    "SELECT count(*) FROM sqlite_master WHERE type = 'trigger' AND tbl_name = $t",
                    ("t", table)
                )
            );
    }

    [Fact]
    public void A_void_is_judged_like_an_entry()
    {
        using var farm = new FactFarm();
        void Refused(long line, string why)
        {
            var receipt = farm.Farm.Try(null, FactFarm.Now, line);
            Assert.Contains(why, Assert.Single(receipt.Remarks).Text, StringComparison.Ordinal);
        }
        long First(string kind, long? pond = null)
        {
            using var c = farm.Farm.File.Open();
            return Sqlite.Number(
                c,
                "SELECT min(line) FROM log WHERE kind = $kind AND ($pond IS NULL OR line = $pond)",
                ("kind", kind),
                ("pond", pond)
            );
        }
        Refused(farm.P1, "fish stand in this pond");
        farm.Farm.Must(new ReadingTaken(farm.P2, [new(Parameter.Oxygen, 6)]), FactFarm.Now);
        Refused(farm.P2, "belong to this pond");
        Assert.True(farm.Farm.Try(null, FactFarm.Now, farm.P3).Accepted);
        Refused(farm.Feed, "name this feed");
        Refused(First(nameof(FarmDescribed)), "only description");
        Refused(First(nameof(PersonNamed)), "Nobody would be left");
        farm.Farm.Must(
            new ProbeSeriesReceived(farm.Device, farm.P1, [new(Parameter.Oxygen, FactFarm.Now, 5)]),
            FactFarm.Now
        );
        Refused(farm.Device, "Mark it as gone");
        farm.Farm.Must(new FishLost(farm.P1, farm.Batch, 5, Account.Dead, ""), FactFarm.Now);
        Refused(farm.Batch, "Later entries need these fish");
    }

    [Fact]
    public void A_row_that_cannot_be_read_can_be_taken_back()
    {
        using var farm = new FactFarm();
        using (var c = farm.Farm.File.Open())
            Sqlite.Run(
                c,
                $"""
                INSERT INTO entry VALUES ('odd', 1767400000000, 'x');
                INSERT INTO log(line, entry, n, kind, pond, happened, entered, author, as_typed) VALUES (900, 'odd', 0, 'PondWorked', {farm.P1}, 1767400000000, 1767400000000, 'x', '');
                INSERT INTO pond_work VALUES (900, {farm.P1}, 'Enchanted', '', NULL, NULL, NULL);
                """
            );
        Assert.Null(farm.Farm.Questions.FactOf(900));
        Assert.True(farm.Farm.Try(null, FactFarm.Now, 900).Accepted);
        Assert.NotNull(farm.Farm.Questions.Story("P1"));
    }

    [Fact]
    public void A_correction_stays_with_the_same_thing()
    {
        using var farm = new FactFarm();
        var receipt = farm.Farm.Try(
            new PersonNamed("Other", Role.Viewer, 999),
            FactFarm.Now,
            farm.Farm.Must(new PersonNamed("Hand", Role.PondHand), FactFarm.Now)
        );
        Assert.Contains("stays with the same one", Assert.Single(receipt.Remarks).Text, StringComparison.Ordinal);
        var first = farm.Farm.Must(
            new PondBuilt(
                new Pond(farm.P3, "P3", "deeper", PondKind.Earthen, new SlopedRectangle(40, 25, 1.5, 2), "grow-out")
            ),
            TestFarm.Start.AddDays(9)
        );
        farm.Farm.Must(
            new PondBuilt(
                new Pond(farm.P3, "P3", "mended", PondKind.Earthen, new SlopedRectangle(30, 25, 1.4, 2), "grow-out")
            ),
            TestFarm.Start,
            farm.P3
        );
        Assert.Equal("deeper", farm.Farm.Questions.Ponds().Single(p => p.Id == farm.P3).Name);
        Assert.True(first > farm.P3);
    }

    /// <summary>What a program that has answered all along says, against one that asks for the first time.</summary>
    private static void Same(FactFarm farm, string when)
    {
        var fresh = new Questions(farm.Farm.File);
        Assert.True(
            Answers(farm.Farm.Questions) == Answers(fresh),
            $"an answer is stale, {when}: {Difference(Answers(farm.Farm.Questions), Answers(fresh))}"
        );
    }

    private static string Answers(Questions questions)
    {
        var now = FactFarm.Now.AddMinutes(2);
        var stories = questions.Ponds().Select(p => questions.Story(p.Code)!);
        return string.Join(
                '\n',
                stories.Select(s => Dump.Of(s) + Dump.Of(s.NowAt(now).Tonight) + Dump.Of(questions.Now(s, now).Batches))
            )
            + Dump.Of(questions.FeedStore(now))
            + Dump.Of(questions.Weather())
            + Dump.Of(questions.Today(now));
    }

    private static string Difference(string a, string b)
    {
        var at = a.Zip(b).TakeWhile(x => x.First == x.Second).Count();
        string Around(string s) => s[Math.Max(0, at - 60)..Math.Min(s.Length, at + 60)];
        return $"«{Around(a)}» against «{Around(b)}»";
    }

    private static string Read(FactFarm farm, FactKind kind, long line)
    {
        using var c = farm.Farm.File.Open();
        return Dump.Of(kind.Read(c, line));
    }

    // A new thing is numbered by its line, which the fact could not know.
    private static string WithOwn(Fact fact, FactFarm farm, FactKind kind, long line)
    {
        if (fact is PondBuilt built)
            return Dump.Of(new PondBuilt(built.Pond with { Id = line }));
        if (kind.Columns.Any(c => c.Refers == Refers.Itself || (c.Refers == Refers.Feed && kind.Table == "feed")))
        {
            // The number of the thing itself is the one that is 0 while it is new.
            var number = fact.GetType()
                .GetProperties()
                .First(p =>
                    p.Name.EndsWith("Id", StringComparison.Ordinal)
                    && p.PropertyType == typeof(long)
                    && (long)p.GetValue(fact)! == 0
                );
            number.SetValue(fact, line);
        }
        return Dump.Of(fact);
    }

    private static IReadOnlyCollection<string> Asked(FactFarm farm, Fact fact) =>
        [
            .. farm
                .Farm.Door.Preview(Entry.Of(Guid.NewGuid(), "Manager", FactFarm.Now, fact))
                .Remarks.Where(r => r.Kind == Objection.Ask)
                .Select(r => r.Text),
        ];

    private static string Text(Receipt receipt) => string.Join(" | ", receipt.Remarks.Select(r => r.Text));

    private static string Everything(string path)
    {
        var text = new StringWriter();
        FactsText.Write(path, text);
        return text.ToString();
    }
}
