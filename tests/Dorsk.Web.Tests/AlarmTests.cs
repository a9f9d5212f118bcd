using System.Net;
using Dorsk.Core.Alarms;
using Dorsk.Core.People;
using Dorsk.Core.Water;
using Dorsk.Farm;
using Dorsk.Farm.Ask;
using Dorsk.Farm.Log;
using Dorsk.Standins;
using Dorsk.Web.Alarms;
using Microsoft.AspNetCore.Builder;
using Microsoft.Extensions.DependencyInjection;
using Microsoft.Extensions.Logging;

namespace Dorsk.Web.Tests;

/// <summary>From a low reading to a mail and an answer, over real SMTP to the stand-in mailbox.</summary>
public class AlarmTests : IDisposable
{
    private readonly SmallFarm farm = new();
    private readonly Mailbox mailbox = new(0);

    public AlarmTests() => farm.Settings["smtp"] = $"127.0.0.1:{mailbox.Port}";

    private T The<T>()
        where T : notnull => farm.Services.GetRequiredService<T>();

    private Task Round() => The<AlarmTeller>().Round(default);

    private void Read(double mgL) =>
        Assert.True(
            The<Door>()
                .Enter(
                    Entry.Of(
                        Guid.NewGuid(),
                        "Pond hand",
                        SmallFarm.Now.AddMinutes(-1),
                        new ReadingTaken(farm.PondId, [new(Parameter.Oxygen, mgL)])
                    )
                )
                .Accepted
        );

    private IReadOnlyList<Alarm> Alarms => The<Questions>().Alarms(SmallFarm.Now);

    [Fact]
    public async Task Text_messages_go_by_the_farms_own_program_and_by_a_command_of_the_machine()
    {
        await using var outside = await MessageProgram.Open();
        var script = Path.Combine(Directory.CreateTempSubdirectory("dorsk-call-").FullName, "call");
        await File.WriteAllTextAsync(
            script,
            "#!/bin/sh\nprintf '%s|%s|%s|' \"$1\" \"$2\" \"$3\" >> \"$0.out\"; cat >> \"$0.out\"\n"
        );
        if (!OperatingSystem.IsWindows())
            File.SetUnixFileMode(script, UnixFileMode.UserRead | UnixFileMode.UserWrite | UnixFileMode.UserExecute);
        farm.Settings["alarm-command"] = script;
        var list = new CallListSet(
            [new("Neighbour", "") { Phone = "0491 570 157" }, new("Manager", "manager@farm.test")],
            10,
            null,
            null
        )
        {
            Hook = outside.Address + "/message",
        };
        The<Door>().Enter(Entry.Of(Guid.NewGuid(), "Manager", SmallFarm.Now.AddHours(-1), list));
        Read(3.6);
        await Round();
        await Round();
        // A neighbour without mail is reached all the same, once, with the same words.
        var message = Assert.Single(outside.Messages.All, m => m.Text.Contains("P1 oxygen", StringComparison.Ordinal));
        Assert.Equal(("Neighbour", "0491 570 157"), (message.Name, message.Phone));
        Assert.Empty(mailbox.Mails);
        var called = await File.ReadAllTextAsync(script + ".out");
        Assert.Contains("0491570157|Neighbour|Act now: P1 oxygen", called, StringComparison.Ordinal);
        Assert.Contains("so that nobody else is called", called, StringComparison.Ordinal);
        // On the page the number stands large, to be tapped; nobody is told to be out of reach.
        var hand = await farm.As(Role.PondHand);
        var page = await hand.Client.GetStringAsync("/alarms");
        Assert.Contains("href=\"tel:0491570157\"", page, StringComparison.Ordinal);
        Assert.DoesNotContain("No message reaches", page, StringComparison.Ordinal);
        // The program is gone and the command fails: it is said, and tried again.
        await outside.DisposeAsync();
        await File.WriteAllTextAsync(script, "#!/bin/sh\nexit 3\n");
        The<Door>()
            .Enter(
                Entry.Of(
                    Guid.NewGuid(),
                    "Manager",
                    SmallFarm.Now,
                    new AlarmRaised(0, null, AlarmCause.Drill, Core.Judging.Status.ActNow, "Drill.")
                )
            );
        await Round();
        page = await hand.Client.GetStringAsync("/alarms");
        Assert.Contains(
            "could not be sent: command, 0491 570 157: it ended with 3; message program",
            page,
            StringComparison.Ordinal
        );
    }

    [Fact]
    public async Task A_low_reading_rings_calls_the_first_stands_over_every_page_is_answered_once_and_ends()
    {
        The<Door>()
            .Enter(
                Entry.Of(
                    Guid.NewGuid(),
                    "Manager",
                    SmallFarm.Now.AddHours(-1),
                    new CallListSet(
                        [new("Night watch", "watch@farm.test"), new("Manager", "manager@farm.test")],
                        10,
                        null,
                        null
                    )
                )
            );
        await Round();
        Assert.Empty(Alarms);
        Read(3.6);
        await Round();
        await Round();
        // From 8 two hours before: it falls so fast that it rings loud, once; and the night ahead rings for itself.
        var rings = Alarms.Single(a => a.Cause == AlarmCause.LowOxygen);
        Assert.Equal(
            (Core.Judging.Status.ActNow, true),
            (rings.Level, rings.Text.Contains("falling", StringComparison.Ordinal))
        );
        Assert.Equal([AlarmCause.LowOxygen, AlarmCause.NightForecast], Alarms.Select(a => a.Cause).Order());
        var mails = mailbox.Mails.Where(m => m.Text.Contains("P1 oxygen", StringComparison.Ordinal)).ToList();
        Assert.Equal(["watch@farm.test"], Assert.Single(mails).To);
        Assert.Contains("Subject: Act now: P1 oxygen", mails[0].Text, StringComparison.Ordinal);
        Assert.Equal(2, mailbox.Mails.Count);

        var hand = await farm.As(Role.PondHand);
        Assert.Contains("class=\"rings", await hand.Client.GetStringAsync("/ponds"), StringComparison.Ordinal);
        await hand.Token("/alarms");
        Assert.Equal(
            HttpStatusCode.Redirect,
            (await hand.Post("/alarms?handler=Answer", new() { ["alarm"] = $"{rings.Id}" })).StatusCode
        );
        Assert.Equal(
            HttpStatusCode.UnprocessableEntity,
            (await hand.Post("/alarms?handler=Answer", new() { ["alarm"] = $"{rings.Id}" })).StatusCode
        );
        Assert.Equal(
            HttpStatusCode.NotFound,
            (await hand.Post("/alarms?handler=Answer", new() { ["alarm"] = "99999" })).StatusCode
        );
        Assert.Equal("Pond hand", Alarms.Single(a => a.Id == rings.Id).Answered!.Value.By);

        Read(9.8);
        await Round();
        Assert.All(Alarms, a => Assert.False(a.Open));
        Assert.DoesNotContain("class=\"rings", await hand.Client.GetStringAsync("/ponds"), StringComparison.Ordinal);
        Assert.Equal(2, mailbox.Mails.Count);
    }

    [Fact]
    public async Task A_drill_goes_the_same_way_and_mail_that_fails_is_said_and_tried_again()
    {
        var manager = await farm.As(Role.Manager);
        await manager.Token("/alarms");
        var wrong = await manager.Post(
            "/alarms?handler=List",
            new()
            {
                ["people"] = "Night watch",
                ["after"] = "soon",
                ["quietfrom"] = "25:00",
                ["quietto"] = "",
            }
        );
        var page = await wrong.Content.ReadAsStringAsync();
        Assert.Equal(HttpStatusCode.UnprocessableEntity, wrong.StatusCode);
        Assert.Contains(">Night watch</textarea>", page, StringComparison.Ordinal);
        Assert.Contains("An hour such as", page, StringComparison.Ordinal);
        Assert.Equal(
            HttpStatusCode.Redirect,
            (
                await manager.Post(
                    "/alarms?handler=List",
                    new()
                    {
                        ["people"] = "Night watch, watch@farm.test\nManager, manager@farm.test",
                        ["after"] = "5",
                        ["quietfrom"] = "22:00",
                        ["quietto"] = "5:00",
                    }
                )
            ).StatusCode
        );
        mailbox.Dispose();
        Assert.Equal(HttpStatusCode.Redirect, (await manager.Post("/alarms?handler=Drill", [])).StatusCode);
        await Round();
        Assert.NotNull(The<AlarmPost>().Trouble);
        Assert.Empty(Assert.Single(Alarms).ToldTo);
        using var again = new Mailbox(mailbox.Port);
        await Round();
        Assert.Null(The<AlarmPost>().Trouble);
        Assert.Contains("Drill", Assert.Single(again.Mails).Text, StringComparison.Ordinal);
        await manager.Post("/alarms?handler=Drill", new() { ["end"] = $"{Alarms[0].Id}" });
        Assert.False(Alarms[0].Open);
    }

    public void Dispose()
    {
        farm.Dispose();
        mailbox.Dispose();
        GC.SuppressFinalize(this);
    }
}

/// <summary>The stand-in for a message program, on a port of its own.</summary>
internal sealed class MessageProgram : IAsyncDisposable
{
    private readonly WebApplication app;

    private MessageProgram(WebApplication app) => this.app = app;

    public Messages Messages { get; } = new();

    public string Address => app.Urls.First();

    public static async Task<MessageProgram> Open()
    {
        var builder = WebApplication.CreateSlimBuilder();
        builder.Logging.ClearProviders();
        var app = builder.Build();
        app.Urls.Add("http://127.0.0.1:0");
        var program = new MessageProgram(app);
        app.MapPost("/message", program.Messages.Take);
        await app.StartAsync();
        return program;
    }

    public ValueTask DisposeAsync() => app.DisposeAsync();
}
