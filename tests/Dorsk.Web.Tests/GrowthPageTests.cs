using System.Text.RegularExpressions;
using Dorsk.Core.Feeding;
using Dorsk.Core.People;
using Dorsk.Core.Stock;
using Dorsk.Farm;
using Dorsk.Farm.Log;
using Microsoft.Extensions.DependencyInjection;

namespace Dorsk.Web.Tests;

/// <summary>The growth page of a pond that was sampled twice, fish by fish.</summary>
public class GrowthPageTests(SmallFarm farm) : IClassFixture<SmallFarm>
{
    [Fact]
    public async Task The_growth_page_puts_three_counts_a_week_and_the_stages_side_by_side()
    {
        var door = farm.Services.GetRequiredService<Door>();
        void Enter(Core.Judging.Fact fact, double daysAgo)
        {
            var entry = Entry.Of(Guid.NewGuid(), "Manager", SmallFarm.Now.AddDays(-daysAgo), fact);
            var receipt = door.Enter(entry);
            if (!receipt.Accepted)
                receipt = door.Enter(entry with { Meant = [.. receipt.Remarks.Select(r => r.Text)] });
            Assert.True(receipt.Accepted, string.Join(" | ", receipt.Remarks.Select(r => r.Text)));
        }
        FishSampled Sample(double meanG) =>
            new(
                farm.PondId,
                farm.BatchLine,
                true,
                [.. Enumerable.Range(0, 30).Select(i => (1, meanG + (2.0 * (i - 15))))]
            );
        Enter(Sample(95), 60);
        Enter(new FeedingGiven(farm.PondId, FeedOf(), 20), 40);
        Enter(Sample(150), 20);
        var viewer = await farm.As(Role.Viewer);
        var html = await viewer.Client.GetStringAsync("/ponds/P1/growth");
        var page = PageText.Plain(html);
        Assert.Matches(@"feed alone .*?[+−]\d+ % .*? with an FCR two tenths worse or better", page);
        Assert.Matches(@"g a week, planned [\d.]+ g", page);
        Assert.Contains("grow-out, to market size", page, StringComparison.Ordinal);
        Assert.Equal(6, Regex.Count(Regex.Match(html, "size-bars.*?</svg>", RegexOptions.Singleline).Value, "<rect"));
        Assert.Contains("30 fish weighed one by one", page, StringComparison.Ordinal);
    }

    private long FeedOf() => farm.Services.GetRequiredService<Dorsk.Farm.Ask.Questions>().Feeds()[0].Id;
}
