using System.Collections.Concurrent;
using System.Diagnostics;
using System.Globalization;
using System.Net;
using System.Net.Http.Json;
using System.Text;
using System.Text.Json;
using System.Text.RegularExpressions;
using Dorsk.Core.Feeding;
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

namespace Dorsk.Bench;

/// <summary>A busy evening: sixty ponds, sixty posts of probes a second, twenty phones that look at Today, walk the round and send what they wrote. Errors, and how long pages take meanwhile, beside the same pages without the load.</summary>
internal static partial class Load
{
    private const int Ponds = 60,
        Phones = 20,
        PostsPerSecond = 60;
    private const double MostMs = 300;
    private static readonly DateTimeOffset Now = new(2027, 1, 21, 9, 0, 0, TimeSpan.Zero);

    public static async Task<int> Run(string app, string folder, int seconds)
    {
        Directory.CreateDirectory(folder);
        var path = Path.Combine(folder, "farm.db");
        if (!File.Exists(path))
            Write(path);
        var file = new FarmFile(path);
        file.Prepare();
        var (questions, all) = (new Questions(file), new DeviceKeys(file));
        var keys = questions.Devices().Select(d => all.Renew(d.Kept.DeviceId)).ToList();
        FarmFile.CloseIdle();
        // The clock goes on from the newest line where an earlier run left it.
        using var running = await RunningApp.Start(
            app,
            $"--data {folder} --demo true --clock {Now:O} --rate 1",
            "/sign-in",
            new CookieContainer()
        );
        await running.SignIn();
        var (quiet, busy, errors) = (
            new ConcurrentDictionary<string, ConcurrentBag<double>>(),
            new ConcurrentDictionary<string, ConcurrentBag<double>>(),
            new ConcurrentBag<string>()
        );
        for (var i = 0; i < 30; i++)
            foreach (var page in new[] { "/", "/round" })
                await Page(running, page, quiet, errors);
        var until = Environment.TickCount64 + (1000L * seconds);
        var posted = 0;
        var probes = keys.Select(
                (key, i) => Post(running, key, i, () => Interlocked.Increment(ref posted), busy, errors, until)
            )
            .ToList();
        var phones = Enumerable.Range(0, Phones).Select(i => Phone(running, i, busy, errors, until)).ToList();
        await Task.WhenAll([.. probes, .. phones]);
        Console.WriteLine(
            string.Create(
                CultureInfo.InvariantCulture,
                $"{Ponds} ponds, {Phones} phones, {posted / (double)seconds:0.0} posts of probes a second for {seconds} s; {errors.Count} errors"
            )
        );
        foreach (var error in errors.Take(5))
            Console.WriteLine("  " + error);
        Console.WriteLine("\n                    quiet, median ms   under load, median ms   95 % ms   requests");
        var holds = errors.IsEmpty;
        foreach (var (what, times) in busy.OrderBy(b => b.Key))
        {
            double At(ConcurrentBag<double> of, double share) => of.Order().ElementAt((int)(of.Count * share));
            var limited = what is "/" or "/round";
            holds &= !limited || At(times, 0.5) <= MostMs;
            Console.WriteLine(
                string.Create(
                    CultureInfo.InvariantCulture,
                    $"{what, -18}  {(quiet.TryGetValue(what, out var q) ? At(q, 0.5) : double.NaN), 16:0.0}   {At(times, 0.5), 21:0.0}   {At(times, 0.95), 7:0.0}   {times.Count, 8}  {(limited ? $"(wanted at most {MostMs})" + (At(times, 0.5) <= MostMs ? "" : " DOES NOT HOLD") : "")}"
                )
            );
        }
        return holds ? 0 : 1;
    }

    private static async Task Page(
        RunningApp app,
        string path,
        ConcurrentDictionary<string, ConcurrentBag<double>> times,
        ConcurrentBag<string> errors
    )
    {
        var watch = Stopwatch.StartNew();
        using var answer = await app.Client.GetAsync(path);
        await answer.Content.ReadAsByteArrayAsync();
        times.GetOrAdd(path, _ => []).Add(watch.Elapsed.TotalMilliseconds);
        if (answer.StatusCode != HttpStatusCode.OK)
            errors.Add($"{path} answered {(int)answer.StatusCode}");
    }

    // Each pond's probe once a second, a value a time.
    private static async Task Post(
        RunningApp app,
        string key,
        int i,
        Action posted,
        ConcurrentDictionary<string, ConcurrentBag<double>> times,
        ConcurrentBag<string> errors,
        long until
    )
    {
        var chance = new Random(i);
        await Task.Delay(1000 * i / PostsPerSecond);
        using var timer = new PeriodicTimer(TimeSpan.FromSeconds(Ponds / (double)PostsPerSecond));
        while (Environment.TickCount64 < until)
        {
            var watch = Stopwatch.StartNew();
            using var message = new HttpRequestMessage(HttpMethod.Post, "/api/readings")
            {
                Content = new StringContent(
                    JsonSerializer.Serialize(
                        new
                        {
                            sent = DateTimeOffset.UtcNow,
                            readings = new[]
                            {
                                new
                                {
                                    at = DateTimeOffset.UtcNow,
                                    what = "do",
                                    value = Math.Round(5.5 + chance.NextDouble(), 2),
                                },
                            },
                        }
                    ),
                    Encoding.UTF8,
                    "application/json"
                ),
            };
            message.Headers.Authorization = new("Bearer", key);
            try
            {
                using var answer = await app.Client.SendAsync(message);
                var body = await answer.Content.ReadAsStringAsync();
                times.GetOrAdd("post of a probe", _ => []).Add(watch.Elapsed.TotalMilliseconds);
                posted();
                if (answer.StatusCode != HttpStatusCode.OK || !body.Contains("\"kept\":1", StringComparison.Ordinal))
                    errors.Add($"a probe got {(int)answer.StatusCode} {body[..Math.Min(120, body.Length)]}");
            }
            catch (HttpRequestException problem)
            {
                errors.Add("a probe: " + problem.Message);
            }
            await timer.WaitForNextTickAsync();
        }
    }

    // Somebody on the bank: a look at Today, the round, a stop sent, a breath between.
    private static async Task Phone(
        RunningApp app,
        int i,
        ConcurrentDictionary<string, ConcurrentBag<double>> times,
        ConcurrentBag<string> errors,
        long until
    )
    {
        var chance = new Random(1000 + i);
        var token = Token().Match(await app.Client.GetStringAsync("/me")).Groups[1].Value;
        while (Environment.TickCount64 < until)
        {
            await Page(app, "/", times, errors);
            await Task.Delay(chance.Next(1000, 3000));
            await Page(app, "/round", times, errors);
            await Task.Delay(chance.Next(1000, 3000));
            var at = DateTimeOffset.UtcNow.ToUnixTimeMilliseconds();
            var stops = new
            {
                phoneNow = at,
                stops = new[]
                {
                    new
                    {
                        id = Guid.NewGuid(),
                        pond = FormattableString.Invariant($"P{chance.Next(1, Ponds + 1):00}"),
                        at,
                        values = new Dictionary<string, string>
                        {
                            ["temp"] = (25 + chance.NextDouble()).ToString("0.0", CultureInfo.InvariantCulture),
                        },
                    },
                },
            };
            using var message = new HttpRequestMessage(HttpMethod.Post, "/round?handler=Keep")
            {
                Content = JsonContent.Create(stops),
            };
            message.Headers.Add("RequestVerificationToken", token);
            var watch = Stopwatch.StartNew();
            using var answer = await app.Client.SendAsync(message);
            var body = await answer.Content.ReadAsStringAsync();
            times.GetOrAdd("stop of a round", _ => []).Add(watch.Elapsed.TotalMilliseconds);
            if (answer.StatusCode != HttpStatusCode.OK || !body.Contains("\"kept\":true", StringComparison.Ordinal))
                errors.Add($"a stop got {(int)answer.StatusCode} {body[..Math.Min(160, body.Length)]}");
        }
    }

    private static void Write(string path)
    {
        var file = new FarmFile(path);
        file.Prepare();
        new MadeAs(file).MarkDemo();
        var clock = new SetClock { Now = Now.AddDays(-91) };
        var door = new Door(file, clock);
        long Enter(Core.Judging.Fact fact, DateTimeOffset at) =>
            door.Enter(Entry.Of(Guid.NewGuid(), "Manager", at, fact)) is { Accepted: true } r
                ? r.Lines[0]
                : throw new InvalidOperationException(fact.ToString());
        Enter(new PersonNamed("Manager", Role.Manager), clock.Now);
        Enter(
            new FarmDescribed("Busy ponds", "made up", new Place(-29.4, 152.6), 60, "Etc/GMT-10", Hand.Metric, "AUD"),
            clock.Now
        );
        var feed = Enter(new FeedNamed(0, "Grower", 4, 35, 215), clock.Now);
        for (var i = 1; i <= Ponds; i++)
        {
            clock.Now = Now.AddDays(-91);
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
                clock.Now
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
                clock.Now
            );
            var probe = Enter(
                new DeviceKept(0, FormattableString.Invariant($"Buoy P{i:00}"), DeviceUse.Probe, pond, 0.5, false),
                clock.Now
            );
            clock.Now = Now.AddMinutes(-1);
            Enter(
                new FishStocked(pond, "silver_perch", "made up", 8000, 60, CountBasis.ByWeight, "bench", null),
                Now.AddDays(-90)
            );
            var days = Enumerable.Range(1, 89).Select(d => Now.AddDays(-90 + d)).ToList();
            door.Enter(
                new Entry(
                    Guid.NewGuid(),
                    "Pond hand",
                    [
                        .. days.SelectMany(d =>
                            new NewLine[]
                            {
                                new(
                                    d.AddHours(-12),
                                    new ReadingTaken(
                                        pond,
                                        [new(Parameter.Oxygen, 5.2 + (i % 5 * 0.1)), new(Parameter.Temperature, 25.5)]
                                    ),
                                    "",
                                    null
                                ),
                                new(d.AddHours(-1), new FeedingGiven(pond, feed, 12), "", null),
                                new(
                                    d,
                                    new ReadingTaken(
                                        pond,
                                        [new(Parameter.Oxygen, 7.9), new(Parameter.Temperature, 26.5)]
                                    ),
                                    "",
                                    null
                                ),
                            }
                        ),
                    ],
                    []
                )
            );
            Enter(
                new ProbeSeriesReceived(
                    probe,
                    pond,
                    [
                        .. Enumerable
                            .Range(1, 14 * 96)
                            .Select(q => new ProbeValue(
                                Parameter.Oxygen,
                                Now.AddMinutes(-15 * q),
                                Math.Round(6.2 + (2 * Math.Cos(2 * Math.PI * (q / 96.0))), 2)
                            )),
                    ]
                ),
                Now.AddMinutes(-1)
            );
        }
        FarmFile.Settle(path);
    }

    [GeneratedRegex("name=\"__RequestVerificationToken\" type=\"hidden\" value=\"([^\"]+)\"")]
    private static partial Regex Token();
}
