using AngleSharp.Html.Parser;
using Dorsk.Core.People;

namespace Dorsk.Web.Tests;

/// <summary>What stands behind every figure: a method, what went in and how that is known, a source.</summary>
public class WhyTests(SmallFarm farm) : IClassFixture<SmallFarm>
{
    [Theory]
    [InlineData("/", 2)]
    [InlineData("/oxygen", 1)]
    [InlineData("/feed", 1)]
    [InlineData("/season", 1)]
    [InlineData("/ponds/P1/water", 5)]
    [InlineData("/ponds/P1/stock", 5)]
    [InlineData("/ponds/P1/feed", 6)]
    [InlineData("/ponds/P1/growth", 6)]
    public async Task Every_figure_of_a_pond_says_how_it_is_known(string url, int least)
    {
        var manager = await farm.As(Role.Manager);
        var page = new HtmlParser().ParseDocument(await manager.Client.GetStringAsync(url));
        var cards = page.QuerySelectorAll(".why-card");
        Assert.True(cards.Length >= least, $"{cards.Length} figures with grounds");
        Assert.All(cards, card =>
        {
            Assert.True(card.QuerySelector("p")!.TextContent.Length > 20, card.TextContent);
            Assert.Matches("^Source: .{4,}", card.QuerySelector("p.tiny")!.TextContent);
            var inputs = card.QuerySelectorAll("dt").Length;
            Assert.Equal(inputs, card.QuerySelectorAll("dd.how").Length);
            Assert.All(card.QuerySelectorAll("dd"), d =>
                Assert.True(d.TextContent.Trim().Length > 0, card.TextContent)
            );
            // A figure that was read says when: a clock face or a day stands in how it is known.
            Assert.All(
                card.QuerySelectorAll("dd.how")
                    .Select(d => d.TextContent)
                    .Where(k => k.StartsWith("read ", StringComparison.Ordinal)),
                k => Assert.Matches(@"\d", k)
            );
        });
    }
}
