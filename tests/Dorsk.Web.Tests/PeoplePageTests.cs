using System.Globalization;
using Dorsk.Core.People;
using Dorsk.Farm.Ask;
using Microsoft.Extensions.DependencyInjection;

namespace Dorsk.Web.Tests;

/// <summary>Rosters, advisers and their advice, practice with the net, and what a new plan lacks.</summary>
public sealed class PeoplePageTests : IDisposable
{
    private readonly SmallFarm farm = new();

    public void Dispose() => farm.Dispose();

    private string Id(Role role) =>
        farm
            .Services.GetRequiredService<Questions>()
            .People()
            .First(p => p.Role == role)
            .PersonId.ToString(CultureInfo.InvariantCulture);

    private static async Task<string> Sent(Visitor by, string url, params (string Name, string Value)[] fields)
    {
        await by.Token(url);
        var answer = await by.Post(url, fields.ToDictionary(f => f.Name, f => f.Value));
        return PageText.Plain(await answer.Content.ReadAsStringAsync());
    }

    [Fact]
    public async Task A_roster_names_its_places_shares_the_night_and_says_who_is_missing()
    {
        var manager = await farm.As(Role.Manager);
        var (boss, hand) = (Id(Role.Manager), Id(Role.PondHand));
        Assert.Contains(
            "watches and is on call",
            await Sent(manager, "/slip/night-roster", ("Day", "2027-01-21"), ("watch1", hand), ("call", hand)),
            StringComparison.Ordinal
        );
        await Sent(
            manager,
            "/slip/night-roster",
            ("Day", "2027-01-21"),
            ("watch1", hand),
            ("watch2", boss),
            ("call", boss)
        );
        var refused = await Sent(
            manager,
            "/slip/night-roster",
            ("Day", "2027-01-21"),
            ("watch1", hand),
            ("watch2", hand),
            ("call", boss)
        );
        Assert.DoesNotContain("watches and is on call", refused, StringComparison.Ordinal);
        var page = PageText.Plain(await manager.Client.GetStringAsync("/tasks"));
        // The sun sets before seven and rises after five there: half of the dark hours each.
        Assert.Matches(@"First watch 18:\d\d to 00:\d\d .*Second watch 00:\d\d to 05:\d\d .*On call", page);
        Assert.Contains(
            "two places of the net",
            await Sent(manager, "/ponds/P1/slip/crew", ("Day", "2027-01-25"), ("end1", hand), ("end2", hand)),
            StringComparison.Ordinal
        );
        Assert.Contains(
            "without a night's sleep between",
            await Sent(manager, "/ponds/P1/slip/crew", ("Day", "2027-01-22"), ("end1", hand)),
            StringComparison.Ordinal
        );
        await Sent(manager, "/ponds/P1/slip/crew", ("Day", "2027-01-25"), ("end1", hand), ("tally", boss));
        page = PageText.Plain(await manager.Client.GetStringAsync("/harvest/P1"));
        Assert.Matches("Lead line: nobody yet.*End of the net, near bank .*Tally ", page);
        Assert.DoesNotContain("Night of", page, StringComparison.Ordinal);
    }

    [Fact]
    public async Task Whom_to_ask_stands_on_health_and_cards_and_what_they_said_stays_with_the_batch()
    {
        var manager = await farm.As(Role.Manager);
        Assert.Contains(
            "A telephone number",
            await Sent(manager, "/slip/adviser", ("Name", "Ruth Vale"), ("Kind", "FishDoctor"), ("Phone", "later")),
            StringComparison.Ordinal
        );
        await Sent(manager, "/slip/adviser", ("Name", "Ruth Vale"), ("Kind", "FishDoctor"), ("Phone", "555 0100"));
        foreach (var url in new[] { "/fish-health", "/oxygen/cards" })
            Assert.Matches("Ruth Vale .*555 0100", PageText.Plain(await manager.Client.GetStringAsync(url)));
        var adviser = farm.Services.GetRequiredService<Questions>().Advisers()[0].Adviser.AdviserId;
        await Sent(
            manager,
            "/ponds/P1/slip/advice",
            ("Day", "2027-01-21"),
            ("Hour", "17:00"),
            ("Batch", farm.BatchLine.ToString(CultureInfo.InvariantCulture)),
            ("Adviser", adviser.ToString(CultureInfo.InvariantCulture)),
            ("Text", "salt before netting")
        );
        foreach (var url in new[] { "/ponds/P1/health", "/plans/stocking?pond=P1" })
            Assert.Matches("Ruth Vale.*salt before netting", PageText.Plain(await manager.Client.GetStringAsync(url)));
    }

    [Fact]
    public async Task What_surprised_at_the_close_is_offered_at_the_next_plan()
    {
        var manager = await farm.As(Role.Manager);
        var batch = farm.BatchLine.ToString(CultureInfo.InvariantCulture);
        Assert.Contains(
            "Write what surprised you",
            await Sent(manager, "/ponds/P1/slip/review", ("Batch", batch)),
            StringComparison.Ordinal
        );
        await Sent(
            manager,
            "/ponds/P1/slip/review",
            ("Batch", batch),
            ("Surprise", "herons"),
            ("Change", "a net over it")
        );
        Assert.Contains(
            "Surprised by: herons. To change: a net over it.",
            PageText.Plain(await manager.Client.GetStringAsync("/plans/stocking?pond=P1")),
            StringComparison.Ordinal
        );
    }

    [Fact]
    public async Task The_card_of_the_cast_net_says_which_net_and_who_throws_well_enough()
    {
        var manager = await farm.As(Role.Manager);
        var hand = Id(Role.PondHand);
        Task<string> Threw(string throws, string opened) =>
            Sent(
                manager,
                "/slip/net-practice",
                ("Day", "2027-01-21"),
                ("Hour", "16:00"),
                ("Person", hand),
                ("Throws", throws),
                ("Opened", opened)
            );
        Assert.Contains("At most as many as were thrown", await Threw("5", "6"), StringComparison.Ordinal);
        await Threw("10", "5");
        var card = PageText.Plain(await manager.Client.GetStringAsync("/tasks/cast"));
        Assert.Contains("5 of the last 10 throws opened whole, more practice", card, StringComparison.Ordinal);
        await Threw("10", "9");
        card = PageText.Plain(await manager.Client.GetStringAsync("/tasks/cast"));
        Assert.Contains("9 of the last 10 throws opened whole, ready", card, StringComparison.Ordinal);
        Assert.Matches(@"P1 .* mm .* m ", card);
        Assert.Contains("Never hold a cast net's rope between the teeth", card, StringComparison.Ordinal);
    }

    [Fact]
    public async Task A_first_plan_is_told_to_begin_low_and_what_it_still_lacks()
    {
        var manager = await farm.As(Role.Manager);
        var page = PageText.Plain(await manager.Client.GetStringAsync("/plans/stocking?pond=P1"));
        Assert.Contains("60 % of the limit, leave room to learn", page, StringComparison.Ordinal);
        Assert.Contains("No buyer is in the book", page, StringComparison.Ordinal);
        Assert.Contains("No fish doctor or adviser is in the book", page, StringComparison.Ordinal);
        await Sent(manager, "/slip/buyer", ("Name", "Market"), ("Kind", "Market"));
        page = PageText.Plain(await manager.Client.GetStringAsync("/plans/stocking?pond=P1"));
        Assert.DoesNotContain("No buyer is in the book", page, StringComparison.Ordinal);
    }
}
