using System.Net;
using System.Text.RegularExpressions;
using Dorsk.Core.People;

namespace Dorsk.Web.Tests;

/// <summary>The plan of a day of fishing on its page: hours, bookings, air in the net, bad input at its line.</summary>
public sealed class HarvestPageTests : IDisposable
{
    private readonly SmallFarm farm = new();

    public void Dispose() => farm.Dispose();

    private static string Query(params (string Name, string Value)[] other)
    {
        var lines = new Dictionary<string, string>
        {
            ["on"] = "2027-01-25",
            ["by"] = "10:00",
            ["form"] = "Harvested",
            ["least"] = "0",
            ["road"] = "1.5",
            ["draw"] = "0.6",
            ["pipe"] = "20",
            ["pump"] = "",
            ["pulls"] = "2",
            ["minutes"] = "40",
            ["rate"] = "400",
            ["sock"] = "20",
            ["through"] = "0",
            ["oxygen"] = "6",
            ["basket"] = "30",
            ["crate"] = "20",
            ["hold"] = "4",
            ["insulated"] = "true",
            ["tank"] = "1000",
        };
        foreach (var (name, value) in other)
            lines[name] = value;
        return string.Join('&', lines.Select(l => $"{l.Key}={Uri.EscapeDataString(l.Value)}"));
    }

    [Fact]
    public async Task A_day_is_planned_to_the_minute_and_the_crate()
    {
        var hand = await farm.As(Role.PondHand);
        var list = PageText.Plain(await hand.Client.GetStringAsync("/harvest"));
        Assert.Matches(@"P1 .*over market size|P1 ", list);
        var page = PageText.Plain(await hand.Client.GetStringAsync("/harvest/P1?" + Query()));
        Assert.Matches("08:30 truck leaves", page);
        Assert.Matches("outlet opened", page);
        Assert.Matches(@"\d+ minutes until the act level", page);
        Assert.Matches(@"crates \d+", page);
        // Oxygen that nobody read is never called safe.
        var unread = PageText.Plain(await hand.Client.GetStringAsync("/harvest/P1?" + Query(("oxygen", ""))));
        Assert.Contains("oxygen in the net is not known", unread, StringComparison.Ordinal);
        Assert.DoesNotContain("minutes until", unread, StringComparison.Ordinal);
        // Fewer fish, above a weight: what is taken falls, and the bar for it is told.
        var graded = PageText.Plain(await hand.Client.GetStringAsync("/harvest/P1?" + Query(("least", "1"))));
        Assert.Contains("knot to knot", graded, StringComparison.Ordinal);
    }

    [Theory]
    [InlineData("on", "2026-01-01", "A day from today on")]
    [InlineData("on", "soon", "date")]
    [InlineData("by", "25:00", "An hour as 06:30")]
    [InlineData("draw", "9", "not above it")]
    [InlineData("pipe", "", "width of the pipe")]
    [InlineData("basket", "0", "what can be worked with")]
    [InlineData("least", "40000", "No fish are that heavy")]
    [InlineData("pulls", "99", "outside 1 to 10")]
    [InlineData("rate", "lots", "")]
    [InlineData("form", "Eaten", "way of transport")]
    public async Task Bad_input_is_told_at_its_line_and_kept(string field, string value, string told)
    {
        var hand = await farm.As(Role.PondHand);
        var answer = await hand.Client.GetAsync("/harvest/P1?" + Query((field, value)));
        Assert.Equal(HttpStatusCode.OK, answer.StatusCode);
        var html = await answer.Content.ReadAsStringAsync();
        Assert.Contains("to look at", PageText.Plain(html), StringComparison.Ordinal);
        Assert.Contains(told, WebUtility.HtmlDecode(html), StringComparison.OrdinalIgnoreCase);
        Assert.Matches(new Regex($"name=\"{field}\"[^>]*aria-invalid=\"true\"|id=\"w-{field}\""), html);
        Assert.DoesNotContain("truck leaves", html, StringComparison.Ordinal);
    }

    [Fact]
    public async Task What_is_not_there_is_not_found()
    {
        var hand = await farm.As(Role.PondHand);
        Assert.Equal(HttpStatusCode.NotFound, (await hand.Client.GetAsync("/harvest/P99")).StatusCode);
        Assert.Equal(HttpStatusCode.NotFound, (await hand.Client.GetAsync("/harvest/P1?batch=999999")).StatusCode);
    }
}
