using System.Net;
using System.Text.RegularExpressions;
using Dorsk.Core.People;
using Dorsk.Core.Season;
using Dorsk.Farm;
using Dorsk.Farm.Ask;
using Dorsk.Farm.Log;
using Ical.Net;
using Microsoft.Extensions.DependencyInjection;

namespace Dorsk.Web.Tests;

/// <summary>Jobs of the days to come, on the page and in a person's own calendar.</summary>
public sealed class JobsTests : IDisposable
{
    private readonly SmallFarm farm = new();

    [Fact]
    public async Task Equipment_is_tested_on_its_day_and_what_failed_stands_until_it_passes()
    {
        var (manager, hand) = (await farm.As(Role.Manager), await farm.As(Role.PondHand));
        string[] Jobs() =>
            [
                .. farm
                    .Services.GetRequiredService<Questions>()
                    .Today(SmallFarm.Now)!
                    .Jobs.Where(j => j.What.Contains("diesel", StringComparison.Ordinal))
                    .Select(j => j.What),
            ];
        await manager.Token("/slip/vital");
        var kept = await manager.Post(
            "/slip/vital",
            new()
            {
                ["Kind"] = "generator",
                ["Name"] = "diesel",
                ["Pond"] = "",
                ["Every"] = "",
                ["Spares"] = "0",
            }
        );
        Assert.Equal("/setup/vital", kept.Headers.Location!.ToString().Split('?')[0]);
        Assert.Equal(["Test diesel: start on load 30 min"], Jobs());
        var page = await hand.Client.GetStringAsync("/setup/vital");
        Assert.Contains("Without a spare: diesel", page, StringComparison.Ordinal);
        Assert.Contains("never tested", await hand.Client.GetStringAsync("/oxygen/power"), StringComparison.Ordinal);
        var number = Regex
            .Match(await hand.Client.GetStringAsync("/slip/vital-test"), "<option value=\"(\\d+)\"[^>]*>diesel")
            .Groups[1]
            .Value;
        async Task<HttpResponseMessage> Test(string figure, string passed, string text) =>
            await hand.Post(
                "/slip/vital-test",
                new()
                {
                    ["Day"] = "2027-01-21",
                    ["Hour"] = "17:00",
                    ["Vital"] = number,
                    ["Figure"] = figure,
                    ["Passed"] = passed,
                    ["Text"] = text,
                }
            );
        await hand.Token("/slip/vital-test");
        // Nothing is taken for granted, and a figure is wanted where the table has one.
        var unread = await (await Test("", "", "")).Content.ReadAsStringAsync();
        Assert.Contains("Look, then choose yes or no", unread, StringComparison.Ordinal);
        Assert.Contains(
            "Read it and type the figure: 0 to 10 seconds to start passes",
            await (await Test("", "yes", "")).Content.ReadAsStringAsync(),
            StringComparison.Ordinal
        );
        Assert.Equal(HttpStatusCode.Redirect, (await Test("25", "yes", "coughs")).StatusCode);
        Assert.Equal(["diesel failed its test: battery, fuel, transfer switch, then test it again"], Jobs());
        Assert.Contains("failed its test", await hand.Client.GetStringAsync("/oxygen/power"), StringComparison.Ordinal);
        Assert.Equal(HttpStatusCode.Redirect, (await Test("6", "yes", "new battery")).StatusCode);
        Assert.Empty(Jobs());
    }

    [Fact]
    public async Task A_calendar_holds_ones_own_jobs_at_an_address_that_can_be_shut()
    {
        var today = DateOnly.FromDateTime(SmallFarm.Now.AddHours(10).DateTime);
        var door = farm.Services.GetRequiredService<Door>();
        Assert.True(
            door.Enter(
                Entry.Of(
                    Guid.NewGuid(),
                    "Manager",
                    SmallFarm.Now,
                    new DutyKept(
                        0,
                        farm.PondId,
                        "clean the probe",
                        "slime reads low",
                        7,
                        today.AddDays(2),
                        new(9, 0),
                        Role.NightWatch,
                        null
                    )
                )
            ).Accepted
        );
        var (hand, watch) = (await farm.As(Role.PondHand), await farm.As(Role.NightWatch));
        var first = await Address(watch);
        var stranger = farm.CreateClient(new() { AllowAutoRedirect = false });
        var answer = await stranger.GetAsync(first);
        Assert.Equal("text/calendar", answer.Content.Headers.ContentType!.MediaType);
        var events = Calendar
            .Load(await answer.Content.ReadAsStringAsync())!
            .Events.Where(e => e.Summary == "P1: clean the probe")
            .OrderBy(e => e.Start!.AsUtc)
            .ToList();
        // Every week for sixty days from the day after tomorrow, at nine on the farm's clock, ten hours before Greenwich.
        Assert.Equal(9, events.Count);
        Assert.Equal(today.AddDays(2).ToDateTime(new(9, 0)).AddHours(-10), events[0].End!.AsUtc);
        Assert.Equal(9, events.Select(e => e.Uid).Distinct().Count());
        Assert.Equal("slime reads low", events[0].Description);
        // Every entry has a name of its own and reminds a quarter of an hour before.
        var all = Calendar.Load(await (await stranger.GetAsync(first)).Content.ReadAsStringAsync())!.Events.ToList();
        Assert.Equal(all.Count, all.Select(e => e.Uid).Distinct().Count());
        // The likely day of a weight is no job: a whole day with its interval, without a reminder.
        var target = Assert.Single(all, e => e.Start is { HasTime: false });
        Assert.Empty(target.Alarms);
        Assert.Matches("^P1: .* about ", target.Summary);
        Assert.Contains("80 % interval", target.Description, StringComparison.Ordinal);
        Assert.All(all.Where(e => e != target), e =>
            Assert.Equal(
                -15 * 60,
                Assert.Single(e.Alarms).Trigger!.Duration!.Value.ToTimeSpanUnspecified().TotalSeconds
            )
        );

        // The hand's calendar holds the hand's jobs; an address tells nothing of another, and a new one shuts the old.
        Assert.DoesNotContain(
            "clean the probe",
            await stranger.GetStringAsync(await Address(hand)),
            StringComparison.Ordinal
        );
        var second = await Address(watch);
        Assert.Equal(
            [HttpStatusCode.NotFound, HttpStatusCode.OK],
            new[] { (await stranger.GetAsync(first)).StatusCode, (await stranger.GetAsync(second)).StatusCode }
        );
        Assert.Equal(
            HttpStatusCode.NotFound,
            (await stranger.GetAsync($"/calendar/{new string('0', 48)}.ics")).StatusCode
        );
        Assert.Equal(HttpStatusCode.NotFound, (await stranger.GetAsync("/calendar/x.ics")).StatusCode);
    }

    [Fact]
    public async Task Jobs_stand_by_day_and_by_pond_and_move_with_the_plan()
    {
        var hand = await farm.As(Role.PondHand);
        var byDay = await hand.Client.GetStringAsync("/jobs");
        // Stocked a hundred days ago and never sampled: the sample is overdue today.
        Assert.Contains("P1: sample", byDay, StringComparison.Ordinal);
        Assert.Contains("<h2>P1</h2>", await hand.Client.GetStringAsync("/jobs?by=pond"), StringComparison.Ordinal);
        var door = farm.Services.GetRequiredService<Door>();
        var questions = farm.Services.GetRequiredService<Questions>();
        Assert.True(
            door.Enter(
                Entry.Of(
                    Guid.NewGuid(),
                    "Manager",
                    SmallFarm.Now.AddMinutes(-5),
                    new Dorsk.Core.Stock.FishSampled(
                        farm.PondId,
                        farm.BatchLine,
                        false,
                        [(30, 30 * 190), (30, 30 * 194)]
                    )
                )
            ).Accepted
        );
        var day = questions.Today(SmallFarm.Now.AddMinutes(1))!.Day;
        var next = JobsAhead.Of(day, 60).Single(j => j.What.StartsWith("P1: sample", StringComparison.Ordinal));
        Assert.Equal(day.Today.AddDays(28), day.Zone.DayOf(next.Due));
        Assert.DoesNotContain(JobsAhead.Of(day, 20), j => j.What.StartsWith("P1: sample", StringComparison.Ordinal));
    }

    private static async Task<string> Address(Visitor visitor)
    {
        await visitor.Token("/jobs");
        var html = await (
            await visitor.Post("/jobs?handler=Calendar", new Dictionary<string, string>())
        ).Content.ReadAsStringAsync();
        return new Uri(Regex.Match(html, "<code class=\"secret\">([^<]+)</code>").Groups[1].Value).PathAndQuery;
    }

    public void Dispose() => farm.Dispose();
}
