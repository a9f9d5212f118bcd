using System.Diagnostics;
using Dorsk.Core.People;

namespace Dorsk.Web.Tests;

/// <summary>What is timed runs with no other test of this project beside it.</summary>
[CollectionDefinition("Timed", DisableParallelization = true)]
public class Timed;

/// <summary>How fast the stocking plan answers a change. The best quarter of the answers counts: the other projects' tests share the machine.</summary>
[Collection("Timed")]
public class StockingSpeedTests(SmallFarm farm) : IClassFixture<SmallFarm>
{
    [Fact]
    public async Task A_change_is_answered_within_150_ms()
    {
        var visitor = await farm.As(Role.Viewer);
        var times = new List<double>();
        for (var i = 0; i < 20; i++)
        {
            var clock = Stopwatch.StartNew();
            (await visitor.Client.GetAsync(StockingPageTests.Query(("from", $"{5 + i} g")) + "&handler=Part")).EnsureSuccessStatusCode();
            times.Add(clock.Elapsed.TotalMilliseconds);
        }
        var quarter = times.Order().ElementAt(4);
        Assert.True(quarter <= 150, $"quarter {quarter:0} ms, median {times.Order().ElementAt(10):0} ms");
    }
}
