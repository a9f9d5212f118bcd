using System.Text.RegularExpressions;
using Dorsk.Core.People;
using Dorsk.Core.Water;
using Dorsk.Farm.Ask;
using Microsoft.Extensions.DependencyInjection;

namespace Dorsk.Web.Tests;

/// <summary>The notebook on its page: looked at before it is recorded, nothing twice, nothing silently, what is not understood kept and mended.</summary>
public sealed class NotesPageTests : IDisposable
{
    private readonly SmallFarm farm = new();

    public void Dispose() => farm.Dispose();

    private Questions Questions => farm.Services.GetRequiredService<Questions>();

    private double? Oxygen => Questions.Story("P1")!.LastOf(Parameter.Oxygen)?.Si;

    private static async Task<string> Post(Visitor visitor, string handler, Dictionary<string, string> form) =>
        await (await visitor.Post("/notes?handler=" + handler, form)).Content.ReadAsStringAsync();

    [Fact]
    public async Task Notes_are_looked_at_recorded_once_asked_back_kept_and_mended()
    {
        var hand = await farm.As(Role.PondHand);
        var page = await hand.Client.GetStringAsync("/notes");
        await hand.Token("/notes");
        var form = new Dictionary<string, string>
        {
            ["form"] = Regex.Match(page, "name=\"form\" value=\"([^\"]+)\"").Groups[1].Value,
            ["text"] =
                "P1 do 6.5 temp 25.5 16:10\nP1 fed 2 kg grower score 3 17:00\nP1 dead 3 gill damage 17:05\nP1 netted 30 fish\nP1 do 39 17:10\nP9 do 4",
        };
        // The look tells what each line means and records nothing.
        var look = PageText.Plain(await Post(hand, "Look", form));
        Assert.Contains(
            "P1: oxygen 6.5 mg/L, water temperature 25.5 °C",
            look.Replace('\u2009', ' '),
            StringComparison.Ordinal
        );
        Assert.Contains("3 dead (gill damage)", look, StringComparison.Ordinal);
        Assert.Equal(8, Oxygen);
        Assert.Empty(Questions.NotesWritten(9));

        var done = await Post(hand, "Record", form);
        Assert.Contains("2 lines recorded, 2 not understood and kept", PageText.Plain(done), StringComparison.Ordinal);
        Assert.Matches("<mark>netted\\s*</mark>", done);
        Assert.Matches("<mark>P9\\s*</mark>", done);
        // What is asked back and what is impossible stay in the field with their reasons.
        Assert.Matches("<textarea[^>]*>\\s*P1 fed 2 kg grower score 3 17:00(?:\\s|&#xA;)+P1 do 39 17:10", done);
        Assert.Equal(6.5, Oxygen);
        var story = Questions.Story("P1")!;
        Assert.Equal(3, story.Batches.Single().Losses.Sum(l => l.Fact.Count));
        // The night's forecast asks whether it was fed all the same: yes, by the text of the question.
        var question = Regex.Match(done, "name=\"meant\" value=\"([^\"]+)\"").Groups[1].Value;
        form["meant"] = System.Net.WebUtility.HtmlDecode(question);
        Assert.Contains("no feed at this meal", form["meant"], StringComparison.Ordinal);
        // Sent again, nothing is there twice.
        await Post(hand, "Record", form);
        Assert.Equal(3, Questions.Story("P1")!.Batches.Single().Losses.Sum(l => l.Fact.Count));
        Assert.Equal(2, Questions.NotesWaiting().Count);
        Assert.Single(Questions.NotesWritten(30), r => r.AsTyped.Contains("grower", StringComparison.Ordinal));

        // Two lines that read alike are two; typed anew on the page that follows it is one more.
        form["text"] = "P1 dead 1 heron 17:20\nP1 dead 1 heron 17:20";
        var next = await Post(hand, "Record", form);
        Assert.Equal(5, Questions.Story("P1")!.Batches.Single().Losses.Sum(l => l.Fact.Count));
        form["form"] = Regex.Match(next, "name=\"form\" value=\"([^\"]+)\"").Groups[1].Value;
        form["text"] = "P1 dead 1 heron 17:20";
        await Post(hand, "Record", form);
        Assert.Equal(6, Questions.Story("P1")!.Batches.Single().Losses.Sum(l => l.Fact.Count));

        var kept = Questions.NotesWaiting()[0].Line.ToString(System.Globalization.CultureInfo.InvariantCulture);
        var mend = new Dictionary<string, string>
        {
            ["form"] = form["form"],
            ["line"] = kept,
            ["text"] = "P1 moved 30",
        };
        Assert.Matches("<mark>moved\\s*</mark>", await Post(hand, "Mend", mend));
        mend["text"] = "P1 sample 30 fish 5.9 kg 17:15";
        var mended = PageText.Plain(await Post(hand, "Mend", mend));
        Assert.True(mended.Contains("1 line recorded", StringComparison.Ordinal), mended);
        Assert.Single(Questions.NotesWaiting());

        var line = Questions.NotesWritten(30).First(r => r.AsTyped.Contains("do 6.5", StringComparison.Ordinal)).Line;
        form["text"] = $"correct {line} P1 do 6.3 16:10";
        await Post(hand, "Record", form);
        Assert.Equal(6.3, Oxygen);
        form["text"] = "correct 999999 P1 do 6.3 16:10";
        Assert.Contains("no such line of the log", await Post(hand, "Look", form), StringComparison.Ordinal);
        // Longer than can be kept: it stays in the field.
        form["text"] = "P1 " + new string('x', 2500);
        Assert.Matches("<textarea[^>]*>\\s*P1 xxx", await Post(hand, "Record", form));
        form["text"] = "";
        Assert.Contains("Nothing is typed here yet", await Post(hand, "Record", form), StringComparison.Ordinal);
        form["text"] = string.Join('\n', Enumerable.Repeat("P1 do 6", 300));
        Assert.Contains("At most 200 lines", await Post(hand, "Record", form), StringComparison.Ordinal);
        mend["line"] = "999999";
        Assert.Equal(System.Net.HttpStatusCode.NotFound, (await hand.Post("/notes?handler=Mend", mend)).StatusCode);
    }
}

/// <summary>Tasks and people on their pages: each card has its drawings, steps are signed in order.</summary>
public sealed class TaskPageTests : IDisposable
{
    private readonly SmallFarm farm = new();

    public void Dispose() => farm.Dispose();

    [Theory]
    [InlineData("post-larva", "after its last larval stage")]
    [InlineData("alkalinity", "lime raises it")]
    [InlineData("turnover", "the flow brings as much water")]
    [InlineData("conversion", "feed given over mass of fish gained")]
    public async Task Terms_of_the_trade_are_found_with_their_meaning(string term, string means)
    {
        var hand = await farm.As(Role.PondHand);
        var found = PageText.Plain(await hand.Client.GetStringAsync("/find?q=" + term));
        Assert.Contains(means, found, StringComparison.OrdinalIgnoreCase);
    }

    [Fact]
    public async Task Each_card_has_its_drawings_and_a_step_is_signed_in_its_order()
    {
        Assert.All(FarmTask.All.SelectMany(t => t.Steps), s =>
            Assert.True(Parts.TaskPicture.Has(s.Picture), s.Picture)
        );
        Assert.All(FarmTask.All.SelectMany(t => t.Steps), s => Assert.InRange(s.Words.Split(' ').Length, 1, 8));
        var manager = await farm.As(Role.Manager);
        foreach (var task in FarmTask.All)
            Assert.Contains(
                task.Steps[0].Words,
                PageText.Plain(await manager.Client.GetStringAsync("/tasks/" + task.Key)),
                StringComparison.Ordinal
            );
        Assert.Equal(System.Net.HttpStatusCode.NotFound, (await manager.Client.GetAsync("/tasks/juggling")).StatusCode);
        var people = farm.Services.GetRequiredService<Questions>().People();
        long Id(Role role) => people.First(p => p.Role == role).PersonId;
        await manager.Token("/slip/task-signed");
        async Task<string> Sign(string step)
        {
            var form = new Dictionary<string, string>
            {
                ["Day"] = "2027-01-21",
                ["Hour"] = "17:00",
                ["Person"] = Id(Role.PondHand).ToString(System.Globalization.CultureInfo.InvariantCulture),
                ["Task"] = "seine",
                ["Step"] = step,
                ["Teacher"] = Id(Role.Manager).ToString(System.Globalization.CultureInfo.InvariantCulture),
            };
            return PageText.Plain(await (await manager.Post("/slip/task-signed", form)).Content.ReadAsStringAsync());
        }

        Assert.Contains("nobody begins alone", await Sign("Alone"), StringComparison.Ordinal);
        await Sign("Watched");
        await Sign("UnderEyes");
        var page = PageText.Plain(await manager.Client.GetStringAsync("/tasks"));
        Assert.Matches("A place at the seine .*did it under eyes", page);
        Assert.Contains("A place at the seine: no hand is signed for doing it alone", page, StringComparison.Ordinal);
    }
}
