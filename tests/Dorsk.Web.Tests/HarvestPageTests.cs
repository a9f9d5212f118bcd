using System.Net;
using System.Text.RegularExpressions;
using Dorsk.Core.Harvest;
using Dorsk.Core.Judging;
using Dorsk.Core.People;
using Dorsk.Core.Stock;
using Dorsk.Farm;
using Dorsk.Farm.Log;
using Microsoft.Extensions.DependencyInjection;

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
            ["temp"] = "26",
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
    [InlineData("temp", "", "")]
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

    [Fact]
    public async Task A_sale_is_priced_by_the_list_held_against_cost_and_traced_to_its_buyer_and_back()
    {
        var manager = await farm.As(Role.Manager);
        var when = new Dictionary<string, string> { ["Day"] = "2027-01-21", ["Hour"] = "15:00" };
        async Task<HttpResponseMessage> Slip(string path, params (string, string)[] lines)
        {
            var slip = new Dictionary<string, string>(when);
            foreach (var (name, value) in lines)
                slip[name] = value;
            return await manager.Post(path, slip);
        }
        Assert.Equal(
            HttpStatusCode.Redirect,
            (await Slip("/slip/buyer", ("Name", "Plant at the river"), ("Kind", "Plant"))).StatusCode
        );
        Assert.Equal(
            HttpStatusCode.Redirect,
            (
                await Slip(
                    "/slip/price",
                    ("Buyer", ""),
                    ("Species", "silver_perch"),
                    ("Form", "WholeOnIce"),
                    ("From", "0"),
                    ("Price", "14")
                )
            ).StatusCode
        );
        var harvest = Taken();
        var page = await manager.Client.GetStringAsync("/ponds/P1/slip/sale");
        var buyer = Regex.Match(page, "value=\"(\\d+)\"[^>]*>Plant at the river").Groups[1].Value;
        (string, string)[] sale =
        [
            ("Hour", "16:30"),
            ("Lot", harvest.ToString(System.Globalization.CultureInfo.InvariantCulture)),
            ("Use", "Sold"),
            ("Buyer", buyer),
            ("Form", "WholeOnIce"),
            ("Gross", "4"),
            ("Crates", "1"),
            ("Tare", "1"),
            ("Yield", "100"),
            ("Price", ""),
        ];
        var live = PageText.Plain(
            await (await Slip("/ponds/P1/slip/sale?handler=live", sale)).Content.ReadAsStringAsync()
        );
        Assert.Contains("42.00", live, StringComparison.Ordinal);
        Assert.Matches(@"Without crates.*?3\.0", live);
        var heavy = PageText.Plain(
            await (await Slip("/ponds/P1/slip/sale", [.. sale, ("Tare", "9")])).Content.ReadAsStringAsync()
        );
        Assert.Contains("The crates weigh", heavy, StringComparison.Ordinal);
        // Nobody tasted them: asked, then meant.
        Assert.Contains(
            "No taste test speaks",
            PageText.Plain(await (await Slip("/ponds/P1/slip/sale", sale)).Content.ReadAsStringAsync()),
            StringComparison.Ordinal
        );
        Assert.Equal(HttpStatusCode.OK, (await manager.Client.GetAsync("/lots")).StatusCode);
        Assert.Equal(HttpStatusCode.NotFound, (await manager.Client.GetAsync("/lots/999999")).StatusCode);
        Assert.Equal(HttpStatusCode.NotFound, (await manager.Client.GetAsync("/lots?feed=999999")).StatusCode);
        Enter(
            new FishSold(
                farm.PondId,
                harvest,
                LotUse.Sold,
                long.Parse(buyer, System.Globalization.CultureInfo.InvariantCulture),
                FishForm.WholeOnIce,
                4,
                1,
                1
            )
            {
                MinorPerKg = 1400,
            }
        );
        var lot = await manager.Client.GetStringAsync($"/lots/{harvest}");
        Assert.Matches("Plant at the river .*3.0 kg", PageText.Plain(lot));
        Assert.Matches("class=\"qr\"[^>]*>\\s*<path d=\"M4 4h1v1", lot);
        var csv = await manager.Client.GetStringAsync($"/lots/{harvest}?handler=Csv");
        Assert.Contains("Plant at the river,3", csv, StringComparison.Ordinal);
        Assert.Contains("stocked,", csv, StringComparison.Ordinal);
        Assert.Matches("3.0 kg .*42.00", PageText.Plain(await manager.Client.GetStringAsync("/lots")));
    }

    [Fact]
    public async Task The_season_sheet_adds_up_what_was_stocked_lost_and_taken()
    {
        var hand = await farm.As(Role.PondHand);
        Taken();
        Enter(new FishLost(farm.PondId, farm.BatchLine, 7, Account.Eaten, "cormorants"), SmallFarm.Now.AddHours(-2));
        var csv = (await hand.Client.GetStringAsync("/harvest/sheet?handler=Csv")).Split('\n');
        var (names, row) = (
            csv[0].TrimEnd('\r').Split(','),
            csv.First(l => l.StartsWith("P1,", StringComparison.Ordinal)).Split(',')
        );
        string Of(string name) => row[Array.IndexOf(names, name)];
        Assert.Equal(("7", "20", "5.0"), (Of("eaten"), Of("taken fish"), Of("taken kg")));
        Assert.Equal("", Of("to"));
        var page = PageText.Plain(await hand.Client.GetStringAsync("/harvest/sheet"));
        Assert.Matches("P1 Silver perch .*stands", page);
        // A year in which nothing stood yet; a day that is none is the usual year.
        Assert.Contains(
            "No fish stood here",
            await hand.Client.GetStringAsync("/harvest/sheet?from=2001-01-01"),
            StringComparison.Ordinal
        );
        Assert.Matches("stands", await hand.Client.GetStringAsync("/harvest/sheet?from=someday"));
    }

    [Fact]
    public async Task The_calculators_of_a_net_day_say_what_the_core_says()
    {
        var hand = await farm.As(Role.PondHand);
        async Task<string> Of(string query) => PageText.Plain(await hand.Client.GetStringAsync("/workbench/" + query));
        // Silver perch of 400 g are 32 cm long and 4.2 cm thick by their tables: half of them pass bars of that gap.
        var perch = Dorsk.Core.Species.FishSpecies.Of("silver_perch");
        var gap = BodyShape
            .GapMm(perch, 400, GraderKind.Bars)
            .ToString("0.0", System.Globalization.CultureInfo.InvariantCulture);
        Assert.Contains(
            $"Gap for 400 g {gap} mm",
            await Of("grading?species=silver_perch&weight=350&count=1000&cv=20&kind=Bars&gap=30&least=400"),
            StringComparison.Ordinal
        );
        // 3.35 × 500 × 24 / (334 + 4.186) = 118.9 kg, a fifth lost: 142.6 kg to chill.
        Assert.Contains(
            "To chill 142.6 kg",
            await Of("ice?mass=500&from=25&to=1&water=0&loss=20&crate=25&hours=0&air=25"),
            StringComparison.Ordinal
        );
        Assert.Contains(
            "Length 45.00 m",
            await Of("seine?species=silver_perch&weight=450&width=30&depth=1.5&least=200"),
            StringComparison.Ordinal
        );
        Assert.Matches(@"There were (99\d|1,00\d) ", await Of("pulls?p1=500&p2=250&p3=125&p4=&p5=&p6="));
        Assert.Contains("cannot tell", await Of("pulls?p1=100&p2=120&p3=&p4=&p5=&p6="), StringComparison.Ordinal);
        Assert.Contains(
            "Minutes to the act level not known",
            await Of("net-air?species=silver_perch&weight=500&mass=600&water=30&temp=26&do=&flow=0&flowdo=7&act=3"),
            StringComparison.Ordinal
        );
    }

    private long Taken() =>
        Enter(
            new FishHarvested(farm.PondId, farm.BatchLine, 20, 5, CountBasis.Counted, Account.Harvested, false, ""),
            SmallFarm.Now.AddHours(-3)
        );

    private long Enter(Fact fact, DateTimeOffset? at = null)
    {
        var door = farm.Services.GetRequiredService<Door>();
        var entry = Entry.Of(Guid.NewGuid(), "Manager", at ?? SmallFarm.Now, fact, "t", []);
        var receipt = door.Enter(entry);
        if (!receipt.Accepted)
            receipt = door.Enter(entry with { Meant = [.. receipt.Remarks.Select(r => r.Text)] });
        Assert.True(receipt.Accepted, string.Join("; ", receipt.Remarks.Select(r => r.Text)));
        return receipt.Lines[0];
    }
}
