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

/// <summary>A species that no table holds: added, its figures changed, stocked, judged by them at every door.</summary>
public sealed class OwnSpeciesTests : IDisposable
{
    private const string Key = "silver_perch~Golden perch";

    private static readonly string Address = "/setup/species/" + Uri.EscapeDataString(Key);

    private readonly SmallFarm farm = new();

    public void Dispose() => farm.Dispose();

    private Receipt Enter(Fact fact, DateTimeOffset at) =>
        farm.Services.GetRequiredService<Door>().Enter(Entry.Of(Guid.NewGuid(), "Manager", at, fact));

    private static Dictionary<string, string> Golden(string name = "Golden perch") =>
        new()
        {
            ["Name"] = name,
            ["BaseKey"] = "silver_perch",
            ["Scientific"] = "Macquaria ambigua",
            ["Source"] = "the hatchery's leaflet",
        };

    private static async Task<string> Said(Visitor who, string url, Dictionary<string, string> form) =>
        PageText.Plain(await (await who.Post(url, form)).Content.ReadAsStringAsync());

    private long NewPond() =>
        Enter(
            new PondBuilt(new Pond(0, "G1", "", PondKind.Earthen, new SlopedRectangle(40, 25, 1.4, 2), "grow-out")),
            SmallFarm.Now.AddDays(-50)
        ).Lines[0];

    [Fact]
    public async Task A_species_of_the_farms_own_is_judged_by_its_own_figures_wherever_it_swims()
    {
        var manager = await farm.As(Role.Manager);
        async Task<string> Page(string url) => PageText.Plain(await manager.Client.GetStringAsync(url));
        var pond = NewPond();
        var stocked = new FishStocked(pond, Key, "hatchery", 800, 60, CountBasis.Counted, "dry since June", 500);
        // What nobody added is no species of this farm.
        Assert.Contains(
            "add it to the farm's own",
            Assert.Single(Enter(stocked, SmallFarm.Now.AddDays(-9)).Remarks).Text
        );
        Assert.Equal(System.Net.HttpStatusCode.NotFound, (await manager.Client.GetAsync(Address)).StatusCode);
        Assert.Contains(
            "species of this name",
            await Said(manager, "/slip/own-species", Golden("silver perch")),
            StringComparison.Ordinal
        );
        await manager.Post("/slip/own-species", Golden());
        Assert.Matches("Golden perch own, from silver perch", await Page("/setup/species"));
        await manager.Post(Address + "?handler=Value", new() { ["field"] = "density_air", ["value"] = "0.9" });
        Assert.Matches("Copied from silver perch.*the hatchery's leaflet", await Page(Address));

        // Every list of fish offers it, with its own figures.
        foreach (
            var url in new[]
            {
                "/ponds/G1/slip/stock",
                "/ponds/G1/slip/receive",
                "/ponds/G1/slip/prepare",
                "/ponds/G1/slip/plan-stocking",
                "/plans/stocking",
                "/plans/species",
                "/ponds/G1/acclimate",
                "/workbench/source",
            }
        )
            Assert.Contains($"value=\"{Key}\"", await manager.Client.GetStringAsync(url), StringComparison.Ordinal);
        Assert.Matches(
            "Species table, aerated taken fed, with air 0.90 fish/m²",
            await Page(StockingPageTests.Query(("species", Key), ("pond", "G1")))
        );

        Assert.True(Enter(stocked, SmallFarm.Now.AddDays(-9)).Accepted);
        // Salt that its table's row bears is too much for this one: said on every page, and it rings.
        var salty = new ReadingTaken(
            pond,
            [new(Parameter.Salinity, 4), new(Parameter.Oxygen, 8), new(Parameter.Temperature, 24)]
        );
        Enter(salty, SmallFarm.Now.AddMinutes(-10));
        Assert.DoesNotContain("too salt", await Page("/ponds/G1"), StringComparison.Ordinal);
        await manager.Post(Address + "?handler=Value", new() { ["field"] = "salinity_high", ["value"] = "3" });
        farm.Services.GetRequiredService<AlarmWatch>().Look();
        foreach (var url in new[] { "/", "/ponds/G1", "/alarms" })
            Assert.Contains(
                "4.0 ppt is too salt for golden perch, which bear 0.0 ppt to 3.0 ppt",
                await Page(url),
                StringComparison.Ordinal
            );
        Assert.Matches("golden perch", (await Page("/ponds/G1/stock")).ToLowerInvariant());

        // It keeps its name while lines name it; its source may be put right.
        var line = farm.Services.GetRequiredService<Questions>().OwnSpecies()[0].Line;
        var renamed = await Said(manager, $"/slip/own-species?corrects={line}", Golden("Yellowbelly"));
        Assert.Contains("keeps its name", renamed, StringComparison.Ordinal);
        var better = Golden();
        better["Source"] = "our own ponds since 2024";
        await manager.Post($"/slip/own-species?corrects={line}", better);
        Assert.Contains("our own ponds since 2024", await Page(Address), StringComparison.Ordinal);
    }

    /// <summary>The same figures typed for a pond of trout and one of perch: each is judged by the limits of its own fish.</summary>
    [Theory]
    [InlineData("ammonia", "tan=3&basis=N&ph=7.6&temp=14&salinity=0")]
    [InlineData("co2", "ph=6.7&alkalinity=40&temp=14&salinity=0&left=1")]
    [InlineData("carbon", "tan=2&wanted=0.5&source=0.3&volume=1000&do=5.4")]
    public async Task Calculators_judge_by_the_fish_of_the_pond_they_start_from(string calculator, string typed)
    {
        var manager = await farm.As(Role.Manager);
        var pond = NewPond();
        var trout = new FishStocked(
            pond,
            "rainbow_trout",
            "hatchery",
            400,
            60,
            CountBasis.Counted,
            "dry since June",
            300
        );
        Assert.True(Enter(trout, SmallFarm.Now.AddDays(-9)).Accepted);
        async Task<string> Judged(string code)
        {
            var html = await manager.Client.GetStringAsync($"/workbench/{calculator}?pond={code}&{typed}");
            var page = new AngleSharp.Html.Parser.HtmlParser().ParseDocument(html);
            return page.QuerySelector(".bench-out .st")?.TextContent.Trim() ?? "Steady";
        }
        Assert.Equal("Steady", await Judged("P1"));
        Assert.NotEqual("Steady", await Judged("G1"));
    }
}
