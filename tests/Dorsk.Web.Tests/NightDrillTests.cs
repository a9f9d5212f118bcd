using System.Net;
using System.Net.Sockets;
using Dorsk.Core.Air;
using Dorsk.Core.Alarms;
using Dorsk.Core.People;
using Dorsk.Core.Ponds;
using Dorsk.Core.Stock;
using Dorsk.Core.Water;
using Dorsk.Farm;
using Dorsk.Farm.Log;
using Dorsk.Farm.Sql;
using Dorsk.Standins;
using Dorsk.Web.Alarms;
using Microsoft.Data.Sqlite;
using Microsoft.Extensions.DependencyInjection;

namespace Dorsk.Web.Tests;

/// <summary>
/// A night's drill: twelve ponds and five misfortunes at once. Six motors trip, one pond's rule throws, the disk is full, the first mail
/// server hangs, the clock falls ten days back. Every true alarm is on the page within two looks, told within a minute, and none twice.
/// </summary>
public sealed class NightDrillTests : IDisposable
{
    private const int Ponds = 12,
        Motors = 6;
    private readonly SmallFarm farm = new();
    private readonly Mailbox mailbox = new(0);
    private readonly TcpListener hanging = new(IPAddress.Loopback, 0);
    private readonly Dictionary<string, long> ponds = [];

    public NightDrillTests()
    {
        hanging.Start();
        farm.Settings["smtp"] = $"127.0.0.1:{((IPEndPoint)hanging.LocalEndpoint).Port},127.0.0.1:{mailbox.Port}";
        farm.Settings["rate"] = "1";
    }

    private T The<T>()
        where T : notnull => farm.Services.GetRequiredService<T>();

    private long Enter(Core.Judging.Fact fact, DateTimeOffset at)
    {
        var entry = Entry.Of(Guid.NewGuid(), "Manager", at, fact);
        var receipt = The<Door>().Enter(entry);
        if (!receipt.Accepted)
            receipt = The<Door>()
                .Enter(entry with { Id = Guid.NewGuid(), Meant = [.. receipt.Remarks.Select(r => r.Text)] });
        Assert.True(receipt.Accepted, string.Join(" ", receipt.Remarks.Select(r => r.Text)));
        return receipt.Lines[0];
    }

    private void Night(DateTimeOffset now)
    {
        Enter(new CallListSet([new("Night watch", "watch@farm.test")], 30, null, null), now.AddHours(-3));
        ponds["P1"] = farm.PondId;
        for (var i = 2; i <= Ponds; i++)
        {
            ponds["P" + i] = Enter(
                new PondBuilt(
                    new Pond(0, "P" + i, "", PondKind.Earthen, new SlopedRectangle(40, 25, 1.4, 2), "grow-out")
                ),
                now.AddDays(-60)
            );
            Enter(
                new FishStocked(
                    ponds["P" + i],
                    "silver_perch",
                    "hatchery",
                    800,
                    60,
                    CountBasis.ByWeight,
                    "drill",
                    null
                ),
                now.AddDays(-50)
            );
            Enter(
                new ReadingTaken(
                    ponds["P" + i],
                    [new(Parameter.Oxygen, i is 5 or 7 or 11 ? 1.8 : 7.4), new(Parameter.Temperature, 25)]
                ),
                now.AddMinutes(-2)
            );
        }
        // Six motors trip.
        Enter(
            new AeratorsFitted(
                ponds["P2"],
                [
                    .. Enumerable
                        .Range(1, Motors)
                        .Select(m => new Aerator($"Paddle wheel {m}", AeratorKind.All[1], 1.1, null, null)),
                ]
            ),
            now.AddDays(-50)
        );
        The<Heard>()
            .Note(Enter(new DeviceKept(0, "Panel P2", DeviceUse.Panel, ponds["P2"], null, false), now.AddDays(-1)));
        for (var m = 1; m <= Motors; m++)
        {
            Enter(
                new AeratorCommanded(
                    ponds["P2"],
                    $"Paddle wheel {m}",
                    true,
                    "by timer from 20:00 to 06:30, as the night plan says"
                ),
                now.AddMinutes(-30)
            );
            Enter(new AeratorReported(ponds["P2"], $"Paddle wheel {m}", false, 0, true), now.AddMinutes(-20));
        }
    }

    private void ARuleThrows(DateTimeOffset now)
    {
        var (pond, at) = (ponds["P3"], now.AddDays(-1).ToUnixTimeMilliseconds());
        Raw(
            $"""
            INSERT INTO entry VALUES ('spoilt', {at}, 'x');
            INSERT INTO log(line, entry, n, kind, pond, happened, entered, author, as_typed, voids) VALUES (9000, 'spoilt', 0, 'FishStocked', {pond}, {at}, {at}, 'x', '', NULL);
            INSERT INTO stocking VALUES (9000, 9000, {pond}, 'sea_serpent', 'x', 10, 5, 'Counted', 'x', NULL, NULL, 0, NULL);
            INSERT INTO posting VALUES (9000, 0, 9000, 'Supplier', NULL, -10, -50, 'Counted'), (9000, 1, 9000, 'Pond', {pond}, 10, 50, 'Counted');
            """
        );
    }

    private void Raw(string sql)
    {
        using var c = new SqliteConnection("Data Source=" + Path.Combine(farm.Data, "farm.db"));
        c.Open();
        using var command = c.CreateCommand();
        // As many pages as the program has, no more.
        command.CommandText = FormattableString.Invariant(
            $"PRAGMA max_page_count = {The<FarmFile>().MostPages ?? 1_000_000}"
        );
        command.ExecuteScalar();
        command.CommandText = sql;
        command.ExecuteNonQuery();
    }

    // Not one page more than there is, and bare lines until the last finds no room: smaller than any alarm. Their random numbers fall on all pages.
    private void TheDiskIsFull()
    {
        The<FarmFile>().MostPages = 1;
        for (var refused = 0; refused < 60; )
            try
            {
                Raw(
                    $"INSERT INTO entry VALUES ('{Guid.NewGuid()}', 1767400000000, 'x'); INSERT INTO log(entry, n, kind, happened, entered, author, as_typed) SELECT id, 0, 'TakenBack', 1767400000000, 1767400000000, 'x', '' FROM entry WHERE rowid = last_insert_rowid();"
                );
                refused = 0;
            }
            catch (Microsoft.Data.Sqlite.SqliteException problem)
            {
                Assert.Equal(13, problem.SqliteErrorCode);
                refused++;
            }
    }

    [Fact]
    public async Task Five_misfortunes_at_once_silence_no_alarm()
    {
        var manager = await farm.As(Role.Manager);
        var now = The<FarmClock>().GetUtcNow();
        Night(now);
        ARuleThrows(now);
        TheDiskIsFull();
        The<FarmClock>().Turned = TimeSpan.FromDays(-10);
        The<AlarmWatch>().Look();
        The<AlarmWatch>().Look();
        string[] expected =
        [
            "P5 oxygen 1.8",
            "P7 oxygen 1.8",
            "P11 oxygen 1.8",
            "P2 aerators: ",
            "P3 is not watched",
            "Nothing can be recorded: the disk is full",
            "10 days behind the newest record",
        ];
        var page = WebUtility
            .HtmlDecode(await manager.Client.GetStringAsync("/alarms"))
            .Replace('\u2009', ' ')
            .Replace('\u00a0', ' ');
        Assert.All(expected, text => Assert.Contains(text, page, StringComparison.Ordinal));
        Assert.Matches(@"12 ponds, 1 of them could not be worked out", page);
        // Every place of the farm opens, and says what rings.
        foreach (
            var place in new[] { "/", "/ponds", "/oxygen", "/jobs", "/feed", "/season", "/round", "/ponds/P5/water" }
        )
        {
            using var answer = await manager.Client.GetAsync(place);
            Assert.Equal((place, HttpStatusCode.OK), (place, answer.StatusCode));
            Assert.Contains("class=\"rings", await answer.Content.ReadAsStringAsync(), StringComparison.Ordinal);
        }
        var pond = await manager.Client.GetAsync("/ponds/P3/water");
        Assert.Equal(
            (HttpStatusCode.UnprocessableEntity, true),
            (
                pond.StatusCode,
                (await pond.Content.ReadAsStringAsync()).Contains("P3 cannot be worked out", StringComparison.Ordinal)
            )
        );
        var health = await manager.Client.GetAsync("/health");
        Assert.Equal(HttpStatusCode.ServiceUnavailable, health.StatusCode);
        // What is typed meanwhile is refused in words.
        var typed = await manager.Post(
            "/ponds/P5/slip/reading",
            new()
            {
                ["do"] = "2.2",
                ["Day"] = "2027-01-21",
                ["Hour"] = "17:00",
            }
        );
        Assert.Equal(
            (HttpStatusCode.ServiceUnavailable, true),
            (
                typed.StatusCode,
                (await typed.Content.ReadAsStringAsync()).Contains("was not recorded", StringComparison.Ordinal)
            )
        );

        var open = The<AlarmMemory>().Alarms(The<FarmClock>().GetUtcNow()).Where(a => a.Open).ToList();
        for (var i = 0; i < 600 && mailbox.Mails.Count < open.Count; i++)
            await Task.Delay(100);
        var answered = open.Single(a => a.PondId == ponds["P5"] && a.Cause == AlarmCause.LowOxygen);
        await manager.Token("/alarms");
        Assert.Equal(
            HttpStatusCode.Redirect,
            (await manager.Post("/alarms?handler=Answer", new() { ["alarm"] = $"{answered.Id}" })).StatusCode
        );
        // The disk has room again, the clock is set: all is written, nobody is told twice.
        The<AlarmWatch>().Look();
        The<FarmFile>().MostPages = 1_000_000;
        The<FarmClock>().Turned = TimeSpan.Zero;
        The<AlarmWatch>().Look();
        await The<AlarmTeller>().Round(default);
        var subjects = mailbox
            .Mails.Select(m => m.Text.Split('\n').First(l => l.StartsWith("Subject:", StringComparison.Ordinal)).Trim())
            .ToList();
        Assert.True(subjects.Count >= open.Count);
        Assert.Equal(subjects.Count, subjects.Distinct().Count());
        Assert.Contains(subjects, s => s.Contains("P5 oxygen 1.8", StringComparison.Ordinal));
        Assert.False(The<AlarmMemory>().Waits);
        // The look over the file may have found the bad row meanwhile: that is one more, told once like the others.
        var kept = The<Farm.Ask.Questions>().Alarms(The<FarmClock>().GetUtcNow());
        Assert.Equal(
            "Manager",
            kept.Single(a => a.PondId == ponds["P5"] && a.Cause == AlarmCause.LowOxygen).Answered!.Value.By
        );
        Assert.All(kept.Where(a => a.Cause is AlarmCause.BooksShut or AlarmCause.ClockWrong), a =>
            Assert.False(a.Open)
        );
    }

    public void Dispose()
    {
        farm.Dispose();
        mailbox.Dispose();
        hanging.Dispose();
    }
}
