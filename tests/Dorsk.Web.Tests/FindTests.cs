using System.Net;
using AngleSharp.Html.Parser;
using Dorsk.Core.People;
using Microsoft.AspNetCore.Mvc.RazorPages;
using Microsoft.AspNetCore.Routing;
using Microsoft.Extensions.DependencyInjection;

namespace Dorsk.Web.Tests;

/// <summary>Everything can be found: the map holds every page, no address of it is dead, and a word leads to what it names.</summary>
public class FindTests(SmallFarm farm) : IClassFixture<SmallFarm>
{
    // What is come to by the way: signing in, the first start, a page after a fault, what a form sends.
    private static readonly string[] Aside =
    [
        "/sign-in",
        "/sign-out",
        "/first",
        "/error",
        "/theme",
        "/find",
        "/photo",
        "/fish-health/bath",
        "/fish-health/look",
        "/tour",
        "/plans/order",
    ];

    private static List<(string Title, string Address)> Links(string html) =>
        [
            .. new HtmlParser()
                .ParseDocument(html)
                .QuerySelectorAll("main .found a")
                .Select(a => (a.TextContent.Trim(), a.GetAttribute("href")!)),
        ];

    [Theory]
    [InlineData(Role.Manager, 90)]
    [InlineData(Role.PondHand, 60)]
    [InlineData(Role.Viewer, 50)]
    public async Task No_address_of_the_map_is_dead_or_shut(Role role, int least)
    {
        var visitor = await farm.As(role);
        var links = Links(await visitor.Client.GetStringAsync("/find"));
        Assert.True(links.Count >= least, $"{links.Count} entries");
        Assert.Equal(links.Count, links.Select(l => l.Address).Distinct().Count());
        List<string> dead = [];
        foreach (var (title, address) in links)
        {
            using var answer = await visitor.Client.GetAsync(address, HttpCompletionOption.ResponseHeadersRead);
            if (answer.StatusCode != HttpStatusCode.OK)
                dead.Add($"{title}: {address} answers {(int)answer.StatusCode}");
        }
        Assert.Empty(dead);
    }

    [Fact]
    public async Task Every_page_of_the_program_stands_on_the_map()
    {
        var manager = await farm.As(Role.Manager);
        var there = Links(await manager.Client.GetStringAsync("/find")).Select(l => l.Address).ToHashSet();
        var pages = farm
            .Services.GetServices<EndpointDataSource>()
            .SelectMany(s => s.Endpoints)
            .OfType<RouteEndpoint>()
            .Where(e => e.Metadata.GetMetadata<PageActionDescriptor>() is not null)
            .Select(e => "/" + e.RoutePattern.RawText!.TrimStart('/').Split("/{")[0])
            .Where(p => !p.StartsWith("/slip", StringComparison.Ordinal) && !p.Contains('{'))
            .Distinct()
            .ToList();
        Assert.True(pages.Count > 40, $"{pages.Count} pages");
        string[] ofAnother =
        [
            "/acclimate",
            "/hatchery/fry",
            "/hatchery/lot",
            "/setup/plan.geojson",
            "/log",
            "/lists/import",
            "/workbench",
        ];
        Assert.Equal([], pages.Except(there).Except(Aside).Except(ofAnother));
    }

    [Theory]
    [InlineData("p1 reading", "/ponds/P1/slip/reading")]
    [InlineData("P1", "/ponds/P1")]
    [InlineData("p1 acclim", "/ponds/P1/acclimate")]
    [InlineData("feed store", "/feed/store")]
    [InlineData("SATURATION", "/workbench/saturation")]
    [InlineData("calibration", "/setup/instruments")]
    [InlineData("working alone", "/slip/lone")]
    public async Task A_word_leads_to_what_it_names(string typed, string first)
    {
        var manager = await farm.As(Role.Manager);
        foreach (var handler in new[] { "", "&handler=Part" })
        {
            var html = await manager.Client.GetStringAsync($"/find?q={Uri.EscapeDataString(typed)}{handler}");
            var found = handler.Length == 0 ? Links(html) : Links($"<main>{html}</main>");
            Assert.Equal(first, found[0].Address);
        }
    }

    [Fact]
    public async Task A_term_is_explained_nonsense_is_said_and_nobody_is_led_where_they_may_not_go()
    {
        var (manager, viewer) = (await farm.As(Role.Manager), await farm.As(Role.Viewer));
        async Task<string> Page(Visitor v, string typed) =>
            PageText.Plain(await v.Client.GetStringAsync("/find?q=" + Uri.EscapeDataString(typed)));
        Assert.Matches("carrying capacity .*biomass a pond can carry", await Page(manager, "carrying capacity"));
        Assert.Contains("Nothing of that name", await Page(manager, "sea serpent"), StringComparison.Ordinal);
        Assert.Contains("Nothing of that name", await Page(manager, new string('x', 500)), StringComparison.Ordinal);
        Assert.DoesNotContain(
            "slip/",
            await viewer.Client.GetStringAsync("/find?q=P1+reading"),
            StringComparison.Ordinal
        );
        Assert.DoesNotContain(
            "/setup/people",
            await viewer.Client.GetStringAsync("/find?q=people"),
            StringComparison.Ordinal
        );
    }

    [Fact]
    public async Task Each_page_marks_its_group_of_the_menu_and_itself()
    {
        var manager = await farm.As(Role.Manager);
        var map = new HtmlParser().ParseDocument(await manager.Client.GetStringAsync("/find"));
        List<string> astray = [];
        foreach (var section in map.QuerySelectorAll("main .map section"))
        {
            var group = section.QuerySelector("h2")!.TextContent;
            foreach (var link in section.QuerySelectorAll("a").Select(a => a.GetAttribute("href")!))
            {
                var page = new HtmlParser().ParseDocument(await manager.Client.GetStringAsync(link));
                var open = page.QuerySelectorAll(".places a[aria-current=true]").Select(a => a.TextContent).ToList();
                var marked = page.QuerySelectorAll(".pages a[aria-current]").Select(a => a.GetAttribute("href")!);
                var slip = link.StartsWith("/slip/", StringComparison.Ordinal);
                if (open.Count != 1 || (!slip && open[0] != group))
                    astray.Add($"{link} of {group} marks {string.Join(", ", open)}");
                if (
                    !slip
                    && page.QuerySelector(".pages") is not null
                    && !marked.All(m => link.StartsWith(m, StringComparison.Ordinal))
                )
                    astray.Add($"{link} marks {string.Join(", ", marked)}");
            }
        }
        Assert.Equal([], astray);
    }

    [Fact]
    public async Task What_was_used_last_stands_first_and_only_what_is_there()
    {
        var manager = await farm.As(Role.Manager);
        foreach (var key in new[] { "air", "salt", "no-such", "air", "drain" })
            (await manager.Client.GetAsync("/workbench/" + key)).Dispose();
        (await manager.Client.GetAsync("/setup/people")).Dispose();
        async Task<List<string>> Last(string shelf) =>
            [
                .. new HtmlParser()
                    .ParseDocument(await manager.Client.GetStringAsync(shelf))
                    .QuerySelectorAll(".last a")
                    .Select(a => a.GetAttribute("href")!),
            ];
        Assert.Equal(["/workbench/drain", "/workbench/air", "/workbench/salt"], await Last("/workbench"));
        Assert.Equal(["/setup/people"], await Last("/setup"));
    }
}
