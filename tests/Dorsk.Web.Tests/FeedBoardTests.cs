using System.Net;
using System.Text.RegularExpressions;
using Dorsk.Core.Feeding;
using Dorsk.Core.People;
using Dorsk.Farm.Ask;
using Dorsk.Farm.Estimates;
using Microsoft.Extensions.DependencyInjection;

namespace Dorsk.Web.Tests;

/// <summary>The ration board as plain forms: fed in one sending, changed with a reason, what is wrong said at the pond and kept.</summary>
public sealed class FeedBoardTests : IDisposable
{
    private readonly SmallFarm farm = new();

    private PondStory Story => farm.Services.GetRequiredService<Questions>().Story("P1")!;

    [Fact]
    public async Task A_delivery_in_bags_asks_what_each_holds()
    {
        var hand = await farm.As(Role.PondHand);
        var kind = farm
            .Services.GetRequiredService<Questions>()
            .Feeds()[0]
            .Id.ToString(System.Globalization.CultureInfo.InvariantCulture);
        async Task<(HttpStatusCode, string)> Load(string mass, string bags, string each)
        {
            await hand.Token("/slip/load");
            var page = await hand.Client.GetStringAsync("/slip/load");
            var answer = await hand.Post(
                "/slip/load",
                new()
                {
                    ["EntryId"] = Regex.Match(page, "name=\"EntryId\" value=\"([^\"]+)\"").Groups[1].Value,
                    ["Day"] = "2027-01-21",
                    ["Hour"] = "10:00",
                    ["Feed"] = kind,
                    ["Mass"] = mass,
                    ["Bags"] = bags,
                    ["BagKg"] = each,
                    ["Lot"] = "",
                    ["Expiry"] = "",
                    ["Price"] = "",
                    ["Freight"] = "",
                }
            );
            return (answer.StatusCode, await answer.Content.ReadAsStringAsync());
        }
        Assert.Contains("what one of these bags holds", (await Load("", "40", "")).Item2, StringComparison.Ordinal);
        Assert.Contains(
            "40 bags of 20.0",
            PageText.Plain((await Load("1000", "40", "20")).Item2),
            StringComparison.Ordinal
        );
        Assert.Equal(HttpStatusCode.Redirect, (await Load("", "40", "20")).Item1);
        var left = farm
            .Services.GetRequiredService<Questions>()
            .FeedStore(SmallFarm.Now)
            .Single(f => f.Name == "Grower");
        Assert.Equal(800, left.LeftKg, 6);
    }

    [Fact]
    public async Task A_meal_is_given_watched_sent_twice_and_stands_once()
    {
        var hand = await farm.As(Role.PondHand);
        var page = await hand.Client.GetStringAsync("/feed?cup=250");
        Assert.Contains("cups)", page, StringComparison.Ordinal);
        var values = new Dictionary<string, string>
        {
            ["pond"] = "P1",
            ["EntryId"] = Regex.Match(page, "name=\"EntryId\" value=\"([^\"]+)\"").Groups[1].Value,
            ["Mass"] = "0.5",
            ["Feed"] = Regex.Match(page, "<option value=\"(\\d+)\" selected").Groups[1].Value,
            ["Score"] = "3",
            ["Minutes"] = "14",
            ["Left"] = "",
        };
        await hand.Token("/feed");
        Assert.Equal(
            [HttpStatusCode.Redirect, HttpStatusCode.Redirect],
            new[]
            {
                (await hand.Post("/feed?handler=Fed", values)).StatusCode,
                (await hand.Post("/feed?handler=Fed", values)).StatusCode,
            }
        );
        Assert.Single(Story.Feedings);
        Assert.Equal(3, Story.Rations.Scored.Single().Score);
        var asked = await hand.Post(
            "/feed?handler=Fed",
            new()
            {
                ["pond"] = "P1",
                ["Mass"] = "30",
                ["Feed"] = values["Feed"],
                ["Score"] = "",
            }
        );
        Assert.Equal(HttpStatusCode.UnprocessableEntity, asked.StatusCode);
        var html = await asked.Content.ReadAsStringAsync();
        Assert.Contains("is very much", html, StringComparison.Ordinal);
        Assert.Contains("value=\"30\"", html, StringComparison.Ordinal);
        foreach (
            var (name, bad, says) in new[]
            {
                ("Mass", "a bucket", "a bucket"),
                ("Minutes", "999", "240 minutes"),
                ("Left", "99", "more can be left"),
                ("Score", "9", "from the list"),
            }
        )
        {
            var answer = await hand.Post(
                "/feed?handler=Fed",
                new Dictionary<string, string>
                {
                    ["pond"] = "P1",
                    ["Mass"] = "1",
                    ["Feed"] = values["Feed"],
                    ["Score"] = "",
                }
                    .Where(v => v.Key != name)
                    .Append(new(name, bad))
            );
            Assert.Equal(HttpStatusCode.UnprocessableEntity, answer.StatusCode);
            Assert.Contains(
                says,
                WebUtility.HtmlDecode(await answer.Content.ReadAsStringAsync()),
                StringComparison.Ordinal
            );
        }
        Assert.Single(Story.Feedings);
        Assert.Equal(
            HttpStatusCode.NotFound,
            (await hand.Post("/feed?handler=Fed", new() { ["pond"] = "P9" })).StatusCode
        );
    }

    [Fact]
    public async Task A_ration_is_changed_with_a_reason_and_given_back_and_the_school_is_the_managers()
    {
        var (manager, hand) = (await farm.As(Role.Manager), await farm.As(Role.PondHand));
        foreach (var visitor in new[] { manager, hand })
            await visitor.Token("/feed");
        string B(long id) => id.ToString(System.Globalization.CultureInfo.InvariantCulture);
        async Task<string> Change(string kg, string reason, string back = "") =>
            await (
                await hand.Post(
                    "/feed?handler=Overrule",
                    new()
                    {
                        ["pond"] = "P1",
                        ["batch"] = B(Story.Batches[0].Id),
                        ["kg"] = kg,
                        ["reason"] = reason,
                        ["back"] = back,
                    }
                )
            ).Content.ReadAsStringAsync();
        Assert.Contains("Say why", await Change("0.4", ""), StringComparison.Ordinal);
        Assert.Contains("0 to 20,000 kg", await Change("", "storm"), StringComparison.Ordinal);
        await Change("0.4", "storm coming");
        Assert.Contains("Pond hand wants", await hand.Client.GetStringAsync("/feed"), StringComparison.Ordinal);
        Assert.Contains("storm coming", await hand.Client.GetStringAsync("/ponds/P1/feed"), StringComparison.Ordinal);
        await Change("", "", "true");
        Assert.DoesNotContain("Pond hand wants", await hand.Client.GetStringAsync("/feed"), StringComparison.Ordinal);
        Assert.Equal(
            HttpStatusCode.Forbidden,
            (await hand.Post("/feed?handler=School", new() { ["pond"] = "P1", ["school"] = "Table" })).StatusCode
        );
        Assert.Equal(
            HttpStatusCode.Redirect,
            (await manager.Post("/feed?handler=School", new() { ["pond"] = "P1", ["school"] = "Table" })).StatusCode
        );
        Assert.Equal(
            HttpStatusCode.UnprocessableEntity,
            (await manager.Post("/feed?handler=School", new() { ["pond"] = "P1", ["school"] = "guess" })).StatusCode
        );
        Assert.Contains("by table", await hand.Client.GetStringAsync("/feed"), StringComparison.Ordinal);
        Assert.Contains("up to 50.0", await hand.Client.GetStringAsync("/feed?cup=-3"), StringComparison.Ordinal);
    }

    [Fact]
    public async Task An_own_table_is_typed_refused_where_it_cannot_be_used_and_given_back()
    {
        var manager = await farm.As(Role.Manager);
        await manager.Token("/feed/table/silver_perch");
        async Task<HttpResponseMessage> Use(params string[][] lines) =>
            await manager.Post(
                "/feed/table/silver_perch",
                lines.SelectMany(
                    (line, i) =>
                        new[] { "From", "Low", "High", "Protein", "Ration", "Temp" }.Zip(line, (n, v) =>
                            new KeyValuePair<string, string>(n + i, v)
                        )
                )
            );
        var refused = await Use(["0", "2", "1", "40", "3", "26"], ["x", "2", "3", "40", "2", "26"]);
        Assert.Equal(HttpStatusCode.UnprocessableEntity, refused.StatusCode);
        Assert.Contains("value=\"x\"", await refused.Content.ReadAsStringAsync(), StringComparison.Ordinal);
        Assert.Contains(
            "Not under the smallest",
            await (await Use(["0", "2", "1", "40", "3", "26"])).Content.ReadAsStringAsync(),
            StringComparison.Ordinal
        );
        Assert.Contains(
            "Fill the lines from the top",
            await (await Use(["", "", "", "", "", ""], ["0", "1", "2", "40", "3", "26"])).Content.ReadAsStringAsync(),
            StringComparison.Ordinal
        );
        Assert.Equal(
            HttpStatusCode.Redirect,
            (await Use(["0", "1", "2", "42", "5", "26"], ["50", "3", "4", "36", "3", "26"])).StatusCode
        );
        Assert.Contains(
            "2 lines, fish from",
            await manager.Client.GetStringAsync("/feed/table/silver_perch"),
            StringComparison.Ordinal
        );
        Assert.Equal((3.0, 4.0), FeedSize.At(Story.Batches[0].Species, 60)!.SizeMm);
        Assert.Equal(
            HttpStatusCode.Redirect,
            (await manager.Post("/feed/table/silver_perch?handler=Back", [])).StatusCode
        );
        Assert.Null(Story.Batches[0].Species.OwnFeeds);
        Assert.Equal(HttpStatusCode.NotFound, (await manager.Client.GetAsync("/feed/table/unicorn")).StatusCode);
        // A feeder says its programme while it is typed, and stands on the board.
        await manager.Token("/ponds/P1/slip/feeder");
        Dictionary<string, string> feeder = new()
        {
            ["Day"] = "2027-01-21",
            ["Hour"] = "12:00",
            ["Name"] = "belt",
            ["Dose"] = "Minute",
            ["Each"] = "5 g",
            ["WeighedOn"] = "2027-01-21",
            ["Meals"] = "4",
        };
        Assert.Contains(
            "min",
            await (await manager.Post("/ponds/P1/slip/feeder?handler=live", feeder)).Content.ReadAsStringAsync(),
            StringComparison.Ordinal
        );
        Assert.Equal(HttpStatusCode.Redirect, (await manager.Post("/ponds/P1/slip/feeder", feeder)).StatusCode);
        Assert.Contains("<b>belt</b>", await manager.Client.GetStringAsync("/feed"), StringComparison.Ordinal);
    }

    [Fact]
    public async Task One_load_is_shared_among_ponds_by_their_rations_to_the_gram()
    {
        var door = farm.Services.GetRequiredService<Dorsk.Farm.Door>();
        long Enter(Core.Judging.Fact fact) =>
            door.Enter(Dorsk.Farm.Log.Entry.Of(Guid.NewGuid(), "Manager", SmallFarm.Now.AddDays(-40), fact)).Lines[0];
        var second = Enter(
            new Core.Ponds.PondBuilt(
                new Core.Ponds.Pond(
                    0,
                    "P2",
                    "",
                    Core.Ponds.PondKind.Earthen,
                    new Core.Ponds.SlopedRectangle(40, 25, 1.4, 2),
                    "grow-out"
                )
            )
        );
        Enter(
            new Core.Stock.FishStocked(
                second,
                "silver_perch",
                "hatchery",
                300,
                90,
                Core.Stock.CountBasis.ByWeight,
                "test",
                null
            )
        );
        var hand = await farm.As(Role.PondHand);
        await hand.Token("/slip/shared-feed");
        var questions = farm.Services.GetRequiredService<Questions>();
        Dictionary<string, string> slip = new()
        {
            ["Day"] = "2027-01-21",
            ["Hour"] = "17:00",
            ["Feed"] = $"{questions.Feeds()[0].Id}",
            ["Mass"] = "1.234 kg",
            [$"P{farm.PondId}"] = "true",
        };
        Assert.Contains(
            "Tick two ponds at least",
            await (await hand.Post("/slip/shared-feed", slip)).Content.ReadAsStringAsync(),
            StringComparison.Ordinal
        );
        slip[$"P{second}"] = "true";
        var rations = questions.PondsNow(SmallFarm.Now).ToDictionary(p => p.Story.Pond.Id, p => p.RationKg);
        Assert.Equal("/feed", (await hand.Post("/slip/shared-feed", slip)).Headers.Location!.ToString().Split('?')[0]);
        double Fed(string code) => questions.Story(code)!.Feedings.Sum(f => f.Kg);
        Assert.Equal(1.234, Fed("P1") + Fed("P2"), 9);
        Assert.Equal(rations[farm.PondId] / rations[second], Fed("P1") / Fed("P2"), 0.05);
    }

    public void Dispose() => farm.Dispose();
}
