using System.Diagnostics;
using System.Globalization;
using Dorsk.Farm.Sql;

namespace Dorsk.Farm.Tests;

/// <summary>What was acknowledged stays, however the program ends.</summary>
public sealed class KillTests : IDisposable
{
    // Fifty by hand (DORSK_KILLS=50); a few each time the suite runs.
    private static readonly int Rounds = int.Parse(
        Environment.GetEnvironmentVariable("DORSK_KILLS") ?? "4",
        CultureInfo.InvariantCulture
    );
    private readonly string folder = Directory.CreateTempSubdirectory("dorsk-kill-").FullName;

    [Theory]
    [InlineData(false)]
    [InlineData(true)]
    public void No_acknowledged_entry_is_lost_when_the_program_is_killed_in_a_burst(bool probes)
    {
        var path = Path.Combine(folder, "farm.db");
        var chance = new Random(20270121);
        var acknowledged = new List<string>();
        for (var round = 0; round < Rounds; round++)
        {
            using var burst = Process.Start(
                new ProcessStartInfo(
                    "dotnet",
                    [
                        Path.Combine(AppContext.BaseDirectory, "dorsk-bench.dll"),
                        "burst",
                        .. probes ? new[] { "probes", path } : [path],
                    ]
                )
                {
                    RedirectStandardOutput = true,
                }
            )!;
            var wanted = chance.Next(1, 60);
            for (var i = 0; i < wanted; i++)
                acknowledged.Add(
                    burst.StandardOutput.ReadLine() ?? throw new InvalidOperationException("the burst ended by itself")
                );
            Thread.Sleep(chance.Next(0, 12));
            burst.Kill(); // SIGKILL
            acknowledged.AddRange(
                burst
                    .StandardOutput.ReadToEnd()
                    .Split('\n', StringSplitOptions.RemoveEmptyEntries)
                    .Where(l => l.Length == 36)
            );
            burst.WaitForExit();
            using var c = new FarmFile(path).Open(pooled: false);
            Assert.Equal(["ok"], Sqlite.Rows(c, "PRAGMA integrity_check", r => r.GetString(0)));
            var there = Sqlite.Rows(c, "SELECT id FROM entry", r => r.GetString(0)).ToHashSet();
            Assert.Equal([], acknowledged.Except(there));
            // Whole or not at all: each reading line has its two values, each series all of its own, and the roll-ups those of the values.
            Assert.Equal(
                0,
                Sqlite.Number(
                    c,
                    "SELECT count(*) FROM probe_series s WHERE (SELECT count(*) FROM probe_value v WHERE v.line = s.line) <> s.n"
                )
            );
            Assert.Equal(
                Sqlite.Number(c, "SELECT count(*) FROM probe_value"),
                Sqlite.Number(c, "SELECT coalesce(sum(n), 0) FROM probe_roll WHERE span = 3600000")
            );
            Assert.Equal(
                0,
                Sqlite.Number(
                    c,
                    "SELECT count(*) FROM log l WHERE l.kind = 'ReadingTaken' AND (SELECT count(*) FROM reading r WHERE r.line = l.line) <> 2"
                )
            );
        }
        Assert.True(acknowledged.Count >= Rounds);
    }

    [Theory]
    [InlineData("backup")]
    [InlineData("restore")]
    public void No_acknowledged_entry_is_lost_when_a_backup_or_a_restore_is_killed(string verb)
    {
        var (path, zip, chance) = (
            Path.Combine(folder, "farm.db"),
            Path.Combine(folder, "first.zip"),
            new Random(20270122)
        );
        var acknowledged = new List<string>();
        for (var round = 0; round < Rounds; round++)
        {
            using var burst = Process.Start(
                new ProcessStartInfo(
                    "dotnet",
                    [Path.Combine(AppContext.BaseDirectory, "dorsk-bench.dll"), "burst", path]
                )
                {
                    RedirectStandardOutput = true,
                }
            )!;
            for (var i = 0; i < 15; i++)
                acknowledged.Add(
                    burst.StandardOutput.ReadLine() ?? throw new InvalidOperationException("the burst ended by itself")
                );
            if (!File.Exists(zip))
                Files.Backup.Write(new FarmFile(path), zip);
            var words =
                verb == "backup"
                    ? new[] { "backup", Path.Combine(folder, $"b{round}.zip") }
                    : ["restore", zip, "--over"];
            using var other = Process.Start(
                new ProcessStartInfo(
                    "dotnet",
                    [Path.Combine(AppContext.BaseDirectory, "dorsk.dll"), .. words, "--data", folder]
                )
                {
                    RedirectStandardOutput = true,
                    RedirectStandardError = true,
                }
            )!;
            // Somewhere between its start and after its end.
            Thread.Sleep(chance.Next(100, 900));
            other.Kill();
            other.WaitForExit();
            burst.Kill();
            acknowledged.AddRange(
                burst
                    .StandardOutput.ReadToEnd()
                    .Split('\n', StringSplitOptions.RemoveEmptyEntries)
                    .Where(l => l.Length == 36)
            );
            burst.WaitForExit();
            // What a restore that came to its end put aside counts: nothing of it is lost.
            var there = Directory.GetFiles(folder, "farm.db*.db").Append(path).SelectMany(Ids).ToHashSet();
            Assert.Equal([], acknowledged.Except(there));
            Assert.Equal([], Files.Integrity.Look(new FarmFile(path), pages: true));
            FarmFile.CloseIdle();
        }
        Assert.All(Directory.GetFiles(folder, "b*.zip"), b =>
            Files.Restore.Run(b, Path.Combine(folder, Guid.NewGuid().ToString("N") + ".db"), over: false)
        );
    }

    private static List<string> Ids(string path)
    {
        using var c = new FarmFile(path).Open(pooled: false);
        // A copy that was killed before it was whole holds nothing, and nothing was put in its place then.
        return Sqlite.Number(c, "SELECT count(*) FROM sqlite_master WHERE name = 'entry'") == 0
            ? []
            : Sqlite.Rows(c, "SELECT id FROM entry", r => r.GetString(0));
    }

    [Fact]
    public void The_door_writes_through_to_the_disk()
    {
        // A killed process cannot show it, a lost power supply would: what the door's own connection is set to.
        using var farm = new TestFarm();
        using var c = farm.File.Open();
        Assert.Equal("wal", Sqlite.Rows(c, "PRAGMA journal_mode", r => r.GetString(0))[0]);
        Assert.Equal(2, Sqlite.Number(c, "PRAGMA synchronous"));
    }

    public void Dispose()
    {
        FarmFile.CloseIdle();
        Directory.Delete(folder, true);
    }
}
