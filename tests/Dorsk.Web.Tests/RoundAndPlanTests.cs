using System.Text.Json;
using Dorsk.Core.People;
using Dorsk.Core.Ponds;
using Dorsk.Farm.Ponds;
using Dorsk.Web.Parts;
using Dorsk.Web.Round;

namespace Dorsk.Web.Tests;

public class RoundAndPlanTests(SmallFarm farm) : IClassFixture<SmallFarm>
{
    private static Stopped Stop(double at) => new(Guid.NewGuid(), "P1", at, [], "", null, null);

    [Fact]
    public void An_entry_is_dated_by_how_long_ago_it_was_kept()
    {
        var now = SmallFarm.Now;
        const double phone = 1.0e12; // the phone thinks it is 2001
        Assert.Equal(now.AddHours(-3), RoundEntry.When(Stop(phone - (3 * 3600e3)), phone, now));
        Assert.Equal(now, RoundEntry.When(Stop(phone + 500), phone, now)); // half a second of jitter
        Assert.Null(RoundEntry.When(Stop(phone + 60e3), phone, now)); // turned back meanwhile
        Assert.Null(RoundEntry.When(Stop(0), phone, now)); // turned on by years meanwhile
        Assert.Null(RoundEntry.When(Stop(double.NaN), phone, now));
    }

    [Fact]
    public async Task The_outbox_gets_a_receipt_for_each_entry_and_one_mistake_holds_nothing_back()
    {
        var hand = await farm.As(Role.PondHand);
        object Entry(Guid id, string pond, object values, string[]? sure = null) =>
            new
            {
                id,
                pond,
                at = 1000.0,
                values,
                behaviour = "calm",
                sure,
            };
        var (good, bad, odd, gone) = (Guid.NewGuid(), Guid.NewGuid(), Guid.NewGuid(), Guid.NewGuid());
        async Task<Dictionary<Guid, JsonElement>> Send(params object[] stops)
        {
            var answer = await hand.Json(
                "/round?handler=Keep",
                JsonSerializer.Serialize(new { phoneNow = 61000.0, stops })
            );
            Assert.True(answer.IsSuccessStatusCode, answer.StatusCode.ToString());
            return JsonDocument
                .Parse(await answer.Content.ReadAsStringAsync())
                .RootElement.GetProperty("receipts")
                .EnumerateArray()
                .ToDictionary(r => r.GetProperty("id").GetGuid());
        }
        var first = await Send(
            Entry(
                good,
                "P1",
                new
                {
                    @do = "7.9",
                    dead = "2",
                    fed = "3.5",
                }
            ),
            Entry(bad, "P1", new { @do = "six" }),
            Entry(odd, "P1", new { temp = "39" }),
            Entry(gone, "X7", new { @do = "6" })
        );
        Assert.Equal(
            [true, false, false, false],
            new[] { good, bad, odd, gone }.Select(id => first[id].GetProperty("kept").GetBoolean())
        );
        Assert.Contains("not a number", first[bad].GetProperty("words").GetString(), StringComparison.Ordinal);
        Assert.Single(first[odd].GetProperty("asks").EnumerateArray());
        Assert.Contains("no such pond", first[gone].GetProperty("words").GetString(), StringComparison.Ordinal);
        // The same again is the same entry; what the phone has asked itself is not asked again.
        var second = await Send(
            Entry(
                good,
                "P1",
                new
                {
                    @do = "7.9",
                    dead = "2",
                    fed = "3.5",
                }
            ),
            Entry(odd, "P1", new { temp = "39" }, ["temp"])
        );
        Assert.All(second.Values, r => Assert.True(r.GetProperty("kept").GetBoolean()));
        var log = await hand.Client.GetStringAsync("/ponds/P1/log");
        Assert.Equal(4, System.Text.RegularExpressions.Regex.Count(log, "P1 do 7.9 dead 2 fed 3.5 calm")); // one line each of reading, feed, loss, behaviour
    }

    [Fact]
    public async Task The_card_holds_limits_and_no_rules_and_is_not_for_viewers()
    {
        var html = await (await farm.As(Role.PondHand)).Client.GetStringAsync("/round");
        var card = JsonDocument
            .Parse(
                System
                    .Text.RegularExpressions.Regex.Match(
                        html,
                        "class=\"card\">(.*?)</script>",
                        System.Text.RegularExpressions.RegexOptions.Singleline
                    )
                    .Groups[1]
                    .Value
            )
            .RootElement;
        var oxygen = card.GetProperty("stops")[0].GetProperty("fields")[0];
        Assert.Equal("do", oxygen.GetProperty("key").GetString());
        Assert.True(oxygen.GetProperty("act").GetDouble() < oxygen.GetProperty("watch").GetDouble());
        Assert.True(oxygen.GetProperty("usualHigh").GetDouble() <= oxygen.GetProperty("high").GetDouble());
        Assert.Equal(
            System.Net.HttpStatusCode.Forbidden,
            (await (await farm.As(Role.Viewer)).Client.GetAsync("/round")).StatusCode
        );
    }

    public static TheoryData<int> Seeds => [1, 2, 3, 4, 5, 6];

    [Theory]
    [MemberData(nameof(Seeds))]
    public void Labels_of_a_ragged_farm_stay_on_the_drawing_and_off_one_another(int seed)
    {
        var chance = new Random(seed);
        var ponds = Enumerable
            .Range(1, 24)
            .Select(i =>
            {
                PondShape shape =
                    chance.Next(3) == 0
                        ? new RoundTank(4 + (6 * chance.NextDouble()), 1.2)
                        : new SlopedRectangle(20 + (60 * chance.NextDouble()), 15 + (40 * chance.NextDouble()), 1.4, 1);
                var (column, row) = ((i - 1) % 6, (i - 1) / 6);
                return (
                    new Pond(i, "P" + i, "", PondKind.Earthen, shape, "grow-out"),
                    (PondPlaced?)
                        new PondPlaced(i, (column * 120) + (10 * chance.NextDouble()), row * 90, chance.Next(-20, 20))
                );
            })
            .ToList();
        var view = PlanView.Of(new Plan(FarmPlan.LayOut(ponds), [], []));
        foreach (var zoom in PlanView.Zooms)
        {
            var labels = view.Labels(zoom);
            Assert.Equal(ponds.Count, labels.Count);
            Assert.All(labels, l =>
                Assert.True(l.X is >= 0 and <= PlanView.Width && l.Y is >= 0 and <= PlanView.Height)
            );
            var beside = labels.Where(l => l.Room == LabelRoom.Beside).ToList();
            for (var i = 0; i < beside.Count; i++)
            for (var j = 0; j < i; j++)
                Assert.True(
                    Math.Abs(beside[i].X - beside[j].X) * zoom > 60 || Math.Abs(beside[i].Y - beside[j].Y) * zoom > 16,
                    $"seed {seed}, zoom {zoom}: two labels lie on one another"
                );
        }
        // Nearer, more of them have room; every figure of the drawing is a number.
        Assert.True(
            view.Labels(4).Count(l => l.Room == LabelRoom.Full) >= view.Labels(1).Count(l => l.Room == LabelRoom.Full)
        );
        Assert.All(view.Plan.Ponds, p =>
            Assert.DoesNotContain("NaN", view.Outline(p) + view.Hachures(p), StringComparison.Ordinal)
        );
    }
}
