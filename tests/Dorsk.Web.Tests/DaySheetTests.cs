using System.Net;
using Dorsk.Core.People;
using Dorsk.Core.Ponds;
using Dorsk.Core.Stock;
using Dorsk.Core.Water;
using Dorsk.Farm;
using Dorsk.Farm.Log;
using Microsoft.Extensions.DependencyInjection;

namespace Dorsk.Web.Tests;

/// <summary>The walking order, the sheet of a day, and what empty ponds wait for.</summary>
public class DaySheetTests(SmallFarm farm) : IClassFixture<SmallFarm>
{
    private long Enter(Core.Judging.Fact fact, DateTimeOffset at) =>
        farm.Services.GetRequiredService<Door>().Enter(Entry.Of(Guid.NewGuid(), "Manager", at, fact))
            is { Accepted: true } r
            ? r.Lines[0]
            : throw new InvalidOperationException(fact.ToString());

    [Fact]
    public async Task Ponds_stand_in_walking_order_with_the_day_and_what_empty_ones_wait_for()
    {
        var now = SmallFarm.Now;
        long Pond(string code) =>
            Enter(
                new PondBuilt(new Pond(0, code, "", PondKind.Earthen, new SlopedRectangle(40, 25, 1.4, 2), "grow-out")),
                now.AddDays(-50)
            );
        var (leaks, ready, broken) = (Pond("L1"), Pond("R1"), Pond("B1"));
        Enter(new PondWorked(leaks, PondWork.LeakFound, "at the drain", null), now.AddDays(-9));
        Enter(new PondWorked(ready, PondWork.DeclaredReady, "", null), now.AddDays(-2));
        Enter(new PondWorked(broken, PondWork.ToMend, "inlet gate", null), now.AddDays(-4));
        Enter(new WalkSet([ready, farm.PondId]), now.AddDays(-1));
        // Dawn of the farm's day, two dead, a dose of fertiliser; it is 17:40 there.
        Enter(
            new ReadingTaken(farm.PondId, [new(Parameter.Oxygen, 4.3), new(Parameter.Temperature, 25.5)]),
            now.AddHours(-12)
        );
        Enter(new ReadingTaken(farm.PondId, [new(Parameter.Oxygen, 9.1), new(Parameter.Ph, 8.4)]), now.AddHours(-3));
        Enter(new FishLost(farm.PondId, farm.BatchLine, 2, Account.Dead, "birds"), now.AddHours(-11));
        Enter(new PondWorked(farm.PondId, PondWork.Fertilised, "TSP", 4), now.AddHours(-5));

        var hand = await farm.As(Role.PondHand);
        var sheet = PageText.Plain(await hand.Client.GetStringAsync("/day"));
        Assert.True(
            sheet.IndexOf("R1", StringComparison.Ordinal) < sheet.IndexOf(" P1 ", StringComparison.Ordinal)
                && sheet.IndexOf(" P1 ", StringComparison.Ordinal) < sheet.IndexOf("L1", StringComparison.Ordinal)
        );
        Assert.Matches(@"P1 [\d,]+ × [\d.]+ g 4\.3 25\.5 2 9\.1 8\.4 .*?fertilised, one dose, 4\.0 kg, TSP", sheet);
        var card = await hand.Client.GetStringAsync("/round");
        Assert.Matches("\"code\":\"R1\".*\"code\":\"P1\".*\"code\":\"L1\"", card);
        Assert.DoesNotContain(
            "4.3",
            PageText.Plain(await hand.Client.GetStringAsync("/day?day=2026-12-01")),
            StringComparison.Ordinal
        );

        var ponds = PageText.Plain(await hand.Client.GetStringAsync("/ponds"));
        Assert.Contains("leaking: at the drain, since", ponds, StringComparison.Ordinal);
        Assert.Contains("waits for mending: inlet gate", ponds, StringComparison.Ordinal);
        Assert.Matches(
            @"Free now: 1 of 3 empty ponds, .*places for about [\d,]+ fish of market size.* 2 leaking or waiting for mending",
            ponds
        );

        var manager = await farm.As(Role.Manager);
        var bad = await manager.Post("/slip/walk", new() { ["Order"] = "P1 X9" });
        Assert.Contains(
            "is no pond here",
            WebUtility.HtmlDecode(await bad.Content.ReadAsStringAsync()),
            StringComparison.Ordinal
        );
    }

    [Fact]
    public async Task A_written_sheet_goes_in_whole_under_its_writers_name_and_what_is_wrong_stays_typed()
    {
        Enter(
            new PondBuilt(new Pond(0, "Y1", "", PondKind.Earthen, new SlopedRectangle(40, 25, 1.4, 2), "grow-out")),
            SmallFarm.Now.AddDays(-50)
        );
        var manager = await farm.As(Role.Manager);
        const string url = "/day/enter?day=2027-01-20";
        static Dictionary<string, string> Form(string html) =>
            BrowserForm.Shown(BrowserForm.Of(html, "form.day-entry"));
        var sheet = Form(await manager.Client.GetStringAsync(url));
        foreach (
            var (name, value) in new[]
            {
                ("writer", "Pond hand"),
                ("P1-do1", "4.4"),
                ("P1-temp1", "25.1"),
                ("P1-dead", "3"),
                ("P1-do2", "9.2"),
                ("P1-ph2", "8.3"),
                ("P1-note", "inlet raked"),
                ("Y1-do1", "4,x"),
                ("Y1-note", "half full"),
            }
        )
            sheet[name] = value;
        var before = farm.Services.GetRequiredService<Dorsk.Farm.Ask.Questions>().LastLine();
        var first = await (await manager.Post(url, sheet)).Content.ReadAsStringAsync();
        Assert.Contains("Saved: P1.", PageText.Plain(first), StringComparison.Ordinal);
        // The other row is not in, says why, and keeps what was typed.
        Assert.Contains("Y1: ", PageText.Plain(first), StringComparison.Ordinal);
        var left = Form(first);
        Assert.Equal(("4,x", "half full"), (left["Y1-do1"], left["Y1-note"]));
        Assert.DoesNotContain("P1-do1", left.Keys);
        var log = PageText.Plain(await manager.Client.GetStringAsync("/ponds/P1/log"));
        Assert.Matches(@"Pond hand.*do 4\.4 temp 25\.1.*sheet of Pond hand, typed in by Manager", log);
        var day = PageText.Plain(await manager.Client.GetStringAsync("/day?day=2027-01-20"));
        Assert.Matches(@"P1 .*4\.4 25\.1 3 9\.2 8\.3 .*inlet raked", day);
        left["Y1-do1"] = "6.1";
        Assert.Contains(
            "Saved: Y1.",
            PageText.Plain(await (await manager.Post(url, left)).Content.ReadAsStringAsync()),
            StringComparison.Ordinal
        );
        // Sent twice it is entered once.
        var last = farm.Services.GetRequiredService<Dorsk.Farm.Ask.Questions>().LastLine();
        await manager.Post(url, sheet);
        Assert.Equal(last, farm.Services.GetRequiredService<Dorsk.Farm.Ask.Questions>().LastLine());
        Assert.True(last > before);
        // A hand takes in a sheet of their own only.
        var hand = await farm.As(Role.PondHand);
        var own = Form(await hand.Client.GetStringAsync(url));
        own["writer"] = "Manager";
        own["P1-do1"] = "5";
        var refused = PageText.Plain(await (await hand.Post(url, own)).Content.ReadAsStringAsync());
        Assert.Contains("Only a Manager takes in another's", refused, StringComparison.Ordinal);
        own["writer"] = "Pond hand";
        own["dawn"] = "25:00";
        refused = PageText.Plain(await (await hand.Post(url, own)).Content.ReadAsStringAsync());
        Assert.Contains("A time from 00:00 to 23:59", refused, StringComparison.Ordinal);
        // What looks wrong is asked about at its row; sent again as it is, it was meant.
        own["dawn"] = "5:30";
        own["P1-do1"] = "";
        own["P1-dead"] = "400";
        var asked = await (await hand.Post(url, own)).Content.ReadAsStringAsync();
        Assert.Contains("Send it again if it is meant so", PageText.Plain(asked), StringComparison.Ordinal);
        Assert.Contains(
            "Saved: P1.",
            PageText.Plain(await (await hand.Post(url, Form(asked))).Content.ReadAsStringAsync()),
            StringComparison.Ordinal
        );
    }

    [Fact]
    public async Task The_move_slip_says_how_much_salt_comes_first()
    {
        // 40 × 25 m walls, 1 m deep: 1,000 m³ from 2 to 5 ppt are 3,000 kg.
        var tank = Enter(
            new PondBuilt(new Pond(0, "W1", "", PondKind.Lined, new SlopedRectangle(40, 25, 1, 0), "grow-out")),
            SmallFarm.Now.AddDays(-20)
        );
        Enter(new ReadingTaken(tank, [new(Parameter.Salinity, 2)]), SmallFarm.Now.AddHours(-2));
        Enter(new ReadingTaken(farm.PondId, [new(Parameter.Salinity, 5)]), SmallFarm.Now.AddHours(-2));
        var manager = await farm.As(Role.Manager);
        using var answer = await manager.Post(
            "/ponds/P1/slip/move?handler=Live",
            new()
            {
                ["Day"] = "2027-01-21",
                ["Hour"] = "17:30",
                ["ToPond"] = tank.ToString(System.Globalization.CultureInfo.InvariantCulture),
                ["Batch"] = farm.BatchLine.ToString(System.Globalization.CultureInfo.InvariantCulture),
                ["Count"] = "100",
                ["MeanWeight"] = "100",
                ["Basis"] = "Counted",
            }
        );
        Assert.Matches("3,000.{0,8}kg brings W1 to 5.0", PageText.Plain(await answer.Content.ReadAsStringAsync()));
    }

    [Fact]
    public void An_empty_pond_is_judged_by_the_last_word_on_each_thing()
    {
        var at = SmallFarm.Now;
        EmptyState Of(params PondWork[] newestFirst) =>
            EmptyPond
                .Of(
                    [.. newestFirst.Select((w, i) => (at.AddDays(-i), w, "", (double?)null))],
                    false,
                    DateTimeOffset.MinValue
                )
                .State;
        Assert.Equal(EmptyState.Leaking, Of(PondWork.LeakFound, PondWork.DeclaredReady));
        Assert.Equal(EmptyState.Ready, Of(PondWork.DeclaredReady, PondWork.HeldWater, PondWork.LeakFound));
        Assert.Equal(EmptyState.ToMend, Of(PondWork.DeclaredReady, PondWork.ToMend));
        Assert.Equal(EmptyState.Resting, Of(PondWork.Mended, PondWork.ToMend));
        Assert.Equal(EmptyState.Resting, Of(PondWork.Drained, PondWork.DeclaredReady));
        Assert.Equal(EmptyState.Resting, Of());
        Assert.Equal(EmptyState.Prepared, EmptyPond.Of([], true, DateTimeOffset.MinValue).State);
        // What was ready for the fish that left since is ready no more.
        Assert.Equal(
            EmptyState.Resting,
            EmptyPond.Of([(at.AddDays(-300), PondWork.DeclaredReady, "", null)], false, at.AddDays(-20)).State
        );
    }
}
