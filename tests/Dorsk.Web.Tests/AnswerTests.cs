using Dorsk.Core.People;
using Dorsk.Core.Species;

namespace Dorsk.Web.Tests;

/// <summary>Calculators as a farmer meets them: figures typed into the page, and the answer that stands on it. The rows are data, worked out by hand or from the formula's source.</summary>
public class AnswerTests(SmallFarm farm) : IClassFixture<SmallFarm>
{
    private static readonly IReadOnlyList<IReadOnlyDictionary<string, string>> Rows = Csv.Rows(
        File.ReadAllText(Path.Combine(AppContext.BaseDirectory, "answers.csv"))
    );

    public static IEnumerable<string> Answered => Rows.Select(r => r["need"]);

    public static TheoryData<string> Needs => [.. Answered];

    [Theory]
    [MemberData(nameof(Needs))]
    public async Task A_calculator_answers_the_need_with_its_figure(string need)
    {
        var row = Rows.Single(r => r["need"] == need);
        var hand = await farm.As(Role.PondHand);
        var page = "/workbench/" + row["calculator"];
        var fields = BrowserForm.Shown(BrowserForm.Of(await hand.Client.GetStringAsync(page)));
        foreach (var pair in row["inputs"].Split('|', StringSplitOptions.RemoveEmptyEntries))
        {
            var (name, value) = (pair.Split('=')[0], pair[(pair.IndexOf('=', StringComparison.Ordinal) + 1)..]);
            Assert.Contains(name, fields.Keys);
            fields[name] = value;
        }
        var query = string.Join(
            '&',
            fields.Select(f => $"{Uri.EscapeDataString(f.Key)}={Uri.EscapeDataString(f.Value)}")
        );
        var answer = PageText.Plain(await hand.Client.GetStringAsync($"{page}?{query}"));
        Assert.DoesNotContain("Not yet One line", answer, StringComparison.Ordinal);
        Assert.Matches(row["says"], answer);
    }

    [Fact]
    public void Each_need_is_answered_once() =>
        Assert.Equal(Rows.Count, Rows.Select(r => r["need"]).Distinct().Count());
}
