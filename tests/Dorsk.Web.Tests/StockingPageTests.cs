using System.Net;
using AngleSharp.Dom;
using AngleSharp.Html.Parser;
using Dorsk.Core.People;

namespace Dorsk.Web.Tests;

/// <summary>The stocking plan through its page: units, what it refuses, kept and opened again, and how fast it answers.</summary>
public class StockingPageTests(SmallFarm farm) : IClassFixture<SmallFarm>
{
    private static readonly Dictionary<string, string> Metric = new()
    {
        ["species"] = "silver_perch",
        ["from"] = "10 g",
        ["target"] = "500 g",
        ["survival"] = "85",
        ["on"] = "2027-03-01",
        ["own"] = "",
        ["sexes"] = "",
        ["system"] = "Earthen",
        ["area"] = "0.4 ha",
        ["volume"] = "5200 m3",
        ["kw"] = "2.2 kW",
        ["kind"] = Dorsk.Core.Ponds.AeratorKind.All[0].Name,
        ["flow"] = "0",
        ["school"] = "",
        ["share"] = "100",
        ["beside"] = "",
        ["besideg"] = "",
        ["wantedkg"] = "900 kg",
        ["by"] = "2028-12-01",
        ["lead"] = "",
        ["onhand"] = "5000",
        ["months"] = "27 26.5 25 22 19 16 15 16 19 22 24 26",
        ["pfish"] = "0.4",
        ["pfeed"] = "1.7",
        ["pkg"] = "12",
        ["pkwh"] = "0.3",
        ["pother"] = "2500",
    };

    internal static string Query(params (string Key, string Value)[] other) =>
        "/plans/stocking?"
        + string.Join(
            "&",
            Metric
                .Select(m =>
                    other.FirstOrDefault(o => o.Key == m.Key) is { Key: not null } o
                        ? (m.Key, o.Value)
                        : (m.Key, m.Value)
                )
                .Select(p => $"{p.Key}={Uri.EscapeDataString(p.Value)}")
        );

    private static async Task<IElement> Answer(Visitor visitor, string address)
    {
        var answer = await visitor.Client.GetAsync(address);
        Assert.Equal(HttpStatusCode.OK, answer.StatusCode);
        return new HtmlParser().ParseDocument(await answer.Content.ReadAsStringAsync()).QuerySelector(".bench-out")!;
    }

    // Figures without their whys, which name what was typed.
    private static string Figures(IElement e)
    {
        foreach (var card in e.QuerySelectorAll(".why-card, form, .slip-do"))
            card.Remove();
        return string.Join(' ', e.TextContent.Split((char[]?)null, StringSplitOptions.RemoveEmptyEntries));
    }

    [Fact]
    public async Task No_price_is_invented_and_what_is_left_out_is_named()
    {
        var manager = await farm.As(Role.Manager);
        var form = new HtmlParser().ParseDocument(await manager.Client.GetStringAsync("/plans/stocking"));
        foreach (var price in new[] { "pfish", "pkg", "pother" })
            Assert.Equal("", form.QuerySelector($"[name={price}]")!.GetAttribute("value"));
        var full = Figures(await Answer(manager, Query()));
        Assert.Contains("As planned", full, StringComparison.Ordinal);
        Assert.DoesNotContain("Left out of the cost", full, StringComparison.Ordinal);
        var open = Figures(await Answer(manager, Query(("pkg", ""), ("pfish", ""), ("pother", ""))));
        Assert.Contains(
            "Left out of the cost, because no price was typed: fingerlings, other costs.",
            open,
            StringComparison.Ordinal
        );
        Assert.Contains("No farm-gate price was typed", open, StringComparison.Ordinal);
        Assert.Contains("Break-even price", open, StringComparison.Ordinal);
        Assert.DoesNotContain("As planned", open, StringComparison.Ordinal);
        Assert.DoesNotContain("margin, energy paid", open, StringComparison.OrdinalIgnoreCase);
        // Money of any size: 35,000 a kilogram.
        Assert.Contains(
            "As planned",
            Figures(await Answer(manager, Query(("pkg", "35000")))),
            StringComparison.Ordinal
        );
    }

    [Fact]
    public async Task The_same_pond_in_feet_and_pounds_gives_the_same_fish()
    {
        var visitor = await farm.As(Role.Manager);
        var metric = Figures(await Answer(visitor, Query()));
        var us = Figures(
            await Answer(
                visitor,
                Query(
                    ("area", "43055.64167 ft2"),
                    ("volume", "183636.26666 ft3"),
                    ("from", "0.352739619 oz"),
                    ("target", "1.10231131 lb"),
                    ("kw", "2.950248595 hp"),
                    ("wantedkg", "1984.160358 lb"),
                    ("months", "80.6F 79.7F 77F 71.6F 66.2F 60.8F 59F 60.8F 66.2F 71.6F 75.2F 78.8F")
                )
            )
        );
        Assert.Equal(metric, us);
        Assert.Contains("is the lowest limit: ", metric, StringComparison.Ordinal);
        Assert.Contains("Fingerlings for", metric, StringComparison.Ordinal);
        Assert.Contains("5,000 on hand, parted", metric, StringComparison.Ordinal);
    }

    [Fact]
    public async Task Mixed_or_one_sex_stand_side_by_side_with_the_mass_behind_them()
    {
        var manager = await farm.As(Role.Manager);
        var unsaid = Figures(await Answer(manager, Query(("species", "nile_tilapia"), ("target", "400 g"))));
        Assert.Contains("Nile tilapia breeds in the pond: say whether", unsaid, StringComparison.Ordinal);
        Assert.Contains("One sex", unsaid, StringComparison.Ordinal);
        var mixed = Figures(
            await Answer(manager, Query(("species", "nile_tilapia"), ("target", "400 g"), ("sexes", "Mixed")))
        );
        Assert.Contains("Mixed sex taken", mixed, StringComparison.Ordinal);
        Assert.Contains("growth stalls at about 250 g", mixed, StringComparison.Ordinal);
        Assert.DoesNotContain("Mixed sex", Figures(await Answer(manager, Query())), StringComparison.Ordinal);
    }

    [Theory]
    [InlineData("2028-12-01", "20", "order the fish by")]
    [InlineData("2028-12-01", "300", "order the fish now, it was due")]
    [InlineData("2028-12-01", "", "as early as the hatchery asks")]
    public async Task Fish_are_ordered_by_the_hatchery_s_own_lead_days(string by, string lead, string says) =>
        Assert.Contains(
            says,
            Figures(await Answer(await farm.As(Role.Manager), Query(("by", by), ("lead", lead)))),
            StringComparison.Ordinal
        );

    [Theory]
    [InlineData("survival", "0", "outside")]
    [InlineData("target", "8 g", "above the weight at stocking")]
    [InlineData("months", "27 26 25", "Twelve water temperatures")]
    [InlineData("area", "-3", "outside")]
    [InlineData("volume", "a lot", "")]
    [InlineData("on", "soon", "")]
    [InlineData("own", "2.5", "whole")]
    [InlineData("species", "unicorn", "")]
    [InlineData("share", "0", "outside")]
    public async Task What_cannot_be_is_refused_at_its_line(string field, string typed, string says)
    {
        var visitor = await farm.As(Role.Viewer);
        var page = new HtmlParser().ParseDocument(await visitor.Client.GetStringAsync(Query((field, typed))));
        Assert.NotNull(page.QuerySelector($"[name={field}][aria-invalid=true]"));
        Assert.Contains(says, page.QuerySelector(".slip")!.TextContent, StringComparison.Ordinal);
        Assert.Contains("to look at", page.QuerySelector(".bench-out")!.TextContent, StringComparison.Ordinal);
    }

    [Fact]
    public async Task A_predator_beside_them_stands_against_it()
    {
        var visitor = await farm.As(Role.Viewer);
        Assert.Contains(
            "can be swallowed",
            (await Answer(visitor, Query(("beside", "barramundi"), ("besideg", "900 g")))).TextContent,
            StringComparison.Ordinal
        );
        Assert.DoesNotContain(
            "can be swallowed",
            (await Answer(visitor, Query(("beside", "silver_carp"), ("besideg", "900 g")))).TextContent,
            StringComparison.Ordinal
        );
    }

    [Fact]
    public async Task A_kept_plan_says_the_same_when_it_is_opened_again_and_stands_beside_others()
    {
        var visitor = await farm.As(Role.Manager);
        var before = Figures(await Answer(visitor, Query()));
        await visitor.Token("/plans/stocking");
        Assert.Equal(
            HttpStatusCode.OK,
            (await visitor.Post(Query() + "&handler=Keep", new() { ["name"] = " " })).StatusCode
        );
        var answer = await visitor.Post(Query() + "&handler=Keep", new() { ["name"] = "First" });
        Assert.Equal("/plans", answer.Headers.Location?.ToString());
        await visitor.Post(Query(("target", "700 g")) + "&handler=Keep", new() { ["name"] = "Larger fish" });
        var list = new HtmlParser().ParseDocument(await visitor.Client.GetStringAsync("/plans"));
        Assert.Equal(2, list.QuerySelectorAll("thead a").Length);
        var first = list.QuerySelectorAll("thead a").Single(a => a.TextContent == "First").GetAttribute("href")!;
        Assert.Equal(before, Figures(await Answer(visitor, first)));
        await visitor.Token("/plans");
        await visitor.Post("/plans?handler=Drop", new() { ["plan"] = first.Split('=')[1] });
        Assert.Single(
            new HtmlParser().ParseDocument(await visitor.Client.GetStringAsync("/plans")).QuerySelectorAll("thead a")
        );
    }
}
