using System.Diagnostics;
using System.Globalization;
using System.Net;
using Dorsk.Core.Water;
using Dorsk.Farm;
using Dorsk.Farm.Estimates;
using Dorsk.Farm.Log;
using Dorsk.Farm.Sql;
using Dorsk.Practice;
using Microsoft.Data.Sqlite;

namespace Dorsk.Bench;

/// <summary>Times everything side by side in one run; what counts are the ratios.</summary>
internal static class Speed
{
    private static readonly (string Name, string Path)[] Pages =
    [
        ("empty page", "/empty"),
        ("Today", "/"),
        ("Ponds", "/ponds"),
        ("pond book", "/ponds/P4/water"),
        ("stocking plan", "/plans/stocking?pond=P6"),
    ];
    private const double Warm = 8,
        Moved = 12,
        Started = 3,
        DoorShare = 0.4;

    public static async Task<int> Run(string app, string empty, string seed)
    {
        var folder = Directory.CreateTempSubdirectory("dorsk-speed-").FullName;
        try
        {
            File.Copy(seed, Path.Combine(folder, "farm.db"));
            var holds = await PagesAndStart(app, empty, folder);
            holds &= Door(Path.Combine(folder, "door.db"), Path.Combine(folder, "raw.db"));
            Sheet(folder);
            Forecasts();
            return holds ? 0 : 1;
        }
        finally
        {
            FarmFile.CloseIdle();
            Directory.Delete(folder, true);
        }
    }

    private static async Task<bool> PagesAndStart(string app, string empty, string folder)
    {
        var cookies = new CookieContainer();
        var arguments = $"--data {folder} --demo true --clock 2027-01-21T17:40+10:00 --rate 0";
        bool holds;
        using (var running = await RunningApp.Start(app, arguments, "/sign-in", cookies))
        {
            await running.SignIn();
            foreach (var (_, path) in Pages)
                for (var i = 0; i < 40; i++)
                    await running.Time(path);
            var warm = await Interleaved(150, running, _ => Task.CompletedTask);
            var reading = 60;
            var moved = await Interleaved(20, running, async name =>
            {
                if (name == "empty page")
                    return;
                var slip = await running.Client.GetStringAsync("/ponds/P4/slip/reading");
                (
                    await running.Post(
                        "/ponds/P4/slip/reading",
                        slip,
                        ("Day", "2027-01-21"),
                        ("Hour", "17:30"),
                        ("do", (reading++ / 10.0).ToString("0.0", CultureInfo.InvariantCulture)),
                        ("EntryId", Guid.NewGuid().ToString())
                    )
                ).Dispose();
            });
            holds = Table("warm", warm, Warm) & Table("first request after the log moved", moved, Moved);
        }
        var starts = new List<double>();
        var emptyStarts = new List<double>();
        for (var i = 0; i < 9; i++)
        {
            using (var started = await RunningApp.Start(app, arguments, "/", cookies))
                starts.Add(started.ToFirstPage.TotalMilliseconds);
            using var other = await RunningApp.Start(empty, "", "/", new());
            emptyStarts.Add(other.ToFirstPage.TotalMilliseconds);
        }
        var ratio = Median(starts) / Median(emptyStarts);
        Console.WriteLine(
            FormattableString.Invariant(
                $"\nstart to first page (Today, signed in): {Median(starts):0} ms; empty app {Median(emptyStarts):0} ms; {ratio:0.00} times (wanted at most {Started}){Verdict(ratio <= Started)}"
            )
        );
        return holds & ratio <= Started;
    }

    private static async Task<Dictionary<string, List<double>>> Interleaved(
        int rounds,
        RunningApp app,
        Func<string, Task> before
    )
    {
        var times = Pages.ToDictionary(p => p.Name, _ => new List<double>());
        for (var i = 0; i < rounds; i++)
            foreach (var (name, path) in Pages)
            {
                await before(name);
                times[name].Add(await app.Time(path));
            }
        return times;
    }

    private static bool Table(string title, Dictionary<string, List<double>> times, double most)
    {
        var floor = Median(times["empty page"]);
        var holds = true;
        Console.WriteLine($"\n{title, -36}  median ms   95 % ms   by empty");
        foreach (var (name, list) in times)
        {
            var ratio = Median(list) / floor;
            // Today and pond book are held; Ponds is shown beside them.
            var held = name is not ("Today" or "pond book") || ratio <= most;
            holds &= held;
            Console.WriteLine(
                FormattableString.Invariant(
                    $"{name, -36}  {Median(list), 9:0.00} {list.Order().ElementAt((int)(list.Count * 0.95)), 9:0.00} {ratio, 10:0.0}{(name is "Today" or "pond book" ? FormattableString.Invariant($"  (wanted at most {most:0}){Verdict(held)}") : "")}"
                )
            );
        }
        return holds;
    }

    private static bool Door(string doorPath, string rawPath)
    {
        const int entries = 400;
        var file = new FarmFile(doorPath);
        file.Prepare();
        var door = new Door(file, TimeProvider.System);
        var pond = Burst.Founded(file, door);
        var start = DateTimeOffset.UtcNow.AddDays(-1);
        Entry Reading(int i) =>
            Entry.Of(
                Guid.NewGuid(),
                "bench",
                start.AddSeconds(i),
                new ReadingTaken(pond, [new(Parameter.Oxygen, 6), new(Parameter.Temperature, 25)])
            );
        for (var i = 0; i < 50; i++)
            door.Enter(Reading(i));
        FarmFile.Settle(doorPath);
        File.Copy(doorPath, rawPath);
        using var raw = new FarmFile(rawPath).Open();
        using var entry = Prepared(raw, "INSERT INTO entry VALUES ($a, $b, 'bench')", "a", "b");
        using var log = Prepared(
            raw,
            "INSERT INTO log(entry, n, kind, pond, happened, entered, author, as_typed) VALUES ($a, 0, 'ReadingTaken', $b, $c, $c, 'bench', '') RETURNING line",
            "a",
            "b",
            "c"
        );
        using var reading = Prepared(
            raw,
            "INSERT INTO reading(line, n, pond, parameter, value, depth_m, instrument) VALUES ($a, $b, $c, $d, $e, NULL, '')",
            "a",
            "b",
            "c",
            "d",
            "e"
        );
        TimeSpan doorTook = TimeSpan.Zero,
            rawTook = TimeSpan.Zero;
        // By turns, so that both meet the same disk.
        for (var part = 0; part < 4; part++)
        {
            var watch = Stopwatch.StartNew();
            for (var i = 0; i < entries / 4; i++)
                door.Enter(Reading(1000 + (part * entries) + i));
            doorTook += watch.Elapsed;
            watch.Restart();
            for (var i = 0; i < entries / 4; i++)
            {
                using var t = raw.BeginTransaction();
                var id = Guid.NewGuid().ToString();
                Fill(entry, t, id, 1L).ExecuteNonQuery();
                var line = (long)Fill(log, t, id, pond, start.ToUnixTimeMilliseconds() + i).ExecuteScalar()!;
                Fill(reading, t, line, 0L, pond, "do", 6.0).ExecuteNonQuery();
                Fill(reading, t, line, 1L, pond, "temp", 25.0).ExecuteNonQuery();
                t.Commit();
            }
            rawTook += watch.Elapsed;
        }
        var share = rawTook / doorTook;
        Console.WriteLine(
            FormattableString.Invariant(
                $"\ndoor: {entries / doorTook.TotalSeconds:0} entries a second; raw prepared inserts with the same durability {entries / rawTook.TotalSeconds:0}; {share:0.00} of them (wanted at least {DoorShare}){Verdict(share >= DoorShare)}"
            )
        );
        return share >= DoorShare;
    }

    // A sheet of readings: checked on its desk and entered, beside bare inserts of as many rows.
    private static void Sheet(string folder)
    {
        const int lines = 50_000;
        var file = new FarmFile(Path.Combine(folder, "sheet.db"));
        file.Prepare();
        Burst.Founded(file, new Door(file, TimeProvider.System));
        var path = Path.Combine(folder, "sheet.csv");
        var at = new DateTime(2020, 1, 1, 0, 0, 0, DateTimeKind.Unspecified);
        File.WriteAllLines(
            path,
            Enumerable
                .Range(0, lines)
                .Select(i =>
                    string.Create(
                        CultureInfo.InvariantCulture,
                        $"{at.AddMinutes(30 * i):yyyy-MM-dd},{at.AddMinutes(30 * i):HH:mm},P1,{5 + Math.Sin(i / 7.0):0.00}"
                    )
                )
                .Prepend("Date,Time,Pond,DO (mg/L)")
        );
        var sheet = Farm.Files.SheetFile.Open(path);
        var columns = sheet
            .Headings.Select(h => Core.Sheets.SheetGuess.Column(h, Core.Units.UnitSystem.Metric))
            .ToList();
        var map = new Core.Sheets.SheetMap(columns, Core.Units.DecimalSign.Point, Core.Sheets.DayOrder.DayFirst, "");
        var watch = Stopwatch.StartNew();
        var (desk, found) = Farm.Files.SheetCheck.Run(
            file,
            sheet,
            map,
            Path.Combine(folder, "desk.db"),
            DateTimeOffset.UtcNow,
            _ => { },
            default
        );
        var looked = watch.Elapsed;
        watch.Restart();
        var entered = new SheetDoor(file, TimeProvider.System).Enter(desk, "bench", true);
        var took = watch.Elapsed;
        watch.Restart();
        using var raw = new SqliteConnection("Data Source=" + Path.Combine(folder, "bare.db"));
        raw.Open();
        Sqlite.Run(
            raw,
            "CREATE TABLE bare (line INTEGER PRIMARY KEY, pond INTEGER, parameter TEXT, value REAL) STRICT"
        );
        using (var all = raw.BeginTransaction())
        {
            using var put = Prepared(raw, "INSERT INTO bare VALUES ($a, 1, 'do', $b)", "a", "b");
            for (var i = 0; i < lines; i++)
                Fill(put, all, (long)i, 5.5).ExecuteNonQuery();
            all.Commit();
        }
        Console.WriteLine(
            FormattableString.Invariant(
                $"sheet: {found.Lines} lines checked in {looked.TotalSeconds:0.0} s, {entered} values entered in {took.TotalSeconds:0.0} s; bare inserts {watch.Elapsed.TotalSeconds:0.0} s"
            )
        );
    }

    // Nights of ponds nobody asked before: each learns from its own past, as on a farm that opens in the morning.
    private static void Forecasts()
    {
        const int ponds = 100,
            nightsOfEach = 10;
        var asked = new List<(PondStory Story, DateTimeOffset At)>();
        foreach (var pond in Enumerable.Range(1, ponds).Select(seed => new WideNights(WideWorld.Power, seed)))
        foreach (var night in pond.Nights.TakeLast(nightsOfEach))
            asked.Add(
                (
                    ToldStory.Of(pond.Farm, pond.Pond, [], [.. pond.Told.TakeWhile(t => t.At <= night.AskedAt)]),
                    night.AskedAt
                )
            );
        var watch = Stopwatch.StartNew();
        var told = asked.Count(a => a.Story.Night.At(a.At).Forecast is not null);
        Console.WriteLine(
            FormattableString.Invariant(
                $"nights: {told} of {asked.Count} ponds told in {watch.Elapsed.TotalSeconds:0.0} s, each from up to 24 past nights"
            )
        );
    }

    private static SqliteCommand Prepared(SqliteConnection c, string sql, params string[] names)
    {
        var command = c.CreateCommand();
        command.CommandText = sql;
        foreach (var name in names)
            command.Parameters.Add(new SqliteParameter("$" + name, null));
        return command;
    }

    private static SqliteCommand Fill(SqliteCommand command, SqliteTransaction transaction, params object[] values)
    {
        command.Transaction = transaction;
        for (var i = 0; i < values.Length; i++)
            command.Parameters[i].Value = values[i];
        return command;
    }

    private static double Median(List<double> values) => values.Order().ElementAt(values.Count / 2);

    private static string Verdict(bool holds) => holds ? "" : "  DOES NOT HOLD";
}
