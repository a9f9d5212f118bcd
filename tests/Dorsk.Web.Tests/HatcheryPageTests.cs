using System.Globalization;
using System.Net;
using Dorsk.Core.Hatchery;
using Dorsk.Core.Judging;
using Dorsk.Core.People;
using Dorsk.Farm;
using Dorsk.Farm.Log;
using Microsoft.Extensions.DependencyInjection;

namespace Dorsk.Web.Tests;

/// <summary>The hatchery on its pages: a lot from its eggs to its first feed by slips, the register, nests, plans, calculators, bad input at its line.</summary>
public sealed class HatcheryPageTests : IDisposable
{
    private readonly SmallFarm farm = new();

    public void Dispose() => farm.Dispose();

    private long Enter(Fact fact, DateTimeOffset? at = null)
    {
        var entry = Entry.Of(Guid.NewGuid(), "Manager", at ?? SmallFarm.Now, fact, "typed", []);
        var door = farm.Services.GetRequiredService<Door>();
        var receipt = door.Enter(entry);
        if (!receipt.Accepted)
            receipt = door.Enter(entry with { Meant = [.. receipt.Remarks.Select(r => r.Text)] });
        Assert.True(receipt.Accepted, string.Join("; ", receipt.Remarks.Select(r => r.Text)));
        return receipt.Lines[0];
    }

    private static string N(long n) => n.ToString(CultureInfo.InvariantCulture);

    private long Vessel(string name, VesselKind kind = VesselKind.Tank, long? pond = null) =>
        Enter(
            new VesselDescribed(
                0,
                kind,
                name,
                kind == VesselKind.Nest ? 0 : 0.5,
                kind == VesselKind.Nest ? 0 : 0.6,
                pond,
                HeldBefore.Food,
                false
            )
            {
                DepthM = 0.6,
                Spot = kind == VesselKind.Nest ? (0.3, 0.4) : null,
            },
            SmallFarm.Now.AddDays(-3)
        );

    private async Task<string> Page(Visitor visitor, string path) =>
        PageText.Plain(await visitor.Client.GetStringAsync(path));

    private static Dictionary<string, string> With(params (string Name, string Value)[] lines) =>
        lines.ToDictionary(l => l.Name, l => l.Value);

    private static (string, string)[] When(DateTimeOffset at) =>
        [
            ("Day", at.ToOffset(TimeSpan.FromHours(10)).ToString("yyyy-MM-dd", CultureInfo.InvariantCulture)),
            ("Hour", at.ToOffset(TimeSpan.FromHours(10)).ToString("HH:mm", CultureInfo.InvariantCulture)),
        ];

    [Fact]
    public async Task Eggs_are_taken_by_samples_counted_as_larvae_fed_and_shown_with_their_clock_and_chain()
    {
        var tank = Vessel("H1");
        var manager = await farm.As(Role.Manager);
        await manager.Token("/slip/eggs");
        var eggs = With([
            .. When(SmallFarm.Now.AddHours(-60)),
            ("Species", "silver_perch"),
            ("Vessel", N(tank)),
            ("Basis", "ByVolume"),
            ("Water", "2"),
            ("Sample", "0.01"),
            ("Counts", "212 198 205"),
            ("Colour", "Yellow"),
            ("Trough", "24.5"),
            ("FromC", "29"),
            ("Tempered", "0"),
            ("Fertile", "88"),
        ]);
        // Too fast from one water to the other: asked at the line, nothing lost.
        var asked = await (await manager.Post("/slip/eggs", eggs)).Content.ReadAsStringAsync();
        Assert.Contains("bring them over in 45 minutes", PageText.Plain(asked), StringComparison.Ordinal);
        Assert.Contains("212 198 205", asked, StringComparison.Ordinal);
        eggs["Tempered"] = "50";
        Assert.Equal(HttpStatusCode.Redirect, (await manager.Post("/slip/eggs", eggs)).StatusCode);
        var page = await Page(manager, "/hatchery");
        // 2 L over 10 mL by 205 eggs on average.
        Assert.Matches(@"41.?000 eggs", page);
        var lot = farm.Services.GetRequiredService<Farm.Ask.Questions>().Hatchery(SmallFarm.Now).Lots[0].Lot.LotId;

        await manager.Token("/slip/lot-count?Lot=" + N(lot));
        var larvae = With([
            .. When(SmallFarm.Now.AddHours(-20)),
            ("Lot", N(lot)),
            ("Stage", "Larvae"),
            ("Basis", "Counted"),
            ("Count", "50000"),
        ]);
        var more = PageText.Plain(await (await manager.Post("/slip/lot-count", larvae)).Content.ReadAsStringAsync());
        Assert.Contains("more than all", more, StringComparison.Ordinal);
        larvae["Count"] = "30000";
        Assert.Equal(HttpStatusCode.Redirect, (await manager.Post("/slip/lot-count", larvae)).StatusCode);

        await manager.Token("/slip/lot-look?Lot=" + N(lot));
        var empty = await manager.Post(
            "/slip/lot-look",
            With([.. When(SmallFarm.Now), ("Lot", N(lot)), ("Colour", "NotSeen"), ("Behaviour", "NotSeen")])
        );
        Assert.Contains(
            "Nothing was read or seen",
            PageText.Plain(await empty.Content.ReadAsStringAsync()),
            StringComparison.Ordinal
        );
        var look = With([
            .. When(SmallFarm.Now.AddHours(-2)),
            ("Lot", N(lot)),
            ("Temp", "29.5"),
            ("Oxygen", "7"),
            ("Seen", "SwimUp"),
            ("Colour", "NotSeen"),
            ("Behaviour", "Hanging"),
        ]);
        Assert.Equal(HttpStatusCode.Redirect, (await manager.Post("/slip/lot-look", look)).StatusCode);
        var shown = await Page(manager, $"/hatchery/lot/{lot}");
        Assert.Matches(@"30.?000 larvae", shown);
        Assert.Contains("hang all day though sound in body: crowded", shown, StringComparison.Ordinal);
        Assert.Matches(@"eggs to larvae 41.?000 to 30.?000 .*73 %", shown);
        Assert.Contains("falls straight down at the centre", shown, StringComparison.Ordinal);
        Assert.Contains("Feed bell", shown, StringComparison.Ordinal);
        Assert.Contains("missed", shown, StringComparison.Ordinal);

        await manager.Token("/slip/fry-feed?Lot=" + N(lot));
        var meal = With([
            .. When(SmallFarm.Now),
            ("Lot", N(lot)),
            ("Feed", "liquid feed"),
            ("Grams", "5"),
            ("Score", "3"),
            ("Where", "all round the edge"),
        ]);
        Assert.Equal(HttpStatusCode.Redirect, (await manager.Post("/slip/fry-feed", meal)).StatusCode);
        Assert.Contains(
            "taken mostly all round the edge",
            await Page(manager, $"/hatchery/lot/{lot}"),
            StringComparison.Ordinal
        );
        await Care_is_judged(manager, lot);
        Assert.Equal(HttpStatusCode.NotFound, (await manager.Client.GetAsync("/hatchery/lot/999999")).StatusCode);
        Assert.Equal(HttpStatusCode.NotFound, (await manager.Client.GetAsync("/hatchery/fry/P1")).StatusCode);
        // A part of the lot becomes a lot of its own; the hatch is offered split by volume.
        var (second, _) = (Vessel("H2"), Vessel("H3"));
        await manager.Token("/slip/lot-move?Lot=" + N(lot));
        var moved = With([
            .. When(SmallFarm.Now),
            ("Lot", N(lot)),
            ("Vessel", N(second)),
            ("Count", "10000"),
            ("FromC", "26"),
            ("ToC", "23"),
            ("Treatment", "thin"),
        ]);
        var split = PageText.Plain(await (await manager.Post("/slip/lot-move", moved)).Content.ReadAsStringAsync());
        Assert.Contains("Both waters are to be alike", split, StringComparison.Ordinal);
        moved["ToC"] = "25.8";
        Assert.Equal(HttpStatusCode.Redirect, (await manager.Post("/slip/lot-move", moved)).StatusCode);
        var parted = await Page(manager, "/hatchery");
        Assert.Matches(@"20.?000 larvae", parted);
        Assert.Matches(@"10.?000 larvae", parted);
    }

    [Fact]
    public async Task The_register_judges_breeders_nests_and_forage()
    {
        var manager = await farm.As(Role.Manager);
        await manager.Token("/slip/brood");
        Dictionary<string, string> Fish(string tag, string sex, string count) =>
            With(
                ("Tag", tag),
                ("Pond", N(farm.PondId)),
                ("Count", count),
                ("Sex", sex),
                ("Sure", "ByShape"),
                ("Origin", "Bought"),
                ("Strain", "Creek line"),
                ("Year", "2023"),
                ("Mass", "1.5")
            );
        Assert.Equal(
            HttpStatusCode.Redirect,
            (await manager.Post("/slip/brood", Fish("red 1", "Female", "30"))).StatusCode
        );
        var twice = PageText.Plain(
            await (await manager.Post("/slip/brood", Fish("red 1", "Male", "4"))).Content.ReadAsStringAsync()
        );
        Assert.Contains("has this tag", twice, StringComparison.Ordinal);
        Assert.Equal(
            HttpStatusCode.Redirect,
            (await manager.Post("/slip/brood", Fish("white 1", "Male", "4"))).StatusCode
        );
        var id = farm.Services.GetRequiredService<Farm.Ask.Questions>().Breeders()[0].Fish.BroodId;
        await manager.Token("/slip/brood-look");
        var look = With([
            .. When(SmallFarm.Now),
            ("Brood", N(id)),
            ("Thin", "no"),
            ("Sores", "yes"),
            ("Skin", "no"),
            ("Gills", "no"),
        ]);
        var page0 = PageText.Plain(
            await (
                await manager.Post("/slip/brood-look", With([.. When(SmallFarm.Now), ("Brood", N(id))]))
            ).Content.ReadAsStringAsync()
        );
        Assert.Contains("nothing is taken for granted", page0, StringComparison.Ordinal);
        Assert.Equal(HttpStatusCode.Redirect, (await manager.Post("/slip/brood-look", look)).StatusCode);
        var nest = Vessel("nest 1", VesselKind.Nest, farm.PondId);
        Enter(new NestChecked(nest, farm.PondId, NestSeen.Eggs));
        Enter(new ForageGiven(farm.PondId, "minnows", "creek", 2, ForageState.Live));
        Vessel("H9");
        foreach (var slip in new[] { "/slip/nest-look", "/slip/eggs" })
            Assert.Contains("Guarding males bite hard", await Page(manager, slip), StringComparison.Ordinal);
        Assert.Contains(
            "never in the sun, no knocks, still water with oxygen",
            await Page(manager, "/slip/eggs"),
            StringComparison.Ordinal
        );
        var page = await Page(manager, "/hatchery/broodstock");
        Assert.Contains("20 males are wanted at 3 to 2", page, StringComparison.Ordinal);
        Assert.Contains("brothers and sisters", page, StringComparison.Ordinal);
        Assert.Contains("refused: sores", page, StringComparison.Ordinal);
        Assert.Contains("turn the mouth to the middle", page, StringComparison.Ordinal);
        Assert.Contains("brings the diseases and parasites", page, StringComparison.Ordinal);
        Assert.Matches(@"serves breeders|at least 35 % wanted", page);
        await manager.Token("/slip/vessel");
        var poison = await manager.Post(
            "/slip/vessel",
            With(("Kind", "Nest"), ("Name", "drum"), ("Before", "Poison"), ("Pond", N(farm.PondId)), ("Depth", "0.6"))
        );
        Assert.Contains(
            "Never a vessel that held poison",
            PageText.Plain(await poison.Content.ReadAsStringAsync()),
            StringComparison.Ordinal
        );
    }

    [Fact]
    public async Task A_plan_counts_back_to_breeders_and_days_and_two_plans_share_the_vessels()
    {
        var manager = await farm.As(Role.Manager);
        await manager.Token("/slip/hatch-plan");
        Dictionary<string, string> Plan(string wanted, string low) =>
            With(
                ("Species", "channel_catfish"),
                ("Wanted", wanted),
                ("On", "2027-09-01"),
                ("Length", "5 cm"),
                ("Female", "1.8"),
                ("Females", "3"),
                ("Males", "2"),
                ("Water", "27"),
                ("Spawn", low),
                ("SpawnHigh", "80"),
                ("Hatch", "40"),
                ("HatchHigh", "80"),
                ("Feed", "50"),
                ("FeedHigh", "80"),
                ("Nursery", "40"),
                ("NurseryHigh", "70")
            );
        var wrong = PageText.Plain(
            await (await manager.Post("/slip/hatch-plan", Plan("20000", "90"))).Content.ReadAsStringAsync()
        );
        Assert.Contains("the low end first", wrong, StringComparison.Ordinal);
        Assert.Equal(
            HttpStatusCode.Redirect,
            (await manager.Post("/slip/hatch-plan", Plan("200000", "50"))).StatusCode
        );
        Assert.Equal(
            HttpStatusCode.Redirect,
            (await manager.Post("/slip/hatch-plan", Plan("300000", "50"))).StatusCode
        );
        var page = await Page(manager, "/hatchery/plan");
        // 200,000 / 0.4 / 0.5 / 0.4 = 2,500,000 eggs; 6,600 eggs a kg, 1.8 kg: 211 must spawn, 423 with the spare, 282 males.
        Assert.Matches(@"2.?500.?000", page);
        Assert.Matches(@"423 females \(76\d\.\d kg\) and 282 males", page);
        Assert.Matches("Nests 282", page);
        Assert.Matches("9 troughs", page);
        Assert.Contains("want 23 vessels together", page, StringComparison.Ordinal);
        var jobs = await Page(manager, "/jobs");
        Assert.DoesNotContain("Error", jobs, StringComparison.Ordinal);
    }

    // Too coarse and too weak a feed, a feeder that gives half, a still trough, a trial of twelve fish.
    private async Task Care_is_judged(Visitor manager, long lot)
    {
        async Task<string> Save(string slip, params (string, string)[] lines)
        {
            await manager.Token($"/slip/{slip}?Lot={lot}");
            var form = With([.. When(SmallFarm.Now), ("Lot", N(lot)), .. lines]);
            var answer = await manager.Post("/slip/" + slip, form);
            var said = PageText.Plain(await answer.Content.ReadAsStringAsync());
            return answer.StatusCode == HttpStatusCode.Redirect ? "saved" : said;
        }

        Assert.Equal(
            "saved",
            await Save("fry-feed", ("Feed", "crumble"), ("Form", "Crumble"), ("Protein", "30"), ("Grams", "5"))
        );
        var shown = await Page(manager, $"/hatchery/lot/{lot}");
        Assert.Matches("crumble is too coarse for day 1: liquid feed", shown);
        Assert.Matches("30 % protein: first feeds of this fish have", shown);
        Assert.Matches(
            @"a dose weighs 0\.2\d* g, set to 0\.4\d* g: clean it",
            await Save("fry-feeder", ("Every", "5"), ("Dose", "0.4"), ("Weighed", "0.2"))
        );
        Assert.Equal("saved", await Save("fry-feeder", ("Every", "5"), ("Dose", "0.4"), ("Weighed", "0.41")));
        Assert.Matches("A feeder gives 118 g a day", await Page(manager, $"/hatchery/lot/{lot}"));
        Assert.Equal(
            "saved",
            await Save(
                "lot-look",
                ("Colour", "NotSeen"),
                ("Behaviour", "NotSeen"),
                ("Mixing", "StillCorner"),
                ("Light", "80")
            )
        );
        Assert.Matches("eggs smother there", await Page(manager, $"/hatchery/lot/{lot}"));
        await Save(
            "release-trial",
            ("Species", "silver_perch"),
            ("Water", "the dam"),
            ("Tried", "40"),
            ("Took", "38"),
            ("Hours", "24")
        );
        Assert.Matches("95 % took live prey in 24 hours .* they feed themselves", await Page(manager, "/hatchery"));
    }

    [Theory]
    [InlineData("make-or-buy", "An own fingerling costs 0.090 AUD to 0.360 AUD")]
    [InlineData(
        "fry-places?species=silver_perch&water=Pool&weight=0.03&first=2000&second=&third=&fry=9000",
        "They hold 4 000 to 10 000"
    )]
    [InlineData("half-grown", "Kept in tanks 4 000")]
    [InlineData("weaning-cost", "Feed of a fish that lives")]
    [InlineData("marking?weight=2&least=5&marked=200&caught=150&again=12", "Too small to be marked: 5.0 g at least")]
    [InlineData("marking", "Fish in the water 2 334")]
    [InlineData("spawning-way?wanted=60000&hours=8&skill=Practised", "Choose pond spawning")]
    [InlineData("spawning-way?wanted=60000&hours=8&skill=Beginner", "Choose none of them")]
    [InlineData("troughs?masses=25&baskets=8&water=400&flow=0.6", "Baskets 13")]
    [InlineData("troughs?masses=25&baskets=8&water=400&flow=0.2", "too little flow")]
    [InlineData("feed-change?from=2027-03-01&days=9&feed=2", "New feed alone from Wed 10 Mar")]
    public async Task Calculators_of_fry_answer(string address, string says)
    {
        var hand = await farm.As(Role.PondHand);
        var page = await Page(hand, "/workbench/" + address);
        Assert.Contains(says, page.Replace(',', ' ').Replace('\u202f', ' '), StringComparison.Ordinal);
    }
}
