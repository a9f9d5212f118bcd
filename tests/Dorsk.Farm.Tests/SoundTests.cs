using System.Globalization;
using System.IO.Compression;
using Dorsk.Core.People;
using Dorsk.Core.Stock;
using Dorsk.Core.Water;
using Dorsk.Farm.Files;
using Dorsk.Farm.Log;
using Dorsk.Farm.Sql;
using Dorsk.Farm.State;

namespace Dorsk.Farm.Tests;

/// <summary>Rows that cannot be, files that are none, and a restore while people write.</summary>
public sealed class SoundTests : IDisposable
{
    private readonly TestFarm farm = new();
    private readonly string folder = Directory.CreateTempSubdirectory("dorsk-sound-").FullName;

    public SoundTests()
    {
        farm.Stock();
        farm.Must(
            new ReadingTaken(farm.PondId, [new(Parameter.Oxygen, 5.5), new(Parameter.Temperature, 26)]),
            TestFarm.Start.AddDays(4)
        );
        farm.Must(new ReadingTaken(farm.PondId, [new(Parameter.Oxygen, 5.6)]), TestFarm.Start.AddDays(5));
    }

    private string At(string name) => Path.Combine(folder, name);

    private FarmFile Empty(string name)
    {
        var file = FreshFile.At(At(name));
        return file;
    }

    // An export with one cell changed and its checksum made right again: what an older program, not a failing disk, would write.
    private string Bent(string table, Func<string, string> bend)
    {
        var path = At(Guid.NewGuid().ToString("N") + ".zip");
        Export.Write(farm.File, path);
        using var zip = ZipFile.Open(path, ZipArchiveMode.Update);
        string Take(string name)
        {
            using var reader = new StreamReader(zip.GetEntry(name)!.Open());
            return reader.ReadToEnd();
        }
        void Put(string name, string text)
        {
            zip.GetEntry(name)!.Delete();
            using var writer = new StreamWriter(zip.CreateEntry(name).Open());
            writer.Write(text);
        }
        var (csv, manifest) = (Take(table + ".csv"), Take("manifest.json"));
        var bent = bend(csv);
        Assert.NotEqual(csv, bent);
        static string Sum(string text) =>
            Convert.ToHexStringLower(
                System.Security.Cryptography.SHA256.HashData(System.Text.Encoding.UTF8.GetBytes(text))
            );
        Put(table + ".csv", bent);
        Put("manifest.json", manifest.Replace(Sum(csv), Sum(bent), StringComparison.Ordinal));
        return path;
    }

    [Theory]
    [InlineData("reading", ",5.5,", ",1e300,", "reading.csv, line 2, column value")]
    [InlineData("reading", ",5.5,", ",NaN,", "reading.csv, line 2, column value")]
    [InlineData("reading", "\"do\"", "\"mood\"", "column parameter")]
    [InlineData("posting", ",1000,", ",1001,", "does not balance")]
    [InlineData("reading", ",5.5,", ",wet,", "is not a figure")]
    [InlineData("stocking", "silver_perch", "sea_serpent", "stocking.csv, line 2, column species")]
    [InlineData("stocking", "ByWeight", "ByMagic", "column basis")]
    [InlineData("log", "ReadingTaken", "ReadingLost", "column kind")]
    [InlineData("pond", "SlopedRectangle", "Moebius", "column shape")]
    [InlineData("farm", "Etc/GMT-10", "Mars/Olympus", "column zone")]
    public void An_import_refuses_a_row_that_cannot_be_with_its_line_and_column(
        string table,
        string was,
        string now,
        string said
    )
    {
        var path = Bent(table, csv =>
            new System.Text.RegularExpressions.Regex(System.Text.RegularExpressions.Regex.Escape(was)).Replace(
                csv,
                now,
                1
            )
        );
        var other = Empty("other.db");
        var problem = Assert.Throws<FarmFilesException>(() => Export.Read(path, other));
        Assert.Contains(said, problem.Message, StringComparison.Ordinal);
        using var c = other.Open();
        Assert.Equal(0, Sqlite.Number(c, "SELECT count(*) FROM log"));
    }

    [Fact]
    public void No_single_bit_of_an_export_can_flip_unseen()
    {
        var path = At("e.zip");
        Export.Write(farm.File, path);
        var (bytes, chance, other) = (File.ReadAllBytes(path), new Random(20270121), Empty("other.db"));
        var taken = 0;
        for (var i = 0; i < 120; i++)
        {
            var bent = (byte[])bytes.Clone();
            bent[chance.Next(bent.Length)] ^= (byte)(1 << chance.Next(8));
            File.WriteAllBytes(At("flip.zip"), bent);
            try
            {
                Export.Read(At("flip.zip"), other);
                taken++;
                // The bit stood where nothing hangs on it, such as the date of an entry of the archive: then all facts are the same.
                Assert.Equal(Facts(farm.File), Facts(other));
                other = Empty($"other{i}.db");
            }
            catch (FarmFilesException problem)
            {
                Assert.Contains("Nothing was entered", problem.Message, StringComparison.Ordinal);
            }
        }
        Assert.InRange(taken, 0, 60);
    }

    [Fact]
    public void What_stands_wrong_in_the_file_is_found_and_named()
    {
        Assert.Empty(Integrity.Look(farm.File, pages: true));
        using (var c = farm.File.Open())
            Sqlite.Run(
                c,
                """
                DROP TRIGGER reading_stays; UPDATE reading SET value = 1e300 WHERE value = 5.6;
                DROP TRIGGER posting_stays; UPDATE posting SET count = count + 1 WHERE account = 'Pond';
                """
            );
        var bad = Integrity.Look(farm.File, pages: true).Select(b => b.ToString()).ToList();
        Assert.Contains(bad, b =>
            b.StartsWith("reading, line", StringComparison.Ordinal) && b.Contains("value", StringComparison.Ordinal)
        );
        Assert.Contains(bad, b => b.Contains("does not balance", StringComparison.Ordinal));
        // The pond says what is wrong with it and costs no other; taken back, it is well again.
        var broken = Assert.Single(farm.Questions.Broken(Now()));
        Assert.Contains("which cannot be", broken.Why, StringComparison.Ordinal);
        var line = Integrity.Look(farm.File, pages: true).First(b => b.Table == "reading").Line!.Value;
        Assert.True(farm.Try(null, Now(), corrects: line).Accepted);
        Assert.Empty(farm.Questions.Broken(Now()));
        // What can be read but cannot be is not trusted either, once the file was looked through.
        using (var c = farm.File.Open())
            Sqlite.Run(c, "DROP TRIGGER stocking_stays; UPDATE stocking SET mean_g = -5");
        var found = Integrity.Look(farm.File, pages: false).First(b => b.Table == "stocking");
        farm.Questions.Distrust(new Dictionary<long, string> { [found.Line!.Value] = found.ToString() });
        Assert.Contains(
            "cannot be negative",
            Assert.Single(farm.Questions.Broken(Now())).Why,
            StringComparison.Ordinal
        );
    }

    [Theory]
    [InlineData("no database at all, but a note about one", "no data file of Dorsk")]
    [InlineData("", "is empty")]
    public void A_file_that_is_no_farm_is_refused_in_a_sentence_and_put_aside_by_a_restore(string content, string said)
    {
        Backup.Write(farm.File, At("b.zip"));
        File.WriteAllText(At("farm.db"), content);
        Assert.Contains(
            said,
            Assert.Throws<FarmFilesException>(() => FarmFolder.Take(folder, false)).Message,
            StringComparison.Ordinal
        );
        Assert.Contains(
            "--over",
            Assert.Throws<FarmFilesException>(() => Restore.Run(At("b.zip"), At("farm.db"), over: false)).Message,
            StringComparison.Ordinal
        );
        var kept = Restore.Run(At("b.zip"), At("farm.db"), over: true);
        Assert.Equal(content, File.ReadAllText(kept!));
        Assert.Equal(Facts(farm.File), Facts(new FarmFile(At("farm.db"))));
    }

    [Fact]
    public void A_folder_is_served_once_needs_new_for_a_new_farm_and_its_file_is_the_owners_alone()
    {
        Assert.Contains(
            "--new",
            Assert.Throws<FarmFilesException>(() => FarmFolder.Take(At("typo"), false)).Message,
            StringComparison.Ordinal
        );
        Assert.False(Directory.Exists(At("typo")));
        using (var first = FarmFolder.Take(At("farm"), true))
        {
            Assert.True(FarmFolder.IsServed(first.File.Path));
            Assert.Contains(
                "served by another",
                Assert.Throws<FarmFilesException>(() => FarmFolder.Take(At("farm"), false)).Message,
                StringComparison.Ordinal
            );
            if (!OperatingSystem.IsWindows())
                Assert.Equal(UnixFileMode.UserRead | UnixFileMode.UserWrite, File.GetUnixFileMode(first.File.Path));
        }
        Assert.Contains(
            "without --new",
            Assert.Throws<FarmFilesException>(() => FarmFolder.Take(At("farm"), true)).Message,
            StringComparison.Ordinal
        );
        using var again = FarmFolder.Take(At("farm"), false);
        FarmFile.CloseIdle();
        var bytes = File.ReadAllBytes(again.File.Path);
        File.WriteAllBytes(At("cut.db"), bytes[..(bytes.Length / 2)]);
        Assert.Contains("cut short", FarmFolder.Broken(At("cut.db"))!, StringComparison.Ordinal);
    }

    [Fact]
    public async Task A_restore_over_a_farm_that_is_written_to_loses_no_acknowledged_record()
    {
        Backup.Write(farm.File, At("b.zip"));
        using var stop = new CancellationTokenSource();
        var acknowledged = new System.Collections.Concurrent.ConcurrentQueue<string>();
        var writers = Enumerable
            .Range(0, 3)
            .Select(w =>
                Task.Run(() =>
                {
                    for (var i = 0; !stop.IsCancellationRequested; i++)
                    {
                        var id = Guid.NewGuid();
                        if (
                            farm
                                .Door.Enter(
                                    Entry.Of(
                                        id,
                                        "writer",
                                        TestFarm.Start.AddDays(6).AddSeconds((i * 10) + w),
                                        new ReadingTaken(farm.PondId, [new(Parameter.Temperature, 25)])
                                    )
                                )
                                .Accepted
                        )
                            acknowledged.Enqueue(id.ToString());
                    }
                })
            )
            .ToList();
        var kept = new List<string>();
        for (var round = 0; round < 4; round++)
        {
            await Task.Delay(60);
            kept.Add(Restore.Run(At("b.zip"), farm.File.Path, over: true)!);
        }
        await Task.Delay(60);
        await stop.CancelAsync();
        await Task.WhenAll(writers);
        List<string> Ids(string path)
        {
            using var c = new FarmFile(path).Open(pooled: false);
            return Sqlite.Rows(c, "SELECT id FROM entry", r => r.GetString(0));
        }
        var there = kept.Append(farm.File.Path).SelectMany(Ids).ToHashSet();
        Assert.True(acknowledged.Count > 20);
        Assert.Equal([], acknowledged.Except(there));
        Assert.Empty(Integrity.Look(farm.File, pages: true));
    }

    [Fact]
    public void After_a_restore_the_same_people_keep_their_password_and_nobody_stays_signed_in()
    {
        var (credentials, sessions) = (new Credentials(farm.File), new Sessions(farm.File));
        var manager = farm.Must(new PersonNamed("Manager", Role.Manager), Now());
        credentials.SetPassword(manager, "HASH-OF-THE-MANAGER");
        var probe = farm.Must(new DeviceKept(0, "Buoy", DeviceUse.Probe, farm.PondId, null, false), Now());
        var keys = new DeviceKeys(farm.File);
        var withdrawn = keys.Renew(probe);
        Backup.Write(farm.File, At("b.zip"));
        var inUse = keys.Renew(probe);
        var later = farm.Must(new PersonNamed("Newcomer", Role.Viewer), Now());
        credentials.SetPassword(later, "HASH-OF-THE-NEWCOMER");
        var cookie = sessions.Begin(credentials.Of(manager)!);
        Assert.Equal(manager, sessions.PersonOf(cookie));
        using (var zip = ZipFile.OpenRead(At("b.zip")))
            zip.GetEntry("farm.db")!.ExtractToFile(At("inside.db"));
        using (var c = new FarmFile(At("inside.db")).Open(pooled: false))
            Assert.All(new[] { "credential", "device_key", "calendar_key", "session" }, t =>
                Assert.Equal(0, Sqlite.Number(c, $"SELECT count(*) FROM {t}"))
            );
        Restore.Run(At("b.zip"), farm.File.Path, over: true);
        Assert.Equal("HASH-OF-THE-MANAGER", credentials.Of(manager)!.Hash);
        Assert.Null(sessions.PersonOf(cookie));
        Assert.Null(credentials.Of(later));
        Assert.Equal((null, (long?)probe), (keys.DeviceOf(withdrawn), keys.DeviceOf(inUse)));
    }

    [Fact]
    public void Two_changes_of_a_credential_at_once_do_not_undo_each_other()
    {
        var credentials = new Credentials(farm.File);
        credentials.SetPassword(farm.PondId, "OLD");
        var read = credentials.Of(farm.PondId)!;
        credentials.SetPassword(farm.PondId, "NEW");
        credentials.Rehash(read, "OLD BY A BETTER METHOD");
        Assert.Equal("NEW", credentials.Of(farm.PondId)!.Hash);
    }

    [Fact]
    public void Committed_steps_of_the_data_file_are_never_changed()
    {
        // A step that went out stays as it is: a file that has taken it never takes it again. New steps are added to the list with their sum.
        var known = File.ReadAllLines(Path.Combine(AppContext.BaseDirectory, "migrations.sha256"))
            .Select(l => l.Split("  "))
            .ToDictionary(p => p[1], p => p[0]);
        var assembly = typeof(FarmFile).Assembly;
        foreach (
            var name in assembly.GetManifestResourceNames().Where(n => n.EndsWith(".sql", StringComparison.Ordinal))
        )
        {
            using var stream = assembly.GetManifestResourceStream(name)!;
            Assert.True(known.Remove(name, out var sum), $"{name} is not in migrations.sha256");
            Assert.Equal(sum, Convert.ToHexStringLower(System.Security.Cryptography.SHA256.HashData(stream)));
        }
        Assert.Empty(known);
    }

    [Fact]
    public void A_file_of_the_week_before_two_steps_were_changed_is_mended()
    {
        using (var c = farm.File.Open())
            Sqlite.Run(
                c,
                "DROP INDEX feeding_watched; ALTER TABLE forecast_issued DROP COLUMN shown; DELETE FROM schema_step WHERE ScriptName LIKE '%0029%'; DROP TABLE heartbeat; DROP TABLE made_as; DROP TABLE clock_right; DROP TABLE session; DROP INDEX alarm_ended_alarm; ALTER TABLE credential ADD COLUMN failures INTEGER NOT NULL DEFAULT 0; ALTER TABLE credential ADD COLUMN shut_till INTEGER"
            );
        farm.File.Prepare();
        Assert.Empty(farm.Questions.Proof(Now()));
        using var after = farm.File.Open();
        Assert.Equal(1, Sqlite.Number(after, "SELECT count(*) FROM sqlite_master WHERE name = 'feeding_watched'"));
    }

    [Fact]
    public void Lines_that_lie_ahead_of_the_clock_can_be_taken_back_and_harm_no_answer()
    {
        // Typed three minutes before midnight for one minute after it: the door lets clocks differ by so much.
        farm.Clock.Now = new(2027, 1, 10, 13, 57, 0, TimeSpan.Zero);
        var line = farm.Must(
            new FishStocked(farm.PondId, "silver_perch", "hatchery", 40, 50, CountBasis.ByWeight, "test", null),
            farm.Clock.Now.AddMinutes(4)
        );
        Assert.NotNull(farm.Questions.Today(farm.Clock.Now));
        Assert.Empty(farm.Questions.Broken(farm.Clock.Now));
        farm.Clock.Now = farm.Clock.Now.AddDays(-10);
        Assert.True(farm.Try(null, farm.Questions.Line(line)!.Happened, corrects: line).Accepted);
    }

    [Fact]
    public void Fish_that_nobody_weighed_for_ten_years_are_still_worked_out()
    {
        farm.Clock.Now = new(2037, 6, 21, 0, 0, 0, TimeSpan.Zero);
        var now = Assert.Single(farm.Questions.PondsNow(farm.Clock.Now));
        Assert.All(
            now.Batches.SelectMany(b => b.Ahead.Select(a => a.MeanG).Append(b.Stands.MeanG).Append(b.Stands.BiomassKg)),
            i => Assert.True(double.IsFinite(i.Low) && double.IsFinite(i.High) && i.Low <= i.Value && i.Value <= i.High)
        );
        Assert.NotEmpty(now.Batches);
    }

    [Fact]
    public void What_a_clock_that_ran_ahead_left_can_be_set_aside()
    {
        var right = new ClockRight(farm.File);
        farm.Clock.Now = new(2030, 1, 1, 0, 0, 0, TimeSpan.Zero);
        farm.Must(new ReadingTaken(farm.PondId, [new(Parameter.Oxygen, 9)]), farm.Clock.Now);
        farm.Clock.Now = new(2027, 2, 1, 0, 0, 0, TimeSpan.Zero);
        Assert.Equal(2030, right.Newest()!.Value.Year);
        right.Vouch();
        Assert.Null(right.Newest());
        farm.Must(new ReadingTaken(farm.PondId, [new(Parameter.Oxygen, 2)]), farm.Clock.Now);
        Assert.Equal(2027, right.Newest()!.Value.Year);
        var questions = new Ask.Questions(farm.File, () => farm.Clock.Now.AddMinutes(5));
        Assert.Equal(2, questions.Story("P1")!.LastOf(Parameter.Oxygen)!.Value.Si);
    }

    public void Dispose()
    {
        farm.Dispose();
        FarmFile.CloseIdle();
        Directory.Delete(folder, true);
    }

    private DateTimeOffset Now() => farm.Clock.Now;

    private static string Facts(FarmFile file)
    {
        var text = new StringWriter(CultureInfo.InvariantCulture);
        FactsText.Write(file.Path, text);
        return text.ToString();
    }
}
