using System.Diagnostics;
using System.Globalization;
using System.Net;
using System.Net.Http.Json;
using Dorsk.Core.People;
using Dorsk.Core.Ponds;
using Dorsk.Core.Stock;
using Dorsk.Core.Time;
using Dorsk.Core.Units;
using Dorsk.Core.Water;
using Dorsk.Farm;
using Dorsk.Farm.Ask;
using Dorsk.Farm.Log;
using Dorsk.Farm.Sql;
using Dorsk.Farm.State;
using Microsoft.Data.Sqlite;

namespace Dorsk.Bench;

/// <summary>Sixty ponds with five years of oxygen by the quarter hour, written through the door; then the night board and a pond's chart beside the empty page, and readings over HTTP beside bare inserts.</summary>
internal static class ManyProbes
{
    private const int Ponds = 60,
        Years = 5,
        Batch = 5000;
    private const double Warm = 10,
        Moved = 30,
        LeastShare = 0.3;
    private static readonly DateTimeOffset Now = new(2027, 1, 21, 7, 40, 0, TimeSpan.Zero),
        From = Now.AddYears(-Years);
    private static readonly FarmZone Zone = FarmZone.Find("Etc/GMT-10")!;
    private static readonly string[] Pages =
    [
        "/empty",
        "/oxygen",
        "/ponds/P07/course/do?days=3",
        "/ponds/P07/course/do?days=30",
        "/ponds/P07/course/do?days=400",
        "/ponds/P07/course/do?days=3660",
        "/ponds/P07/water",
    ];

    public static async Task<int> Run(string app, string folder)
    {
        Directory.CreateDirectory(folder);
        var (path, keys) = (Path.Combine(folder, "farm.db"), new List<string>());
        if (!File.Exists(path))
            Write(path);
        var file = new FarmFile(path);
        file.Prepare();
        var (questions, all) = (new Questions(file), new DeviceKeys(file));
        foreach (var d in questions.Devices().Where(d => d.Kept.Use == DeviceUse.Probe))
            keys.Add(all.Renew(d.Kept.DeviceId));
        FarmFile.Settle(path);
        using (var c = file.Open())
            Console.WriteLine(
                string.Create(
                    CultureInfo.InvariantCulture,
                    $"{Sqlite.Number(c, "SELECT count(*) FROM probe_value"):N0} values of {Ponds} ponds in {Years} years; data file {new FileInfo(path).Length / 1e6:N0} MB"
                )
            );
        bool holds;
        using (
            var running = await RunningApp.Start(
                app,
                $"--data {folder} --demo true --clock {Now:O} --rate 0 --alarm-look 600",
                "/sign-in",
                new CookieContainer()
            )
        )
        {
            await running.SignIn();
            var watch = Stopwatch.StartNew();
            await running.Time("/oxygen");
            Console.WriteLine(
                FormattableString.Invariant(
                    $"first look at the night board of a program just started: {watch.Elapsed.TotalSeconds:0.0} s"
                )
            );
            foreach (var page in Pages)
                for (var i = 0; i < 15; i++)
                    await running.Time(page);
            holds = Table("warm", await Times(running, 60, () => Task.CompletedTask), Warm);
            var sent = 0;
            holds &= Table(
                "first request after a reading came",
                await Times(running, 20, () => Send(running, keys[6], [(Now.AddMinutes(-60).AddSeconds(++sent), 5.5)])),
                Moved
            );
            holds &= await Ingest(running, keys, path);
        }
        FarmFile.CloseIdle();
        return holds ? 0 : 1;
    }

    private static async Task<Dictionary<string, List<double>>> Times(RunningApp app, int rounds, Func<Task> before)
    {
        var times = Pages.ToDictionary(p => p, _ => new List<double>());
        for (var i = 0; i < rounds; i++)
            foreach (var page in Pages)
            {
                if (page != Pages[0])
                    await before();
                times[page].Add(await app.Time(page));
            }
        return times;
    }

    private static bool Table(string title, Dictionary<string, List<double>> times, double most)
    {
        double Median(string page) => times[page].Order().ElementAt(times[page].Count / 2);
        var floor = Median(Pages[0]);
        Console.WriteLine($"\n{title, -36}  median ms   95 % ms   by empty");
        foreach (var page in Pages)
            Console.WriteLine(
                FormattableString.Invariant(
                    $"{page, -36}  {Median(page), 9:0.00} {times[page].Order().ElementAt((int)(times[page].Count * 0.95)), 9:0.00} {Median(page) / floor, 10:0.0}  {(page == Pages[0] ? "" : Median(page) / floor <= most ? $"(wanted at most {most})" : $"(wanted at most {most}) DOES NOT HOLD")}"
                )
            );
        return Pages.All(p => Median(p) / floor <= most);
    }

    // By turns, so that both meet the same disk: batches over HTTP, and prepared inserts into a copy of the table with the same durability.
    private static async Task<bool> Ingest(RunningApp app, List<string> keys, string path)
    {
        using var raw = new FarmFile(path + ".raw").Open();
        Sqlite.Run(
            raw,
            "CREATE TABLE IF NOT EXISTS probe_value (pond INTEGER NOT NULL, parameter TEXT NOT NULL, at INTEGER NOT NULL, device INTEGER NOT NULL, value REAL NOT NULL, line INTEGER NOT NULL, PRIMARY KEY (pond, parameter, at, device)) STRICT, WITHOUT ROWID"
        );
        Sqlite.Run(raw, $"ATTACH '{path}' AS farm");
        if (Sqlite.Number(raw, "SELECT count(*) FROM main.probe_value") == 0)
            Sqlite.Run(raw, "INSERT INTO main.probe_value SELECT * FROM farm.probe_value");
        Sqlite.Run(raw, "DETACH farm");
        using var put = raw.CreateCommand();
        put.CommandText = "INSERT OR IGNORE INTO probe_value VALUES ($pond, 'do', $at, 1, $value, 1)";
        foreach (var name in new[] { "$pond", "$at", "$value" })
            put.Parameters.Add(new SqliteParameter(name, null));
        TimeSpan http = TimeSpan.Zero,
            bare = TimeSpan.Zero;
        const int rounds = 40;
        var chance = new Random(7);
        for (var round = 0; round < rounds; round++)
        {
            var key = round % keys.Count;
            // New instants between the quarter hours of the last years: as buoys that were long off the air.
            var batch = Enumerable
                .Range(0, Batch)
                .Select(i =>
                    (
                        Now.AddDays(-60 - round).AddMinutes(-i * 15).AddSeconds(-1 - chance.Next(800)),
                        Math.Round(3 + (6 * chance.NextDouble()), 2)
                    )
                )
                .ToList();
            var watch = Stopwatch.StartNew();
            await Send(app, keys[key], batch);
            http += watch.Elapsed;
            watch.Restart();
            using (var t = raw.BeginTransaction())
            {
                put.Transaction = t;
                foreach (var (at, v) in batch)
                {
                    (put.Parameters[0].Value, put.Parameters[1].Value, put.Parameters[2].Value) = (
                        key + 2,
                        at.ToUnixTimeMilliseconds(),
                        v
                    );
                    put.ExecuteNonQuery();
                }
                t.Commit();
            }
            bare += watch.Elapsed;
        }
        var share = bare / http;
        Console.WriteLine(
            string.Create(
                CultureInfo.InvariantCulture,
                $"\nreadings over HTTP in batches of {Batch}: {rounds * Batch / http.TotalSeconds:N0} values a second; bare prepared inserts into such a table {rounds * Batch / bare.TotalSeconds:N0}; {share:0.00} of them (wanted at least {LeastShare}){(share >= LeastShare ? "" : " DOES NOT HOLD")}"
            )
        );
        return share >= LeastShare;
    }

    private static async Task Send(RunningApp app, string key, IReadOnlyList<(DateTimeOffset At, double MgL)> values)
    {
        using var message = new HttpRequestMessage(HttpMethod.Post, "/api/readings")
        {
            Content = JsonContent.Create(
                new
                {
                    readings = values.Select(v => new
                    {
                        at = v.At,
                        what = "do",
                        value = v.MgL,
                        unit = "mg/L",
                    }),
                }
            ),
        };
        message.Headers.Authorization = new("Bearer", key);
        using var answer = await app.Client.SendAsync(message);
        answer.EnsureSuccessStatusCode();
    }

    private static void Write(string path)
    {
        var file = new FarmFile(path);
        file.Prepare();
        new MadeAs(file).MarkDemo();
        var clock = new SetClock { Now = From };
        var door = new Door(file, clock);
        long Enter(Core.Judging.Fact fact, DateTimeOffset at) =>
            door.Enter(Entry.Of(Guid.NewGuid(), "Manager", at, fact)) is { Accepted: true } r
                ? r.Lines[0]
                : throw new InvalidOperationException(fact.ToString());
        Enter(new PersonNamed("Manager", Role.Manager), From);
        Enter(
            new FarmDescribed("Many ponds", "made up", new Place(-29.4, 152.6), 60, "Etc/GMT-10", Hand.Metric, "AUD"),
            From
        );
        var all = Enumerable
            .Range(1, Ponds)
            .Select(i =>
            {
                var pond = Enter(
                    new PondBuilt(
                        new Pond(
                            0,
                            FormattableString.Invariant($"P{i:00}"),
                            "",
                            PondKind.Earthen,
                            new SlopedRectangle(70, 55, 1.5, 2),
                            "grow-out"
                        )
                    ),
                    From
                );
                Enter(
                    new AeratorsFitted(
                        pond,
                        [
                            .. Enumerable
                                .Range(1, 4)
                                .Select(a => new Aerator(
                                    "A" + a,
                                    AeratorKind.All[1],
                                    1.1,
                                    a < 3 ? new(20, 0) : null,
                                    a < 3 ? new(6, 30) : null
                                )),
                        ]
                    ),
                    From
                );
                return (
                    Pond: pond,
                    Probe: Enter(
                        new DeviceKept(
                            0,
                            FormattableString.Invariant($"Buoy P{i:00}"),
                            DeviceUse.Probe,
                            pond,
                            0.5,
                            false
                        ),
                        From
                    )
                );
            })
            .ToList();
        clock.Now = Now;
        foreach (var (pond, _) in all)
            Enter(
                new FishStocked(pond, "silver_perch", "made up", 8000, 40, CountBasis.ByWeight, "bench", null),
                Now.AddDays(-150)
            );
        var watch = Stopwatch.StartNew();
        var rows = 0L;
        foreach (var ((pond, probe), i) in all.Select((a, i) => (a, i)))
        {
            var quarters = (int)((Now - From).TotalMinutes / 15);
            foreach (var part in Enumerable.Range(1, quarters).Chunk(Batch))
            {
                var values = part.SelectMany(q => Values(i, From.AddMinutes(15 * q))).ToList();
                foreach (var some in values.Chunk(Batch))
                    Enter(new ProbeSeriesReceived(probe, pond, some), some[^1].At);
                rows += values.Count;
            }
            if (i % 10 == 9)
                Console.WriteLine(
                    string.Create(
                        CultureInfo.InvariantCulture,
                        $"  {i + 1} ponds, {rows:N0} values, {rows / watch.Elapsed.TotalSeconds:N0} a second through the door"
                    )
                );
        }
    }

    // A day of sun, a night of breathing, ponds apart by their number; temperature hourly over the last month, for the forecasts.
    private static IEnumerable<ProbeValue> Values(int pond, DateTimeOffset at)
    {
        var local = Zone.LocalAt(at);
        var hour = local.TimeOfDay.TotalHours;
        yield return new(
            Parameter.Oxygen,
            at,
            Math.Round(
                6.2
                    + (0.02 * pond)
                    + (2.6 * Math.Cos(2 * Math.PI * (hour - 16) / 24))
                    + (0.4 * Math.Sin(local.DayOfYear + pond)),
                2
            )
        );
        if (local.Minute == 0 && Now - at < TimeSpan.FromDays(30))
            yield return new(Parameter.Temperature, at, Math.Round(26 + Math.Cos(2 * Math.PI * (hour - 15) / 24), 1));
    }
}
