using AngleSharp.Html.Dom;
using AngleSharp.Html.Parser;
using Dorsk.Core.People;
using Dorsk.Farm.Ask;
using Microsoft.Extensions.DependencyInjection;

namespace Dorsk.Web.Tests;

/// <summary>What goes wrong at a slip: each mistake has its sentence at the field, keeps what was typed, and enters nothing.</summary>
public class MistakeTests(SmallFarm farm) : IClassFixture<SmallFarm>
{
    /// <summary>Slip; what is typed, as name=value; the field; what is said there.</summary>
    public static TheoryData<string, string, string, string> Mistakes =>
        new()
        {
            { "/ponds/P1/slip/reading", "do=abc", "do", "not a number" },
            { "/ponds/P1/slip/reading", "do=-3", "do", "outside what can be entered" },
            { "/ponds/P1/slip/reading", "do=1e9", "do", "not a unit" },
            { "/ponds/P1/slip/reading", "do=999999999", "do", "outside what can be entered" },
            { "/ponds/P1/slip/reading", "temp=84", "temp", "Did you mean 84 °F?" },
            { "/ponds/P1/slip/reading", "temp=1,500", "temp", "two ways" },
            { "/ponds/P1/slip/reading", "do=3.1 ppt", "do", "not a unit of dissolved oxygen" },
            { "/ponds/P1/slip/reading", "do=5;Day=2027-03-01", "Day", "future" },
            { "/ponds/P1/slip/reading", "do=5;Day=", "Day", "Type the date" },
            { "/ponds/P1/slip/reading", "do=5;Hour=25:00", "Hour", "not an hour" },
            { "/ponds/P1/slip/feeding", "Mass=", "Mass", "Type the mass" },
            { "/ponds/P1/slip/feeding", "Mass=1,500", "Mass", "type 1500 for the thousands or 1.500" },
            { "/ponds/P1/slip/deaths", "Count=2.5", "Count", "whole number" },
            { "/ponds/P1/slip/deaths", "Count=-1", "Count", "outside 1 to" },
            { "/ponds/P1/slip/deaths", "Count=1;Day=2026-01-01", "Day", "before the batch was stocked" },
            { "/ponds/P1/slip/sample", "N1=0;M1=4", "N1", "tells nothing" },
            { "/ponds/P1/slip/sample", "N1=;M1=", "N1", "at least one sample" },
            { "/ponds/P1/slip/sample", "Single=single;Fish=301 abc", "Fish", "not a number" },
            { "/ponds/P1/slip/harvest", "Mass=100;Count=99999999999", "Count", "too large" },
            {
                "/ponds/P1/slip/harvest",
                "Mass=5;Count=20;Final=true",
                "DifferenceReason",
                "Give the difference a name"
            },
            { "/ponds/P1/slip/stock", "Count=100;MeanWeight=0;NotReadyReason=x", "MeanWeight", "not a weight" },
            { "/ponds/P1/slip/stock", "Count=1000000;MeanWeight=60", "Count", "% over the limit" },
            { "/ponds/P1/slip/aerators", "Number=2;Power=1.1;OnTimer=3", "OnTimer", "0 to 2" },
            { "/ponds/P1/slip/work", "Work=Salted;Amount=", "Amount", "how much salt" },
            { "/ponds/P1/slip/work", "Work=WaterChanged;Volume=100 m3;Text=", "Text", "where the old water went" },
            { "/slip/lone", "Minutes=30;Place=", "Place", "where to look" },
            { "/slip/duty", "What=change water;Share=0", "Share", "More than 0" },
            { "/slip/duty", "What=change water;Share=30;Pond=", "Pond", "changed in a pond" },
            { "/slip/pond", "Code=P1;Length=10;Width=5;Slope=1;Depth=1", "Code", "taken" },
            { "/slip/pond", "Code=B2;Length=10;Width=5;Slope=4;Depth=1", "Slope", "banks meet" },
            { "/slip/pond", "Code=B2;Length=10;Width=5;Slope=1;Depth=0", "Depth", "outside 0.2" },
        };

    [Theory, MemberData(nameof(Mistakes))]
    public async Task Each_is_answered_at_its_field_keeps_what_was_typed_and_enters_nothing(
        string slip,
        string typed,
        string field,
        string says
    )
    {
        var manager = await farm.As(Role.Manager);
        var questions = farm.Services.GetRequiredService<Questions>();
        var last = questions.LastLine();
        var form = BrowserForm.Of(await manager.Client.GetStringAsync(slip));
        var values = typed.Split(';').Select(t => t.Split('=', 2)).ToDictionary(t => t[0], t => t[1]);
        var sent = BrowserForm.Shown(form);
        foreach (var (name, value) in values)
            sent[name] = value;
        var answer = await manager.Post(slip, sent);
        var page = new HtmlParser().ParseDocument(await answer.Content.ReadAsStringAsync());
        Assert.Contains(says, page.QuerySelector($"#w-{field}")?.TextContent ?? "", StringComparison.Ordinal);
        var again = BrowserForm.Shown((IHtmlFormElement)page.QuerySelector("form.slip")!);
        foreach (var (name, value) in values)
            Assert.Equal(value, again.GetValueOrDefault(name, ""));
        Assert.Equal(last, questions.LastLine());
    }

    [Fact]
    public async Task Drying_for_grow_out_and_for_a_nursery_have_their_own_first_day_of_water()
    {
        var manager = await farm.As(Role.Manager);
        await manager.Post(
            "/slip/pond",
            BrowserForm
                .Shown(BrowserForm.Of(await manager.Client.GetStringAsync("/slip/pond")))
                .Concat([
                    new("Code", "D6"),
                    new("Length", "40"),
                    new("Width", "25"),
                    new("Slope", "2"),
                    new("Depth", "1.4"),
                ])
                .GroupBy(v => v.Key)
                .ToDictionary(g => g.Key, g => g.Last().Value)
        );
        const string slip = "/ponds/D6/slip/prepare";
        var values = BrowserForm.Shown(BrowserForm.Of(await manager.Client.GetStringAsync(slip)));
        values["Alkalinity"] = "30";
        using var answer = await manager.Post(slip + "?handler=Live", values);
        using var said = System.Text.Json.JsonDocument.Parse(await answer.Content.ReadAsStringAsync());
        var days = said
            .RootElement.GetProperty("computed")
            .EnumerateArray()
            .Where(c => c.GetProperty("label").GetString()!.StartsWith("First water", StringComparison.Ordinal))
            .Select(c =>
                DateTime.Parse(
                    c.GetProperty("text").GetString() + " 2027",
                    System.Globalization.CultureInfo.InvariantCulture
                )
            )
            .ToList();
        Assert.Equal(2, days.Count);
        Assert.Equal(7, (days[1] - days[0]).TotalDays);
    }
}
