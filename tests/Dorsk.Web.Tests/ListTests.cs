using System.Net;
using Dorsk.Core.People;
using Dorsk.Farm.Files;

namespace Dorsk.Web.Tests;

/// <summary>Lists as CSV: every one is offered, and those that say how people are reached only to who sets the farm up.</summary>
public class ListTests(SmallFarm farm) : IClassFixture<SmallFarm>
{
    [Fact]
    public async Task Each_is_offered_to_those_who_may_see_it()
    {
        var (manager, viewer) = (await farm.As(Role.Manager), await farm.As(Role.Viewer));
        var all = await manager.Client.GetStringAsync("/lists");
        var some = await viewer.Client.GetStringAsync("/lists");
        Assert.True(Lists.Usual.Count >= 20 && Lists.Names.Count > 2 * Lists.Usual.Count - 10);
        foreach (var name in Lists.Names)
        {
            var hidden = Lists.IsPrivate(name);
            Assert.Contains($"/lists/{name}.csv", all, StringComparison.Ordinal);
            Assert.Equal(!hidden, some.Contains($"/lists/{name}.csv", StringComparison.Ordinal));
            Assert.Equal(
                hidden ? HttpStatusCode.Forbidden : HttpStatusCode.OK,
                (await viewer.Client.GetAsync($"/lists/{name}.csv")).StatusCode
            );
        }
        Assert.Equal(HttpStatusCode.OK, (await manager.Client.GetAsync("/lists/call-list.csv")).StatusCode);
        Assert.Equal(HttpStatusCode.NotFound, (await manager.Client.GetAsync("/lists/credential.csv")).StatusCode);
        Assert.Contains(
            "silver_perch",
            await viewer.Client.GetStringAsync("/lists/stockings.csv"),
            StringComparison.Ordinal
        );
    }
}
