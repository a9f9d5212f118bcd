using System.Globalization;
using System.Net.Http.Headers;
using System.Text.Json;
using System.Text.RegularExpressions;
using Dorsk.Core.Feeding;
using Dorsk.Core.Judging;
using Dorsk.Core.People;
using Dorsk.Core.Ponds;
using Dorsk.Core.Species;
using Dorsk.Core.Stock;
using Dorsk.Core.Water;
using Dorsk.Farm;
using Dorsk.Farm.Ask;
using Dorsk.Farm.Estimates;
using Dorsk.Farm.Log;
using Dorsk.Farm.State;
using Microsoft.Extensions.DependencyInjection;

namespace Dorsk.Web.Tests;

/// <summary>
/// Short stories of ponds as a sheet: what was read and seen, and what must come of it. Each is a pond of one farm; every door that shows a
/// pond or takes something for it says the same: list, page, Today, night board, machine answers, round, alarms, ration, and the books when fish are to go in.
/// </summary>
public sealed class StoryTests(StoryFarm farm) : IClassFixture<StoryFarm>
{
    public static TheoryData<string> Names => [.. Story.All.Select(s => s.Name)];

    private static string Word(Status status) => status == Status.ActNow ? "Act now" : status.ToString();

    [Fact]
    public void There_are_some_eighty_of_them() => Assert.Equal(79, Story.All.Select(s => s.Name).Distinct().Count());

    [Theory, MemberData(nameof(Names))]
    public void Verdict_ration_alarm_and_gate(string name)
    {
        var story = Story.All.First(s => s.Name == name);
        var now = farm.Ponds[story.Code];
        var said = string.Join(" | ", now.Verdict.Findings.Select(f => $"{f.Rule} {f.Status}: {f.Reason}"));
        Assert.True(story.Status == now.Judgement.Status, $"{story.Status} wanted; {said}");
        if (story.Rule.Length > 0)
            Assert.True(now.Verdict.Findings.Any(f => f.Rule == story.Rule && f.Status == story.Status), said);
        var meal = now.Batches[0].Ration;
        if (story.Feed is { } feed)
        {
            var held = string.Join(", ", meal.Meals[1].Hits.Select(h => h.Reason));
            Assert.True(
                Math.Abs((feed * meal.FullKg / 2) - meal.Meals[1].Kg) < 1e-6,
                $"{feed} of a meal wanted; {held}"
            );
        }
        var rings = farm.Alarms.Where(a => a.Code == story.Code).ToList();
        if (story.Rings is { } must)
            Assert.True(
                must == rings.Exists(a => a.Level == story.Status),
                $"{string.Join(" | ", rings.Select(a => a.Text))}; {said}"
            );
        if (story.Shut is { } shut)
        {
            var asked = farm.AskedOfArrivals(story);
            Assert.True(shut == (asked.Count > 0), $"{string.Join(" | ", asked)}; {said}");
        }
    }

    // Places are where the code of a pond and the word or the class of its status stand in one row.
    [Theory]
    [InlineData("/ponds", "href=\"/ponds/CODE\">(?:(?!</tr>).)*WORD")]
    [InlineData("/oxygen", "nb-row nb-STATUS[^>]*id=\"row-CODE\"")]
    public async Task A_list_says_what_the_verdict_says(string path, string place)
    {
        var page = await farm.Page(path);
        foreach (var story in Story.All)
            Assert.True(
                Regex.IsMatch(
                    page,
                    place
                        .Replace("CODE", story.Code, StringComparison.Ordinal)
                        .Replace("WORD", Word(story.Status), StringComparison.Ordinal)
                        .Replace("STATUS", story.Status.ToString(), StringComparison.Ordinal),
                    RegexOptions.Singleline
                ),
                $"{path} does not say that {story.Code} is {story.Status}: {story.Name}"
            );
    }

    [Fact]
    public async Task Machines_the_round_and_the_pond_book_say_the_same()
    {
        var api = farm.Services.GetRequiredService<DeviceKeys>();
        using var message = new HttpRequestMessage(HttpMethod.Get, "/api/ponds");
        message.Headers.Authorization = new AuthenticationHeaderValue("Bearer", farm.ReaderKey(api));
        using var answer = await farm.Client.SendAsync(message);
        var told = JsonDocument
            .Parse(await answer.Content.ReadAsStringAsync())
            .RootElement.EnumerateArray()
            .ToDictionary(p => p.GetProperty("code").GetString()!, p => p.GetProperty("status").GetString());
        var card = Regex
            .Match(await farm.Page("/round"), "class=\"card\">(.*?)</script>", RegexOptions.Singleline)
            .Groups[1]
            .Value;
        var stops = JsonDocument
            .Parse(card)
            .RootElement.GetProperty("stops")
            .EnumerateArray()
            .ToDictionary(s => s.GetProperty("code").GetString()!, s => s.GetProperty("word").GetString());
        foreach (var story in Story.All)
        {
            Assert.Equal((story.Code, story.Status.ToString()), (story.Code, told[story.Code]));
            Assert.Equal((story.Code, Word(story.Status)), (story.Code, stops[story.Code]));
        }
        // One of each gravity and of each rule is opened.
        foreach (var story in Story.All.DistinctBy(s => (s.Rule, s.Status)))
            Assert.Contains(
                $">{Word(story.Status)}<",
                Regex
                    .Replace(
                        await farm.Page($"/ponds/{story.Code}/water"),
                        "<svg.*?</svg>| ",
                        "",
                        RegexOptions.Singleline
                    )
                    .Replace("Actnow", "Act now", StringComparison.Ordinal),
                StringComparison.Ordinal
            );
    }

    [Fact]
    public async Task Today_and_the_alarm_page_name_every_pond_that_wants_somebody_now()
    {
        var (today, alarms) = (await farm.Page("/"), await farm.Page("/alarms"));
        foreach (var story in Story.All.Where(s => s.Status == Status.ActNow))
            Assert.True(
                Regex.IsMatch(
                    today,
                    $"<article class=\"need[^>]*>(?:(?!</article>).)*/ponds/{story.Code}[\"/]",
                    RegexOptions.Singleline
                ),
                $"{story.Code}, {story.Name}: not among what Today asks for"
            );
        foreach (var story in Story.All.Where(s => s.Rings == true))
            Assert.Contains($"/ponds/{story.Code}/water\">{story.Code}</a>", alarms, StringComparison.Ordinal);
    }
}

/// <summary>One line of the sheet.</summary>
public sealed record Story(int Number, IReadOnlyDictionary<string, string> Cells)
{
    public static IReadOnlyList<Story> All { get; } =
    [
        .. Csv.Rows(File.ReadAllText(Path.Combine(AppContext.BaseDirectory, "stories.csv")))
            .Select((c, i) => new Story(i + 1, c)),
    ];

    public string Name => Cells["story"];

    public string Code => FormattableString.Invariant($"S{Number:00}");

    public string Rule => Cells["rule"];

    public Status Status => Enum.Parse<Status>(Cells["status"]);

    public bool? Rings => Yes("rings");

    public bool? Shut => Yes("shut");

    public double? Feed => Cells["feed"].Length == 0 ? null : N(Cells["feed"]);

    public double Grams => N(Cells["grams"]);

    public IEnumerable<string[]> Parts(string cell) =>
        Cells[cell]
            .Split(';', StringSplitOptions.RemoveEmptyEntries | StringSplitOptions.TrimEntries)
            .Select(p => p.Split(' '));

    public static double N(string text) => double.Parse(text, CultureInfo.InvariantCulture);

    private bool? Yes(string cell) => Cells[cell].Length == 0 ? null : Cells[cell] == "yes";
}

/// <summary>A farm in which every story is a pond.</summary>
public sealed class StoryFarm : IDisposable
{
    private static readonly DateTimeOffset Now = SmallFarm.Now;
    private readonly SmallFarm farm = new();
    private readonly Dictionary<string, (long Pond, long Batch)> ids = [];
    private readonly long donor,
        feed;

    public StoryFarm()
    {
        feed = Enter(new FeedNamed(0, "Any", 3, 36, null), Now.AddDays(-60));
        donor = Pond("D", "pond");
        foreach (var story in Story.All)
            Tell(story);
        Services.GetRequiredService<AlarmWatch>().Look();
        var questions = Services.GetRequiredService<Questions>();
        Ponds = questions.PondsNow(Now).ToDictionary(p => p.Story.Pond.Code);
        Alarms =
        [
            .. questions
                .Alarms(Now)
                .Where(a => a.Open && a.Cause != Core.Alarms.AlarmCause.ProbeFault)
                .Select(a => (Ponds.Values.First(p => p.Story.Pond.Id == a.PondId).Story.Pond.Code, a.Level, a.Text)),
        ];
        Visitor = farm.As(Role.Manager).GetAwaiter().GetResult();
    }

    public IServiceProvider Services => farm.Services;

    public HttpClient Client => farm.CreateClient(new() { AllowAutoRedirect = false });

    public IReadOnlyDictionary<string, PondNow> Ponds { get; }

    public IReadOnlyList<(string Code, Status Level, string Text)> Alarms { get; }

    private Visitor Visitor { get; }

    public Task<string> Page(string path) => Visitor.Client.GetStringAsync(path);

    public string ReaderKey(DeviceKeys keys) =>
        keys.Renew(Enter(new DeviceKept(0, "Reader", DeviceUse.Reader, null, null, false), Now));

    /// <summary>What the books ask of the water when twenty more of the same fish are to be moved in.</summary>
    public List<string> AskedOfArrivals(Story story)
    {
        var batch = Enter(Stocked(donor, story, 60), Now.AddDays(-9));
        var move = new FishMoved(donor, ids[story.Code].Pond, batch, 20, story.Grams, CountBasis.Counted);
        var asked = Services
            .GetRequiredService<Door>()
            .Preview(Entry.Of(Guid.NewGuid(), "Manager", Now, move))
            .Remarks.Where(r =>
                r.Text.EndsWith("Do they go in all the same?", StringComparison.Ordinal)
                || r.Text.Contains("over the limit", StringComparison.Ordinal)
            )
            .Select(r => r.Text)
            .ToList();
        return asked;
    }

    public void Dispose() => farm.Dispose();

    private void Tell(Story story)
    {
        var pond = Pond(story.Code, story.Cells["water"]);
        if (story.Cells["water"] == "pond")
            Enter(
                new AeratorsFitted(pond, [new("A1", AeratorKind.All[1], 2.2, new(17, 0), new(8, 0))]),
                Now.AddDays(-20)
            );
        var batch = Enter(
            Stocked(pond, story, int.Parse(story.Cells["count"], CultureInfo.InvariantCulture)),
            Now.AddDays(-9)
        );
        ids[story.Code] = (pond, batch);
        var read = story.Parts("read").ToList();
        foreach (var (what, usual) in new[] { ("do", 7.5), ("temp", 26.0) })
            if (read.TrueForAll(r => r[0] != what))
                Enter(new ReadingTaken(pond, [new(Parameter.ByKey(what), usual)]), Now.AddHours(-0.5));
        foreach (var r in read.Where(r => r[1] != "-").OrderByDescending(r => Story.N(r[1])))
            Enter(
                new ReadingTaken(
                    pond,
                    [new(Parameter.ByKey(r[0]), Story.N(r[2]), r.Length > 3 ? Story.N(r[3][1..]) : null)]
                ),
                Now.AddHours(-Story.N(r[1]))
            );
        foreach (var s in story.Parts("seen"))
            Enter(
                s[0] == "fed"
                    ? new FeedingGiven(pond, feed, 0.1)
                    : new PondWorked(pond, PondWork.Note, "fish " + s[0], null),
                Now.AddHours(-Story.N(s[1]))
            );
        foreach (var d in story.Parts("dead"))
            Enter(
                new FishLost(pond, batch, int.Parse(d[0], CultureInfo.InvariantCulture), Account.Dead, ""),
                Now.AddDays(-Story.N(d[1])).AddHours(-1)
            );
    }

    private static FishStocked Stocked(long pond, Story story, int count) =>
        new(pond, story.Cells["fish"], "hatchery", count, story.Grams, CountBasis.Counted, "a story", null);

    private long Pond(string code, string water) =>
        Enter(
            new PondBuilt(
                new Pond(
                    0,
                    code,
                    "",
                    water == "tank" ? PondKind.Tank : PondKind.Earthen,
                    water == "tank" ? new RoundTank(5, 1.2) : new SlopedRectangle(40, 25, 2, 2),
                    "grow-out"
                )
            ),
            Now.AddDays(-20)
        );

    private long Enter(Fact fact, DateTimeOffset at)
    {
        var door = Services.GetRequiredService<Door>();
        var entry = Entry.Of(Guid.NewGuid(), "Manager", at, fact);
        var receipt = door.Enter(entry);
        if (!receipt.Accepted && receipt.Remarks.All(r => r.Kind == Objection.Ask))
            receipt = door.Enter(entry with { Meant = [.. receipt.Remarks.Select(r => r.Text)] });
        return receipt.Accepted
            ? receipt.Lines[0]
            : throw new InvalidOperationException(string.Join(" | ", receipt.Remarks.Select(r => r.Text)));
    }
}
