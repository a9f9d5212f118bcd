using System.Globalization;
using System.Text;
using Dorsk.Core.Sheets;
using Dorsk.Core.Units;
using Dorsk.Core.Water;
using Dorsk.Farm.Files;
using Dorsk.Farm.Sql;

namespace Dorsk.Farm.Tests;

/// <summary>Sheets of readings: as real spreadsheets write them, checked without the books, entered in one go, the same again adds nothing.</summary>
public sealed class SheetTests : IDisposable
{
    private readonly TestFarm farm = new();
    private readonly string folder = Directory.CreateTempSubdirectory("dorsk-sheet-").FullName;

    public void Dispose()
    {
        farm.Dispose();
        Directory.Delete(folder, true);
    }

    private string Save(string text, Encoding? encoding = null)
    {
        var path = Path.Combine(folder, Guid.NewGuid() + ".csv");
        File.WriteAllText(path, text, encoding ?? new UTF8Encoding(false));
        return path;
    }

    private static SheetMap Guess(SheetFile sheet, string pond = "")
    {
        var columns = sheet.Headings.Select(h => SheetGuess.Column(h, UnitSystem.Metric)).ToList();
        var day = columns.FindIndex(c => c.Use == ColumnUse.Day);
        return new(
            columns,
            SheetGuess.Sign(sheet.First.SelectMany(r => r)) ?? DecimalSign.Point,
            SheetWhen.Proven(sheet.First.Select(r => r[day])) ?? DayOrder.DayFirst,
            pond
        );
    }

    private (SheetFound Found, int Entered) Import(string path, string pond = "", bool withAsked = false)
    {
        var sheet = SheetFile.Open(path);
        var map = Guess(sheet, pond);
        Assert.Null(map.Problem());
        var (desk, found) = SheetCheck.Run(
            farm.File,
            sheet,
            map,
            Path.Combine(folder, "desk.db"),
            farm.Clock.Now,
            _ => { },
            default
        );
        return (found, new SheetDoor(farm.File, farm.Clock).Enter(desk, "Manager", withAsked));
    }

    private List<(string Parameter, double Value)> Kept()
    {
        using var c = farm.File.Open();
        return Sqlite.Rows(c, "SELECT parameter, value FROM reading ORDER BY line, n", r =>
            (r.GetString(0), Math.Round(r.GetDouble(1), 6))
        );
    }

    public static TheoryData<string> Writings() =>
        new(
            "Date,Time,Pond,DO (mg/L),Temp (°C),pH\n2026-03-05,06:10,P1,5.2,24.1,7.6\n2026-03-06,06:15,P1,4.9,24.3,7.5\n",
            "\uFEFFDate;Hour;Pond;DO mg/L;Water temp [°C];pH\r\n5/3/2026;6:10;p1;5,2;24,1;7,6\r\n\r\n;;;;;\r\n6/3/2026;6.15;P1;4,9;24,3;7,5\r\n13/3/2026;;P1;;;\r\n",
            "when\tpond\toxygen\ttemp °F\tph\n3/5/2026 6:10 AM\tP1\t5.2\t75.38\t7.6\n3/6/26 6:15 am\tP1\t\"4.9\"\t75.74\t7.5\n3/31/2026 8:00\tP1\t-\tn/a\t\n",
            "Datetime|Unit|dissolved oxygen (ppm)|temperature|pH|remarks\n5 Mar 2026 06:10|P1|5.2|24.1 C|7.6|\"rain; \"\"heavy\"\"\"\n2026-03-06T06:15:00|P1|4.9|75.74F|7.5|\n"
        );

    [Theory]
    [MemberData(nameof(Writings))]
    public void Real_spreadsheets_are_understood(string text)
    {
        var (found, entered) = Import(Save(text));
        Assert.Equal(6, entered);
        Assert.Equal([("do", 5.2), ("temp", 24.1), ("ph", 7.6), ("do", 4.9), ("temp", 24.3), ("ph", 7.5)], Kept());
        Assert.Equal(0, found.AskedCount);
        Assert.Equal(
            new DateTimeOffset(2026, 3, 4, 20, 10, 0, TimeSpan.Zero),
            farm.Story.ReadingsOf[Parameter.Oxygen][0].At
        );
        // The same again adds nothing; a line more adds that line.
        Assert.Equal(0, Import(Save(text, Encoding.Unicode)).Entered);
        Assert.Equal(2, Kept().Count(k => k.Parameter == "do"));
    }

    [Fact]
    public void Every_wrong_cell_is_named_by_line_and_column_and_the_others_go_in()
    {
        var (found, entered) = Import(
            Save(
                "Date,Pond,DO (mg/L),pH,NH4 (mg/L)\n2026-03-05,P1,5.2,7.6,1.288\n2026-13-05,P1,5.2,7.6,\n2026-03-06,P9,5.2,7.6,\n2026-03-07,P1,fifty,7.6,\n2026-03-08,P1,5.2,78,\n2031-03-08,P1,5.2,7.8,\n2026-03-09,P1,5.1,10.3,<0.1\n2026-03-10,P1,,,\n"
            )
        );
        Assert.Equal(8, found.Lines);
        Assert.Equal(
            ["3 Date", "4 Pond", "5 DO (mg/L)", "6 pH", "7 Date", "8 NH4 (mg/L)", "9 "],
            found.Wrong.Select(w => $"{w.Line} {w.Heading}")
        );
        Assert.Contains("3.0 to 11.5", found.Wrong[3].Text, StringComparison.Ordinal);
        var asked = Assert.Single(found.Asked);
        Assert.Equal((8, "pH"), (asked.Line, asked.Heading));
        // 5.2 with pH and TAN; pH of line 5; oxygen of lines 6 and 8; the unusual pH is left out. Ammonium by its nitrogen.
        Assert.Equal(6, entered);
        Assert.Contains(("tan", Math.Round(1.288 * 14.007 / 18.039, 6)), Kept());
        Assert.DoesNotContain(("ph", 10.3), Kept());
        // Meant after all: only that one is new, and the question stands beside it.
        Assert.Equal(1, Import(Save("Date,Pond,pH\n2026-03-09,P1,10.3\n"), withAsked: true).Entered);
        using var c = farm.File.Open();
        Assert.Equal(1, Sqlite.Number(c, "SELECT count(*) FROM confirmed"));
        // A line taken back may be imported again.
        var line = Sqlite.Number(c, "SELECT max(line) FROM reading");
        Assert.True(
            farm.Door.Enter(new(Guid.NewGuid(), "Manager", [new(farm.Clock.Now, null, "", line)], [])).Accepted
        );
        Assert.Equal(1, Import(Save("Date,Pond,pH\n2026-03-09,P1,10.3\n"), withAsked: true).Entered);
    }

    [Theory]
    [InlineData("Date,DO\n", "no lines")]
    [InlineData("Date,DO\n2026-01-01,\"5.2\n", null)]
    [InlineData("PK\u0003\u0004\0\0\n\0\0\n", "no text")]
    public void What_is_no_sheet_is_refused_in_words(string text, string? why)
    {
        if (why is not null)
            Assert.Contains(
                why,
                Assert.Throws<FarmFilesException>(() => SheetFile.Open(Save(text))).Message,
                StringComparison.Ordinal
            );
        else
            Assert.Throws<FarmFilesException>(() =>
                SheetFile.Open(Save(text + new string('x', 5000))).Rows(default).Count()
            );
    }

    [Fact]
    public async Task A_long_sheet_goes_in_whole_beside_other_writers_and_is_never_held_in_memory()
    {
        const int Lines = 30_000;
        var path = Path.Combine(folder, "large.csv");
        using (var to = new StreamWriter(path))
        {
            to.WriteLine("Date,Time,Pond,DO (mg/L),Temp (C),pH");
            var at = new DateTime(2020, 1, 1, 0, 0, 0);
            for (var i = 0; i < Lines; i++, at = at.AddMinutes(30))
                to.WriteLine(
                    string.Create(
                        CultureInfo.InvariantCulture,
                        $"{at:yyyy-MM-dd},{at:HH:mm},P1,{5 + Math.Sin(i / 7.0):0.00},{22 + (3 * Math.Sin(i / 48.0)):0.0},{7.6 + (0.3 * Math.Sin(i / 20.0)):0.00}"
                    )
                );
        }
        var sheet = SheetFile.Open(path);
        var deskPath = Path.Combine(folder, "desk.db");
        // Stopped half way, nothing is left.
        using (var stop = new CancellationTokenSource())
            Assert.Throws<OperationCanceledException>(() =>
                SheetCheck.Run(
                    farm.File,
                    sheet,
                    Guess(sheet),
                    deskPath,
                    farm.Clock.Now,
                    n =>
                    {
                        if (n > Lines / 2)
                            stop.Cancel();
                    },
                    stop.Token
                )
            );
        Assert.False(File.Exists(deskPath));
        Assert.Empty(Kept());

        var before = GC.GetTotalMemory(true);
        long most = 0;
        var told = 0;
        var (desk, found) = SheetCheck.Run(
            farm.File,
            sheet,
            Guess(sheet),
            deskPath,
            farm.Clock.Now,
            n =>
            {
                // A writer comes in while the sheet is checked: the books are free.
                if (told++ == 10)
                    farm.Must(new ReadingTaken(farm.PondId, [new(Parameter.Secchi, 0.4)]), TestFarm.Start.AddDays(300));
                if (told % 10 == 0)
                    most = Math.Max(most, GC.GetTotalMemory(true));
            },
            default
        );
        Assert.Equal((Lines, 3 * Lines, 0, 0), (found.Lines, found.Values, found.WrongCount, found.AskedCount));
        Assert.True(most - before < 30_000_000, $"{(most - before) / 1e6:0} MB held while checking");
        var entering = Task.Run(() => new SheetDoor(farm.File, farm.Clock).Enter(desk, "Manager", false));
        await Task.Delay(100);
        farm.Must(new ReadingTaken(farm.PondId, [new(Parameter.Secchi, 0.41)]), TestFarm.Start.AddDays(301));
        Assert.Equal(3 * Lines, await entering);
        var (again, none) = SheetCheck.Run(farm.File, sheet, Guess(sheet), deskPath, farm.Clock.Now, _ => { }, default);
        again.Dispose();
        Assert.Equal((0, 3 * Lines), (none.Values, none.Known));
    }
}
