using Dorsk.Core.Feeding;
using Dorsk.Core.Judging;
using Dorsk.Core.People;
using Dorsk.Core.Ponds;
using Dorsk.Core.Stock;
using Dorsk.Core.Water;
using Dorsk.Farm;
using Dorsk.Farm.Ask;
using Dorsk.Farm.Log;
using Microsoft.Extensions.DependencyInjection;

namespace Dorsk.Web.Tests;

/// <summary>What the farm itself saw goes into its next plan, and stands at its doors.</summary>
public sealed class OwnRecordTests : IDisposable
{
    private readonly SmallFarm farm = new();

    public void Dispose() => farm.Dispose();

    private long Enter(Fact fact, DateTimeOffset at)
    {
        var door = farm.Services.GetRequiredService<Door>();
        var entry = Entry.Of(Guid.NewGuid(), "Manager", at, fact);
        var receipt = door.Enter(entry);
        if (!receipt.Accepted && receipt.Remarks.All(r => r.Kind == Objection.Ask))
            receipt = door.Enter(
                entry with
                {
                    Id = Guid.NewGuid(),
                    Meant = receipt.Remarks.Select(r => r.Text).ToList(),
                }
            );
        return receipt.Accepted
            ? receipt.Lines[0]
            : throw new InvalidOperationException(string.Join(" | ", receipt.Remarks.Select(r => r.Text)));
    }

    [Fact]
    public async Task Survival_and_conversion_of_a_closed_cycle_are_offered_to_the_next_plan()
    {
        var feed = farm.Services.GetRequiredService<Questions>().Feeds()[0].Id;
        // 900 fish of 60 g; 720 come out with 360 kg, for 459 kg of feed: survival 80 %, FCR 459 / (360 - 54) = 1.50.
        foreach (var day in Enumerable.Range(0, 27))
            Enter(new FeedingGiven(farm.PondId, feed, 17), SmallFarm.Now.AddDays(-90 + (3 * day)));
        Enter(
            new FishHarvested(
                farm.PondId,
                farm.BatchLine,
                720,
                360,
                CountBasis.ByWeight,
                Account.Harvested,
                true,
                "birds"
            ),
            SmallFarm.Now.AddDays(-1)
        );
        var manager = await farm.As(Role.Manager);
        var html = await manager.Client.GetStringAsync("/plans/stocking?pond=P1");
        Assert.Matches(@"Your own cycles of this fish .*P1, .* 1\.50 .* 80 %", PageText.Plain(html));
        var link = System
            .Text.RegularExpressions.Regex.Match(html, "href=\"([^\"]*survival=80[^\"]*)\"")
            .Groups[1]
            .Value;
        var next = await manager.Client.GetStringAsync("/plans/stocking" + System.Net.WebUtility.HtmlDecode(link));
        var planned = BrowserForm.Shown(BrowserForm.Of(next));
        Assert.StartsWith("80", planned["survival"], StringComparison.Ordinal);
        Assert.StartsWith("1.5", planned["fcr"], StringComparison.Ordinal);
        Assert.Matches("planned with FCR 1\\.50 ", PageText.Plain(next));
    }

    [Fact]
    public async Task Own_rates_of_acclimation_are_followed_where_they_are_chosen_and_offered_the_next_time()
    {
        var manager = await farm.As(Role.Manager);
        const string Page = "/ponds/P1/acclimate";
        var form = BrowserForm.Shown(BrowserForm.Of(await manager.Client.GetStringAsync(Page)));
        foreach (
            var (name, typed) in new[]
            {
                ("fish", "500"),
                ("weight", "2"),
                ("tb", "20"),
                ("pb", "7"),
                ("nb", "0"),
                ("ob", "8"),
                ("t1", "26"),
                ("p1", "7.4"),
                ("o1", "7"),
                ("rates", "own"),
                ("ownnote", "as the hatchery says"),
                ("owntemp", "1"),
            }
        )
            form[name] = typed;
        string Address(string handler) =>
            Page + "?" + string.Join("&", form.Select(f => $"{f.Key}={Uri.EscapeDataString(f.Value)}")) + handler;
        var answer = PageText.Plain(await manager.Client.GetStringAsync(Address("")));
        Assert.Contains(
            "By your own rates (as the hatchery says): 6.0 hours; by the trade's:",
            answer,
            StringComparison.Ordinal
        );
        form["ownnote"] = "";
        Assert.Contains(
            "Say whose rule it is",
            PageText.Plain(await manager.Client.GetStringAsync(Address(""))),
            StringComparison.Ordinal
        );
        form["ownnote"] = "as the hatchery says";
        var begun = await manager.Post(Address("&handler=Begin"), []);
        var run = PageText.Plain(await manager.Client.GetStringAsync(begun.Headers.Location!.ToString()));
        Assert.Contains("own rates: as the hatchery says", run, StringComparison.Ordinal);
        var plan = farm
            .Services.GetRequiredService<Questions>()
            .Acclimations(farm.PondId)
            .Single(a => a.Begun.Own is not null)
            .Plan;
        Assert.Equal(360, plan.Steps.First(s => s.Key == "over").Minutes);
        // The next time they stand in the lines, and nothing follows them until they are chosen.
        var next = BrowserForm.Of(await manager.Client.GetStringAsync(Page));
        var shown = BrowserForm.Shown(next);
        Assert.Equal(("as the hatchery says", ""), (shown["ownnote"], shown.GetValueOrDefault("rates", "")));
    }

    [Fact]
    public async Task Weed_that_covers_a_pond_stands_against_stocking_it_with_what_to_do()
    {
        var pond = Enter(
            new PondBuilt(new Pond(0, "W1", "", PondKind.Earthen, new SlopedRectangle(40, 25, 1.4, 2), "grow-out")),
            SmallFarm.Now.AddDays(-50)
        );
        var manager = await farm.As(Role.Manager);
        async Task<string> Gate() => PageText.Plain(await manager.Client.GetStringAsync("/ponds/W1/prepare"));
        Assert.DoesNotContain("weed cover", await Gate(), StringComparison.OrdinalIgnoreCase);
        Enter(new ReadingTaken(pond, [new(Parameter.WeedCover, 55)]), SmallFarm.Now.AddDays(-2));
        Assert.Matches("(?i)weed cover.*55 % of the surface covered, over 50 %.*aerate for a week", await Gate());
        // The door says it too, and takes fish only with a reason.
        var slip = BrowserForm.Shown(BrowserForm.Of(await manager.Client.GetStringAsync("/ponds/W1/slip/stock")));
        slip["Count"] = "500";
        slip["MeanWeight"] = "20";
        var answer = PageText.Plain(
            await (await manager.Post("/ponds/W1/slip/stock", slip)).Content.ReadAsStringAsync()
        );
        Assert.Contains("weed cover 55 % of the surface covered", answer, StringComparison.OrdinalIgnoreCase);
    }

    [Fact]
    public async Task Weed_as_the_only_feed_says_how_many_months_it_costs()
    {
        var hand = await farm.As(Role.PondHand);
        var page = PageText.Plain(
            await hand.Client.GetStringAsync(
                "/workbench/grown-feed?what=duckweed&eats=omnivore&ration=20&share=100&price=2&months=8&fcr=1.6"
            )
        );
        Assert.Contains("13.9 (8.9 to 22.2), 8.0 on complete feed", page, StringComparison.Ordinal);
        Assert.Contains("more than the 20 % that is known to go well", page, StringComparison.Ordinal);
    }
}
