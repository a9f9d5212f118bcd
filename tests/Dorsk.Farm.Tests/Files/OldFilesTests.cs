using System.Text.RegularExpressions;
using Dorsk.Core.Stock;
using Dorsk.Core.Water;
using Dorsk.Farm.Ask;
using Dorsk.Farm.Files;
using Dorsk.Farm.Sql;
using Microsoft.Data.Sqlite;

namespace Dorsk.Farm.Tests;

/// <summary>A data file of every step that ever shipped is brought up to this build and answers.</summary>
public sealed class OldFilesTests : IDisposable
{
    private readonly string folder = Directory.CreateTempSubdirectory("dorsk-old-").FullName;

    public static TheoryData<string> Steps => [.. Scripts.Keys.Where(s => string.CompareOrdinal(s, "0005") > 0)];

    private static SortedDictionary<string, string> Scripts
    {
        get
        {
            var all = typeof(FarmFile)
                .Assembly.GetManifestResourceNames()
                .Where(n => n.EndsWith(".sql", StringComparison.Ordinal));
            return new(
                all.ToDictionary(
                    n => n,
                    n => new StreamReader(typeof(FarmFile).Assembly.GetManifestResourceStream(n)!).ReadToEnd()
                ),
                StringComparer.Ordinal
            );
        }
    }

    [Theory, MemberData(nameof(Steps))]
    public void It_is_upgraded_and_asked(string step)
    {
        var file = new FarmFile(OfStep(step));
        file.Prepare();
        Assert.Empty(Integrity.Look(file, pages: true));
        var questions = new Questions(file);
        var now = DateTimeOffset.FromUnixTimeMilliseconds(1767916800000);
        var counted = string.CompareOrdinal(step, "0018") >= 0;
        var (p1, p2) = (questions.Story("P1")!, questions.Story("P2")!);
        Assert.Equal((counted ? 700 : 790, 200), (p1.Batches.Single().Stands, p2.Batches.Single().Stands));
        Assert.Equal(p1.Batches[0].Stands, p1.Batches[0].History.StandsOn(p1.Zone.DayOf(now)));
        Assert.Equal(52, p1.Batches[0].Samples.Single().Mean.Mean);
        Assert.Contains(p1.ReadingsOf[Parameter.Oxygen], t => t.Si == 6.2);
        Assert.Equal(string.CompareOrdinal(step, "0019") >= 0, p1.ReadingsOf[Parameter.Oxygen].Any(t => t.Si == 5.4));
        Assert.Equal(498.5, questions.FeedStore(now).Single().LeftKg);
        Assert.Equal("Manager", questions.People().Single().Name);
        Assert.NotNull(questions.Today(now));
        foreach (var line in Enumerable.Range(1, 14))
            Assert.NotNull(questions.FactOf(line));
        // And goes on from there.
        var door = new Door(file, new TestClock { Now = now });
        var receipt = door.Enter(
            Log.Entry.Of(Guid.NewGuid(), "Manager", now, new FishLost(3, 8, 5, Account.Eaten, "birds"))
        );
        Assert.True(receipt.Accepted, string.Join(" ", receipt.Remarks.Select(r => r.Text)));
        Assert.Equal(counted ? 695 : 785, questions.Story("P1")!.Batches.Single().Stands);
    }

    // The steps themselves are frozen by their sums, so the first of them make the file as it was.
    private string OfStep(string last)
    {
        var newest = Path.Combine(folder, "newest.db");
        new FarmFile(newest).Prepare();
        string journal;
        using (var c = new FarmFile(newest).Open(pooled: false))
            journal = Sqlite
                .Rows(c, "SELECT sql FROM sqlite_master WHERE name = 'schema_step'", r => r.GetString(0))
                .Single();
        var path = Path.Combine(folder, "old.db");
        using var old = new SqliteConnection($"Data Source={path};Pooling=False");
        old.Open();
        Sqlite.Run(old, journal);
        foreach (var (name, sql) in Scripts.TakeWhile(s => string.CompareOrdinal(s.Key, last) <= 0))
        {
            Sqlite.Run(old, sql);
            Sqlite.Run(
                old,
                "INSERT INTO schema_step(ScriptName, Applied) VALUES ($name, '2026-01-01')",
                ("name", name)
            );
        }
        var rows = File.ReadAllText(Path.Combine(AppContext.BaseDirectory, "old-farm.sql"));
        foreach (
            Match part in Regex.Matches(rows, @"-- from (\d{4})[^\n]*\n(.*?)(?=-- from|\z)", RegexOptions.Singleline)
        )
            if (string.CompareOrdinal(part.Groups[1].Value, last) <= 0)
                Sqlite.Run(old, part.Groups[2].Value);
        return path;
    }

    public void Dispose()
    {
        FarmFile.CloseIdle();
        Directory.Delete(folder, true);
    }
}
