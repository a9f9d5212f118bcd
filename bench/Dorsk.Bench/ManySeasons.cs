using System.Globalization;
using System.Net;
using Dorsk.Core.Feeding;
using Dorsk.Core.People;
using Dorsk.Core.Plans;
using Dorsk.Core.Ponds;
using Dorsk.Core.Stock;
using Dorsk.Core.Time;
using Dorsk.Core.Units;
using Dorsk.Core.Water;
using Dorsk.Farm;
using Dorsk.Farm.Log;
using Dorsk.Farm.Sql;

namespace Dorsk.Bench;

/// <summary>Sixty ponds with three years of cycles, samples, feed and plans, written through the door; then the season beside the empty page, and how long a moved day takes.</summary>
internal static class ManySeasons
{
    private const int Ponds = 60,
        FewYears = 3,
        CycleDays = 400,
        SampleEvery = 28;
    private const double Warm = 10,
        MoveMs = 200;
    private static readonly DateTimeOffset Now = new(2027, 1, 21, 7, 40, 0, TimeSpan.Zero);
    private static readonly FarmZone Zone = FarmZone.Find("Etc/GMT-10")!;

    public static async Task<int> Run(string app, string folder)
    {
        Directory.CreateDirectory(folder);
        var path = Path.Combine(folder, "farm.db");
        if (!File.Exists(path))
            Write(path, FewYears);
        FarmFile.Settle(path);
        using (var c = new FarmFile(path).Open())
            Console.WriteLine(
                string.Create(
                    CultureInfo.InvariantCulture,
                    $"{Ponds} ponds, {FewYears} years: {Sqlite.Number(c, "SELECT count(*) FROM log"):N0} lines, {Sqlite.Number(c, "SELECT count(*) FROM stocking"):N0} batches, {Sqlite.Number(c, "SELECT count(*) FROM harvest_planned"):N0} and {Sqlite.Number(c, "SELECT count(*) FROM cycle_planned"):N0} plans; data file {new FileInfo(path).Length / 1e6:N0} MB"
                )
            );
        using var running = await RunningApp.Start(
            app,
            $"--data {folder} --demo true --clock {Now:O} --rate 0 --alarm-look 600",
            "/sign-in",
            new CookieContainer()
        );
        await running.SignIn();
        var first = await running.Time("/season");
        Console.WriteLine(
            FormattableString.Invariant($"first look at the season of a program just started: {first / 1000:0.0} s")
        );
        var html = await running.Client.GetStringAsync("/season");
        var keys = System
            .Text.RegularExpressions.Regex.Matches(html, "name=\"(h[0-9]+-[0-9]+)\"")
            .Select(m => m.Groups[1].Value)
            .ToList();
        string Moved(int i) =>
            FormattableString.Invariant(
                $"/season?handler=Part&{keys[i % keys.Count]}={Zone.DayOf(Now).AddDays(30 + (i * 7 % 300)):yyyy-MM-dd}"
            );
        for (var i = 0; i < 40; i++)
            await running.Time(i % 2 == 0 ? "/season" : Moved(i));
        List<double> empty = [],
            season = [],
            moved = [];
        for (var i = 0; i < 80; i++)
        {
            empty.Add(await running.Time("/empty"));
            season.Add(await running.Time("/season"));
            moved.Add(await running.Time(Moved(1000 + i)));
        }
        double Median(List<double> t) => t.Order().ElementAt(t.Count / 2);
        double Most(List<double> t) => t.Order().ElementAt((int)(t.Count * 0.95));
        var ratio = Median(season) / Median(empty);
        Console.WriteLine(
            FormattableString.Invariant($"page of {html.Length / 1024} kB\n{"", -22} median ms   95 % ms   by empty")
        );
        foreach (var (name, t) in new[] { ("empty page", empty), ("season", season), ("a day moved", moved) })
            Console.WriteLine(
                FormattableString.Invariant(
                    $"{name, -22} {Median(t), 9:0.00} {Most(t), 9:0.00} {Median(t) / Median(empty), 10:0.0}"
                )
            );
        var holds = ratio <= Warm && Most(moved) <= MoveMs;
        Console.WriteLine(
            FormattableString.Invariant(
                $"season {ratio:0.0} times the empty page (wanted at most {Warm}){(ratio <= Warm ? "" : " DOES NOT HOLD")}; a moved day answered in {Most(moved):0} ms nineteen times in twenty (wanted at most {MoveMs}){(Most(moved) <= MoveMs ? "" : " DOES NOT HOLD")}"
            )
        );
        FarmFile.CloseIdle();
        return holds ? 0 : 1;
    }

    /// <summary>Writes the ponds with so many years behind them.</summary>
    internal static void Write(string path, int years)
    {
        var from = Now.AddYears(-years);
        var file = new FarmFile(path);
        file.Prepare();
        new Farm.State.MadeAs(file).MarkDemo();
        var clock = new SetClock { Now = from };
        var door = new Door(file, clock);
        long Enter(Core.Judging.Fact fact, DateTimeOffset at) =>
            door.Enter(Entry.Of(Guid.NewGuid(), "Manager", at, fact)) is { Accepted: true } r
                ? r.Lines[0]
                : throw new InvalidOperationException(fact.ToString());
        Enter(new PersonNamed("Manager", Role.Manager), from);
        Enter(
            new FarmDescribed("Many ponds", "made up", new Place(-29.4, 152.6), 60, "Etc/GMT-10", Hand.Metric, "AUD"),
            from
        );
        var feeds = new[] { (1.0, "crumble"), (2.0, "starter"), (4.0, "grower") }
            .Select(f => Enter(new FeedNamed(0, f.Item2, f.Item1, 38, 215), from))
            .ToList();
        var ponds = Enumerable
            .Range(1, Ponds)
            .Select(i =>
                Enter(
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
                    from
                )
            )
            .ToList();
        foreach (var pond in ponds)
            Enter(
                new AeratorsFitted(
                    pond,
                    [
                        .. Enumerable
                            .Range(1, 4)
                            .Select(a => new Aerator("A" + a, AeratorKind.All[1], 1.1, new(20, 0), new(6, 30))),
                    ]
                ),
                from
            );
        clock.Now = Now;
        foreach (var (pond, i) in ponds.Select((p, i) => (p, i)))
        {
            Pond(door, Enter, pond, (i, from), feeds);
            if (i % 10 == 9)
                Console.WriteLine($"  {i + 1} ponds");
        }
        // A load of each kind every two months, with its own lot.
        foreach (var feed in feeds)
            for (var at = from.AddHours(1); at < Now; at = at.AddDays(60))
                Enter(new FeedReceived(feed, FormattableString.Invariant($"L{at:yyMM}"), 40_000, null), at);
    }

    private static void Pond(
        Door door,
        Func<Core.Judging.Fact, DateTimeOffset, long> enter,
        long pond,
        (int I, DateTimeOffset From) place,
        List<long> feeds
    )
    {
        var (i, from) = place;
        // Cycles lie apart from pond to pond; the last one stands.
        for (var begin = from.AddDays(1 + (i * 6)); begin < Now.AddDays(-20); begin = begin.AddDays(CycleDays + 25))
        {
            var batch = enter(
                new FishStocked(pond, "silver_perch", "made up", 7000, 20, CountBasis.ByWeight, "bench", 500),
                begin
            );
            var lines = new List<NewLine>();
            for (var day = 1; day < CycleDays && begin.AddDays(day) < Now; day++)
            {
                var at = begin.AddDays(day);
                var meanG = 20 + (1.25 * day);
                lines.Add(
                    new(
                        at,
                        new FeedingGiven(
                            pond,
                            feeds[
                                meanG < 60 ? 0
                                : meanG < 150 ? 1
                                : 2
                            ],
                            Math.Round(7000 * 1.25 * 1.5 / 1000, 1)
                        ),
                        "",
                        null
                    )
                );
                if (day % 3 == 0)
                    lines.Add(
                        new(
                            at,
                            new ReadingTaken(
                                pond,
                                [
                                    new(
                                        Parameter.Temperature,
                                        Math.Round(
                                            21.5
                                                + (
                                                    5.5
                                                    * Math.Cos(2 * Math.PI * (Zone.LocalAt(at).DayOfYear - 20) / 365)
                                                ),
                                            1
                                        )
                                    ),
                                    new(Parameter.Oxygen, 6),
                                ]
                            ),
                            "",
                            null
                        )
                    );
                if (day % SampleEvery == 0)
                    lines.Add(
                        new(
                            at,
                            new FishSampled(
                                pond,
                                batch,
                                true,
                                [.. Enumerable.Range(0, 30).Select(k => (1, Math.Round(meanG * (0.8 + (k / 75.0)), 1)))]
                            ),
                            "",
                            null
                        )
                    );
            }
            foreach (var part in lines.Chunk(400))
            {
                var entry = new Entry(Guid.NewGuid(), "Manager", part, []);
                var receipt = door.Enter(entry);
                if (
                    !receipt.Accepted
                    && !door.Enter(
                        entry with
                        {
                            Id = Guid.NewGuid(),
                            Meant = [.. receipt.Remarks.Select(r => r.Text)],
                        }
                    ).Accepted
                )
                    throw new InvalidOperationException(receipt.Remarks[0].Text);
            }
            if (begin.AddDays(CycleDays) < Now)
                enter(
                    new FishHarvested(pond, batch, 6700, 3350, CountBasis.ByWeight, Account.Harvested, true, "birds"),
                    begin.AddDays(CycleDays)
                );
            else
                enter(
                    new HarvestPlanned(0, pond, batch, Zone.DayOf(Now).AddDays(30 + (i * 4)), null, null, false),
                    Now.AddHours(-3)
                );
        }
        enter(
            new CyclePlanned(
                0,
                pond,
                "silver_perch",
                Zone.DayOf(Now).AddDays(60 + (i * 4)),
                7000,
                20,
                500,
                null,
                null,
                false
            ),
            Now.AddHours(-3)
        );
    }
}
