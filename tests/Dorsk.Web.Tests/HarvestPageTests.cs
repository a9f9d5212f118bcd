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

    [Fact]
    public async Task Baskets_of_the_phone_are_tallied_asked_about_and_closed_into_the_ledger()
    {
        var other = Enter(
            new Core.Ponds.PondBuilt(
                new Core.Ponds.Pond(
                    0,
                    "B9",
                    "",
                    Core.Ponds.PondKind.Earthen,
                    new Core.Ponds.SlopedRectangle(20, 10, 1.2, 2),
                    "brood"
                )
            ),
            SmallFarm.Now.AddDays(-9)
        );
        var net = Enter(
            new NetDayBegun(0, farm.PondId, farm.BatchLine, 30, 0, 80, 120, 300, "two") { Reason = "ordered" },
            SmallFarm.Now.AddMinutes(-50)
        );
        var manager = await farm.As(Role.Manager);
        async Task<string> Phone(string id, double ago, params (string Key, string Value)[] values)
        {
            var stop = new
            {
                id,
                kind = "net",
                pond = "P1",
                at = 1_000_000_000 - (ago * 60_000),
                values = values
                    .Append(("net", net.ToString(System.Globalization.CultureInfo.InvariantCulture)))
                    .Append(("pull", "1"))
                    .ToDictionary(v => v.Item1, v => v.Item2),
                behaviour = "",
                sure = Array.Empty<string>(),
                meant = Array.Empty<string>(),
            };
            var answer = await manager.Json(
                "/round?handler=Keep",
                System.Text.Json.JsonSerializer.Serialize(new { phoneNow = 1_000_000_000, stops = new[] { stop } })
            );
            return await answer.Content.ReadAsStringAsync();
        }
        (string, string)[] Basket(string gross) =>
            [("what", "basket"), ("fate", "OnIce"), ("gross", gross), ("tare", "2")];
        var first = Guid.NewGuid().ToString();
        Assert.Contains("\"kept\":true", await Phone(first, 40, Basket("17")), StringComparison.Ordinal);
        Assert.Contains("\"kept\":true", await Phone(first, 39, Basket("17")), StringComparison.Ordinal);
        foreach (var gross in new[] { "16", "18" })
            Assert.Contains(
                "\"kept\":true",
                await Phone(Guid.NewGuid().ToString(), 30, Basket(gross)),
                StringComparison.Ordinal
            );
        Assert.Contains(
            "those before weighed",
            await Phone(Guid.NewGuid().ToString(), 20, Basket("51")),
            StringComparison.Ordinal
        );
        Assert.Contains(
            "as much as the full one",
            await Phone(Guid.NewGuid().ToString(), 20, Basket("1.9")),
            StringComparison.Ordinal
        );
        Assert.Contains(
            "does not know",
            await Phone(Guid.NewGuid().ToString(), 20, ("what", "magic")),
            StringComparison.Ordinal
        );
        var card = await manager.Client.GetStringAsync("/harvest/P1/net?handler=Card");
        Assert.Matches("\"kg\":45[,.]", card);
        Assert.Matches("\"baskets\":3,", card);
        Assert.Matches("\"usual\":\\{\"OnIce\":\\{\"low\":5", card);
        // Three baskets and nothing on ice since the first.
        Assert.Matches("\"notIcedMin\":(39|40)", card);
        var page = PageText.Plain(await manager.Client.GetStringAsync("/harvest/P1/net"));
        Assert.Matches(@"on ice 45.0 kg 150 300 g 3", page);
        Assert.Contains("one pull alone tells nothing", page, StringComparison.Ordinal);
        // One basket for breeding, one that died: each to its own account.
        foreach (var fate in new[] { "SetAside", "Dead" })
            Assert.Contains(
                "\"kept\":true",
                await Phone(
                    Guid.NewGuid().ToString(),
                    15,
                    ("what", "basket"),
                    ("fate", fate),
                    ("gross", "8"),
                    ("tare", "2"),
                    ("count", "20")
                ),
                StringComparison.Ordinal
            );
        var slip = PageText.Plain(await manager.Client.GetStringAsync("/ponds/P1/slip/net-close"));
        Assert.Contains("missed under the lead line", slip, StringComparison.Ordinal);
        var closed = await manager.Post(
            "/ponds/P1/slip/net-close",
            new Dictionary<string, string>
            {
                ["Day"] = "2027-01-21",
                ["Hour"] = "17:39",
                ["Damaged"] = "5",
                ["Aside"] = other.ToString(System.Globalization.CultureInfo.InvariantCulture),
                ["meant"] = "true",
                ["Note"] = "crushed",
            }
        );
        Assert.Equal(HttpStatusCode.Redirect, closed.StatusCode);
        var sheet = PageText.Plain(await manager.Client.GetStringAsync("/harvest/P1/net"));
        Assert.Contains("closed, in the ledger", sheet, StringComparison.Ordinal);
        Assert.Contains("5 of 20 damaged: not sold alive", sheet, StringComparison.Ordinal);
        Assert.Matches("45.0 kg", PageText.Plain(await manager.Client.GetStringAsync("/lots")));
        var ledger = PageText.Plain(await manager.Client.GetStringAsync("/ponds/P1/stock"));
        Assert.Matches(@"at the net crushed", ledger);
        Assert.Contains(
            "20 × 300",
            PageText.Plain(await manager.Client.GetStringAsync("/ponds/B9/stock")),
            StringComparison.Ordinal
        );
    }

    [Fact]
    public async Task Orders_stand_in_their_queue_and_a_dispatch_note_goes_with_a_sale()
    {
        var manager = await farm.As(Role.Manager);
        var harvest = Enter(
            new FishHarvested(farm.PondId, farm.BatchLine, 20, 6, CountBasis.Counted, Account.Harvested, false, ""),
            SmallFarm.Now.AddMinutes(-60)
        );
        var buyer = Enter(new BuyerDescribed(0, "Plant at the river", BuyerKind.Plant, false));
        var due = DateOnly.FromDateTime(SmallFarm.Now.UtcDateTime).AddDays(2);
        var order = Enter(
            new FishOrdered(0, buyer, "silver_perch", FishForm.WholeOnIce, 0, 10_000, due, false, "plate size")
        );
        var page = PageText.Plain(await manager.Client.GetStringAsync("/orders"));
        Assert.Matches(@"Plant at the river .*10.?000 kg .* plate size", page);
        Assert.Matches(@"6\.0 kg", page);
        var sale = Enter(
            new FishSold(farm.PondId, harvest, LotUse.Sold, buyer, FishForm.WholeOnIce, 4, 1, 1)
            {
                MinorPerKg = 1400,
                OrderId = order,
                TempC = 2,
            }
        );
        var note = PageText.Plain(await manager.Client.GetStringAsync($"/lots/{harvest}/note/{sale}"));
        Assert.Matches(@"to Plant at the river .*fish, without crates 3\.0 kg", note);
        Assert.Contains("42.00", note, StringComparison.Ordinal);
        Assert.Contains("none ran when they were taken out", note, StringComparison.Ordinal);
        Assert.Equal(
            HttpStatusCode.NotFound,
            (await manager.Client.GetAsync($"/lots/{harvest}/note/{harvest}")).StatusCode
        );
        Assert.Matches(@"9.?997 kg", PageText.Plain(await manager.Client.GetStringAsync("/orders")));
    }

    [Fact]
    public async Task Partial_harvests_are_planned_every_few_months_and_no_more_than_stands()
    {
        var manager = await farm.As(Role.Manager);
        Dictionary<string, string> Lines(string count) =>
            new()
            {
                ["Batch"] = farm.BatchLine.ToString(System.Globalization.CultureInfo.InvariantCulture),
                ["First"] = "2027-02-20",
                ["Months"] = "3",
                ["Times"] = "3",
                ["Count"] = count,
                ["Stock"] = "2027-10-01",
                ["Young"] = "500",
                ["Weight"] = "20",
            };
        var many = await manager.Post("/ponds/P1/slip/plan-parts", Lines("900000"));
        Assert.Contains(
            "are more than the",
            PageText.Plain(await many.Content.ReadAsStringAsync()),
            StringComparison.Ordinal
        );
        Assert.Equal(
            HttpStatusCode.Redirect,
            (await manager.Post("/ponds/P1/slip/plan-parts", Lines("50"))).StatusCode
        );
        var plans = farm.Services.GetRequiredService<Farm.Ask.Questions>().Story("P1")!.Plans;
        Assert.Equal(
            [new DateOnly(2027, 2, 20), new(2027, 5, 20), new(2027, 8, 20)],
            plans.Harvests.Select(h => h.Fact.On).Order()
        );
        Assert.Equal(new DateOnly(2027, 10, 1), Assert.Single(plans.Cycles).Fact.StockOn);
    }

    [Fact]
    public async Task A_price_by_count_holds_from_its_mean_weight_and_layers_stand_on_each_other()
    {
        var manager = await farm.As(Role.Manager);
        var price = new Dictionary<string, string>
        {
            ["Day"] = "2027-01-21",
            ["Hour"] = "15:00",
            ["Buyer"] = "",
            ["Species"] = "whiteleg_shrimp",
            ["Form"] = "WholeOnIce",
            ["From"] = "0",
            ["CountPer"] = "40",
            ["Price"] = "21",
        };
        Assert.Equal(HttpStatusCode.Redirect, (await manager.Post("/slip/price", price)).StatusCode);
        var listed = farm.Services.GetRequiredService<Farm.Ask.Questions>().Prices()[^1];
        Assert.Equal(25, listed.FromG, 6);
        var layers = new Dorsk.Web.Parts.SizeLayers([SizeSpread.Of(300, 400, 20), SizeSpread.Of(100, 150, 20)]);
        double Of(string text) => double.Parse(text, System.Globalization.CultureInfo.InvariantCulture);
        // Areas are as the numbers of fish, and no layer covers another.
        Assert.Equal(
            3,
            layers.Shown.Where(b => b.Layer == 0).Sum(b => Of(b.H))
                / layers.Shown.Where(b => b.Layer == 1).Sum(b => Of(b.H)),
            1
        );
        foreach (var bar in layers.Shown.GroupBy(b => b.X))
            Assert.Equal(Of(bar.First().Y), Of(bar.Last().Y) + Of(bar.Last().H), 0.06);
    }
}
