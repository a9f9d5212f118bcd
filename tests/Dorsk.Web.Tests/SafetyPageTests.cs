using Dorsk.Core.Judging;
using Dorsk.Core.People;
using Dorsk.Core.Ponds;
using Dorsk.Core.Season;
using Dorsk.Core.Water;
using Dorsk.Farm;
using Dorsk.Farm.Log;
using Microsoft.Extensions.DependencyInjection;

namespace Dorsk.Web.Tests;

/// <summary>Work alone, cautions at the work they are about, the share of a change of water, the colour that is wanted.</summary>
public sealed class SafetyPageTests : IDisposable
{
    private readonly SmallFarm farm = new();

    public void Dispose() => farm.Dispose();

    private long Enter(Fact fact, DateTimeOffset at) =>
        farm.Services.GetRequiredService<Door>().Enter(Entry.Of(Guid.NewGuid(), "Manager", at, fact))
            is { Accepted: true } r
            ? r.Lines[0]
            : throw new InvalidOperationException(fact.ToString());

    private static Dictionary<string, string> CheckIn(string minutes, string place) =>
        new()
        {
            ["Day"] = "2027-01-21",
            ["Hour"] = "17:30",
            ["Who"] = "Pond hand",
            ["Minutes"] = minutes,
            ["Place"] = place,
        };

    [Fact]
    public async Task Who_works_alone_stands_on_Today_and_among_the_alarms_until_they_are_back()
    {
        var hand = await farm.As(Role.PondHand);
        async Task<string> Page(string url) => PageText.Plain(await hand.Client.GetStringAsync(url));
        Assert.DoesNotContain("works alone", await Page("/"), StringComparison.Ordinal);
        var bad = PageText.Plain(await (await hand.Post("/slip/lone", CheckIn("30", ""))).Content.ReadAsStringAsync());
        Assert.Contains("others must know where to look", bad, StringComparison.Ordinal);
        var kept = await hand.Post("/slip/lone", CheckIn("30", "P1 to the sump"));
        Assert.Equal("/alarms", kept.Headers.Location!.ToString().Split('?')[0]);
        foreach (var url in new[] { "/", "/alarms" })
            Assert.Matches(
                "Pond hand works alone .*check-in due 18:00 .*P1 to the sump; last heard at 17:30",
                await Page(url)
            );
        Assert.Contains(
            "/slip/lone?Who=Pond%20hand&amp;Minutes=0&amp;Place=P1%20to%20the%20sump",
            await hand.Client.GetStringAsync("/alarms"),
            StringComparison.Ordinal
        );
        // A week without a word ends nothing: they are looked for until somebody signs them in.
        var questions = farm.Services.GetRequiredService<Dorsk.Farm.Ask.Questions>();
        Assert.Single(questions.Alone(SmallFarm.Now.AddDays(7)));
        await hand.Post("/slip/lone", CheckIn("0", ""));
        Assert.DoesNotContain("works alone", await Page("/"), StringComparison.Ordinal);
        // A viewer sees who is out, and signs nobody in.
        var viewer = await farm.As(Role.Viewer);
        Assert.DoesNotContain("/slip/lone", await viewer.Client.GetStringAsync("/alarms"), StringComparison.Ordinal);
    }

    [Fact]
    public async Task A_calibration_that_is_due_is_a_job_until_the_instrument_is_calibrated()
    {
        var manager = await farm.As(Role.Manager);
        var meter = new Dictionary<string, string>
        {
            ["Name"] = "Oxygen meter",
            ["Kind"] = "Meter",
            ["m-do"] = "true",
            ["Calibrated"] = "2027-01-07",
            ["Every"] = "14",
        };
        await manager.Post("/slip/instrument", meter);
        async Task<string> Page(string url) => PageText.Plain(await manager.Client.GetStringAsync(url));
        Assert.Matches("Oxygen meter .*due now", await Page("/setup/instruments"));
        Assert.Contains("Calibrate Oxygen meter", await Page("/jobs"), StringComparison.Ordinal);
        var line = farm.Services.GetRequiredService<Dorsk.Farm.Ask.Questions>().Instruments()[0].Line;
        await manager.Post(
            "/setup/instruments?handler=Calibrated",
            new() { ["line"] = line.ToString(System.Globalization.CultureInfo.InvariantCulture) }
        );
        Assert.Matches("Oxygen meter .*4 Feb", await Page("/setup/instruments"));
        Assert.DoesNotContain("Calibrate Oxygen meter", await Page("/jobs"), StringComparison.Ordinal);
    }

    [Theory]
    [InlineData("/ponds/P1/slip/air-service", "key out")]
    [InlineData("/ponds/P1/slip/harvest", "Two people or a lift above 20-25 kg")]
    [InlineData("/ponds/P1/slip/receive", "Cut away from hands and fish")]
    [InlineData("/ponds/P1/slip/work", "boils with water")]
    [InlineData("/ponds/P1/slip/reading", "check-in time")]
    [InlineData("/ponds/P1/slip/deaths", "cuts covered")]
    [InlineData("/ponds/P1/slip/equipment", "carbon monoxide")]
    public async Task A_slip_says_what_can_hurt(string url, string says)
    {
        var manager = await farm.As(Role.Manager);
        Assert.Contains(says, PageText.Plain(await manager.Client.GetStringAsync(url)), StringComparison.Ordinal);
    }

    [Fact]
    public async Task A_planned_change_of_water_stands_with_its_water_its_cost_and_the_old_water_left()
    {
        var manager = await farm.As(Role.Manager);
        Enter(new EquipmentFitted(farm.PondId, [new(EquipmentKind.Pump, "", 2, 30)]), SmallFarm.Now.AddDays(-3));
        Enter(
            new PondWorked(farm.PondId, PondWork.WaterChanged, "to the ditch", null) { VolumeM3 = 100 },
            SmallFarm.Now.AddDays(-2)
        );
        var duty = new Dictionary<string, string>
        {
            ["What"] = UsualDuties.ChangeWater,
            ["Pond"] = farm.PondId.ToString(System.Globalization.CultureInfo.InvariantCulture),
            ["Every"] = "3",
            ["From"] = "2027-01-21",
            ["At"] = "19:00",
            ["Who"] = "PondHand",
            ["Share"] = "85",
        };
        var bad = PageText.Plain(await (await manager.Post("/slip/duty", duty)).Content.ReadAsStringAsync());
        Assert.Contains("up to 80 % of the water at a time", bad, StringComparison.Ordinal);
        duty["Share"] = "20";
        Assert.Equal(
            "/setup/duties",
            (await manager.Post("/slip/duty", duty)).Headers.Location!.ToString().Split('?')[0]
        );
        // 40 × 25 m, 1.4 m deep, banks 2:1: 1,161 m³ when full, 100 of which are new since two days.
        foreach (var url in new[] { "/", "/setup/duties" })
            Assert.Matches(
                @"20 % is 23[0-9]\s?m³, 15\.[0-9] kWh of pumping; then 73 % of the water of 30 days ago is left",
                PageText.Plain(await manager.Client.GetStringAsync(url))
            );
    }

    [Fact]
    public async Task Another_colour_than_the_wanted_one_is_pointed_out_and_the_depth_of_a_reading_shown()
    {
        var manager = await farm.As(Role.Manager);
        Enter(
            new ReadingTaken(farm.PondId, [new(Parameter.Colour, 3), new(Parameter.Oxygen, 7) { DepthM = 0.4 }]),
            SmallFarm.Now.AddHours(-1)
        );
        async Task<string> Water() => PageText.Plain(await manager.Client.GetStringAsync("/ponds/P1/water"));
        var before = await Water();
        Assert.DoesNotContain("is wanted here", before, StringComparison.Ordinal);
        Assert.Matches(@"at 0\.40\s?m", before);
        var slip = await manager.Client.GetStringAsync("/ponds/P1/log");
        var line = System.Text.RegularExpressions.Regex.Match(slip, @"/slip/pond\?corrects=(\d+)").Groups[1].Value;
        var form = BrowserForm.Shown(
            BrowserForm.Of(await manager.Client.GetStringAsync($"/slip/pond?corrects={line}"))
        );
        form["Colour"] = "1";
        Assert.Equal(
            System.Net.HttpStatusCode.Redirect,
            (await manager.Post($"/slip/pond?corrects={line}", form)).StatusCode
        );
        Assert.Contains(
            "green, and clear, the floor is seen is wanted here",
            await Water(),
            StringComparison.OrdinalIgnoreCase
        );
    }
}
