using System.Net;
using System.Text.RegularExpressions;
using Dorsk.Core.People;
using Dorsk.Core.Season;
using Dorsk.Farm.Ask;
using Dorsk.Farm.Estimates;
using Microsoft.Extensions.DependencyInjection;

namespace Dorsk.Web.Tests;

/// <summary>The season as plain forms: days in the address, bad ones said at their line, moved ones kept as a copy or as plans.</summary>
public sealed class SeasonPageTests : IDisposable
{
    private static readonly DateOnly Today = DateOnly.FromDateTime(SmallFarm.Now.AddHours(10).DateTime);
    private readonly SmallFarm farm = new();

    private SeasonNow Season => farm.Services.GetRequiredService<Questions>().Season(SmallFarm.Now)!;

    private string Key => SeasonAhead.KeyOf(farm.BatchLine, farm.PondId);

    [Fact]
    public async Task A_moved_day_is_worked_out_kept_as_a_copy_and_put_into_the_plans()
    {
        var (manager, hand) = (await farm.As(Role.Manager), await farm.As(Role.PondHand));
        var moves = $"{Key}={Today.AddDays(100):yyyy-MM-dd}";
        var html = WebUtility.HtmlDecode(await manager.Client.GetStringAsync("/season?" + moves));
        Assert.Contains("Put into the plans", html, StringComparison.Ordinal);
        Assert.Contains($"value=\"{Today.AddDays(100):yyyy-MM-dd}\"", html, StringComparison.Ordinal);
        // The part is the same without the frame; a hand sees it and plans nothing.
        var part = await hand.Client.GetStringAsync("/season?handler=Part&" + moves);
        Assert.StartsWith("<div class=\"lede\">", part.TrimStart(), StringComparison.Ordinal);
        Assert.DoesNotContain("Put into the plans", part, StringComparison.Ordinal);
        await hand.Token("/me");
        Assert.Equal(
            HttpStatusCode.Forbidden,
            (await hand.Post("/season?handler=Plan", new() { ["moves"] = moves })).StatusCode
        );

        await manager.Token("/season?" + moves);
        Assert.Contains(
            "1 to 60 letters",
            await (
                await manager.Post("/season?handler=Keep", new() { ["moves"] = moves, ["name"] = "" })
            ).Content.ReadAsStringAsync(),
            StringComparison.Ordinal
        );
        Assert.Equal(
            HttpStatusCode.Redirect,
            (await manager.Post("/season?handler=Keep", new() { ["moves"] = moves, ["name"] = "later" })).StatusCode
        );
        Assert.Contains(">later</a>", await manager.Client.GetStringAsync("/season"), StringComparison.Ordinal);
        Assert.Contains(
            "Copy “later”",
            WebUtility.HtmlDecode(await manager.Client.GetStringAsync("/season?" + moves)),
            StringComparison.Ordinal
        );
        Assert.False(Season.Planned.Events.First(e => e.Key == Key).Planned);

        // The same form sent twice plans once.
        var entry = Guid.NewGuid().ToString();
        foreach (var _ in "12")
            Assert.Equal(
                HttpStatusCode.Redirect,
                (await manager.Post("/season?handler=Plan", new() { ["moves"] = moves, ["entry"] = entry })).StatusCode
            );
        Assert.Equal(Today.AddDays(100), Season.Planned.Events.Single(e => e.Key == Key).On);
        Assert.Single(Season.Stories[0].Plans.Harvests);
        var copy = farm.Services.GetRequiredService<Questions>().SeasonCopies().Single();
        Assert.Equal(
            HttpStatusCode.Redirect,
            (await manager.Post("/season?handler=Drop", new() { ["copy"] = $"{copy.CopyId}" })).StatusCode
        );
        Assert.Equal(
            HttpStatusCode.NotFound,
            (await manager.Post("/season?handler=Drop", new() { ["copy"] = $"{copy.CopyId}" })).StatusCode
        );
    }

    [Theory]
    [InlineData("2027-02-30", "is not a date")]
    [InlineData("", "Type the date")]
    [InlineData("2026-01-01", "A day from today on")]
    [InlineData("2031-01-01", "A day from today on")]
    public async Task A_day_that_cannot_be_is_said_at_its_line_and_nothing_moves(string typed, string says)
    {
        var manager = await farm.As(Role.Manager);
        var answer = await manager.Client.GetAsync(
            $"/season?{Key}={typed}&h9-9=2027-03-01&s7=2027-03-01&from=nonsense"
        );
        Assert.Equal(HttpStatusCode.OK, answer.StatusCode);
        var html = WebUtility.HtmlDecode(await answer.Content.ReadAsStringAsync());
        Assert.Contains(says, html, StringComparison.Ordinal);
        Assert.Contains("aria-invalid=\"true\"", html, StringComparison.Ordinal);
        Assert.DoesNotContain("Put into the plans", html, StringComparison.Ordinal);
    }

    [Fact]
    public async Task Slips_plan_fish_to_leave_and_to_come_and_say_what_they_will_weigh()
    {
        var manager = await farm.As(Role.Manager);
        await manager.Token("/ponds/P1/slip/plan-harvest");
        Dictionary<string, string> leave = new()
        {
            ["Batch"] = $"{farm.BatchLine}",
            ["On"] = $"{Today.AddDays(60):yyyy-MM-dd}",
            ["Count"] = "200",
            ["To"] = "",
        };
        var live = await (
            await manager.Post("/ponds/P1/slip/plan-harvest?handler=live", leave)
        ).Content.ReadAsStringAsync();
        Assert.Contains("They weigh then", live, StringComparison.Ordinal);
        Assert.Equal(
            "/season",
            (await manager.Post("/ponds/P1/slip/plan-harvest", leave)).Headers.Location!.ToString().Split('?')[0]
        );
        leave["Count"] = "5000";
        Assert.Contains(
            "Leave the number empty when all leave",
            await (await manager.Post("/ponds/P1/slip/plan-harvest", leave)).Content.ReadAsStringAsync(),
            StringComparison.Ordinal
        );
        Dictionary<string, string> come = new()
        {
            ["Species"] = "silver_perch",
            ["StockOn"] = $"{Today.AddDays(10):yyyy-MM-dd}",
            ["Count"] = "500",
            ["MeanG"] = "20",
            ["TargetG"] = "500",
            ["From"] = "",
            ["HarvestOn"] = "",
        };
        Assert.Equal(HttpStatusCode.Redirect, (await manager.Post("/ponds/P1/slip/plan-stocking", come)).StatusCode);
        // Fish still stand there on that day.
        Assert.Contains(Season.Planned.Conflicts, c =>
            c.Key.StartsWith("ready:", StringComparison.Ordinal) && c.Level == Core.Judging.Status.ActNow
        );
        Assert.Contains(
            "500 fish are to come",
            Regex.Replace(WebUtility.HtmlDecode(await manager.Client.GetStringAsync("/season")), "\\s+", " "),
            StringComparison.Ordinal
        );
        Assert.Contains(
            "take out the heaviest",
            await manager.Client.GetStringAsync("/jobs"),
            StringComparison.Ordinal
        );
        var line = FishPlans.OpenCycles(Season.Stories[0]).Single().Line;
        come["Dropped"] = "true";
        Assert.Equal(
            HttpStatusCode.Redirect,
            (await manager.Post($"/ponds/P1/slip/plan-stocking?corrects={line}", come)).StatusCode
        );
        Assert.Empty(FishPlans.OpenCycles(Season.Stories[0]));
    }

    public void Dispose() => farm.Dispose();
}
