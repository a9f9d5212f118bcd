using System.IO.Compression;
using Dorsk.Core.Stock;
using Dorsk.Core.Water;
using Dorsk.Farm.Files;
using Dorsk.Farm.Sql;
using Dorsk.Farm.State;

namespace Dorsk.Farm.Tests;

public sealed class FilesTests : IDisposable
{
    private readonly TestFarm farm = new();
    private readonly string folder = Directory.CreateTempSubdirectory("dorsk-files-").FullName;

    public FilesTests()
    {
        var batch = farm.Stock();
        farm.Must(
            new FishLost(farm.PondId, batch, 3, Account.Dead, "=1+1, \"quoted\"\nnext line"),
            TestFarm.Start.AddDays(3)
        );
        var reading = farm.Must(
            new ReadingTaken(farm.PondId, [new(Parameter.Oxygen, 5.123456789012345), new(Parameter.Temperature, 26)]),
            TestFarm.Start.AddDays(4)
        );
        farm.Must(
            new ReadingTaken(farm.PondId, [new(Parameter.Oxygen, 6)]),
            TestFarm.Start.AddDays(4),
            corrects: reading
        );
        new Credentials(farm.File).SetPassword(farm.PondId, "SECRETHASH");
    }

    private string At(string name) => Path.Combine(folder, name);

    [Fact]
    public void A_backup_comes_back_whole_without_passwords_and_a_working_program_notices()
    {
        Assert.Equal(1000 - 3, farm.Story.Batches[0].Stands);
        Backup.Write(farm.File, At("b.zip"));
        var before = Everything(farm.File.Path);
        farm.Must(
            new FishLost(farm.PondId, farm.Story.Batches[0].Id, 100, Account.Eaten, "birds"),
            TestFarm.Start.AddDays(5)
        );
        Assert.Equal(897, farm.Story.Batches[0].Stands);
        var kept = Restore.Run(At("b.zip"), farm.File.Path, over: true);
        Assert.Equal(before, Everything(farm.File.Path));
        Assert.Equal(1000 - 3, farm.Story.Batches[0].Stands);
        Assert.Contains("birds", Everything(kept!), StringComparison.Ordinal);
        Assert.False(new Credentials(farm.File).Any());
        using var zip = ZipFile.OpenRead(At("b.zip"));
        zip.GetEntry("farm.db")!.ExtractToFile(At("inside.db"));
        Assert.False(
            File.ReadAllText(At("inside.db"), System.Text.Encoding.Latin1)
                .Contains("SECRETHASH", StringComparison.Ordinal)
        );
    }

    [Fact]
    public void A_damaged_or_foreign_backup_changes_nothing()
    {
        Backup.Write(farm.File, At("b.zip"));
        Assert.Throws<FarmFilesException>(() => Backup.Write(farm.File, At("b.zip")));
        var bytes = File.ReadAllBytes(At("b.zip"));
        for (var i = 2000; i < 2100; i++)
            bytes[i] ^= 0x55;
        File.WriteAllBytes(At("bad.zip"), bytes);
        File.WriteAllText(At("text.zip"), "no zip");
        var before = Everything(farm.File.Path);
        foreach (var bad in new[] { "bad.zip", "text.zip", "missing.zip" })
            Assert.Throws<FarmFilesException>(() => Restore.Run(At(bad), farm.File.Path, over: true));
        Assert.Throws<FarmFilesException>(() => Restore.Run(At("b.zip"), farm.File.Path, over: false));
        Assert.Equal(before, Everything(farm.File.Path));
    }

    [Fact]
    public void An_export_read_into_an_empty_farm_is_the_same_farm_entered_times_and_all()
    {
        Export.Write(farm.File, At("e.zip"));
        var other = FreshFile.At(At("other.db"));
        Export.Read(At("e.zip"), other);
        Assert.Equal(Everything(farm.File.Path), Everything(other.Path));
        Assert.Throws<FarmFilesException>(() => Export.Read(At("e.zip"), other));
        using var a = farm.File.Open();
        using var b = other.Open();
        string Log(Microsoft.Data.Sqlite.SqliteConnection c) =>
            string.Join(
                '\n',
                Sqlite.Rows(c, "SELECT line, entered, happened, author, as_typed, voids FROM log ORDER BY line", r =>
                    string.Join('|', Enumerable.Range(0, 6).Select(i => r.GetValue(i)))
                )
            );
        Assert.Equal(Log(a), Log(b));
    }

    [Fact]
    public void An_export_that_was_changed_by_hand_is_refused_whole()
    {
        Export.Write(farm.File, At("e.zip"));
        using (var zip = ZipFile.Open(At("e.zip"), ZipArchiveMode.Update))
        {
            var old = zip.GetEntry("posting.csv")!;
            string text;
            using (var reader = new StreamReader(old.Open()))
                text = reader.ReadToEnd();
            old.Delete();
            using var writer = new StreamWriter(zip.CreateEntry("posting.csv").Open());
            writer.Write(text.Replace(",1000,", ",1001,", StringComparison.Ordinal));
        }
        var other = FreshFile.At(At("other.db"));
        Assert.Contains(
            "checksum does not fit",
            Assert.Throws<FarmFilesException>(() => Export.Read(At("e.zip"), other)).Message,
            StringComparison.Ordinal
        );
        Assert.Empty(Everything(other.Path));
    }

    [Fact]
    public void Every_list_is_csv_and_no_note_becomes_a_formula()
    {
        var zone = Core.Time.FarmZone.Find("Etc/GMT-10")!;
        string List(string name)
        {
            var text = new StringWriter();
            Assert.True(Lists.Write(farm.File, name, zone, CsvStyle.All[0].Style, text));
            return text.ToString();
        }
        Assert.All(Lists.Names, name => List(name));
        Assert.Contains("\"'=1+1, \"\"quoted\"\"\nnext line\"", List("losses"), StringComparison.Ordinal);
        Assert.Single(List("readings").Trim().Split('\n').Skip(1)); // the voided one is left out
        Assert.False(Lists.Write(farm.File, "credential", zone, CsvStyle.All[0].Style, new StringWriter()));
    }

    [Fact]
    public void A_list_has_headings_before_it_has_rows_and_figures_that_a_spreadsheet_reads()
    {
        using var fresh = new TestFarm();
        var zone = Core.Time.FarmZone.Find("Etc/GMT-10")!;
        string List(string name, string style)
        {
            var text = new StringWriter();
            Assert.True(Lists.Write(fresh.File, name, zone, CsvStyle.Find(style)!, text));
            return text.ToString();
        }
        Assert.All(Lists.Names, name => Assert.StartsWith("when", List(name, "comma"), StringComparison.Ordinal));
        fresh.Must(
            new ReadingTaken(fresh.PondId, [new(Parameter.Temperature, (84 - 32) / 1.8), new(Parameter.Secchi, 0.255)]),
            fresh.Clock.Now
        );
        // 84 °F is kept as 28.888888888888889 °C; seven figures are what was read.
        var points = List("readings", "comma");
        Assert.Contains(",28.88889,°C,", points, StringComparison.Ordinal);
        Assert.Contains(",0.255,m,", points, StringComparison.Ordinal);
        var commas = List("readings", "semicolon");
        Assert.Contains(";28,88889;°C;", commas, StringComparison.Ordinal);
        Assert.Equal(points.Split('\n')[0].TrimEnd().Split(','), commas.Split('\n')[0].TrimEnd().Split(';'));
        Assert.Contains("\t28.88889\t°C\t", List("readings", "tab"), StringComparison.Ordinal);
        Assert.Equal("0,000000012", CsvStyle.Find("semicolon")!.Number(1.2e-8));
        Assert.Equal("1234567890", CsvStyle.Find("semicolon")!.Number(1234567890));
    }

    public void Dispose()
    {
        farm.Dispose();
        Directory.Delete(folder, true);
    }

    private static string Everything(string path)
    {
        var text = new StringWriter();
        FactsText.Write(path, text);
        return text.ToString();
    }
}
